import css from './Places.module.css';

interface PlacesProps<K extends string> {
  /** What they are parts of, read aloud. */
  readonly label: string;
  readonly places: readonly { readonly key: K; readonly name: string }[];
  readonly now: K;
  readonly onGo: (place: K) => void;
}

/** The parts of a view, one of them shown. */
export const Places = <K extends string>({ label, places, now, onGo }: PlacesProps<K>) => (
  <nav className={css.places} aria-label={label}>
    {places.map(({ key, name }) => (
      <button key={key} type="button" aria-current={key === now ? 'page' : undefined} onClick={() => onGo(key)}>
        {name}
      </button>
    ))}
  </nav>
);

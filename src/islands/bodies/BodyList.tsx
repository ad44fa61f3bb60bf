import { form } from '../../app/bodies/bodyDraft.ts';
import type { Unsaved } from '../../app/kit/unsaved.ts';
import type { Body } from '../../core/kit/model.ts';
import { whenText } from '../../text/kit/when.ts';
import { FormSilhouette } from '../../ui/glyphs/FormSilhouette.tsx';
import css from './BodyList.module.css';

interface BodyListProps {
  readonly bodies: readonly Body[];
  readonly openId: string | null;
  /** New bodies that were typed and never saved. */
  readonly unsaved: readonly Unsaved[];
  readonly onOpen: (id: string) => void;
  readonly onResume: (unsaved: Unsaved) => void;
  readonly onAdd: () => void;
}

const formsOf = (body: Body) => [
  ...new Map(body.slots.flatMap((slot) => slot.accepts).map((one) => [one.form, one])).values(),
];

/** The cameras, with the shapes their slots take. */
export function BodyList({ bodies, openId, unsaved, onOpen, onResume, onAdd }: BodyListProps) {
  return (
    <nav className={css.list} aria-label="Cameras">
      <h1 className={css.title}>Cameras</h1>
      {bodies.map((body) => (
        <button
          key={body.id}
          type="button"
          className={css.body}
          aria-current={body.id === openId || undefined}
          onClick={() => onOpen(body.id)}
        >
          <span className={css.name}>{body.name}</span>
          <span className={css.note}>
            {[body.note, `${body.modes.length} ${body.modes.length === 1 ? 'mode' : 'modes'}`]
              .filter(Boolean)
              .join(' · ')}
          </span>
          <span className={css.forms}>
            {formsOf(body).map(({ form: key, bus }) => (
              <span key={key} className={css.form}>
                <FormSilhouette form={key} bus={bus} size={17} /> {form(key).name}
              </span>
            ))}
          </span>
        </button>
      ))}
      {unsaved.map((one) => (
        <button key={one.values.id} type="button" className={css.body} onClick={() => onResume(one)}>
          <span className={css.name}>{(one.values as { readonly name?: string }).name || 'New camera'}</span>
          <span className={`${css.note} tone-warm`}>not saved, typed {whenText(one.at)}</span>
        </button>
      ))}
      <button type="button" className={`ink-button ${css.add}`} onClick={onAdd}>
        Add a camera
      </button>
    </nav>
  );
}

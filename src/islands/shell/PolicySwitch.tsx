import type { TakeKind } from '../../core/kit/model.ts';
import css from './PolicySwitch.module.css';

const TAKES: readonly (readonly [TakeKind, string, string, string])[] = [
  ['once', 'Once', '-only', 'Once-only take: paid, live, unrepeatable'],
  ['repeatable', 'Repeat', 'able', 'Repeatable take'],
];

/** Two schools, both right in their place: which take this is decides what counts as holding. */
export function PolicySwitch({
  take,
  onChange,
}: {
  readonly take: TakeKind;
  readonly onChange: (take: TakeKind) => void;
}) {
  return (
    <div className={css.take}>
      <span id="this-take" className={css.caption}>
        This take
      </span>
      <fieldset className={css.switch} aria-labelledby="this-take">
        {TAKES.map(([key, word, ending, title]) => (
          <label key={key} className={css.choice} title={title}>
            <input
              className={css.radio}
              type="radio"
              name="take"
              value={key}
              checked={take === key}
              onChange={() => onChange(key)}
            />
            <span>
              {word}
              <span className={css.ending}>{ending}</span>
            </span>
          </label>
        ))}
      </fieldset>
    </div>
  );
}

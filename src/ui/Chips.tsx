import { useId } from 'react';
import css from './Chips.module.css';

interface Chip {
  readonly value: string;
  readonly label: string;
  readonly note?: string | undefined;
}

interface ChipsProps {
  readonly legend: string;
  readonly value: string;
  readonly choices: readonly Chip[];
  /** Shown as chips; the rest stand in a list. */
  readonly most?: number;
  readonly error?: unknown;
  readonly onChange: (value: string) => void;
}

/** One of a few, a press each; where there are many, the first as chips and the rest in the browser's own list. */
export function Chips({ legend, value, choices, most = 8, error, onChange }: ChipsProps) {
  const name = useId();
  const first = choices.slice(0, most);
  const chosen = choices.find((one) => one.value === value);
  const shown = chosen && !first.includes(chosen) ? [...first, chosen] : first;
  const rest = choices.filter((one) => !shown.includes(one));
  return (
    <div
      className={css.chips}
      role="radiogroup"
      aria-labelledby={`${name}-legend`}
      aria-invalid={error ? true : undefined}
      tabIndex={error ? -1 : undefined}
    >
      <span id={`${name}-legend`} className={css.legend}>
        {legend}
      </span>
      <div className={css.row}>
        {shown.map((one) => (
          <label key={one.value} className={css.chip}>
            <input
              type="radio"
              name={name}
              value={one.value}
              checked={one.value === value}
              onChange={() => onChange(one.value)}
            />
            <span>
              {one.label}
              {one.note && <small>{one.note}</small>}
            </span>
          </label>
        ))}
        {rest.length > 0 && (
          <select
            className={css.more}
            aria-label={`${legend}: another`}
            value=""
            onChange={(event) => onChange(event.currentTarget.value)}
          >
            <option value="">{rest.length} more …</option>
            {rest.map((one) => (
              <option key={one.value} value={one.value}>
                {one.label}
              </option>
            ))}
          </select>
        )}
      </div>
      {error ? (
        <p className={css.error} role="alert">
          {String(error)}
        </p>
      ) : null}
    </div>
  );
}

import { useId } from 'react';
import { parseDuration } from '../core/units/parse.ts';
import { parseText } from '../text/amount.ts';
import { takeText } from '../text/quantity.ts';
import css from './TakeLength.module.css';

interface TakeLengthProps {
  readonly label: string;
  readonly text: string;
  readonly onText: (text: string) => void;
}

/** The length of a take in seconds as it was typed; null while it cannot be read. A bare number is minutes. */
export function takeSeconds(text: string): number | null {
  const read = readLength(text);
  return read.ok ? read.value.value : null;
}

const readLength = (text: string) =>
  parseDuration(/^\s*\d+(?:[.,]\d+)?\s*$/.test(text) ? `${text.trim()} min` : text, 'minutes');

/** How long a take lasted, typed as people write it; what was understood stands beside it while it is typed. */
export function TakeLength({ label, text, onText }: TakeLengthProps) {
  const id = useId();
  const read = readLength(text);
  const typed = text.trim() !== '';
  return (
    <div className={css.length}>
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        value={text}
        placeholder="9:22"
        inputMode="text"
        autoComplete="off"
        aria-invalid={typed && !read.ok}
        aria-describedby={`${id}-echo`}
        onChange={(event) => onText(event.currentTarget.value)}
      />
      <span id={`${id}-echo`} className={css.echo} role="status">
        {!typed ? 'minutes:seconds, or 1h09' : read.ok ? `= ${takeText(read.value.value)}` : ''}
      </span>
      {typed && !read.ok && (
        <p className={`${css.problem} tone-hot`} role="alert">
          {parseText('time', read.error)}
        </p>
      )}
    </div>
  );
}

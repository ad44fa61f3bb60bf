import { useEffect, useState } from 'react';
import { typedNumber } from '../../ui/typedNumber.ts';
import css from './HeadroomField.module.css';

const asPercent = (fraction: number): string => String(Math.round(fraction * 1000) / 10);

/** Headroom over the need, per cent; kept when it is a number from 0 to 100, otherwise it says what is wrong. */
export function HeadroomField({
  headroom,
  onKeep,
}: {
  readonly headroom: number;
  readonly onKeep: (headroom: number) => void;
}) {
  const [text, setText] = useState(asPercent(headroom));
  useEffect(() => setText(asPercent(headroom)), [headroom]);
  const typed = typedNumber(text, { min: 0, max: 100 });
  const value = typed.ok ? typed.value : Number.NaN;
  const wrong = text.trim() === '' || !(value >= 0 && value <= 100);
  const keep = (): void => {
    if (!wrong) onKeep(Math.round(value * 10) / 1000);
    else setText(asPercent(headroom));
  };
  return (
    <label
      className={css.field}
      data-wrong={wrong || undefined}
      title="How much more than needed a promise must cover before it counts as Guaranteed"
    >
      <span className={css.caption}>Headroom</span>
      <span className="unseen">, per cent over what is needed</span>
      <span className={css.figure}>
        <input
          className={css.input}
          inputMode="decimal"
          value={text}
          aria-invalid={wrong}
          aria-describedby={wrong ? 'headroom-problem' : undefined}
          onChange={(event) => setText(event.currentTarget.value)}
          onBlur={keep}
          onKeyDown={(event) => {
            if (event.key === 'Enter') keep();
            if (event.key === 'Escape') setText(asPercent(headroom));
          }}
        />
        <span aria-hidden="true">%</span>
      </span>
      {wrong && (
        <span id="headroom-problem" className={css.problem} role="alert">
          Headroom is a number from 0 to 100.
        </span>
      )}
    </label>
  );
}

import type { Figure } from '../text/quantity.ts';

/** A number with its unit smaller behind it, never broken apart. */
export function Amount({ figure, unit }: Figure) {
  return (
    <span style={{ whiteSpace: 'nowrap' }}>
      {figure}
      {unit && <span className="unit">{`\u00a0${unit}`}</span>}
    </span>
  );
}

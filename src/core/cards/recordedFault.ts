import type { Card, Incident } from '../kit/model.ts';

/** After which a card holds what it is given no longer, whatever it promises. */
export const FAULTS: ReadonlySet<Incident['kind']> = new Set(['corruption', 'damage']);

/**
 * The newest fault noted of a card that nobody has settled: corruption or damage, until a person says what came of it, or
 * the card was filled and read back on a later day. Null where there is none.
 */
export function recordedFault({ incidents, verified }: Pick<Card, 'incidents' | 'verified'>): Incident | null {
  const standing = (incidents ?? []).filter(
    ({ kind, date, resolved }) =>
      FAULTS.has(kind) && resolved == null && !(verified && verified.date.slice(0, 10) > date.slice(0, 10)),
  );
  return standing.reduce<Incident | null>((newest, one) => (newest && newest.date > one.date ? newest : one), null);
}

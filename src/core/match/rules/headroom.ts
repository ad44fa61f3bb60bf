import { covers, wholeUp } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';

/** A need with its headroom, rounded up. */
export const withHeadroom = (need: BytesPerSecond, headroom: PerMille): BytesPerSecond =>
  wholeUp((need * (1000 + headroom)) / 1000) as BytesPerSecond;

/** Compares the guarantee in force with the need and its headroom; inclusive and exact at equality. */
export function headroomRule(floor: BytesPerSecond, need: BytesPerSecond, headroom: PerMille): Finding {
  const wanted = withHeadroom(need, headroom);
  const outcome = covers(floor, need, headroom) ? 'pass' : floor >= need ? 'note' : 'short';
  return { rule: 'headroom', outcome, need, wanted, floor, headroom };
}

import { covers, wholeUp } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';

/** Compares the guarantee in force with the need and its headroom; inclusive and exact at equality. */
export function headroomRule(floor: BytesPerSecond, need: BytesPerSecond, headroom: PerMille): Finding {
  const wanted = wholeUp((need * (1000 + headroom)) / 1000) as BytesPerSecond;
  const outcome = covers(floor, need, headroom) ? 'pass' : floor >= need ? 'note' : 'short';
  return { rule: 'headroom', outcome, need, wanted, floor, headroom };
}

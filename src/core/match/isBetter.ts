import type { Cell } from './cell.ts';
import { rankOf } from './verdict.ts';

/** Whether one seat's answer is better than another's: verdict first, then the faster floor, then the faster bus. */
export function isBetter(a: Cell, b: Cell): boolean {
  const byVerdict = rankOf(a.verdict) - rankOf(b.verdict);
  if (byVerdict !== 0) return byVerdict < 0;
  if ((a.floor ?? 0) !== (b.floor ?? 0)) return (a.floor ?? 0) > (b.floor ?? 0);
  return (a.ceiling ?? 0) > (b.ceiling ?? 0);
}

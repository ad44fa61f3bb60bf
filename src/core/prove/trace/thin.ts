import type { WriteTrace } from './trace.ts';

/** Points of a trace for drawing: `[seconds, value]`, ascending. */
export type Drawn = readonly (readonly [number, number])[];

/**
 * Rows thinned for drawing alone: of every bucket its first, lowest, highest and last row, in their order, so that no extreme
 * is lost. Nothing is worked out from them.
 *
 * @param buckets - most buckets; a bucket gives up to four points
 */
export function thinned(seconds: Float64Array, values: Float64Array, buckets: number): Drawn {
  const { length } = seconds;
  const points: (readonly [number, number])[] = [];
  const add = (row: number): void => {
    if (Number.isFinite(values[row])) points.push([seconds[row] as number, values[row] as number]);
  };
  if (length <= 4 * buckets) {
    for (let row = 0; row < length; row += 1) add(row);
    return points;
  }
  for (let bucket = 0; bucket < buckets; bucket += 1) {
    const from = Math.floor((bucket * length) / buckets);
    const to = Math.floor(((bucket + 1) * length) / buckets);
    let [low, high] = [from, from];
    for (let row = from; row < to; row += 1) {
      if ((values[row] as number) < (values[low] as number)) low = row;
      if ((values[row] as number) > (values[high] as number)) high = row;
    }
    for (const row of [...new Set([from, low, high, to - 1])].sort((a, b) => a - b)) add(row);
  }
  return points;
}

/** Mean rate of every whole second from the first on, MB/s; null where there are more than `most`. Gaps are zeros. */
export function bySecond({ seconds, MBps }: WriteTrace, lengths: Float64Array, most: number): readonly number[] | null {
  const last = seconds.length - 1;
  const span = Math.ceil((seconds[last] as number) + (lengths[last] as number) - 1e-9);
  if (span > most || span < 1) return null;
  const sums = new Float64Array(span);
  for (let row = 0; row <= last; row += 1) {
    let from = seconds[row] as number;
    const to = from + (lengths[row] as number);
    while (from < to - 1e-12) {
      const second = Math.min(span - 1, Math.floor(from + 1e-9));
      const until = Math.min(to, second + 1);
      if (until <= from) break;
      sums[second] = (sums[second] as number) + (MBps[row] as number) * (until - from);
      from = until;
    }
  }
  return Array.from(sums, (sum) => Math.round(sum * 1000) / 1000);
}

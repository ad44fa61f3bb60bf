import type { Watch } from './simulate.ts';
import { valueAt } from './thermal.ts';

/** Where the middle nine tenths of the runs that still record lie, over the time of the take. */
export interface Band {
  readonly seconds: readonly number[];
  readonly card: readonly Percentiles[];
  readonly body: readonly Percentiles[];
  /** Share of all runs that have failed by then. */
  readonly failed: readonly number[];
}

/** Where the middle nine tenths of some values lie, and their median. */
export interface Percentiles {
  readonly p5: number;
  readonly p50: number;
  readonly p95: number;
}

/** The value below which a share of a sorted list lies, interpolated between neighbours (R's type 7). */
export function quantileSorted(sorted: ArrayLike<number>, share: number): number {
  const place = (sorted.length - 1) * share;
  const low = Math.floor(place);
  const [a, b] = [sorted[low] ?? Number.NaN, sorted[Math.min(low + 1, sorted.length - 1)] ?? Number.NaN];
  return a + (b - a) * (place - low);
}

/** Percentiles of a list sorted ascending; not empty. */
export const rangeOf = (sorted: ArrayLike<number>): Percentiles => ({
  p5: quantileSorted(sorted, 0.05),
  p50: quantileSorted(sorted, 0.5),
  p95: quantileSorted(sorted, 0.95),
});

const POINTS = 61;
/** Runs whose temperatures are kept: more move no line of the band visibly. */
const SAMPLED = 2000;
/** Fewer than this make no honest quantile; the band ends there. */
const FEWEST = 20;

/** Gathers temperatures of many runs at the same moments. */
export function createBand(lastSecond: number) {
  const seconds = Array.from({ length: POINTS }, (_, at) => (lastSecond * at) / (POINTS - 1));
  const card: number[][] = seconds.map(() => []);
  const body: number[][] = seconds.map(() => []);
  let sampled = 0;
  /** The watcher of the next run; none once enough are kept. */
  const watch = (): Watch | undefined => {
    if (sampled >= SAMPLED) return undefined;
    sampled += 1;
    let next = 0;
    return (from, dt, cardCurve, bodyCurve) => {
      for (; next < POINTS && (seconds[next] as number) <= from + dt; next += 1) {
        const since = Math.max(0, (seconds[next] as number) - from);
        card[next]?.push(valueAt(cardCurve, since));
        body[next]?.push(valueAt(bodyCurve, since));
      }
    };
  };
  const result = (failedAt: readonly number[], runs: number): Band => {
    const shown = card.findIndex((list) => list.length < Math.min(FEWEST, sampled));
    const length = shown === -1 ? POINTS : shown;
    const ranges = (lists: number[][]): Percentiles[] =>
      lists.slice(0, length).map((list) => rangeOf(Float64Array.from(list).sort()));
    let failed = 0;
    const shares = seconds.map((second) => {
      while (failed < failedAt.length && (failedAt[failed] as number) <= second) failed += 1;
      return failed / runs;
    });
    return { seconds, card: ranges(card), body: ranges(body), failed: shares };
  };
  return { watch, result };
}

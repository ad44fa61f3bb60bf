import type { WriteTrace } from './trace.ts';

/** Most bins of a trace: what finds changes takes the square of them at worst. */
const MAX_BINS = 4000;
/** Shortest bin, seconds: faster rows show blocks being finished, not the card. */
const SHORTEST = 0.25;
/** A row that stands for more than this many ordinary ones is a gap: nothing was noted. */
const GAP = 6;

/** Rows of a trace without a gap between them, and the bins they are looked at in. */
export interface Stretch {
  /** First row, and the one behind the last. */
  readonly from: number;
  readonly to: number;
  /** Rows of a bin; the last bin may have more, never fewer. */
  readonly rowsPerBin: number;
  readonly bins: Float64Array;
  /** Usual length of a bin. */
  readonly binSeconds: number;
}

/** What a trace is cut into, and how long each row stands. */
export interface Cut {
  readonly stretches: readonly Stretch[];
  /** Seconds of each row; a row before a gap stands as long as an ordinary one. */
  readonly lengths: Float64Array;
  /** Megabytes written before each row, and behind the last. */
  readonly written: Float64Array;
  readonly gaps: number;
  readonly gapSeconds: number;
}

/** Middle value; NaN of nothing. Sorts what it is given. */
export function medianOf(values: Float64Array): number {
  const { length } = values;
  if (length === 0) return Number.NaN;
  values.sort();
  const half = length >> 1;
  return length % 2 === 1 ? (values[half] as number) : ((values[half - 1] as number) + (values[half] as number)) / 2;
}

/** Usual step between rows; from a sample where there are many. */
function stepOf(seconds: Float64Array): number {
  const count = seconds.length - 1;
  const every = Math.max(1, Math.floor(count / 20_001));
  const steps: number[] = [];
  for (let at = 0; at < count; at += every) steps.push((seconds[at + 1] as number) - (seconds[at] as number));
  return steps.length === 0 ? 1 : medianOf(Float64Array.from(steps));
}

/** Cuts a trace at its gaps and into bins of whole rows. */
export function cutTrace({ seconds, MBps }: WriteTrace): Cut {
  const count = seconds.length;
  const step = stepOf(seconds);
  const lengths = new Float64Array(count);
  const written = new Float64Array(count + 1);
  const starts: number[] = [0];
  let gapSeconds = 0;
  for (let at = 0; at < count; at += 1) {
    const until = at + 1 < count ? (seconds[at + 1] as number) - (seconds[at] as number) : step;
    const isGap = until > GAP * step;
    lengths[at] = isGap ? step : until;
    if (isGap) {
      gapSeconds += until - step;
      starts.push(at + 1);
    }
    written[at + 1] = (written[at] as number) + (MBps[at] as number) * (lengths[at] as number);
  }
  const span = (seconds[count - 1] as number) + step;
  const rowsPerBin = Math.max(1, Math.ceil(Math.max(SHORTEST, span / MAX_BINS) / step - 1e-9));
  const stretches = starts.map((from, at): Stretch => {
    const to = starts[at + 1] ?? count;
    const bins = new Float64Array(Math.max(1, Math.floor((to - from) / rowsPerBin)));
    for (let bin = 0; bin < bins.length; bin += 1) {
      const first = from + bin * rowsPerBin;
      const last = bin === bins.length - 1 ? to : first + rowsPerBin;
      let length = 0;
      for (let row = first; row < last; row += 1) length += lengths[row] as number;
      bins[bin] = length > 0 ? ((written[last] as number) - (written[first] as number)) / length : 0;
    }
    return { from, to, rowsPerBin, bins, binSeconds: rowsPerBin * step };
  });
  return { stretches, lengths, written, gaps: starts.length - 1, gapSeconds };
}

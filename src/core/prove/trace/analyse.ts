import type { Steps } from '../../steps.ts';
import { finish, within } from '../../steps.ts';
import { type Dip, dipsOf, type Level, levelSteps } from './changes.ts';
import { type Cut, cutTrace, medianOf, type Stretch } from './stretches.ts';
import type { Segment, SegmentKind, Stall, Throttle, TraceNote, TraceReading, WriteTrace } from './trace.ts';

/** Length of the window whose lowest mean is the floor, seconds [A]. */
const FLOOR_WINDOW = 10;
/** Rows further apart than this show no stall: one of a second or two is lost in their mean [A]. */
const COARSE = 2;
/** Below this a trace says little of minutes, seconds [A]. */
const SHORT = 60;
/** How far a fall must be made good again to be one that passes. */
const RETURNED = 0.5;
/** A burst stands this far above what follows, as a ratio [A]. */
const CLEAR = 1.1;
/** Rows below this share of what stands around belong to a stall [A]. */
const NOT_STALLED = 0.5;
/** A row beside a stall below this share of what stands around belongs to it in part [A]. */
const PARTLY = 0.85;
const MB_IN_GB = 1000;

/** A level with the rows it covers and the name it is given. */
interface Named {
  readonly from: number;
  readonly to: number;
  readonly level: Level;
  kind: Exclude<SegmentKind, 'stall'>;
}

interface Read {
  readonly named: readonly Named[];
  readonly stalls: readonly Dip[];
}

/** Values without the bins of dips, and where each of them stood. */
function without(bins: Float64Array, dips: readonly Dip[]): { readonly values: Float64Array; readonly at: Int32Array } {
  const keep: number[] = [];
  let dip = 0;
  for (let at = 0; at < bins.length; at += 1) {
    while (dip < dips.length && (dips[dip] as Dip).to <= at) dip += 1;
    const inside = dip < dips.length && (dips[dip] as Dip).from <= at;
    if (!inside) keep.push(at);
  }
  // The first and last row of a log are often parts of a second: they start and end no level.
  const around = medianOf(bins.slice());
  const isPart = (at: number): boolean => (bins[at] as number) < 0.5 * around;
  if (keep.length > 6 && isPart(keep.at(-1) as number) && !isPart(keep.at(-2) as number)) keep.pop();
  if (keep.length > 6 && isPart(keep[0] as number) && !isPart(keep[1] as number)) keep.shift();
  return { values: Float64Array.from(keep, (at) => bins[at] as number), at: Int32Array.from(keep) };
}

/** The row at which the rates on both sides leave the least apart from their levels. */
function edge(
  rates: Float64Array,
  { near, reach }: { readonly near: number; readonly reach: number },
  [before, after]: readonly [number, number],
): number {
  const from = Math.max(0, near - reach);
  const to = Math.min(rates.length, near + reach);
  let best = near;
  let least = Number.POSITIVE_INFINITY;
  let sum = 0;
  for (let row = from; row < to; row += 1) sum += Math.abs((rates[row] as number) - after);
  for (let row = from; row <= to; row += 1) {
    if (sum < least - 1e-12) [least, best] = [sum, row];
    if (row < to) sum += Math.abs((rates[row] as number) - before) - Math.abs((rates[row] as number) - after);
  }
  return best;
}

/** Levels of one stretch, in rows of the trace. */
function* readStretch({ from, to, rowsPerBin, bins, binSeconds }: Stretch, trace: WriteTrace): Steps<Read> {
  const rates = trace.MBps;
  const dips = dipsOf(bins, binSeconds);
  const { values, at } = without(bins, dips);
  const levels = values.length === 0 ? [] : yield* levelSteps(values);
  const rowOf = (bin: number): number => Math.min(to, from + bin * rowsPerBin);
  const named = levels.map((level, place): Named => {
    const first = place === 0 ? from : rowOf(at[level.from] as number);
    return { from: first, to: first, level, kind: 'sustained' };
  });
  const moved = named.map((one, place) => {
    const before = levels[place - 1];
    if (rowsPerBin === 1 || !before) return one;
    const ends = [before.line?.last ?? before.MBps, one.level.line?.first ?? one.level.MBps] as const;
    return { ...one, from: edge(rates, { near: one.from, reach: 2 * rowsPerBin }, ends) };
  });
  const placed = moved.map((one, place) => ({ ...one, to: moved[place + 1]?.from ?? to }));
  nameLevels(placed, (at) => isHeatFall(trace, placed, at) !== null);
  return {
    named: placed,
    stalls: dips.map((dip) => {
      const wide = { from: rowOf(dip.from), to: dip.to >= bins.length ? to : rowOf(dip.to) };
      return rowsPerBin === 1 ? wide : exactDip(rates, wide, rowsPerBin, medianOf(bins.slice()));
    }),
  };
}

/** The rows of a dip that was seen in bins. */
function exactDip(rates: Float64Array, { from, to }: Dip, reach: number, around: number): Dip {
  let [first, last] = [Math.max(0, from - reach), Math.min(rates.length, to + reach)];
  const isLow = (row: number): boolean => (rates[row] as number) < 0.5 * around;
  while (first < from && !isLow(first)) first += 1;
  while (first < to - 1 && !isLow(first)) first += 1;
  while (last > first + 1 && !isLow(last - 1)) last -= 1;
  return { from: first, to: last };
}

const lowEnd = ({ level }: Named): number => level.line?.last ?? level.MBps;

/** How near a low level must be to an earlier one that came back to be another of its like [A]. */
const LIKE = 0.2;

/**
 * Names the levels of one stretch: a burst that never comes back, falls that pass, and what was held. A fall passes where the card
 * came back from it, or from another like it, or where the temperature fell with it; a lower level that only stays is what the card
 * holds.
 */
function nameLevels(levels: readonly Named[], isByHeat: (at: number) => boolean): void {
  for (const one of levels) if (one.level.line) one.kind = 'decline';
  const lead = burstLevels(levels);
  for (let at = 0; at < lead; at += 1) (levels[at] as Named).kind = 'burst';
  const rest = levels.slice(lead);
  rest.forEach((one, at) => {
    const before = rest[at - 1];
    if (one.kind === 'decline' || !before || one.level.MBps >= lowEnd(before)) return;
    const fall = lowEnd(before) - one.level.MBps;
    const isEnd = before.kind === 'decline' && one.level.MBps > lowEnd(before) / CLEAR;
    if (isEnd) return;
    const comesBack = rest.slice(at + 1).some(({ level }) => level.MBps - one.level.MBps >= RETURNED * fall);
    // The last one may have ended before it came back.
    const isAnother = rest
      .slice(0, at)
      .some(({ kind, level }) => kind === 'throttled' && Math.abs(one.level.MBps / level.MBps - 1) < LIKE);
    if (comesBack || isAnother || isByHeat(lead + at)) one.kind = 'throttled';
  });
}

/** How many levels at the front stand clearly above everything that follows: where the deepest of such falls is. */
function burstLevels(levels: readonly Named[]): number {
  let deepest = CLEAR;
  let lead = 0;
  for (let at = 1; at < levels.length && !(levels[at - 1] as Named).level.line; at += 1) {
    const above = Math.min(...levels.slice(0, at).map(lowEnd));
    const below = Math.max(...levels.slice(at).map(({ level }) => level.line?.first ?? level.MBps));
    const ratio = below > 0 ? above / below : Number.POSITIVE_INFINITY;
    if (ratio > deepest) [deepest, lead] = [ratio, at];
  }
  return lead;
}

/** Temperature around a moment: of the nearest row that has one. */
function celsiusAt({ seconds, celsius }: WriteTrace, at: number): number | null {
  if (!celsius) return null;
  let best: number | null = null;
  let nearest = 5;
  let [low, high] = [0, seconds.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((seconds[middle] as number) < at - nearest) low = middle + 1;
    else high = middle;
  }
  for (let row = low; row < seconds.length && (seconds[row] as number) <= at + nearest; row += 1) {
    const away = Math.abs((seconds[row] as number) - at);
    if (Number.isNaN(celsius[row] as number) || away >= nearest) continue;
    [nearest, best] = [away, celsius[row] as number];
  }
  return best;
}

/** Lowest mean of any ten seconds without a gap; of all of it where it is shorter. */
function lowestMean({ seconds, MBps }: WriteTrace, { stretches, lengths, written }: Cut): number {
  let lowest = Number.POSITIVE_INFINITY;
  let all = 0;
  let span = 0;
  const endOf = (row: number): number => (seconds[row] as number) + (lengths[row] as number);
  for (const { bins, ...rows } of stretches) {
    // First and last row may be parts of a second.
    const least = 0.5 * medianOf(bins.slice());
    const isPart = (row: number): boolean => rows.to - rows.from > 6 && (MBps[row] as number) < least;
    const from = rows.from + (isPart(rows.from) && !isPart(rows.from + 1) ? 1 : 0);
    const to = rows.to - (isPart(rows.to - 1) && !isPart(rows.to - 2) ? 1 : 0);
    let last = from;
    for (let first = from; first < to; first += 1) {
      const end = (seconds[first] as number) + FLOOR_WINDOW;
      while (last < to && endOf(last) <= end + 1e-9) last += 1;
      if (last >= to && endOf(to - 1) < end - 1e-9) break;
      // A row that reaches out of the window counts by its part in it.
      const part = last < to ? Math.max(0, end - (seconds[last] as number)) * (MBps[last] as number) : 0;
      lowest = Math.min(lowest, ((written[last] as number) - (written[first] as number) + part) / FLOOR_WINDOW);
    }
    all += (written[to] as number) - (written[from] as number);
    span += endOf(to - 1) - (seconds[from] as number);
  }
  if (Number.isFinite(lowest)) return lowest;
  return span > 0 ? all / span : 0;
}

/** Shorter than this, seconds, what stands at the end of a fall is not yet a level [A]. */
const SETTLED = 90;

/** Whether a trace ends while it sinks, or too soon after. */
function endsFalling(levels: readonly Named[], endOf: (row: number) => number): boolean {
  const [before, last] = [levels.at(-2), levels.at(-1)];
  if (!last || last.kind === 'burst' || last.kind === 'throttled') return false;
  if (last.kind === 'decline') return true;
  const isLower = before !== undefined && last.level.MBps < before.level.MBps;
  return isLower && endOf(last.to) - endOf(last.from) < SETTLED;
}

/** What was surely written in the last ten seconds without a stall: their mean less twice its error; no limit where there is nothing. */
function lastLeast({ seconds, MBps }: WriteTrace, { lengths }: Cut): number {
  let span = 0;
  const rates: number[] = [];
  const usual = medianOf(MBps.slice(-Math.max(10, MBps.length >> 3)));
  // The very last row may be part of a second.
  for (let row = seconds.length - 2; row >= 0 && span < FLOOR_WINDOW; row -= 1) {
    if ((MBps[row] as number) < NOT_STALLED * usual) continue;
    span += lengths[row] as number;
    rates.push(MBps[row] as number);
  }
  if (rates.length === 0) return Number.POSITIVE_INFINITY;
  const mean = rates.reduce((sum, one) => sum + one, 0) / rates.length;
  const spread = Math.sqrt(rates.reduce((sum, one) => sum + (one - mean) ** 2, 0) / rates.length);
  return Math.max(0, mean - (2 * spread) / Math.sqrt(rates.length));
}

/** A fall that the temperature explains: what follows is cooler than the moment of the fall. */
function isHeatFall(trace: WriteTrace, named: readonly Named[], at: number): number | null {
  const one = named[at] as Named;
  const start = trace.seconds[one.from] as number;
  const end = trace.seconds[one.to - 1] as number;
  const fell = celsiusAt(trace, start);
  const later = celsiusAt(trace, (start + end) / 2);
  const before = celsiusAt(trace, Math.max(0, start - (end - start) / 4));
  return fell !== null && later !== null && before !== null && later <= fell - 1 && before < fell ? fell : null;
}

/**
 * Takes a trace apart: levels and falls by a search for changes that goes by medians, stalls by what stands around them, and
 * the figures of a heat run from both. Anything a trace cannot tell is said in its notes.
 *
 * @param trace - at least two rows; seconds ascending, rates not negative
 */
export function* traceSteps(trace: WriteTrace): Steps<TraceReading> {
  const { seconds, MBps } = trace;
  const cut = cutTrace(trace);
  const { lengths, written } = cut;
  const reads: Read[] = [];
  for (const [at, stretch] of cut.stretches.entries()) {
    const [from, to] = [at / cut.stretches.length, (at + 1) / cut.stretches.length];
    reads.push(yield* within(from, to, readStretch(stretch, trace)));
  }
  const endOf = (row: number): number => (row === 0 ? 0 : (seconds[row - 1] as number) + (lengths[row - 1] as number));
  const total = endOf(seconds.length);
  const notes: TraceNote[] = [{ code: 'bench' }];
  const first = reads[0] as Read;
  const { named } = first;
  const bursts = named.filter(({ kind }) => kind === 'burst');
  // One fall, and the temperature fell with it: not the end of a cache.
  const lead = bursts.length;
  const heat = lead > 0 && named.length === lead + 1 ? isHeatFall(trace, named, lead) : null;
  if (heat !== null) {
    for (const one of bursts) one.kind = 'sustained';
    (named[lead] as Named).kind = 'throttled';
    notes.push({ code: 'heat-fall', celsius: heat });
  }
  const hasBurst = lead > 0 && heat === null;
  const all = reads.flatMap((read) => read.named);
  const stalls = reads.flatMap((read) =>
    read.stalls.map((dip) => stallOf(dip, { seconds, endOf, rates: MBps }, read.named)),
  );
  const held = sustainedOf(all);
  // Where it ends while it sinks, noise may leave the end of the fall above what it wrote in the end.
  const sustained = endsFalling(all, endOf) ? Math.min(held, lastLeast(trace, cut)) : held;
  const bytes = (from: number, to: number): number => ((written[to] as number) - (written[from] as number)) / MB_IN_GB;
  const burstMBps = hasBurst ? weighted(bursts) : null;
  const burstEnd = bursts.at(-1)?.to ?? 0;
  const burstGB = bytes(0, burstEnd);
  const throttle = throttleOf(trace, all);
  const totalGB = bytes(0, seconds.length);
  if (total < SHORT) notes.push({ code: 'short', seconds: total });
  if (stalls.length > 0)
    notes.push({
      code: 'stood-still',
      count: stalls.length,
      longestSeconds: Math.max(...stalls.map((one) => one.seconds)),
    });
  else if (all.length === 1 && all[0]?.kind === 'sustained') notes.push({ code: 'no-fall', GB: totalGB });
  const step = medianOf(Float64Array.from(lengths));
  if (step > COARSE) notes.push({ code: 'coarse', stepSeconds: step });
  if (hasBurst && !throttle && heat === null) notes.push({ code: 'one-fall', GB: burstGB, seconds: endOf(burstEnd) });
  if (throttle && heat === null)
    notes.push(
      throttle.periodSeconds === null && throttle.offC === null && !comesBack(all)
        ? { code: 'no-return', atSeconds: throttle.onsetSeconds }
        : { code: 'sawtooth', withHeat: throttle.onC !== null },
    );
  const lower = reads.length === 1 ? fellFor(all) : null;
  if (lower !== null) notes.push({ code: 'no-return', atSeconds: seconds[lower] as number });
  const last = all.at(-1);
  const fell = all.find(({ kind }) => kind === 'decline');
  if (last?.kind === 'decline') notes.push({ code: 'still-falling', MBps: lowEnd(last) });
  else if (fell) notes.push({ code: 'declines', atSeconds: seconds[fell.from] as number });
  if (cut.gaps > 0) notes.push({ code: 'gaps', count: cut.gaps, seconds: cut.gapSeconds });
  const between = stalls.slice(1).map(({ atSeconds }, at) => {
    const before = stalls[at] as Stall;
    return bytes(rowAt(seconds, before.atSeconds), rowAt(seconds, atSeconds));
  });
  return {
    rows: seconds.length,
    seconds: total,
    GB: totalGB,
    segments: segmentsOf(all, reads, { seconds, endOf }, bytes),
    burstMBps,
    cacheGB: burstMBps === null ? null : Math.max(0, burstGB * (1 - sustained / burstMBps)),
    sustainedMBps: sustained,
    floorMBps: lowestMean(trace, cut),
    stalls,
    stallEveryGB: between.length === 0 ? null : medianOf(Float64Array.from(between)),
    stallSeconds: between.length === 0 ? null : medianOf(Float64Array.from(stalls, (one) => one.seconds)),
    throttle,
    notes,
  };
}

/** The same at once. */
export const analyseTrace = (trace: WriteTrace): TraceReading => finish(traceSteps(trace));

/** The row that stands at a moment. */
function rowAt(seconds: Float64Array, at: number): number {
  let [low, high] = [0, seconds.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((seconds[middle] as number) < at) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** When each row of a trace begins and ends. */
interface Rows {
  readonly seconds: Float64Array;
  readonly endOf: (row: number) => number;
}

/** How long a card took nothing: what it would have taken in that time, at the rate around it, and did not. */
function stallOf(
  { from, to }: Dip,
  { seconds, endOf, rates }: Rows & { readonly rates: Float64Array },
  named: readonly Named[],
): Stall {
  const around = named.find((one) => one.from <= from && from < one.to)?.level.MBps ?? 0;
  const lostIn = (row: number): number => {
    const length = endOf(row + 1) - (seconds[row] as number);
    return around > 0 ? length * Math.max(0, 1 - (rates[row] as number) / around) : length;
  };
  let lost = 0;
  for (let row = from; row < to; row += 1) lost += lostIn(row);
  // It began and ended within the rows beside it.
  for (const row of [from - 1, to])
    if (row >= 0 && row < rates.length && around > 0 && (rates[row] as number) < PARTLY * around) lost += lostIn(row);
  return { atSeconds: seconds[from] as number, seconds: lost };
}

/** Median of levels by how long each stood. */
function weighted(levels: readonly Named[]): number {
  const length = levels.reduce((sum, one) => sum + one.to - one.from, 0);
  return levels.reduce((sum, one) => sum + (one.level.MBps * (one.to - one.from)) / length, 0);
}

/** The lowest of what was held, the ends of falls among it: a card that sinks holds no more than it sank to. */
function sustainedOf(levels: readonly Named[]): number {
  const held = levels.filter(({ kind }) => kind === 'sustained' || kind === 'decline').map(lowEnd);
  if (held.length > 0) return Math.min(...held);
  const rest = levels.filter(({ kind }) => kind !== 'burst').map(lowEnd);
  return rest.length > 0 ? Math.min(...rest) : Math.min(...levels.map(lowEnd));
}

/** When a card fell to a lower level that it held to the end; null where it did not. */
function fellFor(levels: readonly Named[]): number | null {
  const at = levels.findLastIndex(
    (one, place) =>
      one.kind === 'sustained' &&
      levels[place - 1]?.kind === 'sustained' &&
      one.level.MBps * CLEAR < lowEnd(levels[place - 1] as Named),
  );
  return at < 0 ? null : (levels[at] as Named).from;
}

const comesBack = (levels: readonly Named[]): boolean =>
  levels.some((one, at) => one.kind === 'throttled' && (levels[at + 1]?.level.MBps ?? 0) > one.level.MBps);

function throttleOf(trace: WriteTrace, levels: readonly Named[]): Throttle | null {
  const { seconds } = trace;
  const falls = levels.flatMap((one, at) => {
    const before = levels[at - 1];
    return one.kind === 'throttled' && before && before.kind !== 'throttled' ? [{ one, before }] : [];
  });
  const [start] = falls;
  if (!start) return null;
  const starts = falls.map(({ one }) => seconds[one.from] as number);
  const middle = (values: readonly number[]): number | null =>
    values.length === 0 ? null : medianOf(Float64Array.from(values));
  const present = (values: readonly (number | null)[]): readonly number[] => values.filter((one) => one !== null);
  const returned = falls.flatMap(({ one }) => {
    const next = levels.find(({ from }) => from === one.to);
    return next && next.level.MBps > one.level.MBps ? [seconds[next.from] as number] : [];
  });
  return {
    onsetSeconds: starts[0] as number,
    factor: middle(falls.map(({ one, before }) => one.level.MBps / lowEnd(before))) ?? 1,
    periodSeconds: middle(starts.slice(1).map((at, place) => at - (starts[place] as number))),
    onC: middle(present(starts.map((at) => celsiusAt(trace, at)))),
    offC: middle(present(returned.map((at) => celsiusAt(trace, at)))),
  };
}

function segmentsOf(
  all: readonly Named[],
  reads: readonly Read[],
  { seconds, endOf }: Rows,
  bytes: (from: number, to: number) => number,
): readonly Segment[] {
  const of = (kind: SegmentKind, from: number, to: number, MBps: number | null): Segment => {
    const span = endOf(to) - (seconds[from] as number);
    const GB = bytes(from, to);
    return {
      kind,
      fromSeconds: seconds[from] as number,
      toSeconds: endOf(to),
      MBps: MBps ?? (span > 0 ? (GB * MB_IN_GB) / span : 0),
      GB,
    };
  };
  // Neighbours of one name that a second cut told apart stay apart: their levels differ.
  const levels = all.map(({ kind, from, to, level }) => of(kind, from, to, level.line ? null : level.MBps));
  const stalls = reads.flatMap((read) => read.stalls.map(({ from, to }) => of('stall', from, to, null)));
  return [...levels, ...stalls].sort((a, b) => a.fromSeconds - b.fromSeconds);
}

import type { Band } from '../../core/heat/writepath/band.ts';
import { wholeSeconds } from '../../core/heat/writepath/duration.ts';
import type { EventName, Moment, SimResult } from '../../core/heat/writepath/simulation.ts';
import type { Run } from './useRun.ts';

const POINTS = 120;
/** Throttled stretches drawn; a sawtooth has thousands, and past this the picture is one ground. */
const MAX_STRETCHES = 40;

const NAMED: readonly EventName[] = ['throttle-on', 'cache-full', 'card-change', 'dropped', 'body-limit', 'filled'];

export interface NamedEvent {
  readonly event: EventName;
  readonly minutes: number;
}

/** Events worth a name in the picture: the first of each kind, in time. */
export function namedEvents({ timeline }: SimResult): readonly NamedEvent[] {
  return NAMED.flatMap((event) => {
    const first = timeline.find((moment) => moment.event === event);
    return first ? [{ event, minutes: first.seconds / 60 }] : [];
  }).sort((a, b) => a.minutes - b.minutes);
}

/** From when to when the card was throttled, minutes. */
function throttledStretches({
  timeline,
  atSeconds,
}: SimResult): readonly { readonly from: number; readonly to: number }[] {
  const stretches: { from: number; to: number }[] = [];
  let since: number | null = null;
  for (const { throttled, seconds } of timeline) {
    if (throttled) since ??= seconds;
    else if (since !== null) {
      stretches.push({ from: since / 60, to: seconds / 60 });
      since = null;
    }
  }
  if (since !== null && since < atSeconds) stretches.push({ from: since / 60, to: atSeconds / 60 });
  return stretches.length <= MAX_STRETCHES
    ? stretches
    : [{ from: stretches[0]?.from ?? 0, to: stretches.at(-1)?.to ?? 0 }];
}

/** Steps people count time in, minutes. */
const TIME_STEPS = [0.05, 0.1, 0.25, 0.5, 1, 2, 5, 10, 15, 20, 30, 60, 120, 240, 480, 1440] as const;

/** Minutes to show and the step of their marks: the run, and some of what was planned beyond its end. */
export function timeScale(lastSecond: number, plannedSeconds: number): { readonly max: number; readonly step: number } {
  const shown = Math.max(0.02, Math.min(Math.max(plannedSeconds, lastSecond), lastSecond * 1.4) / 60);
  const step = TIME_STEPS.find((one) => shown / one <= 7) ?? shown / 6;
  const max = Math.ceil(shown / step - 1e-9) * step;
  return { max, step };
}

/** The next round figure above, so that its half is round too. */
function roundAbove(value: number): number {
  const unit = 10 ** Math.floor(Math.log10(Math.max(1e-3, value)));
  const times = [1, 2, 3, 4, 5, 6, 8, 10].find((one) => one * unit >= value) ?? 10;
  return times * unit;
}

const tens = (value: number, round: (value: number) => number): number => round(value / 10) * 10;
const near = (value: number): number => Math.round(value * 1000) / 1000;

/** More moments than this are thinned. */
const MOST_MOMENTS = 600;

/**
 * The lowest and the highest moment of each part, in time: whatever swings between two values keeps both, however often it
 * swings. Every n-th moment would show one of the two as if it had lasted.
 */
export function thinned(moments: readonly Moment[], heightOf: (moment: Moment) => number): readonly Moment[] {
  if (moments.length <= MOST_MOMENTS) return moments;
  const size = Math.ceil((2 * moments.length) / MOST_MOMENTS);
  const kept: Moment[] = [];
  for (let from = 0; from < moments.length; from += size) {
    const part = moments.slice(from, from + size);
    const low = part.reduce((best, one) => (heightOf(one) < heightOf(best) ? one : best));
    const high = part.reduce((best, one) => (heightOf(one) > heightOf(best) ? one : best));
    kept.push(...(low === high ? [low] : low.seconds < high.seconds ? [low, high] : [high, low]));
  }
  const last = moments.at(-1) as Moment;
  return kept.at(-1) === last ? kept : [...kept, last];
}

/** Moments to draw: those of the run, and enough between them for its curves. */
function drawnMoments({ result, at }: Run): readonly Moment[] {
  const even = Array.from({ length: POINTS + 1 }, (_, step) => at((result.atSeconds * step) / POINTS));
  return [...even, ...thinned(result.timeline, ({ cardC }) => cardC)].sort((a, b) => a.seconds - b.seconds);
}

/** Steps of a rate are drawn from the events. */
function rateMoments({ result }: Run): readonly Moment[] {
  const drawn = thinned(result.timeline, ({ demandMBps, acceptedMBps }) => demandMBps + acceptedMBps);
  // The last moment belongs to what came before it: nothing falls to zero where the take ends as planned.
  const [end, before] = [drawn.at(-1), result.timeline.at(-2)];
  return end && before
    ? [...drawn.slice(0, -1), { ...end, acceptedMBps: before.acceptedMBps, demandMBps: before.demandMBps }]
    : drawn;
}

/** Everything the charts draw, in minutes, °C and MB/s. */
export function chartData(run: Run, band: Band | null) {
  const { lane, result } = run;
  const { heat } = lane.sim;
  const moments = drawnMoments(run);
  const rates = rateMoments(run);
  const scale = timeScale(result.atSeconds, wholeSeconds(lane.sim));
  const ranges = (band?.card ?? []).flatMap((range, at) => {
    const second = band?.seconds[at] ?? 0;
    return second <= scale.max * 60 ? [{ x: near(second / 60), y: [near(range.p5), near(range.p95)] }] : [];
  });
  const card = moments.map(({ seconds, cardC }) => ({ x: near(seconds / 60), y: near(cardC) }));
  const body = moments.map(({ seconds, bodyC }) => ({ x: near(seconds / 60), y: near(bodyC) }));
  const lows = [heat.ambientC, ...body.map(({ y }) => y)];
  const highs = [result.peakCardC, heat.throttleAtC, heat.bodyLimitC, ...ranges.map(({ y }) => y[1] ?? 0)];
  const labelAt = (list: readonly { readonly x: number; readonly y: number }[], share: number) =>
    list[Math.floor(list.length * share)] ?? { x: 0, y: 0 };
  const top = Math.max(...rates.flatMap(({ acceptedMBps, demandMBps }) => [acceptedMBps, demandMBps]));
  return {
    temperatures: [
      // An empty series would shift the colours of the others.
      {
        name: 'range',
        type: 'rangeArea',
        data: ranges.length > 0 ? ranges : [{ x: 0, y: [heat.ambientC, heat.ambientC] }],
      },
      { name: 'card', type: 'line', data: card },
      { name: 'body', type: 'line', data: body },
    ],
    rates: [
      {
        name: 'accepted',
        data: rates.map(({ seconds, acceptedMBps }) => ({ x: near(seconds / 60), y: near(acceptedMBps) })),
      },
      {
        name: 'demanded',
        data: rates.map(({ seconds, demandMBps }) => ({ x: near(seconds / 60), y: near(demandMBps) })),
      },
    ],
    throttled: throttledStretches(result),
    cardLabel: labelAt(card, 0.6),
    bodyLabel: labelAt(body, 0.5),
    lowC: tens(Math.min(...lows), Math.floor),
    highC: tens(Math.max(...highs) + 4, Math.ceil),
    highMBps: roundAbove(top * 1.02),
    scale,
  };
}

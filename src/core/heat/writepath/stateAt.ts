import { MB } from '../../units/convert.ts';
import { cardWatts, type Prepared, prepare } from './prepare.ts';
import type { Moment, SimResult, Simulation } from './simulation.ts';
import { curves, valueAt } from './thermal.ts';

/** The last moment at or before a time. */
function placeOf(timeline: readonly Moment[], seconds: number): number {
  let [low, high] = [0, timeline.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((timeline[middle]?.seconds ?? 0) <= seconds) low = middle;
    else high = middle - 1;
  }
  return low;
}

const between = (from: number, to: number, share: number): number => from + (to - from) * share;

/**
 * Reads a recorded run at any of its seconds, as exact as its events: levels are straight between them, temperatures
 * follow the same curves as the run itself. Times outside the run give its first or last moment.
 */
export function createReader(sim: Simulation, { timeline }: SimResult): (seconds: number) => Moment {
  const cards = prepare(sim);
  return (seconds) => {
    const at = placeOf(timeline, seconds);
    const from = timeline[at] as Moment;
    const to = timeline[at + 1];
    const dt = seconds - from.seconds;
    if (!to || dt <= 0) return from;
    const card = cards[from.cardAt] as Prepared;
    const both = curves(
      card.nodes,
      card.modes,
      from.cardC,
      from.bodyC,
      cardWatts(card, from.acceptedMBps * MB),
      from.recording ? sim.heat.recordingW : 0,
    );
    const share = dt / (to.seconds - from.seconds);
    return {
      ...from,
      seconds,
      bufferMB: between(from.bufferMB, to.bufferMB, share),
      cacheGB: between(from.cacheGB, to.cacheGB, share),
      writtenGB: between(from.writtenGB, to.writtenGB, share),
      cardC: valueAt(both.card, dt),
      bodyC: valueAt(both.body, dt),
    };
  };
}

import type { Mode } from '../../kit/model.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { bestRate, type RateContext, streamRate } from './streamRate.ts';

/** Fastest capture asked about, frames a second. */
const LIMIT = 20_000;

/**
 * The highest whole capture speed, frames a second, whose rate a floor covers with headroom, in the codec and recorded
 * speed of a mode. Long-GOP rates at other speeds are upper bounds, so the answer is then a safe one.
 *
 * @returns null where not even the recorded speed is covered, or the mode has no rate
 */
export function highestCapture(mode: Mode, floor: BytesPerSecond, headroom: PerMille, of: RateContext): number | null {
  // What a counter shows is the whole of one mode: it says nothing of other speeds.
  if (bestRate(mode).kind === 'counter') return null;
  const holds = (captureFps: number): boolean => {
    const rate = streamRate({ ...mode, rate: atRecorded(mode), otherRates: [], captureFps }, of);
    return rate.ok && floor * 1000 >= rate.value.peak * (1000 + headroom);
  };
  let low = Math.floor(mode.fps);
  if (low < 1 || !holds(low)) return null;
  let high = LIMIT + 1;
  // The rate rises with the capture speed, so halving the range finds the edge.
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** A rate stated for the captured speed says what one recorded frame costs, too. */
function atRecorded({ rate, fps, captureFps }: Mode): Mode['rate'] {
  if (rate.kind !== 'stated' || rate.at !== 'captured' || captureFps === null) return rate;
  return { ...rate, at: 'recorded', Mbps: (rate.Mbps * fps) / captureFps };
}

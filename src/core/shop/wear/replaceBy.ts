import type { StandingCamera } from '../../kit/shop.ts';
import { type Between, type Wear, type WearInput, wear, wearLeft } from './wear.ts';

/** What a camera that never stops comes to. */
export interface StandingWear {
  readonly wear: Wear;
  /** Days from when the card went in, what was written to it before taken off; null where its endurance is not known. */
  readonly days: Between | null;
  /** Share of its endurance that was written before it went in, at the sooner end. */
  readonly usedBefore: number;
  /** The same with a card of twice the size. */
  readonly twice: Wear;
}

/** The figures of a camera, for the arithmetic of wear. */
const wearInputOf = (camera: StandingCamera): WearInput => ({
  capacityGB: camera.capacityGB,
  rateMbps: camera.rateMbps,
  hoursPerDay: camera.hoursPerDay,
  rated: camera.rated,
  cycles: camera.cycles,
  writeAmplification: camera.writeAmplification,
  price: camera.price,
});

/**
 * How long the card of a camera lasts from when it went in.
 *
 * @param writtenBeforeGB - written to the card before that
 */
export function standingWear(camera: StandingCamera, writtenBeforeGB: Between): StandingWear {
  const input = wearInputOf(camera);
  const left = wearLeft(input, { low: writtenBeforeGB.low / 1000, high: writtenBeforeGB.high / 1000 });
  return {
    wear: wear(input),
    days: left?.days ?? null,
    usedBefore: left?.used.high ?? 0,
    // Hours that a maker states are stated for one size: what another size lasts is not known from them.
    twice: wear({ ...input, capacityGB: camera.capacityGB * 2, rated: null, price: null }),
  };
}

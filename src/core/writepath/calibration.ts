import type { LimitStatement } from '../model/kit.ts';
import { err, ok, type Result } from '../result.ts';

/** What a body's heating comes to: its time constant and how far it would rise above the ambient in the end. */
export interface BodyConstants {
  readonly tauSeconds: number;
  readonly riseC: number;
  /** `stated` where two statements fix both; `assumed` where the time constant is the default's. */
  readonly tau: 'stated' | 'assumed';
}

/** Why statements give no constants. */
export type CalibrationRefusal =
  | { readonly code: 'none' }
  | { readonly code: 'above-limit'; readonly ambientC: number }
  /** Longer in warmer air, or not shorter enough for any time constant. */
  | { readonly code: 'contradictory' };

/** Seconds to the limit: t = −τ ln(1 − (limit − ambient) ÷ rise); Infinity where the rise never reaches it. */
export const secondsToLimit = (tauSeconds: number, riseC: number, limitC: number, ambientC: number): number => {
  const share = (limitC - ambientC) / riseC;
  return share >= 1 ? Number.POSITIVE_INFINITY : -tauSeconds * Math.log(1 - share);
};

/** The rise that reaches a limit after a time, for a known time constant. */
const riseFor = (tauSeconds: number, { minutes, ambientC }: LimitStatement, limitC: number): number =>
  (limitC - ambientC) / -Math.expm1((-minutes * 60) / tauSeconds);

/** Time constants asked about, seconds: a matchbox to a day. */
const SHORTEST = 10;
const LONGEST = 86_400;

/**
 * Body constants from a maker's limits [handbook §7]. Two statements at different ambients give both constants, one gives
 * the rise for the time constant assumed.
 *
 * @param assumedTau - seconds; heat capacity × resistance of the body's default
 */
export function bodyConstants(
  statements: readonly LimitStatement[],
  limitC: number,
  assumedTau: number,
): Result<BodyConstants, CalibrationRefusal> {
  const [first, second] = [...statements].sort((a, b) => a.ambientC - b.ambientC);
  if (!first) return err({ code: 'none' });
  const hot = statements.find(({ ambientC }) => ambientC >= limitC);
  if (hot) return err({ code: 'above-limit', ambientC: hot.ambientC });
  if (!second || second.ambientC === first.ambientC) {
    return ok({ tauSeconds: assumedTau, riseC: riseFor(assumedTau, first, limitC), tau: 'assumed' });
  }
  // The longer the time constant, the more the rise that the cool statement asks for exceeds that of the warm one.
  const apart = (tau: number): number => riseFor(tau, first, limitC) - riseFor(tau, second, limitC);
  let [low, high] = [SHORTEST, LONGEST];
  if (apart(low) < 0 === apart(high) < 0) return err({ code: 'contradictory' });
  for (let step = 0; step < 200 && high - low > 1e-9 * high; step += 1) {
    const middle = (low + high) / 2;
    if (apart(middle) < 0 === apart(low) < 0) low = middle;
    else high = middle;
  }
  return ok({ tauSeconds: high, riseC: riseFor(high, first, limitC), tau: 'stated' });
}

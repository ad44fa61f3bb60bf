import type { Body, Card, Test } from '../../kit/model.ts';
import { STILL_OF_MODE } from '../../match/misfit.ts';
import { readTest } from '../../match/testReading.ts';
import { toMegabytes } from '../../units/convert.ts';
import { simulate } from '../writepath/simulate.ts';
import type { Simulation } from '../writepath/simulation.ts';
import { hasFailed, type Lane } from './lane.ts';

/** Air of a take that has none noted [A]. */
const MILD_C = 20;
/** A run must fail this much earlier than a take really lasted before its figures are doubted. */
const CLEARLY = 0.97;

/** A take of one's own as the figures would have it. */
function asLogged(sim: Simulation, test: Test, demandMBps: number): Simulation {
  const ambientC = test.ambientWithSunC ?? MILD_C;
  return {
    ...sim,
    demandMBps,
    demandTraceMBps: null,
    takeSeconds: test.seconds,
    takes: test.takes ?? 1,
    restSeconds: test.restSeconds ?? 0,
    relay: null,
    // Only failing counts: what ended the take was a full card or a finger.
    card: { ...sim.card, usableGB: 1e6 },
    heat: { ...sim.heat, ambientC, startBodyC: null, startCardC: null },
  };
}

/**
 * The own take that lasted longer than the figures of a path say it could, under its own conditions; the longest of them.
 * What happened outranks what is assumed: then the figures are what is doubted. Null where none speaks against them.
 */
export function outlastedBy(
  lane: Lane,
  { body, modeId, card }: { readonly body: Body; readonly modeId: string; readonly card: Card },
  tests: readonly Test[],
): Test | null {
  let longest: Test | null = null;
  for (const test of tests) {
    if (test.bodyId !== body.id || test.cardId !== card.id) continue;
    if (test.end !== 'full' && test.end !== 'stopped') continue;
    const { misfit, average, implied } = readTest(test, body, card);
    // A card filled in the very mode was written what the mode writes, whatever its rate is believed to be.
    const isOwnFill =
      test.modeId === modeId && test.end === 'full' && misfit !== null && STILL_OF_MODE.has(misfit.code);
    const written = implied ?? average;
    if (!isOwnFill && (misfit !== null || written === null)) continue;
    const demandMBps = isOwnFill || written === null ? lane.sim.demandMBps : toMegabytes(written);
    const result = simulate(asLogged(lane.sim, test, demandMBps), false);
    const lasted = (test.takes ?? 1) * test.seconds + ((test.takes ?? 1) - 1) * (test.restSeconds ?? 0);
    if (!hasFailed(result) || result.atSeconds >= lasted * CLEARLY) continue;
    if (longest === null || test.seconds > longest.seconds) longest = test;
  }
  return longest;
}

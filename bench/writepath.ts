// One take from event to event beside a general ODE package at the same accuracy, how risk runs grow, and the heat marks
// of a board, in one run. Bundled first, as the app is.

import { marksSteps } from '../src/core/heat/run/marks.ts';
import { DEFAULT_PLAN } from '../src/core/heat/run/plan.ts';
import { riskRuns } from '../src/core/heat/writepath/risk.ts';
import { simulate } from '../src/core/heat/writepath/simulate.ts';
import { board } from '../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../src/core/match/policy.ts';
import { aRun } from '../tests/support/aRun.ts';
import { largeKit } from '../tests/support/largeKit.ts';
import { odeRun } from '../tests/support/odeRun.ts';
import { few } from './few.mjs';

const sim = aRun({
  takeSeconds: 1800,
  card: { burstMBps: 1700, cacheGB: 200, sustainedMBps: 1500, usableGB: 1974 },
  heat: { ambientC: 35, idleW: 0.6, energyNJPerByte: 2.5 },
});

const timed = (task: () => unknown, runs: number): number => {
  const start = performance.now();
  for (let run = 0; run < runs; run += 1) task();
  return (performance.now() - start) / runs;
};

/** Loosest settings of the peer that still meet the event time to this share. */
const ACCURACY = 1e-6;
const exact = simulate(sim).atSeconds;
const apart = (accuracy: Parameters<typeof odeRun>[1]): number =>
  Math.abs(odeRun(sim, accuracy).atSeconds - exact) / exact;
const settings = [1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10].flatMap((tolerance) =>
  [2, 5, 10, 40].map((steps) => ({ steps, tolerance })),
);
const peer = settings
  .filter((one) => apart(one) <= ACCURACY)
  .map((one) => ({ ...one, ms: timed(() => odeRun(sim, one), few(20, 1)) }))
  .sort((a, b) => a.ms - b.ms)[0];
if (!peer) throw new Error('the peer does not reach the accuracy');

timed(() => simulate(sim), few(5000, 50));
const ours = timed(() => simulate(sim), few(50_000, 50));
const theirs = timed(() => odeRun(sim, peer), few(100, 1));
console.log(`one take to its drop: ${(ours * 1000).toFixed(1)} µs; by an ODE package ${theirs.toFixed(2)} ms`);
console.log(
  `  ${Math.round(theirs / ours)} times faster (aim 500), event times ${apart(peer).toExponential(1)} apart, the peer at its fastest setting within ${ACCURACY}`,
);
for (const runs of few([1000, 10_000, 100_000], [100])) {
  const ms = timed(() => riskRuns(sim, { runs, seed: 1, spread: 0.2 }), 1);
  console.log(`risk, ${runs} runs: ${ms.toFixed(0)} ms${runs === 10_000 ? ' (aim under 1000)' : ''}`);
}
const kit = largeKit(few(50, 3), few(30, 3));
const cells = board(kit, DEFAULT_POLICY).columns.flat();
const marks = (): void => {
  const steps = marksSteps({ ...kit, cells, plan: DEFAULT_PLAN });
  while (!steps.next().done);
};
marks();
console.log(`heat marks, 50 × 30: ${timed(marks, 5).toFixed(0)} ms (aim under 1000)`);

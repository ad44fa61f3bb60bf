// One take from event to event beside a general ODE package at the same accuracy, and how risk runs grow, in one run.
import { riskRuns } from '../src/core/writepath/risk.ts';
import { simulate } from '../src/core/writepath/simulate.ts';
import { aRun } from '../tests/support/aRun.ts';
import { odeRun } from '../tests/support/odeRun.ts';

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

timed(() => simulate(sim), 2000);
timed(() => odeRun(sim), 5);
const ours = timed(() => simulate(sim), 20_000);
const theirs = timed(() => odeRun(sim), 20);
const apart = Math.abs(simulate(sim).atSeconds - odeRun(sim).atSeconds) / odeRun(sim).atSeconds;
console.log(`one take to its drop: ${(ours * 1000).toFixed(1)} µs; by an ODE package ${theirs.toFixed(2)} ms`);
console.log(`  ${Math.round(theirs / ours)} times faster (aim 500), event times ${apart.toExponential(1)} apart`);
for (const runs of [1000, 10_000, 100_000]) {
  const ms = timed(() => riskRuns(sim, { runs, seed: 1, spread: 0.2 }), 1);
  console.log(`risk, ${runs} runs: ${ms.toFixed(0)} ms${runs === 10_000 ? ' (aim under 1000)' : ''}`);
}

// The counter decoder: 200 readings by the solver, beside meeting every three planes of a few readings, in one run.

import { decodeCounter } from '../src/core/bodies/counter/counter.ts';
import type { CounterReading } from '../src/core/kit/model.ts';
import { aMode } from '../src/core/testing.ts';
import { corners } from '../tests/support/corners.ts';
import { solve } from '../tests/support/highs.ts';
import { few } from './few.mjs';

const modes = Array.from({ length: few(200, 130) }, (_, at) =>
  aMode({ id: `m${at}`, rate: { kind: 'stated', Mbps: 40 + 7 * at, is: 'constant' }, fps: at % 2 ? 25 : 50 }),
);
const shown = (Mbps: number, fps: number): number =>
  Math.floor((0.987 * 512e9) / (((Mbps + 2) * 1e6) / 8 + 20_000 * fps) / 60);
const counters = modes.map(
  ({ id, rate, fps }): CounterReading => ({
    modeId: id,
    capacityGB: 512,
    minutes: shown(rate.kind === 'stated' ? rate.Mbps : 0, fps),
  }),
);

const timed = (task: () => unknown): number => {
  const start = performance.now();
  task();
  return performance.now() - start;
};

decodeCounter({ modes }, counters.slice(0, 4), 512, solve);
const whole = timed(() => decodeCounter({ modes }, counters, 512, solve));
const odd = counters.map((one, at) => (at === 120 ? { ...one, minutes: one.minutes + 30 } : one));
const withOdd = timed(() => decodeCounter({ modes }, odd, 512, solve));
const planes = Array.from({ length: few(60, 20) }, (_, at) => ({
  normal: [Math.cos(at), Math.sin(at), Math.cos(3 * at)] as const,
  bound: 2 + (at % 3),
}));
const cornering = timed(() => corners(planes));
// Meeting every three of n planes and asking each of all n grows with the fourth power.
const peer = cornering * (406 / 60) ** 4;
console.log(`counter, 200 readings and 200 modes: ${whole.toFixed(0)} ms (aim under 1000)`);
console.log(`  with one odd reading among them     ${withOdd.toFixed(0)} ms`);
console.log(
  `  every corner of 406 planes, reckoned from 60: ${(peer / 1000).toFixed(0)} s → ${Math.round(peer / whole)} times longer`,
);

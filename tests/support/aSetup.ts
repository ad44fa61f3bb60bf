import { type HeatSetup, lanesOf } from '../../src/core/heat/run/lane.ts';
import { DEFAULT_PLAN } from '../../src/core/heat/run/plan.ts';
import type { Body, Card } from '../../src/core/kit/model.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import type { Steps } from '../../src/core/steps.ts';
import { aBody, aCard, aMode, aSlot } from '../../src/core/testing.ts';

const slot = (id: string) => aSlot({ id, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null });
/** Writes 800 MB/s. */
export const cine: Body = aBody({
  bufferMB: 4000,
  slots: [slot('s1'), slot('s2')],
  modes: [
    aMode({ id: 'fast', rate: { kind: 'stated', Mbps: 6400, is: 'maximum' } }),
    aMode({ id: 'slow', rate: { kind: 'stated', Mbps: 3200, is: 'maximum' } }),
  ],
  heat: { size: 'cine' },
});
export const big: Card = aCard({
  id: 'big',
  form: 'cfexpress-b',
  capacityGB: 4000,
  marks: [],
  sustainedMBps: 1500,
  writeMBps: 1600,
});

export const aSetup = (change: Partial<HeatSetup> = {}): HeatSetup => ({
  body: cine,
  mode: cine.modes[0] as HeatSetup['mode'],
  arrangement: 'single',
  cards: [big],
  tests: [],
  policy: DEFAULT_POLICY,
  plan: { ...DEFAULT_PLAN, minutes: 40 },
  startBodyC: null,
  startCardC: null,
  demandTraceMBps: null,
  ...change,
});

export const lanes = (setup: HeatSetup) => {
  const made = lanesOf(setup);
  if (!made.ok) throw new Error(made.error.code);
  return made.value;
};
export const hot = { ...DEFAULT_PLAN, minutes: 40, ambientC: 35, sunC: 5 };
export const sharesOf = (steps: Steps<unknown>): number[] => {
  const shares: number[] = [];
  for (let next = steps.next(); !next.done; next = steps.next()) shares.push(next.value);
  return shares;
};

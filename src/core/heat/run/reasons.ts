import type { Body, PlannedTake, Test } from '../../kit/model.ts';
import { CARD_HEAT } from '../../standards/heat.ts';
import { averageDemand } from '../writepath/demand.ts';
import { simulate } from '../writepath/simulate.ts';
import type { Simulation } from '../writepath/simulation.ts';
import type { HeatSetup, Lane } from './lane.ts';
import { sunDegrees } from './sun.ts';

/** What raises the heat of a take [domain.md §7]. The value is what its sentence names. */
type HeatReason =
  /** Share of the pace the flash keeps up; null where that pace is not known. */
  | { readonly code: 'rate'; readonly share: number | null; readonly MBps: number }
  | { readonly code: 'minutes'; readonly minutes: number; readonly rests: boolean }
  | { readonly code: 'form' }
  | { readonly code: 'body' }
  | { readonly code: 'ambient'; readonly ambientC: number }
  | { readonly code: 'sun'; readonly sunC: number }
  | { readonly code: 'warm-start'; readonly bodyC: number }
  | { readonly code: 'fast-cache'; readonly cacheGB: number }
  | { readonly code: 'untested' };

/** A reason why heat may end a take, with its weight. */
export type RankedReason = HeatReason & {
  /** Share of the way from 20 °C to the threshold that goes when this one thing is eased; 0 for what has no heat. */
  readonly weight: number;
};

/** Air that nobody calls hot [A]. */
const MILD_C = 20;
const NEVER_MB = 1e7;

/**
 * How far a take goes towards its thresholds, 1 at the first of them; failing does not end it, so that every figure still
 * tells.
 */
function severity(sim: Simulation): number {
  const { heat } = sim;
  const endless: Simulation = {
    ...sim,
    bufferMB: NEVER_MB,
    card: { ...sim.card, usableGB: 1e6 },
    relay: null,
    heat: { ...heat, bodyLimitC: 150, throttleFactor: 1 },
  };
  const { peakCardC, peakBodyC } = simulate(endless, false);
  return Math.max(
    (peakCardC - MILD_C) / (heat.throttleAtC - MILD_C),
    (peakBodyC - MILD_C) / (heat.bodyLimitC - MILD_C),
  );
}

type Conditions = Pick<HeatSetup, 'body' | 'tests' | 'plan' | 'startBodyC'>;

type Eased = readonly [HeatReason, Simulation];

const withHeat = (sim: Simulation, heat: Partial<Simulation['heat']>): Simulation => ({
  ...sim,
  heat: { ...sim.heat, ...heat },
});

/** Each thing eased alone: half the rate, half the minutes, the form and body that shed heat best, mild air, shade. */
function eased({ sim, figures }: Lane, { body, plan, startBodyC }: Conditions): readonly Eased[] {
  const sunC = sunDegrees(body, plan);
  const { heat, card } = sim;
  const best = CARD_HEAT['cfexpress-b'];
  const isKnown = figures.sustainedMBps?.source.code !== 'keeps-up';
  const MBps = averageDemand(sim);
  const list: Eased[] = [
    [
      { code: 'rate', share: isKnown ? MBps / card.sustainedMBps : null, MBps },
      { ...sim, demandMBps: sim.demandMBps / 2, demandTraceMBps: sim.demandTraceMBps?.map((one) => one / 2) ?? null },
    ],
    [
      { code: 'minutes', minutes: plan.minutes, rests: plan.takes > 1 && plan.restMinutes > 0 },
      { ...sim, takeSeconds: sim.takeSeconds / 2 },
    ],
    [{ code: 'body' }, withHeat(sim, { bodyResistanceKPerW: heat.bodyResistanceKPerW / 2 })],
  ];
  if (heat.cardResistanceKPerW > best.resistanceKPerW)
    list.push([{ code: 'form' }, withHeat(sim, { cardResistanceKPerW: best.resistanceKPerW })]);
  if (plan.ambientC > MILD_C)
    list.push([
      { code: 'ambient', ambientC: plan.ambientC },
      withHeat(sim, { ambientC: MILD_C + sunC, startBodyC: null, startCardC: null }),
    ]);
  if (sunC > 0) list.push([{ code: 'sun', sunC }, withHeat(sim, { ambientC: heat.ambientC - sunC })]);
  if (startBodyC !== null && startBodyC > heat.ambientC)
    list.push([{ code: 'warm-start', bodyC: startBodyC }, withHeat(sim, { startBodyC: null, startCardC: null })]);
  return list;
}

/** A share of the way below this is not worth a line. */
const WORTH_A_LINE = 0.01;

/** What raises the heat of a run, most first, each by what easing it alone would win; what is not known stands last. */
export function heatReasons(lane: Lane, setup: Conditions): readonly RankedReason[] {
  const { sim } = lane;
  const now = severity(sim);
  const ranked = eased(lane, setup)
    .map(([reason, without]): RankedReason => ({ ...reason, weight: now - severity(without) }))
    .filter(({ weight }) => weight > WORTH_A_LINE)
    .sort((a, b) => b.weight - a.weight);
  const tested = setup.tests.some(({ bodyId, cardId }) => bodyId === setup.body.id && cardId === lane.cell.cardId);
  const cache: readonly RankedReason[] =
    sim.card.cacheGB > 0 && averageDemand(sim) > sim.card.sustainedMBps
      ? [{ code: 'fast-cache', cacheGB: sim.card.cacheGB, weight: 0 }]
      : [];
  return [...ranked, ...cache, ...(tested ? [] : [{ code: 'untested', weight: 0 } as const])];
}

/** The same for a cell of the board. */
export const cellReasons = (
  lane: Lane,
  body: Body,
  tests: readonly Test[],
  plan: PlannedTake,
): readonly RankedReason[] => heatReasons(lane, { body, tests, plan, startBodyC: null });

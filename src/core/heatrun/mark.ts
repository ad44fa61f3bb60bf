import type { Cell } from '../match/evaluate.ts';
import type { Verdict } from '../match/verdict.ts';
import type { Body, Card, PlannedTake, Test } from '../model/kit.ts';
import { causeOf } from '../writepath/cause.ts';
import { checkSimulation } from '../writepath/checkSimulation.ts';
import { type Draws, drawn, UNCERTAIN, type Uncertain } from '../writepath/draws.ts';
import { simulate } from '../writepath/simulate.ts';
import type { SimResult, Simulation } from '../writepath/simulation.ts';
import { cellLane, hasFailed } from './lane.ts';
import type { HeatLevel } from './level.ts';

export interface HeatMark {
  readonly level: HeatLevel;
  /** The run with the figures as they are. */
  readonly result: SimResult;
  /** The run with the heat figures one spread worse. */
  readonly worse: SimResult;
}

/** Verdicts with a rate that holds: only for these is heat the next question. */
const HOLDS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed']);
export const holdsByRate = ({ verdict, need }: Pick<Cell, 'verdict' | 'need'>): boolean =>
  HOLDS.has(verdict) && need !== null;

/** Figures that make a take hotter when they grow. */
const HEATING: ReadonlySet<Uncertain> = new Set(['card-heat-path', 'card-energy', 'body-heat-path', 'ambient']);

const failsByHeat = (sim: Simulation, result: SimResult): boolean =>
  hasFailed(result) && causeOf(sim, result) === 'heat';

/** The heat mark of a cell; null where the rate does not hold, or a figure cannot be. */
export function heatMark(
  body: Body,
  cell: Cell,
  card: Card,
  tests: readonly Test[],
  plan: PlannedTake,
): HeatMark | null {
  if (!holdsByRate(cell)) return null;
  const { sim, spreads } = cellLane(body, cell, card, tests, plan);
  if (checkSimulation(sim)) return null;
  const worst = Object.fromEntries(
    UNCERTAIN.map((what) => [what, HEATING.has(what) ? Math.exp(spreads[what]) : 1]),
  ) as Draws;
  const hotter = drawn(sim, worst);
  const result = simulate(sim, false);
  const worse = simulate(hotter, false);
  const level = failsByHeat(sim, result)
    ? 'hot'
    : result.firstThrottleAtSeconds !== null || failsByHeat(hotter, worse)
      ? 'warm'
      : 'cool';
  return { level, result, worse };
}

import type { Body, Card, PlannedTake, Test } from '../../kit/model.ts';
import type { Cell } from '../../match/cell.ts';
import type { Verdict } from '../../match/verdict.ts';
import { causeOf } from '../writepath/cause.ts';
import { checkSimulation } from '../writepath/checkSimulation.ts';
import { type Draws, drawn, UNCERTAIN, type Uncertain } from '../writepath/draws.ts';
import { simulate } from '../writepath/simulate.ts';
import type { SimResult, Simulation } from '../writepath/simulation.ts';
import { endedBy } from './endedBy.ts';
import { cellLanes, hasFailed, type Lane } from './lane.ts';
import { HEAT_LEVELS, type HeatLevel } from './level.ts';
import { outlastedBy } from './outlasted.ts';

/** The heat of one cell for the planned take: its level, and the runs behind it. */
export interface HeatMark {
  readonly level: HeatLevel;
  /** The run with the figures as they are. */
  readonly result: SimResult;
  /** The run with the heat figures one spread worse. */
  readonly worse: SimResult;
  /** The own take that lasted longer than these figures say it could; null where none speaks against them. */
  readonly outlasted: Test | null;
  /** The own take that stopped early under conditions no harder than the plan's; null where none did. */
  readonly ended: Test | null;
  readonly lane: Lane;
}

/** Verdicts with a rate that holds, for as long as it is known to: only for these is heat the next question. */
const HOLDS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven', 'claimed', 'held']);
/** Whether a cell holds by rate at all; only then is heat the next question. */
export const holdsByRate = ({ verdict, need }: Pick<Cell, 'verdict' | 'need'>): boolean =>
  HOLDS.has(verdict) && need !== null;

/** Figures that make a take hotter when they grow. */
const HEATING: ReadonlySet<Uncertain> = new Set(['card-heat-path', 'card-energy', 'body-heat-path', 'ambient']);

const failsByHeat = (sim: Simulation, result: SimResult): boolean =>
  hasFailed(result) && causeOf(sim, result) === 'heat';

const WORST = HEAT_LEVELS.length - 1;

/** Every heat figure one spread worse. */
const worstDraws = ({ spreads }: Lane): Draws =>
  Object.fromEntries(UNCERTAIN.map((what) => [what, HEATING.has(what) ? Math.exp(spreads[what]) : 1])) as Draws;

function laneMark(
  lane: Lane,
  { body, modeId }: { readonly body: Body; readonly modeId: string },
  tests: readonly Test[],
): HeatMark | null {
  const { sim } = lane;
  if (checkSimulation(sim)) return null;
  const hotter = drawn(sim, worstDraws(lane));
  const result = simulate(sim, false);
  const worse = simulate(hotter, false);
  const level = failsByHeat(sim, result)
    ? 'hot'
    : result.firstThrottleAtSeconds !== null || failsByHeat(hotter, worse)
      ? 'warm'
      : 'cool';
  const [card] = lane.cards;
  const outlasted = level === 'cool' || !card ? null : outlastedBy(lane, { body, modeId, card }, tests);
  return { level: outlasted && level === 'hot' ? 'warm' : level, result, worse, outlasted, ended: null, lane };
}

/** A cell with everything its heat hangs on. */
export interface MarkInput {
  readonly body: Body;
  readonly cell: Cell;
  readonly card: Card;
  readonly tests: readonly Test[];
  readonly plan: PlannedTake;
  /** The wallet, for seats that other cards fill. */
  readonly cards: readonly Card[];
}

/**
 * The heat mark of a cell, of its hottest seat; null where the rate does not hold, or a figure cannot be. A take that
 * really lasted outranks figures that say it could not: then the mark is warm and its figures are doubted; one that really
 * stopped under no harder conditions outranks figures that say it holds: then the mark is hot.
 */
export function heatMark({ body, cell, card, tests, plan, cards }: MarkInput): HeatMark | null {
  if (!holdsByRate(cell)) return null;
  let hottest: HeatMark | null = null;
  for (const lane of cellLanes({ body, cell, card, plan, cards })) {
    const mark = laneMark(lane, { body, modeId: cell.modeId }, tests);
    if (!mark) return null;
    const rank = HEAT_LEVELS.indexOf(mark.level);
    if (!hottest || rank > HEAT_LEVELS.indexOf(hottest.level)) hottest = mark;
    if (rank === WORST) break;
  }
  const mode = body.modes.find(({ id }) => id === cell.modeId);
  const seated = new Set(cell.seats?.map(({ cardId }) => cardId) ?? [card.id]);
  const written = cards.filter(({ id }) => seated.has(id));
  const ended = mode && endedBy({ body, mode, cards: written.length > 0 ? written : [card], plan }, tests);
  return hottest && ended ? { ...hottest, level: 'hot', ended } : hottest;
}

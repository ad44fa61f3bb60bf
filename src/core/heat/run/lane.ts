import { entryAt } from '../../entryAt.ts';
import type { Body, BodyFigure, Card, CardFigure, PlannedTake } from '../../kit/model.ts';
import type { ArrangeInput } from '../../match/arrange.ts';
import { seatFor } from '../../match/board.ts';
import { bodyInMode, bodyInModeOf, placeInBody } from '../../match/bodyInMode.ts';
import type { Cell } from '../../match/cell.ts';
import { usable } from '../../match/minutes/minutes.ts';
import { cardsAtOnce, recordsAtOnce, seatCards } from '../../match/seats.ts';
import { err, ok, type Result } from '../../result.ts';
import { toGigabytes, toMegabytes } from '../../units/convert.ts';
import { checkSimulation } from '../writepath/checkSimulation.ts';
import type { Spreads } from '../writepath/draws.ts';
import { simulate } from '../writepath/simulate.ts';
import type { CardHeat, CardPath, SimRefusal, SimResult, Simulation } from '../writepath/simulation.ts';
import { bodyFigures } from './bodyFigures.ts';
import { cardFigures, needMBps } from './cardFigures.ts';
import { type Known, spreadOf } from './known.ts';
import { airSpread, sunDegrees } from './sun.ts';

/** What a run is asked for: cards over the slots of a body, as an arrangement asks it, and the conditions. */
export interface HeatSetup extends ArrangeInput {
  readonly plan: PlannedTake;
  /** Where a start is already warm; null: everything begins at the air's temperature. */
  readonly startBodyC: number | null;
  readonly startCardC: number | null;
  /** Demand second by second in place of the mode's own. */
  readonly demandTraceMBps: readonly number[] | null;
}

/** The figures of one write path, each with its source; missing where none is known. */
type HeatFigures = Readonly<Partial<Record<BodyFigure | CardFigure, Known>>>;

/** One write path of a setup, with the figures it was made of. A relay is one path over all its cards. */
export interface Lane {
  readonly cards: readonly Card[];
  /** Of the first card. */
  readonly cell: Cell;
  /** Of each card, in the order of `cards`. */
  readonly cells: readonly Cell[];
  readonly sim: Simulation;
  /** Of the body and the first card. */
  readonly figures: HeatFigures;
  /** Of each card alone, in the order of `cards`. */
  readonly cardFigures: readonly HeatFigures[];
  readonly spreads: Spreads;
}

/** Why a take cannot be run: no card, no slot for it, no rate, or a figure out of its range. */
export type SetupRefusal =
  | { readonly code: 'no-card' }
  /** More cards than the body has slots for at once. */
  | { readonly code: 'no-seat'; readonly cards: number; readonly slots: number }
  /** The slot does not take the card, or the mode has no rate. */
  | { readonly code: 'cannot-meet'; readonly card: Card; readonly cell: Cell | null }
  /** A figure cannot be; the path is given with it, so that it can be put right. */
  | { readonly code: 'figure'; readonly refusal: SimRefusal; readonly lane: Lane };

/** A bus no card of today reaches, where no ceiling is known. */
const NO_CEILING_MBPS = 1e5;

/** Events followed in a run that somebody waits for: two hours of a trace, or a thousand throttlings. */
const FOLLOWED = 8000;

interface Part {
  readonly card: Card;
  readonly cell: Cell;
  readonly path: CardPath;
  readonly heat: CardHeat;
  readonly figures: ReturnType<typeof cardFigures>;
}

/** What the bus surely carries: a run leans on no more; less where something inside the body is slower. */
function busPace({ ceiling, findings }: Cell): number {
  const bus = findings.find((finding) => finding.rule === 'bus');
  const sure = bus?.rule === 'bus' ? bus.sure : null;
  if (ceiling === null) return NO_CEILING_MBPS;
  return toMegabytes(sure !== null && sure < ceiling ? sure : ceiling);
}

function partOf(card: Card, cell: Cell): Part {
  const figures = cardFigures(card, cell);
  return {
    card,
    cell,
    figures,
    path: {
      busMBps: busPace(cell),
      burstMBps: figures.burstMBps.value,
      cacheGB: figures.cacheGB.value,
      sustainedMBps: figures.sustainedMBps.value,
      usableGB: toGigabytes(usable(card).bytes),
      stallEveryGB: figures.stallEveryGB?.value ?? null,
      stallSeconds: figures.stallSeconds?.value ?? null,
    },
    heat: {
      cardHeatCapacityJPerK: figures.cardHeatCapacityJPerK.value,
      cardResistanceKPerW: figures.cardResistanceKPerW.value,
      idleW: figures.idleW.value,
      energyNJPerByte: figures.energyNJPerByte.value,
      throttleAtC: figures.throttleAtC.value,
      resumeAtC: figures.resumeAtC.value,
      throttleFactor: figures.throttleFactor.value,
    },
  };
}

/** A card that is not known to stall has no figures of stalls. */
function withoutUnknown({ stallEveryGB, stallSeconds, ...rest }: Part['figures']): HeatFigures {
  return { ...rest, ...(stallEveryGB ? { stallEveryGB } : {}), ...(stallSeconds ? { stallSeconds } : {}) };
}

type Conditions = Pick<HeatSetup, 'body' | 'arrangement' | 'plan' | 'startBodyC' | 'startCardC' | 'demandTraceMBps'>;

/** What a card turns into heat at the rate of its cell, watts. */
const wattsOf = ({ heat, cell }: Part): number => heat.idleW + heat.energyNJPerByte * 1e-3 * needMBps(cell);

/** Degrees above the air within which a body whose limit lies below it is shut off as soon as it warms. */
const AT_ONCE_C = 0.01;

/** A limit that is assumed may lie below the air of the plan: then the body shuts off at once. One that was entered is asked about. */
const aboveAir = ({ value, source }: Known, airC: number): number =>
  source.code === 'size' || source.code === 'limits' ? Math.max(value, airC + AT_ONCE_C) : value;

/** One path: the first card, those that take over from it, and the heat of others that write beside it. */
function laneOf(asked: Conditions, parts: readonly [Part, ...Part[]], beside: readonly Part[]): Lane {
  const { body, plan, startBodyC, startCardC, demandTraceMBps } = asked;
  const [first, ...relay] = parts;
  const demandMBps = needMBps(first.cell);
  const airC = plan.ambientC + sunDegrees(body, plan);
  const besideW = beside.reduce((sum, part) => sum + wattsOf(part), 0);
  const ofBody = bodyFigures(body, {
    air: plan.air ?? 'still',
    besideW,
    mode: body.modes.find(({ id }) => id === first.cell.modeId) ?? null,
    card: {
      heatCapacityJPerK: first.heat.cardHeatCapacityJPerK,
      resistanceKPerW: first.heat.cardResistanceKPerW,
      watts: wattsOf(first),
    },
  });
  const { bufferMB, ...heatOfBody } = ofBody;
  const sim: Simulation = {
    demandMBps,
    demandTraceMBps,
    takeSeconds: plan.minutes * 60,
    takes: plan.takes,
    restSeconds: plan.restMinutes * 60,
    // Cards of a split recording share one buffer.
    bufferMB: bufferMB.value / (asked.arrangement === 'split' ? beside.length + 1 : 1),
    card: first.path,
    heat: {
      ...first.heat,
      ambientC: airC,
      bodyHeatCapacityJPerK: heatOfBody.bodyHeatCapacityJPerK.value,
      bodyResistanceKPerW: heatOfBody.bodyResistanceKPerW.value,
      recordingW: heatOfBody.recordingW.value + besideW,
      bodyLimitC: aboveAir(heatOfBody.bodyLimitC, airC),
      startBodyC,
      startCardC: startCardC ?? startBodyC,
    },
    relay: relay.map(({ path, heat }) => ({ card: path, heat })),
    maxEvents: FOLLOWED,
  };
  const { figures: firstFigures } = first;
  return {
    cards: parts.map(({ card }) => card),
    cell: first.cell,
    cells: parts.map(({ cell }) => cell),
    sim,
    figures: { ...ofBody, ...withoutUnknown(firstFigures) },
    cardFigures: parts.map(({ figures }) => withoutUnknown(figures)),
    spreads: {
      sustained: spreadOf(firstFigures.sustainedMBps),
      burst: spreadOf(firstFigures.burstMBps),
      cache: spreadOf(firstFigures.cacheGB),
      'card-heat-path': spreadOf(firstFigures.cardResistanceKPerW),
      'card-energy': spreadOf(firstFigures.energyNJPerByte),
      'body-heat-path': spreadOf(ofBody.bodyResistanceKPerW),
      ambient: airSpread(body, plan),
    },
  };
}

interface CellLaneInput {
  readonly body: Body;
  readonly cell: Cell;
  readonly card: Card;
  readonly plan: PlannedTake;
  /** The wallet, for seats that other cards fill. */
  readonly cards: readonly Card[];
}

/**
 * The paths of one cell of the board, for its heat mark: one where its seats are alike, one a seat where they are not. A
 * body that writes to several slots at once is heated by all of them.
 */
export function cellLanes({ body: whole, cell, card, plan, cards }: CellLaneInput): readonly Lane[] {
  const body = bodyInModeOf(whole, cell.modeId);
  const { arrangement } = body;
  const asked = { body, arrangement, plan, startBodyC: null, startCardC: null, demandTraceMBps: null };
  const atOnce = recordsAtOnce(arrangement);
  if (!cell.seats) {
    const part = partOf(card, cell);
    const beside = atOnce ? Array.from({ length: cardsAtOnce(body) - 1 }, () => part) : [];
    return [laneOf(asked, [part], beside)];
  }
  const parts = cell.seats.flatMap(({ cardId, answer }): Part[] => {
    const own = cardId === card.id ? card : cards.find(({ id }) => id === cardId);
    return own && answer && answer.need !== null ? [partOf(own, answer)] : [];
  });
  return parts.map((part) => laneOf(asked, [part], atOnce ? parts.filter((one) => one !== part) : []));
}

/**
 * The write paths of a setup: one for single and relay, one a card for mirrored and split, each heated by the others. Who
 * sits where is asked of `match/seats.ts`, as everywhere.
 *
 * @returns refusals name the card or the figure that cannot be
 */
export function lanesOf(setup: HeatSetup): Result<readonly Lane[], SetupRefusal> {
  const { mode, tests, policy } = setup;
  const body: Body = { ...setup.body, arrangement: setup.arrangement };
  const housing = bodyInMode(body, mode);
  const { arrangement } = housing;
  const cards = arrangement === 'single' ? setup.cards.slice(0, 1) : setup.cards;
  if (cards.length === 0) return err({ code: 'no-card' });
  const cellIn = (at: number, slot: number): Cell =>
    seatFor({ body, mode, card: entryAt(cards, at), tests, policy }, placeInBody(body, housing, slot));
  const seats = seatCards(housing, cards.length, cellIn);
  if (!seats) {
    if (housing.slots.length > 0) return err({ code: 'no-seat', cards: cards.length, slots: housing.slots.length });
    return err({ code: 'cannot-meet', card: entryAt(cards, 0), cell: cellIn(0, 0) });
  }
  const parts: Part[] = [];
  for (const { card: at, slot } of seats) {
    const card = entryAt(cards, at);
    const cell = cellIn(at, slot);
    if (cell.need === null) return err({ code: 'cannot-meet', card, cell });
    parts.push(partOf(card, cell));
  }
  const [first, ...rest] = parts as [Part, ...Part[]];
  const lanes = recordsAtOnce(arrangement)
    ? parts.map((part) =>
        laneOf(
          setup,
          [part],
          parts.filter((other) => other !== part),
        ),
      )
    : [laneOf(setup, [first, ...rest], [])];
  for (const lane of lanes) {
    const refusal = checkSimulation(lane.sim);
    if (refusal) return err({ code: 'figure', refusal, lane });
  }
  return ok(lanes);
}

/** A write path and the run of it. */
export interface LaneRun {
  readonly lane: Lane;
  readonly result: SimResult;
}

/** Whether a run ended in dropped frames or in the body's cut-off; a full card is no failure. */
export const hasFailed = ({ outcome }: Pick<SimResult, 'outcome'>): boolean =>
  outcome === 'dropped' || outcome === 'body-cutoff';

/** Of several paths that record at once, the one that ends the recording: the first to fail, else the first to fill. */
export function deciding(lanes: readonly Lane[]): LaneRun {
  const runs = lanes.map((lane) => ({ lane, result: simulate(lane.sim) }));
  const failed = runs.filter(({ result }) => hasFailed(result));
  const [first, ...rest] = failed.length > 0 ? failed : runs;
  return rest.reduce((best, one) => (one.result.atSeconds < best.result.atSeconds ? one : best), first as LaneRun);
}

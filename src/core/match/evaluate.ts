import { type RateRefusal, type StreamRate, streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Mode, Report, Requirement, Slot, Test } from '../kit/model.ts';
import type { Result } from '../result.ts';
import type { Bytes, BytesPerSecond, PerMille, Seconds } from '../units/brand.ts';
import { fromGigabytes, MB } from '../units/convert.ts';
import { bodyInMode } from './bodyInMode.ts';
import type { Cell } from './cell.ts';
import type { Finding } from './finding.ts';
import { labelMinutes, plannedMinutes, usable } from './minutes/minutes.ts';
import { type PairFit, pairFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { adviceRule } from './rules/advice.ts';
import { approvedRule } from './rules/approved.ts';
import { arrangementRule, demandsCardRule } from './rules/arrangement.ts';
import { bodyCeilingRule } from './rules/bodyCeiling.ts';
import { busRule } from './rules/bus.ts';
import { faultRule } from './rules/fault.ts';
import { guaranteeRule } from './rules/guarantee.ts';
import { headroomRule, withHeadroom } from './rules/headroom.ts';
import { labelRule } from './rules/label.ts';
import { makersFigureRule } from './rules/makersFigure.ts';
import { makersMinimumRule } from './rules/makersMinimum.ts';
import { ownTestsRule, type TestsFinding } from './rules/ownTests.ts';
import { reportedRule } from './rules/reported.ts';
import { requirementRule, requirementsOf } from './rules/requirement.ts';
import { type Twin, type TwinsTold, twinsTold, twinTestsRule } from './rules/twinTests.ts';
import { sharesOf } from './seats.ts';
import { settle } from './settle.ts';
import type { Verdict } from './verdict.ts';

/** A mode with its rate worked out once, for all cards. */
export interface Row {
  readonly body: Body;
  /** The same with the slots that the mode goes to: who sits where is asked of it. */
  readonly housing: Body;
  readonly mode: Mode;
  readonly rate: Result<StreamRate, RateRefusal>;
  /** Cards that share the stream of a split body, otherwise 1. */
  readonly shares: number;
  /** What the body asks of a card for this mode. */
  readonly asked: readonly Requirement[];
  readonly arrangement: Finding | null;
  /** Where the mode goes to fewer slots than the body has. */
  readonly goesTo: Finding | null;
  /** All slots of the body, where any of them wants a card of its own; empty otherwise. */
  readonly demands: Body['slots'];
  /** Whether the maker of the body approves any media. */
  readonly approves: boolean;
  /** What was found for a fit before; filled as asked. */
  readonly shared: Map<PairFit, Shared>;
  /** What the tests of a print say for a fit; filled as asked. Two prints may fit a slot alike. */
  readonly twins: Map<readonly Twin[], Map<PairFit, TwinsTold>>;
}

/** A mode as a row of the board: its rate and what its body asks for, worked out once for all cards. */
export function toRow(body: Body, mode: Mode): Row {
  const housing = bodyInMode(body, mode);
  return {
    body,
    housing,
    mode,
    rate: streamRate(mode, body),
    shares: sharesOf(housing),
    asked: requirementsOf(body, mode),
    arrangement: arrangementRule(housing),
    goesTo:
      housing === body ? null : { rule: 'goes-to', outcome: 'note', slots: housing.slots.map(({ name }) => name) },
    demands: body.slots.some(({ demandsCard }) => demandsCard) ? body.slots : [],
    approves: (body.approved?.length ?? 0) > 0,
    shared: new Map(),
    twins: new Map(),
  };
}

/** A card with its room worked out once, for all modes. */
export interface Column {
  readonly card: Card;
  readonly labelBytes: Bytes;
  readonly room: Bytes;
  /** Own tests of this card, by body. */
  readonly tests: ReadonlyMap<string, readonly Test[]>;
  /** Cards of the same print that have tests, itself among them, by body. */
  readonly twins: ReadonlyMap<string, readonly Twin[]>;
  /** Its own place among them, by body; -1 where it has no test there. */
  readonly placeOf: ReadonlyMap<string, number>;
  /** What colleagues gave of its print, by body. */
  readonly reports: ReadonlyMap<string, readonly Report[]>;
  /** What the label gets wrong, for every cell of the card. */
  readonly doubt: Finding | null;
  /** A fault noted of the card that nobody has settled. */
  readonly fault: Finding | null;
}

/** What is known of a card by those of its print. */
export type ByPrint = Pick<Column, 'twins' | 'reports'>;

const NOTHING: ReadonlyMap<string, never> = new Map<string, never>();
const ALONE: ByPrint = { twins: NOTHING, reports: NOTHING };

/**
 * A card as a column of the board.
 *
 * @param own - the tests of this very card, by body
 * @param print - what is known of others of its print
 */
export function toColumn(card: Card, own: ReadonlyMap<string, readonly Test[]>, print: ByPrint = ALONE): Column {
  return {
    card,
    labelBytes: fromGigabytes(card.capacityGB),
    room: usable(card).bytes,
    tests: own,
    twins: print.twins,
    placeOf: new Map(
      [...print.twins].map(([bodyId, twins]) => [bodyId, twins.findIndex((one) => one.card.id === card.id)]),
    ),
    reports: print.reports,
    doubt: labelRule(card),
    fault: faultRule(card),
  };
}

/** What is of one body, by body. */
export function byBody<T extends { readonly bodyId: string }>(all: readonly T[]): ReadonlyMap<string, readonly T[]> {
  if (all.length === 0) return NOTHING;
  const found = new Map<string, T[]>();
  for (const one of all) {
    const own = found.get(one.bodyId);
    if (own) own.push(one);
    else found.set(one.bodyId, [one]);
  }
  return found;
}

const NONE: readonly Test[] = [];

/** Verdicts beside which what cards of the same print did is worth a line. */
const UNSURE: ReadonlySet<Verdict> = new Set(['claimed', 'held', 'uncovered']);

const share = (whole: BytesPerSecond, shares: number): BytesPerSecond => Math.ceil(whole / shares) as BytesPerSecond;

/** A cell with a verdict and no numbers behind it. */
export const bareCell = (
  row: Row,
  { slotId, cardId, verdict, findings }: Pick<Cell, 'slotId' | 'cardId' | 'verdict' | 'findings'>,
): Cell => ({
  bodyId: row.body.id,
  modeId: row.mode.id,
  cardId,
  slotId,
  verdict,
  doubted: false,
  need: null,
  floor: null,
  ceiling: null,
  labelMinutes: null,
  planned: null,
  provenSeconds: null,
  heldSeconds: null,
  dropSeconds: null,
  findings,
  seats: null,
});

/** A slot, and whether and how the card fits it. */
export interface Seated {
  readonly slot: Slot;
  readonly fit: PairFit;
}

/**
 * Runs every rule for one card in one seat and settles the verdict: the one place where this is done. A large board calls
 * it tens of thousands of times: objects are written out in full, since spreading them here costs fifty times the rules.
 */
export function evaluate(row: Row, { slot, fit }: Seated, column: Column, policy: Policy): Cell {
  const { body, mode, rate, shares } = row;
  const { card } = column;
  if (!fit.fits) {
    const findings = row.goesTo ? [...fit.findings, row.goesTo] : fit.findings;
    return bareCell(row, { slotId: slot.id, cardId: card.id, verdict: 'unfit', findings });
  }
  if (!rate.ok) {
    const findings: readonly Finding[] = [...fit.findings, { rule: 'rate', outcome: 'unknown', refusal: rate.error }];
    return bareCell(row, { slotId: slot.id, cardId: card.id, verdict: 'uncovered', findings });
  }
  const { headroom } = policy;
  const need = share(rate.value.peak, shares);
  const { findings: first, ceiling } = sharedOf(row, fit, card, { need, headroom });
  const findings = first.slice();
  if (column.doubt) findings.push(column.doubt);
  if (column.fault) findings.push(column.fault);
  if (row.approves) {
    const { picture } = rate.value;
    const inBestSeat = isBestSeat(row.housing, card, fit);
    const approved = approvedRule({ body, mode, card, picture, headroom, inBestSeat, doubted: fit.doubted });
    if (approved) findings.push(approved);
  }
  const likely = column.twins.get(body.id);
  const told = likely ? twinsIn(row, { slot, fit }, likely, need) : null;
  const at = likely ? likely.findIndex((twin) => twin.card === card) : -1;
  const tested = told?.found[at] ?? ownTestsRule(column.tests.get(body.id) ?? NONE, { body, mode, card, slot, need });
  findings.push(tested);
  const makers = makersFigureRule(card, need);
  findings.push(makers);
  const verdict = settle(findings);
  // Where something better is known, only a drop of its like is worth a line.
  if (likely && told && (told.hasDrops || UNSURE.has(verdict))) {
    const twins = twinTestsRule(likely, told, at);
    if (twins) findings.splice(-1, 0, twins);
  }
  const given = column.reports.get(body.id);
  const reported = given ? reportedRule(given, mode.id, need, tested) : null;
  if (reported) findings.splice(-1, 0, reported);
  if (row.arrangement) findings.push(row.arrangement);
  const demanded = row.demands.length > 0 ? demandsCardRule(row.demands, slot.id) : null;
  if (demanded) findings.push(demanded);
  const label = labelMinutes(column.labelBytes, share(rate.value.pictureAverage, shares));
  return {
    bodyId: body.id,
    modeId: mode.id,
    cardId: card.id,
    slotId: slot.id,
    verdict,
    doubted: fit.doubted || column.fault !== null,
    need,
    floor: fit.floor,
    ceiling,
    labelMinutes: label,
    planned: plannedMinutes(column.room, share(rate.value.average, shares), label),
    provenSeconds: verdict === 'proven' ? tested.untilSeconds : null,
    heldSeconds: verdict === 'held' || verdict === 'claimed' ? (tested.held?.seconds ?? null) : null,
    dropSeconds: verdict === 'drops' ? dropTime(tested, row, { need, ceiling, slotTold: fit.bus.slotTold }) : null,
    findings,
    seats: null,
  };
}

/** What cards of the same print say, gathered once a fit. */
function twinsIn(row: Row, { slot, fit }: Seated, twins: readonly Twin[], need: BytesPerSecond): TwinsTold {
  const ofPrint = row.twins.get(twins) ?? new Map<PairFit, TwinsTold>();
  row.twins.set(twins, ofPrint);
  const known = ofPrint.get(fit);
  if (known) return known;
  const { body, mode } = row;
  const found = twinsTold(twins, ({ card, tests }) => ownTestsRule(tests, { body, mode, card, slot, need }));
  ofPrint.set(fit, found);
  return found;
}

/** Whether no other slot of the body gives the card a faster bus. */
function isBestSeat(body: Body, card: Card, fit: Fitting): boolean {
  const own = fit.bus.ceiling ?? 0;
  return body.slots.every((slot) => {
    const other = pairFit(slot, card);
    return !other.fits || (other.bus.ceiling ?? 0) <= own;
  });
}

/** What all cards of one print have in common on one row: everything but tests, approvals and the maker's own figure. */
interface Shared {
  readonly headroom: PerMille;
  readonly findings: readonly Finding[];
  readonly ceiling: BytesPerSecond | null;
}

type Fitting = Extract<PairFit, { fits: true }>;

/** Worked out once a row and fit: a wallet holds many cards of few kinds. */
function sharedOf(
  row: Row,
  fit: Fitting,
  card: Card,
  { need, headroom }: { readonly need: BytesPerSecond; readonly headroom: PerMille },
): Shared {
  const known = row.shared.get(fit);
  if (known?.headroom === headroom) return known;
  const { floor, doubted } = fit;
  const inside = bodyCeilingRule(row.body, need, headroom, row.shares);
  const minimum = makersMinimumRule(card, fit.bus, need, doubted);
  const shared: Shared = {
    headroom,
    findings: [
      ...fit.findings,
      ...(row.goesTo ? [row.goesTo] : []),
      ...adviceRule(row.body, card),
      busRule(fit.bus, need, headroom),
      ...(inside ? [inside] : []),
      ...requirementRule(row.asked, card, withHeadroom(need, headroom), row.body),
      guaranteeRule(fit.marks, need, doubted),
      ...(minimum ? [minimum] : []),
      ...(floor === null ? [] : [headroomRule(floor, need, headroom)]),
    ],
    ceiling: lowest(fit.bus.ceiling, inside?.rule === 'body-ceiling' ? inside.ceiling : null),
  };
  row.shared.set(fit, shared);
  return shared;
}

const lowest = (a: BytesPerSecond | null, b: BytesPerSecond | null): BytesPerSecond | null =>
  a === null ? b : b === null ? a : a < b ? a : b;

/**
 * A tested drop is timed by the test; a bus that is too slow by how long the camera's buffer hides it, which all cards of a
 * split recording share.
 */
function dropTime(
  tested: TestsFinding,
  { body, shares }: Row,
  {
    need,
    ceiling,
    slotTold,
  }: { readonly need: BytesPerSecond; readonly ceiling: BytesPerSecond | null; readonly slotTold: boolean },
): Seconds | null {
  if (tested.dropSeconds !== null) return tested.dropSeconds;
  if (body.bufferMB === null || ceiling === null || ceiling >= need || !slotTold) return null;
  return ((body.bufferMB * MB) / (need - ceiling) / shares) as Seconds;
}

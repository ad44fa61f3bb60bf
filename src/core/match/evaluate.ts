import { labelMinutes, plannedMinutes, usable } from '../minutes/minutes.ts';
import type { Body, Card, Mode, Requirement, Slot, Test } from '../model/kit.ts';
import { type RateRefusal, type StreamRate, streamRate } from '../rate/streamRate.ts';
import type { Result } from '../result.ts';
import type { Bytes, BytesPerSecond, PerMille, Seconds } from '../units/brand.ts';
import { fromGB, MB } from '../units/convert.ts';
import type { Finding } from './finding.ts';
import type { PairFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { arrangementRule, demandsCardRule } from './rules/arrangement.ts';
import { bodyCeilingRule } from './rules/bodyCeiling.ts';
import { busRule } from './rules/bus.ts';
import { guaranteeRule } from './rules/guarantee.ts';
import { headroomRule, withHeadroom } from './rules/headroom.ts';
import { labelRule } from './rules/label.ts';
import { makersFigureRule } from './rules/makersFigure.ts';
import { ownTestsRule } from './rules/ownTests.ts';
import { requirementRule, requirementsOf } from './rules/requirement.ts';
import { rankOf, type Verdict } from './verdict.ts';

/** One mode of one body on one card: the verdict, its numbers, and the finding of every rule in order. */
export interface Cell {
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  readonly slotId: string | null;
  readonly verdict: Verdict;
  /** Peak of everything one card of the arrangement is written. */
  readonly need: BytesPerSecond | null;
  readonly floor: BytesPerSecond | null;
  /** Lowest known ceiling between the sensor and the card: bus in force, or one inside the body. */
  readonly ceiling: BytesPerSecond | null;
  /** Minutes by label arithmetic, unrounded. */
  readonly label: number | null;
  /** Whole planned minutes. */
  readonly planned: number | null;
  readonly dropSeconds: Seconds | null;
  readonly findings: readonly Finding[];
}

/** A mode with its rate worked out once, for all cards. */
export interface Row {
  readonly body: Body;
  readonly mode: Mode;
  readonly rate: Result<StreamRate, RateRefusal>;
  /** Cards that share the stream: the slots of a split body, otherwise 1. */
  readonly shares: number;
  /** What the body asks of a card for this mode. */
  readonly asked: readonly Requirement[];
  readonly arrangement: Finding | null;
  /** Whether any slot of the body wants a card of its own. */
  readonly demands: boolean;
  /** What was found for a fit before; filled as asked. */
  readonly shared: Map<PairFit, Shared>;
}

/** A slot with what makes its answers differ from another slot's, as text. */
export interface KeyedSlot {
  readonly slot: Slot;
  readonly key: string;
}

/** Slots of a body that can give different answers; twins of an earlier one are left out. */
export function distinctSlots({ slots }: Pick<Body, 'slots'>): readonly KeyedSlot[] {
  const seen = new Set<string>();
  return slots.flatMap((slot) => {
    const key = JSON.stringify([slot.accepts, slot.family, slot.promisedMaxGB]);
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ slot, key }];
  });
}

export function toRow(body: Body, mode: Mode): Row {
  const shares = body.arrangement === 'split' ? Math.max(1, body.slots.length) : 1;
  return {
    body,
    mode,
    rate: streamRate(mode),
    shares,
    asked: requirementsOf(body, mode),
    arrangement: arrangementRule(body),
    demands: body.slots.some(({ demandsCard }) => demandsCard),
    shared: new Map(),
  };
}

/** A card with its room worked out once, for all modes. */
export interface Column {
  readonly card: Card;
  readonly label: Bytes;
  readonly room: Bytes;
  readonly tests: readonly Test[];
  /** What the label contradicts, for every cell of the card. */
  readonly doubt: Finding | null;
}

export function toColumn(card: Card, tests: readonly Test[]): Column {
  return {
    card,
    label: fromGB(card.capacityGB),
    room: usable(card).bytes,
    tests: tests.filter((test) => test.cardId === card.id),
    doubt: labelRule(card),
  };
}

const share = (whole: BytesPerSecond, shares: number): BytesPerSecond => Math.ceil(whole / shares) as BytesPerSecond;

/** A cell with a verdict and no numbers behind it. */
const bare = (
  row: Row,
  slotId: string | null,
  cardId: string,
  verdict: Verdict,
  findings: readonly Finding[],
): Cell => ({
  bodyId: row.body.id,
  modeId: row.mode.id,
  cardId,
  slotId,
  verdict,
  need: null,
  floor: null,
  ceiling: null,
  label: null,
  planned: null,
  dropSeconds: null,
  findings,
});

/** The cell of a body that has no slot. */
export const noSlotCell = (row: Row, card: Card): Cell =>
  bare(row, null, card.id, 'unfit', [{ rule: 'shape', outcome: 'block', card: card.form, accepts: [] }]);

/**
 * Runs every rule for one slot of one body and settles the verdict. A large board calls this tens of thousands of
 * times: objects are written out in full, since spreading them here costs fifty times the rules.
 */
export function evaluate(row: Row, slotId: string, fit: PairFit, column: Column, policy: Policy): Cell {
  const { body, mode, rate, shares } = row;
  const { card } = column;
  if (!fit.fits) return bare(row, slotId, card.id, 'unfit', fit.findings);
  if (!rate.ok) {
    return bare(row, slotId, card.id, 'uncovered', [
      ...fit.findings,
      { rule: 'rate', outcome: 'unknown', refusal: rate.error },
    ]);
  }
  const need = share(rate.value.peak, shares);
  const { findings: first, ceiling } = sharedOf(row, fit, card, need, policy.headroom);
  const tested = ownTestsRule(column.tests, { bodyId: body.id, modeId: mode.id, cardId: card.id, need });
  const findings = first.slice();
  if (column.doubt) findings.push(column.doubt);
  findings.push(tested, makersFigureRule(card, need));
  if (row.arrangement) findings.push(row.arrangement);
  const demanded = row.demands ? demandsCardRule(body.slots, slotId) : null;
  if (demanded) findings.push(demanded);
  const verdict = settle(findings);
  return {
    bodyId: body.id,
    modeId: mode.id,
    cardId: card.id,
    slotId,
    verdict,
    need,
    floor: fit.floor.floor,
    ceiling,
    label: labelMinutes(column.label, share(rate.value.picture, shares)),
    planned: plannedMinutes(column.room, share(rate.value.average, shares)),
    dropSeconds: verdict === 'drops' ? dropTime(tested, body, need, ceiling) : null,
    findings,
  };
}

/** What all cards of one print have in common on one row: everything but tests and the maker's own figure. */
interface Shared {
  readonly headroom: PerMille;
  readonly findings: readonly Finding[];
  readonly ceiling: BytesPerSecond | null;
}

type Fitting = Extract<PairFit, { fits: true }>;

/** Worked out once a row and fit: a wallet holds many cards of few kinds. */
function sharedOf(row: Row, fit: Fitting, card: Card, need: BytesPerSecond, headroom: PerMille): Shared {
  const known = row.shared.get(fit);
  if (known?.headroom === headroom) return known;
  const { floor } = fit.floor;
  const inside = bodyCeilingRule(row.body, need);
  const shared: Shared = {
    headroom,
    findings: [
      ...fit.findings,
      busRule(fit.bus, need),
      ...(inside ? [inside] : []),
      ...requirementRule(row.asked, card, withHeadroom(need, headroom)),
      guaranteeRule(fit.floor, need),
      ...(floor === null ? [] : [headroomRule(floor, need, headroom)]),
    ],
    ceiling: lowest(fit.bus.ceiling, inside?.rule === 'body-ceiling' ? inside.ceiling : null),
  };
  row.shared.set(fit, shared);
  return shared;
}

const lowest = (a: BytesPerSecond | null, b: BytesPerSecond | null): BytesPerSecond | null =>
  a === null ? b : b === null ? a : a < b ? a : b;

/** A tested drop is timed by the test; a bus that is too slow by how long the camera's buffer hides it. */
function dropTime(tested: Finding, body: Body, need: BytesPerSecond, ceiling: BytesPerSecond | null): Seconds | null {
  if (tested.rule === 'own-tests' && tested.dropSeconds !== null) return tested.dropSeconds;
  if (body.bufferMB === null || ceiling === null || ceiling >= need) return null;
  return ((body.bufferMB * MB) / (need - ceiling)) as Seconds;
}

/** The verdict the findings add up to, worst news first [handbook §5]; one pass, since a large board asks often. */
export function settle(findings: readonly Finding[]): Verdict {
  let locked = false;
  let drops = false;
  let best: Verdict = 'uncovered';
  for (const { rule, outcome } of findings) {
    if (outcome === 'block') {
      if (rule !== 'requirement') return 'unfit';
      locked = true;
    } else if (outcome === 'short') {
      drops ||= rule === 'bus' || rule === 'body-ceiling' || rule === 'own-tests';
    } else if (outcome === 'pass') {
      const earned = EARNED[rule];
      if (earned && rankOf(earned) < rankOf(best)) best = earned;
    }
  }
  return locked ? 'locked' : drops ? 'drops' : best;
}

/** What a rule that passes earns by itself. */
const EARNED: Readonly<Partial<Record<Finding['rule'], Verdict>>> = {
  headroom: 'guaranteed',
  guarantee: 'tight',
  'own-tests': 'proven',
  'makers-figure': 'claimed',
};

/** Whether one slot's answer is better than another's: verdict first, then the faster floor, then the faster bus. */
export function isBetter(a: Cell, b: Cell): boolean {
  const byVerdict = rankOf(a.verdict) - rankOf(b.verdict);
  if (byVerdict !== 0) return byVerdict < 0;
  if ((a.floor ?? 0) !== (b.floor ?? 0)) return (a.floor ?? 0) > (b.floor ?? 0);
  return (a.ceiling ?? 0) > (b.ceiling ?? 0);
}

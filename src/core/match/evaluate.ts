import { labelMinutes, plannedMinutes, usable } from '../minutes/minutes.ts';
import type { Body, Card, Mode, Test } from '../model/kit.ts';
import { type RateRefusal, type StreamRate, streamRate } from '../rate/streamRate.ts';
import type { Result } from '../result.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../units/brand.ts';
import { fromGB, MB } from '../units/convert.ts';
import type { Finding } from './finding.ts';
import type { PairFit } from './pairFit.ts';
import type { Policy } from './policy.ts';
import { bodyCeilingRule } from './rules/bodyCeiling.ts';
import { busRule } from './rules/bus.ts';
import { guaranteeRule } from './rules/guarantee.ts';
import { headroomRule } from './rules/headroom.ts';
import { labelRule } from './rules/label.ts';
import { makersFigureRule } from './rules/makersFigure.ts';
import { ownTestsRule } from './rules/ownTests.ts';
import { requirementRule } from './rules/requirement.ts';
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
}

export function toRow(body: Body, mode: Mode): Row {
  const shares = body.arrangement === 'split' ? Math.max(1, body.slots.length) : 1;
  return { body, mode, rate: streamRate(mode), shares };
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

/** Runs every rule for one slot of one body and settles the verdict. */
export function evaluate(row: Row, slotId: string, fit: PairFit, column: Column, policy: Policy): Cell {
  const { body, mode, rate, shares } = row;
  const ids = { bodyId: body.id, modeId: mode.id, cardId: column.card.id, slotId };
  const none = { need: null, floor: null, ceiling: null, label: null, planned: null, dropSeconds: null };
  if (!fit.fits) return { ...ids, ...none, verdict: 'unfit', findings: fit.findings };
  if (!rate.ok) {
    const refused: Finding = { rule: 'rate', outcome: 'unknown', refusal: rate.error };
    return { ...ids, ...none, verdict: 'uncovered', findings: [...fit.findings, refused] };
  }
  const need = share(rate.value.peak, shares);
  const average = share(rate.value.average, shares);
  const { floor } = fit.floor;
  const findings: Finding[] = [...fit.findings];
  if (column.doubt) findings.push(column.doubt);
  findings.push(busRule(fit.bus, need));
  const inside = bodyCeilingRule(body, need);
  if (inside) findings.push(inside);
  findings.push(...requirementRule(mode, column.card), guaranteeRule(fit.floor, need));
  if (floor !== null) findings.push(headroomRule(floor, need, policy.headroom));
  const tested = ownTestsRule(column.tests, { bodyId: body.id, modeId: mode.id, cardId: column.card.id, need });
  findings.push(tested, makersFigureRule(column.card, need));
  const ceiling = lowest(fit.bus.ceiling, inside?.rule === 'body-ceiling' ? inside.ceiling : null);
  const verdict = settle(findings);
  return {
    ...ids,
    verdict,
    need,
    floor,
    ceiling,
    label: labelMinutes(column.label, share(rate.value.picture, shares)),
    planned: plannedMinutes(column.room, average),
    dropSeconds: verdict === 'drops' ? dropTime(tested, body, need, ceiling) : null,
    findings,
  };
}

const lowest = (a: BytesPerSecond | null, b: BytesPerSecond | null): BytesPerSecond | null =>
  a === null ? b : b === null ? a : a < b ? a : b;

/** A tested drop is timed by the test; a bus that is too slow by how long the camera's buffer hides it. */
function dropTime(tested: Finding, body: Body, need: BytesPerSecond, ceiling: BytesPerSecond | null): Seconds | null {
  if (tested.rule === 'own-tests' && tested.dropSeconds !== null) return tested.dropSeconds;
  if (body.bufferMB === null || ceiling === null || ceiling >= need) return null;
  return ((body.bufferMB * MB) / (need - ceiling)) as Seconds;
}

/** The verdict the findings add up to, worst news first [handbook §5]. */
export function settle(findings: readonly Finding[]): Verdict {
  const has = (rule: Finding['rule'], outcome: Finding['outcome']): boolean =>
    findings.some((finding) => finding.rule === rule && finding.outcome === outcome);
  if (has('shape', 'block') || has('protocol', 'block') || has('family', 'block')) return 'unfit';
  if (has('requirement', 'block')) return 'locked';
  if (has('bus', 'short') || has('body-ceiling', 'short') || has('own-tests', 'short')) return 'drops';
  if (has('headroom', 'pass')) return 'guaranteed';
  if (has('guarantee', 'pass')) return 'tight';
  if (has('own-tests', 'pass')) return 'proven';
  if (has('makers-figure', 'pass')) return 'claimed';
  return 'uncovered';
}

/** Whether one slot's answer is better than another's: verdict first, then the faster floor, then the faster bus. */
export function isBetter(a: Cell, b: Cell): boolean {
  const byVerdict = rankOf(a.verdict) - rankOf(b.verdict);
  if (byVerdict !== 0) return byVerdict < 0;
  if ((a.floor ?? 0) !== (b.floor ?? 0)) return (a.floor ?? 0) > (b.floor ?? 0);
  return (a.ceiling ?? 0) > (b.ceiling ?? 0);
}

import { entryAt } from '../entryAt.ts';
import type { Card, Slot } from '../kit/model.ts';
import type { Seconds } from '../units/brand.ts';
import type { Cell, SeatAnswer } from './cell.ts';
import { bareCell, type Row } from './evaluate.ts';
import type { Finding, SeatLine } from './finding.ts';
import { isBetter } from './isBetter.ts';
import type { Seating } from './seats.ts';
import { rankOf, type Verdict } from './verdict.ts';

/** The answers a cell is made of. */
export interface SeatInput {
  readonly row: Row;
  readonly card: Pick<Card, 'id' | 'label'>;
  readonly seating: Seating;
  /** The answer for the card itself in a slot, by place. */
  readonly own: (slotAt: number) => Cell;
  /** The best answer any other card of the wallet gives in a slot, by place; null where none enters it. */
  readonly partner: (slotAt: number) => SeatAnswer | null;
}

const lineOf = (
  slot: Slot,
  { cardLabel, answer }: Pick<SeatAnswer, 'cardLabel' | 'answer'>,
  own: boolean,
): SeatLine => ({
  slot: slot.name,
  takes: [...new Set(slot.accepts.map(({ form }) => form))],
  card: cardLabel,
  verdict: answer?.verdict ?? null,
  own,
});

const holds = (verdict: Verdict | null): boolean => verdict !== null && rankOf(verdict) <= rankOf('claimed');

/** What stands in the findings where seats are unlike: who sits where, and how each holds. */
function seatsFinding({ row, card }: SeatInput, answers: readonly SeatAnswer[]): Finding {
  const seats = answers.map((one) => {
    const slot = row.housing.slots.find(({ id }) => id === one.slotId) as Slot;
    return lineOf(slot, one, one.cardId === card.id);
  });
  const outcome = seats.every(({ verdict }) => holds(verdict)) ? 'pass' : 'short';
  return { rule: 'seats', outcome, arrangement: row.housing.arrangement, seats, width: null };
}

const least = <T extends number>(values: readonly (T | null)[]): T | null =>
  values.some((one) => one === null) ? null : (Math.min(...(values as readonly number[])) as T);

/** The shortest time that something is proven for; null where all are proven for their whole card. */
function provenFor(answers: readonly (Cell | null)[]): Seconds | null {
  const limited = answers.flatMap((one) => (one && one.provenSeconds !== null ? [one.provenSeconds] : []));
  return limited.length === 0 ? null : (Math.min(...limited) as Seconds);
}

/** The shortest time that any of the seats was held; null where none was. */
function heldFor(answers: readonly (Cell | null)[]): Seconds | null {
  const held = answers.flatMap((one) => (one?.verdict === 'held' && one.heldSeconds !== null ? [one.heldSeconds] : []));
  return held.length === 0 ? null : (Math.min(...held) as Seconds);
}

/**
 * One cell from the answers of its seats: the best of a single recording; the worst where several are written, at once or
 * one after another. A seat that the card does not enter is another card's; where no card holds there, nothing does.
 */
export function overSeats(input: SeatInput): Cell {
  const { row, card, seating, own, partner } = input;
  const { slots } = row.housing;
  const answers = seating.own.map(own);
  const [first, ...rest] = answers;
  if (!first) throw new Error('a cell needs at least one seat');
  if (seating.take === 'best') return rest.reduce((best, one) => (isBetter(one, best) ? one : best), first);
  if (seating.take === 'none') {
    const seats = seating.own.map((at) => {
      const slot = slots[at] as Slot;
      return lineOf(slot, { cardLabel: card.label, answer: own(at) }, true);
    });
    const { arrangement } = row.housing;
    const elsewhere: Finding = { rule: 'seats', outcome: 'block', arrangement, seats, width: seating.width };
    const findings = [...first.findings, elsewhere];
    return bareCell(row, { slotId: first.slotId, cardId: card.id, verdict: 'unfit', findings });
  }
  const worst = rest.reduce((found, one) => (isBetter(found, one) ? one : found), first);
  const isAlike = rest.every((one) => one.findings === first.findings || sameAnswer(one, first));
  if (isAlike && seating.others.length === 0) return worst;
  const ownSeats: readonly SeatAnswer[] = answers.map((answer, at) => {
    const slot = entryAt(slots, entryAt(seating.own, at));
    return { slotId: slot.id, slotName: slot.name, cardId: card.id, cardLabel: card.label, answer };
  });
  const others: readonly SeatAnswer[] = seating.others.map((at) => {
    const slot = slots[at] as Slot;
    return partner(at) ?? { slotId: slot.id, slotName: slot.name, cardId: null, cardLabel: null, answer: null };
  });
  const seats = [...ownSeats, ...others];
  const all = seats.map(({ answer }) => answer);
  const decides = others.reduce<Cell | null>(
    (found, { answer }) => (answer && isBetter(found ?? worst, answer) ? answer : found),
    null,
  );
  const missing = others.some(({ answer }) => answer === null);
  const found = (decides ?? worst).verdict;
  // A seat that nothing enters leaves no answer better than unknown, and one that drops elsewhere stays worse than that.
  const verdict = missing && rankOf(found) < rankOf('uncovered') ? 'uncovered' : found;
  return {
    ...worst,
    slotId: (verdict === worst.verdict ? worst : decides)?.slotId ?? worst.slotId,
    verdict,
    doubted: all.some((one) => one?.doubted),
    labelMinutes: least(all.map((one) => one?.labelMinutes ?? null)),
    planned: least(all.map((one) => one?.planned ?? null)),
    provenSeconds: verdict === 'proven' ? provenFor(all) : null,
    heldSeconds: verdict === 'held' ? heldFor(all) : null,
    dropSeconds: verdict === 'drops' ? ((decides ?? worst).dropSeconds ?? worst.dropSeconds) : null,
    findings: [...worst.findings, seatsFinding(input, seats)],
    seats,
  };
}

/** Whether two seats answer alike, whichever slot it was. */
const sameAnswer = (a: Cell, b: Cell): boolean =>
  a.verdict === b.verdict &&
  a.floor === b.floor &&
  a.ceiling === b.ceiling &&
  a.provenSeconds === b.provenSeconds &&
  a.heldSeconds === b.heldSeconds;

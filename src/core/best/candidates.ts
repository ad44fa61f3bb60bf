import { isAtHand } from '../cards/atHand.ts';
import { recordedFault } from '../cards/recordedFault.ts';
import { failingUpTo } from '../heat/run/failures.ts';
import { cellLanes, hasFailed } from '../heat/run/lane.ts';
import { heatMark } from '../heat/run/mark.ts';
import { checkSimulation } from '../heat/writepath/checkSimulation.ts';
import { simulate } from '../heat/writepath/simulate.ts';
import type { Body, Card, Mode } from '../kit/model.ts';
import { answersFor, seatFor } from '../match/board.ts';
import { bodyInMode } from '../match/bodyInMode.ts';
import type { Cell } from '../match/cell.ts';
import { byCard } from '../match/columns.ts';
import { namedCards, printOf } from '../match/print.ts';
import { knownFor } from '../match/rollTime.ts';
import { housingOf, seatsFor } from '../rotation/seating.ts';
import { finish } from '../steps.ts';
import { type BestQuestion, heatTake } from './question.ts';

/** Cards that answer alike: of one print, without tests or approvals of their own. */
export type Group = readonly [Card, ...Card[]];

/** A group that may be recorded on. */
export interface Usable {
  readonly group: Group;
  /** Seconds that each of its cards rolls from empty, by the place of the slot; null where it may not be used there. */
  readonly seconds: readonly (number | null)[];
}

/** What heat does to a card before the time is over. */
type Heat =
  /** With the figures as they are it ends so. */
  | { readonly by: 'figures'; readonly atMinutes: number }
  /** More runs fail than are accepted: so large a share at the least. */
  | { readonly by: 'runs'; readonly risk: number }
  /** A take of one's own stopped under conditions no harder. */
  | { readonly by: 'own-take' }
  /** A figure cannot be, or the runs were broken off: nothing is known. */
  | { readonly by: 'nothing-known' };

/** A group that holds by rate, and that heat ends. */
export interface HeatStop {
  readonly group: Group;
  readonly heat: Heat;
}

/** Heat worked out before, by everything it hangs on; one for all questions of one sitting. */
export type HeatMemo = Map<string, Heat | null>;

/** The cards that a mode may be recorded on, and those that something stands against. */
export interface Candidates {
  /** Slots that are each to be covered to the end; one for all where cards follow one another. */
  readonly places: number;
  readonly usable: readonly Usable[];
  readonly heat: readonly HeatStop[];
  /** Seconds that the longest of those rolls that are left out for being too short; null where none is. */
  readonly shortSeconds: number | null;
  /** Cards that would do, and hold recordings that are not copied yet. */
  readonly waiting: readonly Card[];
  /** Cards with a fault that nobody settled, and that would do without it. */
  readonly faulty: readonly Card[];
  /** Answers of cards that enter and do not hold. */
  readonly cells: readonly Cell[];
  /** Answers of cards that hold, and are known to for less than they last. */
  readonly partly: readonly Cell[];
}

/** What an answer and its heat may hang on: the print, and figures of the very card. */
const heatPrint = (card: Card): string => JSON.stringify([printOf(card), card.heat ?? null]);

/** The cards of a wallet in groups that answer alike on every body, those that wait for copies apart from the others. */
function groupsOf({ bodies, cards, tests }: BestQuestion['kit']): readonly Group[] {
  const testsOf = byCard(tests);
  const named = namedCards(bodies);
  const groups = new Map<string, [Card, ...Card[]]>();
  for (const card of cards) {
    if (card.retired) continue;
    const isAlone = named.has(card.id) || testsOf(card.id).length > 0;
    const key = JSON.stringify([isAtHand(card), isAlone ? card.id : null, heatPrint(card)]);
    const known = groups.get(key);
    if (known) known.push(card);
    else groups.set(key, [card]);
  }
  return [...groups.values()];
}

/** Events followed in the runs of one print of card: some tenths of a second. */
const MOST_EVENTS = 300_000;
/** Shares of failing runs that somebody may accept and still be right that a run with the figures as they are holds [A]. */
const USUAL = 0.2;
/** A card that never fills, so that only heat and pace end a run. */
const NEVER_FULL_GB = 1e6;

/** A card on a body, with its answer. */
interface Seated {
  readonly body: Body;
  readonly cell: Cell;
  readonly card: Card;
}

/**
 * What heat does before the time is over, on the hottest seat of a card; null where no more runs fail than are accepted. It is
 * run as though one card took it all: a fresh one is no warmer.
 */
function heatOf(question: BestQuestion, { body, cell, card }: Seated): Heat | null {
  const { kit, runs, seed, accepted } = question;
  const plan = heatTake(question);
  const mark = heatMark({ body, cell, card, tests: byCard(kit.tests)(card.id), plan, cards: kit.cards });
  if (!mark) return { by: 'nothing-known' };
  if (mark.ended) return { by: 'own-take' };
  for (const { sim, spreads } of cellLanes({ body, cell, card, plan, cards: kit.cards })) {
    const whole = { ...sim, card: { ...sim.card, usableGB: NEVER_FULL_GB } };
    if (checkSimulation(whole)) return { by: 'nothing-known' };
    // What fails with the figures as they are fails in far more runs than are usually accepted: no need to make them.
    const asItIs = accepted <= USUAL ? simulate(whole, false) : null;
    if (asItIs && hasFailed(asItIs)) return { by: 'figures', atMinutes: asItIs.atSeconds / 60 };
    const risk = finish(failingUpTo({ sim: whole, spreads }, { runs, seed, maxEvents: MOST_EVENTS }, accepted));
    if (risk === null) return { by: 'nothing-known' };
    if (risk > accepted) return { by: 'runs', risk };
  }
  return null;
}

/** The same, remembered: of a print without tests once for all its cards. */
function rememberedHeat(question: BestQuestion, seated: Seated, memo: HeatMemo): Heat | null {
  const { body, cell, card } = seated;
  const { kit, runs, accepted } = question;
  const isTested = kit.tests.some(({ cardId }) => cardId === card.id);
  const key = JSON.stringify([
    heatTake(question),
    ...[runs, accepted, body.id, body.slots, body.arrangement, cell.modeId],
    ...[isTested ? [card.id, kit.tests.length] : null, heatPrint(card), cell.need, cell.slotId],
    cell.seats?.map(({ slotId, cardId }) => [slotId, cardId]) ?? null,
  ]);
  const known = memo.get(key);
  if (known !== undefined) return known;
  const made = heatOf(question, seated);
  memo.set(key, made);
  return made;
}

const withoutFaults = (card: Card): Card => ({ ...card, incidents: [] });

/**
 * Which cards a mode may be recorded on to the end, by the same answers as board, day and heat run.
 *
 * @param memo - of heat; null: heat is left out, and all that hold by rate are usable
 */
export function candidates(question: BestQuestion, body: Body, mode: Mode, memo: HeatMemo | null): Candidates {
  const { kit, policy } = question;
  const seats = seatsFor({ body, mode }, kit, policy, null);
  // One that remembers nothing of the first: the same card answers otherwise without its fault.
  const soundSeats = seatsFor({ body, mode }, kit, policy, null);
  const answer = answersFor({ body, mode, ...kit, policy });
  const testsOf = byCard(kit.tests);
  const { housing, width } = housingOf(bodyInMode(body, mode));
  // Whoever wants long rolls wants them of each card, or of those that relay together: as the day has it.
  const asked = Math.min((question.stretchMinutes ?? 0) * 60, question.minutes * 60);
  const least = asked / (housing === 'relay' ? body.slots.length : 1);
  const usable: Usable[] = [];
  const heat: HeatStop[] = [];
  const faulty: Card[] = [];
  const waiting: Card[] = [];
  const cells: Cell[] = [];
  const partly: Cell[] = [];
  let shortSeconds: number | null = null;
  for (const group of groupsOf(kit)) {
    const [card] = group;
    const fits = seats(card);
    if (fits.every((fit) => fit === null)) {
      const cell = answer(card);
      if (recordedFault(card) && soundSeats(withoutFaults(card)).some((fit) => fit !== null)) faulty.push(...group);
      else if (cell.verdict !== 'unfit') cells.push(cell);
      continue;
    }
    if (!isAtHand(card)) {
      waiting.push(...group);
      continue;
    }
    // Where several slots are written at once a card answers for the one it sits in, whatever the others hold.
    const at = fits.findIndex((fit) => fit !== null);
    const cell = housing === 'set' ? seatFor({ body, mode, card, tests: testsOf(card.id), policy }, at) : answer(card);
    if ((knownFor(cell) ?? Number.POSITIVE_INFINITY) < (cell.planned ?? 0) * 60) partly.push(cell);
    const seconds = fits.map((fit) => (fit && fit.seconds >= least ? fit.seconds : null));
    if (seconds.every((one) => one === null)) {
      shortSeconds = Math.max(shortSeconds ?? 0, ...fits.map((fit) => fit?.seconds ?? 0));
      continue;
    }
    const ends = memo && rememberedHeat(question, { body, cell, card }, memo);
    if (ends) heat.push({ group, heat: ends });
    else usable.push({ group, seconds });
  }
  return { places: housing === 'set' ? width : 1, usable, heat, shortSeconds, waiting, faulty, cells, partly };
}

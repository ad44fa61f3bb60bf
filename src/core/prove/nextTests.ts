import { streamRate } from '../bodies/rate/streamRate.ts';
import type { Body, Card, Clearing, Mode, Retest, Test } from '../kit/model.ts';
import { board } from '../match/board.ts';
import type { Cell } from '../match/cell.ts';
import type { Finding } from '../match/finding.ts';
import type { Policy } from '../match/policy.ts';
import { printOf } from '../match/print.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import type { Steps } from '../steps.ts';
import { type Due, due } from './age.ts';
import { cleared } from './clearing.ts';
import { acrossCards, cardBrackets, type EvidenceKit, puzzles } from './puzzles.ts';
import type { Explanation } from './reconcile.ts';

/** Why a test is worth making. */
export type Reason =
  /** Passes and drops of one pair speak against each other. */
  | { readonly code: 'contradiction' }
  /** What the drops have in common cannot be told yet. */
  | { readonly code: 'cause'; readonly between: readonly ('cache' | 'heat' | 'link')[] }
  /** A result that looks impossible: what explains it best, to be settled by a clip; null where nothing does. */
  | { readonly code: 'puzzle'; readonly testId: string; readonly explanation: Explanation | null }
  /** Proven for less than the card lasts: the take that goes past it. */
  | { readonly code: 'past'; readonly provenSeconds: number }
  /** The evidence is old, or something happened since. */
  | { readonly code: 'due'; readonly due: Due }
  /** A burst that said nothing. */
  | { readonly code: 'void-burst'; readonly clearingId: string }
  /** Passed, and not often enough. */
  | { readonly code: 'repeat'; readonly passes: number; readonly wanted: number }
  /** The most demanding mode that this card may hold and nothing proves: it settles the slower ones with it. */
  | { readonly code: 'worst-mode' };

/** A test worth making next. */
export interface NextTest {
  readonly reason: Reason;
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  readonly slotId: string | null;
  /** How long it will run: until full, or until it is past the question; null where that is not known. */
  readonly minutes: number | null;
  /** Takes still to make. */
  readonly takes: number;
  /** Answers of the board that hang on it. */
  readonly decides: number;
}

/** What is ranked, and by which wishes. */
export interface NextInput extends EvidenceKit {
  readonly clearings: readonly Clearing[];
  readonly policy: Policy;
  readonly retest: Retest;
  /** ISO date. */
  readonly today: string;
}

/** The order in which reasons come before how much is decided: open questions before new ground. */
const BEFORE: Readonly<Record<Reason['code'], number>> = {
  contradiction: 0,
  cause: 1,
  puzzle: 2,
  'void-burst': 3,
  past: 4,
  due: 5,
  'worst-mode': 6,
  repeat: 7,
};

/** Most that are worth a person's look. */
const MOST_NEXT = 40;

const tests = (cell: Cell): Extract<Finding, { rule: 'own-tests' }> | null => {
  const found = cell.findings.find(({ rule }) => rule === 'own-tests');
  return found?.rule === 'own-tests' ? found : null;
};

const isOpen = ({ verdict }: Cell): boolean => verdict === 'claimed' || verdict === 'held' || verdict === 'uncovered';

interface Answered {
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  readonly cell: Cell;
}

const testOf = (
  { cell }: Answered,
  reason: Reason,
  more: Partial<Pick<NextTest, 'minutes' | 'takes' | 'decides'>> = {},
): NextTest => ({
  reason,
  bodyId: cell.bodyId,
  modeId: cell.modeId,
  cardId: cell.cardId,
  slotId: cell.slotId,
  minutes: cell.planned,
  takes: ASSUMED.repeats.value,
  decides: 1,
  ...more,
});

/** What a mode asks for without what is only assumed beside its picture: that makes no mode the worse of two. */
const asked = new WeakMap<Body, Map<string, number>>();

function asks({ mode, body }: Answered): number {
  const ofBody = asked.get(body) ?? new Map<string, number>();
  asked.set(body, ofBody);
  const known = ofBody.get(mode.id);
  if (known !== undefined) return known;
  const rate = streamRate(mode, { statedHolds: body.statedHolds ?? 'everything' });
  const peak = rate.ok ? rate.value.peak : 0;
  ofBody.set(mode.id, peak);
  return peak;
}

/** What the answers of one body on one card still want. */
function wanted(
  answers: readonly Answered[],
  input: NextInput,
  testOfId: ReadonlyMap<string, Test>,
): readonly NextTest[] {
  const found: NextTest[] = [];
  // A label that contradicts itself is verified before anything is recorded on it.
  const open = answers.filter(({ cell }) => isOpen(cell) && cell.need !== null && !cell.doubted);
  // Beyond what a bus or the body can carry nothing is worth a card's wear.
  const possible = open.filter(({ cell }) => cell.ceiling === null || (cell.need ?? 0) <= cell.ceiling);
  const worst = possible.reduce<Answered | null>((most, one) => (most && asks(most) >= asks(one) ? most : one), null);
  if (worst) found.push(testOf(worst, { code: 'worst-mode' }, { decides: possible.length }));
  let past: Answered | null = null;
  for (const one of answers) {
    const { cell, body, card } = one;
    const own = tests(cell);
    if (own?.outcome !== 'pass') continue;
    const stood = own.testIds.flatMap((id) => testOfId.get(id) ?? []);
    const [first] = due(stood, { body, card }, input.retest, input.today);
    if (cell.provenSeconds !== null && cell.planned !== null && cell.planned * 60 > cell.provenSeconds + 60) {
      // The fastest of them settles the slower ones for as long as it lasts.
      if (!past || (cell.need ?? 0) > (past.cell.need ?? 0)) past = one;
    } else if (cell.verdict === 'proven' && own.untilSeconds === null && own.passes < ASSUMED.repeats.value) {
      const takes = ASSUMED.repeats.value - own.passes;
      found.push(testOf(one, { code: 'repeat', passes: own.passes, wanted: ASSUMED.repeats.value }, { takes }));
    }
    if (first && cell.verdict === 'proven' && own.untilSeconds === null)
      found.push(testOf(one, { code: 'due', due: first }));
  }
  if (past?.cell.provenSeconds != null)
    found.push(testOf(past, { code: 'past', provenSeconds: past.cell.provenSeconds }, { takes: 1 }));
  return found;
}

/** Each pair once: the reason that comes first. */
function oncePerPair(all: readonly NextTest[]): readonly NextTest[] {
  const seen = new Set<string>();
  return all.filter(({ bodyId, modeId, cardId }) => {
    const key = `${bodyId} ${modeId} ${cardId}`;
    return !seen.has(key) && seen.add(key);
  });
}

/** Open questions: contradictions, causes that cannot be told, results nobody could explain. */
function questions(input: NextInput, answerOf: (bodyId: string, modeId: string, cardId: string) => Answered | null) {
  const found: NextTest[] = [];
  const across = new Map(acrossCards(input).map((one) => [one.body.id, one.common.cause]));
  for (const { body, card, bracket, dropped, common, drops } of cardBrackets(input)) {
    const modeId = dropped?.mode?.id;
    const one = modeId === undefined ? null : answerOf(body.id, modeId, card.id);
    if (!one || !dropped) continue;
    const pastDrop = Math.ceil(dropped.test.seconds / 60) + 5;
    if (bracket.contradicts) found.push(testOf(one, { code: 'contradiction' }, { minutes: pastDrop }));
    else if (drops > 0 && common.cause === null && !across.get(body.id))
      found.push(testOf(one, { code: 'cause', between: ['cache', 'heat', 'link'] }, { minutes: pastDrop, takes: 1 }));
  }
  for (const puzzle of puzzles(input)) {
    if (puzzle.why !== 'numbers') continue;
    const [first] = puzzle.reconciled.explanations;
    const explanation = first && first.code !== 'unknown' ? first : null;
    const one = puzzle.mode ? answerOf(puzzle.body.id, puzzle.mode.id, puzzle.card.id) : null;
    // It runs as long as the one it explains did.
    const minutes = Math.ceil(puzzle.take.seconds / 60);
    if (one) found.push(testOf(one, { code: 'puzzle', testId: puzzle.test.id, explanation }, { takes: 1, minutes }));
  }
  for (const burst of input.clearings) {
    const body = input.bodies.find(({ id }) => id === burst.bodyId);
    if (!body || cleared(burst, body).void === null) continue;
    const again = input.clearings.some(
      (one) =>
        one.bodyId === burst.bodyId && one.cardId === burst.cardId && one !== burst && cleared(one, body).void === null,
    );
    const [mode] = body.modes;
    const one = again || !mode ? null : answerOf(body.id, mode.id, burst.cardId);
    if (one) found.push(testOf(one, { code: 'void-burst', clearingId: burst.id }, { minutes: null, takes: 1 }));
  }
  return found;
}

/**
 * The next tests worth making, best first: what settles an open question, then what has grown old or is proven for too short,
 * then the worst mode of each card that nothing covers, by how many answers hang on it, then repeats. A pair that no bus or
 * body can carry is not worth a card's wear and is left out; so is one that is guaranteed.
 */
export function* nextTestSteps(input: NextInput): Steps<readonly NextTest[]> {
  const { bodies, cards } = input;
  const tested = new Set(input.tests.map(({ cardId }) => cardId));
  const burst = new Set(input.clearings.map(({ cardId }) => cardId));
  const prints = new Set<string>();
  // Of cards that answer alike one is enough, unless it was tested itself.
  const wallet = cards.filter((card) => {
    if (card.retired) return false;
    if (tested.has(card.id) || burst.has(card.id)) return true;
    const print = printOf(card);
    return !prints.has(print) && prints.add(print);
  });
  const answers = board({ bodies, cards: wallet, tests: input.tests }, input.policy);
  const testOfId = new Map(input.tests.map((test) => [test.id, test]));
  const byPair = new Map<string, Answered>();
  const found: NextTest[] = [];
  for (const [at, card] of answers.cards.entries()) {
    yield at / answers.cards.length;
    const column = answers.columnAt(at);
    const ofBody = new Map<string, Answered[]>();
    for (const [rowAt, cell] of column.entries()) {
      const row = answers.rows[rowAt];
      if (!row || cell.verdict === 'unfit' || cell.verdict === 'locked') continue;
      const one = { body: row.body, mode: row.mode, card, cell };
      byPair.set(`${cell.bodyId} ${cell.modeId} ${card.id}`, one);
      const own = ofBody.get(cell.bodyId);
      if (own) own.push(one);
      else ofBody.set(cell.bodyId, [one]);
    }
    for (const own of ofBody.values()) found.push(...wanted(own, input, testOfId));
  }
  const asked = questions(input, (bodyId, modeId, cardId) => byPair.get(`${bodyId} ${modeId} ${cardId}`) ?? null);
  const ranked = [...asked, ...found].sort(
    (a, b) =>
      BEFORE[a.reason.code] - BEFORE[b.reason.code] ||
      b.decides - a.decides ||
      `${a.bodyId} ${a.cardId} ${a.modeId}`.localeCompare(`${b.bodyId} ${b.cardId} ${b.modeId}`),
  );
  return oncePerPair(ranked).slice(0, MOST_NEXT);
}

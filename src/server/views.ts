import { isContradiction, labelProblems } from '../core/cards/labelProblems.ts';
import type { PrintedLabel } from '../core/cards/readLabel.ts';
import type { Risk } from '../core/heat/writepath/risk.ts';
import type { Cause, SimResult } from '../core/heat/writepath/simulation.ts';
import type { Card } from '../core/kit/model.ts';
import { suitingBus } from '../core/match/ask/answerAsk.ts';
import type { Asked, CardAsked } from '../core/match/ask/askLine.ts';
import type { OtherAnswer } from '../core/match/ask/otherQuestions.ts';
import type { Board, BoardKit } from '../core/match/board.ts';
import { type Cell, cellTone } from '../core/match/cell.ts';
import { knownMinutes } from '../core/match/knownMinutes.ts';
import { movesFor } from '../core/match/moves.ts';
import type { Policy } from '../core/match/policy.ts';
import { namedCards, printOf } from '../core/match/print.ts';
import { floorInForce } from '../core/match/rules/guarantee.ts';
import { rankOf } from '../core/match/verdict.ts';
import { APP_CLASSES, mark } from '../core/standards/marks.ts';
import type { BytesPerSecond } from '../core/units/brand.ts';
import { MB, toGigabytes, toMegabits, toMegabytes } from '../core/units/convert.ts';
import { cellSums, rateSum } from '../text/bodies/rateLines.ts';
import { APP_MEANING, labelProblemText, markMeaning } from '../text/cards/label.ts';
import { answerText, forTimeText, readingText, slipText } from '../text/match/ask.ts';
import { insteadText, otherText, volumeText } from '../text/match/asked.ts';
import { findingText } from '../text/match/finding.ts';
import { moveText } from '../text/match/move.ts';

/** The shapes in which the server answers: plain numbers with the unit in the key, unknown ones null. */
const mBps = (rate: BytesPerSecond | null): number | null => (rate === null ? null : toMegabytes(rate));

const NO_OTHER = { seconds: null, rate: null, pictures: null } as const;

function cardView({ answer, instead }: CardAsked) {
  const { cell, card, need, ask, rate } = answer;
  const sums = cell && card && answer.sized ? cellSums(rate, answer.body, card, cell) : rate.lines.map(rateSum);
  // The minutes are those of all cards, told below: what the board says of one cell beside others does not hold.
  const findings = cell?.findings.filter(({ rule }) => rule !== 'arrangement') ?? [];
  const told = [forTimeText(answer), volumeText(answer), insteadText(instead, answer), slipText(answer)];
  return {
    ...{ kind: 'card', ...NO_OTHER, alternatives: [], instead: instead.map(({ line }) => line) },
    need: { bitsPerSecond: need * 8, bytesPerSecond: need },
    card: card
      ? {
          form: ask.card?.form ?? null,
          capacityGB: answer.sized ? card.capacityGB : null,
          marks: card.marks,
          bus: ask.card?.bus ?? null,
          readMBps: card.readMBps,
          writeMBps: card.writeMBps,
        }
      : null,
    verdict: cell?.verdict ?? null,
    minutes: { label: answer.byTheBox, planned: answer.minutes },
    count: ask.count,
    cardsAtOnce: answer.cardsAtOnce,
    smallestMarks: answer.smallestMarks,
    forTime: answer.forTime && {
      writtenGB: toGigabytes(answer.forTime.written),
      sizeSoldGB: answer.forTime.sizeSold === null ? null : toGigabytes(answer.forTime.sizeSold),
      cards: answer.forTime.cards,
    },
    playsSeconds: answer.plays,
    steps: [
      ...sums.map(({ working, result }) => `${working}: ${result}`),
      ...findings.map(findingText),
      answerText(answer),
      ...told.filter((text): text is string => text !== null),
      ...ask.readings.map(readingText),
    ],
  };
}

/** An answer without a need and a card: those are null. */
const BARE = {
  ...NO_OTHER,
  ...{ alternatives: [], instead: [], need: null, card: null, verdict: null, forTime: null, playsSeconds: null },
  ...{ minutes: { label: null, planned: null }, count: 0, cardsAtOnce: 0, smallestMarks: [] },
} as const;

function otherView(found: OtherAnswer) {
  const steps = [otherText(found)];
  switch (found.kind) {
    case 'playback':
      return { ...BARE, kind: found.kind, playsSeconds: found.playback.plays, steps };
    case 'copying':
      return { ...BARE, kind: found.kind, seconds: found.copying.seconds, steps };
    case 'rate-was': {
      const { rate, low, high } = found.rateWas;
      return {
        ...{ ...BARE, kind: found.kind, steps },
        rate: { Mbps: toMegabits(rate), MBps: toMegabytes(rate), lowMbps: toMegabits(low), highMbps: toMegabits(high) },
      };
    }
    case 'stills': {
      const { pictures, each } = found.stills;
      return { ...BARE, kind: found.kind, pictures: { count: pictures, eachMB: each / MB }, steps };
    }
  }
}

/** What a line comes to. Of several cards side by side the verdict is the least safe one. */
export function askedView(asked: Asked) {
  if (asked.kind === 'card') return cardView(asked);
  if (asked.kind !== 'choice') return otherView(asked);
  const [worst] = [...asked.choices].sort(
    (a, b) =>
      (b.answer.cell ? rankOf(b.answer.cell.verdict) : 99) - (a.answer.cell ? rankOf(a.answer.cell.verdict) : 99),
  );
  return {
    ...BARE,
    kind: asked.kind,
    verdict: worst?.answer.cell?.verdict ?? null,
    alternatives: asked.choices.map(({ piece, answer }) => ({
      text: piece,
      verdict: answer.cell?.verdict ?? null,
      minutes: answer.minutes,
    })),
    steps: asked.choices.map(({ piece, answer }) => `${piece}: ${answerText(answer)}`),
  };
}

export function labelView(label: PrintedLabel) {
  const { form, capacity, bus } = label;
  const problems = labelProblems(label);
  // A label that contradicts itself promises nothing until the card was verified.
  const doubted = problems.some(isContradiction);
  // In a slot that suits it, as a line about it is answered.
  const inForce = form === null ? null : (bus ?? suitingBus(form));
  const floor = form === null || doubted ? null : floorInForce({ form, marks: label.words }, inForce).floor;
  const marks = label.marks.map((key) => ({
    mark: key as string,
    promisesMBps: mark(key).promisesMBps,
    meaning: markMeaning(key),
  }));
  const apps = label.apps.map((key) => ({
    mark: key as string,
    promisesMBps: APP_CLASSES[key].sustainedMBps,
    meaning: APP_MEANING,
  }));
  return {
    form,
    capacityGB: capacity === null ? null : toGigabytes(capacity),
    family: label.family,
    bus,
    floorMBps: mBps(floor),
    readMBps: mBps(label.reads),
    writeMBps: mBps(label.writes),
    sustainedMBps: mBps(label.sustained),
    minimumMBps: mBps(label.minimum),
    ratedHours: label.hours,
    enduranceTB: label.enduranceTB,
    marks: [...marks, ...apps],
    problems: problems.map((problem) => ({ code: problem.code, message: labelProblemText(problem) })),
  };
}

type Known = (bodyId: string, modeId: string, cardId: string) => Cell | undefined;

/** What moves are worked out of, for all cells of one call. */
interface MovesOf {
  readonly board: Board;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly minutes: number;
  readonly known: Known;
}

function movesView(cell: Cell, { board, kit, policy, minutes, known }: MovesOf) {
  const body = kit.bodies.find(({ id }) => id === cell.bodyId);
  const mode = body?.modes.find(({ id }) => id === cell.modeId);
  const card = kit.cards.find(({ id }) => id === cell.cardId);
  // Cells that cannot meet are most of a board; what would make them meet is another card, which the board shows.
  if (!body || !mode || !card || cell.verdict === 'unfit') return [];
  const moves = movesFor({
    kit,
    body,
    mode,
    card,
    cell,
    policy,
    minutes,
    known: (modeId, cardId) => known(body.id, modeId, cardId),
  });
  return moves.map((move) => ({ code: move.code, text: moveText(move, { cards: board.cards, body, mode }) }));
}

type MovesView = ReturnType<typeof movesView>;

/** Moves of cells, those of equal cards worked out once. */
function sharedMoves(
  board: Board,
  kit: BoardKit,
  policy: Policy,
  minutes: number,
): (cell: Cell, card: Card) => MovesView {
  const alone = new Set([...namedCards(kit.bodies), ...kit.tests.map(({ cardId }) => cardId)]);
  const known = new Map<string, MovesView>();
  const rowAt = new Map(board.rows.map(({ body, mode }, at) => [`${body.id} ${mode.id}`, at]));
  const cardAt = new Map(board.cards.map(({ id }, at) => [id, at]));
  const { columns } = board;
  const cellOf: Known = (bodyId, modeId, cardId) =>
    columns[cardAt.get(cardId) ?? -1]?.[rowAt.get(`${bodyId} ${modeId}`) ?? -1];
  return (cell, card) => {
    if (alone.has(card.id)) return movesView(cell, { board, kit, policy, minutes, known: cellOf });
    const key = `${cell.bodyId} ${cell.modeId} ${printOf(card)} ${card.price ?? ''}`;
    const found = known.get(key) ?? movesView(cell, { board, kit, policy, minutes, known: cellOf });
    known.set(key, found);
    return found;
  };
}

const cellView = (cell: Cell, kit: BoardKit, policy: Policy, moves: MovesView) => ({
  bodyId: cell.bodyId,
  modeId: cell.modeId,
  cardId: cell.cardId,
  slotId: cell.slotId,
  verdict: cell.verdict,
  tone: cellTone(cell, policy.take),
  needMBps: mBps(cell.need),
  floorMBps: mBps(cell.floor),
  busMBps: mBps(cell.ceiling),
  minutes: { label: cell.labelMinutes, planned: cell.planned, ...knownMinutes(cell, kit) },
  dropSeconds: cell.dropSeconds,
  provenSeconds: cell.provenSeconds,
  heldSeconds: cell.heldSeconds,
  seats:
    cell.seats?.map(({ slotId, cardId, answer }) => ({ slotId, cardId, verdict: answer?.verdict ?? null })) ?? null,
  reasons: cell.findings.map((finding) => ({
    rule: finding.rule,
    outcome: finding.outcome,
    text: findingText(finding),
  })),
  moves,
});

/** Row by row, as the board is read. */
/** @param minutes - of the planned take, for the size of a card to buy */
export function boardView(board: Board, kit: BoardKit, policy: Policy, minutes: number) {
  const movesOf = sharedMoves(board, kit, policy, minutes);
  const { columns } = board;
  return {
    cells: board.rows.flatMap((_row, at) =>
      columns.flatMap((column, place) => {
        const [cell, card] = [column[at], board.cards[place]];
        return cell && card ? [cellView(cell, kit, policy, movesOf(cell, card))] : [];
      }),
    ),
  };
}

/** What the moves of one cell cost beside those over the wallet, in wallet cards; measured. */
const OWN_MOVES = 10;
const CARDS_A_STEP = 10;

/**
 * Work that an answer asks for, in steps of about ten microseconds: a column for each print, and for each of its cells the
 * moves, which look through the prints of the wallet once more.
 */
export function boardWork({ bodies, cards, tests }: BoardKit): number {
  const alone = new Set([...namedCards(bodies), ...tests.map(({ cardId }) => cardId)]);
  const inUse = cards.filter(({ retired }) => !retired);
  const prints = new Set(inUse.map((card) => (alone.has(card.id) ? card.id : printOf(card)))).size;
  const modes = bodies.reduce((sum, body) => sum + body.modes.length, 0);
  return modes * prints * (OWN_MOVES + prints / CARDS_A_STEP);
}

/** A run, when and why it fails, and what its risk runs come to. */
export const simulationView = (result: SimResult, cause: Cause | null, risk: Risk | null) => ({
  outcome: result.outcome,
  atSeconds: result.atSeconds,
  writtenGB: result.writtenGB,
  peakCardC: result.peakCardC,
  peakBodyC: result.peakBodyC,
  firstThrottleAtSeconds: result.firstThrottleAtSeconds,
  cause,
  timeline: result.timeline,
  risk: risk && {
    dropProbability: risk.dropProbability,
    cutoffProbability: risk.cutoffProbability,
    failing: risk.failing,
    atSeconds: risk.atSeconds ?? { p5: null, p50: null, p95: null },
  },
});

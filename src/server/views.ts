import { isContradiction, labelProblems } from '../core/cards/labelProblems.ts';
import type { Label } from '../core/cards/readLabel.ts';
import type { Answer } from '../core/match/ask/answerAsk.ts';
import type { Playback } from '../core/match/ask/askLine.ts';
import type { Board, BoardKit } from '../core/match/board.ts';
import { type Cell, cellTone } from '../core/match/cell.ts';
import { knownMinutes } from '../core/match/knownMinutes.ts';
import { movesFor } from '../core/match/moves.ts';
import type { Policy } from '../core/match/policy.ts';
import { floorInForce } from '../core/match/rules/guarantee.ts';
import { APP_CLASSES, mark } from '../core/standards/marks.ts';
import type { BytesPerSecond } from '../core/units/brand.ts';
import { toGB, toMBps } from '../core/units/convert.ts';
import { cellSums, rateSum } from '../text/bodies/rateLines.ts';
import { APP_MEANING, labelProblemText, markMeaning } from '../text/cards/label.ts';
import { answerText, forTimeText, playbackText, readingText, slipText } from '../text/match/ask.ts';
import { findingText } from '../text/match/finding.ts';
import { moveText } from '../text/match/move.ts';

/** The shapes in which the server answers: plain numbers with the unit in the key, unknown ones null. */
const mBps = (rate: BytesPerSecond | null): number | null => (rate === null ? null : toMBps(rate));

export function answerView(answer: Answer) {
  const { cell, card, need, ask, rate } = answer;
  const sums = cell && card ? cellSums(rate, answer.body, card, cell) : rate.lines.map(rateSum);
  return {
    need: { bitsPerSecond: need * 8, bytesPerSecond: need },
    card: card ? { form: card.form, capacityGB: card.capacityGB, marks: card.marks, bus: ask.card?.bus ?? null } : null,
    verdict: cell?.verdict ?? null,
    minutes: { label: cell?.label ?? null, planned: answer.minutes },
    cardsAtOnce: answer.cardsAtOnce,
    smallestMarks: answer.smallestMarks,
    forTime: answer.forTime && {
      writtenGB: toGB(answer.forTime.written),
      sizeSoldGB: answer.forTime.sizeSold === null ? null : toGB(answer.forTime.sizeSold),
      cards: answer.forTime.cards,
    },
    playsSeconds: answer.plays,
    steps: [
      ...sums.map(({ working, result }) => `${working}: ${result}`),
      ...(cell?.findings.map(findingText) ?? []),
      answerText(answer),
      ...[forTimeText(answer), slipText(answer)].filter((text): text is string => text !== null),
      ...ask.readings.map(readingText),
    ],
  };
}

/** A line about playback alone: no need and no card, so those are null. */
export const playbackView = (playback: Playback) => ({
  need: null,
  card: null,
  verdict: null,
  minutes: { label: null, planned: null },
  cardsAtOnce: 0,
  smallestMarks: [],
  forTime: null,
  playsSeconds: playback.plays,
  steps: [playbackText(playback)],
});

export function labelView(label: Label) {
  const { form, capacity, bus } = label;
  const problems = labelProblems(label);
  // A label that contradicts itself promises nothing until the card was verified.
  const doubted = problems.some(isContradiction);
  const floor = form === null || doubted ? null : floorInForce({ form, marks: label.words }, bus).floor;
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
    capacityGB: capacity === null ? null : toGB(capacity),
    family: label.family,
    bus,
    floorMBps: mBps(floor),
    marks: [...marks, ...apps],
    problems: problems.map((problem) => ({ code: problem.code, message: labelProblemText(problem) })),
  };
}

function movesView(cell: Cell, board: Board, kit: BoardKit, policy: Policy) {
  const body = kit.bodies.find(({ id }) => id === cell.bodyId);
  const mode = body?.modes.find(({ id }) => id === cell.modeId);
  const card = kit.cards.find(({ id }) => id === cell.cardId);
  // Cells that cannot meet are most of a board; what would make them meet is another card, which the board shows.
  if (!body || !mode || !card || cell.verdict === 'unfit') return [];
  const moves = movesFor({ kit, body, mode, card, cell, policy });
  return moves.map((move) => ({ code: move.code, text: moveText(move, { cards: board.cards, body, mode }) }));
}

const cellView = (cell: Cell, board: Board, kit: BoardKit, policy: Policy, withMoves: boolean) => ({
  bodyId: cell.bodyId,
  modeId: cell.modeId,
  cardId: cell.cardId,
  slotId: cell.slotId,
  verdict: cell.verdict,
  tone: cellTone(cell, policy.take),
  needMBps: mBps(cell.need),
  floorMBps: mBps(cell.floor),
  busMBps: mBps(cell.ceiling),
  minutes: { label: cell.label, planned: cell.planned, ...knownMinutes(cell, kit) },
  dropSeconds: cell.dropSeconds,
  provenSeconds: cell.provenSeconds,
  seats:
    cell.seats?.map(({ slotId, cardId, answer }) => ({ slotId, cardId, verdict: answer?.verdict ?? null })) ?? null,
  reasons: cell.findings.map((finding) => ({
    rule: finding.rule,
    outcome: finding.outcome,
    text: findingText(finding),
  })),
  moves: withMoves ? movesView(cell, board, kit, policy) : [],
});

/** Row by row, as the board is read. */
export function boardView(board: Board, kit: BoardKit, policy: Policy) {
  const withMoves = board.rows.length * board.cards.length <= MOVES_LIMIT;
  return {
    cells: board.rows.flatMap((_row, at) =>
      board.columns.flatMap((column) => {
        const cell = column[at];
        return cell ? [cellView(cell, board, kit, policy, withMoves)] : [];
      }),
    ),
  };
}

/** Cells up to which moves are worked out; each asks the board many times over. */
const MOVES_LIMIT = 1000;

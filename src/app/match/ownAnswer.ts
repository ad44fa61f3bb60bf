import type { TakeKind } from '../../core/kit/model.ts';
import { readOwn } from '../../core/match/ask/ownNames.ts';
import type { Board, BoardKit } from '../../core/match/board.ts';
import { type Cell, cellTone } from '../../core/match/cell.ts';
import type { Tone, Verdict } from '../../core/match/verdict.ts';
import { cellFigure, modeTitle, spokenCell } from '../../text/match/cell.ts';
import type { Figure } from '../../text/quantity.ts';
import type { CellPick } from './subject.ts';

/** The answer to a line about one's own things, ready to be shown: the board's own cell, or what has to be chosen. */
export type OwnAnswer = { readonly text: string } & (
  | {
      readonly code: 'cell';
      readonly pick: CellPick;
      readonly verdict: Verdict;
      readonly tone: Tone;
      readonly figure: Figure;
      readonly sentence: string;
    }
  | {
      readonly code: 'which';
      readonly what: 'mode' | 'body';
      readonly card: string;
      readonly choices: readonly { readonly pick: CellPick; readonly name: string }[];
    }
);

/** Most choices offered at once. */
const MOST_CHOICES = 12;

/** Names offered while a line is typed; a wallet of thousands is not offered whole. */
const MOST_NAMES = 2000;

/** What bodies, modes and cards are called, each once. */
export const ownNames = ({ bodies, cards }: Pick<BoardKit, 'bodies' | 'cards'>): readonly string[] =>
  [
    ...new Set([
      ...bodies.map(({ name }) => name),
      ...bodies.flatMap(({ modes }) => modes.map(({ name }) => name)),
      ...cards.filter(({ retired }) => !retired).map(({ label }) => label),
    ]),
  ]
    .filter((name) => name.trim().length > 1)
    .slice(0, MOST_NAMES);

const cellOf = (board: Board, { bodyId, modeId, cardId }: CellPick): Cell | undefined =>
  board
    .columnAt(board.cards.findIndex(({ id }) => id === cardId))
    .find((one) => one.bodyId === bodyId && one.modeId === modeId);

/**
 * What a line says of one's own body, mode and card: the very cell of the board.
 *
 * @returns null where the line is about something else
 */
export function ownAnswer(text: string, board: Board, take: TakeKind): OwnAnswer | null {
  const bodies = [...new Set(board.rows.map(({ body }) => body))];
  const asked = readOwn(text, { bodies, cards: board.cards });
  if (!asked) return null;
  const { card } = asked;
  if (asked.code === 'which') {
    const choices = asked.choices.slice(0, MOST_CHOICES).map(({ body, mode }) => ({
      pick: { bodyId: body.id, modeId: mode.id, cardId: card.id },
      name: `${body.name} ${modeTitle(mode)}`,
    }));
    return { text, code: 'which', what: asked.what, card: card.label, choices };
  }
  const { body, mode } = asked;
  const pick = { bodyId: body.id, modeId: mode.id, cardId: card.id };
  const cell = cellOf(board, pick);
  if (!cell) return null;
  return {
    text,
    code: 'cell',
    pick,
    verdict: cell.verdict,
    tone: cellTone(cell, take),
    figure: cellFigure(cell),
    sentence: spokenCell({ cell, body, mode, card }),
  };
}

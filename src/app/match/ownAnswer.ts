import type { TakeKind } from '../../core/kit/model.ts';
import type { PlanReader } from '../../core/kit/plan.ts';
import type { AskUnread } from '../../core/match/ask/ask.ts';
import type { RateWas } from '../../core/match/ask/otherQuestions.ts';
import { type OwnAsk, type OwnCopying, readOwn } from '../../core/match/ask/ownNames.ts';
import type { Board, BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import { toneWithin } from '../../core/match/rollTime.ts';
import type { Tone, Verdict } from '../../core/match/verdict.ts';
import { beyondText, byTheBoxText, cellFigure, modeTitle, spokenCell } from '../../text/match/cell.ts';
import { withoutWords } from '../../text/match/without.ts';
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
      /** What the card lasts by the box, beside the planned minutes; null where there are none. */
      readonly byTheBox: string | null;
      readonly sentence: string;
    }
  | {
      readonly code: 'which';
      readonly what: 'mode' | 'body';
      readonly card: string;
      readonly choices: readonly { readonly pick: CellPick; readonly name: string }[];
    }
  /** Words that may change the answer, and what the rest comes to. */
  | { readonly code: 'open'; readonly unread: readonly AskUnread[]; readonly without: string | null }
  /** A card to be copied: through which reader, each as the line with its name. */
  | {
      readonly code: 'which-reader';
      readonly card: string;
      readonly readers: readonly { readonly name: string; readonly line: string }[];
    }
  | { readonly code: 'copy'; readonly card: string; readonly reader: string; readonly copying: OwnCopying }
  /** Modes that write what filled a card. */
  | { readonly code: 'fits'; readonly modes: readonly string[] }
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
  board.cellAt(
    board.cards.findIndex(({ id }) => id === cardId),
    board.rows.findIndex(({ body, mode }) => body.id === bodyId && mode.id === modeId),
  );

/** What an answer from one's own kit hangs on beside the board. */
interface Asking {
  readonly take: TakeKind;
  /** Words that do not matter. */
  readonly aside: ReadonlySet<string>;
  readonly readers: readonly PlanReader[];
  /** The rate that filled a card, where the line asks for it. */
  readonly rateWas: RateWas | null;
}

/** Most modes named for a rate. */
const MOST_MODES = 6;

/** Modes of which everything written, on average, lies where the rate of a line does. */
const modesAt = ({ rows }: Board, { low, high }: RateWas): readonly string[] =>
  rows
    .filter(({ rate }) => rate.ok && rate.value.average >= low && rate.value.average <= high)
    .map(({ body, mode }) => `${body.name} ${modeTitle(mode)}`)
    .slice(0, MOST_MODES);

function withoutOf({ cell, unread }: Extract<OwnAsk, { readonly code: 'open' }>, board: Board): string | null {
  if (cell === null) return null;
  const found = cellOf(board, { bodyId: cell.body.id, modeId: cell.mode.id, cardId: cell.card.id });
  return found
    ? withoutWords(
        unread.map(({ text }) => text),
        spokenCell({ cell: found, ...cell }),
      )
    : null;
}

/**
 * What a line says of one's own body, mode and card: the very cell of the board.
 *
 * @returns null where the line is about something else
 */
export function ownAnswer(text: string, board: Board, { take, aside, readers, rateWas }: Asking): OwnAnswer | null {
  if (rateWas) return { text, code: 'fits', modes: modesAt(board, rateWas) };
  const bodies = [...new Set(board.rows.map(({ body }) => body))];
  const asked = readOwn(text, { bodies, cards: board.cards, readers }, aside);
  if (!asked) return null;
  if (asked.code === 'open') return { text, ...asked, without: withoutOf(asked, board) };
  const { card } = asked;
  if (asked.code === 'which-reader')
    return {
      ...{ text, code: asked.code, card: card.label },
      readers: asked.readers.map(({ name }) => ({ name, line: `${text.trim()} ${name}` })),
    };
  if (asked.code === 'copy')
    return { text, code: asked.code, card: card.label, reader: asked.reader.name, copying: asked.copying };
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
    tone: toneWithin(cell, take, asked.time),
    figure: cellFigure(cell),
    byTheBox: byTheBoxText(cell),
    sentence: [spokenCell({ cell, body, mode, card }), beyondText(cell, asked.time)].filter(Boolean).join(' '),
  };
}

import type { Body, Card, PlannedTake } from '../../kit/model.ts';
import { cellFor } from '../../match/board.ts';
import type { Cell } from '../../match/cell.ts';
import type { Move } from '../../match/move.ts';
import { type MoveInput, movesFor } from '../../match/moves.ts';
import { tryMove } from '../../match/trial.ts';
import type { Tone } from '../../match/verdict.ts';
import type { HeatLevel } from './level.ts';
import { heatMark } from './mark.ts';

export interface WaysOutInput extends Omit<MoveInput, 'minutes' | 'accepts' | 'known'> {
  readonly plan: PlannedTake;
}

/** A move, and the heat of the planned take where it leads; null for a look that only the person can take. */
export interface WayOut {
  readonly move: Move;
  readonly heat: HeatLevel | null;
}

/** Most of them told at once, a test of one's own beside them. */
export const MOST_WAYS = 3;

/** What costs least comes first; what has to be bought or looked up comes after what is at hand. */
const ORDER: readonly Move['code'][] = [
  'tell-bus',
  'owned-card',
  'ratio',
  'nearest-mode',
  'drop-proxy',
  'split',
  'test-it',
  'buy',
  'verify',
];
const WARMTH: readonly Tone[] = ['cool', 'warm', 'hot', 'mute', 'none'];

/**
 * The way out of a cell that does not hold: moves that do, each judged with the heat of the planned take and with the
 * state of the card. At most three and a test, the best first, no kind twice, and where a card must be bought one that says which.
 * None of them leads to a take that heat ends.
 */
export function waysOut({ plan, ...input }: WaysOutInput): readonly WayOut[] {
  const { tests, cards } = input.kit;
  const levelOf = (cell: Cell, body: Body, card: Card): HeatLevel | null =>
    heatMark({ body, cell, card, tests, plan, cards })?.level ?? null;
  const moves = movesFor({
    ...input,
    minutes: plan.minutes,
    accepts: (cell, { body, card }) => levelOf(cell, body, card) !== 'hot',
  });
  const ways = moves
    .filter(({ code }) => ORDER.includes(code))
    .map((move): WayOut => ({ move, heat: heatAfter(move, input, levelOf) }))
    .sort((a, b) => rank(a) - rank(b));
  const kinds = new Set<Move['code']>();
  const distinct = ways.filter(({ move }) => !kinds.has(move.code) && kinds.add(move.code));
  // A test comes beside what can be changed, and before what has to be bought.
  const test = distinct.filter(({ move }) => move.code === 'test-it');
  const others = distinct.filter(({ move }) => move.code !== 'test-it');
  const first = others.slice(0, MOST_WAYS);
  const bought = others.find(({ move }) => move.code === 'buy');
  // Somebody at home can buy: one of the three says what.
  const shown = bought && !first.includes(bought) ? [...first.slice(0, MOST_WAYS - 1), bought] : first;
  const at = bought ? shown.indexOf(bought) : shown.length;
  return [...shown.slice(0, at), ...test, ...shown.slice(at)];
}

/** The heat of the planned take where a move leads. */
function heatAfter(
  move: Move,
  { kit, body, mode, card, policy }: Omit<WaysOutInput, 'plan'>,
  levelOf: (cell: Cell, body: Body, card: Card) => HeatLevel | null,
): HeatLevel | null {
  const trial = tryMove(move, { kit, body, mode, card }, () => ({ id: 'to buy', label: '' }));
  const tried = trial?.kit.bodies.find(({ id }) => id === trial.bodyId);
  const triedMode = tried?.modes.find(({ id }) => id === trial?.modeId);
  const triedCard = trial?.kit.cards.find(({ id }) => id === trial.cardId);
  if (!trial || !tried || !triedMode || !triedCard) return null;
  const cell = cellFor({ body: tried, mode: triedMode, card: triedCard, ...trial.kit, policy });
  return levelOf(cell, tried, triedCard);
}

/** A card that is full waits behind what can be done now; a warm take behind a cool one. */
function rank({ move, heat }: WayOut): number {
  const waits = move.code === 'owned-card' && move.state ? 1 : 0;
  // A test leads to no more than warm, and is made before anything is bought.
  const warmth = move.code === 'test-it' ? 0 : WARMTH.indexOf(move.tone);
  return warmth * 1000 + waits * 100 + (heat === 'warm' ? 50 : 0) + ORDER.indexOf(move.code);
}

import { streamRate } from '../bodies/rate/streamRate.ts';
import { isAtHand } from '../cards/atHand.ts';
import { askedBuses } from '../cards/slotKinds.ts';
import type { Body, Card, Mode, ModeRate, Slot } from '../kit/model.ts';
import { RAW_RATIOS } from '../standards/assumptions.ts';
import { type Bus, busesOf } from '../standards/buses.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { answersFor, type BoardKit, cellFor } from './board.ts';
import { bodyInMode } from './bodyInMode.ts';
import { cardsToBuy } from './buyCard.ts';
import { type Cell, cellTone } from './cell.ts';
import { isBetter } from './isBetter.ts';
import type { IfBus, Move, MoveEffect } from './move.ts';
import type { Policy } from './policy.ts';
import { splitWidth } from './seats.ts';
import { rankOf, toneOf } from './verdict.ts';

/** The cell whose moves are asked for, in its kit. */
export interface MoveInput {
  readonly kit: BoardKit;
  readonly body: Body;
  readonly mode: Mode;
  readonly card: Card;
  readonly cell: Cell;
  readonly policy: Policy;
  /** Minutes wanted of one card, for a card to buy; missing: about the size of the card at hand. */
  readonly minutes?: number | null;
  /** What must be true of a cell beside its rate for a move to lead there: heat, for one. Missing: nothing. */
  readonly accepts?: (cell: Cell, place: { readonly body: Body; readonly mode: Mode; readonly card: Card }) => boolean;
  /** Cells of this body that are worked out already, where a whole board is at hand. */
  readonly known?: (modeId: string, cardId: string) => Cell | undefined;
}

type Tried = Partial<{ readonly body: Body; readonly mode: Mode; readonly card: Card }>;

/** The cell as it would be with something changed. */
function tryOut({ kit, policy, ...now }: MoveInput, change: Tried): Cell {
  const { body, mode, card } = { ...now, ...change };
  return cellFor({ body, mode, card, cards: kit.cards, tests: kit.tests, reports: kit.reports, policy });
}

const outcomeOf = (cell: Cell, { take }: Policy): MoveEffect => ({
  verdict: cell.verdict,
  planned: cell.planned,
  tone: cellTone(cell, take),
});

const isCool = (cell: Cell, policy: Policy): boolean => cellTone(cell, policy.take) === 'cool';

/** Whether a cell is worth a move: it holds by rate, and nothing else stands against it. */
function holds(input: MoveInput, cell: Cell, change: Tried): boolean {
  const { body, mode, card } = { ...input, ...change };
  return isCool(cell, input.policy) && (input.accepts?.(cell, { body, mode, card }) ?? true);
}

/**
 * Cards that can be recorded on now first, then those that last as long as is wanted, of others the longest; then known
 * prices ascending, then the smallest promise that does it, then the smallest card.
 */
const byUse =
  (wanted: number | null) =>
  (a: Holding, b: Holding): number => {
    const lasting = ({ cell }: Holding): number => Math.min(cell.planned ?? 0, wanted ?? 0);
    return Number(isAtHand(b.card)) - Number(isAtHand(a.card)) || lasting(b) - lasting(a) || byCost(a, b);
  };

/** Cards that can be recorded on now first, then known prices ascending, then the smallest promise, then the smallest card. */
const byCost = (a: Holding, b: Holding): number =>
  Number(isAtHand(b.card)) - Number(isAtHand(a.card)) ||
  (a.card.price ?? Number.POSITIVE_INFINITY) - (b.card.price ?? Number.POSITIVE_INFINITY) ||
  (a.cell.floor ?? 0) - (b.cell.floor ?? 0) ||
  a.card.capacityGB - b.card.capacityGB;

/** A card of the wallet with its cell. */
interface Holding {
  readonly card: Card;
  readonly cell: Cell;
}

/** Other cards of the wallet that hold, in an order. */
function holdingCards(input: MoveInput, order: (a: Holding, b: Holding) => number): readonly Holding[] {
  const { kit, body, mode, policy } = input;
  const others = kit.cards.filter((card) => card.id !== input.card.id && !card.retired);
  const answer = answersFor({ body, mode, cards: kit.cards, tests: kit.tests, reports: kit.reports, policy });
  return others
    .flatMap((card) => {
      const cell = input.known?.(mode.id, card.id) ?? answer(card);
      return isCool(cell, policy) ? [{ card, cell }] : [];
    })
    .sort(sortable(order));
}

/** NaN from ∞ − ∞ (two unknown prices) counts as equal. */
const sortable =
  <T>(compare: (a: T, b: T) => number) =>
  (a: T, b: T): number => {
    const result = compare(a, b);
    return Number.isNaN(result) ? 0 : result;
  };

/** Most cards of one's own whose heat is looked at: a wallet may have thousands. */
const MOST_TRIED = 12;

function ownedCard(input: MoveInput): readonly Move[] {
  const wanted = input.minutes ?? input.cell.planned;
  const best = holdingCards(input, byUse(wanted))
    .slice(0, MOST_TRIED)
    .find(({ card, cell }) => holds(input, cell, { card }));
  if (!best) return [];
  return [
    {
      code: 'owned-card',
      cardId: best.card.id,
      price: best.card.price ?? null,
      ofMinutes: input.minutes != null && (best.cell.planned ?? 0) < input.minutes ? input.minutes : null,
      state: isAtHand(best.card) ? null : (best.card.state ?? null),
      ...outcomeOf(best.cell, input.policy),
    },
  ];
}

/** A cool cell overpays where another card also holds and costs, or promises, less. */
function cheaperCard(input: MoveInput): readonly Move[] {
  const found = holdingCards(input, byCost).find(({ card, cell }) =>
    input.card.price != null && card.price != null
      ? card.price < input.card.price
      : (cell.floor ?? 0) < (input.cell.floor ?? 0) && (cell.floor ?? 0) > 0,
  );
  if (!found) return [];
  return [
    {
      code: 'cheaper-card',
      cardId: found.card.id,
      price: found.card.price ?? null,
      ...outcomeOf(found.cell, input.policy),
    },
  ];
}

/** Cards to buy that would hold, over every form the body takes. */
function buy(input: MoveInput): readonly Move[] {
  const { need } = input.cell;
  if (input.cell.verdict === 'unfit' || need === null) return [];
  const found = cardsToBuy({
    need: input.body.arrangement === 'split' ? 0 : need,
    body: input.body,
    card: input.card,
    floor: input.cell.floor,
    minutes: input.minutes ?? null,
    answer: (card) => tryOut(input, { card }),
    holds: (cell, card) => holds(input, cell, { card }),
  });
  return found.map(({ print, cell }) => ({ code: 'buy', ...print, ...outcomeOf(cell, input.policy) }));
}

const pixels = ({ width, height }: Mode): number => (width ?? 0) * (height ?? 0);

/** How many times the frames that are asked for a mode may capture: more is another take, and plays slow [A]. */
const FASTER = 1.1;

const captured = (mode: Mode): number => mode.captureFps ?? mode.fps;

/**
 * Modes of the same body this card does hold: same speed and picture first, then another speed, then another picture, of
 * each the rate nearest below. None that captures faster than is asked.
 */
function nearestMode(input: MoveInput): readonly Move[] {
  const { body, mode, policy } = input;
  const found = body.modes
    .filter((other) => other.id !== mode.id && captured(other) <= captured(mode) * FASTER)
    .flatMap((other) => {
      const cell = input.known?.(other.id, input.card.id) ?? tryOut(input, { mode: other });
      return isCool(cell, policy) && cell.need !== null ? [{ other, cell, need: cell.need }] : [];
    })
    .map((one) => ({
      ...one,
      samePicture: pixels(one.other) === pixels(mode) && pixels(mode) > 0,
      sameSpeed: one.other.fps === mode.fps && captured(one.other) === captured(mode),
    }))
    .sort(
      (a, b) =>
        Number(b.samePicture) - Number(a.samePicture) || Number(b.sameSpeed) - Number(a.sameSpeed) || b.need - a.need,
    );
  const best = found.slice(0, MOST_TRIED).find(({ other, cell }) => holds(input, cell, { mode: other }));
  if (!best) return [];
  const { other, cell, need, samePicture, sameSpeed } = best;
  return [{ code: 'nearest-mode', modeId: other.id, samePicture, sameSpeed, rate: need, ...outcomeOf(cell, policy) }];
}

/** A raw mode at another compression, to 1; any other mode as it is. */
export const withRatio = (mode: Mode, ratio: number): Mode =>
  mode.rate.kind === 'raw' ? { ...mode, rate: { ...mode.rate, ratio } as ModeRate, otherRates: [] } : mode;

/** Ratios a body has: those of its raw modes where it names several, else those that cameras commonly offer. */
function ratiosOf({ modes }: Body): readonly number[] {
  const own = new Set(modes.flatMap(({ rate }) => (rate.kind === 'raw' ? [rate.ratio] : [])));
  return own.size > 1 ? [...own].sort((a, b) => a - b) : RAW_RATIOS;
}

function ratio(input: MoveInput): readonly Move[] {
  const { rate } = input.mode;
  if (rate.kind !== 'raw') return [];
  for (const next of ratiosOf(input.body).filter((one) => one > rate.ratio)) {
    const mode = withRatio(input.mode, next);
    const cell = tryOut(input, { mode });
    if (holds(input, cell, { mode }))
      return [{ code: 'ratio', ratio: next, from: rate.ratio, ...outcomeOf(cell, input.policy) }];
  }
  return [];
}

function dropProxy(input: MoveInput): readonly Move[] {
  const { proxyMbps } = input.mode;
  if (!proxyMbps) return [];
  const mode = { ...input.mode, proxyMbps: null };
  const cell = tryOut(input, { mode });
  return holds(input, cell, { mode })
    ? [{ code: 'drop-proxy', savedMbps: proxyMbps, ...outcomeOf(cell, input.policy) }]
    : [];
}

/** Only where the maker says over how many slots: most bodies cannot split at all. */
function split(input: MoveInput): readonly Move[] {
  const body: Body = { ...input.body, arrangement: 'split' };
  const cards = splitWidth(bodyInMode(body, input.mode));
  if (cards < 2 || input.body.splitOver == null || input.body.arrangement === 'split') return [];
  const cell = tryOut(input, { body });
  return holds(input, cell, { body }) ? [{ code: 'split', cards, ...outcomeOf(cell, input.policy) }] : [];
}

/** A slot with its bus told, for every form that may have it and was not told one. */
export const withBus = (slot: Slot, bus: Bus): Slot => ({
  ...slot,
  accepts: slot.accepts.map((one) => (one.bus === null && busesOf(one.form).includes(bus) ? { ...one, bus } : one)),
});

/**
 * A seat whose bus nobody has entered: telling it may be all that is missing. Named with what each bus it may have would lead
 * to, the fastest first, and the best of them. Where several slots are not told, all of them are tried with it: over two at
 * once one alone would turn nothing, and the other is asked about next.
 */
function tellBus(input: MoveInput): readonly Move[] {
  const { cell, body } = input;
  const unsure = cell.findings.some((finding) => finding.rule === 'bus' && !finding.slotTold);
  const slot = unsure ? body.slots.find(({ id }) => id === cell.slotId) : undefined;
  if (!slot) return [];
  const forms = slot.accepts.filter((one) => one.bus === null).map((one) => one.form);
  const buses = [...new Set(forms.flatMap(askedBuses))];
  const told = buses.map((bus) => {
    const slots = body.slots.map((one) => withBus(one, bus));
    return { bus, cell: tryOut(input, { body: { ...body, slots } }) };
  });
  const best = told.reduce<Cell>((found, one) => (isBetter(one.cell, found) ? one.cell : found), cell);
  if (rankOf(best.verdict) >= rankOf(cell.verdict)) return [];
  const answers = told.map(
    (one): IfBus => ({
      bus: one.bus,
      verdict: one.cell.verdict,
      tone: cellTone(one.cell, input.policy.take),
    }),
  );
  return [{ code: 'tell-bus', slotId: slot.id, answers, ...outcomeOf(best, input.policy) }];
}

/** A claim, or a take that was stopped, makes it likely that the card holds: one fill would show it. */
function testIt({ cell, policy }: MoveInput): readonly Move[] {
  if (cell.verdict !== 'claimed' && cell.verdict !== 'held') return [];
  return [{ code: 'test-it', verdict: 'proven', planned: cell.planned, tone: toneOf('proven', policy.take) }];
}

/** A label in doubt keeps its promises once the card has been filled and read back. */
function verify(input: MoveInput): readonly Move[] {
  if (!input.cell.doubted) return [];
  const card: Card = { ...input.card, verified: { date: '', how: '' } };
  const cell = tryOut(input, { card });
  return [{ code: 'verify', ...outcomeOf(cell, input.policy) }];
}

function otherSchool({ cell, policy }: MoveInput): readonly Move[] {
  const take = policy.take === 'once' ? 'repeatable' : 'once';
  const tone = cellTone(cell, take);
  if (tone === cellTone(cell, policy.take)) return [];
  return [{ code: 'other-school', take, verdict: cell.verdict, planned: cell.planned, tone }];
}

/**
 * What would make a cell hold, the least change first: another card already owned, another mode, ratio, proxy, split, a
 * card to buy, and what the other school would say. For a cell that holds: a cheaper card that would do.
 */
export function movesFor(input: MoveInput): readonly Move[] {
  if (isCool(input.cell, input.policy)) return [...cheaperCard(input), ...otherSchool(input)];
  return [
    ...tellBus(input),
    ...verify(input),
    ...ownedCard(input),
    ...ratio(input),
    ...nearestMode(input),
    ...dropProxy(input),
    ...split(input),
    ...testIt(input),
    ...buy(input),
    ...otherSchool(input),
  ];
}

/** Need of a raw mode at every ratio of the ladder; null where the picture size is missing. */
export function ratioLadder(mode: Mode): readonly { readonly ratio: number; readonly need: BytesPerSecond }[] {
  return RAW_RATIOS.flatMap((one) => {
    const rate = streamRate(withRatio(mode, one), null);
    return rate.ok ? [{ ratio: one, need: rate.value.peak }] : [];
  });
}

import type { HeatSetup } from '../../core/heat/run/lane.ts';
import { holdsByRate } from '../../core/heat/run/mark.ts';
import type { Body, Card, HeatPick, Mode, PlannedTake, Test } from '../../core/kit/model.ts';
import { board } from '../../core/match/board.ts';
import { bodyInModeOf } from '../../core/match/bodyInMode.ts';
import type { Cell } from '../../core/match/cell.ts';
import { entering } from '../../core/match/entering.ts';
import { withRatio } from '../../core/match/moves.ts';
import type { Policy } from '../../core/match/policy.ts';
import { printOf } from '../../core/match/print.ts';
import { cardsAtOnce, recordsAtOnce } from '../../core/match/seats.ts';
import type { Lists, Settings } from '../../kit/kit.ts';
import type { Asked } from './heatQuery.ts';
import { plannedTake } from './plannedTake.ts';

/** What a pick stands for in a kit. */
export interface Picked {
  readonly body: Body;
  /** With the ratio tried. */
  readonly mode: Mode;
  readonly cards: readonly Card[];
}

/** The body, mode and cards of a pick; null when its body or mode is gone. */
export function pickedIn({ bodies, cards: owned }: Pick<Lists, 'bodies' | 'cards'>, pick: HeatPick): Picked | null {
  const body = bodies.find(({ id }) => id === pick.bodyId);
  const mode = body?.modes.find(({ id }) => id === pick.modeId);
  if (!body || !mode) return null;
  const cards = pick.cardIds.flatMap((id) => owned.find((card) => card.id === id) ?? []);
  return { body, mode: pick.ratio === null ? mode : withRatio(mode, pick.ratio), cards };
}

/** What a run needs beside its pick. */
export interface Given {
  readonly tests: readonly Test[];
  readonly policy: Policy;
}

/** The setup of a pick, ready to be run. */
export const setupOf = ({ body, mode, cards }: Picked, pick: HeatPick, { tests, policy }: Given): HeatSetup => ({
  body,
  mode,
  cards,
  arrangement: pick.arrangement,
  tests,
  policy,
  plan: pick.plan,
  startBodyC: pick.startBodyC,
  startCardC: pick.startCardC,
  demandTraceMBps: pick.demandTraceMBps ?? null,
});

/** How many cards an arrangement asks for. */
export const cardCount = (arrangement: HeatPick['arrangement'], body: Body): number =>
  arrangement === 'single' ? 1 : Math.max(2, cardsAtOnce({ ...body, arrangement }));

type Wanted = Partial<Asked>;

/** What a first pick is chosen from. */
type PickKit = Pick<Lists, 'bodies' | 'cards' | 'tests'> & { readonly settings: Settings };

/** Cards looked through for a first pick; a wallet of thousands holds few prints. */
const LOOKED_AT = 60;
/** Bodies looked through where none is asked for. */
const BODIES_LOOKED_AT = 12;

/** One card of each print, those asked for and tested before all others. */
function likelyFirst(cards: readonly Card[], tests: readonly Test[], wanted: string | null): readonly Card[] {
  const tested = new Set(tests.slice(-LOOKED_AT).map(({ cardId }) => cardId));
  const asked = cards.filter(({ id }) => id === wanted || tested.has(id));
  const prints = new Map<string, Card>();
  for (const card of cards) {
    if (prints.size >= LOOKED_AT) break;
    const print = printOf(card);
    if (!card.retired && !prints.has(print)) prints.set(print, card);
  }
  return [...new Set([...asked, ...prints.values()])];
}

/** The bodies looked through for a first pick: of many the first that take the card that is asked for. */
function firstBodies({ bodies, cards }: Pick<PickKit, 'bodies' | 'cards'>, wanted: string | null): readonly Body[] {
  if (bodies.length <= BODIES_LOOKED_AT) return bodies;
  const card = cards.find(({ id }) => id === wanted);
  const taking = card ? bodies.filter((body) => entering(body, [card]).at.length > 0) : [];
  return (taking.length > 0 ? taking : bodies).slice(0, BODIES_LOOKED_AT);
}

/**
 * What to begin with: what was asked for, else the fastest stream that a card of the kit holds by rate, since that is
 * where heat is the next question.
 */
export function firstPick(kit: PickKit, policy: Policy, wanted: Wanted): HeatPick | null {
  const wallet = likelyFirst(kit.cards, kit.tests, wanted.card ?? null);
  // One that is asked for comes before every other: those need not be looked at.
  const own = kit.bodies.filter(({ id, modes }) => id === wanted.body && modes.length > 0);
  const bodies = own.length > 0 ? own : firstBodies(kit, wanted.card ?? null);
  const { cards, columns } = board({ bodies, cards: wallet, tests: kit.tests }, policy);
  let best: {
    readonly score: number;
    readonly bodyId: string;
    readonly modeId: string;
    readonly cardId: string;
    readonly seats: Cell['seats'];
  } | null = null;
  for (const [column, cells] of columns.entries()) {
    const card = cards[column];
    for (const cell of cells) {
      const asked =
        Number(cell.bodyId === wanted.body) * 4e6 +
        Number(cell.bodyId === wanted.body && cell.modeId === wanted.mode) * 2e6 +
        Number(cell.cardId === wanted.card) * 1e6;
      const holds = holdsByRate(cell) ? 5e5 + (cell.need ?? 0) / 1e6 + (card?.capacityGB ?? 0) / 1e6 : 0;
      const score = asked + holds;
      if (best === null || score > best.score) best = { score, ...cell };
    }
  }
  if (!best) {
    const body = kit.bodies.find(({ id }) => id === wanted.body) ?? kit.bodies.find(({ modes }) => modes.length > 0);
    const mode = body?.modes.find(({ id }) => id === wanted.mode) ?? body?.modes[0];
    return body && mode ? fresh(body.id, mode.id, [], plannedTake(kit.settings)) : null;
  }
  const asked = wanted.rest && best.bodyId === wanted.body && best.modeId === wanted.mode ? wanted.rest : {};
  return { ...cellPick(kit, best, plannedTake(kit.settings)), ...asked };
}

type PickedCell = Pick<Cell, 'bodyId' | 'modeId' | 'cardId' | 'seats'>;

/**
 * A cell of the board as a take, so that it is run as it was answered: over all seats of a body that writes to several at
 * once, and over unlike seats of a relay; otherwise on its one card.
 */
export function cellPick(
  kit: Pick<Lists, 'bodies' | 'cards'>,
  { bodyId, modeId, cardId, seats }: PickedCell,
  plan: PlannedTake,
): HeatPick {
  const pick = fresh(bodyId, modeId, [cardId], plan);
  const whole = kit.bodies.find(({ id }) => id === bodyId);
  const body = whole && bodyInModeOf(whole, modeId);
  if (!body || body.slots.length < 2) return pick;
  const { arrangement } = body;
  if (!recordsAtOnce(arrangement) && (arrangement !== 'relay' || !seats)) return pick;
  const wanted: readonly string[] = seats
    ? seats.flatMap((seat) => (seat.cardId === null ? [] : [seat.cardId]))
    : Array.from({ length: cardsAtOnce(body) }, () => cardId);
  return { ...pick, arrangement, cardIds: seats ? wanted : withTwins(kit.cards, cardId, wanted) };
}

/** Another card of the same print in each further seat, where the wallet has one; else the same once more, as another like it. */
function withTwins(cards: readonly Card[], cardId: string, wanted: readonly string[]): readonly string[] {
  const own = cards.find(({ id }) => id === cardId);
  if (!own) return wanted;
  const print = ({ form, capacityGB, marks, bus }: Card): string => [form, capacityGB, bus, ...marks].join();
  const twins = cards.filter((card) => card.id !== cardId && !card.retired && print(card) === print(own));
  return wanted.map((id, at) => (at === 0 ? id : (twins[at - 1]?.id ?? id)));
}

const fresh = (bodyId: string, modeId: string, cardIds: readonly string[], plan: PlannedTake): HeatPick => ({
  bodyId,
  modeId,
  arrangement: 'single',
  cardIds,
  ratio: null,
  plan,
  startBodyC: null,
  startCardC: null,
});

/** The cards that may be chosen for a take, those made for the body's slots first. */
export function takeCards(
  cards: readonly Card[],
  { slots }: Pick<Body, 'slots'>,
  picked: readonly string[],
): readonly { readonly card: Card; readonly value: string; readonly group: string }[] {
  const forms = new Set(slots.flatMap(({ accepts }) => accepts.map(({ form }) => form)));
  const all = cards.filter(({ id, retired }) => !retired || picked.includes(id));
  const inGroup = (group: string, isIn: (card: Card) => boolean) =>
    all.filter(isIn).map((card) => ({ card, value: card.id, group }));
  return [
    ...inGroup('Made for its slots', ({ form }) => forms.has(form)),
    ...inGroup('Other cards', ({ form }) => !forms.has(form)),
  ];
}

import { type HeatSetup, recordsAtOnce } from '../core/heatrun/lane.ts';
import { holdsByRate } from '../core/heatrun/mark.ts';
import { board } from '../core/match/board.ts';
import type { Cell } from '../core/match/evaluate.ts';
import { withRatio } from '../core/match/moves.ts';
import type { Policy } from '../core/match/policy.ts';
import type { Body, Card, HeatPick, Mode, PlannedTake, Test } from '../core/model/kit.ts';
import type { Kit } from '../kit/kit.ts';
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
export function pickedIn({ bodies, cards: owned }: Pick<Kit, 'bodies' | 'cards'>, pick: HeatPick): Picked | null {
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
  arrangement === 'single' ? 1 : Math.max(2, body.slots.length);

type Wanted = Partial<Asked>;

/**
 * What to begin with: what was asked for, else the fastest stream that a card of the kit holds by rate, since that is
 * where heat is the next question.
 */
export function firstPick(kit: Kit, policy: Policy, wanted: Wanted): HeatPick | null {
  const { cards, columns } = board({ bodies: kit.bodies, cards: kit.cards, tests: kit.tests }, policy);
  let best: {
    readonly score: number;
    readonly bodyId: string;
    readonly modeId: string;
    readonly cardId: string;
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

/** A cell of the board as a take: over all slots of a body that writes to them at once. */
export function cellPick(
  kit: Pick<Kit, 'bodies' | 'cards'>,
  { bodyId, modeId, cardId }: Pick<Cell, 'bodyId' | 'modeId' | 'cardId'>,
  plan: PlannedTake,
): HeatPick {
  const pick = fresh(bodyId, modeId, [cardId], plan);
  return { ...pick, ...asOfBody(kit, pick) };
}

/** A body that writes to its slots at once is run so, where the kit holds a card for each of them. */
function asOfBody(kit: Pick<Kit, 'bodies' | 'cards'>, { bodyId, cardIds }: HeatPick): Partial<HeatPick> {
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const first = kit.cards.find(({ id }) => id === cardIds[0]);
  if (!body || !first || !recordsAtOnce(body.arrangement)) return {};
  // Cards of the same print first: a pair is as good as its weaker half.
  const isTwin = ({ marks }: Card): number => Number(marks.join() === first.marks.join());
  const spare = kit.cards
    .filter((card) => card.form === first.form && !card.retired && !cardIds.includes(card.id))
    .sort((a, b) => isTwin(b) - isTwin(a));
  const count = cardCount(body.arrangement, body);
  const all = [...cardIds, ...spare.map(({ id }) => id)].slice(0, count);
  return all.length === count ? { arrangement: body.arrangement, cardIds: all } : {};
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

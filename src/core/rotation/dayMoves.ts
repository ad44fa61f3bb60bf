import { streamRate } from '../bodies/rate/streamRate.ts';
import { recordedFault } from '../cards/recordedFault.ts';
import type { Body, Card } from '../kit/model.ts';
import type { Plan, PlanBlock } from '../kit/plan.ts';
import { answersFor } from '../match/board.ts';
import { type CardToBuy, cardOfPrint, cardsToBuy } from '../match/buyCard.ts';
import { cellTone } from '../match/cell.ts';
import type { Steps } from '../steps.ts';
import type { DayInput } from './day.ts';
import { type PlannedDay, type PlannedShortage, plannedDaySteps } from './plannedDay.ts';
import { tonesUsed } from './seating.ts';

/** What would make a day less short, as codes with what they change. */
export type DayMoveKind =
  /** A card of the wallet that is not in the plan yet. */
  | { readonly code: 'own-card'; readonly cardId: string }
  | ({ readonly code: 'one-more-card' } & CardToBuy)
  | { readonly code: 'second-reader'; readonly readerId: string }
  | { readonly code: 'faster-reader'; readonly readerId: string; readonly MBps: number }
  | { readonly code: 'first-copy' }
  | { readonly code: 'one-more-destination'; readonly like: string }
  | { readonly code: 'other-mode'; readonly blockId: string; readonly bodyId: string; readonly modeId: string }
  | { readonly code: 'split-block'; readonly blockId: string; readonly minutes: number }
  | { readonly code: 'other-order'; readonly blockId: string; readonly otherId: string };

/** A move with what is missing after it, and the plan that it makes. */
export interface DayMove {
  readonly kind: DayMoveKind;
  readonly missingMinutes: number;
  readonly missingGB: number;
  /** When the card that was waited for is free then, seconds; null where nothing was waited for. */
  readonly freeAtSeconds: number | null;
  readonly plan: Plan;
  /** A card to be bought, added to the kit; null where nothing is. */
  readonly card: Card | null;
}

interface Change {
  readonly kind: DayMoveKind;
  readonly plan: Plan;
  readonly card: Card | null;
}

/** An id that a list does not have yet. */
const unused = (stem: string, taken: readonly string[]): string => {
  for (let n = 2; ; n += 1) if (!taken.includes(`${stem}-${n}`)) return `${stem}-${n}`;
};

const withBlock = (plan: Plan, changed: PlanBlock): Plan => ({
  ...plan,
  blocks: plan.blocks.map((block) => (block.id === changed.id ? changed : block)),
});

const isWanted = ({ reason }: PlannedShortage): boolean => reason.code !== 'not-planned';

/** Cards: one of the wallet that lies unused, and the least print that would do. */
function cardChanges({ kit, plan, policy }: DayInput, block: PlanBlock, body: Body): readonly Change[] {
  const mode = body.modes.find(({ id }) => id === block.modeId);
  if (!mode) return [];
  const used = tonesUsed(policy, plan.rules.alsoUse ?? null);
  const answer = answersFor({ body, mode, ...kit, policy });
  const minutes = block.minutes * block.rolling;
  const own = kit.cards
    .filter((card) => !card.retired && recordedFault(card) === null && !plan.cardIds.includes(card.id))
    .map((card) => ({ card, cell: answer(card) }))
    .filter(({ cell }) => used.has(cellTone(cell, policy.take)) && (cell.planned ?? 0) > 0)
    // The smallest that lasts, else the largest.
    .sort((a, b) => {
      const [x, y] = [a.cell.planned ?? 0, b.cell.planned ?? 0];
      if (x >= minutes !== y >= minutes) return x >= minutes ? -1 : 1;
      return x >= minutes ? x - y : y - x;
    })
    .slice(0, 1)
    .map(
      ({ card }): Change => ({
        kind: { code: 'own-card', cardId: card.id },
        card: null,
        plan: { ...plan, cardIds: [...plan.cardIds, card.id] },
      }),
    );
  const rate = streamRate(mode, body);
  const like = kit.cards.find(({ id }) => plan.cardIds.includes(id)) ?? kit.cards[0];
  const beside = body.slots[0]?.accepts[0];
  if (!rate.ok || !beside) return own;
  const right = tonesUsed(policy, null);
  const bought = cardsToBuy({
    body,
    floor: null,
    need: rate.value.peak,
    minutes: block.gapFree ? minutes : Math.min(minutes, 60),
    card: { form: beside.form, capacityGB: like?.capacityGB ?? 256 },
    answer,
    holds: (cell) => right.has(cellTone(cell, policy.take)),
  });
  const taken = kit.cards.map(({ id }) => id);
  return [
    ...own,
    ...bought.slice(0, 2).map(({ print }): Change => {
      const id = unused('card', taken);
      // As it is printed; how fast it reads nobody has told, so it is taken at its reader's pace.
      const card: Card = { ...cardOfPrint(print, id), label: '' };
      return { kind: { code: 'one-more-card', ...print }, card, plan: { ...plan, cardIds: [...plan.cardIds, id] } };
    }),
  ];
}

/** Readers and disks: another, a faster one, copies from the first copy, another disk. */
function copyChanges({ kit, plan }: DayInput, day: PlannedDay): readonly Change[] {
  const busy = new Map<string, number>();
  for (const { readerId, fromSeconds, toSeconds } of day.offloads)
    if (readerId !== null) busy.set(readerId, (busy.get(readerId) ?? 0) + toSeconds - fromSeconds);
  const changes: Change[] = [];
  const [busiest] = [...busy].sort((a, b) => b[1] - a[1]);
  const reader = plan.readers.find(({ id }) => id === busiest?.[0]) ?? plan.readers[0];
  const { destinations } = plan.copies;
  if (reader) {
    const ids = plan.readers.map(({ id }) => id);
    changes.push({
      kind: { code: 'second-reader', readerId: reader.id },
      card: null,
      plan: {
        ...plan,
        readers: [...plan.readers, { ...reader, id: unused(reader.id, ids), name: `${reader.name} 2`.slice(0, 80) }],
      },
    });
    // No faster than the fastest card or disk beside it.
    const reads = kit.cards.flatMap((card) =>
      plan.cardIds.includes(card.id) && reader.forms.includes(card.form) && card.readMBps !== null
        ? [card.readMBps]
        : [],
    );
    const MBps = Math.min(Math.max(0, ...reads), Math.max(0, ...destinations.map(({ writeMBps }) => writeMBps)));
    if (MBps > reader.MBps)
      changes.push({
        kind: { code: 'faster-reader', readerId: reader.id, MBps },
        card: null,
        plan: { ...plan, readers: plan.readers.map((one) => (one.id === reader.id ? { ...one, MBps } : one)) },
      });
  }
  if (plan.copies.from === 'card' && plan.copies.count > 1)
    changes.push({
      kind: { code: 'first-copy' },
      card: null,
      plan: { ...plan, copies: { ...plan.copies, from: 'first-copy' } },
    });
  const fastest = [...destinations].sort((a, b) => b.writeMBps - a.writeMBps)[0];
  if (fastest)
    changes.push({
      kind: { code: 'one-more-destination', like: fastest.name },
      card: null,
      plan: {
        ...plan,
        copies: {
          ...plan.copies,
          destinations: [...destinations, { ...fastest, name: `${fastest.name} 2`.slice(0, 80) }],
        },
      },
    });
  return changes;
}

/** Other ways to record the block: the next lower rate of one picture, two halves with a change between, another order. */
function blockChanges(
  { plan, times }: DayInput,
  short: PlannedShortage,
  block: PlanBlock,
  body: Body,
): readonly Change[] {
  const changes: Change[] = [];
  const own = body.modes.find(({ id }) => id === block.modeId);
  const rateOf = (mode: Body['modes'][number]): number => {
    const rate = streamRate(mode, body);
    return rate.ok ? rate.value.average : Number.POSITIVE_INFINITY;
  };
  if (own) {
    const picture = (mode: Body['modes'][number]): boolean => mode.width === own.width && mode.height === own.height;
    const lower = body.modes
      .filter((mode) => rateOf(mode) < rateOf(own))
      .sort((a, b) => Number(picture(b)) - Number(picture(a)) || rateOf(b) - rateOf(a));
    for (const mode of lower.slice(0, 2))
      changes.push({
        kind: { code: 'other-mode', blockId: block.id, bodyId: body.id, modeId: mode.id },
        card: null,
        plan: withBlock(plan, { ...block, modeId: mode.id }),
      });
  }
  if (block.gapFree && short.reason.code === 'too-long') {
    const minutes = Math.floor(short.reason.holdsSeconds / 60 / block.rolling);
    const ids = plan.blocks.map(({ id }) => id);
    if (minutes > 0 && minutes < block.minutes) {
      const at = plan.blocks.indexOf(block);
      // A change may fall between the two halves; nothing else of the block moves.
      const rest: PlanBlock = { ...block, id: unused(block.id, ids), gapFree: false };
      const [from, day] = later(block, minutes);
      const blocks = [...plan.blocks];
      blocks.splice(at, 1, { ...block, minutes }, { ...rest, from, day, minutes: block.minutes - minutes });
      changes.push({
        kind: { code: 'split-block', blockId: block.id, minutes },
        card: null,
        plan: { ...plan, blocks },
      });
    }
  }
  const ofBody = plan.blocks
    .filter(({ bodyId }) => bodyId === block.bodyId)
    .sort((a, b) => (times.ofBlock(a) ?? 0) - (times.ofBlock(b) ?? 0));
  const before = ofBody[ofBody.indexOf(block) - 1];
  if (before && before.minutes === block.minutes) {
    const swapped = withBlock(plan, { ...block, from: before.from, day: before.day ?? null });
    changes.push({
      kind: { code: 'other-order', blockId: block.id, otherId: before.id },
      card: null,
      plan: withBlock(swapped, { ...before, from: block.from, day: block.day ?? null }),
    });
  }
  return changes;
}

/** A clock time some minutes on, and its day. */
function later({ from, day }: PlanBlock, minutes: number): readonly [from: string, day: number | null] {
  const [hours = 0, clock = 0] = from.split(':').map(Number);
  const total = hours * 60 + clock + minutes;
  const days = Math.floor(total / 1440);
  const rest = total - days * 1440;
  const two = (value: number): string => String(value).padStart(2, '0');
  return [`${two(Math.floor(rest / 60))}:${two(rest % 60)}`, days > 0 ? (day ?? 0) + days : (day ?? null)];
}

/** When the card that a shortage waited for comes free in another plan. */
function freeAt({ reason }: PlannedShortage, before: PlannedDay, after: PlannedDay): number | null {
  const cardId = reason.code === 'none-free' ? reason.cardId : null;
  const waited = cardId ?? null;
  if (waited === null) return null;
  const was = before.frees.findLast((one) => one.cardId === waited)?.atSeconds;
  const is = after.frees.findLast((one) => one.cardId === waited)?.atSeconds;
  return is !== undefined && was !== undefined && is < was ? is : null;
}

/**
 * What would make a day less short, each planned again and told with what is missing after it; best first. Only what helps
 * is told.
 */
export function* dayMoveSteps(input: DayInput, day: PlannedDay): Steps<readonly DayMove[]> {
  const short = day.shortages.find((one) => isWanted(one) && (one.missingMinutes > 0 || one.blockId === null));
  if (!short) return [];
  const block = input.plan.blocks.find(({ id }) => id === short.blockId);
  const body = input.kit.bodies.find(({ id }) => id === block?.bodyId);
  const changes = [
    ...(block && body ? cardChanges(input, block, body) : []),
    ...copyChanges(input, day),
    ...(block && body ? blockChanges(input, short, block, body) : []),
  ];
  const uncopied = (one: PlannedDay): number =>
    one.shortages.reduce((sum, { blockId, missingGB }) => (blockId === null ? sum + missingGB : sum), 0);
  const [missing, left] = [day.totals.missingMinutes, uncopied(day)];
  const moves: DayMove[] = [];
  for (const [at, { kind, plan, card }] of changes.entries()) {
    yield at / changes.length;
    const kit = card ? { ...input.kit, cards: [...input.kit.cards, card] } : input.kit;
    const after = yield* plannedDaySteps({ ...input, kit, plan });
    const missingMinutes = after.totals.missingMinutes;
    // A fiftieth of a minute is no help.
    const helps =
      missingMinutes < missing - 0.02 || (missingMinutes <= missing + 1e-6 && uncopied(after) < left - 0.01);
    if (!helps) continue;
    const missingGB = after.shortages.reduce((sum, one) => sum + one.missingGB, 0);
    moves.push({ kind, plan, card, missingMinutes, missingGB, freeAtSeconds: freeAt(short, day, after) });
  }
  return moves.sort((a, b) => a.missingMinutes - b.missingMinutes);
}

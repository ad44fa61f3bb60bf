import type { Card } from '../../core/kit/model.ts';
import { type Plan, type PlanBlock, type PlanPress, PRESS_KEY } from '../../core/kit/plan.ts';
import type { DayMove } from '../../core/rotation/dayMoves.ts';
import type { LoadedCard } from '../../core/rotation/plannedDay.ts';
import { newId } from '../../kit/newId.ts';
import { dateAfter } from '../../reading/day/dayClock.ts';
import { change, put, remove } from '../../store/edit.ts';
import { DAY_CHANGE } from '../../text/day/changes.ts';
import { toBuyWords } from '../../text/match/toBuy.ts';
import { type Written, write } from '../kit/write.ts';
import type { HandOverChoice, StatesRead } from './codes.ts';

/** Stores a plan as its form has it. */
export const savePlan = (plan: Plan, base: Plan | null): Promise<Written> =>
  write(DAY_CHANGE.saved(plan.name), [put('plans', plan, { base })]);

export const addPlan = (plan: Plan): Promise<Written> => write(DAY_CHANGE.added(plan.name), [put('plans', plan)]);

export const deletePlan = (plan: Plan): Promise<Written> =>
  write(DAY_CHANGE.deleted(plan.name), [remove('plans', plan.id)]);

/** The day after, with the same blocks and nothing pressed yet. */
export function nextDayOf(plan: Plan, name: string): Plan {
  return {
    ...plan,
    id: newId(),
    name,
    date: dateAfter(plan.date, 1),
    blocks: plan.blocks.map((block) => ({ ...block, id: newId() })),
    log: [],
    rehearsal: [],
  };
}

/** A pattern of a day: everything but what was pressed. */
export const templateOf = (plan: Plan): Plan => ({ ...plan, id: newId(), isTemplate: true, log: [], rehearsal: [] });

/** A day from a pattern. */
export const fromTemplate = (template: Plan, date: string): Plan => ({
  ...template,
  id: newId(),
  isTemplate: false,
  date,
  log: [],
  rehearsal: [],
  blocks: template.blocks.map((block) => ({ ...block, id: newId() })),
});

const changePlan = (plan: Plan, what: string, to: (plan: Plan) => Plan): Promise<Written> =>
  write(what, [change('plans', plan.id, to)]);

/** Stores one block: a new one comes in at the end. */
export const saveBlock = (plan: Plan, block: PlanBlock): Promise<Written> =>
  changePlan(plan, DAY_CHANGE.block(plan.name), (now) => ({
    ...now,
    blocks: now.blocks.some(({ id }) => id === block.id)
      ? now.blocks.map((one) => (one.id === block.id ? block : one))
      : [...now.blocks, block],
  }));

/** Moves a block: where it was changed elsewhere meanwhile only its time is another. */
export const moveBlock = (plan: Plan, { id, from, day, turn, minutes }: PlanBlock): Promise<Written> =>
  changePlan(plan, DAY_CHANGE.block(plan.name), (now) => ({
    ...now,
    blocks: now.blocks.map((one) =>
      one.id === id ? { ...one, from, day: day ?? null, turn: turn ?? null, minutes } : one,
    ),
  }));

export const removeBlock = (plan: Plan, block: PlanBlock): Promise<Written> =>
  changePlan(plan, DAY_CHANGE.blockGone(plan.name), (now) => ({
    ...now,
    blocks: now.blocks.filter(({ id }) => id !== block.id),
  }));

/** Makes a move: the plan that was tried, and the card that it takes. */
export function makeMove(plan: Plan, { kind, plan: moved, card }: DayMove): Promise<Written> {
  const added = card && kind.code === 'one-more-card' ? { ...card, ...toBuyWords(kind), id: newId() } : null;
  const withCard = added ? { ...moved, cardIds: moved.cardIds.map((id) => (id === card?.id ? added.id : id)) } : moved;
  return write(DAY_CHANGE.move(plan.name), [
    ...(added ? [put('cards', added)] : []),
    put('plans', withCard, { base: plan }),
  ]);
}

/** One press on the day, with what goes with it. */
export type NewPress = Omit<PlanPress, 'at' | 'id'>;

/** When and how presses are noted. */
export interface Noted {
  /** ISO time. */
  readonly at: string;
  /** Noted apart, and the wallet stays as it is. */
  readonly isRehearsed: boolean;
}

/** Notes presses at the end of the log, and the states of the cards in the wallet with them, in one go. */
function notePresses(
  plan: Plan,
  presses: readonly (NewPress & { readonly at?: string })[],
  { at, isRehearsed }: Noted,
): Promise<Written> {
  const noted = presses.map((press): PlanPress => ({ id: newId().slice(0, PRESS_KEY), at, ...press }));
  const list = isRehearsed ? 'rehearsal' : 'log';
  return write(isRehearsed ? DAY_CHANGE.rehearsed : DAY_CHANGE.press, [
    change('plans', plan.id, (now) => ({ ...now, [list]: [...(now[list] ?? []), ...noted] })),
    ...(isRehearsed ? [] : noted.map(({ cardId, to }) => change('cards', cardId, (card) => ({ ...card, state: to })))),
  ]);
}

/** Notes one press. */
export const pressCard = (plan: Plan, press: NewPress, how: Noted): Promise<Written> => notePresses(plan, [press], how);

/** A swap as one press: the card that came out is full, the other is in. */
export function pressSwap(
  plan: Plan,
  swap: { readonly out: string | null; readonly in: string; readonly bodyId: string; readonly slotId: string },
  who: string,
  how: Noted,
): Promise<Written> {
  const { bodyId, slotId } = swap;
  return notePresses(
    plan,
    [
      ...(swap.out === null ? [] : [{ cardId: swap.out, to: 'full' as const, who }]),
      { cardId: swap.in, to: 'in-body', who, bodyId, slotId },
    ],
    how,
  );
}

/**
 * Cards that are where the plan has them, as one press: each since the plan put it in, so that what was recorded on it by then
 * is on it.
 *
 * @param moment - of the seconds of the day, ISO
 */
export const pressLoaded = (
  plan: Plan,
  loaded: readonly LoadedCard[],
  who: string,
  { moment, ...how }: Noted & { readonly moment: (seconds: number) => string },
): Promise<Written> =>
  notePresses(
    plan,
    loaded.map(({ fromSeconds, ...one }) => ({ ...one, to: 'in-body' as const, who, at: moment(fromSeconds) })),
    how,
  );

/** Forgets what was pressed; the states of the wallet stay. */
export const clearLog = (plan: Plan): Promise<Written> =>
  changePlan(plan, DAY_CHANGE.cleared(plan.name), (now) => ({ ...now, log: [] }));

/** Forgets what was pressed in a rehearsal. */
export const clearRehearsal = (plan: Plan): Promise<Written> =>
  changePlan(plan, DAY_CHANGE.clearedRehearsal(plan.name), (now) => ({ ...now, rehearsal: [] }));

/** Takes over what another device pressed, into the log and the wallet; of a rehearsal, into the rehearsal alone. */
export async function takeOver(
  plan: Plan,
  cards: readonly Card[],
  read: StatesRead,
  choice: HandOverChoice,
): Promise<Written> {
  const { handOver } = await import('./codes.ts');
  const list = read.isRehearsed ? 'rehearsal' : 'log';
  const made = (of: Plan) => handOver({ ...of, log: of[list] ?? [] }, cards, read, choice);
  const { changes, contested, walletOf } = made(plan);
  const touched = read.isRehearsed ? [] : [...new Set([...changes, ...contested].map(({ cardId }) => cardId))];
  return write(DAY_CHANGE.takenOver(changes.length), [
    change('plans', plan.id, (now) => ({ ...now, [list]: [...made(now).log] })),
    ...touched.map((cardId) => change('cards', cardId, (card) => ({ ...card, state: walletOf(card) }))),
  ]);
}

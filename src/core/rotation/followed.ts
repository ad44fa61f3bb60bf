import { entryAt } from '../entryAt.ts';
import type { DayRun } from './outcome.ts';
import type { CardStart, DayBlock, DayProblem } from './problem.ts';
import type { Press } from './progress.ts';

/** A day as it was planned before it began, with the places of its blocks. */
export interface AsPlanned {
  readonly problem: Pick<DayProblem, 'blocks'>;
  readonly run: Pick<DayRun, 'sittings' | 'rolls'>;
}

/** Share of a card that one rolled second of a block takes. */
const shareOfSecond = (block: DayBlock, card: number, slot: number): number => {
  const fit = block.fits[card]?.[slot];
  return fit ? 1 / fit.seconds : 1;
};

/** A press so soon behind the first start of a body is about that start: people put a card in and press a little later, seconds [A]. */
const LATE = 600;

/**
 * Bodies that were to record by now, each with the moment up to which it is taken as planned, seconds: the first press of it, or
 * of a card that the plan has in it just then, is word of that body, and from there on the plan is not what happened. Infinity
 * where nothing was pressed; a body that was pressed from its start on is missing.
 *
 * @param planned - the day as planned from its start; null: not known yet
 */
export function followedUntil(
  blocks: readonly Pick<DayBlock, 'body' | 'from'>[],
  presses: readonly Press[],
  now: number,
  planned: AsPlanned | null,
): ReadonlyMap<number, number> {
  const begins = new Map<number, number>();
  for (const { body, from } of blocks)
    if (from < now) begins.set(body, Math.min(from, begins.get(body) ?? Number.POSITIVE_INFINITY));
  const until = new Map([...begins.keys()].map((body) => [body, Number.POSITIVE_INFINITY]));
  for (const { body, card, at } of presses) {
    for (const told of [body, planned && plannedBody(planned, card, at)])
      if (told !== null) until.set(told, Math.min(at, until.get(told) ?? at));
  }
  return new Map([...until].filter(([body, at]) => at > (begins.get(body) ?? Number.POSITIVE_INFINITY) + LATE));
}

/**
 * Where a card is at a moment if the plan was followed: nobody pressed anything for its body, and whoever films does not stop for
 * that. In its slot with what was recorded on it by then, so that it is full when it really is; or outside, with what is on it to
 * be copied: the plan is no proof of a copy. Null where the plan had put nothing on it by then.
 *
 * @param until - by body, up to when it is taken as planned
 * @param now - seconds from the plan's start
 */
export function followedStart(
  card: number,
  { problem, run }: AsPlanned,
  until: ReadonlyMap<number, number>,
  now: number,
): CardStart | null {
  const end = (body: number): number => Math.min(now, until.get(body) ?? Number.NEGATIVE_INFINITY);
  const last = run.sittings.filter((one) => one.card === card && one.from < end(one.body)).at(-1);
  if (!last) return null;
  const isIn = last.to > now && until.get(last.body) === Number.POSITIVE_INFINITY;
  let [seconds, bytes, share] = [0, 0, 0];
  for (const roll of run.rolls) {
    // What was recorded on it before is on it still, unless it was copied; and nobody said that.
    const counts = roll.card === card && roll.from < end(roll.body) && (!isIn || roll.from >= last.from);
    if (!counts) continue;
    const part = Math.min(1, (end(roll.body) - roll.from) / Math.max(roll.to - roll.from, 1e-9));
    const block = entryAt(problem.blocks, roll.block);
    seconds += part * roll.rolled;
    bytes += part * roll.bytes;
    share += part * roll.rolled * shareOfSecond(block, card, roll.slot);
  }
  if (isIn)
    return { kind: 'in', body: last.body, slot: last.slot, at: last.from, seconds, bytes, share: Math.min(1, share) };
  return bytes > 0 ? { kind: 'waiting', at: Math.min(last.to, end(last.body)), bytes, copies: 0, left: null } : null;
}

/** The body in which a plan has a card at a moment; null where it has it in none. */
export const plannedBody = ({ run }: Pick<AsPlanned, 'run'>, card: number, at: number): number | null =>
  run.sittings.find((one) => one.card === card && one.from <= at && one.to >= at)?.body ?? null;

/** Whether a plan has any card in a body at a moment: where it has none, nothing is recorded then. */
export const isPlannedIn = ({ run }: Pick<AsPlanned, 'run'>, body: number, at: number): boolean =>
  run.sittings.some((one) => one.body === body && one.from < at && one.to > at);

import { streamRate } from '../bodies/rate/streamRate.ts';
import { entryAt } from '../entryAt.ts';
import type { Body, Card, Mode } from '../kit/model.ts';
import type { Plan, PlanBlock, PlanPress } from '../kit/plan.ts';
import { bodyInMode } from '../match/bodyInMode.ts';
import type { Policy } from '../match/policy.ts';
import { printOf } from '../match/print.ts';
import { sharesOf } from '../match/seats.ts';
import type { Form } from '../standards/forms.ts';
import { type AsPlanned, followedStart, followedUntil, isPlannedIn, plannedBody } from './followed.ts';
import type { DayBlock, DayCard, DayProblem } from './problem.ts';
import { type Press, pushedOut, recordedUnnamed, standingBefore, standingOf } from './progress.ts';
import { type DayKit, housingOf, seatsFor } from './seating.ts';

/** What of a plan cannot be planned: told by its place, and left out. */
export type DayFault =
  | { readonly code: 'body-gone'; readonly blockId: string }
  | { readonly code: 'mode-gone'; readonly blockId: string }
  | { readonly code: 'no-rate'; readonly blockId: string }
  | { readonly code: 'no-time'; readonly blockId: string }
  /** Its clock time comes twice that night, and nobody said which: the first is taken. */
  | { readonly code: 'comes-twice'; readonly blockId: string }
  | { readonly code: 'overlap'; readonly blockId: string; readonly otherId: string }
  | { readonly code: 'card-gone'; readonly cardId: string }
  | { readonly code: 'card-retired'; readonly cardId: string }
  | { readonly code: 'no-readers' }
  | { readonly code: 'few-destinations'; readonly wanted: number; readonly have: number };

/** Clock times as seconds from the plan's start; only whoever knows its time zone can tell. */
interface DayTimes {
  /** Null where the time is none. */
  readonly ofBlock: (block: PlanBlock) => number | null;
  /** Whether a clock time comes twice that night. */
  readonly comesTwice: (block: PlanBlock) => boolean;
  readonly ofPress: (press: PlanPress) => number | null;
}

/** What a day is made of. */
export interface DayInput {
  readonly kit: DayKit;
  readonly plan: Plan;
  readonly policy: Policy;
  readonly times: DayTimes;
  /** Seconds from the plan's start; null: before it begins. */
  readonly now: number | null;
}

/** A day as numbers, with the names of its places. */
export interface DayMade {
  readonly problem: DayProblem;
  readonly faults: readonly DayFault[];
  readonly cards: readonly Card[];
  readonly bodies: readonly Body[];
  /** By the place of a block in the problem. */
  readonly blocks: readonly PlanBlock[];
  /** Blocks as they were before `now` cut them, for drawing. */
  readonly whole: readonly DayBlock[];
  /** Bodies that were to record by now and of which nothing was pressed, by their place. */
  readonly unpressed: ReadonlySet<number>;
  /** Whether anything is taken as planned: then the day as planned from its start is wanted. */
  readonly isFollowed: boolean;
  /** Cards that are taken as recorded on because the plan has it so, and for no other reason. */
  readonly followed: ReadonlySet<number>;
}

const MEGA = 1e6;
const GIGA = 1e9;

interface Timed {
  readonly block: PlanBlock;
  readonly body: Body;
  readonly mode: Mode;
  readonly rate: number;
  readonly from: number;
  readonly to: number;
}

/** Blocks that can be planned, by their start; the others as faults. Of two that overlap the one that starts first stays. */
function timedBlocks({ kit, plan, times }: DayInput, faults: DayFault[]): readonly Timed[] {
  const bodyOf = new Map(kit.bodies.map((body) => [body.id, body]));
  const timed: Timed[] = [];
  for (const block of plan.blocks) {
    const blockId = block.id;
    const body = bodyOf.get(block.bodyId);
    const mode = body?.modes.find(({ id }) => id === block.modeId);
    const from = times.ofBlock(block);
    if (!body) faults.push({ code: 'body-gone', blockId });
    else if (!mode) faults.push({ code: 'mode-gone', blockId });
    else if (from === null) faults.push({ code: 'no-time', blockId });
    else {
      const rate = streamRate(mode, body);
      if (!rate.ok) faults.push({ code: 'no-rate', blockId });
      else {
        if (block.turn == null && times.comesTwice(block)) faults.push({ code: 'comes-twice', blockId });
        const each = rate.value.average / sharesOf(bodyInMode(body, mode));
        timed.push({ block, body, mode, rate: each, from, to: from + block.minutes * 60 });
      }
    }
  }
  timed.sort((a, b) => a.from - b.from);
  const lastOf = new Map<string, Timed>();
  return timed.filter((one) => {
    const before = lastOf.get(one.body.id);
    if (before && one.from < before.to - 1e-6) {
      faults.push({ code: 'overlap', blockId: one.block.id, otherId: before.block.id });
      return false;
    }
    lastOf.set(one.body.id, one);
    return true;
  });
}

/** Cards of the plan that are there and in use, each once. */
function dayCards({ kit, plan }: DayInput, faults: DayFault[]): readonly Card[] {
  const cardOf = new Map(kit.cards.map((card) => [card.id, card]));
  return [...new Set(plan.cardIds)].flatMap((cardId) => {
    const card = cardOf.get(cardId);
    if (card && !card.retired) return [card];
    faults.push({ code: card ? 'card-retired' : 'card-gone', cardId });
    return [];
  });
}

const takesForm = (forms: readonly Form[], form: Form): boolean => forms.includes(form);

/**
 * A plan as numbers.
 *
 * @param planned - the day as it was planned before it began: followed by the bodies of which nothing was pressed
 */
export function makeDay(input: DayInput, planned: AsPlanned | null = null): DayMade {
  const { kit, plan, policy } = input;
  const faults: DayFault[] = [];
  const timed = timedBlocks(input, faults);
  const cards = dayCards(input, faults);
  const bodies = [...new Set(timed.map(({ body }) => body))];
  const { rules, copies } = plan;
  const asked = new Map<Mode, ReturnType<typeof seatsFor>>();
  const seatsOf = ({ body, mode }: Timed): ReturnType<typeof seatsFor> => {
    const known = asked.get(mode) ?? seatsFor({ body, mode }, kit, policy, rules.alsoUse ?? null);
    asked.set(mode, known);
    return known;
  };
  const blocks: DayBlock[] = timed.map((one) => {
    const seats = seatsOf(one);
    const { housing, width } = housingOf(bodyInMode(one.body, one.mode));
    const rolls = one.block.minutes * 60 * one.block.rolling;
    // Whoever wants long rolls wants them of each card, or of those that relay together.
    const least = Math.min((rules.gapFreeMinutes ?? 0) * 60, rolls) / (housing === 'relay' ? one.body.slots.length : 1);
    return {
      id: one.block.id,
      body: bodies.indexOf(one.body),
      from: one.from,
      to: one.to,
      rolling: one.block.rolling,
      gapFree: one.block.gapFree,
      rate: one.rate,
      width,
      fits: cards.map((card) => seats(card).map((fit) => (fit && fit.seconds >= least ? fit : null))),
    };
  });
  if (plan.readers.length === 0) faults.push({ code: 'no-readers' });
  if (copies.destinations.length < copies.count)
    faults.push({ code: 'few-destinations', wanted: copies.count, have: copies.destinations.length });
  const tested = new Set(kit.tests.map(({ cardId }) => cardId));
  const bare: DayCard[] = cards.map((card) => ({
    id: card.id,
    read: card.readMBps === null ? null : card.readMBps * MEGA,
    readers: plan.readers.flatMap(({ forms }, at) => (takesForm(forms, card.form) ? [at] : [])),
    kind: tested.has(card.id) ? card.id : printOf(card),
    start: { kind: 'free', at: 0 },
  }));
  const latest = input.now === null ? Number.POSITIVE_INFINITY : input.now + EVERY;
  const presses = inOrder(pressesOf(input, cards, bodies), latest);
  const live = input.now !== null && (input.now > 0 || presses.length > 0);
  // A day is asked for by the minute: a press of this minute is no later than now.
  const now = live ? Math.max(input.now ?? 0, presses.at(-1)?.at ?? 0, 0) : 0;
  const problem: DayProblem = {
    now,
    bodies: bodies.map((body) => ({ id: body.id, slots: body.slots.length, ...housingOf(body) })),
    blocks,
    cards: bare,
    readers: plan.readers.map(({ id, MBps, slots }) => ({ id, pace: MBps * MEGA, slots })),
    destinations: copies.destinations.map(({ name, writeMBps, readMBps, freeGB }) => ({
      name,
      write: writeMBps * MEGA,
      read: readMBps * MEGA,
      free: freeGB * GIGA,
    })),
    copies: { count: copies.count, verify: copies.verify, from: copies.from },
    rules: {
      swap: rules.swapSeconds,
      most: rules.mostMinutesOnOneCard === null ? null : rules.mostMinutesOnOneCard * 60,
      changeAt: rules.changeAtPercent / 100,
    },
  };
  const all = [...presses, ...pushedOut(presses)].sort((a, b) => a.at - b.at);
  const until = live ? followedUntil(blocks, presses, now, planned) : new Map<number, number>();
  const unpressed = new Set([...until].flatMap(([body, at]) => (at === Number.POSITIVE_INFINITY ? [body] : [])));
  const followed = new Set<number>();
  const standing = cards.map((card, at) => {
    // As planned, nothing has happened yet, whatever was pressed since; what was pressed before its start had happened.
    if (input.now === null) {
      const own = presses.filter((press) => press.card === at);
      const before = own.filter((press) => press.at < 0);
      if (before.length === 0) return standingBefore({ card, presses: own });
      const start = standingOf({ at, card, presses: before, now: 0, problem });
      return { ...start, at: Math.max(0, start.at) };
    }
    const own = all.filter((press) => press.card === at);
    const asPlanned = own.length === 0 && planned ? followedStart(at, planned, until, now) : null;
    if (asPlanned) followed.add(at);
    return asPlanned ?? standingOf({ at, card, presses: own, now, problem });
  });
  const ahead = blocks.filter(({ to }) => to > now).map((block) => ({ ...block, from: Math.max(block.from, now) }));
  const aheadIds = new Set(ahead.map(({ id }) => id));
  // A set of which one card was pressed is not named yet.
  const isNamed = (body: number): boolean => {
    const width = blocks.find((block) => block.body === body && block.from < now && block.to > now)?.width ?? 1;
    return standing.filter((start) => start.kind === 'in' && start.body === body).length >= width;
  };
  const plannedIn = (card: number, at: number): number | null => planned && plannedBody(planned, card, at);
  const behind = (body: number): number => {
    if (!live || isNamed(body)) return 0;
    // As planned no card is in it now: then nothing is recorded.
    if (unpressed.has(body) && !(planned && isPlannedIn(planned, body, now))) return 0;
    return recordedUnnamed(body, { blocks, presses: all, now, swap: rules.swapSeconds, plannedIn });
  };
  return {
    problem: {
      ...problem,
      bodies: problem.bodies.map((body, at) => ({ ...body, behind: behind(at) })),
      blocks: ahead,
      cards: bare.map((card, at) => {
        const start = entryAt(standing, at);
        return { ...card, start, kind: `${card.kind} ${JSON.stringify(start)}` };
      }),
    },
    faults,
    cards,
    bodies,
    blocks: timed.map(({ block }) => block).filter(({ id }) => aheadIds.has(id)),
    whole: blocks,
    unpressed,
    followed,
    isFollowed: until.size > 0,
  };
}

function pressesOf({ plan, times }: DayInput, cards: readonly Card[], bodies: readonly Body[]): readonly Press[] {
  return (plan.log ?? []).flatMap((press): Press[] => {
    const card = cards.findIndex(({ id }) => id === press.cardId);
    const at = times.ofPress(press);
    if (card < 0 || at === null) return [];
    const body = bodies.findIndex(({ id }) => id === press.bodyId);
    const slot = body < 0 ? -1 : (bodies[body]?.slots.findIndex(({ id }) => id === press.slotId) ?? -1);
    return [{ at, card, to: press.to, body: body < 0 ? null : body, slot: slot < 0 ? null : slot }];
  });
}

/** How long a moment lasts for which a day is planned, seconds. */
const EVERY = 60;

/**
 * Presses by their place in the log: of one card none is earlier than the one before it, and none is ahead of now, whatever
 * the clock said by which it was made.
 *
 * @param now - seconds
 */
function inOrder(presses: readonly Press[], now: number): readonly Press[] {
  const latest = new Map<number, number>();
  return presses
    .map((press) => {
      const at = Math.max(Math.min(press.at, now), latest.get(press.card) ?? Number.NEGATIVE_INFINITY);
      latest.set(press.card, at);
      return { ...press, at };
    })
    .sort((a, b) => a.at - b.at);
}

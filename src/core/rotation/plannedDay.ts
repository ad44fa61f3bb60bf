import type { Tone, Verdict } from '../match/verdict.ts';
import { finish, type Steps } from '../steps.ts';
import { type DayFault, type DayInput, type DayMade, makeDay } from './day.ts';
import type { Change, DayRun, Shortage } from './outcome.ts';
import { planSteps } from './planDay.ts';
import { tonesUsed } from './seating.ts';

/** A planned day in the names of its kit: seconds from the plan's start, GB. The one answer that everything shows. */
export interface PlannedDay {
  readonly faults: readonly DayFault[];
  /** Nothing is planned before it. */
  readonly nowSeconds: number;
  readonly blocks: readonly PlannedBlock[];
  readonly rolls: readonly PlannedRoll[];
  readonly sittings: readonly PlannedSitting[];
  /** Everything done by hand at a slot: first cards put in and last ones taken out, too. */
  readonly changes: readonly PlannedSwap[];
  /** A card in the place of another: `outCardId` is the one that had been there. */
  readonly swaps: readonly PlannedSwap[];
  readonly offloads: readonly PlannedOffload[];
  readonly frees: readonly { readonly cardId: string; readonly atSeconds: number }[];
  readonly shortages: readonly PlannedShortage[];
  readonly totals: DayTotals;
  /** Cards whose reading speed nobody told: taken at the reader's. */
  readonly unknownRead: readonly string[];
  /** Bodies that were to record by now and of which nothing was pressed: taken as planned from the start. */
  readonly asPlanned: readonly string[];
  /** Cards of theirs that have something on them by the plan, though nobody pressed it. */
  readonly recordedAsPlanned: readonly string[];
  /** Cards that the plan has in those bodies now, and since when, seconds of the day. */
  readonly loadedAsPlanned: readonly LoadedCard[];
}

/** A card that the plan has in a body now, though nobody pressed it. */
export interface LoadedCard {
  readonly cardId: string;
  readonly bodyId: string;
  readonly slotId: string;
  readonly fromSeconds: number;
}

/** A block with its place in time. */
interface PlannedBlock {
  readonly blockId: string;
  readonly bodyId: string;
  readonly fromSeconds: number;
  readonly toSeconds: number;
}

/** A card recording without a change. */
interface PlannedRoll {
  readonly blockId: string;
  readonly bodyId: string;
  readonly slotId: string;
  readonly cardId: string;
  readonly fromSeconds: number;
  readonly toSeconds: number;
  readonly rolledSeconds: number;
  readonly GB: number;
  readonly verdict: Verdict;
  readonly tone: Tone;
  /** Used though the policy does not call it right, because the person said so. */
  readonly marked: boolean;
}

/** A card in a slot. */
interface PlannedSitting {
  readonly cardId: string;
  readonly bodyId: string;
  readonly slotId: string;
  readonly fromSeconds: number;
  /** Null: until the day is over. */
  readonly toSeconds: number | null;
  readonly rolledSeconds: number;
  readonly GB: number;
}

/** What is done by hand at a slot. */
export interface PlannedSwap {
  readonly atSeconds: number;
  readonly bodyId: string;
  readonly slotId: string;
  readonly outCardId: string | null;
  readonly inCardId: string | null;
}

/** A stage of emptying a card. */
interface PlannedOffload {
  readonly readerId: string | null;
  readonly cardId: string;
  readonly stage: 'copy' | 'verify';
  /** Copies that exist once it is done. */
  readonly copy: number;
  readonly destinations: readonly string[];
  readonly fromSeconds: number;
  readonly toSeconds: number;
  readonly GB: number;
  readonly MBps: number;
}

/** Why something is short, in names. */
type PlannedReason =
  | { readonly code: 'none-free'; readonly cardId: string | null; readonly nextSeconds: number | null }
  | { readonly code: 'none-holds' }
  | { readonly code: 'too-long'; readonly holdsSeconds: number; readonly cardId: string }
  | { readonly code: 'no-room' | 'no-reader'; readonly cardId: string }
  | { readonly code: 'not-planned' };

/** Something that is not recorded, or not copied. */
export interface PlannedShortage {
  readonly atSeconds: number;
  readonly toSeconds: number;
  /** Null where a copy is short. */
  readonly blockId: string | null;
  readonly bodyId: string | null;
  readonly missingMinutes: number;
  readonly missingGB: number;
  readonly reason: PlannedReason;
}

/** The day in numbers. */
interface DayTotals {
  readonly rolledMinutes: number;
  readonly GB: number;
  readonly missingMinutes: number;
  /** Recorded minutes that changes of cards take out of blocks that all roll. */
  readonly changeMinutes: number;
  readonly swaps: number;
  readonly cardsUsed: number;
  readonly mostMinutesOnOneCard: number;
  readonly mostOnCardId: string | null;
  readonly lastOffloadEndsSeconds: number | null;
  readonly destinationGB: readonly number[];
}

const GIGA = 1e9;

/** The next card that comes free for a block and may be used in it, after a moment. */
function nextFor({ problem }: DayMade, { frees }: DayRun, block: number, at: number): DayRun['frees'][number] | null {
  const fits = problem.blocks[block]?.fits ?? [];
  const usable = frees.filter(({ card, at: free }) => free >= at && fits[card]?.some((fit) => fit !== null));
  return usable.reduce<DayRun['frees'][number] | null>(
    (first, one) => (first && first.at <= one.at ? first : one),
    null,
  );
}

function reasonOf({ reason, block, at }: Shortage, made: DayMade, run: DayRun): PlannedReason {
  const { cards } = made;
  const idOf = (card: number): string => cards[card]?.id ?? '';
  switch (reason.code) {
    case 'none-free': {
      const next = block === null ? null : nextFor(made, run, block, at);
      return { code: 'none-free', nextSeconds: next?.at ?? null, cardId: next ? idOf(next.card) : null };
    }
    case 'too-long':
      return { code: 'too-long', holdsSeconds: reason.seconds, cardId: idOf(reason.card) };
    case 'none-holds':
      return { code: 'none-holds' };
    default:
      return { code: reason.code, cardId: idOf(reason.card) };
  }
}

/** Blocks with a fault record nothing: all of them is missing, and said. */
function notPlanned({ plan, times }: DayInput, { faults }: DayMade): readonly PlannedShortage[] {
  const ids = new Set(faults.flatMap((fault) => ('blockId' in fault ? [fault.blockId] : [])));
  return plan.blocks
    .filter(({ id }) => ids.has(id))
    .map((block) => {
      const at = times.ofBlock(block) ?? 0;
      return {
        atSeconds: at,
        toSeconds: at + block.minutes * 60,
        blockId: block.id,
        bodyId: block.bodyId,
        missingMinutes: block.minutes * block.rolling,
        missingGB: 0,
        reason: { code: 'not-planned' as const },
      };
    });
}

function named(input: DayInput, made: DayMade, run: DayRun): PlannedDay {
  const { problem, bodies, cards, blocks } = made;
  const cardId = (at: number): string => cards[at]?.id ?? '';
  const bodyId = (at: number): string => bodies[at]?.id ?? '';
  const slotId = (body: number, slot: number): string => bodies[body]?.slots[slot]?.id ?? '';
  const right = tonesUsed(input.policy, null);
  const changeOf = ({ at, body, slot, in: put }: Change, out: number | null): PlannedSwap => ({
    atSeconds: at,
    bodyId: bodyId(body),
    slotId: slotId(body, slot),
    outCardId: out === null ? null : cardId(out),
    inCardId: put === null ? null : cardId(put),
  });
  const rolls: PlannedRoll[] = run.rolls.map((roll) => ({
    blockId: blocks[roll.block]?.id ?? '',
    bodyId: bodyId(roll.body),
    slotId: slotId(roll.body, roll.slot),
    cardId: cardId(roll.card),
    fromSeconds: roll.from,
    toSeconds: roll.to,
    rolledSeconds: roll.rolled,
    GB: roll.bytes / GIGA,
    verdict: roll.verdict,
    tone: roll.tone,
    marked: !right.has(roll.tone),
  }));
  const shortages: PlannedShortage[] = [
    ...run.shortages.map((short) => ({
      atSeconds: short.at,
      toSeconds: short.to,
      blockId: short.block === null ? null : (blocks[short.block]?.id ?? null),
      bodyId: short.block === null ? null : bodyId(problem.blocks[short.block]?.body ?? -1),
      missingMinutes: short.seconds / 60,
      missingGB: short.bytes / GIGA,
      reason: reasonOf(short, made, run),
    })),
    ...notPlanned(input, made),
  ].sort((a, b) => a.atSeconds - b.atSeconds);
  const most = run.sittings.reduce<DayRun['sittings'][number] | null>(
    (found, one) => (found && found.rolled >= one.rolled ? found : one),
    null,
  );
  // Cards that record at once record the same minutes.
  const widths = problem.bodies.map(({ width }) => width);
  const rolled = run.rolls.reduce((sum, one) => sum + one.rolled / (widths[one.body] ?? 1), 0);
  return {
    faults: made.faults,
    nowSeconds: problem.now,
    blocks: made.whole.map(({ id, body, from, to }) => ({
      blockId: id,
      bodyId: bodyId(body),
      fromSeconds: from,
      toSeconds: to,
    })),
    rolls,
    sittings: run.sittings.map((one) => ({
      cardId: cardId(one.card),
      bodyId: bodyId(one.body),
      slotId: slotId(one.body, one.slot),
      fromSeconds: one.from,
      toSeconds: Number.isFinite(one.to) ? one.to : null,
      rolledSeconds: one.rolled,
      GB: one.bytes / GIGA,
    })),
    changes: run.changes.map((change) => changeOf(change, change.out)),
    swaps: run.changes.filter(({ after }) => after !== null).map((change) => changeOf(change, change.after)),
    offloads: run.stages.map((stage) => ({
      readerId: stage.reader === null ? null : (problem.readers[stage.reader]?.id ?? null),
      cardId: cardId(stage.card),
      stage: stage.kind,
      copy: stage.copies,
      destinations: stage.destinations.map((at) => problem.destinations[at]?.name ?? ''),
      fromSeconds: stage.from,
      toSeconds: stage.to,
      GB: stage.bytes / GIGA,
      MBps: stage.pace / 1e6,
    })),
    frees: run.frees.map(({ card, at }) => ({ cardId: cardId(card), atSeconds: at })),
    shortages,
    totals: {
      rolledMinutes: rolled / 60,
      GB: rolls.reduce((sum, { GB }) => sum + GB, 0),
      missingMinutes: shortages.reduce((sum, { missingMinutes }) => sum + missingMinutes, 0),
      changeMinutes: run.inChanges / 60,
      swaps: run.swaps,
      cardsUsed: new Set(rolls.map(({ cardId: id }) => id)).size,
      mostMinutesOnOneCard: (most?.rolled ?? 0) / 60,
      mostOnCardId: most && most.rolled > 0 ? cardId(most.card) : null,
      lastOffloadEndsSeconds: run.stages.length > 0 ? Math.max(...run.stages.map(({ to }) => to)) : null,
      destinationGB: run.onDestination.map((bytes) => bytes / GIGA),
    },
    unknownRead: cards.flatMap((card, at) =>
      card.readMBps === null && run.stages.some((stage) => stage.card === at && stage.reader !== null) ? [card.id] : [],
    ),
    asPlanned: [...made.unpressed].map(bodyId),
    recordedAsPlanned: [...made.followed].map(cardId),
    loadedAsPlanned: [...made.followed].flatMap((at): readonly LoadedCard[] => {
      const start = made.problem.cards[at]?.start;
      if (start?.kind !== 'in') return [];
      const { body, slot, at: fromSeconds } = start;
      return [{ cardId: cardId(at), bodyId: bodyId(body), slotId: slotId(body, slot), fromSeconds }];
    }),
  };
}

/** A day planned step by step. */
export function* plannedDaySteps(input: DayInput): Steps<PlannedDay> {
  const fresh = makeDay(input);
  if (!fresh.isFollowed) return named(input, fresh, yield* planSteps(fresh.problem));
  // Nobody pressed what went into some of its bodies: they are where the plan from the start has them by now.
  const { problem } = makeDay({ ...input, now: null });
  const made = makeDay(input, { problem, run: yield* planSteps(problem) });
  return named(input, made, yield* planSteps(made.problem));
}

/** A day planned at once. */
export const plannedDay = (input: DayInput): PlannedDay => finish(plannedDaySteps(input));

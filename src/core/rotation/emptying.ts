import type { Stage } from './outcome.ts';
import type { DayProblem } from './problem.ts';

/** In which order waiting cards are copied: as they came, or the quickest first. */
export type CopyOrder = 'came' | 'quickest';

/** Readers and disks at work. Stages run at a pace that is fixed when they begin; nothing runs over its pace. */
export interface Emptying {
  /** A card waits for its copies. */
  readonly arrive: (job: Arrival) => void;
  /** Ends what ends by then; tells the cards that are free again. */
  readonly endBy: (time: number) => readonly number[];
  /** Begins whatever may begin then. */
  readonly begin: (time: number) => void;
  /** Nothing more comes out: what was left for a card to come need not wait. */
  readonly noMore: () => void;
  /** When the next stage ends; Infinity where none runs. */
  readonly next: () => number;
  readonly stages: readonly Stage[];
  /** Bytes on each destination. */
  readonly filled: readonly number[];
  /** Cards that can never be copied, and why. */
  readonly stuck: () => readonly {
    readonly card: number;
    readonly bytes: number;
    readonly since: number;
    readonly why: Stuck;
  }[];
}

const NONE: readonly number[] = [];

/** Why a card waits for ever. */
type Stuck = 'no-room' | 'no-reader';

/** A card that comes out with bytes to copy. */
export interface Arrival {
  readonly card: number;
  readonly bytes: number;
  /** Verified copies that exist. */
  readonly copies: number;
  /** Of the stage it is in, seconds; null where none runs. */
  readonly left: number | null;
  readonly at: number;
}

interface Job extends Arrival {
  /** Of the decision when it is copied, and how that fell; lower ranks first. */
  readonly key: string;
  readonly step: number;
  readonly rank: number;
  readonly cycle: number;
  copies: number;
  left: number | null;
  /** Destinations that hold a copy, or will. */
  holding: number[];
  /** Copies written in this go, not verified yet. */
  unverified: readonly number[];
  running: Stage | null;
}

/** A beginning that is possible now. */
interface Start {
  readonly reader: number | null;
  readonly pace: number;
  /** Destinations with the share of their pace that it takes. */
  readonly uses: readonly (readonly [at: number, share: number])[];
}

/** Two sums of shares agree when they differ by less than a millionth: paces are decimal, sums of them are not. */
const DUST = 1e-6;

/** Most destinations tried together: beyond them the first ones are taken. */
const MOST_TRIED = 8;

/** When a card is copied: before those that wait with it, or in its turn. */
const ORDERS = [-1, 0] as const;

/** To do it, or not. */
export const EITHER = [0, 1] as const;

/** Notes a decision for whoever looks for better ones. */
export type Tell = (key: string, at: number, options: readonly number[], chosen: number, aside?: boolean) => void;

/** All ways to take so many of these, in their order. */
function choices(of: readonly number[], count: number): readonly (readonly number[])[] {
  if (count === of.length) return [of];
  if (count === 1) return of.map((one) => [one]);
  if (count === 0) return [[]];
  return of.flatMap((first, at) => choices(of.slice(at + 1), count - 1).map((rest) => [first, ...rest]));
}

/** Choices of the planner by key; what is not in it falls as the rules say. */
export type Choices = ReadonlyMap<string, number>;

/**
 * Begins with nothing to do.
 *
 * @param told - where decisions are noted for whoever looks for better ones
 * @param seated - cards that are in a body now
 * @param closed - readers that are left aside
 */
export function createEmptying(
  { cards, readers, destinations, copies }: Pick<DayProblem, 'cards' | 'readers' | 'destinations' | 'copies'>,
  order: CopyOrder,
  chosen: Choices,
  told: Tell,
  seated: ReadonlySet<number>,
  closed: readonly boolean[],
): Emptying {
  const stages: Stage[] = [];
  const waiting: Job[] = [];
  const running: Job[] = [];
  const cycles = cards.map(() => 0);
  const readerPace = readers.map(() => 0);
  const readerCards = readers.map(() => 0);
  const used = destinations.map(() => 0);
  const filled = destinations.map(() => 0);
  const byWrite = destinations
    .map((_, at) => at)
    .sort((a, b) => (destinations[b]?.write ?? 0) - (destinations[a]?.write ?? 0));
  const stuck = new Map<Job, Stuck>();
  /** Of all destinations, by how many are wanted. */
  const allSets = new Map<number, readonly (readonly number[])[]>();
  let last = false;

  const isFree = (at: number, share: number): boolean => (used[at] as number) + share <= 1 + DUST;
  const hasRoom = (at: number, bytes: number): boolean =>
    (filled[at] as number) + bytes <= (destinations[at]?.free ?? 0) + DUST;

  /** Where the copies made now would go; null where there is no room for them. */
  function targets(job: Job, count: number): readonly (readonly number[])[] | null {
    const open: number[] = [];
    for (let at = 0; at < destinations.length && open.length < MOST_TRIED; at += 1)
      if (!job.holding.includes(at) && hasRoom(at, job.bytes)) open.push(at);
    if (open.length < count) return null;
    if (open.length < destinations.length) return choices(open, count);
    const known = allSets.get(count) ?? choices(open, count);
    allSets.set(count, known);
    return known;
  }

  const fromCard = (job: Job): boolean => copies.from === 'card' || job.holding.length === 0;
  const madeAtOnce = (job: Job): number => (copies.from === 'card' ? copies.count - job.copies : 1);

  function copyStarts(job: Job, sets: readonly (readonly number[])[]): Start[] {
    const found: Start[] = [];
    if (!fromCard(job)) {
      const source = job.holding[0] as number;
      const read = destinations[source]?.read ?? 0;
      for (const [target] of sets) {
        if (target === undefined) continue;
        const write = destinations[target]?.write ?? 0;
        const pace = Math.min(read, write);
        found.push({
          reader: null,
          pace,
          uses: [
            [source, pace / read],
            [target, pace / write],
          ],
        });
      }
      return found;
    }
    for (const reader of cards[job.card]?.readers ?? []) {
      const { pace: own, slots } = readers[reader] as (typeof readers)[number];
      if (closed[reader] || (readerCards[reader] as number) >= slots) continue;
      for (const set of sets) {
        const writes = set.map((at) => destinations[at]?.write ?? 0);
        const pace = Math.min(cards[job.card]?.read ?? own, own, ...writes);
        if ((readerPace[reader] as number) + pace > own * (1 + DUST)) continue;
        found.push({ reader, pace, uses: set.map((at, n) => [at, pace / (writes[n] as number)]) });
      }
    }
    return found;
  }

  function verifyStart({ unverified }: Job): Start {
    const reads = unverified.map((at) => destinations[at]?.read ?? 0);
    const pace = Math.min(...reads);
    return { reader: null, pace, uses: unverified.map((at, n) => [at, pace / (reads[n] as number)]) };
  }

  /** Fastest pace that any of its readers would give it alone. */
  const best = (job: Job): number =>
    Math.max(
      0,
      ...(cards[job.card]?.readers ?? []).map((at) =>
        Math.min(cards[job.card]?.read ?? Infinity, readers[at]?.pace ?? 0),
      ),
    );

  /** Whether it is left for the next card that comes out. */
  /** A card in a body that a reader is kept free for. */
  const isAhead = (card: number): boolean => chosen.get(aheadKey(card)) === 1;
  const aheadKey = (card: number): string => `ahead:${cards[card]?.id}:${cycles[card]}`;
  let expected: readonly number[] = [];
  /** Whether a reader that such a card goes into would be left. */
  const leaves = (reader: number | null): boolean =>
    last ||
    reader === null ||
    expected.every((card) => {
      const own = cards[card]?.readers ?? [];
      return (
        !own.includes(reader) ||
        own.some((at) => (readerCards[at] ?? 0) + (at === reader ? 1 : 0) < (readers[at]?.slots ?? 0))
      );
    });

  function startOf(job: Job, time: number): Start | null {
    if (job.unverified.length > 0) {
      const start = verifyStart(job);
      return start.uses.every(([at, share]) => isFree(at, share)) ? start : null;
    }
    const sets = targets(job, madeAtOnce(job));
    if (sets === null) {
      stuck.set(job, 'no-room');
      return null;
    }
    if (fromCard(job) && cards[job.card]?.readers.length === 0) {
      stuck.set(job, 'no-reader');
      return null;
    }
    stuck.delete(job);
    let fastest: Start | undefined;
    for (const start of copyStarts(job, sets))
      if (
        (!fastest || start.pace > fastest.pace) &&
        leaves(start.reader) &&
        start.uses.every(([at, share]) => isFree(at, share))
      )
        fastest = start;
    if (!fastest || fastest.reader === null) return fastest ?? null;
    // A slow reader that is free may be worse than a fast one that soon is.
    if (fastest.pace < Math.min(best(job), ...fastest.uses.map(([at]) => destinations[at]?.write ?? 0)) - DUST) {
      const key = `hold:${cards[job.card]?.id}:${job.cycle}`;
      const holds = chosen.get(key) ?? 0;
      told(key, time, EITHER, holds);
      if (holds === 1) return null;
    }
    return fastest;
  }

  function take({ reader, pace, uses }: Start, sign: 1 | -1): void {
    if (reader !== null) {
      readerPace[reader] = (readerPace[reader] as number) + sign * pace;
      readerCards[reader] = (readerCards[reader] as number) + sign;
    }
    for (const [at, share] of uses) used[at] = (used[at] as number) + sign * share;
  }

  function run(job: Job, start: Start, time: number): void {
    const verifying = job.unverified.length > 0;
    const targets = verifying ? job.unverified : start.uses.map(([at]) => at).slice(fromCard(job) ? 0 : 1);
    const seconds = job.left ?? job.bytes / start.pace;
    job.left = null;
    const stage: Stage = {
      kind: verifying ? 'verify' : 'copy',
      card: job.card,
      reader: start.reader,
      destinations: start.uses.map(([at]) => at),
      copies: job.copies + targets.length,
      from: time,
      to: time + seconds,
      bytes: job.bytes,
      pace: start.pace,
      shares: start.uses.map(([, share]) => share),
    };
    take(start, 1);
    if (!verifying)
      for (const at of targets) {
        filled[at] = (filled[at] as number) + job.bytes;
        job.holding.push(at);
      }
    job.running = stage;
    stages.push(stage);
    running.push(job);
  }

  /** Ends the stage of a job; true where its card is free. */
  function end(job: Job): boolean {
    const { kind, reader, pace, destinations: at, shares, copies: made } = job.running as Stage;
    take({ reader, pace, uses: at.map((one, n) => [one, shares[n] as number]) }, -1);
    job.running = null;
    if (kind === 'copy' && copies.verify) {
      job.unverified = job.holding.slice(-(made - job.copies));
      waiting.push(job);
      return false;
    }
    job.unverified = [];
    job.copies = made;
    if (made < copies.count) {
      waiting.push(job);
      return false;
    }
    return true;
  }

  return {
    arrive(arrival) {
      const { card, bytes, copies: made, left, at } = arrival;
      const cycle = cycles[card] as number;
      cycles[card] = cycle + 1;
      const key = `copy:${cards[card]?.id}:${cycle}`;
      const step = chosen.get(key) ?? 0;
      const rank = step * 1e15 + (order === 'came' ? at : bytes);
      waiting.push({
        card,
        bytes,
        copies: made,
        left,
        at,
        key,
        step,
        rank,
        cycle,
        // Where an earlier copy lies nobody told: on the fastest disks, so that no second one is counted on the same.
        holding: byWrite.slice(0, made),
        unverified: NONE,
        running: null,
      });
    },
    endBy(time) {
      if (running.length === 0) return NONE;
      const ended = running.filter(({ running: stage }) => (stage as Stage).to <= time + DUST);
      for (const job of ended) running.splice(running.indexOf(job), 1);
      return ended.filter(end).map(({ card }) => card);
    },
    begin(time) {
      if (waiting.length === 0) return;
      // What is being verified goes first: its card is the next one free.
      if (waiting.length > 1)
        waiting.sort(
          (a, b) =>
            Number(b.unverified.length > 0) - Number(a.unverified.length > 0) || a.rank - b.rank || a.card - b.card,
        );
      expected = NONE;
      for (const card of seated) if (isAhead(card)) expected = [...expected, card];
      if (waiting.some(({ unverified, left }) => unverified.length === 0 && left === null))
        for (const card of seated) told(aheadKey(card), time, EITHER, isAhead(card) ? 1 : 0);
      for (const job of [...waiting]) {
        if (waiting.length > 1 && job.unverified.length === 0 && job.copies === 0 && job.left === null)
          told(job.key, time, ORDERS, job.step);
        const start = startOf(job, time);
        if (!start) continue;
        waiting.splice(waiting.indexOf(job), 1);
        run(job, start, time);
      }
    },
    noMore: () => {
      last = true;
    },
    next() {
      let soonest = Number.POSITIVE_INFINITY;
      for (const { running: stage } of running) if (stage && stage.to < soonest) soonest = stage.to;
      return soonest;
    },
    stages,
    filled,
    stuck: () =>
      [...stuck]
        .filter(([job]) => waiting.includes(job))
        .map(([{ card, bytes, at }, why]) => ({ card, bytes, since: at, why })),
  };
}

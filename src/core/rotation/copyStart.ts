import { entryAt } from '../entryAt.ts';
import { isFromCard, type Job } from './copyJob.ts';
import type { DayProblem } from './problem.ts';
import type { Taken, Workplace } from './workplace.ts';

/** Most destinations tried together: beyond them the first ones are taken. */
const MOST_TRIED = 8;

/** All ways to take so many of these, in their order. */
function choices(of: readonly number[], count: number): readonly (readonly number[])[] {
  if (count === of.length) return [of];
  if (count === 1) return of.map((one) => [one]);
  if (count === 0) return [[]];
  return of.flatMap((first, place) => choices(of.slice(place + 1), count - 1).map((rest) => [first, ...rest]));
}

type Places = Pick<DayProblem, 'cards' | 'readers' | 'destinations' | 'copies'>;

/** Where copies can go. */
export interface Targets {
  /** Every set of destinations that so many copies of a job could go to; null where there is no room for them. */
  readonly of: (job: Job, count: number) => readonly (readonly number[])[] | null;
}

/** Sets of destinations, remembered where all of them are open. */
export function createTargets({ destinations }: Places, workplace: Workplace): Targets {
  const known = new Map<number, readonly (readonly number[])[]>();
  return {
    of(job, count) {
      const open: number[] = [];
      for (let place = 0; place < destinations.length && open.length < MOST_TRIED; place += 1)
        if (!job.holding.includes(place) && workplace.hasRoom(place, job.bytes)) open.push(place);
      if (open.length < count) return null;
      if (open.length < destinations.length) return choices(open, count);
      const all = known.get(count) ?? choices(open, count);
      known.set(count, all);
      return all;
    },
  };
}

/** Copies that go from disk to disk. */
function fromDisk({ destinations }: Places, job: Job, sets: readonly (readonly number[])[]): readonly Taken[] {
  const source = entryAt(job.holding, 0);
  const { read } = entryAt(destinations, source);
  return sets.flatMap(([target]): Taken[] => {
    if (target === undefined) return [];
    const { write } = entryAt(destinations, target);
    const pace = Math.min(read, write);
    return [
      {
        reader: null,
        pace,
        uses: [
          [source, pace / read],
          [target, pace / write],
        ],
      },
    ];
  });
}

/** Every copy that could begin now by readers and their slots; whether the disks have the pace is for the caller. */
export function copyStarts(
  places: Places,
  {
    job,
    sets,
    workplace,
    closed,
  }: {
    readonly job: Job;
    readonly sets: readonly (readonly number[])[];
    readonly workplace: Workplace;
    readonly closed: readonly boolean[];
  },
): readonly Taken[] {
  const { cards, readers, destinations, copies } = places;
  if (!isFromCard(job, copies)) return fromDisk(places, job, sets);
  const found: Taken[] = [];
  const card = entryAt(cards, job.card);
  for (const reader of card.readers) {
    if (closed[reader] || workplace.isFull(reader, 0)) continue;
    const { pace: own } = entryAt(readers, reader);
    for (const set of sets) {
      const writes = set.map((place) => entryAt(destinations, place).write);
      const pace = Math.min(card.read ?? own, own, ...writes);
      if (!workplace.takesCard(reader, pace)) continue;
      found.push({ reader, pace, uses: set.map((place, n) => [place, pace / entryAt(writes, n)]) });
    }
  }
  return found;
}

/** Reads copies back, at the slowest of their disks. */
export function verifyStart({ destinations }: Places, on: readonly number[]): Taken {
  const reads = on.map((place) => entryAt(destinations, place).read);
  const pace = Math.min(...reads);
  return { reader: null, pace, uses: on.map((place, n) => [place, pace / entryAt(reads, n)]) };
}

/** Fastest pace that any of its readers would give a card alone; 0 where none takes it. */
export function bestPace({ cards, readers }: Places, card: number): number {
  const { readers: own, read } = entryAt(cards, card);
  return Math.max(0, ...own.map((place) => Math.min(read ?? Number.POSITIVE_INFINITY, readers[place]?.pace ?? 0)));
}

import { entryAt } from '../entryAt.ts';
import type { DayProblem } from './problem.ts';

/** What a stage takes while it runs. */
export interface Taken {
  /** Null where the card is no longer needed. */
  readonly reader: number | null;
  /** Bytes a second. */
  readonly pace: number;
  /** Destinations with the share of their pace that it takes. */
  readonly uses: readonly (readonly [place: number, share: number])[];
}

/** Two sums of shares agree where they differ by less than a millionth: paces are decimal, sums of them are not. */
const SUMS_AGREE = 1e-6;

/** Readers and disks: how much of each is in use, and what lies on the disks. Nothing runs over its pace. */
export interface Workplace {
  /** Whether a reader has a slot and the pace for one more card. */
  readonly takesCard: (reader: number, pace: number) => boolean;
  /** Whether every disk has its share of pace left. */
  readonly hasPace: ({ uses }: Taken) => boolean;
  readonly hasRoom: (destination: number, bytes: number) => boolean;
  readonly isFull: (reader: number, more: number) => boolean;
  readonly take: (taken: Taken) => void;
  readonly giveBack: (taken: Taken) => void;
  readonly fill: (destination: number, bytes: number) => void;
  /** Bytes on each destination. */
  readonly filled: readonly number[];
}

/** Begins with nothing in use. */
export function createWorkplace({ readers, destinations }: Pick<DayProblem, 'readers' | 'destinations'>): Workplace {
  const readerPace = readers.map(() => 0);
  const readerCards = readers.map(() => 0);
  const used = destinations.map(() => 0);
  const filled = destinations.map(() => 0);
  const move = ({ reader, pace, uses }: Taken, sign: 1 | -1): void => {
    if (reader !== null) {
      readerPace[reader] = entryAt(readerPace, reader) + sign * pace;
      readerCards[reader] = entryAt(readerCards, reader) + sign;
    }
    for (const [place, share] of uses) used[place] = entryAt(used, place) + sign * share;
  };
  return {
    takesCard(reader, pace) {
      const own = entryAt(readers, reader);
      return (
        entryAt(readerCards, reader) < own.slots && entryAt(readerPace, reader) + pace <= own.pace * (1 + SUMS_AGREE)
      );
    },
    hasPace: ({ uses }) => uses.every(([place, share]) => entryAt(used, place) + share <= 1 + SUMS_AGREE),
    hasRoom: (destination, bytes) =>
      entryAt(filled, destination) + bytes <= entryAt(destinations, destination).free + SUMS_AGREE,
    isFull: (reader, more) => entryAt(readerCards, reader) + more >= entryAt(readers, reader).slots,
    take: (taken) => move(taken, 1),
    giveBack: (taken) => move(taken, -1),
    fill(destination, bytes) {
      filled[destination] = entryAt(filled, destination) + bytes;
    },
    filled,
  };
}

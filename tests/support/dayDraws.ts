import type { DayBlock, DayBody, DayCard, DayProblem } from '../../src/core/rotation/problem.ts';

/** Small random days in whole units of time, so that an integer programme can say what is best. */

/** Seconds of one unit. */
export const UNIT = 600;
/** What every mode of these days writes, bytes a second. */
const RATE = 100_000_000;

/** A small day, and what of it the programme reads. */
export interface SmallDay {
  readonly problem: DayProblem;
  /** Room of each card, units. */
  readonly rooms: readonly number[];
  /** Units of copying for a unit recorded. */
  readonly slowness: number;
  readonly readers: number;
  /** Units in the day. */
  readonly units: number;
}

/** Numbers from a seed, 0 to 1: a linear congruence is enough to draw fixtures. */
function seeded(seed: number): () => number {
  let state = (seed * 2654435761 + 12345) % 4294967296;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296;
  };
}

/** A day of one or two bodies, two to five cards and one or two readers that runs short more often than not. */
export function smallDay(seed: number): SmallDay {
  const next = seeded(seed);
  const whole = (least: number, most: number): number => least + Math.floor(next() * (most - least + 1));
  for (let n = 0; n < 5; n += 1) next();
  const bodies: DayBody[] = Array.from({ length: whole(1, 2) }, (_, at) => ({
    id: `b${at}`,
    housing: 'one',
    slots: 1,
    width: 1,
  }));
  const cardCount = whole(2, 5);
  const rooms = Array.from({ length: cardCount }, () => [3, 4, 6, 9][whole(0, 3)] as number);
  const slowness = whole(1, 3);
  const readers = whole(1, 2);
  // Some cards enter one body only, as forms do.
  const enters = rooms.map(() => (bodies.length > 1 && next() < 0.35 ? whole(0, 1) : null));
  const spans: { body: number; from: number; to: number; gapFree: boolean }[] = [];
  let units = 0;
  for (const [body] of bodies.entries()) {
    let at = whole(0, 4);
    for (let n = whole(2, 3); n > 0; n -= 1) {
      const long = whole(2, 8);
      spans.push({ body, from: at, to: at + long, gapFree: next() < 0.35 });
      at += long + whole(1, 6);
    }
    units = Math.max(units, at);
  }
  spans.sort((a, b) => a.from - b.from || a.body - b.body);
  const blocks: DayBlock[] = spans.map(({ body, from, to, gapFree }, at) => ({
    id: `k${at}`,
    body,
    from: from * UNIT,
    to: to * UNIT,
    rolling: 1,
    gapFree,
    rate: RATE,
    width: 1,
    fits: rooms.map((room, card) =>
      enters[card] === null || enters[card] === body
        ? [{ seconds: room * UNIT, verdict: 'guaranteed', tone: 'cool' }]
        : [null],
    ),
  }));
  const cards: DayCard[] = rooms.map((room, at) => ({
    id: `c${at}`,
    read: null,
    readers: Array.from({ length: readers }, (_, reader) => reader),
    kind: `${room} ${enters[at] ?? ''}`,
    start: { kind: 'free', at: 0 },
  }));
  const problem: DayProblem = {
    now: 0,
    bodies,
    blocks,
    cards,
    readers: Array.from({ length: readers }, (_, at) => ({ id: `r${at}`, pace: RATE / slowness, slots: 1 })),
    destinations: [{ name: 'Disk', write: RATE * 100, read: RATE * 100, free: 1e15 }],
    copies: { count: 1, verify: false, from: 'card' },
    rules: { swap: 0, most: null, changeAt: 1 },
  };
  return { problem, rooms, slowness, readers, units };
}

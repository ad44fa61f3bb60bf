import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../tests/support/runs.ts';
import type { DayRun } from './outcome.ts';
import { planDay } from './planDay.ts';
import type { DayBlock, DayProblem, Housing } from './problem.ts';
import { runDay } from './runDay.ts';

const MINUTE = 60;
const MB = 1e6;

interface Drawn {
  readonly bodies: readonly { readonly housing: Housing; readonly blocks: readonly DrawnBlock[] }[];
  readonly cards: readonly { readonly minutes: number; readonly read: number | null; readonly only: number | null }[];
  readonly readers: readonly { readonly pace: number; readonly slots: number }[];
  readonly destinations: readonly { readonly write: number; readonly read: number; readonly free: number }[];
  readonly count: number;
  readonly verify: boolean;
  readonly first: boolean;
  readonly swap: number;
  readonly most: number | null;
  readonly changeAt: number;
}
interface DrawnBlock {
  readonly pause: number;
  readonly minutes: number;
  readonly rolling: number;
  readonly gapFree: boolean;
  readonly rate: number;
}

/** A day out of what was drawn: slots, rates, rooms, readers and disks all unlike. */
function dayOf(drawn: Drawn): DayProblem {
  const bodies = drawn.bodies.map(({ housing }, at) => ({
    id: `b${at}`,
    housing,
    slots: housing === 'one' ? 1 : 2,
    width: housing === 'set' ? 2 : 1,
  }));
  const blocks: DayBlock[] = drawn.bodies.flatMap(({ blocks: own }, body) => {
    let at = 0;
    return own.map(({ pause, minutes, rolling, gapFree, rate }, n) => {
      const from = at + pause * MINUTE;
      at = from + minutes * MINUTE;
      return {
        id: `b${body}k${n}`,
        body,
        width: bodies[body]?.width ?? 1,
        from,
        to: at,
        rolling,
        gapFree,
        rate: rate * MB,
        fits: drawn.cards.map(({ minutes: room, only }) =>
          Array.from({ length: bodies[body]?.slots ?? 1 }, () =>
            only === null || only === body
              ? { seconds: (room * MINUTE * 100) / rate, verdict: 'guaranteed' as const, tone: 'cool' as const }
              : null,
          ),
        ),
      };
    });
  });
  return {
    now: 0,
    bodies,
    blocks: blocks.sort((a, b) => a.from - b.from),
    cards: drawn.cards.map(({ read, minutes, only }, at) => ({
      id: `c${at}`,
      read: read === null ? null : read * MB,
      kind: `${minutes} ${read} ${only}`,
      readers: drawn.readers.map((_, reader) => reader),
      start: { kind: 'free', at: 0 },
    })),
    readers: drawn.readers.map(({ pace, slots }, at) => ({ id: `r${at}`, pace: pace * MB, slots })),
    destinations: drawn.destinations.map(({ write, read, free }, at) => ({
      name: `d${at}`,
      write: write * MB,
      read: read * MB,
      free: free * 1e9,
    })),
    copies: { count: drawn.count, verify: drawn.verify, from: drawn.first ? 'first-copy' : 'card' },
    rules: { swap: drawn.swap, most: drawn.most === null ? null : drawn.most * MINUTE, changeAt: drawn.changeAt },
  };
}

const block = fc.record<DrawnBlock>({
  pause: fc.integer({ min: 0, max: 60 }),
  minutes: fc.integer({ min: 5, max: 150 }),
  rolling: fc.constantFrom(1, 0.6, 0.25),
  gapFree: fc.boolean(),
  rate: fc.constantFrom(40, 100, 230),
});
const drawnDay = fc.record<Drawn>({
  bodies: fc.array(
    fc.record({
      housing: fc.constantFrom<Housing>('one', 'relay', 'set'),
      blocks: fc.array(block, { minLength: 1, maxLength: 4 }),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  cards: fc.array(
    fc.record({
      minutes: fc.integer({ min: 10, max: 120 }),
      read: fc.constantFrom(null, 60, 250),
      only: fc.constantFrom(null, null, 0, 1),
    }),
    { minLength: 1, maxLength: 6 },
  ),
  readers: fc.array(fc.record({ pace: fc.integer({ min: 50, max: 400 }), slots: fc.integer({ min: 1, max: 2 }) }), {
    maxLength: 2,
  }),
  destinations: fc.array(
    fc.record({
      write: fc.integer({ min: 60, max: 400 }),
      read: fc.integer({ min: 60, max: 400 }),
      free: fc.constantFrom(100, 900, 9000),
    }),
    { minLength: 1, maxLength: 3 },
  ),
  count: fc.integer({ min: 1, max: 2 }),
  verify: fc.boolean(),
  first: fc.boolean(),
  swap: fc.constantFrom(0, 30, 240),
  most: fc.constantFrom(null, 25, 60),
  changeAt: fc.constantFrom(1, 0.8),
});

const TACTICS = { pick: 'fit', order: 'came', keep: 'where-it-holds' } as const;

/** Every stretch in which a card is somewhere: in a body, or from coming out until it is free. */
function placesOf(run: DayRun, card: number): readonly { readonly from: number; readonly to: number }[] {
  const frees = run.frees.filter((one) => one.card === card).map(({ at }) => at);
  return run.sittings
    .filter((one) => one.card === card)
    .map(({ from, to, bytes }) => ({
      from,
      to: bytes > 0 ? (frees.find((at) => at >= to) ?? Number.POSITIVE_INFINITY) : to,
    }))
    .sort((a, b) => a.from - b.from);
}

/** The most that is taken at once of something, over the day. */
function mostAtOnce(uses: readonly { readonly from: number; readonly to: number; readonly much: number }[]): number {
  return Math.max(
    0,
    ...uses.map(({ from }) =>
      uses.filter((one) => one.from <= from + 1e-6 && one.to > from + 1e-5).reduce((sum, { much }) => sum + much, 0),
    ),
  );
}

function checkRun(problem: DayProblem, run: DayRun): void {
  for (const [card] of problem.cards.entries()) {
    const places = placesOf(run, card);
    for (const [at, place] of places.entries())
      if (at > 0)
        expect(place.from, 'in two places, or recorded before it was free').toBeGreaterThanOrEqual(
          (places[at - 1]?.to ?? 0) - 1e-5,
        );
  }
  for (const sitting of run.sittings) {
    const own = run.rolls.filter(
      (one) => one.card === sitting.card && one.from >= sitting.from - 1e-6 && one.to <= sitting.to + 1e-6,
    );
    const share = own.reduce((sum, one) => {
      const fit = problem.blocks[one.block]?.fits[one.card]?.[one.slot];
      return sum + one.rolled / (fit?.seconds ?? 0);
    }, 0);
    expect(share, 'over its room').toBeLessThanOrEqual(problem.rules.changeAt + 1e-6);
    if (problem.rules.most !== null)
      expect(
        own.reduce((sum, one) => sum + one.rolled, 0),
        'over what may be lost at once',
      ).toBeLessThanOrEqual(problem.rules.most + 1e-3);
    expect(own.reduce((sum, one) => sum + one.bytes, 0)).toBeCloseTo(sitting.bytes, -1);
  }
  for (const [reader, { pace, slots }] of problem.readers.entries()) {
    const own = run.stages.filter((one) => one.reader === reader);
    expect(mostAtOnce(own.map(({ from, to, pace: much }) => ({ from, to, much })))).toBeLessThanOrEqual(pace * 1.00001);
    expect(mostAtOnce(own.map(({ from, to }) => ({ from, to, much: 1 })))).toBeLessThanOrEqual(slots);
  }
  for (const [at, { free }] of problem.destinations.entries()) {
    const uses = run.stages.flatMap(({ destinations, shares, from, to }) => {
      const place = destinations.indexOf(at);
      return place < 0 ? [] : [{ from, to, much: shares[place] ?? 0 }];
    });
    expect(mostAtOnce(uses), 'a disk over its pace').toBeLessThanOrEqual(1.0001);
    expect(run.onDestination[at], 'a disk over its room').toBeLessThanOrEqual(free + 1);
  }
  const wanted = problem.blocks.reduce((sum, { from, to, rolling }) => sum + (to - from) * rolling, 0);
  const widths = problem.bodies.map(({ width }) => width);
  const rolled = run.rolls.reduce((sum, one) => sum + one.rolled / (widths[one.body] ?? 1), 0);
  expect(rolled + run.missing + run.inChanges, 'seconds of the day are all told').toBeCloseTo(wanted, 1);
  for (const { card, at } of run.frees) {
    const last = run.stages
      .filter((one) => one.card === card && one.to <= at + 1e-5)
      .sort((a, b) => a.to - b.to)
      .at(-1);
    expect(last?.copies, 'free before its copies').toBe(problem.copies.count);
    expect(last?.kind).toBe(problem.copies.verify ? 'verify' : 'copy');
  }
  for (const [body] of problem.bodies.entries()) {
    const gapless = problem.blocks.map((one, at) => ({ ...one, at })).filter((one) => one.gapFree && one.body === body);
    for (const one of gapless)
      if (problem.bodies[body]?.housing !== 'relay')
        expect(
          new Set(run.rolls.filter(({ block: at }) => at === one.at).map(({ from }) => from)).size,
          'a change in a gap-free block',
        ).toBeLessThanOrEqual(1);
  }
}

describe('a day as it runs', () => {
  it('puts no card in two places, fills none over its room, runs nothing over its pace and loses no second', () => {
    fc.assert(
      fc.property(drawnDay, (drawn) => {
        const problem = dayOf(drawn);
        checkRun(problem, runDay(problem, TACTICS, new Map()));
      }),
      { seed: 1401, numRuns: runs(600, 3000) },
    );
  }, 90_000);

  it('holds for the planned day as for a plain run, and is never worse than it', () => {
    fc.assert(
      fc.property(drawnDay, (drawn) => {
        const problem = dayOf(drawn);
        const planned = planDay(problem);
        checkRun(problem, planned);
        expect(planned.missing).toBeLessThanOrEqual(runDay(problem, TACTICS, new Map()).missing + 1e-3);
        expect(planDay(problem).missing, 'the same day, the same plan').toBe(planned.missing);
      }),
      { seed: 1402, numRuns: runs(12, 60) },
    );
  }, 90_000);

  it('is hardly ever worse for one more card or reader: one day in fifty at the most, and by less than a block', () => {
    // The exceptions: a search that is cut off after so many runs looks elsewhere when there is more to choose from.
    const worse: number[] = [];
    let seen = 0;
    fc.assert(
      fc.property(drawnDay, (drawn) => {
        const problem = dayOf(drawn);
        const before = planDay(problem).missing;
        if (before === 0) return;
        seen += 1;
        const [first] = drawn.cards;
        const more = planDay(dayOf({ ...drawn, cards: [...drawn.cards, first as Drawn['cards'][number]] })).missing;
        const reader = planDay(dayOf({ ...drawn, readers: [...drawn.readers, { pace: 300, slots: 1 }] })).missing;
        if (more > before + 1 || reader > before + 1) worse.push(Math.max(more, reader) - before);
      }),
      { seed: 1403, numRuns: runs(15, 60) },
    );
    expect(worse.length, JSON.stringify(worse)).toBeLessThanOrEqual(Math.ceil(seen / 50));
  }, 90_000);
});

const plain = (change: Partial<DayProblem>): DayProblem => ({
  ...dayOf({
    bodies: [{ housing: 'one', blocks: [{ pause: 0, minutes: 60, rolling: 1, gapFree: false, rate: 100 }] }],
    cards: [{ minutes: 30, read: null, only: null }],
    readers: [{ pace: 80, slots: 1 }],
    destinations: [{ write: 500, read: 500, free: 9000 }],
    count: 1,
    verify: false,
    first: false,
    swap: 0,
    most: null,
    changeAt: 1,
  }),
  ...change,
});

describe('copies', () => {
  const waiting = (bytes: number, change: Partial<DayProblem> = {}) =>
    plain({
      blocks: [],
      bodies: [],
      cards: [
        {
          id: 'c',
          read: null,
          readers: [0],
          kind: 'c',
          start: { kind: 'waiting', at: 0, bytes, copies: 0, left: null },
        },
      ],
      ...change,
    });

  it('128 GB at 80 MB/s take 26.7 minutes [domain.md §11, common practice]', () => {
    const [stage] = runDay(waiting(128e9), TACTICS, new Map()).stages;
    expect((stage?.to ?? 0) / 60).toBeCloseTo(26.7, 1);
  });

  it('go at the slowest of card, reader and every disk written at once', () => {
    const disks = [
      { name: 'Disk 1', write: 250 * MB, read: 250 * MB, free: 9e15 },
      { name: 'Disk 2', write: 40 * MB, read: 100 * MB, free: 9e15 },
    ];
    const two = { destinations: disks, copies: { count: 2, verify: true, from: 'card' } as const };
    const { stages, frees } = runDay(waiting(80e9, two), TACTICS, new Map());
    // 80 GB ÷ 40 MB/s = 2000 s; read back at 100 MB/s: 800 s.
    expect(stages.map(({ kind, from, to, reader }) => [kind, from, to, reader])).toEqual([
      ['copy', 0, 2000, 0],
      ['verify', 2000, 2800, null],
    ]);
    expect(frees).toEqual([{ card: 0, at: 2800 }]);
  });

  it('from the first copy hold the reader for that copy only', () => {
    const disks = [
      { name: 'Disk 1', write: 250 * MB, read: 200 * MB, free: 9e15 },
      { name: 'Disk 2', write: 40 * MB, read: 100 * MB, free: 9e15 },
    ];
    const two = { destinations: disks, copies: { count: 2, verify: true, from: 'first-copy' } as const };
    const { stages } = runDay(waiting(80e9, two), TACTICS, new Map());
    // 1000 s at the reader's 80, 400 s read back, 2000 s disk to disk at 40, 800 s read back.
    expect(stages.map(({ kind, from, to, reader }) => [kind, from, to, reader])).toEqual([
      ['copy', 0, 1000, 0],
      ['verify', 1000, 1400, null],
      ['copy', 1400, 3400, null],
      ['verify', 3400, 4200, null],
    ]);
  });

  it('of a card that came copied once go to another disk than the first may lie on', () => {
    const disks = [
      { name: 'Slow', write: 40 * MB, read: 40 * MB, free: 9e15 },
      { name: 'Fast', write: 250 * MB, read: 200 * MB, free: 9e15 },
    ];
    const once = waiting(80e9, {
      destinations: disks,
      copies: { count: 2, verify: false, from: 'card' },
      cards: [
        {
          id: 'c',
          read: null,
          readers: [0],
          kind: 'c',
          start: { kind: 'waiting', at: 0, bytes: 80e9, copies: 1, left: null },
        },
      ],
    });
    // Nobody told where the first copy lies: the second is counted on the slow disk, 80 GB at 40 MB/s.
    const { stages } = runDay(once, TACTICS, new Map());
    expect(stages).toMatchObject([{ destinations: [0], copies: 2, from: 0, to: 2000 }]);
  });

  it('say that a card can never be free: no reader, no room', () => {
    const none = runDay(
      waiting(1e9, {
        readers: [],
        cards: [
          {
            id: 'c',
            read: null,
            readers: [],
            kind: 'c',
            start: { kind: 'waiting', at: 0, bytes: 1e9, copies: 0, left: null },
          },
        ],
      }),
      TACTICS,
      new Map(),
    );
    expect(none.shortages).toMatchObject([{ block: null, bytes: 1e9, reason: { code: 'no-reader', card: 0 } }]);
    const small = [{ name: 'Disk', write: MB, read: MB, free: 5e8 }];
    const full = runDay(waiting(1e9, { destinations: small }), TACTICS, new Map());
    expect(full.shortages).toMatchObject([{ reason: { code: 'no-room', card: 0 } }]);
    expect(full.frees).toEqual([]);
  });
});

describe('changes', () => {
  it('fall out of what rolls only where all of it rolls', () => {
    const day = (rolling: number) => {
      const made = dayOf({
        bodies: [{ housing: 'one', blocks: [{ pause: 5, minutes: 60, rolling, gapFree: false, rate: 100 }] }],
        cards: [
          { minutes: 20, read: null, only: null },
          { minutes: 90, read: null, only: null },
        ],
        readers: [],
        destinations: [],
        count: 1,
        verify: false,
        first: false,
        swap: 60,
        most: null,
        changeAt: 1,
      });
      return runDay(made, { ...TACTICS, pick: 'longest-free' }, new Map());
    };
    expect(day(1)).toMatchObject({ missing: 0, inChanges: 60 });
    expect(day(0.5)).toMatchObject({ missing: 0, inChanges: 0 });
  });

  it('of a relay fall into no gap-free block, and one card in one slot cannot be changed in it', () => {
    const day = (housing: Housing) =>
      planDay(
        dayOf({
          bodies: [{ housing, blocks: [{ pause: 10, minutes: 50, rolling: 1, gapFree: true, rate: 100 }] }],
          cards: [
            { minutes: 30, read: null, only: null },
            { minutes: 25, read: null, only: null },
          ],
          readers: [],
          destinations: [],
          count: 1,
          verify: false,
          first: false,
          swap: 60,
          most: null,
          changeAt: 1,
        }),
      );
    expect(day('relay').missing).toBe(0);
    expect(day('one').shortages[0]).toMatchObject({
      seconds: 20 * MINUTE,
      reason: { code: 'too-long', seconds: 1800 },
    });
    expect(day('set'), 'both record at once, until the smaller is full').toMatchObject({ missing: 25 * MINUTE });
  });
});

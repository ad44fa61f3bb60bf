import { describe, expect, test } from 'vitest';
import { seeded } from '../../core/heat/writepath/random.ts';
import {
  type BenchOutcome,
  type BenchTick,
  isFootage,
  tally,
  timeLeft,
  verifiesCard,
} from '../../core/prove/bench/bench.ts';
import { PAGE, pattern } from '../../core/prove/bench/pattern.ts';
import { paceOf as cardPace, type PracticeCard, practiceCard } from '../../core/prove/bench/practice.ts';
import { analyseTrace } from '../../core/prove/trace/analyse.ts';
import type { TraceReading } from '../../core/prove/trace/trace.ts';
import { practiceTarget } from './practiceTarget.ts';
import { PIECE, runBench } from './runBench.ts';
import type { Target } from './target.ts';

const FREE = { cancelled: () => false, paused: () => null };
const clocks = () => {
  let now = 0;
  return { steady: () => now, calendar: () => now, pass: (by: number) => (now += by) };
};

/** A card of real bytes: what is written beyond what it holds begins anew, vanishes, or hits a bad page. */
function byteCard(
  labelBytes: number,
  {
    wraps,
    loses,
    bad,
    fails,
    pulled,
  }: { wraps?: number; loses?: number; bad?: number; fails?: number; pulled?: number } = {},
): Target {
  const store = new Uint8Array(wraps ?? labelBytes);
  let written = 0;
  const each = (piece: Uint8Array, offset: number, move: (at: number, from: number, to: number) => void): void => {
    for (let at = 0; at < piece.length; ) {
      const place = (offset + at) % store.length;
      const length = Math.min(piece.length - at, store.length - place);
      move(place, at, at + length);
      at += length;
    }
  };
  return {
    written: 0,
    verified: 0,
    async write(piece, offset) {
      if (pulled !== undefined && offset >= pulled) throw new Error('The device is gone');
      if (offset + piece.length > labelBytes) return null;
      each(piece, offset, (at, from, to) => store.set(piece.subarray(from, to), at));
      if (loses !== undefined && offset + piece.length > loses)
        store.fill(0, Math.max(offset, loses), offset + piece.length);
      if (bad !== undefined && offset <= bad && bad < offset + piece.length) store[bad] = (store[bad] as number) ^ 1;
      written = offset + piece.length;
      return { seconds: piece.length / 80e6, written };
    },
    settle: async () => ({ seconds: 0.1, written }),
    async read(piece, offset) {
      if (fails !== undefined && offset + piece.length > fails) throw new Error('Input/output error');
      each(piece, offset, (at, from, to) => piece.set(store.subarray(at, at + to - from), from));
      return piece.length / 200e6;
    },
    note: async () => {},
    watched: async () => {},
    close: async () => {},
  };
}

const MB = 1e6;
const bench = (target: Target, limitBytes: number | null = null, seed = 7): Promise<BenchOutcome> =>
  runBench(target, { limitBytes, seed, readsBack: true }, () => {}, { wishes: FREE, clocks: clocks() });

describe('the pattern', () => {
  test('knows the place of its bytes at any alignment, and no other bytes', () => {
    const random = seeded(3);
    for (let round = 0; round < 60; round += 1) {
      const known = pattern(Math.floor(random() * 2 ** 32));
      const offset = Math.floor(random() * 4e12);
      const data = new Uint8Array(PAGE + 200);
      known.fill(data, offset);
      // The last bytes of a page are too few to tell.
      if (offset % PAGE < PAGE - 68) expect(known.placeOf(data)).toBe(offset);
      expect(known.firstWrong(data, offset)).toBe(-1);
      const at = Math.floor(random() * data.length);
      data[at] = (data[at] as number) ^ 4;
      expect(known.firstWrong(data, offset)).toBe(at);
    }
    expect(pattern(1).placeOf(new Uint8Array(9000))).toBeNull();
    const other = new Uint8Array(9000);
    pattern(2).fill(other, 0);
    expect(pattern(1).placeOf(other)).toBeNull();
  });

  test('is the same in one piece and in many, aligned or not', () => {
    const known = pattern(99);
    const whole = new Uint8Array(40_000);
    known.fill(whole, 12_345);
    const pieces = new Uint8Array(40_000);
    for (let at = 0; at < pieces.length; at += 777)
      known.fill(pieces.subarray(at, Math.min(at + 777, pieces.length)), 12_345 + at);
    expect(pieces).toEqual(whole);
  });
});

describe('verification against every fault', () => {
  test('a sound card is verified to its last byte', async () => {
    expect(await bench(byteCard(30 * MB))).toMatchObject({
      ended: 'full',
      fault: null,
      writtenBytes: 7 * PIECE,
      verifiedBytes: 7 * PIECE,
    });
    expect(await bench(byteCard(30 * MB), 9_999_999)).toMatchObject({ ended: 'limit', verifiedBytes: 9_999_999 });
  });

  // Sizes that no page, sector or word divides among them.
  test.each([
    8 * MB,
    9_437_184,
    10_000_001,
    12_345_678,
    15_728_639,
    23_000_003,
    4_194_304 * 6 - 1,
    3_000_001,
    1_234_567,
  ])('a card that begins anew after %i bytes is named to the byte', async (real) => {
    const { fault, ended } = await bench(byteCard(32 * MB, { wraps: real }));
    expect(ended).toBe('full');
    expect(fault).toMatchObject({ code: 'wraps', realBytes: real });
  });

  test('a card that loses what is beyond, one with a bad byte, one that cannot be read', async () => {
    expect((await bench(byteCard(32 * MB, { loses: 21_000_000 }))).fault).toEqual({
      code: 'lost',
      at: 21_000_000,
      realBytes: 21_000_000,
    });
    expect((await bench(byteCard(32 * MB, { bad: 9_000_000 }))).fault).toEqual({
      code: 'changed',
      at: 9_000_000,
      pages: 1,
    });
    expect(await bench(byteCard(32 * MB, { fails: 17_000_000 }))).toMatchObject({
      verifiedBytes: 4 * PIECE,
      fault: { code: 'unreadable', at: 4 * PIECE, message: 'Input/output error' },
    });
  });

  test('a card that is pulled reports what it took until then', async () => {
    const answer = await bench(byteCard(60 * MB, { pulled: 20_000_000 }));
    expect(answer).toMatchObject({
      ended: 'lost',
      message: 'The device is gone',
      writtenBytes: 5 * PIECE,
      fault: null,
    });
    expect(answer.writeSeconds).toBeCloseTo((5 * PIECE) / 80e6, 6);
  });

  test('a volume that takes more than its card can hold is not filled', async () => {
    const answer = await runBench(
      byteCard(60 * MB),
      { limitBytes: null, mostBytes: 20 * MB, seed: 1, readsBack: true },
      () => {},
      { wishes: FREE, clocks: clocks() },
    );
    expect(answer).toMatchObject({ ended: 'beyond', writtenBytes: 5 * PIECE, verifiedBytes: 0 });
  });

  test('a wish to cancel is heard in the middle', async () => {
    const heard: number[] = [];
    const answer = await runBench(byteCard(60 * MB), { limitBytes: null, seed: 1, readsBack: true }, () => {}, {
      wishes: { cancelled: () => heard.push(1) > 3, paused: () => null },
      clocks: clocks(),
    });
    expect(answer).toMatchObject({ ended: 'cancelled', writtenBytes: 3 * PIECE, verifiedBytes: 0 });
  });

  test('sleep is told from a card that stands still', async () => {
    const time = { steady: 0, calendar: 0 };
    const card = byteCard(40 * MB);
    let pieces = 0;
    const slow: Target = {
      ...card,
      async write(piece, offset) {
        pieces += 1;
        // The second write stalls, over the third the computer sleeps for an hour.
        if (pieces === 2) for (const key of ['steady', 'calendar'] as const) time[key] += 9000;
        if (pieces === 3) time.calendar += 3_600_000;
        const answer = await card.write(piece, offset);
        return answer && pieces === 2 ? { ...answer, seconds: 9 } : answer;
      },
    };
    const { silences } = await runBench(slow, { limitBytes: 20 * MB, seed: 1, readsBack: true }, () => {}, {
      wishes: FREE,
      clocks: { steady: () => time.steady, calendar: () => time.calendar },
    });
    expect(silences).toMatchObject([
      { seconds: 9, slept: false },
      { seconds: 3600, slept: true },
    ]);
  });
});

describe('what verifies a card', () => {
  const whole: BenchOutcome = {
    ended: 'full',
    writtenBytes: 63.8e9,
    writeSeconds: 700,
    writeRates: [],
    verifiedBytes: 63.8e9,
    readBytes: 63.8e9,
    readSeconds: 300,
    fault: null,
    silences: [],
    message: null,
  };
  test('filled, read back whole, by the card itself', () => {
    expect(verifiesCard(whole, 64, true)).toBe(true);
    // The memory of the computer may have answered.
    expect(verifiesCard(whole, 64, false)).toBe(false);
    expect(verifiesCard({ ...whole, ended: 'limit' }, 64, true)).toBe(false);
    expect(verifiesCard({ ...whole, verifiedBytes: 60e9 }, 64, true)).toBe(false);
    expect(verifiesCard({ ...whole, fault: { code: 'changed', at: 5, pages: 1 } }, 64, true)).toBe(false);
    // Filled by something else: a card of 128 GB that took half of it.
    expect(verifiesCard(whole, 128, true)).toBe(false);
  });

  test('time left goes by the pace of the last seconds', () => {
    expect(timeLeft(2e9, 6e9, [500, ...Array(20).fill(100)])).toBeCloseTo(40, 6);
    expect(timeLeft(2e9, null, [100])).toBeNull();
    expect(timeLeft(0, 6e9, [])).toBeNull();
    expect(timeLeft(0, 6e9, [0, 0])).toBeNull();
  });

  test('footage is known by its name and its folder', () => {
    for (const name of ['A001_C003.MOV', 'clip.mp4', 'boat.r3d', 'IMG_2.CR3', 'boat.mxf'])
      expect(isFootage(name, false)).toBe(true);
    for (const name of ['DCIM', 'PRIVATE', 'A001.RDM']) expect(isFootage(name, true)).toBe(true);
    for (const name of ['part-0001.bin', 'notes.txt', 'DCIM']) expect(isFootage(name, false)).toBe(false);
  });
});

describe('practice cards', () => {
  /** The writing alone, by the card's own time. */
  const traced = (kind: PracticeCard): TraceReading => {
    const pace = cardPace(practiceCard(kind));
    const times = tally();
    for (let at = 0; at + PIECE < 2e9; at += PIECE) times.add(PIECE, pace(at + PIECE) - pace(at));
    const rates = times.rates();
    return analyseTrace({ seconds: Float64Array.from(rates.keys()), MBps: Float64Array.from(rates), celsius: null });
  };

  test('each shows its fault, and what its model was given comes back out of its trace', () => {
    const healthy = traced('healthy');
    expect(healthy).toMatchObject({ burstMBps: null, throttle: null, stalls: [] });
    expect(healthy.sustainedMBps).toBeCloseTo(46, 1);
    const cliff = traced('cache-cliff');
    expect(cliff.burstMBps).toBeCloseTo(92, 1);
    expect(cliff.sustainedMBps).toBeCloseTo(21, 1);
    expect(cliff.cacheGB).toBeCloseTo(0.7, 1);
    const hot = traced('throttling');
    expect(hot.throttle?.factor).toBeCloseTo(0.42, 2);
    expect(hot.throttle?.periodSeconds).toBeGreaterThan(8);
    const stalling = traced('stalling');
    expect(stalling.stalls.length).toBeGreaterThanOrEqual(6);
    expect(stalling.stallEveryGB).toBeCloseTo(0.25, 1);
    expect(stalling.stallSeconds).toBeCloseTo(2.4, 1);
  });

  test('false capacity is caught in a whole run, to the byte', async () => {
    const ticks: BenchTick[] = [];
    const answer = await runBench(
      practiceTarget(practiceCard('false-capacity'), 5, 1e9),
      { limitBytes: null, seed: 5, readsBack: true },
      (tick) => ticks.push(tick),
      { wishes: FREE, clocks: { steady: () => performance.now(), calendar: () => Date.now() } },
    );
    expect(answer.fault).toMatchObject({ code: 'wraps', realBytes: 784_334_699 });
    expect(answer.ended).toBe('full');
    expect(ticks.some(({ rates }) => rates.length > 0)).toBe(true);
  }, 60_000);
});

import { describe, expect, test } from 'vitest';
import { runs } from '../../../../tests/support/runs.ts';
import { factor, type Random, seeded } from '../../heat/writepath/random.ts';
import type { Card } from '../../kit/model.ts';
import { analyseTrace } from './analyse.ts';
import { offeredFigures, withPair } from './offered.ts';
import { saysNothingOfClasses, supportedBy } from './supports.ts';
import { thinned } from './thin.ts';
import type { Segment, WriteTrace } from './trace.ts';

interface Stretch {
  readonly seconds: number;
  readonly MBps: number;
}

/** Normal noise (Box–Muller) of this standard deviation. */
const normal = (random: Random, spread: number): number => Math.log(factor(random, spread));

/** A trace of known levels, a row every `step` seconds, with noise as a share of the level. */
function traceOf(stretches: readonly Stretch[], { step = 1, noise = 0, seed = 1 } = {}): WriteTrace {
  const random = seeded(seed);
  const seconds: number[] = [];
  const MBps: number[] = [];
  let from = 0;
  for (const { seconds: length, MBps: level } of stretches) {
    const until = from + length;
    while (seconds.length * step < until - 1e-9) {
      seconds.push(seconds.length * step);
      MBps.push(Math.max(0, level * (1 + normal(random, noise))));
    }
    from = until;
  }
  return { seconds: Float64Array.from(seconds), MBps: Float64Array.from(MBps), celsius: null };
}

const kinds = (segments: readonly Segment[]): readonly string[] => segments.map(({ kind }) => kind);

describe('known changes are found', () => {
  // Seeded cases: two to four levels at least a fifth apart, noise up to a twentieth, rows of a tenth to two seconds.
  test('within 3 % of the rate and 2 s of the place', () => {
    const missed: string[] = [];
    for (let seed = 1; seed <= runs(120, 500); seed += 1) {
      const random = seeded(seed);
      const step = [0.1, 0.5, 1, 2][Math.floor(random() * 4)] as number;
      const noise = 0.005 + 0.045 * random();
      const count = 2 + Math.floor(random() * 3);
      let MBps = 200 + 1500 * random();
      const stretches: Stretch[] = [];
      for (let at = 0; at < count; at += 1) {
        const rows = 20 + 200 * random();
        stretches.push({ seconds: Math.round(rows) * Math.max(step, 0.5), MBps });
        MBps *= random() < 0.8 ? 0.35 + 0.45 * random() : 1.25 + 0.5 * random();
      }
      const { segments } = analyseTrace(traceOf(stretches, { step, noise, seed: seed + 1000 }));
      const levels = segments.filter(({ kind }) => kind !== 'stall');
      let from = 0;
      const right =
        levels.length === stretches.length &&
        levels.every((one, at) => {
          const { seconds, MBps: level } = stretches[at] as Stretch;
          const isRight = Math.abs(one.MBps / level - 1) < 0.03 && Math.abs(one.fromSeconds - from) <= 2;
          from += seconds;
          return isRight;
        });
      if (!right) missed.push(`${seed}: ${JSON.stringify({ step, noise, stretches, levels })}`);
    }
    expect(missed.length, missed.slice(0, 3).join('\n')).toBe(0);
  });

  test('false alarms on flat noise stay under 1 %', () => {
    let alarms = 0;
    for (let seed = 1; seed <= runs(120, 500); seed += 1) {
      const random = seeded(seed);
      const trace = traceOf([{ seconds: 60 + Math.round(420 * random()), MBps: 40 + 900 * random() }], {
        step: [0.3, 1, 3][seed % 3] as number,
        noise: 0.005 + 0.1 * random(),
        seed: seed + 5000,
      });
      const { segments } = analyseTrace(trace);
      if (segments.length !== 1 || segments[0]?.kind !== 'sustained') alarms += 1;
    }
    expect(alarms).toBeLessThan(runs(2, 5));
  });
});

describe('what a stretch is called', () => {
  const reading = (stretches: readonly Stretch[], celsius?: (at: number) => number) => {
    const trace = traceOf(stretches, { noise: 0.015, seed: 11 });
    return analyseTrace(celsius ? { ...trace, celsius: trace.seconds.map(celsius) } : trace);
  };
  const notes = ({ notes: all }: { readonly notes: readonly { readonly code: string }[] }) =>
    all.map(({ code }) => code);

  test('a cache: its burst, and the size that makes a run end it there', () => {
    const found = reading([
      { seconds: 40, MBps: 800 },
      { seconds: 260, MBps: 200 },
    ]);
    expect(kinds(found.segments)).toEqual(['burst', 'sustained']);
    // 32 GB went in while 8 GB drained.
    expect(found.cacheGB).toBeCloseTo(24, 0);
    expect(found.segments[0]?.GB).toBeCloseTo(32, 0);
    expect(notes(found)).toEqual(['bench', 'one-fall']);
  });

  test('a sawtooth is throttling, with its onset, factor and period', () => {
    const found = reading([
      { seconds: 30, MBps: 400 },
      { seconds: 90, MBps: 150 },
      ...Array.from({ length: 8 }, (_, at) => ({ seconds: at % 2 === 0 ? 20 : 40, MBps: at % 2 === 0 ? 75 : 150 })),
    ]);
    expect(kinds(found.segments).slice(0, 4)).toEqual(['burst', 'sustained', 'throttled', 'sustained']);
    expect(found.throttle).toMatchObject({ onsetSeconds: 120, factor: expect.closeTo(0.5, 2), periodSeconds: 60 });
    expect(found.sustainedMBps).toBeCloseTo(150, -1);
    expect(found.floorMBps).toBeLessThan(80);
  });

  test('temperatures tell heat from a cache', () => {
    const fall = [
      { seconds: 200, MBps: 150 },
      { seconds: 200, MBps: 75 },
    ];
    const hot = reading(fall, (at) => (at < 200 ? 40 + at / 8 : 65 - (at - 200) / 20));
    expect(kinds(hot.segments)).toEqual(['sustained', 'throttled']);
    expect(hot.throttle?.onC).toBeCloseTo(65, 0);
    expect(hot.burstMBps).toBeNull();
    // The same fall while it goes on warming is a cache that was full.
    expect(kinds(reading(fall, (at) => 40 + at / 20).segments)).toEqual(['burst', 'sustained']);
  });

  test('a slow fall is a decline, and one that never came back is told', () => {
    const slow = reading([
      { seconds: 60, MBps: 300 },
      ...Array.from({ length: 60 }, (_, at) => ({ seconds: 4, MBps: 300 - 3 * at })),
      { seconds: 100, MBps: 120 },
    ]);
    expect(kinds(slow.segments)).toContain('decline');
    expect(slow.sustainedMBps).toBeCloseTo(120, -1);
    const once = reading([
      { seconds: 60, MBps: 500 },
      { seconds: 120, MBps: 200 },
      { seconds: 120, MBps: 90 },
    ]);
    expect(kinds(once.segments)).toEqual(['burst', 'sustained', 'sustained']);
    expect(once.sustainedMBps).toBeCloseTo(90, -1);
    expect(once.throttle).toBeNull();
    expect(notes(once)).toContain('no-return');
  });

  test('a card that sinks holds no more than it sank to, however it sinks', () => {
    const over: string[] = [];
    for (const start of [200, 300, 600])
      for (const end of [0.3, 0.5, 0.8])
        for (const fall of [40, 120, 300, 600])
          for (const noise of [0.005, 0.03, 0.08])
            for (const tail of [0, 150]) {
              const bottom = start * end;
              const steps = Math.ceil(fall / 4);
              const trace = traceOf(
                [
                  { seconds: 60, MBps: start },
                  ...Array.from({ length: steps }, (_, at) => ({
                    seconds: 4,
                    MBps: start + ((bottom - start) * (at + 1)) / steps,
                  })),
                  ...(tail > 0 ? [{ seconds: tail, MBps: bottom }] : []),
                ],
                { noise, seed: start + fall + tail },
              );
              const { sustainedMBps } = analyseTrace(trace);
              // Of a run that ends while it falls, what it wrote in its last ten seconds.
              const truth = tail > 0 ? bottom : bottom + (5 * (start - bottom)) / fall;
              if (sustainedMBps > truth * 1.03)
                over.push(JSON.stringify({ start, bottom, fall, noise, tail, sustainedMBps }));
            }
    expect(over).toEqual([]);
  });

  test('stalls are counted with their true length and part no level', () => {
    const found = reading(
      Array.from({ length: 17 }, (_, at) => (at % 2 === 0 ? { seconds: 40, MBps: 88 } : { seconds: 3, MBps: 0 })),
    );
    expect(kinds(found.segments).filter((kind) => kind !== 'stall')).toEqual(['sustained']);
    expect(found.stalls).toHaveLength(8);
    expect(found.stallSeconds).toBeCloseTo(3, 1);
    expect(found.stallEveryGB).toBeCloseTo(3.52, 1);
    // Seven seconds of ten at the most.
    expect(found.floorMBps).toBeCloseTo(0.7 * 88, -1);
  });

  test('what stood still for long is a stall, not a rate', () => {
    const found = reading([
      { seconds: 100, MBps: 90 },
      { seconds: 60, MBps: 0 },
      { seconds: 100, MBps: 90 },
    ]);
    expect(found.stalls).toEqual([{ atSeconds: 100, seconds: expect.closeTo(60, 0) }]);
    expect(found.sustainedMBps).toBeCloseTo(90, -1);
    expect(found.floorMBps).toBe(0);
  });

  test('a gap parts two runs and counts nothing', () => {
    const one = traceOf([
      { seconds: 30, MBps: 500 },
      { seconds: 70, MBps: 100 },
    ]);
    const found = analyseTrace({
      seconds: Float64Array.from([...one.seconds, ...one.seconds.map((at) => at + 700)]),
      MBps: Float64Array.from([...one.MBps, ...one.MBps]),
      celsius: null,
    });
    expect(kinds(found.segments)).toEqual(['burst', 'sustained', 'burst', 'sustained']);
    expect(found.GB).toBeCloseTo(44, 6);
    expect(notes(found)).toContain('gaps');
    expect(found.throttle).toBeNull();
  });

  test('the first and last row may be parts of a second', () => {
    const trace = traceOf([{ seconds: 60, MBps: 90 }]);
    trace.MBps[0] = 11;
    trace.MBps[59] = 4;
    expect(analyseTrace(trace)).toMatchObject({
      floorMBps: 90,
      sustainedMBps: 90,
      stalls: [],
      segments: [{ kind: 'sustained' }],
    });
  });
});

test('temperatures are offered both or not at all, and so are stalls', () => {
  const none = { burstMBps: null, cacheGB: null, sustainedMBps: 90, floorMBps: 80, stalls: 0, stallEveryGB: null };
  const trace = {
    ...none,
    stallSeconds: 2,
    throttleFactor: 0.5,
    throttleOnsetSeconds: 9,
    throttleOnC: 60,
    throttleOffC: null,
  };
  // A fall that never came back: 60 °C beside an assumed 68 to resume at would be no card.
  expect(offeredFigures(trace).map(({ figure }) => figure)).toEqual(['sustainedMBps', 'throttleFactor']);
  expect(offeredFigures({ ...trace, stallEveryGB: 1, throttleOffC: 52 }).map(({ figure }) => figure)).toEqual([
    'sustainedMBps',
    'stallEveryGB',
    'stallSeconds',
    'throttleFactor',
    'throttleAtC',
    'resumeAtC',
  ]);
  expect(withPair('resumeAtC')).toEqual(['throttleAtC', 'resumeAtC']);
  expect(withPair('burstMBps')).toEqual(['burstMBps']);
});

describe('a class is reached by the floor alone, and by none that stopped', () => {
  const trace = (floorMBps: number, seconds: number, stops = 0) => ({
    floorMBps,
    seconds,
    stalls: Array.from({ length: stops }, () => ({ atSeconds: 20, seconds: 2 })),
  });

  test.each([
    [90, 300, 'V90'],
    [89.9, 300, 'V60'],
    [29, 300, 'V10'],
    [5, 300, null],
    [500, 9, null],
  ] as const)('%f MB/s over %i s: %s', (floor, seconds, mark) => {
    expect(supportedBy(trace(floor, seconds))).toBe(mark);
    expect(supportedBy(trace(floor, seconds, 1))).toBeNull();
  });

  test('one that is too short says nothing, not even that none is reached', () => {
    expect(saysNothingOfClasses({ seconds: 9 })).toBe(true);
    expect(saysNothingOfClasses({ seconds: 10 })).toBe(false);
  });

  test('marks of its form that count on its bus, where the card is known', () => {
    const card = (form: Card['form'], marks: readonly string[]): Card =>
      ({ form, marks, bus: null }) as unknown as Card;
    // 800 is of the 4.0 link: of a card that does not tell its link, the mark below it is what was reached.
    expect(supportedBy(trace(900, 60), card('cfexpress-b', []))).toBe('VPG400');
    expect(supportedBy(trace(900, 60), card('cfexpress-b', ['4.0']))).toBe('VPG800');
    expect(supportedBy(trace(100, 60), card('sd', ['V90', 'II']))).toBe('V90');
    // A card of UHS-I cannot carry the marks of UHS-II.
    expect(supportedBy(trace(100, 60), card('sd', ['V30', 'I']))).toBe('V30');
  });
});

test('thinning for a drawing keeps every extreme', () => {
  const trace = traceOf([{ seconds: 20_000, MBps: 100 }], { noise: 0.02 });
  trace.MBps[7777] = 3;
  trace.MBps[12_345] = 900;
  const drawn = thinned(trace.seconds, trace.MBps, 300);
  expect(drawn.length).toBeLessThanOrEqual(1200);
  expect(drawn).toContainEqual([7777, 3]);
  expect(drawn).toContainEqual([12_345, 900]);
  expect(drawn.every(([at], place) => place === 0 || at >= (drawn[place - 1]?.[0] ?? 0))).toBe(true);
});

describe('a trace with stops', () => {
  test('is told to have stood still, and not that it never fell', () => {
    const notes = (trace: WriteTrace) => analyseTrace(trace).notes.map(({ code }) => code);
    const steady = traceOf([{ seconds: 300, MBps: 200 }], { noise: 0.01 });
    expect(notes(steady)).toContain('no-fall');
    const stopped = traceOf(
      [
        { seconds: 100, MBps: 200 },
        { seconds: 4, MBps: 0 },
        { seconds: 200, MBps: 200 },
      ],
      { noise: 0.01 },
    );
    expect(notes(stopped)).not.toContain('no-fall');
    const note = analyseTrace(stopped).notes.find(({ code }) => code === 'stood-still');
    expect(note).toMatchObject({ count: 1 });
    expect(note?.code === 'stood-still' && note.longestSeconds).toBeCloseTo(4, 0);
  });

  test('whose rows stand far apart is told that stalls cannot be seen', () => {
    const coarse = traceOf([{ seconds: 600, MBps: 200 }], { step: 5, noise: 0.01 });
    expect(analyseTrace(coarse).notes).toContainEqual({ code: 'coarse', stepSeconds: 5 });
    const fine = traceOf([{ seconds: 600, MBps: 200 }], { step: 2, noise: 0.01 });
    expect(analyseTrace(fine).notes.map(({ code }) => code)).not.toContain('coarse');
  });
});

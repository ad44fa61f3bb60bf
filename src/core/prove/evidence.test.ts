import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factor, seeded } from '../heat/writepath/random.ts';
import { RAW_RATIOS } from '../standards/assumptions.ts';
import { bracket, type Drop, heldLonger, inCommon, type PaceTake } from './bracket.ts';
import { type OddTake, reconcile } from './reconcile.ts';

const take = (change: Partial<OddTake>): OddTake => ({
  capacityGB: 1000,
  usableFraction: 0.99,
  nominalMBps: 500,
  ratedMBps: null,
  outcome: 'filled',
  seconds: 1980,
  ...change,
});
const first = (change: Partial<OddTake>) => reconcile(take(change)).explanations[0];

/** A drop whose bytes were read off its clip; asked for as fast as it wrote where nothing else is said. */
const drop = (GB: number, seconds: number, demandMBps = (GB * 1000) / seconds, isMeasured = true): Drop => ({
  GB,
  seconds,
  demandMBps,
  isMeasured,
});

describe('a result that looks impossible', () => {
  it('implies a rate from a full card, or from the bytes of a clip', () => {
    expect(reconcile(take({}))).toMatchObject({ implied: { MBps: 500 }, ratioToNominal: 1, silent: null });
    expect(first({})).toMatchObject({ code: 'agrees' });
    expect(reconcile(take({ outcome: 'dropped', fileGB: 60, seconds: 120 })).implied?.MBps).toBe(500);
  });

  it('tells no rate of a drop, or of a take that was stopped, without its bytes', () => {
    for (const outcome of ['dropped', 'stopped'] as const)
      expect(reconcile(take({ outcome }))).toMatchObject({ implied: null, explanations: [], silent: 'no-bytes' });
  });

  it('agrees with nothing where a second or less says twice the rate', () => {
    for (const [seconds, fileGB] of [
      [1, 1],
      [0.001, 0.001],
      [2, 1.6],
    ] as const)
      expect(first({ outcome: 'stopped', seconds, fileGB, setRatio: null, varies: false })?.code).not.toBe('agrees');
    // 12.0 GB in ten minutes of 160 Mb/s: the rate itself, whatever is assumed beside it.
    const calm = {
      outcome: 'stopped',
      nominalMBps: 22.65,
      leastMBps: 20,
      seconds: 600,
      fileGB: 12,
      setRatio: null,
    } as const;
    expect(reconcile(take(calm))).toMatchObject({ ratioToNominal: 1, explanations: [{ code: 'agrees' }] });
    expect(reconcile(take({ ...calm, leastMBps: null })).ratioToNominal).toBeCloseTo(0.883, 3);
    expect(reconcile(take({ ...calm, fileGB: 13 })).ratioToNominal).toBe(1);
    expect(reconcile(take({ ...calm, fileGB: 18 })).ratioToNominal).toBeCloseTo(30 / 22.65, 6);
  });

  it('a rate that was noted to follow the picture is explained by that', () => {
    const calm = { seconds: 1980 / 0.931, outcome: 'filled', setRatio: null } as const;
    expect(first({ ...calm, varies: true })?.code).toBe('variable-rate');
    expect(first({ ...calm, varies: false })?.code).toBe('gib');
  });

  it('names the compression that was really set', () => {
    // 1000 GB × 0.99 in 55 min is 300 MB/s; believed 500 at 3:1, so 5:1.
    expect(first({ setRatio: 3, seconds: 3300 })).toMatchObject({ code: 'compression-ratio', from: 3, to: 5 });
    expect(first({ setRatio: 3, seconds: 1980 })).toMatchObject({ code: 'agrees' });
  });

  it('names the nearest compression where nobody says what was set, and none where there is none', () => {
    // 0.605 of the rate: as from 3:1 to 5:1.
    const { explanations } = reconcile(take({ seconds: 1980 / 0.605 }));
    expect(explanations[0]).toMatchObject({ code: 'compression-ratio', from: 3, to: 5 });
    expect(explanations.map(({ code }) => code)).toContain('variable-rate');
    const none = reconcile(take({ seconds: 1980 / 0.605, setRatio: null }));
    expect(none.explanations[0]?.code).toBe('variable-rate');
    expect(none.explanations.map(({ code }) => code)).not.toContain('compression-ratio');
  });

  it.each([
    [{ seconds: 1980 * 2 + 1, cards: 1, setRatio: 5 }, 'split'],
    [{ seconds: 1980 * 8 + 1 }, 'bits-or-bytes'],
    [{ seconds: 33 }, 'clock'],
    [{ seconds: 900.5 }, 'not-empty'],
    [{ seconds: 2700.5 }, 'variable-rate'],
    [{ seconds: 1850.5 }, 'gib'],
    [{ seconds: 1900.5 }, 'beside-the-picture'],
  ] as const)('%j is %s', (change, code) => {
    expect(first(change)?.code).toBe(code);
  });

  it('tells the usual causes that it is not, each with the ratio it would be', () => {
    const { ruledOut } = reconcile(take({ setRatio: 3, seconds: 3300 }));
    expect(ruledOut.map(({ code, wouldBe }) => [code, Number(wouldBe.toFixed(2))])).toEqual([
      ['split', 0.5],
      ['crop', 0.44],
      ['gib', 0.93],
      ['beside-the-picture', 1.15],
      ['counter-rounding', 0.99],
    ]);
    expect(reconcile(take({ setRatio: 3 })).ruledOut).toEqual([]);
    expect(reconcile(take({ outcome: 'dropped' })).ruledOut).toEqual([]);
    expect(reconcile(take({ seconds: 0.5 })).ruledOut.every(({ wouldBe }) => wouldBe > 0)).toBe(true);
  });

  it('a rate that follows the picture explains less than the rate, one that is held never does', () => {
    const odd = { setRatio: 5, seconds: 2700.5 };
    expect(first({ ...odd, varies: true })?.code).toBe('variable-rate');
    expect(first({ seconds: 2700.5, varies: false })?.code).not.toBe('variable-rate');
  });

  it('a smaller window of the sensor', () => {
    expect(first({ seconds: 1980 * 2.25 + 0.5, varies: false, setRatio: null })).toMatchObject({ code: 'crop' });
  });

  it('a shortfall of hundreds of gigabytes fits no buffer', () => {
    const hour = take({ outcome: 'dropped', ratedMBps: 390, seconds: 3600 });
    expect(reconcile(hour).buffer).toEqual({ shortfallGB: 396, possible: false });
    expect(reconcile(take({ outcome: 'dropped', ratedMBps: 490, seconds: 300 })).buffer).toMatchObject({
      possible: true,
    });
    expect(reconcile(take({ ratedMBps: 700 })).buffer).toBeNull();
  });

  it('names the right ratio of 10,000 synthetic takes in 99 %, and else says that it does not know', () => {
    let right = 0;
    let wrong = 0;
    const runs = 10_000;
    const ratio = fc.constantFrom(...RAW_RATIOS);
    fc.assert(
      fc.property(
        ratio,
        ratio,
        fc.constantFrom(480, 512, 960, 1000, 2000, 4000),
        fc.integer({ min: 100, max: 2000 }),
        fc.double({ min: 0.967, max: 1.007, noNaN: true }),
        (set, real, capacityGB, uncompressed, usable) => {
          const nominalMBps = (uncompressed * 3) / set;
          const seconds = (capacityGB * 1000 * usable) / ((uncompressed * 3) / real);
          // As a counter shows it: whole minutes.
          const shown = Math.round(seconds / 60) * 60;
          if (shown < 300) {
            right += 1;
            return;
          }
          const [told] = reconcile(
            take({ capacityGB, usableFraction: null, nominalMBps, setRatio: set, seconds: shown }),
          ).explanations;
          const named =
            told?.code === 'compression-ratio'
              ? told.to
              : told?.code === 'agrees' || told?.code === 'counter-rounding'
                ? set
                : null;
          if (named === real) right += 1;
          else if (named !== null) wrong += 1;
        },
      ),
      { seed: 12, numRuns: runs },
    );
    expect(right / runs).toBeGreaterThan(0.99);
    expect(wrong / runs).toBeLessThan(0.001);
  });
});

describe('the true pace of a card', () => {
  const pass = (MBps: number): PaceTake => ({ outcome: 'filled', MBps, seconds: 600 });
  const drop = (MBps: number): PaceTake => ({ outcome: 'dropped', MBps, seconds: 60 });

  it('lies between its fastest pass and its slowest drop', () => {
    expect(bracket([pass(60), drop(120), pass(75), drop(100)])).toEqual({
      atLeastMBps: 75,
      belowMBps: 100,
      contradicts: false,
    });
    expect(bracket([pass(110), drop(100)]).contradicts).toBe(true);
    expect(
      bracket([
        { outcome: 'stopped', MBps: 90, seconds: 60 },
        { ...pass(1), MBps: null },
      ]),
    ).toEqual({
      atLeastMBps: null,
      belowMBps: null,
      contradicts: false,
    });
  });

  it('another pass never lowers it, another drop never raises it, and the order does not matter', () => {
    const any = fc.record({
      outcome: fc.constantFrom('filled', 'dropped', 'stopped'),
      MBps: fc.option(fc.integer({ min: 1, max: 3000 })),
      seconds: fc.integer({ min: 1, max: 9000 }),
    }) as fc.Arbitrary<PaceTake>;
    fc.assert(
      fc.property(fc.array(any, { maxLength: 12 }), fc.integer({ min: 1, max: 3000 }), (takes, MBps) => {
        const now = bracket(takes);
        expect(bracket([...takes].reverse())).toEqual(now);
        expect(bracket([...takes, pass(MBps)]).atLeastMBps ?? 0).toBeGreaterThanOrEqual(now.atLeastMBps ?? 0);
        expect(bracket([...takes, drop(MBps)]).belowMBps ?? 0).toBeLessThanOrEqual(now.belowMBps ?? Infinity);
      }),
      { seed: 13, numRuns: 500 },
    );
  });
});

describe('takes that only held so long', () => {
  // Remission of 21 patients on 6-mercaptopurine, weeks, + censored: the textbook case of this estimate (Freireich and
  // others 1963; figures and estimate from memory).
  const weeks = '6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+'.split(' ').map((text) => ({
    seconds: Number.parseInt(text, 10),
    outcome: text.endsWith('+') ? ('stopped' as const) : ('dropped' as const),
  }));

  it('give the published estimate', () => {
    expect(heldLonger(weeks).map(({ seconds, share }) => [seconds, Number(share.toFixed(3))])).toEqual([
      [6, 0.857],
      [7, 0.807],
      [10, 0.753],
      [13, 0.69],
      [16, 0.627],
      [22, 0.538],
      [23, 0.448],
    ]);
  });

  it('a small card that was full at 12 minutes did not beat a large one that dropped at 19', () => {
    const small = heldLonger([{ outcome: 'filled', seconds: 720 }]);
    expect(small, 'nothing is known past its end').toEqual([]);
    expect(heldLonger([{ outcome: 'dropped', seconds: 1140 }])).toEqual([{ seconds: 1140, share: 0 }]);
  });
});

describe('what drops have in common', () => {
  it.each([
    [
      'cache',
      [
        [200, 250],
        [200, 400],
        [202, 300],
      ],
    ],
    [
      'heat',
      [
        [300, 900],
        [450, 905],
        [600, 890],
      ],
    ],
    [
      'link',
      [
        [100, 200],
        [300, 600],
        [50, 100],
      ],
    ],
  ] as const)('%s', (cause, drops) => {
    expect(inCommon(drops.map(([GB, seconds], at) => drop(GB, seconds, 700 + 300 * at))).cause).toBe(cause);
  });

  it('one drop, or several of one rate and length, say nothing', () => {
    expect(inCommon([drop(200, 250)]).cause).toBeNull();
    expect(inCommon([drop(200, 250), drop(201, 251)]).cause).toBeNull();
    expect(inCommon([drop(0, 0), drop(5, 9)]).cause).toBeNull();
  });

  it('two takes of one mode agree in their rate by construction: no link is named', () => {
    // The same mode, 1515 and 916 GB by its rate.
    expect(inCommon([drop(1515, 3030, 500, false), drop(916, 1832, 500, false)])).toEqual({ cause: null, strength: 1 });
    expect(inCommon([drop(1515, 3030, 500), drop(916, 1832, 500)]).cause).toBeNull();
    // Two modes that wrote the same, though they asked for more: the link.
    expect(inCommon([drop(100, 200, 800), drop(300, 600, 650)]).cause).toBe('link');
    expect(inCommon([drop(100, 200, 800, false), drop(300, 600, 650)]).cause, 'not measured').toBeNull();
    // 1515 and 916 GB are no bytes in common.
    expect(inCommon([drop(1515, 2000, 757), drop(916, 2600, 352)]).cause).toBeNull();
  });

  it('of drawn logs with a known cause is right, or silent', () => {
    const random = seeded(7);
    const spread = (of: number, by: number): number => of * factor(random, by);
    const told = { right: 0, wrong: 0, silent: 0 };
    for (let log = 0; log < 900; log += 1) {
      const cause = (['cache', 'heat', 'link'] as const)[log % 3] ?? 'cache';
      const [bytes, time, pace] = [spread(200, 0.8), spread(600, 0.8), spread(300, 0.4)];
      const drops = Array.from({ length: 3 + (log % 3) }, (): Drop => {
        const rate = pace * (1.2 + 2 * random());
        if (cause === 'cache') {
          const GB = spread(bytes, 0.03);
          return drop(GB, (GB * 1000) / rate, rate);
        }
        const seconds = cause === 'heat' ? spread(time, 0.06) : spread(time, 0.7);
        return drop((seconds * (cause === 'heat' ? rate : spread(pace, 0.02))) / 1000, seconds, rate);
      });
      const found = inCommon(drops).cause;
      told[found === null ? 'silent' : found === cause ? 'right' : 'wrong'] += 1;
    }
    expect(told.right / (told.right + told.wrong)).toBeGreaterThan(0.97);
    expect(told.right).toBeGreaterThan(900 * 0.8);
    // Drops that have nothing in common are given a cause by chance in few logs.
    let named = 0;
    for (let log = 0; log < 600; log += 1) {
      const drops = Array.from({ length: 3 }, () => drop(spread(200, 0.6), spread(600, 0.6), 100 + 900 * random()));
      if (inCommon(drops).cause !== null) named += 1;
    }
    expect(named / 600).toBeLessThan(0.1);
  });
});

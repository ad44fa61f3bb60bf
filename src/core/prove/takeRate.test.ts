import { describe, expect, it } from 'vitest';
import type { Body, Mode, Test } from '../kit/model.ts';
import { readTest } from '../match/testReading.ts';
import { aBody, aCard, aMode, aTest } from '../testing.ts';
import { placed } from './puzzles.ts';
import { holdsBy, namedRatio, ofOneRatio, takeRate } from './takeRate.ts';

const raw = (id: string, change: Partial<Mode> = {}) =>
  aMode({
    id,
    name: `8K 3:1 ${id}`,
    codec: 'raw',
    width: 8192,
    height: 4320,
    fps: 50,
    rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
    overhead: null,
    ...change,
  });
const long = aMode({ id: 'long', fps: 25, rate: { kind: 'stated', Mbps: 170, is: 'maximum' }, overhead: null });
const card = aCard({ capacityGB: 256, usableGB: 250 });
const one = (test: Partial<Test>, body: Partial<Body> = {}) => {
  const of = aBody({ modes: [long, raw('a')], ...body });
  const [found] = placed({ bodies: [of], cards: [card], tests: [aTest(test)] });
  if (!found) throw new Error('not placed');
  return found;
};

describe('the rate of a take', () => {
  it('is its bytes over its seconds, held where the compression is fixed', () => {
    // 8192 × 4320 × 12 bit ÷ 5 × 50 = 530.8 MB/s: 250 GB in 471 s.
    const told = takeRate(one({ modeId: 'a', seconds: 471 }));
    expect(told?.MBps).toBeCloseTo(530.8, 1);
    expect(told?.rate).toMatchObject({ is: 'constant', source: 'measured', Mbps: 4246.29 });
    expect(told && told.low < told.MBps && told.high > told.MBps).toBe(true);
  });

  it('is an average where the rate may follow the picture, and all cards together of a split', () => {
    expect(takeRate(one({ modeId: 'long', end: 'stopped', seconds: 600, clipGB: 9 }))?.rate).toMatchObject({
      is: 'average',
      Mbps: 120,
    });
    const constant = { modeId: 'long', end: 'stopped', seconds: 600, clipGB: 12.75, rateIs: 'constant' } as const;
    expect(takeRate(one(constant))?.rate.is).toBe('constant');
    const slots = ['s', 's2'].map((id) => ({ ...aBody().slots[0], id })) as unknown as Body['slots'];
    expect(takeRate(one({ ...constant, clipGB: 6.375 }, { arrangement: 'split', slots }))?.rate.Mbps).toBe(170);
  });

  it.each([
    ['dropped: it wrote what its card took', { end: 'dropped', clipGB: 9 }],
    ['stopped without bytes', { end: 'stopped' }],
    ['a slip of units', { end: 'stopped', clipGB: 1.59 }],
    ['minutes for seconds', { end: 'stopped', clipGB: 765 }],
    ['of the rate in use', { end: 'stopped', clipGB: 13.2 }],
    ['of a mode that is gone', { end: 'stopped', clipGB: 9, modeId: 'gone' }],
  ] as const)('is none where it was %s', (_, change) => {
    expect(takeRate(one({ modeId: 'long', seconds: 600, ...change }))).toBeNull();
  });
});

describe('what stated rates hold', () => {
  it('is told by one clip: the rate to the byte, or with what stands beside it', () => {
    // 170 Mb/s × 600 s = 12.75 GB; with 2 Mb/s and 20 kB a frame at 25p 176 Mb/s, 13.2 GB.
    expect(holdsBy(one({ modeId: 'long', end: 'stopped', seconds: 600, clipGB: 12.75 }))).toBe('everything');
    expect(holdsBy(one({ modeId: 'long', end: 'stopped', seconds: 600, clipGB: 13.2 }))).toBe('picture');
    for (const clipGB of [12.95, 9, 14, null])
      expect(holdsBy(one({ modeId: 'long', end: 'stopped', seconds: 600, clipGB })), String(clipGB)).toBeNull();
  });

  it('is not asked of what is told, dropped, or computed; nor told by a size that is assumed', () => {
    const clip = { modeId: 'long', end: 'stopped', seconds: 600, clipGB: 12.75 } as const;
    expect(holdsBy(one(clip, { statedHolds: 'picture' }))).toBeNull();
    expect(holdsBy(one({ ...clip, end: 'dropped' }))).toBeNull();
    expect(holdsBy(one({ ...clip, modeId: 'a' }))).toBeNull();
    // 256 GB of which nobody looked how much is usable, and 1.5 % between the two.
    const [guessed] = placed({
      bodies: [aBody({ modes: [{ ...long, rate: { kind: 'stated', Mbps: 400, is: 'maximum' } }] })],
      cards: [aCard({ capacityGB: 256, usableGB: null })],
      tests: [aTest({ modeId: 'long', seconds: 5053 })],
    });
    expect(guessed && holdsBy(guessed)).toBeNull();
  });

  it('not told, a card filled at the rate itself was filled in the mode', () => {
    const seconds = Math.round(250e9 / 21.25e6);
    const filled = one({ modeId: 'long', seconds });
    expect(readTest(filled.test, filled.body, filled.card)).toMatchObject({ provesMode: true, misfit: null });
    const told = { ...filled.body, statedHolds: 'picture' } as const;
    expect(readTest(filled.test, told, filled.card).provesMode).toBe(false);
  });
});

describe('a compression found wrong', () => {
  const modes = [
    raw('a'),
    raw('b', { fps: 25 }),
    raw('c', { width: 4096 }),
    raw('d', { rate: { kind: 'raw', bitsPerPixel: 12, ratio: 8 } }),
    long,
  ];

  it('is wrong for all modes of its picture', () => {
    expect(ofOneRatio({ modes }, raw('a')).map(({ id }) => id)).toEqual(['a', 'b']);
    expect(ofOneRatio({ modes }, long).map(({ id }) => id)).toEqual(['long']);
  });

  it.each([
    ['8K 3:1', '8K 5:1'],
    ['8K 3 : 1 HQ', '8K 5:1 HQ'],
    ['8K 13:1', null],
    ['8K 3:10', null],
    ['8K 2.3:1', null],
    ['8K', null],
  ])('changes names that carry it, and no others: %s', (name, changed) => {
    expect(namedRatio(name, 3, 5)).toBe(changed);
  });
});

import { describe, expect, it } from 'vitest';
import type { Mode } from '../../kit/model.ts';
import { aMode } from '../../testing.ts';
import type { BytesPerSecond, Seconds } from '../../units/brand.ts';
import { doubts, middleWithout } from './plausibility.ts';
import { playbackLength } from './playback.ts';
import { streamRate } from './streamRate.ts';

function rateOf(change: Partial<Mode>) {
  const rate = streamRate(aMode(change), null);
  if (!rate.ok) throw new Error(JSON.stringify(rate.error));
  return rate.value;
}

const stated = (Mbps: number, is: 'maximum' | 'average' | 'constant' = 'maximum') =>
  ({ kind: 'stated', Mbps, is }) as const;

describe('streamRate', () => {
  it('needs the peak and fills by the average where a rate is an average', () => {
    const rate = rateOf({ rate: stated(100, 'average') });
    expect(rate.average).toBe(12_500_000);
    expect(rate.peak, 'intra: half as much again at the most').toBe(18_750_000);
    expect(rateOf({ rate: stated(100, 'average'), codec: 'long-gop' }).peak).toBe(25_000_000);
    expect(rateOf({ rate: stated(100, 'average'), codec: 'raw' }).peak).toBe(25_000_000);
    expect(rateOf({ rate: stated(100, 'constant') }).peak).toBe(12_500_000);
  });

  it('adds what is written beside the picture, assumed where unknown', () => {
    // 240 + 2 + 25 × 0.16 = 246 Mb/s
    const rate = rateOf({ rate: stated(240), fps: 25, overhead: null });
    expect(rate.peak).toBe(30_750_000);
    expect(rate.lines.map(({ code }) => code)).toEqual(['stated', 'fixed', 'per-frame']);
    expect(rate.lines.at(-1)).toMatchObject({ assumed: true, KB: 20 });
  });

  it('adds nothing where the body is known to state all, and says the least where nobody told', () => {
    const mode = aMode({ rate: stated(240), fps: 25, overhead: null, proxyMbps: 8 });
    const of = (statedHolds: 'everything' | 'picture' | null) => {
      const rate = streamRate(mode, { statedHolds });
      if (!rate.ok) throw new Error('no rate');
      return rate.value;
    };
    // A viewing proxy is a file of its own: 240 + 8, and 246 + 8.
    expect(of('everything')).toMatchObject({ peak: 31_000_000, average: 31_000_000, leastAverage: 31_000_000 });
    expect(of('picture')).toMatchObject({ peak: 31_750_000, leastAverage: 31_750_000 });
    expect(of(null)).toMatchObject({ peak: 31_750_000, average: 31_750_000, leastAverage: 31_000_000 });
    // What was entered is known, and computed rates are of the picture alone.
    const entered = streamRate({ ...mode, overhead: { fixedMbps: 4, perFrameKB: 0 } }, null);
    expect(entered.ok && entered.value.leastAverage).toBe(31_500_000);
    const framed = streamRate(aMode({ rate: { kind: 'frame', bytesPerFrame: 1_000_000 }, overhead: null }), {
      statedHolds: 'everything',
    });
    expect(framed.ok && framed.value.lines.some(({ code }) => code === 'per-frame')).toBe(true);
  });

  it('keeps the maker’s maximum as the peak of what was measured as an average', () => {
    const measured = { ...stated(300, 'average'), source: 'measured', at: 'captured' } as const;
    const maker = { ...stated(600), source: 'maker' } as const;
    // 600 + 2 + 25 × 0.16 = 606 Mb/s at the most; minutes by the 300 that were measured.
    const rate = rateOf({ fps: 25, overhead: null, rate: measured, otherRates: [maker] });
    expect(rate).toMatchObject({ peak: 75_750_000, average: 37_500_000, pictureAverage: 37_500_000 });
    expect(rate.lines.at(-1)).toMatchObject({ code: 'stated-peak', Mbps: 600 });
    // Whichever of the two stands first.
    expect(rateOf({ fps: 25, overhead: null, rate: maker, otherRates: [measured] }).peak).toBe(75_750_000);
    // More than the maker states was measured: that is the least of its peak.
    const more = rateOf({ fps: 25, overhead: null, rate: { ...measured, Mbps: 640 }, otherRates: [maker] });
    expect(more.peak).toBe(80_000_000);
    // A measured peak may stand alone; an average that a maker states displaces nothing.
    const peak = { ...measured, is: 'maximum', Mbps: 320 } as const;
    expect(rateOf({ rate: peak, otherRates: [maker] }).peak).toBe(40_000_000);
    const average = { ...stated(600, 'average'), source: 'maker' } as const;
    expect(rateOf({ rate: measured, otherRates: [average] }).peak).toBe(56_250_000);
  });

  it('assumes beside the picture never more than 15 % of it', () => {
    const small = rateOf({ rate: stated(4), fps: 50, overhead: null });
    expect(small.peak).toBe(575_000);
    expect(small.lines.at(-1)).toMatchObject({ code: 'beside-capped', share: 0.15, bytesPerSecond: 75_000 });
    // 10 Mb/s beside a picture of 66.7: just at the edge.
    expect(rateOf({ rate: stated(67), fps: 50, overhead: null }).peak).toBe(9_625_000);
    expect(rateOf({ rate: stated(66), fps: 50, overhead: null }).peak).toBe(9_487_500);
    const average = rateOf({ rate: stated(4, 'average'), fps: 50, overhead: null });
    expect(average, '15 % of the average, on top of the peak').toMatchObject({ peak: 825_000, average: 575_000 });
  });

  it('takes entered overhead as entered, however large, and sound without the assumed fixed rate', () => {
    expect(rateOf({ rate: stated(4), fps: 50, overhead: { fixedMbps: 4, perFrameKB: 0 } }).peak).toBe(1_000_000);
    const sound = { channels: 8, sampleHz: 96_000, bits: 24 };
    expect(rateOf({ rate: stated(4), fps: 50, overhead: null, sound }).peak, 'sound is entered').toBe(
      500_000 + 2_304_000 + 75_000,
    );
  });

  it('adds nothing to a rate measured from files but a proxy in a file of its own', () => {
    const measured = { ...stated(100), source: 'measured' } as const;
    const all = {
      overhead: { fixedMbps: 2, perFrameKB: 20 },
      sound: { channels: 2, sampleHz: 48_000, bits: 16 },
      fps: 25,
    };
    expect(rateOf({ rate: measured, ...all }).peak).toBe(12_500_000);
    expect(rateOf({ rate: measured, ...all, proxyMbps: 8 }).peak).toBe(13_500_000);
    expect(rateOf({ rate: { ...stated(100), source: 'maker' }, ...all }).peak).toBeGreaterThan(13_000_000);
  });

  it('takes the faster end of what the counter tells, whole, for minutes and verdict', () => {
    const rate = rateOf({ rate: { kind: 'counter', lowMbps: 590, highMbps: 600 }, overhead: null, proxyMbps: 8 });
    expect(rate).toMatchObject({ peak: 75_000_000, average: 75_000_000, pictureAverage: 75_000_000 });
    expect(rate.lines.map(({ code }) => code)).toEqual(['counter']);
    const slowed = rateOf({ rate: { kind: 'counter', lowMbps: 590, highMbps: 600 }, fps: 25, captureFps: 100 });
    expect(slowed.peak, 'the counter has seen the slow motion').toBe(75_000_000);
  });

  it('says each step, to the letter', () => {
    const beside = { overhead: { fixedMbps: 2, perFrameKB: 20 }, fps: 25 };
    expect(rateOf({ rate: stated(240), ...beside, proxyMbps: 8 }).lines).toEqual([
      { code: 'stated', Mbps: 240, is: 'maximum', bytesPerSecond: 30_000_000 },
      { code: 'fixed', Mbps: 2, assumed: false, bytesPerSecond: 250_000 },
      { code: 'per-frame', KB: 20, fps: 25, assumed: false, bytesPerSecond: 500_000 },
      { code: 'proxy', Mbps: 8, bytesPerSecond: 1_000_000 },
    ]);
    const none = { overhead: { fixedMbps: 0, perFrameKB: 0 } };
    expect(rateOf({ rate: stated(8), ...none }).lines).toHaveLength(1);
    expect(
      rateOf({ rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: 1000, height: 1000, fps: 25, ...none }).lines,
    ).toEqual([
      {
        code: 'raw',
        width: 1000,
        height: 1000,
        bitsPerPixel: 12,
        ratio: 3,
        fps: 25,
        bytesPerSecond: 12_500_000,
      },
    ]);
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame: 1000 }, fps: 25, captureFps: 50, ...none }).lines).toEqual([
      { code: 'frame', bytesPerFrame: 1000, fps: 50, bytesPerSecond: 50_000 },
    ]);
    expect(rateOf({ rate: stated(8, 'average'), ...none }).lines).toEqual([
      { code: 'stated', Mbps: 8, is: 'average', bytesPerSecond: 1_000_000 },
      { code: 'variable', factor: 1.5, bytesPerSecond: 1_500_000 },
    ]);
    expect(rateOf({ rate: stated(8), fps: 25, captureFps: 50, ...none }).lines[1]).toEqual({
      code: 'slow-motion',
      recorded: 25,
      captured: 50,
      upperBound: false,
      bytesPerSecond: 2_000_000,
    });
    const sound = { channels: 2, sampleHz: 48_000, bits: 16 };
    expect(rateOf({ rate: stated(8), ...none, sound }).lines[1]).toEqual({
      code: 'sound',
      ...sound,
      bytesPerSecond: 192_000,
    });
    expect(rateOf({ rate: { kind: 'counter', lowMbps: 7, highMbps: 8 } }).lines).toEqual([
      { code: 'counter', lowMbps: 7, highMbps: 8, rounds: null, bytesPerSecond: 1_000_000 },
    ]);
  });

  it('names its source where one was named, or chosen among several', () => {
    const none = { overhead: { fixedMbps: 0, perFrameKB: 0 } };
    const maker = { ...stated(8), source: 'maker', sourceNote: 'page 3' } as const;
    expect(rateOf({ rate: maker, ...none }).lines[0]).toEqual({
      code: 'source',
      source: 'maker',
      note: 'page 3',
      others: [],
      bytesPerSecond: 1_000_000,
    });
    expect(rateOf({ rate: stated(8), ...none, otherRates: [] }).lines[0]?.code).toBe('stated');
    const measured = { ...stated(4), source: 'measured' } as const;
    const both = rateOf({ rate: stated(8), ...none, otherRates: [measured] });
    expect(both.peak).toBe(500_000);
    expect(both.lines[0]).toEqual({
      code: 'source',
      source: 'measured',
      note: null,
      others: ['maker'],
      bytesPerSecond: 500_000,
    });
    const raw = { kind: 'raw', bitsPerPixel: 12, ratio: 3 } as const;
    const chosen = rateOf({ rate: raw, width: 1000, height: 1000, ...none, otherRates: [stated(8)] });
    expect(chosen.lines[0], 'a stated rate is the maker’s, a computed one stands behind it').toMatchObject({
      source: 'maker',
      others: ['computed'],
    });
    const twice = rateOf({ rate: maker, ...none, otherRates: [{ ...stated(9), source: 'maker' }] });
    expect(twice.peak, 'of two alike the first').toBe(1_000_000);
  });

  it('refuses amounts that cannot be, naming the field to correct', () => {
    const fieldOf = (change: Partial<Mode>) => {
      const found = streamRate(aMode(change), null);
      return found.ok ? null : found.error.code === 'amount' ? found.error.field : found.error.code;
    };
    const none = { overhead: { fixedMbps: 0, perFrameKB: 0 } };
    expect(fieldOf({ rate: stated(9e6), ...none })).toBe('rate');
    expect(fieldOf({ rate: stated(7e-6, 'average'), ...none }), 'an average under a byte a second').toBe('rate');
    expect(fieldOf({ rate: stated(7.9e6), overhead: { fixedMbps: 5e5, perFrameKB: 0 } })).toBe('overhead');
    expect(fieldOf({ rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null })).toBe('missing');
  });

  it('keeps the picture’s own average for label arithmetic', () => {
    expect(rateOf({ rate: stated(100, 'average') })).toMatchObject({ picture: 18_750_000, pictureAverage: 12_500_000 });
    expect(rateOf({ rate: stated(100) })).toMatchObject({ picture: 12_500_000, pictureAverage: 12_500_000 });
  });

  it('takes sound by its own figures in place of the assumed fixed rate', () => {
    // 2 × 48 000 × 16 = 1.536 Mb/s
    const rate = rateOf({
      rate: stated(100),
      overhead: null,
      fps: 25,
      sound: { channels: 2, sampleHz: 48_000, bits: 16 },
    });
    expect(rate.peak).toBe(12_500_000 + 192_000 + 500_000);
  });

  it('adds a viewing proxy', () => {
    expect(rateOf({ rate: stated(100), proxyMbps: 20 }).peak).toBe(15_000_000);
  });

  it('multiplies slow motion: exact for intra, an upper bound for long-GOP', () => {
    const intra = rateOf({ rate: stated(240), fps: 24, captureFps: 120 });
    expect(intra.peak).toBe(150_000_000);
    expect(intra.lines).toContainEqual(expect.objectContaining({ code: 'slow-motion', upperBound: false }));
    const gop = rateOf({ codec: 'long-gop', rate: stated(89), fps: 24, captureFps: 240 });
    expect(gop.peak).toBe(111_250_000);
    expect(gop.lines).toContainEqual(expect.objectContaining({ upperBound: true }));
  });

  it('leaves a rate alone that the maker stated for the captured speed', () => {
    expect(rateOf({ rate: { ...stated(160), at: 'captured' } as never, fps: 30, captureFps: 120 }).peak).toBe(
      20_000_000,
    );
  });

  it('computes raw and fixed frames at the captured speed', () => {
    const raw = { kind: 'raw', bitsPerPixel: 12, ratio: 3 } as const;
    expect(rateOf({ codec: 'raw', rate: raw, width: 12288, height: 6480, fps: 50 }).peak).toBe(1_990_656_000);
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame: 917_504 }, fps: 25 }).peak).toBe(22_937_600);
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame: 1000 }, fps: 25, captureFps: 50 }).peak).toBe(50_000);
  });

  it('takes 29.97 for 30000 ÷ 1001', () => {
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame: 1_001_000 }, fps: 29.97 }).peak).toBe(30_000_000);
  });

  it.each([
    [
      { rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, height: null },
      { code: 'missing', field: 'height' },
    ],
    [{ rate: stated(Number.NaN) }, { code: 'amount', field: 'rate' }],
    [{ rate: stated(Number.POSITIVE_INFINITY) }, { code: 'amount', field: 'rate' }],
    [{ rate: stated(-1) }, { code: 'amount', field: 'rate' }],
    [{ rate: stated(0) }, { code: 'amount', field: 'rate' }],
    [{ rate: stated(9_000_000) }, { code: 'amount', field: 'rate' }],
  ] as const)('refuses %j', (change, error) => {
    expect(streamRate(aMode(change as Partial<Mode>), null)).toMatchObject({ ok: false, error });
  });
});

describe('doubts', () => {
  const about = (Mbps: number, neighbours: readonly number[] = [], codec: Mode['codec'] = 'long-gop') =>
    doubts({
      rate: (Mbps * 125_000) as BytesPerSecond,
      codec,
      width: 3840,
      height: 2160,
      fps: 25,
      neighbour: middleWithout(neighbours, null),
    });

  // Rates that are common in the trade, by themselves: common practice, no source.
  it.each([
    ['long-gop', 1920, 1080, 25, 17],
    ['long-gop', 1920, 1080, 25, 24],
    ['long-gop', 1920, 1080, 25, 35],
    ['long-gop', 1920, 1080, 25, 50],
    ['long-gop', 1920, 1080, 25, 100],
    ['long-gop', 1920, 1080, 24, 16],
    ['long-gop', 1920, 1080, 30, 50],
    ['long-gop', 1920, 1080, 50, 28],
    ['long-gop', 1920, 1080, 50, 50],
    ['long-gop', 1920, 1080, 50, 100],
    ['long-gop', 1920, 1080, 50, 200],
    ['long-gop', 1920, 1080, 60, 28],
    ['long-gop', 1920, 1080, 100, 100],
    ['long-gop', 1920, 1080, 120, 200],
    ['long-gop', 3840, 2160, 25, 60],
    ['long-gop', 3840, 2160, 25, 100],
    ['long-gop', 3840, 2160, 25, 150],
    ['long-gop', 3840, 2160, 25, 200],
    ['long-gop', 3840, 2160, 30, 100],
    ['long-gop', 4096, 2160, 24, 150],
    ['long-gop', 3840, 2160, 50, 150],
    ['long-gop', 3840, 2160, 50, 200],
    ['long-gop', 3840, 2160, 50, 300],
    ['long-gop', 3840, 2160, 50, 600],
    ['long-gop', 3840, 2160, 60, 150],
    ['long-gop', 3840, 2160, 120, 200],
    ['long-gop', 3840, 2160, 120, 280],
    ['long-gop', 7680, 4320, 25, 200],
    ['long-gop', 7680, 4320, 25, 400],
    ['long-gop', 7680, 4320, 30, 520],
    ['long-gop', 5760, 3240, 25, 200],
    ['intra', 1920, 1080, 25, 100],
    ['intra', 1920, 1080, 25, 120],
    ['intra', 1920, 1080, 25, 185],
    ['intra', 1920, 1080, 25, 220],
    ['intra', 1920, 1080, 50, 222],
    ['intra', 1920, 1080, 50, 240],
    ['intra', 3840, 2160, 25, 240],
    ['intra', 3840, 2160, 25, 250],
    ['intra', 3840, 2160, 25, 400],
    ['intra', 3840, 2160, 25, 500],
    ['intra', 3840, 2160, 25, 880],
    ['intra', 3840, 2160, 30, 300],
    ['intra', 3840, 2160, 30, 600],
    ['intra', 3840, 2160, 50, 500],
    ['intra', 3840, 2160, 50, 600],
    ['intra', 3840, 2160, 50, 800],
    ['intra', 4096, 2160, 24, 492],
    ['intra', 3840, 2160, 60, 600],
    ['raw', 8192, 4320, 25, 590],
    ['raw', 6144, 3456, 25, 1650],
    ['raw', 4096, 2160, 25, 900],
  ] as const)(
    '%s %i × %i at %i, %i Mb/s is not doubted, and eight times or an eighth of it is',
    (codec, width, height, fps, Mbps) => {
      const found = (factor: number) =>
        doubts({ rate: (Mbps * factor * 125_000) as BytesPerSecond, codec, width, height, fps, neighbour: null });
      expect(found(1)).toEqual([]);
      expect(found(8)).toContainEqual({ code: 'bits-or-bytes', because: 'picture', factor: 0.125 });
      expect(found(1 / 8)).toContainEqual({ code: 'bits-or-bytes', because: 'picture', factor: 8 });
    },
  );

  it('what was worked out from geometry is in no wrong unit', () => {
    const raw = { codec: 'raw', width: 3840, height: 2160, fps: 25, neighbour: null } as const;
    // Uncompressed, 12 bits a pixel.
    const rate = ((3840 * 2160 * 25 * 12) / 8) as BytesPerSecond;
    expect(doubts({ ...raw, rate, isComputed: true })).toEqual([]);
    expect(doubts({ ...raw, rate })).toHaveLength(1);
  });

  it('asks bits or bytes where a rate is eight times off its neighbours, either way', () => {
    const bits = (100 * 1e6) / (3840 * 2160 * 25);
    expect(about(800, [bits, bits])).toEqual([{ code: 'bits-or-bytes', because: 'neighbours', factor: 0.125 }]);
    expect(about(12.5, [bits])).toEqual([{ code: 'bits-or-bytes', because: 'neighbours', factor: 8 }]);
    expect(about(100, [bits])).toEqual([]);
  });

  it('asks bits or bytes where an eighth, or eight times, would suit the picture', () => {
    expect(about(800)).toMatchObject([{ code: 'bits-or-bytes', because: 'picture', factor: 0.125 }]);
    expect(about(30, [], 'intra')).toMatchObject([{ code: 'bits-or-bytes', because: 'picture', factor: 8 }]);
  });

  it('tells an unusual rate and one above what its level allows', () => {
    expect(about(0.01)).toMatchObject([{ code: 'bits-per-pixel' }]);
    // The encoder chooses its level: level 4.0 takes 1920 × 1080 at 25 with 80 Mb/s in High 4:2:2, and a higher one with more.
    const hd = { codec: 'long-gop', fps: 25, width: 1920, height: 1080, neighbour: 90e6 / 51.84e6 } as const;
    const codes = (Mbps: number) =>
      doubts({ ...hd, rate: (Mbps * 125_000) as BytesPerSecond }).filter(({ code }) => code === 'above-level');
    expect(codes(100)).toEqual([]);
    // H.265 level 6.2, high tier: 800 Mb/s × 6 in the intra profile of 4:4:4.
    expect(codes(4801)).toEqual([{ code: 'above-level', codec: 'H.265', level: '6.2', maxKbps: 4_800_000 }]);
  });

  it('takes the middle of the others, its own value left out once', () => {
    expect(middleWithout([], null)).toBeNull();
    expect(middleWithout([3], 3)).toBeNull();
    expect(middleWithout([1, 2, 9], null)).toBe(2);
    expect(middleWithout([1, 2, 9], 1)).toBe(2);
    expect(middleWithout([1, 2, 9], 9)).toBe(1);
    expect(middleWithout([2, 2, 9], 2)).toBe(2);
    expect(middleWithout([1, 2, 9], 5), 'not among them').toBe(2);
  });

  it('says nothing without a picture', () => {
    expect(
      doubts({ rate: 1 as BytesPerSecond, codec: 'raw', width: null, height: null, fps: 25, neighbour: 1 }),
    ).toEqual([]);
  });
});

describe('playbackLength', () => {
  it('stretches a take: 3 min 50 s at 100 plays 15 min 20 s at 25', () => {
    expect(playbackLength(230 as Seconds, 100, 25)).toBe(920);
  });
});

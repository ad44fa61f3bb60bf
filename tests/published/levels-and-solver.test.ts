import { spawnSync } from 'node:child_process';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { counterRate } from '../../src/core/bodies/counter/counter.ts';
import { leastRatio, mostRatio } from '../../src/core/bodies/counter/linear.ts';
import { h264Ceiling, h265Ceiling } from '../../src/core/bodies/rate/levelCeiling.ts';
import { H264_LEVELS, H265_LEVELS } from '../../src/core/standards/levels.ts';
import { corners, type HalfSpace } from '../support/corners.ts';
import { clipFolder, probe } from '../support/ffmpeg.ts';
import { highs, solve } from '../support/highs.ts';
import { runs } from '../support/runs.ts';

const clips = clipFolder();
afterAll(() => clips.remove());

/**
 * The level an encoder of ffmpeg writes into a stream of grey frames: the smallest whose picture and block rate fit,
 * since the rate of one grey frame is nothing; one reference frame, so that the size of its buffer decides nothing.
 */
function encodedLevel(codec: string, args: readonly string[], picture: readonly [number, number, number]): number {
  const [width, height, fps] = picture;
  const source = `color=size=${width}x${height}:rate=${fps}:duration=0.1`;
  const shared = ['-i', source, '-c:v', codec, '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', ...args];
  const file = clips.make(`${codec}-${picture.join('-')}.${codec === 'libx264' ? 'h264' : 'hevc'}`, shared);
  return Number.parseInt(probe(file, 'stream=level')[0] ?? '', 10);
}

const ffmpegLevel = (...picture: readonly [number, number, number]): string =>
  (encodedLevel('libx264', ['-refs', '1', '-bf', '0'], picture) / 10).toFixed(1);

// Reference: ffmpeg's libx264, which implements ITU-T H.264 Table A-1 (pictures and rates of each level).
describe('H.264 levels, against what ffmpeg’s encoder chooses', () => {
  it.each([
    [1920, 1080, 25],
    [1920, 1080, 60],
    [2560, 1440, 60],
    [3840, 2160, 25],
    [3840, 2160, 30],
    [3840, 2160, 60],
    [4096, 2160, 60],
  ])('%s × %s at %s', (width, height, fps) => {
    expect(h264Ceiling(width, height, fps)?.level).toBe(ffmpegLevel(width, height, fps));
  });

  it('the maxima rise with the level, and 5.1 in the High profile allows 300 Mb/s', () => {
    const kbps = Object.values(H264_LEVELS).map(({ maxKbps }) => maxKbps);
    expect(kbps).toEqual([...kbps].sort((a, b) => a - b));
    expect(H264_LEVELS['5.1'].maxKbps * 1.25).toBe(300_000);
  });
});

// Reference: ffmpeg's libx265, which refuses a level too small for a picture (ITU-T H.265 Table A.8).
describe('H.265 levels, against what ffmpeg’s encoder accepts', () => {
  const hasX265 = spawnSync('ffmpeg', ['-v', 'error', '-h', 'encoder=libx265'], { encoding: 'utf8' }).stdout.includes(
    'libx265',
  );
  const levelOf = (...picture: readonly [number, number, number]): string =>
    (encodedLevel('libx265', ['-x265-params', 'log-level=none:ref=1:bframes=0'], picture) / 30).toFixed(1);

  it.skipIf(!hasX265).each([
    [3840, 2160, 25],
    [3840, 2160, 60],
  ])('%s × %s at %s', (width, height, fps) => {
    expect(h265Ceiling(width, height, fps)?.level).toBe(levelOf(width, height, fps));
  });

  it('the high tier allows more than the main tier, and both rise with the level', () => {
    const rows = Object.values(H265_LEVELS);
    for (const { mainKbps, highKbps } of rows) expect(highKbps).toBeGreaterThan(mainKbps);
    expect(rows.map(({ highKbps }) => highKbps)).toEqual(
      [...rows.map(({ highKbps }) => highKbps)].sort((a, b) => a - b),
    );
  });
});

// Reference: every corner of the space, found by meeting each three of its planes (Cramer's rule); a linear form, and a
// ratio of two, take their extremes at corners.
describe('the extremes that the solver finds, against every corner', () => {
  const box: HalfSpace[] = ([0, 1, 2] as const).flatMap((axis) => {
    const unit = (sign: number) => [0, 1, 2].map((at) => (at === axis ? sign : 0)) as unknown as HalfSpace['normal'];
    return [
      { normal: unit(1), bound: 1 },
      { normal: unit(-1), bound: 0 },
    ];
  });
  const number = fc.integer({ min: -40, max: 40 });
  const cut = fc
    .tuple(number, number, number, fc.integer({ min: -10, max: 60 }))
    .filter(([a, b, c]) => Math.abs(a) + Math.abs(b) + Math.abs(c) > 5)
    .map(([x, y, z, bound]): HalfSpace => ({ normal: [x, y, z], bound }));
  const dot = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, one, at) => sum + one * (b[at] ?? 0), 0);

  it('are those of the corners, for forms and for ratios', { timeout: 60_000 }, () => {
    let empty = 0;
    let met = 0;
    fc.assert(
      fc.property(fc.array(cut, { minLength: 1, maxLength: 6 }), fc.tuple(number, number, number), (cuts, form) => {
        const spaces = [...box, ...cuts];
        const found = corners(spaces);
        const programme = solve(
          3,
          spaces.map(({ normal, bound }) => ({ coefficients: normal, atMost: bound })),
        );
        const least = programme.least(form);
        if (least === null) {
          programme.close();
          empty += 1;
          expect(found).toEqual([]);
          return;
        }
        met += 1;
        expect(Math.min(...found.map((point) => dot(form, point)))).toBeCloseTo(least.value, 5);
        const ratio = { over: [4, 0, 1], overPlus: 0.5, under: [0, 1, 3], underPlus: 2 };
        const ratios = found.map((point) => (dot(ratio.over, point) + 0.5) / (dot(ratio.under, point) + 2));
        expect(leastRatio(programme, ratio)).toBeCloseTo(Math.min(...ratios), 5);
        expect(mostRatio(programme, ratio)).toBeCloseTo(Math.max(...ratios), 5);
        programme.close();
      }),
      { seed: 71, numRuns: runs(60, 200) },
    );
    expect(Math.min(empty, met), 'both kinds of space came up').toBeGreaterThan(runs(5, 10));
  });
});

// Reference: HiGHS on the same readings, the rate of the unknown mode as one more unknown of the programme.
describe('the rate a counter tells, against HiGHS', () => {
  it('has the same interval', { timeout: 60_000 }, () => {
    const reading = fc.record({
      capacityGB: fc.constantFrom(64, 128, 256, 512),
      minutes: fc.integer({ min: 3, max: 400 }),
    });
    let told = 0;
    fc.assert(
      fc.property(fc.array(reading, { minLength: 1, maxLength: 3 }), (readings) => {
        const counters = readings.map((one) => ({ ...one, modeId: 'x' }));
        const found = counterRate({ modes: [] }, counters, 'x', solve);
        // minutes × rate ≤ usable × capacity ≤ (minutes + 1) × rate, rate in GB a minute.
        const rows = readings.flatMap(({ capacityGB, minutes }, at) => [
          ` l${at}: ${minutes} x - ${capacityGB} u <= 0`,
          ` h${at}: ${capacityGB} u - ${minutes + 1} x <= 0`,
        ]);
        const solved = (sense: string) =>
          highs.solve(
            `${sense}\n obj: x\nSubject To\n${rows.join('\n')}\nBounds\n 0.8 <= u <= 1\n 0 <= x <= 1000\nEnd`,
          );
        const [low, high] = [solved('Minimize'), solved('Maximize')];
        if (low.Status !== 'Optimal' || high.Status !== 'Optimal') {
          expect(found).toBeNull();
          return;
        }
        if (found === null) {
          // Half open: readings that only touch tell nothing.
          expect(high.ObjectiveValue / low.ObjectiveValue).toBeCloseTo(1 / 0.8, 5);
          return;
        }
        told += 1;
        expect(found.lowMbps / ((low.ObjectiveValue * 8000) / 60)).toBeCloseTo(1, 5);
        expect(found.highMbps / ((high.ObjectiveValue * 8000) / 60)).toBeCloseTo(1, 5);
      }),
      { seed: 72, numRuns: runs(40, 120) },
    );
    expect(told).toBeGreaterThan(runs(10, 25));
  });
});

import { readFileSync } from 'node:fs';
import { all, create } from 'mathjs';
import { afterAll, describe, expect, it } from 'vitest';
import { streamRate } from '../../src/core/bodies/rate/streamRate.ts';
import type { Mode } from '../../src/core/kit/model.ts';
import { labelMinutes } from '../../src/core/match/minutes/minutes.ts';
import { busCeiling } from '../../src/core/standards/buses.ts';
import { FIXED_FRAMES } from '../../src/core/standards/frames.ts';
import { MARK_KEYS } from '../../src/core/standards/marks.ts';
import { MARKS } from '../../src/core/standards/markTable.ts';
import { aMode } from '../../src/core/testing.ts';
import { fromGigabytes, fromMegabits, GiB, toGibibytes } from '../../src/core/units/convert.ts';
import { parseCapacity, parseRate } from '../../src/core/units/parse.ts';
import { clipFolder, probe } from '../support/ffmpeg.ts';

const math = create(all ?? {}, {});
const clips = clipFolder();
afterAll(() => clips.remove());

const rateOf = (change: Partial<Mode>): number => {
  const rate = streamRate(aMode(change), null);
  if (!rate.ok) throw new Error(JSON.stringify(rate.error));
  return rate.value.peak;
};

/** Sizes of the video packets of a clip that ffmpeg makes here and now. */
const packetSizes = (name: string, args: readonly string[]): readonly number[] =>
  probe(clips.make(name, args), 'packet=size').map((line) => Number.parseInt(line, 10));

describe('frame sizes, against what ffmpeg’s encoders write', () => {
  // Reference: ffmpeg's dnxhd encoder, which implements SMPTE ST 2019-1 (VC-3).
  it('VC-3 1080 10-bit 4:2:2 at 185 Mb/s has 917 504 bytes a frame: 183.5 Mb/s at 25', () => {
    const source = 'testsrc2=size=1920x1080:rate=25:duration=0.4';
    const sizes = packetSizes('vc3-10.mxf', ['-i', source, '-c:v', 'dnxhd', '-b:v', '185M', '-pix_fmt', 'yuv422p10le']);
    expect(new Set(sizes)).toEqual(new Set([FIXED_FRAMES['vc3-1080-10bit-high'].bytesPerFrame]));
    const bytesPerFrame = sizes[0] ?? 0;
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame }, fps: 25 }) * 8).toBe(183_500_800);
  });

  it('VC-3 1080 8-bit at 120 Mb/s has 606 208 bytes a frame', () => {
    const source = 'testsrc2=size=1920x1080:rate=25:duration=0.4';
    const sizes = packetSizes('vc3-8.mxf', ['-i', source, '-c:v', 'dnxhd', '-b:v', '120M', '-pix_fmt', 'yuv422p']);
    expect(new Set(sizes)).toEqual(new Set([FIXED_FRAMES['vc3-1080-8bit-low'].bytesPerFrame]));
  });

  // Reference: ffmpeg's dvvideo encoder, which implements IEC 61834 (DV, 625/50).
  it('DV 25 has 144 000 bytes a frame: 28.8 Mb/s at 25', () => {
    const sizes = packetSizes('dv.dv', [
      '-i',
      'testsrc2=size=720x576:rate=25:duration=0.4',
      '-target',
      'pal-dv',
      '-an',
    ]);
    expect(new Set(sizes)).toEqual(new Set([FIXED_FRAMES['dv25-625'].bytesPerFrame]));
    expect(rateOf({ rate: { kind: 'frame', bytesPerFrame: 144_000 }, fps: 25 }) * 8).toBe(28_800_000);
  });

  it('a raw 8-bit 4:2:2 picture that ffmpeg writes has the bytes the geometry says', () => {
    const source = 'testsrc2=size=1920x1080:rate=25:duration=0.04';
    const file = clips.make('picture.raw', ['-i', source, '-pix_fmt', 'yuv422p', '-f', 'rawvideo']);
    const raw = { kind: 'raw', bitsPerPixel: 16, ratio: 1 } as const;
    expect(readFileSync(file).byteLength).toBe(rateOf({ codec: 'raw', rate: raw, width: 1920, height: 1080, fps: 1 }));
  });
});

describe('standards arithmetic', () => {
  // PCI Express Base Specification: 8 GT/s × 128/130 ÷ 8 = 984.6 MB/s a lane (value from memory).
  it('one PCIe 3.0 lane carries 984.6 MB/s; the SD Express ceilings are that, doubled and doubled again', () => {
    const lane = (8e9 * (128 / 130)) / 8;
    expect(lane / 1e6).toBeCloseTo(984.6, 1);
    for (const [bus, lanes] of [
      ['sd-express-1', 1],
      ['sd-express-2', 2],
      ['sd-express-4', 4],
    ] as const) {
      const ceiling = busCeiling(bus, 'sd') ?? 0;
      expect(Math.abs(ceiling - lane * lanes) / ceiling, bus).toBeLessThan(0.001);
    }
    for (const [form, lanes] of [
      ['cfexpress-a', 1],
      ['cfexpress-b', 2],
      ['cfexpress-c', 4],
    ] as const) {
      const ceiling = busCeiling('cfexpress-2', form) ?? 0;
      expect(Math.abs(ceiling - lane * lanes) / ceiling, form).toBeLessThan(0.001);
    }
  });

  // SMPTE ST 274 and ST 292: 1920 × 1080 at 30000/1001, 10-bit 4:2:2 is 20 bits a pixel (values from memory).
  it('1080p 29.97 in 10-bit 4:2:2 has a payload of 1.243 Gb/s', () => {
    const raw = { kind: 'raw', bitsPerPixel: 20, ratio: 1 } as const;
    const bits = rateOf({ codec: 'raw', rate: raw, width: 1920, height: 1080, fps: 29.97 }) * 8;
    expect(bits / 1e9).toBeCloseTo(1.243, 3);
  });

  // SD Association speed classes and CompactFlash Association VPG profiles, in their printed order (from memory).
  it('the marks stand in their printed order with their printed values', () => {
    expect(MARK_KEYS.map((key) => `${key}=${MARKS[key].promisesMBps}`).join(' ')).toBe(
      'C2=2 C4=4 C6=6 C10=10 U1=10 U3=30 V6=6 V10=10 V30=30 V60=60 V90=90 E150=150 E300=300 E450=450 E600=600 ' +
        'VPG20=20 VPG65=65 VPG130=130 VPG200=200 VPG400=400 VPG800=800 VPG1600=1600',
    );
  });
});

describe('units, against mathjs', () => {
  it.each(['500 Mb/s', '62.5 MB/s', '1.275 GB/min', '36 GB/h', '1.5 Gb/s', '8 kb/s'])('%s is the same rate', (text) => {
    const ours = parseRate(text);
    const theirs = math.unit(text.replace('/h', '/hour').replace('/min', '/minute')).toNumber('B/s');
    expect(ours.ok && ours.value.value).toBeCloseTo(theirs, 6);
  });

  it.each(['256 GB', '1 TB', '238.5 GiB', '512 MiB'])('%s is the same capacity', (text) => {
    const ours = parseCapacity(text);
    expect(ours.ok && ours.value.value).toBeCloseTo(math.unit(text).toNumber('B'), 3);
  });

  it('a computer shows 256 GB as 238 GiB and nothing is lost', () => {
    expect(Math.floor(toGibibytes(fromGigabytes(256)))).toBe(238);
    expect(math.unit('256 GB').toNumber('GiB') * GiB).toBeCloseTo(fromGigabytes(256), 0);
  });
});

// Common practice in the trade: figures everybody works out the same way; no source.
describe('figures of common practice', () => {
  it.each([
    [400, 50],
    [170, 21.25],
    [240, 30],
  ])('%s Mb/s is %s MB/s', (Mbps, MBps) => {
    expect(fromMegabits(Mbps) / 1e6).toBe(MBps);
  });

  it('170 Mb/s fills 1.275 GB a minute', () => {
    expect((fromMegabits(170) * 60) / 1e9).toBeCloseTo(1.275, 10);
  });

  it.each([
    [128, 100, 170.7],
    [256, 400, 85.3],
    [256, 600, 56.9],
    [256, 240, 142.2],
    [128, 150, 113.8],
  ])('%s GB at %s Mb/s lasts %s min by the label', (GB, Mbps, minutes) => {
    expect(labelMinutes(fromGigabytes(GB), fromMegabits(Mbps))).toBeCloseTo(minutes, 1);
  });

  it('240 Mb/s at 24 becomes 1200 at 120; 89 becomes 890 at 240', () => {
    const slow = (Mbps: number, captureFps: number) =>
      (rateOf({ rate: { kind: 'stated', Mbps, is: 'maximum' }, fps: 24, captureFps }) * 8) / 1e6;
    expect(slow(240, 120)).toBe(1200);
    expect(slow(89, 240)).toBe(890);
  });

  it('12288 × 6480, 12 bit, 3:1 at 50 is 1.99 GB/s', () => {
    const raw = { kind: 'raw', bitsPerPixel: 12, ratio: 3 } as const;
    expect(rateOf({ codec: 'raw', rate: raw, width: 12288, height: 6480, fps: 50 }) / 1e9).toBeCloseTo(1.99, 2);
  });
});

import { describe, expect, it } from 'vitest';
import { aMode } from '../../testing.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { highestCapture } from './highestCapture.ts';

const floor = (MBps: number) => (MBps * 1e6) as BytesPerSecond;
const none = 0 as PerMille;
const mode = aMode({ fps: 24, rate: { kind: 'stated', Mbps: 240, is: 'maximum' } });

describe('the highest capture speed a floor covers', () => {
  it('240 Mb/s at 24 is 1.25 MB a frame: 90 MB/s covers 72 a second', () => {
    expect(highestCapture(mode, floor(90), none, null)).toBe(72);
    expect(highestCapture(mode, floor(89.9), none, null)).toBe(71);
  });

  it('keeps the headroom', () => {
    expect(highestCapture(mode, floor(90), 200 as PerMille, null)).toBe(60);
  });

  it('reads a rate stated for the captured speed back to the recorded one', () => {
    const captured = {
      ...mode,
      captureFps: 120,
      rate: { kind: 'stated', Mbps: 1200, is: 'maximum', at: 'captured' } as const,
    };
    expect(highestCapture(captured, floor(90), none, null)).toBe(72);
  });

  it('is none where the recorded speed is not covered or there is no rate', () => {
    expect(highestCapture(mode, floor(20), none, null)).toBeNull();
    expect(
      highestCapture(aMode({ rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null }), floor(90), none, null),
    ).toBeNull();
  });
});

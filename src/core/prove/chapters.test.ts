import { describe, expect, it } from 'vitest';
import { chaptersOf, joinedChapters } from './chapters.ts';
import { type ClipTracks, type Packets, packetsOf, readClip } from './clip.ts';

const FPS = 25;
const packets = (count: number, bytes: number, start = 0): Packets => ({
  seconds: Float64Array.from({ length: count }, (_, at) => start + at / FPS),
  bytes: new Float64Array(count).fill(bytes),
  isKey: new Uint8Array(count).fill(1),
  end: start + count / FPS,
});
const tracks = (fileBytes: number, more: Partial<ClipTracks> = {}): ClipTracks => ({
  video: packets(250, 40_000),
  sound: [packets(250, 400)],
  width: 3840,
  height: 2160,
  codec: 'hevc',
  captureFps: null,
  fileBytes,
  ...more,
});
const clip = (name: string, fileBytes: number, more: Partial<ClipTracks> = {}) => ({
  name,
  clip: readClip(tracks(fileBytes, more)),
});
const names = (clips: readonly ReturnType<typeof clip>[]) =>
  chaptersOf(clips).map((run) => run.map(({ name }) => name));

const GB4 = 2 ** 32 - 40e6;

describe('clips that may be chapters of one take', () => {
  it('count on, and each but the last is as full as a file gets', () => {
    expect(names([clip('A001_02.mov', 1.2e9), clip('A001_01.mov', GB4)])).toEqual([['A001_01.mov', 'A001_02.mov']]);
    // The number of the take stands behind that of the chapter, or before it; ninety-nine goes on in a hundred.
    expect(names([clip('01-0123.mp4', GB4), clip('02-0123.mp4', GB4), clip('03-0123.mp4', 9e8)])).toHaveLength(1);
    expect(names([clip('C099.mp4', 4e9), clip('C100.mp4', 4e9)])).toEqual([['C099.mp4', 'C100.mp4']]);
  });

  it('are told by three alike where nobody knows at which size a camera closes its files', () => {
    expect(names([clip('T1.mov', 5.31e9), clip('T2.mov', 5.3e9), clip('T3.mov', 2e9)])).toHaveLength(1);
    expect(names([clip('T1.mov', 5.31e9), clip('T2.mov', 2e9)])).toEqual([]);
    expect(names([clip('T1.mov', 5.31e9), clip('T2.mov', 3e9), clip('T3.mov', 2e9)])).toEqual([]);
  });

  it.each([
    ['a number is left out', [clip('C1.mp4', GB4), clip('C3.mp4', 1e9)]],
    ['two numbers change', [clip('A1-1.mp4', GB4), clip('A2-2.mp4', 1e9)]],
    ['another name', [clip('C1.mp4', GB4), clip('D2.mp4', 1e9)]],
    ['another ending', [clip('C1.mp4', GB4), clip('C2.mov', 1e9)]],
    ['another picture', [clip('C1.mp4', GB4), clip('C2.mp4', 1e9, { width: 1920 })]],
    ['another codec', [clip('C1.mp4', GB4), clip('C2.mp4', 1e9, { codec: 'avc' })]],
    ['the first was not full', [clip('C1.mp4', 1.1e9), clip('C2.mp4', 1e9)]],
    ['the second is larger', [clip('C1.mp4', 4e9), clip('C2.mp4', 4.29e9)]],
    ['one alone', [clip('C1.mp4', GB4)]],
  ])('are none where %s', (_, clips) => {
    expect(names(clips)).toEqual([]);
  });

  it('end with the one that is not full: what follows is another take', () => {
    const all = [clip('C1.mp4', GB4), clip('C2.mp4', 1e9), clip('C3.mp4', GB4), clip('C4.mp4', 2e9)];
    // The third is larger than the second, which ended the take.
    expect(names(all)).toEqual([
      ['C1.mp4', 'C2.mp4'],
      ['C3.mp4', 'C4.mp4'],
    ]);
  });
});

describe('chapters as one take', () => {
  it('hold what all of them hold, one after the other, whatever time each begins at', () => {
    const parts = [
      tracks(10e6, { mediaBytes: 10.2e6 }),
      tracks(10e6, { video: packets(250, 40_000, 7), sound: [packets(250, 400, 7)], mediaBytes: 10.2e6 }),
      tracks(4e6, { video: packets(100, 50_000), sound: [packets(100, 400)], mediaBytes: 5.1e6 }),
    ];
    const take = readClip(joinedChapters(parts));
    expect(take).toMatchObject({ frames: 600, fps: 25, missing: 0, isEven: true, fileBytes: 24e6, cutBytes: null });
    expect(take.seconds).toBeCloseTo(24, 9);
    expect(take.videoBytes).toBe(500 * 40_000 + 100 * 50_000);
    expect(take.soundBytes).toBe(600 * 400);
    expect(take.totalMbps).toBeCloseTo((25.5e6 * 8) / 24 / 1e6, 6);
    // Seconds go on across the joint.
    expect(take.bySecond).toHaveLength(24);
    for (const { seconds } of packetsOf(joinedChapters(parts)))
      expect([...seconds].every((at, place) => place === 0 || at > (seconds[place - 1] ?? 0))).toBe(true);
  });

  it('one alone is itself', () => {
    expect(readClip(joinedChapters([tracks(10e6)]))).toEqual(readClip(tracks(10e6)));
  });
});

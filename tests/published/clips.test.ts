// Reference: ffprobe, of the ffmpeg project, on clips that ffmpeg makes here: its sums of packet sizes, its counts and rates.
import { execFileSync } from 'node:child_process';
import { openAsBlob, statSync, truncateSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { afterAll, describe, expect, it } from 'vitest';
import { joinedChapters } from '../../src/core/prove/chapters.ts';
import { readClip as clipOf, compareRuns, measuredRate, packetsOf, peakWindow } from '../../src/core/prove/clip.ts';
import type { Result } from '../../src/core/result.ts';
import { type ClipProblem, clipSteps, type ReadClip } from '../../src/reading/clips/readClip.ts';
import { clipFolder } from '../support/ffmpeg.ts';

const clips = clipFolder();
afterAll(() => clips.remove());

async function readClip(file: Blob): Promise<Result<ReadClip, ClipProblem>> {
  const steps = clipSteps(file);
  for (let next = await steps.next(); ; next = await steps.next()) if (next.done) return next.value;
}

const read = async (path: string): Promise<ReadClip> => {
  const answer = await readClip(await openAsBlob(path));
  if (!answer.ok) throw new Error(JSON.stringify(answer.error));
  return answer.value;
};

interface Packet {
  readonly seconds: number;
  readonly bytes: number;
  readonly isKey: boolean;
}

/** Packets of one kind of stream, as ffprobe lists them. */
function packets(path: string, kind: 'v' | 'a'): readonly Packet[] {
  const text = execFileSync(
    'ffprobe',
    ['-v', 'error', '-select_streams', kind, '-show_entries', 'packet=pts_time,size,flags', '-of', 'csv=p=0', path],
    { encoding: 'utf8', maxBuffer: 1e8 },
  );
  return text
    .split('\n')
    .filter(Boolean)
    .map((line) => line.split(','))
    .map(([seconds = '', bytes = '', flags = '']) => ({
      seconds: Number(seconds),
      bytes: Number(bytes),
      isKey: flags.includes('K'),
    }));
}

const sum = (all: readonly Packet[]): number => all.reduce((total, { bytes }) => total + bytes, 0);

/** Small: what is checked are sums and places of bytes, and larger pictures only take longer to make. */
const SIZE = [320, 180] as const;
const PICTURE = (fps: string, seconds = 6, [width, height]: readonly [number, number] = SIZE): readonly string[] => [
  '-i',
  `testsrc2=s=${width}x${height}:r=${fps}:d=${seconds}`,
];
const SOUND = (seconds = 6): readonly string[] => ['-f', 'lavfi', '-i', `sine=f=330:d=${seconds}`];

const H264 = ['-c:v', 'libx264', '-preset', 'veryfast', '-pix_fmt', 'yuv420p'];
const HELD = ['-c:v', 'mpeg2video', '-g', '1', '-b:v', '8M', '-minrate', '8M', '-maxrate', '8M', '-bufsize', '320k'];
/** Containers, codecs, families, rates, sound: unlike in each. */
const KINDS: readonly (readonly [
  string,
  readonly string[],
  { readonly fps: number; readonly family: string; readonly sound: boolean },
])[] = [
  [
    'long.mp4',
    [...PICTURE('60000/1001'), ...SOUND(), ...H264, '-g', '48', '-c:a', 'aac'],
    { fps: 59.94, family: 'long-gop', sound: true },
  ],
  [
    'intra.mov',
    [...PICTURE('25'), ...SOUND(), '-c:v', 'prores_ks', '-c:a', 'pcm_s24le'],
    { fps: 25, family: 'intra', sound: true },
  ],
  ['intra.mp4', [...PICTURE('50'), ...H264, '-g', '1'], { fps: 50, family: 'intra', sound: false }],
  [
    'blocks.mkv',
    [...PICTURE('24000/1001'), ...SOUND(), ...H264, '-g', '24', '-c:a', 'flac'],
    { fps: 23.976, family: 'long-gop', sound: true },
  ],
  [
    'web.webm',
    [
      ...PICTURE('30'),
      ...SOUND(),
      '-c:v',
      'libvpx',
      '-deadline',
      'realtime',
      '-b:v',
      '1M',
      '-g',
      '60',
      '-c:a',
      'libopus',
    ],
    { fps: 30, family: 'long-gop', sound: true },
  ],
  [
    'pieces.mp4',
    [...PICTURE('60000/1001'), ...SOUND(), ...H264, '-g', '30', '-movflags', 'frag_keyframe+empty_moov', '-c:a', 'aac'],
    { fps: 59.94, family: 'long-gop', sound: true },
  ],
  ['unknown.mov', [...PICTURE('29.97'), '-c:v', 'mjpeg', '-q:v', '3'], { fps: 29.97, family: 'intra', sound: false }],
];

/** Pictures as codecs write them, every frame whole and not. */
const PICTURES: readonly (readonly [string, readonly string[], readonly string[]])[] = [
  ['h264', [...H264, '-g', '30', '-bf', '2'], ['mp4', 'mov', 'mkv', 'ts']],
  ['h264-intra', [...H264, '-g', '1'], ['mp4', 'mov', 'mkv']],
  ['h265', ['-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none'], ['mp4', 'mkv', 'ts']],
  ['prores', ['-c:v', 'prores_aw', '-profile:v', '1'], ['mov', 'mkv']],
  ['motion-jpeg', ['-c:v', 'mjpeg', '-q:v', '4', '-pix_fmt', 'yuvj420p'], ['mov', 'mkv']],
  ['dnx', ['-c:v', 'dnxhd', '-profile:v', 'dnxhr_lb', '-pix_fmt', 'yuv422p'], ['mov']],
  ['vp9', ['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', '-b:v', '900k'], ['webm', 'mkv']],
  ['pieces', [...H264, '-g', '25', '-movflags', 'frag_keyframe+empty_moov'], ['mp4', 'mov']],
];
const RATES = ['24000/1001', '24', '25', '30000/1001', '30', '50', '60000/1001', '60', '100'];
/** Sound as cameras write it: none, packed, four channels, two tracks. */
const SOUNDS: readonly (readonly [string, readonly string[], readonly string[], RegExp])[] = [
  ['no sound', [], [], /./],
  ['packed', ['-map', '1'], ['-c:a', 'aac'], /mp4|mov|mkv|ts/],
  ['opus', ['-map', '1'], ['-c:a', 'libopus'], /webm|mkv/],
  ['four channels', ['-map', '1'], ['-c:a', 'pcm_s16le', '-ac', '4'], /mov|mkv/],
  ['two tracks', ['-map', '1', '-map', '1'], ['-c:a', 'aac', '-b:a', '96k'], /mp4|mov|mkv/],
];

/** Every kind of picture in every container, with each sound it takes, at one frame rate after the other. */
const MATRIX = PICTURES.flatMap(([picture, args, containers]) =>
  containers.flatMap((container) =>
    SOUNDS.filter(([, , , where]) => where.test(container)).map(([sound, maps, sounds]) => ({
      picture,
      container,
      sound,
      args: [...(maps.length > 0 ? ['-map', '0', ...maps] : ['-map', '0']), ...args, ...sounds],
    })),
  ),
).map((kind, at) => ({ ...kind, fps: RATES[at % RATES.length] ?? '25', at }));

/** All packets of a file as ffprobe lists them, by the place of their stream. */
function streams(path: string): ReadonlyMap<number, readonly Packet[]> {
  const entries = 'packet=stream_index,pts_time,size,flags';
  const text = execFileSync('ffprobe', ['-v', 'error', '-show_entries', entries, '-of', 'csv=p=0', path], {
    encoding: 'utf8',
    maxBuffer: 1e8,
  });
  const found = new Map<number, Packet[]>();
  for (const line of text.split('\n').filter(Boolean)) {
    const [index = '', seconds = '', bytes = '', flags = ''] = line.split(',');
    const list = found.get(Number(index)) ?? [];
    found.set(Number(index), list);
    list.push({ seconds: Number(seconds), bytes: Number(bytes), isKey: flags.includes('K') });
  }
  return found;
}

describe('sixty kinds of clips against ffprobe', () => {
  it('are as many as are asked for', () => {
    expect(MATRIX.length).toBeGreaterThanOrEqual(60);
  });

  it.each(MATRIX)('$picture in $container at $fps, $sound', async ({ container, args, fps, at }) => {
    const source = `testsrc2=s=256x144:r=${fps}:d=2`;
    const path = clips.make(`kind-${at}.${container}`, [
      ...['-i', source, '-f', 'lavfi', '-i', 'sine=f=330:r=48000:d=2'],
      ...args,
    ]);
    const { clip, tracks } = await read(path);
    const listed = streams(path);
    const [video = [], ...sound] = [...listed.entries()].sort(([a], [b]) => a - b).map(([, list]) => list);
    expect(clip.videoBytes, 'picture').toBe(sum(video));
    expect(
      tracks.sound.map(({ bytes }) => bytes.reduce((all, one) => all + one, 0)),
      'each track of sound',
    ).toEqual(sound.map(sum));
    expect(clip.frames).toBe(video.length);
    expect(clip.missing).toBe(0);
    const [above = 25, below = 1] = fps.split('/').map(Number);
    expect(clip.fps / (above / below)).toBeCloseTo(1, 2);
    expect(clip.family).toBe(video.every(({ isKey }) => isKey) ? 'intra' : 'long-gop');
    const starts = video.map(({ seconds }) => seconds).sort((a, b) => a - b);
    const densest = Math.max(
      ...starts.map((from) => sum(video.filter(({ seconds }) => seconds >= from - 1e-6 && seconds < from + 1 - 1e-6))),
    );
    expect((clip.picturePeakMbps * 125_000) / densest, 'the densest second').toBeCloseTo(1, 1);
    expect(clip.totalMbps * 125_000 * clip.seconds).toBeGreaterThanOrEqual(sum(video) - 1);
  });

  it('a take in chapters is, joined, what the whole take is', async () => {
    const whole = clips.make('take.mov', [...PICTURE('25', 9), ...SOUND(9), ...HELD, '-c:a', 'pcm_s16le']);
    const folder = whole.replace(/take\.mov$/, 'take_%02d.mov');
    const cut = ['-f', 'segment', '-segment_time', '4', '-reset_timestamps', '1', folder];
    execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', whole, '-map', '0', '-c', 'copy', ...cut]);
    const parts = await Promise.all([0, 1, 2].map((at) => read(folder.replace('%02d', `0${at}`))));
    const [take, joined] = [(await read(whole)).clip, clipOf(joinedChapters(parts.map(({ tracks }) => tracks)))];
    expect(joined.frames).toBe(take.frames);
    expect(joined.videoBytes).toBe(sum(packets(whole, 'v')));
    expect(joined.soundBytes).toBe(sum(packets(whole, 'a')));
    expect(joined.seconds).toBeCloseTo(take.seconds, 1);
    expect(joined).toMatchObject({ fps: 25, missing: 0, rateIs: take.rateIs });
    expect(joined.totalMbps / take.totalMbps).toBeCloseTo(1, 2);
  });
});

describe('clips against ffprobe', () => {
  it.each(KINDS)('%s: bytes, frames, key frames and rate', async (name, args, { fps, family, sound }) => {
    const path = clips.make(name, args);
    const { clip } = await read(path);
    const video = packets(path, 'v');
    expect(clip.videoBytes).toBe(sum(video));
    expect(clip.frames).toBe(video.length);
    expect(clip.soundBytes).toBe(sound ? sum(packets(path, 'a')) : 0);
    expect(clip.fps).toBe(fps);
    expect(clip.family).toBe(family);
    expect(family === 'intra').toBe(video.every(({ isKey }) => isKey));
    expect(clip.missing).toBe(0);
    expect([clip.width, clip.height]).toEqual(SIZE);
    expect(clip.fileBytes).toBe(statSync(path).size);
    // The densest second by its definition: no stretch of a second holds more.
    const starts = video.map(({ seconds }) => seconds).sort((a, b) => a - b);
    const held = starts.map((from) =>
      sum(video.filter(({ seconds }) => seconds >= from - 1e-6 && seconds < from + 1 - 1e-6)),
    );
    expect((clip.picturePeakMbps * 125_000) / Math.max(...held)).toBeCloseTo(1, 2);
  });

  it('tells a held rate from one that follows the picture', async () => {
    // Noise at a fixed size a frame is held; a still that breaks into noise is not.
    const held = await read(
      clips.make('held.mp4', [
        ...PICTURE('25', 10),
        '-c:v',
        'mpeg2video',
        '-g',
        '1',
        '-b:v',
        '8M',
        '-minrate',
        '8M',
        '-maxrate',
        '8M',
        '-bufsize',
        '320k',
      ]),
    );
    expect(held.clip.rateIs).toBe('constant');
    expect(measuredRate(held.clip, 'x')).toMatchObject({ is: 'constant', source: 'measured' });
    const free = await read(
      clips.make('free.mp4', [
        '-i',
        "color=gray:s=320x180:r=25:d=10,noise=alls=60:allf=t:enable='gte(t,5)'",
        ...H264,
        '-crf',
        '20',
        '-g',
        '25',
      ]),
    );
    expect(free.clip.rateIs).toBe('variable');
    const rate = measuredRate(free.clip, 'x');
    // Its average with the assumed peak on top carries the densest second that was seen.
    expect(rate).toMatchObject({ is: 'average' });
    if (rate.kind === 'stated') expect(rate.Mbps * 1.5).toBeGreaterThanOrEqual(free.clip.picturePeakMbps);
    expect(peakWindow(packetsOf(free.tracks), 3)).toBeLessThanOrEqual(peakWindow(packetsOf(free.tracks), 1));
  });

  it('a measured rate holds what the file holds: every picture, sound and data, each with its share', async () => {
    const path = clips.make('tracks.mov', [
      ...PICTURE('25', 8),
      ...['-f', 'lavfi', '-i', 'testsrc=s=320x180:r=25:d=8', '-f', 'lavfi', '-i', 'anoisesrc=d=8:r=48000'],
      ...['-map', '0', '-map', '1', '-map', '2', '-map', '2', ...HELD, '-c:a', 'pcm_s24le', '-ac', '2'],
      ...['-timecode', '01:00:00:00'],
    ]);
    const { clip } = await read(path);
    const [video, sound] = [sum(packets(path, 'v')), sum(packets(path, 'a'))];
    expect(clip).toMatchObject({ pictures: 2, videoBytes: video, soundBytes: sound });
    // Four channels of 24 bits at 48 kHz come to 4.608 Mb/s.
    expect((sound * 8) / 8e6).toBeCloseTo(4.608, 2);
    expect(clip.totalMbps * 125_000 * clip.seconds).toBeGreaterThanOrEqual(video + sound);
    expect(clip.totalMbps * 125_000 * clip.seconds).toBeLessThanOrEqual(statSync(path).size);
    const rate = measuredRate(clip, 'x');
    if (rate.kind === 'stated') expect(rate.Mbps).toBeGreaterThanOrEqual(((video + sound) * 8) / clip.seconds / 1e6);
    expect(rate.sourceNote).toContain('all tracks');
  });

  it('a calm minute with a second and a half of noise holds no rate', async () => {
    const calm = "color=gray:s=320x180:r=25:d=60,noise=alls=60:allf=t:enable='between(t,30,31.5)'";
    const { clip } = await read(clips.make('calm.mov', ['-i', calm, '-c:v', 'mjpeg', '-q:v', '3']));
    expect(clip.rateIs).not.toBe('constant');
    const rate = measuredRate(clip, 'x');
    expect(rate).toMatchObject({ is: 'average' });
    // What the densest second asks for is within the need of every family.
    if (rate.kind === 'stated') expect(rate.Mbps * 1.5).toBeGreaterThanOrEqual(clip.peakSecondMbps - 0.01);
  });

  it('frames whose bytes lie beyond the end of the file are not there', async () => {
    const path = clips.make('front.mp4', [...PICTURE('25', 8), ...H264, '-g', '25', '-movflags', '+faststart']);
    const whole = await read(path);
    expect(whole.clip.cutBytes).toBeNull();
    truncateSync(path, Math.round(whole.clip.fileBytes * 0.6));
    const cut = await read(path);
    expect(cut.clip.cutBytes).toBe(whole.clip.fileBytes - cut.clip.fileBytes);
    expect(cut.clip.videoBytes).toBeLessThanOrEqual(cut.clip.fileBytes);
    expect(cut.clip.frames).toBeGreaterThan(0.4 * whole.clip.frames);
    expect(cut.clip.frames).toBeLessThan(0.7 * whole.clip.frames);
    // One of Matroska says itself where it ends.
    const blocks = clips.make('front.mkv', [...PICTURE('25', 8), ...H264, '-g', '25']);
    truncateSync(blocks, Math.round(statSync(blocks).size * 0.9));
    const answer = await readClip(await openAsBlob(blocks));
    if (answer.ok) expect(answer.value.clip.cutBytes).toBeGreaterThan(0);
    else expect(answer.error.code).toBe('no-index');
  });

  it.each(['mp4', 'mov', 'ts'])('interlaced pictures in %s have both fields', async (kind) => {
    const path = clips.make(`fields.${kind}`, [
      ...['-i', 'testsrc2=s=1920x1080:r=50:d=2', '-vf', 'interlace'],
      ...['-c:v', 'libx264', '-preset', 'ultrafast', '-flags', '+ildct+ilme', '-x264opts', 'tff=1'],
    ]);
    const { clip } = await read(path);
    expect([clip.width, clip.height, clip.fps]).toEqual([1920, 1080, 25]);
    expect(clip.videoBytes).toBe(sum(packets(path, 'v')));
  });

  it('a frame rate that varies has no missing frames; one that lost many still has', async () => {
    const varying = "testsrc2=s=320x180:r=30:d=8,settb=1/90000,setpts='(N+0.4*sin(N*1.7)+floor(N/20)*0.6)/30/TB'";
    const phone = await read(
      clips.make('varies.mp4', ['-i', varying, '-fps_mode', 'passthrough', ...H264, '-enc_time_base', '1:90000']),
    );
    expect(phone.clip).toMatchObject({ missing: 0, isEven: false });
    const holes = "testsrc2=s=320x180:r=25:d=8,select='not(eq(mod(n,4),3))'";
    const lost = await read(clips.make('lost.mov', ['-i', holes, '-fps_mode', 'passthrough', '-c:v', 'mjpeg']));
    expect(lost.clip.missing).toBeGreaterThan(40);
  });

  it('formats whose frames are not read are named, with their size, and their length where a header has it', async () => {
    const problem = async (name: string, args: readonly string[]) => {
      const answer = await readClip(await openAsBlob(clips.make(name, args)));
      return answer.ok ? null : answer.error;
    };
    expect(await problem('camera.avi', [...PICTURE('25', 4), '-c:v', 'mjpeg'])).toMatchObject({
      code: 'other-format',
      name: 'AVI',
      seconds: 4,
    });
    expect(await problem('camera.mxf', [...PICTURE('25', 4), '-c:v', 'mpeg2video'])).toMatchObject({
      name: 'MXF',
      seconds: null,
    });
    expect(await problem('camera.mpg', [...PICTURE('25', 4), '-c:v', 'mpeg2video'])).toMatchObject({
      code: 'other-format',
    });
    expect(await problem('tape.ts', [...PICTURE('25', 4), '-c:v', 'mpeg2video'])).toMatchObject({
      code: 'other-format',
    });
  });

  it('frames that are missing are counted, and runs of unlike length are not compared', async () => {
    const whole = await read(clips.make('whole.mov', [...PICTURE('25', 8), ...HELD]));
    const holes = await read(
      clips.make('holes.mov', [
        '-i',
        "testsrc2=s=320x180:r=25:d=8,select='not(between(n,60,63)+eq(n,150))'",
        '-fps_mode',
        'passthrough',
        '-c:v',
        'mjpeg',
        '-b:v',
        '8M',
      ]),
    );
    expect(holes.clip).toMatchObject({ missing: 5, fps: 25, frames: 195 });
    expect(compareRuns(whole.clip, whole.clip)).toEqual({ bytes: 0, missing: 0, isEqual: true });
    expect(compareRuns(whole.clip, holes.clip).isEqual).toBe(false);
    const short = await read(clips.make('short.mov', [...PICTURE('25', 6), ...HELD]));
    expect(compareRuns(whole.clip, short.clip).isEqual).toBeNull();
  });

  it('the captured frame rate is read where the file names it', async () => {
    const slow = await read(
      clips.make('slow.mp4', [
        ...PICTURE('25'),
        ...H264,
        '-movflags',
        'use_metadata_tags',
        '-metadata',
        'com.android.capture.fps=100',
      ]),
    );
    expect(slow.clip).toMatchObject({ fps: 25, captureFps: 100 });
  });

  it('reads less than a fiftieth of a clip, also of one of gigabytes', async () => {
    const path = clips.make('long-take.mov', [...PICTURE('50', 20, [640, 360]), '-c:v', 'mjpeg', '-q:v', '2']);
    const { bytesRead, clip } = await read(path);
    expect(bytesRead).toBeLessThan(clip.fileBytes / 50);
    // A file whose end is empty: nothing of it is asked for. Node holds no longer blob than this; a browser does.
    const large = clips.make('large.mp4', [...PICTURE('25'), ...H264, '-movflags', '+faststart']);
    truncateSync(large, 4.2e9);
    const answer = await read(large);
    expect(answer.clip).toMatchObject({ frames: 150, fileBytes: 4.2e9 });
    expect(answer.bytesRead).toBeLessThan(5e6);
  });

  it('broken files say what is wrong with them', async () => {
    const whole = await readFile(clips.make('end.mp4', [...PICTURE('25'), ...H264]));
    const problem = async (bytes: Uint8Array) => {
      const answer = await readClip(new Blob([new Uint8Array(bytes)]));
      return answer.ok ? answer.value.clip.frames : answer.error.code;
    };
    expect(await problem(new Uint8Array(0))).toBe('empty');
    expect(await problem(new TextEncoder().encode('not a clip at all'))).toBe('unknown-format');
    // Its table stands at the end, and was never written.
    expect(await problem(whole.subarray(0, whole.length / 2))).toBe('no-index');
    const sound = await readFile(clips.make('sound.m4a', ['-i', 'sine=d=2']));
    expect(await problem(sound)).toBe('no-picture');
    expect(
      await problem(await readFile(clips.make('still.mp4', ['-i', 'color=s=64x64:r=25', '-frames:v', '1', ...H264]))),
    ).toBe('too-short');
    // In pieces, it is read up to where it was cut off.
    const pieces = await readFile(
      clips.make('cut.mp4', [...PICTURE('25'), ...H264, '-g', '25', '-movflags', 'frag_keyframe+empty_moov']),
    );
    const frames = await problem(pieces.subarray(0, Math.round(pieces.length * 0.7)));
    expect(frames).toBeGreaterThan(25);
    expect(frames).toBeLessThan(150);
  });
});

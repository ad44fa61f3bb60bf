import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MARK_KEYS } from '../standards/marks.ts';
import { tokenize } from './tokenize.ts';

describe('tokenize', () => {
  it('covers what is typed without overlap and in order, whatever it is', () => {
    const pieces = fc.constantFrom(
      '256GB',
      'V90',
      'II',
      '600 Mb/s',
      'on',
      '3:1',
      '50p',
      '1:30',
      '¿',
      '4:2:2',
      '12bit',
      '-',
      '∞',
      'e9',
    );
    const line = fc.oneof(
      fc.string(),
      fc.array(pieces).map((parts) => parts.join(' ')),
      fc.array(pieces).map((parts) => parts.join('')),
    );
    fc.assert(
      fc.property(line, (text) => {
        let at = 0;
        for (const { start, end, text: piece } of tokenize(text)) {
          expect(start).toBeGreaterThanOrEqual(at);
          expect(end).toBeGreaterThan(start);
          expect(text.slice(start, end)).toBe(piece);
          at = end;
        }
      }),
      { seed: 3, numRuns: 2000 },
    );
  });

  it('reads every mark of the table and no other number in its series', () => {
    for (const key of MARK_KEYS) expect(tokenize(key)).toMatchObject([{ kind: 'mark', mark: key }]);
    for (const text of ['U2', 'V45', 'C8', 'E100', 'VPG300']) {
      expect(tokenize(text), text).toMatchObject([{ kind: 'unread', problem: { code: 'no-such-mark' } }]);
    }
  });

  it('keeps ratios, chroma, clock times and pictures apart', () => {
    expect(tokenize('3:1')).toMatchObject([{ kind: 'ratio', value: 3 }]);
    expect(tokenize('1:30')).toMatchObject([{ kind: 'time', value: 5400 }]);
    expect(tokenize('4:2:2')).toEqual([]);
    expect(tokenize('8192x4320')).toMatchObject([{ kind: 'picture', width: 8192, height: 4320 }]);
    expect(tokenize('1080p')).toMatchObject([{ kind: 'picture-name' }]);
    expect(tokenize('50p')).toMatchObject([{ kind: 'fps', value: 50 }]);
  });

  it('offers a near word for a slip of the finger', () => {
    expect(tokenize('mirorred')).toMatchObject([{ kind: 'unread', problem: { couldBe: ['mirrored'] } }]);
  });

  it('reads the longest line of any kind', () => {
    for (const line of ['9'.repeat(500), 'a'.repeat(500), '1:'.repeat(250), ' '.repeat(500), '9 '.repeat(250)]) {
      expect(() => tokenize(line)).not.toThrow();
    }
  });
});

/** The tokens of a line without where they stand. */
const said = (text: string) => tokenize(text).map(({ start, end, text: own, ...token }) => token);
const unread = (problem: object) => ({ kind: 'unread', problem });
const outOf = (value: number, min: number, max: number) =>
  unread({ code: 'amount', field: 'number', refusal: { code: 'out-of-range', value, min, max } });

describe('to the letter', () => {
  const bits = (Mbps: number, more: object = {}) => ({
    kind: 'rate',
    value: Mbps * 125_000,
    written: 'bits',
    loose: false,
    ...more,
  });
  const bytes = (MBps: number, more: object = {}) => ({
    kind: 'rate',
    value: MBps * 1e6,
    written: 'bytes',
    loose: false,
    ...more,
  });
  const time = (seconds: number, more: object = {}) => ({
    kind: 'time',
    value: seconds,
    loose: false,
    clock: null,
    ...more,
  });
  const fps = (value: number) => ({ kind: 'fps', value });
  const pause = { kind: 'word', word: 'pause' };
  const noUnit = (text: string) =>
    unread({ code: 'no-unit', couldBe: [`${text} Mb/s`, `${text} MB/s`, `${text} GB`, `${text} min`] });

  it.each([
    // A rate of four figures is sixteen hundred in every writing; the thousandth is one press away.
    ['1,600 Mb/s', [bits(1600, { loose: true, other: '1.6 Mb/s' })]],
    ['1.600 Mb/s', [bits(1600, { loose: true, other: '1.6 Mb/s' })]],
    ['12,345 kb/s', [bits(12.345, { loose: true, other: '12.345 kb/s' })]],
    ['1,600 MB/s', [bytes(1600, { loose: true, other: '1.6 MB/s' })]],
    ['0,600 Mb/s', [bits(0.6)]],
    ['1,600 GB', [unread({ code: 'open-number', couldBe: ['1600 GB', '1.6 GB'] })]],
    // Of a range the larger is counted, whichever stands first and in which unit.
    ['200 to 400 Mb/s', [bits(400, { loose: true, low: 25e6 })]],
    ['400 - 200 Mb/s', [bits(400, { loose: true, low: 25e6 })]],
    ['between 200 and 400 Mb/s', [bits(400, { loose: true, low: 25e6 })]],
    ['25 to 200 MB/s', [bytes(200, { loose: true, low: 25e6 })]],
    ['200 Mb/s to 50 MB/s', [bytes(50, { loose: true, low: 25e6 })]],
    ['2 x 45 min', [time(5400, { loose: true })]],
    ['10 to 20 min', [time(1200, { loose: true })]],
    ['between 10 and 20 min', [time(1200, { loose: true })]],
    ['10 and 20 min', [noUnit('10'), pause, time(1200)]],
    ['ninety minutes', [time(5400, { loose: true })]],
    ['two hundred Mb/s', [bits(200, { loose: true })]],
    ['5h18', [time(19_080)]],
    ['1:30:00', [time(5400)]],
    // Hours and minutes, or minutes and seconds.
    ['12:30', [time(45_000, { loose: true, clock: 750 })]],
    ['600', [noUnit('600')]],
    [
      '1e400 Mb/s',
      [unread({ code: 'amount', field: 'rate', refusal: { code: 'not-finite', value: Number.POSITIVE_INFINITY } })],
    ],
    [
      '0 Mb/s',
      [unread({ code: 'amount', field: 'rate', refusal: { code: 'out-of-range', value: 0, min: 1, max: 1e12 } })],
    ],
    ['0 fps', [outOf(0, 1, 20_000)]],
    ['30000 fps', [outOf(30_000, 1, 20_000)]],
    ['1 fps', [fps(1)]],
    ['20000 fps', [fps(20_000)]],
    ['1,5 fps', [fps(1.5)]],
    ['23.976p', [fps(23.976)]],
    ['23,976 fps', [unread({ code: 'open-number', couldBe: ['23976 fps', '23.976 fps'] })]],
    ['24 → 120', [fps(24), pause, fps(120)]],
    ['24->120 fps', [fps(24), pause, fps(120)]],
    ['r300', [bytes(300, { printed: true, side: 'read' })]],
    ['W250', [bytes(250, { printed: true, side: 'write' })]],
    ['read 300 MB/s', [bytes(300, { printed: true, side: 'read' })]],
    ['reads up to 300MB/s', [bytes(300, { printed: true, side: 'read' })]],
    ['up to 300 Mb/s', [bits(300)]],
    ['CFexpress 2.0 Type B', [{ kind: 'form', form: 'cfexpress-b' }, { kind: 'version' }]],
    ['1080p24', [{ kind: 'picture-name', couldBe: ['1920x1080'] }, fps(24)]],
    ['UHD@50p', [{ kind: 'picture-name', couldBe: ['3840x2160', '4096x2160'] }, fps(50)]],
    ['8.3K60', [{ kind: 'picture-name', couldBe: [] }, fps(60)]],
    ['70000x4320', [outOf(70_000, 16, 65_536)]],
    ['65536x16', [{ kind: 'picture', width: 65_536, height: 16 }]],
    ['50 cards', [{ kind: 'count', value: 50 }]],
    ['1000 cards', [noUnit('1000'), { kind: 'word', word: 'card' }]],
    ['2 cameras', [{ kind: 'cameras', value: 2 }]],
    ['1000x', [{ kind: 'times', value: 1000 }]],
    ['single', [{ kind: 'arrangement', arrangement: 'single' }]],
    ['onto', [{ kind: 'word', word: 'on' }]],
    ['10bit 4:2:2', [{ kind: 'bits', value: 10 }]],
    ['10 bit 422', [{ kind: 'bits', value: 10 }, pause]],
    ['H.264', [pause]],
    ['HEVC', [pause]],
    ['48 MB pictures', [{ kind: 'picture-size', value: 48e6 }]],
    ['20 MB photos', [{ kind: 'picture-size', value: 20e6 }]],
    [
      '5000 photos of 24 MB each',
      [
        { kind: 'pictures', value: 5000 },
        { kind: 'picture-size', value: 24e6 },
      ],
    ],
    ['UHS-4', [unread({ code: 'unknown', couldBe: ['UHS-I', 'UHS-II'] })]],
    ['U4', [unread({ code: 'no-such-mark', couldBe: ['U3', 'U1'] })]],
  ])('%s', (text, tokens) => {
    expect(said(text)).toEqual(tokens);
  });
});

import { describe, expect, it } from 'vitest';
import { MAX_TEXT } from '../../cards/tokenize.ts';
import { readAsk } from './readAsk.ts';

const read = (text: string) => {
  const ask = readAsk(text);
  if (!ask.ok) throw new Error(`${text}: ${JSON.stringify(ask.error)}`);
  return ask.value;
};
const refused = (text: string) => {
  const ask = readAsk(text);
  if (ask.ok) throw new Error(`${text} was read`);
  return ask.error;
};

describe('what stands twice', () => {
  it.each([
    ['600 Mb/s 400 Mb/s on 256GB V90 II', 'rate', '400 Mb/s'],
    ['600 Mb/s on 256GB 512GB V90 II', 'capacity', '512GB'],
    ['600 Mb/s on 256GB V90 II for 2h 3h', 'time', '3h'],
    ['600 Mb/s 24p 30p 60p on 256GB V90 II', 'speed', '60p'],
    ['8192x4320 4096x2160 12bit 3:1 50p on 1TB', 'picture', '4096x2160'],
    ['600 Mb/s on 256GB V90 V60', 'mark', 'V60'],
  ])('is named with its place: %s', (text, what, again) => {
    const start = text.indexOf(again);
    expect(refused(text)).toEqual({ code: 'twice', what, again: { start, end: start + again.length, text: again } });
  });

  it.each(['600 Mb/s 24p 120fps on 256GB V90 II', '600 Mb/s on 256GB U3 V90 II', '600 Mb/s on 256GB V90 V90 II'])(
    'is no second thing where it says something else, or the same: %s',
    (text) => {
      expect(read(text).card?.marks).toContain('V90');
    },
  );
});

describe('what is missing', () => {
  it.each([
    ['8192x4320 3:1 50p on 1TB', ['bits']],
    ['8192x4320 12bit 3:1 on 1TB', ['fps']],
    ['12bit 3:1 50p on 1TB', ['picture']],
    ['12bit 3:1 on 1TB', ['picture', 'fps']],
  ])('of a raw picture is told: %s', (text, missing) => {
    expect(refused(text)).toEqual({ code: 'raw-incomplete', missing });
  });

  it('of everything is the rate; a card alone is kept, and offered as a stream where it prints one', () => {
    expect(refused('hello')).toEqual({ code: 'no-rate', card: null });
    expect(refused('256GB V90 II 300 MB/s')).toMatchObject({
      code: 'no-rate',
      card: { capacity: 256e9, marks: ['V90'], reads: 300e6 },
      asStream: '300 MB/s on 256GB V90 II',
    });
    expect(refused('256GB V90 II')).toMatchObject({ code: 'no-rate', card: { marks: ['V90'] }, asStream: null });
    expect(refused(' '.repeat(3))).toEqual({ code: 'empty' });
  });

  it('nothing where the text is as long as may be, and refused beyond it', () => {
    const text = '600 Mb/s on 256GB V90 II';
    expect(read(text.padEnd(MAX_TEXT)).card?.marks).toEqual(['V90']);
    expect(refused(text.padEnd(MAX_TEXT + 1))).toEqual({ code: 'too-long', length: MAX_TEXT + 1, max: MAX_TEXT });
  });
});

describe('what is not understood', () => {
  it.each([
    ['frobnicate 256GB V90 II', 'stream'],
    ['600 Mb/s on 256GB V90 II frobnicate', 'card'],
    ['600 Mb/s on frobnicate V90 II', 'card'],
    ['600 Mb/s for frobnicate on 256GB V90 II', 'time'],
    ['frobnicate 600 Mb/s on 256GB V90 II', 'time'],
    ['600 Mb/s frobnicate', 'card'],
  ])('is asked in its place: %s', (text, place) => {
    const start = text.indexOf('frobnicate');
    expect(refused(text)).toEqual({
      code: 'not-understood',
      unread: [{ start, end: start + 10, text: 'frobnicate', problem: { code: 'unknown', couldBe: [] }, place }],
    });
  });

  it('a name of a picture of which the size must be told', () => {
    expect(refused('8K 12bit 3:1 50p on 1TB CFexpress B')).toEqual({
      code: 'not-understood',
      unread: [
        {
          start: 0,
          end: 2,
          text: '8K',
          problem: { code: 'unknown', couldBe: ['7680x4320', '8192x4320'] },
          place: 'stream',
        },
      ],
    });
    // Beside its size, and beside a rate, it decides nothing.
    expect(read('8K 8192x4320 12bit 3:1 50p on 1TB CFexpress B').mode.width).toBe(8192);
    expect(read('8K 600 Mb/s on 1TB CFexpress B').mode.rate).toMatchObject({ Mbps: 600 });
  });
});

describe('a stream', () => {
  it.each([
    ['8192x4320 12bit 50p on 1TB CFexpress B', { kind: 'raw', bitsPerPixel: 12, ratio: 1 }, 'raw', false],
    ['8192x4320 12bit 5:1 50p on 1TB CFexpress B', { kind: 'raw', bitsPerPixel: 12, ratio: 5 }, 'raw', false],
    ['600 Mb/s on 256GB V90 II', { kind: 'stated', Mbps: 600 }, 'intra', false],
    ['600 Mb/s Long GOP on 256GB V90 II', { kind: 'stated', Mbps: 600 }, 'long-gop', true],
    ['600 Mb/s ALL-I on 256GB V90 II', { kind: 'stated', Mbps: 600 }, 'intra', true],
    ['3 GB/min on 256GB V60 II', { kind: 'stated', Mbps: 400 }, 'intra', false],
    ['3 GB per minute on 256GB V60 II', { kind: 'stated', Mbps: 400 }, 'intra', false],
    ['45 GB an hour on 64GB U1', { kind: 'stated', Mbps: 100 }, 'intra', false],
    ['300 MB/s 256GB V90 II', { kind: 'stated', Mbps: 2400 }, 'intra', false],
    ['256GB V90 II at 75 MB/s for 30 min', { kind: 'stated', Mbps: 600 }, 'intra', false],
  ])('is read with its codec: %s', (text, rate, codec, codecNamed) => {
    const ask = read(text);
    expect(ask.mode).toMatchObject({ id: 'quick', name: text, rate, codec });
    expect(ask.codecNamed).toBe(codecNamed);
  });

  it('a second figure in bytes beside a card is its peak, and no stream', () => {
    const ask = read('600 Mb/s on 256GB V90 II 75 MB/s');
    expect(ask.mode.rate).toMatchObject({ Mbps: 600 });
    expect(ask.readings.map(({ code }) => code)).toContain('peak');
    expect(read('600 Mb/s on 256GB V90 II').readings.map(({ code }) => code)).not.toContain('peak');
  });
});

describe('cards', () => {
  it.each([
    ['256GB V90 II at 400 Mb/s', 'single', 1],
    ['2x256GB V90 II at 400 Mb/s', 'relay', 2],
    ['2x256GB V90 II relay at 400 Mb/s', 'relay', 2],
    ['256GB V90 II relay at 400 Mb/s', 'relay', 2],
    ['256GB V90 II mirrored at 400 Mb/s', 'mirrored', 2],
    ['4x256GB V90 II mirrored at 400 Mb/s', 'mirrored', 4],
    ['2x256GB V90 II split at 400 Mb/s', 'split', 2],
  ])('are counted as they are used: %s', (text, arrangement, count) => {
    expect(read(text)).toMatchObject({ arrangement, count });
  });

  it.each([
    ['three 256GB V90 II mirrored at 400 Mb/s', 'mirrored', 3],
    ['3x256GB V90 II split at 400 Mb/s', 'split', 3],
    ['5x256GB V90 II split at 400 Mb/s', 'split', 5],
  ])('that do not share out are asked: %s', (text, arrangement, count) => {
    expect(refused(text)).toEqual({ code: 'uneven', arrangement, count });
  });

  it('are of the form they say, or of that their slot says where they say none', () => {
    expect(read('600 Mb/s on 256GB microSD V30').card).toMatchObject({ form: 'microsd', formInferred: false });
    expect(read('100 Mb/s on 64GB V30 in a microSD slot').card).toMatchObject({ form: 'microsd' });
    expect(read('100 Mb/s on 64GB V30').card).toMatchObject({ form: 'sd', formInferred: true });
    const foreign = read('1TB CFexpress B VPG400 in CFexpress A slot 400 Mb/s');
    expect([foreign.card?.form, foreign.slot?.form]).toEqual(['cfexpress-b', 'cfexpress-a']);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../policy.ts';
import { type Answer, answerAsk } from './answerAsk.ts';
import type { AskRefusal } from './ask.ts';
import { askLine } from './askLine.ts';
import { readAsk } from './readAsk.ts';

function refusalOf(text: string): AskRefusal {
  const ask = readAsk(text);
  const answer = ask.ok ? answerAsk(ask.value, DEFAULT_POLICY) : ask;
  if (answer.ok) throw new Error(`${text} was answered`);
  return answer.error;
}

function answerOf(text: string): Answer {
  const ask = readAsk(text);
  if (!ask.ok) throw new Error(`${text}: ${ask.error.code}`);
  const answer = answerAsk(ask.value, DEFAULT_POLICY);
  if (!answer.ok) throw new Error(`${text}: ${answer.error.code}`);
  return answer.value;
}

describe('a quick check', () => {
  it('answers a rate on a card: verdict, minutes, need with what is written beside the picture', () => {
    // 500 + 2 + 50 × 20 kB × 8 = 510 Mb/s = 63.75 MB/s; 252.672 GB ÷ 63.75 MB/s = 66.06 min.
    const answer = answerOf('500 Mb/s on 256GB V90 II');
    expect(answer.cell?.verdict).toBe('guaranteed');
    expect(answer.need).toBe(63_750_000);
    expect(answer.minutes).toBe(66);
  });

  it('does not care about the order', () => {
    const parts = ['600 Mb/s', '256GB V90 II', 'mirrored', 'for 2h', '25p'];
    const expected = answerOf(parts.join(' '));
    fc.assert(
      fc.property(fc.shuffledSubarray(parts, { minLength: parts.length }), (shuffled) => {
        const answer = answerOf(shuffled.join(' '));
        expect(answer.need).toBe(expected.need);
        expect(answer.minutes).toBe(expected.minutes);
        expect(answer.forTime).toEqual(expected.forTime);
      }),
      { seed: 2, numRuns: 60 },
    );
  });

  it('computes raw geometry: 8192 × 4320 × 12 bit ÷ 3 at 50', () => {
    const answer = answerOf('8192x4320 12bit 3:1 50p');
    expect(answer.rate.picture).toBe((8192 * 4320 * 12 * 50) / 8 / 3);
    expect(answer.cell).toBeNull();
  });

  it('multiplies a slow-motion pair: 240 Mb/s at 24 is 1200 Mb/s at 120', () => {
    for (const text of ['240 Mb/s 24p at 120fps', '240 Mb/s 24p 120fps', '240 Mb/s 24p @120p']) {
      expect(answerOf(text).rate.picture, text).toBe(150_000_000);
    }
  });

  it('without a card names the smallest mark that holds, and the capacity for a time', () => {
    const answer = answerOf('400 Mb/s 25p for 2h');
    expect(answer.smallestMarks).toEqual(['V60', 'VPG65', 'E150']);
    // 406 Mb/s × 7200 s = 365.4 GB; 512 GB is the next size sold with room for it.
    expect(answer.forTime).toMatchObject({ written: 365_400_000_000, sizeSold: 512e9, cards: null });
  });

  it('counts cards for a time, twice when mirrored, and says when no change is needed', () => {
    expect(answerOf('600 Mb/s 25p on 256GB V90 II for 2h').forTime).toMatchObject({ cards: 3, lasts: false });
    expect(answerOf('600 Mb/s 25p on 256GB V90 II mirrored for 2h').forTime).toMatchObject({ cards: 6 });
    expect(answerOf('600 Mb/s 25p on 256GB V90 II relay for 90 min').forTime).toMatchObject({ cards: 2, lasts: true });
    expect(answerOf('600 Mb/s 25p on 256GB V90 II for 50 min').forTime).toMatchObject({ cards: 1, lasts: true });
  });

  it('arranges two cards: relay adds minutes, mirrored keeps them, split halves the need', () => {
    const single = answerOf('600 Mb/s 25p on 256GB V90 II');
    expect(answerOf('600 Mb/s 25p on 256GB V90 II relay').minutes).toBe((single.minutes ?? 0) * 2);
    expect(answerOf('600 Mb/s 25p on 256GB V90 II mirrored')).toMatchObject({
      minutes: single.minutes,
      cardsAtOnce: 2,
    });
    expect(answerOf('600 Mb/s 25p on 256GB V60 II split')).toMatchObject({ need: single.need / 2 });
  });

  it('takes bits for the stream and bytes in the card clause for the card’s own peak', () => {
    const answer = answerOf('500 Mb/s on 256GB V90 II 300MB/s');
    expect(answer.card?.readMBps).toBe(300);
    expect(answer.need).toBe(63_750_000);
  });

  it('judges the card in the slot that is named', () => {
    expect(answerOf('500 Mb/s on 256GB V90 II in UHS-I').cell).toMatchObject({ verdict: 'uncovered', floor: 30e6 });
  });

  it('asks bits or bytes where a rate in bytes fails and the same in bits would hold', () => {
    expect(answerOf('600 MB/s on 256GB V90 II').bitsOrBytes).toBe(75_000_000);
    expect(answerOf('600 Mb/s on 256GB V30 I').bitsOrBytes).toBeNull();
  });

  it('doubts a rate for its picture only where it suits no codec family, or not the one named', () => {
    const doubtsAbout = (text: string) => answerOf(text).doubts.map(({ code }) => code);
    expect(doubtsAbout('100 Mb/s 3840x2160 25p'), 'usual for long-GOP').toEqual([]);
    expect(doubtsAbout('500 Mb/s 3840x2160 25p'), 'usual for intra').toEqual([]);
    expect(doubtsAbout('30 Mb/s 3840x2160 25p intra')).toEqual(['bits-or-bytes']);
    expect(doubtsAbout('1 Mb/s 3840x2160 50p')).not.toEqual([]);
  });

  it('shows loose readings and assumptions', () => {
    const codes = answerOf('100 mbps on 256gb v90 ii for 1:30').ask.readings.map(({ code }) => code);
    expect(codes).toEqual(['rate', 'capacity', 'time', 'fps-assumed', 'slot-assumed']);
  });

  it('knows nothing about a card with nothing printed but its size', () => {
    expect(answerOf('1 Mb/s on 64GB').cell).toMatchObject({ verdict: 'uncovered', floor: null });
  });
});

describe('a quick check that cannot be answered', () => {
  it('names the place and what it could have been', () => {
    expect(refusalOf('600 Mb/s on 256GB V91 II')).toMatchObject({
      code: 'not-understood',
      unread: [{ start: 18, end: 21, text: 'V91', problem: { code: 'no-such-mark', couldBe: ['V90', 'V60'] } }],
    });
    expect(refusalOf('100 m on 128GB')).toMatchObject({
      unread: [{ start: 0, problem: { code: 'bits-or-bytes', couldBe: ['100 Mb/s', '100 MB/s'] } }],
    });
  });

  it.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['256GB V90 II', 'no-rate'],
    ['8192x4320 3:1 50p', 'raw-incomplete'],
    ['600 Mb/s 400 Mb/s on 256GB', 'twice'],
    ['600 Mb/s on 256GB 512GB', 'twice'],
    ['0 Mb/s on 256GB', 'not-understood'],
    ['-600 Mb/s on 256GB', 'not-understood'],
    ['NaN Mb/s on 256GB', 'not-understood'],
    ['9e99 Mb/s on 256GB', 'not-understood'],
    ['2 TB/s on 256GB', 'not-understood'],
    ['600 Mb/s on 0GB', 'not-understood'],
    ['65536x65536 32bit 1:1 20000p', 'rate-out-of-range'],
    ['x'.repeat(501), 'too-long'],
  ])('%s: %s', (text, code) => {
    expect(refusalOf(text).code).toBe(code);
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => {
        const ask = readAsk(text);
        if (ask.ok) answerAsk(ask.value, DEFAULT_POLICY);
      }),
      { seed: 9, numRuns: 3000 },
    );
  });

  it('reads numbers as people of any language write them, and asks where one may be a thousand times the other', () => {
    const need = (line: string): unknown => {
      const found = askLine(line, DEFAULT_POLICY);
      if (!found.ok) return found.error.code === 'not-understood' ? found.error.unread[0]?.problem : found.error.code;
      return found.value.kind === 'card' ? found.value.answer.ask.mode.rate : null;
    };
    expect(need('12,5 MB/s on 256GB V90 II')).toMatchObject({ Mbps: 100 });
    expect(need('1.000,5 Mb/s on 256GB V90 II')).toMatchObject({ Mbps: 1000.5 });
    expect(need('1,200.5 Mb/s on 256GB V90 II')).toMatchObject({ Mbps: 1200.5 });
    expect(need('1e3 Mb/s on 256GB V90 II')).toMatchObject({ Mbps: 1000 });
    // Nobody states megabits to three decimals; gigabits they do.
    for (const text of ['1,200 Mb/s', '1.200 Mb/s', '1,200 Mbit/s'])
      expect(need(`${text} on 256GB V90 II`), text).toMatchObject({ Mbps: 1200 });
    expect(need('1.485 Gb/s on 256GB V90 II')).toMatchObject({ Mbps: 1485 });
    expect(need('1,485 Gb/s on 256GB V90 II')).toMatchObject({ code: 'open-number' });
    expect(need('600 Mb/s,256GB,V90,II'), 'a comma between two things is none in a number').toMatchObject({
      Mbps: 600,
    });
  });
});

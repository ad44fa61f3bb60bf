import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../../../../tests/support/runs.ts';
import { DEFAULT_POLICY } from '../policy.ts';
import type { Answer } from './answerAsk.ts';
import { askLine } from './askLine.ts';

function answerOf(text: string): Answer {
  const found = askLine(text, DEFAULT_POLICY);
  if (!found.ok) throw new Error(`${text}: ${found.error.code}`);
  if (found.value.kind !== 'card') throw new Error(`${text}: playback`);
  return found.value.answer;
}

const codeOf = (text: string): string => {
  const found = askLine(text, DEFAULT_POLICY);
  return found.ok ? found.value.kind : found.error.code;
};

const passedIn = (text: string): readonly string[] =>
  answerOf(text).ask.readings.flatMap((one) => (one.code === 'passed-over' ? one.words : []));

/** What a line comes to, without how it was read. */
const essence = (text: string) => {
  const { need, minutes, cell, forTime, smallestMarks, needsMark, sized, ask } = answerOf(text);
  return {
    need,
    minutes,
    verdict: cell?.verdict,
    floor: cell?.floor,
    cards: forTime?.cards,
    written: forTime?.written,
    smallestMarks,
    needsMark,
    sized,
    arrangement: ask.arrangement,
    time: ask.time,
    fps: ask.mode.fps,
  };
};

describe('a question as it is spoken', () => {
  // Left: as people say it. Right: the terse line it stands for.
  it.each([
    ['does V60 do 400 megabits per second', '400 Mb/s on V60'],
    ['V60 or better, 400 Mb/s', '400 Mb/s on V60'],
    ['400 Mb/s on V30 or faster', '400 Mb/s on V30'],
    ['3 Gb/s on VPG400 and up for an hour', '3 Gb/s on VPG400 for 60 min'],
    ['how many 128s for 5 hours of 200 Mb/s on V30', '200 Mb/s on 128GB V30 for 5h'],
    ['how many 64s V60 for 90 min of 400 Mb/s', '400 Mb/s on 64GB V60 for 90 min'],
    ['how many 64s takes at 400 Mb/s on V60', '400 Mb/s on V60 for 64 s'],
    ['a 128s take of 400 Mb/s on V60', '400 Mb/s on V60 for 128 s'],
    ['Will a V30 card hold 4K60 at 200 Mb/s?', '200 Mb/s 60p on V30'],
    ['is V90 enough for 600 Mb/s UHD 25p', '600 Mb/s 25p on V90'],
    ['how long does a 256GB V90 II last at 600 Mb/s', '600 Mb/s on 256GB V90 II'],
    ['how long will my 128 gig V60 II card last at 400 Mb/s 25p', '400 Mb/s 25p on 128GB V60 II'],
    [
      'how many 256 gig V90 II cards do I need for an hour and a half at 600 Mb/s',
      '600 Mb/s on 256GB V90 II for 90 min',
    ],
    ['how many cards 512GB V60 II for three hours of 400 Mb/s', '400 Mb/s on 512GB V60 II for 3h'],
    ['what do I need at least for UHD25p 240 Mb/s', '240 Mb/s 25p'],
    ['what mark do I need for 8K30 at 1200 Mb/s', '1200 Mb/s 30p'],
    ['I shoot 4K50 at 500 Mb/s, which mark?', '500 Mb/s 50p'],
    ['can i shoot 100 megabit 4k25 for half an hour on a 64 gigs V30 card', '100 Mb/s 25p on 64GB V30 for 30 min'],
    ['600 Mb/s CBR all-intra on 256GB V90 II', '600 Mb/s intra on 256GB V90 II'],
    ['200 Mb/s IPB 8K30 on 256GB V60 II', '200 Mb/s long-GOP 30p on 256GB V60 II'],
    ['2 GB per minute on 512GB V60 II', '2 GB/min on 512GB V60 II'],
    ['8K30 on 1TB CFexpress B VPG400 2 GB per minute', '2 GB/min 30p on 1TB CFexpress B VPG400'],
    ['600 Mb/s on 256GB V90 II for 90m', '600 Mb/s on 256GB V90 II for 90 min'],
    ['600 Mb/s 90m on 256GB V90 II', '600 Mb/s on 256GB V90 II for 90 min'],
    ['600 Mb/s on 256GB V90 II for two and a half hours', '600 Mb/s on 256GB V90 II for 2h30'],
    ['600 Mb/s on 256GB V90 II for ten minutes', '600 Mb/s on 256GB V90 II for 10 min'],
    ['600 Mb/s on 2 × 256GB V90 II', '600 Mb/s on 256GB V90 II relay'],
    ['600 Mb/s 2x256GB V90 II', '600 Mb/s on 256GB V90 II relay'],
    ['600 Mb/s on two cards 256GB V90 II mirrored', '600 Mb/s on 256GB V90 II mirrored'],
    ['600 Mb/s on a pair of cards 256GB V90 II', '600 Mb/s on 256GB V90 II relay'],
    ['400 Mb/s backup on V60 128GB II', '400 Mb/s mirrored on 128GB V60 II'],
    ['400 Mb/s to both, 128GB V60 II', '400 Mb/s mirrored on 128GB V60 II'],
    ['400 Mb/s, 128GB V60 II, one after the other', '400 Mb/s relay on 128GB V60 II'],
    ['600 Mb/s with sound on 256GB V90 II please', '600 Mb/s on 256GB V90 II'],
    ['my camera writes 1.2 Gb/s onto a 1TB CFexpress B VPG400', '1200 Mb/s on 1TB CFexpress B VPG400'],
    ['75 megabytes per second on 256GB V90 II', '75 MB/s on 256GB V90 II'],
    ['hello, would a 1TB SSD take 3 Gb/s for an hour?', '3000 Mb/s on 1TB SSD for 1h'],
    ['will a 300MB/s V90 card do 600 Mb/s', '600 Mb/s on V90 300MB/s'],
    ['is my 512 gig card with V60 fine for 4K50 at 400 Mb/s?', '400 Mb/s 50p on 512GB V60'],
    ['read 270 write 150 128GB V60 II for 400 Mb/s', '400 Mb/s on R270 W150 128GB V60 II'],
    ['how long do four 256GB V90 II cards last at 600 Mb/s', '600 Mb/s on 4 x 256GB V90 II'],
    ['three 128GB V60 II cards, 400 Mb/s for an hour', '400 Mb/s on 3 x 128GB V60 II for 1h'],
    ['do I get 90 minutes of 200 Mb/s on a 128GB V30 card', '200 Mb/s on 128GB V30 for 90 min'],
    ['my drone films 100 megabit onto a 64GB microSD V30', '100 Mb/s on 64GB microSD V30'],
    ['we shoot all-i 400 Mb/s to both cards, 128GB V60 II', '400 Mb/s intra mirrored on 128GB V60 II'],
    ['can this 1TB CFexpress B VPG400 take 2.4 Gb/s raw', '2400 Mb/s raw on 1TB CFexpress B VPG400'],
    ['what would 8K24 at 1.6 Gb/s need for half an hour', '1600 Mb/s 24p for 30 min'],
    ['UHD 59.94p at 280 Mb/s on a 256 gig V60 II', '280 Mb/s 59.94p on 256GB V60 II'],
    ['is U3 enough for 100 Mb/s', '100 Mb/s on U3'],
    ['does a U3 card keep up with 150 Mb/s 4K30?', '150 Mb/s 30p on U3'],
    ['which mark for 800 megabits per second in UHD 50p?', '800 Mb/s 50p'],
    ['48 MB/s stream on a 128GB V60 II', '48 MB/s on 128GB V60 II'],
    ['camera says 75 MB/s, card is 256GB V90 II', '75 MB/s on 256GB V90 II'],
    ['half an hour of 400 Mb/s, 128GB V60 II', '400 Mb/s on 128GB V60 II for 30 min'],
    ['an hour and a half 4K25 100 Mb/s 64GB V30', '100 Mb/s 25p on 64GB V30 for 90 min'],
    ['600 Mb/s onto a pair of cards 256GB V90 II one after the other', '600 Mb/s relay on 256GB V90 II'],
    ['250 Mb/s FHD 100p on 128GB V60 II', '250 Mb/s 100p on 128GB V60 II'],
    ['hi, 400 megabit 4k60 long-gop on 256 gigs V60 II thanks', '400 Mb/s 60p long-GOP on 256GB V60 II'],
    ['how many 64 gig V30 cards for 3 hours at 100 Mb/s', '100 Mb/s on 64GB V30 for 3h'],
    ['need 2 hours of 200 Mb/s, what card size', '200 Mb/s for 2h'],
    ['what size do I need for 2h at 400 Mb/s 25p', '400 Mb/s 25p for 2h'],
    ['SDXC-II 256GB V 90 for 600 Mb/s', '600 Mb/s on SDXC II 256GB V90'],
    ['CFX-B 1TB VPG 400 at 2 Gb/s', '2000 Mb/s on CFexpress B 1TB VPG400'],
    ['TF 128G V30 at 100 Mb/s', '100 Mb/s on microSD 128GB V30'],
    ['400Mbps on 128gb v60 ii', '400 Mb/s on 128GB V60 II'],
    ['400 mbit/s 25 fps on 128 GB UHS-II V60', '400 Mb/s 25p on 128GB II V60'],
    ['600 Mb/s on 256GB UHS II card with V90 for one hour', '600 Mb/s on 256GB II V90 for 1h'],
  ])('%s', (spoken, terse) => {
    expect(essence(spoken)).toEqual(essence(terse));
  });

  it('shows the words it passed over, and “I” is a person beside them, a bus beside a card', () => {
    expect(passedIn('what do I need for 400 Mb/s')).toEqual(['what', 'do', 'I', 'need']);
    expect(answerOf('what do I need for 400 Mb/s').card).toBeNull();
    expect(answerOf('400 Mb/s on 128GB V30 I please').ask.card?.bus).toBe('uhs-i');
    expect(answerOf('400 Mb/s on 128GB SDXC I').ask.card?.bus).toBe('uhs-i');
    expect(passedIn('400 Mb/s on 128GB V60 II')).toEqual([]);
  });

  it('asks what a word may have been a slip of', () => {
    expect(askLine('600 Mb/s on 256GB V90 II mirored', DEFAULT_POLICY)).toMatchObject({
      ok: false,
      error: { code: 'not-understood', unread: [{ text: 'mirored', problem: { couldBe: ['mirrored'] } }] },
    });
  });

  it('says what it took two cards for, and whose minutes those of more are', () => {
    const two = answerOf('600 Mb/s on 2 × 256GB V90 II').ask.readings.find(({ code }) => code === 'two-cards');
    expect(answerOf(two?.change ?? '').ask.arrangement).toBe('mirrored');
    const three = answerOf('600 Mb/s on three cards 256GB V90 II');
    expect(three.ask.readings).toContainEqual({ code: 'more-cards', count: 3 });
    const one = answerOf('600 Mb/s on 256GB V90 II').minutes ?? 0;
    expect(three.minutes, 'all three, one after the other').toBe(3 * one);
    expect(three.byTheBox).toBeCloseTo((3 * 256e9) / 75e6 / 60, 9);
  });

  it('takes the big number on a card for its peak, and says that it promises nothing', () => {
    const answer = answerOf('is a 170MB/s card enough for 400 Mb/s');
    expect(answer).toMatchObject({ needsMark: true, sized: false });
    expect(answer.ask.readings).toContainEqual(expect.objectContaining({ code: 'peak', text: '170MB/s' }));
    // Bits are a camera's, wherever they stand.
    expect(codeOf('is a 170Mb/s card enough')).toBe('card');
  });

  it('reads a label alone as a label, and hands back the line that takes its speed for a stream', () => {
    const read = askLine('128GB SDXC II U3 V60 270MB/s', DEFAULT_POLICY);
    expect(read).toMatchObject({
      ok: false,
      error: { code: 'no-rate', card: { marks: ['U3', 'V60'] }, asStream: '270MB/s on 128GB SDXC II U3 V60' },
    });
    expect(codeOf('270MB/s on 128GB SDXC II U3 V60')).toBe('card');
    expect(codeOf('V60 V90'), 'two marks of one series').toBe('twice');
    expect(codeOf('does 128GB SDXC II U3 V60 do 270MB/s'), 'a question is no label').toBe('card');
    expect(askLine('256GB V90', DEFAULT_POLICY)).toMatchObject({ ok: false, error: { asStream: null } });
  });

  it('asks no mark of what carries none', () => {
    const answer = answerOf('3 Gb/s onto a 2TB USB SSD');
    expect(answer).toMatchObject({ needsMark: false, cell: { verdict: 'uncovered' } });
    expect(essence('６００ Mb/s on 256GB V90 II')).toEqual(essence('600 Mb/s on 256GB V90 II'));
  });

  it.each([
    ['600 on 256GB V90', ['600 Mb/s', '600 MB/s']],
    ['600 Mb/s on 256 V90', ['256 GB']],
    ['600 Mb/s on 256GB V90 for 2', ['2 min', '2 h']],
  ])('hints come from the place in the line: %s', (text, couldBe) => {
    const found = askLine(text, DEFAULT_POLICY);
    expect(found.ok || (found.error.code === 'not-understood' && found.error.unread)).toMatchObject([
      { problem: { code: 'no-unit', couldBe } },
    ]);
  });

  it.each([
    ['600 Mb/s on 256GB not V90', 'not-understood'],
    ['600 Mb/s without V90 256GB', 'not-understood'],
    ['600 Mb/s on 256GB V90 II or so', 'not-understood'],
    ['600 Mb/s on 256GB V60 V90', 'twice'],
    ['600 Mb/s five times on 256GB V90 II', 'not-understood'],
    ['600 Mb/s per camera on 256GB V90 II', 'not-understood'],
    ['600 Mb/s on 256GB almost V90 II', 'not-understood'],
    ['600 Mb/s on 256GB V90-ish II', 'not-understood'],
    ['600 Mb/s in slow motion on 256GB V90 II', 'not-understood'],
    ['600 Mb/s dual 256GB V90 II', 'not-understood'],
    ['600 Mb/s on 256GB V91', 'not-understood'],
    ['V60 or higher bitrate 400 Mb/s', 'not-understood'],
    ['400 Mb/s on V60 or higher data rate', 'not-understood'],
    ['600 Mb/s 60p or better on V90', 'not-understood'],
    ['V60 or up to 400 Mb/s', 'not-understood'],
    ['600 on 256GB V90', 'not-understood'],
    ['V60 V90 at', 'twice'],
    ['100m on 128GB V60', 'not-understood'],
    ['1,200 Gb/s on 256GB V90', 'not-understood'],
    ['please', 'no-rate'],
    ['is this card any good', 'no-rate'],
    ['4K60 on V30', 'no-rate'],
  ])('asks instead of guessing: %s', (text, code) => {
    expect(codeOf(text)).toBe(code);
  });
});

describe('a card without its size, or without its mark', () => {
  it('is judged without minutes', () => {
    const answer = answerOf('400 Mb/s on V60 II');
    expect(answer).toMatchObject({ sized: false, minutes: null, forTime: null });
    expect(answer.cell).toMatchObject({ verdict: 'guaranteed', planned: null, labelMinutes: null });
    expect(answerOf('400 Mb/s on V60 II for 2h').forTime).toMatchObject({ cards: null });
  });

  it('is of a family that hardly any slot reads from 2 TB on: nothing printed counts before the slot is told', () => {
    expect(answerOf('100 Mb/s on 4TB SDUC V30').cell?.verdict).toBe('uncovered');
    expect(answerOf('100 Mb/s on 4TB V30 in an SDUC slot').cell?.verdict).toBe('guaranteed');
  });

  it('gives the same verdict as with any size', () => {
    for (const size of ['32GB', '128GB', '1TB', '2TB']) {
      for (const card of ['V30 I', 'V60 II', 'V90 II', 'U3', 'CFexpress B VPG400', 'microSD V30']) {
        const [bare, sized] = [`300 Mb/s on ${card}`, `300 Mb/s on ${size} ${card}`].map(
          (text) => answerOf(text).cell?.verdict,
        );
        expect(bare, `${size} ${card}`).toBe(sized);
      }
    }
  });

  it('without a mark hangs on the mark: the smallest that holds, and the one below it', () => {
    // 400 + 2 + 50 × 0.16 = 410 Mb/s = 51.25 MB/s, with 15 % 58.9: V60 holds, V30 does not.
    const answer = answerOf('400 Mb/s on 256GB SD');
    expect(answer).toMatchObject({ needsMark: true, tooSmall: 'V30' });
    expect(answer.smallestMarks).toContain('V60');
    expect(answer.cell?.verdict, 'still no yes').toBe('uncovered');
    expect(answerOf('400 Mb/s on 256GB V30').needsMark, 'a mark that is too small is a no').toBe(false);
    expect(answerOf('400 Mb/s on 256GB V90 I').needsMark, 'a label in doubt is a no').toBe(false);
  });
});

describe('sentences made by a grammar', () => {
  const filler = fc.constantFrom(
    '',
    'please',
    'so',
    'I think',
    'my camera says',
    'can you tell me',
    'hello',
    'on location',
    'well',
  );
  const rate = fc.constantFrom('200 Mb/s', '600 Mbit/s', '400 megabits per second', '2 GB per minute', '1.5 Gb/s');
  const picture = fc.constantFrom('', '4K25', 'UHD 50p', '8K30', '25p', '4k60', '1080p at 50p');
  const card = fc.constantFrom(
    '256GB V90 II',
    '128 gig V60 II',
    'V30',
    '1TB CFexpress B VPG400',
    '64GB SD',
    'microSDXC 512GB V30',
  );
  const time = fc.constantFrom('', 'for 2h', 'for an hour and a half', 'for half an hour', 'for 45 minutes', 'for 90m');
  const ask = fc.constantFrom('will', 'does', 'how long does', 'is', 'can I use');
  const sentence = fc.tuple(filler, ask, card, filler, rate, picture, filler, time);

  it('are all understood, two hundred of them', () => {
    fc.assert(
      fc.property(sentence, ([before, question, one, between, at, size, after, long]) => {
        const text = [before, question, 'a', one, between, 'hold', at, size, after, long].filter(Boolean).join(' ');
        const terse = [at, size, `on ${one}`, long].filter(Boolean).join(' ');
        expect(essence(text), text).toEqual(essence(terse));
      }),
      { seed: 31, numRuns: 200 },
    );
  });

  it('mutated, thousands of them: never a better verdict than the words that were taken give', () => {
    fc.assert(
      fc.property(
        sentence,
        fc.nat(),
        fc.constantFrom('', 'x', '0', ' ', 'not ', '?', '9', 'I ', 'é'),
        (parts, at, put) => {
          const whole = parts.filter(Boolean).join(' ');
          const place = at % (whole.length + 1);
          const text = whole.slice(0, place) + put + whole.slice(place + (put === '' ? 1 : 0));
          const found = askLine(text, DEFAULT_POLICY);
          if (!found.ok || found.value.kind !== 'card') return;
          const { answer } = found.value;
          // Everything that was not taken is on screen: taken out of the line, it gives the same answer.
          const passed = new Set(answer.ask.readings.flatMap((one) => (one.code === 'passed-over' ? one.words : [])));
          // Readings name words, not places: where a word stands twice, it is not known here which of them is meant.
          const words = text.split(/[\s,;·|?!]+/);
          if ([...passed].some((word) => words.filter((one) => one === word).length > 1)) return;
          const kept = text
            .split(/([\s,;·|?!]+)/)
            .map((word) => (passed.has(word) ? ',' : word))
            .join('');
          const again = askLine(kept, DEFAULT_POLICY);
          expect(again.ok && again.value.kind === 'card' && again.value.answer.cell?.verdict, text).toBe(
            answer.cell?.verdict,
          );
          expect(again.ok && again.value.kind === 'card' && again.value.answer.minutes, text).toBe(answer.minutes);
        },
      ),
      { seed: 32, numRuns: runs(800, 5000) },
    );
  });
});

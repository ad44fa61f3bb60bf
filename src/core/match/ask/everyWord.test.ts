import { describe, expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../policy.ts';
import { type Asked, askLine, askWithout } from './askLine.ts';
import { asidePiece } from './neutral.ts';

// Worked out by hand, before the question was asked. At 50 frames a second what is written beside the picture is
// 2 Mb/s + 50 × 20 kB = 10 Mb/s = 1.25 MB/s; an average has peaks of up to twice; a card has 98.7 % of its label.

const asked = (line: string): Asked => {
  const found = askLine(line, DEFAULT_POLICY);
  if (!found.ok) throw new Error(`${line}: ${found.error.code} ${JSON.stringify(found.error)}`);
  return found.value;
};

const card = (line: string) => {
  const found = asked(line);
  if (found.kind !== 'card') throw new Error(`${line}: ${found.kind}`);
  return found;
};

/** The words of a line that were asked about; empty where it was answered. */
const openIn = (line: string): readonly string[] => {
  const found = askLine(line, DEFAULT_POLICY);
  if (found.ok) return [];
  return found.error.code === 'not-understood' ? found.error.unread.map(({ text }) => text) : [found.error.code];
};

describe('a word that is not known to carry nothing', () => {
  it.each([
    ['400 Mb/s on counterfeit 128GB V60 II', ['counterfeit']],
    ['400 Mb/s with proxy on 128GB V60 II', ['proxy']],
    ['is 400 Mb/s below V60', ['below']],
    ["aren't V60 cards enough for 400 Mb/s", ["aren't"]],
    ['400 Mb/s on 128GB V60 II refurbished', ['refurbished']],
    ['400 Mb/s on half-full 128GB V60 II', ['half-full']],
    ['about 400 Mb/s on V60', ['about']],
    ['at least 400 Mb/s on V60', ['at least']],
    ['over 400 Mb/s on V60', ['over']],
    ['400 Mb/s on V60 but the slot is UHS-I', ['but']],
    ['nothing on card 400 Mb/s V60', ['nothing']],
    ['loop recording 100 Mb/s 128GB V30', ['loop']],
    ['pre-record 100 Mb/s V30', ['pre-record']],
    ['400 Mb/s on 128GB V60 encrypted', ['encrypted']],
    ['every take 400 Mb/s on V60', ['every']],
    ['all day 400 Mb/s on V60', ['all day']],
    ['cheapest card for 400 Mb/s', ['cheapest']],
    ['400 Mb/s + proxy on V60', ['+', 'proxy']],
    ['400 Mb/s to V60 over usb 3.0', ['over usb 3.0']],
    ['only V60 for 400 Mb/s', ['only']],
    ['400 Mb/s each on 128GB V60', ['each']],
    ['400 Mb/s more or less on V60', ['more', 'or', 'less']],
    ['256GB V90 II camera writes 600 Mb/s', ['II']],
    ['camera with SD and CFexpress B slots 600 Mb/s V90', ['CFexpress B']],
    ['400 Mb/s on 128GB V60 via adapter', ['via adapter']],
    // A second rate may be what the camera is held to.
    ['80 MB/s max on V90, 600 Mb/s', ['twice']],
    // At least is no most; what was measured of a card says nothing of the stream.
    ['minimum 400 Mb/s on V60', ['minimum']],
    ['measured 90 MB/s card, 400 Mb/s on V60', ['measured']],
    ['400 Mb/s on V60 for 2h x 3', ['x', '3']],
    ['600 Mb/s at 30 MB/s on V90', ['twice']],
  ])('is asked about in its place: %s', (line, words) => {
    expect(openIn(line)).toEqual(words);
  });

  it('leaves an answer to the rest, which is none to the line', () => {
    const line = '400 Mb/s on counterfeit 128GB V60 II';
    const found = askLine(line, DEFAULT_POLICY);
    const unread = !found.ok && found.error.code === 'not-understood' ? found.error.unread : [];
    expect(unread).toMatchObject([{ start: 12, end: 23 }]);
    const rest = askWithout(line, unread, DEFAULT_POLICY);
    expect(rest).toMatchObject({ kind: 'card', answer: { cell: { verdict: 'guaranteed' }, minutes: 41 } });
    expect(askWithout('counterfeit', [{ ...unread[0], start: 0, end: 11 } as never], DEFAULT_POLICY)).toBeNull();
  });

  it('carries nothing once a person said so, in any writing, and turns no other word', () => {
    const aside = new Set(['exfat']);
    for (const line of ['400 Mb/s on V60 exFAT', '400 Mb/s on V60, (EXFAT).']) {
      expect(askLine(line, DEFAULT_POLICY).ok, line).toBe(false);
      expect(askLine(line, DEFAULT_POLICY, aside), line).toMatchObject({
        value: { answer: { cell: { verdict: 'guaranteed' } } },
      });
    }
    expect(asidePiece('“exFAT”'.slice(1, -1))).toBe('exfat');
    // What denies, compares or counts can never be put aside, nor what is no word.
    for (const word of ["isn't", 'not', 'Without', 'half', 'less', 'slowly', 'more', 'V91', '12', 'x9'])
      expect(asidePiece(word), word).toBeNull();
    expect(askLine('400 Mb/s not on V60', DEFAULT_POLICY, new Set(['not'])).ok).toBe(false);
  });
});

describe('what is said of the slot, the body and the card', () => {
  it.each([
    // An SDXC card in an SDHC slot, an SD card in a CFexpress slot: neither goes in.
    ['240 Mb/s on 64GB V30 in SDHC slot', 'unfit'],
    ['100 Mb/s on 128GB SDXC V30, camera reads only SDHC', 'unfit'],
    ['100 Mb/s on SDXC V30 in an SDHC camera', 'unfit'],
    ['600 Mb/s on V90 in a CFexpress A slot', 'unfit'],
    ['V90 SD card in CFexpress B slot 600 Mb/s', 'unfit'],
    ['800 Mb/s on CFexpress B VPG400 in UHS-II slot', 'unfit'],
    ['100 Mb/s on 32GB SDHC V30 in SDXC slot', 'guaranteed'],
    ['100 Mb/s on V30 in an SDHC slot', 'guaranteed'],
    // Two rows of contacts reach one row: 30 MB/s.
    ['600 Mb/s on 256GB V90 II, UHS-I camera', 'uncovered'],
    ['V60 card in a UHS-I only camera at 400 Mb/s', 'uncovered'],
    ['my camera only takes UHS-I, 400 Mb/s on V60', 'uncovered'],
    ['my camera has a UHS-I slot, is V60 enough for 400 Mb/s', 'uncovered'],
    ['400 Mb/s on V60, slot UHS-I', 'uncovered'],
    ['400 Mb/s cameras with UHS-II slots and V60 cards', 'guaranteed'],
    ['400 Mb/s on V90 microSD via adapter', 'uncovered'],
    ['400 Mb/s on V90 microSD in SD slot', 'uncovered'],
    ['200 Mb/s on V30 microSD in my SD slot', 'tight'],
    ['1TB VPG400 in CFexpress A slot 2 Gb/s', 'guaranteed'],
    // 240 + 10 Mb/s are 31.25 MB/s.
    ['240 Mb/s on V90 II, body limited to 25 MB/s', 'drops'],
    ['240 Mb/s on V90 II, camera writes at most 40 MB/s', 'guaranteed'],
    ['240 Mb/s on V90 II, the slot is capped at 20 MB/s', 'drops'],
    // Whosever limit it is, it holds the stream back.
    ['240 Mb/s on V90 limited to 20 MB/s', 'drops'],
    // 160 MB/s + 10 Mb/s are 161.25 MB/s; with 15 % 185.4.
    ['160 MB/s on CFast, minimum 200 MB/s', 'guaranteed'],
    ['160 MB/s on CFast, 165 MB/s minimum', 'tight'],
    ['160 MB/s on 256GB CFast, maker states 250 MB/s', 'claimed'],
    ['160 MB/s on 256GB CFast, maker states 180 MB/s', 'uncovered'],
    ['400 Mb/s on 128GB sustained 90 MB/s', 'claimed'],
    ['minimum write 90 MB/s SD 400 Mb/s', 'guaranteed'],
    ['400 Mb/s on 128GB V90 in a high speed slot', 'drops'],
    ['40 Mb/s on 32GB C10 in a high-speed SD slot', 'guaranteed'],
    ['400 Mb/s on 128GB EX E300 in a UHS-II slot', 'uncovered'],
    ['100 Mb/s on 128GB EX I V30 in a UHS-I slot', 'guaranteed'],
    ['100 Mb/s on 256GB SDXC II V60 560MB/s', 'uncovered'],
    ['100 Mb/s on 256GB SDXC II V90 80MB/s', 'uncovered'],
    ['100 Mb/s on 64GB SDXC SDHC V30', 'uncovered'],
    ['400 Mb/s on 512GB CFexpress A VPG400 in a CFexpress B slot', 'uncovered'],
  ])('%s: %s', (line, verdict) => {
    expect(card(line).answer.cell?.verdict).toBe(verdict);
  });

  it('says what it took for granted of a slot that was named by half', () => {
    const codes = (line: string) => card(line).answer.ask.readings.map(({ code }) => code);
    // The form was said, and not the bus.
    expect(codes('600 Mb/s on 256GB V90 II in SD slot')).toContain('slot-assumed');
    expect(codes('600 Mb/s on 256GB V90 II in UHS-II slot')).not.toContain('slot-assumed');
    // The family was said, and not the size of the card.
    expect(codes('100 Mb/s on V30 in an SDHC slot')).toContain('size-assumed');
    expect(codes('100 Mb/s on 32GB V30 in an SDHC slot')).not.toContain('size-assumed');
  });

  it('never proposes a mark that cannot enter the slot that was named or taken', () => {
    // 890 + 10 Mb/s are 112.5 MB/s: more than any mark of SD on two rows.
    expect(card('890 Mb/s in UHS-II slot').answer.smallestMarks).toEqual([]);
    expect(card('400 Mb/s in a UHS-II slot').answer.smallestMarks).toEqual(['V60']);
    expect(card('800 Mb/s, camera takes CFexpress A').answer.smallestMarks).toEqual(['VPG200']);
    expect(card('400 Mb/s on 128GB V30 II').answer.smallestMarks).toEqual(['V60']);
    expect(card('240 Mb/s in a UHS-I slot').answer.smallestMarks).toEqual([]);
  });
});

describe('a rate', () => {
  it.each([
    // Of a codec that is not told an average may peak at twice: 400 × 2 + 10 = 810 Mb/s = 101.25 MB/s.
    ['avg 400 Mb/s on V60', 101.25, 'uncovered'],
    ['average 400 Mb/s on V60', 101.25, 'uncovered'],
    ['400 Mb/s VBR on V60', 101.25, 'uncovered'],
    ['400 Mb/s typical on V60', 101.25, 'uncovered'],
    ['quality-based 400 Mb/s on V60', 101.25, 'uncovered'],
    ['CBR 400 Mb/s on V60', 51.25, 'guaranteed'],
    ['up to 400 Mb/s on V60', 51.25, 'guaranteed'],
    ['sustained 400 Mb/s on V60', 51.25, 'guaranteed'],
    ['400 Mb/s measured from a clip on V60', 50, 'guaranteed'],
    ['200 to 400 Mb/s on V60', 51.25, 'guaranteed'],
    ['between 200 and 600 Mb/s on V60', 76.25, 'uncovered'],
    ['200-400 Mb/s on V30', 51.25, 'uncovered'],
    ['four hundred megabits per second on V60', 51.25, 'guaranteed'],
    ['2x 400 Mb/s on V60', 101.25, 'uncovered'],
    ['3x 400 Mb/s cameras on V60', 51.25, 'guaranteed'],
    ['400 Mb/s x 3 cameras on V60', 51.25, 'guaranteed'],
    ['400 Mb/s on V60 and 100 Mb/s proxy', 63.75, 'uncovered'],
    ['1,600 Mb/s on CFexpress B VPG400', 201.25, 'guaranteed'],
    ['1.600 Mb/s on CFexpress B VPG400', 201.25, 'guaranteed'],
  ])('%s: %d MB/s', (line, need, verdict) => {
    const { answer } = card(line);
    expect(answer.need / 1e6).toBeCloseTo(need, 6);
    expect(answer.cell?.verdict).toBe(verdict);
  });

  it('of a thousandfold doubt has the other reading one press away', () => {
    const shown = card('1,600 Mb/s on V60').answer.ask.readings.find(({ code }) => code === 'rate');
    expect(card(shown?.change ?? '').answer.ask.mode.rate).toMatchObject({ Mbps: 1.6 });
  });
});

describe('slow motion', () => {
  // 240 Mb/s at 24, captured at 120: 1,200 Mb/s = 150 MB/s, and 2 Mb/s + 120 × 20 kB beside it.
  it.each([
    '240 Mb/s 24p captured at 120 fps on 256GB V90 II',
    '240 Mb/s at 120 played at 24 on 256GB V90 II',
    '240 Mb/s 24→120 on 256GB V90 II',
    '240 Mb/s 24 -> 120 on 256GB V90 II',
    '240 Mb/s shot at 120 conformed to 24 on V90',
    'slow motion 240 Mb/s 120fps in a 24p timeline V90 II',
    '240 Mb/s filmed at 120 fps, playback 24p, V90',
    '240 Mb/s recorded at 24p captured at 120p V90',
    '240 Mb/s captured at 120p recorded at 24p V90',
    '240 Mb/s 120p 24p slo-mo V90',
    '240 Mb/s 120p captured 24p V90',
    '240 Mb/s 24p captured 120p V90',
  ])('%s', (line) => {
    const { answer } = card(line);
    expect(answer.ask.mode).toMatchObject({ fps: 24, captureFps: 120 });
    expect(answer.rate.picture).toBe(150_000_000);
    expect(answer.cell?.verdict).toBe('uncovered');
  });

  it('is asked where one speed is missing', () => {
    expect(openIn('240 Mb/s 24p slow-mo on V90')).toEqual(['slow-mo']);
    expect(openIn('240 Mb/s slow motion on V90')).toEqual(['slow motion']);
  });
});

describe('numbers as they are said', () => {
  it.each([
    ['eighty five minutes of 400 Mb/s', 85 * 60],
    ['one hundred twenty minutes at 200 Mb/s', 120 * 60],
    ['a hundred and ten minutes of 400 Mb/s', 110 * 60],
    ['400 Mb/s for a couple of hours', 7200],
    ['400 Mb/s for a dozen minutes', 720],
    ['400 Mb/s, 2 x 45 min takes', 5400],
    ['10 × 5 min clips at 400 Mb/s', 3000],
    ['5 songs of 4 minutes at 400 Mb/s', 1200],
    ['400 Mb/s for 60-90 min', 5400],
    ['about two hours of 400 Mb/s', 7200],
    ['~2h at 400 Mb/s', 7200],
    ['at least two hours of 400 Mb/s', 7200],
    ['three hours and a half at 400 Mb/s', 12_600],
  ])('%s', (line, seconds) => {
    expect(card(line).answer.ask.time).toBe(seconds);
  });

  it.each([
    ['600 Mb/s 4K 60 on V90', 60],
    ['800 Mb/s 8.3K60 on CFexpress B VPG400', 60],
    ['1080p24 100 Mb/s V30', 24],
    ['6K 6144x3456 12bit 5:1 25p on CFexpress B VPG400', 25],
    ['4K at 60 600 Mb/s V90', 60],
    ['600 Mb/s 25 frames a second on V90', 25],
  ])('%s: %d frames a second', (line, fps) => {
    expect(card(line).answer.ask.mode.fps).toBe(fps);
  });

  it('a number behind a picture that has a unit is that', () => {
    expect(card('4K 60 Mb/s on V30').answer.ask.mode.rate).toMatchObject({ Mbps: 60 });
    expect(card('4K 60 min 100 Mb/s on V30').answer.ask.time).toBe(3600);
    expect(card('128GB 1000x CF 400 Mb/s').answer.ask.card?.times?.value).toBe(1000);
  });
});

describe('several cards', () => {
  // One of 128 GB: 126.336 GB ÷ 51.25 MB/s = 41.08 min; by the box 128 GB ÷ 50 MB/s = 42.67.
  it.each([
    ['2x128GB V60 at 400 Mb/s', 82, 85.333],
    ['a pair of 128GB V60 at 400 Mb/s', 82, 85.333],
    ['both 128GB V60 cards at 400 Mb/s', 82, 85.333],
    ['128GB V60 x2 at 400 Mb/s', 82, 85.333],
    ['128GB x 2 V60 400 Mb/s', 82, 85.333],
    ['2 x V60 128GB at 400 Mb/s', 82, 85.333],
    ['three V60 cards at 400 Mb/s 128GB each', 123, 128],
    ['4x128GB V60 II relay 400 Mb/s', 164, 170.667],
    ['2x128GB V60 II mirrored 400 Mb/s', 41, 42.667],
    ['4x128GB V60 II mirrored 400 Mb/s', 82, 85.333],
    ['half a dozen 128GB V60 cards 400 Mb/s', 246, 256],
  ])('%s: planned %d, by the box %d', (line, planned, box) => {
    const { answer } = card(line);
    expect(answer.minutes).toBe(planned);
    expect(answer.byTheBox).toBeCloseTo(box, 2);
  });

  it('that do not share out are asked about', () => {
    expect(openIn('3x128GB V60 II split 400 Mb/s')).toEqual(['uneven']);
    expect(openIn('3x128GB V60 II mirrored 400 Mb/s')).toEqual(['uneven']);
  });

  it('of several cameras are counted for all of them', () => {
    // An hour of 400 Mb/s is 184.5 GB: two of 128 GB for each camera.
    expect(card('3x 400 Mb/s cameras on 128GB V60 II for 1h').answer.forTime?.cards).toBe(6);
    expect(card('2 cameras, 400 Mb/s each on 128GB V60 II for 1h').answer.forTime?.cards).toBe(4);
    expect(card('400 Mb/s per camera two cameras 128GB V60 II for 1h').answer.forTime?.cards).toBe(4);
  });
});

describe('several things side by side', () => {
  const choices = (line: string) => {
    const found = asked(line);
    return found.kind === 'choice'
      ? found.choices.map(({ piece, answer }) => [piece, answer.cell?.verdict, answer.minutes])
      : found.kind;
  };
  it.each([
    [
      '400 Mb/s on V60 or V30',
      [
        ['V60', 'guaranteed', null],
        ['V30', 'uncovered', null],
      ],
    ],
    [
      '400 Mb/s V60 vs V90',
      [
        ['V60', 'guaranteed', null],
        ['V90', 'guaranteed', null],
      ],
    ],
    [
      '400 Mb/s on 256GB V60 or V90 or V30',
      [
        ['256GB V60', 'guaranteed', 82],
        ['256GB V90', 'guaranteed', 82],
        ['256GB V30', 'uncovered', 82],
      ],
    ],
    [
      '1200 Mb/s on SD V90 or CFexpress B VPG200',
      [
        ['SD V90', 'uncovered', null],
        ['CFexpress B VPG200', 'guaranteed', null],
      ],
    ],
    [
      '200 or 400 Mb/s on V30',
      [
        ['200 Mb/s', 'tight', null],
        ['400 Mb/s', 'uncovered', null],
      ],
    ],
    [
      '400 Mb/s on 64GB or 128GB V60',
      [
        ['64GB V60', 'guaranteed', 20],
        ['128GB V60', 'guaranteed', 41],
      ],
    ],
    // Two cards of one camera: 240 Mb/s need 31.25 MB/s of each where both write all of it.
    [
      'V60 and V30 mirrored at 240 Mb/s',
      [
        ['V60', 'guaranteed', null],
        ['V30', 'uncovered', null],
      ],
    ],
    [
      'V90 128GB in slot 1, V60 256GB in slot 2, 500 Mb/s',
      [
        ['V90 128GB', 'guaranteed', 33],
        ['V60 256GB', 'uncovered', 66],
      ],
    ],
    [
      'V90 and V60 and V30 at 400 Mb/s',
      [
        ['V90', 'guaranteed', null],
        ['V60', 'guaranteed', null],
        ['V30', 'uncovered', null],
      ],
    ],
  ])('%s', (line, expected) => {
    expect(choices(line)).toEqual(expected);
  });

  it('the words of one card stay one', () => {
    expect(choices('200 Mb/s on U3 and V30')).toBe('card');
    expect(choices('400 Mb/s on V60 and 256GB')).toBe('card');
    expect(choices('600 Mb/s on V90 in slot 2')).toBe('card');
  });

  it('are asked about where it is not clear what is offered', () => {
    for (const line of [
      '400 Mb/s on V60 or',
      '400 Mb/s or on V60',
      '400 Mb/s on V60 II or so',
      '400 Mb/s for 1 or 2 hours',
    ])
      expect(openIn(line), line).toContain('or');
  });
});

describe('other questions', () => {
  it.each([
    ['copy 64GB at 95 MB/s', 64e9 / 95e6, null],
    ['how long to offload 256 GB at 300 MB/s', 256e9 / 300e6, null],
    ['dump a 256 GB V90 card through a 150 MB/s reader', 256e9 / 150e6, null],
    ['transfer 1TB at 500 MB/s', 2000, null],
    ['download 128 GB at 800 Mb/s', 1280, null],
    ['copy two cards 64GB at once at 95 MB/s', 128e9 / 95e6, 64e9 / 95e6],
    ['256GB takes how long to copy at 500 MB/s', 512, null],
  ])('%s', (line, seconds, apart) => {
    const found = asked(line);
    if (found.kind !== 'copying') throw new Error(found.kind);
    expect(found.copying.seconds).toBeCloseTo(seconds, 6);
    if (apart === null) expect(found.copying.apart).toBeNull();
    else expect(found.copying.apart).toBeCloseTo(apart, 6);
  });

  it('a copy without its size or its pace is asked for it', () => {
    expect(openIn('copying 1 TB')).toEqual(['copy-incomplete']);
    expect(openIn('copy at 95 MB/s')).toEqual(['copy-incomplete']);
    // Where a reader is plugged in is no pace.
    expect(openIn('copy 256GB over usb 3.0')).toEqual(['copy-incomplete']);
    expect(openIn('copy 256GB over usb 2 at 300 MB/s')).not.toEqual([]);
    expect(openIn('copy counterfeit 64GB at 95 MB/s')).toEqual(['counterfeit']);
  });

  // The rate, and what half a unit of the time and 1.3 % of a card's room leave open.
  it.each([
    ['1TB in 25 minutes', 666.667, 987e3 / 1530, 1e6 / 1470],
    ['5h18 on 256GB', 13.417, 252_672 / 19_110, 256e3 / 19_050],
    ['12.75 GB in 10 min', 21.25, 12_745 / 630, 12_755 / 570],
    ['32 GB lasts 3 h', 2.963, 31_584 / 12_600, 32e3 / 9000],
    ['filled 128GB in 42 min', 50.794, 126_336 / 2550, 128e3 / 2490],
    ['128GB was full after 42 min', 50.794, 126_336 / 2550, 128e3 / 2490],
    ['128GB full in 42 minutes', 50.794, 126_336 / 2550, 128e3 / 2490],
  ])('%s', (line, MBps, low, high) => {
    const found = asked(line);
    if (found.kind !== 'rate-was') throw new Error(found.kind);
    expect(found.rateWas.rate / 1e6).toBeCloseTo(MBps, 3);
    expect(found.rateWas.low / 1e6).toBeCloseTo(low, 6);
    expect(found.rateWas.high / 1e6).toBeCloseTo(high, 6);
  });

  it.each([
    // 98.7 % of the label, whole pictures.
    ['48 MB pictures on 128 GB', { pictures: 2632, asked: 'pictures' }],
    ['how many 48 MB raw files on 128GB', { pictures: 2632, asked: 'pictures' }],
    ['how many photos of 25 MB on 64 GB', { pictures: 2526, asked: 'pictures' }],
    ['1850 on 256 GB', { each: 136_579_459, asked: 'size' }],
    ['2000 photos on 64 GB V30', { each: 31_584_000, asked: 'size' }],
    ['1850 photos on 256 GB', { each: 136_579_459, asked: 'size' }],
    ['20 MB photos on 128GB', { pictures: 6316, asked: 'pictures', wanted: null }],
    // 5000 of 24 MB are 120 GB: 120 GB of label hold 118.4 of them, 128 hold 126.3.
    ['5000 photos of 24 MB', { bytes: 128e9, pictures: 5000, asked: 'card' }],
    ['5000 photos of 24 MB each on 128GB', { pictures: 5264, asked: 'pictures', wanted: 5000 }],
    ['6000 photos of 24 MB on 128GB', { pictures: 5264, asked: 'pictures', wanted: 6000 }],
  ])('%s', (line, stills) => {
    expect(asked(line)).toMatchObject({ kind: 'stills', stills });
  });

  it('a small bare number before a size may be anything, and a mark makes it a rate', () => {
    expect(openIn('600 on 256 GB')).toEqual(['600']);
    expect(openIn('1850 on 256 GB V90')).toEqual(['1850']);
  });

  it('the volume of a rate is told where it was asked for', () => {
    for (const line of [
      'how many GB per hour is 400 Mb/s',
      '400 Mb/s in GB per minute',
      'GB an hour at 400 Mb/s',
      '400 Mb/s per hour in GB',
      '1000 Mb/s in 4 hours how many TB',
      'how many GB is 2 h of 150 Mb/s',
      'GB for 45 minutes at 200 Mb/s',
      '1h at 100 Mb/s in GB',
    ])
      expect(card(line).answer.ask.volume, line).toBe(true);
    expect(card('400 Mb/s').answer.ask.volume).toBe(false);
  });
});

describe('a red line', () => {
  it.each([
    ['400 Mb/s on 128GB V30 for 2h', ['400 Mb/s on 128GB V60 for 2h', '400 Mb/s on 128GB E150 for 2h']],
    ['is V30 enough for 400 Mb/s', ['is V60 enough for 400 Mb/s', 'is E150 enough for 400 Mb/s']],
    ['avg 300 Mb/s on V60 II', ['avg 300 Mb/s on V90 II']],
    // Its own bus holds it back: the mark without it.
    ['400 Mb/s on 256GB SDXC I U1', ['400 Mb/s on 256GB SDXC V60', '400 Mb/s on 256GB SDXC E150']],
    // No mark counts there.
    ['600 Mb/s on 256GB V90 II in UHS-I', []],
  ])('says what would do, and it would: %s', (line, lines) => {
    const { instead } = card(line);
    expect(instead.map((one) => one.line)).toEqual(lines);
    for (const one of lines) expect(card(one).answer.cell?.verdict, one).toBe('guaranteed');
  });
});

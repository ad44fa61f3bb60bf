import { describe, expect, it } from 'vitest';
import { isContradiction, isHarmless, labelProblems } from './labelProblems.ts';
import { readLabel } from './readLabel.ts';

const codes = (text: string): readonly string[] => labelProblems(readLabel(text)).map(({ code }) => code);

describe('readLabel', () => {
  it('reads a full SD label in any order and spelling', () => {
    const label = readLabel('u3 128gb v60 sdxc uhs-ii 270MB/s class 10 a2');
    expect(label).toMatchObject({
      form: 'sd',
      capacity: 128e9,
      family: 'sdxc',
      bus: 'uhs-ii',
      busPrinted: true,
      marks: ['U3', 'V60', 'C10'],
      apps: ['A2'],
      printed: [270e6],
      unread: [],
    });
  });

  it('reads the family word of a microSD as its form', () => {
    expect(readLabel('64GB microSDXC I U1')).toMatchObject({ form: 'microsd', familyPrinted: 'sdxc' });
  });

  it.each([
    ['1TB CFexpress B VPG400', 'cfexpress-b'],
    ['1TB CFexpress Type B VPG400', 'cfexpress-b'],
    ['160GB CFexpress Type A VPG-200', 'cfexpress-a'],
    ['120GB XQD', 'xqd'],
    ['256GB CFast 2.0 VPG-130', 'cfast'],
    ['32GB CompactFlash UDMA 7 VPG-65', 'cf'],
    ['1TB SSD', 'usb-ssd'],
    ['128GB µSD U3', 'microsd'],
  ])('tells the form of %s', (text, form) => {
    const label = readLabel(text);
    expect(label.form).toBe(form);
    expect(label.unread).toEqual([]);
  });

  it('keeps the roman numeral apart from the grade: II is a bus, U3 a class', () => {
    expect(readLabel('64GB II U3')).toMatchObject({ bus: 'uhs-ii', marks: ['U3'] });
    expect(readLabel('64GB III')).toMatchObject({ bus: 'uhs-iii', marks: [] });
  });

  it('tells the bus from a mark that needs one, and says it is not printed', () => {
    expect(readLabel('256GB V90')).toMatchObject({ bus: 'uhs-ii', busPrinted: false });
  });

  it('reads × ratings as peaks: 633× is 94.95 MB/s, 1800× is 270 MB/s', () => {
    expect(readLabel('128GB 633x').times).toEqual({ value: 633, rate: 94_950_000 });
    expect(readLabel('128GB 1800×').times?.rate).toBe(270_000_000);
  });
});

describe('labelProblems', () => {
  it.each([
    ['64GB SDHC I U1', 'family-mismatch'],
    ['32GB SDXC I U1', 'family-mismatch'],
    ['256GB SDXC I V90', 'mark-needs-bus'],
    ['256GB SDXC I II V60', 'two-buses'],
    ['128GB SDXC UHS-I UHS-II U3', 'two-buses'],
    ['128GB SDXC I U1 U3', 'grade-contradicts'],
    ['256GB SDXC I E150', 'mark-needs-bus'],
    ['256GB SDXC U2', 'impossible-mark'],
    ['256GB SDXC V2', 'impossible-mark'],
    ['256GB SDXC U30', 'impossible-mark'],
    ['128GB SDXC I U1 V30', 'grade-contradicts'],
    ['128GB SDXC I U3 170MB/s', 'own-reader-speed'],
    ['128GB SDXC I U3 201MB/s', 'speed-above-bus'],
    ['128GB SDXC II V60 320MB/s', 'speed-above-bus'],
    ['128GB SDXC I U3 633x 60MB/s', 'times-disagree'],
    ['128GB SD VPG400', 'mark-on-wrong-form'],
    ['128GB SDXC wobble', 'not-understood'],
  ])('%s: %s', (text, code) => {
    expect(codes(text)).toContain(code);
  });

  it('finds nothing wrong with an honest label', () => {
    expect(codes('128GB SDXC II V60 270MB/s')).toEqual([]);
    expect(codes('128GB SDXC I U3 95MB/s 633x')).toEqual([]);
  });

  it('takes a bus that was merely not typed for no contradiction', () => {
    for (const text of ['256GB V90', '256GB SDXC V60', '256GB SDXC E150', '128GB SDXC V30'])
      expect(codes(text), text).toEqual([]);
    expect(readLabel('256GB SDXC E150').bus).toBe('sd-express-1');
  });

  it('calls 105 to 200 MB/s on UHS-I a note, harmless', () => {
    const [problem] = labelProblems(readLabel('128GB SDXC I U3 200MB/s'));
    expect(problem && isHarmless(problem)).toBe(true);
    expect(codes('128GB SDXC I U3 104MB/s')).toEqual([]);
  });

  it.each([
    ['256GB microSDXC UHS-3', true],
    ['256GB SDXC UHS-3 V30', true],
    ['256GB SDXC UHS 3', true],
    ['256GB SDXC UHS-III V30', false],
    ['256GB SDXC III', false],
  ])('%s: asks whether the 3 is a grade or a bus: %s', (text, asks) => {
    expect(codes(text).includes('grade-or-bus')).toBe(asks);
    if (asks) expect(readLabel(text).bus, 'nothing is guessed').not.toBe('uhs-iii');
  });

  it('counts a card of 2048 GB as one of 2 TB', () => {
    expect(codes('2048GB SDXC I V30')).toEqual([]);
    expect(codes('2049GB SDXC I V30')).toContain('family-mismatch');
    expect(codes('2048GB SDUC I V30')).toContain('family-mismatch');
  });

  it('tells contradictions, which void every promise, from what is only odd', () => {
    const isVoid = (text: string) => labelProblems(readLabel(text)).some(isContradiction);
    for (const text of [
      '64GB SDHC I U1',
      '256GB SDXC I V90',
      '128GB SDXC I U1 V30',
      '64GB SDXC I II',
      '64GB SDXC I U1 U3',
      '256GB SDXC U2',
      '256GB SDXC V2',
      '256GB SDXC II V60 560MB/s',
      '64GB CF 1000x 90MB/s',
      '256GB SDXC II V90 80MB/s',
      '512GB CFexpress B VPG400 300MB/s',
      '512GB CFexpress B VPG400 R800 W350',
      '64GB SDXC SDHC I V30',
      '64GB SDHC SDXC I V30',
      '64GB CF CFast',
      '64GB CFast CF',
      '64GB SD microSD V30',
      '64GB SDXC CFast V30',
      '64GB microSDXC SD V30',
      '256GB CFexpress B V30',
      '64GB SDXC II EX V30',
    ])
      expect(isVoid(text), text).toBe(true);
    for (const text of [
      '128GB SDXC I U3 170MB/s',
      '128GB SDXC wobble',
      '256GB SDXC I EX V30 800MB/s',
      '256GB SDXC EX I V30 1600MB/s',
      '128GB SDXC V30 280MB/s',
      '128GB SDXC UHS-3 V30',
      '128GB microSDXC I V30 with SD adapter',
      '128GB microSDXC V30 incl. SD adapter',
      '64GB SD SDXC II V90 R300 W250',
      '64GB CF 1066x 160MB/s',
      '1TB CFexpress Type B 4.0 VPG800 R3500 W3000',
      '32GB SDHC I C10 U1',
      '256GB V90',
    ])
      expect(isVoid(text), text).toBe(false);
  });

  it('says that C10 and U1 only repeat each other, harmlessly', () => {
    expect(labelProblems(readLabel('32GB SDHC I C10 U1'))).toEqual([
      { code: 'repeats', marks: ['C10', 'U1'], harmless: true },
    ]);
  });

  it('suggests the marks nearest to one that does not exist', () => {
    expect(labelProblems(readLabel('64GB SDXC U2'))).toContainEqual({
      code: 'impossible-mark',
      text: 'U2',
      couldBe: ['U1', 'U3'],
    });
  });
});

describe('labels as people write them and as they are printed', () => {
  it.each([
    ['128GB V 60 II', { form: 'sd', capacity: 128e9, bus: 'uhs-ii', words: ['V60', 'II'] }],
    ['128GB v-60 ii', { form: 'sd', words: ['V60', 'II'] }],
    ['32GB C 10', { words: ['C10'] }],
    ['64G SDXC V30', { capacity: 64e9, words: ['SDXC', 'V30'] }],
    ['512GB CFX-B VPG400', { form: 'cfexpress-b', words: ['VPG400'] }],
    ['512GB CFe-A', { form: 'cfexpress-a' }],
    ['1TB CFexpress 4.0 Type B', { form: 'cfexpress-b', bus: 'cfexpress-4', words: ['4.0'] }],
    ['1TB CFexpress Type B 4.0', { form: 'cfexpress-b', bus: 'cfexpress-4', words: ['4.0'] }],
    ['128GB SDXC-I U3', { bus: 'uhs-i', words: ['SDXC', 'I', 'U3'] }],
    ['128GB SDXC-II V60', { bus: 'uhs-ii', words: ['SDXC', 'II', 'V60'] }],
    ['64GB TF U3 A2', { form: 'microsd', words: ['U3', 'A2'] }],
    ['256GB SDXC R300 W260 V60', { words: ['SDXC', 'V60'], printed: [300e6, 260e6] }],
    ['512GB CFexpress Type B R:800MB/s W:600MB/s', { form: 'cfexpress-b', printed: [800e6, 600e6] }],
    ['64GB CF UDMA 7', { form: 'cf', bus: 'udma-7' }],
    ['64GB SDXC 90MB/s* U3', { words: ['SDXC', 'U3'], printed: [90e6] }],
    ['128GB SDXC/II/U3/V60', { bus: 'uhs-ii', words: ['SDXC', 'II', 'U3', 'V60'] }],
  ])('%s', (text, read) => {
    expect(readLabel(text)).toMatchObject({ ...read, unread: [] });
  });

  it('keep the rest in its place, unread', () => {
    expect(readLabel('256GB V30 Turbo').unread).toMatchObject([{ text: 'Turbo', problem: { code: 'unknown' } }]);
  });
});

import { describe, expect, it } from 'vitest';
import type { Mark } from '../standards/marks.ts';
import { digitsOf, distance } from './confusions.ts';
import { findingsOf, labelText, type MarkFound, notFound, type RowReading } from './findings.ts';
import { fitted, type Gray, grayOf, sampled } from './gray.ts';
import { inked } from './ink.ts';
import { guesses } from './labelWords.ts';
import { lettersIn, printAt } from './lines.ts';
import { readCard } from './readCard.ts';
import { readText } from './readText.ts';
import type { RecognisedWord, Recogniser } from './recogniser.ts';
import { counted, framedSays, rowSays, type Saying } from './rowSays.ts';
import { type Row, rowsOf, sheetOf, strokesIn } from './rows.ts';

const first = (text: string) => guesses(text)[0];

describe('confusions', () => {
  it.each([
    ['V90', 'v90', 0],
    ['v9o', 'V90', 0.3],
    ['5DXC', 'SDXC', 0.3],
    ['V6O0', 'V60', 0.65],
    ['V60.', 'V60', 0.35],
  ])('%s is %s but for %d', (read, meant, cost) => {
    expect(distance(read, meant, 2)).toBeCloseTo(cost, 5);
  });

  it('gives up past its limit, and never takes a letter for one that looks nothing like it', () => {
    expect(distance('Quay', 'V90', 1)).toBe(Number.POSITIVE_INFINITY);
    expect(distance('X', 'I', 0.9)).toBe(Number.POSITIVE_INFINITY);
  });

  it('puts digits right that were read as letters, and says that it did', () => {
    expect(digitsOf('2S0')).toEqual({ digits: '250', mended: true });
    expect(digitsOf('250')).toEqual({ digits: '250', mended: false });
    expect(digitsOf('25k')).toBeNull();
    expect(digitsOf('')).toBeNull();
  });
});

describe('words of a label', () => {
  // What a recogniser made of drawn labels; the first four are those that the task names.
  it.each([
    ['v9o', 'video', 'V90'],
    ['256¢:s', 'capacity', '256GB'],
    ['(3)', 'grade', 'U3'],
    ['VGO', 'video', 'V60'],
    ['1668', 'capacity', '16GB'],
    ['256G6B', 'capacity', '256GB'],
    ['CLAss 10', 'class', 'C10'],
    ['microSOXC', 'family', 'microSDXC'],
    ['VPG-400', 'vpg', 'VPG400'],
    ['Il', 'bus', 'II'],
    ['TYPE B', 'type', 'B'],
    ['READ 3550MB/s', 'speed', '3550MB/s'],
    ['1066x', 'times', '1066x'],
    ['W 8O MB/:s', 'speed', '80MB/s'],
  ])('%s is %s %s', (text, told, word) => {
    expect(first(text)).toMatchObject({ told, word });
  });

  it('costs nothing only where the text says it as it stands', () => {
    expect(first('V60')?.cost).toBe(0);
    expect(first('vPG 200')?.cost).toBe(0);
    for (const text of ['v9o', 'VGO', '(3)', '256¢:s']) expect(first(text)?.cost, text).toBeGreaterThan(0);
  });

  it('offers every mark that a broken one may be', () => {
    // The sign that tells one from the other was not read.
    for (const text of ['GB', 'G8', 'TB', 'CLASS', 'Type', 'TYPE', '400', '40'])
      expect(
        guesses(text).filter(({ told }) => ['capacity', 'class', 'type', 'version'].includes(told)),
        text,
      ).toEqual([]);
    expect(first('256G')).toMatchObject({ told: 'capacity', word: '256GB' });
    expect(guesses('V0').map(({ word }) => word)).toEqual(expect.arrayContaining(['V30', 'V60', 'V90']));
  });

  it.each(['HARBOUR', 'Spinnaker', 'Made', '', '   ', 'a very long line of print that is no word'])(
    'finds nothing in “%s”',
    (text) => {
      expect(guesses(text)).toEqual([]);
    },
  );

  it('takes a size that no card is sold in for a guess at most', () => {
    expect(first('330GB')?.cost).toBe(0);
    expect(first('257GB')?.cost).toBeGreaterThanOrEqual(0.3);
  });
});

const word = (text: string, from: number, confidence = 0.9) => ({
  text,
  confidence,
  from,
  to: from + text.length * 10,
});

describe('a row', () => {
  it('joins what belongs together, and leaves alone what does not', () => {
    const says = rowSays([word('REEL', 0), word('128', 60), word('GB', 100), word('V60', 150), word('U3', 200)]);
    expect(says.map(({ guesses: [guess] }) => guess?.word)).toEqual(['128GB', 'V60', 'U3']);
    expect(says[0]).toMatchObject({ text: '128 GB', from: 60, to: 120 });
  });

  it('takes a stroke for a numeral only beside a family', () => {
    expect(rowSays([word('SDXC', 0), word('|', 50)]).map(({ guesses: [guess] }) => guess?.word)).toEqual(['SDXC', 'I']);
    expect(rowSays([word('Quay', 0), word('|', 50)])).toEqual([]);
  });

  it('has the confidence of its least certain word', () => {
    const [say] = rowSays([word('128', 0, 0.9), word('GB', 40, 0.2)]);
    expect(say?.confidence).toBe(0.2);
  });

  it('reads a digit in a frame by most of its three prints', () => {
    expect(framedSays('bowl', [word('333', 0)])[0]?.guesses[0]).toMatchObject({ word: 'U3', cost: 0 });
    expect(framedSays('bowl', [word('3[33,', 0)])[0]?.guesses[0]?.cost).toBeGreaterThan(0);
    expect(framedSays('ring', [word('10', 0), word('10', 30), word('10', 60)])[0]?.guesses[0]).toMatchObject({
      word: 'C10',
    });
    expect(framedSays('bowl', [word('222', 0)])).toEqual([]);
    expect(framedSays('ring', [])).toEqual([]);
  });
});

describe('numerals', () => {
  const say = (text: string): Saying => ({ text, guesses: guesses(text), confidence: 0.4, from: 0, to: 20 });
  it('are read where strokes and letters agree', () => {
    expect(counted(say('|'), 1).guesses[0]).toEqual({ told: 'bus', word: 'I', cost: 0 });
    expect(counted(say('Il'), 2).guesses[0]).toEqual({ told: 'bus', word: 'II', cost: 0 });
  });
  it('are asked about where they do not', () => {
    const [guess] = counted(say('I'), 2).guesses;
    expect(guess?.word).toBe('II');
    expect(guess?.cost).toBeGreaterThan(0.35);
    expect(counted(say('II'), 5).guesses[0]?.cost).toBeGreaterThan(0.35);
  });
  it('leave other words alone', () => {
    expect(counted(say('EX'), 3)).toEqual(say('EX'));
  });
});

const ROW: Row = {
  kind: 'line',
  line: 0,
  polarity: 'dark',
  frame: { x: 0, y: 0, across: [1, 0], down: [0, 1], width: 200, height: 48 },
  margin: 8,
  tall: 32,
  isShort: false,
  close: [],
};

/** One reading of rows of text, each word as sure as is said. */
const read = (...rows: readonly (readonly [text: string, confidence: number])[][]): readonly RowReading[] =>
  rows.map((words, line) => ({
    row: { ...ROW, line },
    says: rowSays(words.map(([text, confidence], at) => word(text, at * 60, confidence))),
    told: [],
  }));

const one = (findings: readonly MarkFound[], told: string): MarkFound | undefined =>
  findings.find((finding) => finding.told === told);

describe('findings', () => {
  const plain = read([
    ['SDXC', 0.9],
    ['V60', 0.8],
    ['U3', 0.9],
  ]);

  it('are sure where two readings say the same', () => {
    expect(findingsOf([plain, plain]).map(({ word: own, doubt }) => [own, doubt])).toEqual([
      ['SDXC', null],
      ['V60', null],
      ['U3', null],
    ]);
  });

  it('are doubtful on one reading alone, however sure of itself', () => {
    expect(findingsOf([plain, []]).every(({ doubt }) => doubt === 'differs')).toBe(true);
  });

  it.each([
    ['V60', 0.9, 'V30', 0.9, 'differs'],
    ['V60', 0.3, 'V60', 0.2, 'weak'],
    ['v6o', 0.9, 'v6o', 0.9, 'confused'],
    ['V6', 0.9, 'V6', 0.9, 'rare'],
    ['VPG20', 0.9, 'VPG20', 0.9, 'rare'],
  ] as const)('%s (%d) and %s (%d) is asked: %s', (a, sureA, b, sureB, doubt) => {
    const [found] = findingsOf([read([[a, sureA]]), read([[b, sureB]])]);
    expect(found?.doubt).toBe(doubt);
  });

  /** What signs tell beside a text, or without one. */
  const signs = (mark: Mark, chance = 0.99): RowReading => ({
    row: ROW,
    says: [],
    told: [{ told: 'video', word: mark, chance, from: 0, to: 50 }],
  });
  const heardAt = (confidence: number, text: string, both: readonly RowReading[][]) =>
    findingsOf(both.map((own) => [...read([[text, confidence]]), ...own])).map(({ word: own, doubt }) => [own, doubt]);
  const settled = (text: string, ...both: readonly RowReading[][]) => heardAt(0.4, text, both);

  it('are sure where the signs of both readings tell what the text is near to', () => {
    expect(settled('v6o', [signs('V60')], [signs('V60')])).toEqual([['V60', null]]);
    expect(settled('v6o', [signs('V60')], [])).toEqual([['V60', 'confused']]);
    expect(settled('v6o', [signs('V60')], [signs('V60', 0.95)])).toEqual([['V60', 'confused']]);
  });

  it('are asked about where the signs tell another mark than the text, and put theirs first where they agree', () => {
    expect(heardAt(0.9, 'V60', [[signs('V90')], []])).toEqual([['V60', 'differs']]);
    const [both] = findingsOf([0, 1].map(() => [...read([['V60', 0.9]]), signs('V90')]));
    expect([both?.word, both?.doubt]).toEqual(['V90', 'differs']);
    expect(both?.couldBe).toContain('V60');
  });

  it('that only signs tell are asked about, and none where one reading tells another', () => {
    const beside = read([['SDXC', 0.9]]);
    const only = (a: RowReading, b: RowReading) =>
      findingsOf([
        [...beside, a],
        [...beside, b],
      ]).map(({ word: own, doubt }) => [own, doubt]);
    expect(only(signs('V30'), signs('V30'))).toEqual([
      ['SDXC', null],
      ['V30', 'differs'],
    ]);
    expect(only(signs('V30'), signs('V90'))).toEqual([['SDXC', null]]);
  });

  it('keep the question of a mark that may be what is left of another, whatever its signs tell', () => {
    expect(settled('V6', [signs('V6')], [signs('V6')])).toEqual([['V6', expect.stringMatching(/weak|rare/)]]);
  });

  it('offer what else a mark may be', () => {
    const [found] = findingsOf([read([['V6', 0.9]]), read([['V6', 0.9]])]);
    expect(found?.couldBe).toContain('V60');
  });

  it('of two different marks in one picture are asked about', () => {
    const two = read([['V60', 0.9]], [['V90', 0.9]]);
    expect(one(findingsOf([two, two]), 'video')?.doubt).toBe('several');
  });

  it('that contradict each other are all asked about', () => {
    const wrong = read([
      ['32GB', 0.9],
      ['SDXC', 0.9],
    ]);
    expect(findingsOf([wrong, wrong]).map(({ doubt }) => doubt)).toEqual(['contradicts', 'contradicts']);
    const slow = read([
      ['SDXC', 0.9],
      ['UHS-I', 0.9],
      ['V90', 0.9],
    ]);
    expect(one(findingsOf([slow, slow]), 'video')?.doubt).toBe('contradicts');
  });

  it('keep two peaks of two rows apart', () => {
    const peaks = read([['300MB/s', 0.9]], [['260MB/s', 0.9]]);
    expect(findingsOf([peaks, peaks]).map(({ word: own }) => own)).toEqual(['300MB/s', '260MB/s']);
  });

  it('say what was not found, by form', () => {
    expect(notFound(findingsOf([plain, plain]))).toEqual(['capacity', 'bus']);
    const express = read([
      ['CFexpress', 0.9],
      ['TYPE', 0.9],
      ['B', 0.9],
    ]);
    expect(notFound(findingsOf([express, express]), 'cfexpress-b')).toEqual(['capacity', 'vpg']);
    expect(notFound([])).toEqual(['capacity', 'form', 'bus', 'video', 'grade', 'vpg']);
  });

  it('become the text of a label', () => {
    expect(
      labelText([
        { told: 'capacity', word: '128GB' },
        { told: 'form', word: 'CFexpress' },
        { told: 'type', word: 'B' },
      ]),
    ).toBe('128GB CFexpress B');
  });
});

/** A white picture with black boxes. */
function boxes(width: number, height: number, list: readonly (readonly [number, number, number, number])[]): Gray {
  const data = new Uint8Array(width * height).fill(235);
  for (const [x, y, wide, tall] of list) {
    for (let row = y; row < y + tall; row += 1) data.fill(20, row * width + x, row * width + x + wide);
  }
  return { width, height, data };
}

describe('pictures', () => {
  it('are as bright as the eye sees them', () => {
    const data = Uint8ClampedArray.from([255, 255, 255, 255, 0, 255, 0, 255, 0, 0, 255, 255]);
    // Weights of luma, 0.299 R + 0.587 G + 0.114 B [ITU-R BT.601].
    expect([...grayOf({ width: 3, height: 1, data }).data]).toEqual([255, 149, 28]);
  });

  it('are made smaller without losing their mean, and never larger', () => {
    const picture = boxes(400, 200, [[0, 0, 200, 200]]);
    const { gray, scale } = fitted(picture, 100);
    expect([gray.width, gray.height, scale]).toEqual([100, 50, 0.25]);
    const mean = gray.data.reduce((sum, shade) => sum + shade, 0) / gray.data.length;
    expect(mean).toBeGreaterThan(118);
    expect(mean).toBeLessThan(138);
    expect(fitted(picture, 1000).gray).toBe(picture);
  });

  it('are sampled at a turn, and repeat their edge outside', () => {
    const picture = boxes(60, 60, [[10, 20, 5, 30]]);
    const turned = sampled(picture, { x: 0, y: 59, across: [0, -1], down: [1, 0], width: 60, height: 60 });
    expect(turned.data[12 * 60 + 25]).toBeLessThan(60);
    const beyond = sampled(picture, { x: -50, y: -50, across: [1, 0], down: [0, 1], width: 10, height: 10 });
    expect([...beyond.data].every((shade) => shade > 200)).toBe(true);
  });

  it('of nothing hold no print', async () => {
    const recognise: Recogniser = async () => [];
    for (const picture of [boxes(300, 200, []), boxes(4, 4, []), boxes(1, 1, [])]) {
      expect(await readCard(picture, recognise)).toMatchObject({ findings: [], isPage: false });
      expect((await readText(picture, recognise)).rows).toEqual([]);
    }
  });

  /** Print of blocks with a hole in each, in a picture of 600 by 400: a zero as plain as can be. */
  const zeros = (data: Uint8Array, left: number, top: number, count: number, shade: number, hole: number): void => {
    for (let at = 0; at < count; at += 1) {
      const from = left + at * 20;
      for (let y = top; y < top + 26; y += 1) data.fill(shade, y * 600 + from, y * 600 + from + 15);
      for (let y = top + 6; y < top + 20; y += 1) data.fill(hole, y * 600 + from + 5, y * 600 + from + 10);
    }
  };

  it.each([
    ['light on a dark card', 30, 220],
    ['dark on a light card', 225, 35],
  ])('show the letters on a small plate, %s, and those beside it', (_, ground, ink) => {
    const data = new Uint8Array(600 * 400).fill(ground);
    zeros(data, 120, 90, 8, ink, ground);
    for (let y = 200; y < 240; y += 1) data.fill(ink, y * 600 + 120, y * 600 + 260);
    zeros(data, 130, 207, 6, ground, ink);
    const gray: Gray = { width: 600, height: 400, data };
    const letters = lettersIn(inked(gray, 33));
    const { lines } = printAt(letters, letters.angle);
    const found = lines.map(({ polarity, letters: own }) => [polarity, own.length]);
    const [own, other] = ground < 128 ? ['light', 'dark'] : ['dark', 'light'];
    expect(found).toContainEqual([own, 8]);
    expect(found).toContainEqual([other, 6]);
  });

  it('show their strokes', () => {
    const two = boxes(400, 120, [
      [150, 40, 8, 40],
      [175, 40, 8, 40],
      [210, 40, 24, 40],
      [245, 40, 24, 40],
    ]);
    const letters = lettersIn(inked(two, 22));
    const rows = rowsOf(printAt(letters, 0), 1);
    expect(rows).toHaveLength(1);
    const [row] = rows;
    const sheet = sheetOf(two, rows);
    const step = Math.hypot(...(row?.frame.across ?? [1, 0]));
    expect(strokesIn(sheet, 0, 8, 8 + 33 / step)).toBe(2);
  });
});

describe('a table', () => {
  const sheetWords = (texts: readonly (readonly [string, number, number, number?])[]): readonly RecognisedWord[] =>
    texts.map(([text, left, top, confidence = 0.95]) => ({
      text,
      confidence,
      left,
      top,
      right: left + text.length * 16,
      bottom: top + 30,
    }));
  const page = boxes(600, 300, [
    [60, 60, 14, 30],
    [80, 60, 14, 30],
    [100, 60, 14, 30],
    [120, 60, 14, 30],
    [60, 140, 14, 30],
    [80, 140, 14, 30],
    [100, 140, 14, 30],
  ]);
  const reader = (first: readonly RecognisedWord[], second = first): Recogniser => {
    let calls = 0;
    return async () => {
      calls += 1;
      // The second reading is of another size; the places of its words shrink with it.
      return calls === 1
        ? first
        : second.map((one) => ({
            ...one,
            left: one.left * 0.8,
            right: one.right * 0.8,
            top: one.top * 0.8,
            bottom: one.bottom * 0.8,
          }));
    };
  };

  it('is cut into rows and cells', async () => {
    const { rows } = await readText(
      page,
      reader(
        sheetWords([
          ['4K', 10, 10],
          ['long', 50, 11],
          ['100', 260, 9],
          ['Mb/s', 320, 10],
          ['HD', 10, 90],
          ['50', 260, 91],
        ]),
      ),
    );
    expect(rows.map((cells) => cells.map(({ text }) => text))).toEqual([
      ['4K long', '100 Mb/s'],
      ['HD', '50'],
    ]);
  });

  it('has a figure asked about that two readings give otherwise, or that may be a barred zero', async () => {
    const { rows } = await readText(
      page,
      reader(
        sheetWords([
          ['500', 10, 10],
          ['166', 260, 10],
          ['25', 10, 90],
          ['long', 260, 90],
        ]),
        sheetWords([
          ['560', 10, 10],
          ['166', 260, 10],
          ['25', 10, 90],
          ['1ong', 260, 90],
        ]),
      ),
    );
    expect(rows.flat().map(({ text, isDoubtful, other }) => [text, isDoubtful, other])).toEqual([
      ['500', true, '560'],
      ['166', true, null],
      ['25', false, null],
      ['long', true, '1ong'],
    ]);
  });
});

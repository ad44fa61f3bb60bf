import { describe, expect, it } from 'vitest';
import type { Gray } from '../gray.ts';
import type { RowWord } from '../recogniser.ts';
import type { Row } from '../rows.ts';
import { glyphsIn } from './glyphs.ts';
import { digitsTold, isWord, type Sign, toldBy } from './marksTold.ts';
import { chances } from './network.ts';
import { stacksIn } from './stacks.ts';

/** Signs that look like these letters, each so wide and so far from the one before. */
function signs(text: string, { like = 0.95, gap = 4, from = 0 } = {}): readonly Sign[] {
  let x = from;
  return [...text].flatMap((letter): Sign[] => {
    if (letter === ' ') {
      x += 30;
      return [];
    }
    const own = { of: (sign: string) => (sign === letter ? like : (1 - like) / 25) };
    const sign = { chances: own, from: x, to: x + 18, top: 8, base: 40 };
    x += 18 + gap;
    return [sign];
  });
}

const words = (text: string, options = {}): readonly string[] =>
  toldBy('line', signs(text, options), 32).map(({ word }) => word);

describe('marks by their signs', () => {
  it.each([
    ['V60', ['V60']],
    ['V6', ['V6']],
    ['U3 V30 C10', ['U3', 'V30', 'C10']],
    ['VPG400', ['VPG400']],
    // A zero with a bar or a dot looks like another round sign; no other mark has three signs and this beginning.
    ['V98', ['V90']],
    ['VPG4D8', ['VPG400']],
  ])('%s', (text, expected) => {
    expect(words(text)).toEqual(expected);
  });

  it.each(['V50', 'V3', 'AV60', 'V600', 'XV30', 'U2', 'VPG300', 'V 60'])('%s is none', (text) => {
    expect(words(text)).toEqual([]);
  });

  it('are none where a sign hardly looks like what it stands for', () => {
    expect(words('V60', { like: 0.4 })).toEqual([]);
  });

  it('have as their chance their share of all marks of as many signs', () => {
    // V60 at 0.7 a sign: 0.7³ against three others that differ in one digit, each 0.7² × 0.3/25.
    const [told] = toldBy('line', signs('V60', { like: 0.7 }), 32);
    expect(told?.chance).toBeCloseTo(0.7 / (0.7 + (3 * 0.3) / 25), 6);
  });

  it('in a frame are told by their digits alone', () => {
    expect(toldBy('bowl', signs('3'), 32)).toMatchObject([{ told: 'grade', word: 'U3' }]);
    expect(toldBy('ring', signs('10'), 32)).toMatchObject([{ told: 'class', word: 'C10' }]);
    expect(toldBy('bowl', signs('7'), 32)).toEqual([]);
    expect(digitsTold('VPG', signs('65'))?.word).toBe('VPG65');
    expect(digitsTold('VPG', [])).toBeNull();
    expect([isWord('VPG', signs('VPG')), isWord('VPG', signs('VP'))]).toEqual([true, false]);
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
const below = (line: number, y: number, x = 0): Row => ({ ...ROW, line, frame: { ...ROW.frame, x, y } });
const said = (text: string): readonly RowWord[] => [{ text, confidence: 0.9, from: 0, to: 66 }];

describe('a guarantee over two lines', () => {
  const stack = (y: number, digits: string, text: string, x = 0) =>
    stacksIn([ROW, below(1, y, x)], [signs('VPG'), signs(digits)], [said('VPG'), said(text)]).map(({ says, told }) => [
      says[0]?.guesses[0]?.word ?? null,
      says[0]?.guesses[0]?.cost ?? null,
      told[0]?.word ?? null,
    ]);

  it('is read where its digits stand under its letters, and is as sure as the text is near', () => {
    expect(stack(40, '400', '400')).toEqual([['VPG400', 0, 'VPG400']]);
    expect(stack(40, '400', '4@0')).toEqual([['VPG400', 0.8, 'VPG400']]);
  });

  it('is only asked about where they stand elsewhere, and none where they are no guarantee', () => {
    expect(stack(160, '400', '400')).toEqual([[null, null, 'VPG400']]);
    expect(stack(40, '400', '400', 120)).toEqual([[null, null, 'VPG400']]);
    expect(stack(40, '300', '300')).toEqual([]);
  });

  it('is none where its letters have digits of their own behind them, or the digits a unit', () => {
    const rows = [ROW, below(1, 40)];
    const inLine = [...signs('VPG'), ...signs('200', { from: 90 })];
    const speed = [...signs('400'), ...signs('MB', { from: 90 })];
    const told = (first: readonly Sign[], second: readonly Sign[]) =>
      stacksIn(rows, [first, second], [said('VPG'), said('400')]).flatMap(({ told: own }) =>
        own.map(({ word }) => word),
      );
    expect(told(inLine, signs('400'))).toEqual(['VPG400']);
    expect(stacksIn(rows, [inLine, signs('400')], [said('VPG'), said('400')])[0]?.says, 'only asked about').toEqual([]);
    expect(told(signs('VPG'), speed)).toEqual([]);
    expect(told(inLine, speed)).toEqual([]);
  });

  it('is none where the digits have a unit beside them in another size', () => {
    const rows = [below(0, 0), below(0, 0, 90)];
    expect(stacksIn(rows, [signs('200'), signs('GB')], [said('200'), said('GB')])).toEqual([]);
  });
});

describe('signs of a row', () => {
  /** White, with black bars [left, top, right, bottom]. */
  const row = (...bars: readonly (readonly [number, number, number, number])[]): Gray => {
    const gray = { width: 160, height: 48, data: new Uint8Array(160 * 48).fill(255) };
    for (const [left, top, right, bottom] of bars)
      for (let y = top; y <= bottom; y += 1) gray.data.fill(0, y * 160 + left, y * 160 + right + 1);
    return gray;
  };

  it('are what is as tall as a capital, from left to right, with a dot within one left out', () => {
    const found = glyphsIn(
      row([60, 8, 72, 39], [10, 8, 16, 39], [30, 30, 36, 39], [100, 0, 101, 47], [120, 4, 124, 9]),
      32,
    );
    expect(found.map(({ from, to, top, base }) => [from, to, top, base])).toEqual([
      [10, 16, 8, 39],
      [60, 72, 8, 39],
    ]);
  });

  it('are brought to one height in the middle of a square, with their width told', () => {
    const [bar] = glyphsIn(row([10, 8, 17, 39]), 32);
    // 8 of 32 wide: four of sixteen columns, in the middle.
    expect([...(bar?.ink.slice(0, 16) ?? [])]).toEqual([0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 0, 0, 0, 0, 0, 0]);
    expect(bar?.ink.at(-1)).toBeCloseTo(0.25, 6);
  });

  it('of nothing are none', () => {
    expect(glyphsIn(row(), 32)).toEqual([]);
  });
});

describe('the network', () => {
  // Worked by hand: hidden = max(0, 2·1 − 1·0.5 + 0.25) = 1.75 and max(0, −1) = 0; outputs 1.75 and 0.5; e^1.25 = 3.4903.
  it('is a layer that cuts below nought, and shares that sum to one', () => {
    const network = {
      signs: 'ab',
      hidden: 2,
      first: Float32Array.from([2, -1, 0.25, -1, 0, 0]),
      second: Float32Array.from([1, 5, 0, 0, 0, 0.5]),
    };
    const [a = 0, b = 0] = chances(network, Float32Array.from([1, 0.5]));
    expect(a).toBeCloseTo(3.4903 / 4.4903, 4);
    expect(a + b).toBeCloseTo(1, 6);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BUS_KEYS } from '../standards/buses.ts';
import { FORM_KEYS, form } from '../standards/forms.ts';
import { APP_KEYS, MARK_KEYS } from '../standards/marks.ts';
import { aCard } from '../testing.ts';
import { busOf, speaks } from './printedBus.ts';
import { readLabel } from './readLabel.ts';
import { isSameWord, keptSpelling, readWord, shownSpelling } from './vocabulary.ts';

describe('the vocabulary', () => {
  it.each([
    ['v60', { kind: 'mark', mark: 'V60' }],
    ['V 60', { kind: 'mark', mark: 'V60' }],
    ['VPG-400', { kind: 'mark', mark: 'VPG400' }],
    ['vpg 400', { kind: 'mark', mark: 'VPG400' }],
    ['Class 10', { kind: 'mark', mark: 'C10' }],
    ['UHS speed class 3', { kind: 'mark', mark: 'U3' }],
    ['video speed class 30', { kind: 'mark', mark: 'V30' }],
    ['U2', { kind: 'no-such-mark', series: 'U', value: 2 }],
    ['UHS-II', { kind: 'bus', bus: 'uhs-ii', arabic: false }],
    ['uhs 2', { kind: 'bus', bus: 'uhs-ii', arabic: true }],
    ['ii', { kind: 'bus', bus: 'uhs-ii', arabic: false }],
    ['UHS-3', { kind: 'bus', bus: 'uhs-iii', arabic: true }],
    ['SD Express', { kind: 'bus', bus: 'sd-express-1', arabic: false }],
    ['microSDXC', { kind: 'family', family: 'sdxc', micro: true }],
    ['SDHC', { kind: 'family', family: 'sdhc', micro: false }],
    ['CFexpress type B', { kind: 'form', form: 'cfexpress-b' }],
    ['cfe a', { kind: 'form', form: 'cfexpress-a' }],
    ['a2', { kind: 'app', app: 'A2' }],
    ['2.0', { kind: 'version', text: '2.0' }],
    ['wobble', null],
    ['', null],
  ])('reads %s', (text, word) => {
    expect(readWord(text)).toEqual(word);
  });

  it('reads every mark and class of the tables, however it is typed', () => {
    const spaced = (text: string) => text.replace(/(\d+)$/, ' $1');
    for (const key of MARK_KEYS)
      for (const text of [key, key.toLowerCase(), spaced(key), ` ${key} `])
        expect(readWord(text), text).toEqual({ kind: 'mark', mark: key });
    for (const key of APP_KEYS) expect(readWord(key.toLowerCase())).toEqual({ kind: 'app', app: key });
  });

  it('reads the name of every form that is shown', () => {
    for (const key of FORM_KEYS.filter((one) => one !== 'module'))
      expect(readWord(form(key).name), key).toEqual({ kind: 'form', form: key });
  });

  it('keeps and shows each word in one spelling', () => {
    expect(
      ['v 60', 'uhs 2', 'sdxc', 'a1', 'CFe B', '4.0', 'uhs-3', 'u 2'].map((text) =>
        keptSpelling(readWord(text) as never),
      ),
    ).toEqual(['V60', 'II', 'SDXC', 'A1', null, '4.0', 'UHS-3', 'U2']);
    expect(['v 60', 'ii', 'uhs 2', 'iii', 'ex', 'cfe b', 'wobble'].map(shownSpelling)).toEqual([
      'V60',
      'UHS-II',
      'UHS-II',
      'UHS-III',
      'EX',
      'CFexpress B',
      'wobble',
    ]);
  });

  it('what is kept is read again as the same word', () => {
    fc.assert(
      fc.property(fc.constantFrom(...MARK_KEYS, 'I', 'II', 'III', 'SDXC', 'A1', 'uhs-3', 'class 6', '2.0'), (text) => {
        const word = readWord(text);
        const kept = word && keptSpelling(word);
        expect(kept === null || isSameWord(kept, text)).toBe(true);
      }),
      { seed: 12, numRuns: 100 },
    );
  });

  it('tells the same word from another', () => {
    expect(isSameWord('UHS-II', 'uhs 2')).toBe(true);
    expect(isSameWord('V60', 'v 60')).toBe(true);
    expect(isSameWord('V60', 'V90')).toBe(false);
    expect(isSameWord('Sticker', ' sticker')).toBe(true);
    expect(isSameWord('V60', 'sticker')).toBe(false);
  });

  it('a heading, a cell and the reader read Class 10, and V30 with V90, alike', () => {
    expect(readLabel('64GB SDXC I Class 10').marks).toEqual(['C10']);
    expect(readLabel('64GB Class 10').words).toEqual(['C10']);
    expect(readLabel('256GB II V30 V90').marks).toEqual(['V30', 'V90']);
  });
});

describe('the bus of a card', () => {
  it('as entered, else as printed, else as its marks imply, else not known', () => {
    expect(busOf(aCard({ bus: 'uhs-i', marks: ['II'] }))).toEqual({ bus: 'uhs-i', known: 'printed' });
    expect(busOf(aCard({ marks: ['V30', 'II'] }))).toEqual({ bus: 'uhs-ii', known: 'printed' });
    expect(busOf(aCard({ marks: ['V60'] }))).toEqual({ bus: 'uhs-ii', known: 'marks' });
    expect(busOf(aCard({ marks: ['V30'] }))).toEqual({ bus: 'uhs-i', known: 'marks' });
    expect(busOf(aCard({ marks: ['V10'] }))).toEqual({ bus: 'high-speed', known: 'marks' });
    expect(busOf(aCard({ marks: ['E300', 'V30'] }))).toEqual({ bus: 'sd-express-1', known: 'marks' });
    expect(busOf(aCard({ marks: ['C10'] }))).toEqual({ bus: null, known: 'assumed' });
  });

  it('of two printed the slower; UHS-3 is none, Express beside I is Express', () => {
    expect(busOf(aCard({ marks: ['II', 'I'] })).bus).toBe('uhs-i');
    expect(busOf(aCard({ marks: ['UHS-3', 'V30'] }))).toEqual({ bus: 'uhs-i', known: 'marks' });
    expect(busOf(aCard({ marks: ['UHS-3'] })).bus).toBeNull();
    expect(busOf(aCard({ marks: ['I', 'EX'] }))).toEqual({ bus: 'sd-express-1', known: 'printed' });
    expect(busOf(aCard({ marks: ['EX', 'II'] })).bus, 'they share a row').toBe('uhs-ii');
    expect(busOf(aCard({ form: 'microsd', marks: ['UHS-3'] })).bus).toBeNull();
  });

  it('by version where the form has versions, and the only one where there is one', () => {
    expect(busOf(aCard({ form: 'cfexpress-b', marks: ['4.0', 'VPG400'] })).bus).toBe('cfexpress-4');
    expect(busOf(aCard({ form: 'cfexpress-b', marks: ['9.0'] })).bus).toBeNull();
    expect(busOf(aCard({ form: 'xqd', marks: ['1.0'] })).bus).toBe('xqd-1');
    expect(busOf(aCard({ form: 'cfast', marks: [] })), 'SATA of 3 or 6 Gb/s').toEqual({ bus: null, known: 'assumed' });
    expect(busOf(aCard({ form: 'cf', marks: ['UDMA 6'] }))).toEqual({ bus: 'udma-6', known: 'printed' });
    expect(busOf(aCard({ form: 'xqd', marks: ['II'] })).bus, 'a roman numeral is SD’s').toBeNull();
  });

  it('speaks itself and what it falls back to', () => {
    expect(speaks('uhs-ii', 'uhs-i')).toBe(true);
    expect(speaks('uhs-i', 'uhs-ii')).toBe(false);
    for (const key of BUS_KEYS) expect(speaks(key, key)).toBe(true);
  });
});

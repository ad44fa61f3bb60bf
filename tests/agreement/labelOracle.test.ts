import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isContradiction, labelProblems } from '../../src/core/cards/labelProblems.ts';
import { readLabel } from '../../src/core/cards/readLabel.ts';
import { ownPromise } from '../../src/core/match/ownPromise.ts';
import { pairFit } from '../../src/core/match/pairFit.ts';
import { aSlot } from '../../src/core/testing.ts';
import { cardOfLabel } from '../../src/reading/cards/labelCard.ts';
import { runs } from '../support/runs.ts';

// A judge of prints that shares no code with the app: one table of what a word promises and where, written down from memory of
// the standards that the tables name, and one list of what cannot be true of one card.

/** Promise in MB/s, and on which kinds of slot it counts: high speed, one row, two rows, Express. */
const WORDS: Readonly<Record<string, readonly [MBps: number, on: string]>> = {
  C4: [4, 'h12'],
  C10: [10, 'h12'],
  U1: [10, '12'],
  U3: [30, '12'],
  A2: [10, '12'],
  V6: [6, 'h12'],
  V10: [10, 'h12'],
  V30: [30, '12'],
  V60: [60, '2'],
  V90: [90, '2'],
  E300: [300, 'x'],
};
const FAKE = ['U2', 'V2', 'V45', 'C3'];
const CEILING = { I: 200, II: 312, EX: 3940 } as const;

const aPrint = fc.record({
  size: fc.constantFrom(16, 32, 64, 256, 1000),
  families: fc.subarray(['SDHC', 'SDXC'], { minLength: 0, maxLength: 2 }),
  micro: fc.boolean(),
  alien: fc.constantFrom('', '', '', '', '', '', '', 'CFast', 'XQD'),
  buses: fc.subarray(['I', 'II', 'EX'] as const, { minLength: 0, maxLength: 2 }),
  marks: fc.subarray(Object.keys(WORDS), { minLength: 0, maxLength: 3 }),
  fake: fc.constantFrom('', '', '', '', '', '', ...FAKE),
  vpg: fc.constantFrom('', '', '', '', '', '', '', 'VPG400'),
  read: fc.option(fc.constantFrom(20, 80, 95, 104, 170, 280, 300, 560, 800, 1600)),
  write: fc.option(fc.constantFrom(15, 25, 50, 90, 240, 260)),
  times: fc.option(fc.constantFrom(133, 633, 1133, 1866), { freq: 5 }),
  order: fc.array(fc.nat(), { minLength: 14, maxLength: 14 }),
});
type Print = Parameters<Parameters<typeof aPrint.map>[0]>[0];

function textOf({ size, families, micro, alien, buses, marks, fake, vpg, read, write, times, order }: Print): string {
  const words = [
    `${size}GB`,
    ...(micro ? ['microSD'] : families.length === 0 ? ['SD'] : []),
    ...families,
    alien,
    ...buses.map((bus) => (bus === 'EX' ? 'EX' : bus)),
    ...marks,
    fake,
    vpg,
    read === null ? '' : write === null ? `${read}MB/s` : `R${read}`,
    write === null ? '' : `W${write}`,
    times === null ? '' : `${times}x`,
  ].filter(Boolean);
  return words
    .map((word, at) => ({ word, at: order[at] ?? 0 }))
    .sort((a, b) => a.at - b.at)
    .map(({ word }) => word)
    .join(' ');
}

/** Whether something on the print cannot be true of one card; `why` for who reads a failure. */
function voidBy({ size, micro, families, alien, buses, marks, fake, vpg, read, write, times }: Print): string | null {
  const has = (mark: string): boolean => marks.includes(mark);
  const own = buses.includes('EX') && buses.includes('I') ? ['EX'] : buses;
  if (fake) return 'no such mark';
  if (vpg) return 'a mark of another form';
  if (alien) return 'two forms';
  if (families.length > 1) return 'two families';
  if (families[0] === 'SDHC' && size > 32) return 'too large for its family';
  if (families[0] === 'SDXC' && size <= 32) return 'too small for its family';
  if (own.length > 1) return 'two buses';
  if (own.length === 0 && (has('V60') || has('V90')) && has('E300')) return 'two rows and Express';
  const [bus] = own;
  if (bus && bus !== 'II' && (has('V60') || has('V90'))) return 'two rows are not printed';
  if (bus && bus !== 'EX' && has('E300')) return 'Express is not printed';
  if (has('U1') && ['U3', 'V30', 'V60', 'V90'].some(has)) return 'two grades';
  const printed = [read, write].filter((one) => one !== null);
  const peak = printed.length > 0 ? Math.max(...printed) : null;
  // One lane on the small card.
  const ceiling = bus === 'EX' && micro ? 1970 : bus ? CEILING[bus as keyof typeof CEILING] : null;
  if (ceiling !== null && peak !== null && peak > ceiling) return 'faster than its bus';
  const rated = times === null ? null : times * 0.15;
  if (rated !== null && peak !== null && Math.abs(rated - peak) / peak > 0.1) return 'two speeds';
  const promised = Math.max(0, ...marks.filter((mark) => mark !== 'A2').map((mark) => WORDS[mark]?.[0] ?? 0));
  const best = write ?? peak ?? rated;
  return best !== null && best < promised ? 'slower at its best than it promises' : null;
}

/** What the print promises in a slot of high speed, one row, two rows or Express, MB/s; 0 for nothing. */
function promised(print: Print, slot: 'h' | '1' | '2' | 'x'): number {
  const { buses, marks } = print;
  if (voidBy(print) !== null) return 0;
  const named = (...words: readonly string[]): boolean => words.some((word) => marks.includes(word));
  const isTold = buses.length > 0;
  const isTwo = buses.includes('II') || (!isTold && named('V60', 'V90'));
  const isExpress = buses.includes('EX') || (!isTold && !isTwo && named('E300'));
  const isOne = buses.includes('I') || (!isTold && named('U1', 'U3', 'V30'));
  const isSlow = !isTold && !isTwo && !isExpress && !isOne && named('V6', 'V10');
  // Of a card that tells nothing of itself the slot's bus counts: it may be one of those. Only Express is always printed: without
  // it a card speaks one row to such a slot.
  const isOpen = !isTwo && !isExpress && !isOne && !isSlow;
  const inForce =
    slot === 'h' || isSlow
      ? 'h'
      : slot === '1' || (isOpen && slot !== 'x')
        ? slot
        : (slot === 'x' && isExpress) || (slot === '2' && isTwo)
          ? slot
          : '1';
  const counting = marks.flatMap((mark) => {
    const [MBps, on] = WORDS[mark] ?? [0, ''];
    if (on.includes(inForce)) return [MBps];
    // V60 and V90 fall back to V30 on one row.
    return inForce === '1' && isTwo && on === '2' ? [30] : [];
  });
  return Math.max(0, ...counting);
}

const SLOTS = { h: 'high-speed', '1': 'uhs-i', '2': 'uhs-ii', x: 'sd-express-1' } as const;

it('a judge that shares no code finds the same contradictions and the same promises, over drawn prints', () => {
  const seen = new Map<string, number>();
  fc.assert(
    fc.property(aPrint, (print) => {
      // `SD EX` is the name of a bus: then nothing names a second form.
      fc.pre(print.alien === '' || print.micro || print.families.length > 0);
      const text = textOf(print);
      const why = voidBy(print);
      seen.set(why ?? 'right', (seen.get(why ?? 'right') ?? 0) + 1);
      const problems = labelProblems(readLabel(text));
      expect(problems.some(isContradiction), `${text}: ${why} against ${problems.map(({ code }) => code)}`).toBe(
        why !== null,
      );
      const card = cardOfLabel(readLabel(text));
      if (!card || print.alien) return;
      // What the reader finds is what the card of the wallet is judged by.
      expect(ownPromise(card).by === 'doubt', `${text} as a card`).toBe(why !== null);
      for (const [kind, bus] of Object.entries(SLOTS)) {
        const fit = pairFit(aSlot({ accepts: [{ form: card.form, bus }], family: 'sduc' }), card);
        const floor = fit.fits ? (fit.floor ?? 0) / 1e6 : 0;
        expect(floor, `${text} in ${bus}`).toBe(promised(print, kind as keyof typeof SLOTS));
      }
    }),
    { numRuns: runs(3000, 20_000) },
  );
  expect(seen.size, 'every reason was drawn').toBeGreaterThan(12);
});

import { describe, expect, it } from 'vitest';
import { readLabel } from '../../src/core/cards/readLabel.ts';
import { askLine } from '../../src/core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { askedView, labelView } from '../../src/server/views.ts';

const SIZES = ['32GB', '64GB', '128GB', '1TB'];
const KINDS = [
  '',
  'SDHC',
  'SDXC',
  'microSDXC',
  'SDXC I',
  'SDXC II',
  'microSD',
  'CFexpress A',
  'CFexpress B',
  'CFast',
  'XQD',
  'CF',
  'SSD',
];
const MARKS = [
  '',
  'V30',
  'V60',
  'V90',
  'U1',
  'U3',
  'C10',
  'A1',
  'A2',
  'VPG130',
  'VPG400',
  'E300',
  'V30 A2',
  'U3 V30 A1',
  'UHS-3',
  'V60 I',
];
const SPEEDS = ['', 'R270 W150', '170MB/s'];

describe('a label alone and the same card in a line', () => {
  it('promise the same, print the same speeds, and have the same form', () => {
    for (const size of SIZES)
      for (const kind of KINDS)
        for (const marks of MARKS)
          for (const speed of SPEEDS) {
            const text = [size, kind, marks, speed].filter(Boolean).join(' ');
            const found = askLine(`1 Mb/s on ${text}`, DEFAULT_POLICY);
            if (!found.ok || found.value.kind !== 'card') continue;
            const label = labelView(readLabel(text));
            const { card } = askedView(found.value) as { card: { form: string; readMBps: number; writeMBps: number } };
            const { cell } = found.value.answer;
            expect(label.form, text).toBe(card.form);
            expect([label.readMBps, label.writeMBps], text).toEqual([card.readMBps, card.writeMBps]);
            if (cell?.verdict === 'unfit') continue;
            expect(label.floorMBps ?? null, text).toBe(cell?.floor == null ? null : cell.floor / 1e6);
          }
  });
});

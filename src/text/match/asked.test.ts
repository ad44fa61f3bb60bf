import { describe, expect, it } from 'vitest';
import { askLine } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { forTimeText, readingText } from './ask.ts';
import { insteadText, otherText } from './asked.ts';

const wayOut = (line: string): string | null => {
  const asked = askLine(line, DEFAULT_POLICY);
  if (!asked.ok || asked.value.kind !== 'card') throw new Error('no answer');
  return insteadText(asked.value.instead, asked.value.answer)?.replaceAll('\u00a0', ' ') ?? null;
};

describe('a red line', () => {
  it.each([
    // The next mark under the one that holds is named where the card does not carry it itself.
    ['400 Mb/s on 256GB SDXC V6 UHS-II', 'V60 on UHS-II would do, V30 would not:'],
    ['400 Mb/s on 256GB SDXC U3', 'V60 on UHS-II or E150 would do, V30 would not:'],
    ['400 Mb/s on 128GB SDXC V30 for 2h', 'V60 on UHS-II or E150 would do, of 512 GB for 2 h:'],
    ['400 Mb/s on 128GB SDXC V60 UHS-II', null],
  ])('says what would do and what would not: %s', (line, says) => {
    expect(wayOut(line)).toBe(says);
  });
});

const asWritten = (text: string | null): string | null => text?.replaceAll('\u00a0', ' ') ?? null;

describe('a length of time that is asked for', () => {
  // 128 GB hold 58 min at 280 Mb/s and what stands beside it: "guaranteed" is no yes to three hours.
  it.each([
    [
      'is 128GB V60 enough for 3 hours at 280 Mb/s',
      'Recording for 3 h fills 391.5 GB: not on one, it takes 4 cards of this size.',
    ],
    [
      'two 128GB V60 for 3 hours at 280 Mb/s',
      'Recording for 3 h fills 391.5 GB: not on 2, it takes 4 cards of this size.',
    ],
    [
      'two cameras 200 Mb/s each, 6 hours, 256GB V30',
      'Recording for 6 h fills 567 GB: not on one each, it takes 6 cards of this size.',
    ],
    ['128GB V60 for 50 min at 280 Mb/s', 'Recording for 50 min fills 108.8 GB: 1 card of this size, no change.'],
    ['280 Mb/s for 3 hours', 'Recording for 3 h fills 391.5 GB: next size sold 512 GB.'],
  ])('%s', (line, says) => {
    const asked = askLine(line, DEFAULT_POLICY);
    if (!asked.ok || asked.value.kind !== 'card') throw new Error('no answer');
    expect(asWritten(forTimeText(asked.value.answer))).toBe(says);
  });
});

describe('pictures on a card', () => {
  it.each([
    ['48 MB pictures on 128 GB', '2632 pictures of 48 MB fit on 128 GB, formatted.'],
    ['1850 on 256 GB', '1850 pictures on 256 GB, formatted, are 136.6 MB each.'],
    ['5000 photos of 24 MB', '5000 pictures of 24 MB fit on a card of 128 GB, formatted; on no smaller size sold.'],
    ['5000 photos of 24 MB on 128GB', '5264 pictures of 24 MB fit on 128 GB, formatted: 5000 do.'],
    ['6000 photos of 24 MB on 128GB', '5264 pictures of 24 MB fit on 128 GB, formatted: 6000 do not.'],
  ])('%s', (line, says) => {
    const asked = askLine(line, DEFAULT_POLICY);
    if (!asked.ok || asked.value.kind !== 'stills') throw new Error('no pictures');
    expect(asWritten(otherText(asked.value))).toBe(says);
  });
});

describe('an average', () => {
  // What is told of its peaks is what they are counted at: need over stated, without what stands beside it.
  it.each([
    ['avg 400 Mb/s on V90', 2],
    ['500 Mb/s VBR on V60', 2],
    ['avg 400 Mb/s all-intra on V90', 1.5],
  ])('%s: its peaks are counted %s times as high', (line, factor) => {
    const asked = askLine(line, DEFAULT_POLICY);
    if (!asked.ok || asked.value.kind !== 'card') throw new Error('no answer');
    const { ask, need } = asked.value.answer;
    expect(ask.readings.map(readingText)).toContain(`an average: its peaks are counted ${factor} times as high`);
    const stated = ask.mode.rate.kind === 'stated' ? ask.mode.rate.Mbps * 125_000 : 0;
    // Sound and data beside it: 2 Mb/s and 20 kB a frame at 50.
    expect((need - 1_250_000) / stated).toBeCloseTo(factor, 3);
  });
});

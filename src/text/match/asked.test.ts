import { describe, expect, it } from 'vitest';
import { askLine } from '../../core/match/ask/askLine.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { insteadText } from './asked.ts';

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

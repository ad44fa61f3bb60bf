import { describe, expect, it } from 'vitest';
import { solve } from '../../../tests/support/highs.ts';
import { counterRate, decodeCounter } from '../../core/bodies/counter/counter.ts';
import { aBody, aMode } from '../../core/testing.ts';
import { counterLines, counterRateText, roundingTexts } from './counter.ts';

const plainly = (text: string): string => text.replaceAll('\u00a0', ' ');
const rate = (counterRounds: 'down' | 'nearest' | 'up' | null, minutes = 57) => {
  const found = counterRate({ modes: [], counterRounds }, [{ modeId: 'x', capacityGB: 256, minutes }], 'x', solve);
  if (!found) throw new Error('no rate');
  return found;
};

describe('what a counter tells', () => {
  it('says how it is taken to round, and what it would be otherwise', () => {
    expect(plainly(counterRateText(rate(null)))).toBe(
      'Its readings say 471 to 599 Mb/s if the counter rounds down, as most do.',
    );
    expect(plainly(counterRateText(rate('up')))).toBe('Its readings say 479 to 610 Mb/s.');
    expect(roundingTexts(rate(null)).map(([, text]) => plainly(text))).toEqual([
      'rounds down: 471 to 599 Mb/s',
      'rounds to the nearest: 475 to 604 Mb/s',
      'rounds up: 479 to 610 Mb/s',
    ]);
    expect(roundingTexts(rate(null, 1)).map(([, text]) => plainly(text))[2]).toBe(
      'rounds up: these minutes tell no rate',
    );
  });

  it('says why it is taken to round so', () => {
    const modes = [600, 400, 240].map((Mbps, at) =>
      aMode({ id: `${at}`, rate: { kind: 'stated', Mbps, is: 'constant' } }),
    );
    const counters = modes.map(({ id }, at) => ({ modeId: id, capacityGB: 256, minutes: [54, 81, 134][at] ?? 0 }));
    const line = (counterRounds: 'up' | null) =>
      counterLines(decodeCounter({ modes, counterRounds }, counters, 256, solve), aBody({ modes, counters }))[0];
    expect(line(null)).toBe('Taken for granted: it rounds down, as most do.');
    expect(line('up')).toBe('It rounds up, as you told.');
  });
});

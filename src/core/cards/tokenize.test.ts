import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MARK_KEYS } from '../standards/marks.ts';
import { tokenize } from './tokenize.ts';

describe('tokenize', () => {
  it('covers what is typed without overlap and in order, whatever it is', () => {
    const pieces = fc.constantFrom(
      '256GB',
      'V90',
      'II',
      '600 Mb/s',
      'on',
      '3:1',
      '50p',
      '1:30',
      '¿',
      '4:2:2',
      '12bit',
      '-',
      '∞',
      'e9',
    );
    const line = fc.oneof(
      fc.string(),
      fc.array(pieces).map((parts) => parts.join(' ')),
      fc.array(pieces).map((parts) => parts.join('')),
    );
    fc.assert(
      fc.property(line, (text) => {
        let at = 0;
        for (const { start, end, text: piece } of tokenize(text)) {
          expect(start).toBeGreaterThanOrEqual(at);
          expect(end).toBeGreaterThan(start);
          expect(text.slice(start, end)).toBe(piece);
          at = end;
        }
      }),
      { seed: 3, numRuns: 2000 },
    );
  });

  it('reads every mark of the table and no other number in its series', () => {
    for (const key of MARK_KEYS) expect(tokenize(key)).toMatchObject([{ kind: 'mark', mark: key }]);
    for (const text of ['U2', 'V45', 'C8', 'E100', 'VPG300']) {
      expect(tokenize(text), text).toMatchObject([{ kind: 'unread', problem: { code: 'no-such-mark' } }]);
    }
  });

  it('keeps ratios, chroma, clock times and pictures apart', () => {
    expect(tokenize('3:1')).toMatchObject([{ kind: 'ratio', value: 3 }]);
    expect(tokenize('1:30')).toMatchObject([{ kind: 'time', value: 5400 }]);
    expect(tokenize('4:2:2')).toEqual([]);
    expect(tokenize('8192x4320')).toMatchObject([{ kind: 'picture', width: 8192, height: 4320 }]);
    expect(tokenize('1080p')).toMatchObject([{ kind: 'picture-name' }]);
    expect(tokenize('50p')).toMatchObject([{ kind: 'fps', value: 50 }]);
  });

  it('offers a near word for a slip of the finger', () => {
    expect(tokenize('mirorred')).toMatchObject([{ kind: 'unread', problem: { couldBe: ['mirrored'] } }]);
  });

  it('reads the longest line of any kind', () => {
    for (const line of ['9'.repeat(500), 'a'.repeat(500), '1:'.repeat(250), ' '.repeat(500), '9 '.repeat(250)]) {
      expect(() => tokenize(line)).not.toThrow();
    }
  });
});

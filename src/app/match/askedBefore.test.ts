import { beforeEach, describe, expect, it } from 'vitest';
import { askedBefore, keepAsked } from './askedBefore.ts';

const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
    },
  });
});

describe('the last questions', () => {
  it('come newest first, five at most, each once', () => {
    for (const one of ['a 1', 'b 2', 'c 3', 'd 4', 'e 5', 'f 6', 'c 3']) keepAsked(one);
    expect(askedBefore()).toEqual(['c 3', 'f 6', 'e 5', 'd 4', 'b 2']);
  });

  it('keep what a line became, not how it was begun, and nothing empty', () => {
    for (const one of ['600 Mb/s', '600 Mb/s on 256GB', '600 Mb/s on 256GB V90 ', '   ']) keepAsked(one);
    expect(askedBefore()).toEqual(['600 Mb/s on 256GB V90']);
  });

  it('are none where something else stands there', () => {
    for (const broken of ['{', '{"a":1}', 'null', '[1, null]']) {
      kept.set('cool-reel-asked', broken);
      expect(askedBefore()).toEqual([]);
    }
  });
});

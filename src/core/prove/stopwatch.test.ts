import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Clocks, look, ran, startWatch } from './stopwatch.ts';

const at = (wall: number, page: number, pageId = 'a'): Clocks => ({ pageId, wall, page });
const after = (...looks: readonly Clocks[]) => {
  const [first, ...rest] = looks as [Clocks, ...Clocks[]];
  return ran(rest.reduce(look, startWatch(first)));
};

describe('the stopwatch', () => {
  it('counts what the page counts', () => {
    expect(after(at(1000, 0), at(1500, 500), at(61_000, 60_000))).toEqual({ leastSeconds: 60, mostSeconds: 60 });
  });

  it('goes on over a reload, by the wall', () => {
    expect(after(at(0, 0), at(10_000, 10_000), at(13_000, 200, 'b'), at(23_000, 10_200, 'b'))).toEqual({
      leastSeconds: 23,
      mostSeconds: 23,
    });
  });

  it('a clock set back takes nothing away, while the page is open or over a reload', () => {
    expect(after(at(3_600_000, 0), at(1000, 1000), at(2000, 2000))).toEqual({ leastSeconds: 2, mostSeconds: 2 });
    expect(after(at(3_600_000, 0), at(1000, 50, 'b'), at(2000, 1050, 'b'))).toEqual({
      leastSeconds: 1,
      mostSeconds: 1,
    });
  });

  it('a locked screen or a clock set ahead cannot be told apart: both readings stand', () => {
    expect(after(at(0, 0), at(1000, 1000), at(1_201_000, 2000))).toEqual({ leastSeconds: 2, mostSeconds: 1201 });
  });

  it('a page that was closed for long leaves it open whether the wall is right', () => {
    expect(after(at(0, 0), at(10_000, 10_000), at(610_000, 0, 'b'))).toEqual({ leastSeconds: 10, mostSeconds: 610 });
  });

  it('never runs backwards, whatever the clocks do', () => {
    const clock = fc.record({
      pageId: fc.constantFrom('a', 'b'),
      wall: fc.integer({ min: -1e12, max: 1e12 }),
      page: fc.integer({ min: 0, max: 1e9 }),
    });
    fc.assert(
      fc.property(fc.array(clock, { minLength: 2, maxLength: 20 }), (looks) => {
        const [first, ...rest] = looks as [Clocks, ...Clocks[]];
        let watch = startWatch(first);
        for (const now of rest) {
          const next = look(watch, now);
          expect(next.sure).toBeGreaterThanOrEqual(watch.sure);
          expect(next.doubt).toBeGreaterThanOrEqual(watch.doubt);
          watch = next;
        }
      }),
      { seed: 5, numRuns: 500 },
    );
  });
});

import ICAL from 'ical.js';
import { all, create } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { replaceCalendar, standingView } from '../../src/app/shop/wearViews.ts';
import type { StandingCamera } from '../../src/core/kit/shop.ts';
import { chooseSteps } from '../../src/core/shop/choose.ts';
import { curveSteps } from '../../src/core/shop/curve.ts';
import { choiceOf, type Option, type ShopProblem } from '../../src/core/shop/problem.ts';
import { type WearInput, wear } from '../../src/core/shop/wear/wear.ts';
import { finish } from '../../src/core/steps.ts';
import { solveWhole } from '../support/highs.ts';
import { drawnShop, everyChoice } from '../support/shopDraws.ts';

const math = create(all ?? {});

/**
 * The least cost of at least so many minutes, some options without end and some of a limited number: a bounded knapsack
 * turned around. Source: the recurrence over amounts as in Martello and Toth, “Knapsack Problems”, from memory.
 */
function leastCost(problem: ShopProblem): number {
  const wanted = problem.needs[0] as number;
  // Each own card, or set of own cards, is taken once at most, as often as there are enough of them.
  const items = problem.options.flatMap((option) => {
    const [part] = option.parts;
    if (part?.source.kind !== 'owned') return [{ option, most: Math.ceil(wanted / option.minutes) }];
    const stock = problem.owned[part.source.group]?.cardIds.length ?? 0;
    return [{ option, most: Math.floor(stock / part.count) }];
  });
  let best = new Array<number>(wanted + 1).fill(Number.POSITIVE_INFINITY);
  best[0] = 0;
  for (const { option, most } of items) {
    const next = [...best];
    for (let minutes = 0; minutes <= wanted; minutes += 1)
      for (let times = 1; times <= most; times += 1) {
        const reached = Math.min(wanted, minutes + times * option.minutes);
        next[reached] = Math.min(next[reached] as number, (best[minutes] as number) + times * option.cents);
      }
    best = next;
  }
  return best[wanted] as number;
}

/** One need, and at most one option of each group of own cards, so that a knapsack says it all. */
function singleNeed(seed: number): ShopProblem {
  const drawn = drawnShop(seed);
  const met = new Set<number>();
  const options = drawn.options
    .filter(({ need }) => need === 0)
    .filter(({ parts: [part] }: Option) => {
      if (part?.source.kind !== 'owned') return true;
      if (met.has(part.source.group)) return false;
      met.add(part.source.group);
      return true;
    });
  return { ...drawn, needs: [(drawn.needs[0] as number) * 4], options };
}

describe('one need against a dynamic programme (bounded knapsack)', () => {
  it('costs the same on 200 drawn lists', () => {
    let met = 0;
    for (let seed = 1000; seed < 1200; seed += 1) {
      const problem = singleNeed(seed);
      const [cheapest] = finish(chooseSteps(problem, solveWhole, 20)) ?? [];
      const best = leastCost(problem);
      expect(cheapest?.cents ?? Number.POSITIVE_INFINITY, `seed ${seed}`).toBe(best);
      if (Number.isFinite(best)) met += 1;
    }
    expect(met).toBeGreaterThan(100);
  });
});

describe('the trade-off curve against enumeration', () => {
  it('has every price that buys fewer minutes on one card, and no other, on 150 drawn lists', () => {
    let steps = 0;
    for (let seed = 2000; seed < 2150; seed += 1) {
      const problem = drawnShop(seed);
      const all: { cents: number; most: number }[] = [];
      everyChoice(problem, (taken) => {
        const { cents, most } = choiceOf(problem, taken);
        all.push({ cents, most });
      });
      const front = all
        .filter(
          (one) =>
            !all.some(
              (other) =>
                other.cents <= one.cents &&
                other.most <= one.most &&
                (other.cents < one.cents || other.most < one.most),
            ),
        )
        .map(({ cents, most }) => `${cents} ${most}`);
      const { points, proven } = finish(curveSteps(problem, solveWhole, 20));
      expect(proven).toBe(true);
      expect(points.map(({ cents, most }) => `${cents} ${most}`).sort(), `seed ${seed}`).toEqual(
        [...new Set(front)].sort(),
      );
      steps += points.length;
    }
    expect(steps).toBeGreaterThan(200);
  });
});

const card = (change: Partial<WearInput>): WearInput => ({
  capacityGB: 32,
  rateMbps: [8, 8],
  hoursPerDay: 24,
  rated: null,
  cycles: null,
  writeAmplification: [1, 1],
  price: null,
  ...change,
});

/** A rate at which a card fills in so many hours, by the units of mathjs. */
const rateFor = (GB: number, hours: number): number => math.unit(GB * 8000, 'Mb').toNumber('Mb') / (hours * 3600);

describe('wear against hand-worked cases', () => {
  // Source: worked example of a maker of cards for continuous recording, in its own words: 32 GB rated 6000 h; the rest by hand.
  it('32 GB rated 6000 h at 3 h a fill are 2000 fills', () => {
    const rate = rateFor(32, 3);
    expect(rate).toBeCloseTo(23.7, 1);
    const found = wear(card({ rateMbps: [rate, rate], rated: { hours: 6000, atMbps: [rate, rate] } }));
    expect(found.fills?.low).toBeCloseTo(2000, 6);
    expect(found.loopHours.low).toBeCloseTo(3, 9);
    expect(found.hours?.high).toBeCloseTo(6000, 6);
    expect(found.writtenTB?.low).toBeCloseTo(64, 6);
    // Half the rate: the hours double, the fills do not.
    const half = wear(card({ rateMbps: [rate / 2, rate / 2], rated: { hours: 6000, atMbps: [rate, rate] } }));
    expect(half.hours?.low).toBeCloseTo(12_000, 6);
    expect(half.fills?.low).toBeCloseTo(2000, 6);
  });

  it('500 cycles of 128 GB at 23.7 Mb/s are 6001 h', () => {
    const found = wear(card({ capacityGB: 128, rateMbps: [23.7, 23.7], cycles: [500, 500] }));
    const seconds = math.evaluate('500 * 128 GB / (23.7 Mb / s)').toNumber('s') as number;
    expect(found.hours?.low).toBeCloseTo(seconds / 3600, 6);
    expect(Math.round(found.hours?.low ?? 0)).toBe(6001);
    expect(found.days?.low).toBeCloseTo(250, 0);
  });

  it('is the endurance arithmetic of JEDEC JESD218: terabytes written = capacity × cycles ÷ write amplification', () => {
    // Source: JESD218, endurance rating, from memory; one drive write a day for three years of a 500 GB drive is 547.5 TBW.
    const days = 3 * 365;
    const cycles = days * 2;
    const rate = rateFor(500, 24);
    const found = wear(
      card({ capacityGB: 500, rateMbps: [rate, rate], cycles: [cycles, cycles], writeAmplification: [2, 2] }),
    );
    expect(found.writtenTB?.low).toBeCloseTo(547.5, 9);
    expect(found.days?.high).toBeCloseTo(days, 6);
  });
});

it('reminds by a calendar that ical.js reads: a day, two weeks beforehand', async () => {
  const camera: StandingCamera = {
    id: 'pier',
    name: 'Pier camera',
    bodyId: null,
    modeId: null,
    cardId: null,
    note: null,
    ...card({ cycles: [100, 100] }),
    since: '2027-01-01',
  };
  const view = standingView(camera, [], { bodies: [], tests: [], benches: [], plans: [] });
  // 100 fills of 32 GB at 1 MB/s: 3,200,000 s are 37 days.
  expect(view.replaceBy).toEqual(['2027-02-07', '2027-02-07']);
  const event = new ICAL.Component(ICAL.parse((await replaceCalendar(view)) ?? '')).getFirstSubcomponent('vevent');
  expect(new ICAL.Event(event as ICAL.Component).startDate.toString()).toBe('2027-02-07');
  expect(event?.getFirstSubcomponent('valarm')?.getFirstPropertyValue('trigger')?.toString()).toMatch(/-P(2W|14D)/);
});

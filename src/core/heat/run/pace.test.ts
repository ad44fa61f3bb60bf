import { describe, expect, it } from 'vitest';
import { aSetup, big, cine, hot, lanes } from '../../../../tests/support/aSetup.ts';
import type { Card } from '../../kit/model.ts';
import { board } from '../../match/board.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import { aCard, aMode, aSlot, aTest } from '../../testing.ts';
import { simulate } from '../writepath/simulate.ts';
import { deciding, hasFailed } from './lane.ts';
import { heatMark } from './mark.ts';
import { outlastedBy } from './outlasted.ts';
import { breakEvenMBps, paceOf } from './pace.ts';
import { DEFAULT_PLAN } from './plan.ts';

const cool = { ...DEFAULT_PLAN, minutes: 10, ambientC: 5 };
const blank: Card = { ...big, id: 'blank', sustainedMBps: null, writeMBps: null };
const lane = (card: Card, change = {}) => {
  const [found] = lanes(aSetup({ cards: [card], plan: cool, ...change }));
  if (!found) throw new Error('no lane');
  return found;
};

describe('how the pace of a card is known', () => {
  it('nothing known is nothing known', () => {
    expect(paceOf(lane(blank))).toBe('unknown');
    expect(paceOf(lane({ ...blank, writeMBps: 1700 })), 'a peak says nothing').toBe('unknown');
  });

  it('a mark, a minimum or an approval is a promise; a claim, a test or an entry is known', () => {
    expect(paceOf(lane({ ...blank, marks: ['VPG400'] }))).toBe('promised');
    expect(paceOf(lane({ ...blank, minimumMBps: 900 }))).toBe('promised');
    expect(paceOf(lane(big))).toBe('known');
    expect(paceOf(lane({ ...blank, heat: { figures: { sustainedMBps: { value: 900, basis: 'stated' } } } }))).toBe(
      'known',
    );
    const test = aTest({ bodyId: 'b', modeId: 'fast', cardId: 'blank', slotId: 's1', seconds: 4935, writtenMBps: 800 });
    expect(paceOf(lane(blank, { tests: [test] }))).toBe('known');
  });

  it('of several cards the least known counts', () => {
    const [relay] = lanes(aSetup({ arrangement: 'relay', cards: [big, blank], plan: cool }));
    expect(relay && paceOf(relay)).toBe('unknown');
  });
});

describe('the pace from which on a take holds', () => {
  it('is what the camera writes, less what its buffer hides', () => {
    // 800 MB/s for 600 s with a buffer of 4 GB: the flash may fall short by 4000 ÷ 600 = 6.7 MB/s.
    const even = breakEvenMBps(lane(blank));
    expect(even).toBeGreaterThan(792);
    expect(even).toBeLessThan(794.5);
  });

  it('is an edge: a little less drops, it itself holds', () => {
    const asked = lane({ ...blank, marks: ['VPG400'] });
    const even = breakEvenMBps(asked) ?? 0;
    const at = (sustainedMBps: number) =>
      hasFailed(
        simulate({ ...asked.sim, card: { ...asked.sim.card, sustainedMBps, burstMBps: sustainedMBps } }, false),
      );
    expect(at(even)).toBe(false);
    expect(at(even * 0.995)).toBe(true);
  });

  it('is none where the body shuts down whatever the card does', () => {
    expect(breakEvenMBps(lane(blank, { plan: { ...hot, minutes: 600, ambientC: 50 } }))).toBeNull();
  });

  it('with a mark alone the run shows what the promise gives', () => {
    const asked = lanes(aSetup({ cards: [{ ...blank, marks: ['VPG400'] }], plan: cool }));
    const { result } = deciding(asked);
    // 4000 MB ÷ (800 − 400) MB/s.
    expect(result).toMatchObject({ outcome: 'dropped' });
    expect(result.atSeconds).toBeCloseTo(10, 6);
  });
});

describe('a take of one’s own against assumed figures', () => {
  // An SD card by its assumed figures throttles early at this rate and heat.
  const sd = aCard({ id: 'sd', marks: ['II', 'V90'], capacityGB: 1000 });
  const body = { ...cine, slots: [aSlot({ id: 's1', accepts: [{ form: 'sd', bus: 'uhs-ii' }] })] };
  const mode = aMode({ id: 'fast', rate: { kind: 'stated', Mbps: 600, is: 'maximum' } });
  const warm = { ...body, modes: [mode], bufferMB: 100 };
  const plan = { ...hot, minutes: 120, ambientC: 50 };
  const seconds = (1000 * 0.987e3) / 75;
  const held = aTest({ cardId: 'sd', modeId: 'fast', slotId: null, seconds, writtenMBps: 75, ambientWithSunC: 50 });
  const laneWith = (tests = [held]) => lanes(aSetup({ body: warm, mode, cards: [sd], plan, tests }))[0];

  it('that held longer outranks them: the figures are doubted', () => {
    const asked = laneWith([]);
    if (!asked) throw new Error('no lane');
    expect(hasFailed(deciding([asked]).result), 'the figures say it cannot').toBe(true);
    expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [held])).toBe(held);
    const cell = board({ bodies: [warm], cards: [sd], tests: [held] }, DEFAULT_POLICY).columns[0]?.[0];
    if (!cell) throw new Error('no cell');
    const mark = (tests: (typeof held)[]) => heatMark({ body: warm, cell, card: sd, tests, plan, cards: [sd] });
    expect(mark([])).toMatchObject({ level: 'hot', outlasted: null });
    expect(mark([held])).toMatchObject({ level: 'warm', outlasted: held });
  });

  it('that filled the card in this very mode, at another rate than is believed, does so too', () => {
    const asked = laneWith([]);
    if (!asked) throw new Error('no lane');
    // Sixty per cent of the rate: another compression, or a rate that varies.
    const slower = { ...held, seconds: seconds / 0.6 };
    expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [slower])).toBe(slower);
    expect(outlastedBy(asked, { body: warm, modeId: 'other', card: sd }, [slower])).toBeNull();
    const minutesForHours = { ...held, seconds: seconds * 60 };
    expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [minutesForHours])).toBeNull();
  });

  it('not where it was cooler, shorter, impossible, or somebody else’s', () => {
    const asked = laneWith([]);
    if (!asked) throw new Error('no lane');
    const unlike = [
      { ...held, ambientWithSunC: -20 },
      { ...held, ambientWithSunC: null },
      { ...held, seconds: 10, end: 'stopped' as const },
      { ...held, seconds: 60 },
      { ...held, cardId: 'other' },
      { ...held, bodyId: 'other' },
      { ...held, end: 'dropped' as const },
      { ...held, end: 'cut-off' as const },
    ];
    for (const one of unlike)
      expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [one]), JSON.stringify(one)).toBeNull();
  });

  it('a stopped take that lasted speaks too, and the longest is named', () => {
    const asked = laneWith([]);
    if (!asked) throw new Error('no lane');
    const stopped = { ...held, id: 'stopped', end: 'stopped' as const, seconds: 3000 };
    expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [stopped])).toBe(stopped);
    expect(outlastedBy(asked, { body: warm, modeId: 'fast', card: sd }, [stopped, held])).toBe(held);
  });
});

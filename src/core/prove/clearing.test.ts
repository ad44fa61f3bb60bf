import { describe, expect, it } from 'vitest';
import type { Clearing } from '../kit/model.ts';
import { aBody, aCard } from '../testing.ts';
import { burstFrames, cleared, clearTimes, drainRates, limiting, noBetter, shotsOn } from './clearing.ts';

const body = aBody({ bufferMB: 1500 });
const burst = (change: Partial<Clearing> = {}): Clearing => ({
  id: 'r',
  bodyId: 'b',
  cardId: 'c',
  slotId: null,
  date: null,
  fileMB: 50,
  framesUntilSlow: 40,
  frames: 60,
  burstFps: 10,
  shutterSeconds: 0.002,
  clearSeconds: 15,
  ...change,
});

describe('what a burst says', () => {
  it('is the buffer over the time it took to clear', () => {
    expect(cleared(burst(), body)).toEqual({ bufferedMB: 1500, drainMBps: 100, void: null });
    // Common practice, as told: 48.5 MB ready again in 2.8 to 3.5 s is 14 to 17 MB/s, whatever the card.
    const one = { fileMB: 48.5, frames: 1, framesUntilSlow: 1, burstFps: null };
    const rate = (clearSeconds: number) => cleared(burst({ ...one, clearSeconds }), { bufferMB: null }).drainMBps;
    expect(rate(2.8)).toBeCloseTo(17.3, 1);
    expect(rate(3.5)).toBeCloseTo(13.9, 1);
  });

  it('is nothing where the buffer never filled: each way it may not have', () => {
    expect(cleared(burst({ shutterSeconds: 0.2 }), body).void).toEqual({ code: 'shutter', fps: 10, possibleFps: 5 });
    expect(cleared(burst({ framesUntilSlow: 61 }), body).void).toEqual({ code: 'count', slowed: 61, frames: 60 });
    expect(cleared(burst({ frames: 20, framesUntilSlow: 20 }), body).void).toEqual({
      code: 'too-few',
      MB: 1000,
      bufferMB: 1500,
    });
    expect(cleared(burst({ framesUntilSlow: null }), body)).toMatchObject({
      drainMBps: null,
      void: { code: 'never-slowed' },
    });
    expect(cleared(burst({ framesUntilSlow: 0 }), { bufferMB: null }).void).toEqual({ code: 'no-buffer' });
  });

  it('a shutter as long as a picture of the burst still keeps it', () => {
    expect(cleared(burst({ shutterSeconds: 0.1 }), body).void).toBeNull();
  });
});

describe('body or card', () => {
  const cards = [
    aCard({ id: 'slow', label: 'S', writeMBps: 90 }),
    aCard({ id: 'mid', label: 'M', writeMBps: 150 }),
    aCard({ id: 'fast', label: 'F', writeMBps: 300 }),
  ];
  const timed = (seconds: readonly number[]) =>
    seconds.map((clearSeconds, at) => burst({ id: `r${at}`, cardId: cards[at]?.id as string, clearSeconds }));
  const told = (seconds: readonly number[]) => limiting(drainRates(body, cards, timed(seconds)));

  it('alike rates are the body, rising ones the card', () => {
    expect(told([15, 14.5, 14])).toBe('body');
    expect(told([30, 20, 10])).toBe('card');
  });

  it('a fastest class that is not the fastest is neither', () => {
    // Common practice, as told: 20.3, 13.6 and 17.8 s on three rising classes.
    expect(told([20.3, 13.6, 17.8])).toBe('mixed');
    const pairs = noBetter(body, cards, timed([20.3, 13.6, 17.8]));
    expect(pairs.map(({ faster, slower }) => [faster.card.label, slower.card.label])).toEqual([['F', 'M']]);
  });

  it('one card, or claims that hardly differ, say nothing', () => {
    expect(told([15])).toBe('unknown');
    const near = cards.map((card, at) => ({ ...card, writeMBps: 100 + at }));
    expect(limiting(drainRates(body, near, timed([15, 14, 13])))).toBe('unknown');
    expect(limiting([])).toBe('unknown');
  });

  it('takes the middle of several bursts and leaves void ones out', () => {
    const all = [10, 15, 30].map((clearSeconds, at) => burst({ id: `r${at}`, cardId: 'slow', clearSeconds }));
    const [rate] = drainRates(body, cards, [...all, burst({ id: 'v', cardId: 'slow', framesUntilSlow: null })]);
    expect(rate).toMatchObject({ MBps: 100, bursts: 3 });
  });
});

describe('what a burst and a card hold', () => {
  it('the buffer fills by what the card does not take', () => {
    // 500 MB/s shot, 100 drained: 1500 MB fill in 3.75 s, 37 pictures.
    expect(burstFrames(1500, 50, 10, 100)).toBe(37);
    expect(burstFrames(1500, 50, 2, 100)).toBe(Number.POSITIVE_INFINITY);
  });

  it('whole pictures of an average size', () => {
    expect(shotsOn(aCard({ capacityGB: 64, usableGB: 63 }), 48.5)).toBe(1298);
  });
});

describe('times alone', () => {
  const v30 = aCard({ id: 'v30', label: 'V30', marks: ['V30'] });
  const v90 = aCard({ id: 'v90', label: 'V90', marks: ['II', 'V90'] });
  const time = (cardId: string, clearSeconds: number, change: Partial<Clearing> = {}) =>
    burst({
      id: `${cardId} ${clearSeconds}`,
      cardId,
      clearSeconds,
      fileMB: null,
      frames: null,
      framesUntilSlow: null,
      ...change,
    });

  it('tell no rate, and are not void', () => {
    expect(cleared(time('v30', 12), body)).toEqual({ bufferedMB: null, drainMBps: null, void: null });
    expect(drainRates(body, [v30, v90], [time('v30', 12)])).toEqual([]);
    // A shutter that cannot keep the burst is void all the same.
    expect(cleared(time('v30', 12, { shutterSeconds: 0.5 }), body).void).toMatchObject({ code: 'shutter' });
  });

  it('tell body from card, by how many times faster and by what the marks claim', () => {
    const told = (...bursts: readonly Clearing[]) => {
      const times = clearTimes(body, [v90, v30], bursts);
      return { times, limit: limiting(times.map((one) => ({ card: one.card, MBps: one.times }))) };
    };
    const alike = told(time('v30', 12), time('v90', 11.5));
    expect(alike.limit).toBe('body');
    expect(alike.times.map(({ card }) => card.label)).toEqual(['V30', 'V90']);
    const apart = told(time('v30', 30), time('v30', 34), time('v30', 32), time('v90', 10));
    expect(apart.limit).toBe('card');
    expect(apart.times).toMatchObject([
      { seconds: 32, times: 1, bursts: 3 },
      { seconds: 10, times: 3.2, bursts: 1 },
    ]);
    expect(told(time('v30', 10), time('v90', 30)).limit).toBe('mixed');
    expect(told(time('v30', 12)).limit).toBe('unknown');
    expect(told().times).toEqual([]);
  });

  it('are not mixed with bursts of which the size is known', () => {
    expect(clearTimes(body, [v30], [burst({ cardId: 'v30' })])).toEqual([]);
    expect(drainRates(body, [v30], [burst({ cardId: 'v30' }), time('v30', 3)])).toMatchObject([
      { MBps: 100, bursts: 1 },
    ]);
  });
});

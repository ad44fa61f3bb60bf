import { describe, expect, it } from 'vitest';
import { aRun } from '../../../../tests/support/aRun.ts';
import { checkSimulation } from './checkSimulation.ts';
import { evenSpreads } from './draws.ts';
import { checkRisk } from './risk.ts';
import { simulate } from './simulate.ts';

describe('what is refused', () => {
  it.each([
    ['heat.resumeAtC', aRun({ heat: { resumeAtC: 80 } })],
    ['heat.cardResistanceKPerW', aRun({ heat: { cardResistanceKPerW: -1 } })],
    ['heat.bodyLimitC', aRun({ heat: { bodyLimitC: 10 } })],
    ['demandMBps', aRun({ demandMBps: Number.NaN })],
    ['demandMBps', aRun({ demandMBps: 0 })],
    ['takeSeconds', aRun({ takeSeconds: 604_800 })],
    ['takes', aRun({ takes: 1.5 })],
    ['takes', aRun({ takes: 5000 })],
    ['card.usableGB', aRun({ card: { usableGB: Number.POSITIVE_INFINITY } })],
    ['heat.throttleFactor', aRun({ heat: { throttleFactor: 2 } })],
    ['demandTraceMBps[1]', aRun({ demandTraceMBps: [1, -1] })],
  ])('%s', (field, one) => {
    expect(checkSimulation(one)).toMatchObject({ field });
  });

  it.each([
    ['risk.runs', { runs: 1_000_000, seed: 1, spread: 0.1 }],
    ['risk.runs', { runs: 0.5, seed: 1, spread: 0.1 }],
    ['risk.runs', { runs: Number.NaN, seed: 1, spread: 0.1 }],
    ['risk.seed', { runs: 10, seed: -1, spread: 0.1 }],
    ['risk.spread', { runs: 10, seed: 1, spread: 3 }],
    ['risk.spread', { runs: 10, seed: 1, spread: { ...evenSpreads(0.1), cache: Number.NaN } }],
  ])('%s of %j', (field, input) => {
    expect(checkRisk(input)).toMatchObject({ field });
    expect(checkRisk({ runs: 10, seed: 1, spread: 0.1 })).toBeNull();
  });

  it('nothing else', () => {
    expect(checkSimulation(aRun())).toBeNull();
    expect(checkSimulation(aRun({ heat: { bodyResistanceKPerW: Number.POSITIVE_INFINITY } }))).toBeNull();
  });

  it('a billion stalls are refused with the least distance between them', () => {
    const card = { usableGB: 1e6, stallEveryGB: 0.001, stallSeconds: 0.0001 };
    expect(checkSimulation(aRun({ card }))).toEqual({
      code: 'contradiction',
      field: 'card.stallEveryGB',
      min: 50,
      max: null,
    });
  });

  it('more events than are followed end the run with a note, not in a hang', { timeout: 20_000 }, () => {
    const long = aRun({ demandMBps: 300, demandTraceMBps: [200, 400], bufferMB: 1e7, takeSeconds: 172_800 });
    const endless = { ...long, takes: 7, card: { ...long.card, usableGB: 1e6 } };
    expect(simulate(endless, false).cutShort).toBe(true);
    const short = simulate({ ...long, card: { ...long.card, usableGB: 1e6 }, maxEvents: 500 });
    expect(short.cutShort).toBe(true);
    expect(short.timeline.length).toBeLessThanOrEqual(501);
  });
});

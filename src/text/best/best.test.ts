import { describe, expect, it } from 'vitest';
import { aCard } from '../../core/testing.ts';
import { fixText, whyText } from './best.ts';

const card = aCard({ id: 'a', label: 'A-01', marks: ['VPG400'], form: 'cfexpress-b', capacityGB: 1000 });

describe('why a better mode does not hold', () => {
  it.each([
    [{ code: 'too-few', minutes: 61.9 }, 'These cards last 61\u00a0min together.'],
    [{ code: 'too-short', minutes: 12 }, 'No card lasts so long without a change: 12\u00a0min at most.'],
    [{ code: 'waiting', cards: [card] }, 'What is on A-01 is not copied yet.'],
    [{ code: 'faulty', cards: [card] }, 'A fault of A-01 is not settled.'],
    [
      { code: 'heat', group: [card], heat: { by: 'runs', risk: 0.0505 } },
      'Heat: over 5 of 100 simulated takes fail on A-01.',
    ],
    [
      { code: 'heat', group: [card], heat: { by: 'figures', atMinutes: 43.2 } },
      'Heat ends it after 43\u00a0min on A-01.',
    ],
    [
      { code: 'heat', group: [card], heat: { by: 'own-take' } },
      'Your own take on A-01 was ended by heat, in air no hotter.',
    ],
    [{ code: 'heat', group: [card], heat: { by: 'nothing-known' } }, 'What heat does to A-01 is not known.'],
    [{ code: 'none-enters' }, 'None of these cards fits.'],
    [{ code: 'none-holds', verdict: 'claimed' }, 'No card holds it: Maker’s claim only at best.'],
    [{ code: 'no-rate' }, 'What this mode writes is not known.'],
    [{ code: 'open' }, 'Whether it does was not worked out in the time given.'],
  ] as const)('%o', (why, text) => expect(whyText(why)).toBe(text));
});

describe('what would make it hold', () => {
  const bought = { code: 'buy', card, count: 2, cents: 62_050, currency: 'EUR', like: null } as const;
  it.each([
    [{ code: 'tell-bus', slots: ['S-1'], bus: 'uhs-ii' }, 'if S-1 is UHS-II: look at the slot'],
    [{ code: 'copy', cards: [card] }, 'copy A-01 first, and verify'],
    [{ code: 'settle', cards: [card] }, 'settle what happened to A-01'],
    [{ code: 'verify', cards: [card] }, 'fill A-01 and read it back'],
    [{ code: 'shade' }, 'shade'],
    [{ code: 'moving-air', air: 'moving' }, 'moving air'],
    [{ code: 'moving-air', air: 'strong' }, 'a fan or wind'],
    [{ code: 'test', cards: [card], minutes: 40 }, 'test A-01 for 40\u00a0min'],
    [{ code: 'rests', takeMinutes: 20, restMinutes: 8 }, 'a rest of 8\u00a0min after each 20\u00a0min'],
    [bought, '2 1\u00a0TB VPG400 (620.5 EUR)'],
    [{ ...bought, count: 1, cents: null, like: card }, '1 more like A-01'],
  ] as const)('%o', (fix, text) => expect(fixText(fix)).toBe(text));
});

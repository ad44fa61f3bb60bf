import { describe, expect, it } from 'vitest';
import type { AlsoUsed } from '../kit/plan.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';
import { aBody, aCard, aMode } from '../testing.ts';
import { seatsFor } from './seating.ts';

const mode = aMode();
const body = aBody({ modes: [mode] });
const damage = { date: '2027-06-12', kind: 'damage', text: 'Faulty on Race day.' } as const;

const seats = (card: ReturnType<typeof aCard>, also: AlsoUsed | null) =>
  seatsFor({ body, mode }, { bodies: [body], cards: [card], tests: [] }, DEFAULT_POLICY, also)(card);

describe('a card with a fault that nobody settled', () => {
  it('sits nowhere on the day, whatever the person allows', () => {
    for (const also of [null, 'warm', 'hot'] as const) {
      expect(
        seats(aCard(), also).some((seat) => seat !== null),
        `without it, ${also}`,
      ).toBe(true);
      expect(
        seats(aCard({ incidents: [damage] }), also).every((seat) => seat === null),
        `${also}`,
      ).toBe(true);
    }
  });

  it('is planned again once that is settled, and never was out for a warning', () => {
    const settled = aCard({ incidents: [{ ...damage, resolved: '2027-06-13' }] });
    expect(seats(settled, null).some((seat) => seat !== null)).toBe(true);
    const warned = aCard({ incidents: [{ ...damage, kind: 'warning' }] });
    expect(seats(warned, null).some((seat) => seat !== null)).toBe(true);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Plan, PlanPress } from '../kit/plan.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';
import { aBody, aCard, aMode, aSlot } from '../testing.ts';
import type { DayInput } from './day.ts';
import { type PlannedDay, plannedDay } from './plannedDay.ts';

/** Times of this day are written as its seconds. */
const times = {
  comesTwice: () => false,
  ofBlock: ({ from }: { readonly from: string }) => Number(from),
  ofPress: ({ at }: { readonly at: string }) => Number(at),
};

interface Drawn {
  readonly slots: number;
  readonly sizes: readonly number[];
  readonly from: number;
  readonly minutes: number;
  readonly rolling: number;
  readonly now: number;
}

/** A body that relays or takes one card, and cards of 500 Mb/s: 67 minutes on each 256 GB. */
function dayOf({ slots, sizes, from, minutes, rolling, now }: Drawn, log: readonly PlanPress[]): PlannedDay {
  const body = aBody({
    modes: [aMode({ id: 'm' })],
    slots: Array.from({ length: slots }, (_, at) => aSlot({ id: `s${at}`, name: `Slot ${at + 1}` })),
    arrangement: slots > 1 ? 'relay' : 'single',
  });
  const cards = sizes.map((capacityGB, at) => aCard({ id: `c${at}`, label: `C-${at}`, capacityGB }));
  const plan: Plan = {
    id: 'd',
    name: 'Day',
    date: '2027-06-12',
    start: '08:00',
    blocks: [{ id: 'k', bodyId: body.id, modeId: 'm', from: String(from), minutes, rolling, gapFree: false }],
    cardIds: cards.map(({ id }) => id),
    readers: [],
    copies: {
      count: 1,
      verify: false,
      from: 'card',
      destinations: [{ name: 'Disk', writeMBps: 200, readMBps: 200, freeGB: 9000 }],
    },
    rules: { swapSeconds: 30, mostMinutesOnOneCard: null, changeAtPercent: 100 },
    log,
  };
  const input: DayInput = {
    kit: { bodies: [body], cards, tests: [] },
    plan,
    policy: DEFAULT_POLICY,
    times: times as unknown as DayInput['times'],
    now,
  };
  return plannedDay(input);
}

const nextChange = ({ changes }: PlannedDay, now: number): number | null =>
  changes.find(({ atSeconds, inCardId }) => inCardId !== null && atSeconds >= now)?.atSeconds ?? null;

describe('what the plan has in the cameras, said to be so', () => {
  it('changes no countdown for the better: what was recorded by then is on the card', () => {
    let confirmed = 0;
    fc.assert(
      fc.property(
        fc.record({
          slots: fc.integer({ min: 1, max: 2 }),
          sizes: fc.array(fc.constantFrom(64, 128, 256), { minLength: 2, maxLength: 4 }),
          from: fc.integer({ min: 0, max: 3600 }),
          minutes: fc.integer({ min: 60, max: 240 }),
          rolling: fc.constantFrom(0.3, 0.6, 1),
          now: fc.integer({ min: 4000, max: 12_000 }).map((seconds) => seconds - (seconds % 60)),
        }),
        (drawn) => {
          const before = dayOf(drawn, []);
          const loaded = before.loadedAsPlanned;
          if (loaded.length === 0) return;
          confirmed += 1;
          const log = loaded.map(
            ({ fromSeconds, cardId, bodyId, slotId }): PlanPress => ({
              ...{ cardId, bodyId, slotId, who: '' },
              at: String(fromSeconds),
              to: 'in-body',
            }),
          );
          const after = dayOf(drawn, log);
          expect(after.asPlanned).toEqual([]);
          const [was, is] = [nextChange(before, drawn.now), nextChange(after, drawn.now)];
          if (was === null) return;
          // A change that was to come comes, at the latest when it was to.
          expect(is, JSON.stringify(drawn)).not.toBeNull();
          expect(is ?? 0).toBeLessThanOrEqual(was + 1);
        },
      ),
      { seed: 11, numRuns: 120 },
    );
    expect(confirmed, 'days on which something was to confirm').toBeGreaterThan(40);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { handOver, readCode, statesCode } from '../../src/app/day/codes.ts';
import { newPlan } from '../../src/app/day/newPlan.ts';
import { CARD_STATES, type CardState } from '../../src/core/kit/model.ts';
import type { Plan, PlanPress } from '../../src/core/kit/plan.ts';
import { holds, lastPresses, stateOf } from '../../src/core/rotation/states.ts';
import { aCard } from '../../src/core/testing.ts';
import { runs } from '../support/runs.ts';

/**
 * Days of several devices whose clocks say anything, drawn: presses, rehearsals, hand-overs by code, a wallet that is changed by
 * hand. Beside them stands what truly happened: of each press, which presses its device knew. A card may be freed only where no
 * order of those that nobody knew of each other leaves it unsafe.
 */
const CARDS = ['a', 'b'] as const;
const DEVICES = 3;

const step = fc.oneof(
  {
    weight: 5,
    arbitrary: fc.record({
      kind: fc.constant('press' as const),
      device: fc.nat(DEVICES - 1),
      card: fc.constantFrom(...CARDS),
      to: fc.constantFrom(...CARD_STATES),
    }),
  },
  {
    weight: 4,
    arbitrary: fc.record({
      kind: fc.constant('hand-over' as const),
      from: fc.nat(DEVICES - 1),
      to: fc.nat(DEVICES - 1),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('rehearse' as const),
      device: fc.nat(DEVICES - 1),
      card: fc.constantFrom(...CARDS),
      to: fc.constantFrom(...CARD_STATES),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('clock' as const),
      device: fc.nat(DEVICES - 1),
      to: fc.integer({ min: -40_000, max: 4_000_000 }),
    }),
  },
);

interface Truth {
  readonly to: CardState;
  readonly cardId: string;
  /** Presses that the device knew, by id, with all that they knew. */
  readonly knew: ReadonlySet<string>;
}

const EMPTY: Plan = { ...newPlan([]), id: 'p', cardIds: [...CARDS], log: [], rehearsal: [] };

describe('hand-over', () => {
  it('never leaves a card to be freed that some order of what truly happened leaves unsafe', () => {
    fc.assert(
      fc.property(fc.array(step, { minLength: 2, maxLength: 40 }), (steps) => {
        const truth = new Map<string, Truth>();
        const plans: Plan[] = Array.from({ length: DEVICES }, () => EMPTY);
        const clocks = Array.from({ length: DEVICES }, () => 0);
        let time = Date.UTC(2027, 5, 12);
        const append = (device: number, list: 'log' | 'rehearsal', press: PlanPress): void => {
          const plan = plans[device] as Plan;
          plans[device] = { ...plan, [list]: [...(plan[list] ?? []), press] };
        };
        for (const [n, one] of steps.entries()) {
          time += 37_000;
          if (one.kind === 'clock') clocks[one.device] = one.to;
          else if (one.kind === 'hand-over') {
            const [giver, taker] = [plans[one.from] as Plan, plans[one.to] as Plan];
            const code = statesCode(giver, { now: time + (clocks[one.from] as number) * 1000, isRehearsed: false });
            const read = readCode(code);
            if (!read.ok || read.value.kind !== 'states') throw new Error('a code that is not read');
            const choice = { now: time + (clocks[one.to] as number) * 1000, vouched: false };
            plans[one.to] = { ...taker, log: handOver(taker, [], read.value, choice).log };
          } else {
            const { device, card: cardId, to } = one;
            const id = `${'abcdef'[n % 6]}${String(n).padStart(5, '0')}`;
            const at = new Date(Math.max(0, time + (clocks[device] as number) * 1000)).toISOString();
            append(device, one.kind === 'press' ? 'log' : 'rehearsal', { id, at, cardId, to, who: `${device}` });
            if (one.kind === 'rehearse') continue;
            const known = (plans[device]?.log ?? [])
              .slice(0, -1)
              .flatMap((press) => [press.id as string, ...(truth.get(press.id as string)?.knew ?? [])]);
            truth.set(id, { to, cardId, knew: new Set(known) });
          }
          for (const plan of plans) {
            for (const cardId of CARDS) {
              const mine = (plan.log ?? []).filter((press) => press.cardId === cardId).map(({ id }) => id as string);
              // Those that none of the others came after: any of them may have been the last.
              const open = mine.filter((id) => !mine.some((other) => truth.get(other)?.knew.has(id)));
              const shown = stateOf(aCard({ id: cardId }), lastPresses(plan.log ?? []));
              if (open.some((id) => holds(truth.get(id)?.to ?? 'full')))
                expect(holds(shown), `${cardId} is ${shown}`).toBe(true);
            }
          }
        }
      }),
      { numRuns: runs(400, 10_000) },
    );
  });

  it('ends where all have told each other: then every device shows a card as unsafe that one of them does', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(1), fc.constantFrom(...CARD_STATES)), { maxLength: 12 }), (presses) => {
        const logs: PlanPress[][] = [[], []];
        for (const [n, [device, to]] of presses.entries())
          logs[device]?.push({
            id: `x${String(n).padStart(5, '0')}`,
            at: '2027-06-12T10:00:00Z',
            cardId: 'a',
            to,
            who: '',
          });
        const given = (from: readonly PlanPress[], into: readonly PlanPress[]): readonly PlanPress[] => {
          const read = readCode(statesCode({ ...EMPTY, log: from }, { now: 0, isRehearsed: true }));
          if (!read.ok || read.value.kind !== 'states') throw new Error('a code that is not read');
          return handOver({ cardIds: ['a'], log: into }, [], read.value, { now: 0, vouched: false }).log;
        };
        const first = given(logs[0] ?? [], logs[1] ?? []);
        const second = given(first, logs[0] ?? []);
        const shown = (log: readonly PlanPress[]): boolean => holds(lastPresses(log).get('a')?.to ?? 'free');
        expect(shown(second)).toBe(shown(first));
      }),
      { numRuns: runs(300, 5000) },
    );
  });
});

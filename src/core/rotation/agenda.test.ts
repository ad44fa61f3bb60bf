import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createAgenda, type DayEvent, type EventKind } from './agenda.ts';

describe('what is to happen', () => {
  it('comes by its time, at one moment ends before beginnings, and never before it is due', () => {
    const kind = fc.constantFrom<EventKind>('end', 'relay', 'prepare', 'block');
    const event = fc.record<DayEvent>({
      at: fc.integer({ min: 0, max: 20 }),
      kind,
      body: fc.integer({ min: 0, max: 3 }),
      token: fc.constant(0),
    });
    const order: readonly EventKind[] = ['end', 'relay', 'prepare', 'block'];
    fc.assert(
      fc.property(fc.array(event, { maxLength: 40 }), fc.integer({ min: 0, max: 20 }), (events, until) => {
        const agenda = createAgenda();
        for (const one of events) agenda.post(one);
        expect(agenda.next()).toBe(Math.min(Number.POSITIVE_INFINITY, ...events.map(({ at }) => at)));
        const due: DayEvent[] = [];
        for (let one = agenda.due(until); one; one = agenda.due(until)) due.push(one);
        expect(due).toHaveLength(events.filter(({ at }) => at <= until).length);
        for (const [n, one] of due.entries()) {
          const before = due[n - 1];
          if (!before) continue;
          expect(one.at).toBeGreaterThanOrEqual(before.at);
          if (one.at === before.at) expect(order.indexOf(one.kind)).toBeGreaterThanOrEqual(order.indexOf(before.kind));
        }
        expect(agenda.next()).toBeGreaterThan(until);
      }),
      { seed: 1404, numRuns: 500 },
    );
  });
});

import type { Card, Print, Test } from '../../kit/model.ts';
import type { Seconds } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';
import type { TestsFinding } from './ownTests.ts';

/** Another card of the same print, with its tests in one body. */
export interface Twin {
  readonly card: Card;
  readonly tests: readonly Test[];
}

/** What tests of cards of the same print say. */
export type TwinsFinding = Extract<Finding, { rule: 'twin-tests' }>;

/**
 * What is printed on a card, as text; null where nothing is printed that tells two kinds of card apart. A label that says
 * no more than its size is no print: two such cards need have nothing in common.
 */
export function printed({ form, capacityGB, marks, bus, readMBps, writeMBps }: Print): string | null {
  const says = readMBps !== null || writeMBps !== null || marks.some((mark) => /^(?:V|VPG)\s?\d/i.test(mark));
  return says ? JSON.stringify([form, capacityGB, [...marks].sort(), bus, readMBps, writeMBps]) : null;
}

/**
 * What tests of other cards of the same print say for a seat: likely, and never more. One drop among them speaks louder
 * than any pass.
 *
 * @param ask - what the tests of one card say for the seat
 */
export function twinTestsRule(
  twins: readonly Twin[],
  own: Card,
  ask: (twin: Twin) => TestsFinding,
): TwinsFinding | null {
  const told = twins.filter(({ card }) => card.id !== own.id).map((twin) => ({ twin, found: ask(twin) }));
  const dropped = told.filter(({ found }) => found.outcome === 'short');
  const passed = told.filter(({ found }) => found.outcome === 'pass' && found.untilSeconds === null);
  const counted = dropped.length > 0 ? dropped : passed;
  if (counted.length === 0) return null;
  const drops = dropped.flatMap(({ found }) => found.dropSeconds ?? []);
  return {
    rule: 'twin-tests',
    outcome: dropped.length > 0 ? 'short' : 'note',
    passes: passed.reduce((sum, { found }) => sum + found.passes, 0),
    cards: counted.map(({ twin }) => twin.card.label),
    dropSeconds: drops.length > 0 ? (Math.min(...drops) as Seconds) : null,
    testIds: counted.flatMap(({ found }) => found.testIds),
  };
}

import { AIR_MOVEMENTS, type Body, type Card, type Mode, type PlannedTake, type Test } from '../../kit/model.ts';
import { cameAfter } from '../../match/takeOrder.ts';
import { readTest } from '../../match/testReading.ts';
import { sunDegrees } from './sun.ts';

/** Degrees by which a take may have been warmer than the plan and still count as made under its conditions [A]. */
const ALIKE_C = 1;

interface Planned {
  readonly body: Body;
  readonly mode: Pick<Mode, 'id'>;
  readonly cards: readonly Card[];
  readonly plan: PlannedTake;
}

/**
 * Whether a take was no harder than the plan: from cold, its air no warmer and no stiller, no more takes before it, no less
 * rest. What was not noted of start and movement counts as planned.
 */
function isNoHarder(test: Test, body: Body, plan: PlannedTake): boolean {
  const { ambientC, air: moved, takes, restMinutes } = plan;
  const { ambientWithSunC: air, takes: made = 1, restSeconds } = test;
  if (test.start === 'warm') return false;
  if (test.air != null && AIR_MOVEMENTS.indexOf(test.air) < AIR_MOVEMENTS.indexOf(moved ?? 'still')) return false;
  if (air == null || air > ambientC + sunDegrees(body, plan) + ALIKE_C) return false;
  if ((made ?? 1) > takes) return false;
  return (made ?? 1) === 1 || (restSeconds ?? 0) >= restMinutes * 60;
}

/** Whether a later take of the same mode and card, in air as warm, lasted longer: then it is the one to believe. */
const isOvertaken = (test: Test, at: number, tests: readonly Test[]): boolean =>
  tests.some(
    (other, place) =>
      (other.end === 'full' || other.end === 'stopped') &&
      other.modeId === test.modeId &&
      other.cardId === test.cardId &&
      other.bodyId === test.bodyId &&
      other.seconds > test.seconds &&
      (other.ambientWithSunC ?? Number.NEGATIVE_INFINITY) >= (test.ambientWithSunC ?? 0) &&
      cameAfter({ test: other, at: place }, { test, at }),
  );

/**
 * The own take of this body, mode and card that stopped early under conditions no harder than the plan's; the shortest of
 * them. What happened outranks what is worked out. Null where none did within the planned minutes.
 */
export function endedBy({ body, mode, cards, plan }: Planned, tests: readonly Test[]): Test | null {
  let shortest: Test | null = null;
  tests.forEach((test, at) => {
    if (test.bodyId !== body.id || test.modeId !== mode.id) return;
    if (test.end !== 'dropped' && test.end !== 'cut-off') return;
    const card = cards.find(({ id }) => id === test.cardId);
    if (!card || test.seconds >= plan.minutes * 60 || !isNoHarder(test, body, plan)) return;
    if (readTest(test, body, card).misfit !== null || isOvertaken(test, at, tests)) return;
    if (shortest === null || test.seconds < shortest.seconds) shortest = test;
  });
  return shortest;
}

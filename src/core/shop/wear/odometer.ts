import { streamRate } from '../../bodies/rate/streamRate.ts';
import type { BenchResult, Body, Card, Test } from '../../kit/model.ts';
import type { Plan } from '../../kit/plan.ts';
import { bodyInMode } from '../../match/bodyInMode.ts';
import { usable } from '../../match/minutes/minutes.ts';
import { sharesOf } from '../../match/seats.ts';
import { toGigabytes, toMegabytes } from '../../units/convert.ts';
import type { Between } from './wear.ts';

/** The lists that tell what was written to a card. */
export interface OdometerKit {
  readonly bodies: readonly Body[];
  readonly tests: readonly Test[];
  readonly benches: readonly Pick<BenchResult, 'cardId' | 'date' | 'writtenGB'>[];
  readonly plans: readonly Plan[];
}

/** What was written to a card, and where that is known from, GB. */
export interface Odometer {
  readonly noted: number | null;
  readonly tests: Between;
  readonly benches: Between;
  /** Each press of “full” on a day counts as up to one filling. */
  readonly days: Between;
  readonly total: Between;
  /** Whether something logged may be in the noted figure already, since nobody noted until when that counts. */
  readonly unsure: boolean;
}

const NONE: Between = { low: 0, high: 0 };
const plus = (a: Between, b: Between): Between => ({ low: a.low + b.low, high: a.high + b.high });
const sum = (all: readonly Between[]): Between => all.reduce(plus, NONE);

/** Whether something of a date comes on top of what was noted: yes, no, or nobody can tell. */
function onTop({ writtenGB, writtenOn }: Pick<Card, 'writtenGB' | 'writtenOn'>, date: string | null): boolean | null {
  if (writtenGB == null) return true;
  if (!writtenOn || !date) return null;
  return date.slice(0, 10) > writtenOn.slice(0, 10);
}

/** What one take wrote to its card, GB: its clip, else what was logged, else its mode's rate, at the most the card. */
function ofTest(test: Test, bodies: readonly Body[], room: number): Between {
  const takes = test.takes ?? 1;
  if (test.clipGB != null) return { low: test.clipGB * takes, high: test.clipGB * takes };
  if (test.end === 'full') return { low: room, high: room };
  const body = bodies.find(({ id }) => id === test.bodyId);
  const mode = body?.modes.find(({ id }) => id === test.modeId);
  const rate = mode && body ? streamRate(mode, body) : null;
  const MBps =
    test.writtenMBps ??
    (rate?.ok && body && mode ? toMegabytes(rate.value.average) / sharesOf(bodyInMode(body, mode)) : null);
  if (MBps === null) return { low: 0, high: room * takes };
  const GB = Math.min(room, (MBps * test.seconds) / 1000) * takes;
  return { low: GB, high: GB };
}

/** Everything that is known to have been written to a card. */
export function odometer(card: Card, { bodies, tests, benches, plans }: OdometerKit): Odometer {
  const room = toGigabytes(usable(card).bytes);
  let unsure = false;
  const counted = (amount: Between, date: string | null): Between => {
    const comes = onTop(card, date);
    if (comes === false) return NONE;
    if (comes === true) return amount;
    unsure ||= amount.high > 0;
    return { low: 0, high: amount.high };
  };
  const ofTests = sum(
    tests.flatMap((test) => (test.cardId === card.id ? [counted(ofTest(test, bodies, room), test.date)] : [])),
  );
  const ofBenches = sum(
    benches.flatMap(({ cardId, date, writtenGB }) =>
      cardId === card.id && writtenGB != null ? [counted({ low: writtenGB, high: writtenGB }, date)] : [],
    ),
  );
  const ofDays = sum(
    plans.flatMap(({ isTemplate, log = [] }) =>
      isTemplate
        ? []
        : log.flatMap((press) =>
            press.cardId === card.id && press.to === 'full' ? [counted({ low: 0, high: room }, press.at)] : [],
          ),
    ),
  );
  const noted = card.writtenGB ?? null;
  return {
    noted,
    tests: ofTests,
    benches: ofBenches,
    days: ofDays,
    unsure,
    total: plus({ low: noted ?? 0, high: noted ?? 0 }, sum([ofTests, ofBenches, ofDays])),
  };
}

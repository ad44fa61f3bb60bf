import { printedBus } from '../../label/printedBus.ts';
import { speedMarks } from '../../label/printedMarks.ts';
import type { Card } from '../../model/kit.ts';
import type { Bus } from '../../standards/buses.ts';
import { isSd } from '../../standards/forms.ts';
import { countsOn, type Mark, mark, promiseOf } from '../../standards/marks.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';

/** The guarantee in force for one card on one bus. */
export interface Floor {
  readonly mark: Mark | null;
  readonly floor: BytesPerSecond | null;
  readonly notInForce: readonly Mark[];
  readonly inForce: Bus | null;
}

/**
 * The highest promise in force. V60 and V90 count only on UHS-II and III; such a card satisfies V30 on UHS-I [A],
 * provided it does not itself print UHS-I: that label contradicts itself and earns no benefit of the doubt. Peak
 * figures never enter.
 */
export function floorInForce(card: Pick<Card, 'form' | 'marks'>, inForce: Bus | null): Floor {
  const printed = speedMarks(card.marks);
  const counting = printed.filter((key) => countsOn(key, inForce, card.form));
  const fallsBack =
    printed.some((key) => key === 'V60' || key === 'V90') && isUhs2(card) && countsOn('V30', inForce, card.form);
  const candidates: readonly Mark[] = fallsBack ? [...counting, 'V30'] : counting;
  const best = highest(candidates);
  const floor = best === null ? null : promiseOf(best);
  const notInForce = printed.filter((key) => !counting.includes(key) && (floor === null || promiseOf(key) > floor));
  return { mark: best, floor, notInForce, inForce };
}

const isUhs2 = (card: Pick<Card, 'form' | 'marks'>): boolean => {
  const own = isSd(card.form) ? printedBus(card.form, card.marks)?.bus : undefined;
  return own === 'uhs-ii' || own === 'uhs-iii';
};

const highest = (keys: readonly Mark[]): Mark | null =>
  keys.reduce<Mark | null>(
    (best, key) => (best === null || mark(key).promisesMBps >= mark(best).promisesMBps ? key : best),
    null,
  );

const NO_MARGIN = 0 as PerMille;

/** Compares the guarantee in force with the need. No mark is unknown, never zero. */
export function guaranteeRule(floor: Floor, need: BytesPerSecond): Finding {
  const outcome = floor.floor === null ? 'unknown' : covers(floor.floor, need, NO_MARGIN) ? 'pass' : 'short';
  const { mark: key, floor: promised, notInForce, inForce } = floor;
  return { rule: 'guarantee', outcome, need, mark: key, floor: promised, notInForce, inForce };
}

import { busOf } from '../../cards/printedBus.ts';
import { appMarks, speedMarks } from '../../cards/printedMarks.ts';
import type { Card } from '../../kit/model.ts';
import { type Bus, isExpress } from '../../standards/buses.ts';
import { isSd } from '../../standards/forms.ts';
import { appCountsOn, countsOn, fallsBackTo, type Mark, type Promising, promisedMBps } from '../../standards/marks.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/** What a card promises by its marks, on one bus. */
export interface Floor {
  readonly mark: Promising | null;
  readonly floor: BytesPerSecond | null;
  readonly notInForce: readonly Mark[];
  readonly inForce: Bus | null;
}

/**
 * The highest promise in force. Marks of two rows of contacts count on UHS-II and III only; such a card satisfies V30 on UHS-I [A],
 * provided it does not itself print UHS-I: that label contradicts itself and earns no benefit of the doubt. Peak
 * figures never enter. A card whose bus is nowhere told is no Express card, which would print EX: in an Express slot it speaks
 * UHS-I, where its classes count.
 */
export function floorInForce(
  card: Pick<Card, 'form' | 'marks'> & Partial<Pick<Card, 'bus'>>,
  inForce: Bus | null,
): Floor {
  const printed = speedMarks(card.marks);
  const spokenOn = isExpress(inForce) && isOfUnknownBus(card) ? 'uhs-i' : inForce;
  const counting = printed.filter((key) => countsOn(key, spokenOn, card.form));
  const fallbacks = mayFallBack(card)
    ? printed.flatMap((key) => fallsBackTo(key) ?? []).filter((key) => countsOn(key, spokenOn, card.form))
    : [];
  const apps = appMarks(card.marks).filter((key) => appCountsOn(key, spokenOn, card.form));
  const best = highest([...apps, ...counting, ...fallbacks]);
  const floor = best === null ? null : fromMegabytes(promisedMBps(best));
  const notInForce = printed.filter(
    (key) => !counting.includes(key) && (floor === null || fromMegabytes(promisedMBps(key)) > floor),
  );
  return { mark: best, floor, notInForce, inForce: spokenOn };
}

const isOfUnknownBus = ({ form, marks, bus = null }: Parameters<typeof floorInForce>[0]): boolean =>
  busOf({ form, marks, bus }).bus === null;

/** Whether what is printed is a card of the bus its marks need: one that prints a slower one contradicts itself. */
const mayFallBack = ({ form, marks }: Pick<Card, 'form' | 'marks'>): boolean => {
  const own = busOf({ form, marks, bus: null }).bus;
  return isSd(form) ? own === 'uhs-ii' || own === 'uhs-iii' : own === 'cfexpress-4';
};

/** Of equal promises the last: V30 is named before U3, as it is printed later and asks for more. */
const highest = (keys: readonly Promising[]): Promising | null =>
  keys.reduce<Promising | null>(
    (best, key) => (best === null || promisedMBps(key) >= promisedMBps(best) ? key : best),
    null,
  );

const NO_MARGIN = 0 as PerMille;

/**
 * Compares the guarantee in force with the need. No mark is unknown, never zero; nor does a label promise anything that
 * contradicts itself and was not verified.
 */
export function guaranteeRule(floor: Floor, need: BytesPerSecond, doubted: boolean): Finding {
  const promised = doubted ? null : floor.floor;
  const outcome = promised === null ? 'unknown' : covers(promised, need, NO_MARGIN) ? 'pass' : 'short';
  const { mark, notInForce, inForce } = floor;
  return {
    rule: 'guarantee',
    outcome,
    need,
    mark: promised === null ? null : mark,
    floor: promised,
    notInForce,
    inForce,
    doubted: doubted && floor.floor !== null,
  };
}

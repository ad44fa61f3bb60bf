import { type BusKnown, type BusPrint, busOf } from '../../cards/printedBus.ts';
import type { Accepts, Card } from '../../kit/model.ts';
import { type Bus, busCeiling, busesOf, busInForce, busSure, promisesLike } from '../../standards/buses.ts';
import { form, isSd } from '../../standards/forms.ts';
import { covers } from '../../units/amount.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import type { Finding } from '../finding.ts';

/** The bus two sides settle on, before any need is compared with it. */
export interface BusFacts {
  readonly slot: Bus | null;
  readonly card: Bus | null;
  readonly inForce: Bus | null;
  /** Null where only the maker knows: a module, or two sides that share no known bus. */
  readonly ceiling: BytesPerSecond | null;
  /** What every such pair carries of data; the rest up to the ceiling nobody promises. */
  readonly sure: BytesPerSecond | null;
  readonly known: BusKnown;
  readonly surplus: boolean;
  /** False where the slot's bus is not entered: the bus in force is then what every slot of its form can do. */
  readonly slotTold: boolean;
  /** True where a one-row adapter stands between them and holds the bus at UHS-I. */
  readonly adapter: boolean;
}

/** What every slot of a form can do at least; null where only the maker knows. */
export const leastBus = (key: Accepts['form']): Bus | null => busesOf(key)[0] ?? null;

/** The slower of a bus and UHS-I: one row of contacts. */
const oneRow = (bus: Bus | null): Bus | null => (bus === null ? 'uhs-i' : busInForce(bus, 'uhs-i'));

/**
 * Bus in force: the fastest both sides know. A slot whose bus is not told counts as what every slot of its form can do,
 * so that no promise is kept on a guess. A card whose bus is neither printed nor told by its marks is taken at the
 * slot's, so that no card is called too slow on a guess. An ordinary adapter carries one row of contacts [P].
 */
export function busFacts(accepts: Accepts, card: BusPrint & Pick<Card, 'adapterTwoRows'>): BusFacts {
  const { bus: own, known } = busOf(card);
  const slotTold = accepts.bus !== null;
  const slot = accepts.bus ?? leastBus(accepts.form);
  const adapter = form(accepts.form).shape !== form(card.form).shape && isSd(card.form) && !card.adapterTwoRows;
  const reached = adapter ? oneRow(slot) : slot;
  const inForce = reached === null ? own : own === null ? reached : busInForce(reached, own);
  const ceiling = inForce === null ? null : busCeiling(inForce, card.form);
  const sure = inForce === null ? null : busSure(inForce, card.form);
  const surplus = own !== null && inForce !== null && promisesLike(own) !== promisesLike(inForce);
  return {
    slot: accepts.bus,
    card: own,
    inForce,
    ceiling,
    sure,
    known,
    surplus,
    slotTold,
    adapter: adapter && surplus,
  };
}

/**
 * Compares the bus in force with the need and its headroom. A bus that is only the least its form can do is never called
 * too slow: then nothing is known. Nor is it where the need lies between what every such pair carries and the most there is.
 */
export function busRule(facts: BusFacts, need: BytesPerSecond, headroom: PerMille): Finding {
  const { ceiling, sure, slotTold } = facts;
  const isShort = ceiling !== null && ceiling < need;
  const isBeyond = sure !== null && sure < need && !isShort;
  const thin = sure !== null && !isShort && !isBeyond && !covers(sure, need, headroom);
  const outcome =
    ceiling === null || isBeyond || (isShort && !slotTold)
      ? 'unknown'
      : isShort
        ? 'short'
        : thin || !slotTold || facts.known === 'assumed' || facts.surplus
          ? 'note'
          : 'pass';
  const { slot, card, inForce, known, surplus, adapter } = facts;
  return { rule: 'bus', outcome, need, slot, card, inForce, ceiling, sure, known, surplus, slotTold, adapter, thin };
}

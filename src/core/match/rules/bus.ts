import { type BusKnown, busOf } from '../../cards/printedBus.ts';
import type { Accepts, Card } from '../../kit/model.ts';
import { type Bus, busCeiling, busesOf, busInForce } from '../../standards/buses.ts';
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
export function busFacts(accepts: Accepts, card: Pick<Card, 'form' | 'bus' | 'marks' | 'adapterTwoRows'>): BusFacts {
  const { bus: own, known } = busOf(card);
  const slotTold = accepts.bus !== null;
  const slot = accepts.bus ?? leastBus(accepts.form);
  const adapter = form(accepts.form).shape !== form(card.form).shape && isSd(card.form) && !card.adapterTwoRows;
  const reached = adapter ? oneRow(slot) : slot;
  const inForce = reached === null ? own : own === null ? reached : busInForce(reached, own);
  const ceiling = inForce === null ? null : busCeiling(inForce, card.form);
  const surplus = own !== null && own !== inForce;
  return { slot: accepts.bus, card: own, inForce, ceiling, known, surplus, slotTold, adapter: adapter && surplus };
}

/**
 * Compares the bus in force with the need and its headroom. A bus that is only the least its form can do is never called
 * too slow: then nothing is known.
 */
export function busRule(facts: BusFacts, need: BytesPerSecond, headroom: PerMille): Finding {
  const { ceiling, slotTold } = facts;
  const isShort = ceiling !== null && ceiling < need;
  const thin = ceiling !== null && !isShort && !covers(ceiling, need, headroom);
  const outcome =
    ceiling === null || (isShort && !slotTold)
      ? 'unknown'
      : isShort
        ? 'short'
        : thin || !slotTold || facts.known === 'assumed' || facts.surplus
          ? 'note'
          : 'pass';
  const { slot, card, inForce, known, surplus, adapter } = facts;
  return { rule: 'bus', outcome, need, slot, card, inForce, ceiling, known, surplus, slotTold, adapter, thin };
}

import { printedBus } from '../../label/printedBus.ts';
import type { Accepts, Card } from '../../model/kit.ts';
import { type Bus, busCeiling, busInForce } from '../../standards/buses.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import type { BusKnown, Finding } from '../finding.ts';

/** The bus two sides settle on, before any need is compared with it. */
export interface BusFacts {
  readonly slot: Bus | null;
  readonly card: Bus | null;
  readonly inForce: Bus | null;
  /** Null where only the maker knows: a module, or two sides that share no known bus. */
  readonly ceiling: BytesPerSecond | null;
  readonly known: BusKnown;
  readonly surplus: boolean;
}

/**
 * Bus in force: the fastest both sides know. A card whose bus is neither printed nor told by its marks is taken at the
 * slot's, so that no card is ever called too slow on a guess.
 */
export function busFacts(accepts: Accepts, card: Pick<Card, 'form' | 'bus' | 'marks'>): BusFacts {
  const read = printedBus(card.form, card.marks);
  const own = card.bus ?? read?.bus ?? null;
  const known: BusKnown = card.bus || read?.printed ? 'printed' : read ? 'marks' : 'assumed';
  const slot = accepts.bus;
  const inForce = slot === null ? own : own === null ? slot : busInForce(slot, own);
  const ceiling = inForce === null ? null : busCeiling(inForce, card.form);
  return { slot, card: own, inForce, ceiling, known, surplus: own !== null && own !== inForce };
}

/** Compares the bus in force with the need. */
export function busRule(facts: BusFacts, need: BytesPerSecond): Finding {
  const { ceiling } = facts;
  const outcome =
    ceiling === null
      ? 'unknown'
      : ceiling < need
        ? 'short'
        : facts.known === 'assumed' || facts.surplus
          ? 'note'
          : 'pass';
  const { slot, card, inForce, known, surplus } = facts;
  return { rule: 'bus', outcome, need, slot, card, inForce, ceiling, known, surplus };
}

import type { Card, Slot } from '../../kit/model.ts';
import type { Bus } from '../../standards/buses.ts';
import { type Family, family, familyOf } from '../../standards/families.ts';
import { isSd } from '../../standards/forms.ts';
import { fromGigabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/**
 * Whether the host reads the card's capacity family. Only SD has families; a slot whose family is not known blocks
 * nothing, and is asked about where it may not read the card at all. "Up to 64 GB" within a family is a maker's promise, not a wall: a note.
 */
export function familyRule(slot: Slot, card: Pick<Card, 'form' | 'capacityGB'>): readonly Finding[] {
  const findings: Finding[] = [];
  if (isSd(card.form)) {
    const own = familyOf(fromGigabytes(card.capacityGB));
    const outcome =
      own === null ? 'block' : slot.family === null ? 'unknown' : rankFits(own, slot.family) ? 'pass' : 'block';
    const isAsked = own !== null && slot.family === null && mayBeTooNew(own, slot);
    findings.push({ rule: 'family', outcome, card: own, slot: slot.family, isAsked });
  }
  if (slot.promisedMaxGB !== null && card.capacityGB > slot.promisedMaxGB) {
    findings.push({
      rule: 'promised-max',
      outcome: 'note',
      promisedGB: slot.promisedMaxGB,
      cardGB: card.capacityGB,
    });
  }
  return findings;
}

/** Up to which size a slot is said to take where it reads no larger family than SDHC, GB. */
const SDHC_GB = 32;

/** Buses of hosts that were made before SDXC, as well as of some made since [A]. */
const OLD_BUSES: ReadonlySet<Bus> = new Set(['default', 'high-speed']);

/**
 * Whether a slot of which nobody told what it reads may not read a card of this family: SDUC hardly any host does; SDXC where
 * the slot's other facts say that it is old.
 */
function mayBeTooNew(own: Family, { accepts, promisedMaxGB }: Slot): boolean {
  if (own === 'sduc') return true;
  if (own !== 'sdxc') return false;
  const buses = accepts.flatMap(({ form, bus }) => (isSd(form) ? [bus] : []));
  const isOld = buses.length > 0 && buses.every((bus) => bus !== null && OLD_BUSES.has(bus));
  return isOld || (promisedMaxGB !== null && promisedMaxGB <= SDHC_GB);
}

const rankFits = (card: Parameters<typeof family>[0], slot: Parameters<typeof family>[0]): boolean =>
  family(card).rank <= family(slot).rank;

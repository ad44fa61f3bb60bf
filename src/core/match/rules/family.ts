import type { Card, Slot } from '../../kit/model.ts';
import { family, familyOf } from '../../standards/families.ts';
import { isSd } from '../../standards/forms.ts';
import { fromGigabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/**
 * Whether the host reads the card's capacity family. Only SD has families; a slot whose family is not known blocks
 * nothing. "Up to 64 GB" within a family is a maker's promise, not a wall: a note.
 */
export function familyRule(slot: Slot, card: Pick<Card, 'form' | 'capacityGB'>): readonly Finding[] {
  const findings: Finding[] = [];
  if (isSd(card.form)) {
    const own = familyOf(fromGigabytes(card.capacityGB));
    const outcome =
      own === null ? 'block' : slot.family === null ? 'unknown' : rankFits(own, slot.family) ? 'pass' : 'block';
    findings.push({ rule: 'family', outcome, card: own, slot: slot.family });
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

const rankFits = (card: Parameters<typeof family>[0], slot: Parameters<typeof family>[0]): boolean =>
  family(card).rank <= family(slot).rank;

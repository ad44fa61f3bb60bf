import { sureBus } from '../../cards/printedBus.ts';
import type { Card } from '../../kit/model.ts';
import { ASSUMED } from '../../standards/assumptions.ts';
import { busCeiling } from '../../standards/buses.ts';
import type { BytesPerSecond } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

const KEPT_PERCENT = Math.round((1 - ASSUMED.makerDerating.value) * 100);

/**
 * Compares the maker's sustained figure, less 20 % [A], with the need; of one above what the card's own bus carries no more
 * than that. Peak read and write never enter.
 */
export function makersFigureRule(
  card: Pick<Card, 'form' | 'bus' | 'marks' | 'sustainedMBps'>,
  need: BytesPerSecond,
): Finding {
  if (card.sustainedMBps === null) {
    return { rule: 'makers-figure', outcome: 'unknown', stated: null, derated: null, need };
  }
  const stated = fromMegabytes(card.sustainedMBps);
  const own = sureBus(card);
  const ceiling = own && busCeiling(own, card.form);
  const possible = ceiling !== null && ceiling < stated ? ceiling : stated;
  const derated = Math.floor((possible * KEPT_PERCENT) / 100) as BytesPerSecond;
  return { rule: 'makers-figure', outcome: derated >= need ? 'pass' : 'short', stated, derated, need };
}

import { busOf } from '../../cards/printedBus.ts';
import { readWord, shownSpelling } from '../../cards/vocabulary.ts';
import type { Advice, Body, Card } from '../../kit/model.ts';
import { promisesLike } from '../../standards/buses.ts';
import { familyOf } from '../../standards/families.ts';
import { isSd } from '../../standards/forms.ts';
import { fromGigabytes } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';

/** What of a card is what its body's maker advises against, as it is written; empty where nothing is. */
function foundOn({ anyOf, overGB }: Advice, card: Pick<Card, 'form' | 'bus' | 'marks' | 'capacityGB'>) {
  const own = busOf(card).bus;
  const printed = card.marks.map(shownSpelling);
  const words = anyOf.map(shownSpelling).filter((text) => {
    const word = readWord(text);
    if (printed.includes(text)) return true;
    if (word?.kind === 'bus') return own !== null && promisesLike(own) === word.bus;
    return word?.kind === 'family' && isSd(card.form) && familyOf(fromGigabytes(card.capacityGB)) === word.family;
  });
  return { words, overGB: overGB !== null && card.capacityGB > overGB ? overGB : null };
}

/** What the maker of the body advises against and this card has: a note each, never a lock. */
export function adviceRule(
  { advisesAgainst = [] }: Pick<Body, 'advisesAgainst'>,
  card: Pick<Card, 'form' | 'bus' | 'marks' | 'capacityGB'>,
): readonly Finding[] {
  return advisesAgainst.flatMap((advice): readonly Finding[] => {
    const { words, overGB } = foundOn(advice, card);
    if (words.length === 0 && overGB === null) return [];
    return [{ rule: 'advice', outcome: 'note', words, overGB, cardGB: card.capacityGB, source: advice.source }];
  });
}

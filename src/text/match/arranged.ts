import type { Body, Card } from '../../core/kit/model.ts';
import type { Arranged } from '../../core/match/arrange.ts';
import { assertNever } from '../../core/result.ts';
import { MBpsText, minutesText } from '../quantity.ts';
import { VERDICT_WORDS } from './verdict.ts';

/** Who sits where, with each one's word. */
export const seatedText = ({ seats, cells }: Arranged, body: Body, cards: readonly Card[]): string =>
  seats
    .map(({ card, slot }, at) => {
      const verdict = cells[at]?.verdict ?? 'uncovered';
      return `${body.slots[slot]?.name}: ${cards[card]?.label}, ${VERDICT_WORDS[verdict].toLowerCase()}`;
    })
    .join(' · ');

/** What an arrangement does with its cards, and what it leaves unused. */
export function arrangedText(arranged: Arranged): string {
  const { arrangement, cardsPerFill, unusedMinutes, cells } = arranged;
  const cards = cardsPerFill === 1 ? '1 card' : `${cardsPerFill} cards`;
  const unused = unusedMinutes > 0 ? ` ${minutesText(unusedMinutes)} of the larger card stay unused.` : '';
  switch (arrangement) {
    case 'single':
      return `Uses ${cards}.`;
    case 'relay':
      return `Uses ${cards}, one after the other; their minutes add up. Each card is judged for its own part.`;
    case 'mirrored':
      return `Uses ${cards}, each with the whole recording. Many cameras cannot mirror video: check the manual.${unused}`;
    case 'split': {
      const need = cells[0]?.need;
      const each = need == null ? '' : `, ${MBpsText(need)} to each`;
      return `Uses ${cards}${each}.${unused}`;
    }
    default:
      return assertNever(arrangement);
  }
}

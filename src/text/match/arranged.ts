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
  const unused = unusedMinutes > 0 ? ` The larger card keeps ${minutesText(unusedMinutes)} unused.` : '';
  switch (arrangement) {
    case 'single':
      return `${cards} a fill.`;
    case 'relay':
      return `${cards} a fill, minutes add. The weaker card’s verdict stands for its part.`;
    case 'mirrored':
      return `${cards} a fill, each holds the whole stream. Many bodies cannot mirror video: check the manual.${unused}`;
    case 'split': {
      const need = cells[0]?.need;
      const each = need == null ? '' : `, ${MBpsText(need)} to each`;
      return `${cards} a fill${each}.${unused}`;
    }
    default:
      return assertNever(arrangement);
  }
}

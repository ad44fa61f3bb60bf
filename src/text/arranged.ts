import type { Arranged } from '../core/match/arrange.ts';
import { assertNever } from '../core/result.ts';
import { MBpsText, minutesText } from './quantity.ts';

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

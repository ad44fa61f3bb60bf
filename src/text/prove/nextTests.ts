import type { Due } from '../../core/prove/age.ts';
import type { Reason } from '../../core/prove/nextTests.ts';
import { assertNever } from '../../core/result.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { clockText, together } from '../quantity.ts';
import { explanationText } from './reconcile.ts';

/** Why evidence is to be made anew. */
export function dueText(due: Due): string {
  switch (due.code) {
    case 'old':
      return `the newest test is ${due.months} months old.`;
    case 'firmware':
      return `tested with firmware ${due.was}; the camera has ${due.is} now.`;
    case 'incident':
      return `an incident of ${due.date.slice(0, 10)} came after the tests.`;
    default:
      return assertNever(due);
  }
}

const CAUSE_WORDS = { cache: 'cache', heat: 'heat', link: 'link' } as const;

/** What a test would decide. */
export function reasonText(reason: Reason, decides: number): string {
  switch (reason.code) {
    case 'contradiction':
      return 'from cold, running past the point where it dropped. Earlier passes and drops of this card contradict each other.';
    case 'cause':
      return `decides between ${together(reason.between.map((one) => CAUSE_WORDS[one]))}. Take it at another rate, from cold: the same bytes are a cache, the same time is heat.`;
    case 'puzzle':
      return reason.explanation
        ? `decides a result that looks impossible. ${explanationText(reason.explanation)} Once more from empty, with the bytes of the clip noted, settles it.`
        : 'decides a result that nothing explains yet. Once more from empty, with the bytes of the clip noted.';
    case 'past':
      return `tested for ${clockText(reason.provenSeconds as Seconds)} so far; this tests the rest of the card.`;
    case 'due':
      return `${dueText(reason.due)} Make it again.`;
    case 'void-burst':
      return 'The last burst never filled the buffer. Use a shorter shutter time and shoot until the camera slows down.';
    case 'repeat':
      return `${reason.passes} of ${reason.wanted} passes. One pass is not a guarantee.`;
    case 'worst-mode':
      return decides > 1
        ? `the most demanding mode not yet covered. A pass counts for ${decides} modes.`
        : 'the most demanding mode here, and nothing covers it.';
    default:
      return assertNever(reason);
  }
}

/** The method, for the sheet and beside the watch. */
export const METHOD: readonly string[] = [
  'Worst mode first, from cold: camera and card an hour in shade.',
  'Format the card in the camera, after two verified copies of what is on it.',
  'Record until the card is full, or until the minute on the sheet.',
  'Note how it ended, minutes and seconds, and the bytes of the clip.',
  'Let it cool and repeat three times. If two cards hold files of equal size after equal takes in a constant-rate mode, that is a sign that nothing was lost.',
  'Cards and cameras can be too hot to hold. The maker’s manual stands.',
];

/** How old something is, in whole months. */
export const agoText = (months: number): string =>
  months < 1 ? 'this month' : months === 1 ? 'a month ago' : `${months} months ago`;

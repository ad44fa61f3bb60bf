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
      return `tested with firmware ${due.was}; the body has ${due.is} now.`;
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
      return 'passes and drops of this pair speak against each other. From cold, past where it dropped.';
    case 'cause':
      return `decides between ${together(reason.between.map((one) => CAUSE_WORDS[one]))}. Take it at another rate, from cold: the same bytes are a cache, the same time is heat.`;
    case 'puzzle':
      return reason.explanation
        ? `decides a result that looks impossible. ${explanationText(reason.explanation)} Once more from empty, with the bytes of the clip noted, settles it.`
        : 'decides a result that nothing explains yet. Once more from empty, with the bytes of the clip noted.';
    case 'past':
      return `proven to ${clockText(reason.provenSeconds as Seconds)}; decides the rest of the card.`;
    case 'due':
      return `${dueText(reason.due)} Make it again.`;
    case 'void-burst':
      return 'the burst before it never filled the buffer: a shutter shorter than the burst, and on until the camera slows.';
    case 'repeat':
      return `${reason.passes} of ${reason.wanted} passes. One pass is not a guarantee.`;
    case 'worst-mode':
      return decides > 1
        ? `its worst mode here: a pass answers ${decides} modes of this card.`
        : 'its worst mode here, and nothing covers it.';
    default:
      return assertNever(reason);
  }
}

/** The method, for the sheet and beside the watch. */
export const METHOD: readonly string[] = [
  'Worst mode first, from cold: body and card an hour in shade.',
  'Format the card in the body, after two verified copies of what is on it.',
  'Record until the card is full, or until the minute on the sheet.',
  'Note how it ended, minutes and seconds, and the bytes of the clip.',
  'Let it cool, and make it three times. Equal bytes on two cards: nothing was lost.',
  'Cards and bodies can be too hot to hold. The maker’s manual stands.',
];

/** How old something is, in whole months. */
export const agoText = (months: number): string =>
  months < 1 ? 'this month' : months === 1 ? 'a month ago' : `${months} months ago`;

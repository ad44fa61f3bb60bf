import { clockText, together } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';

/** What tests of other cards of the same print say: likely, and no more. */
export function twinsLine({ outcome, passes, cards, dropSeconds }: Of<'twin-tests'>): Line {
  return outcome === 'short'
    ? {
        text: `Of the same print, ${together(cards)} dropped`,
        figure: dropSeconds === null ? '' : clockText(dropSeconds),
        more: 'Not this card: test it before you trust it.',
      }
    : {
        text: `Likely: ${together(cards)}, of the same print, passed`,
        figure: `${passes} ${passes === 1 ? 'pass' : 'passes'}`,
        more: 'Cards of one print differ. It is no proof of this one.',
      };
}

/** What colleagues report of this body and print. */
export function reportedLine({ passes, drops, from, newest, contradicts }: Of<'reported'>): Line {
  const who = from.length > 0 ? ` by ${together(from)}` : '';
  const said = [passes > 0 ? `${passes} full` : '', drops > 0 ? `${drops} dropped` : ''].filter(Boolean).join(', ');
  return {
    text: `Reported${who}, ${newest}`,
    figure: said,
    more: contradicts ? 'It contradicts your own tests, which stand.' : 'Not your test: it changes no verdict.',
  };
}

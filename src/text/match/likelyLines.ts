import { clockText, either } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';

/** What tests of other cards of the same print say: likely, and no more. */
export function twinsLine({ outcome, passes, cards, dropSeconds }: Of<'twin-tests'>): Line {
  return outcome === 'short'
    ? {
        text: `Of the same print, ${either(cards)} dropped`,
        figure: dropSeconds === null ? '' : clockText(dropSeconds),
        more: 'Not this card: test it before you trust it.',
      }
    : {
        text: `Likely: ${either(cards)}, of the same print, passed`,
        figure: `${passes} ${passes === 1 ? 'pass' : 'passes'}`,
        more: 'Cards of one print differ. It is no proof of this one.',
      };
}

/** What colleagues report of this body and print. */
export function reportedLine({ passes, drops, from, contradicts }: Of<'reported'>): Line {
  const who = from.length > 0 ? ` by ${either(from)}` : '';
  const said = [passes > 0 ? `${passes} full` : '', drops > 0 ? `${drops} dropped` : ''].filter(Boolean).join(', ');
  return {
    text: `Reported${who}`,
    figure: said,
    more: contradicts ? 'It contradicts your own tests, which stand.' : 'Not your test: it changes no verdict.',
  };
}

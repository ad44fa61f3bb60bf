import { dayText } from '../kit/when.ts';
import { clockText, together } from '../quantity.ts';
import type { Line, Of } from './findingLine.ts';

/** What tests of other cards of the same print say: likely, and no more. */
export function twinsLine({ outcome, passes, cards, dropSeconds }: Of<'twin-tests'>): Line {
  return outcome === 'short'
    ? {
        text: `${together(cards)}, with the same printed label, dropped frames`,
        figure: dropSeconds === null ? '' : clockText(dropSeconds),
        more: 'This card was not tested: test it before you use it.',
      }
    : {
        text: `${together(cards)}, with the same printed label, passed your test`,
        figure: `${passes} ${passes === 1 ? 'pass' : 'passes'}`,
        more: 'Cards with one label can differ inside, so this says nothing certain of this card.',
      };
}

/** What colleagues report of this body and print. */
export function reportedLine({ passes, drops, from, newest, contradicts }: Of<'reported'>): Line {
  const who = from.length > 0 ? ` (${together(from)})` : '';
  const said = [passes > 0 ? `${passes} full` : '', drops > 0 ? `${drops} dropped` : ''].filter(Boolean).join(', ');
  return {
    text: `A colleague’s test${who}, ${dayText(newest)}`,
    figure: said,
    more: contradicts
      ? 'It contradicts your own tests, which count.'
      : 'Shown for information; it does not change the answer.',
  };
}

import { HEAT_ASIDE, HEAT_MEANINGS } from './heat/heatWords.ts';
import { BESIDE_MEANINGS } from './match/beside.ts';
import { VERDICT_MEANINGS, VERDICT_WORDS } from './match/verdict.ts';

interface Word {
  readonly word: string;
  readonly meaning: string;
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The words of the app, as the help explains them. What a verdict or a heat mark means is said as the legend says it. */
export const HELP_WORDS: readonly Word[] = [
  ...(['guaranteed', 'tight', 'proven', 'claimed', 'uncovered', 'drops', 'locked', 'unfit'] as const).map(
    (verdict) => ({
      word: VERDICT_WORDS[verdict],
      meaning: VERDICT_MEANINGS[verdict],
    }),
  ),
  ...(['warm', 'hot'] as const).map((level) => ({
    word: capital(HEAT_ASIDE[level]),
    meaning: `${capital(HEAT_MEANINGS[level])}.`,
  })),
  ...BESIDE_MEANINGS.map(({ word, meaning }) => ({ word: capital(word), meaning: `${capital(meaning)}.` })),
  {
    word: 'Reported',
    meaning: 'A colleague’s test of this body and print: shown beside your answers, and it changes none of them.',
  },
  { word: 'Once-only', meaning: 'A take that cannot be made again: only what is guaranteed is blue.' },
  { word: 'Repeatable', meaning: 'A take that can be made again: your own tests and thin guarantees are blue too.' },
  {
    word: 'Headroom',
    meaning: 'What a guarantee must have over the stream before it is called guaranteed and not tight.',
  },
  { word: 'Stream', meaning: 'Everything the camera writes: picture, sound and what goes with every frame.' },
  { word: 'Mb/s and MB/s', meaning: 'Manuals count in megabits, cards in megabytes: 8 Mb/s are 1 MB/s.' },
  {
    word: 'Speed mark',
    meaning: 'V, U, C, E and VPG: the least a card writes, always. The big number on it is a peak, and no promise.',
  },
  { word: 'Bus', meaning: 'The way between slot and card (UHS-I, UHS-II, PCIe). The slower of both rules.' },
  { word: 'Floor', meaning: 'The best promise of a card that counts in this slot.' },
  {
    word: 'Planned minutes',
    meaning: 'How long the card lasts at the peak of the stream, rounded down: what to plan with.',
  },
];

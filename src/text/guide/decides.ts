import { type Tone, toneOf, VERDICTS } from '../../core/match/verdict.ts';
import { VERDICT_MEANINGS, VERDICT_WORDS } from '../match/verdict.ts';
import type { GuideSection } from './entry.ts';
import { verdictId } from './glossary.ts';

const TONE_WORDS: Readonly<Record<Tone, string>> = {
  cool: 'cool: it holds',
  warm: 'yellow: Tight',
  hot: 'hot: do not rely on it',
  mute: 'refused',
  none: 'the card does not fit',
};

/** How findings become one word, and the word a colour. */
export const DECIDES: GuideSection = {
  id: 'how-it-decides',
  title: 'How this app decides',
  lead: [
    'The app never says yes on a guess. A guaranteed minimum is not a card’s full speed, and a peak speed guarantees nothing. What is not known is shown as not known: neither zero nor good enough.',
    'Every rule leaves a line with its numbers. The worst news is read first: what cannot meet won’t fit; what the camera refuses is refused; a bus, a camera or a test that is too slow drops. Only then the best of what is left counts: a promise before a test, a test before a claim, a claim before a take that was stopped by hand.',
    'A guarantee over a bus or camera that leaves less than the headroom is tight. What hangs on a bus that nobody entered is not covered, unless a test or an approval speaks for this very pair.',
    'Three lines always stand side by side, because they disagree in real life: the arithmetic, what the maker asks for, and what the camera refuses.',
    'One question has one answer, wherever it is asked: on the table, in Why, on the crew card, in the CSV, from the server, in a heat run.',
  ],
  entries: [],
  tables: [
    {
      id: 'verdicts',
      title: 'The nine answers, best first',
      lead: 'What each reads as, for both kinds of take.',
      columns: ['Answer', 'Means', 'Once-only', 'Repeatable'],
      rows: VERDICTS.map((verdict) => ({
        id: verdictId(verdict),
        cells: [
          VERDICT_WORDS[verdict],
          VERDICT_MEANINGS[verdict],
          TONE_WORDS[toneOf(verdict, 'once')],
          TONE_WORDS[toneOf(verdict, 'repeatable')],
        ],
        source: null,
        verdict,
      })),
    },
  ],
};

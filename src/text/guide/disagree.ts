import type { GuideEntry } from './entry.ts';

/** Where practitioners disagree and each is right in a place of their own. What the app does about it stands last. */
export const DISAGREEMENTS: readonly GuideEntry[] = [
  {
    id: 'disagree-takes',
    title: 'Once-only or repeatable',
    text: [
      'Some trust nothing but a promise: what cannot be filmed again must not hang on a lucky card. Others say that a card which filled up three times in this very camera has shown more than any label.',
      'Here: one switch at the head of every view. Once-only shows tight answers and passed tests in yellow; repeatable shows them in blue. The verdict underneath is the same.',
    ],
  },
  {
    id: 'disagree-counter',
    title: 'Counter or arithmetic',
    text: [
      'Some plan by what the counter of the camera shows for an empty card. Others reckon, since counters are capped, rounded and mostly pessimistic, and some show the same minutes for three modes.',
      'Here: planned minutes by arithmetic, the counter beside them where it was entered, and readings that measure nothing set aside by name.',
    ],
  },
  {
    id: 'disagree-size',
    title: 'Few big cards or many small',
    text: [
      'A big card records two hours without a change, and loses two hours when it fails. Small ones are changed and emptied often: less is lost at once, and there are more changes to get wrong.',
      'Here: both are limits of a plan. The longest stretch without a card change, and the most minutes on one card. Buy cards answers both, side by side.',
    ],
  },
  {
    id: 'disagree-proof',
    title: 'Guarantee or own test',
    text: [
      'A guarantee is certified for every card with a label, with writes unlike those of a camera. A test is one card in one camera on one day, with exactly the writes that count.',
      'Here: they keep apart. Guaranteed is a promise in writing, Test passed is your own test. Neither is ever turned into the other.',
    ],
  },
];

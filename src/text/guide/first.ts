import type { Answer } from '../../core/match/ask/answerAsk.ts';
import { VERDICT_MEANINGS, VERDICT_WORDS } from '../match/verdict.ts';
import { either } from '../quantity.ts';

/** A step of the guided first question. */
export interface FirstStep {
  readonly title: string;
  readonly text: string;
}

/** The steps: asked, read, why, kept. */
export const FIRST_STEPS: readonly FirstStep[] = [
  {
    title: 'Ask',
    text: 'Type what your camera writes and what is printed on your card, as you would say it: 400 Mb/s on 128GB V60 II for 1h. What is not known may be left out.',
  },
  { title: 'Read', text: '' },
  {
    title: 'Why',
    text: 'Press Why. The rules stand in the order they are asked, each with its numbers. Press any line or dotted word: it says what it means.',
  },
  {
    title: 'Keep',
    text: 'Enter your camera and your cards once, and the table answers every mode on every card. Nothing leaves this device.',
  },
];

/** What stands in the answer to this very question. */
export function readText(answer: Answer | null): string {
  if (answer === null)
    return 'The line was not understood yet; the place is marked under it. Change it until an answer stands there.';
  const { cell, needsMark, sized, smallestMarks } = answer;
  if (cell && !needsMark) {
    const minutes = sized
      ? 'The minutes are planned ones: what is usable, by everything that is written, rounded down.'
      : 'Add the capacity of the card, and it says the minutes too.';
    return `${VERDICT_WORDS[cell.verdict]}: ${VERDICT_MEANINGS[cell.verdict]} ${minutes}`;
  }
  return smallestMarks.length > 0
    ? `No card is named yet. The smallest mark that promises it is ${either(smallestMarks)}: add what is printed on your card, and it is held against that.`
    : 'No card is named yet. Add what is printed on yours: capacity, numeral and marks.';
}

import type { UnreadProblem } from './token.ts';
import type { LabelWord } from './vocabulary.ts';

/** `UHS-3` where it may be a grade or a bus: people write it for either, so it is asked, never taken for one of them. Null where it is clear. */
export function unclearGrade(word: LabelWord | null): UnreadProblem | null {
  if (word?.kind !== 'bus' || !word.arabic || word.bus !== 'uhs-iii') return null;
  return { code: 'grade-or-bus', couldBe: ['U3', 'UHS-III'] };
}

import { type Question, slipsOf } from './question.ts';
import { SLIPS } from './slips.ts';

/** What unround numbers add, and typing where one could choose [A]. */
const NUMBERS = { 1: 0, 2: 0.06, 3: 0.14 } as const;
const TYPED = 0.08;

/**
 * How likely somebody who does not know the matter misses a question, 0 to 1 [A]: the chance that one of its slips takes
 * them, each by its pull, and then the numbers.
 */
export function difficultyOf(question: Question): number {
  const escapes = slipsOf(question).reduce((chance, slip) => chance * (1 - SLIPS[slip]), 1);
  const rest = (1 - NUMBERS[question.level]) * (question.typed ? 1 - TYPED : 1);
  return 1 - escapes * rest;
}

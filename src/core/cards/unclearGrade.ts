import type { Form } from '../standards/forms.ts';
import { gradeOrBus } from './printedBus.ts';
import type { UnreadProblem } from './token.ts';
import type { LabelWord } from './vocabulary.ts';

/** `UHS-3` where it may be a grade or a bus: asked, never taken for one of them. Null where it is clear. */
export function unclearGrade(
  word: LabelWord | null,
  form: Form | null,
  marks: readonly string[],
): UnreadProblem | null {
  if (word?.kind !== 'bus' || !word.arabic || word.bus !== 'uhs-iii' || !gradeOrBus(form, marks)) return null;
  return { code: 'grade-or-bus', couldBe: ['U3', 'UHS-III'] };
}

import { assertNever } from '../../core/result.ts';
import type { AnswerRefusal } from '../../reading/drill/typedAnswer.ts';
import { either, plain } from '../quantity.ts';

/** Why a typed answer was not taken: nothing is judged by it. */
export function answerRefusalText(refusal: AnswerRefusal): string {
  switch (refusal.code) {
    case 'empty':
      return 'Type a number, or say that you do not know.';
    case 'no-answer':
      return `“${refusal.text}” is no number that can be read here. Type one like 85, 2h05 or 400 Mb/s.`;
    case 'open':
      return `Is it ${either(refusal.couldBe.map((value) => plain(value, 3)))}?`;
    case 'not-positive':
      return 'Type a number above zero.';
    default:
      return assertNever(refusal);
  }
}

const DAY_MS = 86_400_000;

/**
 * The day on which a topic comes again, as one says it: `tomorrow`, `in 4 days, on 2 Dec`.
 *
 * @param due - ISO date
 * @param day - today, as ISO date
 */
export function againText(due: string, day: string): string {
  const days = Math.round((Date.parse(due) - Date.parse(day)) / DAY_MS);
  if (days <= 0) return 'today';
  if (days === 1) return 'tomorrow';
  const date = new Date(`${due}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    timeZone: 'UTC',
    ...(days > 300 ? { year: 'numeric' } : {}),
  });
  return days < 30 ? `in ${days} days, on ${date}` : `on ${date}`;
}

/** What a round came to. */
export const roundText = (right: number, all: number): string => `${right} of ${all} right`;

/** What is due. */
export const dueText = (due: number): string => (due === 1 ? '1 due today' : `${due} due today`);

/** How a kind stands, in a line. */
export function standingText({
  due,
  met,
  topics,
  steady,
}: {
  readonly due: number;
  readonly met: number;
  readonly topics: number;
  readonly steady: number;
}): string {
  if (met === 0) return 'not met yet';
  const parts = [due > 0 ? `${due} due` : '', `${met} of ${topics} met`, steady > 0 ? `${steady} steady` : ''];
  return parts.filter(Boolean).join(' · ');
}

/** How often a slip was made. */
export const timesText = (times: number): string => (times === 1 ? 'once' : `${times} times`);

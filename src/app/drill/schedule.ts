import { type Card, createEmptyCard, fsrs, Rating, State } from 'ts-fsrs';
import type { Level } from '../../core/drill/question.ts';
import type { Slip } from '../../core/drill/slips.ts';
import { DRILL_STATES, type DrillProgress } from '../../core/kit/drill.ts';
import { today } from '../kit/today.ts';

/** Whole days, no chance in it: the same answers give the same dates on every device. */
const SCHEDULER = fsrs({ enable_fuzz: false, enable_short_term: false, request_retention: 0.9 });

const STATES: readonly State[] = [State.New, State.Learning, State.Review, State.Relearning];

/** Longer than this over one answer, where the round is timed: known, and not yet by heart. */
const SLOW_SECONDS = 40;

/** What came of one answer. */
export interface Answered {
  readonly isRight: boolean;
  /** Null where it was right, or not known. */
  readonly slip: Slip | null;
  readonly isUnknown: boolean;
  /** How long it took; null where nobody timed it. */
  readonly seconds: number | null;
}

const ratingOf = ({ isRight, seconds }: Answered): Rating.Again | Rating.Hard | Rating.Good =>
  !isRight ? Rating.Again : seconds !== null && seconds > SLOW_SECONDS ? Rating.Hard : Rating.Good;

const cardOf = (progress: DrillProgress | null, at: Date): Card =>
  progress === null
    ? createEmptyCard(at)
    : {
        due: new Date(progress.due),
        stability: progress.stability,
        difficulty: progress.difficulty,
        elapsed_days: 0,
        scheduled_days: progress.scheduledDays,
        learning_steps: 0,
        reps: progress.reps,
        lapses: progress.lapses,
        state: STATES[DRILL_STATES.indexOf(progress.state)] ?? State.New,
        last_review: new Date(progress.lastReview),
      };

/** Never before the last answer: a clock that was set back would undo what was learned. */
const notBefore = (at: Date, progress: DrillProgress | null): Date =>
  progress !== null && Date.parse(progress.lastReview) > at.getTime() ? new Date(progress.lastReview) : at;

/** What is kept of a topic after one more answer. */
export function afterAnswer(
  topicId: string,
  progress: DrillProgress | null,
  answered: Answered,
  now: Date,
): DrillProgress {
  const at = notBefore(now, progress);
  const { card } = SCHEDULER.next(cardOf(progress, at), at, ratingOf(answered));
  const { isRight, slip, isUnknown } = answered;
  const before = progress?.slips ?? {};
  return {
    ...progress,
    id: topicId,
    due: card.due.toISOString(),
    lastReview: at.toISOString(),
    stability: card.stability,
    difficulty: card.difficulty,
    scheduledDays: card.scheduled_days,
    state: DRILL_STATES[card.state] ?? 'review',
    reps: card.reps,
    lapses: card.lapses,
    right: (progress?.right ?? 0) + (isRight ? 1 : 0),
    wrong: (progress?.wrong ?? 0) + (!isRight && !isUnknown ? 1 : 0),
    unknown: (progress?.unknown ?? 0) + (isUnknown ? 1 : 0),
    slips: slip === null ? before : { ...before, [slip]: (before[slip] ?? 0) + 1 },
  };
}

/** The person’s own day on which a topic comes again, as ISO date. */
export const dueDay = ({ due }: Pick<DrillProgress, 'due'>): string => today(new Date(due));

/** Whether a topic is to come again by the end of a day. */
export const isDue = (progress: DrillProgress, day: string): boolean => dueDay(progress) <= day;

/** Days of stability from which on a topic is asked with the numbers of the next level [A]. */
const STEADY = { 2: 3, 3: 14 } as const;

/** How hard a topic’s questions are for somebody with this behind them. */
export function levelOf(progress: DrillProgress | null): Level {
  if (progress === null || progress.stability < STEADY[2]) return 1;
  return progress.stability < STEADY[3] ? 2 : 3;
}

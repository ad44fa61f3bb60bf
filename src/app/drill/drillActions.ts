import type { Topic } from '../../core/drill/topics.ts';
import type { DrillProgress } from '../../core/kit/drill.ts';
import { change, put, remove, settle } from '../../store/edit.ts';
import { DRILL_CHANGE } from '../../text/drill/changes.ts';
import { tableFile } from '../kit/tables.ts';
import { type Written, write } from '../kit/write.ts';
import { type Answered, afterAnswer } from './schedule.ts';

/** Keeps what came of an answer. Another tab may have answered meanwhile: each answer builds on what stands there. */
export async function keepAnswer(
  topic: Topic,
  answered: Answered,
  drills: readonly DrillProgress[],
  now: Date = new Date(),
): Promise<Written> {
  const what = DRILL_CHANGE.answered(topic.kind);
  const again = () =>
    write(what, [change('drills', topic.id, (before) => afterAnswer(topic.id, before, answered, now))]);
  if (drills.some(({ id }) => id === topic.id)) {
    const made = await again();
    if (made.ok || made.error.code !== 'gone') return made;
  }
  const made = await write(what, [put('drills', afterAnswer(topic.id, null, answered, now), { base: null })]);
  return made.ok || made.error.code !== 'changed' ? made : again();
}

/** Forgets everything that was drilled; it can be taken back. */
export const forgetDrills = (drills: readonly DrillProgress[]): Promise<Written> =>
  write(
    DRILL_CHANGE.forgotten,
    drills.map(({ id }) => remove('drills', id)),
  );

/** Whether a round is timed. */
export const setDrillTimer = (drillTimer: boolean): Promise<Written> =>
  write(DRILL_CHANGE.timer(drillTimer), [settle({ drillTimer })]);

/** Progress as a CSV file. */
export const progressFile = () => tableFile('drill');

import { useMemo } from 'react';
import type { Plan } from '../../core/kit/plan.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { BlockHeat } from '../../core/rotation/blockHeat.ts';
import type { DayMove } from '../../core/rotation/dayMoves.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';
import { computation } from '../tasks/clients.ts';
import { type TaskState, useTask } from '../tasks/useTask.ts';
import type { DayViewKit } from './dayKit.ts';

/** A day as it is being worked out. */
export interface DayState {
  readonly state: TaskState<PlannedDay | null>;
  readonly again: () => void;
  readonly day: PlannedDay | null;
  readonly moves: TaskState<readonly DayMove[]>;
  readonly heat: BlockHeat;
}

const NONE: BlockHeat = {};

/**
 * Plans a day beside the page whenever it changes, then what would help and what heat does.
 *
 * @param now - milliseconds since 1970; null: as planned
 * @param more - whether moves and heat are wanted
 */
export function useDay(
  kit: DayViewKit,
  plan: Plan | null,
  policy: Policy,
  { now, more }: { readonly now: number | null; readonly more: boolean },
): DayState {
  const { bodies, cards, tests } = kit;
  const request = useMemo(
    () => (plan === null ? null : { kit: { bodies, cards, tests }, plan, policy, now }),
    [bodies, cards, tests, plan, policy, now],
  );
  const [state, again] = useTask(computation, 'day', request);
  const day = state.phase === 'done' ? state.answer : null;
  const follow = useMemo(() => (request && day && more ? { ...request, day } : null), [request, day, more]);
  const [moves] = useTask(computation, 'dayMoves', follow);
  const [heat] = useTask(computation, 'dayHeat', follow);
  return { state, again, day, moves, heat: heat.phase === 'done' ? heat.answer : NONE };
}

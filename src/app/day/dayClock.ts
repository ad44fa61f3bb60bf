import type { Plan } from '../../core/kit/plan.ts';
import { type DayClock, dayClock } from '../../reading/day/dayClock.ts';
import type { DayNames } from '../../text/day/day.ts';
import { dayNames } from '../../text/day/names.ts';
import type { DayViewKit } from './dayKit.ts';

export type { DayClock } from '../../reading/day/dayClock.ts';

/** The clock of a plan; null where its date, start or time zone is none. */
export const clockFor = (plan: Plan): DayClock | null => dayClock(plan);

/** What the things of a day are called. */
export const namesFor = (kit: Pick<DayViewKit, 'bodies' | 'cards'>, plan: Plan, clock: DayClock): DayNames =>
  dayNames(kit, plan, clock);

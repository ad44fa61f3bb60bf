import { DateTime } from 'luxon';
import type { Plan, PlanBlock, PlanPress, Turn } from '../../core/kit/plan.ts';

/** A clock of one plan: what its clock times are in seconds from its start, and back. */
export interface DayClock {
  /** Null where there is no such time. */
  readonly ofBlock: (block: Pick<PlanBlock, 'from' | 'day' | 'turn'>) => number | null;
  /** Whether its clock time comes twice that night. */
  readonly comesTwice: (block: Pick<PlanBlock, 'from' | 'day'>) => boolean;
  readonly ofPress: (press: Pick<PlanPress, 'at' | 'aheadSeconds'>) => number | null;
  /** Seconds of a moment, milliseconds since 1970. */
  readonly ofMoment: (at: number) => number;
  /** The moment, milliseconds since 1970. */
  readonly moment: (seconds: number) => number;
  /** The moment on this device's clock at which it would press: without a time zone its own wall clock counts. */
  readonly realMoment: (seconds: number) => number;
  /** HH:MM on the wall, and how many days after the plan's date. */
  readonly onWall: (seconds: number) => {
    readonly time: string;
    readonly day: number;
    /** Which of two, where the time comes twice; null where it comes once. */
    readonly turn: Turn | null;
  };
  /** The moment as ISO text with its offset. */
  readonly iso: (seconds: number) => string;
}

/**
 * The clock of a plan. With a time zone its seconds are those that pass, over a change of clocks too; without one, clock times
 * are taken as they stand and every day has 24 hours. A time before the start is the next day's.
 *
 * @returns null where the plan's own date, start or time zone is none
 */
export function dayClock({ date, start, timeZone }: Pick<Plan, 'date' | 'start' | 'timeZone'>): DayClock | null {
  const zone = timeZone || 'utc';
  const begin = DateTime.fromISO(`${date}T${start}`, { zone });
  // A start that a change of clocks leaves out is none; the library would take the next one, without a word.
  if (!begin.isValid || begin.toFormat('HH:mm') !== start) return null;
  const first = begin.startOf('day');
  // Without a time zone a moment is what the clock on the wall showed where it was noted.
  const onClock = (moment: DateTime): DateTime => (timeZone ? moment : moment.setZone('utc', { keepLocalTime: true }));
  const seconds = (moment: DateTime): number => moment.diff(begin, 'seconds').seconds;
  /** All moments of a clock time: none, one, or in the night the clocks go back two, the earlier first. */
  const momentsOf = ({ from, day }: Pick<PlanBlock, 'from' | 'day'>): readonly DateTime[] => {
    const on = first.plus({ days: day ?? (from < start ? 1 : 0) });
    const moment = DateTime.fromISO(`${on.toISODate()}T${from}`, { zone });
    return moment.isValid && moment.toFormat('HH:mm') === from ? moment.getPossibleOffsets() : [];
  };
  // A drawn day asks for the same few hundred moments again and again, and each costs a quarter of a millisecond.
  const wall = new Map<number, ReturnType<DayClock['onWall']>>();
  return {
    ofBlock(block) {
      const all = momentsOf(block);
      const moment = block.turn === 'second' ? all.at(-1) : all[0];
      return moment ? seconds(moment) : null;
    },
    comesTwice: (block) => momentsOf(block).length > 1,
    ofPress({ at, aheadSeconds }) {
      const moment = onClock(DateTime.fromISO(at, { setZone: true }));
      return moment.isValid ? seconds(moment) - (aheadSeconds ?? 0) : null;
    },
    ofMoment: (at) => seconds(onClock(DateTime.fromMillis(at))),
    moment: (at) => begin.plus({ seconds: at }).toMillis(),
    realMoment(at) {
      const moment = begin.plus({ seconds: at });
      return (timeZone ? moment : moment.setZone('local', { keepLocalTime: true })).toMillis();
    },
    onWall(at) {
      const whole = Math.round(at);
      if (!timeZone) return dayTime(begin.hour * 3600 + begin.minute * 60 + whole);
      const known = wall.get(whole);
      if (known) return known;
      const moment = begin.plus({ seconds: whole });
      const [one, two] = moment.getPossibleOffsets();
      const turn = !one || !two ? null : moment.offset === one.offset ? 'first' : 'second';
      const day = Math.round(moment.startOf('day').diff(first, 'days').days);
      const seen = { time: moment.toFormat('HH:mm'), day, turn } as const;
      wall.set(whole, seen);
      return seen;
    },
    iso: (at) => begin.plus({ seconds: at }).toISO({ suppressMilliseconds: true }) ?? '',
  };
}

/** A time of days of 24 hours each, from the seconds since the first of them began. */
function dayTime(seconds: number): ReturnType<DayClock['onWall']> {
  const day = Math.floor(seconds / 86_400);
  const minutes = Math.floor((seconds - day * 86_400) / 60);
  const two = (value: number): string => String(value).padStart(2, '0');
  return { time: `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`, day, turn: null };
}

/** The date a number of days after another, ISO. */
export const dateAfter = (date: string, days: number): string =>
  DateTime.fromISO(date, { zone: 'utc' }).plus({ days }).toISODate() ?? date;

/** A moment as ISO text with the offset of this device's clock. */
export const momentText = (at: number): string =>
  DateTime.fromMillis(at).toISO({ suppressMilliseconds: true }) ?? new Date(at).toISOString();

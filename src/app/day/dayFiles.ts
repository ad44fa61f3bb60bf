import type { Plan } from '../../core/kit/plan.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';
import { shortageText } from '../../text/day/day.ts';
import { type CalendarEntry, calendarText } from '../kit/calendar.ts';
import { csvText } from '../kit/csv.ts';
import { policyOf } from '../match/policy.ts';
import { computation } from '../tasks/clients.ts';
import { clockFor, type DayClock, namesFor } from './dayClock.ts';
import type { DayViewKit } from './dayKit.ts';

/** A file to save. */
export interface DayFile {
  readonly name: string;
  readonly text: string;
  readonly type: string;
}

/** Minutes before a swap at which the calendar calls. */
const ALARM = 5;

const fileStem = ({ name, date }: Plan): string =>
  `${date}-${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'day'
  }`;

type Names = ReturnType<typeof namesFor>;

/** Rows of the day by time: what is recorded, changed, copied, free, and what is short. */
export function dayCsv(day: PlannedDay, clock: DayClock, names: Names): string {
  const rows = [
    ...day.rolls.map((roll) => ({
      at: roll.fromSeconds,
      cells: [
        'roll',
        roll.toSeconds,
        names.body(roll.bodyId),
        names.block(roll.blockId),
        names.card(roll.cardId),
        '',
        roll.GB,
        roll.verdict,
        roll.marked ? 'allowed by hand' : '',
      ],
    })),
    ...day.changes.map((one) => ({
      at: one.atSeconds,
      cells: [
        'change',
        one.atSeconds,
        names.body(one.bodyId),
        '',
        one.inCardId ? names.card(one.inCardId) : '',
        one.outCardId ? names.card(one.outCardId) : '',
        '',
        '',
        '',
      ],
    })),
    ...day.offloads.map((one) => ({
      at: one.fromSeconds,
      cells: [
        one.stage,
        one.toSeconds,
        one.readerId ? names.reader(one.readerId) : '',
        one.destinations.join(' + '),
        names.card(one.cardId),
        '',
        one.GB,
        '',
        `${one.copy} copies then`,
      ],
    })),
    ...day.frees.map((one) => ({
      at: one.atSeconds,
      cells: ['free', one.atSeconds, '', '', names.card(one.cardId), '', '', '', ''],
    })),
    ...day.shortages.map((one) => ({
      at: one.atSeconds,
      cells: [
        'short',
        one.toSeconds,
        one.bodyId ? names.body(one.bodyId) : '',
        one.blockId ? names.block(one.blockId) : '',
        '',
        '',
        one.missingGB,
        '',
        shortageText(one, names),
      ],
    })),
  ].sort((a, b) => a.at - b.at);
  const head = ['from', 'to', 'what', 'where', 'block or disks', 'card', 'card out', 'GB', 'verdict', 'note'];
  return csvText(
    head,
    rows.map(({ at, cells: [what, to, ...rest] }) => [clock.iso(at), clock.iso(Number(to)), what as string, ...rest]),
  );
}

/** Swaps and shortages as calendar entries that call beforehand. */
export function dayCalendar(plan: Plan, day: PlannedDay, clock: DayClock, names: Names): Promise<string> {
  const entry = (id: string, at: number, title: string, description: string): CalendarEntry => {
    const moment = new Date(clock.realMoment(at));
    return {
      id: `${plan.id}-${id}`,
      title,
      description: clock.onWall(at).turn === null ? description : `${names.clock(at)}. ${description}`,
      start: [
        ...([moment.getUTCFullYear(), moment.getUTCMonth() + 1, moment.getUTCDate()] as const),
        ...([moment.getUTCHours(), moment.getUTCMinutes()] as const),
      ],
      lasts: { minutes: 1 },
      calls: { minutes: ALARM },
    };
  };
  return calendarText(plan.name, [
    ...day.changes
      .filter(({ inCardId }) => inCardId !== null)
      .map((one, n) =>
        entry(
          `swap-${n}`,
          one.atSeconds,
          `${names.body(one.bodyId)}: ${one.outCardId ? `${names.card(one.outCardId)} → ` : ''}${names.card(one.inCardId as string)}`,
          'As planned. Lock the full card, and wipe nothing before its copies are verified.',
        ),
      ),
    ...day.shortages
      .filter(({ missingMinutes }) => missingMinutes > 0)
      .map((one, n) =>
        entry(
          `short-${n}`,
          one.atSeconds,
          `Short: ${one.bodyId ? names.body(one.bodyId) : ''}`,
          shortageText(one, names),
        ),
      ),
  ]);
}

/** A day as a file; null where it could not be planned. */
export async function dayFile(kind: 'ics' | 'csv', kit: DayViewKit, plan: Plan): Promise<DayFile | null> {
  const clock = clockFor(plan);
  if (!clock) return null;
  const { bodies, cards, tests, settings } = kit;
  const worker = await computation();
  const request = { kit: { bodies, cards, tests }, plan, policy: policyOf(settings), now: null };
  const answer = await worker.ask('day', request, undefined, 'file').result;
  if (!answer.ok || !answer.value) return null;
  const names = namesFor(kit, plan, clock);
  const name = `${fileStem(plan)}.${kind}`;
  return kind === 'csv'
    ? { name, text: dayCsv(answer.value, clock, names), type: 'text/csv;charset=utf-8' }
    : { name, text: await dayCalendar(plan, answer.value, clock, names), type: 'text/calendar;charset=utf-8' };
}

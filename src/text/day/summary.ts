import type { Body } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { NBSP, plain } from '../quantity.ts';

const many = (count: number, one: string, more = `${one}s`): string => `${count}${NBSP}${count === 1 ? one : more}`;

/** A date as people say it: Saturday 12 June. */
export function spokenDate(date: string): string {
  const moment = new Date(`${date}T12:00:00Z`);
  if (Number.isNaN(moment.getTime())) return date;
  return new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' }).format(
    moment,
  );
}

/** A day in a line: when, how warm, with what. */
export function dateText(plan: Plan, bodies: readonly Body[]): string {
  const airs = (plan.airProfile ?? []).map(({ airC }) => airC);
  const used = new Set(plan.blocks.map(({ bodyId }) => bodyId).filter((id) => bodies.some((body) => body.id === id)));
  const air = airs.length > 0 ? `${plain(Math.min(...airs), 0)} to ${plain(Math.max(...airs), 0)}${NBSP}°C` : '';
  return [
    spokenDate(plan.date),
    air,
    `${many(used.size, 'camera', 'cameras')}, ${many(plan.cardIds.length, 'card')}, ${many(plan.readers.length, 'reader')}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

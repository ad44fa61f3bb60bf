import type { Body, Card, Retest, Test } from '../kit/model.ts';
import { ASSUMED } from '../standards/assumptions.ts';

/** Why evidence is to be made anew. */
export type Due =
  | { readonly code: 'old'; readonly months: number }
  | { readonly code: 'firmware'; readonly was: string; readonly is: string }
  | { readonly code: 'incident'; readonly date: string };

/** When evidence is made anew unless the person says otherwise. */
export const RETEST: Retest = { months: ASSUMED.retestMonths.value, afterFirmware: true, afterIncident: true };

const partsOf = (date: string): readonly number[] | null => {
  const found = /^(\d{4})-(\d{2})-(\d{2})/.exec(date);
  return found ? found.slice(1).map(Number) : null;
};

/** Whole months between two ISO dates; null where one of them is none. */
export function monthsBetween(from: string, to: string): number | null {
  const [a, b] = [partsOf(from), partsOf(to)];
  if (!a || !b) return null;
  const [year = 0, month = 0, day = 0] = b.map((part, at) => part - (a[at] ?? 0));
  return year * 12 + month - (day < 0 ? 1 : 0);
}

/** The last of ISO dates; empty where there is none. */
const latest = (dates: readonly string[]): string => [...dates].sort().at(-1) ?? '';

/**
 * Why the tests that a verdict stands on are to be made again; empty where they are fresh, or their date was not noted.
 *
 * @param today - ISO date
 */
export function due(
  tests: readonly Test[],
  { body, card }: { readonly body: Pick<Body, 'firmware'>; readonly card: Pick<Card, 'incidents'> },
  { months, afterFirmware, afterIncident }: Retest,
  today: string,
): readonly Due[] {
  const newest = latest(tests.flatMap(({ date }) => date ?? []));
  const found: Due[] = [];
  const age = newest === '' ? null : monthsBetween(newest, today);
  if (months > 0 && age !== null && age >= months) found.push({ code: 'old', months: age });
  const noted = tests.flatMap(({ firmware }) => (firmware ? [firmware.trim()] : []));
  const is = body.firmware?.trim();
  const [was] = noted;
  if (afterFirmware && is && was && !noted.includes(is)) found.push({ code: 'firmware', was, is });
  const incident = latest((card.incidents ?? []).map(({ date }) => date));
  if (afterIncident && newest !== '' && incident.slice(0, 10) > newest.slice(0, 10))
    found.push({ code: 'incident', date: incident });
  return found;
}

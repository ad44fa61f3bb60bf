import { ASSUMED } from '../standards/assumptions.ts';
import { type Bus, busCeiling } from '../standards/buses.ts';
import { type Family, familyOf } from '../standards/families.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { countsOn, type Mark, mark, marksIn, needsOwnBus, OWN_READER_MBPS } from '../standards/marks.ts';
import type { Bytes, BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import type { PrintedLabel, Unread } from './readLabel.ts';

/** What is wrong, or worth saying, about a label [domain.md §3]. `harmless` ones are not signs of a counterfeit. */
export type LabelProblem =
  | { readonly code: 'impossible-mark'; readonly text: string; readonly couldBe: readonly string[] }
  | { readonly code: 'not-understood'; readonly text: string; readonly couldBe: readonly string[] }
  | {
      readonly code: 'family-mismatch';
      readonly printed: Family;
      readonly actual: Family | null;
      readonly capacity: Bytes;
    }
  | { readonly code: 'mark-needs-bus'; readonly mark: Mark; readonly needs: Bus; readonly printed: Bus }
  | { readonly code: 'two-buses'; readonly buses: readonly Bus[] }
  /** UHS-3: the grade U3 or the bus UHS-III. */
  | { readonly code: 'grade-or-bus'; readonly text: string; readonly couldBe: readonly string[] }
  | { readonly code: 'mark-on-wrong-form'; readonly mark: Mark; readonly form: Form }
  | { readonly code: 'grade-contradicts'; readonly low: Mark; readonly high: Mark }
  | {
      readonly code: 'speed-above-bus';
      readonly speed: BytesPerSecond;
      readonly ceiling: BytesPerSecond;
      readonly bus: Bus;
    }
  | {
      readonly code: 'times-disagree';
      readonly times: number;
      readonly timesRate: BytesPerSecond;
      readonly printed: BytesPerSecond;
    }
  /** Printed above what UHS-I carries, as makers do whose own reader reaches it [P]. */
  | {
      readonly code: 'own-reader-speed';
      readonly speed: BytesPerSecond;
      readonly ceiling: BytesPerSecond;
      readonly harmless: true;
    }
  | { readonly code: 'repeats'; readonly marks: readonly Mark[]; readonly harmless: true };

/** Whether a problem takes nothing from what a label promises: a word that only was not understood. */
export const isHarmless = (problem: LabelProblem): boolean => 'harmless' in problem;

const CONTRADICTIONS: ReadonlySet<LabelProblem['code']> = new Set([
  'family-mismatch',
  'mark-needs-bus',
  'two-buses',
  'grade-contradicts',
]);

/** Whether a label speaks against itself, so that nothing on it is a promise until the card was verified. */
export const isContradiction = ({ code }: Pick<LabelProblem, 'code'>): boolean => CONTRADICTIONS.has(code);

function unreadProblem(one: Unread): LabelProblem {
  if (one.problem.code === 'no-such-mark') {
    return { code: 'impossible-mark', text: one.text, couldBe: one.problem.couldBe };
  }
  if (one.problem.code === 'grade-or-bus') {
    return { code: 'grade-or-bus', text: one.text, couldBe: one.problem.couldBe };
  }
  const couldBe = one.problem.code === 'amount' ? [] : one.problem.couldBe;
  return { code: 'not-understood', text: one.text, couldBe };
}

function familyProblem({ familyPrinted, capacity }: PrintedLabel): readonly LabelProblem[] {
  if (familyPrinted === null || capacity === null) return [];
  const actual = familyOf(capacity);
  return actual === familyPrinted ? [] : [{ code: 'family-mismatch', printed: familyPrinted, actual, capacity }];
}

function markProblems(label: PrintedLabel, form: Form): readonly LabelProblem[] {
  return label.marks.flatMap((key): LabelProblem[] => {
    const { forms, countsFrom } = mark(key);
    if (!forms.includes(form)) return [{ code: 'mark-on-wrong-form', mark: key, form }];
    // A bus that was merely not typed is no contradiction: V90 alone means UHS-II.
    if (!isSd(form) || countsFrom === null || !label.busPrinted || label.bus === null) return [];
    return !needsOwnBus(key) || countsOn(key, label.bus, form)
      ? []
      : [{ code: 'mark-needs-bus', mark: key, needs: countsFrom, printed: label.bus }];
  });
}

/** A grade (U1) beside a grade or video mark that promises as much as the next grade (U3) or more: one of the two is wrong. */
function gradeProblem({ marks }: PrintedLabel): readonly LabelProblem[] {
  const promises = (key: Mark): number => mark(key).promisesMBps;
  const grades = marksIn('U');
  for (const low of grades.filter((key) => marks.includes(key))) {
    const next = grades.find((key) => promises(key) > promises(low));
    const high = marks.find((key) => next && ['U', 'V'].includes(mark(key).series) && promises(key) >= promises(next));
    if (high) return [{ code: 'grade-contradicts', low, high }];
  }
  return [];
}

function busProblem({ buses }: PrintedLabel): readonly LabelProblem[] {
  const different = [...new Set(buses)];
  return different.length > 1 ? [{ code: 'two-buses', buses: different }] : [];
}

function speedProblem({ printed, bus: own }: PrintedLabel, form: Form): readonly LabelProblem[] {
  const fastest = printed[0];
  if (own === null || fastest === undefined) return [];
  const ceiling = busCeiling(own, form);
  if (ceiling === null || fastest <= ceiling) return [];
  return own === 'uhs-i' && fastest <= fromMegabytes(OWN_READER_MBPS)
    ? [{ code: 'own-reader-speed', speed: fastest, ceiling, harmless: true }]
    : [{ code: 'speed-above-bus', speed: fastest, ceiling, bus: own }];
}

function timesProblem({ times, printed }: PrintedLabel): readonly LabelProblem[] {
  const fastest = printed[0];
  if (!times || fastest === undefined) return [];
  const apart = Math.abs(times.rate - fastest) / fastest;
  return apart > ASSUMED.printedDisagreement.value
    ? [{ code: 'times-disagree', times: times.value, timesRate: times.rate, printed: fastest }]
    : [];
}

function repeats({ marks }: PrintedLabel): readonly LabelProblem[] {
  const byPromise = new Map<number, Mark[]>();
  for (const key of new Set(marks)) {
    const { promisesMBps } = mark(key);
    byPromise.set(promisesMBps, [...(byPromise.get(promisesMBps) ?? []), key]);
  }
  return [...byPromise.values()]
    .filter((same) => new Set(same.map((key) => mark(key).series)).size > 1)
    .map((same) => ({ code: 'repeats', marks: same, harmless: true }));
}

/** Everything a label gets wrong, and repetitions that only look so. */
export function labelProblems(label: PrintedLabel): readonly LabelProblem[] {
  const { form } = label;
  const onForm = form === null ? [] : [...markProblems(label, form), ...speedProblem(label, form)];
  return [
    ...label.unread.map(unreadProblem),
    ...familyProblem(label),
    ...onForm,
    ...busProblem(label),
    ...gradeProblem(label),
    ...timesProblem(label),
    ...repeats(label),
  ];
}

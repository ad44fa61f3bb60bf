import { type Bus, busCeiling, busesOf, isExpress } from '../standards/buses.ts';
import { type Family, familyOf } from '../standards/families.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { countsOn, type Mark, mark, marksIn, needsOwnBus, OWN_READER_MBPS, promiseOf } from '../standards/marks.ts';
import type { Bytes, BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import { isApart, type PrintedLabel, type Unread } from './readLabel.ts';

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
  | { readonly code: 'two-families'; readonly families: readonly Family[] }
  | { readonly code: 'two-forms'; readonly forms: readonly Form[] }
  /** A peak below what the same print promises: nothing writes slower at its best than it always does. */
  | {
      readonly code: 'peak-below-promise';
      readonly by: Mark | 'minimum' | 'sustained';
      readonly promised: BytesPerSecond;
      readonly peak: BytesPerSecond;
    }
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
  /** The same where the bus was only read from a mark: the card may have a faster one that nobody typed. */
  | {
      readonly code: 'bus-not-printed';
      readonly speed: BytesPerSecond;
      readonly ceiling: BytesPerSecond;
      readonly bus: Bus;
    }
  /** What its maker states in writing is more than its own bus carries: it cannot be held, and counts up to there. */
  | {
      readonly code: 'stated-above-bus';
      readonly of: 'minimum' | 'sustained';
      readonly stated: BytesPerSecond;
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

/** What is told and takes nothing from the other words of a print: what was not understood, or is asked about. */
const ASKED: ReadonlySet<LabelProblem['code']> = new Set([
  'not-understood',
  'grade-or-bus',
  'bus-not-printed',
  'stated-above-bus',
]);

/**
 * Whether a label speaks against itself, so that nothing on it is a promise until the card was verified: whatever is wrong with
 * it and neither harmless nor only asked about.
 */
export const isContradiction = (problem: LabelProblem): boolean => !isHarmless(problem) && !ASKED.has(problem.code);

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

/** Forms of which it is only remembered whose guarantee is whose: there a mark does not count, and is no sign of anything. */
const OLDER: readonly Form[] = ['cf', 'cfast'];

const isNeighbour = (key: Mark, form: Form): boolean =>
  OLDER.includes(form) && mark(key).forms.some((one) => OLDER.includes(one));

function markProblems(label: PrintedLabel, form: Form): readonly LabelProblem[] {
  return label.marks.flatMap((key): LabelProblem[] => {
    const { forms, countsFrom } = mark(key);
    if (!forms.includes(form)) return isNeighbour(key, form) ? [] : [{ code: 'mark-on-wrong-form', mark: key, form }];
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

/** What an Express card names beside its own bus: the one it falls back to. */
const isFallback = (own: Bus, other: Bus): boolean => isExpress(own) && other === 'uhs-i';

function busProblem({ buses, marks }: PrintedLabel): readonly LabelProblem[] {
  // Two rows of UHS and Express share their contacts: marks that need either stand on no one card.
  const needed = marks.flatMap((key) => (needsOwnBus(key) ? (mark(key).countsFrom ?? []) : []));
  const different = [...new Set([...buses, ...(buses.length === 0 ? needed : [])])];
  const contrary = different.filter((one) => !different.some((own) => isFallback(own, one)));
  return contrary.length > 1 ? [{ code: 'two-buses', buses: different }] : [];
}

const familiesProblem = ({ families }: PrintedLabel): readonly LabelProblem[] =>
  families.length > 1 ? [{ code: 'two-families', families }] : [];

const formsProblem = ({ forms }: PrintedLabel): readonly LabelProblem[] =>
  forms.length > 1 ? [{ code: 'two-forms', forms }] : [];

/** What the print calls the bus: EX names no version, so that the fastest of them may stand behind it. */
const fastestCalled = (own: Bus, form: Form): Bus =>
  own !== 'sd-express-1' ? own : form === 'sd' ? 'sd-express-4' : 'sd-express-4-1';

/** Whether the bus is the card's own: printed or entered; of other forms no mark implies one. */
const isOwnBus = ({ busPrinted }: PrintedLabel, form: Form): boolean => busPrinted || !isSd(form);

/** The bus of a label; of a form other than SD the fastest there is, where none is told. */
const busOfLabel = ({ bus: own }: PrintedLabel, form: Form): Bus | null =>
  own ?? (isSd(form) ? null : (busesOf(form).at(-1) ?? null));

function speedProblem(label: PrintedLabel, form: Form): readonly LabelProblem[] {
  const own = busOfLabel(label, form);
  const { printed } = label;
  const fastest = printed[0];
  if (own === null || fastest === undefined) return [];
  const ceiling = busCeiling(fastestCalled(own, form), form);
  if (ceiling === null || fastest <= ceiling) return [];
  if (own === 'uhs-i' && fastest <= fromMegabytes(OWN_READER_MBPS))
    return [{ code: 'own-reader-speed', speed: fastest, ceiling, harmless: true }];
  const code = isOwnBus(label, form) ? 'speed-above-bus' : 'bus-not-printed';
  return [{ code, speed: fastest, ceiling, bus: own }];
}

/** Figures that its maker states for the whole of a take, above what the card's own bus carries. */
function statedProblems(label: PrintedLabel, form: Form): readonly LabelProblem[] {
  const own = busOfLabel(label, form);
  const ceiling = own === null || !isOwnBus(label, form) ? null : busCeiling(fastestCalled(own, form), form);
  if (own === null || ceiling === null) return [];
  return (['minimum', 'sustained'] as const).flatMap((of): LabelProblem[] => {
    const stated = label[of];
    return stated !== null && stated > ceiling ? [{ code: 'stated-above-bus', of, stated, ceiling, bus: own }] : [];
  });
}

/** What a label promises or states for a whole take, the highest first. */
function promisesOf({ marks, minimum, sustained }: PrintedLabel) {
  const marked = marks.map((key) => ({ by: key as Mark | 'minimum' | 'sustained', promised: promiseOf(key) }));
  const stated = (['minimum', 'sustained'] as const).flatMap((by) => {
    const promised = by === 'minimum' ? minimum : sustained;
    return promised === null ? [] : [{ by, promised }];
  });
  return [...marked, ...stated].sort((a, b) => b.promised - a.promised);
}

/** The peak of writing where it is printed; else the fastest of all that is. */
function peakProblem(label: PrintedLabel): readonly LabelProblem[] {
  const peak = label.writes ?? label.printed[0] ?? label.times?.rate;
  const [highest] = promisesOf(label);
  if (peak === undefined || highest === undefined || peak >= highest.promised) return [];
  return [{ code: 'peak-below-promise', ...highest, peak }];
}

function timesProblem({ times, printed }: PrintedLabel): readonly LabelProblem[] {
  const fastest = printed[0];
  if (!times || fastest === undefined) return [];
  return isApart(times.rate, fastest)
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
  const onForm =
    form === null ? [] : [...markProblems(label, form), ...speedProblem(label, form), ...statedProblems(label, form)];
  return [
    ...label.unread.map(unreadProblem),
    ...familiesProblem(label),
    ...formsProblem(label),
    ...familyProblem(label),
    ...onForm,
    ...busProblem(label),
    ...peakProblem(label),
    ...gradeProblem(label),
    ...timesProblem(label),
    ...repeats(label),
  ];
}

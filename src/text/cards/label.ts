import type { LabelProblem } from '../../core/cards/labelProblems.ts';
import type { PrintedLabel } from '../../core/cards/readLabel.ts';
import type { Card } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';
import { bus } from '../../core/standards/buses.ts';
import { family } from '../../core/standards/families.ts';
import { form, isSd } from '../../core/standards/forms.ts';
import { APP_CLASSES, type Mark, mark } from '../../core/standards/marks.ts';
import type { BytesPerSecond } from '../../core/units/brand.ts';
import { capacityText, either, MBpsText, plain, together } from '../quantity.ts';

/** A problem of a label, with its reason. */
export function labelProblemText(problem: LabelProblem): string {
  switch (problem.code) {
    case 'impossible-mark':
      return `There is no ${problem.text.toUpperCase()}. Marks near it: ${either(problem.couldBe)}.`;
    case 'not-understood':
      return problem.couldBe.length > 0
        ? `“${problem.text}” was not understood. It could be ${either(problem.couldBe)}.`
        : `“${problem.text}” was not understood.`;
    case 'family-mismatch': {
      const { name } = family(problem.printed);
      const actual = problem.actual === null ? 'past every family' : family(problem.actual).name;
      return `${capacityText(problem.capacity)} is ${actual}, not ${name}.`;
    }
    case 'mark-needs-bus':
      return `${problem.mark} needs ${bus(problem.needs).name}; printed is ${bus(problem.printed).name}.`;
    case 'two-buses':
      return `${problem.buses.map((key) => bus(key).name).join(' and ')} are both named: a card has one.`;
    case 'two-families':
      return `${problem.families.map((key) => family(key).name).join(' and ')} are both named: a card is one.`;
    case 'two-forms':
      return `${problem.forms.map((key) => form(key).name).join(' and ')} are both named: a card has one form.`;
    case 'peak-below-promise': {
      const what =
        problem.by === 'minimum' ? 'A stated minimum' : problem.by === 'sustained' ? 'A sustained figure' : problem.by;
      return `${what} of ${MBpsText(problem.promised)} beside a peak of ${MBpsText(problem.peak)}: nothing writes slower at its best than it always does.`;
    }
    case 'bus-not-printed':
      return `${MBpsText(problem.speed)} is more than ${bus(problem.bus).name} carries (${MBpsText(problem.ceiling)}): is a faster bus printed on the card?`;
    case 'stated-above-bus':
      return `${problem.of === 'minimum' ? 'A minimum' : 'A sustained figure'} of ${MBpsText(problem.stated)} is more than ${bus(problem.bus).name} carries (${MBpsText(problem.ceiling)}): it counts up to there, and is no guarantee.`;
    case 'grade-or-bus':
      return `“${problem.text}”: ${either(problem.couldBe)}? U3 is a speed grade, UHS-III a bus.`;
    case 'own-reader-speed':
      return `${MBpsText(problem.speed)} is above what UHS-I carries (${MBpsText(problem.ceiling)}): common, reached in the maker’s own reader only.`;
    case 'mark-on-wrong-form':
      return `${problem.mark} does not exist on ${form(problem.form).name}.`;
    case 'grade-contradicts':
      return `${problem.low} promises 10 MB/s and ${problem.high} promises more: one of them is wrong.`;
    case 'speed-above-bus':
      return `${MBpsText(problem.speed)} is above what ${bus(problem.bus).name} carries (${MBpsText(problem.ceiling)}): one of the two is wrong.`;
    case 'times-disagree':
      return `${plain(problem.times)}× is ${MBpsText(problem.timesRate)}, printed is ${MBpsText(problem.printed)}.`;
    case 'repeats':
      return `${together(problem.marks)} guarantee the same minimum. Harmless.`;
    default:
      return assertNever(problem);
  }
}

/** What a mark promises and where. */
export function markMeaning(key: Mark): string {
  const { promisesMBps, countsFrom, forms, series } = mark(key);
  const sd = forms.some(isSd);
  const where = !sd
    ? countsFrom === null
      ? 'on any bus of its form, with a host that supports it'
      : `on ${bus(countsFrom).name} only, with a host that supports it`
    : series === 'E'
      ? 'on SD Express only'
      : countsFrom === null
        ? 'on any bus'
        : countsFrom === 'uhs-ii'
          ? 'on UHS-II or UHS-III only'
          : `on ${countsFrom === 'uhs-i-50' ? 'UHS-I' : bus(countsFrom).name} or better`;
  return `at least ${promisesMBps} MB/s sequential write ${where}`;
}

export const APP_MEANING = `random access for apps, and at least ${APP_CLASSES.A1.sustainedMBps} MB/s sustained; not made for video`;

/** What the big number on the front is; null where none is printed. */
export function peakText({ printed, times }: PrintedLabel): string | null {
  const [fastest] = printed;
  if (fastest === undefined && !times) return null;
  const rate = fastest ?? times?.rate;
  return rate === undefined ? null : `${MBpsText(rate)} is a peak, usually for reading; it never decides an answer`;
}

/** What a label comes to, in a word or two. */
export function overallText({ code, floor }: { readonly code: string; readonly floor: BytesPerSecond | null }): string {
  if (floor !== null) return `promises ${MBpsText(floor)}`;
  return code === 'doubted' ? 'contradicts itself' : code === 'empty' ? 'nothing read' : 'no guaranteed write speed';
}

/** Asks where more room is entered than is printed; null where it is not. A formatted card holds a little less. */
export function roomText({ usableGB, capacityGB }: Pick<Card, 'usableGB' | 'capacityGB'>): string | null {
  if (!(Number(usableGB) > 0 && Number(capacityGB) > 0) || Number(usableGB) <= Number(capacityGB)) return null;
  return `${plain(Number(usableGB))} GB usable is more than the ${plain(Number(capacityGB))} GB printed. Is one of them a slip, or is it another card?`;
}

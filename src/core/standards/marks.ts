import type { BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import { type Bus, bus, isExpress } from './buses.ts';
import { type Form, isSd } from './forms.ts';
import { MARKS, type MarkRow, type Series } from './markTable.ts';
import type { SourceKey } from './sources.ts';

export type { MarkRow, Series };

/** A mark as it is printed and kept. */
export type Mark = keyof typeof MARKS;
/** Every mark, each series ascending. */
export const MARK_KEYS = Object.keys(MARKS) as readonly Mark[];
/** The row of a mark. */
export const mark = (key: Mark): MarkRow => MARKS[key];
/** Whether a text is a mark in its kept spelling. */
export const isMark = (text: string): text is Mark => Object.hasOwn(MARKS, text);

/** Marks that can stand on a form, in printed order. */
export const marksOf = (form: Form): readonly Mark[] => MARK_KEYS.filter((key) => mark(key).forms.includes(form));

/** Marks of a series, ascending. */
export const marksIn = (series: Series): readonly Mark[] => MARK_KEYS.filter((key) => mark(key).series === series);

/**
 * Whether a mark counts on no slower bus than one that not every card of its form has, so that its own bus has to stand beside it: two
 * rows of contacts, Express, or the 4.0 link of CFexpress.
 */
export function needsOwnBus(key: Mark): boolean {
  const { countsFrom, forms } = mark(key);
  if (countsFrom === null) return false;
  if (!forms.some(isSd)) return true;
  return countsFrom !== 'uhs-i' && !(bus('uhs-i').alsoSpeaks as readonly string[]).includes(countsFrom);
}

/** Marks of cards with two rows of contacts (UHS-II, UHS-III), ascending. */
export const twoRowMarks = (): readonly Mark[] =>
  MARK_KEYS.filter((key) => needsOwnBus(key) && mark(key).countsFrom?.startsWith('uhs'));

/** Marks that count on the 4.0 link of CFexpress alone. */
const isOfFasterLink = (key: Mark): boolean => needsOwnBus(key) && mark(key).series === 'VPG';

/**
 * What a card with a mark of two rows of contacts satisfies on one row, and one of the 4.0 link on the link before it: the highest
 * mark of its series that counts there [A]. Null for every other mark.
 */
export const fallsBackTo = (key: Mark): Mark | null =>
  twoRowMarks().includes(key) || isOfFasterLink(key)
    ? (marksIn(mark(key).series).findLast((one) => !needsOwnBus(one)) ?? null)
    : null;

/** What a mark promises, bytes per second. */
export const promiseOf = (key: Mark): BytesPerSecond => fromMegabytes(MARKS[key].promisesMBps);

const speaksToo = (own: Bus, other: Bus): boolean => (bus(own).alsoSpeaks as readonly string[]).includes(other);

/**
 * Whether a mark's promise counts on a bus: its own first one, or one that speaks it as well. Over the PCIe of SD Express only
 * the E classes do: C, U and V are measured on the SD interface, to which such a card falls back in other slots.
 */
export function countsOn(key: Mark, onBus: Bus | null, form: Form): boolean {
  const { countsFrom, forms, series } = mark(key);
  if (!forms.includes(form)) return false;
  if (!isSd(form))
    return countsFrom === null || (onBus !== null && (onBus === countsFrom || speaksToo(onBus, countsFrom)));
  if (isExpress(onBus) && series !== 'E') return false;
  if (countsFrom === null) return true;
  if (onBus === null) return false;
  return onBus === countsFrom || speaksToo(onBus, countsFrom);
}

/**
 * Application classes promise random access for apps, not video. Both also carry 10 MB/s sustained, measured on UHS-I,
 * which counts as a floor from there on.
 */
// biome-ignore format: one row a line
export const APP_CLASSES = {
  A1: { readIops: 1500, writeIops: 500, sustainedMBps: 10, countsFrom: 'uhs-i-50', source: 'sd-app-class' },
  A2: { readIops: 4000, writeIops: 2000, sustainedMBps: 10, countsFrom: 'uhs-i-50', source: 'sd-app-class' },
} as const satisfies Record<string, { readIops: number; writeIops: number; sustainedMBps: number; countsFrom: Bus; source: SourceKey }>;

/** An application class as it is printed. */
export type AppClass = keyof typeof APP_CLASSES;
/** Both application classes. */
export const APP_KEYS = Object.keys(APP_CLASSES) as readonly AppClass[];

/** Anything printed that promises a sustained write. */
export type Promising = Mark | AppClass;

/** What a mark or application class promises, MB/s. */
export const promisedMBps = (key: Promising): number =>
  key === 'A1' || key === 'A2' ? APP_CLASSES[key].sustainedMBps : MARKS[key].promisesMBps;

/** Whether an application class counts as a floor on a bus. */
export const appCountsOn = (key: AppClass, onBus: Bus | null, form: Form): boolean => {
  const { countsFrom } = APP_CLASSES[key];
  if (!isSd(form) || onBus === null || isExpress(onBus)) return false;
  return onBus === countsFrom || speaksToo(onBus, countsFrom);
};

/** 1× is 150 kB/s, the rate of a data disc [P]. A peak, like every number on the front. */
export const KB_PER_TIMES = 150;

/** Up to this, MB/s, makers print speeds on UHS-I cards that only their own readers reach [P]. */
export const OWN_READER_MBPS = 200;

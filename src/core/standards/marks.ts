import type { BytesPerSecond } from '../units/brand.ts';
import { fromMBps } from '../units/convert.ts';
import { type Bus, bus } from './buses.ts';
import { type Form, isSd } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** A series of marks: speed class, grade, video class, express class, performance guarantee. */
export type Series = 'C' | 'U' | 'V' | 'E' | 'VPG';

/** A mark: its series, what it promises in MB/s, and where that is written. */
export interface MarkRow {
  readonly series: Series;
  /** Minimum sequential write promised, MB/s. */
  readonly promisesMBps: number;
  /** Slowest SD bus on which the promise counts; null: on any. */
  readonly countsFrom: Bus | null;
  readonly forms: readonly Form[];
  readonly source: SourceKey;
}

const SD: readonly Form[] = ['sd', 'microsd'];
const CFX: readonly Form[] = ['cfexpress-a', 'cfexpress-b', 'cfexpress-c'];
const OLD: readonly Form[] = ['cf', 'cfast'];

const sd = (series: Series, promisesMBps: number, countsFrom: Bus | null) =>
  ({ series, promisesMBps, countsFrom, forms: SD, source: 'sd-speed-class' }) as const;
const vpg = (promisesMBps: number, forms: readonly Form[]) =>
  ({ series: 'VPG', promisesMBps, countsFrom: null, forms, source: 'cfa-vpg' }) as const;

/**
 * Write-speed marks by printed text, in printed order: a closed list [handbook §3]. There is no U2, no V2 or V4, no U30.
 */
// biome-ignore format: one row a line
export const MARKS = {
  C2: sd('C', 2, null),
  C4: sd('C', 4, null),
  C6: sd('C', 6, null),
  C10: sd('C', 10, null),
  U1: sd('U', 10, 'uhs-i-50'),
  U3: sd('U', 30, 'uhs-i-50'),
  V6: sd('V', 6, 'high-speed'),
  V10: sd('V', 10, 'high-speed'),
  V30: sd('V', 30, 'uhs-i-50'),
  V60: sd('V', 60, 'uhs-ii'),
  V90: sd('V', 90, 'uhs-ii'),
  E150: sd('E', 150, 'sd-express-1'),
  E300: sd('E', 300, 'sd-express-1'),
  E450: sd('E', 450, 'sd-express-1'),
  E600: sd('E', 600, 'sd-express-1'),
  VPG20: vpg(20, OLD),
  VPG65: vpg(65, OLD),
  VPG130: vpg(130, OLD),
  VPG200: vpg(200, CFX),
  VPG400: vpg(400, CFX),
  VPG800: vpg(800, CFX),
  VPG1600: vpg(1600, CFX),
} as const satisfies Record<string, MarkRow>;

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

/** What a mark promises, bytes per second. */
export const promiseOf = (key: Mark): BytesPerSecond => fromMBps(MARKS[key].promisesMBps);

/**
 * Whether a mark's promise counts on a bus. SD Express speaks the UHS marks only after it fell back, so V60 and V90
 * do not count on it; C, V6 to V30 and U do.
 */
export function countsOn(key: Mark, onBus: Bus | null, form: Form): boolean {
  const { countsFrom, series, forms } = mark(key);
  if (!forms.includes(form)) return false;
  if (!isSd(form) || countsFrom === null) return true;
  if (onBus === null) return false;
  if (series === 'E') return onBus.startsWith('sd-express');
  return onBus === countsFrom || (bus(onBus).alsoSpeaks as readonly string[]).includes(countsFrom);
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
  if (!isSd(form) || onBus === null) return false;
  return onBus === countsFrom || (bus(onBus).alsoSpeaks as readonly string[]).includes(countsFrom);
};

/** 1× is 150 kB/s, the audio-disc rate [P]. A peak, like every number on the front. */
export const KB_PER_TIMES = 150;

/** Up to this, MB/s, makers print speeds on UHS-I cards that only their own readers reach [P]. */
export const OWN_READER_MBPS = 200;

import type { Bus } from './buses.ts';
import type { Form } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** A series of marks: speed class, grade, video class, express class, performance guarantee. */
export type Series = 'C' | 'U' | 'V' | 'E' | 'VPG';

/** A mark: its series, what it promises in MB/s, and where that is written. */
export interface MarkRow {
  readonly series: Series;
  /** Minimum sequential write promised, MB/s. */
  readonly promisesMBps: number;
  /** Slowest bus on which the promise counts; null: on any. */
  readonly countsFrom: Bus | null;
  readonly forms: readonly Form[];
  readonly source: SourceKey;
  /** True where it is only remembered on which form or link it counts: an answer that leans on it says so. */
  readonly placeFromMemory: boolean;
}

const SD: readonly Form[] = ['sd', 'microsd'];
const CFX: readonly Form[] = ['cfexpress-a', 'cfexpress-b', 'cfexpress-c'];

const sd = (series: Series, promisesMBps: number, countsFrom: Bus | null) =>
  ({ series, promisesMBps, countsFrom, forms: SD, source: 'sd-speed-class', placeFromMemory: false }) as const;
const vpg = (promisesMBps: number, forms: readonly Form[], countsFrom: Bus | null = null) =>
  ({
    series: 'VPG',
    promisesMBps,
    countsFrom,
    forms,
    source: 'cfa-vpg',
    placeFromMemory: countsFrom !== null || forms !== CFX,
  }) as const;

/**
 * Write-speed marks by printed text, in printed order: a closed list [domain.md §3]. There is no U2, no V2 or V4, no U30.
 * VPG 20 and 65 are of CompactFlash, 130 of CFast; 800 and 1600 are of the 4.0 link [from memory].
 */
// biome-ignore format: one row a line
export const MARKS = {
  C2: sd('C', 2, null),
  C4: sd('C', 4, null),
  C6: sd('C', 6, null),
  C10: sd('C', 10, 'high-speed'),
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
  VPG20: vpg(20, ['cf']),
  VPG65: vpg(65, ['cf']),
  VPG130: vpg(130, ['cfast']),
  VPG200: vpg(200, CFX),
  VPG400: vpg(400, CFX),
  VPG800: vpg(800, CFX, 'cfexpress-4'),
  VPG1600: vpg(1600, CFX, 'cfexpress-4'),
} as const satisfies Record<string, MarkRow>;

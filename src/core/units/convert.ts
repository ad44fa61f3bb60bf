import { wholeUp } from './amount.ts';
import type { Bytes, BytesPerSecond } from './brand.ts';

/** Powers of 1000 [S: IEC 80000-13, value from memory]: what cards and streams are labelled in. */
export const KB = 1e3;
/** Bytes in a megabyte. */
export const MB = 1e6;
/** Bytes in a gigabyte. */
export const GB = 1e9;
/** Bytes in a terabyte. */
export const TB = 1e12;
/** Powers of 1024 [S: IEC 80000-13, value from memory]: what some computers show. */
export const KiB = 1024;
/** Bytes in a mebibyte. */
export const MiB = 1024 ** 2;
/** Bytes in a gibibyte. */
export const GiB = 1024 ** 3;
/** Bytes in a tebibyte. */
export const TiB = 1024 ** 4;

/** Bytes per second in one megabit per second: 10^6 ÷ 8. */
export const BYTES_IN_MEGABIT = 125_000;

/** Megabits per second to whole bytes per second, rounded up. Callers have checked the range. */
export const fromMegabits = (mbps: number): BytesPerSecond => wholeUp(mbps * BYTES_IN_MEGABIT) as BytesPerSecond;

/** Megabytes per second to whole bytes per second, rounded up. Callers have checked the range. */
export const fromMegabytes = (mBps: number): BytesPerSecond => wholeUp(mBps * MB) as BytesPerSecond;

/** Gigabytes to whole bytes, rounded to the nearest. Callers have checked the range. */
export const fromGigabytes = (gb: number): Bytes => Math.round(gb * GB) as Bytes;

/** Bytes a second as megabits a second. */
export const toMegabits = (rate: BytesPerSecond): number => rate / BYTES_IN_MEGABIT;
/** Bytes a second as megabytes a second. */
export const toMegabytes = (rate: BytesPerSecond): number => rate / MB;
/** Bytes as gigabytes. */
export const toGigabytes = (size: Bytes): number => size / GB;
/** Bytes as gibibytes. */
export const toGibibytes = (size: Bytes): number => size / GiB;

import { wholeUp } from './amount.ts';
import type { Bytes, BytesPerSecond } from './brand.ts';

/** Powers of 1000 [S: IEC 80000-13, value from memory]: what cards and streams are labelled in. */
export const KB = 1e3;
export const MB = 1e6;
export const GB = 1e9;
export const TB = 1e12;
/** Powers of 1024 [S: IEC 80000-13, value from memory]: what some computers show. */
export const KiB = 1024;
export const MiB = 1024 ** 2;
export const GiB = 1024 ** 3;
export const TiB = 1024 ** 4;

/** Bytes per second in one megabit per second: 10^6 ÷ 8. */
export const BYTES_IN_MEGABIT = 125_000;

/** Megabits per second to whole bytes per second, rounded up. Callers have checked the range. */
export const fromMbps = (mbps: number): BytesPerSecond => wholeUp(mbps * BYTES_IN_MEGABIT) as BytesPerSecond;

/** Megabytes per second to whole bytes per second, rounded up. Callers have checked the range. */
export const fromMBps = (mBps: number): BytesPerSecond => wholeUp(mBps * MB) as BytesPerSecond;

/** Gigabytes to whole bytes, rounded to the nearest. Callers have checked the range. */
export const fromGB = (gb: number): Bytes => Math.round(gb * GB) as Bytes;

export const toMbps = (rate: BytesPerSecond): number => rate / BYTES_IN_MEGABIT;
export const toMBps = (rate: BytesPerSecond): number => rate / MB;
export const toGB = (size: Bytes): number => size / GB;
export const toGiB = (size: Bytes): number => size / GiB;

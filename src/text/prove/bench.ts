import type { BenchEnd, BenchFault, Silence } from '../../core/prove/bench/bench.ts';
import type { PracticeCard } from '../../core/prove/bench/practice.ts';
import type { Bytes, Seconds } from '../../core/units/brand.ts';
import { capacityText, clockText, plain } from '../quantity.ts';

export const PRACTICE_WORDS: Readonly<Record<PracticeCard, string>> = {
  healthy: 'sound',
  'cache-cliff': 'a small cache',
  throttling: 'throttles',
  stalling: 'stalls',
  'false-capacity': 'holds less than it says',
};

/** A practice card lives faster than the clock on the wall; its rates are those of its own clock. */
export const practiceClockText = (faster: number): string =>
  `Its clock runs ${plain(faster)} times as fast as the one on the wall; rates and lengths are by its own.`;

const size = (bytes: number): string => capacityText(bytes as Bytes);
const clock = (seconds: number): string => clockText(Math.round(seconds) as Seconds);

export const END_TEXT: Readonly<Record<BenchEnd, string>> = {
  limit: 'Written as far as asked.',
  full: 'Written until it was full.',
  cancelled: 'Stopped by you.',
  beyond: 'It took more than is printed on its card: this is another volume, and it is not filled.',
  lost: 'It could no longer be written to. Was it taken out, or the permission taken back?',
};

/** What reading back found. */
export function faultText(fault: BenchFault): string {
  switch (fault.code) {
    case 'wraps':
      return `False capacity: it holds ${size(fault.realBytes)} and then writes over its beginning. Do not record on it.`;
    case 'lost':
      return `False capacity: it holds ${size(fault.realBytes)}; what was written behind that is not there. Do not record on it.`;
    case 'changed':
      return `${fault.pages === 1 ? 'A piece' : `${plain(fault.pages)} pieces`} of 4 kB came back otherwise than written, the first at ${size(fault.at)}. Do not record on it.`;
    case 'unreadable':
      return `It could not be read at ${size(fault.at)} and what lies behind it was not looked at.`;
  }
}

export const silenceText = ({ atSeconds, seconds, slept }: Silence): string =>
  slept
    ? `At ${clock(atSeconds)} this computer slept for ${clock(seconds)}; that time is counted in no rate.`
    : `At ${clock(atSeconds)} nothing was taken for ${clock(seconds)}: the card stood still, or the system did.`;

export const aboveBusText = (MBps: number, busMBps: number): string =>
  `${plain(MBps, 0)}\u00a0MB/s is more than the ${plain(busMBps, 0)}\u00a0MB/s that the bus of this card carries: it was not this card, but the memory of the computer or another volume. Nothing of it is kept.`;

export const CACHE_TEXT =
  'A computer holds some of what is written in its memory first. Write more than it has, and take the card out before it is read back: else the memory may answer for it.';

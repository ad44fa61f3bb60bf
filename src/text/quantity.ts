import type { Bytes, BytesPerSecond, Seconds } from '../core/units/brand.ts';
import { toGigabytes, toMegabits, toMegabytes } from '../core/units/convert.ts';

/** A number and its unit, kept apart so that the unit can be set smaller; joined by a no-break space in prose. */
export interface Figure {
  readonly figure: string;
  readonly unit: string;
}

/** Keeps a unit with its number. */
export const NBSP = '\u00a0';

export const joined = ({ figure, unit }: Figure): string => (unit ? `${figure}${NBSP}${unit}` : figure);

/** Up to `digits` decimals, none trailing; a dash for what is no number yet, as in a field that is being typed. */
export const plain = (value: number, digits = 1): string =>
  Number.isFinite(value) ? String(Number(value.toFixed(digits))) : '—';

/** Whole minutes: `66 min` up to 99, then `2h12`. */
export function minutesFigure(minutes: number): Figure {
  if (minutes <= 99) return { figure: String(minutes), unit: 'min' };
  const hours = Math.floor(minutes / 60);
  return hours < 100
    ? { figure: `${hours}h${String(minutes % 60).padStart(2, '0')}`, unit: '' }
    : { figure: String(Math.floor(hours / 24)), unit: 'days' };
}

export const minutesText = (minutes: number): string => joined(minutesFigure(minutes));

/** Seconds as `0:48`. */
export function clockText(seconds: Seconds): string {
  const whole = Math.floor(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** The length of a take to the second: `9 min 22 s`, `1 h 9 min 22 s`. */
export function takeText(seconds: Seconds): string {
  const whole = Math.round(seconds);
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  const parts = [
    hours > 0 ? `${hours}${NBSP}h` : '',
    minutes > 0 ? `${minutes}${NBSP}min` : '',
    rest > 0 || whole === 0 ? `${rest}${NBSP}s` : '',
  ];
  return parts.filter(Boolean).join(' ');
}

/** A length of time in words short enough for a line: `2h`, `2h30`, `45 s`. */
export function durationText(seconds: Seconds): string {
  if (seconds < 60) return `${plain(seconds)}${NBSP}s`;
  const minutes = Math.round(seconds / 60);
  return minutes > 99 && minutes % 60 === 0 ? `${minutes / 60}${NBSP}h` : minutesText(minutes);
}

/** MB/s with one decimal under 100, none above. */
export const MBpsFigure = (rate: BytesPerSecond): Figure => {
  const value = toMegabytes(rate);
  return { figure: plain(value, value < 100 ? 1 : 0), unit: 'MB/s' };
};
export const MBpsText = (rate: BytesPerSecond): string => joined(MBpsFigure(rate));

export const MbpsText = (rate: BytesPerSecond): string => {
  const value = toMegabits(rate);
  return `${plain(value, value < 100 ? 1 : 0)}${NBSP}Mb/s`;
};

/** A capacity as printed on a card: GB, and TB from 1000 GB. */
export function capacityText(size: Bytes): string {
  const gb = toGigabytes(size);
  if (gb >= 1000) return `${plain(gb / 1000, 2)}${NBSP}TB`;
  return gb >= 1 ? `${plain(gb, 1)}${NBSP}GB` : `${plain(gb * 1000, 1)}${NBSP}MB`;
}

/** Thousandths as a percentage. */
export const perMilleText = (value: number): string => `${plain(value / 10)}${NBSP}%`;

/** `a, b or c`. */
export function either(words: readonly string[]): string {
  if (words.length < 2) return words[0] ?? '';
  return `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`;
}

/** `a, b and c`. */
export const together = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** With a capital first letter, where a sentence or a heading begins with it. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

import { err, ok, type Result } from '../result.ts';
import { type AmountRefusal, capacity, duration, rate } from './amount.ts';
import type { Bytes, BytesPerSecond, Seconds } from './brand.ts';
import { readNumber } from './number.ts';
import { readRateUnit, readSizeUnit, timePattern } from './spelling.ts';

/** Why a typed quantity could not be read, with what it may have meant. */
export type ParseRefusal =
  | { readonly code: 'no-number'; readonly text: string }
  | { readonly code: 'no-unit'; readonly text: string; readonly couldBe: readonly string[] }
  | { readonly code: 'unknown-unit'; readonly text: string; readonly couldBe: readonly string[] }
  | { readonly code: 'bits-or-bytes'; readonly text: string; readonly couldBe: readonly string[] }
  /** The number may be a thousand times what it may also be. */
  | { readonly code: 'open-number'; readonly text: string; readonly couldBe: readonly string[] }
  | AmountRefusal;

/** A quantity with how it was read: `loose` when the spelling was not the standard one, so that the reading is shown. */
export interface Read<Q extends number> {
  readonly value: Q;
  readonly loose: boolean;
}

/** A rate and whether it was written in bits (streams) or bytes (cards). */
export interface ReadRate extends Read<BytesPerSecond> {
  readonly written: 'bits' | 'bytes';
}

const NUMBER = /^\s*([+-]?(?:\d(?:[\d_.,’']|\s(?=\d{3}(?!\d)))*|[.,]\d+)(?:e[+-]?\d+)?|[+-]?infinity|nan)\s*(.*?)\s*$/i;

type Parts = { readonly amount: number; readonly unit: string };

function split(text: string): Parts | Extract<ParseRefusal, { readonly code: 'open-number' }> | null {
  const match = NUMBER.exec(text);
  if (!match) return null;
  const [, written = '', unit = ''] = match;
  if (/nan/i.test(written)) return { amount: Number.NaN, unit };
  if (/inf/i.test(written)) return { amount: Number.POSITIVE_INFINITY, unit };
  const read = readNumber(written);
  if (read.ok) return { amount: read.value, unit };
  if (read.error.code === 'no-number') return null;
  return { code: 'open-number', text, couldBe: read.error.couldBe.map((one) => `${one} ${unit}`.trim()) };
}

const couldBeRates = (amount: number): readonly string[] => [`${amount} Mb/s`, `${amount} MB/s`];

/**
 * A typed rate: Mb/s, Mbps, Mbit/s, MB/s, GB/min, MiB/s, Go/h, megabits per second and the like (`units/spelling.ts`).
 *
 * @returns the rate; or a refusal naming what it could have been. `100 m` and `100 Mb` are refused, never guessed.
 * @example parseRate('500 Mb/s') // => { ok: true, value: { value: 62_500_000, written: 'bits', loose: false } }
 */
export function parseRate(text: string): Result<ReadRate, ParseRefusal> {
  const parts = split(text);
  if (!parts) return err({ code: 'no-number', text });
  if ('code' in parts) return err(parts);
  const { amount, unit } = parts;
  if (unit === '') return err({ code: 'no-unit', text, couldBe: couldBeRates(amount) });
  const known = readRateUnit(unit);
  if (known === 'open') return err({ code: 'bits-or-bytes', text, couldBe: couldBeRates(amount) });
  if (!known) return err({ code: 'unknown-unit', text, couldBe: couldBeRates(amount) });
  const checked = rate(amount * known.bytesPerSecond);
  return checked.ok ? ok({ value: checked.value, written: known.written, loose: known.loose }) : checked;
}

/**
 * A typed capacity: GB, TB, GiB and the like. Cards are never sold in bits, so `256gb` is read as gigabytes and
 * marked loose.
 *
 * @returns the capacity; or a refusal naming what it could have been
 * @example parseCapacity('238 GiB') // => { ok: true, value: { value: 255550554112, loose: false } }
 */
export function parseCapacity(text: string): Result<Read<Bytes>, ParseRefusal> {
  const parts = split(text);
  if (!parts) return err({ code: 'no-number', text });
  if ('code' in parts) return err(parts);
  const { amount, unit } = parts;
  if (unit === '') return err({ code: 'no-unit', text, couldBe: [`${amount} GB`, `${amount} GiB`] });
  const known = readSizeUnit(unit);
  if (!known) return err({ code: 'unknown-unit', text, couldBe: [`${amount} GB`, `${amount} TB`] });
  const checked = capacity(amount * known.bytes);
  return checked.ok ? ok({ value: checked.value, loose: known.loose }) : checked;
}

const CLOCK = /^(\d{1,3}):([0-5]\d)$/;
const LONG_CLOCK = /^(\d{1,3}):([0-5]\d):([0-5]\d)$/;
const NUMERAL = String.raw`(\d+(?:[.,]\d+)?)`;
const whole = (source: string): RegExp => new RegExp(`^${source}$`, 'iu');
const [H, MIN, S] = (['h', 'min', 's'] as const).map(timePattern);
/** A letter alone stands for minutes beside hours or seconds only: `1h30m`, `9m22s`. */
const HOURS_MINUTES = whole(String.raw`${NUMERAL}\s*(?:${H}|h(?=\d))\s*(?:(\d{1,2})\s*(?:${MIN}|m)?)?`);
const MINUTES = whole(String.raw`${NUMERAL}\s*${MIN}(?:\s*(\d{1,2})\s*${S})?`);
const MINUTES_SECONDS = whole(String.raw`(\d+)\s*m\s*(\d{1,2})\s*${S}`);
const SECONDS = whole(String.raw`${NUMERAL}\s*${S}`);

/** How `9:22` is read: hours and minutes of a plan, or minutes and seconds of a take. */
export type ClockReading = 'hours' | 'minutes';

/**
 * A typed length of time: `90 min`, `2h`, `2h30`, `1h 30m`, `9m22s`, `45 s`, `1:09:22`, and `1:30`, which is marked loose
 * so that its reading is shown.
 *
 * @param clock - what two numbers with a colon are; hours and minutes where nothing is said
 * @returns seconds; or a refusal naming what it could have been. A bare `100 m` is refused: minutes or megabits?
 */
export function parseDuration(text: string, clock: ClockReading = 'hours'): Result<Read<Seconds>, ParseRefusal> {
  const trimmed = text.trim();
  const found = durationSeconds(trimmed, clock);
  if (found && !Number.isNaN(found.seconds)) {
    const checked = duration(found.seconds);
    return checked.ok ? ok({ value: checked.value, loose: found.loose }) : checked;
  }
  const parts = split(trimmed);
  if (!parts) return err({ code: 'no-number', text });
  if ('code' in parts) return err(parts);
  const couldBe = [`${parts.amount} min`, `${parts.amount} h`];
  if (parts.unit === '') return err({ code: 'no-unit', text, couldBe });
  const known = /^(h|min|s)/i.test(parts.unit);
  if (known && (parts.amount <= 0 || !Number.isFinite(parts.amount))) {
    const refused = duration(parts.amount);
    if (!refused.ok) return refused;
  }
  return err({ code: 'unknown-unit', text, couldBe });
}

/** NaN where the number may be either of two: then it is asked about. */
const decimal = (text = ''): number => {
  const read = readNumber(text);
  return read.ok ? read.value : Number.NaN;
};

function durationSeconds(
  text: string,
  reading: ClockReading,
): { readonly seconds: number; readonly loose: boolean } | null {
  const long = LONG_CLOCK.exec(text);
  if (long) return { seconds: Number(long[1]) * 3600 + Number(long[2]) * 60 + Number(long[3]), loose: false };
  const clock = CLOCK.exec(text);
  if (clock) {
    const unit = reading === 'hours' ? 60 : 1;
    return { seconds: (Number(clock[1]) * 60 + Number(clock[2])) * unit, loose: true };
  }
  const both = MINUTES_SECONDS.exec(text);
  if (both) return { seconds: Number(both[1]) * 60 + Number(both[2]), loose: false };
  const hours = HOURS_MINUTES.exec(text);
  if (hours) return { seconds: decimal(hours[1]) * 3600 + Number(hours[2] ?? 0) * 60, loose: false };
  const minutes = MINUTES.exec(text);
  if (minutes) return { seconds: decimal(minutes[1]) * 60 + Number(minutes[2] ?? 0), loose: false };
  const seconds = SECONDS.exec(text);
  if (seconds) return { seconds: decimal(seconds[1]), loose: false };
  return null;
}

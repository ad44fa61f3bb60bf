import type { Typed } from '../../core/drill/question.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { toGigabytes, toMegabits, toMegabytes } from '../../core/units/convert.ts';
import { type DecimalSign, readNumber } from '../../core/units/number.ts';
import { parseCapacity, parseDuration, parseRate } from '../../core/units/parse.ts';

/** Why a typed answer was not taken as one: nothing was judged by it. */
export type AnswerRefusal =
  | { readonly code: 'empty' }
  | { readonly code: 'no-answer'; readonly text: string }
  /** A thousandfold apart: which is meant? */
  | { readonly code: 'open'; readonly couldBe: readonly [number, number] }
  | { readonly code: 'not-positive' };

function inUnit(text: string, unit: Typed['unit']): number | null {
  switch (unit) {
    case 'MB/s':
    case 'Mb/s': {
      const read = parseRate(text);
      return read.ok ? (unit === 'MB/s' ? toMegabytes : toMegabits)(read.value.value) : null;
    }
    case 'GB': {
      const read = parseCapacity(text);
      return read.ok ? toGigabytes(read.value.value) : null;
    }
    case 'min': {
      const read = parseDuration(text, 'hours');
      return read.ok ? read.value.value / 60 : null;
    }
  }
}

/** `about 85`, `~85`, `= 85`: people write estimates so. */
const AROUND = /^(?:about|around|approx\.?|ca\.?|circa|[~≈=])\s*/i;

/**
 * A typed answer, in the unit that is asked for: a bare number, or one with a unit of its own, which is converted.
 *
 * @returns the number, above 0; or why it is none
 * @example readAnswer('400 Mb/s', 'MB/s') // => { ok: true, value: 50 }
 */
export function readAnswer(
  text: string,
  unit: Typed['unit'],
  decimal: DecimalSign = 'point',
): Result<number, AnswerRefusal> {
  const typed = text.trim().replace(AROUND, '');
  if (typed === '') return err({ code: 'empty' });
  const bare = readNumber(typed, decimal);
  if (!bare.ok && bare.error.code === 'open-number') return err({ code: 'open', couldBe: bare.error.couldBe });
  const value = bare.ok ? bare.value : inUnit(typed, unit);
  if (value === null || !Number.isFinite(value)) return err({ code: 'no-answer', text: typed });
  return value > 0 ? ok(value) : err({ code: 'not-positive' });
}

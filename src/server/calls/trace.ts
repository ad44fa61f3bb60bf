import Joi from 'joi';
import { analyseTrace } from '../../core/prove/trace/analyse.ts';
import { supportedBy } from '../../core/prove/trace/supports.ts';
import { SEGMENT_KINDS, type TraceReading, type WriteTrace } from '../../core/prove/trace/trace.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { MARK_KEYS } from '../../core/standards/marks.ts';
import {
  readWriteTrace,
  TIME_UNITS,
  type TimeUnit,
  WRITE_UNITS,
  type WriteUnit,
} from '../../reading/prove/writeTrace.ts';
import { classText, traceNoteText, writeTraceProblemText } from '../../text/prove/trace.ts';
import { call } from '../call.ts';
import type { Refusal } from '../refusal.ts';
import { list, number, numberOrNull, object, objectOrNull, oneOf, oneOrNull, text } from '../shapes.ts';

/** Largest body, bytes: a million short rows. */
const MAX_TRACE_BODY = 24_000_000;
/** Most rows given as numbers. */
const MAX_ROWS = 500_000;
const MAX_MBPS = 100_000;
const MAX_SECONDS = 3.2e7;

type Row = readonly [number, number, (number | null)?];
interface Asked {
  readonly text?: string;
  readonly rows?: readonly Row[];
  readonly timeUnit?: TimeUnit | null;
  readonly unit?: WriteUnit | null;
  readonly decimal?: 'point' | 'comma' | null;
  readonly column?: number | null;
  readonly kind?: 'rate' | 'total' | null;
  readonly lines?: string | null;
  readonly stepSeconds?: number | null;
  readonly dateOrder?: 'day-first' | 'month-first' | null;
}

/** What answers a question of a text, by the question. */
const ANSWERED_BY: Readonly<Record<string, string>> = {
  'which-time': 'timeUnit',
  'too-fast': 'unit',
  'which-decimal': 'decimal',
  'which-column': 'column',
  'which-kind': 'kind',
  'which-rows': 'lines',
  'which-step': 'stepSeconds',
  'which-date': 'dateOrder',
};

const isNumber = (value: unknown, least: number, most: number): value is number =>
  typeof value === 'number' && value >= least && value <= most;

const isRow = (row: unknown): row is Row =>
  Array.isArray(row) &&
  (row.length === 2 || row.length === 3) &&
  isNumber(row[0], -MAX_SECONDS, MAX_SECONDS) &&
  isNumber(row[1], 0, MAX_MBPS) &&
  (row[2] === undefined || row[2] === null || isNumber(row[2], -100, 300));

const refused = (code: string, path: string, message: string) =>
  err<Refusal>({ status: 400, code, message, details: [{ path, message }] });

/** Numbers as they were sent; the first row that is none is named. */
function fromRows(rows: readonly unknown[]): Result<WriteTrace, Refusal> {
  if (rows.length < 5) return refused('few', 'rows', 'Five rows at the least, at different times.');
  const bad = rows.findIndex((row, at) => !isRow(row) || (at > 0 && row[0] < ((rows[at - 1] as Row)[0] as number)));
  if (bad >= 0)
    return refused(
      'not-a-row',
      `rows[${bad}]`,
      `Each row is [seconds, MB/s] or [seconds, MB/s, °C]: seconds that do not go back, MB/s from 0 to ${MAX_MBPS}.`,
    );
  const good = rows as readonly Row[];
  const [[start] = [0]] = good;
  const hasDegrees = good.some((row) => typeof row[2] === 'number');
  const seconds = Float64Array.from(good, ([at]) => at - start);
  if ((seconds.at(-1) as number) <= 0) return refused('few', 'rows', 'All rows stand at one time.');
  return ok({
    seconds,
    MBps: Float64Array.from(good, ([, rate]) => rate),
    celsius: hasDegrees ? Float64Array.from(good, ([, , degrees]) => degrees ?? Number.NaN) : null,
  });
}

function traceView(reading: TraceReading) {
  const { rows, seconds, GB, segments, burstMBps, cacheGB, sustainedMBps, floorMBps, stalls, throttle, notes } =
    reading;
  return {
    rows,
    seconds,
    GB,
    segments,
    burstMBps,
    cacheGB,
    sustainedMBps,
    floorMBps,
    stalls,
    throttle: throttle && {
      onsetSeconds: throttle.onsetSeconds,
      factor: throttle.factor,
      periodSeconds: throttle.periodSeconds,
    },
    supports: supportedBy(reading),
    supportsText: classText(supportedBy(reading), reading),
    notes: notes.map((note) => ({ code: note.code, text: traceNoteText(note) })),
  };
}

/** A write trace taken apart. */
export const trace = call({
  path: '/api/trace',
  method: 'POST',
  summary: 'A write trace taken apart: burst, cache, sustained floor, stalls, throttling',
  heavy: true,
  maxBody: MAX_TRACE_BODY,
  asked: Joi.object<Asked>({
    text: Joi.string().min(1),
    // Checked by hand: half a million rows one by one would take longer than the answer.
    rows: Joi.array().max(MAX_ROWS),
    timeUnit: Joi.valid(...TIME_UNITS).allow(null),
    unit: Joi.valid(...WRITE_UNITS).allow(null),
    decimal: Joi.valid('point', 'comma').allow(null),
    column: Joi.number().integer().min(0).max(1000).allow(null),
    kind: Joi.valid('rate', 'total').allow(null),
    lines: Joi.string().max(200).allow(null),
    stepSeconds: Joi.number().min(0.001).max(3600).allow(null),
    dateOrder: Joi.valid('day-first', 'month-first').allow(null),
  }).xor('text', 'rows'),
  answer: object({
    rows: number,
    seconds: number,
    GB: number,
    segments: list(
      Joi.object({ kind: oneOf(SEGMENT_KINDS), fromSeconds: number, toSeconds: number, MBps: number, GB: number }),
    ),
    burstMBps: numberOrNull,
    cacheGB: numberOrNull,
    sustainedMBps: number,
    floorMBps: number,
    stalls: list(Joi.object({ atSeconds: number, seconds: number })),
    throttle: objectOrNull({ onsetSeconds: number, factor: number, periodSeconds: numberOrNull }),
    supports: oneOrNull(MARK_KEYS),
    supportsText: text,
    notes: list(Joi.object({ code: text, text })),
  }),
  answerText: 'Its segments, the figures of a heat run, and what it cannot tell',
  refusals: { 400: 'Not a trace, or one that leaves its units open' },
  run({ text: given, rows, lines = null, ...said }) {
    if (rows) {
      const read = fromRows(rows);
      return read.ok ? ok(traceView(analyseTrace(read.value))) : read;
    }
    const read = readWriteTrace(given ?? '', { ...said, rows: lines });
    if (!read.ok) {
      const answer = ANSWERED_BY[read.error.code];
      const hint = answer === undefined ? '' : ` Send ${answer}.`;
      const choices =
        read.error.code === 'which-column'
          ? ` ${read.error.choices.map(({ column, title }) => `${column}: ${title}`).join('; ')}.`
          : '';
      return refused(read.error.code, 'text', writeTraceProblemText(read.error) + choices + hint);
    }
    return ok(traceView(analyseTrace(read.value.trace)));
  },
});

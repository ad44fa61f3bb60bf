// Logs of known construction by the thousand: whatever form they are written in, they are read as they were made, or asked about.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readWriteTrace, type TraceSaid, type WriteTraceProblem } from '../../src/reading/prove/writeTrace.ts';
import { runs } from '../support/runs.ts';

/** What truly happened: a row for every step. */
interface Made {
  readonly stepSeconds: number;
  readonly MBps: readonly number[];
}

const made: fc.Arbitrary<Made> = fc.record({
  stepSeconds: fc.constantFrom(0.5, 1, 2, 5),
  MBps: fc.array(fc.integer({ min: 20, max: 900 }), { minLength: 12, maxLength: 40 }),
});

const UNITS = {
  'MB/s': 1,
  'MiB/s': 1.048576,
  'kB/s': 0.001,
  'KiB/s': 0.001024,
  'GB/s': 1000,
  'Mbit/s': 0.125,
} as const;
type Unit = keyof typeof UNITS;
const unit = fc.constantFrom(...(Object.keys(UNITS) as Unit[]));

const START = Date.UTC(2026, 5, 12, 21, 59, 30) / 1000;
const pad = (value: number): string => String(value).padStart(2, '0');

/** How a moment may be written, and whether its unit is told by its form. */
const TIMES = {
  seconds: { title: 'time (s)', of: (at: number) => at.toFixed(1) },
  ms: { title: 'elapsed_ms', of: (at: number) => String(at * 1000) },
  bare: { title: 'time', of: (at: number) => String(at) },
  clock: { title: 'time', of: (at: number) => clockOf(at) },
  iso: { title: 'timestamp', of: (at: number) => new Date((START + at) * 1000).toISOString() },
  zone: {
    title: 'timestamp',
    of: (at: number) => `${new Date((START + at) * 1000).toISOString().replace('Z', '')}+00:00`,
  },
  american: { title: 'date', of: (at: number) => americanOf(at) },
  german: { title: 'Datum time', of: (at: number) => germanOf(at) },
} as const;

const dayPart = (at: number): Date => new Date((START + at) * 1000);
const seconds = (date: Date): string =>
  date.getUTCMilliseconds() === 0
    ? pad(date.getUTCSeconds())
    : `${pad(date.getUTCSeconds())}.${date.getUTCMilliseconds() / 100}`;
const clockOf = (at: number): string => {
  const date = dayPart(at);
  return `${pad(date.getUTCHours())}:${pad(date.getUTCMinutes())}:${seconds(date)}`;
};
const americanOf = (at: number): string => {
  const date = dayPart(at);
  const hours = date.getUTCHours();
  return `${pad(date.getUTCMonth() + 1)}/${pad(date.getUTCDate())}/${date.getUTCFullYear()} ${pad(((hours + 11) % 12) + 1)}:${pad(date.getUTCMinutes())}:${seconds(date)} ${hours < 12 ? 'AM' : 'PM'}`;
};
const germanOf = (at: number): string => {
  const date = dayPart(at);
  return `${pad(date.getUTCDate())}.${pad(date.getUTCMonth() + 1)}.${date.getUTCFullYear()} ${clockOf(at)}`;
};

interface Form {
  readonly time: keyof typeof TIMES;
  readonly unit: Unit;
  readonly hasTitles: boolean;
  readonly isTotal: boolean;
  readonly extra: 'none' | 'celsius' | 'read' | 'word' | 'number';
  readonly order: 'time-first' | 'rate-first';
  readonly sign: ',' | ';' | '\t' | '|';
  readonly comma: boolean;
}

const form: fc.Arbitrary<Form> = fc.record({
  time: fc.constantFrom(...(Object.keys(TIMES) as (keyof typeof TIMES)[])),
  unit,
  hasTitles: fc.boolean(),
  isTotal: fc.boolean(),
  extra: fc.constantFrom('none', 'celsius', 'read', 'word', 'number'),
  order: fc.constantFrom('time-first', 'rate-first'),
  sign: fc.constantFrom(',', ';', '\t', '|'),
  comma: fc.boolean(),
});

const EXTRA = { none: '', celsius: 'Temp °C', read: 'read ', word: 'state', number: 'queue' } as const;

function write({ stepSeconds, MBps }: Made, asked: Form): string {
  const factor = UNITS[asked.unit];
  const number = (value: number): string => {
    const text = value.toFixed(asked.unit === 'GB/s' ? 4 : 2);
    return asked.comma && asked.sign !== ',' ? text.replace('.', ',') : text;
  };
  let total = 0;
  const row = (at: number): string => {
    const rate = MBps[at] ?? 0;
    const shown = number((asked.isTotal ? total : rate) / factor);
    total += rate * stepSeconds;
    const extra = {
      none: null,
      celsius: number(30 + at / 10),
      read: number(50 + (at % 3)),
      word: 'ok',
      number: String(at % 4),
    }[asked.extra];
    const plain = TIMES[asked.time].of(at * stepSeconds);
    const time =
      (asked.time === 'seconds' || asked.time === 'bare') && asked.comma && asked.sign !== ','
        ? plain.replace('.', ',')
        : plain;
    const cells = asked.order === 'time-first' ? [time, shown] : [shown, time];
    return [...cells, ...(extra === null ? [] : [extra])].join(asked.sign);
  };
  const size = asked.unit.replace('/s', '').replace('Mbit', 'Mbit');
  const title = asked.isTotal ? `total ${size}` : `write ${asked.unit}`;
  const titles = asked.order === 'time-first' ? [TIMES[asked.time].title, title] : [title, TIMES[asked.time].title];
  const extra = asked.extra === 'none' ? [] : [`${EXTRA[asked.extra]}${asked.extra === 'read' ? asked.unit : ''}`];
  const body = MBps.map((_, at) => row(at));
  return [...(asked.hasTitles ? [[...titles, ...extra].join(asked.sign)] : []), ...body].join('\n');
}

/** What somebody who made the log would answer. */
function answerTo(problem: WriteTraceProblem, asked: Form): TraceSaid | null {
  switch (problem.code) {
    case 'which-time':
      return { timeUnit: asked.time === 'ms' ? 'ms' : 's' };
    case 'which-decimal':
      return { decimal: asked.comma && asked.sign !== ',' ? 'comma' : 'point' };
    case 'which-column':
      return { column: asked.order === 'time-first' ? 1 : 0 };
    case 'which-kind':
      return { kind: asked.isTotal ? 'total' : 'rate' };
    case 'which-date':
      return { dateOrder: asked.time === 'american' ? 'month-first' : 'day-first' };
    default:
      return null;
  }
}

describe('a log of known construction', () => {
  it('is read as it was made, or asked about; never otherwise', () => {
    let read = 0;
    fc.assert(
      fc.property(made, form, (truth, asked) => {
        const text = write(truth, asked);
        let said: TraceSaid = {};
        for (let turn = 0; turn < 6; turn += 1) {
          const answer = readWriteTrace(text, said);
          if (answer.ok) {
            // Without a title the unit is asked by the view; the person names it.
            const told = answer.value.unitSaid ? 1 : UNITS[asked.unit];
            const { seconds: at, MBps } = answer.value.trace;
            expect(at.length).toBe(truth.MBps.length);
            at.forEach((second, row) => {
              expect(Math.abs(second - row * truth.stepSeconds), text).toBeLessThan(0.06);
            });
            // The last row of a running total has no pace of its own.
            const rows = truth.MBps.length - (asked.isTotal ? 1 : 0);
            for (let row = 0; row < rows; row += 1) {
              const true_ = truth.MBps[row] ?? 0;
              expect(Math.abs((MBps[row] ?? 0) * told - true_), `${text}\nrow ${row}`).toBeLessThan(0.02 * true_ + 1.1);
            }
            read += 1;
            return;
          }
          const next = answerTo(answer.error, asked);
          // Whatever else stops it says why, and takes nothing.
          if (next === null) {
            // A unit of bits in a heading of a total names no size: it is too large or asked.
            expect(['too-fast', 'no-columns', 'not-figures', 'which-rows', 'total-back'], text).toContain(
              answer.error.code,
            );
            return;
          }
          said = { ...said, ...next };
        }
        throw new Error(`asked and asked: ${JSON.stringify(said)}\n${text}`);
      }),
      { numRuns: runs(1500, 20_000), seed: 35 },
    );
    // Most are read: a refusal for everything would pass as well.
    expect(read).toBeGreaterThan(0.75 * runs(1500, 20_000));
  });
});

import { err, ok, type Result } from '../../../core/result.ts';
import { RATE_UNIT } from '../../../core/units/spelling.ts';
import { isClock, isDate } from './moments.ts';

/** What printed a log, where its form tells. */
export type TraceProgram = 'dd' | 'pv' | 'iostat' | 'vmstat' | 'fio' | 'rsync' | 'words';

/** Why a log of a program cannot be told yet. */
export type ProgramProblem = { readonly code: 'which-step' } | { readonly code: 'only-reads' };

/** A log brought into the form of a table: titles, then a time and a rate in each line, cut by tabs. */
interface Told {
  readonly program: TraceProgram;
  readonly text: string;
}

/** Lines, and characters, that are looked at for what printed them. */
const LOOKED_AT = 60;
const FIRST_CHARACTERS = 40_000;

/** The first lines, without cutting the whole text: it may have a million. */
const firstLines = (text: string): readonly string[] => text.slice(0, FIRST_CHARACTERS).split('\n', LOOKED_AT);

interface Row {
  /** As it stands in the log; null where reports follow each other without one. */
  readonly time: string | null;
  readonly cells: readonly string[];
}

type Program = (lines: readonly string[]) => {
  readonly titles: readonly string[];
  readonly rows: readonly Row[];
  /** Of rows without a time. */
  readonly timeTitle?: string;
} | null;

// Forms as the programs print them [from memory of coreutils, pv, sysstat, procps, fio and rsync].
const DD = /^\s*(\d+)\s.*\bcopied,\s*([\d.,]+(?:e[-+]?\d+)?)\s*s\b/;
const PV = /^\s*[\d.,]+\s?[kKMGT]?i?B\s+(\d+:\d{2}(?::\d{2}){1,2})\s+\[\s*([\d.,]+\s?[kKMGT]?i?B\/s)\]/;
const RSYNC = /^\s*[\d.,]+[KMGT]?\s+\d{1,3}%\s+([\d.]+)([kMGT])B\/s\s+\d+:\d{2}:\d{2}/;
const FIO = /^\s*(\d+),\s*(\d+),\s*([0-2]),\s*(\d+)(?:,\s*\S+)*\s*$/;
const BINARY = { k: 'Ki', M: 'Mi', G: 'Gi', T: 'Ti' } as const;
const IOSTAT_WRITES: readonly (readonly [RegExp, string])[] = [
  [/^(?:kB_wrtn|wkB)\/s$/, 'KiB/s'],
  [/^(?:MB_wrtn|wMB)\/s$/, 'MiB/s'],
];

const dd: Program = (lines) => {
  const found = lines.map((line) => DD.exec(line)).filter((one) => one !== null);
  return found.length === 0
    ? null
    : {
        titles: ['written (bytes)'],
        timeTitle: 'time (s)',
        // Before the first line it began with nothing.
        rows: [
          { time: '0', cells: ['0'] },
          ...found.map(([, bytes = '', seconds = '']) => ({ time: seconds.replace(',', '.'), cells: [bytes] })),
        ],
      };
};

const pv: Program = (lines) => {
  const found = lines.map((line) => PV.exec(line)).filter((one) => one !== null);
  return found.length === 0
    ? null
    : {
        titles: ['write rate'],
        rows: found.map(([, time = '', rate = '']) => ({ time: withoutDays(time), cells: [rate.replace(',', '.')] })),
      };
};

/** Days in front of a clock, as pv has them after the first, as hours. */
function withoutDays(clock: string): string {
  const parts = clock.split(':').map(Number);
  if (parts.length < 4) return clock;
  const [days = 0, hours = 0, ...rest] = parts;
  return [days * 24 + hours, ...rest.map((one) => String(one).padStart(2, '0'))].join(':');
}

const rsync: Program = (lines) => {
  const found = lines.map((line) => RSYNC.exec(line)).filter((one) => one !== null);
  return found.length === 0
    ? null
    : {
        titles: ['write rate'],
        rows: found.map(([, rate = '', prefix = 'k']) => ({
          time: null,
          cells: [`${rate} ${BINARY[prefix as keyof typeof BINARY]}B/s`],
        })),
      };
};

const fio: Program = (lines) => {
  const found = lines.map((line) => FIO.exec(line)).filter((one) => one !== null);
  if (found.length < 5 || found.length < 0.9 * lines.filter((line) => line.trim() !== '').length) return null;
  return {
    titles: ['write (KiB/s)'],
    timeTitle: 'time (ms)',
    // The third figure is the direction: 0 read, 1 write, 2 trim.
    rows: found
      .filter(([, , , direction]) => direction === '1')
      .map(([, time = '', rate = '']) => ({ time, cells: [rate] })),
  };
};

const iostat: Program = (lines) => {
  const rows: (Row & { readonly report: number })[] = [];
  let [report, write, unit, time] = [-1, -1, '', null as string | null];
  for (const line of lines) {
    const words = line.trim().split(/\s+/);
    if (/^Device:?$/.test(words[0] ?? '')) {
      report += 1;
      write = words.findIndex((word) => IOSTAT_WRITES.some(([pattern]) => pattern.test(word)));
      unit = IOSTAT_WRITES.find(([pattern]) => pattern.test(words[write] ?? ''))?.[1] ?? '';
    } else if (isClock(line.trim())) time = line.trim();
    else if (write > 0 && words.length > write && /^[a-z]/i.test(words[0] ?? '') && !/^avg-cpu/.test(line))
      rows.push({ report, time, cells: [words[0] ?? '', (words[write] ?? '').replace(',', '.')] });
  }
  if (report < 0 || unit === '') return null;
  // The first report is the mean since the machine was started.
  return { titles: ['device', `write (${unit})`], rows: rows.filter((row) => row.report > 0 || report === 0) };
};

const vmstat: Program = (lines) => {
  const head = lines.find((line) => /^\s*r\s+b\s+swpd\b/.test(line));
  if (head === undefined) return null;
  const column = head.trim().split(/\s+/).indexOf('bo');
  const rows = lines
    .map((line) => line.trim().split(/\s+/))
    .filter((words) => words.length > column && /^\d+$/.test(words[0] ?? ''))
    .map((words) => {
      const at = words.findIndex((word) => isDate(word));
      return { time: at > 0 ? words.slice(at).join(' ') : null, cells: [words[column] ?? ''] };
    });
  return { titles: ['write (KiB/s)'], rows: rows.slice(1) };
};

const RATE = new RegExp(String.raw`(\d[\d.,]*)\s*(${RATE_UNIT})`, 'giu');
const STAMP =
  /(?:\d{1,4}[-/.]\d{1,2}[-/.]\d{2,4}[T ,]+)?\d{1,3}:\d{2}(?::\d{2}(?:[.,]\d+)?)?(?:\s*[ap]\.?m\b\.?)?(?:Z|[+-]\d{2}:?\d{2})?/i;
const LENGTH = /\b(\d+(?:[.,]\d+)?)\s*(ms|s|sec|seconds?|min)\b(?!\s*\/)/i;

/** The words of a line without its figures and file names: what tells lines of two drives apart. */
const wordsOf = (line: string): string =>
  line
    .split(/[\s,;:[\]()=]+/)
    .filter((word) => /\p{L}/u.test(word) && /^\D*(?:\d\D*){0,2}$/.test(word) && !/\.\w{2,4}$/.test(word))
    .join(' ')
    .slice(0, 40);

/** Share of lines from which words that differ tell lines apart, and are no remark in passing. */
const OFTEN = 0.1;

/** Lines of a copy tool with words between: one rate in each, named, and a time where there is one. */
const words: Program = (lines) => {
  const filled = lines.filter((line) => line.trim() !== '');
  const found = filled.flatMap((line) => {
    const rates = [...line.matchAll(RATE)];
    const [only] = rates;
    if (!only || rates.length > 1) return [];
    const rest = line.replace(only[0], ' ');
    const stamp = STAMP.exec(rest)?.[0] ?? null;
    const length = LENGTH.exec(rest);
    const time = stamp ?? (length ? `${length[1]} ${length[2]}` : null);
    return [{ time, rate: only[0], said: wordsOf(stamp === null ? rest : rest.replace(stamp, ' ')) }];
  });
  if (found.length < 5 || found.length < 0.6 * filled.length) return null;
  const often = [...new Set(found.map(({ said }) => said))].filter(
    (said) => found.filter((one) => one.said === said).length >= Math.max(2, OFTEN * found.length),
  );
  return often.length > 1
    ? {
        titles: ['line', 'write rate'],
        rows: found.map(({ time, rate, said }) => ({ time, cells: [said || 'no word', rate] })),
      }
    : { titles: ['write rate'], rows: found.map(({ time, rate }) => ({ time, cells: [rate] })) };
};

/** Programs whose form tells them before a table is looked for. */
const KNOWN = { dd, pv, rsync, fio, iostat, vmstat } as const satisfies Partial<Record<TraceProgram, Program>>;

function told(
  program: TraceProgram,
  { titles, rows, timeTitle = 'time' }: NonNullable<ReturnType<Program>>,
  stepSeconds: number | null,
): Result<Told, ProgramProblem> {
  if (rows.length === 0) return err({ code: 'only-reads' });
  const isTimed = rows.every(({ time }) => time !== null);
  if (!isTimed && stepSeconds === null) return err({ code: 'which-step' });
  let [step, seen] = [-1, new Set<string>()];
  const lines = rows.map(({ time, cells }) => {
    // A device that comes again begins the next report.
    const device = titles.length > 1 ? (cells[0] ?? '') : '';
    if (device === '' || step < 0 || seen.has(device)) [step, seen] = [step + 1, new Set()];
    seen.add(device);
    return [isTimed ? time : String(step * (stepSeconds ?? 1)), ...cells].join('\t');
  });
  return ok({ program, text: [[isTimed ? timeTitle : 'time (s)', ...titles].join('\t'), ...lines].join('\n') });
}

/**
 * A log as programs print it, as a table; null where its form is none of theirs.
 *
 * @param text - without carriage returns inside of lines
 * @param stepSeconds - between reports that carry no time, where somebody said it
 */
export function programTable(text: string, stepSeconds: number | null): Result<Told, ProgramProblem> | null {
  const first = firstLines(text);
  for (const [program, read] of Object.entries(KNOWN)) {
    if (!read(first)) continue;
    const whole = read(text.split('\n'));
    return whole && told(program as TraceProgram, whole, stepSeconds);
  }
  return null;
}

/** Lines with words between, as a table; null where they are none. */
export function wordsTable(text: string, stepSeconds: number | null): Result<Told, ProgramProblem> | null {
  if (!words(firstLines(text))) return null;
  const whole = words(text.split('\n'));
  return whole && told('words', whole, stepSeconds);
}

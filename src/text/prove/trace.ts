import { saysNothingOfClasses } from '../../core/prove/trace/supports.ts';
import type { SegmentKind, TraceNote, TraceReading } from '../../core/prove/trace/trace.ts';
import type { Mark } from '../../core/standards/marks.ts';
import type { Seconds } from '../../core/units/brand.ts';
import type { ReadTrace, TimeUnit, WriteTraceProblem } from '../../reading/prove/writeTrace.ts';
import { paceText } from '../heat/heatWords.ts';
import { clockText, plain } from '../quantity.ts';

const NBSP = '\u00a0';
const GB = (value: number): string => `${plain(value, value < 10 ? 2 : 1)}${NBSP}GB`;
const clock = (seconds: number): string => clockText(Math.round(seconds) as Seconds);
const degrees = (celsius: number): string => `${plain(celsius, 0)}${NBSP}°C`;

export const SEGMENT_WORDS: Readonly<Record<SegmentKind, string>> = {
  burst: 'burst',
  sustained: 'sustained',
  throttled: 'throttled',
  decline: 'decline',
  stall: 'stall',
};

export const TIME_WORDS: Readonly<Record<TimeUnit, string>> = {
  s: 'seconds',
  ms: 'milliseconds',
  µs: 'microseconds',
  min: 'minutes',
  clock: 'hours, minutes and seconds',
};

const PROGRAM_WORDS: Readonly<Record<NonNullable<ReadTrace['program']>, string>> = {
  dd: 'As dd prints it',
  pv: 'As pv prints it',
  iostat: 'As iostat prints it, without its first report, the mean since the start',
  vmstat: 'As vmstat prints it, blocks out, without its first line, the mean since the start',
  fio: 'As fio logs it, writes alone',
  rsync: 'As rsync prints it',
  words: 'Lines with words between',
};

/** How a trace was understood, in a line. */
export function traceFormText({ timeUnit, unit, kind, program }: Omit<ReadTrace, 'trace'>, rows: number): string {
  const figures =
    kind === 'total'
      ? `running totals in ${unit.replace('/s', '')}, the pace is what lies between`
      : `rates in ${unit}`;
  const form = program === null ? '' : `${PROGRAM_WORDS[program]}: `;
  return `${form}${rows.toLocaleString('en')} rows, times in ${TIME_WORDS[timeUnit]}, ${figures}.`;
}

/** Why a write trace was not taken, and what to do. */
export function writeTraceProblemText(problem: WriteTraceProblem): string {
  switch (problem.code) {
    case 'empty':
      return 'There are no figures in this. Give a time and a rate in each line: 12, 88.4.';
    case 'few':
      return 'This has too few rows to say anything of a card: five at the least, at different times.';
    case 'too-many':
      return `This has more than ${plain(problem.max)} rows. Cut it, or write fewer rows a second.`;
    case 'no-columns':
      return 'No column of times that rise was found beside one of rates. Name them in a first line: time (s), MB/s.';
    case 'which-time':
      return 'Its times have no unit: seconds or milliseconds? Say which.';
    case 'which-step':
      return 'Its lines carry no time. How far apart are they?';
    case 'which-date':
      return `“${problem.text}”: is the day or the month in front?`;
    case 'which-column':
      return 'More than one column may be what the card was written. Which one?';
    case 'which-kind':
      return `The figures${problem.title === '' ? '' : ` of “${problem.title}”`} only rise: a pace, or all that was written until then?`;
    case 'which-rows':
      return `Its lines are of more than one kind: ${problem.words.join(', ')}. Which ones count?`;
    case 'only-reads':
      return 'This tells how a card was read, not how it was written. Give a log of writing.';
    case 'no-pace':
      return `“${problem.title}” is no pace at each moment. Give a column of what was written: MB/s, or MB until then.`;
    case 'total-back':
      return `Line ${problem.line}: “${problem.text}”: a running total cannot fall. If two files or runs stand in it, give one at a time.`;
    case 'which-decimal':
      return `“${problem.text}” has one reading with a decimal sign and one with thousands. Choose below how decimals are written.`;
    case 'goes-back':
      return `Line ${problem.line}: “${problem.text}”: time goes back. If two runs stand in one file, give one at a time.`;
    case 'negative':
      return `Line ${problem.line}: “${problem.text}”: a rate cannot be below zero.`;
    case 'too-fast':
      return `Line ${problem.line}: “${problem.text}” is faster than any card. Which unit is it in?`;
    case 'too-long':
      return 'This runs for more than a year. Are its times in another unit?';
    case 'not-figures':
      return `${problem.rows === 1 ? 'A row is' : `${plain(problem.rows)} rows are`} no time and rate, the first in line ${problem.line}: “${problem.text}”. That is too much to leave out.`;
  }
}

/** What is to be known with a trace. */
export function traceNoteText(note: TraceNote): string {
  switch (note.code) {
    case 'bench':
      return 'A bench is no certification: classes are measured in ways of their own, and a camera writes otherwise than a computer.';
    case 'short':
      return `${clock(note.seconds)} is short: what a card does later is not in it.`;
    case 'no-fall':
      return `It never fell over ${GB(note.GB)}. A cache larger than that would not show, nor heat that comes later.`;
    case 'stood-still':
      return `It stood still ${note.count === 1 ? 'once' : `${note.count} times`}, for ${plain(note.longestSeconds, 1)}${NBSP}s at the longest: a mean hides that, a camera drops frames there, and a class is measured without such stops.`;
    case 'coarse':
      return `Its rows stand ${plain(note.stepSeconds, 1)}${NBSP}s apart: stalls shorter than that cannot be seen.`;
    case 'one-fall':
      return `One fall, after ${GB(note.GB)} and ${clock(note.seconds)}: a cache that was full, or heat. Once more at another rate tells: at the same bytes it is the cache, at the same time heat.`;
    case 'heat-fall':
      return `It fell at ${degrees(note.celsius)} and cooled from there on: heat, not a cache.`;
    case 'no-return':
      return `From ${clock(note.atSeconds)} it stayed lower: heat, or a second cache. From cold with a fan, heat would go away.`;
    case 'sawtooth':
      return note.withHeat
        ? 'It fell and came back by turns, with temperatures beside it.'
        : 'It fell and came back by turns: heat, or the card tidying up. A column of temperatures would tell.';
    case 'declines':
      return `From ${clock(note.atSeconds)} it sank slowly instead of falling: mostly heat.`;
    case 'still-falling':
      return `It was still sinking when it ended, at ${paceText(note.MBps)}: what it holds lies below.`;
    case 'gaps':
      return `${note.count === 1 ? 'One gap' : `${note.count} gaps`} of ${clock(note.seconds)} in all: nothing was noted there, and nothing is counted.`;
  }
}

/** The highest class that a trace reached, or why there is none. */
export const classText = (mark: Mark | null, reading: TraceReading): string =>
  mark ??
  (saysNothingOfClasses(reading) ? 'too short to say' : reading.stalls.length > 0 ? 'none: it stopped' : 'none');

/** A trace in one line. */
export function traceLine({
  seconds,
  GB: written,
  burstMBps,
  cacheGB,
  sustainedMBps,
  throttle,
  stalls,
}: TraceReading): string {
  return [
    `${GB(written)} in ${clock(seconds)}`,
    burstMBps !== null && cacheGB !== null ? `${paceText(burstMBps)} for a cache of ${GB(cacheGB)}` : null,
    `${burstMBps === null ? 'held' : 'then'} ${paceText(sustainedMBps)}`,
    throttle ? `${plain(throttle.factor * 100, 0)}${NBSP}% of it when throttled` : null,
    stalls.length > 0 ? `${stalls.length} ${stalls.length === 1 ? 'stall' : 'stalls'}` : null,
  ]
    .filter(Boolean)
    .join(', ');
}

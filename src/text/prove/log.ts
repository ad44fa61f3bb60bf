import type { BenchProgram, Body, Card, Constancy, Test, TestEnd, TestStart } from '../../core/kit/model.ts';
import type { Entry, EntryKind, LogOrder, TakeDoubt } from '../../core/prove/entries.ts';
import { form } from '../../core/standards/forms.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { INCIDENT_WORDS } from '../cards/state.ts';
import { paceText } from '../heat/heatWords.ts';
import { modeTitle } from '../match/cell.ts';
import { capacityText, clockText, plain } from '../quantity.ts';

const NBSP = '\u00a0';

/** How a take ended, in a word. */
export const END_WORD: Readonly<Record<TestEnd, string>> = {
  full: 'full',
  stopped: 'stopped',
  dropped: 'dropped',
  'cut-off': 'shut down',
};

/** How a take may have ended, as it is asked. */
export const END_CHOICES: readonly { readonly value: TestEnd; readonly label: string }[] = [
  { value: 'full', label: 'Card full' },
  { value: 'dropped', label: 'Dropped frames' },
  { value: 'stopped', label: 'I stopped it' },
  { value: 'cut-off', label: 'Camera shut down' },
];

export const END_TONE: Readonly<Record<TestEnd, string>> = {
  full: 'cool',
  stopped: 'mute',
  dropped: 'hot',
  'cut-off': 'hot',
};

export const KIND_WORDS: Readonly<Record<EntryKind, string>> = {
  take: 'takes',
  burst: 'bursts',
  counter: 'counter readings',
  bench: 'benches',
  incident: 'incidents',
  report: 'colleagues’ tests',
};

export const ORDER_WORDS: Readonly<Record<LogOrder, string>> = {
  newest: 'newest first',
  oldest: 'oldest first',
  longest: 'longest first',
  fastest: 'fastest first',
};

export const CONSTANCY_WORDS: Readonly<Record<Constancy, string>> = {
  constant: 'constant',
  quality: 'follows the picture',
};

export const START_WORDS: Readonly<Record<TestStart, string>> = { cold: 'cold', warm: 'warm' };

export const PROGRAM_WORDS: Readonly<Record<BenchProgram, string>> = {
  sequential: 'one long file',
  random: 'small pieces',
  'file-copy': 'files copied',
  'fill-and-verify': 'filled and read back',
};

/** The lists that names come from. */
export interface Named {
  readonly bodies: ReadonlyMap<string, Body>;
  readonly cards: ReadonlyMap<string, Card>;
}

const bodyName = ({ bodyId }: Entry, { bodies }: Named): string =>
  bodyId === null ? '' : (bodies.get(bodyId)?.name ?? 'a camera that is gone');

const cardName = ({ cardId }: Entry, { cards }: Named): string =>
  cardId === null ? '' : (cards.get(cardId)?.label ?? 'a card that is gone');

function modeName(bodyId: string | null, modeId: string | null, { bodies }: Named): string {
  const mode = bodies.get(bodyId ?? '')?.modes.find(({ id }) => id === modeId);
  return mode ? modeTitle(mode) : 'a mode that is gone';
}

/** A line of the log: what it is, where, its figure and how it ended. */
export interface LogLine {
  readonly title: string;
  readonly place: string;
  readonly figure: string;
  readonly end: string;
  readonly tone: string;
}

export function logLine(entry: Entry, named: Named): LogLine {
  const place = [bodyName(entry, named), cardName(entry, named)].filter(Boolean).join(' · ');
  switch (entry.kind) {
    case 'take': {
      const { test } = entry;
      const { takes } = test;
      return {
        title: modeName(test.bodyId, test.modeId, named),
        place,
        figure: `${takes != null && takes > 1 ? `${takes} × ` : ''}${clockText(test.seconds as Seconds)}`,
        end: END_WORD[test.end],
        tone: END_TONE[test.end],
      };
    }
    case 'burst':
      return {
        title: entry.clearing.frames === null ? 'Burst' : `Burst of ${plain(entry.clearing.frames)}`,
        place,
        figure: `${plain(entry.clearing.clearSeconds)}${NBSP}s`,
        end: 'to clear',
        tone: 'none',
      };
    case 'counter':
      return {
        title: modeName(entry.bodyId, entry.reading.modeId, named),
        place,
        figure: `${plain(entry.reading.minutes)}${NBSP}min`,
        end: `on ${plain(entry.reading.capacityGB)}${NBSP}GB`,
        tone: 'none',
      };
    case 'bench': {
      const { bench } = entry;
      const write = bench.lowestWriteMBps ?? bench.writeMBps;
      return {
        title: `Bench, ${PROGRAM_WORDS[bench.program]}`,
        place: [place, bench.reader].filter(Boolean).join(' · '),
        figure: write === null ? (bench.readMBps === null ? '—' : paceText(bench.readMBps)) : paceText(write),
        end: bench.lowestWriteMBps !== null ? 'at its lowest' : write === null ? 'read' : 'written',
        tone: 'none',
      };
    }
    case 'report': {
      const { report } = entry;
      const { print } = report;
      return {
        title: modeName(report.bodyId, report.modeId, named),
        place: `${place} · ${form(print.form).name} ${capacityText(fromGigabytes(print.capacityGB))}${print.marks.length > 0 ? `, ${print.marks.join(' ')}` : ''}, reported${report.from ? ` by ${report.from}` : ''}`,
        figure: clockText(report.seconds as Seconds),
        end: END_WORD[report.end],
        tone: 'none',
      };
    }
    case 'incident':
      return {
        title: entry.incident.text || INCIDENT_WORDS[entry.incident.kind],
        place,
        figure: '',
        end: INCIDENT_WORDS[entry.incident.kind],
        tone: 'warm',
      };
  }
}

/** What an entry is called where it is told of: `8K raw 5:1 50p on A-02`. */
export function entryName(entry: Entry, named: Named): string {
  const { title, place } = logLine(entry, named);
  return place ? `${title}, ${place}` : title;
}

/** What an entry is found by. */
export function entryWords(entry: Entry, named: Named): string {
  const { title, place, end } = logLine(entry, named);
  const more =
    entry.kind === 'take'
      ? [entry.test.note, entry.test.warning, entry.test.firmware]
      : entry.kind === 'burst'
        ? [entry.clearing.note]
        : entry.kind === 'bench'
          ? [entry.bench.note, entry.bench.reader, entry.bench.port]
          : [];
  return [title, place, end, entry.date, ...more].filter(Boolean).join(' ');
}

/** What is odd about a take, as a question; the misfit has a text of its own. */
export function doubtText(doubt: Exclude<TakeDoubt, { code: 'misfit' }>): string {
  switch (doubt.code) {
    case 'future':
      return `${doubt.date} has not come yet. Is the date right?`;
    case 'half-full':
      return `It ended full, and ${plain(doubt.clipGB)}${NBSP}GB is far from the ${plain(doubt.roomGB)}${NBSP}GB of the card. Was the card empty, or are there more clips?`;
  }
}

/** How many entries there are, of how many. */
export const countText = (shown: number, all: number): string =>
  shown === all ? `${all} ${all === 1 ? 'entry' : 'entries'}` : `${shown} of ${all} entries`;

/** What a take is called before it is in the log. */
export function takeName(
  { bodyId, modeId, cardId }: Pick<Test, 'bodyId' | 'modeId' | 'cardId'>,
  { bodies, cards }: { readonly bodies: readonly Body[]; readonly cards: readonly Card[] },
): string {
  const body = bodies.find(({ id }) => id === bodyId);
  const mode = body?.modes.find(({ id }) => id === modeId);
  return `${mode ? modeTitle(mode) : 'a mode that is gone'} on ${cards.find(({ id }) => id === cardId)?.label ?? 'a card that is gone'}, ${body?.name ?? ''}`;
}

/** Titles of the panel while something is entered. */
export const OPENED_TITLES = {
  take: 'Log a take',
  burst: 'Log a burst',
  bench: 'Log a bench result',
  counter: 'Note a counter',
  incident: 'Note an incident',
} as const;

interface Leads {
  readonly text: string;
  readonly link: { readonly href: string; readonly text: string } | null;
}

/** What is said of an entry that is changed elsewhere, or nowhere. */
export const openedText = {
  counter: (bodyId: string): Leads => ({
    text: 'It stands with its camera:',
    link: { href: `/bodies?open=${encodeURIComponent(bodyId)}`, text: 'change it there' },
  }),
  incident: (date: string, cardId: string): Leads => ({
    text: `${date}. It stands with its card:`,
    link: { href: `/cards?open=${encodeURIComponent(cardId)}`, text: 'change it there' },
  }),
  report: (from: string | null, received: string): Leads => ({
    text: `${from ?? 'Nobody named'} gave it, read in on ${received}. It stands beside your answers and changes none of them.`,
    link: null,
  }),
} as const;

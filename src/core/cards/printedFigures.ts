import type { BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import { readNumber } from '../units/number.ts';
import type { Span, Token } from './token.ts';

/** What a speed on a print is: a peak of reading or writing, or what its maker states for a whole take. */
export type Side = 'read' | 'write' | 'sustained' | 'minimum';

/** A speed of a print, and what it is; null where nobody says. */
export interface PrintedSpeed {
  readonly value: BytesPerSecond;
  readonly side: Side | null;
}

/** The figures of a print, and the stretches of it that they were read from. */
export interface PrintedFigures {
  readonly speeds: readonly PrintedSpeed[];
  /** Hours of recording it is rated for. */
  readonly hours: number | null;
  /** Bytes it may be written, TB. */
  readonly enduranceTB: number | null;
  readonly isUsed: (span: Pick<Span, 'start' | 'end'>) => boolean;
}

/** The word of a side; the stricter of several: "min. sustained write" is a minimum. */
const SIDE_WORDS: readonly (readonly [Side, RegExp])[] = [
  ['minimum', /^(?:minimum|min\.?|guaranteed)$/i],
  ['sustained', /^sustained$/i],
  ['write', /^(?:writes?|writing|write-speed)$/i],
  ['read', /^(?:reads?|reading)$/i],
];
const A_SIDE = /(?<![\w-])(?:minimum|min\.?|guaranteed|sustained|writes?|writing|reads?|reading)(?![\w-])/gi;

/** What may stand between a speed and its word. */
const BETWEEN = /^(?:[\s:,;/()[\]·|–—-]|speeds?|transfer|rates?|up\s+to|of|max\.?|maximum|peak)*$/i;

interface Word extends Span {
  readonly kind: 'word';
  readonly side: Side;
}

interface Speed extends Span {
  readonly kind: 'speed';
  readonly value: BytesPerSecond;
  /** Told by the token itself, as in R170. */
  readonly own: Side | null;
  /** A number without a unit: a speed only where a word says so. */
  readonly isBare: boolean;
}

/** Words of sides; what a unit is spelled with (`GB per min`) is none. */
const wordsOf = (text: string, speeds: readonly Speed[]): readonly Word[] =>
  [...text.matchAll(A_SIDE)].flatMap((match): Word[] => {
    const side = SIDE_WORDS.find(([, pattern]) => pattern.test(match[0]))?.[0];
    const start = match.index;
    if (!side || speeds.some((speed) => speed.start <= start && start < speed.end)) return [];
    return [{ kind: 'word', side, start, end: start + match[0].length, text: match[0] }];
  });

/** A word that a token was cut with: it may as well belong to the speed before it. */
const CUT_WITH = /^(?:reads?|writes?)\s*:?\s*(?:up\s+to\s*)?/i;

function speedsOf(tokens: readonly Token[]): readonly Speed[] {
  return tokens.flatMap((token): Speed[] => {
    const { start, end, text } = token;
    if (token.kind === 'rate' && token.written === 'bytes') {
      const word = CUT_WITH.exec(text)?.[0].length ?? 0;
      const own = word > 0 ? null : (token.side ?? null);
      return [{ kind: 'speed', start: start + word, end, text, value: token.value, own, isBare: false }];
    }
    const isBare = token.kind === 'unread' && token.problem.code === 'no-unit' && /^\d{2,5}$/.test(text);
    return isBare ? [{ kind: 'speed', start, end, text, value: fromMegabytes(Number(text)), own: null, isBare }] : [];
  });
}

const ORDER: readonly Side[] = ['minimum', 'sustained', 'write', 'read'];

/** The strictest of the words, since they say it together. */
const together = (words: readonly Word[]): Side | null =>
  ORDER.find((side) => words.some((word) => word.side === side)) ?? null;

/** Stretches of words and speeds that stand beside each other, with nothing else between. */
function runsOf(text: string, parts: readonly (Word | Speed)[]): readonly (readonly (Word | Speed)[])[] {
  const found: (Word | Speed)[][] = [];
  let last: Word | Speed | undefined;
  for (const part of [...parts].sort((a, b) => a.start - b.start)) {
    const run = found.at(-1);
    if (run && last && BETWEEN.test(text.slice(last.end, part.start))) run.push(part);
    else found.push([part]);
    last = part;
  }
  return found;
}

/** What each speed of a run is: words stand behind it where the run begins with a speed, else before it. */
function sidesOfRun(run: readonly (Word | Speed)[]): readonly (readonly [Speed, Side | null, readonly Word[]])[] {
  const speeds = run.filter((part): part is Speed => part.kind === 'speed');
  const groups = [...speeds.keys(), speeds.length].map((at) => {
    const from = at === 0 ? -1 : run.indexOf(speeds[at - 1] as Speed);
    const to = at < speeds.length ? run.indexOf(speeds[at] as Speed) : run.length;
    return run.slice(from + 1, to).filter((part): part is Word => part.kind === 'word');
  });
  const isBehind = (groups[0]?.length ?? 0) === 0;
  const endsInWord = (groups.at(-1)?.length ?? 0) > 0;
  return speeds.map((speed, at) => {
    const [before = [], after = []] = [groups[at], groups[at + 1]];
    let words = isBehind ? after : before;
    // 450 write sustained 430: the first word is of the first speed, the rest is of the second.
    if (isBehind && !endsInWord && at === speeds.length - 2 && after.length > 1) words = after.slice(0, 1);
    if (isBehind && !endsInWord && at === speeds.length - 1) words = before.length > 1 ? before.slice(1) : before;
    if (isBehind && !endsInWord && speeds.length === 1) words = after;
    return [speed, speed.own ?? together(words), words] as const;
  });
}

const HOURS = /(?<![\w.,])(\d[\d.,]*)\s*(?:hours|hrs?\.?)(?![\w])/gi;
/** A size behind which the word stands is its amount only where no other amount follows: "1 TB endurance 600 TBW" is a size, then one. */
const ENDURANCE =
  /(?<![\w.,])(?<amount>\d[\d.,]*)\s*(?<unit>TB|PB)W(?!\w)|(?<!\w)(?<unitBefore>TB|PB)W\s*:?\s*(?<amountBehind>\d[\d.,]*)(?![\w.,]*\s*[GT]B)|endurance\s*:?\s*(?:of\s+)?(?:up\s+to\s+)?(?<told>\d[\d.,]*)\s*(?<toldUnit>TB|PB)(?!\w)|(?<![\w.,])(?<size>\d[\d.,]*)\s*(?<sizeUnit>TB|PB)\s+(?:written(?!\w)|endurance(?!\w)(?!\s*:?\s*(?:of\s+|up\s+to\s+)*(?:\d|TBW|PBW)))/gi;
/** Fewer hours are a length of recording that was asked about, and no rating. */
const LEAST_RATED = 100;

function amountOf(typed: string): number | null {
  const read = readNumber(/^\d{1,3}(?:[.,]\d{3})+$/.test(typed) ? typed.replace(/[.,]/g, '') : typed);
  return read.ok && read.value > 0 ? read.value : null;
}

interface Endurance extends Pick<Span, 'start' | 'end'> {
  readonly TB: number;
}

/** Every amount of writing that a print rates its card for, with its stretch and the word before it. */
function endurancesIn(text: string): readonly Endurance[] {
  return [...text.matchAll(ENDURANCE)].flatMap((match): Endurance[] => {
    const { amount, amountBehind, told, size, unit, unitBefore, toldUnit, sizeUnit } = match.groups ?? {};
    const found = amountOf(amount ?? amountBehind ?? told ?? size ?? '');
    if (found === null) return [];
    const isPetabytes = /^PB/i.test(unit ?? unitBefore ?? toldUnit ?? sizeUnit ?? '');
    const before = /endurance\s*:?\s*$/i.exec(text.slice(0, match.index))?.[0].length ?? 0;
    return [
      { TB: isPetabytes ? found * 1000 : found, start: match.index - before, end: match.index + match[0].length },
    ];
  });
}

/** A line with blanks in the place of what its card is rated to take in all: neither a size nor anything of the need. */
export const withoutEndurance = (text: string): string =>
  endurancesIn(text)
    .filter(({ start, end }) => /[TP]BW|endurance/i.test(text.slice(start, end)))
    .reduce((line, { start, end }) => line.slice(0, start) + ' '.repeat(end - start) + line.slice(end), text);

/**
 * The figures of a print by what stands beside them: the one place that reads them, for labels, pasted lists, pictures, prices
 * and lines that are asked.
 *
 * @param text - what the tokens were cut from
 */
export function printedFigures(text: string, tokens: readonly Token[]): PrintedFigures {
  const used: Pick<Span, 'start' | 'end'>[] = [];
  const told = speedsOf(tokens);
  const runs = runsOf(text, [...wordsOf(text, told), ...told]).flatMap(sidesOfRun);
  const speeds = runs.flatMap(([speed, side, words]): PrintedSpeed[] => {
    if (speed.isBare && side === null) return [];
    used.push(speed, ...words);
    return [{ value: speed.value, side }];
  });
  let hours: number | null = null;
  for (const match of text.matchAll(HOURS)) {
    const amount = amountOf(match[1] ?? '');
    if (amount === null || amount < LEAST_RATED) continue;
    hours ??= amount;
    used.push({ start: match.index, end: match.index + match[0].length });
  }
  const endurances = endurancesIn(text);
  used.push(...endurances);
  return {
    speeds,
    hours,
    enduranceTB: endurances[0]?.TB ?? null,
    isUsed: ({ start, end }) => used.some((one) => one.start < end && start < one.end),
  };
}

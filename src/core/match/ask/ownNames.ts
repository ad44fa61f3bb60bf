import type { Token } from '../../cards/token.ts';
import { tokenize } from '../../cards/tokenize.ts';
import { readWord } from '../../cards/vocabulary.ts';
import type { Body, Card, Mode } from '../../kit/model.ts';
import type { PlanReader } from '../../kit/plan.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import { usable } from '../minutes/minutes.ts';
import type { AskUnread } from './ask.ts';
import { spokenLine } from './spokenLine.ts';
import { all, says, span } from './tokensOf.ts';

/** What a person calls their own things by. */
export interface OwnKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  /** Of all plans. */
  readonly readers?: readonly PlanReader[];
}

/** A question about one's own body, mode and card, by their names. */
export type OwnAsk =
  | {
      readonly code: 'cell';
      readonly body: Body;
      readonly mode: Mode;
      readonly card: Card;
      /** How long is asked for, the longest reading of it; null where nothing is said. */
      readonly time: Seconds | null;
    }
  /** The names fit several modes or bodies; none is taken. */
  | {
      readonly code: 'which';
      readonly what: 'mode' | 'body';
      readonly choices: readonly OwnChoice[];
      readonly card: Card;
    }
  /** Words beside the names that may change the answer; `cell` is what the names alone ask for, where it is one. */
  | {
      readonly code: 'open';
      readonly unread: readonly AskUnread[];
      readonly cell: (OwnChoice & { readonly card: Card }) | null;
    }
  /** A card to be copied, through one of several readers. */
  | { readonly code: 'which-reader'; readonly card: Card; readonly readers: readonly PlanReader[] }
  | { readonly code: 'copy'; readonly card: Card; readonly reader: PlanReader; readonly copying: OwnCopying };

/** How long an own card takes to be copied through an own reader. */
export interface OwnCopying {
  readonly bytes: Bytes;
  readonly rate: BytesPerSecond;
  readonly seconds: Seconds;
  /** Which of the two is the slower, as far as the card's pace of reading is known. */
  readonly slower: 'card' | 'reader';
}

interface OwnChoice {
  readonly body: Body;
  readonly mode: Mode;
}

/** Shortest name looked for: a card called 1 would be in every line. */
const LEAST_NAME = 2;

/** What may stand between the parts of a name. */
const BETWEEN = /[\s\-_.:/]/gu;

/** What a name is made of. */
const partsOf = (name: string): readonly string[] => name.match(/\p{L}+|\p{N}+/gu) ?? [];

/** Letters of either case are one, also those with another spelling as capitals. */
const folded = (text: string): string => text.toUpperCase().toLowerCase();

/** A name as it may be typed: C-01, c01 and `C 01` are one. Null for what cannot be told from the trade's own words. */
function patternOf(name: string): RegExp | null {
  const parts = partsOf(name);
  // A card called V90 cannot be told from the mark; one called C-10 is written unlike it, and stands beside a body's name.
  const word = readWord(name);
  const isTrade = word !== null && word.kind !== 'no-such-mark' && !/[^\p{L}\p{N}]/u.test(name);
  if (parts.join('').length < LEAST_NAME || isTrade) return null;
  return new RegExp(String.raw`(?<![\p{L}\p{N}])${parts.join(`${BETWEEN.source}*`)}(?![\p{L}\p{N}])`, 'iu');
}

interface Found<T> {
  readonly items: readonly T[];
  /** The line with blanks where the name stood: every other word keeps its place. */
  readonly rest: string;
}

/** Everything whose name is the longest that stands in the line: two things of one name are both found. */
function longest<T>(line: string, items: readonly T[], nameOf: (item: T) => string): Found<T> | null {
  // Of thousands few can stand in the line: a pattern is made for those whose letters are there.
  const letters = folded(line.replaceAll(BETWEEN, ''));
  const hits = items.flatMap((item) => {
    const name = nameOf(item);
    if (!letters.includes(folded(partsOf(name).join('')))) return [];
    const match = patternOf(name)?.exec(line);
    return match ? [{ item, match }] : [];
  });
  const length = Math.max(0, ...hits.map(({ match }) => match[0].length));
  const best = hits.filter(({ match }) => match[0].length === length);
  const [first] = best;
  if (!first) return null;
  const { index } = first.match;
  return {
    items: best.map(({ item }) => item),
    rest: line.slice(0, index) + ' '.repeat(length) + line.slice(index + length),
  };
}

/** What may stand beside names without another question being asked. */
const BESIDE_NAMES: readonly Token['kind'][] = ['word', 'fps', 'picture-name', 'codec', 'time'];
const BESIDE_COPY: readonly Token['kind'][] = ['word'];
const SAID_BESIDE: readonly string[] = ['body', 'takes', 'filler', 'about', 'copy'];

/** Words that are none of those, and so may change the answer. */
const openIn = (tokens: readonly Token[], kinds: readonly Token['kind'][]): readonly AskUnread[] =>
  tokens
    .filter((token) => (token.kind === 'say' ? !SAID_BESIDE.includes(token.say) : !kinds.includes(token.kind)))
    .map((token) => ({
      ...span(token),
      problem: token.kind === 'unread' ? token.problem : { code: 'unknown', couldBe: [] },
      place: 'card',
    }));

/** `copy C-01`: how long an own card takes through an own reader. Null where the line names a pace, or no card. */
function readCopy(text: string, { cards, readers = [] }: OwnKit, aside?: ReadonlySet<string>): OwnAsk | null {
  if (all(tokenize(text), 'rate').length > 0) return null;
  const found = longest(
    text,
    cards.filter(({ retired }) => !retired),
    ({ label }) => label,
  );
  const [card, second] = found?.items ?? [];
  if (!found || !card || second) return null;
  const named = longest(found.rest, readers, ({ name }) => name);
  const unread = openIn(spokenLine(tokenize(named?.rest ?? found.rest), aside).tokens, BESIDE_COPY);
  if (unread.length > 0) return { code: 'open', unread, cell: null };
  const fitting = (named?.items ?? readers).filter(({ forms }) => forms.includes(card.form));
  const [reader, other] = fitting;
  if (!reader || other) return { code: 'which-reader', card, readers: fitting };
  return { code: 'copy', card, reader, copying: copyingOf(card, reader) };
}

function copyingOf(card: Card, reader: PlanReader): OwnCopying {
  // What is on the card is not known: a full one takes longest.
  const { bytes } = usable(card);
  const isCard = card.readMBps !== null && card.readMBps < reader.MBps;
  const rate = fromMegabytes(isCard ? (card.readMBps ?? reader.MBps) : reader.MBps);
  return { bytes, rate, seconds: (bytes / rate) as Seconds, slower: isCard ? 'card' : 'reader' };
}

/** The longest time of a line: what may be minutes and seconds is hours and minutes until somebody says. */
function longestTime(tokens: readonly Token[]): Seconds | null {
  const times = all(tokens, 'time').map(({ value }) => value as number);
  return times.length === 0 ? null : (Math.max(...times) as Seconds);
}

const speedOf = ({ captureFps, fps }: Mode): number => captureFps ?? fps;

/**
 * A line that names one's own things: `Dory 4K intra 50p on C-01`. A rate in the line makes it another question, and
 * without a card there is none.
 *
 * @param aside - words that a person said do not matter
 * @returns the cell asked for, what has to be chosen, or the words that may change the answer; null where the line is not
 *   about one's own things
 */
export function readOwn(text: string, kit: OwnKit, aside?: ReadonlySet<string>): OwnAsk | null {
  const { bodies, cards } = kit;
  if (tokenize(text).some((token) => says(token, 'copy'))) return readCopy(text, kit, aside);
  if (all(tokenize(text), 'rate').some(({ printed }) => !printed)) return null;
  const named = longest(text, bodies, ({ name }) => name);
  const places = (named?.items ?? bodies).flatMap((body) => body.modes.map((mode): OwnChoice => ({ body, mode })));
  const modes = longest(named?.rest ?? text, places, ({ mode }) => mode.name);
  if (!named && !modes) return null;
  const found = longest(
    modes?.rest ?? named?.rest ?? text,
    cards.filter(({ retired }) => !retired),
    ({ label }) => label,
  );
  const [card, second] = found?.items ?? [];
  if (!card || second) return null;
  // Modes of one name differ by their speed.
  const rest = spokenLine(tokenize(found?.rest ?? ''), aside).tokens;
  const unread = openIn(rest, BESIDE_NAMES);
  const speeds = all(rest, 'fps').map(({ value }) => value);
  const asked = modes?.items ?? places;
  const fitting = speeds.length > 0 ? asked.filter(({ mode }) => speeds.includes(speedOf(mode))) : asked;
  const choices = fitting.length > 0 ? fitting : asked;
  const [only, other] = choices;
  if (unread.length > 0) return { code: 'open', unread, cell: only && !other ? { ...only, card } : null };
  if (only && !other && (speeds.length === 0 || speeds.includes(speedOf(only.mode))))
    return { code: 'cell', ...only, card, time: longestTime(rest) };
  const what = new Set(choices.map(({ body }) => body.id)).size > 1 && !named ? 'body' : 'mode';
  return { code: 'which', what, choices, card };
}

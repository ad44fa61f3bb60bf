import { tokenize } from '../../cards/tokenize.ts';
import { readWord } from '../../cards/vocabulary.ts';
import type { Body, Card, Mode } from '../../kit/model.ts';
import { all } from './tokensOf.ts';

/** What a person calls their own things by. */
export interface OwnKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
}

/** A question about one's own body, mode and card, by their names. */
export type OwnAsk =
  | { readonly code: 'cell'; readonly body: Body; readonly mode: Mode; readonly card: Card }
  /** The names fit several modes or bodies; none is taken. */
  | {
      readonly code: 'which';
      readonly what: 'mode' | 'body';
      readonly choices: readonly OwnChoice[];
      readonly card: Card;
    };

interface OwnChoice {
  readonly body: Body;
  readonly mode: Mode;
}

/** Shortest name looked for: a card called 1 would be in every line. */
const LEAST_NAME = 2;

/** A name as it may be typed: C-01, c01 and `C 01` are one. Null for what cannot be told from the trade's own words. */
function patternOf(name: string): RegExp | null {
  const parts = name.match(/\p{L}+|\p{N}+/gu) ?? [];
  // A card called V90 cannot be told from the mark; one called C-10 is written unlike it, and stands beside a body's name.
  const word = readWord(name);
  const isTrade = word !== null && word.kind !== 'no-such-mark' && !/[^\p{L}\p{N}]/u.test(name);
  if (parts.join('').length < LEAST_NAME || isTrade) return null;
  return new RegExp(String.raw`(?<![\p{L}\p{N}])${parts.join(String.raw`[\s\-_.:/]*`)}(?![\p{L}\p{N}])`, 'iu');
}

interface Found<T> {
  readonly items: readonly T[];
  /** The line without the name. */
  readonly rest: string;
}

/** Everything whose name is the longest that stands in the line: two things of one name are both found. */
function longest<T>(line: string, items: readonly T[], nameOf: (item: T) => string): Found<T> | null {
  const hits = items.flatMap((item) => {
    const match = patternOf(nameOf(item))?.exec(line);
    return match ? [{ item, match }] : [];
  });
  const length = Math.max(0, ...hits.map(({ match }) => match[0].length));
  const best = hits.filter(({ match }) => match[0].length === length);
  const [first] = best;
  if (!first) return null;
  const { index } = first.match;
  return { items: best.map(({ item }) => item), rest: `${line.slice(0, index)} ${line.slice(index + length)}` };
}

const speedOf = ({ captureFps, fps }: Mode): number => captureFps ?? fps;

/**
 * A line that names one's own things: `Dory 4K intra 50p on C-01`. A rate in the line makes it another question, and
 * without a card there is none.
 *
 * @returns the cell asked for, or what has to be chosen; null where the line is not about one's own things
 */
export function readOwn(text: string, { bodies, cards }: OwnKit): OwnAsk | null {
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
  const speeds = all(tokenize(found?.rest ?? ''), 'fps').map(({ value }) => value);
  const asked = modes?.items ?? places;
  const fitting = speeds.length > 0 ? asked.filter(({ mode }) => speeds.includes(speedOf(mode))) : asked;
  const choices = fitting.length > 0 ? fitting : asked;
  const [only, other] = choices;
  if (only && !other && (speeds.length === 0 || speeds.includes(speedOf(only.mode))))
    return { code: 'cell', ...only, card };
  const what = new Set(choices.map(({ body }) => body.id)).size > 1 && !named ? 'body' : 'mode';
  return { code: 'which', what, choices, card };
}

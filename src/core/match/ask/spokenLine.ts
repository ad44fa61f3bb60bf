import { CARD_KINDS } from '../../cards/readLabel.ts';
import type { Span, Token } from '../../cards/token.ts';
import { parseDuration } from '../../units/parse.ts';
import { wordKind } from './neutral.ts';
import { span } from './tokensOf.ts';
import { turned } from './turned.ts';

/** A stretch that was passed over because it is known to carry nothing. */
export type PassedOver = Span;

const NONE: ReadonlySet<string> = new Set();

const isWordAlone = (token: Token | undefined): token is Token =>
  token?.kind === 'unread' && token.problem.code === 'unknown';

/** What follows a person and never a bus. */
const DONE_BY_ME =
  /^(?:think|guess|need|want|use|have|had|got|get|own|bought|buy|shoot|film|record|am|was|will|would|can|could|should|must|do|don.?t|know|hope|wonder|mean|say|said|plan)$/i;

/** The person, not the bus: `what do I need`, beside words that carry nothing and behind none of a card. */
function isMyself(
  token: Token,
  at: number,
  tokens: readonly Token[],
  isNeutral: (token: Token | undefined) => boolean,
): boolean {
  if (token.kind !== 'bus' || !/^i$/i.test(token.text)) return false;
  const before = tokens[at - 1];
  const after = tokens[at + 1];
  // At the beginning, too, what a person does tells: `I have V90`.
  if (before === undefined) return isNeutral(after) || (after !== undefined && DONE_BY_ME.test(after.text));
  if (isNeutral(before)) return true;
  // Behind something of a card only what a person does tells the two apart.
  return CARD_KINDS.includes(before.kind) ? after !== undefined && DONE_BY_ME.test(after.text) : isNeutral(after);
}

/** `90m` beside a stream or after `for` is a time: a second stream would make no sense there. */
function timeInContext(token: Token, at: number, tokens: readonly Token[]): Token {
  if (token.kind !== 'unread' || token.problem.code !== 'bits-or-bytes' || !/^\d+\s*m$/i.test(token.text)) return token;
  const before = tokens[at - 1];
  const isAfterFor = before?.kind === 'word' && before.word === 'for';
  const hasStream = tokens.some((one) => one.kind === 'rate' && one.written === 'bits');
  const hasTime = tokens.some((one) => one.kind === 'time');
  if (hasTime || !(isAfterFor || hasStream)) return token;
  const read = parseDuration(token.text.replace(/\s*m$/i, ' min'));
  return read.ok ? { ...span(token), kind: 'time', value: read.value.value, loose: true, clock: null } : token;
}

const isPlainNumber = (token: Token | undefined): token is Token =>
  token?.kind === 'unread' && token.problem.code === 'no-unit' && /^\d+(?:[.,]\d+)?$/.test(token.text);
const isSpeedWord = (token: Token | undefined): boolean =>
  token?.kind === 'word' && ['captured', 'recorded', 'plays'].includes(token.word);
const isAt = (token: Token | undefined): boolean => token?.kind === 'word' && ['at', 'in'].includes(token.word);

/** Fastest that a bare number is taken for a frame rate, frames a second. */
const MOST_FPS = 1000;

/** `captured at 120, played at 24`: a bare number that a word of speed points to, or that stands right before one. */
function speedInContext(token: Token, at: number, tokens: readonly Token[]): Token {
  if (!isPlainNumber(token)) return token;
  const value = Number(token.text.replace(',', '.'));
  const before = isAt(tokens[at - 1]) ? tokens[at - 2] : tokens[at - 1];
  const after = tokens[at + 1];
  const isSaid = isSpeedWord(before) || (isAt(tokens[at - 1]) && isSpeedWord(after));
  return isSaid && value >= 1 && value <= MOST_FPS ? { ...span(token), kind: 'fps', value } : token;
}

/** What `about` and `at least` may stand before: a length of time, and at least a size. Anything else is asked. */
const APPROXIMATE: Readonly<Record<string, readonly Token['kind'][]>> = {
  about: ['time'],
  'at-least': ['time', 'capacity'],
};

/** Whether a word of amount changes nothing: `about two hours` does not, nor does `at least` at the end of a line or before a word. */
function isHarmlessAmount(at: number, tokens: readonly Token[]): boolean {
  const token = tokens[at];
  if (token?.kind !== 'say' || !(token.say === 'about' || token.say === 'at-least')) return false;
  const next = tokens[at + 1];
  if (next !== undefined && APPROXIMATE[token.say]?.includes(next.kind)) return true;
  const isAmount = next !== undefined && ['rate', 'count', 'fps', 'capacity', 'mark', 'unread'].includes(next.kind);
  return token.say === 'at-least' && !isAmount;
}

/**
 * A line as people say it: what carries nothing is no more than a pause, and told; what depends on its place is read there.
 *
 * @param aside - words that a person said do not matter
 * @returns the tokens in order, a pause for what carries nothing, and the words that were passed over
 */
export function spokenLine(
  typed: readonly Token[],
  aside: ReadonlySet<string> = NONE,
): {
  readonly tokens: readonly Token[];
  readonly passed: readonly PassedOver[];
} {
  const isNeutral = (token: Token | undefined): boolean =>
    isWordAlone(token) && wordKind(token.text, aside) === 'neutral';
  const tokens = turned(typed, isNeutral);
  const left = new Set(tokens.filter((token, at) => isNeutral(token) || isMyself(token, at, tokens, isNeutral)));
  const isPause = (token: Token): boolean => left.has(token) || (token.kind === 'word' && token.word === 'pause');
  const kept = tokens.filter((token) => !isPause(token));
  const meant = kept.map(timeInContext).map(speedInContext);
  const said = new Map(kept.map((token, at) => [token, isHarmlessAmount(at, meant) ? null : meant[at]]));
  // What carries nothing still stands between the words beside it.
  const line = tokens.flatMap((token): Token[] => {
    if (isPause(token)) return [{ ...span(token), kind: 'word', word: 'pause' }];
    const one = said.get(token);
    return one ? [one] : [];
  });
  return { tokens: line, passed: [...left].map(span) };
}

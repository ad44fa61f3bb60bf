import { nearestWords } from '../../cards/suggest.ts';
import type { Span, Token } from '../../cards/token.ts';
import { entryAt } from '../../entryAt.ts';
import { parseDuration } from '../../units/parse.ts';
import { span } from './tokensOf.ts';

/** Words that turn a question round: passing over one would answer another question. */
const TURNING =
  /^(?:not?|non|none|never|without|except|isn.?t|doesn.?t|don.?t|can.?t|won.?t|instead|minus|less|under|over|half|double|triple|twice|times|per|or|almost|nearly|barely|fake|slow|slowmo|motion|timelapse|overcrank(?:ed)?|two|three|four|five|six|seven|eight|nine|ten)$/i;

/** What people say around a question. None of it is a slip of a word that means something here. */
const CHATTER = new Set(
  (
    'i we you my our your me it its this that these those is are am be was were will would can could should shall may do does did ' +
    'have has had get gets got need needs needed want wants use uses using used go goes going fit fits work works working ' +
    'hold holds last lasts take takes enough ok okay good safe fine please thanks hi hello hey so then also just still really even ' +
    'what which how when where why who if whether or but as by from into onto out off down about around per each every all any some ' +
    'many much long least most more than there here now today tomorrow camera cam body bodies cards memory media recording ' +
    'footage video videos clip clips film filming shoot shooting shot shots setting settings mode modes codec bitrate rate speed ' +
    'speeds fast faster fastest slow slower big large small size capacity storage space minutes hours time at let tell know help'
  ).split(' '),
);

/** Letters only: a number, or something like a mark, is asked about and never passed over. */
const PLAIN_WORD = /^\p{L}[\p{L}’'.-]*$/u;

/** A stretch that was passed over, with what it may have been meant to be. */
export type PassedOver = Span & { readonly couldBe: readonly string[] };

const isChatter = (token: Token | undefined): boolean =>
  token?.kind === 'unread' &&
  token.problem.code === 'unknown' &&
  PLAIN_WORD.test(token.text) &&
  !TURNING.test(token.text);

/** What follows a person and never a bus. */
const DONE_BY_ME =
  /^(?:think|guess|need|want|use|have|had|got|get|own|bought|buy|shoot|film|record|am|was|will|would|can|could|should|must|do|don.?t|know|hope|wonder|mean|say|said|plan)$/i;

const OF_A_CARD: readonly Token['kind'][] = ['mark', 'family', 'capacity', 'form', 'bus', 'version', 'app', 'times'];

/** The person, not the bus: `what do I need`, beside words that carry nothing and behind none of a card. */
function isMyself(token: Token, at: number, tokens: readonly Token[]): boolean {
  if (token.kind !== 'bus' || !/^i$/i.test(token.text)) return false;
  const before = tokens[at - 1];
  if (before === undefined || isChatter(before)) return before !== undefined || isChatter(tokens[at + 1]);
  const after = tokens[at + 1];
  // Behind something of a card only what a person does tells the two apart.
  return OF_A_CARD.includes(before.kind) ? after !== undefined && DONE_BY_ME.test(after.text) : isChatter(after);
}

/** Shortest word taken for a slip of another: the short ones are near everything. */
const LEAST_SLIP = 4;

const slipOf = ({ text }: Token): readonly string[] =>
  text.length < LEAST_SLIP || CHATTER.has(text.toLowerCase())
    ? []
    : nearestWords(text).filter((word) => word.length >= LEAST_SLIP);

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

/**
 * A line as people say it: what carries nothing is left out, and told; what depends on its place is read there.
 *
 * @returns the tokens that say something, in order, and the words that were passed over
 */
export function spokenLine(tokens: readonly Token[]): {
  readonly tokens: readonly Token[];
  readonly passed: readonly PassedOver[];
} {
  const left = tokens.filter((token, at) => isChatter(token) || isMyself(token, at, tokens));
  const said = tokens.map(timeInContext).filter((_, at) => !left.includes(entryAt(tokens, at)));
  return { tokens: said, passed: left.map((token) => ({ ...span(token), couldBe: slipOf(token) })) };
}

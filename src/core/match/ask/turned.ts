import { CARD_KINDS } from '../../cards/readLabel.ts';
import type { Token } from '../../cards/token.ts';
import { says } from './tokensOf.ts';

/**
 * Words that carry nothing by themselves and turn an answer beside others: `do I need V90`, to which "guaranteed" would sound
 * like a yes; `two cameras onto one V60`, where what both write goes to one card; `from 400 Mb/s`, which has no top;
 * `too much`, which asks the other way round; `for a day`, which is no length; `at 35 °C`, which is a question about the body.
 */

/** What may stand between `need` and the card. */
const BEFORE_A_CARD = /^(?:an?|the|to|be|use|using|have|get|buy|really|actually|my|your|our)$/i;
/** Said of what does, not of what is needed. */
const IS_ENOUGH = /^(?:enough|ok|okay|fine|work|works|hold|holds|good|suffice|sufficient)$/i;
/** Asks for a card by itself; then the answer names one. */
const ASKS_WHICH = /^(?:which|what|what.?s|how)$/i;
const NEED = /^needs?$/i;
const NEEDED = /^(?:needed|necessary|required|mandatory)$/i;
const HAS_TO = /^(?:must|has|have)$/i;
/** What has to be done with it. */
const DONE_WITH = /^(?:be|use|using|have|get|buy)$/i;
const SOMEBODY = /^(?:i|we|you|it|they|this|that)$/i;
/** A must, at the end of what is said. */
const A_MUST = /^must$/i;
/** What says that several cameras write to one thing. */
const SHARED = /^(?:same|single|one|shared|sharing|share|common|together)$/i;

/** Before a rate: its lower end. */
const FROM = /^from$/i;
const FILLED = /^(?:filled|full\s.+)$/i;
/** Asks for the time at which it is. */
const ASKS_WHEN = /^(?:when|how)$/i;
const TOO = /^too$/i;
/** What may be too much of something; too slow is asked by itself. */
const MUCH = /^(?:much|many|fast|big|long|large|high|good)$/i;
/** What a person says for a length of time that has none. */
const VAGUE = /^(?:hours|minutes|days?|weeks?|weekends?|mornings?|afternoons?|evenings?|nights?)$/i;
/** Before such a length, as `for`. */
const LASTS = /^(?:lasts?|lasting|whole)$/i;
/** All day long. */
const ALL_OF = /^(?:all|full|entire)$/i;
const A_DAY = /^(?:days?|nights?|mornings?|afternoons?|evenings?|weekends?)$/i;
/** Degrees behind a number, and both as one. */
const DEGREES = /^(?:°\s?[cf]?|degrees?|deg|celsius|centigrade|fahrenheit|[cf])$/i;
const WITH_DEGREES = /^[+-]?\d{1,3}(?:[.,]\d)?\s?(?:°\s?[cf]?|[cf])$/i;
/** What a person says for heat; shade and cold as well, which are asked of the same. */
const HEAT =
  /^(?:heats?|heated|heating|overheat\w*|hot|warm|sun|sunny|sunlight|sunshine|shade|shady|desert|tropics|tropical|summer|cold|freezing|winter|temperatures?|thermal\w*|throttl\w*)$/i;
/** Words that go before it: in the full midday sun. */
const BEFORE_HEAT = /^(?:at|in|under|direct|full|midday|very|really|too|so|when|of|with|outside|ambient)$/i;

/** Words that may stand between `for` and a length: for our regatta weekend. */
const MOST_BETWEEN = 3;

/** Why a stretch is asked about. */
type Turn = 'used' | 'needed' | 'shared' | 'among' | 'no-top' | 'turns' | 'no-length' | 'heat';

type IsNeutral = (token: Token | undefined) => boolean;

const isOfCard = (token: Token | undefined): boolean =>
  token !== undefined && (CARD_KINDS.includes(token.kind) || (token.kind === 'word' && token.word === 'card'));

/** The run of a card's words that begins at a place; empty where none of them is a mark or a bus. */
function cardAt(tokens: readonly Token[], from: number): readonly Token[] {
  let to = from;
  while (isOfCard(tokens[to])) to += 1;
  const run = tokens.slice(from, to);
  return run.some(({ kind }) => kind === 'mark' || kind === 'bus') ? run : [];
}

const textOf = (run: readonly Token[]): string => run.map(({ text }) => text).join(' ');

/** A stretch that is asked about as one, with what it could be. */
function asked(run: readonly Token[], code: Turn, couldBe: readonly string[]): Token | null {
  const [first] = run;
  const last = run.at(-1);
  if (!first || !last) return null;
  return { kind: 'unread', start: first.start, end: last.end, text: textOf(run), problem: { code, couldBe } };
}

/** `need a V90`, `have to be V90`: from the word to the end of the card. */
function neededBehind(
  tokens: readonly Token[],
  at: number,
): { readonly run: readonly Token[]; readonly card: readonly Token[] } {
  let from = at + 1;
  while (BEFORE_A_CARD.test(tokens[from]?.text ?? '')) from += 1;
  const card = cardAt(tokens, from);
  return { run: card.length > 0 ? tokens.slice(at, from + card.length) : [], card };
}

/** `have to use V90`, `must it be V90`: from the first word to the end of the card; empty where nothing is done with one. */
function hasTo(
  tokens: readonly Token[],
  at: number,
): { readonly run: readonly Token[]; readonly card: readonly Token[] } {
  let verb = at + 1;
  while (SOMEBODY.test(tokens[verb]?.text ?? '')) verb += 1;
  if (!DONE_WITH.test(tokens[verb]?.text ?? '')) return { run: [], card: [] };
  const { run, card } = neededBehind(tokens, verb);
  return { run: run.length > 0 ? tokens.slice(at, verb + run.length) : [], card };
}

/** Whether a card is needed, in place of whether it is enough: the stretch that asks so; null where none does. */
function needOf(tokens: readonly Token[], isNeutral: IsNeutral): Token | null {
  const said = (pattern: RegExp): boolean => tokens.some(({ text }) => pattern.test(text));
  // Without a mark nothing is promised, and what would do is told.
  if (said(IS_ENOUGH) || said(ASKS_WHICH) || !tokens.some(({ kind }) => kind === 'mark')) return null;
  for (const [at, token] of tokens.entries()) {
    if (NEED.test(token.text) || HAS_TO.test(token.text)) {
      const { run, card } = NEED.test(token.text) ? neededBehind(tokens, at) : hasTo(tokens, at);
      if (run.length > 0) return asked(run, 'needed', [`use ${textOf(card)}`, 'need a card']);
    }
    const from = tokens.findIndex((_, start) => start < at && start + cardAt(tokens, start).length === at);
    const isNeeded = NEEDED.test(token.text) || (A_MUST.test(token.text) && !isNeutral(tokens[at + 1]));
    if (isNeeded && from >= 0) {
      const card = tokens.slice(from, at);
      return asked(tokens.slice(from, at + 1), 'needed', [`${textOf(card)} enough`, 'a card needed']);
    }
  }
  return null;
}

/** A number of cards beside several cameras: of all of them, or of each; null where it can only be of each. */
function amongThem(token: Token, cards: number, cameras: number): Token | null {
  if (cards === 1) return asked([token], 'shared', ['its own']);
  const own = cards / cameras;
  return Number.isInteger(own)
    ? asked([token], 'among', [own === 1 ? 'its own' : `each ${own}x`, `each ${cards}x`])
    : null;
}

/** Whether `each` is said of cards: `one V60 each`, `each 2x256GB`. Behind a rate it is said of what each writes. */
const isOfCards = (tokens: readonly Token[], at: number): boolean =>
  isOfCard(tokens[at - 1]) || isOfCard(tokens[at + 1]) || tokens[at + 1]?.kind === 'count';

/** Words that put what several cameras write on the same cards, each asked about; not where each has its own. */
function sharedBy(tokens: readonly Token[], isNeutral: IsNeutral): ReadonlyMap<Token, Token> {
  const found = new Map<Token, Token>();
  const cameras = Math.max(1, ...tokens.map((token) => (token.kind === 'cameras' ? token.value : 1)));
  const isEach = tokens.some(
    (token, at) => (says(token, 'each') || says(token, 'per-camera')) && isOfCards(tokens, at),
  );
  if (cameras === 1 || isEach) return found;
  for (const token of tokens) {
    const isSingle = token.kind === 'arrangement' && token.arrangement === 'single';
    const isShared = isSingle || (SHARED.test(token.text) && isNeutral(token));
    const word =
      token.kind === 'count'
        ? amongThem(token, token.value, cameras)
        : isShared
          ? asked([token], 'shared', ['own'])
          : null;
    if (word) found.set(token, word);
  }
  return found;
}

/** `from 400 Mb/s`: a rate without its top. Of a range the larger end is the rate. */
function lowerEnd(tokens: readonly Token[], isNeutral: IsNeutral): Token | null {
  const from = tokens.find((token, at) => {
    const next = tokens[at + 1];
    return FROM.test(token.text) && isNeutral(token) && next?.kind === 'rate' && next.low === undefined;
  });
  return from ? asked([from], 'no-top', ['at most']) : null;
}

/** `too much`, `too fast`: the question the other way round, to which a verdict would sound like its opposite. */
function otherWay(tokens: readonly Token[]): Token | null {
  const at = tokens.findIndex(({ text }, place) => TOO.test(text) && MUCH.test(tokens[place + 1]?.text ?? ''));
  return at < 0 ? null : asked(tokens.slice(at, at + 2), 'turns', ['ok']);
}

/** A card that is filled already, where a rate is told; `filled 128GB in 42 min` asks for the rate. */
function filled(tokens: readonly Token[]): Token | null {
  const token = tokens.find(({ text }) => FILLED.test(text));
  const isAsked = tokens.some(({ text }) => ASKS_WHEN.test(text)) || !tokens.some(({ kind }) => kind === 'rate');
  return token && !isAsked ? asked([token], 'used', []) : null;
}

/** `a day of 400 Mb/s`: the word between carries nothing and is no token, but takes its room. `Race day, 400 Mb/s` only names it. */
const isOfRate = (token: Token, next: Token | undefined): boolean =>
  next?.kind === 'rate' && next.start - token.end >= ' of '.length;

/** `for a day`, `for hours`, where no time was told: whether a card lasts so long nobody can say. */
function noLength(tokens: readonly Token[], isNeutral: IsNeutral): Token | null {
  if (tokens.some(({ kind }) => kind === 'time')) return null;
  for (const [at, token] of tokens.entries()) {
    if (ALL_OF.test(token.text) && A_DAY.test(tokens[at + 1]?.text ?? ''))
      return asked(tokens.slice(at, at + 2), 'no-length', ['for 8 h', 'for 10 h', 'for 12 h']);
    if (VAGUE.test(token.text) && isNeutral(token) && isOfRate(token, tokens[at + 1]))
      return asked([token], 'no-length', []);
    if (!(token.kind === 'word' && token.word === 'for') && !LASTS.test(token.text)) continue;
    const behind = tokens.slice(at + 1, at + 2 + MOST_BETWEEN);
    const end = behind.findIndex((one) => !isNeutral(one) || VAGUE.test(one.text));
    const vague = behind[end];
    if (vague && isNeutral(vague)) return asked(tokens.slice(at, at + 2 + end), 'no-length', []);
  }
  return null;
}

/** Whether a token is a number that nothing else explains. */
const isBare = (token: Token | undefined): boolean =>
  token?.kind === 'unread' && token.problem.code === 'no-unit' && /^[+-]?\d/.test(token.text);

/** How many tokens from a place on say how warm it is: `35 degrees celsius`, `35°C`, `hot`; 0 where none does. */
function warmth(tokens: readonly Token[], at: number): number {
  const token = tokens[at];
  if (token?.kind !== 'unread') return 0;
  if (isBare(token)) {
    let to = at + 1;
    while (DEGREES.test(tokens[to]?.text ?? '')) to += 1;
    return to === at + 1 ? 0 : to - at;
  }
  return WITH_DEGREES.test(token.text) || HEAT.test(token.text) ? 1 : 0;
}

/** `at 35 °C`, `in the midday sun`: the first stretch that asks what heat does, with the words before it. */
function heat(tokens: readonly Token[], isNeutral: IsNeutral): Token | null {
  const at = tokens.findIndex((token, place) => warmth(tokens, place) > 0 && !isNeutral(token));
  if (at < 0) return null;
  let [from, to] = [at, at];
  for (let more = warmth(tokens, to); more > 0; more = warmth(tokens, to)) to += more;
  while (BEFORE_HEAT.test(tokens[from - 1]?.text ?? '')) from -= 1;
  return asked(tokens.slice(from, to), 'heat', []);
}

/** The tokens with one in place of the stretch that it stands for. */
function withOne(tokens: readonly Token[], one: Token | null): readonly Token[] {
  if (one === null) return tokens;
  return tokens.flatMap((token): readonly Token[] => {
    if (token.start < one.start || token.end > one.end) return [token];
    return token.start === one.start ? [one] : [];
  });
}

/**
 * A line in which what turns its answer is asked about, in its place.
 *
 * @param isNeutral - whether a token is a word that carries nothing by itself
 * @returns the tokens in order
 */
export function turned(tokens: readonly Token[], isNeutral: IsNeutral): readonly Token[] {
  const shared = sharedBy(tokens, isNeutral);
  const line = tokens.map((token) => shared.get(token) ?? token);
  const found = [
    needOf(line, isNeutral),
    lowerEnd(line, isNeutral),
    otherWay(line),
    filled(line),
    noLength(line, isNeutral),
    heat(line, isNeutral),
  ];
  return found.reduce(withOne, line);
}

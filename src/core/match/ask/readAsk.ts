import { withoutEndurance } from '../../cards/printedFigures.ts';
import { CARD_KINDS, labelOf, type PrintedLabel, type Unread } from '../../cards/readLabel.ts';
import type { Token } from '../../cards/token.ts';
import { MAX_TEXT, tokenize } from '../../cards/tokenize.ts';
import { unclearGrade } from '../../cards/unclearGrade.ts';
import { entryAt } from '../../entryAt.ts';
import type { Arrangement, Codec, Mode, ModeRate, RateKind } from '../../kit/model.ts';
import { err, ok, type Result } from '../../result.ts';
import type { Form } from '../../standards/forms.ts';
import { mark } from '../../standards/marks.ts';
import { toMegabits } from '../../units/convert.ts';
import type { Ask, AskPlace, AskRefusal, AskUnread } from './ask.ts';
import { placed } from './place.ts';
import { readingsOf } from './readings.ts';
import { type Named, namedSpeeds, rateAt, type Speeds, speedsOf } from './speeds.ts';
import { spokenLine } from './spokenLine.ts';
import { all, asTyped, type Of, span } from './tokensOf.ts';

/** Tokens of the card clause: from `on` to the next `for`; empty without an `on`. */
function cardClause(tokens: readonly Token[]): ReadonlySet<Token> {
  const from = tokens.findIndex((token) => token.kind === 'word' && token.word === 'on');
  if (from < 0) return new Set();
  const rest = tokens.slice(from + 1);
  const to = rest.findIndex((token) => token.kind === 'word' && token.word === 'for');
  return new Set(to < 0 ? rest : rest.slice(0, to));
}

/**
 * Which rate is the stream. Bits are always the stream's: cards print bytes. Bytes are the stream's outside the card
 * clause while no bits are given; inside it they are a peak printed on the card.
 */
function streamRates(tokens: readonly Token[], clause: ReadonlySet<Token>): readonly Of<'rate'>[] {
  const rates = all(tokens, 'rate').filter(({ printed }) => !printed);
  const bits = rates.filter(({ written }) => written === 'bits');
  if (bits.length > 0) return bits;
  // Nobody prints a rate by the minute on a card.
  const slow = rates.filter(({ text }) => /(?:\/|per|a)\s*(?:min|h)/i.test(text));
  return slow.length > 0 ? slow : rates.filter((token) => !clause.has(token));
}

function cardOf(text: string, tokens: readonly Token[], stream: readonly Token[]): PrintedLabel | null {
  const own = tokens.filter(
    (token) => !stream.includes(token) && (CARD_KINDS.includes(token.kind) || token.kind === 'rate'),
  );
  // A printed speed alone names a card too: one of which only a peak is known.
  const isCard = (token: Token): boolean =>
    CARD_KINDS.includes(token.kind) || (token.kind === 'rate' && token.printed === true);
  return own.some(isCard) ? labelOf(own, text) : null;
}

/** A card whose form its marks alone tell has that of the slot, where those marks exist on it. */
function inSlot(card: PrintedLabel | null, slot: Form | null): PrintedLabel | null {
  if (card === null || slot === null || !(card.formInferred || card.form === null)) return card;
  return card.marks.every((key) => mark(key).forms.includes(slot))
    ? { ...card, form: slot, formInferred: false }
    : card;
}

/**
 * A second rate, in bytes beside a stream in bits, that stands at no word of a card: it may be a limit of the camera, and
 * is asked about. Twice, as one that is too many.
 */
function strayRates(tokens: readonly Token[], clause: ReadonlySet<Token>): readonly Token[] {
  const isCard = (token: Token | undefined): boolean => token !== undefined && CARD_KINDS.includes(token.kind);
  const rates = tokens.flatMap((token, at) =>
    token.kind === 'rate' && !token.printed
      ? [{ token, isByCard: isCard(tokens[at - 1]) || isCard(tokens[at + 1]) }]
      : [],
  );
  if (!rates.some(({ token }) => token.written === 'bits')) return [];
  const stray = rates.find(({ token, isByCard }) => token.written === 'bytes' && !isByCard && !clause.has(token));
  return stray ? [stray.token, stray.token] : [];
}

/** Marks of one series that differ: a card has one of them, and the question is which. */
function rivals(tokens: readonly Token[]): readonly Token[] {
  const marks = all(tokens, 'mark');
  const rival = marks.find((one, at) =>
    marks.slice(0, at).some((other) => other.mark !== one.mark && mark(other.mark).series === mark(one.mark).series),
  );
  return rival ? [rival, rival] : [];
}

/** A third speed, where a take has two at most; twice, so that it is the one too many. */
function otherSpeeds(tokens: readonly Token[]): readonly Token[] {
  const third = all(tokens, 'fps')[2];
  return third ? [third, third] : [];
}

function repeated(
  tokens: readonly Token[],
  stream: readonly Of<'rate'>[],
  clause: ReadonlySet<Token>,
): AskRefusal | null {
  const again = (what: Extract<AskRefusal, { code: 'twice' }>['what'], found: readonly Token[]): AskRefusal | null =>
    found[1] ? { code: 'twice', what, again: span(found[1]) } : null;
  return (
    again('rate', stream) ??
    again('rate', strayRates(tokens, clause)) ??
    again('capacity', all(tokens, 'capacity')) ??
    again('time', all(tokens, 'time')) ??
    again('speed', otherSpeeds(tokens)) ??
    again('picture', all(tokens, 'picture')) ??
    again('mark', rivals(tokens))
  );
}

/** What is known of the stream's rate beside its figure. */
interface RateSaid {
  readonly speeds: Speeds;
  readonly ofRate: Named | null;
  readonly is: RateKind;
  readonly measured: boolean;
}

function rateOf(
  tokens: readonly Token[],
  stream: Of<'rate'> | undefined,
  { speeds, ofRate, is, measured }: RateSaid,
): Result<ModeRate, AskRefusal['code'] | readonly ('picture' | 'bits' | 'fps')[]> {
  if (stream) {
    const repeat = all(tokens, 'repeat')[0]?.value ?? 1;
    return ok({
      ...{ kind: 'stated', Mbps: toMegabits(stream.value) * repeat, is, at: rateAt(speeds, ofRate) },
      ...(measured ? { source: 'measured' } : {}),
    });
  }
  const picture = all(tokens, 'picture')[0];
  const bits = all(tokens, 'bits')[0];
  const ratio = all(tokens, 'ratio')[0];
  if (!picture && !bits && !ratio) return err('no-rate');
  const missing = [
    ...(picture ? [] : (['picture'] as const)),
    ...(bits ? [] : (['bits'] as const)),
    ...(speeds.assumed ? (['fps'] as const) : []),
  ];
  if (!bits || missing.length > 0) return err(missing);
  return ok({ kind: 'raw', bitsPerPixel: bits.value, ratio: ratio?.value ?? 1 });
}

/** The codec that is named; of a rate that varies, where none is, the family that is met with the highest peaks. */
function codecOf(tokens: readonly Token[], rate: ModeRate): Codec {
  const named = all(tokens, 'codec')[0]?.codec;
  if (named) return named;
  if (rate.kind === 'raw') return 'raw';
  return rate.kind === 'stated' && rate.is === 'average' ? 'long-gop' : 'intra';
}

/** What the grammar expects at a place of the line: a time behind `for`, a card behind `on` or beside its words. */
function placeOf(at: number, tokens: readonly Token[], clause: ReadonlySet<Token>, hasRate: boolean): AskPlace {
  const token = entryAt(tokens, at);
  const before = tokens[at - 1];
  if (before?.kind === 'word' && before.word === 'for') return 'time';
  if (clause.has(token)) return 'card';
  return hasRate ? (all(tokens, 'capacity').length > 0 ? 'time' : 'card') : 'stream';
}

const UNITS: Readonly<Record<AskPlace, readonly string[]>> = {
  stream: ['Mb/s', 'MB/s'],
  card: ['GB'],
  time: ['min', 'h'],
};

/** A bare number can only have the units of its place. */
function withUnits(problem: Unread['problem'], text: string, place: AskPlace): Unread['problem'] {
  if (problem.code !== 'no-unit') return problem;
  return { ...problem, couldBe: UNITS[place].map((unit) => `${text} ${unit}`) };
}

/** Names of pictures are harmless beside a rate and useless without one. */
function unreadOf(tokens: readonly Token[], clause: ReadonlySet<Token>, hasRate: boolean): readonly AskUnread[] {
  return tokens.flatMap((token, at): AskUnread[] => {
    const place = placeOf(at, tokens, clause, hasRate);
    if (token.kind === 'bus') {
      const asked = unclearGrade(token);
      return asked ? [{ ...span(token), problem: asked, place }] : [];
    }
    if (token.kind === 'unread')
      return [{ ...span(token), problem: withUnits(token.problem, token.text, place), place }];
    // With a depth or a ratio beside it the size itself is needed; without any of them a rate is what is missing.
    const isRaw = tokens.some(({ kind }) => kind === 'bits' || kind === 'ratio');
    // A size beside the name decides.
    if (tokens.some(({ kind }) => kind === 'picture')) return [];
    if (token.kind !== 'picture-name' || hasRate || !isRaw) return [];
    return [{ ...span(token), problem: { code: 'unknown', couldBe: token.couldBe }, place }];
  });
}

/**
 * A label alone: words of a card, and behind them no more than the speed printed on it. Such a speed is a peak and no
 * stream; the line that takes it for one is handed back, to be asked for with one press.
 */
function labelAlone(text: string, tokens: readonly Token[]): AskRefusal | null {
  const isPrint = (token: Token): boolean =>
    CARD_KINDS.includes(token.kind) || (token.kind === 'rate' && token.written === 'bytes');
  const [first] = tokens;
  if (!first || !tokens.every(isPrint) || first.kind === 'rate') return null;
  const rates = all(tokens, 'rate');
  const [rate] = rates;
  // By the minute or hour nobody prints a speed.
  if (rates.some((one) => /(?:\/|per|a)\s*(?:min|h)/i.test(one.text))) return null;
  const asStream =
    rate && !rate.printed && rates.length === 1
      ? `${rate.text} on ${(text.slice(0, rate.start) + text.slice(rate.end)).replace(/\s+/g, ' ').trim()}`
      : null;
  return { code: 'no-rate', card: labelOf(tokens, text), asStream };
}

/** How many cards are filled before one has to be changed, and how; or why it cannot be told. */
function arrangedOf(
  named: Arrangement | null,
  counted: number | null,
): Result<Pick<Ask, 'arrangement' | 'count'>, AskRefusal> {
  const count = counted ?? 1;
  if (named === null || named === 'single' || named === 'relay') {
    const arrangement = named === 'relay' || (named === null && count > 1) ? 'relay' : 'single';
    return ok({ arrangement, count: arrangement === 'relay' ? Math.max(2, count) : count });
  }
  if (counted !== null && counted % 2 !== 0) return err({ code: 'uneven', arrangement: named, count: counted });
  return ok({ arrangement: named, count: Math.max(2, count) });
}

/** What was not understood in a line, and what could belong to several things, in the order in which it stands. */
const inOrder = (text: string, all: readonly AskUnread[]): readonly AskUnread[] =>
  asTyped(
    text,
    [...all].sort((a, b) => a.start - b.start),
  );

/**
 * Reads one line of need, card, arrangement and time, in any order.
 *
 * @param text - at most 500 characters
 * @param aside - words that a person said do not matter
 * @returns the question; or a refusal with the place. Nothing is guessed silently: loose spellings come back as
 *   `readings`, and a stretch that is not understood refuses the whole line
 * @example readAsk('600 Mb/s on 256GB V90 II for 2h').ok // => true
 */
export function readAsk(text: string, aside?: ReadonlySet<string>): Result<Ask, AskRefusal> {
  if (text.trim() === '') return err({ code: 'empty' });
  if (text.length > MAX_TEXT) return err({ code: 'too-long', length: text.length, max: MAX_TEXT });
  const { tokens: spoken, passed } = spokenLine(tokenize(withoutEndurance(text)), aside);
  const line = placed(spoken);
  const { tokens, slot } = line;
  if (tokens.length === 0 && line.open.length === 0) return err({ code: 'no-rate', card: null });
  const isLabel = passed.length === 0 && slot === null && !spoken.some(({ kind }) => kind === 'say');
  const alone = isLabel ? labelAlone(text, tokens) : null;
  if (alone) return err(repeated(tokens, [], new Set()) ?? alone);
  const clause = cardClause(tokens);
  const own = [line.ceiling, line.sustained, line.minimum, line.proxy];
  const stream = streamRates(tokens, clause);
  const hasRate = stream.length > 0;
  const open = line.open.map(
    ({ couldBe, ...at }): AskUnread => ({ ...at, problem: { code: 'unknown', couldBe }, place: 'card' }),
  );
  const unread = inOrder(text, [...unreadOf(tokens, clause, hasRate), ...open]);
  if (unread.length > 0) return err({ code: 'not-understood', unread });
  const twice = repeated(tokens, stream, clause);
  if (twice) return err(twice);
  const card = inSlot(cardOf(text, tokens, stream), slot?.form ?? null);
  const { byToken, ofRate, rateWord } = namedSpeeds(tokens);
  const speeds = speedsOf(tokens, byToken);
  const rate = rateOf(tokens, stream[0], { speeds, ofRate, is: line.is, measured: line.measured });
  if (!rate.ok) {
    return typeof rate.error === 'string'
      ? err({ code: 'no-rate', card })
      : err({ code: 'raw-incomplete', missing: rate.error });
  }
  const picture = all(tokens, 'picture')[0];
  const named = all(tokens, 'arrangement')[0]?.arrangement ?? null;
  const arranged = arrangedOf(named, all(tokens, 'count')[0]?.value ?? null);
  if (!arranged.ok) return arranged;
  const { arrangement, count } = arranged.value;
  const mode: Mode = {
    id: 'quick',
    name: text.trim(),
    codec: codecOf(tokens, rate.value),
    width: picture?.width ?? null,
    height: picture?.height ?? null,
    fps: speeds.fps,
    captureFps: speeds.captureFps,
    rate: rate.value,
    overhead: null,
    proxyMbps: line.proxy ? toMegabits(line.proxy.value) : null,
    requires: [],
  };
  const [ceiling, sustained, minimum] = own.map((one) => one?.value ?? null);
  const { cameras, volume } = line;
  return ok({
    ...{ mode, card, slot, arrangement, count, cameras, volume },
    written: stream[0]?.written ?? null,
    codecNamed: all(tokens, 'codec').length > 0,
    ceiling: ceiling ?? null,
    sustained: sustained ?? null,
    minimum: minimum ?? null,
    time: all(tokens, 'time')[0]?.value ?? null,
    readings: readingsOf({
      ...{ ...line, text, tokens, speeds, ofRate, rateWord, card, passed, cameras },
      stream: stream[0],
      slotNamed: slot?.bus != null,
      count: all(tokens, 'count')[0]?.value ?? 1,
      arrangementNamed: named !== null,
      codec: mode.codec,
    }),
  });
}

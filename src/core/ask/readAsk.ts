import { printedBus } from '../label/printedBus.ts';
import { type Label, labelOf, type Unread } from '../label/readLabel.ts';
import type { Span, Token } from '../label/token.ts';
import { MAX_TEXT, tokenize } from '../label/tokenize.ts';
import { unclearGrade } from '../label/unclearGrade.ts';
import { leastBus } from '../match/rules/bus.ts';
import type { Codec, Mode, ModeRate } from '../model/kit.ts';
import { err, ok, type Result } from '../result.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import { type Bus, busesOf } from '../standards/buses.ts';
import { isSd } from '../standards/forms.ts';
import { mark } from '../standards/marks.ts';
import { wholeUp } from '../units/amount.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { toMbps } from '../units/convert.ts';
import { exactFrameRate } from '../units/frameRate.ts';
import type { Ask, AskRefusal, Reading } from './ask.ts';

type Of<K extends Token['kind']> = Extract<Token, { kind: K }>;
const all = <K extends Token['kind']>(tokens: readonly Token[], kind: K): readonly Of<K>[] =>
  tokens.filter((token): token is Of<K> => token.kind === kind);

const span = ({ start, end, text }: Span): Span => ({ start, end, text });

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
  const rates = all(tokens, 'rate');
  const bits = rates.filter(({ written }) => written === 'bits');
  return bits.length > 0 ? bits : rates.filter((token) => !clause.has(token));
}

/** A bus or version after `in` is the slot's, not the card's. */
function slotBusToken(tokens: readonly Token[]): Of<'bus'> | Of<'version'> | null {
  const at = tokens.findIndex((token) => token.kind === 'word' && token.word === 'in');
  const next = tokens[at + 1];
  return at >= 0 && (next?.kind === 'bus' || next?.kind === 'version') ? next : null;
}

/** The bus a slot was said to have, for the form of the card in it. */
function slotBusOf(token: Of<'bus'> | Of<'version'> | null, card: Label | null): Bus | null {
  if (token === null) return null;
  if (token.kind === 'bus') return token.bus;
  return card?.form ? (printedBus(card.form, [token.text])?.bus ?? null) : null;
}

const CARD_KINDS: readonly Token['kind'][] = ['capacity', 'times', 'form', 'family', 'bus', 'version', 'mark', 'app'];

function cardOf(tokens: readonly Token[], stream: readonly Token[], slot: Token | null): Label | null {
  const own = tokens.filter(
    (token) => token !== slot && !stream.includes(token) && (CARD_KINDS.includes(token.kind) || token.kind === 'rate'),
  );
  return own.some((token) => CARD_KINDS.includes(token.kind)) ? labelOf(own) : null;
}

interface Speeds {
  readonly fps: number;
  readonly captureFps: number | null;
  readonly assumed: boolean;
  /** True where two speeds stand without a word of which is which. */
  readonly ordered: boolean;
}

type Named = 'captured' | 'recorded';
const isNamed = (token: Token | undefined): token is Of<'word'> & { readonly word: Named } =>
  token?.kind === 'word' && (token.word === 'captured' || token.word === 'recorded');
const isJoin = (token: Token | undefined): boolean =>
  token?.kind === 'word' && (token.word === 'at' || token.word === 'in');

/** Which speeds were called captured or recorded, and what a word that stands at no speed says of the rate. */
function namedSpeeds(tokens: readonly Token[]): {
  readonly byToken: ReadonlyMap<Token, Named>;
  readonly ofRate: Named | null;
  readonly rateWord: Token | null;
} {
  const byToken = new Map<Token, Named>();
  const words = tokens.flatMap((token, at) => (isNamed(token) ? [{ token, at }] : []));
  const [first] = words;
  if (!first) return { byToken, ofRate: null, rateWord: null };
  // One word right behind the rate is the rate's own; two words name the two speeds, before or behind them.
  if (words.length === 1 && tokens[first.at - 1]?.kind === 'rate')
    return { byToken, ofRate: first.token.word, rateWord: first.token };
  const isBefore = first.at < tokens.findIndex((token) => token.kind === 'fps');
  let ofRate: Named | null = null;
  let rateWord: Token | null = null;
  for (const { token, at } of words) {
    const after = isJoin(tokens[at + 1]) ? tokens[at + 2] : tokens[at + 1];
    const before = tokens[at - 1];
    const sides = isBefore ? [after, before] : [before, after];
    const speed = sides.find((one) => one?.kind === 'fps' && !byToken.has(one));
    if (speed) byToken.set(speed, token.word);
    else [ofRate, rateWord] = [token.word, token];
  }
  return { byToken, ofRate, rateWord };
}

/** Of two speeds the higher is captured and the lower recorded, in any order, unless they are named. */
function speedsOf(tokens: readonly Token[], named: ReadonlyMap<Token, Named>): Speeds {
  const [first, second] = all(tokens, 'fps');
  if (!first) return { fps: ASSUMED.quickFps.value, captureFps: null, assumed: true, ordered: false };
  if (!second) return { fps: first.value, captureFps: null, assumed: false, ordered: false };
  const isCaptured = (token: Token): boolean => named.get(token) === 'captured';
  const isRecorded = (token: Token): boolean => named.get(token) === 'recorded';
  const told = isCaptured(first) || isRecorded(second) || isCaptured(second) || isRecorded(first);
  const firstIsCaptured = told ? isCaptured(first) || isRecorded(second) : first.value > second.value;
  const [captured, recorded] = firstIsCaptured ? [first, second] : [second, first];
  const same = captured.value === recorded.value;
  return {
    fps: recorded.value,
    captureFps: same ? null : captured.value,
    assumed: false,
    ordered: !told && !same,
  };
}

function repeated(tokens: readonly Token[], stream: readonly Of<'rate'>[]): AskRefusal | null {
  const again = (what: 'rate' | 'capacity' | 'time' | 'picture', found: readonly Token[]): AskRefusal | null =>
    found[1] ? { code: 'twice', what, again: span(found[1]) } : null;
  return (
    again('rate', stream) ??
    again('capacity', all(tokens, 'capacity')) ??
    again('time', all(tokens, 'time')) ??
    again('picture', all(tokens, 'picture'))
  );
}

function rateOf(
  tokens: readonly Token[],
  stream: Of<'rate'> | undefined,
  speeds: Speeds,
  ofRate: Named | null,
): Result<ModeRate, AskRefusal['code'] | readonly ('picture' | 'bits' | 'fps')[]> {
  if (stream) return ok({ kind: 'stated', Mbps: toMbps(stream.value), is: 'maximum', at: rateAt(speeds, ofRate) });
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

/** Of which speed a stated rate is; where nobody says, the reading that writes more. */
const rateAt = ({ fps, captureFps }: Speeds, said: Named | null): Named =>
  said ?? (captureFps !== null && captureFps < fps ? 'captured' : 'recorded');

function codecOf(tokens: readonly Token[], rate: ModeRate): Codec {
  return all(tokens, 'codec')[0]?.codec ?? (rate.kind === 'raw' ? 'raw' : 'intra');
}

interface Read {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly speeds: Speeds;
  readonly stream: Of<'rate'> | undefined;
  readonly ofRate: Named | null;
  readonly rateWord: Token | null;
  readonly card: Label | null;
  readonly slotNamed: boolean;
}

const replaced = (text: string, { start, end }: Span, by: string): string =>
  text.slice(0, start) + by + text.slice(end);
const added = (text: string, words: string): string => `${text.trimEnd()} ${words}`;

function looseReadings({ text, tokens }: Read): readonly Reading[] {
  return tokens.flatMap((token): Reading[] => {
    if (token.kind === 'rate' && token.loose) return [{ ...span(token), code: 'rate', value: token.value }];
    if (token.kind === 'capacity' && token.loose) return [{ ...span(token), code: 'capacity', value: token.value }];
    if (token.kind === 'time' && token.loose) {
      const minutes = token.clock === null ? null : Math.floor(token.clock / 60);
      const change =
        minutes === null || token.clock === null
          ? {}
          : { change: replaced(text, token, `${minutes} min ${token.clock - minutes * 60} s`) };
      return [{ ...span(token), code: 'time', value: token.value, ...change }];
    }
    return token.kind === 'picture-name' ? [{ ...span(token), code: 'picture-name-ignored' }] : [];
  });
}

/** Which speed is which, and of which of them the rate is. */
function speedReadings({ text, speeds, stream, ofRate, rateWord }: Read): readonly Reading[] {
  const { fps, captureFps, assumed, ordered } = speeds;
  if (assumed) return [{ code: 'fps-assumed', fps, change: added(text, '25p') }];
  if (captureFps === null) return [];
  const readings: Reading[] = ordered ? [{ code: 'speeds', captured: captureFps, recorded: fps }] : [];
  if (!stream) return readings;
  const at = rateAt(speeds, ofRate);
  const scaled = wholeUp((stream.value * exactFrameRate(captureFps)) / exactFrameRate(fps)) as BytesPerSecond;
  const [taken, other] = at === 'recorded' ? [scaled, stream.value] : [stream.value, scaled];
  const opposite = at === 'recorded' ? 'captured' : 'recorded';
  readings.push({
    code: 'rate-at',
    at,
    fps: at === 'recorded' ? fps : captureFps,
    said: ofRate !== null,
    taken,
    other,
    change: rateWord ? replaced(text, rateWord, opposite) : replaced(text, stream, `${stream.text} ${opposite}`),
  });
  return readings;
}

/** That the slot is taken to match the card, where slots of its form differ; and what its marks tell of its bus. */
function cardReadings({ text, tokens, card, slotNamed }: Read): readonly Reading[] {
  if (!card?.form) return [];
  const readings: Reading[] = [];
  const told = tokens.find((token) => token.kind === 'mark');
  if (card.formInferred && card.form === 'cfexpress-b' && told)
    readings.push({ ...span(told), code: 'form-inferred', form: card.form });
  if (card.bus !== null && !card.busPrinted && card.bus !== 'uhs-i' && isSd(card.form)) {
    const implies = tokens.find((token) => token.kind === 'mark' && mark(token.mark).countsFrom === card.bus);
    if (implies) readings.push({ ...span(implies), code: 'bus-by-mark', bus: card.bus });
  }
  const buses = busesOf(card.form);
  const least = leastBus(card.form);
  if (slotNamed || buses.length < 2 || card.bus === least || (card.bus === null && isSd(card.form))) return readings;
  const slower = isSd(card.form) ? 'in UHS-I' : `in ${buses[0]?.endsWith('-1') ? '1.0' : '2.0'}`;
  const isExternal = card.form === 'usb-ssd';
  return [...readings, { code: 'slot-assumed', bus: card.bus, ...(isExternal ? {} : { change: added(text, slower) }) }];
}

const readingsOf = (read: Read): readonly Reading[] => [
  ...looseReadings(read),
  ...speedReadings(read),
  ...cardReadings(read),
];

/** Names of pictures are harmless beside a rate and useless without one. */
function unreadOf(tokens: readonly Token[], hasRate: boolean): readonly Unread[] {
  return tokens.flatMap((token): Unread[] => {
    if (token.kind === 'bus') {
      const words = all(tokens, 'mark').map((one) => one.mark);
      const micro =
        all(tokens, 'family').some((one) => one.micro) || all(tokens, 'form').some((one) => one.form === 'microsd');
      const asked = unclearGrade(token, micro ? 'microsd' : null, words);
      return asked ? [{ ...span(token), problem: asked }] : [];
    }
    if (token.kind === 'unread') return [{ ...span(token), problem: token.problem }];
    if (token.kind !== 'picture-name' || hasRate) return [];
    return [{ ...span(token), problem: { code: 'unknown', couldBe: token.couldBe } }];
  });
}

/**
 * Reads one line of need, card, arrangement and time, in any order.
 *
 * @param text - at most 500 characters
 * @returns the question; or a refusal with the place. Nothing is guessed silently: loose spellings come back as
 *   `readings`, and a stretch that is not understood refuses the whole line
 * @example readAsk('600 Mb/s on 256GB V90 II for 2h')
 */
export function readAsk(text: string): Result<Ask, AskRefusal> {
  if (text.trim() === '') return err({ code: 'empty' });
  if (text.length > MAX_TEXT) return err({ code: 'too-long', length: text.length, max: MAX_TEXT });
  const tokens = tokenize(text);
  const stream = streamRates(tokens, cardClause(tokens));
  const unread = unreadOf(tokens, stream.length > 0);
  if (unread.length > 0) return err({ code: 'not-understood', unread });
  const twice = repeated(tokens, stream);
  if (twice) return err(twice);
  const slot = slotBusToken(tokens);
  const card = cardOf(tokens, stream, slot);
  const { byToken, ofRate, rateWord } = namedSpeeds(tokens);
  const speeds = speedsOf(tokens, byToken);
  const rate = rateOf(tokens, stream[0], speeds, ofRate);
  if (!rate.ok) {
    return typeof rate.error === 'string'
      ? err({ code: 'no-rate', card })
      : err({ code: 'raw-incomplete', missing: rate.error });
  }
  if (card && card.capacity === null) return err({ code: 'no-capacity', card });
  const picture = all(tokens, 'picture')[0];
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
    requires: [],
  };
  return ok({
    mode,
    written: stream[0]?.written ?? null,
    codecNamed: all(tokens, 'codec').length > 0,
    card,
    slotBus: slotBusOf(slot, card),
    arrangement: all(tokens, 'arrangement')[0]?.arrangement ?? 'single',
    time: all(tokens, 'time')[0]?.value ?? null,
    readings: readingsOf({ text, tokens, speeds, stream: stream[0], ofRate, rateWord, card, slotNamed: slot !== null }),
  });
}

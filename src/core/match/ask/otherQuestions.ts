import { playbackLength } from '../../bodies/rate/playback.ts';
import type { Token } from '../../cards/token.ts';
import { err, ok, type Result } from '../../result.ts';
import { SIZES_SOLD_GB } from '../../standards/sizes.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../../units/brand.ts';
import { GB, toGigabytes } from '../../units/convert.ts';
import { usableOf } from '../minutes/minutes.ts';
import type { AskRefusal } from './ask.ts';
import { all, says, span } from './tokensOf.ts';

/** How long a take plays that was captured faster than it is shown. */
export interface Playback {
  readonly take: Seconds;
  readonly captured: number;
  readonly playback: number;
  readonly plays: Seconds;
}

/** How long cards take to be copied. */
export interface Copying {
  /** All that is copied. */
  readonly bytes: Bytes;
  readonly count: number;
  readonly rate: BytesPerSecond;
  /** One after the other, or all through one reader, which shares its pace: the longest. */
  readonly seconds: Seconds;
  /** Where several are copied at once, each through a reader of its own; null where one is copied. */
  readonly apart: Seconds | null;
}

/** The rate that fills a size in a time, with what the rounding of both leaves open. */
export interface RateWas {
  readonly bytes: Bytes;
  readonly time: Seconds;
  readonly rate: BytesPerSecond;
  readonly low: BytesPerSecond;
  readonly high: BytesPerSecond;
}

/** Pictures on a card: how many of a size, of what size so many are, or which card holds so many of a size. */
export interface Stills {
  /** The card; where one is asked for, the smallest size sold that holds them. */
  readonly bytes: Bytes;
  readonly each: Bytes;
  /** Whole pictures that fit what formatting usually leaves; those that were counted where a card is asked for. */
  readonly pictures: number;
  /** Which of the three was asked for. */
  readonly asked: 'pictures' | 'size' | 'card';
  /** How many were counted beside both others: whether they fit is told. */
  readonly wanted: number | null;
}

/** A question that asks for no verdict, and its answer. */
export type OtherAnswer =
  | { readonly kind: 'playback'; readonly playback: Playback }
  | { readonly kind: 'copying'; readonly copying: Copying }
  | { readonly kind: 'rate-was'; readonly rateWas: RateWas }
  | { readonly kind: 'stills'; readonly stills: Stills };

type Found = Result<OtherAnswer, AskRefusal> | null;

/** Whether a line holds nothing but these kinds; `say` words only where they are named. */
const holdsOnly = (tokens: readonly Token[], kinds: readonly Token['kind'][], says: readonly string[] = []): boolean =>
  tokens.every((token) =>
    token.kind === 'say' ? ALWAYS.includes(token.say) || says.includes(token.say) : kinds.includes(token.kind),
  );
/** Words of a place, which say nothing in these questions. */
const ALWAYS: readonly string[] = ['body', 'takes', 'filler', 'about'];

/**
 * A question about playback alone: a take and the speeds it is captured and shown at, no rate and no card. A length that
 * stands after `plays` is what somebody else worked out and is worked out again. Here `3:50` is minutes and seconds.
 */
function playbackOf(tokens: readonly Token[]): Found {
  if (!holdsOnly(tokens, ['word', 'fps', 'time', 'picture-name', 'codec'], ['slow'])) return null;
  const playsAt = tokens.findIndex((token) => token.kind === 'word' && token.word === 'plays');
  const [time] = tokens.filter((token, at) => token.kind === 'time' && (playsAt < 0 || at < playsAt));
  const speeds = tokens.flatMap((token) => (token.kind === 'fps' ? [token.value] : []));
  const given = time ?? all(tokens, 'time')[0];
  if (given?.kind !== 'time' || speeds.length === 0 || speeds.length > 2) return null;
  const take = given.clock ?? given.value;
  const captured = Math.max(...speeds);
  const playback = Math.min(...speeds);
  if (speeds.length === 1) return err({ code: 'no-playback-speed', take, captured });
  return ok({
    kind: 'playback',
    playback: { take, captured, playback, plays: playbackLength(take, captured, playback) },
  });
}

const CARD_WORDS: readonly Token['kind'][] = [
  'word',
  'capacity',
  'count',
  'form',
  'family',
  'bus',
  'mark',
  'app',
  'version',
];

/** `copy 64GB at 95 MB/s`: how long it takes. What is written on the card says nothing of a reader. */
function copyingOf(tokens: readonly Token[]): Found {
  if (!tokens.some((token) => says(token, 'copy'))) return null;
  if (!holdsOnly(tokens, [...CARD_WORDS, 'rate'], ['copy', 'at-once', 'each', 'port'])) return null;
  const [size, secondSize] = all(tokens, 'capacity');
  const rates = all(tokens, 'rate');
  const [rate, secondRate] = rates;
  if (secondSize) return err({ code: 'twice', what: 'capacity', again: span(secondSize) });
  if (secondRate) return err({ code: 'twice', what: 'rate', again: span(secondRate) });
  if (!size || !rate) return err({ code: 'copy-incomplete', missing: size ? 'rate' : 'size' });
  const count = all(tokens, 'count')[0]?.value ?? 1;
  const bytes = (size.value * count) as Bytes;
  const apart = count > 1 ? ((size.value / rate.value) as Seconds) : null;
  return ok({
    kind: 'copying',
    copying: { bytes, count, rate: rate.value, seconds: (bytes / rate.value) as Seconds, apart },
  });
}

/** Half of the last place of a number as it was written. */
function halfStep(text: string): number {
  const [, part = ''] = /\d+(?:[.,](\d+))?/.exec(text) ?? [];
  return 0.5 / 10 ** part.length;
}

const UNIT_SECONDS: readonly (readonly [RegExp, number])[] = [
  [/\d\s*s(?:ec|ek|eg|\b)|:\d\d:\d\d/i, 1],
  [/min|:|h\s*\d|\d\s*m\b/i, 60],
];

/** How far a written time may be off: half of what it counts in. */
const timeStep = (text: string): number =>
  (UNIT_SECONDS.find(([pattern]) => pattern.test(text))?.[1] ?? 3600) * halfStep(/h\s*\d/i.test(text) ? '' : text);

/** `1TB in 25 minutes`, `32 GB lasts 3 h`: a size and a time, and nothing that says which rate it is. */
function rateWasOf(tokens: readonly Token[]): Found {
  if (
    !holdsOnly(
      tokens,
      ['word', 'capacity', 'time', 'fps', 'picture-name', 'codec', 'form', 'family'],
      ['per-hour', 'per-minute'],
    )
  )
    return null;
  const [size, secondSize] = all(tokens, 'capacity');
  const [time, secondTime] = all(tokens, 'time');
  if (!size || !time || secondSize || secondTime) return null;
  const bytes = size.value;
  // What is sold as a card has less room than it says; what a computer shows is rounded.
  const isCard = (SIZES_SOLD_GB as readonly number[]).includes(toGigabytes(bytes));
  const unit = bytes / Number(/\d+(?:[.,]\d+)?/.exec(size.text)?.[0]?.replace(',', '.') ?? 1);
  const step = isCard ? 0 : halfStep(size.text) * unit;
  const [least, most] = isCard ? [usableOf(bytes), bytes] : [bytes - step, bytes + step];
  const off = Math.min(timeStep(time.text), time.value / 2);
  return ok({
    kind: 'rate-was',
    rateWas: {
      ...{ bytes, time: time.value, rate: (bytes / time.value) as BytesPerSecond },
      low: (least / (time.value + off)) as BytesPerSecond,
      high: (most / (time.value - off)) as BytesPerSecond,
    },
  });
}

/** Fewest that a bare number before a size is taken for pictures: nothing that a camera writes a second is told so. */
const LEAST_PICTURES = 1000;

/** `5000 photos of 24 MB`: the smallest size sold that holds them; null where none does. */
function cardForStills(each: Bytes, pictures: number): Found {
  const sold = SIZES_SOLD_GB.map((size) => (size * GB) as Bytes).find((size) => usableOf(size) >= each * pictures);
  return sold === undefined
    ? null
    : ok({ kind: 'stills', stills: { bytes: sold, each, pictures, asked: 'card', wanted: null } });
}

/** `48 MB pictures on 128 GB`, `1850 on 256 GB`, `5000 photos of 24 MB`. */
function stillsOf(tokens: readonly Token[]): Found {
  const isBare = (token: Token): boolean =>
    token.kind === 'unread' && /^\d{4,6}$/.test(token.text) && Number(token.text) >= LEAST_PICTURES;
  const bare = tokens.find(isBare);
  const rest = tokens.filter((token) => token !== bare);
  if (
    !holdsOnly(rest, [
      'word',
      'capacity',
      'pictures',
      'picture-size',
      'form',
      'family',
      'codec',
      'bus',
      'version',
      ...(bare ? [] : (['mark', 'app'] as const)),
    ])
  )
    return null;
  const [size, second] = all(tokens, 'capacity');
  const each = all(tokens, 'picture-size')[0];
  const counted = all(tokens, 'pictures')[0]?.value ?? (bare ? Number(bare.text) : null);
  if (second) return null;
  if (!size) return each && counted !== null ? cardForStills(each.value, counted) : null;
  if (each === undefined && counted === null) return null;
  const room = usableOf(size.value);
  if (each !== undefined)
    return ok({
      kind: 'stills',
      stills: {
        bytes: size.value,
        each: each.value,
        pictures: Math.floor(room / each.value),
        asked: 'pictures',
        wanted: counted,
      },
    });
  if (counted === null || counted < 1) return null;
  const stills = {
    bytes: size.value,
    each: Math.round(room / counted) as Bytes,
    pictures: counted,
    asked: 'size',
    wanted: null,
  } as const;
  return ok({ kind: 'stills', stills });
}

/**
 * A question that is not about a stream on a card: how long a take plays, how long cards take to be copied, which rate filled
 * a card, how many pictures fit.
 *
 * @param tokens - of a line, without what carries nothing
 * @returns null where it is none of them, or where a word stands in it that none of them knows
 */
export const otherQuestion = (tokens: readonly Token[]): Found =>
  playbackOf(tokens) ?? copyingOf(tokens) ?? rateWasOf(tokens) ?? stillsOf(tokens);

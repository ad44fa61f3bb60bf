import { GB, GiB, KB, KiB, MB, MiB, TB, TiB } from './convert.ts';

/**
 * How prefixes, bits, bytes and times are written: the one table. Every reader of a rate or a size (a typed field, the
 * quick check, a label, a pasted table, a trace, a price list) builds its patterns from it, so that a spelling added here
 * is read everywhere. English, German, French and Spanish [common practice].
 */
interface PrefixRow {
  /** As a sign before a unit; k and K, m and M alike. */
  readonly sign: string;
  readonly word: string;
  readonly binaryWord: string;
  readonly decimal: number;
  readonly binary: number;
}

/** A power of ten and the power of two beside it; by the sign in small letters. */
const PREFIXES = [
  { sign: 'k', word: 'kilo', binaryWord: 'kibi', decimal: KB, binary: KiB },
  { sign: 'm', word: 'mega', binaryWord: 'mebi', decimal: MB, binary: MiB },
  { sign: 'g', word: 'giga', binaryWord: 'gibi', decimal: GB, binary: GiB },
  { sign: 't', word: 'tera', binaryWord: 'tebi', decimal: TB, binary: TiB },
] as const satisfies readonly PrefixRow[];

/** Words of bits and of bytes; a lone b is told by its case, a lone o (French *octet*) stands behind a prefix only. */
const WORDS = {
  bits: ['bit', 'bits'],
  bytes: ['byte', 'bytes', 'octet', 'octets', 'octeto', 'octetos'],
} as const;

/** Short names of a size that need no unit behind them. */
const SIZE_NICKNAMES = { gig: 'g', gigs: 'g', tera: 't', teras: 't' } as const;

/** Words of a length of time, the plain ones first: those that a specification sheet has. */
const TIME_WORDS = {
  s: [
    's',
    'sec',
    'secs',
    'second',
    'seconds',
    'sek',
    'sekunde',
    'sekunden',
    'seconde',
    'secondes',
    'seg',
    'segundo',
    'segundos',
  ],
  min: ['min', 'mins', 'minute', 'minutes', 'minuten', 'minuto', 'minutos'],
  h: ['h', 'hr', 'hrs', 'hour', 'hours', 'std', 'stunde', 'stunden', 'heure', 'heures', 'hora', 'horas'],
} as const;

/** A length of time that a rate is told by. */
export type RateTime = keyof typeof TIME_WORDS;
/** Seconds in each of them. */
const SECONDS_IN = { s: 1, min: 60, h: 3600 } as const satisfies Record<RateTime, number>;
/** Spellings that stand on specification sheets: what is read from them need not be shown. */
const PLAIN_TIMES: readonly string[] = ['s', 'sec', 'min', 'h', 'hr'];

/** `per`, as a word. */
const PER_WORDS = ['per', 'a', 'an', 'par', 'pro', 'por', 'je'] as const;

/** One of several words, the longest first, as the source of a pattern. */
const oneOf = (words: readonly string[]): string =>
  `(?:${[...words].sort((a, b) => b.length - a.length || (a < b ? -1 : 1)).join('|')})`;

const SIGN = `[${PREFIXES.map(({ sign }) => sign).join('')}]`;
const PREFIX_WORD = oneOf(PREFIXES.flatMap(({ word, binaryWord }) => [word, binaryWord]));
const SPELLED = oneOf([...WORDS.bits, ...WORDS.bytes]);
const BIT = oneOf(WORDS.bits);
const BYTE = oneOf(WORDS.bytes);
/** Between a unit and its time: `/`, the p of Mbps, or a word. */
const PER = String.raw`(?:\s*(?:\/|p(?=s))\s*|\s+${oneOf(PER_WORDS)}\s+)`;

/** A time behind a rate or a number, as the source of a pattern without groups; matched without regard to case. */
export const timePattern = (time: RateTime): string => String.raw`${oneOf(TIME_WORDS[time])}(?!\p{L})`;
const ANY_TIME = String.raw`${oneOf(Object.values(TIME_WORDS).flat())}(?!\p{L})\.?`;

/** The unit of a rate: Mb/s, MBps, Mbit/s, Go/min, megabits per second, and `Gbit` alone, which is told by the second. */
export const RATE_UNIT = `(?:(?:${PREFIX_WORD}[ -]?${SPELLED}|${SIGN}?i?(?:${SPELLED}|b)|${SIGN}i?o)${PER}${ANY_TIME}|(?:${PREFIX_WORD}[ -]?|${SIGN})${BIT})`;

/** The unit of a size: GB, GiB, Go, gigabytes, gigs. Not mega by its sign: it may be a rate without its time. */
export const SIZE_UNIT = `(?:${PREFIX_WORD}[ -]?${BYTE}|[kgt]i?(?:${BYTE}|b|o)|${oneOf(Object.keys(SIZE_NICKNAMES))})`;

/** What may be megabits or megabytes a second, and is never guessed: 100 m, 100 Mb, 100 Mbytes, 100 megs a second. */
export const OPEN_UNIT = `(?:mo|m(?:b|${BYTE})?|megs?(?:${PER}${ANY_TIME})?)`;

const RATE_PARTS = new RegExp(
  `^(?:(${PREFIX_WORD})[ -]?|(${SIGN})(i?))?(${SPELLED}|b|o)(?:${PER}(${ANY_TIME}))?$`,
  'iu',
);
const SIZE_PARTS = new RegExp(
  `^(?:(?:(${PREFIX_WORD})[ -]?|(${SIGN})(i?))(${BYTE}|b|o)|(${oneOf(Object.keys(SIZE_NICKNAMES))}))$`,
  'iu',
);
const OPEN = new RegExp(`^${OPEN_UNIT}$`, 'iu');

/** Canonical name of a unit of rate. */
export type RateUnitName = `${'' | 'k' | 'M' | 'G' | 'T' | 'Ki' | 'Mi' | 'Gi' | 'Ti'}${'b' | 'B'}/${RateTime}`;

/** What the unit of a rate comes to. */
export interface RateUnit {
  readonly name: RateUnitName;
  /** Bytes a second in one of it. */
  readonly bytesPerSecond: number;
  readonly written: 'bits' | 'bytes';
  /** The spelling was not that of a specification sheet, so that the reading is shown. */
  readonly loose: boolean;
}

const timeOf = (word: string): RateTime =>
  (Object.keys(TIME_WORDS) as RateTime[]).find((time) => (TIME_WORDS[time] as readonly string[]).includes(word)) ?? 's';

interface Scale {
  readonly factor: number;
  readonly sign: string;
}

/** The power that a prefix stands for, and how it is written by rule. */
function scaleOf({ word = '', sign = '', binary = '' }: Partial<Record<'word' | 'sign' | 'binary', string>>): Scale {
  const row = PREFIXES.find((one: PrefixRow) =>
    [one.sign, one.word, one.binaryWord].includes((word || sign).toLowerCase()),
  );
  if (!row) return { factor: 1, sign: '' };
  const isBinary = binary !== '' || word.toLowerCase() === row.binaryWord;
  const letter = row.sign === 'k' && !isBinary ? 'k' : row.sign.toUpperCase();
  return isBinary ? { factor: row.binary, sign: `${letter}i` } : { factor: row.decimal, sign: letter };
}

/**
 * The unit of a rate, alone.
 *
 * @returns the unit; `open` where it may be bits or bytes (`m`, `Mb`, `MBPS` all in capitals); null where it is none
 * @example readRateUnit('Mbit/s') // => { name: 'Mb/s', bytesPerSecond: 125_000, written: 'bits', loose: false }
 * @example readRateUnit('Go/min') // => { name: 'GB/min', bytesPerSecond: 1e9 / 60, written: 'bytes', loose: false }
 */
export function readRateUnit(text: string): RateUnit | 'open' | null {
  const unit = text.trim();
  if (OPEN.test(unit)) return 'open';
  const match = RATE_PARTS.exec(unit);
  if (!match) return null;
  const [, word = '', sign = '', binary = '', written = '', per = ''] = match;
  const isSign = written.length === 1;
  if (isSign && /o/i.test(written) && sign === '') return null;
  const isBits = isSign ? written === 'b' : (WORDS.bits as readonly string[]).includes(written.toLowerCase());
  // Bits are a stream's, and a stream is told by the second; bytes without a time are a size.
  if (per === '' && (isSign || !isBits || (word === '' && sign === ''))) return null;
  // All in capitals (MBPS, KBPS) says nothing about bits or bytes: the writer's shift key decided.
  if (written === 'B' && per === 'S') return 'open';
  const time = timeOf(per.replace('.', '').toLowerCase());
  const scale = scaleOf({ word, sign, binary });
  const isPlain = word === '' && PLAIN_TIMES.includes(per.toLowerCase());
  return {
    name: `${scale.sign}${isBits ? 'b' : 'B'}/${time}` as RateUnitName,
    bytesPerSecond: (isBits ? scale.factor / 8 : scale.factor) / SECONDS_IN[time],
    written: isBits ? 'bits' : 'bytes',
    // `100 mbps` is read as megabits and the reading is shown; a small m or g is never milli or gram here.
    loose: !isPlain || /^[mgt]/.test(sign),
  };
}

/** Bytes a second in one of a unit that is named by rule. */
export function inBytesPerSecond(name: RateUnitName): number {
  const unit = readRateUnit(name);
  return unit === null || unit === 'open' ? Number.NaN : unit.bytesPerSecond;
}

const RATE_IN_TEXT = new RegExp(String.raw`(?<!\p{L})${RATE_UNIT}(?!\p{L})`, 'iu');

/** The unit of a rate somewhere in a text, as it is written there; null where none stands. */
export const rateUnitIn = (text: string): string | null => RATE_IN_TEXT.exec(text)?.[0] ?? null;

/** A size's unit, in bytes; null where it is none. Cards are never sold in bits: `gb` is gigabytes, marked loose. */
export function readSizeUnit(text: string): { readonly bytes: number; readonly loose: boolean } | null {
  const match = SIZE_PARTS.exec(text.trim());
  if (!match) return null;
  const [, word = '', sign = '', binary = '', written = '', nickname = ''] = match;
  const short = SIZE_NICKNAMES[nickname.toLowerCase() as keyof typeof SIZE_NICKNAMES];
  const { factor } = scaleOf({ word, sign: short ?? sign, binary });
  return { bytes: factor, loose: written === 'b' || word !== '' || short !== undefined };
}

/** Every spelling of a rate's unit that the table has, for whoever must show that all are read: some thousands. */
export function everyRateSpelling(): readonly string[] {
  const units = [
    ...PREFIXES.flatMap(({ sign, word, binaryWord }) => [
      ...[sign.toUpperCase(), sign].flatMap((one) => [
        ...['', 'i'].flatMap((i) => ['b', 'B', 'o', ...WORDS.bits, ...WORDS.bytes].map((unit) => `${one}${i}${unit}`)),
      ]),
      ...[word, binaryWord].flatMap((one) => [...WORDS.bits, ...WORDS.bytes].map((unit) => `${one}${unit}`)),
    ]),
    'b',
    'B',
    ...WORDS.bits,
    ...WORDS.bytes,
  ];
  const times = Object.values(TIME_WORDS);
  return units.flatMap((unit) => [
    `${unit}ps`,
    ...times.flat().map((time) => `${unit}/${time}`),
    ...times.flatMap(([time]) => PER_WORDS.map((per) => `${unit} ${per} ${time}`)),
  ]);
}

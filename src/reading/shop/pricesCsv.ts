import Papa from 'papaparse';
import { readLabel } from '../../core/cards/readLabel.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import type { Offer } from '../../core/kit/shop.ts';
import { BUS_KEYS, type Bus } from '../../core/standards/buses.ts';
import { FORM_KEYS, type Form, form } from '../../core/standards/forms.ts';
import { finish, type Steps } from '../../core/steps.ts';
import { toMegabytes } from '../../core/units/convert.ts';
import { readDate } from '../../core/units/date.ts';
import { readNumber } from '../../core/units/number.ts';
import { parseRate } from '../../core/units/parse.ts';
import { cardOfLabel } from '../cards/labelCard.ts';

/** Columns of a price list as a table, in the order of the file; units in their names. */
export const PRICE_COLUMNS = [
  'name',
  'form',
  'capacityGB',
  'marks',
  'bus',
  'readMBps',
  'writeMBps',
  'sustainedMBps',
  'price',
  'currency',
  'seller',
  'date',
  'note',
] as const;
type Column = (typeof PRICE_COLUMNS)[number];

/** Most lines read at once; more are refused, not cut. */
const MAX_PRICE_LINES = 20_000;

/** Why a line is no offer. */
export type PriceProblemCode =
  | 'no-price'
  | 'price-range'
  | 'no-capacity'
  | 'no-form'
  | 'not-understood'
  | 'no-number'
  | 'no-date'
  | 'cells'
  | 'several-prices';

/** A line that was left out. */
export type PriceProblem =
  | { readonly line: number; readonly code: PriceProblemCode; readonly text: string }
  /** The price may be a thousand times what it may also be. */
  | {
      readonly line: number;
      readonly code: 'open-number';
      readonly text: string;
      readonly couldBe: readonly [number, number];
    };

/** What a price list comes to. */
export type PriceList =
  | { readonly code: 'too-many'; readonly lines: number; readonly max: number }
  | {
      readonly code: 'read';
      readonly offers: readonly Omit<Offer, 'id'>[];
      readonly problems: readonly PriceProblem[];
    };

/** Headings of shops and of spreadsheets beside our own. */
const ALSO: Readonly<Record<string, Column>> = {
  item: 'name',
  product: 'name',
  card: 'name',
  article: 'name',
  description: 'name',
  capacity: 'capacityGB',
  size: 'capacityGB',
  gb: 'capacityGB',
  label: 'marks',
  print: 'marks',
  printed: 'marks',
  read: 'readMBps',
  'read mb/s': 'readMBps',
  write: 'writeMBps',
  'write mb/s': 'writeMBps',
  sustained: 'sustainedMBps',
  cost: 'price',
  amount: 'price',
  shop: 'seller',
  store: 'seller',
  from: 'seller',
  seen: 'date',
  when: 'date',
  comment: 'note',
  notes: 'note',
};

const SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP' };
const CODES = 'EUR|USD|GBP|CHF|SEK|NOK|DKK|PLN|CZK|HUF|JPY|AUD|CAD|NZD|INR|ZAR|BRL|MXN';
const CURRENCY = String.raw`€|\$|£|\b(?:${CODES})\b`;
const NUMBER = String.raw`[-−]?\d[\d.,'’\u00a0\u202f]*(?: \d{3}(?!\d)[\d.,]*)*`;
const PRICE = new RegExp(
  String.raw`(?:(${CURRENCY})\s*(${NUMBER})(?!\w))|(?:(?<![\w.,-])(${NUMBER})\s*(${CURRENCY}))`,
  'giu',
);

const currencyOf = (text: string): string => SIGNS[text] ?? text.toUpperCase();

/** A cell that was made harmless for spreadsheets, as it was. */
const plainCell = (cell: string | undefined): string => (cell ?? '').replace(/^'(?=\s*[=+\-@])/, '').trim();

function columnOf(heading: string): Column | null {
  const word = heading.trim().toLowerCase();
  const bare = word.replace(new RegExp(String.raw`\s*[([]?\s*(?:${CURRENCY})\s*[)\]]?\s*$`, 'iu'), '');
  return PRICE_COLUMNS.find((column) => column.toLowerCase() === bare) ?? ALSO[bare] ?? ALSO[word] ?? null;
}

/** Which signs stand before the parts of a whole in the prices of a list, where they can be nothing else. */
function signsIn(texts: readonly string[]): { readonly comma: boolean; readonly point: boolean } {
  const has = (sign: string): boolean =>
    texts.some((text) => new RegExp(String.raw`[${sign}]\d{1,2}(?!\d)(?![.,])`).test(text.trim()));
  return { comma: has(','), point: has('.') };
}

type Signs = ReturnType<typeof signsIn>;
type PriceRead =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly problem: Omit<PriceProblem, 'line'> };

const refuse = (code: PriceProblemCode, text: string): PriceRead => ({ ok: false, problem: { code, text } });

/** A price as the list writes it; one that may be a thousand times another is taken only where the list shows how it writes parts. */
function priceOf(text: string, { comma, point }: Signs): PriceRead {
  const digits = text.replace(new RegExp(CURRENCY, 'giu'), '').trim();
  const readings = [readNumber(digits, 'point'), readNumber(digits, 'comma')];
  const open = readings.find((one) => !one.ok && one.error.code === 'open-number');
  if (open && !open.ok && open.error.code === 'open-number') {
    const grouping = digits.includes(',') ? ',' : '.';
    const settled = grouping === ',' ? point && !comma : comma && !point;
    if (!settled) return { ok: false, problem: { code: 'open-number', text, couldBe: open.error.couldBe } as never };
    return inRange(open.error.couldBe[0], text);
  }
  const read = readings.find((one) => one.ok);
  return read?.ok ? inRange(read.value, text) : refuse('no-price', text);
}

const inRange = (value: number, text: string): PriceRead =>
  Number.isFinite(value) && value >= RANGES.price.min && value <= RANGES.price.max
    ? { ok: true, value: Math.round(value * 100) / 100 }
    : refuse('price-range', text);

interface Line {
  readonly number: number;
  readonly cells: Readonly<Partial<Record<Column, string>>>;
  /** The line as it stands, for what is said of it. */
  readonly text: string;
}

/** What a sheet is divided by; null: each line is read as it stands. */
function dividerOf(head: string): string | null {
  if (head.includes('\t')) return '\t';
  if (head.includes(';')) return ';';
  const named = head.split(',').filter((cell) => columnOf(cell) !== null).length;
  return head.includes(',') && named >= 2 ? ',' : null;
}

/** A speed of a card, MB/s: bare, or with a unit of its own. */
function speedOf(text: string): number | null | 'no-number' {
  if (text === '') return null;
  const [bare, other] = [readNumber(text, 'comma'), readNumber(text)];
  const own = parseRate(text);
  const value = bare.ok ? bare.value : other.ok ? other.value : own.ok ? toMegabytes(own.value.value) : Number.NaN;
  return Number.isFinite(value) && value > 0 ? value : 'no-number';
}

const isForm = (text: string): text is Form => (FORM_KEYS as readonly string[]).includes(text);
const isBus = (text: string): text is Bus => (BUS_KEYS as readonly string[]).includes(text);

function formOf(text: string): Form | null {
  const word = text.trim().toLowerCase();
  if (isForm(word)) return word;
  return FORM_KEYS.find((key) => form(key).name.toLowerCase() === word) ?? null;
}

function dateOf(text: string): string | null | 'no-date' {
  if (text === '') return null;
  const read = readDate(text);
  return read.ok ? read.value : 'no-date';
}

/** A line of free text: its price by its currency, and the rest as a label. */
function freeCells(text: string): Line['cells'] | PriceProblemCode {
  const found = [...text.matchAll(PRICE)];
  if (found.length === 0) return 'no-price';
  if (found.length > 1) return 'several-prices';
  const [whole, before, after, first, sign] = found[0] as RegExpMatchArray;
  return {
    name: text
      .replace(whole as string, ' ')
      .replace(/\s+/g, ' ')
      .replace(/^[\s,;:·•-]+|[\s,;:·•-]+$/g, ''),
    price: (after ?? first ?? '').trim(),
    currency: currencyOf(before ?? sign ?? ''),
  };
}

function offerOf(line: Line, signs: Signs, currency: string): Omit<Offer, 'id'> | Omit<PriceProblem, 'line'> {
  const cell = (column: Column): string => plainCell(line.cells[column]);
  const named = cell('name');
  const size = cell('capacityGB').replace(/^([\d.,]+)$/, '$1 GB');
  // Where the list has a column for marks, a name is a name: `SD 512 V90` need not be read.
  const printed =
    'marks' in line.cells && size !== '' ? `${size} ${cell('marks')}` : `${named} ${size} ${cell('marks')}`;
  const label = readLabel(printed);
  // A word that says nothing (a maker's, a colour) is no reason to lose an offer; one that may be a mark is asked about.
  // A bare number beside a capacity is an article's: no promise is written without letters.
  const asked = label.unread.find(
    ({ problem, text }) =>
      (problem.code !== 'unknown' || problem.couldBe.length > 0) && !(label.capacity !== null && /^\d+$/.test(text)),
  );
  if (asked) return { code: 'not-understood', text: asked.text };
  const told = cell('form') === '' ? null : formOf(cell('form'));
  if (cell('form') !== '' && told === null) return { code: 'no-form', text: cell('form') };
  if (label.capacity === null) return { code: 'no-capacity', text: line.text };
  const card = cardOfLabel(told === null ? label : { ...label, form: told });
  if (!card) return { code: 'no-form', text: line.text };
  const price = priceOf(cell('price'), signs);
  if (!price.ok) return cell('price') === '' ? { code: 'no-price', text: line.text } : price.problem;
  const speeds = (['readMBps', 'writeMBps', 'sustainedMBps'] as const).map((column) => speedOf(cell(column)));
  const odd = speeds.indexOf('no-number');
  if (odd >= 0)
    return { code: 'no-number', text: cell((['readMBps', 'writeMBps', 'sustainedMBps'] as const)[odd] as Column) };
  const date = dateOf(cell('date'));
  if (date === 'no-date') return { code: 'no-date', text: cell('date') };
  const sign = new RegExp(CURRENCY, 'iu').exec(cell('price'))?.[0];
  const own = cell('currency') || (sign ? currencyOf(sign) : '') || currency;
  const [read, write, sustained] = speeds as readonly (number | null)[];
  return {
    name: (named || line.text).slice(0, 80),
    form: card.form,
    capacityGB: card.capacityGB,
    marks: card.marks,
    bus: isBus(cell('bus')) ? (cell('bus') as Bus) : null,
    readMBps: read ?? card.readMBps,
    writeMBps: write ?? card.writeMBps,
    sustainedMBps: sustained ?? card.sustainedMBps,
    ...(card.minimumMBps == null ? {} : { minimumMBps: card.minimumMBps, minimumSource: card.minimumSource ?? null }),
    price: price.value,
    currency: own.slice(0, 12),
    seller: cell('seller').slice(0, 120),
    date,
    note: cell('note') || null,
  };
}

function linesOf(text: string): { readonly lines: readonly Line[]; readonly problems: readonly PriceProblem[] } {
  const raw = text.replace(/^\ufeff/, '').split(/\r?\n/);
  const filled = raw.flatMap((line, at) => (/\S/.test(line) ? [{ text: line, number: at + 1 }] : []));
  const [first] = filled;
  if (!first) return { lines: [], problems: [] };
  const divider = dividerOf(first.text);
  const cut = (line: string): string[] =>
    divider === null ? [line] : (Papa.parse<string[]>(line, { delimiter: divider }).data[0] ?? []);
  const heads = cut(first.text).map(columnOf);
  const hasHead = divider !== null && heads.filter((head) => head !== null).length >= 2 && heads.includes('price');
  const problems: PriceProblem[] = [];
  const lines = (hasHead ? filled.slice(1) : filled).flatMap(({ text: line, number }): Line[] => {
    const cells = cut(line);
    if (hasHead) {
      if (cells.length > heads.length && cells.slice(heads.length).some((cell) => cell.trim() !== '')) {
        problems.push({ line: number, code: 'cells', text: line });
        return [];
      }
      const named = Object.fromEntries(heads.flatMap((head, at) => (head ? [[head, cells[at] ?? '']] : [])));
      return [{ number, cells: named, text: line }];
    }
    const free = freeCells(cells.join(' '));
    if (typeof free === 'string') {
      problems.push({ line: number, code: free, text: line });
      return [];
    }
    return [{ number, cells: free, text: line }];
  });
  // A heading that names its currency: price (EUR).
  const headCurrency = hasHead
    ? cut(first.text).flatMap((head, at) =>
        heads[at] === 'price' ? (new RegExp(CURRENCY, 'iu').exec(head)?.[0] ?? []) : [],
      )
    : [];
  const [sign] = headCurrency.flat();
  const withCurrency = sign
    ? lines.map((line) => ({ ...line, cells: { currency: currencyOf(sign), ...line.cells } }))
    : lines;
  return { lines: withCurrency, problems };
}

/**
 * Reads a price list: a table with headings, or a line an offer, such as `SD 256GB V90 II 300MB/s 189,90 EUR`. A line that
 * is not understood is told, never guessed.
 *
 * @param currency - where a line names none; may be empty
 */
export function* priceSteps({
  text,
  currency,
}: {
  readonly text: string;
  readonly currency: string;
}): Steps<PriceList> {
  const count = text.split(/\r?\n/).filter((line) => /\S/.test(line)).length;
  if (count > MAX_PRICE_LINES + 1) return { code: 'too-many', lines: count, max: MAX_PRICE_LINES };
  yield 0;
  const { lines, problems } = linesOf(text);
  const signs = signsIn(lines.map(({ cells }) => cells.price ?? ''));
  const offers: Omit<Offer, 'id'>[] = [];
  const left: PriceProblem[] = [...problems];
  for (const [at, line] of lines.entries()) {
    if (at % 50 === 0) yield at / lines.length;
    const read = offerOf(line, signs, currency);
    if ('code' in read) left.push({ ...read, line: line.number } as PriceProblem);
    else offers.push(read);
  }
  return { code: 'read', offers, problems: left.sort((a, b) => a.line - b.line) };
}

/** The same at once. */
export const readPrices = (text: string, currency = ''): PriceList => finish(priceSteps({ text, currency }));

import { RATE_UNIT } from '../../../core/units/spelling.ts';
import { readRateMbps } from './cells.ts';
import type { ModeColumn } from './columns.ts';

/** The columns that ragged text is sorted into. */
export const LOOSE_COLUMNS = ['name', 'size', 'fps', 'codec', 'rate'] as const satisfies readonly ModeColumn[];

// Not the end of a name: in `H.265 150 Mbps` the rate is 150, and in `60 150 Mbps` too.
const NUMBER = String.raw`(?<![\w.,])\d[\d.,]*`;
/** Thousands set apart by blanks: only rates in kilobits are that long. */
const GROUPED = String.raw`(?<![\w.,])\d{1,3}(?: \d{3}(?!\d))+(?=\s*k)`;
const SPEED = String.raw`\d+(?:[.,]\d+)?\s*(?:p|i|fps)\b`;
const BARE_SPEED = String.raw`\d+(?:[.,]\d+)?\s*(?:p|fps)?`;

/** A rate that says its unit. */
const WITH_UNIT = new RegExp(
  String.raw`(?:(?:up to|max\.?|about|approx\.?|ca\.?)\s*)?(?:${GROUPED}|${NUMBER})\s*${RATE_UNIT}(?!\p{L})(?:\s*(?:max\.?|vbr|cbr))?`,
  'iu',
);

/** How each figure looks wherever it stands in a line; what was taken is not looked at again. */
const LOOKS: readonly (readonly [(typeof LOOSE_COLUMNS)[number], RegExp])[] = [
  ['rate', WITH_UNIT],
  ['size', /\d{3,5}\s*[x×*]\s*\d{3,5}/i],
  [
    'fps',
    new RegExp(String.raw`${BARE_SPEED}\s*(?:→|->)\s*${SPEED}|${SPEED}(?:\s*(?:\/|,|→|->|to)\s*${BARE_SPEED})*`, 'i'),
  ],
  ['codec', /\b(?:all[- ]?intra|all-i|intra|long[- ]?gop|ipb|raw)\b/i],
  ['fps', /(?<![\d.,:])\d{2,3}(?:\.\d+)?\s*\/\s*\d{2,3}(?:\.\d+)?(?![\d:])/],
  [
    'size',
    /\b(?:8k|4k|c4k)\s*(?:dci|uhd|16:9|17:9)|\b(?:dci\s*(?:8k|4k)|uhd|fhd|full\s*hd|c4k|2160p|1080[pi]|720p)\b/i,
  ],
  // Mega of what nobody said: the unit is asked for.
  ['rate', /(?<=\s)\d[\d.,]*\s*M\b(?!\w)/],
  // A bare number at the end of a line: the rate, in the unit that is asked for.
  ['rate', new RegExp(String.raw`(?<=\s)${NUMBER}\s*$`)],
  // And a bare one left of it that is a speed of the trade.
  [
    'fps',
    /(?<![\w.,:/-])(?:23\.976|23\.98|24|25|29\.97|30|47\.95|48|50|59\.94|60|100|119\.88|120|150|180|200|239\.76|240)(?![\d.,:/-]|\s*bit)/,
  ],
];

/** Two spellings of one rate, as `600 Mbps (75 MB/s)`, lie this near: one of them is rounded [A]. */
const ONE_RATE = 0.02;

/** All rates of a line that say their unit: one is as it stands, several are told side by side, so that none of them is taken for the only one. */
function ratesIn(line: string, look: RegExp): { readonly text: string; readonly pieces: readonly string[] } | null {
  const pieces = [...line.matchAll(new RegExp(look.source, `${look.flags}g`))].map(([piece]) => piece);
  if (pieces.length === 0) return null;
  const values = pieces.map((piece) => readRateMbps(piece, null, 'point') ?? Number.NaN);
  const isOne = values.every((value) => Math.abs(value / Math.max(...values) - 1) <= ONE_RATE);
  const most = pieces[values.indexOf(Math.max(...values))] ?? pieces[0] ?? '';
  return { text: isOne ? most : pieces.length === 1 ? (pieces[0] ?? '') : pieces.join(' / '), pieces };
}

/** The cells of a line of ragged text: figures by their look, and all that is left as the name. */
export function looseCells(line: string): string[] {
  const isFootnote = /^\s*(?:[*※†‡]|note\b)/i.test(line);
  let rest = ` ${line.trim()} `;
  const found = new Map<string, string>();
  for (const [column, look] of LOOKS) {
    if (isFootnote || found.has(column)) continue;
    if (look === WITH_UNIT) {
      const rates = ratesIn(rest, look);
      if (!rates) continue;
      found.set(column, rates.text.trim());
      rest = rates.pieces.reduce((line, piece) => line.replace(piece, ' \u0000 '), rest);
      continue;
    }
    const text = look.exec(rest)?.[0];
    if (text === undefined) continue;
    found.set(column, text.trim());
    rest = rest.replace(text, ' \u0000 ');
  }
  const name = rest
    .split('\u0000')
    .map((piece) => piece.replace(/\s+/g, ' ').trim())
    .filter((piece) => /[\p{L}\d]/u.test(piece))
    .join(' ')
    .replace(/^[\s,;:·•-]+|[\s,;:·•-]+$/g, '');
  return LOOSE_COLUMNS.map((column) => (column === 'name' ? name : (found.get(column) ?? '')));
}

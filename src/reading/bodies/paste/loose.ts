import { RATE_UNIT } from '../../../core/units/spelling.ts';
import type { ModeColumn } from './columns.ts';

/** The columns that ragged text is sorted into. */
export const LOOSE_COLUMNS = ['name', 'size', 'fps', 'codec', 'rate'] as const satisfies readonly ModeColumn[];

// Not the end of a name: in `H.265 150 Mbps` the rate is 150, and in `60 150 Mbps` too.
const NUMBER = String.raw`(?<![\w.,])\d[\d.,]*`;
/** Thousands set apart by blanks: only rates in kilobits are that long. */
const GROUPED = String.raw`(?<![\w.,])\d{1,3}(?: \d{3}(?!\d))+(?=\s*k)`;
const SPEED = String.raw`\d+(?:[.,]\d+)?\s*(?:p|i|fps)\b`;
const BARE_SPEED = String.raw`\d+(?:[.,]\d+)?\s*(?:p|fps)?`;

/** How each figure looks wherever it stands in a line; what was taken is not looked at again. */
const LOOKS: readonly (readonly [(typeof LOOSE_COLUMNS)[number], RegExp])[] = [
  [
    'rate',
    new RegExp(
      String.raw`(?:(?:up to|max\.?|about|approx\.?|ca\.?)\s*)?(?:${GROUPED}|${NUMBER})\s*${RATE_UNIT}(?!\p{L})(?:\s*(?:max\.?|vbr|cbr))?`,
      'iu',
    ),
  ],
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

/** The cells of a line of ragged text: figures by their look, and all that is left as the name. */
export function looseCells(line: string): string[] {
  const isFootnote = /^\s*(?:[*※†‡]|note\b)/i.test(line);
  let rest = ` ${line.trim()} `;
  const found = new Map<string, string>();
  for (const [column, look] of LOOKS) {
    const text = isFootnote || found.has(column) ? undefined : look.exec(rest)?.[0];
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

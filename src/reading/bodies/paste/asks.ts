import { tokenize } from '../../../core/cards/tokenize.ts';
import { keptSpelling } from '../../../core/cards/vocabulary.ts';
import type { Requirement, WhenMissing } from '../../../core/kit/model.ts';

const NOTHING = /^(?:[-–—*\s./]|any|all|none|no|n\/a|not\s+required|every\s+card)*$/i;
/** Words that say nothing of which mark it is. */
const ASIDE =
  /\b(?:or|and|higher|faster|better|above|later|over|up|more|least|at|cards?|memory|media|class|speed|only|with|use|using|an?|the|is|are|supporting|compatible|recommended|required|needed|necessary|minimum|rated)\b|[+≥>().]/gi;
/** Classes as manuals write them out, and as cards print them. */
const WRITTEN_OUT: readonly (readonly [RegExp, string])[] = [
  [/\bvideo\s+speed\s+class\s+(\d{1,2})\b/gi, 'V$1'],
  [/\buhs\s+speed\s+class\s+([13])\b/gi, 'U$1'],
  [/\bspeed\s+class\s+(2|4|6|10)\b/gi, 'C$1'],
];
const asPrinted = (text: string): string =>
  WRITTEN_OUT.reduce((short, [pattern, mark]) => short.replace(pattern, mark), text);

/** Whether a cell names a mark that a card may carry. */
export const namesMark = (text: string): boolean =>
  tokenize(asPrinted(text)).some(({ kind }) => kind === 'mark' || kind === 'app' || kind === 'bus');

/**
 * What a cell asks of a card: marks set apart by a stroke or `or` are one requirement, of which any will do; those that only
 * stand beside each other are asked for each. Names of forms say where, and nothing more.
 *
 * @returns null where a word of it is not understood
 */
export function readAsks(text: string, whenMissing: WhenMissing): readonly Requirement[] | null {
  if (NOTHING.test(text)) return [];
  const isEither = /\/|\bor\b(?!\s+(?:higher|faster|better|above|more|later))|,/i.test(text);
  const tokens = tokenize(asPrinted(text).replace(/[/,+]/g, ' ').replace(ASIDE, ' '));
  const words: string[] = [];
  for (const token of tokens) {
    if (token.kind === 'mark' || token.kind === 'app' || token.kind === 'bus' || token.kind === 'family') {
      const word = keptSpelling(token);
      if (word) words.push(word);
    } else if (!['form', 'version', 'word'].includes(token.kind)) return null;
  }
  if (words.length === 0) return tokens.some(({ kind }) => kind === 'form') ? [] : null;
  return isEither ? [{ anyOf: words, whenMissing }] : words.map((word) => ({ anyOf: [word], whenMissing }));
}

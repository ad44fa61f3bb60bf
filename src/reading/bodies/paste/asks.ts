import { tokenize } from '../../../core/cards/tokenize.ts';
import { keptSpelling } from '../../../core/cards/vocabulary.ts';
import type { Requirement, WhenMissing } from '../../../core/kit/model.ts';

const NOTHING = /^(?:[-–—*\s./]|any|all|none|no|n\/a|not\s+required|every\s+card)*$/i;
/** Words that say nothing of which mark it is. */
const ASIDE =
  /\b(?:or|and|higher|faster|better|above|later|over|up|more|least|at|cards?|memory|media|class|speed|only|with|supporting|compatible|recommended|required|minimum|rated)\b|[+≥>()]/gi;

/** Whether a cell names a mark that a card may carry. */
export const namesMark = (text: string): boolean =>
  tokenize(text).some(({ kind }) => kind === 'mark' || kind === 'app' || kind === 'bus');

/**
 * What a cell asks of a card: marks set apart by a stroke or `or` are one requirement, of which any will do; those that only
 * stand beside each other are asked for each. Names of forms say where, and nothing more.
 *
 * @returns null where a word of it is not understood
 */
export function readAsks(text: string, whenMissing: WhenMissing): readonly Requirement[] | null {
  if (NOTHING.test(text)) return [];
  const isEither = /\/|\bor\b(?!\s+(?:higher|faster|better|above|more|later))|,/i.test(text);
  const tokens = tokenize(text.replace(/[/,+]/g, ' ').replace(ASIDE, ' '));
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

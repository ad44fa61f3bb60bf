import { MARK_KEYS, type Mark, mark, type Series } from '../standards/marks.ts';
import { editDistance } from './editDistance.ts';
import { SUGGESTED } from './vocabulary.ts';

const WORDS = [
  ...SUGGESTED,
  'mirrored',
  'relay',
  'split',
  'long-GOP',
  'intra',
  'raw',
  'on',
  'for',
  'captured',
  'recorded',
  'plays',
  'Mb/s',
  'MB/s',
  'GB',
  'min',
  ...MARK_KEYS,
  'A1',
  'A2',
] as const;

/** Up to three words of the vocabulary nearest to a mistyped one; empty when nothing is near. */
export function nearestWords(text: string): readonly string[] {
  const typed = text.toLowerCase();
  // Two letters are near to too much: a maker's or a colour's is none of these.
  if (typed.length < 3 && !/\d/.test(typed)) return [];
  const limit = typed.length <= 4 ? 1 : 2;
  return WORDS.map((word) => ({ word, distance: editDistance(typed, word.toLowerCase()) }))
    .filter(({ word, distance }) => distance <= limit && word !== text)
    .sort((a, b) => a.distance - b.distance)
    .slice(0, 3)
    .map(({ word }) => word);
}

/** The marks of a series nearest in value to a number that no mark has: U2 → U1, U3. */
export function nearestMarks(series: Series, value: number): readonly Mark[] {
  return MARK_KEYS.filter((key) => mark(key).series === series)
    .map((key) => ({ key, apart: Math.abs(Number(key.replace(/\D/g, '')) - value) }))
    .sort((a, b) => a.apart - b.apart)
    .slice(0, 2)
    .map(({ key }) => key);
}

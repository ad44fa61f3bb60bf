import { isHarmless } from '../../cards/labelProblems.ts';
import type { Random } from '../../heat/writepath/random.ts';
import { twoRowMarks } from '../../standards/marks.ts';
import { pick, shuffled } from '../draw.ts';
import { aFace, contradicts, type Face, faceProblems, faceText, familyWord } from '../face.ts';
import type { Choice } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';

/** A label that speaks against itself, in the way of the topic. */
function odd(random: Random, slip: Slip): Face {
  const face = aFace(random, pick(random, ['I', 'II']));
  switch (slip) {
    // A capacity outside the family that is printed.
    case 'doubt': {
      const other = pick(
        random,
        ['SDHC', 'SDXC', 'SDUC'].filter((word) => word !== familyWord(face.capacityGB)),
      );
      return { ...face, words: [other, ...face.words.slice(1)] };
    }
    case 'not-in-force':
      return aFace(
        random,
        'I',
        pick(random, [
          ...twoRowMarks().map((key) => ['U3', key]),
          ...twoRowMarks()
            .slice(-1)
            .map((key) => [key, 'C10']),
        ]),
      );
    case 'roman':
      return { ...face, words: [familyWord(face.capacityGB), 'I', 'II', 'U3', 'V30'] };
    default:
      return aFace(random, 'II', ['U1', pick(random, ['U3', 'V30', ...twoRowMarks()])]);
  }
}

/** Labels that only look odd, and plain ones; each with the slip of taking it for a contradiction. */
function sound(random: Random): { readonly face: Face; readonly slip: Slip } {
  const kind = Math.floor(random() * 4);
  if (kind === 0) return { face: aFace(random, 'II', ['C10', 'U1', 'V10']), slip: 'harmless' };
  // Above what UHS-I carries: reached in the maker’s own reader.
  if (kind === 1)
    return {
      face: { ...aFace(random, 'I', ['U3', 'V30']), readMBps: pick(random, [160, 170, 180, 200]) },
      slip: 'harmless',
    };
  if (kind === 2) {
    const face = aFace(random, 'II', [pick(random, twoRowMarks())]);
    // No numeral printed: the mark itself means UHS-II.
    return { face: { ...face, words: face.words.filter((word) => word !== 'II') }, slip: 'harmless' };
  }
  return { face: aFace(random, pick(random, ['I', 'II'])), slip: 'off' };
}

const hasHarmless = (face: Face): boolean => faceProblems(face).some(isHarmless);

/** Which of several labels contradicts itself. */
export function makeContradict({ random, level, slip }: Making): Draft | null {
  const bad = odd(random, slip);
  if (!contradicts(bad)) return null;
  const choices: Choice[] = [{ value: { kind: 'face', face: bad, price: null }, slip: null }];
  const seen = new Set([faceText(bad)]);
  while (choices.length < (level === 1 ? 3 : 4)) {
    const { face, slip: taken } = sound(random);
    if (contradicts(face) || seen.has(faceText(face))) continue;
    // Of a topic about harmless oddities at least one stands beside.
    if (slip === 'harmless' && choices.length === 1 && !hasHarmless(face)) continue;
    if (slip === 'harmless' && choices.length === 1 && taken !== 'harmless') continue;
    seen.add(faceText(face));
    choices.push({ value: { kind: 'face', face, price: null }, slip: choices.length === 1 ? slip : taken });
  }
  return { facts: { kind: 'contradict' }, choices: shuffled(random, choices), typed: null };
}

import { type Bus, bus, busCeiling, busInForce } from '../../standards/buses.ts';
import { isMark, type Mark, mark, promisedMBps, twoRowMarks } from '../../standards/marks.ts';
import { choicesOf, type Wrong } from '../choose.ts';
import { pick } from '../draw.ts';
import { aFace, contradicts, type Face, faceLabel, familyWord, promiseIn } from '../face.ts';
import type { AnswerValue } from '../question.ts';
import type { Draft, Making } from './making.ts';

const rate = (MBps: number): AnswerValue => ({ kind: 'rate', bytesPerSecond: MBps * 1e6, unit: 'MB/s' });
const NOTHING: AnswerValue = { kind: 'nothing' };

const without = (face: Face, word: string): Face => ({ ...face, words: face.words.filter((one) => one !== word) });

/** A face and a slot on which the slip can be made. */
function subject({ random, slip, level }: Making): { readonly face: Face; readonly slot: Bus } | null {
  switch (slip) {
    case 'not-in-force':
      return {
        face: aFace(
          random,
          'II',
          pick(random, [
            ...twoRowMarks().map((key) => ['U3', key]),
            ...twoRowMarks()
              .slice(-1)
              .map((key) => [key]),
            ...twoRowMarks()
              .slice(0, 1)
              .map((key) => ['U3', key, 'A1']),
          ]),
        ),
        slot: pick(random, level === 1 ? ['uhs-i'] : ['uhs-i', 'uhs-i', 'sd-express-1', 'uhs-i-50']),
      };
    case 'peak':
      return random() < 0.6
        ? { face: aFace(random, random() < 0.5 ? 'I' : 'II'), slot: pick(random, ['uhs-i', 'uhs-ii']) }
        : { face: aFace(random, 'I', []), slot: pick(random, ['uhs-i', 'uhs-ii']) };
    case 'roman':
      return { face: aFace(random, pick(random, ['I', 'II'])), slot: pick(random, ['uhs-i', 'uhs-ii', 'uhs-iii']) };
    case 'bus':
      return { face: aFace(random, pick(random, ['I', 'II'])), slot: pick(random, ['uhs-i', 'uhs-ii']) };
    case 'doubt': {
      const face = aFace(random, 'II', ['U1', pick(random, ['V30', ...twoRowMarks()])]);
      const other = { ...face, words: [familyWord(face.capacityGB), 'I', 'U3', pick(random, twoRowMarks())] };
      return { face: pick(random, [face, other]), slot: 'uhs-ii' };
    }
    case 'app-class':
      return {
        face: aFace(random, 'I', pick(random, [['A1'], ['A2']])),
        slot: pick(random, level === 1 ? ['uhs-i'] : ['uhs-i', 'uhs-ii', 'high-speed']),
      };
    default:
      return null;
  }
}

/** What the numeral is taken for: I for the grade 1, III for the grade 3, U3 for UHS-III. */
function romanMBps(words: readonly string[]): number | null {
  if (words.includes('U3')) return (busCeiling('uhs-iii', 'sd') ?? 0) / 1e6;
  return words.includes('I') ? promisedMBps('U1') : null;
}

/** Every mistake that the face invites, with what it comes to. */
function wrongsOf(face: Face, slot: Bus): readonly Wrong[] {
  const label = faceLabel(face);
  const own = label.bus ?? 'uhs-i';
  const inForce = busInForce(slot, own);
  const ceiling = inForce === null ? null : busCeiling(inForce, face.form);
  const marks = face.words.filter(isMark) as readonly Mark[];
  const best = marks.reduce((most, key) => Math.max(most, mark(key).promisesMBps), 0);
  const roman = romanMBps(face.words);
  const apps = face.words.some((word) => word === 'A1' || word === 'A2');
  return [
    ...(best > 0 && !contradicts(face) ? [{ slip: 'not-in-force', value: rate(best) } as const] : []),
    ...(best > 0 && contradicts(face) ? [{ slip: 'doubt', value: rate(best) } as const] : []),
    ...(face.readMBps === null ? [] : [{ slip: 'peak', value: rate(face.readMBps) } as const]),
    ...(ceiling === null ? [] : [{ slip: 'bus', value: rate(ceiling / 1e6) } as const]),
    ...(roman === null ? [] : [{ slip: 'roman', value: rate(roman) } as const]),
    ...(apps ? [{ slip: 'app-class', value: NOTHING } as const, { slip: 'app-class', value: rate(30) } as const] : []),
    { slip: 'off', value: rate(10) },
    { slip: 'off', value: NOTHING },
  ];
}

/** What a label promises in a slot: a face drawn, a bus named. */
export function makeLabel(making: Making): Draft | null {
  const { random, level, slip } = making;
  const found = subject(making);
  if (!found) return null;
  const { slot } = found;
  // An oddity that is not the question’s own would be one more thing to know.
  const face = slip === 'roman' && random() < 0.3 ? without(found.face, 'V30') : found.face;
  if (contradicts(face) !== (slip === 'doubt')) return null;
  if (!bus(slot).forms.includes(face.form)) return null;
  const promised = promiseIn(face, slot);
  const right = promised === null ? NOTHING : rate(promised / 1e6);
  const choices = choicesOf(random, right, wrongsOf(face, slot), { slip, level });
  return choices && { facts: { kind: 'label', face, slot }, choices, typed: null };
}

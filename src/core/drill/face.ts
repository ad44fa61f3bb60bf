import { isContradiction, type LabelProblem, labelProblems } from '../cards/labelProblems.ts';
import { type PrintedLabel, readLabel } from '../cards/readLabel.ts';
import type { Random } from '../heat/writepath/random.ts';
import type { Card } from '../kit/model.ts';
import { pairFit } from '../match/pairFit.ts';
import type { Bus } from '../standards/buses.ts';
import { familyOf } from '../standards/families.ts';
import type { Form } from '../standards/forms.ts';
import { twoRowMarks } from '../standards/marks.ts';
import { sizesOf } from '../standards/sizes.ts';
import type { BytesPerSecond } from '../units/brand.ts';
import { fromGigabytes } from '../units/convert.ts';
import { pick } from './draw.ts';

/** What is drawn on a card of a question: made up, as no maker prints it. */
export interface Face {
  readonly form: Form;
  readonly capacityGB: number;
  /** Family, bus and marks, as a card of the kit keeps them. */
  readonly words: readonly string[];
  /** The big number; null where none is printed. */
  readonly readMBps: number | null;
}

/** A face as it would be typed. */
export const faceText = ({ form, capacityGB, words, readMBps }: Face): string =>
  [
    form === 'sd' ? '' : form === 'microsd' ? 'microSD' : form.replace('-', ' '),
    `${capacityGB}GB`,
    ...words,
    readMBps === null ? '' : `${readMBps}MB/s`,
  ]
    .filter(Boolean)
    .join(' ');

/** A face as the label reader reads it. */
export const faceLabel = (face: Face): PrintedLabel => readLabel(faceText(face));

/** What is wrong with a face, harmless things too. */
export const faceProblems = (face: Face): readonly LabelProblem[] => labelProblems(faceLabel(face));

/** Whether a face speaks against itself. */
export const contradicts = (face: Face): boolean => faceProblems(face).some(isContradiction);

/** A face as a card of the kit. */
export const faceCard = ({ form, capacityGB, words, readMBps }: Face, id = 'face'): Card => ({
  id,
  label: id,
  form,
  capacityGB,
  usableGB: null,
  marks: words,
  bus: null,
  readMBps,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
});

/** What a face promises in a slot of a bus, by the rules of the board; null: nothing. */
export function promiseIn(face: Face, slot: Bus): BytesPerSecond | null {
  const fit = pairFit(
    {
      id: 'slot',
      name: 'Slot',
      accepts: [{ form: face.form, bus: slot }],
      family: 'sduc',
      promisedMaxGB: null,
    },
    faceCard(face),
  );
  return fit.fits ? fit.floor : null;
}

const SIZES_GB = sizesOf('sd').filter((GB) => GB >= 32 && GB <= 1000);

/** The family that a capacity prints. */
export const familyWord = (capacityGB: number): string => (familyOf(fromGigabytes(capacityGB)) ?? 'sduc').toUpperCase();

/** A size that is sold. */
const aSize = (random: Random): number => pick(random, SIZES_GB);

/** Marks as they stand together on cards of a bus. */
const PRINTS: Readonly<Record<'I' | 'II', readonly (readonly string[])[]>> = {
  I: [['U1', 'C10'], ['U1'], ['U3', 'V30'], ['U3', 'V30', 'A2'], ['U3', 'A1'], ['C10', 'V10', 'U1']],
  II: [
    ...twoRowMarks().map((key) => ['U3', key]),
    ['U3', 'V30'],
    ...twoRowMarks()
      .slice(0, 1)
      .map((key) => [key]),
    ...twoRowMarks()
      .slice(-1)
      .map((key) => ['U3', key, 'C10']),
  ],
};

const READS: Readonly<Record<'I' | 'II', readonly number[]>> = {
  I: [80, 90, 95, 100, 104],
  II: [150, 180, 200, 250, 260, 280, 300],
};

/** An SD face of one bus that says nothing wrong. */
export function aFace(random: Random, numeral: 'I' | 'II', marks?: readonly string[]): Face {
  const capacityGB = aSize(random);
  return {
    form: 'sd',
    capacityGB,
    words: [familyWord(capacityGB), numeral, ...(marks ?? pick(random, PRINTS[numeral]))],
    readMBps: pick(random, READS[numeral]),
  };
}

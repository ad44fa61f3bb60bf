import type { Random } from '../heat/writepath/random.ts';
import { shuffled } from './draw.ts';
import type { AnswerValue, Choice, Level } from './question.ts';
import type { Slip } from './slips.ts';

/** A wrong answer and the slip it comes of. */
export interface Wrong {
  readonly value: AnswerValue;
  readonly slip: Slip;
}

/** The number of an answer, where it has one that lies near others. */
function figureOf(value: AnswerValue): number | null {
  switch (value.kind) {
    case 'rate':
      return value.bytesPerSecond;
    case 'per-minute':
    case 'room':
      return value.GB;
    case 'minutes':
      return value.minutes;
    case 'seconds':
      return value.seconds;
    case 'count':
      return value.count;
    case 'nothing':
      return 0;
    default:
      return null;
  }
}

/** Two answers nearer than this could be taken for one another by somebody who reckons well: 12 % [A]. */
const APART = 0.12;

const alike = (a: AnswerValue, b: AnswerValue): boolean => {
  const [x, y] = [figureOf(a), figureOf(b)];
  if (x === null || y === null) return JSON.stringify(a) === JSON.stringify(b);
  // Cards are counted, and the room of a card is read off it: there a small difference is one.
  const share = a.kind === 'count' ? 0 : a.kind === 'room' ? 0.03 : APART;
  const apart = share * Math.max(Math.abs(x), Math.abs(y));
  return Math.abs(x - y) <= apart;
};

/** How many answers a level offers. */
const ANSWERS: Readonly<Record<Level, number>> = { 1: 3, 2: 4, 3: 4 };

/**
 * The answers to choose from: the right one, the slip that the topic is about, and others, none like another.
 *
 * @returns null where the topic’s slip comes to the right answer, or there are too few that differ
 */
export function choicesOf(
  random: Random,
  right: AnswerValue,
  wrongs: readonly Wrong[],
  { slip, level }: { readonly slip: Slip; readonly level: Level },
): readonly Choice[] | null {
  const lead = wrongs.find((one) => one.slip === slip);
  if (!lead || alike(lead.value, right)) return null;
  const choices: Choice[] = [{ value: right, slip: null }, lead];
  for (const one of shuffled(random, wrongs)) {
    if (choices.length === ANSWERS[level]) break;
    if (!choices.some(({ value }) => alike(value, one.value))) choices.push(one);
  }
  return choices.length < 3 ? null : shuffled(random, choices);
}

import type { Arrangement } from '../../kit/model.ts';
import { choicesOf, type Wrong } from '../choose.ts';
import { pick } from '../draw.ts';
import type { Level } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';
import { plannedOf } from './minutes.ts';
import { aMode } from './subjects.ts';

const SIZES: Readonly<Record<Level, readonly number[]>> = {
  1: [128, 256],
  2: [128, 256, 512],
  3: [120, 160, 325, 512],
};
const MBPS: Readonly<Record<Level, readonly number[]>> = {
  1: [200, 400],
  2: [240, 400, 600],
  3: [218, 356, 437, 553, 681],
};

/** What an afternoon takes. */
export interface Afternoon {
  readonly planned: number;
  /** Length of the afternoon, minutes, and the share of it that rolls. */
  readonly minutes: number;
  readonly rolling: number;
  readonly arrangement: Arrangement;
}

/** Cards that an afternoon fills, each taken to the end before it is changed; both of a mirrored pair. */
export const cardsNeeded = ({ planned, minutes, rolling, arrangement }: Afternoon): number =>
  Math.ceil((minutes * rolling) / planned - 1e-9) * (arrangement === 'mirrored' ? 2 : 1);

/** How many cards an afternoon needs. */
export function makeAfternoon({ random, level, slip }: Making): Draft | null {
  const capacityGB = pick(random, SIZES[level]);
  const mode = aMode(pick(random, MBPS[level]));
  const planned = plannedOf(mode, capacityGB);
  if (planned === null) return null;
  const arrangement: Arrangement = slip === 'mirrored' ? 'mirrored' : pick(random, ['single', 'relay']);
  const rolling = slip === 'rolling' ? pick(random, [0.25, 0.5, 0.6]) : level === 1 ? 1 : pick(random, [1, 0.8]);
  const minutes = pick(random, [90, 120, 150, 180, 240, 300]);
  const told = { planned, minutes, rolling, arrangement };
  const right = cardsNeeded(told);
  const fills = (minutes * rolling) / planned;
  if (right > 12 || fills < 1.2) return null;
  const each = arrangement === 'mirrored' ? 2 : 1;
  const off: readonly (readonly [Slip, number])[] = [
    ['mirrored', arrangement === 'mirrored' ? right / 2 : right * 2],
    ['rolling', cardsNeeded({ ...told, rolling: 1 })],
    ['rounding', Math.floor(fills) * each],
    ['factor-eight', Math.max(1, Math.ceil(fills / 8)) * each],
    ['off', right + each],
  ];
  // Nearly full counts as a fill by some and not by others: such a question has no one answer.
  const part = fills - Math.floor(fills);
  if (part < 0.1 || part > 0.9) return null;
  const wrongs = off.map(([code, count]): Wrong => ({ slip: code, value: { kind: 'count', count } }));
  const choices = choicesOf(random, { kind: 'count', count: right }, wrongs, { slip, level });
  return (
    choices && {
      facts: { kind: 'afternoon', mode, capacityGB, arrangement, minutes, rolling },
      choices,
      typed: null,
    }
  );
}

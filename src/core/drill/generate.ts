import { seeded } from '../heat/writepath/random.ts';
import { makeAfternoon } from './kinds/afternoon.ts';
import { makeBits } from './kinds/bits.ts';
import { makeCheapest } from './kinds/cheapest.ts';
import { makeContradict } from './kinds/contradict.ts';
import { makeCounter } from './kinds/counter.ts';
import { makeLabel } from './kinds/label.ts';
import type { Draft, DrillKit, Making } from './kinds/making.ts';
import { makeMinutes } from './kinds/minutes.ts';
import { makeOwn } from './kinds/own.ts';
import { makeSlowMotion } from './kinds/slowMotion.ts';
import { makeStopped } from './kinds/stopped.ts';
import type { Level, Question } from './question.ts';
import type { DrillKind, Topic } from './topics.ts';

const MAKERS: Readonly<Record<DrillKind, (making: Making) => Draft | null>> = {
  bits: makeBits,
  label: makeLabel,
  contradict: makeContradict,
  cheapest: makeCheapest,
  minutes: makeMinutes,
  'slow-motion': makeSlowMotion,
  counter: makeCounter,
  stopped: makeStopped,
  afternoon: makeAfternoon,
  own: makeOwn,
};

/** Draws before a kind is given up: only questions about one’s own kit can have none. */
const MOST_DRAWS = 400;
const OWN_DRAWS = 40;

/** What a question is asked for. */
export interface Wish {
  readonly topic: Topic;
  readonly level: Level;
  /** Any whole number: the same gives the same question. */
  readonly seed: number;
  /** Null where one’s own kit is not asked about. */
  readonly kit: DrillKit | null;
}

/**
 * A question on a topic, drawn from a seed. A draw that would have two right answers, or none, is thrown away and made anew.
 *
 * @returns the question; null where one’s own kit has none on this topic
 */
export function generate({ topic, level, seed, kit }: Wish): Question | null {
  const random = seeded(seed);
  const make = MAKERS[topic.kind];
  for (let draw = 0; draw < (topic.kind === 'own' ? OWN_DRAWS : MOST_DRAWS); draw += 1) {
    const draft = make({ random, level, slip: topic.slip, kit });
    if (draft) return { topic, level, ...draft };
  }
  return null;
}

/** What makes two questions the same to somebody who answers them. */
export const likeness = ({ facts, choices }: Question): string =>
  JSON.stringify([facts, choices.map(({ value }) => JSON.stringify(value)).sort()]);

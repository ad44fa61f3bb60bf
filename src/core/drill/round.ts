import { seeded } from '../heat/writepath/random.ts';
import { difficultyOf } from './difficulty.ts';
import { shuffled } from './draw.ts';
import { generate, likeness } from './generate.ts';
import type { DrillKit } from './kinds/making.ts';
import type { Level, Question } from './question.ts';
import type { Topic } from './topics.ts';

/** Questions of a round: about two minutes. */
export const ROUND_LENGTH = 8;

/** A topic with how hard its questions are to be. */
export interface Asked {
  readonly topic: Topic;
  readonly level: Level;
}

/** What a round is made from. */
export interface RoundWish {
  /** In the order in which they are wanted; a round takes from the front, and begins again where there are few. */
  readonly asked: readonly Asked[];
  /** Any whole number: the same gives the same round. */
  readonly seed: number;
  readonly kit: DrillKit | null;
  /** How hard questions are to be, 0 to 1: of a few that were drawn the nearest is asked. */
  readonly wanted?: number;
  readonly length?: number;
}

/** A question with the seed it was drawn from. */
export interface RoundQuestion {
  readonly question: Question;
  readonly seed: number;
}

/** Questions drawn for one that is asked, where a difficulty is wanted. */
const DRAWN = 3;

/** Ways of drawing one question anew, where it is like another of the round. */
const MOST_ANEW = 30;

/**
 * A round: its topics in another order, no two questions alike. Shorter where one’s own kit has not enough of them.
 *
 * @param wish - at least one topic
 */
export function roundOf({ asked, seed, kit, wanted, length = ROUND_LENGTH }: RoundWish): readonly RoundQuestion[] {
  const random = seeded(seed);
  const found: RoundQuestion[] = [];
  const seen = new Set<string>();
  const empty = new Set<Topic>();
  for (let at = 0; found.length < length && at < length * 4 && empty.size < asked.length; at += 1) {
    const wish = asked[at % asked.length];
    if (!wish || empty.has(wish.topic)) continue;
    for (let anew = 0; anew < MOST_ANEW; anew += 1) {
      const drawn = Array.from({ length: wanted === undefined ? 1 : DRAWN }, () => Math.floor(random() * 2 ** 31));
      const best = nearest(drawn, wanted ?? 0, (own) => generate({ ...wish, seed: own, kit }));
      const { question = null, seed: own = 0 } = best ?? {};
      if (!question) empty.add(wish.topic);
      if (!question || seen.has(likeness(question))) {
        if (question) continue;
        break;
      }
      seen.add(likeness(question));
      found.push({ question, seed: own });
      break;
    }
  }
  return shuffled(random, found);
}

/** Of several draws the one whose difficulty lies nearest what is wanted; null where none is a question. */
function nearest(
  seeds: readonly number[],
  wanted: number,
  make: (seed: number) => Question | null,
): RoundQuestion | null {
  const made = seeds.flatMap((seed): RoundQuestion[] => {
    const question = make(seed);
    return question ? [{ question, seed }] : [];
  });
  const off = ({ question }: RoundQuestion): number => Math.abs(difficultyOf(question) - wanted);
  return made.reduce<RoundQuestion | null>((best, one) => (best === null || off(one) < off(best) ? one : best), null);
}

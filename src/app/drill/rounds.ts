import { generate, likeness } from '../../core/drill/generate.ts';
import type { Given, Judged } from '../../core/drill/judge.ts';
import type { DrillKit } from '../../core/drill/kinds/making.ts';
import { type RoundQuestion, roundOf } from '../../core/drill/round.ts';
import { DRILL_KINDS, type DrillKind } from '../../core/drill/topics.ts';
import type { DrillProgress } from '../../core/kit/drill.ts';
import { planRound, wantedDifficulty } from './planRound.ts';

export { judge } from '../../core/drill/judge.ts';
export type { RoundQuestion } from '../../core/drill/round.ts';

/** A question that was answered, with what came of it. */
export interface Played {
  readonly one: RoundQuestion;
  readonly given: Given;
  readonly judged: Judged;
}

/** Seconds of a round that is timed. */
export const ROUND_SECONDS = 120;

/** A seed of its own for every round. */
export const newSeed = (): number => crypto.getRandomValues(new Uint32Array(1))[0] ?? 1;

/** Whether a text in an address is a kind. */
export const isKind = (text: string | null): text is DrillKind =>
  text !== null && DRILL_KINDS.includes(text as DrillKind);

interface RoundStart {
  readonly drills: readonly DrillProgress[];
  readonly kit: DrillKit;
  /** Null: all of them. */
  readonly kind: DrillKind | null;
  readonly day: string;
  readonly seed: number;
}

/** The questions of a round. Empty only where one’s own kit has nothing to ask. */
export const startRound = ({ drills, kit, kind, day, seed }: RoundStart): readonly RoundQuestion[] =>
  roundOf({
    asked: planRound(drills, kind === null ? DRILL_KINDS : [kind], day),
    wanted: wantedDifficulty(drills),
    seed,
    kit,
  });

/**
 * A question about one’s own kit as the kit is now: itself where nothing of it changed, another where something did, null
 * where the kit has none any more.
 */
export function renewed(one: RoundQuestion, kit: DrillKit): RoundQuestion | null {
  const { question, seed } = one;
  if (question.topic.kind !== 'own') return one;
  const now = generate({ topic: question.topic, level: question.level, seed, kit });
  if (now === null) return null;
  return likeness(now) === likeness(question) ? one : { question: now, seed };
}

import type { Random } from '../../heat/writepath/random.ts';
import type { Body, Card, Report, Test } from '../../kit/model.ts';
import type { Policy } from '../../match/policy.ts';
import type { Level, Question } from '../question.ts';
import type { Slip } from '../slips.ts';

/** The person’s own kit, for questions about it. */
export interface DrillKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly reports: readonly Report[];
  readonly policy: Policy;
}

/** What a question is made from. */
export interface Making {
  readonly random: Random;
  readonly level: Level;
  /** The slip that the topic is about: it stands among the answers. */
  readonly slip: Slip;
  readonly kit: DrillKit | null;
}

/** A question without its topic. */
export type Draft = Pick<Question, 'facts' | 'choices' | 'typed'>;

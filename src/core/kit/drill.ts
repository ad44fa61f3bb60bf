/** How far a topic has been learned, as the scheduler counts it. */
export const DRILL_STATES = ['new', 'learning', 'review', 'relearning'] as const;

/** What is kept of one topic of the drill. Topics that a version does not know are kept and not asked. */
export interface DrillProgress {
  /** The topic: `label/not-in-force`. */
  readonly id: string;
  /** When it is to come again; ISO time. */
  readonly due: string;
  readonly lastReview: string;
  /** Days until it is remembered nine times out of ten. */
  readonly stability: number;
  /** 1 easy to 10 hard for this person. */
  readonly difficulty: number;
  readonly scheduledDays: number;
  readonly state: (typeof DRILL_STATES)[number];
  /** Times answered, and times forgotten once known. */
  readonly reps: number;
  readonly lapses: number;
  readonly right: number;
  readonly wrong: number;
  /** Times it was said not to be known. */
  readonly unknown: number;
  /** How often each slip was made. */
  readonly slips: Readonly<Record<string, number>>;
}

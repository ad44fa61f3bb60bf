import type { Slip } from './slips.ts';

/** What is drilled, kind by kind: each topic is one slip to be unlearned in one kind of question. */
const BY_KIND = {
  bits: ['factor-eight', 'factor-ten', 'minute', 'binary'],
  label: ['not-in-force', 'peak', 'roman', 'bus', 'doubt', 'app-class'],
  contradict: ['doubt', 'not-in-force', 'roman', 'harmless'],
  cheapest: ['peak', 'not-in-force', 'headroom', 'overpays'],
  minutes: ['factor-eight', 'variable'],
  'slow-motion': ['not-scaled', 'wrong-way'],
  counter: ['factor-eight', 'cap'],
  stopped: ['cause', 'factor-eight'],
  afternoon: ['mirrored', 'rolling', 'rounding'],
  own: ['not-in-force', 'form'],
} as const satisfies Record<string, readonly Slip[]>;

/** A kind of question. */
export type DrillKind = keyof typeof BY_KIND;
/** Every kind, in the order in which one meets them. */
export const DRILL_KINDS = Object.keys(BY_KIND) as readonly DrillKind[];

/** One slip to be unlearned in one kind of question; what comes again when it is due. */
export interface Topic {
  /** `label/not-in-force`: kept in the kit. */
  readonly id: string;
  readonly kind: DrillKind;
  readonly slip: Slip;
}

/** Every topic, kind by kind. */
export const TOPICS: readonly Topic[] = DRILL_KINDS.flatMap((kind) =>
  BY_KIND[kind].map((slip): Topic => ({ id: `${kind}/${slip}`, kind, slip })),
);

const BY_ID: ReadonlyMap<string, Topic> = new Map(TOPICS.map((topic) => [topic.id, topic]));

/** A topic by its id; null for one that this version does not have. */
export const topicAt = (id: string): Topic | null => BY_ID.get(id) ?? null;

import type { Asked } from '../../core/drill/round.ts';
import { ROUND_LENGTH } from '../../core/drill/round.ts';
import { isSlip, type Slip } from '../../core/drill/slips.ts';
import { DRILL_KINDS, type DrillKind, TOPICS, type Topic, topicAt } from '../../core/drill/topics.ts';
import type { DrillProgress } from '../../core/kit/drill.ts';
import { dueDay, isDue, levelOf } from './schedule.ts';

type Known = ReadonlyMap<string, DrillProgress>;

const byId = (drills: readonly DrillProgress[]): Known => new Map(drills.map((one) => [one.id, one]));

/** Topics that were never met, so that each round has something of many kinds: the first of each kind, then the second. */
const fresh = (topics: readonly Topic[], known: Known): readonly Topic[] => {
  const place = (topic: Topic): number => TOPICS.filter(({ kind }) => kind === topic.kind).indexOf(topic);
  return topics.filter(({ id }) => !known.has(id)).sort((a, b) => place(a) - place(b));
};

/** Topics met for the first time in one round, where others are due: what is new must not bury what is known. */
const MOST_FRESH = 4;

/**
 * What a round asks, most wanted first: what is due, the longest first; then what was never met; then what comes next.
 *
 * @param kinds - those to draw from
 * @param day - today, as ISO date
 */
export function planRound(
  drills: readonly DrillProgress[],
  kinds: readonly DrillKind[],
  day: string,
): readonly Asked[] {
  const known = byId(drills);
  const topics = TOPICS.filter(({ kind }) => kinds.includes(kind));
  const met = topics
    .flatMap((topic) => {
      const progress = known.get(topic.id);
      return progress ? [{ topic, progress }] : [];
    })
    .sort((a, b) => (a.progress.due < b.progress.due ? -1 : 1));
  const due = met.filter(({ progress }) => isDue(progress, day)).map(({ topic }) => topic);
  const next = met.filter(({ progress }) => !isDue(progress, day)).map(({ topic }) => topic);
  const unmet = fresh(topics, known);
  const first = due.length > 0 ? unmet.slice(0, MOST_FRESH) : unmet;
  const wanted = [...due, ...first, ...next, ...unmet.slice(first.length)].slice(0, ROUND_LENGTH);
  return wanted.map((topic) => ({ topic, level: levelOf(known.get(topic.id) ?? null) }));
}

/** Where a person begins, and how far it goes for one who is always right [A]. */
const WANTED = { least: 0.4, most: 0.85 } as const;

/** How hard questions are to be for this person, 0 to 1: by the share of right answers so far. */
export function wantedDifficulty(drills: readonly DrillProgress[]): number {
  const right = drills.reduce((sum, one) => sum + one.right, 0);
  const all = drills.reduce((sum, one) => sum + one.right + one.wrong + one.unknown, 0);
  // The first answers weigh little: two rights are no mastery.
  const share = right / (all + ROUND_LENGTH);
  return WANTED.least + (WANTED.most - WANTED.least) * share;
}

/** How a kind stands for this person. */
export interface KindStanding {
  readonly kind: DrillKind;
  readonly topics: number;
  readonly met: number;
  readonly due: number;
  /** Topics that are steady: asked with the hardest numbers. */
  readonly steady: number;
}

/** How everything stands: kinds, what is due, the commonest slips. */
export interface Standing {
  readonly kinds: readonly KindStanding[];
  readonly due: number;
  readonly unmet: number;
  readonly answered: number;
  readonly right: number;
  /** The commonest first. */
  readonly slips: readonly { readonly slip: Slip; readonly times: number }[];
  /** The next day on which something is due, where nothing is today; null where nothing was met. */
  readonly nextDay: string | null;
}

/** Slips shown: more are a list nobody reads. */
const MOST_SLIPS = 4;

/** How everything stands today. Topics that this version does not know are left alone. */
export function standingOf(drills: readonly DrillProgress[], day: string): Standing {
  const own = drills.filter(({ id }) => topicAt(id) !== null);
  const known = byId(own);
  const kinds = DRILL_KINDS.map((kind): KindStanding => {
    const topics = TOPICS.filter((topic) => topic.kind === kind);
    const met = topics.flatMap(({ id }) => known.get(id) ?? []);
    return {
      kind,
      topics: topics.length,
      met: met.length,
      due: met.filter((one) => isDue(one, day)).length,
      steady: met.filter((one) => levelOf(one) === 3).length,
    };
  });
  const times = new Map<Slip, number>();
  for (const { slips } of own)
    for (const [slip, count] of Object.entries(slips))
      if (isSlip(slip)) times.set(slip, (times.get(slip) ?? 0) + count);
  const later = own
    .filter((one) => !isDue(one, day))
    .map(dueDay)
    .sort();
  return {
    kinds,
    due: own.filter((one) => isDue(one, day)).length,
    unmet: TOPICS.length - own.length,
    answered: own.reduce((sum, { right, wrong, unknown }) => sum + right + wrong + unknown, 0),
    right: own.reduce((sum, { right }) => sum + right, 0),
    slips: [...times]
      .map(([slip, count]) => ({ slip, times: count }))
      .sort((a, b) => b.times - a.times)
      .slice(0, MOST_SLIPS),
    nextDay: later[0] ?? null,
  };
}

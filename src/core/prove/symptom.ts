import type { Finding } from '../match/finding.ts';
import type { Verdict } from '../match/verdict.ts';

/** What a person saw. */
export const SYMPTOMS = ['stopped', 'slow-warning', 'dropped-frames', 'corrupt', 'jittery', 'fewer-minutes'] as const;
/** What a person saw. */
export type Symptom = (typeof SYMPTOMS)[number];

/** What is asked on the way, each answered yes, no or not known. */
export const QUESTIONS = [
  /** Whether the card was full. */
  'was-full',
  /** Whether a warning of heat was shown, or the body was hot. */
  'heat-warning',
  /** Whether it went away after a pause. */
  'after-pause',
  /** Whether the card was formatted in this body. */
  'formatted-here',
  /** Whether files are of one size, of 4 GB or so. */
  'file-limit',
  /** Whether the card was taken out, or the power went, before the lamp was dark. */
  'pulled',
  /** Whether it happens in playback on a computer alone. */
  'only-computer',
  /** Whether the same card misbehaves in another body. */
  'other-body',
  /** Whether another card works in this body. */
  'other-card',
  /** Whether the card says that it is locked. */
  'locked-switch',
] as const;
/** What is asked on the way. */
export type Question = (typeof QUESTIONS)[number];

/** Answers so far; missing: not asked or not known. */
export type Told = { readonly [Q in Question]?: boolean };

/** What may be behind it. */
export const CAUSES = [
  'rate',
  'card-cache',
  'heat',
  'full',
  'locked',
  'file-system',
  'format',
  'firmware',
  'counterfeit',
  'card-worn',
  'pulled',
  'playback',
  'shutter',
  'variable-rate',
  'counter',
  'other-mode',
  'contacts',
] as const;
/** What may be behind it. */
export type SymptomCause = (typeof CAUSES)[number];

/** What the kit already knows of the pair. */
export interface SymptomKnown {
  /** The answer of the board; null where body, mode or card is not named. */
  readonly verdict: Verdict | null;
  readonly findings: readonly Finding[];
  /** How the simulated take fares; null where it was not run. */
  readonly heat: 'cool' | 'warm' | 'hot' | null;
  readonly labelContradicts: boolean;
  readonly verified: boolean;
  readonly incidents: number;
  /** Slot family and card family: a card of over 32 GB needs exFAT. */
  readonly capacityGB: number | null;
  /** Cause that its own drops point to; null where they do not. */
  readonly inCommon: 'cache' | 'heat' | 'link' | null;
}

/** How much speaks for a cause. `innocent`: it was looked at, and is not it. */
export type Weight = 'likely' | 'possible' | 'innocent';

/** One cause with what speaks for it. */
interface Suspect {
  readonly cause: SymptomCause;
  readonly weight: Weight;
}

/** A step of the path: what is known to be likely, what is cleared, and what to ask next. */
export interface Diagnosis {
  /** Likely first, innocent last. */
  readonly suspects: readonly Suspect[];
  /** What would tell the most; null where nothing is left to ask. */
  readonly ask: Question | null;
}

/** Which causes a symptom may have, the usual first. */
const MAY_BE: Readonly<Record<Symptom, readonly SymptomCause[]>> = {
  stopped: [
    'rate',
    'card-cache',
    'heat',
    'full',
    'locked',
    'file-system',
    'format',
    'firmware',
    'counterfeit',
    'card-worn',
    'contacts',
  ],
  'slow-warning': ['rate', 'card-cache', 'format', 'firmware', 'counterfeit', 'card-worn', 'heat'],
  'dropped-frames': ['rate', 'card-cache', 'heat', 'format', 'counterfeit', 'card-worn', 'playback', 'firmware'],
  corrupt: ['pulled', 'counterfeit', 'format', 'file-system', 'card-worn', 'contacts', 'firmware'],
  jittery: ['playback', 'shutter', 'rate', 'card-cache'],
  'fewer-minutes': ['variable-rate', 'other-mode', 'counter', 'full', 'file-system', 'counterfeit'],
};

/** What each question says of a cause, by its answer. */
const SAYS: Readonly<Record<Question, { readonly yes: Says; readonly no: Says }>> = {
  'was-full': { yes: { likely: ['full'] }, no: { innocent: ['full'] } },
  'heat-warning': { yes: { likely: ['heat'] }, no: { innocent: ['heat'] } },
  'after-pause': {
    yes: { likely: ['card-cache'], innocent: ['locked', 'file-system'] },
    no: { innocent: ['card-cache'] },
  },
  'formatted-here': { yes: { innocent: ['format'] }, no: { likely: ['format'] } },
  'file-limit': { yes: { likely: ['file-system'] }, no: { innocent: ['file-system'] } },
  pulled: { yes: { likely: ['pulled'] }, no: { innocent: ['pulled'] } },
  'only-computer': { yes: { likely: ['playback'], innocent: ['rate', 'card-cache'] }, no: { innocent: ['playback'] } },
  'other-body': { yes: { likely: ['card-worn'], innocent: ['firmware'] }, no: { innocent: ['card-worn'] } },
  'other-card': {
    yes: { innocent: ['firmware'] },
    no: { likely: ['firmware'], innocent: ['card-worn', 'counterfeit'] },
  },
  'locked-switch': { yes: { likely: ['locked'] }, no: { innocent: ['locked'] } },
};

interface Says {
  readonly likely?: readonly SymptomCause[];
  readonly innocent?: readonly SymptomCause[];
}

const HOLDS: ReadonlySet<Verdict> = new Set(['guaranteed', 'tight', 'proven']);

/** What the kit itself says of a cause, before anything is asked. */
function known(kit: SymptomKnown): ReadonlyMap<SymptomCause, Weight> {
  const found = new Map<SymptomCause, Weight>();
  if (kit.verdict !== null) {
    // Only what holds by promise or proof clears the rate; what nobody knows does not.
    if (HOLDS.has(kit.verdict)) found.set('rate', 'innocent');
    else found.set('rate', kit.verdict === 'claimed' || kit.verdict === 'held' ? 'possible' : 'likely');
    if (kit.verdict === 'locked') found.set('locked', 'possible');
    if (kit.verdict === 'guaranteed') found.set('card-cache', 'innocent');
  }
  if (kit.heat !== null)
    found.set('heat', kit.heat === 'hot' ? 'likely' : kit.heat === 'warm' ? 'possible' : 'innocent');
  if (kit.labelContradicts) found.set('counterfeit', 'likely');
  else if (kit.verified) found.set('counterfeit', 'innocent');
  if (kit.incidents > 0) found.set('card-worn', 'likely');
  if (kit.inCommon === 'cache') found.set('card-cache', 'likely');
  if (kit.inCommon === 'heat') found.set('heat', 'likely');
  if (kit.inCommon === 'link') found.set('rate', 'likely');
  return found;
}

const ORDER: Readonly<Record<Weight, number>> = { likely: 0, possible: 1, innocent: 2 };

/**
 * What a symptom points to, from what the kit knows and what was answered. A rate that holds by promise or proof is
 * innocent, and then the rest is gone through: file system, format, firmware, counterfeit, lock switch. An answer
 * outweighs what was only worked out; nothing is cleared by what is not known.
 *
 * @param passed - questions the person could not answer
 */
export function diagnose(
  symptom: Symptom,
  kit: SymptomKnown,
  told: Told,
  passed: ReadonlySet<string> = new Set(),
): Diagnosis {
  const causes = MAY_BE[symptom];
  const weights = new Map<SymptomCause, Weight>([...known(kit)].filter(([cause]) => causes.includes(cause)));
  for (const question of QUESTIONS) {
    const answer = told[question];
    if (answer === undefined) continue;
    const says = SAYS[question][answer ? 'yes' : 'no'];
    for (const cause of says.innocent ?? []) weights.set(cause, 'innocent');
    for (const cause of says.likely ?? []) weights.set(cause, 'likely');
  }
  const suspects = causes
    .map((cause): Suspect => ({ cause, weight: weights.get(cause) ?? 'possible' }))
    .sort((a, b) => ORDER[a.weight] - ORDER[b.weight]);
  // The next question is the one about the first suspect that is still open, and never one that was answered.
  const open = new Set(suspects.filter(({ weight }) => weight !== 'innocent').map(({ cause }) => cause));
  // What a question could find, not what it clears on the way.
  const finds = (question: Question): readonly SymptomCause[] => [
    ...(SAYS[question].yes.likely ?? []),
    ...(SAYS[question].no.likely ?? []),
  ];
  const rank = (question: Question): number => {
    const places = finds(question)
      .filter((cause) => open.has(cause))
      .map((cause) => causes.indexOf(cause));
    return places.length > 0 ? Math.min(...places) : Number.POSITIVE_INFINITY;
  };
  const left = QUESTIONS.filter(
    (question) => told[question] === undefined && !passed.has(question) && rank(question) < Number.POSITIVE_INFINITY,
  );
  const ask = left.reduce<Question | null>((best, one) => (best && rank(best) <= rank(one) ? best : one), null);
  return { suspects, ask };
}

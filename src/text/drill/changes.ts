import type { DrillKind } from '../../core/drill/topics.ts';
import { KIND_WORDS } from './kinds.ts';

/** What a change made in the drill is called where it can be taken back. */
export const DRILL_CHANGE = {
  answered: (kind: DrillKind): string => `Practice: ${KIND_WORDS[kind].title.toLowerCase()}, one answer`,
  forgotten: 'Everything drilled is forgotten',
  timer: (isOn: boolean): string => (isOn ? 'Rounds are timed' : 'Rounds are not timed'),
} as const;

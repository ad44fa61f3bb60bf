import type { PracticeCard } from '../../../core/prove/bench/practice.ts';
import type { BenchPlace } from '../../../workers/bench.protocol.ts';

export { timeLeft } from '../../../core/prove/bench/bench.ts';
export { PRACTICE_CARDS } from '../../../core/prove/bench/practice.ts';

/** Seconds of a practice card in one of the clock. */
const FASTER = 12;

export const practicePlace = (card: PracticeCard): BenchPlace => ({ kind: 'practice', card, faster: FASTER });

/** Whether this browser lets a person choose a folder to write to; only where the page was opened securely. */
export const canChooseFolder = (): boolean => 'showDirectoryPicker' in window;

/** Whether this browser has a store of files of its own. */
export const hasOwnStore = (): boolean => typeof navigator.storage?.getDirectory === 'function';

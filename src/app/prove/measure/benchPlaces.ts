import { type PracticeCard, practiceCard } from '../../../core/prove/bench/practice.ts';
import type { BenchPlace } from '../../../workers/bench.protocol.ts';

export { isRight, timeLeft, verifiesCard } from '../../../core/prove/bench/bench.ts';
export { PRACTICE_CARDS } from '../../../core/prove/bench/practice.ts';
export { type ChosenFolder, chosenFolders, forgetFolder, rememberFolder } from '../../../store/chosenFolders.ts';
export type { FolderLook } from '../../../workers/bench/folderTarget.ts';
export type { BenchPlace } from '../../../workers/bench.protocol.ts';

/** What is printed on the practice cards. */
export const PRACTICE_BYTES = practiceCard('healthy').labelGB * 1e9;

/** Seconds of a practice card in one of the clock. */
const FASTER = 12;

export const practicePlace = (card: PracticeCard): BenchPlace => ({ kind: 'practice', card, faster: FASTER });

/** Whether this browser lets a person choose a folder to write to; only where the page was opened securely. */
export const canChooseFolder = (): boolean => 'showDirectoryPicker' in window;

/** Whether this browser has a store of files of its own. */
export const hasOwnStore = (): boolean => typeof navigator.storage?.getDirectory === 'function';

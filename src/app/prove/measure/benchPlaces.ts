import { type PracticeCard, practiceCard } from '../../../core/prove/bench/practice.ts';
import type { FolderLook } from '../../../workers/bench/folderTarget.ts';
import type { BenchPlace } from '../../../workers/bench.protocol.ts';

export { isRight, mostOf, timeLeft, verifiesCard } from '../../../core/prove/bench/bench.ts';
export { PRACTICE_CARDS } from '../../../core/prove/bench/practice.ts';
export { type ChosenFolder, chosenFolders, forgetFolder, rememberFolder } from '../../../store/chosenFolders.ts';
export type { FolderLook } from '../../../workers/bench/folderTarget.ts';
export type { BenchPlace, BenchRequest } from '../../../workers/bench.protocol.ts';

/** A place that was looked at, before anything is written to it. */
export interface Looked {
  readonly place: BenchPlace;
  readonly name: string;
  readonly look: FolderLook;
  /** By which it is remembered for a later visit; null where it is not yet. */
  readonly rememberedId: string | null;
}

/** What is printed on the practice cards. */
export const PRACTICE_BYTES = practiceCard('healthy').labelGB * 1e9;

/** Seconds of a practice card in one of the clock. */
const FASTER = 12;

export const practicePlace = (card: PracticeCard): BenchPlace => ({ kind: 'practice', card, faster: FASTER });

/** Whether this browser lets a person choose a folder to write to; only where the page was opened securely. */
export const canChooseFolder = (): boolean => 'showDirectoryPicker' in window;

/** Whether this browser has a store of files of its own. */
export const hasOwnStore = (): boolean => typeof navigator.storage?.getDirectory === 'function';

import type { BenchOutcome, BenchTick } from '../core/prove/bench/bench.ts';
import type { PracticeCard } from '../core/prove/bench/practice.ts';
import type { FolderLook } from './bench/folderTarget.ts';

/** Where a bench writes: a folder that a person chose, the browser's own store, or a practice card. */
export type BenchPlace =
  | { readonly kind: 'folder'; readonly folder: FileSystemDirectoryHandle }
  | { readonly kind: 'own' }
  | { readonly kind: 'practice'; readonly card: PracticeCard; readonly faster: number };

export interface BenchRequest {
  readonly place: BenchPlace;
  readonly seed: number;
  readonly limitBytes: number | null;
  /** More than its card can hold: beyond it another volume is being filled. Null where no card was named. */
  readonly mostBytes: number | null;
  readonly readsBack: boolean;
  /** Goes on with what an earlier run left. */
  readonly isResumed: boolean;
}

/** The worker of the bench: one run at a time. */
export interface BenchApi {
  look(place: BenchPlace): Promise<FolderLook | null>;
  run(request: BenchRequest, onTick: (tick: BenchTick) => void): Promise<BenchOutcome>;
  pause(): Promise<void>;
  goOn(): Promise<void>;
  cancel(): Promise<void>;
  /** @returns whether everything of the bench is gone */
  remove(place: BenchPlace): Promise<boolean>;
}

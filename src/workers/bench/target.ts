/** Where a bench writes to and reads from. Offsets are those of the pattern, from 0 on; times are the target’s own. */
export interface Target {
  /** Already there from an earlier run: bytes written, and read back. */
  readonly written: number;
  readonly verified: number;
  /**
   * Writes a piece behind what is written.
   *
   * @returns seconds it took, and what counts as written now: less than before where a part did not fit and was taken back;
   *   null where there is no more room
   * @throws where it cannot be written to any more
   */
  readonly write: (
    piece: Uint8Array,
    offset: number,
  ) => Promise<{ readonly seconds: number; readonly written: number } | null>;
  /** Makes sure that everything is on the card; seconds it took, and what counts as written then. */
  readonly settle: () => Promise<{ readonly seconds: number; readonly written: number }>;
  /** Reads into a piece; seconds it took. */
  readonly read: (piece: Uint8Array, offset: number) => Promise<number>;
  /** Remembers how far reading back came. */
  readonly note: (verified: number) => Promise<void>;
  /** Waits as long as the target wishes to be watched; a practice card lives faster than the clock. */
  readonly watched: (seconds: number) => Promise<void>;
  readonly close: () => Promise<void>;
}

/** One row of an integer programme: at least and at most, over the columns named. */
export interface ProgrammeRow {
  readonly entries: readonly (readonly [column: number, value: number])[];
  readonly atLeast: number;
  readonly atMost: number;
}

/** An integer programme: whole numbers from 0 to `most` by column, of the least cost that meets every row. */
interface Programme {
  readonly most: readonly number[];
  readonly cost: readonly number[];
  readonly rows: readonly ProgrammeRow[];
}

/** What a solver found in the time it was given. */
interface ProgrammeAnswer {
  /** `proven`: no better point exists; `stopped`: the time ran out; `impossible`: no point meets every row. */
  readonly end: 'proven' | 'stopped' | 'impossible';
  /** The best point found; null where there is none yet. */
  readonly point: readonly number[] | null;
  /** No point costs less. */
  readonly bound: number;
}

/**
 * A solver of integer programmes, passed in: the core holds none.
 *
 * @param seconds - the time it may take
 */
export type IntegerSolver = (programme: Programme, seconds: number) => ProgrammeAnswer;

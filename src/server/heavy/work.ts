import type { Raw } from '../answerTo.ts';

/** A heavy call, as it is handed to a worker. */
export interface Job extends Raw {
  readonly path: string;
  /** Whether the client takes gzip. */
  readonly zip: boolean;
}

/** The answer, ready to be sent. */
export interface Done {
  readonly status: number;
  readonly body: Uint8Array;
  readonly zipped: boolean;
}

type WorkRefused = 'busy' | 'gone' | 'too-long';

/** Where heavy calls are worked out. */
export interface Work {
  /** Whether another job would be refused now. */
  readonly isFull: () => boolean;
  /** @returns the answer, or why there is none: too much waits, the client has gone, or it took too long */
  readonly run: (job: Job, signal: AbortSignal) => Promise<Done | WorkRefused>;
}

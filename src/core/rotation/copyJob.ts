import type { Stage } from './outcome.ts';
import type { DayCopies } from './problem.ts';
import type { Taken } from './workplace.ts';

/** In which order waiting cards are copied: as they came, or the quickest first. */
export type CopyOrder = 'came' | 'quickest';

/** A card that comes out with bytes to copy. */
export interface Arrival {
  readonly card: number;
  readonly bytes: number;
  /** Verified copies that exist. */
  readonly copies: number;
  /** Of the stage it is in, seconds; null where none runs. */
  readonly left: number | null;
  readonly at: number;
}

/** What is done with a card now: it waits to be copied, its new copies wait to be verified, or a stage runs. */
export type JobState =
  | { readonly kind: 'to-copy' }
  /** On these destinations. */
  | { readonly kind: 'to-verify'; readonly on: readonly number[] }
  | { readonly kind: 'running'; readonly stage: Stage; readonly taken: Taken };

/** A card on its way to being free. */
export interface Job {
  readonly card: number;
  readonly bytes: number;
  readonly at: number;
  /** Of the decision when it is copied. */
  readonly key: string;
  /** How that decision fell: lower goes first. */
  readonly step: number;
  readonly cycle: number;
  copies: number;
  left: number | null;
  /** Destinations that hold a copy, or will. */
  holding: readonly number[];
  state: JobState;
}

/** It waits for a copy. */
export const TO_COPY: JobState = { kind: 'to-copy' };

/** Whether its next copy is made from the card itself. */
export const isFromCard = ({ holding }: Job, { from }: DayCopies): boolean => from === 'card' || holding.length === 0;

/** How many copies are made at once. */
export const madeAtOnce = ({ copies }: Job, { from, count }: DayCopies): number =>
  from === 'card' ? count - copies : 1;

/**
 * Which of two waiting cards goes first: one whose copies are being verified, since it is the next one free; then as was
 * decided; then as they came, or the smaller one.
 */
export function jobOrder(order: CopyOrder): (a: Job, b: Job) => number {
  const verifies = ({ state }: Job): number => (state.kind === 'to-verify' ? 0 : 1);
  const turn = ({ at, bytes }: Job): number => (order === 'came' ? at : bytes);
  return (a, b) => verifies(a) - verifies(b) || a.step - b.step || turn(a) - turn(b) || a.card - b.card;
}

/**
 * A job after the end of its stage: its new copies wait to be verified, it waits for another, or it is done.
 *
 * @returns whether its card is free
 */
export function endStage(job: Job, stage: Stage, { count, verify }: DayCopies): boolean {
  if (stage.kind === 'copy' && verify) {
    job.state = { kind: 'to-verify', on: job.holding.slice(-(stage.copies - job.copies)) };
    return false;
  }
  job.state = TO_COPY;
  job.copies = stage.copies;
  return stage.copies >= count;
}

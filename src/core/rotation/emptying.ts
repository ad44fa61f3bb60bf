import { entryAt } from '../entryAt.ts';
import {
  type Arrival,
  type CopyOrder,
  endStage,
  isFromCard,
  type Job,
  jobOrder,
  madeAtOnce,
  TO_COPY,
} from './copyJob.ts';
import { bestPace, copyStarts, createTargets, verifyStart } from './copyStart.ts';
import type { Fork, Stage } from './outcome.ts';
import { INSTANT } from './places.ts';
import type { DayProblem } from './problem.ts';
import { createWorkplace, type Taken } from './workplace.ts';

/** Readers and disks at work. Stages run at a pace that is fixed when they begin; nothing runs over its pace. */
export interface Emptying {
  /** A card waits for its copies. */
  readonly arrive: (job: Arrival) => void;
  /** Ends what ends by then; tells the cards that are free again. */
  readonly endBy: (time: number) => readonly number[];
  /** Begins whatever may begin then. */
  readonly begin: (time: number) => void;
  /** Nothing more comes out: what was left for a card to come need not wait. */
  readonly noMore: () => void;
  /** When the next stage ends; Infinity where none runs. */
  readonly next: () => number;
  readonly stages: readonly Stage[];
  /** Bytes on each destination. */
  readonly filled: readonly number[];
  /** Cards that can never be copied, and why. */
  readonly stuck: () => readonly {
    readonly card: number;
    readonly bytes: number;
    readonly since: number;
    readonly why: Stuck;
  }[];
}

const NONE: readonly number[] = [];

/** Two paces are one where they lie closer than this, bytes a second. */
const PACES_AGREE = 1e-6;

/** Why a card waits for ever. */
type Stuck = 'no-room' | 'no-reader';

/** When a card is copied: before those that wait with it, or in its turn. */
const ORDERS = [-1, 0] as const;

/** To do it, or not. */
export const EITHER = [0, 1] as const;

/** Notes a decision for whoever looks for better ones. */
export type Tell = (fork: Omit<Fork, 'aside'> & { readonly aside?: boolean }) => void;

/** Choices of the planner by key; what is not in it falls as the rules say. */
export type Choices = ReadonlyMap<string, number>;

/** What the emptying of cards works with. */
export interface EmptyingInput {
  readonly problem: Pick<DayProblem, 'cards' | 'readers' | 'destinations' | 'copies'>;
  readonly order: CopyOrder;
  readonly chosen: Choices;
  /** Where decisions are noted for whoever looks for better ones. */
  readonly told: Tell;
  /** Cards that are in a body now. */
  readonly seated: ReadonlySet<number>;
  /** Readers that are left aside. */
  readonly closed: readonly boolean[];
}

/** The cards in bodies that a reader may be kept free for. */
interface Expected {
  /** Looks anew at who sits in a body; notes the decision where something waits that could take the reader. */
  readonly look: (time: number, isContested: boolean) => void;
  /** Whether every card that is waited for would still find a reader, with this one taken. */
  readonly leaves: (reader: number | null) => boolean;
}

function createExpected(
  { problem, chosen, told, seated }: EmptyingInput,
  cycleOf: (card: number) => number,
  isFull: (reader: number, more: number) => boolean,
): Expected {
  const { cards } = problem;
  const keyOf = (card: number): string => `ahead:${entryAt(cards, card).id}:${cycleOf(card)}`;
  const isAhead = (card: number): boolean => chosen.get(keyOf(card)) === 1;
  let expected: readonly number[] = NONE;
  return {
    look(time, isContested) {
      expected = NONE;
      for (const card of seated) if (isAhead(card)) expected = [...expected, card];
      if (isContested) {
        for (const card of seated) told({ key: keyOf(card), at: time, options: EITHER, chosen: isAhead(card) ? 1 : 0 });
      }
    },
    leaves: (reader) =>
      reader === null ||
      expected.every((card) => {
        const own = entryAt(cards, card).readers;
        return !own.includes(reader) || own.some((place) => !isFull(place, place === reader ? 1 : 0));
      }),
  };
}

/** Begins with nothing to do. */
export function createEmptying(input: EmptyingInput): Emptying {
  const { problem, chosen, told, closed } = input;
  const { cards, destinations, copies } = problem;
  const workplace = createWorkplace(problem);
  const targets = createTargets(problem, workplace);
  const cycles = cards.map(() => 0);
  const expected = createExpected(input, (card) => entryAt(cycles, card), workplace.isFull);
  const goesFirst = jobOrder(input.order);
  const stages: Stage[] = [];
  const waiting: Job[] = [];
  const running: Job[] = [];
  const stuck = new Map<Job, Stuck>();
  const byWrite = destinations
    .map((_, place) => place)
    .sort((a, b) => entryAt(destinations, b).write - entryAt(destinations, a).write);
  let isLast = false;

  /** A slow reader that is free may be worse than a fast one that soon is: whether it is waited for. */
  function holdsOut(job: Job, start: Taken, time: number): boolean {
    if (start.reader === null) return false;
    const writes = start.uses.map(([place]) => entryAt(destinations, place).write);
    if (start.pace >= Math.min(bestPace(problem, job.card), ...writes) - PACES_AGREE) return false;
    const key = `hold:${entryAt(cards, job.card).id}:${job.cycle}`;
    const holds = chosen.get(key) ?? 0;
    told({ key, at: time, options: EITHER, chosen: holds });
    return holds === 1;
  }

  /** The fastest stage of a job that may begin now; null where none may. */
  function startOf(job: Job, time: number): Taken | null {
    if (job.state.kind === 'to-verify') {
      const start = verifyStart(problem, job.state.on);
      return workplace.hasPace(start) ? start : null;
    }
    const sets = targets.of(job, madeAtOnce(job, copies));
    const cannot: Stuck | null =
      sets === null
        ? 'no-room'
        : isFromCard(job, copies) && entryAt(cards, job.card).readers.length === 0
          ? 'no-reader'
          : null;
    if (sets === null || cannot !== null) {
      stuck.set(job, cannot ?? 'no-room');
      return null;
    }
    stuck.delete(job);
    let fastest: Taken | null = null;
    for (const start of copyStarts(problem, { job, sets, workplace, closed }))
      if (
        (fastest === null || start.pace > fastest.pace) &&
        (isLast || expected.leaves(start.reader)) &&
        workplace.hasPace(start)
      )
        fastest = start;
    return fastest === null || holdsOut(job, fastest, time) ? null : fastest;
  }

  function run(job: Job, taken: Taken, time: number): void {
    const { state } = job;
    const onto = taken.uses.map(([place]) => place);
    const written = state.kind === 'to-verify' ? state.on : isFromCard(job, copies) ? onto : onto.slice(1);
    const seconds = job.left ?? job.bytes / taken.pace;
    job.left = null;
    const stage: Stage = {
      kind: state.kind === 'to-verify' ? 'verify' : 'copy',
      card: job.card,
      reader: taken.reader,
      destinations: onto,
      copies: job.copies + written.length,
      from: time,
      to: time + seconds,
      bytes: job.bytes,
      pace: taken.pace,
      shares: taken.uses.map(([, share]) => share),
    };
    workplace.take(taken);
    if (state.kind !== 'to-verify') {
      for (const place of written) workplace.fill(place, job.bytes);
      job.holding = [...job.holding, ...written];
    }
    job.state = { kind: 'running', stage, taken };
    stages.push(stage);
    running.push(job);
  }

  const endOf = ({ state }: Job): number => (state.kind === 'running' ? state.stage.to : Number.POSITIVE_INFINITY);

  /** Ends the stage of a job; true where its card is free. */
  function end(job: Job): boolean {
    if (job.state.kind !== 'running') return false;
    const { stage, taken } = job.state;
    workplace.giveBack(taken);
    const isFree = endStage(job, stage, copies);
    if (!isFree) waiting.push(job);
    return isFree;
  }

  return {
    arrive({ card, bytes, copies: made, left, at: since }) {
      const cycle = entryAt(cycles, card);
      cycles[card] = cycle + 1;
      const key = `copy:${entryAt(cards, card).id}:${cycle}`;
      // Where an earlier copy lies nobody told: on the fastest disks, so that no second one is counted on the same.
      const holding = byWrite.slice(0, made);
      const step = chosen.get(key) ?? 0;
      waiting.push({ card, bytes, at: since, key, step, cycle, copies: made, left, holding, state: TO_COPY });
    },
    endBy(time) {
      if (running.length === 0) return NONE;
      const ended = running.filter((job) => endOf(job) <= time + INSTANT);
      for (const job of ended) running.splice(running.indexOf(job), 1);
      return ended.filter(end).map(({ card }) => card);
    },
    begin(time) {
      if (waiting.length === 0) return;
      if (waiting.length > 1) waiting.sort(goesFirst);
      const isNew = ({ state, left }: Job): boolean => state.kind === 'to-copy' && left === null;
      expected.look(time, waiting.some(isNew));
      for (const job of [...waiting]) {
        if (waiting.length > 1 && isNew(job) && job.copies === 0)
          told({ key: job.key, at: time, options: ORDERS, chosen: job.step });
        const start = startOf(job, time);
        if (!start) continue;
        waiting.splice(waiting.indexOf(job), 1);
        run(job, start, time);
      }
    },
    noMore: () => {
      isLast = true;
    },
    next: () => running.reduce((soonest, job) => Math.min(soonest, endOf(job)), Number.POSITIVE_INFINITY),
    stages,
    filled: workplace.filled,
    stuck: () =>
      [...stuck]
        .filter(([job]) => waiting.includes(job))
        .map(([{ card, bytes, at: since }, why]) => ({ card, bytes, since, why })),
  };
}

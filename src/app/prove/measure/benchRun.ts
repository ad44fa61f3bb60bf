import { proxy } from 'comlink';
import { useSyncExternalStore } from 'react';
import type { BenchOutcome, BenchTick } from '../../../core/prove/bench/bench.ts';
import { analyseTrace } from '../../../core/prove/trace/analyse.ts';
import type { TraceReading } from '../../../core/prove/trace/trace.ts';
import { thrownText } from '../../../text/thrown.ts';
import type { FolderLook } from '../../../workers/bench/folderTarget.ts';
import type { BenchPlace, BenchRequest } from '../../../workers/bench.protocol.ts';
import type { BenchWorker } from '../../../workers/start.ts';

/** Where the bench stands; it goes on whatever part of the view is open. */
export type BenchState =
  | { readonly phase: 'idle' }
  | {
      readonly phase: 'running';
      readonly request: BenchRequest;
      readonly cardId: string;
      readonly tick: BenchTick | null;
      readonly written: readonly number[];
      readonly read: readonly number[];
      readonly isPaused: boolean;
    }
  | {
      readonly phase: 'done';
      readonly request: BenchRequest;
      readonly cardId: string;
      readonly outcome: BenchOutcome;
      /** Of the writing; null where too little was written to tell. */
      readonly reading: TraceReading | null;
      /** True where the card was taken out before it was read back, or has no memory before it. */
      readonly isFresh: boolean;
    }
  | { readonly phase: 'failed'; readonly message: string };

let state: BenchState = { phase: 'idle' };
const listeners = new Set<() => void>();
let worker: BenchWorker | null = null;
let lock: { readonly release: () => Promise<void> } | null = null;

function set(next: BenchState): void {
  state = next;
  for (const tell of listeners) tell();
}

async function theWorker(): Promise<BenchWorker> {
  if (worker) return worker;
  const { benchWorker } = await import('../../../workers/start.ts');
  const started = benchWorker();
  worker = started;
  started.onDeath(() => {
    started.stop();
    worker = null;
    if (state.phase === 'running')
      set({ phase: 'failed', message: 'The worker stopped. What it wrote is still there: look at the folder again.' });
  });
  return started;
}

/** A page that is being measured with should not be closed by a slip, nor the screen put to sleep. */
const stay = (event: BeforeUnloadEvent): void => event.preventDefault();

async function hold(on: boolean): Promise<void> {
  if (on) window.addEventListener('beforeunload', stay);
  else window.removeEventListener('beforeunload', stay);
  try {
    if (on) lock = (await navigator.wakeLock?.request('screen')) ?? null;
    else await lock?.release();
  } catch {
    // A browser that keeps no screen awake says so by what the bench finds: a silence.
  }
}

/** One bench at a time in all tabs of this browser: the others neither go on with what it writes nor clear it away. */
const LOCK = 'cool-reel-bench';
export const ELSEWHERE_TEXT = 'A bench is running in another tab. Look there; nothing was touched from here.';

/** Whether a bench runs in another tab now. */
export async function runsElsewhere(): Promise<boolean> {
  const held = (await navigator.locks?.query())?.held ?? [];
  return state.phase !== 'running' && held.some(({ name }) => name === LOCK);
}

/** Does something that no other tab may do meanwhile; a refusal where one does. */
async function alone<T>(task: () => Promise<T>): Promise<T> {
  if (!navigator.locks) return task();
  return navigator.locks.request(LOCK, { ifAvailable: true }, (lock) => {
    if (lock === null) throw new Error(ELSEWHERE_TEXT);
    return task();
  }) as Promise<T>;
}

/** What stands in a folder, before anything is written. */
export const lookAt = async (place: BenchPlace): Promise<FolderLook | null> => (await theWorker()).api.look(place);

const read = (rates: readonly number[]): TraceReading | null =>
  rates.length < 5
    ? null
    : analyseTrace({ seconds: Float64Array.from(rates.keys()), MBps: Float64Array.from(rates), celsius: null });

/** Starts a bench, or goes on with what an earlier one left. What was written before in this page stays in its result. */
export async function startBench(request: BenchRequest, cardId: string, isFresh: boolean): Promise<void> {
  const before = state.phase === 'done' && request.isResumed ? state.outcome : null;
  set({ phase: 'running', request, cardId, tick: null, written: before?.writeRates ?? [], read: [], isPaused: false });
  await hold(true);
  try {
    const { api } = await theWorker();
    const onTick = proxy((tick: BenchTick): void => {
      if (state.phase !== 'running') return;
      const isWriting = tick.phase === 'write';
      set({
        ...state,
        tick,
        written: isWriting ? [...state.written, ...tick.rates] : state.written,
        read: isWriting ? state.read : [...state.read, ...tick.rates],
      });
    });
    const run = () => api.run(request, onTick);
    // A practice card lies in memory: nobody else can come to it.
    const found = await (request.place.kind === 'practice' ? run() : alone(run));
    const outcome: BenchOutcome = before
      ? {
          ...found,
          writeRates: [...before.writeRates, ...found.writeRates],
          writeSeconds: before.writeSeconds + found.writeSeconds,
          silences: [...before.silences, ...found.silences],
        }
      : found;
    set({ phase: 'done', request, cardId, outcome, reading: read(outcome.writeRates), isFresh });
  } catch (thrown) {
    if (state.phase === 'running') set({ phase: 'failed', message: thrownText(thrown) });
  } finally {
    await hold(false);
  }
}

export async function pauseBench(isPaused: boolean): Promise<void> {
  if (state.phase !== 'running') return;
  set({ ...state, isPaused });
  const { api } = await theWorker();
  await (isPaused ? api.pause() : api.goOn());
}

export async function cancelBench(): Promise<void> {
  if (state.phase === 'running') await (await theWorker()).api.cancel();
}

/** @returns whether everything of the bench is gone */
export async function removeLeft(place: BenchPlace): Promise<boolean> {
  const { api } = await theWorker();
  const isGone = await alone(() => api.remove(place));
  if (state.phase !== 'running') set({ phase: 'idle' });
  return isGone;
}

export const forgetBench = (): void => {
  if (state.phase !== 'running') set({ phase: 'idle' });
};

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

export const useBench = (): BenchState =>
  useSyncExternalStore(
    subscribe,
    () => state,
    () => state,
  );

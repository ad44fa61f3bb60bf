import { type Endpoint, proxy, type Remote, wrap } from 'comlink';
import { err, ok, type Result } from '../core/result.ts';
import type { HeatApi, HeatTasks, OnProgress, TaskName } from './heat.protocol.ts';

/** Why a request has no answer. Only `died` and `failed` are worth telling a person. */
export type Unanswered =
  | { readonly code: 'superseded' | 'cancelled' | 'died' }
  | { readonly code: 'failed'; readonly message: string };

export interface Asked<T> {
  readonly result: Promise<Result<T, Unanswered>>;
  readonly cancel: () => void;
}

/** A worker that was started: where to talk to it, how to end it, and who is told when it ends by itself. */
export interface Started {
  readonly endpoint: Endpoint;
  readonly stop: () => void;
  readonly onDeath: (tell: () => void) => void;
}

interface Pending {
  readonly place: string;
  readonly settle: (why: Unanswered) => void;
  lastSign: number;
}

export interface HeatClient {
  /**
   * Asks; a request of the same place that is still under way is superseded.
   *
   * @param place - who asks, where several ask the same task; else the task itself
   */
  ask<K extends TaskName>(
    task: K,
    request: HeatTasks[K]['request'],
    onProgress?: OnProgress,
    place?: string,
  ): Asked<HeatTasks[K]['answer']>;
  readonly close: () => void;
}

/** Silence after which a worker counts as dead, milliseconds: it tells of progress about twenty times a second. */
const SILENCE = 10_000;
const LOOK = 1000;

/**
 * Talks to one worker, started when first asked and again after it died. Every request is settled exactly once: by its
 * answer, by a newer request, by a cancel, or by the death of the worker.
 *
 * @param silence - milliseconds without a sign after which it counts as dead
 */
export function createHeatClient(start: () => Started, silence = SILENCE): HeatClient {
  let worker: { readonly started: Started; readonly api: Remote<HeatApi> } | null = null;
  let watch: ReturnType<typeof setInterval> | null = null;
  let lastId = 0;
  const pending = new Map<number, Pending>();

  const unwatch = (): void => {
    if (watch) clearInterval(watch);
    watch = null;
  };
  const bury = (): void => {
    worker?.started.stop();
    worker = null;
    unwatch();
    for (const { settle } of [...pending.values()]) settle({ code: 'died' });
  };
  const look = (): void => {
    const now = Date.now();
    if ([...pending.values()].some(({ lastSign }) => now - lastSign > silence)) bury();
  };
  const running = (): Remote<HeatApi> => {
    if (worker) return worker.api;
    const started = start();
    worker = { started, api: wrap<HeatApi>(started.endpoint) };
    started.onDeath(() => {
      if (worker?.started === started) bury();
    });
    return worker.api;
  };
  const stop = (id: number, code: 'superseded' | 'cancelled'): void => {
    const request = pending.get(id);
    if (!request) return;
    void worker?.api.cancel(id);
    request.settle({ code });
  };

  return {
    ask(task, request, onProgress, place = task) {
      for (const [other, one] of [...pending]) if (one.place === place) stop(other, 'superseded');
      lastId += 1;
      const id = lastId;
      const result = new Promise<Result<HeatTasks[typeof task]['answer'], Unanswered>>((resolve) => {
        const end = (answer: Result<HeatTasks[typeof task]['answer'], Unanswered>): void => {
          if (!pending.delete(id)) return;
          if (pending.size === 0) unwatch();
          resolve(answer);
        };
        const entry: Pending = { place, settle: (why) => end(err(why)), lastSign: Date.now() };
        pending.set(id, entry);
        watch ??= setInterval(look, Math.min(LOOK, silence / 4));
        const told = proxy((share: number) => {
          entry.lastSign = Date.now();
          if (pending.has(id)) onProgress?.(share);
        });
        const failed = (thrown: unknown): void =>
          end(err({ code: 'failed', message: thrown instanceof Error ? thrown.message : String(thrown) }));
        try {
          running()
            .run(id, task, request, told)
            .then((answer) => end(answer === null ? err({ code: 'cancelled' }) : ok(answer)), failed);
        } catch (thrown) {
          // A browser that starts no worker says so here.
          failed(thrown);
        }
      });
      return { result, cancel: () => stop(id, 'cancelled') };
    },
    close: () => {
      for (const id of [...pending.keys()]) stop(id, 'cancelled');
      unwatch();
      worker?.started.stop();
      worker = null;
    },
  };
}

/** The worker of this app, in a browser. */
export function startHeatWorker(): Started {
  const worker = new Worker(new URL('./heat.worker.ts', import.meta.url), { type: 'module' });
  return {
    endpoint: worker,
    stop: () => worker.terminate(),
    onDeath: (tell) => {
      worker.addEventListener('error', tell);
      worker.addEventListener('messageerror', tell);
    },
  };
}

import { type Endpoint, proxy, type Remote, wrap } from 'comlink';
import { err, ok, type Result } from '../core/result.ts';
import type { Answer, OnProgress, Request, TaskApi, Tasks } from './task.protocol.ts';

/** Why a request has no answer. Only `died` and `failed` are worth telling a person. */
type Unanswered =
  | { readonly code: 'superseded' | 'cancelled' | 'died' }
  | { readonly code: 'failed'; readonly message: string };

interface Asked<T> {
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
  readonly place: unknown;
  readonly settle: (why: Unanswered) => void;
  /** Asks the worker that is running now, once more where it was started anew. */
  readonly ask: () => void;
  lastSign: number;
}

export interface TaskClient<T extends Tasks<T>> {
  /**
   * Asks; a request of the same place that is still under way is superseded.
   *
   * @param place - who asks, where several ask the same task; else the task itself
   */
  ask<K extends keyof T>(
    task: K,
    request: Request<T, K>,
    onProgress?: OnProgress,
    place?: string | K,
  ): Asked<Answer<T, K>>;
  readonly close: () => void;
}

interface Patience {
  /** Milliseconds without a sign after which a worker counts as dead: it tells of progress several times a second. */
  readonly silence?: number;
  /** Milliseconds within which a worker must have heard a wish to stop; then it is ended, and started anew. */
  readonly hearing?: number;
}

const SILENCE = 10_000;
const HEARING = 500;
const LOOK = 1000;

/**
 * Talks to one worker, started when first asked and again after it died. Every request is settled exactly once: by its
 * answer, by a newer request, by a cancel, or by the death of the worker. A worker that does not hear a wish to stop is
 * ended, and what others had asked of it is asked again of the next.
 */
export function createTaskClient<T extends Tasks<T>>(
  start: () => Started,
  { silence = SILENCE, hearing = HEARING }: Patience = {},
): TaskClient<T> {
  let worker: { readonly started: Started; readonly api: Remote<TaskApi<T>> } | null = null;
  let watch: ReturnType<typeof setInterval> | null = null;
  let lastId = 0;
  const pending = new Map<number, Pending>();

  const unwatch = (): void => {
    if (watch) clearInterval(watch);
    watch = null;
  };
  const end = (): void => {
    worker?.started.stop();
    worker = null;
  };
  const bury = (): void => {
    end();
    unwatch();
    for (const { settle } of [...pending.values()]) settle({ code: 'died' });
  };
  const look = (): void => {
    const now = Date.now();
    if ([...pending.values()].some(({ lastSign }) => now - lastSign > silence)) bury();
  };
  const running = (): Remote<TaskApi<T>> => {
    if (worker) return worker.api;
    const started = start();
    worker = { started, api: wrap<TaskApi<T>>(started.endpoint) };
    started.onDeath(() => {
      if (worker?.started === started) bury();
    });
    return worker.api;
  };
  const stop = (id: number, code: 'superseded' | 'cancelled'): void => {
    const request = pending.get(id);
    if (!request) return;
    request.settle({ code });
    const asked = worker;
    if (!asked) return;
    const deaf = setTimeout(() => {
      if (worker !== asked) return;
      end();
      for (const one of pending.values()) one.ask();
    }, hearing);
    void asked.api.cancel(id).then(
      () => clearTimeout(deaf),
      () => clearTimeout(deaf),
    );
  };

  return {
    ask(task, request, onProgress, place = task) {
      for (const [other, one] of [...pending]) if (one.place === place) stop(other, 'superseded');
      lastId += 1;
      const id = lastId;
      const result = new Promise<Result<Answer<T, typeof task>, Unanswered>>((resolve) => {
        const settle = (answer: Result<Answer<T, typeof task>, Unanswered>): void => {
          if (!pending.delete(id)) return;
          if (pending.size === 0) unwatch();
          resolve(answer);
        };
        const failed = (thrown: unknown): void =>
          settle(err({ code: 'failed', message: thrown instanceof Error ? thrown.message : String(thrown) }));
        const told = (share: number): void => {
          entry.lastSign = Date.now();
          if (pending.has(id)) onProgress?.(share);
        };
        const ask = (): void => {
          entry.lastSign = Date.now();
          try {
            const api = running();
            // Comlink carries the types of a call as far as the compiler follows a generic one; the protocol names them.
            const run = api.run as unknown as TaskApi<T>['run'];
            run(id, task, request, proxy(told)).then(
              (answer) => settle(answer === null ? err({ code: 'cancelled' }) : ok(answer)),
              failed,
            );
          } catch (thrown) {
            // A browser that starts no worker says so here.
            failed(thrown);
          }
        };
        const entry: Pending = { place, settle: (why) => settle(err(why)), ask, lastSign: Date.now() };
        pending.set(id, entry);
        watch ??= setInterval(look, Math.min(LOOK, silence / 4));
        ask();
      });
      return { result, cancel: () => stop(id, 'cancelled') };
    },
    close: () => {
      for (const { settle } of [...pending.values()]) settle({ code: 'cancelled' });
      unwatch();
      end();
    },
  };
}

/** A worker of this app, in a browser. */
export const startedWorker = (worker: Worker): Started => ({
  endpoint: worker,
  stop: () => worker.terminate(),
  onDeath: (tell) => {
    worker.addEventListener('error', tell);
    worker.addEventListener('messageerror', tell);
  },
});

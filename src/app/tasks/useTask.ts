import { useCallback, useEffect, useRef, useState } from 'react';
import type { Answer, Request, Tasks } from '../../workers/task.protocol.ts';
import type { LazyClient } from './clients.ts';

/** Where a question to the worker stands. An answer always belongs to the request that is shown with it. */
export type TaskState<T> =
  | { readonly phase: 'idle' }
  | { readonly phase: 'running'; readonly share: number; readonly cancel: () => void }
  | { readonly phase: 'done'; readonly answer: T }
  | { readonly phase: 'cancelled' }
  | { readonly phase: 'died' }
  | { readonly phase: 'failed'; readonly message: string };

/** Wait after the last change before asking, milliseconds: a person is still typing. */
const SETTLE = 180;

/**
 * Asks a worker whenever the request changes, by identity; null asks nothing. A newer request supersedes the older, and an
 * answer to an older one is never shown.
 *
 * @param client - the worker that is asked
 * @param place - who asks, where several parts of a view ask the same task
 * @returns the state, and a way to ask the same again
 */
export function useTask<T extends Tasks<T>, K extends keyof T & string>(
  client: LazyClient<T>,
  task: K,
  request: Request<T, K> | null,
  place: string = task,
): readonly [TaskState<Answer<T, K>>, () => void] {
  type State = TaskState<Answer<T, K>>;
  const [shown, setShown] = useState<{ readonly of: unknown; readonly state: State }>({
    of: null,
    state: { phase: 'idle' },
  });
  const [round, setRound] = useState(0);
  // What is asked but not shown yet counts as running: it need not be told, which at every key of a fast typist is too often.
  const cancelNow = useRef((): void => {});
  const shownRound = useRef(0);
  useEffect(() => {
    if (request === null) return;
    let current = true;
    let stopWorker = (): void => {};
    const show = (state: State): void => {
      if (current) setShown({ of: request, state });
    };
    const leave = (): void => {
      current = false;
      clearTimeout(timer);
      stopWorker();
    };
    // A person may cancel before the worker has even been asked.
    const cancel = (): void => {
      show({ phase: 'cancelled' });
      leave();
    };
    const ask = async (): Promise<void> => {
      try {
        const worker = await client();
        if (!current) return;
        const asked = worker.ask(task, request, (share) => show({ phase: 'running', share, cancel }), place);
        stopWorker = asked.cancel;
        const result = await asked.result;
        if (result.ok) show({ phase: 'done', answer: result.value });
        else if (result.error.code === 'failed') show({ phase: 'failed', message: result.error.message });
        else if (result.error.code !== 'superseded') show({ phase: result.error.code });
      } catch (thrown) {
        show({ phase: 'failed', message: thrown instanceof Error ? thrown.message : String(thrown) });
      }
    };
    cancelNow.current = cancel;
    if (shownRound.current !== round) show({ phase: 'running', share: 0, cancel });
    shownRound.current = round;
    const timer = setTimeout(() => void ask(), SETTLE);
    return leave;
  }, [client, task, request, round, place]);
  const again = useCallback(() => setRound((count) => count + 1), []);
  const waiting: State =
    request === null ? { phase: 'idle' } : { phase: 'running', share: 0, cancel: () => cancelNow.current() };
  return [shown.of === request && request !== null ? shown.state : waiting, again];
}

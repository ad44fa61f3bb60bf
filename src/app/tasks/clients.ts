import type { ComputationTasks } from '../../workers/computation.protocol.ts';
import type { FileTasks } from '../../workers/files.protocol.ts';
import type { SolverTasks } from '../../workers/solver.protocol.ts';
import type { Tasks } from '../../workers/task.protocol.ts';
import type { TaskClient } from '../../workers/taskClient.ts';

/** A client that is loaded, and its worker started, when something is first asked of it; one a page. */
export type LazyClient<T extends Tasks<T>> = () => Promise<TaskClient<T>>;

function once<T extends Tasks<T>>(load: () => Promise<TaskClient<T>>): LazyClient<T> {
  let client: Promise<TaskClient<T>> | null = null;
  return () => {
    client ??= load().catch((thrown: unknown) => {
      // A part that did not load, as without a network, is asked for again the next time.
      client = null;
      throw thrown;
    });
    return client;
  };
}

/** Runs of the write path, and long texts. */
export const computation: LazyClient<ComputationTasks> = once(async () =>
  (await import('../../workers/start.ts')).computationClient(),
);

/** Linear programmes. */
export const solver: LazyClient<SolverTasks> = once(async () =>
  (await import('../../workers/start.ts')).solverClient(),
);

/** Clips, write traces and manuals. */
export const files: LazyClient<FileTasks> = once(async () => (await import('../../workers/start.ts')).filesClient());

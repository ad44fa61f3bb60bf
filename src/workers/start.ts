import { type Remote, wrap } from 'comlink';
import type { BenchApi } from './bench.protocol.ts';
import type { ComputationTasks } from './computation.protocol.ts';
import type { FileTasks } from './files.protocol.ts';
import type { PictureApi } from './picture.protocol.ts';
import type { SolverTasks } from './solver.protocol.ts';
import { createTaskClient, startedWorker, type TaskClient } from './taskClient.ts';

/** The workers of this app, by what they work with. */
export const computationClient = (): TaskClient<ComputationTasks> =>
  createTaskClient(() =>
    startedWorker(new Worker(new URL('./computation.worker.ts', import.meta.url), { type: 'module' })),
  );

export const solverClient = (): TaskClient<SolverTasks> =>
  createTaskClient(() => startedWorker(new Worker(new URL('./solver.worker.ts', import.meta.url), { type: 'module' })));

export const filesClient = (): TaskClient<FileTasks> =>
  createTaskClient(() => startedWorker(new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' })));

/** The worker of the bench, and how to end it. */
export interface BenchWorker {
  readonly api: Remote<BenchApi>;
  readonly stop: () => void;
  readonly onDeath: (tell: () => void) => void;
}

export function benchWorker(): BenchWorker {
  const { endpoint, stop, onDeath } = startedWorker(
    new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' }),
  );
  return { api: wrap<BenchApi>(endpoint), stop, onDeath };
}

/** The worker that opens and reads pictures, and how to end it. */
interface PictureWorker {
  readonly api: Remote<PictureApi>;
  readonly stop: () => void;
  readonly onDeath: (tell: () => void) => void;
}

export function pictureWorker(): PictureWorker {
  const { endpoint, stop, onDeath } = startedWorker(
    new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' }),
  );
  return { api: wrap<PictureApi>(endpoint), stop, onDeath };
}

/** What a worker can be asked: request and answer of every task by name. */
export type Tasks<T> = { readonly [K in keyof T]: { readonly request: unknown; readonly answer: unknown } };

export type Request<T extends Tasks<T>, K extends keyof T> = T[K]['request'];
export type Answer<T extends Tasks<T>, K extends keyof T> = T[K]['answer'];

/** Told the share done, 0 to 1, a few times a second: also the sign of life. */
export type OnProgress = (share: number) => void;

/** The worker’s side of the wire. */
export interface TaskApi<T extends Tasks<T>> {
  /** @returns null where the request was cancelled on the way */
  run<K extends keyof T>(
    id: number,
    task: K,
    request: Request<T, K>,
    onProgress: OnProgress,
  ): Promise<Answer<T, K> | null>;
  /** @returns once the wish to stop was heard */
  cancel(id: number): void;
}

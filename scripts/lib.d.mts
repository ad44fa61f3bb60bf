/** Types of what the tests use of lib.mjs. */
export function startServer(options?: {
  readonly demo?: boolean;
  readonly port?: number;
  readonly args?: readonly string[];
  readonly dist?: string;
}): Promise<{
  readonly address: string;
  /** @returns once it has ended */
  readonly stop: () => Promise<unknown>;
  readonly log: () => string;
  readonly pid: number;
}>;
export function freePort(): Promise<number>;
export const ROOT: string;

/** Types of what the tests use of lib.mjs. */
export function startServer(options?: {
  readonly demo?: boolean;
  readonly port?: number;
}): Promise<{ readonly address: string; readonly stop: () => void }>;
export const ROOT: string;

/** Longest wait for a quiet moment, milliseconds. */
const PATIENCE = 3000;

/** Runs something once the page has nothing more urgent to do; not every browser tells when that is. */
export function whenIdle(run: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(run, { timeout: PATIENCE });
  else setTimeout(run, PATIENCE / 3);
}

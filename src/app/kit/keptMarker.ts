const KEY = 'cool-reel-kept';

/**
 * Notes, beside the store, that a kit is kept here: should the browser clear its storage to make room, the next visit can
 * say that something is gone instead of offering a fresh start as if nothing had been.
 *
 * @param day - ISO date
 */
export function noteKept(day: string): void {
  try {
    localStorage.setItem(KEY, day);
  } catch {
    // Without it only that remark is lost.
  }
}

/** The last day on which a kit was kept here; null where none is known of. */
export function lastKept(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

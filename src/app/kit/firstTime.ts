/** Whether something is said for the first time in this browser; where it cannot note that, it is said at every visit. */
export function firstTime(what: string): boolean {
  const key = `cool-reel-said-${what}`;
  try {
    if (localStorage.getItem(key) !== null) return false;
    localStorage.setItem(key, '1');
  } catch {
    // Without it only that note is lost.
  }
  return true;
}

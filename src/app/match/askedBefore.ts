const KEY = 'cool-reel-asked';
/** Most questions kept. */
const MOST = 5;

/** The last questions that were answered here, newest first. */
export function askedBefore(): readonly string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((one): one is string => typeof one === 'string').slice(0, MOST) : [];
  } catch {
    return [];
  }
}

/** Keeps a question that was answered; one asked again comes first. */
export function keepAsked(text: string): void {
  const asked = text.trim();
  if (asked === '') return;
  // A question that was only typed on takes the place of its beginning.
  const others = askedBefore().filter((one) => one !== asked && !asked.startsWith(one));
  try {
    localStorage.setItem(KEY, JSON.stringify([asked, ...others].slice(0, MOST)));
  } catch {
    // Without it only the list is lost.
  }
}

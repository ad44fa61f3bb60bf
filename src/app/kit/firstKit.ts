/** How long the place the app came from is asked, milliseconds; without a network it cannot answer. */
const PATIENCE = 3000;

/** Whether the place this app came from starts first visits with the demo kit; no answer is a no. */
export async function startsWithDemo(): Promise<boolean> {
  try {
    const response = await fetch('/start.json', { signal: AbortSignal.timeout(PATIENCE) });
    return response.ok && ((await response.json()) as { demo?: unknown }).demo === true;
  } catch {
    return false;
  }
}

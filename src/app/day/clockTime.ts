/**
 * A clock time as people type it, as HH:MM; null where it is none. `9`, `930`, `9.30`, `9h30`, `9:30`, `2 pm`, `12 am`.
 */
export function readClockTime(text: string): string | null {
  const found = /^\s*(\d{1,2})(?:\s*[:.h]\s*(\d{2})?|(\d{2}))?\s*(a\.?m\.?|p\.?m\.?|uhr|h)?\s*$/i.exec(text);
  if (!found) return null;
  let hours = Number(found[1]);
  const minutes = Number(found[2] ?? found[3] ?? 0);
  const half = found[4]?.toLowerCase().charAt(0);
  if (half === 'p' || half === 'a') {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (half === 'p' ? 12 : 0);
  }
  if (hours > 23 || minutes > 59) return null;
  return `${String(hours).padStart(2, '0')}:${String(minutes).padStart(2, '0')}`;
}

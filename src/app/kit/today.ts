/** The person's own day, as ISO date; the world's day may already be another. */
export function today(now: Date = new Date()): string {
  const two = (value: number): string => String(value).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** How long the kit has not been exported, in words. */
export function exportDueText({ days, writes }: { readonly days: number | null; readonly writes: number }): string {
  const changes = writes === 1 ? '1 change' : `${writes.toLocaleString('en')} changes`;
  if (days === null) return `Never exported: ${changes}, in this browser alone.`;
  const since = days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
  return `Last exported ${since}; ${changes} since.`;
}

/** How long the kit has not been exported, in words. */
export function exportDueText({
  days,
  writes,
  mayBeLost,
}: {
  readonly days: number | null;
  readonly writes: number;
  readonly mayBeLost: boolean;
}): string {
  const why = mayBeLost ? ' This browser may drop it when space runs short.' : '';
  const changes = writes === 1 ? '1 change' : `${writes.toLocaleString('en')} changes`;
  if (days === null) return `Never exported: ${changes}, in this browser alone.${why}`;
  const since = days === 0 ? 'today' : days === 1 ? 'yesterday' : `${days} days ago`;
  return `Last exported ${since}; ${changes} since.${why}`;
}

/** Why the browser would not keep something, in words that say what to do. Nothing was changed when this is shown. */
export function storeMessage(thrown: unknown): string {
  const name = thrown instanceof Error ? thrown.name : '';
  const inner = thrown instanceof Error && 'inner' in thrown ? (thrown.inner as Error | null) : null;
  if (name === 'QuotaExceededError' || inner?.name === 'QuotaExceededError') {
    return 'The browser’s storage is full. Export the kit, free space on this device, and try again. Nothing was changed.';
  }
  if (name === 'DatabaseClosedError' || name === 'VersionError') {
    return 'Another tab has a newer version of Cool Reel open. Reload this tab. Nothing was changed.';
  }
  return `The browser did not save it (${name || 'unknown reason'}). Nothing was changed; try again.`;
}

import { registerSW } from 'virtual:pwa-register';

/**
 * Starts the service worker that keeps the app usable without a network, and says when a newer version waits. The
 * newer one takes over only when told to: never in the middle of work.
 *
 * @returns applies the update and reloads
 */
export function watchUpdates(onWaiting: (apply: () => void) => void): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  const update = registerSW({
    onNeedRefresh: () => onWaiting(() => void update(true)),
  });
}

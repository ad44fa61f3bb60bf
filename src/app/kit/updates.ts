/** What becomes of the app's own files while it is open. */
export interface UpdateEvents {
  /** A newer version waits; `apply` starts it and reloads this tab, and no other. */
  readonly onWaiting: (apply: () => void) => void;
  /** Another tab started the newer version; this one goes on with what it has until it is reloaded. */
  readonly onTaken: (reload: () => void) => void;
  /** The browser refused to keep the app for use without a network. */
  readonly onRefused: () => void;
}

/** Time after which a newer version is looked for again, milliseconds. */
const LOOK_AGAIN = 3_600_000;

const reload = (): void => window.location.reload();

/**
 * Starts the service worker that keeps the app usable without a network, and says when a newer version waits. The
 * newer one takes over only when told to, and only the tab in which that was pressed reloads: another may hold
 * something that is typed and not yet saved.
 */
export async function watchUpdates({ onWaiting, onTaken, onRefused }: UpdateEvents): Promise<void> {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  const wasControlled = navigator.serviceWorker.controller !== null;
  const { Workbox } = await import('workbox-window');
  const worker = new Workbox('/sw.js');
  let pressed = false;
  worker.addEventListener('waiting', () =>
    onWaiting(() => {
      pressed = true;
      // Where another tab started it meanwhile, nothing waits any more.
      void navigator.serviceWorker.getRegistration().then((registration) => {
        if (registration?.waiting) worker.messageSkipWaiting();
        else reload();
      });
    }),
  );
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    if (pressed) reload();
    else if (wasControlled) onTaken(reload);
  });
  try {
    await worker.register();
  } catch {
    onRefused();
    return;
  }
  // The browser looks for a newer version at its own leisure, and not at all in a tab that stays open for days.
  let looked = 0;
  const look = (): void => {
    if (document.visibilityState !== 'visible' || Date.now() - looked < LOOK_AGAIN) return;
    looked = Date.now();
    // Without a network there is nothing newer to be had.
    worker.update().catch(() => {});
  };
  document.addEventListener('visibilitychange', look);
  look();
}

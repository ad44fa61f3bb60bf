import { database } from './database.ts';

/** What another tab, or the browser, can do to this one's store. */
export interface StoreEvents {
  /** A newer version took the store over; this tab has let go of it and must be reloaded. */
  readonly onNewer: () => void;
  /** An older tab holds the store; this one waits until that is closed. */
  readonly onOlder: () => void;
  /** The store was deleted; this tab has let go of it. */
  readonly onDeleted: () => void;
}

/** Tells when two versions of the app meet in one store, or when it is deleted. Nothing is written by the one that gives way. */
export function watchStore({ onNewer, onOlder, onDeleted }: StoreEvents): void {
  let told = false;
  const once = (tell: () => void): void => {
    if (!told) tell();
    told = true;
  };
  database.on('versionchange', (event) => {
    // Told before it closes: closing is an event of its own.
    once(event.newVersion === null ? onDeleted : onNewer);
    database.close({ disableAutoOpen: true });
    // Keeps the library from closing in its own way, after which it would open again at the next write.
    return false;
  });
  database.on('blocked', onOlder);
  // The browser clears a site's data without asking its tabs.
  database.on('close', () => once(onDeleted));
}

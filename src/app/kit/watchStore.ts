import { database } from './database.ts';

/** What another tab can do to this one's store. */
export interface StoreEvents {
  /** A newer version took the store over; this tab has let go of it and must be reloaded. */
  readonly onNewer: () => void;
  /** An older tab holds the store; this one waits until that is closed. */
  readonly onOlder: () => void;
}

/** Tells when two versions of the app meet in one store. Nothing is written by the one that has to give way. */
export function watchStore({ onNewer, onOlder }: StoreEvents): void {
  database.on('versionchange', () => {
    database.close({ disableAutoOpen: true });
    onNewer();
    // Keeps the library from closing in its own way, after which it would open again at the next write.
    return false;
  });
  database.on('blocked', onOlder);
}

import { hasStarted } from '../../store/read.ts';
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

type StoreEvent = keyof StoreEvents;

let listener: StoreEvents | null = null;
/** What happened first; the rest follows from it. */
let happened: StoreEvent | null = null;

function tell(what: StoreEvent): void {
  if (happened !== null) return;
  happened = what;
  listener?.[what]();
}

/**
 * The browser ends a store where it clears a site's data, and where the disk would not take a write. Only the first is a loss:
 * it is looked at. Where it cannot be opened at all, the next to use it is told why.
 */
async function ended(): Promise<void> {
  // One that gave way to a newer version is not opened again under it.
  if (happened !== null) return;
  const isThere = await database
    .open()
    .then(() => hasStarted(database))
    .catch(() => true);
  if (isThere) return;
  tell('onDeleted');
  database.close({ disableAutoOpen: true });
}

function listen(): void {
  database.on('versionchange', (event) => {
    // Told before it closes: closing is an event of its own.
    tell(event.newVersion === null ? 'onDeleted' : 'onNewer');
    database.close({ disableAutoOpen: true });
    // Keeps the library from closing in its own way, after which it would open again at the next write.
    return false;
  });
  database.on('blocked', () => tell('onOlder'));
  database.on('close', () => void ended());
}

// The store is opened before anything asks for it: that takes a while, in which the page is drawn. What goes wrong is met
// by the first question.
if (typeof window !== 'undefined') {
  listen();
  database.open().catch(() => {});
}

/** Tells when two versions of the app meet in one store, or when it is deleted. Nothing is written by the one that gives way. */
export function watchStore(events: StoreEvents): void {
  listener = events;
  if (happened !== null) events[happened]();
}

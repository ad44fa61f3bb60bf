const FULL =
  'The browser’s storage is full. Export the kit, free space on this device, and try again. Nothing was changed.';

/** Browsers word it each in their own way. */
const LOADING_FAILED = /dynamically imported module|importing a module script|error loading dynamically|preload css/i;

/** Whether a part of the app itself did not come. */
const isPartMissing = (thrown: unknown): boolean => thrown instanceof Error && LOADING_FAILED.test(thrown.message);

const PART_MISSING =
  'A part of the app could not be loaded: there is no network, or the app was updated meanwhile. What is saved is safe. Try again; where that does not help, save what you are typing and reload.';

/** Why a part of the page is not there. */
export const partFailedText = (thrown: unknown): string =>
  isPartMissing(thrown)
    ? PART_MISSING
    : 'This part of the page came to a stop. What is saved is safe, and what you typed is kept: the rest of the page goes on.';

/** Said of a picture or file where text belongs. */
export const STRAY_FILE =
  'That is a picture or a file: here only text is read. Copy its text, or open a kit file under Kit, Import.';

interface Stopped {
  readonly thrown: unknown;
  /** The parts of the page it happened in, as the library names them. */
  readonly parts: string;
  readonly href: string;
  readonly browser: string;
}

/** What happened, to be passed on to those who build the app. Nothing of the kit is in it. */
export function reportText({ thrown, parts, href, browser }: Stopped): string {
  const { origin, pathname } = new URL(href);
  const what = thrown instanceof Error ? (thrown.stack ?? `${thrown.name}: ${thrown.message}`) : String(thrown);
  return [
    `Page: ${pathname}`,
    `Browser: ${browser}`,
    what.replaceAll(origin, ''),
    `In:${parts.replaceAll(origin, '')}`,
  ].join('\n');
}

/** What an error is called, and what those are called that it stands for: one for several writes, one around another. */
function namesOf(thrown: unknown): readonly string[] {
  if (!(thrown instanceof Error)) return [];
  const { failures = [], inner } = thrown as { readonly failures?: readonly unknown[]; readonly inner?: unknown };
  return [thrown.name, ...[inner, ...failures].flatMap(namesOf)];
}

/** Why the browser would not keep something, in words that say what to do. Nothing was changed when this is shown. */
export function storeMessage(thrown: unknown): string {
  if (isPartMissing(thrown)) return PART_MISSING;
  const [name = '', ...inside] = namesOf(thrown);
  if ([name, ...inside].includes('QuotaExceededError')) return FULL;
  if (name === 'DatabaseClosedError' || name === 'VersionError') {
    return 'Not saved: this tab can no longer write to the browser’s storage, because another tab runs a newer version or the storage was cleared. Copy what you are typing, then reload this tab.';
  }
  return `Not saved: the browser refused to write (${inside.at(-1) ?? (name || 'unknown reason')}). Your kit is unchanged. The disk may be full: free some space and try again; if it fails again, export the kit and reload.`;
}

/** Said where the store has not answered in good time. */
export const STORE_SILENT =
  'This browser’s storage does not answer. Close other tabs of Cool Reel, or restart the browser, and try again.';

/** Said where a kit was kept here and the browser no longer has it. */
export const kitGoneText = (day: string): string =>
  `A kit was kept in this browser until ${day} and is gone: its storage was cleared, by hand or by the browser to make room. Import your last export.`;

/** Why the kit could not be opened. */
export const storeFailureText = (reason: string): string =>
  reason === 'VersionError'
    ? 'The kit here was written by a newer version of Cool Reel. Reload to bring the app up to date.'
    : `This browser did not give access to its storage (${reason}). Private windows often refuse it. Allow storage for this address and try again.`;

/** What another tab, or the browser, did to the store of this one. */
export const STORE_EVENT = {
  newer: 'Another tab has a newer version of Cool Reel open. Reload this tab; what is saved is safe.',
  older: 'Another tab has an older version of Cool Reel open. Close it to go on here.',
  deleted:
    'The storage of Cool Reel was deleted, in another tab or by the browser. What this tab still shows is no longer stored. Note what you need, reload, and import your last export.',
} as const;

/** What became of the app's own files. */
export const UPDATE_EVENT = {
  waiting: 'A newer version is ready.',
  apply: 'Reload into it',
  taken: 'Another tab went on to a newer version. This one still works; save what you are typing, then',
  reload: 'reload it',
} as const;

/** What a browser keeps back, said once in it. */
export const PLATFORM_TEXT = {
  insecure:
    'This address is plain HTTP: everything works, and what you enter is kept on this device, but only while the computer it comes from can be reached. Use without a network, folders and notifications need HTTPS; on that computer: npm start -- --lan --https.',
  refused:
    'The browser would not keep the app for use without a network, because it does not trust this address’s certificate. Everything else works, and what you enter is kept on this device.',
} as const;

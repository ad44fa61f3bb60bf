import { entryAt } from '../../core/entryAt.ts';
import { isFootage } from '../../core/prove/bench/bench.ts';
import type { Target } from './target.ts';

/** The folder that a bench makes for itself; nothing outside it is ever touched. */
const OWN_FOLDER = 'cool-reel-bench';
const NOTES = 'bench.json';
const PART = /^part-\d{4,6}\.bin$/;
/** Bytes of a part: below what any file system holds in one file, and little to lose where the folder fills up. */
const PART_BYTES = 256 * 1024 * 1024;
/** The same in the browser's own store, where each part is synced once: nobody's card is filled there. */
const OWN_PART_BYTES = 1024 * 1024 * 1024;
/** Length of parts where the folder is nearly full: a piece each. */
const LEAST_PART = 4 * 1024 * 1024;
/** Entries looked at for footage. */
const MOST_LOOKED_AT = 5000;
const DEPTH = 4;

/** What a bench left behind, in a file of its own. */
interface Notes {
  readonly app: typeof OWN_FOLDER;
  readonly version: 1;
  readonly seed: number;
  readonly limitBytes: number | null;
  readonly parts: readonly number[];
  readonly verified: number;
  readonly isWritten: boolean;
}

/** What stands in a folder before a bench. */
export interface FolderLook {
  readonly footage: number;
  readonly example: string | null;
  /** What an earlier bench left; null where nothing is. */
  readonly left: {
    readonly bytes: number;
    readonly verified: number;
    readonly isWritten: boolean;
    readonly limitBytes: number | null;
    readonly seed: number;
  } | null;
  /** A folder of the bench’s name with other things in it: it is left alone. */
  readonly isTaken: boolean;
  /** Room left where the browser tells it; null elsewhere. */
  readonly freeBytes: number | null;
}

interface SyncHandle {
  readonly write: (data: Uint8Array, options: { readonly at: number }) => number;
  readonly read: (data: Uint8Array, options: { readonly at: number }) => number;
  readonly getSize: () => number;
  readonly flush: () => void;
  readonly close: () => void;
  readonly truncate: (size: number) => void;
}
type Openable = FileSystemFileHandle & { readonly createSyncAccessHandle?: () => Promise<SyncHandle> };

const isFull = (thrown: unknown): boolean =>
  thrown instanceof DOMException &&
  (thrown.name === 'QuotaExceededError' || /no space|disk full|quota/i.test(thrown.message));

const notFound = (thrown: unknown): boolean => thrown instanceof DOMException && thrown.name === 'NotFoundError';

async function ownFolder(folder: FileSystemDirectoryHandle): Promise<FileSystemDirectoryHandle | null> {
  try {
    return await folder.getDirectoryHandle(OWN_FOLDER);
  } catch (thrown) {
    if (notFound(thrown)) return null;
    throw thrown;
  }
}

/** Notes of an earlier bench; null where there are none that can be read. */
async function notesIn(own: FileSystemDirectoryHandle): Promise<Notes | null> {
  try {
    const text = await (await (await own.getFileHandle(NOTES)).getFile()).text();
    const notes = JSON.parse(text) as Partial<Notes>;
    const isOwn =
      notes.app === OWN_FOLDER &&
      notes.version === 1 &&
      Number.isInteger(notes.seed) &&
      Array.isArray(notes.parts) &&
      notes.parts.every((size) => Number.isInteger(size) && size > 0) &&
      Number.isInteger(notes.verified);
    return isOwn ? (notes as Notes) : null;
  } catch {
    return null;
  }
}

const total = (parts: readonly number[]): number => parts.reduce((sum, size) => sum + size, 0);

async function writeNotes(own: FileSystemDirectoryHandle, notes: Notes): Promise<void> {
  const file = await (await own.getFileHandle(NOTES, { create: true })).createWritable();
  await file.write(JSON.stringify(notes));
  await file.close();
}

async function footageIn(
  folder: FileSystemDirectoryHandle,
): Promise<{ readonly count: number; readonly example: string | null }> {
  let count = 0;
  let looked = 0;
  let example: string | null = null;
  const look = async (one: FileSystemDirectoryHandle, depth: number): Promise<void> => {
    for await (const [name, entry] of one.entries()) {
      looked += 1;
      if (looked > MOST_LOOKED_AT) return;
      const isFolder = entry.kind === 'directory';
      if (depth === 0 && name === OWN_FOLDER) continue;
      if (isFootage(name, isFolder)) {
        count += 1;
        example ??= name;
      }
      if (isFolder && depth < DEPTH) await look(entry as FileSystemDirectoryHandle, depth + 1);
    }
  };
  await look(folder, 0);
  return { count, example };
}

/** Looks at a folder before anything is written into it. */
export async function lookAt(folder: FileSystemDirectoryHandle, freeBytes: number | null): Promise<FolderLook> {
  const { count, example } = await footageIn(folder);
  const own = await ownFolder(folder);
  const notes = own && (await notesIn(own));
  let others = 0;
  if (own) for await (const name of own.keys()) if (name !== NOTES && !PART.test(name)) others += 1;
  return {
    footage: count,
    example,
    left: notes && {
      bytes: total(notes.parts),
      verified: notes.verified,
      isWritten: notes.isWritten,
      limitBytes: notes.limitBytes,
      seed: notes.seed,
    },
    isTaken: own !== null && (others > 0 || (notes === null && (await hasAny(own)))),
    freeBytes,
  };
}

async function hasAny(folder: FileSystemDirectoryHandle): Promise<boolean> {
  for await (const _ of folder.keys()) return true;
  return false;
}

/**
 * Removes what a bench made: files of its own names in its own folder, and the folder where nothing else is in it.
 *
 * @returns whether the folder is gone
 */
export async function removeOwn(folder: FileSystemDirectoryHandle): Promise<boolean> {
  const own = await ownFolder(folder);
  if (!own) return true;
  const names: string[] = [];
  for await (const name of own.keys()) if (name === NOTES || PART.test(name)) names.push(name);
  // Its notes last: a removal that was stopped is found again.
  for (const name of names.sort((a, b) => Number(a === NOTES) - Number(b === NOTES))) await own.removeEntry(name);
  if (await hasAny(own)) return false;
  await folder.removeEntry(OWN_FOLDER);
  return true;
}

const nameOf = (at: number): string => `part-${String(at + 1).padStart(4, '0')}.bin`;

/** A part that is read back: where it begins, how long it is, and how its bytes are had. */
interface Reading {
  readonly from: number;
  readonly size: number;
  readonly read: (into: Uint8Array, at: number) => Promise<void>;
  readonly close: () => void;
}

async function openReading(own: FileSystemDirectoryHandle, name: string, from: number): Promise<Reading> {
  const handle = (await own.getFileHandle(name)) as Openable;
  const sync = await handle.createSyncAccessHandle?.().catch(() => null);
  if (sync)
    return {
      from,
      size: sync.getSize(),
      async read(into, at) {
        if (sync.read(into, { at }) < into.length) throw new Error(`${name} ends too early`);
      },
      close: () => sync.close(),
    };
  const file = await handle.getFile();
  return {
    from,
    size: file.size,
    async read(into, at) {
      into.set(new Uint8Array(await file.slice(at, at + into.length).arrayBuffer()));
    },
    close: () => {},
  };
}

/** An open file being written: one at a time. */
interface Part {
  readonly write: (piece: Uint8Array, at: number) => Promise<void>;
  readonly close: () => Promise<void>;
  readonly drop: () => Promise<void>;
}

async function openPart(own: FileSystemDirectoryHandle, name: string, bytes: number): Promise<Part> {
  const handle = (await own.getFileHandle(name, { create: true })) as Openable;
  if (handle.createSyncAccessHandle)
    try {
      const sync = await handle.createSyncAccessHandle();
      let length = 0;
      try {
        // Room is asked for once, not with every piece.
        sync.truncate(bytes);
      } catch (thrown) {
        sync.close();
        await own.removeEntry(name);
        throw thrown;
      }
      return {
        async write(piece, at) {
          if (sync.write(piece, { at }) < piece.length)
            throw new DOMException('The folder is full', 'QuotaExceededError');
          length = at + piece.length;
        },
        async close() {
          if (length < bytes) sync.truncate(length);
          sync.flush();
          sync.close();
        },
        async drop() {
          sync.close();
          await own.removeEntry(name);
        },
      };
    } catch (thrown) {
      // Only the browser’s own store has these; a folder of the computer is written to as a stream.
      if (!(thrown instanceof DOMException) || isFull(thrown)) throw thrown;
    }
  const stream = await handle.createWritable();
  return {
    write: (piece, at) => stream.write({ type: 'write', position: at, data: piece as Uint8Array<ArrayBuffer> }),
    close: () => stream.close(),
    async drop() {
      await stream.abort().catch(() => undefined);
      await own.removeEntry(name).catch(() => undefined);
    },
  };
}

interface FolderPlan {
  readonly seed: number;
  readonly limitBytes: number | null;
  readonly isResumed: boolean;
  /** The browser's own store. */
  readonly isOwn: boolean;
}

/**
 * A folder as something to write to: parts in a folder of the bench’s own, and notes by which a later visit finds them. A
 * part that did not fit is taken back, and smaller ones fill what is left.
 */
export async function folderTarget(
  folder: FileSystemDirectoryHandle,
  { seed, limitBytes, isResumed, isOwn }: FolderPlan,
  now: () => number,
): Promise<Target> {
  const own = await folder.getDirectoryHandle(OWN_FOLDER, { create: true });
  const before = isResumed ? await notesIn(own) : null;
  const parts: number[] = [...(before?.parts ?? [])];
  let verified = before?.verified ?? 0;
  let isWritten = before?.isWritten ?? false;
  let part: Part | null = null;
  let inPart = 0;
  let partBytes = isOwn ? OWN_PART_BYTES : PART_BYTES;
  let reading: Reading | null = null;
  const note = (): Promise<void> =>
    writeNotes(own, { app: OWN_FOLDER, version: 1, seed, limitBytes, parts, verified, isWritten });
  await note();
  const finishPart = async (): Promise<void> => {
    if (!part) return;
    const open = part;
    part = null;
    if (inPart === 0) await open.drop();
    else {
      await open.close();
      parts.push(inPart);
      inPart = 0;
      await note();
    }
  };
  const takeBack = async (): Promise<void> => {
    const open = part;
    part = null;
    inPart = 0;
    if (open) await open.drop().catch(() => undefined);
    else await own.removeEntry(nameOf(parts.length)).catch(() => undefined);
  };
  return {
    written: total(parts),
    verified,
    async write(piece) {
      if (isWritten) return null;
      const start = now();
      try {
        part ??= await openPart(own, nameOf(parts.length), partBytes);
        await part.write(piece, inPart);
        inPart += piece.length;
        if (inPart >= partBytes) await finishPart();
        return { seconds: (now() - start) / 1000, written: total(parts) + inPart };
      } catch (thrown) {
        if (!isFull(thrown)) throw thrown;
        await takeBack();
        // What of the part was written before is written anew, in parts of a piece each, until none fits.
        if (partBytes > LEAST_PART) {
          partBytes = LEAST_PART;
          return { seconds: (now() - start) / 1000, written: total(parts) };
        }
        isWritten = true;
        return null;
      }
    },
    async settle() {
      const start = now();
      try {
        await finishPart();
      } catch (thrown) {
        if (!isFull(thrown)) throw thrown;
        await takeBack();
      }
      if (limitBytes === null ? isWritten : total(parts) >= limitBytes) isWritten = true;
      await note();
      return { seconds: (now() - start) / 1000, written: total(parts) };
    },
    async read(piece, offset) {
      const start = now();
      for (let at = 0; at < piece.length; ) {
        const place = offset + at;
        if (!reading || place < reading.from || place >= reading.from + reading.size) {
          reading?.close();
          reading = null;
          let [from, which] = [0, 0];
          while (which < parts.length && from + entryAt(parts, which) <= place) {
            from += entryAt(parts, which);
            which += 1;
          }
          const opened = await openReading(own, nameOf(which), from);
          if (opened.size !== parts[which]) {
            opened.close();
            throw new Error(`${nameOf(which)} is not as long as it was written`);
          }
          reading = opened;
        }
        const from = place - reading.from;
        const length = Math.min(piece.length - at, reading.size - from);
        await reading.read(piece.subarray(at, at + length), from);
        at += length;
      }
      return (now() - start) / 1000;
    },
    async note(done) {
      // Notes are written on the card that is measured: seldom.
      if (done - verified < PART_BYTES && done < total(parts)) return;
      verified = done;
      await note();
    },
    watched: async () => {},
    async close() {
      reading?.close();
      reading = null;
      await finishPart().catch(() => undefined);
    },
  };
}

import Dexie, { type EntityTable } from 'dexie';

/** A folder that a bench was started in, so that a later visit finds what it left. */
export interface ChosenFolder {
  readonly id: string;
  readonly name: string;
  readonly cardId: string;
  readonly folder: FileSystemDirectoryHandle;
}

/** A store of its own: handles of folders belong to this browser, not to the kit. */
function open() {
  const database = new Dexie('cool-reel-folders') as Dexie & { folders: EntityTable<ChosenFolder, 'id'> };
  database.version(1).stores({ folders: 'id' });
  return database;
}

const quietly = async <T>(work: () => Promise<T>, otherwise: T): Promise<T> => {
  try {
    return await work();
  } catch {
    // Without it a folder has to be chosen again, and nothing else is lost.
    return otherwise;
  }
};

export const rememberFolder = (chosen: ChosenFolder): Promise<unknown> =>
  quietly<unknown>(() => open().folders.put(chosen), null);
export const forgetFolder = (id: string): Promise<unknown> => quietly<unknown>(() => open().folders.delete(id), null);
export const chosenFolders = (): Promise<readonly ChosenFolder[]> => quietly(() => open().folders.toArray(), []);

import type { Body, Card, Take, Test } from '../../core/kit/model.ts';
import { kitFileName, kitText } from '../../kit/exportKit.ts';
import { EMPTY_KIT, type Kit, type Settings } from '../../kit/kit.ts';
import {
  deleteItems,
  insertAfter,
  keepSnapshot,
  putItem,
  putItems,
  putSettings,
  readStoredKit,
  replaceKit,
  startWith,
  type Undo,
} from '../../store/kitStore.ts';
import { database } from './database.ts';

const now = (): string => new Date().toISOString();

/** An id no other item has; readable enough in a file. */
export const newId = (): string => crypto.randomUUID().slice(0, 13);

/** The demo kit, loaded only when asked for. */
async function demoKit(): Promise<Kit> {
  const { default: file } = await import('../../kit/demo.coolreel.json');
  return file as unknown as Kit;
}

export const startWithDemo = async (): Promise<boolean> => startWith(database, await demoKit());
export const startEmpty = (): Promise<boolean> => startWith(database, EMPTY_KIT);
export const loadDemo = async (): Promise<void> =>
  replaceKit(database, await demoKit(), 'before loading the demo kit', now());
export const emptyKit = (): Promise<void> => replaceKit(database, EMPTY_KIT, 'before starting empty', now());

export const importKit = (kit: Kit): Promise<void> => replaceKit(database, kit, 'before an import', now());

export async function exportKit(): Promise<{ readonly name: string; readonly text: string }> {
  return { name: kitFileName(now()), text: kitText(await readStoredKit(database)) };
}

export const saveBody = (body: Body): Promise<Undo> => putItem(database, 'bodies', body);
export const saveCard = (card: Card): Promise<Undo> => putItem(database, 'cards', card);

/** A free name: `Dory 2`, `Dory 3`; a label that ends in digits counts on: `C-02` after `C-01`. */
export function nextName(name: string, taken: readonly string[]): string {
  const digits = /^(.*?)(\d+)$/.exec(name);
  const stem = digits ? (digits[1] ?? '') : `${name} `;
  const width = digits?.[2]?.length ?? 1;
  for (let number = Number(digits?.[2] ?? 1) + 1; ; number += 1) {
    const candidate = `${stem}${String(number).padStart(width, '0')}`;
    if (!taken.includes(candidate)) return candidate;
  }
}

export const duplicateCard = (card: Card, all: readonly Card[]): Promise<Undo> =>
  insertAfter(database, 'cards', card.id, {
    ...card,
    id: newId(),
    // Another card: that the first was verified says nothing of this one.
    verified: null,
    label: nextName(
      card.label,
      all.map(({ label }) => label),
    ),
  } as Card);

export const duplicateBody = (body: Body, all: readonly Body[]): Promise<Undo> =>
  insertAfter(database, 'bodies', body.id, {
    ...body,
    id: newId(),
    name: nextName(
      body.name,
      all.map(({ name }) => name),
    ),
  } as Body);

export const deleteBody = (id: string): Promise<Undo> => deleteItems(database, 'bodies', [id]);

export const changeSettings = (change: Partial<Settings>): Promise<void> => putSettings(database, change);

/** Puts a snapshot back; what stands now is kept as another snapshot first. */
export async function restoreSnapshot(text: string): Promise<void> {
  const { parseKit } = await import('../../kit/importKit.ts');
  const kit = parseKit(text);
  if (!kit.ok) throw new Error('the snapshot cannot be read');
  await replaceKit(database, kit.value, 'before restoring a snapshot', now());
}

/** What trials one upon another would change: bodies in their last form, cards to add, the kind of take. */
export interface TrialChanges {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly take: Take | null;
}

/** Keeps everything a chain of trials changed, with one undo. */
export async function keepTrial({ bodies, cards, take }: TrialChanges, before: Take): Promise<Undo> {
  const undoBodies = await putItems(database, 'bodies', bodies);
  const undoCards = await putItems(database, 'cards', cards);
  if (take) await changeSettings({ take });
  return async () => {
    await undoBodies();
    await undoCards();
    if (take) await changeSettings({ take: before });
  };
}

export const saveTest = (test: Test): Promise<Undo> => putItem(database, 'tests', test);

/** Changes of so many cards at once are large: the kit is kept as an earlier state first. */
const MANY = 10;

const beforeMany = async (count: number, what: string): Promise<void> => {
  if (count >= MANY) await keepSnapshot(database, `before ${what} ${count} cards`, now());
};

export async function deleteCards(ids: readonly string[]): Promise<Undo> {
  await beforeMany(ids.length, 'deleting');
  return deleteItems(database, 'cards', ids);
}

/** The same change to several cards, with one undo for all. */
export async function changeCards(cards: readonly Card[], change: Partial<Card>): Promise<Undo> {
  await beforeMany(cards.length, 'changing');
  const changed = cards.map((card) => ({ ...card, ...change }));
  return putItems(database, 'cards', changed);
}

/** Copies of several cards at the end of the wallet, labels counting on: A-01 … A-08. */
export async function duplicateMany(cards: readonly Card[], all: readonly Card[], times: number): Promise<Undo> {
  await beforeMany(cards.length * times, 'adding');
  const taken = all.map(({ label }) => label);
  const copies = cards.flatMap((card) =>
    Array.from({ length: times }, () => {
      const label = nextName(card.label, taken);
      taken.push(label);
      return { ...card, id: newId(), verified: null, label } as Card;
    }),
  );
  return putItems(database, 'cards', copies);
}

/** Adds many new cards at once, all or none. */
export async function addCards(cards: readonly Card[]): Promise<Undo> {
  await beforeMany(cards.length, 'adding');
  return putItems(database, 'cards', cards);
}

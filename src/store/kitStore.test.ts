import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aBody, aCard } from '../core/testing.ts';
import { EMPTY_KIT, type Kit } from '../kit/kit.ts';
import { type Db, openDb } from './db.ts';
import {
  deleteItems,
  hasStarted,
  insertAfter,
  listSnapshots,
  MAX_SNAPSHOTS,
  putItem,
  putSettings,
  readStoredKit,
  replaceKit,
  startWith,
} from './kitStore.ts';

const kit: Kit = {
  ...EMPTY_KIT,
  bodies: [aBody()],
  cards: ['a', 'b', 'c'].map((id) => aCard({ id, label: id })),
};

let db: Db;
let count = 0;

beforeEach(() => {
  count += 1;
  db = openDb(`test-${count}`);
});
afterEach(async () => {
  await db.delete();
});

const labels = async (): Promise<string> => (await readStoredKit(db)).cards.map(({ label }) => label).join('');

describe('the store', () => {
  it('gives back what was put in, with its order and unknown keys', async () => {
    const odd = { ...kit, later: { x: 1 }, cards: [...kit.cards].reverse() } as Kit;
    await replaceKit(db, odd, 'test', '2026-05-01');
    expect(await readStoredKit(db)).toEqual(odd);
  });

  it('starts once: a second tab’s start changes nothing', async () => {
    expect(await hasStarted(db)).toBe(false);
    expect(await startWith(db, kit)).toBe(true);
    expect(await startWith(db, EMPTY_KIT)).toBe(false);
    expect(await labels()).toBe('abc');
  });

  it('puts, inserts, deletes, and takes each back', async () => {
    await startWith(db, kit);
    const undoChange = await putItem(db, 'cards', aCard({ id: 'b', label: 'B' }));
    expect(await labels()).toBe('aBc');
    await undoChange();
    const undoInsert = await insertAfter(db, 'cards', 'a', aCard({ id: 'n', label: 'n' }));
    expect(await labels()).toBe('anbc');
    await undoInsert();
    const undoDelete = await deleteItems(db, 'cards', ['a', 'c', 'not there']);
    expect(await labels()).toBe('b');
    await undoDelete();
    const undoNew = await putItem(db, 'cards', aCard({ id: 'z', label: 'z' }));
    expect(await labels()).toBe('abcz');
    await undoNew();
    expect(await labels()).toBe('abc');
  });

  it('replaces all or nothing', async () => {
    await startWith(db, kit);
    const broken = { ...kit, cards: [aCard({ id: 'x' }), aCard({ id: 'x' })] };
    await expect(replaceKit(db, broken, 'test', '2026-05-01')).rejects.toThrow();
    expect(await readStoredKit(db)).toEqual(kit);
    expect(await listSnapshots(db), 'nor a snapshot of a change that did not happen').toEqual([]);
  });

  it('keeps what was there before a replacement, the newest first, and not for ever', async () => {
    await startWith(db, kit);
    for (let at = 0; at < MAX_SNAPSHOTS + 3; at += 1) await replaceKit(db, EMPTY_KIT, `change ${at}`, '2026-05-01');
    const all = await listSnapshots(db);
    expect(all).toHaveLength(MAX_SNAPSHOTS);
    expect(all[0]?.reason).toBe(`change ${MAX_SNAPSHOTS + 2}`);
  });

  it('keeps no snapshot of a browser where nothing had begun', async () => {
    await replaceKit(db, kit, 'first import', '2026-05-01');
    expect(await listSnapshots(db)).toEqual([]);
  });

  it('changes one setting and keeps the others, unknown ones too', async () => {
    await startWith(db, { ...kit, settings: { take: 'once', headroom: 0.2, sun: true } as never });
    await putSettings(db, { take: 'repeatable' });
    expect((await readStoredKit(db)).settings).toEqual({ take: 'repeatable', headroom: 0.2, sun: true });
  });
});

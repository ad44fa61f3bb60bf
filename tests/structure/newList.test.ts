import 'fake-indexeddb/auto';
import Joi from 'joi';
import { describe, expect, it, vi } from 'vitest';
import type { UnsavedList } from '../../src/app/kit/unsaved.ts';
import type { ListKey } from '../../src/kit/collections.ts';
import { diffKit } from '../../src/kit/diffKit.ts';
import { kitText } from '../../src/kit/exportKit.ts';
import { parseKit, readKit } from '../../src/kit/importKit.ts';
import { kitJsonSchema } from '../../src/kit/jsonSchema.ts';
import { EMPTY_KIT, type Kit, VERSION } from '../../src/kit/kit.ts';
import { migrate } from '../../src/kit/migrations.ts';
import { apply, startWith } from '../../src/store/apply.ts';
import { openDb } from '../../src/store/db.ts';
import { type Edit, put, remove } from '../../src/store/edit.ts';
import { listChanges, takeBack } from '../../src/store/history.ts';
import { readStoredKit } from '../../src/store/read.ts';
import { editRefusalText, entryWord, listWord } from '../../src/text/kit/editRefusal.ts';

/** What the README says of a new list: one entry. Here it is one that nobody keeps. */
vi.mock('../../src/kit/collections.ts', async (original) => {
  const kit = await original<typeof import('../../src/kit/collections.ts')>();
  const schema = Joi.object({
    id: Joi.string().required(),
    name: Joi.string().required(),
    cardId: Joi.string().allow(null),
  }).unknown(true);
  const COLLECTIONS = {
    ...kit.COLLECTIONS,
    gimbals: {
      since: 8,
      most: 2,
      required: false,
      live: true,
      words: ['gimbal', 'gimbals'],
      heldAs: 'its gimbals',
      about: ({ cardId }: { readonly cardId: string }) => [`cards ${cardId}`],
      schema: () => Promise.resolve({ schema }),
    },
  };
  return { ...kit, COLLECTIONS, LISTS: Object.keys(COLLECTIONS) };
});

const GIMBALS = 'gimbals' as ListKey;
/** The same for whoever asks what it holds: the types know the lists of the program alone. */
const TYPED = GIMBALS as 'cards';
const gimbal = { id: 'g1', name: 'Long arm', cardId: 'c1' };
const card = {
  id: 'c1',
  label: 'C-01',
  form: 'sd',
  capacityGB: 64,
  usableGB: null,
  marks: [],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
};
const AT = '2027-05-01T10:00:00Z';
const gimbalsOf = (kit: Kit): unknown => (kit as unknown as Record<string, unknown>).gimbals;
const plain = { format: 'cool-reel-kit', version: VERSION, bodies: [], cards: [] };

describe('a list added to the table, gimbals', () => {
  it('is read from a file, held to its schema and its most entries, and written to one', async () => {
    const read = await readKit({ ...plain, gimbals: [gimbal] });
    expect(read.ok && gimbalsOf(read.value.kit)).toEqual([gimbal]);
    const text = read.ok ? kitText(read.value.kit) : '';
    const again = await parseKit(text);
    expect(again.ok && kitText(again.value.kit)).toBe(text);
    expect(await readKit({ ...plain, gimbals: [{ id: 'g2' }] })).toMatchObject({
      ok: false,
      error: { problems: [{ path: 'gimbals[0].name' }] },
    });
    const many = ['a', 'b', 'c'].map((id) => ({ ...gimbal, id }));
    expect(await readKit({ ...plain, gimbals: many })).toMatchObject({ ok: false });
    expect(gimbalsOf(EMPTY_KIT)).toEqual([]);
    expect((await kitJsonSchema()).properties).toHaveProperty('gimbals');
  });

  it('begins empty in an older kit, and what stood under its name is kept beside it', () => {
    const { kit } = migrate({ bodies: [], cards: [], gimbals: 'mine' }, 1);
    expect(kit).toMatchObject({ version: VERSION, gimbals: [], gimbalsBeforeVersion8: 'mine' });
  });

  it('is told apart in what an import would do', async () => {
    const before = await readKit({ ...plain, gimbals: [gimbal] });
    const after = await readKit({
      ...plain,
      gimbals: [
        { ...gimbal, name: 'Short arm' },
        { ...gimbal, id: 'g2' },
      ],
    });
    if (!before.ok || !after.ok) throw new Error('not read');
    const diff = diffKit(before.value.kit, after.value.kit).lists.find(({ list }) => list === GIMBALS);
    expect(diff).toMatchObject({ added: ['Long arm'], changed: ['Short arm'], removed: [], unchanged: 0 });
  });

  it('is stored, changed, taken back, and holds what it is about', async () => {
    const db = openDb('new-list');
    await startWith(db, EMPTY_KIT);
    const write = (what: string, ...edits: readonly Edit[]) => apply(db, edits, { what, at: AT });
    await write('C-01 added.', put('cards', card as never));
    await write('Long arm added.', put(TYPED, gimbal as never));
    expect(gimbalsOf(await readStoredKit(db))).toEqual([gimbal]);
    const [, first] = await listChanges(db);
    const held = await takeBack(db, first?.id ?? 0, AT, async () => null);
    expect(held).toMatchObject({ ok: true, value: { inTheWay: [{ list: 'cards', fields: ['its gimbals'] }] } });
    const [second] = await listChanges(db);
    await takeBack(db, second?.id ?? 0, AT, async () => null);
    expect(gimbalsOf(await readStoredKit(db))).toEqual([]);
    await write('Two more.', ...['a', 'b'].map((id) => put(TYPED, { ...gimbal, id } as never)));
    const full = await write('One too many.', put(TYPED, { ...gimbal, id: 'c' } as never));
    expect(full).toMatchObject({ ok: false, error: { code: 'too-many', list: 'gimbals', most: 2 } });
    if (!full.ok) expect(editRefusalText(full.error)).toContain('at most 2 gimbals');
    await write('One gone.', remove(TYPED, 'a'));
    expect(gimbalsOf(await readStoredKit(db))).toMatchObject([{ id: 'b' }]);
    db.close();
  });

  it('has its words, and what is typed of it is kept under its name', () => {
    expect([entryWord(GIMBALS), listWord(GIMBALS)]).toEqual(['gimbal', 'gimbals']);
    // Whatever is a list of the kit is one that a form may keep: it compiles.
    const kept: UnsavedList = GIMBALS;
    expect(kept).toBe('gimbals');
  });
});

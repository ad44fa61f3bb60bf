import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Card } from '../core/kit/model.ts';
import { aBody, aCard, aTest } from '../core/testing.ts';
import { parseKit } from '../kit/importKit.ts';
import { EMPTY_KIT, type Kit } from '../kit/kit.ts';
import { apply, MAX_CHANGES, replaceKit, startWith } from './apply.ts';
import { type Db, openDb } from './db.ts';
import { change, type Edit, put, remove, settle } from './edit.ts';
import { listChanges, makeAgain, takeBack } from './history.ts';
import { feedOf, hasStarted, readItem, readStoredKit } from './read.ts';
import { listSnapshots, MAX_SNAPSHOTS } from './snapshots.ts';

const kit: Kit = {
  ...EMPTY_KIT,
  bodies: [aBody({ id: 'b1', name: 'Dory' }), aBody({ id: 'b2', name: 'Skiff', bufferMB: 400 })],
  cards: [
    aCard({ id: 'a', label: 'a', capacityGB: 128 }),
    aCard({ id: 'b', label: 'b', capacityGB: 256 }),
    aCard({ id: 'c', label: 'c', form: 'cfexpress-b', marks: [] }),
  ],
  tests: [aTest({ id: 't', cardId: 'a', clipGB: null })],
};

const AT = '2026-05-01T10:00:00Z';

let db: Db;
let count = 0;

beforeEach(async () => {
  count += 1;
  db = openDb(`test-${count}`);
});
afterEach(async () => {
  await db.delete();
});

const labels = async (): Promise<string> => (await readStoredKit(db)).cards.map(({ label }) => label).join('');
const card = async (id: string): Promise<Card> => {
  const found = await readItem(db, 'cards', id);
  if (!found) throw new Error(id);
  return found;
};
const label = (id: string, to: string): Edit => change('cards', id, (one) => ({ ...one, label: to }));

async function made(...edits: readonly Edit[]): Promise<number> {
  const done = await apply(db, edits, { what: 'changed', at: AT });
  if (!done.ok || done.value.id === null) throw new Error(JSON.stringify(done));
  return done.value.id;
}

const read = async (text: string): Promise<Kit | null> => {
  const parsed = await parseKit(text, Number.POSITIVE_INFINITY);
  return parsed.ok ? parsed.value.kit : null;
};
async function back(id: number) {
  const taken = await takeBack(db, id, AT, read);
  if (!taken.ok) throw new Error(taken.error.code);
  return taken.value;
}
async function again(id: number) {
  const taken = await makeAgain(db, id, AT, read);
  if (!taken.ok) throw new Error(taken.error.code);
  return taken.value;
}

describe('the store', () => {
  it('gives back what was put in, with its order, unknown keys and long series', async () => {
    const series = [{ id: 's', kind: 'rate' as const, MBps: [1, 2, 0] }];
    const odd = { ...kit, later: { x: 1 }, cards: [...kit.cards].reverse(), series } as Kit;
    await replaceKit(db, odd, { what: 'test', at: AT });
    expect(await readStoredKit(db)).toEqual(odd);
  });

  it('starts once: a second tab’s start changes nothing', async () => {
    expect(await hasStarted(db)).toBe(false);
    expect(await startWith(db, kit)).toBe(true);
    expect(await startWith(db, EMPTY_KIT)).toBe(false);
    expect(await labels()).toBe('abc');
  });

  it('replaces all or nothing', async () => {
    await startWith(db, kit);
    const broken = { ...kit, cards: [aCard({ id: 'x' }), aCard({ id: 'x' })] };
    await expect(replaceKit(db, broken, { what: 'test', at: AT, snapshot: 'test' })).rejects.toThrow();
    expect(await readStoredKit(db)).toEqual(kit);
    expect(await listSnapshots(db), 'nor a state of a change that did not happen').toEqual([]);
    expect(await listChanges(db)).toEqual([]);
  });

  it('keeps what was there before a replacement, the newest first, and not for ever', async () => {
    await startWith(db, kit);
    for (let at = 0; at < MAX_SNAPSHOTS + 3; at += 1)
      await replaceKit(db, EMPTY_KIT, { what: 'test', at: AT, snapshot: `change ${at}` });
    const all = await listSnapshots(db);
    expect(all).toHaveLength(MAX_SNAPSHOTS);
    expect(all[0]?.reason).toBe(`change ${MAX_SNAPSHOTS + 2}`);
  });

  it('keeps no state of a browser where nothing had begun', async () => {
    await replaceKit(db, kit, { what: 'first import', at: AT, snapshot: 'first' });
    expect(await listSnapshots(db)).toEqual([]);
  });
});

describe('a set of edits', () => {
  beforeEach(async () => {
    await startWith(db, kit);
  });

  it('goes over any lists and the settings at once', async () => {
    await made(
      put('cards', aCard({ id: 'n', label: 'n' }), { behind: 'a' }),
      remove('tests', 't'),
      change('bodies', 'b1', (body) => ({ ...body, bufferMB: 900 })),
      settle({ take: 'repeatable' }),
    );
    const after = await readStoredKit(db);
    expect(await labels()).toBe('anbc');
    expect(after.tests).toEqual([]);
    expect(after.bodies[0]?.bufferMB).toBe(900);
    expect(after.settings).toEqual({ take: 'repeatable', headroom: 0.15 });
  });

  it('is made whole or not at all', async () => {
    const done = await apply(
      db,
      [label('a', 'A'), settle({ take: 'repeatable' }), change('cards', 'gone', (one) => one)],
      { what: 'test', at: AT, snapshot: 'before it' },
    );
    expect(done).toEqual({ ok: false, error: { code: 'gone', list: 'cards', id: 'gone' } });
    expect(await readStoredKit(db)).toEqual(kit);
    expect(await listSnapshots(db)).toEqual([]);
    expect(await listChanges(db)).toEqual([]);
  });

  it('throws what the browser throws, and leaves everything as it was', async () => {
    const full = Object.assign(new Error('full'), { name: 'QuotaExceededError' });
    const edits = [
      label('a', 'A'),
      change('cards', 'b', () => {
        throw full;
      }),
    ];
    await expect(apply(db, edits, { what: 'test', at: AT })).rejects.toThrow('full');
    expect(await readStoredKit(db)).toEqual(kit);
  });

  it('is no change where everything is as it was', async () => {
    const done = await apply(db, [put('cards', await card('a')), settle({ take: 'once' })], { what: 'x', at: AT });
    expect(done).toEqual({ ok: true, value: { id: null } });
    expect((await feedOf(db)).seq, 'only the start').toBe(1);
  });

  it('is refused where the entry is another than the one it was made from', async () => {
    const opened = await card('a');
    await made(label('a', 'elsewhere'));
    const late = await apply(db, [put('cards', { ...opened, firmware: '2' }, { base: opened })], { what: 'x', at: AT });
    expect(late).toMatchObject({ ok: false, error: { code: 'changed', now: { label: 'elsewhere' } } });
    expect((await card('a')).firmware).toBeUndefined();
    await made(remove('cards', 'a'));
    const gone = await apply(db, [put('cards', opened, { base: opened })], { what: 'x', at: AT });
    expect(gone).toEqual({ ok: false, error: { code: 'gone', list: 'cards', id: 'a' } });
    expect((await apply(db, [put('cards', opened, { base: null })], { what: 'x', at: AT })).ok, 'anew').toBe(true);
  });

  it('is refused where a list would hold more than a kit may', async () => {
    const many = Array.from({ length: 999 }, (_, at) => put('bodies', aBody({ id: `x${at}` })));
    const done = await apply(db, many, { what: 'x', at: AT });
    expect(done).toEqual({ ok: false, error: { code: 'too-many', list: 'bodies', most: 1000 } });
    expect((await readStoredKit(db)).bodies).toHaveLength(2);
  });

  it('tells who follows what it touched, and nothing more', async () => {
    await made(label('a', 'A'), label('b', 'B'));
    await made(remove('tests', 't'));
    const { seq, recent } = await feedOf(db);
    expect(seq).toBe(3);
    expect(recent.slice(1)).toEqual([
      { seq: 2, lists: { cards: ['a', 'b'] } },
      { seq: 3, lists: { tests: ['t'] } },
    ]);
  });

  it('changes one setting and keeps the others, unknown ones too', async () => {
    await replaceKit(
      db,
      { ...kit, settings: { take: 'once', headroom: 0.2, sun: true } as never },
      { what: '', at: AT },
    );
    await made(settle({ take: 'repeatable' }));
    expect((await readStoredKit(db)).settings).toEqual({ take: 'repeatable', headroom: 0.2, sun: true });
  });
});

describe('taking back', () => {
  beforeEach(async () => {
    await startWith(db, kit);
  });

  it('takes back what it did and nothing else: a later change of another field stays', async () => {
    const first = await made(change('cards', 'a', (one) => ({ ...one, capacityGB: 512 })));
    await made(change('cards', 'a', (one) => ({ ...one, firmware: '2.1' })));
    expect(await back(first)).toMatchObject({ done: true, inTheWay: [] });
    expect(await card('a')).toMatchObject({ capacityGB: 128, firmware: '2.1' });
  });

  it('leaves the same field where it was changed since, and says so', async () => {
    const first = await made(change('cards', 'a', (one) => ({ ...one, capacityGB: 512, firmware: '1' })));
    await made(change('cards', 'a', (one) => ({ ...one, capacityGB: 1000 })));
    expect(await back(first)).toMatchObject({
      done: true,
      inTheWay: [{ list: 'cards', name: 'a', fields: ['capacityGB'] }],
    });
    const after = await card('a');
    expect(after.capacityGB).toBe(1000);
    expect(after.firmware).toBeUndefined();
  });

  it('says so where nothing of it can be taken back, and can be asked again later', async () => {
    const first = await made(label('a', 'A'));
    const second = await made(label('a', 'AA'));
    expect(await back(first)).toMatchObject({ done: false });
    expect((await card('a')).label).toBe('AA');
    await back(second);
    expect(await back(first)).toMatchObject({ done: true, inTheWay: [] });
    expect((await card('a')).label).toBe('a');
  });

  it('removes what it added only while it stands as it was added', async () => {
    const added = await made(put('cards', aCard({ id: 'n', label: 'n' })));
    const edited = await made(label('n', 'N'));
    expect(await back(added)).toMatchObject({ done: false, inTheWay: [{ name: 'N', fields: [] }] });
    await back(edited);
    await back(added);
    expect(await labels()).toBe('abc');
  });

  it('keeps a card and a body that a test recorded since is about, until the test is gone', async () => {
    const added = await made(
      put('cards', aCard({ id: 'n', label: 'n' })),
      put('cards', aCard({ id: 'o', label: 'o' })),
      put('bodies', aBody({ id: 'b3', name: 'Punt' })),
    );
    const tested = await made(put('tests', aTest({ id: 'u', bodyId: 'b3', cardId: 'n', clipGB: null })));
    expect(await back(added)).toMatchObject({
      done: true,
      inTheWay: [
        { list: 'bodies', name: 'Punt', fields: ['its tests'] },
        { list: 'cards', name: 'n', fields: ['its tests'] },
      ],
    });
    expect(await labels(), 'what nothing is about goes').toBe('abcn');
    await again(added);
    await back(tested);
    expect(await back(added)).toMatchObject({ done: true, inTheWay: [] });
    expect(await labels()).toBe('abc');
    expect((await readStoredKit(db)).bodies).toHaveLength(2);
  });

  it('puts back what it removed, where it stood, and never over something newer of that id', async () => {
    const removed = await made(remove('cards', 'b'), remove('tests', 't'));
    await back(removed);
    expect(await labels()).toBe('abc');
    expect((await readStoredKit(db)).tests).toHaveLength(1);
    await again(removed);
    await made(put('cards', aCard({ id: 'b', label: 'new b' })));
    expect((await back(removed)).inTheWay).toMatchObject([{ list: 'cards', name: 'new b' }]);
    expect((await card('b')).label).toBe('new b');
    expect((await readStoredKit(db)).tests, 'the rest comes back').toHaveLength(1);
  });

  it('does not bring an entry back that was deleted after the change', async () => {
    const changed = await made(label('a', 'A'), label('b', 'B'));
    await made(remove('cards', 'a'));
    expect(await back(changed)).toMatchObject({ done: true, inTheWay: [{ list: 'cards', name: 'A' }] });
    expect(await labels()).toBe('bc');
  });

  it('takes settings back by key', async () => {
    const first = await made(settle({ take: 'repeatable', headroom: 0.3 }));
    await made(settle({ headroom: 0.4 }));
    expect(await back(first)).toMatchObject({ done: true, inTheWay: [{ list: 'settings', fields: ['headroom'] }] });
    expect((await readStoredKit(db)).settings).toMatchObject({ take: 'once', headroom: 0.4 });
  });

  it('makes again what was taken back, until something else is changed', async () => {
    const first = await made(label('a', 'A'));
    await back(first);
    await again(first);
    expect((await card('a')).label).toBe('A');
    await back(first);
    await made(label('b', 'B'));
    expect(await makeAgain(db, first, AT, read)).toEqual({ ok: false, error: { code: 'nothing-there' } });
  });

  it('twice is nothing', async () => {
    const first = await made(label('a', 'A'));
    await back(first);
    expect(await takeBack(db, first, AT, read)).toEqual({ ok: false, error: { code: 'nothing-there' } });
  });

  it('a whole kit put in place is taken back, and put in place again', async () => {
    const other: Kit = { ...EMPTY_KIT, cards: [aCard({ id: 'z', label: 'z' })] };
    const { id } = await replaceKit(db, other, { what: 'imported', at: AT, snapshot: 'before' });
    if (id === null) throw new Error('no change');
    expect(await labels()).toBe('z');
    await back(id);
    expect(await readStoredKit(db)).toEqual(kit);
    await again(id);
    expect(await labels()).toBe('z');
  });

  it('says that an earlier state is no longer kept', async () => {
    const { id } = await replaceKit(db, EMPTY_KIT, { what: 'emptied', at: AT, snapshot: 'before' });
    await db.snapshots.clear();
    expect(await takeBack(db, id ?? 0, AT, read)).toEqual({ ok: false, error: { code: 'state-gone' } });
    expect(await labels()).toBe('');
  });

  it('keeps so many changes and no more', async () => {
    for (let at = 0; at < MAX_CHANGES + 5; at += 1) await made(label('a', `a${at}`));
    const all = await listChanges(db);
    expect(all).toHaveLength(MAX_CHANGES);
    expect((all[0]?.id ?? 0) > (all[1]?.id ?? 0)).toBe(true);
  });
});

import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { aBody, aCard, aTest } from '../core/testing.ts';
import { EMPTY_KIT, type Kit } from '../kit/kit.ts';
import { apply, noteExport, replaceKit, startWith } from './apply.ts';
import { type Db, openDb } from './db.ts';
import { change, put, remove } from './edit.ts';
import { type Followed, type FollowState, followKit } from './follow.ts';

const kit: Kit = {
  ...EMPTY_KIT,
  bodies: [aBody({ id: 'b1' })],
  cards: [aCard({ id: 'a', label: 'a' }), aCard({ id: 'b', label: 'b' })],
  tests: [aTest({ id: 't', cardId: 'a' })],
};
const AT = '2026-05-01T10:00:00Z';
const LISTS = ['cards', 'tests'] as const;
type L = (typeof LISTS)[number];

let db: Db;
let count = 0;
const leave: (() => void)[] = [];

beforeEach(() => {
  count += 1;
  db = openDb(`follow-${count}`);
});
afterEach(async () => {
  for (const stop of leave.splice(0)) stop();
  await db.delete();
});

function followed(silence?: number) {
  const follower = followKit(db, LISTS, silence);
  leave.push(follower.subscribe(() => {}));
  const until = async (met: (state: FollowState<L>) => boolean): Promise<FollowState<L>> => {
    await vi.waitFor(() => expect(met(follower.get())).toBe(true), { timeout: 3000 });
    return follower.get();
  };
  const kitWhere = async (met: (now: Followed<L>) => boolean): Promise<Followed<L>> => {
    const state = await until((one) => 'kit' in one && met(one.kit));
    if (!('kit' in state)) throw new Error(state.phase);
    return state.kit;
  };
  return { until, kitWhere };
}

describe('following the kit', () => {
  it('says that nothing has begun, and then what there is', async () => {
    const { until, kitWhere } = followed();
    expect(await until(({ phase }) => phase === 'unstarted')).toMatchObject({ kit: { cards: [] } });
    await startWith(db, kit);
    expect((await kitWhere(({ cards }) => cards.length === 2)).cards).toEqual(kit.cards);
  });

  it('leaves every entry that was not touched the very object it was, and other lists too', async () => {
    await startWith(db, kit);
    const { kitWhere } = followed();
    const first = await kitWhere(({ cards }) => cards.length === 2);
    await apply(db, [change('cards', 'b', (card) => ({ ...card, label: 'B' }))], { what: '', at: AT });
    const next = await kitWhere(({ cards }) => cards[1]?.label === 'B');
    expect(next.cards[0]).toBe(first.cards[0]);
    expect(next.cards[1]).not.toBe(first.cards[1]);
    expect(next.tests, 'the tests were not read again').toBe(first.tests);
  });

  it('follows what comes and goes, in order', async () => {
    await startWith(db, kit);
    const { kitWhere } = followed();
    await kitWhere(({ cards }) => cards.length === 2);
    await apply(db, [put('cards', aCard({ id: 'n', label: 'n' }), { behind: 'a' })], { what: '', at: AT });
    const more = await kitWhere(({ cards }) => cards.length === 3);
    expect(more.cards.map(({ label }) => label)).toEqual(['a', 'n', 'b']);
    await apply(db, [remove('cards', 'a')], { what: '', at: AT });
    expect((await kitWhere(({ cards }) => cards.length === 2)).cards.map(({ label }) => label)).toEqual(['n', 'b']);
  });

  it('reads anew where it missed more writes than are named, and after a whole kit was put in place', async () => {
    await startWith(db, kit);
    const { kitWhere } = followed();
    const first = await kitWhere(({ cards }) => cards.length === 2);
    await replaceKit(db, { ...kit, tests: [] }, { what: '', at: AT });
    const next = await kitWhere(({ tests }) => tests.length === 0);
    expect(next.cards).toEqual(first.cards);
    for (let at = 0; at < 30; at += 1)
      await apply(db, [change('cards', 'a', (card) => ({ ...card, label: `a${at}` }))], { what: '', at: AT });
    expect((await kitWhere(({ cards }) => cards[0]?.label === 'a29')).cards).toHaveLength(2);
  });

  it('counts what was written since the last export', async () => {
    await startWith(db, kit);
    const { kitWhere } = followed();
    expect((await kitWhere(() => true)).unexported).toEqual({ writes: 1, since: null });
    await noteExport(db, AT);
    await kitWhere(({ unexported }) => unexported.since === AT && unexported.writes === 0);
    await apply(db, [change('cards', 'a', (card) => ({ ...card, label: 'x' }))], { what: '', at: AT });
    expect((await kitWhere(({ unexported }) => unexported.writes > 0)).unexported).toEqual({ writes: 1, since: AT });
  });

  it('says within its time that the store does not answer', async () => {
    const held = Object.assign(Object.create(db), {
      meta: { toArray: () => new Promise(() => {}) },
    }) as Db;
    const follower = followKit(held, LISTS, 60);
    leave.push(follower.subscribe(() => {}));
    await vi.waitFor(() => expect(follower.get()).toEqual({ phase: 'silent' }));
  });

  it('says why where the store refuses', async () => {
    const refused = Object.assign(new Error('no'), { name: 'OpenFailedError' });
    const held = Object.assign(Object.create(db), { meta: { toArray: () => Promise.reject(refused) } }) as Db;
    const follower = followKit(held, LISTS);
    leave.push(follower.subscribe(() => {}));
    await vi.waitFor(() => expect(follower.get()).toEqual({ phase: 'failed', reason: 'OpenFailedError' }));
  });
});

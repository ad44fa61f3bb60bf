import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import Dexie from 'dexie';
import { describe, expect, it } from 'vitest';
import { openDb } from '../store/db.ts';
import { readStoredKit } from '../store/read.ts';
import { COLLECTIONS, LISTS } from './collections.ts';
import { kitText } from './exportKit.ts';
import { parseKit, readKit } from './importKit.ts';
import { type Kit, VERSION } from './kit.ts';

/** Files as version 1 of the app exported them. */
const file = (name: string): string =>
  readFileSync(new URL(`../../tests/fixtures/${name}.coolreel.json`, import.meta.url), 'utf8');
const FILES = ['version-1', 'demo-by-version/1'] as const;

async function kitIn(text: string): Promise<Kit> {
  const read = await parseKit(text);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  expect(read.value.version).toBe(1);
  return read.value.kit;
}

const sameButMoved = (before: Record<string, unknown>, after: Kit): void => {
  for (const list of LISTS)
    if (COLLECTIONS[list].since === 1 && list !== 'tests')
      expect(JSON.parse(JSON.stringify(after[list]))).toEqual(before[list]);
  const tests = before.tests as { ambientC?: number }[];
  expect(JSON.parse(JSON.stringify(after.tests))).toEqual(
    tests.map(({ ambientC, ...test }) => (ambientC === undefined ? test : { ...test, ambientWithSunC: ambientC })),
  );
};

describe('a kit file of version 1', () => {
  it.each(FILES)('%s is read as it will be, and what it held stands as it stood', async (name) => {
    const text = file(name);
    const kit = await kitIn(text);
    expect(kit.version).toBe(VERSION);
    sameButMoved(JSON.parse(text), kit);
    const again = await parseKit(kitText(kit));
    expect(again).toEqual({ ok: true, value: { kit, version: VERSION, isWhole: null } });
  });

  it('has its kept takes in a list and the rates of their clips in series', async () => {
    const before = JSON.parse(file('version-1'));
    const kit = await kitIn(file('version-1'));
    const traces = before.settings.keptTakes.map((take: { demandTraceMBps: number[] | null }) => take.demandTraceMBps);
    expect(kit.keptTakes.map(({ name }) => name)).toEqual(['First', 'A clip', 'Another clip']);
    expect(
      kit.keptTakes.map(({ rateSeriesId }) => kit.series.find(({ id }) => id === rateSeriesId)?.MBps ?? null),
    ).toEqual(traces);
    expect(kit.settings).not.toHaveProperty('keptTakes');
    expect(kit.settings, 'unknown settings stay').toMatchObject({ lamp: 'red' });
    expect(kit, 'unknown keys stay; one whose name has a meaning now is set aside').toMatchObject({
      studio: { boat: 'blue' },
      seriesBeforeVersion2: 'regatta',
    });
  });

  it.each([
    ['settings.keptTakes[1].plan.minutes', { plan: { minutes: -1, takes: 1, restMinutes: 0, ambientC: 20, sunC: 0 } }],
    ['settings.keptTakes[1].demandTraceMBps[1]', { demandTraceMBps: [1, -4] }],
    ['settings.keptTakes[1].demandTraceMBps', { demandTraceMBps: 'fast' }],
  ])('is refused with the place that the file has: %s', async (path, change) => {
    const before = JSON.parse(file('version-1'));
    Object.assign(before.settings.keptTakes[1], change);
    const read = await readKit(before);
    expect(read).toMatchObject({ ok: false, error: { code: 'invalid', problems: [{ path }] } });
  });

  it('tells the air of a test where the file has it', async () => {
    const before = JSON.parse(file('version-1'));
    before.tests[0].ambientC = 900;
    const read = await readKit(before);
    expect(read).toMatchObject({ ok: false, error: { problems: [{ path: 'tests[0].ambientC' }] } });
  });

  it.each([
    ['keptTakes', { keptTakes: 'many' }, 'settings.keptTakes'],
    ['an entry of it', { keptTakes: [7] }, 'settings.keptTakes[0]'],
  ])('that is broken where it would be moved is refused, not mended: %s', async (_, settings, path) => {
    const read = await readKit({
      ...JSON.parse(file('version-1')),
      settings: { take: 'once', headroom: 0, ...settings },
    });
    expect(read).toMatchObject({ ok: false, error: { code: 'invalid', problems: [{ path }] } });
  });

  it('whose settings are no settings is refused', async () => {
    const read = await readKit({ ...JSON.parse(file('version-1')), settings: 'loud' });
    expect(read).toMatchObject({ ok: false, error: { problems: [{ path: 'settings' }] } });
  });
});

describe('a store of version 1', () => {
  /** As version 1 of the app laid it out. */
  async function storeOfVersion1(name: string, kit: Record<string, unknown>): Promise<void> {
    const db = new Dexie(name);
    const lists = ['bodies', 'cards', 'tests', 'plans', 'prices'];
    const tables = Object.fromEntries(lists.map((list) => [list, 'id, order']));
    db.version(1).stores({ ...tables, meta: 'key', snapshots: '++id, at' });
    for (const list of lists) {
      const rows = (kit[list] as { id: string }[]).map((value, order) => ({ id: value.id, order, value }));
      await db.table(list).bulkAdd(rows);
    }
    const { format, version, bodies, cards, tests, plans, prices, settings, ...extra } = kit;
    await db.table('meta').bulkPut([
      { key: 'settings', value: settings },
      { key: 'extra', value: extra },
      { key: 'started', value: true },
    ]);
    await db.table('snapshots').add({ at: '2026-05-01', reason: 'before an import', text: JSON.stringify(kit) });
    db.close();
  }

  it.each(FILES)('is brought up to the same kit as the file %s', async (name) => {
    const text = file(name);
    await storeOfVersion1(name, JSON.parse(text));
    const db = openDb(name);
    expect(await readStoredKit(db)).toEqual(await kitIn(text));
    const [state] = await db.snapshots.toArray();
    const read = await parseKit(state?.text ?? '', Number.POSITIVE_INFINITY);
    expect(read, 'its earlier states are read by the same chain').toMatchObject({ ok: true });
    await db.delete();
  });

  it('in which nothing had begun stays so', async () => {
    const older = new Dexie('empty-1');
    older.version(1).stores({
      ...Object.fromEntries(['bodies', 'cards', 'tests', 'plans', 'prices'].map((list) => [list, 'id, order'])),
      meta: 'key',
      snapshots: '++id, at',
    });
    await older.open();
    older.close();
    const db = openDb('empty-1');
    expect(await db.meta.count()).toBe(0);
    await db.delete();
  });
});

describe('plans, which versions before 5 kept without reading', () => {
  const plan = { id: 'd', name: 'Day', date: '2027-06-12', start: '08:00', blocks: [], cardIds: [], readers: [] };
  const whole = {
    ...plan,
    copies: { count: 1, destinations: [], verify: false, from: 'card' },
    rules: { swapSeconds: 0, mostMinutesOnOneCard: null, changeAtPercent: 100 },
  };
  const read = (plans: unknown) => readKit({ format: 'cool-reel-kit', version: 4, bodies: [], cards: [], plans });

  it('come in where they are plans; what is none is kept beside them, and nothing is lost', async () => {
    const found = await read([{ id: 'note', text: 'buy tape' }, whole]);
    expect(found).toMatchObject({
      ok: true,
      value: { kit: { plans: [whole], plansBeforeVersion5: [{ id: 'note', text: 'buy tape' }] } },
    });
  });

  it('are refused by their place in the file where a number of theirs cannot be', async () => {
    const bad = { ...whole, rules: { ...whole.rules, swapSeconds: -5 } };
    const found = await read([{ id: 'note' }, bad]);
    expect(found).toMatchObject({ ok: false, error: { problems: [{ path: 'plans[1].rules.swapSeconds' }] } });
  });
});

describe('prices, which versions before 6 kept without reading', () => {
  const offer = {
    id: 'p',
    name: 'SD 256 V90',
    form: 'sd',
    capacityGB: 256,
    marks: ['V90', 'II'],
    bus: null,
    readMBps: null,
    writeMBps: null,
    sustainedMBps: null,
    price: 190,
    currency: 'EUR',
    seller: '',
    date: null,
  };
  const read = (prices: unknown, more: object = {}) =>
    readKit({ format: 'cool-reel-kit', version: 5, bodies: [], cards: [], prices, ...more });

  it('come in where they are offers; what is none, and lists that are new by name, are kept beside them', async () => {
    expect(await read([{ id: 'note', text: 'ask again' }, offer], { needs: 'two hours' })).toMatchObject({
      ok: true,
      value: {
        kit: {
          prices: [offer],
          needs: [],
          standing: [],
          pricesBeforeVersion6: [{ id: 'note', text: 'ask again' }],
          needsBeforeVersion6: 'two hours',
        },
      },
    });
  });

  it.each([
    [{ price: 0 }, 'price'],
    [{ price: -5 }, 'price'],
    [{ price: '1,200' }, 'price'],
    [{ capacityGB: 0 }, 'capacityGB'],
    [{ form: 'floppy' }, 'form'],
    [{ price: null }, 'price'],
  ])('are refused by their place in the file: %j', async (change, field) => {
    const found = await read([{ id: 'note' }, { ...offer, ...change }]);
    expect(found).toMatchObject({ ok: false, error: { problems: [{ path: `prices[1].${field}` }] } });
  });

  it('needs and cameras that never stop are held to their ranges, the low end of a span first', async () => {
    const need = { id: 'n', bodyId: 'b', modeId: 'm', hours: 3, gapFreeMinutes: null, sparePercent: 0 };
    const camera = {
      id: 's',
      name: 'Pier',
      bodyId: null,
      modeId: null,
      cardId: null,
      capacityGB: 32,
      rateMbps: [6, 10],
      hoursPerDay: 24,
      rated: null,
      cycles: null,
      writeAmplification: [1, 2],
      price: null,
      since: null,
    };
    const six = (lists: object) => readKit({ format: 'cool-reel-kit', version: 6, bodies: [], cards: [], ...lists });
    expect((await six({ needs: [need], standing: [camera] })).ok).toBe(true);
    const paths = async (lists: object) => {
      const found = await six(lists);
      return !found.ok && found.error.code === 'invalid' ? found.error.problems.map(({ path }) => path) : found;
    };
    expect(await paths({ needs: [{ ...need, hours: 0 }] })).toEqual(['needs[0].hours']);
    expect(await paths({ needs: [{ ...need, hours: 10_001 }] })).toEqual(['needs[0].hours']);
    expect(await paths({ standing: [{ ...camera, rateMbps: [10, 6] }] })).toEqual(['standing[0].rateMbps[1]']);
    expect(await paths({ standing: [{ ...camera, rateMbps: [6] }] })).toEqual(['standing[0].rateMbps']);
    expect(await paths({ standing: [{ ...camera, hoursPerDay: 25 }] })).toEqual(['standing[0].hoursPerDay']);
    expect(await paths({ standing: [{ ...camera, writeAmplification: [0.5, 2] }] })).toEqual([
      'standing[0].writeAmplification[0]',
    ]);
  });
});

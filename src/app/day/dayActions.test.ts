import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { CardState } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import { lastPresses, stateOf } from '../../core/rotation/states.ts';
import { aCard } from '../../core/testing.ts';
import { EMPTY_KIT } from '../../kit/kit.ts';
import { startWith } from '../../store/apply.ts';
import { readStoredKit } from '../../store/read.ts';
import { database } from '../kit/database.ts';
import { type CodeRead, handOver, readCode, statesCode } from './codes.ts';
import { clearLog, clearRehearsal, pressCard, pressSwap, takeOver } from './dayActions.ts';
import { newPlan } from './newPlan.ts';

const PLAN: Plan = { ...newPlan([]), id: 'p', cardIds: ['a', 'b'] };
const NOW = Date.parse('2027-06-12T12:00:00Z');
const real = (at: string) => ({ at, isRehearsed: false });
const rehearsed = (at: string) => ({ at, isRehearsed: true });

/** The plan and where its cards stand, as they are stored: by log and wallet. */
async function stored(): Promise<{ readonly plan: Plan; readonly stands: Readonly<Record<string, CardState>> }> {
  const { plans, cards } = await readStoredKit(database);
  const plan = plans[0] as Plan;
  const last = lastPresses(plan.log ?? []);
  return { plan, stands: Object.fromEntries(cards.map((card) => [card.id, stateOf(card, last)])) };
}

const wallet = async () => (await readStoredKit(database)).cards;

/** What a device tells that pressed one card of this plan alone. */
function told(to: CardState, clock: number): Extract<CodeRead, { kind: 'states' }> {
  const log = [{ id: 'theirs', at: '2027-06-12T11:00:00Z', cardId: 'a', to, who: 'Bo' }];
  const read = readCode(statesCode({ id: 'p', log }, { now: clock, isRehearsed: false }));
  if (!read.ok || read.value.kind !== 'states') throw new Error('no states');
  return read.value;
}

beforeEach(async () => {
  await database.delete();
  await database.open();
  await startWith(database, {
    ...EMPTY_KIT,
    cards: [aCard({ id: 'a', label: 'A' }), aCard({ id: 'b', label: 'B' })],
    plans: [PLAN],
  });
});

describe('a press', () => {
  it('that comes after others counts, whatever a clock said that ran ahead', async () => {
    await pressCard(PLAN, { cardId: 'a', to: 'verified', who: '' }, real('2146-01-01T00:00:00Z'));
    await pressCard(PLAN, { cardId: 'a', to: 'full', who: '' }, real('2027-06-12T10:00:00Z'));
    expect((await stored()).stands.a).toBe('full');
  });

  it('of a rehearsal never counts: log and wallet stay as they are', async () => {
    await pressCard(PLAN, { cardId: 'a', to: 'full', who: '' }, real('2027-06-12T10:00:00Z'));
    await pressCard(PLAN, { cardId: 'a', to: 'verified', who: '' }, rehearsed('2027-06-20T10:00:00Z'));
    await pressSwap(PLAN, { out: 'a', in: 'b', bodyId: 'x', slotId: 'y' }, '', rehearsed('2027-06-20T11:00:00Z'));
    const { plan, stands } = await stored();
    expect(stands).toEqual({ a: 'full', b: 'free' });
    expect([plan.log?.length, plan.rehearsal?.length]).toEqual([1, 3]);
    await clearRehearsal(plan);
    expect(await stored()).toMatchObject({ plan: { rehearsal: [], log: plan.log }, stands });
  });

  it('has a name of its own, and leaves the wallet to say what it said once the log is cleared', async () => {
    await pressSwap(PLAN, { out: 'a', in: 'b', bodyId: 'x', slotId: 'y' }, 'Mo', real('2027-06-12T10:00:00Z'));
    const { plan } = await stored();
    const ids = (plan.log ?? []).map(({ id }) => id);
    expect(new Set(ids).size).toBe(2);
    for (const id of ids) expect(id).toMatch(/^[0-9a-z]{6}$/);
    await clearLog(plan);
    expect((await stored()).stands).toEqual({ a: 'full', b: 'in-body' });
  });
});

describe('what another device pressed', () => {
  it('leaves a card full that is full here, in log and wallet, though their clock is later', async () => {
    await pressCard(PLAN, { cardId: 'a', to: 'full', who: '' }, real('2027-06-12T10:00:00Z'));
    const { plan } = await stored();
    await takeOver(plan, await wallet(), told('verified', NOW + 1_860_000), { now: NOW, vouched: false });
    const after = await stored();
    expect(after.stands.a).toBe('full');
    expect(after.plan.log).toHaveLength(2);
    await takeOver(after.plan, await wallet(), told('verified', NOW), { now: NOW, vouched: true });
    expect((await stored()).stands.a, 'a press is taken over once').toBe('full');
  });

  it('counts where a person says that it came later', async () => {
    await pressCard(PLAN, { cardId: 'a', to: 'full', who: '' }, real('2027-06-12T10:00:00Z'));
    const { plan } = await stored();
    await takeOver(plan, await wallet(), told('verified', NOW), { now: NOW, vouched: true });
    expect((await stored()).stands.a).toBe('verified');
  });

  it('does not free a card that the wallet says is full, and makes one unsafe that the wallet says is free', async () => {
    await database.transaction('rw', database.table('cards'), async () => {
      const row = await database.table('cards').get('a');
      await database.table('cards').put({ ...row, value: { ...row.value, state: 'full' } });
    });
    await takeOver((await stored()).plan, await wallet(), told('verified', NOW), { now: NOW, vouched: false });
    expect((await stored()).stands.a).toBe('full');
    await takeOver((await stored()).plan, await wallet(), told('in-body', NOW), { now: NOW, vouched: false });
    expect(['full', 'in-body']).toContain((await stored()).stands.a);
  });

  it('is said of the very card: vouching for one frees no other that the wallet says is full', async () => {
    await pressCard(PLAN, { cardId: 'b', to: 'full', who: '' }, real('2027-06-12T10:00:00Z'));
    const { plan } = await stored();
    await clearLog(plan);
    // Of B nothing is pressed any more, and the wallet says that it is full.
    const log = [{ id: 'theirb', at: '2027-06-12T11:00:00Z', cardId: 'b', to: 'verified' as const, who: 'Bo' }];
    const read = readCode(statesCode({ id: 'p', log }, { now: NOW, isRehearsed: false }));
    if (!read.ok || read.value.kind !== 'states') throw new Error('no states');
    const asked = handOver((await stored()).plan, await wallet(), read.value, { now: NOW, vouched: false });
    expect(asked).toMatchObject({
      changes: [],
      contested: [{ cardId: 'b', here: 'full', there: 'verified', stays: 'full' }],
    });
    await takeOver((await stored()).plan, await wallet(), read.value, { now: NOW, vouched: false });
    expect((await stored()).stands.b).toBe('full');
  });
});

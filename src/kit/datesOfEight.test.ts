import { describe, expect, it } from 'vitest';
import { board } from '../core/match/board.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../core/testing.ts';
import { readKit } from './importKit.ts';

const mode = aMode({ id: 'm', rate: { kind: 'stated', Mbps: 600, is: 'maximum' }, overhead: null });
const body = aBody({
  id: 'b',
  modes: [mode],
  slots: [aSlot({ id: 's', accepts: [{ form: 'sd', bus: 'uhs-ii' }], family: 'sdxc' })],
});
const card = aCard({ id: 'c', capacityGB: 128, marks: ['II', 'V60'] });
const seconds = Math.floor((128e9 * 0.987) / 75e6);
const take = (change: object) => ({
  ...aTest({ id: 't', bodyId: 'b', modeId: 'm', cardId: 'c', slotId: 's', end: 'full', seconds }),
  ...change,
});
const kitOf = (version: number, tests: readonly object[], cards: readonly object[] = [card]) =>
  readKit({ format: 'cool-reel-kit', version, bodies: [body], cards, tests });

async function verdictOf(version: number, tests: readonly object[]): Promise<string | undefined> {
  const read = await kitOf(version, tests);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  const { bodies, cards, tests: own } = read.value.kit;
  return board({ bodies, cards, tests: own, reports: [] }, DEFAULT_POLICY).columnAt(0)[0]?.verdict;
}

describe('dates that version 7 kept as any text', () => {
  const drop = (date: string | null) => take({ id: 'drop', end: 'dropped', seconds: 60, date });
  const pass = (date: string | null) => take({ id: 'pass', date });

  it('are read where there is no doubt, and takes are in their order', async () => {
    expect(await verdictOf(7, [drop('10.05.2026'), pass('24.06.2026')])).toBe('proven');
    expect(await verdictOf(7, [drop('10.05.2027'), pass('24.06.2026')])).toBe('drops');
    expect(await verdictOf(7, [pass('24.06.2026'), drop('2027-05-10')])).toBe('drops');
  });

  it('leave a drop standing where the order is not known', async () => {
    expect(await verdictOf(7, [drop('2026-05-10'), pass('05/06/2026')])).toBe('drops');
    expect(await verdictOf(7, [drop('last spring'), pass('2026-06-24')])).toBe('drops');
    expect(await verdictOf(7, [drop(null), pass('2026-06-24')])).toBe('drops');
  });

  it('that say no one day are kept as a note, beside what stood there', async () => {
    const read = await kitOf(7, [
      take({ id: 'a', date: '05/06/2026', note: 'in the sun' }),
      take({ id: 'b', date: 'last spring', note: null }),
      take({ id: 'c', date: '2026-05-10 evening', note: 'x'.repeat(2000) }),
      take({ id: 'd', date: '24.06.2026' }),
    ]);
    expect(read.ok && read.value.kit.tests).toMatchObject([
      { date: null, note: 'in the sun\ndate as written: 05/06/2026' },
      { date: null, note: 'date as written: last spring' },
      { date: '2026-05-10', note: 'x'.repeat(2000), dateAsWritten: '2026-05-10 evening' },
      { date: '2026-06-24' },
    ]);
  });

  it('of cards: an incident counts from the last day it can have been on, a verification that has none counts no more', async () => {
    const worn = {
      ...card,
      boughtOn: '2026-02-31',
      incidents: [{ date: '2026-02-31', kind: 'dropped', text: '' }],
      verified: { date: '2026-02-31', how: 'filled and read back' },
    };
    const read = await kitOf(7, [], [worn]);
    expect(read.ok && read.value.kit.cards).toMatchObject([
      {
        boughtOn: null,
        note: 'boughtOn as written: 2026-02-31',
        incidents: [{ date: '2026-02-28' }],
        verified: null,
        verifiedBeforeVersion8: worn.verified,
      },
    ]);
  });
});

describe('dates of version 8', () => {
  it.each(['24.06.2026', '2026-02-30', 'yesterday', '2026-06', '2026-06-24 evening'])(
    '“%s” is refused by its place',
    async (date) => {
      const read = await kitOf(8, [take({ date })]);
      expect(read).toMatchObject({ ok: false, error: { problems: [{ path: 'tests[0].date', kind: 'date' }] } });
    },
  );

  it('may have a time', async () => {
    for (const date of ['2026-06-24T09:41', '2026-06-24T09:41:00.000+02:00', null])
      expect((await kitOf(8, [take({ date })])).ok, String(date)).toBe(true);
  });
});

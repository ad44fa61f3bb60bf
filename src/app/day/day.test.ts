import jsQR from 'jsqr';
import { create } from 'qrcode';
import { describe, expect, it } from 'vitest';
import { CARD_STATES } from '../../core/kit/model.ts';
import type { Plan, PlanPress } from '../../core/kit/plan.ts';
import { aCard } from '../../core/testing.ts';
import { planSchema } from '../../kit/schemas/plan.ts';
import { apartText } from '../../text/day/live.ts';
import { readClockTime } from './clockTime.ts';
import { cardCode, handOver, readCode, type StatesRead, statesCode } from './codes.ts';
import { compareLists, listsWanted } from './copies.ts';
import { pressedAt } from './live.ts';
import { newPlan, shiftedBlock } from './newPlan.ts';

const press = (at: string, cardId: string, to: PlanPress['to'], more: Partial<PlanPress> = {}): PlanPress => ({
  at: `2027-06-12T${at}:00+02:00`,
  cardId,
  to,
  who: 'Mo',
  ...more,
});
const aPlan = (log: readonly PlanPress[], cardIds: readonly string[] = ['a', 'b', 'c']): Plan => ({
  ...newPlan([]),
  id: 'race',
  cardIds,
  log,
});

describe('clock times as people type them', () => {
  it.each([
    ['9', '09:00'],
    ['930', '09:30'],
    ['9.30', '09:30'],
    ['9h30', '09:30'],
    [' 14:05 ', '14:05'],
    ['2 pm', '14:00'],
    ['12 am', '00:00'],
    ['12:15pm', '12:15'],
    ['0:00', '00:00'],
  ])('%s is %s', (text, time) => expect(readClockTime(text)).toBe(time));
  it.each(['', '24:00', '9:60', '13 pm', 'noon', '-1', '1e3', '9:3', '12345'])('%j is none', (text) =>
    expect(readClockTime(text)).toBeNull(),
  );
});

describe('a block that is moved', () => {
  const day = { start: '08:00' };
  const block = { id: 'k', bodyId: 'b', modeId: 'm', from: '23:30', minutes: 60, rolling: 1, gapFree: false };
  it('goes over midnight to the next day, and back', () => {
    const on = shiftedBlock(block, day, 45, 0);
    expect(on).toMatchObject({ from: '00:15', day: null, minutes: 60 });
    const night = { ...block, from: '23:30', day: 1 };
    expect(shiftedBlock(night, day, 60, 0), 'the night after').toMatchObject({ from: '00:30', day: 2 });
    expect(shiftedBlock(on, day, -45, 0)).toMatchObject({ from: '23:30', day: null });
    expect(
      shiftedBlock({ ...block, from: '00:10' }, { start: '00:00' }, -30, 0),
      'not before the first day',
    ).toMatchObject({
      from: '00:10',
    });
  });
  it('is never shorter than five minutes nor longer than may be', () => {
    expect(shiftedBlock(block, day, 0, -500).minutes).toBe(5);
    expect(shiftedBlock(block, day, 0, 99_999).minutes).toBe(2880);
  });
});

describe('a day to begin with', () => {
  it('is one that the kit takes, with a reader for every form in the wallet, and says that speeds are assumed', () => {
    const made = newPlan([
      aCard(),
      aCard({ id: 'm', form: 'microsd' }),
      aCard({ id: 'x', form: 'cfexpress-b' }),
      aCard({ id: 'old', retired: true }),
    ]);
    expect(planSchema.validate(made).error).toBeUndefined();
    expect(made.readers.map(({ forms }) => forms)).toEqual([['sd', 'microsd'], ['cfexpress-b']]);
    expect(made.cardIds).toEqual(['c', 'm', 'x']);
    expect(made.speedsAssumed).toBe(true);
  });
});

/** The clock of this device, at noon of the day. */
const HERE = { now: Date.parse('2027-06-12T12:00:00+02:00'), isRehearsed: false };

describe('codes', () => {
  it('name a card, and nothing else is taken for one', () => {
    expect(readCode(cardCode('a-01'))).toEqual({ ok: true, value: { kind: 'card', cardId: 'a-01' } });
    expect(readCode('https://example.org')).toEqual({ ok: false, error: 'not-ours' });
    expect(readCode('coolreel-card:')).toEqual({ ok: false, error: 'damaged' });
  });

  it('carry the last press of every card, to the second', () => {
    const plan = aPlan([
      press('09:00', 'a', 'in-body', { bodyId: 'w', slotId: 's1' }),
      press('10:00', 'a', 'full'),
      press('09:30', 'b', 'in-body', { bodyId: 'w', slotId: 's2' }),
    ]);
    const read = readCode(statesCode(plan, HERE));
    expect(read).toMatchObject({ ok: true, value: { kind: 'states', planId: 'race' } });
    const presses = read.ok && read.value.kind === 'states' ? read.value.presses : [];
    expect(presses.map(({ press: { cardId, to } }) => [cardId, to])).toEqual([
      ['a', 'full'],
      ['b', 'in-body'],
    ]);
    expect(presses[1]?.press).toMatchObject({ bodyId: 'w', slotId: 's2', who: 'Mo' });
    expect(Date.parse(presses[0]?.press.at ?? '')).toBe(Date.parse('2027-06-12T10:00:00+02:00'));
  });

  it('are refused where they are cut off or changed, wherever', () => {
    const text = statesCode(aPlan([press('09:00', 'a', 'full')]), HERE);
    for (let length = 13; length < text.length; length += 1) expect(readCode(text.slice(0, length)).ok).toBe(false);
    expect(readCode(text.replace('[["a",2', '[["a",9'))).toEqual({ ok: false, error: 'damaged' });
    expect(readCode('coolreel-day:{"a":1}')).toEqual({ ok: false, error: 'damaged' });
  });

  it('of fourteen cards are drawn and read back by another package (jsQR)', () => {
    const ids = Array.from({ length: 14 }, (_, at) => `card-${at}`);
    const text = statesCode(
      aPlan(
        ids.map((id, at) => press('09:00', id, CARD_STATES[at % 6] ?? 'free')),
        ids,
      ),
      HERE,
    );
    const { modules } = create(text, { errorCorrectionLevel: 'M' });
    const [scale, quiet] = [4, 4];
    const side = (modules.size + 2 * quiet) * scale;
    const pixels = new Uint8ClampedArray(side * side * 4).fill(255);
    for (let y = 0; y < side; y += 1)
      for (let x = 0; x < side; x += 1) {
        const [row, column] = [Math.floor(y / scale) - quiet, Math.floor(x / scale) - quiet];
        const inside = row >= 0 && column >= 0 && row < modules.size && column < modules.size;
        if (inside && modules.get(row, column)) pixels.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3);
      }
    expect(jsQR(pixels, side, side)?.data).toBe(text);
  });
});

/** What a device with this log tells in a code, read back. */
function toldBy(log: readonly PlanPress[], clock = HERE.now): StatesRead {
  const read = readCode(statesCode(aPlan(log), { now: clock, isRehearsed: false }));
  if (!read.ok || read.value.kind !== 'states') throw new Error('no states');
  return read.value;
}

describe('handing over', () => {
  const choice = { now: HERE.now, vouched: false };
  const inBody = press('09:00', 'a', 'in-body', { id: 'aaaaa1' });
  const full = press('10:00', 'a', 'full', { id: 'aaaaa2' });
  const checked = press('10:40', 'a', 'verified', { id: 'aaaaa3', who: 'Bo' });

  it('takes what a device pressed that knew what was pressed here, and asks nothing twice', () => {
    const here = aPlan([inBody, press('11:00', 'b', 'full')]);
    const read = toldBy([inBody, full, press('10:30', 'c', 'copying'), press('10:30', 'gone', 'full')]);
    const found = handOver(here, [], read, choice);
    expect(found.changes).toEqual([
      { cardId: 'a', from: 'in-body', to: 'full', who: 'Mo' },
      { cardId: 'c', from: null, to: 'copying', who: 'Mo' },
    ]);
    expect(found.contested).toEqual([]);
    expect(found.log).toHaveLength(4);
    expect(handOver({ ...here, log: [...found.log] }, [], read, choice), 'taken over once').toMatchObject({
      changes: [],
      log: found.log,
    });
  });

  it('leaves a card full that another device verified without knowing of it, until somebody says which came later', () => {
    const here = aPlan([inBody, full]);
    const read = toldBy([checked]);
    expect(handOver(here, [], read, choice)).toMatchObject({
      changes: [],
      contested: [{ cardId: 'a', here: 'full', there: 'verified', who: 'Bo', stays: 'full' }],
    });
    expect(handOver(here, [], read, { ...choice, vouched: true }).changes).toEqual([
      { cardId: 'a', from: 'full', to: 'verified', who: 'Bo' },
    ]);
  });

  it('tells of a clock that is ahead, and notes by how much: the times are shown by the clock here', () => {
    const read = toldBy([checked], HERE.now + 31 * 60_000);
    const { aheadSeconds, log } = handOver(aPlan([]), [], read, choice);
    expect(aheadSeconds).toBe(1860);
    expect(apartText(1860)).toBe('Their clock is 31 min ahead of yours.');
    expect(log[0]).toMatchObject({ at: '2027-06-12T08:40:00.000Z', aheadSeconds: 1860 });
    expect(Date.parse(pressedAt(log[0] as PlanPress))).toBe(Date.parse('2027-06-12T10:09:00+02:00'));
    expect(handOver(aPlan([]), [], toldBy([checked], HERE.now + 20_000), choice).log[0]).not.toHaveProperty(
      'aheadSeconds',
    );
  });

  it('of a rehearsal says so, and an older code, which tells of no clock and of nothing before, orders nothing', () => {
    const rehearsed = readCode(statesCode(aPlan([full]), { ...HERE, isRehearsed: true }));
    expect(rehearsed).toMatchObject({ ok: true, value: { isRehearsed: true, clock: null } });
    const at = (Date.parse('2027-06-12T10:40:00+02:00') - Date.UTC(2020, 0, 1)) / 1000;
    const old = readCode(`coolreel-day:["race",[["a",${CARD_STATES.indexOf('verified')},${at},"Bo"]]]`);
    if (!old.ok || old.value.kind !== 'states') throw new Error('an older code is read');
    expect(old.value).toMatchObject({ isRehearsed: false, clock: null });
    expect(handOver(aPlan([full]), [], old.value, choice)).toMatchObject({
      changes: [],
      contested: [{ stays: 'full' }],
    });
  });

  it('fits one code with sixty cards, and says twice of no card where it stands', () => {
    const ids = Array.from({ length: 60 }, (_, at) => `card-${at}`);
    const log = ids.flatMap((id) => CARD_STATES.map((to) => press('09:00', id, to)));
    const text = statesCode(aPlan(log, ids), HERE);
    expect(() => create(text, { errorCorrectionLevel: 'L' })).not.toThrow();
    const one = '["a",0,1,"","abcdef"]';
    expect(readCode(`coolreel-day:["race",[${one}],2,1]`).ok).toBe(true);
    expect(readCode(`coolreel-day:["race",[${one},${one}],2,1]`)).toEqual({ ok: false, error: 'damaged' });
  });
});

describe('lists of copies', () => {
  const sum = (digit: string): string => digit.repeat(32);
  const list = (name: string, text: string): File => new File([text], name, { lastModified: 1 });
  const [one, two] = [list('one.md5', `${sum('a')}  x`), list('two.md5', `${sum('a')}  x`)];

  it('prove nothing where one file is chosen twice, or fewer are there than copies are asked for', async () => {
    expect(await compareLists([one, one])).toMatchObject({ ok: false, error: expect.stringContaining('twice') });
    expect(await compareLists([one])).toMatchObject({ ok: false });
    expect([1, 2, 3].map(listsWanted)).toEqual([2, 2, 3]);
  });

  it('agree only where all of them do: a third that differs is told', async () => {
    const third = list('three.md5', `${sum('b')}  x`);
    expect(await compareLists([one, two])).toMatchObject({ ok: true, value: { isEqual: true } });
    expect(await compareLists([one, two, third])).toMatchObject({
      ok: true,
      value: { isEqual: false, different: ['x'] },
    });
  });
});

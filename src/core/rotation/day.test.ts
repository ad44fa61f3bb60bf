import { describe, expect, it } from 'vitest';
import type { CardState } from '../kit/model.ts';
import type { Plan, PlanBlock, PlanPress } from '../kit/plan.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import { finish } from '../steps.ts';
import { aBody, aCard, aMode, aSlot } from '../testing.ts';
import { airAt, blockTake, dayHeatSteps } from './blockHeat.ts';
import type { DayInput } from './day.ts';
import { dayMoveSteps } from './dayMoves.ts';
import { type PlannedDay, plannedDay } from './plannedDay.ts';

const hours = (time: string): number => {
  const [h = 0, m = 0] = time.split(':').map(Number);
  return (h - 8) * 3600 + m * 60;
};
const aBlock = (change: Partial<PlanBlock> = {}): PlanBlock => ({
  id: 'k',
  bodyId: 'b',
  modeId: 'm',
  from: '09:00',
  minutes: 60,
  rolling: 1,
  gapFree: false,
  ...change,
});
const aPlan = (change: Partial<Plan> = {}): Plan => ({
  id: 'd',
  name: 'Day',
  date: '2027-06-12',
  start: '08:00',
  blocks: [aBlock()],
  cardIds: ['c'],
  readers: [{ id: 'r', name: 'Dock', forms: ['sd'], MBps: 100, slots: 1 }],
  copies: {
    count: 1,
    verify: false,
    from: 'card' as const,
    destinations: [{ name: 'Disk', writeMBps: 200, readMBps: 200, freeGB: 9000 }],
  },
  rules: { swapSeconds: 30, mostMinutesOnOneCard: null, changeAtPercent: 100 },
  ...change,
});

/** 500 Mb/s into a V90 card of 256 GB: 67 minutes. */
const input = (plan: Plan, change: Partial<DayInput> & Partial<DayInput['kit']> = {}): DayInput => ({
  kit: { bodies: change.bodies ?? [aBody()], cards: change.cards ?? [aCard()], tests: [] },
  plan,
  policy: change.policy ?? DEFAULT_POLICY,
  times: { comesTwice: () => false, ofBlock: ({ from }) => hours(from), ofPress: ({ at }) => hours(at) },
  now: change.now ?? null,
});
const plan = (made: Plan, change: Parameters<typeof input>[1] = {}): PlannedDay => plannedDay(input(made, change));

describe('a mode that goes to one slot of a mirrored body', () => {
  const slots = [
    aSlot({ id: 'b', accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null }),
    aSlot({ id: 's' }),
  ];
  const modes = [aMode({ id: 'm', slotIds: ['b'] }), aMode({ id: 'both' })];
  const cards = [
    aCard({ id: 'c', form: 'cfexpress-b', capacityGB: 512, marks: ['VPG400'] }),
    aCard({ id: 'd', form: 'cfexpress-b', capacityGB: 512, marks: ['VPG400'] }),
    aCard({ id: 'e', capacityGB: 512 }),
  ];
  const bodies = [aBody({ slots, modes, arrangement: 'mirrored' })];
  const change = { bodies, cards };

  it('takes one card, and two again in a mode that is mirrored', () => {
    const blocks = [aBlock({ minutes: 30 }), aBlock({ id: 'l', modeId: 'both', from: '10:00', minutes: 30 })];
    const readers = [{ id: 'r', name: 'Dock', forms: ['sd', 'cfexpress-b'] as const, MBps: 100, slots: 1 }];
    const day = plan(aPlan({ blocks, readers, cardIds: ['c', 'd', 'e'] }), change);
    expect(day.shortages).toEqual([]);
    const seats = (blockId: string) => day.rolls.filter((roll) => roll.blockId === blockId).map(({ cardId }) => cardId);
    expect([seats('k'), seats('l')]).toEqual([['c'], ['d', 'e']]);
  });

  it('a single card that lies in it is no set', () => {
    const blocks = [aBlock({ minutes: 10 }), aBlock({ id: 'l', modeId: 'both', from: '10:00', minutes: 10 })];
    const day = plan(aPlan({ blocks, cardIds: ['c'] }), change);
    expect(day.shortages.flatMap(({ blockId }) => blockId ?? [])).toEqual(['l']);
  });
});

describe('a planned day', () => {
  it('takes Match’s minutes, and says the bytes of everything written', () => {
    const day = plan(aPlan({ blocks: [aBlock({ minutes: 90 })] }));
    expect(day.rolls[0]).toMatchObject({ verdict: 'guaranteed', tone: 'cool', marked: false, rolledSeconds: 67 * 60 });
    expect(day.rolls[0]?.GB).toBeCloseTo(67 * 60 * 0.0625, 6);
    expect(day.shortages[0]).toMatchObject({ blockId: 'k', reason: { code: 'none-free', cardId: 'c' } });
    // Out at 67 min, copied at 100 MB/s in 41 min 52 s: past the end of the block.
    expect(day.shortages[0]?.missingMinutes).toBeCloseTo(23, 6);
  });

  it('counts the rates of a split over its cards, and of a mirror on each', () => {
    const slots = [aSlot({ id: 's1' }), aSlot({ id: 's2' })];
    const cards = [aCard({ id: 'c' }), aCard({ id: 'c2' })];
    const made = (arrangement: 'mirrored' | 'split') =>
      plan(aPlan({ cardIds: ['c', 'c2'] }), { bodies: [aBody({ arrangement, slots })], cards });
    const [mirrored, split] = [made('mirrored'), made('split')];
    expect(mirrored.rolls).toHaveLength(2);
    expect(mirrored.totals).toMatchObject({ rolledMinutes: 60 });
    expect(mirrored.totals.GB).toBeCloseTo(2 * 225, 6);
    expect(split.totals.GB).toBeCloseTo(225, 6);
    expect(split.rolls.map(({ slotId }) => slotId).sort()).toEqual(['s1', 's2']);
  });

  it('uses no card that is thin unless the person says so, and marks it then', () => {
    const thin = [aCard({ marks: ['SDXC', 'II', 'U3', 'V60'] })];
    const bodies = [aBody({ modes: [aMode({ rate: { kind: 'stated', Mbps: 460, is: 'maximum' } })] })];
    expect(plan(aPlan(), { cards: thin, bodies }).shortages[0]?.reason).toEqual({ code: 'none-holds' });
    const rules = { ...aPlan().rules, alsoUse: 'warm' as const };
    expect(plan(aPlan({ rules }), { cards: thin, bodies }).rolls).toMatchObject([
      { verdict: 'tight', tone: 'warm', marked: true },
    ]);
    const repeatable = { ...DEFAULT_POLICY, take: 'repeatable' as const };
    expect(plan(aPlan(), { cards: thin, bodies, policy: repeatable }).rolls).toMatchObject([
      { tone: 'cool', marked: false },
    ]);
    const none = [aCard({ marks: ['SDXC', 'II'] })];
    expect(plan(aPlan({ rules }), { cards: none }).rolls, 'not covered is not thin').toEqual([]);
  });

  it('keeps to how the person works: most minutes on one card, change at, only cards for long rolls', () => {
    const rules = aPlan().rules;
    expect(plan(aPlan({ rules: { ...rules, mostMinutesOnOneCard: 20 } })).rolls[0]?.rolledSeconds).toBe(1200);
    expect(
      plan(aPlan({ blocks: [aBlock({ minutes: 90 })], rules: { ...rules, changeAtPercent: 50 } })).rolls[0]
        ?.rolledSeconds,
    ).toBeCloseTo(33.5 * 60, 6);
    const long = aPlan({ blocks: [aBlock({ minutes: 90 })], rules: { ...rules, gapFreeMinutes: 68 } });
    expect(plan(long).shortages[0]?.reason).toEqual({ code: 'none-holds' });
  });

  it.each([
    [{ blocks: [aBlock({ bodyId: 'x' })] }, { code: 'body-gone', blockId: 'k' }],
    [{ blocks: [aBlock({ modeId: 'x' })] }, { code: 'mode-gone', blockId: 'k' }],
    [{ blocks: [aBlock(), aBlock({ id: 'k2', from: '09:30' })] }, { code: 'overlap', blockId: 'k2', otherId: 'k' }],
    [{ cardIds: ['c', 'x'] }, { code: 'card-gone', cardId: 'x' }],
    [{ readers: [] }, { code: 'no-readers' }],
    [{ copies: { ...aPlan().copies, count: 2 } }, { code: 'few-destinations', wanted: 2, have: 1 }],
  ] as const)('tells what cannot be planned, and loses none of it: %j', (change, fault) => {
    const made = aPlan(change as Partial<Plan>);
    const day = plan(made);
    expect(day.faults).toContainEqual(fault);
    const wanted = made.blocks.reduce((sum, { minutes }) => sum + minutes, 0);
    expect(day.totals.rolledMinutes + day.totals.missingMinutes).toBeCloseTo(wanted, 6);
  });

  it('goes on for thirty hours over midnight, with cards that come back from their copies', () => {
    const cards = [aCard({ readMBps: 300 }), aCard({ id: 'c2', readMBps: 300 })];
    const readers = [{ id: 'r', name: 'Dock', forms: ['sd' as const], MBps: 300, slots: 1 }];
    const copies = {
      count: 1,
      verify: true,
      from: 'card' as const,
      destinations: [{ name: 'Disk', writeMBps: 400, readMBps: 400, freeGB: 9000 }],
    };
    const day = plan(aPlan({ blocks: [aBlock({ minutes: 1800 })], cardIds: ['c', 'c2'], readers, copies }), { cards });
    // 67 minutes a card, 14 to copy at 300 MB/s and 10.5 to read back: the other one is free again long before.
    expect(day.totals.missingMinutes).toBeCloseTo(0, 6);
    expect(day.totals.swaps).toBe(Math.ceil(1800 / 67.5) - 1);
    expect(day.totals.GB).toBeCloseTo(day.totals.rolledMinutes * 60 * 0.0625, 3);
    const full = plan(
      aPlan({
        blocks: [aBlock({ minutes: 1800 })],
        cardIds: ['c', 'c2'],
        readers,
        copies: { ...copies, destinations: [{ name: 'Disk', writeMBps: 400, readMBps: 400, freeGB: 1000 }] },
      }),
      { cards },
    );
    expect(
      full.shortages.map(({ reason }) => reason.code),
      'a disk of 1 TB holds three of them',
    ).toContain('no-room');
    expect(full.totals.destinationGB[0]).toBeLessThanOrEqual(1000);
  });

  it('says which cards’ reading speed nobody told, and takes the slower of card and reader', () => {
    expect(plan(aPlan()).unknownRead).toEqual(['c']);
    const slow = plan(aPlan(), { cards: [aCard({ marks: ['II'], readMBps: 95, minimumMBps: 90 })] });
    expect(slow.unknownRead).toEqual([]);
    expect(slow.offloads[0]?.MBps).toBe(95);
  });
});

describe('before the day', () => {
  it('what was pressed before its start is how the card comes', () => {
    const press = (at: string, to: CardState): PlanPress => ({
      at,
      cardId: 'c',
      to,
      who: '',
      bodyId: null,
      slotId: null,
    });
    const made = (log: readonly PlanPress[]) => plan(aPlan({ blocks: [aBlock({ minutes: 30 })], log }));
    expect(made([press('07:00', 'full')]).rolls, 'full since seven').toEqual(
      plan(aPlan({ blocks: [aBlock({ minutes: 30 })] }), { cards: [aCard({ state: 'full' })] }).rolls,
    );
    expect(made([press('06:00', 'full'), press('07:30', 'free')]).rolls[0]).toMatchObject({ cardId: 'c' });
    expect(made([press('09:10', 'full')]).rolls[0], 'pressed since').toMatchObject({ cardId: 'c' });
  });
});

describe('on the day', () => {
  const at = (time: string, cardId: string, to: CardState, slotId: string | null = null): PlanPress => ({
    at: time,
    cardId,
    to,
    who: '',
    bodyId: slotId ? 'b' : null,
    slotId,
  });
  const two = { cards: [aCard(), aCard({ id: 'c2' })] };
  const day = (log: readonly PlanPress[], now: string, change: Partial<Plan> = {}): PlannedDay =>
    plan(aPlan({ cardIds: ['c', 'c2'], blocks: [aBlock({ minutes: 120 })], log, ...change }), {
      ...two,
      now: hours(now),
    });

  it('plans the rest from what was pressed: a card that went in late has more left', () => {
    const late = day([at('09:20', 'c2', 'in-body', 's')], '09:30');
    expect(late.rolls[0]).toMatchObject({ cardId: 'c2', fromSeconds: hours('09:30') });
    // In at 09:20, 67 minutes: until 10:27, and not from its planned 09:00.
    expect(late.rolls[0]?.toSeconds).toBeCloseTo(hours('10:27'), 3);
    expect(late.blocks[0], 'drawn whole').toMatchObject({ fromSeconds: hours('09:00') });
  });

  // 67 minutes a card: a card in since 09:00 is full at 10:07, whether somebody pressed it in or not.
  const first = (made: PlannedDay): PlannedDay['swaps'][number] | undefined => made.swaps[0];

  it('takes a body of which nothing was pressed as planned: its card fills up all the same', () => {
    const planned = day([], '08:00');
    expect(planned.asPlanned, 'before its first block').toEqual([]);
    const [swap] = planned.swaps;
    const half = day([], '09:30');
    expect(half.asPlanned).toEqual(['b']);
    expect(half.swaps).toEqual(planned.swaps);
    expect(half.rolls[0]).toMatchObject({ cardId: swap?.outCardId, fromSeconds: hours('09:30') });
    // Behind the change the other card is in, and the first one waits for its copies: the plan is no proof of one.
    const later = day([], '10:30');
    expect(later.rolls.map(({ cardId }) => cardId)).toEqual([swap?.inCardId]);
    expect(later.recordedAsPlanned.toSorted(), 'what was and what is recorded on').toEqual(['c', 'c2']);
    expect(half.recordedAsPlanned).toEqual([swap?.outCardId]);
    expect(planned.recordedAsPlanned).toEqual([]);
    expect(later.offloads[0]).toMatchObject({ cardId: swap?.outCardId, fromSeconds: hours('10:30') });
    expect(later.offloads[0]?.GB).toBeCloseTo(67 * 60 * 0.0625, 0);
    const one = day([], '11:30', { cardIds: ['c'] });
    expect(one.offloads[0], 'one card alone, full since 10:07').toMatchObject({ fromSeconds: hours('11:30') });
    expect(first(day([at('09:00', 'c', 'in-body', 's')], '09:30'))?.atSeconds, 'as pressed').toBeCloseTo(
      swap?.atSeconds ?? 0,
      3,
    );
  });

  it('keeps what was recorded before the first press: pressing late frees nothing', () => {
    const four = { cardIds: ['c', 'c2', 'c3', 'c4'] };
    const made = (now: string, log: readonly PlanPress[]): PlannedDay =>
      plan(aPlan({ blocks: [aBlock({ minutes: 240 })], log, ...four }), {
        cards: [...two.cards, aCard({ id: 'c3' }), aCard({ id: 'c4' })],
        now: hours(now),
      });
    // By the plan one card from 09:00 to 10:07, the next one until 11:14.
    const [one = '', next = ''] = made('08:00', []).rolls.map(({ cardId }) => cardId);
    for (const log of [
      [at('11:10', next, 'full')],
      [at('11:10', 'c4', 'in-body', 's')],
      [at('11:10', next, 'full'), at('11:11', 'c4', 'in-body', 's')],
    ]) {
      const late = made('11:20', log);
      expect(late.asPlanned, 'somebody presses by now').toEqual([]);
      expect(late.recordedAsPlanned).toContain(one);
      const anew = late.changes.find(({ inCardId }) => inCardId === one);
      const freed = late.frees.find(({ cardId }) => cardId === one);
      if (anew) expect(anew.atSeconds).toBeGreaterThanOrEqual(freed?.atSeconds ?? Number.POSITIVE_INFINITY);
      expect(late.offloads.some(({ cardId }) => cardId === one)).toBe(true);
    }
    // Who presses from the start on says what went in: the card that the plan wanted there is as free as it was.
    const own = made('09:30', [at('09:04', 'c3', 'in-body', 's')]);
    expect(own.recordedAsPlanned).toEqual([]);
  });

  it('is never later with the next change than the plan was, whatever the day, where nobody pressed', () => {
    let state = 7;
    const draw = (most: number): number => {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      return Math.floor((state / 4294967296) * most);
    };
    let seen = 0;
    for (let round = 0; round < 60; round += 1) {
      const bodies = [
        aBody(),
        aBody({ id: 'd', arrangement: round % 3 === 0 ? 'relay' : 'single', slots: [aSlot(), aSlot({ id: 't' })] }),
      ];
      const cards = Array.from({ length: 3 + draw(5) }, (_, place) =>
        aCard({ id: `c${place}`, capacityGB: [64, 128, 256, 512][draw(4)] ?? 64 }),
      );
      const blocks = ['b', 'd'].map((bodyId, place) =>
        aBlock({
          id: `k${place}`,
          bodyId,
          from: `09:${String(draw(6) * 10).padStart(2, '0')}`,
          minutes: 60 + draw(160),
          rolling: [1, 0.8, 0.5][draw(3)] ?? 1,
        }),
      );
      const asked = (now: number | null): PlannedDay =>
        plan(aPlan({ blocks, cardIds: cards.map(({ id }) => id) }), { bodies, cards, now });
      const base = asked(null);
      const now = hours('09:10') + draw(9000);
      const later = asked(now);
      for (const roll of base.rolls.filter(({ fromSeconds, toSeconds }) => fromSeconds < now && toSeconds > now + 1)) {
        seen += 1;
        const going = later.rolls.find(({ bodyId, fromSeconds }) => bodyId === roll.bodyId && fromSeconds <= now + 1);
        expect(going, `round ${round}: ${roll.bodyId} goes on`).toMatchObject({
          cardId: roll.cardId,
          slotId: roll.slotId,
        });
        expect(going?.toSeconds ?? 0, `round ${round}: ${roll.bodyId}`).toBeLessThanOrEqual(
          // Where only a share rolls, what a change took is made up for over the rest of the block: a little, and not to the second.
          roll.toSeconds + (blocks.find(({ id }) => id === roll.blockId)?.rolling === 1 ? 1 : 60),
        );
      }
      // Nothing that was recorded on by then is put in anew before its copies are made.
      const used = new Set(base.rolls.filter(({ fromSeconds }) => fromSeconds < now - 1).map(({ cardId }) => cardId));
      for (const { inCardId, atSeconds } of later.changes) {
        if (!inCardId || !used.has(inCardId)) continue;
        const isFreed = later.frees.some((free) => free.cardId === inCardId && free.atSeconds <= atSeconds + 1e-6);
        expect(isFreed, `round ${round}: ${inCardId} at ${atSeconds}`).toBe(true);
      }
    }
    expect(seen).toBeGreaterThan(60);
  });

  it('takes a card that came out for followed by another at once, though nobody pressed which', () => {
    const out = [at('09:00', 'c', 'in-body', 's'), at('09:40', 'c', 'full')];
    const three = { cardIds: ['c', 'c2', 'c3'] };
    const made = (now: string, log: readonly PlanPress[] = out): PlannedDay =>
      plan(aPlan({ blocks: [aBlock({ minutes: 120 })], log, ...three }), {
        cards: [...two.cards, aCard({ id: 'c3' })],
        now: hours(now),
      });
    const changes = made('10:10').changes.filter(({ inCardId }) => inCardId !== null);
    // Since 09:40 on it: full at 10:47, and not at 11:17.
    expect(changes[0]).toMatchObject({ atSeconds: hours('10:10') });
    expect((changes[1]?.atSeconds ?? 0) / 60).toBeCloseTo(hours('10:47') / 60, 0);
    // All of it is to be copied, 67 minutes of 62.5 MB/s, and not what is recorded from now on.
    const copy = made('10:10').offloads.find(({ cardId }) => cardId === changes[0]?.inCardId);
    expect(copy?.GB).toBeCloseTo(67 * 60 * 0.0625, 0);
    // Full long ago: the change is due now.
    const due = made('10:55').changes.filter(({ inCardId }) => inCardId !== null);
    expect((due[1]?.atSeconds ?? 0) - hours('10:55')).toBeLessThan(60);
    // The same where only its coming out was pressed, and not into which body it had gone: the plan had it there.
    const [planned] = made('08:00', []).rolls;
    const onlyOut = made('10:10', [at('09:40', planned?.cardId ?? '', 'full')]).changes;
    const second = onlyOut.filter(({ inCardId }) => inCardId !== null)[1];
    expect((second?.atSeconds ?? 0) / 60).toBeCloseTo(hours('10:47') / 60, 0);
    // Once it is pressed, what was pressed counts.
    const told = made('10:10', [...out, at('10:05', 'c2', 'in-body', 's')]);
    expect(told.rolls[0]?.toSeconds).toBe(hours('11:00'));
    expect(told.swaps).toEqual([]);
  });

  it('frees no card by its plan: only from its copies as they are pressed', () => {
    const full = day([at('09:00', 'c', 'in-body', 's'), at('09:40', 'c', 'full')], '10:00');
    // 40 minutes of 62.5 MB/s at 100 MB/s: 25 minutes from now on, since nobody pressed that it began.
    expect(full.frees[0]).toMatchObject({ cardId: 'c', atSeconds: hours('10:25') });
    const copying = day(
      [at('09:00', 'c', 'in-body', 's'), at('09:40', 'c', 'full'), at('09:45', 'c', 'copying')],
      '10:00',
    );
    expect(copying.frees[0]?.atSeconds).toBeCloseTo(hours('10:10'), 3);
    const safe = day([at('09:00', 'c', 'in-body', 's'), at('09:40', 'c', 'verified')], '10:00');
    expect(
      safe.rolls.some(({ cardId }) => cardId === 'c'),
      'verified may be recorded on again',
    ).toBe(true);
  });

  it('leaves the plan as it was planned, whatever was pressed since', () => {
    const log = [at('09:20', 'c2', 'in-body', 's'), at('10:00', 'c2', 'full'), at('10:05', 'c', 'copying')];
    const made = (presses: readonly PlanPress[], cards = two.cards): PlannedDay =>
      plan(aPlan({ cardIds: ['c', 'c2'], blocks: [aBlock({ minutes: 120 })], log: presses }), { cards });
    const cameFull = [aCard({ state: 'full' }), aCard({ id: 'c2' })];
    // What was copied first had come full; what was put in first had been free.
    expect(made(log, [aCard({ state: 'verified' }), aCard({ id: 'c2', state: 'full' })]).rolls).toEqual(
      made([], cameFull).rolls,
    );
  });

  it('takes a card that another was put in for as come out full, and nothing as later than now', () => {
    const log = [at('09:00', 'c', 'in-body', 's'), at('09:30', 'c2', 'in-body', 's')];
    const now = day(log, '09:10');
    // A clock that ran ahead, or was set back: the press stands, and the day goes on from the minute it is.
    expect(now.nowSeconds).toBe(hours('09:11'));
    expect(now.rolls[0]?.cardId).toBe('c2');
    expect(now.offloads[0]).toMatchObject({ cardId: 'c', fromSeconds: hours('09:11') });
  });
});

describe('a night in which the clocks go back', () => {
  it('is asked about where nobody said which of two times is meant, and not where somebody did', () => {
    const asked = input(aPlan({ blocks: [aBlock({ id: 'k' })] }));
    const times = { ...asked.times, comesTwice: () => true };
    expect(plannedDay({ ...asked, times }).faults).toEqual([{ code: 'comes-twice', blockId: 'k' }]);
    const told = { ...asked.plan, blocks: asked.plan.blocks.map((block) => ({ ...block, turn: 'second' as const })) };
    expect(plannedDay({ ...asked, times, plan: told }).faults).toEqual([]);
  });
});

describe('moves', () => {
  it('are planned again, and only what helps is told', () => {
    const made = aPlan({ blocks: [aBlock({ minutes: 90, gapFree: true })], cardIds: ['c', 'c2'] });
    const asked = input(made, { cards: [aCard(), aCard({ id: 'c2' }), aCard({ id: 'more' })] });
    const before = plannedDay(asked);
    const moves = finish(dayMoveSteps(asked, before));
    const codes = moves.map(({ kind }) => kind.code);
    expect(codes).toContain('split-block');
    expect(codes, 'a card alone does not make a gap-free block longer').not.toContain('own-card');
    const missing = moves.map(({ missingMinutes }) => missingMinutes);
    expect(missing).toEqual([...missing].sort((a, b) => a - b));
    expect(Math.max(...missing)).toBeLessThan(before.totals.missingMinutes);
  });

  it('take a card of the wallet along where one lies unused', () => {
    const asked = input(aPlan({ blocks: [aBlock({ minutes: 90 })] }), { cards: [aCard(), aCard({ id: 'more' })] });
    const [first] = finish(dayMoveSteps(asked, plannedDay(asked)));
    expect(first?.kind).toMatchObject({ code: expect.stringMatching(/own-card|one-more-card|other-mode/) });
    const own = finish(dayMoveSteps(asked, plannedDay(asked))).find(({ kind }) => kind.code === 'own-card');
    expect(own).toMatchObject({ kind: { cardId: 'more' }, missingMinutes: 0, card: null });
  });

  it('are none where nothing is short', () => {
    const asked = input(aPlan());
    expect(finish(dayMoveSteps(asked, plannedDay(asked)))).toEqual([]);
  });
});

describe('air and heat of a block', () => {
  const profile = [
    { at: '08:00', airC: 18 },
    { at: '12:00', airC: 26 },
  ];
  it('lie on the line between two times, level outside', () => {
    expect(airAt(profile, 600)).toBe(22);
    expect(airAt(profile, 0)).toBe(18);
    expect(airAt(profile, 1439)).toBe(26);
    expect(airAt([], 600)).toBeNull();
  });

  it('are one take where it rolls through, takes with rests where it does not; the block’s own air first', () => {
    const made = aPlan({ airProfile: profile });
    expect(blockTake(aBlock({ from: '10:00', minutes: 60, sunC: 5 }), made)).toEqual({
      minutes: 60,
      takes: 1,
      restMinutes: 0,
      ambientC: 24,
      sunC: 5,
      sun: null,
    });
    const parts = blockTake(aBlock({ minutes: 100, rolling: 0.5, ambientC: 33 }), made);
    expect(parts).toMatchObject({ minutes: 10, takes: 5, restMinutes: 10, ambientC: 33 });
    // A finish is sun by itself, and stands before degrees that somebody entered; neither is shade.
    expect(blockTake(aBlock({ sun: 'black', sunC: 0 }), made)).toMatchObject({
      sun: 'black',
      sunC: ASSUMED.sunC.value,
    });
    expect(blockTake(aBlock({ sun: null, sunC: 12 }), made)).toMatchObject({ sun: null, sunC: 12 });
    expect(blockTake(aBlock({}), made)).toMatchObject({ sun: null, sunC: 0 });
  });

  it('marks blocks by the cards that the day puts in them', () => {
    const asked = input(aPlan({ blocks: [aBlock(), aBlock({ id: 'hot', from: '10:30', ambientC: 46, sunC: 12 })] }), {
      cards: [aCard(), aCard({ id: 'c2' })],
    });
    const both = { ...asked, plan: { ...asked.plan, cardIds: ['c', 'c2'] } };
    const heat = finish(dayHeatSteps(both, plannedDay(both)));
    expect(heat.k).not.toBeNull();
    expect(heat.hot).toBe('hot');
    // The same air, once in shade and once as a black body in the sun.
    const levels = (sun: 'black' | null) => {
      const blocks = [aBlock({ ambientC: 20, minutes: 180, sun })];
      const one = { ...both, plan: { ...both.plan, blocks } };
      return finish(dayHeatSteps(one, plannedDay(one))).k;
    };
    const RANK = ['cool', 'warm', 'hot'] as const;
    const rank = (sun: 'black' | null) => RANK.indexOf(levels(sun) ?? 'cool');
    expect(rank('black')).toBeGreaterThan(rank(null));
  });
});

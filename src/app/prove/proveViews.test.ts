import { describe, expect, it } from 'vitest';
import { DEFAULT_PLAN } from '../../core/heat/run/plan.ts';
import type { Report, Test } from '../../core/kit/model.ts';
import { cellFor } from '../../core/match/board.ts';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../core/testing.ts';
import demo from '../../kit/demo.coolreel.json' with { type: 'json' };
import { readKit } from '../../kit/importKit.ts';
import type { Kit } from '../../kit/kit.ts';
import { evidenceOf } from './evidenceOf.ts';
import { againAs } from './proveActions.ts';
import {
  cardsFor,
  doubtTexts,
  entriesOf,
  heldShares,
  mapLimits,
  mapOf,
  modeOfRatio,
  newTest,
  placedTest,
  reconcileTest,
  withRate,
} from './proveViews.ts';
import { symptomKnown } from './wrong.ts';

const read = await readKit(demo);
if (!read.ok) throw new Error(JSON.stringify(read.error));
const kit: Kit & { readonly unexported: { readonly writes: number; readonly since: string | null } } = {
  ...read.value.kit,
  unexported: { writes: 0, since: null },
} as never;
const view = kit as never as Parameters<typeof entriesOf>[0];
const body = (id: string) => kit.bodies.find((one) => one.id === id) as (typeof kit.bodies)[number];
const card = (id: string) => kit.cards.find((one) => one.id === id) as (typeof kit.cards)[number];

describe('a take that is being logged', () => {
  it('begins today, with nothing guessed', () => {
    expect(newTest()).toMatchObject({ bodyId: '', modeId: null, cardId: '', seconds: '', end: '' });
  });

  it('takes the rate of its mode, and the slot where there is but one', () => {
    const one = aBody({ slots: [aSlot(), aSlot({ id: 'x', accepts: [{ form: 'cfexpress-b', bus: null }] })] });
    expect(withRate(aTest({ slotId: null, writtenMBps: null }), [one], [aCard()])).toMatchObject({
      slotId: 's',
      writtenMBps: 62.5,
    });
    const two = aBody({ slots: [aSlot(), aSlot({ id: 'x' })] });
    expect(withRate(aTest({ slotId: null }), [two], [aCard()]).slotId, 'two would be a guess').toBeNull();
    expect(withRate(aTest({ bodyId: 'gone', writtenMBps: 7 }), [two], [aCard()]).writtenMBps).toBe(7);
    expect(withRate(aTest(), [aBody({ arrangement: 'split', slots: two.slots })], [aCard()]).writtenMBps).toBe(31.3);
  });

  it('offers the cards that enter, those last tested there first', () => {
    const names = cardsFor(body('dory'), kit.cards, kit.tests).map(({ label }) => label);
    expect(names[0]).toBe('C-06');
    expect(names).not.toContain('A-01');
    expect(cardsFor(undefined, kit.cards, [])).toHaveLength(14);
    expect(cardsFor(body('dory'), [{ ...card('c-01'), retired: true }], [])).toEqual([]);
  });

  it('made again, carries what both share and not what was of the first alone', () => {
    const test = { ...kit.tests[3], clipGB: 12, order: 2, warning: 'X', looked: '2026-05-01' } as Test;
    expect(againAs(test)).toMatchObject({
      seconds: '',
      clipGB: null,
      warning: null,
      looked: null,
      order: 3,
      end: test.end,
    });
    expect(againAs(test).id).not.toBe(test.id);
  });

  it('is asked about in words where its numbers are odd, and not where its camera is gone', () => {
    const odd = { ...(kit.tests.find(({ id }) => id === 't1') as Test), seconds: 62, date: '2999-01-01' };
    const [misfit, future] = doubtTexts(odd, kit);
    expect(misfit).toContain('These numbers do not fit');
    expect(future).toContain('2999-01-01 has not come yet');
    expect(doubtTexts({ ...odd, bodyId: 'gone' }, kit)).toEqual([]);
  });
});

describe('what the takes bear out', () => {
  it('has the bars of a camera, the ground of one card, and the air asked for', () => {
    const all = mapOf(view, { bodyId: 'wherry', cardId: null, airC: null });
    expect(all.bars.map(({ label }) => label)).toEqual(['A-02', 'A-02', 'A-01', 'A-01']);
    expect(all.ground, 'over several cards there is none').toEqual([]);
    const one = mapOf(view, { bodyId: 'wherry', cardId: 'a-02', airC: null });
    expect(one.ground.at(-1)?.minutes).toBeCloseTo(61.8, 1);
    expect(one.ground.every(({ MBps }) => MBps > 530 && MBps < 540)).toBe(true);
    expect(mapOf(view, { bodyId: 'wherry', cardId: null, airC: [25, 150] }).bars).toEqual([]);
  });

  it('has the limits of the heat run, slowest mode first, and none for a card nobody knows', () => {
    const given = { tests: kit.tests, policy: DEFAULT_POLICY, plan: DEFAULT_PLAN };
    const limits = mapLimits(body('wherry'), card('a-02'), given);
    expect(limits.length).toBe(5);
    expect(limits.map(({ MBps }) => MBps)).toEqual(limits.map(({ MBps }) => MBps).toSorted((a, b) => a - b));
    expect(mapLimits(body('dory'), card('c-07'), given)).toEqual([]);
  });

  it('tells what share held, and nothing past the longest take', () => {
    const bar = (end: 'full' | 'dropped' | 'stopped', minutes: number) => ({
      testId: `${minutes}`,
      label: '',
      MBps: 50,
      misfit: false,
      end,
      minutes,
    });
    const bars = [bar('dropped', 8), bar('full', 12), bar('dropped', 15), bar('stopped', 30)];
    expect(heldShares(bars)).toEqual([
      { minutes: 5, share: 1 },
      { minutes: 10, share: 0.75 },
      { minutes: 20, share: 0.375 },
    ]);
    expect(heldShares([bar('full', 30)]), 'nothing dropped: nothing is told').toEqual([]);
  });
});

describe('the demo’s results', () => {
  it('one is of another compression, and the mode it was stands in the camera', () => {
    const test = kit.tests.find(({ id }) => id === 't5') as Test;
    const one = placedTest(view, test);
    expect(one && reconcileTest(one)?.reconciled.explanations[0]).toMatchObject({ code: 'compression-ratio', to: 5 });
    const mode = one?.mode;
    expect(mode && modeOfRatio(body('wherry'), mode, 5)?.id).toBe('8k-5-50');
    expect(mode && modeOfRatio(body('wherry'), mode, 12)).toBeNull();
    expect(modeOfRatio(body('dory'), aMode(), 5)).toBeNull();
  });

  it('an answer stands on its tests, which firmware made old, and bursts speak of the pair', () => {
    const cellOf = (bodyId: string, modeId: string, cardId: string) => {
      const own = body(bodyId);
      const mode = own.modes.find(({ id }) => id === modeId) ?? aMode();
      return cellFor({ ...kit, body: own, mode, card: card(cardId), policy: DEFAULT_POLICY });
    };
    const told = evidenceOf(
      cellOf('wherry', '8k-5-50', 'a-02'),
      { body: body('wherry'), card: card('a-02') },
      kit,
      kit.settings,
    );
    expect(told.own.map(({ id }) => id)).toEqual(['t1', 't2']);
    expect(told.due.map(({ code }) => code)).toContain('firmware');
    const burst = evidenceOf(
      cellOf('dory', 'i50', 'b-01'),
      { body: body('dory'), card: card('b-01') },
      kit,
      kit.settings,
    );
    expect(burst.noBetter.map(({ slower }) => slower.card.label)).toEqual(['C-01']);
    const odd = evidenceOf(
      cellOf('wherry', '8k-3', 'a-01'),
      { body: body('wherry'), card: card('a-01') },
      kit,
      kit.settings,
    );
    expect(odd.odd.map(({ test }) => test.id)).toEqual(['t5', 't6']);
  });

  it('a symptom begins with what the kit knows', () => {
    const of = (bodyId: string, modeId: string, cardId: string) => ({
      body: body(bodyId),
      mode: body(bodyId).modes.find(({ id }) => id === modeId) ?? null,
      card: card(cardId),
    });
    const known = (...pair: Parameters<typeof of>) => symptomKnown(view, of(...pair), DEFAULT_POLICY, DEFAULT_PLAN);
    expect(known('dory', 'i50', 'c-01')).toMatchObject({
      verdict: 'guaranteed',
      labelContradicts: false,
      incidents: 0,
    });
    expect(known('gull', 'g50', 'm-04')).toMatchObject({ verdict: 'drops', inCommon: 'cache' });
    expect(known('gull', 'g50', 'm-03')).toMatchObject({ labelContradicts: true });
    expect(known('dory', 'g50', 'c-06').incidents).toBe(1);
    expect(symptomKnown(view, { body: null, mode: null, card: null }, DEFAULT_POLICY, DEFAULT_PLAN)).toMatchObject({
      verdict: null,
      heat: null,
    });
  });

  it('the log holds every kind of entry', () => {
    expect(new Set(entriesOf(view).map(({ kind }) => kind))).toEqual(
      new Set(['take', 'burst', 'counter', 'bench', 'incident', 'report']),
    );
  });

  it('what a colleague gave is of a print in the wallet', () => {
    const [report] = kit.reports as readonly Report[];
    const cell = cellFor({
      ...kit,
      body: body('wherry'),
      mode: body('wherry').modes[0] ?? aMode(),
      card: card('a-01'),
      policy: DEFAULT_POLICY,
    });
    const found = cell.findings.find(({ rule }) => rule === 'reported');
    expect(found).toMatchObject({ reportIds: [report?.id], passes: 1 });
  });
});

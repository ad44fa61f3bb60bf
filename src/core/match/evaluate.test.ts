import { describe, expect, it } from 'vitest';
import type { Body, Card, Mode, Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import type { PerMille } from '../units/brand.ts';
import { board } from './board.ts';
import type { Cell } from './cell.ts';
import type { Finding } from './finding.ts';
import { DEFAULT_POLICY, type Policy } from './policy.ts';

interface Setting {
  readonly body?: Partial<Body>;
  readonly mode?: Partial<Mode>;
  readonly card?: Partial<Card>;
  readonly tests?: readonly Test[];
  readonly policy?: Policy;
}

function cellOf({ body, mode, card, tests = [], policy = DEFAULT_POLICY }: Setting): Cell {
  const made = board({ bodies: [aBody({ modes: [aMode(mode)], ...body })], cards: [aCard(card)], tests }, policy);
  const cell = made.columns[0]?.[0];
  if (!cell) throw new Error('no cell');
  return cell;
}

const find = <R extends Finding['rule']>(cell: Cell, rule: R) =>
  cell.findings.find((finding): finding is Extract<Finding, { rule: R }> => finding.rule === rule);

const stated = (Mbps: number): Partial<Mode> => ({ rate: { kind: 'stated', Mbps, is: 'maximum' } });

describe('what fits', () => {
  it('a card of another shape does not fit', () => {
    const cell = cellOf({ card: { form: 'cfexpress-b', marks: ['VPG400'] } });
    expect(cell.verdict).toBe('unfit');
    expect(find(cell, 'shape')).toMatchObject({ outcome: 'block', accepts: ['sd'] });
    expect(cell.planned).toBeNull();
  });

  it('a microSD enters an SD slot through its adapter, an SD card no microSD slot', () => {
    const micro = cellOf({ card: { form: 'microsd', marks: ['U3', 'V30', 'I'] }, mode: stated(100) });
    expect(micro.verdict).toBe('guaranteed');
    expect(find(micro, 'shape')).toMatchObject({ outcome: 'note', adapter: true });
    const slot = aSlot({ accepts: [{ form: 'microsd', bus: 'uhs-i' }] });
    expect(cellOf({ body: { slots: [slot] } }).verdict).toBe('unfit');
  });

  it.each([
    ['xqd', 'cfexpress-b', 'cfexpress-2'],
    ['cfexpress-b', 'xqd', 'xqd-2'],
  ] as const)('%s has the shape of %s and not its protocol', (form, accepted, bus) => {
    const slot = aSlot({ accepts: [{ form: accepted, bus }], family: null });
    const cell = cellOf({ body: { slots: [slot] }, card: { form, marks: [] } });
    expect(cell.verdict).toBe('unfit');
    expect(find(cell, 'protocol')).toMatchObject({ outcome: 'block' });
  });

  it('a slot that names both takes both', () => {
    const slot = aSlot({
      family: null,
      accepts: [
        { form: 'xqd', bus: 'xqd-2' },
        { form: 'cfexpress-b', bus: 'cfexpress-2' },
      ],
    });
    for (const card of [
      { form: 'xqd', marks: [] },
      { form: 'cfexpress-b', marks: ['VPG200'] },
    ] as const) {
      expect(cellOf({ body: { slots: [slot] }, card }).verdict, card.form).not.toBe('unfit');
    }
  });

  it('an SDXC card does not fit an SDHC host; a smaller one does', () => {
    const slots = [aSlot({ family: 'sdhc' })];
    expect(find(cellOf({ body: { slots } }), 'family')).toMatchObject({ outcome: 'block', card: 'sdxc', slot: 'sdhc' });
    expect(cellOf({ body: { slots } }).verdict).toBe('unfit');
    expect(cellOf({ body: { slots }, card: { capacityGB: 32 } }).verdict).toBe('guaranteed');
  });

  it('a maker’s promised maximum is a note, not a block', () => {
    const cell = cellOf({ body: { slots: [aSlot({ promisedMaxGB: 64 })] } });
    expect(cell.verdict).toBe('guaranteed');
    expect(find(cell, 'promised-max')).toMatchObject({ outcome: 'note', promisedGB: 64, cardGB: 256 });
  });

  it('a body without slots and a slot without forms fit nothing', () => {
    expect(cellOf({ body: { slots: [] } })).toMatchObject({ verdict: 'unfit', slotId: null });
    expect(cellOf({ body: { slots: [aSlot({ accepts: [] })] } }).verdict).toBe('unfit');
  });

  it('the better of two slots answers', () => {
    const slots = [
      aSlot({ id: 'slow', accepts: [{ form: 'sd', bus: 'uhs-i' }] }),
      aSlot({ id: 'fast', accepts: [{ form: 'sd', bus: 'uhs-ii' }] }),
    ];
    expect(cellOf({ body: { slots } })).toMatchObject({ slotId: 'fast', verdict: 'guaranteed' });
  });
});

describe('guarantee and headroom', () => {
  it.each([
    [200, 'V30', 'guaranteed'],
    [240, 'V30', 'tight'],
    [241, 'V30', 'uncovered'],
    [400, 'V60', 'guaranteed'],
    [480, 'V60', 'tight'],
    [600, 'V90', 'guaranteed'],
    [720, 'V90', 'tight'],
    [721, 'V90', 'uncovered'],
  ])('%s Mb/s on %s is %s', (Mbps, mark, verdict) => {
    expect(cellOf({ mode: stated(Mbps), card: { marks: ['II', mark] } }).verdict).toBe(verdict);
  });

  it('is exact where the promise equals the need with headroom: 90 ÷ 1.125 = 80 MB/s', () => {
    const policy: Policy = { take: 'once', headroom: 125 as PerMille };
    expect(cellOf({ mode: stated(640), policy }).verdict).toBe('guaranteed');
    expect(cellOf({ mode: stated(640.001), policy }).verdict).toBe('tight');
  });

  it('judges a V90 card in a UHS-I slot by V30 and says the surplus only helps offload', () => {
    const slots = [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-i' }] })];
    const cell = cellOf({ body: { slots } });
    expect(cell.verdict).toBe('uncovered');
    expect(cell.floor).toBe(30_000_000);
    expect(find(cell, 'guarantee')).toMatchObject({ mark: 'V30', notInForce: ['V90'] });
    expect(find(cell, 'bus')).toMatchObject({ inForce: 'uhs-i', surplus: true });
  });

  it('grants a card that prints UHS-I and V90 no fallback, and doubts its label', () => {
    const cell = cellOf({ mode: stated(100), card: { marks: ['SDXC', 'I', 'U1', 'V90'] } });
    expect(cell.floor, 'a label that contradicts itself promises nothing').toBeNull();
    expect(cell).toMatchObject({ verdict: 'uncovered', doubted: true });
    expect(find(cell, 'label')?.problems.map(({ code }) => code)).toEqual(['mark-needs-bus', 'grade-contradicts']);
  });

  it('counts the highest mark in force', () => {
    expect(cellOf({ card: { marks: ['C10', 'U3', 'V60', 'II'] } }).floor).toBe(60_000_000);
    expect(cellOf({ card: { marks: ['C10', 'U1', 'I'] } }).floor).toBe(10_000_000);
  });

  it('knows nothing about a card without marks and figures: unknown, never zero and never a pass', () => {
    const cell = cellOf({ card: { marks: [] }, mode: stated(0.1) });
    expect(cell.verdict).toBe('uncovered');
    expect(cell.floor).toBeNull();
    expect(find(cell, 'guarantee')).toMatchObject({ outcome: 'unknown', floor: null });
  });

  it('never lets a peak figure into a verdict', () => {
    expect(cellOf({ card: { marks: [], readMBps: 300, writeMBps: 260 } }).verdict).toBe('uncovered');
  });
});

describe('requirements', () => {
  const asks = (whenMissing: 'refuses' | 'warns' | 'advises') =>
    ({ requires: [{ anyOf: ['V90', 'VPG200'], whenMissing }] }) as const;

  it('locks out a mode that the body refuses, whatever the arithmetic says', () => {
    const cell = cellOf({ mode: { ...stated(100), ...asks('refuses') }, card: { marks: ['II', 'V60'] } });
    expect(cell.verdict).toBe('locked');
    expect(cell.floor).toBe(60_000_000);
  });

  it('only notes a warning or advice', () => {
    for (const whenMissing of ['warns', 'advises'] as const) {
      const cell = cellOf({ mode: { ...stated(100), ...asks(whenMissing) }, card: { marks: ['II', 'V60'] } });
      expect(cell.verdict).toBe('guaranteed');
      expect(find(cell, 'requirement')).toMatchObject({ outcome: 'note', metBy: null });
    }
  });

  it.each([
    [['V90'], ['V90'], true],
    [['VPG200'], ['VPG400'], true],
    [['VPG400'], ['VPG200'], false],
    [['U3'], ['V30'], true],
    [['V30'], ['U3'], false],
    [['V90', 'VPG200'], ['vpg-200'], true],
    [['SDXC'], ['SDXC'], true],
  ])('asked for %s, a card printing %s answers: %s', (anyOf, marks, met) => {
    const cell = cellOf({ mode: { requires: [{ anyOf, whenMissing: 'refuses' }] }, card: { marks } });
    expect(cell.verdict === 'locked').toBe(!met);
  });
});

describe('drops', () => {
  it('a bus slower than the stream drops; the buffer says when', () => {
    const slots = [aSlot({ accepts: [{ form: 'sd', bus: 'high-speed' }] })];
    const cell = cellOf({ body: { slots, bufferMB: 750 } });
    expect(cell.verdict).toBe('drops');
    // By hand: 750 MB ÷ (62.5 − 25) MB/s = 20 s.
    expect(cell.dropSeconds).toBe(20);
    expect(cellOf({ body: { slots } }).dropSeconds, 'unknown buffer, unknown seconds').toBeNull();
  });

  it('a ceiling inside the body drops what its slot would carry', () => {
    const cell = cellOf({ body: { ceilingMBps: 35, bufferMB: null } });
    expect(cell).toMatchObject({ verdict: 'drops', ceiling: 35_000_000 });
    expect(cellOf({ body: { ceilingMBps: 62.5 } }).verdict, 'equal is enough, without headroom').toBe('tight');
    expect(cellOf({ body: { ceilingMBps: 71.875 } }).verdict, '62.5 × 1.15').toBe('guaranteed');
    expect(cellOf({ body: { ceilingMBps: 71.87 } }).verdict).toBe('tight');
  });

  it('an own test that dropped outranks a guarantee and gives its seconds', () => {
    const cell = cellOf({ tests: [aTest({ end: 'dropped', seconds: 31 })] });
    expect(cell).toMatchObject({ verdict: 'drops', dropSeconds: 31 });
  });

  it('a card of unknown bus is never called too slow on a guess', () => {
    const slots = [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-ii' }] })];
    const cell = cellOf({ body: { slots }, card: { marks: [] } });
    expect(find(cell, 'bus')).toMatchObject({ known: 'assumed', inForce: 'uhs-ii', outcome: 'note' });
  });
});

describe('own tests and the maker’s figure', () => {
  const bare = { marks: [] as string[] };

  it('full passes prove a pair, with their number', () => {
    const cell = cellOf({ card: bare, tests: [aTest({ id: 't1' }), aTest({ id: 't2' })] });
    expect(cell.verdict).toBe('proven');
    expect(find(cell, 'own-tests')).toMatchObject({ passes: 2, outcome: 'pass' });
  });

  it('a pass of a mode writing faster proves a slower one; one writing slower does not', () => {
    const other = (writtenMBps: number) => [aTest({ modeId: 'other', writtenMBps })];
    expect(cellOf({ card: bare, tests: other(70) }).verdict).toBe('proven');
    expect(cellOf({ card: bare, tests: other(60) }).verdict).toBe('uncovered');
  });

  it('a stopped take proves nothing beyond its end; another card’s or body’s test nothing at all', () => {
    expect(cellOf({ card: bare, tests: [aTest({ end: 'stopped' })] }).verdict).toBe('held');
    for (const change of [{ cardId: 'x' }, { bodyId: 'x' }] as const) {
      expect(cellOf({ card: bare, tests: [aTest(change)] }).verdict).toBe('uncovered');
    }
  });

  it('the newest contradicting test counts and says so', () => {
    const pass = aTest({ id: 'p', date: '2026-05-01' });
    const drop = aTest({ id: 'd', date: '2026-05-02', end: 'dropped', seconds: 40 });
    const later = aTest({ id: 'l', date: '2026-05-03' });
    expect(cellOf({ card: bare, tests: [drop, pass] })).toMatchObject({ verdict: 'drops', dropSeconds: 40 });
    const again = cellOf({ card: bare, tests: [later, drop, pass] });
    expect(again.verdict).toBe('proven');
    expect(find(again, 'own-tests')).toMatchObject({ passes: 1, contradicts: true });
  });

  it('a maker’s sustained figure claims after a fifth is taken off, inclusive', () => {
    // 62.5 ÷ 0.8 = 78.125
    expect(cellOf({ card: { ...bare, sustainedMBps: 78.125 } }).verdict).toBe('claimed');
    expect(cellOf({ card: { ...bare, sustainedMBps: 78.124 } }).verdict).toBe('uncovered');
  });
});

describe('minutes and arrangement', () => {
  it('floors planned minutes and keeps the label arithmetic unrounded', () => {
    const cell = cellOf({ mode: stated(600) });
    expect(cell.labelMinutes).toBeCloseTo(56.889, 3);
    // 256 GB × 0.987 = 252.672 GB ÷ 75 MB/s = 3368.96 s
    expect(cell.planned).toBe(56);
  });

  it('uses the entered usable size and never subtracts twice', () => {
    expect(cellOf({ card: { usableGB: 225 }, mode: stated(600) }).planned).toBe(50);
  });

  it('halves the need of each card where the stream is split', () => {
    const slots = [aSlot({ id: 's1' }), aSlot({ id: 's2' })];
    const cell = cellOf({ body: { arrangement: 'split', slots }, mode: stated(1280) });
    expect(cell).toMatchObject({ need: 80_000_000, verdict: 'tight' });
  });

  it('a mode without a rate says so instead of a verdict on nothing', () => {
    const cell = cellOf({ mode: { rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null } });
    expect(cell).toMatchObject({ verdict: 'uncovered', need: null, planned: null });
    expect(find(cell, 'rate')).toMatchObject({ refusal: { code: 'missing', field: 'width' } });
  });
});

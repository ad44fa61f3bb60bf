import { describe, expect, it } from 'vitest';
import type { Advice, Card } from '../../kit/model.ts';
import type { Bus } from '../../standards/buses.ts';
import { aBody, aCard, aMode, aSlot } from '../../testing.ts';
import type { BytesPerSecond, PerMille } from '../../units/brand.ts';
import { cellFor } from '../board.ts';
import { pairFit } from '../pairFit.ts';
import { DEFAULT_POLICY } from '../policy.ts';
import { adviceRule } from './advice.ts';
import { arrangementRule, demandsCardRule } from './arrangement.ts';
import { bodyCeilingRule } from './bodyCeiling.ts';
import { busFacts, busRule, leastBus } from './bus.ts';
import { familyRule } from './family.ts';
import { floorInForce, guaranteeRule } from './guarantee.ts';
import { headroomRule, withHeadroom } from './headroom.ts';
import { labelRule } from './label.ts';
import { makersFigureRule } from './makersFigure.ts';
import { makersMinimumRule } from './makersMinimum.ts';
import { protocolRule } from './protocol.ts';
import { requirementRule, requirementsOf } from './requirement.ts';
import { shapeRule } from './shape.ts';

/** What each rule finds, to the letter: sentences, exports and the server are made of these and nothing else. */
const MB = (value: number): BytesPerSecond => (value * 1e6) as BytesPerSecond;
const FIFTEEN = 150 as PerMille;

describe('shape and protocol', () => {
  it('a card that fits, one that enters through an adapter, one that does not enter', () => {
    const sd = aSlot();
    expect(shapeRule(sd, { form: 'sd' })).toEqual({
      finding: { rule: 'shape', outcome: 'pass', card: 'sd', adapter: false },
      enters: sd.accepts,
    });
    expect(shapeRule(sd, { form: 'microsd' }).finding).toEqual({
      rule: 'shape',
      outcome: 'note',
      card: 'microsd',
      adapter: true,
    });
    expect(shapeRule(sd, { form: 'xqd' })).toEqual({
      finding: { rule: 'shape', outcome: 'block', card: 'xqd', accepts: ['sd'] },
      enters: [],
    });
    const both = aSlot({
      accepts: [
        { form: 'sd', bus: 'uhs-ii' },
        { form: 'microsd', bus: 'uhs-i' },
      ],
    });
    expect(shapeRule(both, { form: 'microsd' }).enters, 'its own place before an adapter').toEqual([both.accepts[1]]);
  });

  it('a protocol the slot speaks, or another in the same shape', () => {
    const enters = [{ form: 'cfexpress-b', bus: 'cfexpress-2' }] as const;
    expect(protocolRule(enters, { form: 'cfexpress-b' })).toEqual({
      finding: { rule: 'protocol', outcome: 'pass', card: 'cfexpress-b' },
      speaks: enters,
    });
    expect(protocolRule(enters, { form: 'xqd' })).toEqual({
      finding: { rule: 'protocol', outcome: 'block', card: 'xqd', accepts: ['cfexpress-b'] },
      speaks: [],
    });
  });

  it('stops at the first that blocks', () => {
    expect(pairFit(aSlot(), aCard({ form: 'xqd' }))).toEqual({
      fits: false,
      findings: [{ rule: 'shape', outcome: 'block', card: 'xqd', accepts: ['sd'] }],
    });
    const sdhc = pairFit(aSlot({ family: 'sdhc' }), aCard({ capacityGB: 64 }));
    expect(sdhc.fits).toBe(false);
    expect(sdhc.findings.map(({ rule, outcome }) => `${rule} ${outcome}`)).toEqual([
      'shape pass',
      'protocol pass',
      'family block',
    ]);
  });
});

describe('family', () => {
  it('reads its own and below, blocks above, says what is not entered, and notes a promise passed', () => {
    const slot = aSlot({ family: 'sdxc', promisedMaxGB: 64 });
    expect(familyRule(slot, { form: 'sd', capacityGB: 64 })).toEqual([
      { rule: 'family', outcome: 'pass', card: 'sdxc', slot: 'sdxc', isAsked: false },
    ]);
    expect(familyRule(slot, { form: 'sd', capacityGB: 65 })).toEqual([
      { rule: 'family', outcome: 'pass', card: 'sdxc', slot: 'sdxc', isAsked: false },
      { rule: 'promised-max', outcome: 'note', promisedGB: 64, cardGB: 65 },
    ]);
    expect(familyRule(aSlot({ family: null }), { form: 'sd', capacityGB: 16 })).toEqual([
      { rule: 'family', outcome: 'unknown', card: 'sdhc', slot: null, isAsked: false },
    ]);
    expect(familyRule(aSlot({ family: 'sdhc' }), { form: 'sd', capacityGB: 64 })).toEqual([
      { rule: 'family', outcome: 'block', card: 'sdxc', slot: 'sdhc', isAsked: false },
    ]);
    expect(familyRule(aSlot({ family: null }), { form: 'sd', capacityGB: 200_000 }), 'past the largest family').toEqual(
      [{ rule: 'family', outcome: 'block', card: null, slot: null, isAsked: false }],
    );
    expect(familyRule(slot, { form: 'xqd', capacityGB: 32 }), 'only SD has families').toEqual([]);
  });
});

describe('bus', () => {
  const plain = { form: 'sd', bus: null, marks: ['II'] } as const;

  it('what the two sides settle on', () => {
    expect(busFacts({ form: 'sd', bus: 'uhs-ii' }, plain)).toEqual({
      slot: 'uhs-ii',
      card: 'uhs-ii',
      inForce: 'uhs-ii',
      ceiling: MB(312),
      sure: MB(130),
      known: 'printed',
      surplus: false,
      slotTold: true,
      adapter: false,
    });
    expect(busFacts({ form: 'sd', bus: null }, { ...plain, marks: [] })).toEqual({
      slot: null,
      card: null,
      inForce: 'default',
      ceiling: MB(12.5),
      sure: MB(10.625),
      known: 'assumed',
      surplus: false,
      slotTold: false,
      adapter: false,
    });
    expect(busFacts({ form: 'module', bus: null }, { form: 'module', bus: null, marks: [] })).toMatchObject({
      inForce: null,
      ceiling: null,
      slotTold: false,
    });
    expect(busFacts({ form: 'module', bus: null }, { form: 'module', bus: 'usb-10', marks: [] })).toMatchObject({
      inForce: 'usb-10',
      ceiling: null,
    });
    expect(busFacts({ form: 'sd', bus: 'uhs-ii' }, { form: 'microsd', bus: null, marks: ['I'] })).toMatchObject({
      inForce: 'uhs-i',
      surplus: false,
      adapter: false,
    });
    expect(busFacts({ form: 'sd', bus: null }, { form: 'microsd', bus: null, marks: ['II'] })).toMatchObject({
      inForce: 'default',
      surplus: true,
      adapter: true,
    });
    expect(busFacts({ form: 'xqd', bus: 'xqd-1' }, { form: 'xqd', bus: 'xqd-2', marks: [] })).toMatchObject({
      inForce: 'xqd-1',
      surplus: true,
      adapter: false,
    });
    expect([
      leastBus('sd'),
      leastBus('microsd'),
      leastBus('cfexpress-b'),
      leastBus('usb-ssd'),
      leastBus('module'),
    ]).toEqual([...['default', 'default', 'cfexpress-2', 'usb-2', null]]);
  });

  it('compared with a need: passes, is thin, is short, is not known', () => {
    const facts = busFacts({ form: 'sd', bus: 'uhs-ii' }, plain);
    const common = {
      slot: 'uhs-ii',
      card: 'uhs-ii',
      inForce: 'uhs-ii',
      ceiling: MB(312),
      sure: MB(130),
      known: 'printed',
    };
    const told = { surplus: false, slotTold: true, adapter: false };
    const found = (need: number) => busRule(facts, MB(need), FIFTEEN);
    expect(found(100)).toEqual({ rule: 'bus', outcome: 'pass', need: MB(100), ...common, ...told, thin: false });
    expect(found(120)).toEqual({ rule: 'bus', outcome: 'note', need: MB(120), ...common, ...told, thin: true });
    expect(found(130), 'equal is enough').toMatchObject({ outcome: 'note', thin: true });
    // Full duplex at 156 MB/s is all that UHS-II must do: up to 312 nobody has promised anything, and nothing is too slow.
    expect(found(131)).toMatchObject({ outcome: 'unknown', thin: false });
    expect(found(312)).toMatchObject({ outcome: 'unknown', thin: false });
    expect(found(313)).toMatchObject({ outcome: 'short', thin: false });
    const half = busFacts({ form: 'sd', bus: 'uhs-ii-312' }, { ...plain, writeMBps: 260 });
    expect(half).toMatchObject({ inForce: 'uhs-ii-312', sure: MB(265.2), surplus: false });
    expect(busRule(half, MB(200), FIFTEEN)).toMatchObject({ outcome: 'pass', thin: false });
    // One side alone is not enough, and neither is a surplus that helps offload.
    expect(busFacts({ form: 'sd', bus: 'uhs-ii-312' }, plain)).toMatchObject({ sure: MB(130), surplus: false });
    expect(busFacts({ form: 'sd', bus: 'uhs-ii' }, { ...plain, writeMBps: 260 })).toMatchObject({
      inForce: 'uhs-ii',
      sure: MB(130),
      surplus: false,
    });
    const untold = busFacts({ form: 'sd', bus: null }, plain);
    expect(busRule(untold, MB(9), FIFTEEN)).toMatchObject({ outcome: 'note', thin: false });
    expect(busRule(untold, MB(13), FIFTEEN)).toMatchObject({ outcome: 'unknown', thin: false });
    const nothing = busFacts({ form: 'module', bus: null }, { form: 'module', bus: null, marks: [] });
    expect(busRule(nothing, MB(1), FIFTEEN)).toMatchObject({ outcome: 'unknown', thin: false });
    const assumed = busFacts({ form: 'sd', bus: 'uhs-ii' }, { ...plain, marks: [] });
    expect(busRule(assumed, MB(1), FIFTEEN).outcome).toBe('note');
  });
});

describe('promises', () => {
  it('the mark in force, and those printed that are not', () => {
    const v90 = { form: 'sd', marks: ['II', 'U3', 'V90'] } as const;
    expect(floorInForce(v90, 'uhs-ii')).toEqual({ mark: 'V90', floor: MB(90), notInForce: [], inForce: 'uhs-ii' });
    expect(floorInForce(v90, 'uhs-i')).toEqual({ mark: 'V30', floor: MB(30), notInForce: ['V90'], inForce: 'uhs-i' });
    expect(floorInForce(v90, 'high-speed')).toEqual({
      mark: null,
      floor: null,
      notInForce: ['U3', 'V90'],
      inForce: 'high-speed',
    });
    expect(floorInForce({ form: 'sd', marks: ['III', 'V60'] }, 'uhs-i')).toMatchObject({ mark: 'V30' });
    expect(floorInForce({ form: 'sd', marks: ['I', 'V60'] }, 'uhs-i'), 'prints UHS-I').toMatchObject({ mark: null });
    expect(floorInForce({ form: 'sd', marks: ['V30', 'II'] }, 'high-speed'), 'V30 falls back to nothing').toMatchObject(
      {
        mark: null,
        notInForce: ['V30'],
      },
    );
    expect(floorInForce({ form: 'sd', marks: ['II', 'U1'] }, 'uhs-i'), 'UHS-II alone promises no V30').toMatchObject({
      mark: 'U1',
    });
    expect(floorInForce({ form: 'sd', marks: ['C6', 'C10', 'V6', 'U1'] }, 'default')).toMatchObject({
      mark: 'C6',
      notInForce: ['C10', 'U1'],
    });
    expect(floorInForce({ form: 'sd', marks: ['U3', 'V30'] }, 'uhs-i').mark, 'of equal ones the later').toBe('V30');
  });

  it('the guarantee: passes, is short, is not known, is in doubt', () => {
    const floor = floorInForce({ form: 'sd', marks: ['I', 'V30'] }, 'uhs-i');
    const common = { rule: 'guarantee', notInForce: [], inForce: 'uhs-i' };
    expect(guaranteeRule(floor, MB(30), false)).toEqual({
      ...common,
      outcome: 'pass',
      need: MB(30),
      mark: 'V30',
      floor: MB(30),
      doubted: false,
    });
    expect(guaranteeRule(floor, MB(31), false)).toMatchObject({ outcome: 'short', mark: 'V30', doubted: false });
    expect(guaranteeRule(floor, MB(1), true)).toEqual({
      ...common,
      outcome: 'unknown',
      need: MB(1),
      mark: null,
      floor: null,
      doubted: true,
    });
    const none = floorInForce({ form: 'sd', marks: [] }, 'uhs-i');
    expect(guaranteeRule(none, MB(1), false)).toMatchObject({ outcome: 'unknown', mark: null, doubted: false });
    expect(guaranteeRule(none, MB(1), true), 'nothing printed is no doubt').toMatchObject({ doubted: false });
  });

  it('headroom: met, thin, short', () => {
    expect(withHeadroom(MB(100), FIFTEEN)).toBe(MB(115));
    const found = (floor: number) => headroomRule(MB(floor), MB(100), FIFTEEN);
    const common = { rule: 'headroom', need: MB(100), wanted: MB(115), headroom: FIFTEEN };
    expect(found(115)).toEqual({ ...common, outcome: 'pass', floor: MB(115) });
    expect(found(114)).toEqual({ ...common, outcome: 'note', floor: MB(114) });
    expect(found(100)).toEqual({ ...common, outcome: 'note', floor: MB(100) });
    expect(found(99)).toEqual({ ...common, outcome: 'short', floor: MB(99) });
  });

  it('a stated minimum, and a maker’s figure', () => {
    const bus = busFacts({ form: 'xqd', bus: 'xqd-2' }, { form: 'xqd', bus: 'xqd-2', marks: [] });
    const xqd = { form: 'xqd', bus: 'xqd-2', marks: [] as string[] } as const;
    const card = { ...xqd, minimumMBps: 50, minimumSource: 'page 2' };
    const common = { rule: 'makers-minimum', stated: MB(50), source: 'page 2' };
    expect(makersMinimumRule(card, bus, MB(50), false)).toEqual({
      ...common,
      outcome: 'pass',
      floor: MB(50),
      need: MB(50),
    });
    expect(makersMinimumRule(card, bus, MB(51), false)).toEqual({
      ...common,
      outcome: 'short',
      floor: MB(50),
      need: MB(51),
    });
    expect(makersMinimumRule(card, bus, MB(1), true)).toEqual({
      ...common,
      outcome: 'unknown',
      floor: null,
      need: MB(1),
    });
    expect(makersMinimumRule({ ...xqd, minimumMBps: 50 }, bus, MB(1), false)).toMatchObject({ source: null });
    expect(makersMinimumRule({ ...xqd, minimumMBps: null }, bus, MB(1), false)).toBeNull();
    expect(makersMinimumRule(xqd, bus, MB(1), false)).toBeNull();
    const figure = { rule: 'makers-figure', stated: MB(100), derated: MB(80) };
    expect(makersFigureRule({ ...xqd, sustainedMBps: 100 }, MB(80))).toEqual({
      ...figure,
      outcome: 'pass',
      need: MB(80),
    });
    expect(makersFigureRule({ ...xqd, sustainedMBps: 100 }, MB(81))).toEqual({
      ...figure,
      outcome: 'short',
      need: MB(81),
    });
    expect(makersFigureRule({ ...xqd, sustainedMBps: null }, MB(81))).toEqual({
      rule: 'makers-figure',
      outcome: 'unknown',
      stated: null,
      derated: null,
      need: MB(81),
    });
  });

  it('what is stated above the card’s own bus counts up to there, and is no promise', () => {
    const sd = { form: 'sd', bus: 'uhs-ii', marks: [] as string[] } as const;
    const bus = busFacts({ form: 'sd', bus: 'uhs-ii' }, sd);
    const minimum = (need: number) => makersMinimumRule({ ...sd, minimumMBps: 500 }, bus, MB(need), false);
    expect(minimum(312)).toMatchObject({ outcome: 'note', stated: MB(500), floor: MB(312) });
    expect(minimum(313)).toMatchObject({ outcome: 'short', floor: MB(312) });
    const figure = (need: number) => makersFigureRule({ ...sd, sustainedMBps: 500 }, MB(need));
    expect(figure(249)).toMatchObject({ outcome: 'pass', stated: MB(500), derated: MB(249.6) });
    expect(figure(250)).toMatchObject({ outcome: 'short' });
  });

  it('a minimum off the card’s own bus counts up to what the bus carries; of SD up to what every bus does', () => {
    const cfx = { form: 'cfexpress-a', bus: 'cfexpress-4', marks: [] as string[], minimumMBps: 1500 } as const;
    const floorIn = (slot: Bus | null, card: Parameters<typeof makersMinimumRule>[0]) =>
      makersMinimumRule(card, busFacts({ form: card.form, bus: slot }, card), MB(1), false);
    expect(floorIn('cfexpress-4', cfx)).toMatchObject({ floor: MB(1500) });
    expect(floorIn('cfexpress-2', cfx)).toMatchObject({ floor: MB(985) });
    expect(floorIn('cfexpress-4', { ...cfx, bus: null })).toMatchObject({ floor: MB(1500) });
    expect(floorIn(null, cfx), 'every slot of its form carries that').toMatchObject({ floor: MB(985) });
    const cfast = { form: 'cfast', bus: null, marks: [] as string[], minimumMBps: 200 } as const;
    expect(floorIn(null, cfast)).toMatchObject({ outcome: 'pass', floor: MB(200) });
    const sd = { form: 'sd', bus: null, marks: ['II'], minimumMBps: 90 } as const;
    expect(floorIn('uhs-ii', sd)).toMatchObject({ floor: MB(90) });
    expect(floorIn('uhs-i', sd)).toMatchObject({ floor: MB(12.5) });
    expect(floorIn('uhs-i', { ...sd, marks: ['V30'] }), 'V30 stands on UHS-II as well').toMatchObject({
      floor: MB(12.5),
    });
    expect(floorIn('uhs-ii', { ...sd, marks: ['V90'] }), 'V90 tells its bus').toMatchObject({ floor: MB(90) });
  });

  it('a label: honest, odd, contradicting, verified', () => {
    const honest = { form: 'sd', capacityGB: 32, marks: ['SDHC', 'I', 'C10', 'U1'] } as const;
    expect(labelRule(honest), 'C10 and U1 only repeat each other').toBeNull();
    const odd = labelRule({ ...honest, marks: ['I', 'wobble'] });
    expect(odd).toMatchObject({ rule: 'label', outcome: 'note', verified: null });
    const mixed = labelRule({ ...honest, marks: ['I', 'V90', 'wobble'] });
    expect(mixed).toMatchObject({ outcome: 'short' });
    expect(mixed?.problems.map(({ code }) => code)).toEqual(['not-understood', 'mark-needs-bus']);
    const verified = { date: '2026-05-01', how: 'filled' };
    expect(labelRule({ ...honest, marks: ['I', 'V90'], verified })).toMatchObject({ outcome: 'note', verified });
  });
});

describe('what the maker advises against', () => {
  const body = (part: Partial<Advice>) => ({
    advisesAgainst: [{ anyOf: [], overGB: null, source: 'page 12', ...part }],
  });
  const found = (part: Partial<Advice>, card: Partial<Card>) => adviceRule(body(part), aCard(card));

  it('is a note where the card has it: a bus, a mark, a family, a size', () => {
    expect(found({ anyOf: ['UHS-I'] }, { marks: ['I', 'V30'] })).toEqual([
      { rule: 'advice', outcome: 'note', words: ['UHS-I'], overGB: null, cardGB: 256, source: 'page 12' },
    ]);
    expect(found({ anyOf: ['I'] }, { marks: ['II', 'V60'] }), 'another bus').toEqual([]);
    const fast = { marks: [] as string[], bus: 'uhs-ii' as const, writeMBps: 260 };
    expect(found({ anyOf: ['II'] }, fast), 'in whichever mode of it').toMatchObject([{ words: ['UHS-II'] }]);
    expect(found({ anyOf: ['V30'] }, { marks: ['I', 'V30'] })).toMatchObject([{ words: ['V30'] }]);
    expect(found({ anyOf: ['V30'] }, { marks: ['II', 'V60'] }), 'a mark above it is another').toEqual([]);
    expect(found({ anyOf: ['SDXC'] }, { capacityGB: 64 })).toMatchObject([{ words: ['SDXC'] }]);
    expect(found({ anyOf: ['SDXC'] }, { form: 'cfexpress-b', capacityGB: 64 })).toEqual([]);
    expect(found({ overGB: 128 }, { capacityGB: 256 })).toMatchObject([{ words: [], overGB: 128, cardGB: 256 }]);
    expect(found({ overGB: 256 }, { capacityGB: 256 }), 'not above it').toEqual([]);
    expect(adviceRule({}, aCard())).toEqual([]);
  });

  it('takes no answer away', () => {
    const told = (advisesAgainst: readonly Advice[]) => {
      const of = { ...aBody(), advisesAgainst };
      return cellFor({ body: of, mode: aMode(), card: aCard(), cards: [], tests: [], policy: DEFAULT_POLICY });
    };
    const warned = told([{ anyOf: ['II'], overGB: 1, source: null }]);
    expect(warned.verdict).toBe(told([]).verdict);
    expect(warned.findings.map(({ rule }) => rule)).toContain('advice');
  });
});

describe('what surrounds a card', () => {
  it('a ceiling inside the body', () => {
    const found = (need: number, shares = 1) => bodyCeilingRule({ ceilingMBps: 35 }, MB(need), FIFTEEN, shares);
    expect(found(30)).toEqual({ rule: 'body-ceiling', outcome: 'pass', ceiling: MB(35), need: MB(30) });
    expect(found(35)).toEqual({ rule: 'body-ceiling', outcome: 'note', ceiling: MB(35), need: MB(35) });
    expect(found(36)).toEqual({ rule: 'body-ceiling', outcome: 'short', ceiling: MB(35), need: MB(36) });
    expect(found(15, 2)).toMatchObject({ outcome: 'pass', ceiling: MB(17.5) });
    expect(bodyCeilingRule({ ceilingMBps: null }, MB(1), FIFTEEN)).toBeNull();
  });

  it('how many cards, and slots that want one of their own', () => {
    const slots = [aSlot({ id: 'a', name: 'A', demandsCard: true }), aSlot({ id: 'b', name: 'B' })];
    expect(arrangementRule(aBody({ slots, arrangement: 'mirrored' }))).toEqual({
      rule: 'arrangement',
      outcome: 'note',
      arrangement: 'mirrored',
      cards: 2,
    });
    expect(arrangementRule(aBody({ slots, arrangement: 'single' }))).toBeNull();
    expect(arrangementRule(aBody({ slots: slots.slice(0, 1), arrangement: 'mirrored' }))).toBeNull();
    expect(demandsCardRule(slots, 'b')).toEqual({ rule: 'demands-card', outcome: 'note', slots: ['A'] });
    expect(demandsCardRule(slots, 'a'), 'the recording is the card it wants').toBeNull();
    expect(demandsCardRule([aSlot({ id: 'a' })], 'b')).toBeNull();
  });

  it('requirements: what is asked, by what it is met, and whether it is beyond the rate', () => {
    const card = { form: 'sd', bus: null, capacityGB: 64, marks: ['SDXC', 'II', 'U3', 'V60', 'A2', 'Blue'] } as const;
    const takes = { slots: [aSlot()] };
    const ask = (anyOf: readonly string[], whenMissing: 'refuses' | 'warns' = 'refuses', wanted = 100) =>
      requirementRule([{ anyOf, whenMissing }], card, MB(wanted), takes)[0];
    const none = {
      metBy: null,
      beyond: null,
      whenMissing: 'refuses',
      outcome: 'block',
      rule: 'requirement',
      elsewhere: null,
    };
    expect(ask(['V90'])).toEqual({ ...none, anyOf: ['V90'] });
    expect(ask(['V90'], 'warns')).toEqual({ ...none, whenMissing: 'warns', outcome: 'note', anyOf: ['V90'] });
    expect(ask(['V60'], 'refuses', 40)).toEqual({
      ...none,
      outcome: 'pass',
      metBy: 'V60',
      beyond: MB(40),
      anyOf: ['V60'],
    });
    expect(ask(['V60'], 'refuses', 48), 'a quarter over is not beyond').toMatchObject({ beyond: null });
    expect(ask(['V60', 'U1'], 'refuses', 40), 'the smallest is not').toMatchObject({ beyond: null });
    expect(ask(['SDXC'], 'refuses', 1), 'a family promises nothing').toMatchObject({ metBy: 'SDXC', beyond: null });
    expect(ask(['C10'])).toMatchObject({ metBy: 'U3' });
    expect(ask(['VPG20']), 'no SD mark does what VPG asks').toMatchObject({ metBy: null });
    expect(ask(['E150'])).toMatchObject({ metBy: null });
    expect(ask(['SDHC']), 'a body reads no larger family than its own').toMatchObject({ metBy: null });
    const bare = { ...card, marks: ['II', 'U3'] };
    const asked = { anyOf: ['SDXC'], whenMissing: 'refuses' as const };
    expect(requirementRule([asked], bare, MB(1), takes)[0], 'its size tells it too').toMatchObject({ metBy: 'SDXC' });
    expect(requirementRule([asked], { ...bare, capacityGB: 32 }, MB(1), takes)[0]).toMatchObject({ metBy: null });
    const express = { ...card, marks: ['EX', 'E600'] };
    const video = { anyOf: ['V60'], whenMissing: 'refuses' as const };
    expect(requirementRule([video], express, MB(1), takes)[0], 'another interface').toMatchObject({ metBy: null });
    expect(ask(['SDUC'])).toMatchObject({ metBy: null });
    expect(ask(['A2'])).toMatchObject({ metBy: 'A2' });
    expect(ask(['A1'])).toMatchObject({ metBy: 'A2' });
    expect(ask([' blue'])).toMatchObject({ metBy: 'Blue' });
    expect(ask(['red'])).toMatchObject({ metBy: null });
    expect(ask(['2.0'])).toMatchObject({ metBy: null });
    expect(ask(['III', 'V60']), 'one is enough').toMatchObject({ metBy: 'V60' });
    const cfx = { form: 'cfexpress-b', bus: null, capacityGB: 64, marks: ['2.0', 'VPG400'] } as const;
    expect(requirementRule([{ anyOf: ['2.0'], whenMissing: 'warns' }], cfx, MB(1), takes)[0]).toMatchObject({
      metBy: '2.0',
    });
    expect(requirementRule([{ anyOf: ['VPG200'], whenMissing: 'warns' }], cfx, MB(1), takes)[0]).toMatchObject({
      metBy: 'VPG400',
    });
    expect(requirementRule([{ anyOf: ['V30'], whenMissing: 'warns' }], cfx, MB(1), takes)[0]).toMatchObject({
      metBy: null,
    });
    const u3 = { form: 'sd', bus: null, capacityGB: 64, marks: ['U3'] } as const;
    expect(
      requirementRule([{ anyOf: ['V30'], whenMissing: 'warns' }], u3, MB(1), takes)[0],
      'U3 does not do V30',
    ).toMatchObject({
      metBy: null,
    });
    expect(requirementRule([], card, MB(1), takes)).toEqual([{ rule: 'requirement', outcome: 'pass', anyOf: null }]);
  });

  it('marks of one form say nothing of a card of another that the body takes, unless it is told to refuse it', () => {
    const dual = {
      slots: [
        aSlot({
          accepts: [
            { form: 'sd', bus: 'uhs-ii' },
            { form: 'cfexpress-a', bus: 'cfexpress-4' },
          ],
        }),
      ],
    };
    const cfx = { form: 'cfexpress-a', bus: null, capacityGB: 160, marks: ['VPG200'] } as const;
    const found = (anyOf: readonly string[], otherForms: 'allowed' | 'refused' | null) =>
      requirementRule([{ anyOf, whenMissing: 'refuses' }], cfx, MB(1), { ...dual, otherForms })[0];
    expect(found(['V30'], null)).toMatchObject({ outcome: 'note', elsewhere: { form: 'cfexpress-a', does: null } });
    expect(found(['V30', 'II'], 'allowed')).toMatchObject({ outcome: 'pass', metBy: null });
    expect(found(['V30'], 'refused')).toMatchObject({ outcome: 'block' });
    expect(found(['VPG400'], 'allowed'), 'of its own form').toMatchObject({ outcome: 'block', elsewhere: null });
    expect(found(['V30', 'approved'], null), 'a word nobody knows may be on any').toMatchObject({ outcome: 'block' });
    const sdOnly = { slots: [aSlot()], otherForms: null };
    expect(
      requirementRule([{ anyOf: ['VPG400'], whenMissing: 'refuses' }], { ...cfx, form: 'sd' }, MB(1), sdOnly)[0],
    ).toMatchObject({ outcome: 'block', elsewhere: null });
  });

  it('of the mode, of its group, and of every mode', () => {
    const own = { anyOf: ['V30'], whenMissing: 'warns' as const };
    const all = { group: null, anyOf: ['SDXC'], whenMissing: 'warns' as const };
    const intra = { group: 'intra', anyOf: ['V90'], whenMissing: 'refuses' as const };
    const body = { groupRequires: [all, intra] };
    expect(requirementsOf(body, { requires: [own], group: 'intra' })).toEqual([own, all, intra]);
    expect(requirementsOf(body, { requires: [own], group: 'raw' })).toEqual([own, all]);
    expect(requirementsOf({}, { requires: [own] })).toEqual([own]);
  });
});

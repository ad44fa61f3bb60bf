import { describe, expect, it } from 'vitest';
import { big, cine } from '../../../../tests/support/aSetup.ts';
import type { PlannedTake, Test } from '../../kit/model.ts';
import { board } from '../../match/board.ts';
import { DEFAULT_POLICY } from '../../match/policy.ts';
import { aTest } from '../../testing.ts';
import { endedBy } from './endedBy.ts';
import { heatMark } from './mark.ts';
import { DEFAULT_PLAN } from './plan.ts';

const [mode] = cine.modes;
if (!mode) throw new Error('no mode');
const plan: PlannedTake = { ...DEFAULT_PLAN, minutes: 40, ambientC: 20, sunC: 5 };
const short = (change: Partial<Test> = {}): Test =>
  aTest({
    id: 't',
    bodyId: cine.id,
    modeId: mode.id,
    cardId: big.id,
    end: 'cut-off',
    seconds: 1320,
    ambientWithSunC: 25,
    writtenMBps: null,
    clipGB: null,
    date: '2026-05-01',
    ...change,
  });
const found = (...tests: readonly Test[]) => endedBy({ body: cine, mode, cards: [big], plan }, tests)?.id ?? null;

describe('an own take that stopped early', () => {
  it('counts where it was no harder than the plan', () => {
    expect(found(short())).toBe('t');
    expect(found(short({ ambientWithSunC: 12 }))).toBe('t');
    expect(found(short({ ambientWithSunC: 31 })), 'in warmer air').toBeNull();
    expect(found(short({ ambientWithSunC: null })), 'air not noted').toBeNull();
    expect(found(short({ seconds: 2400 })), 'past the planned minutes').toBeNull();
    expect(found(short({ takes: 2, restSeconds: 60 })), 'the second of two').toBeNull();
    expect(found(short({ end: 'stopped' })), 'stopped by hand').toBeNull();
    // Sun of a finish is what it adds to this body: 9.4 °C to a black one with a fan, whatever a closed one would take up.
    const inSun = { ...plan, sunC: 14, sun: 'black' as const };
    const ended = (ambientWithSunC: number) =>
      endedBy({ body: cine, mode, cards: [big], plan: inSun }, [short({ ambientWithSunC })])?.id ?? null;
    expect([ended(30), ended(33)]).toEqual(['t', null]);
    expect(found(short({ start: 'cold', air: 'strong' }))).toBe('t');
    expect(found(short({ start: 'warm' })), 'a body that had not cooled').toBeNull();
    expect(found(short({ modeId: 'another' })), 'another mode').toBeNull();
    expect(found(short({ cardId: 'another' })), 'another card').toBeNull();
  });

  it('in stiller air than planned does not count', () => {
    const breezy: PlannedTake = { ...plan, air: 'moving' };
    const told = (air: Test['air']) => endedBy({ body: cine, mode, cards: [big], plan: breezy }, [short({ air })])?.id;
    expect([told('still'), told('moving'), told('strong'), told(null)]).toEqual([undefined, 't', 't', 't']);
  });

  it('the shortest of several is told, and a later take that lasted longer in air as warm overtakes it', () => {
    expect(found(short(), short({ id: 'sooner', seconds: 900 }))).toBe('sooner');
    const later = { id: 'held', end: 'stopped', seconds: 2000, date: '2026-06-01' } as const;
    expect(found(short(), short(later))).toBeNull();
    expect(found(short(), short({ ...later, ambientWithSunC: 18 })), 'in cooler air').toBe('t');
    expect(found(short(), short({ ...later, date: '2026-04-01' })), 'an older one').toBe('t');
  });

  it('makes the mark of its cell hot, whatever the figures say', () => {
    const cool = { ...plan, minutes: 20, ambientC: 2, sunC: 0 };
    const cell = board({ bodies: [cine], cards: [big], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
    const markWith = (tests: readonly Test[]) =>
      cell && heatMark({ body: cine, cell, card: big, tests, plan: cool, cards: [big] });
    expect(markWith([])?.level).not.toBe('hot');
    expect(markWith([short({ ambientWithSunC: 2, seconds: 600 })])).toMatchObject({ level: 'hot', ended: { id: 't' } });
  });
});

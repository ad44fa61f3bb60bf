import { describe, expect, it } from 'vitest';
import type { BytesPerSecond, PerMille } from '../units/brand.ts';
import type { Finding } from './finding.ts';
import { settle } from './settle.ts';

const n = 1 as BytesPerSecond;
const bus = (outcome: Finding['outcome'], more: object = {}): Finding =>
  ({
    rule: 'bus',
    outcome,
    slot: 'uhs-ii',
    card: null,
    inForce: 'uhs-ii',
    ceiling: n,
    known: 'printed',
    need: n,
    surplus: false,
    slotTold: true,
    adapter: false,
    thin: false,
    ...more,
  }) as Finding;
const of = (rule: Finding['rule'], outcome: Finding['outcome'], more: object = {}): Finding =>
  ({ rule, outcome, ...more }) as Finding;
const headroom: Finding = { rule: 'headroom', outcome: 'pass', need: n, wanted: n, floor: n, headroom: 0 as PerMille };

describe('the verdict that findings add up to', () => {
  it.each([
    [[], 'uncovered'],
    [[of('guarantee', 'pass')], 'tight'],
    [[of('makers-minimum', 'pass')], 'tight'],
    [[of('guarantee', 'pass'), headroom], 'guaranteed'],
    [[headroom, of('guarantee', 'pass')], 'guaranteed'],
    [[of('approved', 'pass')], 'guaranteed'],
    [[of('approved', 'note')], 'tight'],
    [[of('approved', 'short')], 'uncovered'],
    [[of('approved', 'unknown')], 'uncovered'],
    [[of('own-tests', 'pass')], 'proven'],
    [[of('makers-figure', 'pass')], 'claimed'],
    [[of('makers-figure', 'pass'), of('own-tests', 'pass')], 'proven'],
    [[of('own-tests', 'pass'), of('makers-figure', 'pass')], 'proven'],
    [[of('headroom', 'note')], 'uncovered'],
    [[of('guarantee', 'short'), of('makers-figure', 'short'), of('label', 'short')], 'uncovered'],
    [[bus('short'), headroom], 'drops'],
    [[of('body-ceiling', 'short'), headroom], 'drops'],
    [[headroom, of('own-tests', 'short')], 'drops'],
    [[of('requirement', 'block'), headroom], 'locked'],
    [[of('requirement', 'block'), bus('short')], 'locked'],
    [[of('shape', 'block'), headroom], 'unfit'],
    [[of('shape', 'note', { card: 'microsd' }), headroom], 'guaranteed'],
    [[of('shape', 'note', { card: 'cfexpress-a' }), headroom], 'uncovered'],
    [[of('family', 'unknown', { isAsked: false }), headroom], 'guaranteed'],
    [[of('family', 'unknown', { isAsked: true }), headroom], 'uncovered'],
    [[of('family', 'unknown', { isAsked: true }), headroom, of('own-tests', 'pass')], 'proven'],
    [[of('makers-minimum', 'note')], 'claimed'],
    [[of('requirement', 'block'), of('family', 'block')], 'unfit'],
    [[of('requirement', 'note'), of('shape', 'note', { card: 'microsd' })], 'uncovered'],
  ] as const)('%#: %s', (findings, verdict) => {
    expect(settle(findings)).toBe(verdict);
  });

  it('a ceiling without headroom makes a guarantee tight, and nothing else', () => {
    const thin = bus('note', { thin: true });
    expect(settle([thin, headroom])).toBe('tight');
    expect(settle([of('body-ceiling', 'note'), headroom])).toBe('tight');
    expect(settle([thin, of('own-tests', 'pass')])).toBe('proven');
    expect(settle([bus('note'), of('body-ceiling', 'pass'), headroom])).toBe('guaranteed');
  });

  it('a bus nobody has told of holds back what hangs on it, not a take or an approval', () => {
    const unsure = bus('unknown', { slotTold: false });
    for (const rule of ['guarantee', 'makers-minimum', 'makers-figure'] as const)
      expect(settle([unsure, of(rule, 'pass')]), rule).toBe('uncovered');
    expect(settle([unsure, headroom])).toBe('uncovered');
    expect(settle([unsure, of('own-tests', 'pass')])).toBe('proven');
    expect(settle([unsure, of('approved', 'pass')])).toBe('guaranteed');
    expect(settle([unsure, of('approved', 'note')])).toBe('tight');
    const module = bus('unknown', { ceiling: null });
    expect(settle([module, headroom]), 'only the maker knows this bus: his promise stands').toBe('guaranteed');
  });
});

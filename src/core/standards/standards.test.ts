import { describe, expect, it } from 'vitest';
import type { Bytes } from '../units/brand.ts';
import { BUS_KEYS, bus, busCeiling, busesOf, busInForce } from './buses.ts';
import { FAMILIES, FAMILY_KEYS, familyOf } from './families.ts';
import { FORM_KEYS, form } from './forms.ts';
import { countsOn, MARK_KEYS, mark } from './marks.ts';
import { SOURCES } from './sources.ts';

describe('the tables', () => {
  it('name a source for every row', () => {
    const rows = [...FORM_KEYS.map(form), ...BUS_KEYS.map(bus), ...MARK_KEYS.map(mark), ...Object.values(FAMILIES)];
    for (const row of rows) expect(SOURCES).toHaveProperty([row.source]);
  });

  it('promise more with every later mark of a series', () => {
    for (const series of ['C', 'U', 'V', 'E', 'VPG']) {
      const promises = MARK_KEYS.map(mark)
        .filter((row) => row.series === series)
        .map((row) => row.promisesMBps);
      expect(promises, series).toEqual([...promises].sort((a, b) => a - b));
      expect(new Set(promises).size, series).toBe(promises.length);
    }
  });

  it('carry the printed number, but for U grades, which count tens', () => {
    for (const key of MARK_KEYS) {
      const printed = Number(key.replace(/\D/g, ''));
      const { series, promisesMBps } = mark(key);
      expect(promisesMBps, key).toBe(series === 'U' ? printed * 10 : printed);
    }
  });

  it('join the capacity families without a gap, bounds inclusive above', () => {
    FAMILY_KEYS.slice(1).forEach((key, at) => {
      expect(FAMILIES[key].above).toBe(FAMILIES[FAMILY_KEYS[at] ?? 'sd'].upTo);
    });
    expect(familyOf(32e9 as Bytes)).toBe('sdhc');
    expect(familyOf((32e9 + 1) as Bytes)).toBe('sdxc');
    expect(familyOf(129e12 as Bytes)).toBeNull();
  });

  it('speak only slower buses of the same forms', () => {
    for (const key of BUS_KEYS) {
      for (const other of bus(key).alsoSpeaks) {
        const [own, its] = [bus(key).forms[0], bus(key).forms[0]];
        if (own && its)
          expect(busCeiling(key, own) ?? 0).toBeGreaterThanOrEqual(busCeiling(other as typeof key, its) ?? 0);
      }
    }
  });

  it('give every form but a module a bus', () => {
    for (const key of FORM_KEYS) expect(busesOf(key).length > 0, key).toBe(key !== 'module');
  });
});

describe('bus in force', () => {
  it.each([
    ['uhs-ii', 'uhs-i', 'uhs-i'],
    ['uhs-i', 'uhs-ii', 'uhs-i'],
    ['uhs-iii', 'uhs-ii', 'uhs-ii'],
    ['sd-express-1', 'uhs-ii', 'uhs-i'],
    ['cfexpress-4', 'cfexpress-2', 'cfexpress-2'],
    ['default', 'uhs-iii', 'default'],
    ['xqd-2', 'cfexpress-2', null],
  ] as const)('slot %s with card %s runs at %s', (slot, card, expected) => {
    expect(busInForce(slot, card)).toBe(expected);
  });

  it('lets V60 and V90 count only on UHS-II and III, E marks alone on SD Express', () => {
    const on = (key: 'V90' | 'V30' | 'C10' | 'C6' | 'E150' | 'V10') =>
      busesOf('sd').filter((one) => countsOn(key, one, 'sd'));
    expect(on('V90')).toEqual(['uhs-ii', 'uhs-ii-312', 'uhs-iii']);
    expect(on('E150')).toEqual(['sd-express-1', 'sd-express-4-1', 'sd-express-2', 'sd-express-4']);
    expect(on('C10')).toEqual(['high-speed', 'uhs-i-50', 'uhs-i', 'uhs-ii', 'uhs-ii-312', 'uhs-iii']);
    expect(on('C6')).toContain('default');
    expect(on('V30')).not.toContain('sd-express-1');
    expect(on('V30')).not.toContain('high-speed');
    expect(on('V10')).toContain('high-speed');
    expect(countsOn('VPG400', null, 'cfexpress-b')).toBe(true);
    expect(countsOn('VPG400', 'uhs-ii', 'sd')).toBe(false);
  });
});

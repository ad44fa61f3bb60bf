import { describe, expect, it } from 'vitest';
import { DEFAULT_SETTINGS } from '../../kit/kit.ts';
import { passages } from '../../text/guide/passages.ts';
import { ownValues } from './ownValues.ts';
import { indexText, openIndex } from './search.ts';

const search = openIndex(indexText(passages()));
const first = (query: string): string | undefined => search(query)[0]?.id;

describe('the search of the guide', () => {
  it.each([
    ['v90', 'v90'],
    ['V60', 'v60'],
    ['bits bytes', 'mbps'],
    ['what is headroom?', 'rule-headroom'],
    ['headrom', 'rule-headroom'],
    ['factor eight', 'mbps'],
    ['GiB', 'gb'],
    ['counterfeit', 'counterfeit'],
    ['roman numeral', 'roman'],
    ['bus in force', 'rule-bus'],
    ['write amplification', 'amplification'],
    ['mbps', 'mbps'],
    ['class 10', 'c10'],
    ['dropped frames', 'verdict-drops'],
    ['slowmo', 'slow-motion'],
  ])('%s leads to %s first', (query, id) => {
    expect(first(query)).toBe(id);
  });

  it.each([
    ['vents', 'caution-heat'],
    ['once-only', 'once-only'],
    ['usable 98.7', 'assumed-usableFraction'],
    ['SD Express', 'sd-express-1'],
    ['CFexpress B', 'form-cfexpress-b'],
    ['verified copies', 'free'],
    ['is my card a fake?', 'counterfeit'],
    ['overheating', 'cut-off'],
    ['uhs-3', 'u3'],
    ['uhs-3', 'uhs-iii'],
    ['can I format', 'free'],
  ])('%s is found', (query, id) => {
    expect(search(query).map((found) => found.id)).toContain(id);
  });

  it('finds nothing in nothing, and takes anything that is typed', () => {
    for (const query of ['', '   ', 'xqzzy', '(((', '\\', '*', 'NaN', '🎞️', 'a'.repeat(5000)])
      expect(search(query).length).toBeLessThan(13);
    expect(search('xqzzy')).toEqual([]);
    // A question of little words alone is searched as it stands.
    expect(() => search('what is it')).not.toThrow();
  });
});

describe('values of one’s own', () => {
  it('are those that differ from what is assumed', () => {
    expect(ownValues(DEFAULT_SETTINGS)).toEqual([]);
    expect(
      ownValues({
        take: 'once',
        headroom: 0.2,
        exportEveryDays: 0,
        retest: { months: 6, afterFirmware: true, afterIncident: true },
      }),
    ).toEqual([
      { key: 'headroom', value: 0.2 },
      { key: 'exportEveryDays', value: 0 },
      { key: 'retestMonths', value: 6 },
    ]);
    expect(ownValues({ ...DEFAULT_SETTINGS, exportEveryDays: null, retest: null })).toEqual([]);
  });
});

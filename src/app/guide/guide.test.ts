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

  it.each([
    ['why does my 300 MB/s card not do 400 Mb/s', 'ask-peak'],
    ['300MB/s card 400 Mb/s', 'ask-peak'],
    ['which class for 4K', 'ask-class-4k'],
    ['what do the numbers on a card mean', 'ask-numbers'],
    ['why did it stop recording', 'ask-stopped'],
    ['can I trust a V90 on one row', 'ask-v90-one-row'],
    ['400 Mb/s in MB/s', 'ask-bits'],
    ['how many minutes on my card', 'ask-minutes'],
    ['how many cards for a day', 'ask-cards'],
    ['is U3 the same as V30', 'ask-u3-v30'],
    ['what is class 10 good for', 'ask-class-10'],
    ['is my card a fake', 'ask-fake'],
    ['256 GB shows 238', 'ask-missing-room'],
    ['camera shows fewer minutes', 'ask-counter'],
    ['will it overheat', 'ask-overheat'],
    ['how much does slow motion write', 'ask-slow-motion'],
    ['when may I format', 'ask-format'],
    ['is an SSD better', 'ask-ssd'],
    ['manual states an average', 'ask-average'],
    ['everything is red', 'ask-all-red'],
  ])('a question is found first: %s', (query, id) => {
    expect(first(query)).toBe(id);
  });

  it('a number is meant as it stands, with or without a space before its unit', () => {
    const ids = (query: string) => search(query).map((found) => found.id);
    expect(ids('300')).toContain('ask-peak');
    expect(ids('300 MB/s')[0]).toBe('ask-peak');
    expect(ids('300MB/s')[0]).toBe('ask-peak');
    expect(ids('30'), 'neither 300 nor 312').not.toContain('ask-speed-test');
    expect(ids('23871')).toEqual([]);
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

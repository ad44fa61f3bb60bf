import { describe, expect, it } from 'vitest';
import { bodyNamed, givenGroups, reportsOf } from '../app/prove/files.ts';
import type { Report } from '../core/kit/model.ts';
import { aBody, aCard, aMode, aTest } from '../core/testing.ts';
import { givenRefusalText } from '../text/prove/files.ts';
import { type GivenTests, givenTests, readGivenTests } from './givenTests.ts';
import { reportSchema } from './schemas/report.ts';

const body = aBody({
  name: 'Dory',
  modes: [aMode({ name: '4K intra' }), aMode({ id: 'n', name: 'Slow', captureFps: 100 })],
});
const card = aCard({ label: 'Secret name', note: 'where I live' });
const tests = [
  aTest({ note: 'a private note', warning: 'SLOW', ambientWithSunC: 31, firmware: '2.0', start: 'cold' }),
  aTest({ id: 'u', modeId: 'n', end: 'dropped', seconds: 90, clipGB: 5 }),
  aTest({ id: 'gone', cardId: 'gone' }),
  aTest({ id: 'rateless', writtenMBps: null }),
];
const give = (change = {}) => givenTests(body, [card], tests, { from: '', dates: false, labels: false, ...change });
const read = (given: unknown): GivenTests => {
  const found = readGivenTests(JSON.stringify(given));
  if (!found.ok) throw new Error(JSON.stringify(found.error));
  return found.value;
};

describe('tests given away', () => {
  it('hold no label, date, name or note unless it is wanted, and never a note', () => {
    const text = JSON.stringify(give());
    for (const hidden of ['Secret name', 'where I live', 'private note', 'SLOW', '2026-05-01'])
      expect(text).not.toContain(hidden);
    expect(give().tests).toHaveLength(2);
    const all = JSON.stringify(give({ from: ' Mate ', dates: true, labels: true }));
    for (const shown of ['"Mate"', 'Secret name', '2026-05-01']) expect(all).toContain(shown);
    expect(all).not.toContain('private note');
  });

  it('come back as they went, under one’s own body and modes, once', () => {
    const given = read(give({ from: 'Mate' }));
    expect(given).toEqual(give({ from: 'Mate' }));
    expect(bodyNamed(given, [aBody({ id: 'x', name: ' dory ' })])?.id).toBe('x');
    const groups = givenGroups(given, body);
    expect(groups.map(({ name, fps, own }) => [name, fps, own?.id])).toEqual([
      ['4K intra', 50, 'm'],
      ['Slow', 100, 'n'],
    ]);
    const chosen = new Map(groups.map(({ key, own }) => [key, own?.id ?? '']));
    const reports = reportsOf(given, body, chosen, []);
    expect(reports).toHaveLength(2);
    expect(reports[0]).toMatchObject({
      from: 'Mate',
      bodyId: 'b',
      modeId: 'm',
      end: 'full',
      print: { capacityGB: 256 },
    });
    expect(reports[0]).not.toHaveProperty('label');
    for (const report of reports)
      expect(reportSchema.validate({ ...report, id: 'r' }, { convert: false }).error).toBeUndefined();
    const stored = reports.map((report, at): Report => ({ ...report, id: `r${at}` }));
    expect(reportsOf(given, body, chosen, stored)).toEqual([]);
    expect(reportsOf(given, body, new Map([[groups[0]?.key ?? '', 'm']]), [])).toHaveLength(1);
  });

  it.each([
    ['nothing', '', 'not-json'],
    ['a kit', '{"format":"cool-reel-kit","version":1}', 'not-a-kit'],
    ['null', 'null', 'not-a-kit'],
    ['a list', '[]', 'not-a-kit'],
    ['a bomb', '['.repeat(100), 'too-deep'],
    ['a forbidden key', '{"format":"cool-reel-tests","__proto__":{}}', 'forbidden-key'],
    ['no tests', JSON.stringify({ ...give(), tests: [] }), 'invalid'],
    ['a negative length', JSON.stringify({ ...give(), tests: [{ ...give().tests[0], seconds: -1 }] }), 'invalid'],
  ])('refuse %s, and say why', (_, text, code) => {
    const found = readGivenTests(text);
    expect(found.ok).toBe(false);
    if (found.ok) return;
    expect(found.error.code).toBe(code);
    expect(givenRefusalText(found.error).length).toBeGreaterThan(20);
  });
});

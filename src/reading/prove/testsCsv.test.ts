import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testsCsv } from '../../app/kit/csv.ts';
import type { Test } from '../../core/kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../core/testing.ts';
import { readTestsTable } from './testsCsv.ts';

const body = aBody({
  name: 'Wherry',
  slots: [aSlot({ id: 's', name: 'Slot 1' }), aSlot({ id: 'z', name: 'Slot, 2' })],
  modes: [
    aMode({ id: 'm', name: '8K raw', fps: 50 }),
    aMode({ id: 'n', name: '8K raw', fps: 25 }),
    aMode({ id: 'slow', name: 'HD slow', fps: 25, captureFps: 100 }),
  ],
});
const kit = { bodies: [body], cards: [aCard({ label: 'A-01' }), aCard({ id: 'd', label: 'Böot "2"' })], tests: [] };
const read = (text: string, tests: readonly Test[] = []) => {
  const table = readTestsTable(text, { ...kit, tests });
  if (table.code !== 'read') throw new Error(table.code);
  return table;
};
const problems = (text: string) =>
  read(text).problems.map(({ line, column, problem }) => `${line} ${column} ${problem}`);
const HEAD = 'body,mode,fps,card,end,seconds';

describe('a table of tests', () => {
  it('is read as the log writes it', () => {
    const full: Test = {
      ...aTest({ slotId: 'z', modeId: 'slow', cardId: 'd', clipGB: 12.5, date: '2026-05-04' }),

      rateIs: 'quality',
      ambientWithSunC: -3.5,
      air: 'moving',
      start: 'warm',
      order: 2,
      takes: 3,
      restSeconds: 60,
      formatted: false,
      firmware: '2.1',
      warning: '=SLOW, "CARD"',
      note: 'first\nsecond',
    };
    const { id: _, ...back } = full;
    const table = read(testsCsv({ ...kit, tests: [full] }));
    expect(table.problems).toEqual([]);
    expect(table.tests).toEqual([back]);
  });

  it('is read as people keep theirs: other names, separators, minutes, any order', () => {
    const { tests, problems } = read(
      'Card;Camera;Mode;Frames;Length;Result;Comment\nA-01;wherry;8k RAW;50;30:40;filled;ok\nA-01;Wherry;HD slow;;9;drop;',
    );
    expect(problems).toEqual([]);
    expect(tests.map(({ modeId, seconds, end }) => [modeId, seconds, end])).toEqual([
      ['m', 1840, 'full'],
      ['slow', 540, 'dropped'],
    ]);
    expect(read('body\tmode\tfps\tcard\tend\tseconds\nWherry\t8K raw\t25\tA-01\tstopped\t12,5').tests[0]).toMatchObject(
      {
        modeId: 'n',
        seconds: 12.5,
      },
    );
  });

  it('tells each slip by its line, and brings in none that slipped', () => {
    const text = [
      HEAD,
      'Wherry,8K raw,50,A-01,full,100',
      'Dory,8K raw,50,A-01,full,100',
      'Wherry,8K raw,,A-01,full,100',
      'Wherry,8K raw,50,,full,100',
      'Wherry,8K raw,50,A-01,burst,-4',
      'Wherry,8K raw,50,A-01,full,"1,200"',
      'Wherry,8K raw,50,A-01,full,soon',
      '',
    ].join('\n');
    expect(problems(text)).toEqual([
      '3 body unknown',
      '4 mode several',
      '5 card missing',
      '6 end not-one-of',
      '6 seconds out-of-range',
      '7 seconds open-number',
      '8 seconds no-number',
    ]);
    expect(read(text).tests).toHaveLength(1);
    expect(problems(`${HEAD},date\nWherry,8K raw,50,A-01,full,9,2026-13-40`)).toEqual(['2 date no-date']);
  });

  it('needs no body where there is one, and reads a plain “ok” as a take that was stopped', () => {
    const { tests } = read('mode,fps,card,result,length\n8K raw,50,A-01,ok,10\n8K raw,50,A-01,Passed,10:00');
    expect(tests).toMatchObject([
      { bodyId: 'b', end: 'stopped', seconds: 600 },
      { bodyId: 'b', end: 'stopped', seconds: 600 },
    ]);
    // A body that is named must be there all the same.
    expect(problems(`${HEAD}\nDory,8K raw,50,A-01,ok,600`)).toEqual(['2 body unknown']);
  });

  it('leaves out what is in the log already', () => {
    const text = `${HEAD},date\nWherry,8K raw,50,A-01,full,3600,2026-05-01\nWherry,8K raw,50,A-01,full,3601,2026-05-01`;
    expect(read(text, [aTest()])).toMatchObject({ known: 1, tests: [{ seconds: 3601 }] });
  });

  it('without its columns, or with too many lines, is refused whole', () => {
    expect(readTestsTable('a,b\n1,2', kit)).toEqual({
      code: 'no-columns',
      missing: ['mode', 'card', 'end', 'seconds'],
    });
    const two = { ...kit, bodies: [body, aBody({ id: 'x', name: 'Dory' })] };
    expect(readTestsTable('a,b\n1,2', two)).toMatchObject({ missing: ['body', 'mode', 'card', 'end', 'seconds'] });
    expect(readTestsTable('', kit).code).toBe('no-columns');
    const many = `${HEAD}\n${'Wherry,8K raw,50,A-01,full,1\n'.repeat(20_001)}`;
    expect(readTestsTable(many, kit)).toEqual({ code: 'too-many', lines: 20_001, max: 20_000 });
  });

  it('never throws, whatever is pasted', () => {
    fc.assert(
      fc.property(fc.string(), (text) => {
        readTestsTable(text, kit);
        readTestsTable(`${HEAD}\n${text}`, kit);
      }),
      { seed: 3, numRuns: 500 },
    );
  });
});

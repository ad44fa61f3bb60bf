import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { streamRate } from '../../../core/bodies/rate/streamRate.ts';
import { type Chosen, guessColumns, isRefusal, modeOfRow, questionsOf, readingOf, readTable } from '../pasteModes.ts';
import { readPicture, readRateMbps, readSpeeds, unitIn } from './cells.ts';
import { decimalOf, numberIn, readNumber } from './numbers.ts';

function tableOf(text: string) {
  const table = readTable(text);
  if (isRefusal(table)) throw new Error(table.code);
  return table;
}

function rowsOf(text: string, chosen: Chosen = {}) {
  const table = tableOf(text);
  const reading = readingOf(table, chosen);
  return table.rows.map((row) => modeOfRow(row, reading));
}

const rates = (text: string, chosen: Chosen = {}) =>
  rowsOf(text, chosen).map((row) =>
    row.ok && row.mode.rate.kind === 'stated' ? row.mode.rate.Mbps : row.ok || row.problem,
  );

const questions = (text: string, chosen: Chosen = {}) => {
  const table = tableOf(text);
  return questionsOf(table, readingOf(table, chosen));
};

describe('numbers of a column', () => {
  it.each([
    [['1,200', '12,5'], 'comma'],
    [['1.200', '800.5'], 'point'],
    [['1,200.5'], 'point'],
    [['1.200,5', '800'], 'comma'],
    [['1,200,000'], 'point'],
    [['0,500'], 'comma'],
    [['1,200', '800'], 'open'],
    [['1.200'], 'open'],
    [['12,5', '12.5'], 'mixed'],
    [['1200', '—', ''], 'none'],
    [['1 200,5'], 'comma'],
    [["1'200.50"], 'point'],
  ] as const)('%j show %s', (cells, seen) => {
    expect(decimalOf(cells)).toBe(seen);
  });

  it('are read by that sign', () => {
    expect(readNumber('1,200', 'point')).toBe(1200);
    expect(readNumber('1,200', 'comma')).toBe(1.2);
    expect(readNumber('1 200,5 Mb/s', 'comma')).toBe(1200.5);
    expect(readNumber('about 59.94', 'point')).toBe(59.94);
    expect(readNumber('-3', 'point')).toBeNaN();
    expect(readNumber('none', 'point')).toBeNaN();
    expect(numberIn('240.')).toBe('240');
  });
});

describe('cells', () => {
  it.each([
    ['Bitrate (Mb/s)', 'Mb/s'],
    ['Mbps', 'Mb/s'],
    ['Data rate, MB/s', 'MB/s'],
    ['MBps', 'MB/s'],
    ['GB/min', 'GB/min'],
    ['MB/min', 'MB/min'],
    ['GB per hour', null],
    ['GB/h', 'GB/h'],
    ['Gbit/s', 'Gb/s'],
    ['MBPS', null],
    ['Bitrate', null],
    ['megabytes', null],
  ] as const)('the unit of %s is %s', (text, unit) => {
    expect(unitIn(text)).toBe(unit);
  });

  it('rates: their own unit before the column’s, and nothing on a guess', () => {
    expect(readRateMbps('62.5', 'MB/s', 'point')).toBe(500);
    expect(readRateMbps('500 Mb/s', 'MB/s', 'point')).toBe(500);
    expect(readRateMbps('3.75', 'GB/min', 'point')).toBe(500);
    expect(readRateMbps('225', 'GB/h', 'point')).toBe(500);
    expect(readRateMbps('3750', 'MB/min', 'point')).toBe(500);
    expect(readRateMbps('up to 500 max.', 'Mb/s', 'point')).toBe(500);
    for (const text of ['100 m', '100 MBPS', '-3', '', 'NaN', '0', 'soon'])
      expect(readRateMbps(text, 'Mb/s', 'point'), text).toBeNull();
    expect(readRateMbps('500', null, 'point')).toBeNull();
  });

  it.each([
    ['120/25', { fps: 25, captureFps: 120 }],
    ['25p → 100p', { fps: 25, captureFps: 100 }],
    ['100p -> 25p', { fps: 25, captureFps: 100 }],
    ['59.94', { fps: 59.94, captureFps: null }],
    ['119.88 / 23.976', { fps: 23.976, captureFps: 119.88 }],
    ['50p', { fps: 50, captureFps: null }],
    ['25/25', { fps: 25, captureFps: null }],
    ['soon', null],
    ['24/25/30', null],
    ['4096x2160', null],
    ['50 fps', { fps: 50, captureFps: null }],
    ['0', null],
    ['99999', null],
  ])('speeds: %s', (text, speeds) => {
    expect(readSpeeds(text, 'point')).toEqual(speeds);
  });

  it.each([
    ['3840x2160', { width: 3840, height: 2160 }],
    ['3840 x 2160', { width: 3840, height: 2160 }],
    ['4096 × 2160 (DCI)', { width: 4096, height: 2160 }],
    ['4K 16:9', { width: 3840, height: 2160 }],
    ['4K 17:9', { width: 4096, height: 2160 }],
    ['8K UHD', { width: 7680, height: 4320 }],
    ['FHD', { width: 1920, height: 1080 }],
    ['4K', null],
  ])('pictures: %s', (text, picture) => {
    expect(readPicture(text)).toEqual(picture);
  });
});

describe('a pasted table', () => {
  it.each([
    ['MB/s', 'Mode\tfps\tMB/s\nA\t50\t62.5', 500],
    ['GB/min', 'Mode\tfps\tGB/min\nA\t50\t3.75', 500],
    ['MB/min', 'Mode\tfps\tData MB/min\nA\t50\t3750', 500],
    ['GB/h', 'Mode\tfps\tGB/h\nA\t50\t225', 500],
    ['Mb/s', 'Mode\tfps\tMb/s\nA\t50\t500', 500],
  ])('the unit of the heading counts: %s', (_, text, Mbps) => {
    expect(rates(text)).toEqual([Mbps]);
    expect(questions(text)).toEqual({ unit: null, decimal: null, at: false });
  });

  it('a heading without a unit is asked about, once', () => {
    const text = 'Mode\tfps\tBitrate\nA\t50\t500\nB\t25\t240';
    expect(questions(text).unit).toBe('500');
    expect(rates(text)).toEqual(['asked', 'asked']);
    expect(rates(text, { unit: 'MB/s' })).toEqual([4000, 1920]);
    expect(questions(text, { unit: 'MB/s' }).unit).toBeNull();
  });

  it('1,200 is read by what the whole column shows, and asked where it stays open', () => {
    const head = 'Mode\tfps\tMb/s\n';
    expect(rates(`${head}A\t50\t1,200\nB\t25\t800.5`)).toEqual([1200, 800.5]);
    expect(rates(`${head}A\t50\t1,200\nB\t25\t12,5`)).toEqual([1.2, 12.5]);
    expect(rates(`${head}A\t50\t1.200\nB\t25\t2.400.000`)).toEqual([1200, 2_400_000]);
    const open = `${head}A\t50\t1,200\nB\t25\t800`;
    expect(questions(open).decimal).toBe('1,200');
    expect(rates(open)).toEqual(['asked', 800]);
    expect(rates(open, { decimal: 'point' })).toEqual([1200, 800]);
    expect(rates(open, { decimal: 'comma' })).toEqual([1.2, 800]);
  });

  it('without a heading loses no row', () => {
    for (const text of [
      '4K intra\t3840x2160\t50p\t500 Mb/s\n4K long\t3840x2160\t25p\t100 Mb/s',
      '4K intra;3840 x 2160;59.94;62,5 MB/s\n4K long;3840 x 2160;25;12,5 MB/s',
      'HD,1920x1080,25,50 Mb/s',
    ]) {
      const rows = rowsOf(text);
      expect(rows, text).toHaveLength(text.split('\n').length);
      expect(
        rows.every(({ ok }) => ok),
        text,
      ).toBe(true);
    }
    expect(tableOf('Mode\tSize\tRate\nA\t3840x2160\t5').rows).toHaveLength(1);
  });

  it('guesses columns without a heading by what stands in them', () => {
    expect(guessColumns(tableOf('4K\t3840x2160\t50p\t500 Mb/s\nHD\t1920x1080\t25p\t50 Mb/s'))).toEqual([
      'name',
      'size',
      'fps',
      'rate',
    ]);
    expect(guessColumns(tableOf('500 Mb/s\t50p → 25p\tA\n600 Mb/s\t25p\tB'))).toEqual(['rate', 'fps', 'name']);
  });

  it('slow motion: of which speed the rates are is asked once for the table', () => {
    const text = 'Mode\tfps\tMb/s\nA\t100/25\t240\nB\t25p → 120p\t280\nC\t25\t100';
    expect(questions(text).at).toBe(true);
    expect(rates(text)).toEqual(['asked', 'asked', 100]);
    const captured = rowsOf(text, { at: 'captured' });
    expect(captured.map((row) => row.ok && row.mode.rate)).toMatchObject([
      { Mbps: 240, at: 'captured' },
      { at: 'captured' },
      { Mbps: 100 },
    ]);
    const written = (chosen: Chosen) =>
      rowsOf(text, chosen).map((row) => {
        const rate = row.ok ? streamRate({ ...row.mode, overhead: { fixedMbps: 0, perFrameKB: 0 } }) : null;
        return rate?.ok ? rate.value.peak / 125_000 : null;
      });
    expect(written({ at: 'captured' })).toEqual([240, 280, 100]);
    expect(written({ at: 'recorded' })).toEqual([960, 1344, 100]);
    expect(questions('Mode\tfps\tMb/s\nA\t25\t240').at).toBe(false);
    expect(questions('Mode\tfps\tCaptured\tMb/s\nA\t25\t100\t240').at).toBe(true);
  });

  it('columns can be assigned by hand', () => {
    const text = 'Mode\tx\ty\nA\t50\t500';
    const columns = ['name', 'fps', 'rate'] as const;
    expect(rates(text, { columns, unit: 'Mb/s' })).toEqual([500]);
    expect(rates(text, { columns: ['name', 'rate', 'fps'], unit: 'Mb/s' })).toEqual([50]);
  });

  it('reads the picture from a name, and an average mark beside a number', () => {
    expect(rowsOf('Mode\tfps\tMb/s\n4K 16:9 intra\t50\tmax 500')).toMatchObject([
      { ok: true, mode: { width: 3840, height: 2160, codec: 'intra', rate: { Mbps: 500 } } },
    ]);
  });

  it('keeps every row of a table in its order, by papaparse’s own reading of the columns', () => {
    const number = fc.integer({ min: 1, max: 4000 });
    const row = fc.tuple(fc.stringMatching(/^[A-Z][a-z]{2,6}$/), fc.constantFrom(24, 25, 50, 59.94), number);
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 12 }), fc.constantFrom('\t', ';'), (rows, delimiter) => {
        const text = Papa.unparse([['Mode', 'fps', 'Mb/s'], ...rows], { delimiter });
        const read = rowsOf(text);
        const outside = Papa.parse<string[]>(text, { delimiter }).data.slice(1);
        expect(read.map((one) => one.ok && one.mode.name)).toEqual(outside.map(([name]) => name));
        expect(read.map((one) => one.ok && one.mode.rate.kind === 'stated' && one.mode.rate.Mbps)).toEqual(
          outside.map(([, , rate]) => Number(rate)),
        );
      }),
      { seed: 77, numRuns: 150 },
    );
  });
});

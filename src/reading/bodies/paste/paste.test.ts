import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { streamRate } from '../../../core/bodies/rate/streamRate.ts';
import type { Mode } from '../../../core/kit/model.ts';
import {
  type Chosen,
  cellKey,
  countersOf,
  edited,
  ignoredColumns,
  questionsOf,
  type RowRead,
  readingOf,
  readRows,
} from '../pasteModes.ts';
import { readAsks } from './asks.ts';
import { readPicture, readRateMbps, readSpeeds, unitIn } from './cells.ts';
import { guessColumns } from './columns.ts';
import { isRefusal, readTable } from './cut.ts';
import { rateByMinutes, readMinutes } from './minutes.ts';
import { decimalOf, numberIn, readNumber } from './numbers.ts';

function tableOf(text: string) {
  const table = readTable(text);
  if (isRefusal(table)) throw new Error(table.code);
  return table;
}

function placed(text: string, chosen: Chosen = {}) {
  const table = edited(tableOf(text), chosen);
  const reading = readingOf(table, chosen);
  const rows = readRows(table, reading, chosen);
  return { rows, questions: questionsOf(rows, table, reading), columns: reading.columns };
}

/** Every row that is read, as its mode or modes, or as what stops it. */
type Outcome = { readonly ok: true; readonly mode: Mode } | Extract<RowRead, { ok: false }>;
const rowsOf = (text: string, chosen: Chosen = {}): readonly Outcome[] =>
  placed(text, chosen).rows.flatMap(({ read }): readonly Outcome[] => {
    if (read === null) return [];
    return read.ok ? read.modes.map((mode) => ({ ok: true, mode })) : [read];
  });

const rates = (text: string, chosen: Chosen = {}) =>
  rowsOf(text, chosen).map((row) =>
    row.ok && row.mode.rate.kind === 'stated' ? row.mode.rate.Mbps : row.ok || row.problem,
  );

const questions = (text: string, chosen: Chosen = {}) => placed(text, chosen).questions;

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
    ['GB per hour', 'GB/h'],
    ['Débit (Mo/s)', 'MB/s'],
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
    expect(readRateMbps('100 M', 'MB/s', 'point'), 'mega of the column’s').toBe(800);
    expect(readRateMbps('100 m', 'GB/h', 'point')).toBeNull();
    expect(readRateMbps('100 m', null, 'point')).toBeNull();
    for (const text of ['100 MBPS', '-3', '', 'NaN', '0', 'soon'])
      expect(readRateMbps(text, 'Mb/s', 'point'), text).toBeNull();
    expect(readRateMbps('500', null, 'point')).toBeNull();
  });

  it.each([
    ['120/25', { kind: 'either', all: [120, 25] }],
    ['25p → 100p', { kind: 'slow', fps: 25, captureFps: 100 }],
    ['100p -> 25p', { kind: 'slow', fps: 25, captureFps: 100 }],
    ['59.94', { kind: 'one', fps: 59.94 }],
    ['59.94p/50p', { kind: 'each', all: [59.94, 50] }],
    ['59.94p / 50p / 29.97p', { kind: 'each', all: [59.94, 50, 29.97] }],
    ['24/25/30', { kind: 'each', all: [24, 25, 30] }],
    ['119.88 / 23.976', { kind: 'either', all: [119.88, 23.976] }],
    ['50p', { kind: 'one', fps: 50 }],
    ['25/25', { kind: 'one', fps: 25 }],
    ['soon', null],
    ['4096x2160', null],
    ['50 fps', { kind: 'one', fps: 50 }],
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
    expect(questions(text)).toEqual({
      unit: null,
      decimal: null,
      two: null,
      at: false,
      wide: null,
      size: null,
      lock: null,
    });
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
    expect(questions(text)).toMatchObject({ two: '100/25', at: true });
    expect(rates(text)).toEqual(['asked', 'asked', 100]);
    expect(rates(text, { two: 'each', at: 'captured' })).toEqual([240, 240, 280, 100]);
    const captured = rowsOf(text, { at: 'captured', two: 'slow' });
    expect(captured.map((row) => row.ok && row.mode.rate)).toMatchObject([
      { Mbps: 240, at: 'captured' },
      { at: 'captured' },
      { Mbps: 100 },
    ]);
    const written = (chosen: Chosen) =>
      rowsOf(text, { two: 'slow', ...chosen }).map((row) => {
        const rate = row.ok ? streamRate({ ...row.mode, overhead: { fixedMbps: 0, perFrameKB: 0 } }, null) : null;
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

  describe('as it comes out of a document', () => {
    it('aligned with blanks, a size written once for two rows', () => {
      const text = [
        'Mode          Size         Frame rate   Bit rate',
        '4K intra      3840x2160    50p          500 Mb/s',
        '4K long                    25p          100 Mb/s',
        'HD slow       1920x1080    100p→25p     240 Mb/s',
      ].join('\n');
      const { rows } = placed(text, { at: 'captured' });
      expect(rows[1]?.cells[1]).toEqual({ text: '3840x2160', above: true });
      expect(rowsOf(text, { at: 'captured' })).toMatchObject([
        { mode: { name: '4K intra', fps: 50, width: 3840, rate: { Mbps: 500 } } },
        { mode: { name: '4K long', fps: 25, width: 3840, rate: { Mbps: 100 } } },
        { mode: { name: 'HD slow', fps: 25, captureFps: 100, width: 1920 } },
      ]);
    });

    it('ragged lines: titles, several speeds, a footnote', () => {
      const text = [
        'Recording modes',
        'Standard profile',
        '4K 16:9 3840x2160 59.94p/50p 10-bit 4:2:2 Long GOP 200 Mbps',
        'C4K 4096×2160 23.976p IPB 8-bit 150 Mbps',
        'FHD 1920 x 1080 119.88p 4:2:0 ALL-I up to 222 Mbps',
        '* Needs a V60 card.',
      ].join('\n');
      expect(placed(text).rows.map(({ as }) => as)).toEqual(['out', 'heads', 'mode', 'mode', 'mode', 'out']);
      expect(rowsOf(text)).toMatchObject([
        { mode: { name: 'Standard profile 4K 16:9 10-bit 4:2:2 Long GOP', fps: 59.94, codec: 'long-gop' } },
        { mode: { fps: 50, rate: { Mbps: 200 } } },
        { mode: { name: 'Standard profile C4K 8-bit IPB', width: 4096, fps: 23.976, rate: { Mbps: 150 } } },
        { mode: { width: 1920, fps: 119.88, codec: 'intra', rate: { Mbps: 222 } } },
      ]);
    });

    it('ragged lines with bare rates ask for their unit', () => {
      const text = 'UHD 50p intra 500\nUHD 25p intra 250';
      expect(questions(text).unit).toBe('500');
      expect(rates(text, { unit: 'Mb/s' })).toEqual([500, 250]);
    });

    it('a size that stands over some rows is theirs, and a bare M asks for its unit', () => {
      const text = '3840 x 2160\n60p 200M\n50p 200M\n1920 x 1080\n60p 50M';
      expect(questions(text).unit).toBe('200M');
      expect(placed(text).rows.map(({ as }) => as)).toEqual(['heads', 'mode', 'mode', 'heads', 'mode']);
      expect(rowsOf(text, { unit: 'Mb/s' })).toMatchObject([
        { mode: { width: 3840, fps: 60, rate: { Mbps: 200 } } },
        { mode: { width: 3840, fps: 50 } },
        { mode: { width: 1920, fps: 60, rate: { Mbps: 50 } } },
      ]);
    });

    it('a second heading line of units, and lines that go on in the next', () => {
      const text =
        'Size\tFrame\tCompression\tBit rate\n(px)\t(fps)\t\t(Mbps)\n3840 x 2160\t59.94\tLong\t600\n\t\tGOP\t\n\t29.97\tAll-Intra\t300';
      expect(placed(text).rows.map(({ as }) => as)).toEqual(['mode', 'joins', 'mode']);
      expect(rowsOf(text)).toMatchObject([
        { mode: { name: '3840 x 2160 Long GOP', fps: 59.94, codec: 'long-gop', rate: { Mbps: 600 } } },
        { mode: { name: '3840 x 2160 All-Intra', fps: 29.97, codec: 'intra', width: 3840, rate: { Mbps: 300 } } },
      ]);
    });

    it('a table drawn with bars', () => {
      expect(rates('| Name | fps | Mb/s |\n|---|---|---|\n| A | 25 | 100 |\n| B | 50 | 200 |')).toEqual([100, 200]);
    });

    it('a bare 4K is asked for its size', () => {
      const text = '4K\t25p\t100 Mb/s\nUHD\t25p\t90 Mb/s';
      expect(questions(text).wide).toBe('4K');
      expect(rates(text)).toEqual(['asked', 90]);
      expect(rowsOf(text, { wide: '17:9' })).toMatchObject([{ mode: { width: 4096 } }, { mode: { width: 3840 } }]);
      expect(rowsOf(text, { wide: 'none' })).toMatchObject([{ mode: { width: null } }, { mode: { width: 3840 } }]);
    });

    it('a cell can be mended, and a row taken for something else', () => {
      const text = 'Mode\tSize\tfps\tMb/s\nA\tbig\t25\t100\nB\t3840x2160\tsoon\t50\nEnd';
      expect(rates(text)).toEqual(['size', 'fps']);
      expect(rates(text, { edits: { [cellKey(0, 1)]: '', [cellKey(1, 2)]: '50' } })).toEqual([100, 50]);
      expect(placed(text).rows.map(({ as }) => as)).toEqual(['mode', 'mode', 'heads']);
      expect(placed(text, { as: { 0: 'out', 2: 'joins' } }).rows.map(({ as }) => as)).toEqual(['out', 'mode', 'joins']);
      expect(rowsOf(text, { as: { 0: 'out', 2: 'joins' }, edits: { [cellKey(1, 2)]: '50' } })).toMatchObject([
        { mode: { name: 'B End' } },
      ]);
    });

    it('two modes of one made name and speed are told apart by their rate', () => {
      const names = rowsOf('UHD\t25p\t100 Mb/s\nUHD\t25p\t50 Mb/s').map((row) => row.ok && row.mode.name);
      expect(names).toEqual(['UHD', 'UHD 50 Mb/s']);
    });
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

describe('a column of marks', () => {
  const marked = (heading: string, ...cells: string[]) =>
    `Mode\tfps\tMb/s\t${heading}\n${cells.map((cell, at) => `M${at}\t25\t${100 + at}\t${cell}`).join('\n')}`;
  const requires = (text: string, chosen: Chosen = {}) =>
    rowsOf(text, chosen).map((row) => (row.ok ? row.mode.requires : row.problem));

  it.each(['Card', 'Media', 'Required', 'Type', 'x', 'Recording media', 'Speed class'])(
    'is what it asks for, and never ignored: %s',
    (heading) => {
      const text = marked(heading, 'V60', 'V30', 'V90');
      expect(placed(text).columns[3]).toBe('asks');
    },
  );

  it('is none where nothing in it is understood: a class of a codec, a number of a slot', () => {
    expect(placed(marked('Class', '100', '50')).columns[3]).toBe('skip');
    expect(placed(marked('Class', '100', '50')).rows.every(({ read }) => read?.ok)).toBe(true);
  });

  it('asks once what happens without the mark; a heading that says so is not asked about', () => {
    const text = marked('Card', 'V60', '—', 'V90');
    expect(questions(text).lock).toBe('V60');
    expect(requires(text)).toEqual(['asked', [], 'asked']);
    expect(requires(text, { lock: 'warns' })).toEqual([
      [{ anyOf: ['V60'], whenMissing: 'warns' }],
      [],
      [{ anyOf: ['V90'], whenMissing: 'warns' }],
    ]);
    expect(questions(marked('Required card', 'V60')).lock).toBeNull();
    expect(requires(marked('Required card', 'V60'))).toEqual([[{ anyOf: ['V60'], whenMissing: 'refuses' }]]);
    expect(requires(marked('Recommended', 'V60'))).toEqual([[{ anyOf: ['V60'], whenMissing: 'advises' }]]);
  });

  it.each([
    ['V60', [['V60']]],
    ['U3 or higher', [['U3']]],
    ['V30 / U3', [['V30', 'U3']]],
    ['V60 or VPG400', [['V60', 'VPG400']]],
    ['UHS-II V60', [['II'], ['V60']]],
    ['SDXC U3', [['SDXC'], ['U3']]],
    ['CFexpress Type B', []],
    ['CFexpress B VPG400+', [['VPG400']]],
    ['any', []],
    ['–', []],
    ['', []],
    ['fast one', null],
    ['V61', null],
  ] as const)('%s', (text, expected) => {
    expect(readAsks(text, 'refuses')?.map(({ anyOf }) => anyOf) ?? null).toEqual(expected);
  });

  it('what is left out is told with what stands in it', () => {
    const table = tableOf('Mode\tfps\tMb/s\tColour\nA\t25\t100\t4:2:0\nB\t25\t200\t4:2:2');
    const { columns } = readingOf(table, {});
    expect(ignoredColumns(table, columns)).toEqual([{ title: 'Colour', cells: ['4:2:0', '4:2:2'] }]);
  });
});

describe('rates as manuals write them', () => {
  const made = (text: string) =>
    rowsOf(text).map((row) =>
      row.ok && row.mode.rate.kind === 'stated' ? `${row.mode.fps} ${row.mode.rate.Mbps}` : row.ok || row.problem,
    );

  it('two rates beside two speeds are first to first; beside one speed, or as a range, they are asked for', () => {
    const head = 'Mode\tFrame rate\tBit rate\n';
    expect(made(`${head}4K intra\t59.94p / 50p\t200/100 Mbps`)).toEqual(['59.94 200', '50 100']);
    // The slower first: the faster one writes more, and is not given the first.
    expect(made(`${head}4K intra\t25p / 29.97p\t100 / 120 Mbps`)).toEqual(['25 100', '29.97 120']);
    expect(made(`${head}4K intra\t50p\t100/200 Mbps`)).toEqual(['rate']);
    expect(made(`${head}4K intra\t50p\t100–200 Mbps`)).toEqual(['rate']);
    expect(made(`${head}4K intra\t50p\t100 Mbps (200)`)).toEqual(['rate']);
  });

  it('marks of footnotes are no figures', () => {
    expect(
      made('Mode\tFrame rate\tBit rate (Mbps)\n4K intra\t50p*2\t500*3\n4K long\t25p†\t150 (2)\nHD\t25p²\t50 ※1'),
    ).toEqual(['50 500', '25 150', '25 50']);
  });

  it('title lines over the headings are no rows, and sizes may have their thousands set apart', () => {
    const table =
      'Movie recording settings\nBit rates (approx.)\nImage size\tFrame rate\tCompression\tBit rate\n' +
      '8K (7,680 × 4,320)\t25p\tALL-I\t1300 Mbps\nFull HD (1,920 × 1,080)\t59.94p\tIPB\t60 Mbps';
    expect(made(table)).toEqual(['25 1300', '59.94 60']);
    expect(readPicture('8K (7,680 × 4,320)')).toEqual({ width: 7680, height: 4320 });
    expect(readPicture('7 680 x 4 320')).toEqual({ width: 7680, height: 4320 });
    expect(readPicture('1920×1080')).toEqual({ width: 1920, height: 1080 });
  });

  it('a title that names a mark, or heads a group as those below do, is not lost', () => {
    const only = tableOf('Settings\nV90 cards only\nMode\tfps\tRate\nA\t25\t600 Mb/s');
    expect(only.head).toEqual(['Mode', 'fps', 'Rate']);
    expect(only.rows.map(([first]) => first)).toEqual(['V90 cards only', 'A']);
    const grouped = tableOf('4K modes\nSize\tfps\tRate\n3840x2160\t25\t100 Mbps\nHD modes\t\t\n1920x1080\t25\t50 Mbps');
    expect(grouped.rows.map(([first]) => first)).toEqual(['4K modes', '3840x2160', 'HD modes', '1920x1080']);
  });

  it('what is captured in brackets behind what is recorded; of two alike it may be a mode each', () => {
    expect(readSpeeds('25p (120 fps)', 'point')).toEqual({ kind: 'slow', fps: 25, captureFps: 120 });
    expect(readSpeeds('25p (100p)', 'point')).toEqual({ kind: 'either', all: [25, 100] });
    expect(readSpeeds('29.97p (25p)', 'point')).toEqual({ kind: 'each', all: [29.97, 25] });
    expect(readSpeeds('25p (0 fps)', 'point')).toBeNull();
  });

  it('a speed in the name, where the table has no column for it', () => {
    expect(made('Mode\tRate\n4K 60p ALL-I*1\t600 Mb/s\nUHD 29.97p\t120 Mb/s')).toEqual(['60 600', '29.97 120']);
    expect(made('Mode\tRate\n4K 60p or 30p\t600 Mb/s'), 'two of them are none').toEqual(['fps']);
    expect(made('Mode\tRate\nHD 720p\t60 Mb/s'), '720p is a size').toEqual(['fps']);
  });

  it.each([
    ['Use UHS speed class 3 or higher', ['U3']],
    ['Video speed class 90 is required', ['V90']],
    ['Speed class 10 or faster', ['C10']],
  ])('classes as they are written out: %s', (text, marks) => {
    expect(readAsks(text, 'warns')).toEqual([{ anyOf: marks, whenMissing: 'warns' }]);
  });

  it('a number in brackets is no footnote where it may be a figure', () => {
    expect(made('Mode\tFrame rate\tBit rate\nSlow\t100p (25)\t200 Mbps')).toEqual(['fps']);
  });

  it.each([
    ['記録方式\tフレームレート\tビットレート\n4K ALL-I\t50p\t約200Mbps', '50 200'],
    ['Modus\tBildrate\tDatenrate\n4K Intra\t50p\tca. 500 Mbit/s', '50 500'],
    ['Mode\tCadence\tDébit\n4K Intra\t50p\t500 Mbit/s', '50 500'],
  ])('headings of other languages: %s', (text, expected) => {
    expect(made(text)).toEqual([expected]);
  });
});

describe('a table of minutes', () => {
  it.each([
    ['1:15', 75, false],
    ['0:57', 57, false],
    ['1 h 15 min', 75, false],
    ['1h15', 75, false],
    ['2 hours', 120, false],
    ['75', 75, false],
    ['75 min', 75, false],
    ['about 75', 75, false],
    ['9:59 or more', 599, true],
    ['> 600', 600, true],
    ['600+', 600, true],
    ['1h05', 65, false],
    ['2h', 120, false],
    ['[ 142 ]', 142, false],
    ['[999+]', 999, true],
  ] as const)('%s', (text, minutes, atLeast) => {
    expect(readMinutes(text)).toEqual({ minutes, atLeast });
  });

  // A display that shows both says the rate itself; the minutes stand beside it as the counter's.
  it.each([
    'Mode\tfps\tMinutes (256 GB)\nA\t25\t142 min 200 Mbps\nB\t50\t400 Mb/s (71 min)',
    'Mode\tfps\tMinutes (256 GB)\nA\t25\t2h22 / 200 Mbps\nB\t50\t[71] 400Mbps',
  ])('with a bit rate beside the minutes has both: %#', (text) => {
    expect(placed(text).rows.flatMap(({ read }) => read ?? [])).toMatchObject([
      { ok: true, modes: [{ rate: { kind: 'stated', Mbps: 200 } }], shown: [{ minutes: 142, capacityGB: 256 }] },
      { ok: true, modes: [{ rate: { kind: 'stated', Mbps: 400 } }], shown: [{ minutes: 71, capacityGB: 256 }] },
    ]);
  });

  it.each(['100M / 200 Mbps', '200 / 100 Mbps', '200 Mbps (2)', '200 Mbps, max 400 Mbps'])(
    'a rate alone: %s',
    (cell) => {
      const { rows } = placed(`Mode\tBit rate\tfps\nA\t${cell}\t25`);
      expect(rows.flatMap(({ read }) => (read?.ok ? read.shown : []))).toEqual([]);
    },
  );

  it.each(['', '0', '—', '1:75', 'soon', '1.5 h', '-3'])('%s is none', (text) => {
    expect(readMinutes(text)).toBeNull();
  });

  // 57 minutes on 256 GB, 80 to 100 % of it: worked by hand, 256 × 8000 × 0.8 ÷ (58 × 60) = 470.8 and 256 × 8000 ÷ (57 × 60) = 598.8.
  it('gives each mode what its counter leaves open; several sizes narrow it, and those that exclude each other are told', () => {
    const text = 'Mode\tfps\tMinutes (256 GB)\nA\t25\t57\nB\t50\t0:28';
    const rows = rowsOf(text);
    expect(rows.map((row) => row.ok && row.mode.rate)).toEqual([
      { kind: 'counter', lowMbps: 470.8, highMbps: 598.84 },
      { kind: 'counter', lowMbps: 941.6, highMbps: 1219.05 },
    ]);
    // 56 to 57 minutes where they were rounded up.
    expect(rowsOf(text, { rounds: 'up' })).toMatchObject([
      { mode: { rate: { lowMbps: 479.06, highMbps: 609.53 } } },
      {},
    ]);
    expect(rowsOf(text, { rounds: 'nearest' })).toMatchObject([{ mode: { rate: { highMbps: 604.13 } } }, {}]);
    const [one, two] = [[57], [57, 115]].map((minutes) =>
      rateByMinutes(
        minutes.map((value, at) => ({ minutes: value, capacityGB: 256 * 2 ** at, column: at, atLeast: false })),
      ),
    );
    if (!one || one === 'odd' || !two || two === 'odd') throw new Error('no rate');
    expect(two.high - two.low).toBeLessThan(one.high - one.low);
    expect(rowsOf('Mode\tfps\t64 GB\t128 GB\nA\t25\t30\t90')).toMatchObject([{ problem: 'odd' }]);
  });

  it('asks for the size where no heading names it, and for nothing else', () => {
    const text = 'Mode\tfps\tMinutes\nA\t25\t57';
    expect(questions(text)).toEqual({
      unit: null,
      decimal: null,
      two: null,
      at: false,
      wide: null,
      size: '57',
      lock: null,
    });
    expect(rowsOf(text)).toMatchObject([{ problem: 'asked' }]);
    expect(rowsOf(text, { sizeGB: 256 })).toMatchObject([{ ok: true, mode: { rate: { lowMbps: 470.8 } } }]);
  });

  it('a cap is never a rate, and no reading either', () => {
    const text = [
      'Mode\tSize\tfps\t64 GB\t512 GB',
      'HD\t1920x1080\t25\t999\t999',
      'UHD\t3840x2160\t25\t170\t999',
      'UHD fast\t3840x2160\t100\t42\t340',
    ].join('\n');
    const { rows } = placed(text);
    expect(rows.map(({ read }) => (read?.ok ? read.modes[0]?.rate : read?.problem))).toMatchObject([
      'cap',
      { kind: 'counter' },
      { kind: 'counter' },
    ]);
    const ids = rows.map(({ read }) => (read?.ok ? read.modes[0]?.id : ''));
    expect(countersOf(rows)).toEqual([
      { modeId: ids[1], capacityGB: 64, minutes: 170 },
      { modeId: ids[2], capacityGB: 64, minutes: 42 },
      { modeId: ids[2], capacityGB: 512, minutes: 340 },
    ]);
    expect(rowsOf('Mode\tfps\t64 GB\nA\t25\t600+')).toMatchObject([{ problem: 'cap' }]);
  });

  it('a bucket is no rate: three of unlike pictures whose rate follows the picture, or one that its other sizes exclude', () => {
    const intra = [
      'Mode\tSize\tfps\tCodec\t128 GB',
      'HD\t1920x1080\t25\tintra\t60',
      'UHD\t3840x2160\t25\tintra\t60',
      'UHD fast\t3840x2160\t50\tintra\t60',
      'DCI\t4096x2160\t25\tintra\t75',
    ].join('\n');
    expect(rowsOf(intra).map((row) => (row.ok ? 'read' : row.problem))).toEqual(['bucket', 'bucket', 'bucket', 'read']);
    // Long-GOP modes of unlike pictures may share their rate: the same table is three rates there.
    expect(rowsOf(intra.replaceAll('intra', 'long GOP')).every(({ ok }) => ok)).toBe(true);
    const { rows } = placed(
      ['Mode\tfps\t64 GB\t128 GB', 'A\t25\t30\t40', 'B\t25\t45\t40', 'C\t25\t20\t40', 'D\t25\t50\t101'].join('\n'),
    );
    const read = rows.map((row) => (row.read?.ok ? row.read : null));
    expect(read.map((one) => one?.aside.map(({ minutes }) => minutes))).toEqual([[40], [40], [40], []]);
    // By the 64 GB alone: 64 × 8000 × 0.8 ÷ (31 × 60) = 220.2, 64 × 8000 ÷ (30 × 60) = 284.4.
    expect(read[0]?.modes[0]?.rate).toEqual({ kind: 'counter', lowMbps: 220.21, highMbps: 284.45 });
    expect(countersOf(rows).map(({ minutes }) => minutes)).toEqual([30, 45, 20, 50, 101]);
  });

  it('modes that may well write alike share a long value without its being a cap', () => {
    const text = 'Mode\tSize\tfps\t64 GB\nA\t1920x1080\t24\t120\nB\t1920x1080\t25\t120';
    expect(rowsOf(text).every(({ ok }) => ok)).toBe(true);
  });

  it('of forty modes none is lost, none needs a press, and each covers its truth', () => {
    const truth = Array.from({ length: 40 }, (_, at) => 50 + 25 * at);
    const shown = (Mbps: number, GB: number) => Math.floor((0.985 * GB * 8000) / Mbps / 60);
    const lines = truth.map(
      (Mbps, at) =>
        `M${at}\t3840x2160\t25\t${shown(Mbps, 128)}\t${Math.floor(shown(Mbps, 512) / 60)}:${String(shown(Mbps, 512) % 60).padStart(2, '0')}`,
    );
    const text = `Mode\tSize\tfps\t128 GB\t512 GB\n${lines.join('\n')}`;
    const rates = rowsOf(text).map((row) => (row.ok ? row.mode.rate : null));
    expect(questions(text)).toEqual({
      unit: null,
      decimal: null,
      two: null,
      at: false,
      wide: null,
      size: null,
      lock: null,
    });
    truth.forEach((Mbps, at) => {
      const rate = rates[at];
      if (rate?.kind !== 'counter') throw new Error(`row ${at} is lost`);
      expect(rate.lowMbps).toBeLessThan(Mbps);
      expect(rate.highMbps).toBeGreaterThan(Mbps);
    });
  });
});

describe('tables of two ways', () => {
  const made = (text: string): readonly string[] =>
    rowsOf(text).map((row) =>
      row.ok
        ? `${row.mode.width}×${row.mode.height} ${row.mode.fps}p ${row.mode.rate.kind === 'stated' ? row.mode.rate.Mbps : ''}`
        : row.problem,
    );

  it.each([
    [
      'sizes down, speeds across, the unit above',
      'Bit rate (Mbps)\nSize\t24p\t59.94p\n3840x2160\t150\t200\n1920x1080\t50\t—',
      ['3840×2160 24p 150', '3840×2160 59.94p 200', '1920×1080 24p 50'],
    ],
    [
      'a corner that names both ways, bare speeds, units in the cells',
      'Resolution \\ fps\t25\t100\nUHD\t200 Mb/s\t800 Mb/s',
      ['3840×2160 25p 200', '3840×2160 100p 800'],
    ],
    [
      'speeds down, sizes across',
      'Frame rate\t2160p\t1080p\n25p\t25 MB/s\tn/a\n50p\t50 MB/s\t12.5 MB/s',
      ['3840×2160 25p 200', '3840×2160 50p 400', '1920×1080 50p 100'],
    ],
    [
      'a cell that is no rate is asked about in its place',
      'Mb/s\t25p\t50p\nUHD\tsee page 9\t200\nFHD\t50\t100',
      ['rate', '3840×2160 50p 200', '1920×1080 25p 50', '1920×1080 50p 100'],
    ],
    ['without any unit the column is asked about', 'Size\t25p\t50p\nUHD\t100\t200', ['asked', 'asked']],
  ])('%s', (_, text, expected) => {
    expect(made(text)).toEqual(expected);
  });

  it('two rates under two speeds are first to first, by whichever way the speeds stand', () => {
    const text = '\t59.94p/50p\t29.97p/25p\nUHD intra\t600/500 Mb/s\t300/250 Mb/s';
    const modes = rowsOf(text).flatMap((row) => (row.ok ? [row.mode] : []));
    expect(modes.map(({ fps, rate }) => [fps, rate.kind === 'stated' && rate.Mbps])).toEqual([
      [59.94, 600],
      [50, 500],
      [29.97, 300],
      [25, 250],
    ]);
  });

  it('rows of speeds captured and recorded are none', () => {
    const text = 'Mode\tRecorded\tCaptured\tMb/s\nA\t25p\t100p\t200\nB\t25p\t50p\t100';
    expect(questions(text)).toMatchObject({ at: true });
  });
});

describe('a ragged line with two rates', () => {
  it.each([
    ['UHD 25p 100Mbps 200Mbps', ['rate']],
    ['UHD 50p 150 Mbps max 200 Mbps', ['rate']],
    ['Size 25p 50p\nUHD 100Mbps 200Mbps', ['rate', 'fps']],
    // The same rate twice, and one for each speed.
    ['UHD 25p 600 Mbps (75 MB/s)', [600]],
    ['UHD 59.94p/50p 200 Mbps 100 Mbps', [200, 100]],
  ])('takes neither for the only one: %j', (text, expected) => {
    expect(rates(text)).toEqual(expected);
  });
});

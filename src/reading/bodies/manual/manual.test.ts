import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { degrees, PDFDocument, type PDFFont, type PDFPage, StandardFonts } from 'pdf-lib';
import { describe, expect, test, vi } from 'vitest';
import writeSheet from 'write-excel-file/node';
import { readTable } from '../paste/cut.ts';
import { readingOf, readRows } from '../pasteModes.ts';
import type { FoundTable, ManualProblem, ReadManual } from './manual.ts';
import { manualSteps } from './readManual.ts';

async function read(file: Blob): Promise<ReadManual | ManualProblem> {
  const steps = manualSteps(file);
  for (let next = await steps.next(); ; next = await steps.next())
    if (next.done) return next.value.ok ? next.value.value : next.value.error;
}

const tablesOf = async (file: Blob): Promise<readonly FoundTable[]> => {
  const answer = await read(file);
  if ('code' in answer) throw new Error(JSON.stringify(answer));
  return answer.tables;
};

/** The modes that the preview of pasted tables makes of a found table. */
function modesOf({ lines }: FoundTable) {
  const table = readTable(lines.map(({ cells }) => cells.join('\t')).join('\n'));
  if ('code' in table) throw new Error(table.code);
  return readRows(table, readingOf(table, {})).flatMap(({ read: row }) => (row?.ok ? row.modes : []));
}

const HEAD = ['Picture', 'Frame rate', 'Codec', 'Bit rate'];
const ROWS = [
  ['3840x2160', '59.94p', 'H.265 10 bit', '200 Mbps'],
  ['3840x2160', '50p', 'H.264 intra', '500 Mbps'],
  ['1920x1080', '25p', 'H.264', '50 Mbps'],
];

const SIZE = 10;
type Place = (row: number, column: number) => readonly [number, number];

/** A page with the table laid out cell by cell, text above it, and a number at its foot. */
async function pdfOf(
  draw: (page: PDFPage, font: PDFFont) => void,
  { pages = 1, size = [595, 842] }: { readonly pages?: number; readonly size?: [number, number] } = {},
): Promise<Blob> {
  const document = await PDFDocument.create();
  const font = await document.embedFont(StandardFonts.Helvetica);
  for (let at = 1; at < pages; at += 1)
    document.addPage(size).drawText('Keep the lens clean.', { x: 60, y: 700, size: SIZE, font });
  const page = document.addPage(size);
  page.drawText('Recording modes', { x: 60, y: 780, size: 16, font });
  draw(page, font);
  page.drawText('42', { x: 300, y: 30, size: 8, font });
  return new Blob([new Uint8Array(await document.save())]);
}

const cells =
  (rows: readonly (readonly string[])[], place: Place) =>
  (page: PDFPage, font: PDFFont): void =>
    rows.forEach((row, at) => {
      row.forEach((text, column) => {
        const [x, y] = place(at, column);
        if (text) page.drawText(text, { x, y, size: SIZE, font });
      });
    });

describe('documents made with pdf-lib', () => {
  test('a ruled table with a heading, on the third page', async () => {
    const file = await pdfOf(
      (page, font) => {
        cells([HEAD, ...ROWS], (row, column) => [60 + 120 * column, 740 - 18 * row])(page, font);
        for (let row = 0; row <= 4; row += 1)
          page.drawLine({ start: { x: 55, y: 752 - 18 * row }, end: { x: 540, y: 752 - 18 * row } });
      },
      { pages: 3 },
    );
    const [table, ...more] = await tablesOf(file);
    expect(more).toEqual([]);
    expect(table).toMatchObject({ page: 3, modes: 3 });
    expect(table?.lines[0]?.cells).toEqual(HEAD);
    const modes = modesOf(table as FoundTable);
    expect(modes.map(({ width, fps, codec, rate }) => [width, fps, codec, rate])).toMatchObject([
      [3840, 59.94, 'long-gop', { Mbps: 200 }],
      [3840, 50, 'intra', { Mbps: 500 }],
      [1920, 25, 'long-gop', { Mbps: 50 }],
    ]);
  });

  test('cells that stand for several rows, columns set from the right, a narrow page', async () => {
    const rows = [
      ['Size', 'Speed', 'Rate (Mbps)'],
      ['4096x2160', '23.98p', '180'],
      ['', '29.97p', '220'],
      ['', '59.94p', '400'],
      ['1920x1080', '119.88p', '280'],
    ];
    const file = await pdfOf(
      (page, font) =>
        rows.forEach((row, at) => {
          row.forEach((text, column) => {
            const right = [140, 240, 360][column] as number;
            page.drawText(text, { x: right - font.widthOfTextAtSize(text, SIZE), y: 500 - 16 * at, size: SIZE, font });
          });
        }),
      { size: [400, 560] },
    );
    const [table] = await tablesOf(file);
    const modes = modesOf(table as FoundTable);
    expect(modes.map(({ width, fps, rate }) => [width, fps, rate.kind === 'stated' && rate.Mbps])).toEqual([
      [4096, 23.98, 180],
      [4096, 29.97, 220],
      [4096, 59.94, 400],
      [1920, 119.88, 280],
    ]);
  });

  test('a table of size against frame rate, its unit above it: a mode for each cell that has a rate', async () => {
    const rows = [
      ['Size', '25p', '50p', '100p'],
      ['3840x2160', '150', '200', '—'],
      ['1920x1080', '50', '100', '200'],
    ];
    const file = await pdfOf((page, font) => {
      page.drawText('Bit rate (Mbps)', { x: 60, y: 718, size: SIZE, font });
      cells(rows, (row, column) => [60 + 110 * column, 700 - 18 * row])(page, font);
    });
    const [table, ...more] = await tablesOf(file);
    expect(more).toEqual([]);
    expect(table).toMatchObject({ modes: 5 });
    expect(
      modesOf(table as FoundTable).map(({ width, fps, rate }) => [width, fps, rate.kind === 'stated' && rate.Mbps]),
    ).toEqual([
      [3840, 25, 150],
      [3840, 50, 200],
      [1920, 25, 50],
      [1920, 50, 100],
      [1920, 100, 200],
    ]);
  });

  test('a table that lies on its side on a page that stands', async () => {
    for (const quarter of [1, 3]) {
      const file = await pdfOf((page, font) => {
        [HEAD, ...ROWS].forEach((row, at) => {
          row.forEach((text, column) => {
            const [along, down] = [80 + 140 * column, 100 + 18 * at];
            const [x, y] = quarter === 1 ? [down, along] : [500 - down, 760 - along];
            page.drawText(text, { x, y, size: SIZE, font, rotate: degrees(quarter * 90) });
          });
        });
      });
      const [table] = await tablesOf(file);
      expect(table?.lines[0]?.cells).toEqual(HEAD);
      expect(modesOf(table as FoundTable).map(({ fps, rate }) => [fps, rate.kind === 'stated' && rate.Mbps])).toEqual([
        [59.94, 200],
        [50, 500],
        [25, 50],
      ]);
    }
  });

  test('rows whose cells are broken over two lines, half above and half below the others', async () => {
    const file = await pdfOf((page, font) => {
      const row = (y: number, size: string, speed: string, codec: readonly string[], rate: string): void => {
        page.drawText(size, { x: 60, y, size: SIZE, font });
        page.drawText(speed, { x: 170, y, size: SIZE, font });
        const first = y + 6 * (codec.length - 1);
        codec.forEach((text, at) => {
          page.drawText(text, { x: 250, y: first - 12 * at, size: SIZE, font });
        });
        page.drawText(rate, { x: 400, y, size: SIZE, font });
      };
      row(700, '3840x2160', '50p', ['H.265 10 bit', 'long GOP'], '200 Mbps');
      row(664, '3840x2160', '25p', ['H.264', 'intra'], '250 Mbps');
      row(628, '1920x1080', '25p', ['H.264'], '50 Mbps');
    });
    const [table, ...more] = await tablesOf(file);
    expect(more).toEqual([]);
    expect(table?.lines.map((line) => line.cells[2])).toEqual(['H.265 10 bit long GOP', 'H.264 intra', 'H.264']);
    expect(
      modesOf(table as FoundTable).map(({ codec, fps, rate }) => [codec, fps, rate.kind === 'stated' && rate.Mbps]),
    ).toEqual([
      ['long-gop', 50, 200],
      ['intra', 25, 250],
      ['long-gop', 25, 50],
    ]);
  });

  test('what holds a rate and is no table is shown in its place, behind the tables', async () => {
    const file = await pdfOf((page, font) => {
      cells([HEAD, ...ROWS], (row, column) => [60 + 120 * column, 740 - 18 * row])(page, font);
      page.drawText('In slow motion it writes', { x: 60, y: 400, size: SIZE, font });
      page.drawText('up to 600 Mbps on the first slot.', { x: 60, y: 386, size: SIZE, font });
    });
    const [table, left, ...more] = await tablesOf(file);
    expect(table?.modes).toBe(3);
    expect(left).toMatchObject({ modes: 0, page: 1 });
    expect(left?.lines.map(({ cells: [text] }) => text)).toEqual([
      'In slow motion it writes',
      'up to 600 Mbps on the first slot.',
    ]);
    expect(more).toEqual([]);
  });

  test('lines of words in pieces, two tables on a page and a page that is turned', async () => {
    const document = await PDFDocument.create();
    const font = await document.embedFont(StandardFonts.TimesRoman);
    const page = document.addPage([842, 595]);
    const line = (y: number, words: readonly string[]): void => {
      let x = 60;
      for (const word of words) {
        page.drawText(word, { x, y, size: SIZE, font });
        x += font.widthOfTextAtSize(`${word} `, SIZE);
      }
    };
    line(500, ['UHD', '3840x2160', '25p', 'H.265', '150', 'Mbps']);
    line(486, ['UHD', '3840x2160', '50p', 'H.265', '200', 'Mbps']);
    for (let at = 0; at < 5; at += 1) line(440 - 14 * at, ['Use', 'cards', 'that', 'the', 'maker', 'names.']);
    line(300, ['FHD', '1920x1080', '25p', 'H.264', '28', 'Mbps']);
    const tables = await tablesOf(new Blob([new Uint8Array(await document.save())]));
    expect(tables.map(({ modes }) => modes)).toEqual([2, 1]);
    expect(tables.flatMap(modesOf).map(({ fps, rate }) => [fps, rate.kind === 'stated' && rate.Mbps])).toEqual([
      [25, 150],
      [50, 200],
      [25, 28],
    ]);
  });

  test('pages without text, with a password, and cut off are told apart', async () => {
    const blank = await PDFDocument.create();
    blank.addPage();
    expect(await read(new Blob([new Uint8Array(await blank.save())]))).toEqual({ code: 'scanned', pages: 1 });
    const whole = new Uint8Array(
      await (await pdfOf(cells(ROWS, (row, column) => [60 + 120 * column, 700 - 18 * row]))).arrayBuffer(),
    );
    expect(await read(new Blob([whole.slice(0, 200)]))).toMatchObject({ code: 'unreadable' });
    // A standard security handler whose user password is not the empty one.
    const locked = `%PDF-1.4
1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 9 9]>>endobj
4 0 obj<</Filter/Standard/V 1/R 2/P -4/O<${'41'.repeat(32)}>/U<${'42'.repeat(32)}>>>endobj
trailer<</Root 1 0 R/Encrypt 4 0 R/ID[<00><00>]/Size 5>>
%%EOF`;
    expect(await read(new Blob([locked]))).toEqual({ code: 'encrypted' });
  });
});

describe('other documents', () => {
  test('a web page with merged cells', async () => {
    const html = `<!doctype html><html><head><title>x</title><style>td{}</style></head><body><nav>Home</nav>
      <table><tr><th>Size</th><th>Frame rate</th><th>Rate</th></tr>
      <tr><td rowspan="2">3840 × 2160</td><td>50p</td><td>200&nbsp;Mbps</td></tr>
      <tr><td>25p</td><td>100 Mbps</td></tr></table><p>See page 3.</p></body></html>`;
    const [table] = await tablesOf(new Blob([html]));
    expect(
      modesOf(table as FoundTable).map(({ width, fps, rate }) => [width, fps, rate.kind === 'stated' && rate.Mbps]),
    ).toEqual([
      [3840, 50, 200],
      [3840, 25, 100],
    ]);
  });

  const sheet = (rows: readonly (readonly (string | number)[])[]) => rows.map((row) => row.map((value) => ({ value })));

  test('a spreadsheet of two sheets names the sheet', async () => {
    const bytes = await writeSheet([
      { sheet: 'Notes', data: sheet([['nothing here']]) },
      {
        sheet: 'Modes',
        data: sheet([
          ['Size', 'fps', 'Rate (Mb/s)'],
          ['3840x2160', '50p', 150],
          ['1920x1080', '50p', 45],
        ]),
      },
    ] as never).toBuffer();
    const [table] = await tablesOf(new Blob([new Uint8Array(bytes)]));
    expect(table).toMatchObject({ page: 'Modes', modes: 2 });
    expect(modesOf(table as FoundTable).map(({ fps }) => fps)).toEqual([50, 50]);
  });

  /** A sheet as any program packs it, with rows of one's own. */
  async function packed(rows: string, change: (parts: Record<string, Uint8Array>) => void = () => {}): Promise<Blob> {
    const bytes = await writeSheet([
      { sheet: 'Modes', data: sheet([['Size', 'fps', 'Rate (Mb/s)']]) },
    ] as never).toBuffer();
    const parts = unzipSync(new Uint8Array(bytes));
    const name = Object.keys(parts).find((one) => one.startsWith('xl/worksheets/sheet')) as string;
    const xml = strFromU8(parts[name] as Uint8Array);
    parts[name] = strToU8(xml.replace('</sheetData>', `${rows}</sheetData>`));
    change(parts);
    return new Blob([zipSync(parts, { level: 6 }) as Uint8Array<ArrayBuffer>]);
  }
  const cell = (at: string, text: string): string => `<c r="${at}" t="inlineStr"><is><t>${text}</t></is></c>`;
  const row = (at: number): string =>
    `<row r="${at}">${cell(`A${at}`, '3840x2160')}${cell(`B${at}`, '50p')}${cell(`C${at}`, `${100 + (at % 400)} Mb/s`)}</row>`;

  test.each([3500, 100_000])(
    'a sheet of %i plain rows is read to its end',
    async (rows) => {
      const file = await packed(Array.from({ length: rows }, (_, at) => row(at + 2)).join(''));
      const tables = await tablesOf(file);
      expect(tables.reduce((sum, { modes }) => sum + modes, 0)).toBe(rows);
    },
    120_000,
  );

  test('a part of half a megabyte starts no thread of its own, which the policy of the pages forbids', async () => {
    const made = vi.fn();
    vi.stubGlobal('Worker', made);
    const many = Array.from({ length: 9000 }, (_, at) => row(at + 2)).join('');
    expect(many.length).toBeGreaterThan(500_000);
    expect((await tablesOf(await packed(many))).length).toBeGreaterThan(0);
    expect(made).not.toHaveBeenCalled();
    vi.unstubAllGlobals();
  });

  test('a cell at the far end of a sheet, or a size that it only claims, takes no room', async () => {
    const far = `<row r="1048576">${cell('XFD1048576', 'x')}</row>`;
    expect(await read(await packed(far))).toMatchObject({ code: 'sheet-too-wide', cell: 'XFD1048576' });
    const claims = await packed(row(2), (parts) => {
      const name = Object.keys(parts).find((one) => one.startsWith('xl/worksheets/sheet')) as string;
      const xml = strFromU8(parts[name] as Uint8Array).replace(/<dimension[^>]*>/, '');
      parts[name] = strToU8(xml.replace('<sheetData>', '<dimension ref="A1:XFD1048576"/><sheetData>'));
    });
    expect(await tablesOf(claims)).toMatchObject([{ modes: 1 }]);
  });

  test('a hundred megabytes of zeros are refused, whether they are told or denied', async () => {
    const zeros = await packed('', (parts) => {
      parts['xl/worksheets/more.xml'] = new Uint8Array(100_000_000);
    });
    expect(zeros.size).toBeLessThan(1_000_000);
    expect(await read(zeros)).toMatchObject({ code: 'sheet-too-large' });
    // The same, with a size of 1,000 bytes claimed in both of its heads.
    const bytes = new Uint8Array(await zeros.arrayBuffer());
    const view = new DataView(bytes.buffer);
    for (let at = 0; at + 4 < bytes.length; at += 1) {
      const sign = view.getUint32(at, true);
      if (sign === 0x04034b50 && view.getUint32(at + 22, true) === 100_000_000) view.setUint32(at + 22, 1000, true);
      if (sign === 0x02014b50 && view.getUint32(at + 24, true) === 100_000_000) view.setUint32(at + 24, 1000, true);
    }
    const began = process.memoryUsage().arrayBuffers;
    expect(await read(new Blob([bytes]))).toHaveProperty('code');
    expect(process.memoryUsage().arrayBuffers - began).toBeLessThan(50_000_000);
  });

  test('what is none of them is refused with its reason', async () => {
    expect(await read(new Blob([]))).toEqual({ code: 'empty' });
    expect(await read(new Blob(['a letter to a friend']))).toEqual({ code: 'no-modes', lines: 1 });
    expect(await read(new Blob([Uint8Array.of(1, 0, 2, 0, 3)]))).toEqual({ code: 'unknown-format' });
    expect(await read(new Blob([Uint8Array.of(0xd0, 0xcf, 0x11, 0xe0)]))).toEqual({ code: 'old-sheet' });
    expect(await read(new Blob(['PK\u0003\u0004 no sheet']))).toMatchObject({ code: 'unreadable' });
  });
});

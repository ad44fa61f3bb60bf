import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { readLabel } from '../core/cards/readLabel.ts';
import { board } from '../core/match/board.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { aBody, aCard, aMode } from '../core/testing.ts';
import { createNamer } from '../kit/names.ts';
import { bodySchema } from '../kit/schemas/body.ts';
import { cardSchema } from '../kit/schemas/card.ts';
import { isRefusal, MAX_PASTED, readTable } from '../reading/bodies/paste/cut.ts';
import { readingOf, readRows } from '../reading/bodies/pasteModes.ts';
import { cardOfLabel, toggleMark } from '../reading/cards/labelCard.ts';
import { MAX_PASTED_CARDS, readCards } from '../reading/cards/pasteCards.ts';
import { storeMessage } from '../text/kit/storeMessage.ts';
import { withNames } from './cards/pastedNames.ts';
import { WHOLE_WALLET, walletCards } from './cards/wallet.ts';
import { boardCsv, cardsCsv, csvText, modesCsv } from './kit/csv.ts';
import { fieldErrors, withoutBlanks } from './kit/formValues.ts';

const modesOf = (text: string) => {
  const table = readTable(text);
  if (isRefusal(table)) throw new Error(table.code);
  return readRows(table, readingOf(table, {})).flatMap(({ read }) => (read ? [read] : []));
};

describe('modes from a pasted table', () => {
  it.each([
    ['tabs', 'Mode\tSize\tfps\tMb/s\n4K intra\t3840x2160\t50\t500'],
    ['semicolons and decimal commas', 'Mode;Size;fps;Mb/s\n4K intra;3840 × 2160;50,0;500,0'],
    ['a byte-order mark', '\ufeffMode,Size,fps,Mb/s\n4K intra,3840x2160,50,500'],
    ['quotes and line breaks inside cells', 'Mode,"Size\n(px)",fps,Mb/s\n"4K intra","3840x2160",50,"500"'],
    ['other words, other order', 'Bitrate,Frame rate,Resolution,Name\n500 Mbps,50p,3840*2160,4K intra'],
    ['a rate in bytes', 'Mode,Size,fps,Data rate\n4K intra,3840x2160,50,62.5 MB/s'],
  ])('reads %s', (_, text) => {
    expect(modesOf(text)).toMatchObject([
      {
        ok: true,
        modes: [{ name: '4K intra', width: 3840, height: 2160, fps: 50, codec: 'intra', rate: { Mbps: 500 } }],
      },
    ]);
  });

  it('reads 29,97 with its comma', () => {
    expect(modesOf('Mode;fps;Mb/s\nA;29,97;100')).toMatchObject([{ modes: [{ fps: 29.97 }] }]);
  });

  it('makes a name where none is given, and says what stops a row', () => {
    const rows = modesOf('Mode,fps,Mb/s\nA,25,100 m\nB,soon,100\n,25,100\nC,25,100\nD,25,-3\nE,25,NaN');
    expect(rows.map((row) => (row.ok ? row.modes[0]?.name : row.problem))).toEqual([
      'rate',
      'fps',
      'Mode',
      'C',
      'rate',
      'rate',
    ]);
  });

  it('refuses an empty paste and one past its limit, whole', () => {
    expect(readTable('  \n ')).toEqual({ code: 'empty' });
    const many = `Mode,fps,Mb/s\n${'A,25,100\n'.repeat(MAX_PASTED + 1)}`;
    expect(readTable(many)).toEqual({ code: 'too-many', rows: MAX_PASTED + 2, max: MAX_PASTED });
    expect(isRefusal(readTable('A\tB\n'.repeat(10_000)))).toBe(true);
  });
});

describe('cards from pasted lines', () => {
  it('read a card a line, whatever separates the words', () => {
    const read = readCards(
      '\ufeffC-01 256GB SDXC II U3 V90 300MB/s\r\n"A-01";"1TB";"CFexpress B";"VPG400"\n\nM-01\t64GB\tmicroSDXC\tI\tU1',
    );
    expect(read).toMatchObject({
      code: 'read',
      cards: [
        {
          ok: true,
          card: { label: 'C-01', form: 'sd', capacityGB: 256, marks: ['SDXC', 'II', 'U3', 'V90'], readMBps: 300 },
        },
        { ok: true, card: { label: 'A-01', form: 'cfexpress-b', capacityGB: 1000, marks: ['VPG400'] } },
        { ok: true, card: { label: 'M-01', form: 'microsd', marks: ['SDXC', 'I', 'U1'] } },
      ],
    });
  });

  it('without a label of one’s own, several of one print, and forms that no label is', () => {
    const read = readCards(
      '14 x 128GB SD V60 II\nXQD 120GB\nCFexpress Type B 512GB 1600MB/s read 1300MB/s write\nC-10 64GB SD U1',
    );
    const cards = read.code === 'read' ? read.cards.flatMap((one) => (one.ok ? [one.card] : [])) : [];
    expect(cards).toHaveLength(17);
    const named = withNames(cards, 'V', ['V-02']);
    expect(named.map(({ label }) => label).slice(0, 3)).toEqual(['V-01', 'V-03', 'V-04']);
    expect(new Set(named.map(({ label }) => label)).size).toBe(17);
    expect(new Set(named.map(({ id }) => id)).size).toBe(17);
    expect(named[13]).toMatchObject({ form: 'sd', capacityGB: 128, marks: ['V60', 'II'] });
    expect(named[14]).toMatchObject({ form: 'xqd', capacityGB: 120 });
    expect(named[15]).toMatchObject({ form: 'cfexpress-b', capacityGB: 512, readMBps: 1600, writeMBps: 1300 });
    expect(named[16]).toMatchObject({ label: 'C-10', form: 'sd', marks: ['U1'] });
  });

  it('tell what is not understood and add nothing in its place', () => {
    const read = readCards('C-01\nC-02 V90 II\nC-03 256GB\nC-04 256GB SD V91\nC-05 256GB SD V90 II');
    expect(read.code === 'read' && read.cards.map((one) => (one.ok ? one.card.label : one.problem))).toEqual([
      'no-label',
      'no-capacity',
      'no-form',
      'not-understood',
      'C-05',
    ]);
  });

  it('keep words that mean nothing as a note, and lose no card to them', () => {
    const read = readCards(
      'C-01 256GB Turbo Gold SDXC II V90\nTF-1 64G TF U3 A2 R100 W90\nB-1 1TB CFexpress 4.0 Type B red',
    );
    expect(read).toMatchObject({
      cards: [
        { ok: true, card: { label: 'C-01', marks: ['SDXC', 'II', 'V90'], note: 'Turbo Gold' } },
        { ok: true, card: { label: 'TF-1', form: 'microsd', capacityGB: 64, marks: ['U3', 'A2'], readMBps: 100 } },
        { ok: true, card: { label: 'B-1', form: 'cfexpress-b', marks: ['4.0'], note: 'red' } },
      ],
    });
  });

  it('refuse 10,000 lines whole', () => {
    expect(readCards('C-01 64GB SD U1\n'.repeat(10_000))).toEqual({
      code: 'too-many',
      lines: 10_000,
      max: MAX_PASTED_CARDS,
    });
  });
});

describe('CSV', () => {
  const parse = (text: string) =>
    Papa.parse<Record<string, string>>(text.replace('\ufeff', ''), { header: true, skipEmptyLines: true }).data;

  it('neutralises cells that a spreadsheet would run', () => {
    for (const evil of [
      ...['=1+1', '+cmd', '-2+3', '@SUM(A1)', '\t=1', '\r=1', '\n=1', ' =1', '＝1', '＠x'],
      ...['=1+1\nsecond line', '-cmd\r\n', '=HYPERLINK("x")\n\n=2', '@\u2028x', '='],
      ...['\u200b=1', '\u00ad+1', '\u2060\u200d@x', '\0=1', '\u202e=1', '\ufeff-1'],
    ]) {
      const [row] = parse(csvText(['a'], [[evil]]));
      expect(row?.a?.startsWith("'"), JSON.stringify(evil)).toBe(true);
    }
  });

  it('holds no control character but line ends and tabs', () => {
    const [row] = parse(csvText(['a', 'b'], [['one\0\rtwo\u001b', 'tab\tstays']]));
    expect(row).toEqual({ a: 'one\ntwo', b: 'tab\tstays' });
  });

  it('gives back the board that was written', () => {
    const body = aBody({ name: 'Dory, "old"', modes: [aMode({ name: '4K\nintra' })] });
    const [row, ...rest] = parse(
      boardCsv(
        board({ bodies: [body], cards: [aCard(), aCard({ id: 'x', form: 'xqd' })], tests: [] }, DEFAULT_POLICY),
        'once',
      ),
    );
    expect(row).toMatchObject({
      body: 'Dory, "old"',
      mode: '4K\nintra',
      verdict: 'Guaranteed',
      'planned minutes': '67',
      'need MB/s': '62.5',
      'floor MB/s': '90',
    });
    expect(rest, 'pairs that cannot meet are left out').toEqual([]);
  });

  it('gives back the wallet and the modes; unknown is empty, not zero', () => {
    expect(parse(cardsCsv([aCard({ note: '=evil()' })]))).toMatchObject([
      { label: 'C-01', capacityGB: '256', usableGB: '', marks: 'II U3 V90', note: "'=evil()" },
    ]);
    expect(parse(modesCsv([aBody()]))).toMatchObject([{ body: 'body', 'peak MB/s': '62.5' }]);
  });
});

describe('the wallet', () => {
  const cards = [
    aCard({ id: '1', label: 'C-10', capacityGB: 64, marks: [] }),
    aCard({ id: '2', label: 'C-2', capacityGB: 128, state: 'full', note: 'borrowed' }),
    aCard({ id: '3', label: 'A-1', form: 'xqd', marks: [], retired: true }),
  ];
  const labels = (view: Partial<typeof WHOLE_WALLET>) =>
    walletCards(cards, { ...WHOLE_WALLET, ...view }).map(({ label }) => label);

  it('sorts labels as people count, and numbers as numbers, either way', () => {
    expect(labels({ sort: 'label' })).toEqual(['A-1', 'C-2', 'C-10']);
    expect(labels({ sort: 'capacity', descending: true })).toEqual(['A-1', 'C-2', 'C-10']);
    expect(labels({ sort: 'promise', descending: true })[0]).toBe('C-2');
    expect(labels({})).toEqual(['C-10', 'C-2', 'A-1']);
  });

  it('finds by every word, in any field a person reads', () => {
    expect(labels({ search: 'v90 borrowed' })).toEqual(['C-2']);
    expect(labels({ search: 'xqd' })).toEqual(['A-1']);
    expect(labels({ search: 'nothing such' })).toEqual([]);
  });

  it('narrows by form and state', () => {
    expect(labels({ form: 'sd' })).toEqual(['C-10', 'C-2']);
    expect(labels({ state: 'full' })).toEqual(['C-2']);
    expect(labels({ state: 'retired' })).toEqual(['A-1']);
  });

  it('counts labels on', () => {
    expect(createNamer(['A-01', 'A-02'])('A-01')).toBe('A-03');
    expect(createNamer(['A-09'])('A-09')).toBe('A-10');
    expect(createNamer(['Dory'])('Dory')).toBe('Dory 2');
  });
});

describe('a label made a card', () => {
  it('carries what is printed, and only that', () => {
    const card = cardOfLabel(readLabel('128GB SDXC II U3 V60 270MB/s'));
    expect(card).toMatchObject({
      form: 'sd',
      capacityGB: 128,
      marks: ['SDXC', 'II', 'U3', 'V60'],
      readMBps: 270,
      writeMBps: null,
      sustainedMBps: null,
    });
    expect(cardOfLabel(readLabel('SDXC II'))).toBeNull();
  });

  it('has marks tapped on and off', () => {
    expect(toggleMark('128GB V60', 'V90')).toBe('128GB V60 V90');
    expect(toggleMark('128GB V60 V90', 'V60')).toBe('128GB V90');
    expect(toggleMark('128GB vpg-400', 'VPG400')).toBe('128GB');
  });
});

describe('forms', () => {
  it('write an emptied number as unknown, and keep an emptied text where its schema has it so', () => {
    const incidents = [{ date: '', kind: 'dropped', text: '' }];
    expect(withoutBlanks({ usableGB: '', note: '', boughtOn: '', form: '', incidents }, cardSchema)).toEqual({
      usableGB: null,
      note: '',
      boughtOn: '',
      form: null,
      incidents: [{ date: null, kind: 'dropped', text: '' }],
    });
    // A choice between shapes: each is asked.
    const modes = [{ rate: { kind: 'stated', Mbps: '' }, group: '', fps: '' }];
    expect(withoutBlanks({ name: '', modes }, bodySchema)).toEqual({
      name: null,
      modes: [{ rate: { kind: 'stated', Mbps: null }, group: '', fps: null }],
    });
  });

  it('name the field and the limit', () => {
    expect(fieldErrors(cardSchema, { ...aCard(), label: '', capacityGB: '', readMBps: -1 })).toEqual({
      label: 'Label is empty. Enter at least one character.',
      capacityGB: 'Capacity is missing: enter a number.',
      readMBps: 'Read speed must be above 0.',
    });
  });
});

describe('a store that refuses', () => {
  const named = (name: string, inner?: Error): Error => Object.assign(new Error('x'), { name, inner });

  it.each([
    [named('QuotaExceededError'), 'storage is full'],
    [named('AbortError', named('QuotaExceededError')), 'storage is full'],
    [Object.assign(named('BulkError'), { failures: [named('QuotaExceededError')] }), 'storage is full'],
    [Object.assign(named('BulkError'), { failures: [named('AbortError')] }), '(AbortError)'],
    [named('DatabaseClosedError'), 'nother tab'],
    [named('VersionError'), 'nother tab'],
    [new Error('x'), 'refused to write'],
    ['odd', 'unknown reason'],
  ])('says what happened and that it is not saved: %s', (thrown, part) => {
    const message = storeMessage(thrown);
    expect(message).toContain(part);
    expect(message).toMatch(/Not saved|Nothing was changed/);
  });
});

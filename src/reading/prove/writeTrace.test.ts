import { describe, expect, test } from 'vitest';
import { writeUnitIn } from './trace/columns.ts';
import { readWriteTrace, type TraceSaid } from './writeTrace.ts';

const rowsOf = (text: string, said?: TraceSaid) => {
  const read = readWriteTrace(text, said);
  if (!read.ok) return read.error;
  const { trace, ...rest } = read.value;
  return {
    ...rest,
    seconds: [...trace.seconds],
    MBps: [...trace.MBps].map((one) => Number(one.toFixed(6))),
    celsius: trace.celsius && [...trace.celsius],
  };
};

const lines = (of: (at: number) => string, count = 6): string =>
  Array.from({ length: count }, (_, at) => of(at)).join('\n');

describe('every form of a log', () => {
  test('time, rate and temperature, without titles', () => {
    expect(rowsOf(lines((at) => `${at},${200 - at},${30 + at}`))).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: [200, 199, 198, 197, 196, 195],
      celsius: [30, 31, 32, 33, 34, 35],
      unit: 'MB/s',
      unitSaid: false,
      unread: 0,
    });
  });

  test('titles in any order name units: milliseconds, MiB, a temperature in front', () => {
    const text = `Temp (°C);Write (MiB/s);Elapsed (ms)\n${lines((at) => `4${at},5;200,5;${at * 500}`)}`;
    expect(rowsOf(text)).toMatchObject({
      seconds: [0, 0.5, 1, 1.5, 2, 2.5],
      MBps: Array(6).fill(Number((200.5 * 1.048576).toFixed(6))),
      celsius: [40.5, 41.5, 42.5, 43.5, 44.5, 45.5],
      unit: 'MiB/s',
      unitSaid: true,
      timeUnit: 'ms',
    });
  });

  test('tabs, blanks, bars, a clock past midnight, a byte-order mark, remarks and Windows line ends', () => {
    expect(rowsOf(lines((at) => `${at}\t88`))).toMatchObject({ MBps: Array(6).fill(88) });
    expect(rowsOf(lines((at) => `  ${at}   88.5`))).toMatchObject({ MBps: Array(6).fill(88.5) });
    expect(rowsOf(lines((at) => `${at}|88`))).toMatchObject({ MBps: Array(6).fill(88) });
    expect(
      rowsOf([lines((at) => `23:59:${57 + at},88`, 3), lines((at) => `0:00:0${at},88`, 3)].join('\n')),
    ).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5],
      timeUnit: 'clock',
    });
    expect(
      rowsOf(`\ufeff# made today\r\ntime (s),MB/s\r\n${lines((at) => `${at},88`).replaceAll('\n', '\r\n')}\r\n`),
    ).toMatchObject({
      MBps: Array(6).fill(88),
      unread: 0,
    });
  });

  test('without titles the time is the column that runs like a clock, wherever it stands', () => {
    expect(rowsOf(lines((at) => `${100 - at * at},${at / 2}`))).toMatchObject({
      seconds: [0, 0.5, 1, 1.5, 2, 2.5],
      MBps: [100, 99, 96, 91, 84, 75],
    });
  });

  test('cells with a unit of their own count in it', () => {
    expect(rowsOf(lines((at) => `${at},${at === 3 ? '0.5 GB/s' : '90 MB/s'}`))).toMatchObject({
      MBps: [90, 90, 90, 500, 90, 90],
    });
  });

  test('rows of one whole second are spread over it', () => {
    expect(rowsOf(lines((at) => `${Math.floor(at / 2)},${100 - ((at * 5) % 7)}`))).toMatchObject({
      seconds: [0, 0.5, 1, 1.5, 2, 2.5],
    });
  });

  test.each([
    ['MB/s', 'MB/s'],
    ['write_MBps', 'MB/s'],
    ['MiB/s', 'MiB/s'],
    ['Mbit/s', 'Mb/s'],
    ['Mb/s', 'Mb/s'],
    ['kB/s', 'kB/s'],
    ['KiB/s', 'KiB/s'],
    ['GB/s', 'GB/s'],
    ['bytes/s', 'B/s'],
    ['speed', null],
  ] as const)('%s is %s', (text, unit) => {
    expect(writeUnitIn(text)).toBe(unit);
  });
});

describe('nothing is guessed', () => {
  test('large steps without a unit are asked about', () => {
    const text = lines((at) => `${at * 1000},88`);
    expect(rowsOf(text)).toEqual({ code: 'which-time' });
    expect(rowsOf(text, { timeUnit: 'ms' })).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
    expect(rowsOf(text, { timeUnit: 's' })).toMatchObject({ seconds: [0, 1000, 2000, 3000, 4000, 5000] });
  });

  test('1,200 may be a thousand', () => {
    const text = lines((at) => `${at};1,200`);
    expect(rowsOf(text)).toMatchObject({ code: 'which-decimal' });
    expect(rowsOf(text, { decimal: 'comma' })).toMatchObject({ MBps: Array(6).fill(1.2) });
    expect(rowsOf(text, { decimal: 'point' })).toMatchObject({ MBps: Array(6).fill(1200) });
  });

  test('steps that may be milliseconds are asked about under a bare title too, small ones as large ones', () => {
    expect(rowsOf(`time,MB/s\n${lines((at) => `${at * 5},88`)}`)).toEqual({ code: 'which-time' });
    expect(rowsOf(`time (ms),MB/s\n${lines((at) => `${at * 5},88`)}`)).toMatchObject({
      seconds: [0, 0.005, 0.01, 0.015, 0.02, 0.025],
    });
  });

  test('of a read and a write the write is taken; two of one kind are asked, and taken as told', () => {
    const rows = lines((at) => `${at},90,${210 - at}`);
    expect(rowsOf(`time (s),read MB/s,write MB/s\n${rows}`)).toMatchObject({ MBps: [210, 209, 208, 207, 206, 205] });
    expect(rowsOf(`time (s),write MB/s,read MB/s\n${rows}`)).toMatchObject({ MBps: Array(6).fill(90) });
    expect(rowsOf(`time (s),read MB/s\n${lines((at) => `${at},90`)}`)).toEqual({ code: 'only-reads' });
    const two = `time (s),E: MB/s,F: MB/s\n${rows}`;
    expect(rowsOf(two)).toEqual({
      code: 'which-column',
      choices: [
        { column: 1, title: 'E: MB/s' },
        { column: 2, title: 'F: MB/s' },
      ],
    });
    expect(rowsOf(two, { column: 2 })).toMatchObject({ MBps: [210, 209, 208, 207, 206, 205] });
    // Without titles, and both may be either: a pace of 60 to 90 beside one of 40.
    const bare = lines((at) => `${at},${90 - at},40`);
    expect(rowsOf(bare)).toMatchObject({
      code: 'which-column',
      choices: [{ title: '90, 89, 88 …' }, { title: '40, 40, 40 …' }],
    });
    expect(rowsOf(bare, { column: 1 })).toMatchObject({ MBps: [90, 89, 88, 87, 86, 85], celsius: Array(6).fill(40) });
  });

  test.each([
    ['written MB', 1],
    ['total (GB)', 1000],
    ['copied_GiB', 1073.741824],
    ['bytes', 1e-6],
  ])('figures that only rise under “%s” are a running total', (title, MB) => {
    expect(rowsOf(`time (s);${title}\n${lines((at) => `${at};${Math.round(at * at * 10)}`)}`)).toMatchObject({
      kind: 'total',
      MBps: [10, 30, 50, 70, 90, 90].map((one) => Number((one * MB).toFixed(6))),
    });
  });

  test('a peak, a target, what is left and degrees of another kind are no pace and no temperature', () => {
    for (const title of ['peak MB/s', 'max write MB/s', 'target MB/s', 'remaining MB', 'free GB', '% done'])
      expect(rowsOf(`time (s),${title}\n${lines((at) => `${at},${400 - at}`)}`), title).toEqual({
        code: 'no-pace',
        title,
      });
    const beside = `time (s),target MB/s,write MB/s\n${lines((at) => `${at},400,${210 - at}`)}`;
    expect(rowsOf(beside)).toMatchObject({ MBps: [210, 209, 208, 207, 206, 205] });
    const warm = `time (s),MB/s,temp °F\n${lines((at) => `${at},${210 - at},${100 + at}`)}`;
    expect(rowsOf(warm)).toMatchObject({ celsius: null, MBps: [210, 209, 208, 207, 206, 205] });
    // Titles that name nothing are no licence to take a column for degrees.
    expect(rowsOf(`time (s),disk0,disk1\n${lines((at) => `${at},${300 - at},${90 - at}`)}`)).toMatchObject({
      code: 'which-column',
    });
  });

  test('a total that falls is no pace; a size without its time is asked about', () => {
    const falls = `time (s),total MB\n${lines((at) => `${at},${(at % 6) * 200}`, 12)}`;
    expect(rowsOf(falls)).toEqual({ code: 'which-kind', title: 'total MB' });
    expect(rowsOf(falls, { kind: 'total' })).toMatchObject({
      code: 'total-back',
      line: 8,
    });
    expect(rowsOf(`time (s),kB\n${lines((at) => `${at},${200000 - at}`)}`)).toEqual({
      code: 'which-kind',
      title: 'kB',
    });
  });

  test('a small b of a total may be bits: its unit is asked, never taken for bytes', () => {
    const bits = `time (s),written Mb\n${lines((at) => `${at},${at * 800}`)}`;
    expect(rowsOf(bits)).toMatchObject({ kind: 'total', unitSaid: false });
    expect(rowsOf(bits, { unit: 'Mb/s' })).toMatchObject({ MBps: Array(6).fill(100) });
  });

  test('drives by their device; files one after another are none', () => {
    const drives = (a: string, b: string) =>
      `time (s),device,MB/s\n${lines((at) => `${at >> 1},${at % 2 ? b : a},${at % 2 ? 90 : 210 - at}`, 12)}`;
    expect(rowsOf(drives('/dev/sda', '/dev/sdb'))).toEqual({ code: 'which-rows', words: ['/dev/sda', '/dev/sdb'] });
    const spoken = lines((at) => `14:03:0${at >> 1} /dev/sd${at % 2 ? 'b' : 'a'} now ${at % 2 ? 90 : 210} MB/s`, 12);
    expect(rowsOf(spoken)).toMatchObject({ code: 'which-rows' });
    const files = `time (s),file,MB/s\n${lines((at) => `${at},A00${at < 6 ? 1 : 2}.mov,${210 - at}`, 12)}`;
    expect(rowsOf(files)).toMatchObject({ unread: 0 });
  });

  test('a blank cell is no zero', () => {
    expect(rowsOf(`time (s),MB/s\n${lines((at) => `${at},${at === 9 ? ' ' : 88}`, 30)}`)).toMatchObject({ unread: 1 });
  });

  test('a date beside a clock in columns of their own', () => {
    const text = `date,time,MB/s\n${lines((at) => `2026-06-12,14:03:0${at},${210 - at}`)}`;
    expect(rowsOf(text)).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5], MBps: [210, 209, 208, 207, 206, 205] });
  });

  test('figures that only rise without saying what they are: asked, as a pace or as a total', () => {
    const text = `time (s),write\n${lines((at) => `${at},${at * 100}`)}`;
    expect(rowsOf(text)).toEqual({ code: 'which-kind', title: 'write' });
    expect(rowsOf(text, { kind: 'total', unit: 'MB/s' })).toMatchObject({ MBps: Array(6).fill(100) });
    expect(rowsOf(text, { kind: 'rate' })).toMatchObject({ MBps: [0, 100, 200, 300, 400, 500] });
    // One that stands still in between is a total all the same.
    const still = lines((at) => `${at},${[0, 100, 100, 100, 100, 200, 300, 300][at]}`, 8);
    // Without titles both columns rise: which is the time is asked first.
    expect(rowsOf(still)).toMatchObject({ code: 'which-column' });
    expect(rowsOf(still, { column: 1 })).toMatchObject({ code: 'which-kind' });
    expect(
      rowsOf(`time (s),total MB\n${lines((at) => `${at},${at === 4 ? 0 : at * 100}`, 8)}`, { kind: 'total' }),
    ).toMatchObject({
      code: 'total-back',
      line: 6,
    });
  });

  test('lines of two directions, or of two drives in turn', () => {
    const both = `time (s),op,MB/s\n${lines((at) => `${at >> 1},${at % 2 ? 'write' : 'read'},${at % 2 ? 210 - at : 90}`, 12)}`;
    expect(rowsOf(both)).toEqual({ code: 'which-rows', words: ['read', 'write'] });
    expect(rowsOf(both, { rows: 'write' })).toMatchObject({ MBps: [209, 207, 205, 203, 201, 199] });
    const drives = `time (s)\tdrive\tMB/s\n${lines((at) => `${at >> 1}\tsd${at % 2 ? 'b' : 'a'}\t${at % 2 ? 90 : 210 - at}`, 12)}`;
    expect(rowsOf(drives)).toEqual({ code: 'which-rows', words: ['sda', 'sdb'] });
    expect(rowsOf(drives, { rows: 'sdb' })).toMatchObject({ MBps: Array(6).fill(90) });
    // One direction throughout asks nothing; reads alone are no write trace.
    expect(rowsOf(both.replaceAll('read', 'write'))).toMatchObject({ unread: 0 });
    expect(rowsOf(both.replaceAll('write', 'read'))).toEqual({ code: 'only-reads' });
  });
});

// Each written anew by this project in the form that the program prints [from memory of their manuals].
describe('logs as programs print them', () => {
  const pad = (at: number): string => String(at).padStart(2, '0');

  test.each([
    ['ISO with T and Z', (at: number) => `2026-06-12T14:03:${pad(at)}.250Z,${210 - at}`],
    ['ISO with an offset', (at: number) => `2026-06-12T14:03:${pad(at)}+02:00,${210 - at}`],
    ['ISO with a blank', (at: number) => `2026-06-12 14:03:${pad(at)} ${210 - at}`],
    ['twelve hours', (at: number) => `06/12/2026 02:03:${pad(at)} PM,${210 - at}`],
    ['twelve hours between blanks', (at: number) => `02:03:${pad(at)} pm  ${210 - at}`],
    ['day first', (at: number) => `12.06.2026 14:03:${pad(at)};${210 - at}`],
    ['a clock in brackets', (at: number) => `[14:03:${pad(at)}]\t${210 - at}`],
  ])('times: %s', (_, line) => {
    expect(rowsOf(lines(line))).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: [210, 209, 208, 207, 206, 205],
      timeUnit: 'clock',
    });
  });

  test('over noon, midnight and a change of the clock', () => {
    const noon = lines((at) => `${at < 3 ? `11:59:${57 + at} AM` : `12:00:0${at - 3} PM`},88`);
    expect(rowsOf(noon)).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
    const dated = lines((at) => `${at < 3 ? `2026-06-12 23:59:${57 + at}` : `2026-06-13 00:00:0${at - 3}`},88`);
    expect(rowsOf(dated)).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
    const autumn = lines(
      (at) => `${at < 3 ? `2026-10-25T02:59:${57 + at}+02:00` : `2026-10-25T02:00:0${at - 3}+01:00`},88`,
    );
    expect(rowsOf(autumn)).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
  });

  test('a date that may be two: asked where it matters, and only there', () => {
    const over = lines((at) => `0${at + 1}/02/2026 14:00:00,88`);
    expect(rowsOf(over)).toMatchObject({ code: 'which-date', text: '01/02/2026 14:00:00' });
    expect(rowsOf(over, { dateOrder: 'day-first' })).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5].map((day) => day * 86_400),
    });
    expect(rowsOf(lines((at) => `01/02/2026 14:00:0${at},88`))).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
  });

  test('dd: running totals, carriage returns, a mean that is no pace', () => {
    const text = [0, 1, 2, 3, 4, 5]
      .map((at) => `${(at + 1) * 2e8 - at * 1e7} bytes (${at} MB, ${at} MiB) copied, ${at + 1} s, 190 MB/s`)
      .join('\r');
    expect(rowsOf(`${text}\n5+0 records in\n5+0 records out\n`)).toMatchObject({
      program: 'dd',
      kind: 'total',
      seconds: [0, 1, 2, 3, 4, 5, 6],
      MBps: [200, 190, 190, 190, 190, 190, 190],
    });
  });

  test('pv: the pace in brackets, by its own clock', () => {
    const text = lines((at) => `${at}.07GiB 0:00:0${at} [ 20${at}MiB/s] [==>      ] 1${at}% ETA 0:00:45`).replaceAll(
      '\n',
      '\r',
    );
    expect(rowsOf(text)).toMatchObject({
      program: 'pv',
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: [200, 201, 202, 203, 204, 205].map((one) => Number((one * 1.048576).toFixed(6))),
    });
  });

  test('rsync: lines without a time ask for their step', () => {
    const text = lines((at) => `  1,07${at},741,824  ${10 + at}%  20${5 - at}.00MB/s    0:00:4${at}`);
    expect(rowsOf(text)).toEqual({ code: 'which-step' });
    expect(rowsOf(text, { stepSeconds: 1 })).toMatchObject({
      program: 'rsync',
      unit: 'MiB/s',
      seconds: [0, 1, 2, 3, 4, 5],
    });
  });

  test('fio: milliseconds, KiB a second, writes alone', () => {
    const text = lines((at) => `${(at + 1) * 500}, 204800, ${at % 2}, 1048576, 0`, 12);
    expect(rowsOf(text)).toMatchObject({
      program: 'fio',
      unit: 'KiB/s',
      timeUnit: 'ms',
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: Array(6).fill(209.7152),
    });
    expect(rowsOf(lines((at) => `${at}, 204800, 0, 4096, 0`))).toEqual({ code: 'only-reads' });
  });

  const report = (at: number, stamp: string): string =>
    `${stamp}avg-cpu:  %user   %nice %system %iowait  %steal   %idle\n           1.00    0.00    2.00    3.00    0.00   94.00\n\n` +
    `Device             tps    MB_read/s    MB_wrtn/s    MB_read    MB_wrtn\nsda             200.00         9.00       ${200 + at}.00         10         20\nsdb               1.00         0.00         0.50          0          0\n\n`;

  test('iostat: without times the step is asked; two drives are; the mean since the start is left out', () => {
    const bare = `Linux 6.1.0 (box) \t06/12/2026 \t_x86_64_\t(2 CPU)\n\n${[0, 1, 2, 3, 4, 5, 6].map((at) => report(at, '')).join('')}`;
    expect(rowsOf(bare)).toEqual({ code: 'which-step' });
    expect(rowsOf(bare, { stepSeconds: 2 })).toEqual({ code: 'which-rows', words: ['sda', 'sdb'] });
    expect(rowsOf(bare, { stepSeconds: 2, rows: 'sda' })).toMatchObject({
      program: 'iostat',
      unit: 'MiB/s',
      seconds: [0, 2, 4, 6, 8, 10],
      MBps: [201, 202, 203, 204, 205, 206].map((one) => Number((one * 1.048576).toFixed(6))),
    });
    const timed = [0, 1, 2, 3, 4, 5, 6].map((at) => report(at, `06/12/2026 02:03:0${at} PM\n`)).join('');
    expect(rowsOf(timed, { rows: 'sda' })).toMatchObject({ seconds: [0, 1, 2, 3, 4, 5] });
  });

  test('vmstat: blocks out, with and without times', () => {
    const head =
      'procs -----------memory---------- ---swap-- -----io---- -system-- ------cpu-----\n r  b   swpd   free   buff  cache   si   so    bi    bo   in   cs us sy id wa st\n';
    const line = (at: number, stamp: string): string =>
      ` 1  0      0 812345  10000 900000    0    0     5 ${204800 - at} 1000 2000  1  2 96  1  0${stamp}`;
    const bare = head + lines((at) => line(at, ''), 7);
    expect(rowsOf(bare)).toEqual({ code: 'which-step' });
    expect(rowsOf(bare, { stepSeconds: 1 })).toMatchObject({
      program: 'vmstat',
      seconds: [0, 1, 2, 3, 4, 5],
      unit: 'KiB/s',
    });
    expect(rowsOf(head + lines((at) => line(at, ` 2026-06-12 14:03:0${at}`), 7))).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5],
    });
  });

  test('a copy tool with words between; two drives in turn are asked', () => {
    const one = lines((at) => `14:03:0${at} Copying A00${at}.mov: 5${at} % done at 20${at} MB/s, 3 files left`);
    expect(rowsOf(one)).toMatchObject({
      program: 'words',
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: [200, 201, 202, 203, 204, 205],
    });
    const two = lines(
      (at) => `14:03:0${at >> 1} ${at % 2 ? 'Left' : 'Right'} reader: now ${at % 2 ? 90 : 200 + at} MB/s`,
      12,
    );
    expect(rowsOf(two)).toMatchObject({ code: 'which-rows' });
    // A read beside a write in one line is not taken apart by guess.
    expect(rowsOf(lines((at) => `step ${at}: read 90 MB/s, wrote 200 MB/s`))).toMatchObject({
      code: expect.any(String),
    });
  });
});

describe('bad files say what, where and what to do', () => {
  test.each([
    ['', { code: 'empty' }],
    ['hello\nworld', { code: 'empty' }],
    ['1\n2\n3\n4\n5\n6', { code: 'no-columns' }],
    ['0,88\n1,88', { code: 'few' }],
    [lines((at) => `${at === 4 ? 1 : at},88`), { code: 'goes-back', line: 5 }],
    [lines((at) => `${at},${at === 2 ? -4 : 88}`), { code: 'negative', line: 3 }],
    [lines((at) => `${at},${at === 2 ? 9e9 : 88}`), { code: 'too-fast', line: 3 }],
    [lines((at) => (at % 2 === 0 ? `${at},88` : `${at},n/a`), 12), { code: 'not-figures', line: 2, rows: 6 }],
    [lines((at) => `${at * 1e9},88`), { code: 'which-time' }],
    [lines(() => '5,88'), { code: 'no-columns' }],
    [`time,MB/s\n${lines(() => '5,88')}`, { code: 'few' }],
  ] as const)('%j', (text, problem) => {
    expect(rowsOf(text)).toMatchObject(problem);
  });

  test('a text cell or two are left out and told, with their line as an editor counts it', () => {
    const text = `time,MB/s\n\n${lines((at) => `${at},${at === 9 ? 'average' : 88}`, 30)}`;
    expect(rowsOf(text)).toMatchObject({ unread: 1, firstUnread: [{ line: 12, text: '9,average' }] });
  });
});

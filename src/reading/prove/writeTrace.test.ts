import { describe, expect, test } from 'vitest';
import { readWriteTrace, type TraceSaid, writeUnitIn } from './writeTrace.ts';

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
    expect(rowsOf(lines((at) => `${at},${100 + at},${30 + at}`))).toMatchObject({
      seconds: [0, 1, 2, 3, 4, 5],
      MBps: [100, 101, 102, 103, 104, 105],
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
    expect(rowsOf(lines((at) => `${100 + at * at},${at * 2}`))).toMatchObject({
      seconds: [0, 2, 4, 6, 8, 10],
      MBps: [100, 101, 104, 109, 116, 125],
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

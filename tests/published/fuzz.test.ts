import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { streamRate } from '../../src/core/bodies/rate/streamRate.ts';
import { labelProblems } from '../../src/core/cards/labelProblems.ts';
import { readLabel } from '../../src/core/cards/readLabel.ts';
import { answerAsk } from '../../src/core/match/ask/answerAsk.ts';
import { readAsk } from '../../src/core/match/ask/readAsk.ts';
import { board } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { isMark } from '../../src/core/standards/marks.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { readKit } from '../../src/kit/importKit.ts';
import { isRefusal, readTable } from '../../src/reading/bodies/paste/cut.ts';
import { readingOf, readRows } from '../../src/reading/bodies/pasteModes.ts';
import { labelProblemText } from '../../src/text/cards/label.ts';
import { answerText, askRefusalText } from '../../src/text/match/ask.ts';
import { runs } from '../support/runs.ts';

/** Inputs a suite, from fixed seeds: no crash, no hang, no wrong acceptance. */
const RUNS = runs(2000, 20_000);

const pieces = fc.constantFrom(
  '600',
  '600 Mb/s',
  '75 MB/s',
  '0 Mb/s',
  '-5',
  'NaN',
  '1e309 GB/s',
  '256GB',
  '256gb',
  '0GB',
  '1TB',
  'V90',
  'V91',
  'v60',
  'U2',
  'U3',
  'II',
  'I',
  'III',
  'on',
  'for',
  'in',
  'at',
  '2h',
  '1:30',
  '90 min',
  '100 m',
  '3:1',
  '0:1',
  '50p',
  '8192x4320',
  '1x1',
  '12bit',
  '99bit',
  'CFexpress B',
  'microSD',
  'SDXC',
  'VPG400',
  'VPG300',
  'mirrored',
  'split',
  'raw',
  '4K',
  '633x',
  '½',
  '٣',
  '🎞️',
  '<b>',
  '__proto__',
);
/** Lines as people mean them, so that answers are met as well as refusals. */
const meant = fc
  .tuple(
    fc.constantFrom('600 Mb/s', '62,5 MB/s', '1.000,5 Mb/s', '8192x4320 12bit 3:1 50p', '240 Mb/s 24p at 120fps'),
    fc.constantFrom('on', '@', ''),
    fc.constantFrom('256GB V90 II', '1TB CFexpress B VPG400', '64 GB microSD U3', ''),
    fc.constantFrom('for 2h', 'mirrored', 'split for 90 min', ''),
  )
  .map((parts) => parts.join(' '));
const lines = fc.oneof(
  { weight: 1, arbitrary: meant },
  { weight: 3, arbitrary: fc.array(pieces, { maxLength: 8 }).map((parts) => parts.join(' ')) },
  { weight: 1, arbitrary: fc.array(pieces, { maxLength: 6 }).map((parts) => parts.join('')) },
  { weight: 1, arbitrary: fc.string({ maxLength: 40 }) },
  { weight: 1, arbitrary: fc.string({ unit: 'binary', maxLength: 40 }) },
);

describe(`${RUNS} inputs each`, () => {
  it('quick checks: an answer has a finite need above zero and says so; a refusal has words', {
    timeout: 120_000,
  }, () => {
    let answered = 0;
    fc.assert(
      fc.property(lines, (text) => {
        const ask = readAsk(text);
        const answer = ask.ok ? answerAsk(ask.value, DEFAULT_POLICY) : ask;
        if (!answer.ok) {
          expect(askRefusalText(answer.error)).not.toMatch(/undefined|\[object/);
          return;
        }
        answered += 1;
        const { need, cell, minutes } = answer.value;
        expect(Number.isSafeInteger(need) && need > 0).toBe(true);
        expect(minutes === null || (Number.isSafeInteger(minutes) && minutes >= 0)).toBe(true);
        // No wrong yes: a guarantee always stands on a floor that covers the need.
        if (cell?.verdict === 'guaranteed') expect((cell.floor ?? 0) >= need * 1.15).toBe(true);
        expect(answerText(answer.value)).not.toMatch(/undefined|\[object/);
      }),
      { seed: 61, numRuns: RUNS },
    );
    expect(answered, 'lines that had an answer').toBeGreaterThan(RUNS / 20);
  });

  it('labels: only marks of the table are read as marks, and every problem has words', { timeout: 120_000 }, () => {
    let marked = 0;
    fc.assert(
      fc.property(lines, (text) => {
        const label = readLabel(text);
        marked += Number(label.marks.length > 0);
        expect(label.marks.every(isMark)).toBe(true);
        expect(label.capacity === null || label.capacity > 0).toBe(true);
        for (const problem of labelProblems(label)) expect(labelProblemText(problem)).not.toMatch(/undefined|\[object/);
      }),
      { seed: 62, numRuns: RUNS },
    );
    expect(marked, 'lines with a mark').toBeGreaterThan(RUNS / 50);
  });

  it('tables: a row taken has a name, a frame rate and a rate', { timeout: 120_000 }, () => {
    const cell = fc.oneof(
      fc.constantFrom(
        'Mode',
        'fps',
        'Mb/s',
        '4K intra',
        '25',
        '29,97',
        '100',
        '100 m',
        '-5',
        'NaN',
        '="x"',
        '"',
        "'",
        '3840x2160',
        '',
      ),
      fc.string({ maxLength: 10 }),
    );
    const table = fc
      .tuple(
        fc.constantFrom(',', ';', '\t'),
        fc.constantFrom('\n', '\r\n'),
        fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { maxLength: 6 }),
      )
      .map(([comma, line, rows]) => rows.map((row) => row.join(comma)).join(line));
    let taken = 0;
    fc.assert(
      fc.property(table, (text) => {
        const read = readTable(text);
        if (isRefusal(read)) return;
        const reading = readingOf(read, { unit: 'MB/s', decimal: 'comma', at: 'recorded', two: 'slow' });
        const rows = readRows(read, reading);
        expect(rows).toHaveLength(read.rows.length);
        for (const mode of rows.flatMap((row) => (row.read?.ok ? row.read.modes : []))) {
          taken += 1;
          expect(mode.name.length).toBeGreaterThan(0);
          expect(mode.fps).toBeGreaterThan(0);
          expect(streamRate(mode, null).ok).toBe(true);
        }
      }),
      { seed: 63, numRuns: RUNS },
    );
    expect(taken, 'rows that were taken').toBeGreaterThan(RUNS / 200);
  });

  it('kit files: what is accepted can be drawn, whatever was bent in it', { timeout: 240_000 }, async () => {
    const small = { ...demo, bodies: demo.bodies.slice(1, 3), cards: demo.cards.slice(4, 8) };
    const text = JSON.stringify(small);
    const paths: (string | number)[][] = [];
    const walk = (value: unknown, path: (string | number)[]): void => {
      if (path.length > 0) paths.push(path);
      if (Array.isArray(value)) {
        for (const [at, inner] of value.entries()) walk(inner, [...path, at]);
      } else if (value !== null && typeof value === 'object')
        for (const [key, inner] of Object.entries(value)) walk(inner, [...path, key]);
    };
    walk(small, []);
    const junk = fc.oneof(
      fc.constantFrom<unknown>(null, '', 0, -1, 1e308, 1e-9, 'V90', [], {}, true, 'x'.repeat(100), '<script>'),
      fc.jsonValue({ maxDepth: 2 }),
    );
    const bend = (path: readonly (string | number)[], value: unknown): unknown => {
      const copy = JSON.parse(text) as Record<string | number, unknown>;
      let at = copy;
      for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
      at[path.at(-1) ?? ''] = value;
      return copy;
    };
    let accepted = 0;
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...paths), junk, async (path, value) => {
        const kit = await readKit(bend(path, value));
        if (!kit.ok) return;
        accepted += 1;
        for (const { verdict, floor, need } of board(kit.value.kit, DEFAULT_POLICY).columns.flat()) {
          if (verdict === 'guaranteed') expect((floor ?? 0) >= (need ?? Number.POSITIVE_INFINITY)).toBe(true);
        }
      }),
      { seed: 64, numRuns: RUNS / 2 },
    );
    expect(accepted, 'kits that were read at all').toBeGreaterThan(RUNS / 40);
  });
});

import { describe, expect, it } from 'vitest';
import { workedAnswer } from '../../core/guide/worked.ts';
import { LADDER } from '../../core/match/ladder.ts';
import { EARNED } from '../../core/match/settle.ts';
import { VERDICTS } from '../../core/match/verdict.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import { BUS_KEYS } from '../../core/standards/buses.ts';
import { MARK_KEYS, mark } from '../../core/standards/marks.ts';
import { SOURCES } from '../../core/standards/sources.ts';
import { SLIP_TEXTS } from '../drill/slips.ts';
import { VERDICT_WORDS } from '../match/verdict.ts';
import { HELP_WORDS } from '../words.ts';
import { GUIDE, sourceId, sourceText } from './guide.ts';
import { passages } from './passages.ts';
import { ruleId } from './rules.ts';
import { SAID } from './said.ts';
import { TERMS, termAt, termsIn } from './terms.ts';

const ADDRESSES = GUIDE.flatMap(({ id, entries, tables }) => [
  id,
  ...entries.map((entry) => entry.id),
  ...tables.flatMap((table) => [table.id, ...table.rows.flatMap((row) => row.id ?? [])]),
]);
const TABLES = new Map(GUIDE.flatMap(({ tables }) => tables.map((table) => [table.id, table] as const)));
const rowOf = (table: string, id: string) => TABLES.get(table)?.rows.find((row) => row.id === id);

describe('the guide', () => {
  it('has every address once, fit for one', () => {
    expect(ADDRESSES.filter((id, at) => ADDRESSES.indexOf(id) !== at)).toEqual([]);
    for (const id of ADDRESSES) expect(id).toMatch(/^[a-z0-9-]+$/i);
  });

  it('has every rule in the order it is asked, and what it earns as the rules themselves have it', () => {
    const rules = GUIDE.find(({ id }) => id === 'rules')?.entries ?? [];
    expect(rules.map(({ id }) => id)).toEqual(LADDER.map(ruleId));
    for (const rule of LADDER) {
      const verdict = EARNED[rule];
      const text = termAt(ruleId(rule))?.text.join(' ') ?? '';
      if (verdict) expect(text).toContain(`On its own this rule gives the answer ${VERDICT_WORDS[verdict]}.`);
      else expect(text).not.toContain('Alone it earns');
    }
  });

  it('has the tables of the core, row by row', () => {
    for (const key of MARK_KEYS) {
      const row = rowOf('marks', key.toLowerCase());
      expect(row?.cells.slice(0, 2)).toEqual([key, `${mark(key).promisesMBps}\u00a0MB/s`]);
      expect(row?.source).toBe(mark(key).source);
    }
    expect(TABLES.get('buses')?.rows.map(({ id }) => id)).toEqual([...BUS_KEYS]);
    expect(TABLES.get('verdicts')?.rows.map(({ verdict }) => verdict)).toEqual([...VERDICTS]);
    for (const key of Object.keys(ASSUMED) as (keyof typeof ASSUMED)[])
      expect(rowOf('assumed-values', `assumed-${key}`)).toBeDefined();
    expect(rowOf('assumed-values', 'assumed-usableFraction')?.cells[1]).toBe('98.7\u00a0% of the label');
    expect(rowOf('assumed-values', 'assumed-headroom')?.cells[1]).toBe('15\u00a0% over the need');
  });

  it('names a source for every row of a standard or an assumption, and whether it is from memory', () => {
    for (const part of ['standards', 'assumptions'])
      for (const table of GUIDE.find(({ id }) => id === part)?.tables ?? [])
        for (const row of table.rows) {
          expect(row.source, `${table.id} ${row.cells[0]}`).not.toBeNull();
          if (row.source) expect(ADDRESSES).toContain(sourceId(row.source));
        }
    for (const [key, { fromMemory, basis }] of Object.entries(SOURCES)) {
      const said = sourceText(key as keyof typeof SOURCES);
      if (basis === 'stated' || basis === 'derived') expect(/from memory$/.test(said)).toBe(fromMemory);
    }
  });

  it('works its example out as the table would', () => {
    const { cell } = workedAnswer();
    expect(cell).toMatchObject({ verdict: 'guaranteed', planned: 55, floor: 90e6 });
    const sums = TABLES.get('worked-sums')?.rows.map(({ cells }) => cells[1]);
    // 600 Mb/s, 2 Mb/s and 20 kB × 50 frames beside it: 610 Mb/s; 256 GB × 0.987 = 252.7 GB.
    expect(sums).toContain('610\u00a0Mb/s = 76.3\u00a0MB/s');
    expect(sums).toContain('252.7 GB');
    expect(TABLES.get('worked-rules')?.rows).toHaveLength(cell.findings.length);
  });

  it('answers two dozen questions as people ask them, first of all, with the figures that the line gives', () => {
    const [, questions] = GUIDE;
    expect(questions?.id).toBe('questions');
    const entries = questions?.entries ?? [];
    expect(entries.length).toBeGreaterThanOrEqual(24);
    for (const { id, title } of entries) {
      expect(id).toMatch(/^ask-/);
      expect(title).toMatch(/^\p{Lu}.*\?$|^Why are/u);
    }
    const answer = (id: string) =>
      (entries.find((one) => one.id === id)?.text.join(' ') ?? '').replaceAll('\u00a0', ' ');
    // Worked out by hand: 400 Mb/s are 50 MB/s, with 2 Mb/s and 20 kB × 50 beside it 51.25.
    expect(answer('ask-peak')).toContain('51.3 MB/s with sound and data');
    expect(answer('ask-peak')).toContain('V30 promises 30 MB/s, so that 400 Mb/s on V30 is: Not covered');
    // 256 GB × 0.987 over 51.25 MB/s are 82.2 min; over 50 the whole label lasts 85.3.
    expect(answer('ask-minutes')).toContain('82 min planned; the box would say 85 min');
    // 8 h × 51.25 MB/s are 1476 GB, over 252.7.
    expect(answer('ask-cards')).toContain('take 6 cards of 256 GB');
    expect(answer('ask-v90-one-row')).toContain('the same card promises 30 MB/s');
    expect(answer('ask-adapter')).toContain('a V90 promises 30 MB/s through it');
    // 256e9 over 2^30.
    expect(entries.find(({ id }) => id === 'ask-missing-room')?.title).toContain('238 GB');
    // 240 Mb/s × 120 ÷ 24 are 150 MB/s, 0.25 and 20 kB × 120 beside it.
    expect(answer('ask-slow-motion')).toContain('writes 153 MB/s');
    expect(answer('ask-numbers')).toContain('promise 10 MB/s beside');
    expect(answer('ask-class-10')).toContain('promises 10 MB/s, as U1 and V10 do');
    expect([mark('C10'), mark('U1'), mark('V10')].map(({ promisesMBps }) => promisesMBps)).toEqual([10, 10, 10]);
  });

  it('speaks of where people disagree, of cautions, and of how it decides', () => {
    const all = passages()
      .map(({ text }) => text)
      .join(' ');
    for (const said of ['lock switch', 'Do not cover vents', 'local law', 'never says yes on a guess', '51\u00a0°C'])
      expect(all).toContain(said);
    expect(GUIDE.find(({ id }) => id === 'disagree')?.entries).toHaveLength(4);
  });
});

describe('the words that open in place', () => {
  it('lead to an address of the guide, all of them; so do the help and the slips of the drill', () => {
    for (const { id } of [...TERMS, ...HELP_WORDS]) expect(ADDRESSES, id).toContain(id);
    for (const { guide } of Object.values(SLIP_TEXTS)) expect(ADDRESSES, guide).toContain(guide);
    expect(HELP_WORDS.length).toBeGreaterThan(20);
  });

  it('are looked for by other words only at addresses that exist', () => {
    for (const id of Object.keys(SAID)) expect(ADDRESSES, id).toContain(id);
  });

  it('are met once each by their spellings', () => {
    const met = TERMS.flatMap((entry) => entry.met ?? []);
    expect(met.filter((word, at) => met.indexOf(word) !== at)).toEqual([]);
  });

  it('are found in a text, each where it is met first, longest first and never within a word', () => {
    const found = (text: string) =>
      termsIn(text)
        .filter(({ term }) => term)
        .map(({ text: piece, term }) => `${piece}>${term}`);
    expect(found('V90 counts on UHS-II, V60 and V90 do not on UHS-I')).toEqual([
      'V90>v90',
      'UHS-II>uhs-ii',
      'V60>v60',
      'UHS-I>uhs-i',
    ]);
    expect(found('V9 and UHS-IIa, a streamer, busy')).toEqual([]);
    expect(found('The bus is slower than the stream')).toEqual(['bus>bus', 'stream>stream']);
    expect(found('')).toEqual([]);
    const text = 'Headroom of 15 % is not met. It leaves 3 %: V30 promises 30 MB/s.';
    expect(
      termsIn(text)
        .map(({ text: piece }) => piece)
        .join(''),
    ).toBe(text);
  });
});

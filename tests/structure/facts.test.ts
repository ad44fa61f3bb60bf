import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { factsText, PARTS } from '../../scripts/facts.ts';
import { BUS_KEYS, bus } from '../../src/core/standards/buses.ts';
import { MARK_KEYS } from '../../src/core/standards/marks.ts';
import { SOURCES } from '../../src/core/standards/sources.ts';

const facts = PARTS.flatMap((part) => part.facts);

describe('the list of facts', () => {
  it('is the one kept in docs', () => {
    const kept = readFileSync(new URL('../../docs/facts.md', import.meta.url), 'utf8');
    expect(kept, 'run "npm run facts"').toBe(factsText());
  });

  it('has every mark and every bus, and a source that is one', () => {
    for (const key of MARK_KEYS) expect(facts.map(({ what }) => what)).toContain(`${key} promises`);
    for (const key of BUS_KEYS) expect(facts.some(({ what }) => what.startsWith(`${bus(key).name}, `))).toBe(true);
    for (const { source } of facts) expect(SOURCES).toHaveProperty([source]);
  });

  it('calls nothing certain that is only remembered', () => {
    const sure = (what: string) => facts.find((one) => one.what === what)?.sure;
    expect(sure('V90 promises')).toBe('certain');
    expect(sure('VPG1600 counts from')).toBe('from memory');
    expect(sure('UHS-II, SD')).toBe('from memory');
    expect(sure('CFexpress 2.0, CFexpress B')).toBe('certain');
    expect(sure('hybrid')).toBe('assumed');
  });

  it('no source is listed that no row names', () => {
    const named = new Set([...facts.map(({ source }) => source)]);
    expect(Object.keys(SOURCES).filter((key) => !named.has(key as never))).toEqual([]);
  });
});

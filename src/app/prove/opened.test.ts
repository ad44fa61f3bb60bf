import { describe, expect, it } from 'vitest';
import type { Entry } from '../../core/prove/entries.ts';
import { aBody, aCard, aTest } from '../../core/testing.ts';
import { newBench, newBurst, type Open, openedModel } from './opened.ts';

const named = {
  bodies: new Map([['b', aBody({ id: 'b', name: 'Dory' })]]),
  cards: new Map([['c', aCard({ id: 'c', label: 'C-01' })]]),
};
const base = { key: 'k', date: '2026-05-04', bodyId: 'b', cardId: 'c', onTop: false };
const entry = (more: object): Entry => ({ ...base, ...more }) as Entry;
const bench = {
  id: 'k',
  cardId: 'c',
  date: null,
  reader: null,
  port: null,
  program: 'sequential',
  readMBps: 90,
  writeMBps: 80,
  lowestWriteMBps: null,
};
const opened = (open: Open, one?: Entry, isGone = false) => openedModel(open, one, { isGone, named });
const ENTRY: Open = { kind: 'entry', key: 'k' };

describe('what stands open beside the log', () => {
  it.each([
    [{ kind: 'take', test: aTest({ id: 't' }) }, 'Log a take', 'take'],
    [{ kind: 'burst', item: newBurst() }, 'Log a burst', 'burst'],
    [{ kind: 'bench', item: newBench() }, 'Log a bench result', 'bench'],
    [{ kind: 'counter' }, 'Note a counter', 'counter'],
    [{ kind: 'incident' }, 'Note an incident', 'incident'],
  ] as const)('while something is entered: %j', (open, title, part) => {
    expect(opened(open as Open)).toMatchObject({ title, deletes: null, part: { kind: part } });
  });

  it('a take has a head of its own', () => {
    expect(opened(ENTRY, entry({ kind: 'take', test: aTest() }))).toMatchObject({
      title: null,
      part: { kind: 'test' },
    });
  });

  it('a burst and a bench result are forms that can be deleted, unless they are gone', () => {
    const burst = entry({ kind: 'burst', clearing: { ...newBurst(), id: 'k' } });
    expect(opened(ENTRY, burst)).toMatchObject({ deletes: burst, part: { kind: 'burst', isNew: false } });
    expect(opened(ENTRY, burst, true)?.deletes).toBeNull();
    expect(opened(ENTRY, entry({ kind: 'bench', bench }))).toMatchObject({ part: { kind: 'bench', isNew: false } });
    const traced = entry({ kind: 'bench', bench: { ...bench, trace: {} } });
    expect(opened(ENTRY, traced)?.part.kind).toBe('traced');
  });

  it('what is changed elsewhere says where', () => {
    expect(
      opened(ENTRY, entry({ kind: 'counter', reading: { modeId: 'm', capacityGB: 256, minutes: 57 } }))?.part,
    ).toMatchObject({
      text: 'It stands with its camera:',
      link: { href: '/bodies?open=b' },
    });
    expect(opened(ENTRY, entry({ kind: 'incident', incident: { kind: 'dropped', text: '' } }))?.part).toMatchObject({
      text: '2026-05-04. It stands with its card:',
      link: { href: '/cards?open=c' },
    });
    expect(opened(ENTRY, undefined), 'an entry that nobody finds').toBeNull();
  });
});

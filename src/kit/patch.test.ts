import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changesBetween, isSameValue, reversed, withChanges } from './patch.ts';

const body = {
  name: 'Dory',
  bufferMB: null as number | null,
  modes: [
    { id: 'm1', name: '4K', rate: { kind: 'stated', Mbps: 400 } },
    { id: 'm2', name: 'HD', rate: { kind: 'stated', Mbps: 50 } },
  ],
  tags: ['a', 'b'],
};

describe('changes between two values', () => {
  it('are told place by place, into entries by their ids', () => {
    const [first, second] = body.modes;
    const to = { ...body, bufferMB: 100, modes: [{ ...first, rate: { kind: 'stated', Mbps: 600 } }, second] };
    expect(changesBetween(body, to)).toEqual([
      { path: ['bufferMB'], from: null, to: 100 },
      { path: ['modes', { id: 'm1' }, 'rate', 'Mbps'], from: 400, to: 600 },
    ]);
  });

  it('take a list without ids, or one that was put in another order, as one value', () => {
    expect(changesBetween(body, { ...body, tags: ['b'] })).toEqual([{ path: ['tags'], from: ['a', 'b'], to: ['b'] }]);
    const turned = changesBetween(body, { ...body, modes: body.modes.toReversed() });
    expect(turned).toMatchObject([{ path: ['modes'] }]);
    expect(changesBetween([{ id: 'x' }, { id: 'x' }], [{ id: 'x' }]), 'an id that stands twice').toHaveLength(1);
  });

  it('part missing from null', () => {
    expect(changesBetween({ a: null }, {})).toEqual([{ path: ['a'], from: null, to: undefined }]);
    expect(changesBetween({ a: undefined }, {})).toEqual([]);
  });
});

describe('making changes', () => {
  it('leaves a place that is another by now, and names it', () => {
    const changes = changesBetween(body, { ...body, name: 'Dory 2', bufferMB: 5 });
    const now = { ...body, name: 'Skiff' };
    expect(withChanges(now, changes)).toEqual({
      value: { ...now, bufferMB: 5 },
      blocked: [{ path: ['name'], from: 'Dory', to: 'Dory 2' }],
    });
  });

  it('puts an entry back in its place among those that came since', () => {
    const without = { ...body, modes: body.modes.slice(1) };
    const now = { ...without, modes: [...without.modes, { id: 'm3', name: 'New', rate: { kind: 'stated', Mbps: 1 } }] };
    const { value, blocked } = withChanges(now, reversed(changesBetween(body, without)));
    expect(value.modes.map(({ id }) => id)).toEqual(['m1', 'm2', 'm3']);
    expect(blocked).toEqual([]);
  });

  it('does not change an entry that is gone', () => {
    const to = { ...body, modes: [{ ...body.modes[0], name: '4K intra' }, body.modes[1]] };
    const { value, blocked } = withChanges({ ...body, modes: [] }, changesBetween(body, to));
    expect(value.modes).toEqual([]);
    expect(blocked).toHaveLength(1);
  });

  it('finds nothing in the way of what stands already', () => {
    const to = { ...body, name: 'X' };
    expect(withChanges(to, changesBetween(body, to))).toEqual({ value: to, blocked: [] });
  });

  const entry = fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), n: fc.integer({ min: 0, max: 3 }) });
  const value = fc.record(
    {
      name: fc.constantFrom('x', 'y'),
      size: fc.constantFrom(null, 1, 2),
      list: fc.uniqueArray(entry, { selector: ({ id }) => id, maxLength: 4 }),
      tags: fc.array(fc.constantFrom('p', 'q'), { maxLength: 2 }),
      inner: fc.record({ a: fc.nat(2), list: fc.uniqueArray(entry, { selector: ({ id }) => id, maxLength: 3 }) }),
    },
    { requiredKeys: ['name'] },
  );

  it('made on what they began from gives what they lead to, and reversed gives it back', () => {
    fc.assert(
      fc.property(value, value, (from, to) => {
        const changes = changesBetween(from, to);
        const there = withChanges<unknown>(from, changes);
        expect(there.blocked).toEqual([]);
        expect(isSameValue(there.value, to)).toBe(true);
        const back = withChanges<unknown>(to, reversed(changes));
        expect(back.blocked).toEqual([]);
        expect(isSameValue(back.value, from)).toBe(true);
      }),
      { seed: 9, numRuns: 3000 },
    );
  });

  it('never touches a place that the change does not name', () => {
    fc.assert(
      fc.property(value, value, fc.constantFrom('x', 'y', 'z'), (from, to, name) => {
        const changes = changesBetween(from, { ...to, name: from.name });
        expect(withChanges({ ...from, name }, changes).value.name).toBe(name);
      }),
      { seed: 10, numRuns: 500 },
    );
  });
});

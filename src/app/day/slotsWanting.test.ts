import { expect, it } from 'vitest';
import { aBody, aSlot } from '../../core/testing.ts';
import { fewCopiesText, ownCardText } from '../../text/day/day.ts';
import { slotsWanting } from './slotsWanting.ts';

it('slots that want a card of their own are told where the day leaves them empty', () => {
  const slots = [aSlot({ id: 'a', name: 'A' }), aSlot({ id: 'b', name: 'B', demandsCard: true })];
  const bodies = [aBody({ slots }), aBody({ id: 'other', slots })];
  const block = { blockId: 'k', bodyId: 'b', fromSeconds: 0, toSeconds: 60 };
  const sitting = { cardId: 'c', bodyId: 'b', fromSeconds: 0, toSeconds: null, rolledSeconds: 0, GB: 0 };
  const of = (slotId: string) => slotsWanting(bodies, { blocks: [block], sittings: [{ ...sitting, slotId }] });
  expect(of('a')).toEqual([{ bodyId: 'b', slots: ['B'] }]);
  expect(of('b')).toEqual([]);
  expect(slotsWanting(bodies, { blocks: [], sittings: [] })).toEqual([]);
  expect(ownCardText('Dory', ['B'])).toBe('B of Dory wants a card of its own, beside those planned here.');
});

it('a card that comes free on less than two verified copies is said', () => {
  const copies = { from: 'card' as const, destinations: [] };
  expect(fewCopiesText({ ...copies, count: 2, verify: true })).toBeNull();
  expect(fewCopiesText({ ...copies, count: 3, verify: true })).toBeNull();
  expect(fewCopiesText({ ...copies, count: 1, verify: true })).toContain('one copy');
  expect(fewCopiesText({ ...copies, count: 2, verify: false })).toContain('nobody has verified');
});

import { describe, expect, it } from 'vitest';
import type { Slot } from '../../core/kit/model.ts';
import { busesAsked } from './busesAsked.ts';

const slot = (name: string, ...accepts: Slot['accepts'][number][]): Pick<Slot, 'name' | 'accepts'> => ({
  name,
  accepts,
});
const sd = { form: 'sd', bus: null } as const;
const told = (slots: readonly Pick<Slot, 'name' | 'accepts'>[], apart?: boolean) =>
  busesAsked(slots, apart).map(({ form, slots: own }) => `${form} in ${own.map(({ name }) => name).join(', ')}`);

describe('the buses that are asked about', () => {
  it('are one question a form, also where several slots take it', () => {
    expect(told([slot('1', sd), slot('2', sd)])).toEqual(['sd in 1, 2']);
    expect(told([slot('1', { form: 'cfexpress-a', bus: null }, sd), slot('2', sd)])).toEqual([
      'cfexpress-a in 1',
      'sd in 1, 2',
    ]);
  });

  it('are one a slot where its slots differ', () => {
    expect(told([slot('1', sd), slot('2', sd)], true)).toEqual(['sd in 1', 'sd in 2']);
  });

  it('leave out what is entered, and what can only be one', () => {
    expect(told([slot('1', { form: 'sd', bus: 'uhs-ii' }), slot('2', sd)])).toEqual(['sd in 2']);
    expect(told([slot('1', { form: 'module', bus: null })])).toEqual([]);
    expect(told([])).toEqual([]);
  });

  it('offer the fastest first, and only buses of the form', () => {
    expect(busesAsked([slot('1', sd)])[0]?.buses).toEqual(['uhs-ii', 'uhs-i', 'high-speed']);
    for (const one of busesAsked([slot('1', { form: 'cfexpress-b', bus: null })]))
      expect(one.buses.every((bus) => bus.startsWith('cfx') || bus.startsWith('cfexpress'))).toBe(true);
  });
});

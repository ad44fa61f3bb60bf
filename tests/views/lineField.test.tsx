import { act, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { NumberLine } from '../../src/ui/LineField.tsx';
import { draw } from './draw.tsx';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

/** A number that is kept elsewhere and comes back when it is told to, as from the store. */
function drawn() {
  const kept: (number | null)[] = [];
  const line = (value: number) => (
    <NumberLine label="Air" unit="°C" value={value} min={-40} max={60} onChange={(next) => kept.push(next)} />
  );
  const view = draw(line(20));
  const field = screen.getByLabelText<HTMLInputElement>('Air');
  return {
    kept,
    type: (text: string) => fireEvent.change(field, { target: { value: text } }),
    pause: () => act(() => vi.advanceTimersByTime(300)),
    comes: (value: number) => view.rerender(line(value)),
    text: () => field.value,
  };
}

describe('a number that is typed while the one before it is kept', () => {
  it('is not written over when that comes back', () => {
    const { kept, type, pause, comes, text } = drawn();
    type('1');
    pause();
    type('18');
    comes(1);
    expect(text()).toBe('18');
    pause();
    comes(18);
    expect([text(), kept]).toEqual(['18', [1, 18]]);
  });

  it('gives way to what was changed elsewhere, the value it had kept itself among them', () => {
    const { type, pause, comes, text } = drawn();
    type('18');
    pause();
    comes(18);
    comes(25);
    expect(text()).toBe('25');
    comes(18);
    expect(text(), 'taken back').toBe('18');
    type('7');
    comes(30);
    expect(text()).toBe('30');
  });

  it('is written as it is kept', () => {
    const { type, pause, comes, text } = drawn();
    type('18.004');
    pause();
    comes(18);
    expect(text()).toBe('18');
  });
});

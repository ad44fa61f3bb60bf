import { Select } from '@mantine/core';
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { ofMany } from '../../src/ui/choices.ts';
import { draw } from './draw.tsx';

const cards = (count: number) => Array.from({ length: count }, (_, at) => ({ value: `c${at}`, label: `C-${at}` }));
const options = (): readonly string[] =>
  screen.queryAllByRole('option', { hidden: true }).map((one) => one.textContent ?? '');

describe('a list of one’s own things', () => {
  it('draws few of many', () => {
    draw(<Select label="Card" data={cards(5000)} defaultValue="c4321" {...ofMany(5000)} />);
    const field = screen.getByRole<HTMLInputElement>('combobox', { name: 'Card' });
    expect(field.value).toBe('C-4321');
    fireEvent.click(field);
    expect(options().length).toBeLessThan(100);
  });

  it('finds those that are not drawn by their name', () => {
    draw(<Select label="Card" data={cards(5000)} searchValue="C-1234" {...ofMany(5000)} />);
    fireEvent.click(screen.getByRole('combobox', { name: 'Card' }));
    expect(options()).toEqual(['C-1234']);
  });

  it('draws all of a few', () => {
    draw(<Select label="Card" data={cards(14)} {...ofMany(14)} />);
    fireEvent.click(screen.getByRole('combobox', { name: 'Card' }));
    expect(options()).toHaveLength(14);
  });
});

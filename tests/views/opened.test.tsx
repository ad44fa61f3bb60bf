import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { newBench, newBurst, type Open } from '../../src/app/prove/opened.ts';
import type { ProveKit } from '../../src/app/prove/proveKit.ts';
import { logEntries } from '../../src/core/prove/entries.ts';
import { Opened } from '../../src/islands/prove/Opened.tsx';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { parseKit } from '../../src/kit/importKit.ts';
import { draw, words } from './draw.tsx';

const read = await parseKit(JSON.stringify(demo));
if (!read.ok) throw new Error('the demo does not open');
const { kit } = read.value;
const named = {
  bodies: new Map(kit.bodies.map((one) => [one.id, one])),
  cards: new Map(kit.cards.map((one) => [one.id, one])),
};
const entries = logEntries(kit);

function opened(open: Open, isGone = false) {
  const on = { saved: vi.fn(), done: vi.fn(), close: vi.fn(), delete: vi.fn(), again: vi.fn() };
  const entry = open.kind === 'entry' ? entries.find(({ key }) => key === open.key) : undefined;
  draw(
    <Opened
      kit={kit as unknown as ProveKit}
      open={open}
      entry={entry}
      isGone={isGone}
      named={named}
      watch={{ running: null } as never}
      why={null}
      onSaved={on.saved}
      onDone={on.done}
      onClose={on.close}
      onDelete={on.delete}
      onAgain={on.again}
    />,
  );
  return { ...on, entry };
}
const head = (): string => screen.getByRole('heading', { level: 2 }).textContent ?? '';

describe('the panel beside the log', () => {
  it.each([
    [{ kind: 'burst', item: newBurst() }, 'Log a burst'],
    [{ kind: 'bench', item: newBench() }, 'Log a bench result'],
    [{ kind: 'counter' }, 'Note a counter'],
    [{ kind: 'incident' }, 'Note an incident'],
  ] as const)('is titled by what is entered, and closes: %j', (open, title) => {
    const { close } = opened(open as Open);
    expect(head()).toBe(title);
    expect(screen.queryByRole('button', { name: 'Delete' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(close).toHaveBeenCalledOnce();
  });

  it('an incident is read where it stands, with the way to its card', () => {
    const incident = entries.find(({ kind }) => kind === 'incident');
    const { delete: deleted } = opened({ kind: 'entry', key: incident?.key ?? '' });
    expect(words(screen.getByRole('complementary'))).toContain('It stands with its card: change it there.');
    expect(screen.getByRole('link', { name: 'change it there' }).getAttribute('href')).toBe(
      `/cards?open=${incident?.cardId}`,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(deleted).toHaveBeenCalledWith(incident);
  });

  it('what is gone is not deleted again', () => {
    const incident = entries.find(({ kind }) => kind === 'incident');
    opened({ kind: 'entry', key: incident?.key ?? '' }, true);
    expect(screen.queryByRole('button', { name: 'Delete' })).toBeNull();
  });

  it('a burst that is wanting figures says which, beside its fields', async () => {
    opened({ kind: 'burst', item: newBurst() });
    fireEvent.submit(screen.getByRole('complementary').querySelector('form') as HTMLFormElement);
    const said = words(screen.getByRole('complementary'));
    expect(said).toMatch(/must be a number|is missing|is empty/);
  });
});

import 'fake-indexeddb/auto';
import { screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { database } from '../../src/app/kit/database.ts';
import { drafted } from '../../src/app/kit/draft.ts';
import { keepUnsaved } from '../../src/app/kit/unsaved.ts';
import { write } from '../../src/app/kit/write.ts';
import type { Card } from '../../src/core/kit/model.ts';
import { aCard } from '../../src/core/testing.ts';
import { EMPTY_KIT } from '../../src/kit/kit.ts';
import { schema } from '../../src/kit/schemas/card.ts';
import { startWith } from '../../src/store/apply.ts';
import { put } from '../../src/store/edit.ts';
import { useItemForm } from '../../src/ui/useItemForm.ts';
import { draw, words } from './draw.tsx';

const before = aCard({ label: 'C-01', note: 'before' });
const saved = aCard({ label: 'C-01', note: 'as it was saved' });
const typed = aCard({ label: 'C-01', note: 'as it was typed' });

function Form({ item }: { readonly item: Card }) {
  const { form, resumed, overtaken } = useItemForm<Card>({
    list: 'cards',
    name: ({ label }) => String(label),
    item: drafted(item),
    isNew: false,
    isGone: false,
    schema,
    save: () => Promise.reject(new Error('not saved here')),
    onSaved: () => {},
  });
  return (
    <p>
      {String(form.values.note)}, {resumed ? 'taken up again' : 'as stored'}, {overtaken ? 'overtaken' : 'newest'}
    </p>
  );
}

/** A draft typed at a moment, over an entry that was stored anew since. */
async function reopened(at: string): Promise<string> {
  keepUnsaved('cards', { base: drafted(before), values: drafted(typed) as Card, at });
  draw(<Form item={saved} />);
  await new Promise((go) => setTimeout(go, 50));
  return words(screen.getByText(/stored|again/));
}

describe('a form that is opened again', () => {
  beforeEach(async () => {
    localStorage.clear();
    await database.delete();
    await database.open();
    await startWith(database, { ...EMPTY_KIT, cards: [before] });
    await write('saved', [put('cards', saved, { base: before })]);
  });

  it('drops what was typed before the entry was stored: a killed browser brings it back', async () => {
    expect(await reopened('2020-01-01T00:00:00Z')).toBe('as it was saved, as stored, newest');
    await waitFor(() => expect(Object.keys(localStorage).filter((key) => key.includes('unsaved'))).toEqual([]));
  });

  it('keeps what was typed after it, and says that the entry changed meanwhile', async () => {
    expect(await reopened('2999-01-01T00:00:00Z')).toBe('as it was typed, taken up again, overtaken');
  });
});

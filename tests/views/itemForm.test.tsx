import 'fake-indexeddb/auto';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { database } from '../../src/app/kit/database.ts';
import { drafted } from '../../src/app/kit/draft.ts';
import { keepUnsaved } from '../../src/app/kit/unsaved.ts';
import { write } from '../../src/app/kit/write.ts';
import type { Card } from '../../src/core/kit/model.ts';
import { ok } from '../../src/core/result.ts';
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

describe('a form that is typed in while it is stored', () => {
  /** Stores when it is told to; what was stored comes back as the entry, as it does from the store. */
  function drawSlow() {
    const stored: Card[] = [];
    let store = (): void => {};
    function Slow({ item }: { readonly item: Card }) {
      const { form, changed, onSubmit } = useItemForm<Card>({
        list: 'cards',
        name: ({ label }) => String(label),
        item: drafted(item),
        isNew: false,
        isGone: false,
        schema,
        save: (next) =>
          new Promise((done) => {
            store = () => {
              stored.push(next);
              done(ok({ id: null, what: 'saved' }));
            };
          }),
        onSaved: () => {},
      });
      return (
        <form onSubmit={onSubmit}>
          <input aria-label="Note" {...form.getInputProps('note')} />
          <output>{changed ? 'to be saved' : 'saved'}</output>
        </form>
      );
    }
    const view = draw(<Slow item={before} />);
    const field = screen.getByLabelText<HTMLInputElement>('Note');
    return {
      stored,
      type: (note: string) => fireEvent.change(field, { target: { value: note } }),
      submit: () => fireEvent.submit(field.form as HTMLFormElement),
      store: () => act(async () => store()),
      comesBack: (item: Card) => view.rerender(<Slow item={item} />),
      reads: () => `${field.value}: ${words(screen.getByRole('status'))}`,
    };
  }

  it('keeps what was typed meanwhile, as what is still to be saved, and saves it then', async () => {
    const form = drawSlow();
    form.type('one');
    form.submit();
    form.type('one and two');
    await form.store();
    expect(form.reads()).toBe('one and two: to be saved');
    form.comesBack(aCard({ label: 'C-01', note: 'one' }));
    expect(form.reads()).toBe('one and two: to be saved');
    form.submit();
    await form.store();
    expect(form.stored.map(({ note }) => note)).toEqual(['one', 'one and two']);
    expect(form.reads()).toBe('one and two: saved');
  });

  it('keeps what is typed in the moment in which the stored entry comes back', async () => {
    const form = drawSlow();
    form.type('one');
    form.submit();
    await form.store();
    expect(form.reads()).toBe('one: saved');
    // Before what hangs on the new entry is done, the next key is pressed.
    act(() => {
      form.comesBack(aCard({ label: 'C-01', note: 'one' }));
      form.type('one more');
    });
    expect(form.reads()).toBe('one more: to be saved');
  });
});

import { useState } from 'react';
import { deleteCard, duplicateCard, newId } from '../../app/kitActions.ts';
import type { Card } from '../../core/model/kit.ts';
import type { Kit } from '../../kit/kit.ts';
import { Shell } from '../../ui/Shell.tsx';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import { CardForm } from './CardForm.tsx';
import css from './CardsView.module.css';
import { CardTable } from './CardTable.tsx';

export default function CardsView({ demo }: { readonly demo: boolean }) {
  return (
    <Shell frame="cards" demo={demo}>
      {(kit) => <Cards kit={kit} />}
    </Shell>
  );
}

const newCard = (): Card => ({
  id: newId(),
  label: '',
  form: 'sd',
  capacityGB: '' as unknown as number,
  usableGB: null,
  marks: [],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
});

type Open = { readonly kind: 'known'; readonly id: string } | { readonly kind: 'new'; readonly card: Card };

function Cards({ kit }: { readonly kit: Kit }) {
  const { cards } = kit;
  const [open, setOpen] = useState<Open | null>(null);
  const stored = useStored();
  const card = open?.kind === 'new' ? open.card : cards.find(({ id }) => id === open?.id);
  const remove = (one: Card): void =>
    void stored(async () => {
      const undo = await deleteCard(one.id);
      setOpen(null);
      undoNotice(`${one.label} deleted.`, undo);
    });
  const copy = (one: Card): void =>
    void stored(async () => undoNotice(`${one.label} duplicated.`, await duplicateCard(one, cards)));
  return (
    <div className={css.cards}>
      <div className={css.wallet}>
        <div className={css.head}>
          <h1>Cards</h1>
          <button
            type="button"
            className="ink-button"
            data-strong={cards.length === 0 || undefined}
            onClick={() => setOpen({ kind: 'new', card: newCard() })}
          >
            Add a card
          </button>
        </div>
        {cards.length === 0 ? (
          <p className={css.empty}>
            No card yet. A card here is a physical one, with the label you wrote on it and what its maker printed.
          </p>
        ) : (
          <CardTable
            cards={cards}
            openId={card && open?.kind === 'known' ? card.id : null}
            onOpen={(id) => setOpen({ kind: 'known', id })}
          />
        )}
      </div>
      {card && (
        <aside className={css.side} aria-label={open?.kind === 'new' ? 'New card' : `Card ${card.label}`}>
          <CardForm
            key={card.id}
            card={card}
            isNew={open?.kind === 'new'}
            onSaved={(saved) => setOpen({ kind: 'known', id: saved.id })}
            onDelete={() => remove(card)}
            onDuplicate={() => copy(card)}
            onClose={() => setOpen(null)}
          />
        </aside>
      )}
    </div>
  );
}

import { useState } from 'react';
import { addCards, changeCards, deleteCards, duplicateCard } from '../../app/cards/cardActions.ts';
import { WHOLE_WALLET, walletCards } from '../../app/cards/wallet.ts';
import type { Draft } from '../../app/kit/draft.ts';
import { unsavedNew } from '../../app/kit/unsaved.ts';
import type { ViewKit } from '../../app/kit/useKit.ts';
import type { Card } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import { STATE_WORDS } from '../../text/cards/state.ts';
import { whenText } from '../../text/kit/when.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { part } from '../../ui/part.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useLastSeen } from '../../ui/useLastSeen.ts';
import { Shell } from '../shell/Shell.tsx';
import { CardForm } from './CardForm.tsx';
import css from './CardsView.module.css';
import { CardTable } from './CardTable.tsx';
import { LabelReader } from './LabelReader.tsx';
import { ManyCards } from './ManyCards.tsx';
import { WalletTools } from './WalletTools.tsx';

const PasteCards = part(() => import('./PasteCards.tsx'));

const LISTS = ['cards'] as const;

export default function CardsView() {
  return (
    <Shell frame="cards" lists={LISTS}>
      {(kit) => <Cards kit={kit} />}
    </Shell>
  );
}

const newCard = (): Draft<Card> => ({
  id: newId(),
  label: '',
  form: 'sd',
  capacityGB: '',
  usableGB: null,
  marks: [],
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
});

type Open =
  | { readonly kind: 'known'; readonly id: string }
  | { readonly kind: 'new'; readonly card: Draft<Card> }
  | { readonly kind: 'reader' };

/** Cards shown at once: a wallet of thousands is searched, not scrolled. */
const PAGE = 200;

/** What the address asks to open: `?open=` and an id. */
function openFromAddress(): Open | null {
  const id = new URLSearchParams(window.location.search).get('open');
  return id === null ? null : { kind: 'known', id };
}

function Cards({ kit }: { readonly kit: ViewKit<'cards'> }) {
  const { cards } = kit;
  const [open, setOpen] = useState<Open | null>(openFromAddress);
  const [view, setView] = useState(WHOLE_WALLET);
  const [pasting, setPasting] = useState(false);
  const [limit, setLimit] = useState(PAGE);
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set());
  const change = useChange();
  const shown = walletCards(cards, view);
  const chosen = shown.filter(({ id }) => chosenIds.has(id));
  const knownId = open?.kind === 'known' ? open.id : null;
  const { item: found, isGone } = useLastSeen(
    cards.find(({ id }) => id === knownId),
    knownId,
  );
  const card = open?.kind === 'new' ? open.card : found;
  const remove = (one: Card): void =>
    void change(async () => {
      const written = await deleteCards([one]);
      if (written.ok) setOpen(null);
      return written;
    });
  const add = (added: readonly Card[]): void =>
    void change(() => addCards(added)).then((made) => (made ? setPasting(false) : undefined));
  const copy = (one: Card): void => void change(() => duplicateCard(one, cards));
  const go = (next: Open | null): void => leave(() => setOpen(next));
  // A new card that was typed and never saved is still there to go on with.
  const unsaved = unsavedNew('cards').filter(
    ({ values: { id } }) => id !== card?.id && !cards.some((one) => one.id === id),
  );
  return (
    <div className={css.cards}>
      <div className={css.wallet}>
        <div className={css.head}>
          <h1>Cards</h1>
          <div className={css.actions}>
            <button type="button" className="plain-button" onClick={() => setPasting(true)}>
              Paste several
            </button>
            <button type="button" className="ink-button" onClick={() => go({ kind: 'reader' })}>
              Read a label
            </button>
            <button
              type="button"
              className="ink-button"
              data-strong={cards.length === 0 || undefined}
              onClick={() => go({ kind: 'new', card: newCard() })}
            >
              Add a card
            </button>
          </div>
        </div>
        {unsaved.map(({ values, at }) => (
          <p key={values.id} className="tone-warm">
            {(values as { readonly label?: string }).label || 'A new card'}, typed {whenText(at)}, is not saved.{' '}
            <button
              type="button"
              className="plain-button"
              onClick={() => go({ kind: 'new', card: values as Draft<Card> })}
            >
              Go on with it
            </button>
          </p>
        ))}
        <LeaveDialog />
        {cards.length === 0 ? (
          <p className={css.empty}>
            No card yet. A card here is a physical one, with the label you wrote on it and what its maker printed.
          </p>
        ) : (
          <>
            <WalletTools view={view} shown={shown.length} all={cards.length} onView={setView} />
            {shown.length === 0 ? (
              <p className={css.empty}>No card matches. Clear the search or a filter.</p>
            ) : (
              <CardTable
                cards={shown.slice(0, limit)}
                openId={knownId}
                view={view}
                chosen={chosenIds}
                onOpen={(id) => go({ kind: 'known', id })}
                onView={setView}
                onChoose={setChosenIds}
                onState={(one, state) =>
                  void change(() =>
                    changeCards([one], { state }, state ? `set to ${STATE_WORDS[state]}` : 'no longer followed'),
                  )
                }
              />
            )}
            {shown.length > limit && (
              <p className={css.more}>
                {limit} of {shown.length} shown.{' '}
                <button type="button" className="plain-button" onClick={() => setLimit(limit + PAGE)}>
                  Show {Math.min(PAGE, shown.length - limit)} more
                </button>
              </p>
            )}
            {chosen.length > 0 && <ManyCards chosen={chosen} all={cards} onDone={() => setChosenIds(new Set())} />}
          </>
        )}
      </div>
      {pasting && <PasteCards taken={cards.map(({ label }) => label)} onAdd={add} onClose={() => setPasting(false)} />}
      {open?.kind === 'reader' && (
        <aside className={css.side} aria-label="Label reader">
          <LabelReader onMake={(made) => setOpen({ kind: 'new', card: made })} onClose={() => setOpen(null)} />
        </aside>
      )}
      {card && (
        <aside className={css.side} aria-label={open?.kind === 'new' ? 'New card' : `Card ${card.label}`}>
          <CardForm
            key={card.id}
            card={card}
            isNew={open?.kind === 'new'}
            isGone={open?.kind === 'known' && isGone}
            onSaved={(saved) => setOpen({ kind: 'known', id: saved.id })}
            onDelete={() => found && remove(found)}
            onDuplicate={() => found && copy(found)}
            onClose={() => go(null)}
          />
        </aside>
      )}
    </div>
  );
}

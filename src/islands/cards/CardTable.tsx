import { memo, useCallback, useRef } from 'react';
import { cardLine } from '../../app/cards/cardLine.ts';
import { SORT_KEYS, type SortKey, type WalletView } from '../../app/cards/wallet.ts';
import type { Card, CardState } from '../../core/kit/model.ts';
import { capacityText, MBpsFigure } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import { STATE_CHOICES } from '../../ui/choices.ts';
import { FormSilhouette } from '../../ui/glyphs/FormSilhouette.tsx';
import css from './CardTable.module.css';

interface CardTableProps {
  readonly cards: readonly Card[];
  readonly openId: string | null;
  readonly view: WalletView;
  readonly chosen: ReadonlySet<string>;
  readonly onOpen: (id: string) => void;
  readonly onView: (view: WalletView) => void;
  readonly onChoose: (ids: ReadonlySet<string>) => void;
  readonly onState: (card: Card, state: CardState | null) => void;
}

const HEADS: Readonly<Record<SortKey, string>> = {
  label: 'Label',
  form: 'Form',
  capacity: 'Capacity',
  promise: 'Guaranteed minimum',
  state: 'State',
};

const NUMBERS: readonly SortKey[] = ['capacity', 'promise'];

/** The wallet: each card with what its print promises on its own bus. Heads sort; boxes choose several. */
export function CardTable({ cards, openId, view, chosen, onOpen, onView, onChoose, onState }: CardTableProps) {
  const all = cards.length > 0 && cards.every(({ id }) => chosen.has(id));
  const sortBy = (sort: SortKey): void =>
    onView({ ...view, sort, descending: view.sort === sort ? !view.descending : false });
  const now = useRef({ chosen, onChoose, onOpen, onState });
  now.current = { chosen, onChoose, onOpen, onState };
  const toggle = useCallback((id: string): void => {
    const next = new Set(now.current.chosen);
    if (!next.delete(id)) next.add(id);
    now.current.onChoose(next);
  }, []);
  const openCard = useCallback((id: string): void => now.current.onOpen(id), []);
  const setState = useCallback((card: Card, state: CardState | null): void => now.current.onState(card, state), []);
  return (
    <table className={css.table}>
      <thead>
        <tr>
          <th scope="col" className={css.box}>
            <input
              type="checkbox"
              aria-label="Choose all shown"
              checked={all}
              onChange={() => onChoose(all ? new Set() : new Set(cards.map(({ id }) => id)))}
            />
          </th>
          {SORT_KEYS.map((key) => (
            <th
              key={key}
              scope="col"
              className={NUMBERS.includes(key) ? css.number : undefined}
              aria-sort={view.sort === key ? (view.descending ? 'descending' : 'ascending') : undefined}
            >
              <button type="button" className={css.sort} onClick={() => sortBy(key)}>
                {HEADS[key]}
                <span aria-hidden="true">{view.sort === key ? (view.descending ? ' ↓' : ' ↑') : ''}</span>
              </button>
            </th>
          ))}
          <th scope="col">Printed</th>
        </tr>
      </thead>
      <tbody>
        {cards.map((card) => (
          <CardRow
            key={card.id}
            card={card}
            open={card.id === openId}
            chosen={chosen.has(card.id)}
            onOpen={openCard}
            onToggle={toggle}
            onState={setState}
          />
        ))}
      </tbody>
    </table>
  );
}

interface CardRowProps {
  readonly card: Card;
  readonly open: boolean;
  readonly chosen: boolean;
  readonly onOpen: (id: string) => void;
  readonly onToggle: (id: string) => void;
  readonly onState: (card: Card, state: CardState | null) => void;
}

/** Drawn anew only where its card is another. */
const CardRow = memo(function CardRow({ card, open, chosen, onOpen, onToggle, onState }: CardRowProps) {
  const { formName, bus, busName, capacity, floor, doubt, marks, incidents } = cardLine(card);
  return (
    <tr
      className={css.row}
      data-open={open || undefined}
      data-retired={card.retired || undefined}
      onClick={(event) => {
        if (!(event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement)) onOpen(card.id);
      }}
    >
      <td className={css.box}>
        <input
          type="checkbox"
          aria-label={`Choose ${card.label}`}
          checked={chosen}
          onChange={() => onToggle(card.id)}
        />
      </td>
      <th scope="row" className={css.label}>
        <button type="button" className={css.open} aria-expanded={open}>
          {card.label}
        </button>
      </th>
      <td>
        <span className={css.form}>
          <FormSilhouette form={card.form} bus={bus} />
          {formName}
          {busName && <span className="soft">{busName}</span>}
        </span>
      </td>
      <td className={css.number}>{capacityText(capacity)}</td>
      <td className={css.number}>
        {floor === null ? (
          <span className="soft">{doubt === 'contradicts' ? 'in doubt' : 'nothing known'}</span>
        ) : (
          <b>
            <Amount {...MBpsFigure(floor)} />
          </b>
        )}
      </td>
      <td>
        {card.retired ? (
          'retired'
        ) : (
          <select
            className={css.state}
            aria-label={`State of ${card.label}`}
            data-unset={!card.state || undefined}
            value={card.state ?? ''}
            onChange={(event) => onState(card, (event.currentTarget.value || null) as CardState | null)}
          >
            <option value="">—</option>
            {STATE_CHOICES.map(({ value, label }) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
          </select>
        )}
      </td>
      <td>
        {marks.length > 0 ? marks.join(' ') : <span className="soft">no mark</span>}
        {doubt && !card.verified && (
          <span className={css.doubt}>
            {doubt === 'contradicts' ? 'contradicts itself' : 'part of the label not read'}
          </span>
        )}
        {incidents > 0 && (
          <span className={css.doubt}>{incidents === 1 ? '1 incident' : `${incidents} incidents`}</span>
        )}
      </td>
    </tr>
  );
});

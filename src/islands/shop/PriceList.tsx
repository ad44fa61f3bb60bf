import { Checkbox } from '@mantine/core';
import { useMemo, useState } from 'react';
import { today } from '../../app/kit/today.ts';
import { deleteOffers } from '../../app/shop/shopActions.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { offerWarnings, type ShopChoice, type ShopQuestion, uselessOffers } from '../../app/shop/shopViews.ts';
import type { Offer } from '../../core/kit/shop.ts';
import type { ShopAnswer } from '../../core/shop/sets.ts';
import { currenciesText, isGrave, moneyText, warningText } from '../../text/shop/shop.ts';
import { Chips } from '../../ui/Chips.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './lists.module.css';

interface PriceListProps {
  readonly kit: ShopViewKit;
  readonly question: ShopQuestion;
  readonly choice: ShopChoice;
  readonly answer: ShopAnswer | null;
  readonly onChoice: (choice: ShopChoice) => void;
  readonly onOpen: (offer: Offer) => void;
  readonly onNew: () => void;
  readonly onPaste: () => void;
}

/** Offers shown at once: a list of thousands is searched, not scrolled. */
const PAGE = 40;

/** What is offered, and what is odd about it. */
export function PriceList(props: PriceListProps) {
  const { kit, question, choice, answer, onChoice, onOpen, onNew, onPaste } = props;
  const { prices } = kit;
  const change = useChange();
  const [search, setSearch] = useState('');
  const [limit, setLimit] = useState(PAGE);
  const day = today();
  const warnings = useMemo(
    () => new Map(offerWarnings(prices, day).map((one, at) => [prices[at]?.id, one])),
    [prices, day],
  );
  const useless = useMemo(
    () => (answer ? uselessOffers(question.input.offers, answer.serves) : new Set<string>()),
    [answer, question.input.offers],
  );
  const words = search.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const found = prices.filter((offer) => {
    const text = `${offer.name} ${offer.seller} ${offer.marks.join(' ')}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const { currency, otherCurrencies, outOfCurrency, doubtful } = question;
  return (
    <section className={css.list} aria-labelledby="shop-prices">
      <h2 id="shop-prices">Prices</h2>
      {prices.length === 0 && (
        <p className={css.empty}>
          No price yet. Paste a list from a shop or a spreadsheet, or add one you see on a shelf.
        </p>
      )}
      {prices.length > 12 && (
        <input
          type="search"
          className={css.search}
          aria-label="Find an offer"
          placeholder={`Find among ${prices.length.toLocaleString('en')}`}
          value={search}
          onChange={(event) => {
            setSearch(event.currentTarget.value);
            setLimit(PAGE);
          }}
        />
      )}
      {otherCurrencies.length > 0 && (
        <>
          <Chips
            legend="Currency"
            value={currency}
            choices={[currency, ...otherCurrencies].map((value) => ({ value, label: value || 'none' }))}
            onChange={(value) => onChoice({ ...choice, currency: value })}
          />
          <p className="tone-warm">{currenciesText(currency, otherCurrencies, outOfCurrency)}</p>
        </>
      )}
      {doubtful.size > 0 && (
        <Checkbox
          label={`Include the ${doubtful.size === 1 ? '' : `${doubtful.size} `}suspiciously cheap ${doubtful.size === 1 ? 'one' : 'ones'}`}
          checked={choice.countDoubtful}
          onChange={(event) => onChoice({ ...choice, countDoubtful: event.currentTarget.checked })}
        />
      )}
      <ul>
        {found.slice(0, limit).map((offer) => {
          const said = warnings.get(offer.id) ?? [];
          const grave = said.filter(isGrave);
          const other = said.filter((one) => !isGrave(one));
          const isUseless = useless.has(offer.id);
          const [first] = grave;
          return (
            <li key={offer.id}>
              <button
                type="button"
                className={css.row}
                data-grave={grave.length > 0 || undefined}
                data-useless={isUseless || offer.currency !== currency || undefined}
                onClick={() => onOpen(offer)}
              >
                <span className={css.name}>{offer.name}</span>
                <b className={css.figure}>{moneyText(offer.price)}</b>
                {first && (
                  <span className={css.more}>
                    {warningText(first)}
                    {grave.length > 1 && ` And ${grave.length - 1} more.`}
                  </span>
                )}
                <span className={css.quiet}>
                  {[
                    offer.seller || null,
                    ...(isUseless ? ['covers none of your modes'] : []),
                    ...other.map(warningText),
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      {found.length === 0 && prices.length > 0 && <p className={css.empty}>No offer matches.</p>}
      {found.length > limit && (
        <button type="button" className="plain-button" onClick={() => setLimit(limit + 200)}>
          Show {Math.min(200, found.length - limit)} more of {found.length.toLocaleString('en')}
        </button>
      )}
      <div className={css.actions}>
        <button type="button" className="plain-button" onClick={onPaste}>
          Paste a list
        </button>
        <button type="button" className="plain-button" onClick={onNew}>
          Add a price
        </button>
        {prices.length > 0 && (
          <>
            <button type="button" className="plain-button" onClick={() => void saveList()}>
              Save as CSV
            </button>
            <button type="button" className="plain-button" onClick={() => void change(() => deleteOffers(prices))}>
              Delete all
            </button>
          </>
        )}
      </div>
    </section>
  );
}

/** The CSV writer comes with its first use. */
async function saveList(): Promise<void> {
  const [{ tableFile }, { download }] = await Promise.all([
    import('../../app/kit/tables.ts'),
    import('../../ui/download.ts'),
  ]);
  const { name, text } = await tableFile('prices');
  download(name, text, 'text/csv;charset=utf-8');
}

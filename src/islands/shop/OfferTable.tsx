import { useMemo, useState } from 'react';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { offerFigures } from '../../app/shop/shopViews.ts';
import type { Need } from '../../core/kit/shop.ts';
import type { Serves, ShopInput } from '../../core/shop/options.ts';
import { moneyText, needTitle, servesText } from '../../text/shop/shop.ts';
import { Chips } from '../../ui/Chips.tsx';
import css from './BuyPart.module.css';

interface OfferTableProps {
  readonly kit: ShopViewKit;
  readonly input: ShopInput;
  readonly serves: readonly (readonly Serves[])[];
  readonly need: Need;
  readonly onNeed: (id: string) => void;
}

const PAGE = 30;

/** Cents of a gigabyte say more than whole amounts. */
const small = (price: number): string => (price >= 10 ? moneyText(Math.round(price * 10) / 10) : price.toFixed(2));

/** Every offer for one need: a gigabyte, an hour of it as planned, an hour of it under a promise. */
export default function OfferTable({ kit, input, serves, need, onNeed }: OfferTableProps) {
  const [limit, setLimit] = useState(PAGE);
  const at = input.needs.findIndex(({ id }) => id === need.id);
  const row = serves[at];
  const rows = useMemo(() => {
    if (!row || row.length !== input.offers.length) return [];
    const figures = offerFigures(input.offers, row);
    const worth = (one: (typeof figures)[number]): number => one.pricePerHour ?? Number.POSITIVE_INFINITY;
    return figures
      .map((figure, place) => ({ figure, offer: input.offers[place] }))
      .sort((a, b) => {
        const [one, other] = [worth(a.figure), worth(b.figure)];
        return one === other ? a.figure.pricePerGB - b.figure.pricePerGB : one - other;
      });
  }, [row, input.offers]);
  return (
    <>
      <h3 id="shop-each">What each offer is worth</h3>
      {input.needs.length > 1 && (
        <Chips
          legend="For"
          value={need.id}
          choices={input.needs.map((one) => ({ value: one.id, label: needTitle(one, kit.bodies) }))}
          onChange={onNeed}
        />
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls is reached by key */}
      <section className={css.scroll} tabIndex={0} aria-label="Table of the offers">
        <table className={css.table}>
          <thead>
            <tr>
              <th scope="col">Offer</th>
              <th scope="col">Price</th>
              <th scope="col">a GB</th>
              <th scope="col">per recorded hour</th>
              <th scope="col">an hour, guaranteed</th>
              <th scope="col">Here</th>
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, limit).map(({ figure, offer }) => (
              <tr key={figure.offerId} data-useless={!figure.serves.serves || undefined}>
                <th scope="row">{offer?.name}</th>
                <td>{offer && moneyText(offer.price)}</td>
                <td>{small(figure.pricePerGB)}</td>
                <td>{figure.pricePerHour === null ? '–' : small(figure.pricePerHour)}</td>
                <td>{figure.pricePerGuaranteedHour === null ? '–' : small(figure.pricePerGuaranteedHour)}</td>
                <td>{figure.serves.serves ? servesText(figure.serves) : `not usable: ${servesText(figure.serves)}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {rows.length > limit && (
        <button type="button" className="plain-button" onClick={() => setLimit(limit + 200)}>
          Show {Math.min(200, rows.length - limit)} more of {rows.length.toLocaleString('en')}
        </button>
      )}
    </>
  );
}

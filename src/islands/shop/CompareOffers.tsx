import { useMemo, useState } from 'react';
import { typedLabel } from '../../app/cards/cardDraft.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { compareOffers } from '../../app/shop/shopViews.ts';
import type { Offer } from '../../core/kit/shop.ts';
import type { Policy } from '../../core/match/policy.ts';
import { gainText, minutesBesideText, offloadText, riskText, worthText } from '../../text/shop/compare.ts';
import { differenceText, moneyText } from '../../text/shop/shop.ts';
import { part } from '../../ui/part.tsx';
import css from './BuyPart.module.css';

const CardPicture = part(() => import('../photo/CardPicture.tsx'));

interface CompareOffersProps {
  readonly kit: ShopViewKit;
  readonly offers: readonly Offer[];
  readonly policy: Policy;
  /** A card in the hand, read off a picture: it becomes an offer whose price is typed. */
  readonly onRead: (text: string) => void;
}

/** Two offers side by side for everything in the kit. */
export default function CompareOffers({ kit, offers, policy, onRead }: CompareOffersProps) {
  const [picked, setPicked] = useState<readonly [string, string]>(['', '']);
  const [a, b] = picked.map((id) => offers.find((offer) => offer.id === id));
  const [picturing, setPicturing] = useState(false);
  const found = useMemo(() => (a && b && a !== b ? compareOffers(a, b, kit, policy) : null), [a, b, kit, policy]);
  const choose = (at: 0 | 1, id: string): void => setPicked(at === 0 ? [id, picked[1]] : [picked[0], id]);
  return (
    <>
      <h3 id="shop-dear">Is the dearer card worth it?</h3>
      <div className={css.pick}>
        {([0, 1] as const).map((at) => (
          <label key={at}>
            {at === 0 ? 'This' : 'against this'}
            <select value={picked[at]} onChange={(event) => choose(at, event.currentTarget.value)}>
              <option value="">choose an offer</option>
              {offers.map((offer) => (
                <option key={offer.id} value={offer.id}>
                  {offer.name}, {moneyText(offer.price)} {offer.currency}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
      <div>
        <button type="button" className="plain-button" onClick={() => setPicturing(true)}>
          Read one in your hand off a picture
        </button>
      </div>
      {picturing && (
        <CardPicture
          typed={typedLabel('')}
          onAccept={(text) => {
            setPicturing(false);
            onRead(text);
          }}
          onClose={() => setPicturing(false)}
        />
      )}
      {a && b && a === b && <p className="tone-warm">Choose two different offers.</p>}
      {found && (
        <div className={css.worth} role="status">
          <p>
            <b>{found.dear.name}</b>{' '}
            {found.dear.currency === found.plain.currency
              ? `costs ${differenceText(found.dear.price - found.plain.price)} over`
              : 'is in another currency than'}{' '}
            <b>{found.plain.name}</b>. <b>{worthText(found.comparison, kit.bodies)}</b>
          </p>
          <dl>
            {found.comparison.gains.map((gain) => (
              <div key={JSON.stringify(gain)} data-quiet={gain.code === 'no-slot' || undefined}>
                <dt>{kit.bodies.find(({ id }) => id === gain.bodyId)?.name}</dt>
                <dd>
                  {gainText(gain, kit.bodies)}
                  <small>
                    {gain.code === 'no-slot' ? '' : minutesBesideText(found.comparison, gain.bodyId, kit.bodies)}
                  </small>
                </dd>
              </div>
            ))}
          </dl>
          <p>{offloadText(found.comparison)}</p>
          <p>{riskText(found.comparison)}</p>
        </div>
      )}
    </>
  );
}

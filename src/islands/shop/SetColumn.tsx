import { buySet } from '../../app/shop/shopActions.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { trySet } from '../../app/shop/shopViews.ts';
import type { ShopSet } from '../../core/shop/sets.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { minutesText } from '../../text/quantity.ts';
import {
  AIM_MEANINGS,
  AIM_WORDS,
  countedText,
  moneyText,
  NOT_HANDED_OVER,
  proofText,
  swapsText,
} from '../../text/shop/shop.ts';
import { alarm } from '../../ui/notices.ts';
import { Term } from '../../ui/Term.tsx';
import { useChange } from '../../ui/useChange.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './BuyPart.module.css';

interface SetColumnProps {
  readonly kit: ShopViewKit;
  readonly set: ShopSet;
  readonly titleOf: (needId: string) => string;
}

/** Own cards of one need, as one line. */
function ownLines(
  set: ShopSet,
): readonly { readonly needId: string; readonly cardIds: readonly string[]; readonly minutes: number }[] {
  const byNeed = new Map<string, { cardIds: string[]; minutes: number }>();
  for (const { needId, cardId, minutes } of set.owned) {
    const known = byNeed.get(needId) ?? { cardIds: [], minutes: 0 };
    known.cardIds.push(cardId);
    known.minutes += minutes;
    byNeed.set(needId, known);
  }
  return [...byNeed].map(([needId, one]) => ({ needId, ...one }));
}

/** One of the three answers: what is bought, what it holds, what it asks of you, and what to do with it. */
export function SetColumn({ kit, set, titleOf }: SetColumnProps) {
  const { prices, cards, needs } = kit;
  const change = useChange();
  const hours = needs
    .filter(({ id }) => set.needs.some(({ needId }) => needId === id))
    .reduce((sum, one) => sum + one.hours, 0);
  const name = AIM_WORDS[set.aim];
  const tried = (): void => {
    const ok = trySet(
      set,
      prices,
      cards,
      `${name}: ${set.items.map(({ offerId, count }) => countedText(count, offerOf(offerId))).join(', ')}`,
    );
    if (ok) window.location.assign('/');
    else alarm(NOT_HANDED_OVER);
  };
  const offerOf = (id: string) =>
    prices.find((offer) => offer.id === id) ?? { name: 'an offer that is gone', price: 0 };
  return (
    <section className={css.set} aria-label={name} data-aim={set.aim}>
      <h3>{name}</h3>
      <p className={css.price}>{moneyText(set.price)}</p>
      <p className={css.meaning}>
        <WithTerms text={AIM_MEANINGS[set.aim]} />
      </p>
      <ul className={css.items}>
        {set.items.map((item) => (
          <li key={JSON.stringify([item.offerId, item.needId, item.minutes])}>
            <span>{countedText(item.count, offerOf(item.offerId))}</span>
            <b>{moneyText(item.count * offerOf(item.offerId).price)}</b>
            <small>
              {titleOf(item.needId)}, {minutesText(item.minutes)}
              {item.count > 1 ? ' each' : ''}, {VERDICT_WORDS[item.verdict].toLowerCase()}
            </small>
          </li>
        ))}
        {ownLines(set).map(({ needId, cardIds, minutes }) => (
          <li key={`own ${needId}`} data-own>
            <span>{cardIds.map((id) => cards.find((card) => card.id === id)?.label ?? '?').join(', ')}</span>
            <b>own</b>
            <small>
              {titleOf(needId)}, {minutesText(minutes)}
            </small>
          </li>
        ))}
        {set.items.length === 0 && (
          <li>
            <span>Nothing to buy: your own cards do.</span>
          </li>
        )}
      </ul>
      <div className={css.sum}>
        <p>
          <b>{swapsText(set.swaps, hours)}</b> · <Term of="at-risk">most on one card</Term>{' '}
          <b>{minutesText(set.mostMinutesOnOneCard)}</b>
        </p>
        <ul className={css.left}>
          {set.needs.map(({ needId, minutes, wanted }) => (
            <li key={needId}>
              {titleOf(needId)}: {minutesText(minutes - wanted)} left over
            </li>
          ))}
        </ul>
        <p className={set.optimal ? 'soft' : 'tone-warm'}>{proofText(set)}</p>
      </div>
      <div className={css.do}>
        {set.items.length > 0 && (
          <>
            <button type="button" className="plain-button" onClick={tried}>
              Try in the table
            </button>
            <button
              type="button"
              className="plain-button"
              onClick={() => void change(() => buySet(set, prices, cards))}
            >
              Add to Cards as bought
            </button>
          </>
        )}
      </div>
    </section>
  );
}

import { Checkbox } from '@mantine/core';
import { useState } from 'react';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import type { ShopChoice, ShopQuestion } from '../../app/shop/shopViews.ts';
import type { ShopState } from '../../app/shop/useShop.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { WhatIf } from '../../core/shop/whatIf.ts';
import { differenceText, needTitle, whatIfSays, whatIfText } from '../../text/shop/shop.ts';
import { part } from '../../ui/part.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './BuyPart.module.css';
import { SetColumn } from './SetColumn.tsx';

const TradeOff = part(() => import('./TradeOff.tsx'));
const OfferTable = part(() => import('./OfferTable.tsx'));
const CompareOffers = part(() => import('./CompareOffers.tsx'));

interface BuyPartProps {
  readonly kit: ShopViewKit;
  readonly policy: Policy;
  readonly question: ShopQuestion;
  readonly choice: ShopChoice;
  readonly shop: ShopState;
  readonly onChoice: (choice: ShopChoice) => void;
  readonly onNeed: () => void;
  readonly onPaste: () => void;
  /** A card was read off a picture. */
  readonly onRead: (text: string) => void;
}

/** Three answers side by side, what lies between them, and what each wish costs. */
export function BuyPart({ kit, policy, question, choice, shop, onChoice, onNeed, onPaste, onRead }: BuyPartProps) {
  const { bodies, needs, prices } = kit;
  const { input, currency } = question;
  const { state, again, answer, proving, around } = shop;
  const [needId, setNeedId] = useState<string | null>(null);
  const titleOf = (id: string): string => {
    const need = needs.find((one) => one.id === id);
    return need ? needTitle(need, bodies) : 'a need that is gone';
  };
  const inUse = input.kit.cards.filter(({ retired }) => !retired).length;
  const allProven = answer !== null && answer.sets.length > 0 && answer.sets.every(({ optimal }) => optimal);
  const missing = bodies.every(({ modes }) => modes.length === 0);
  const chosen = input.needs.find(({ id }) => id === needId) ?? input.needs[0] ?? null;
  return (
    <div className={css.buy}>
      <div className={css.head}>
        <h2>What to buy</h2>
        <p className="soft" role="status">
          {answer === null
            ? 'all needs met at the same time'
            : [
                allProven ? 'all combinations checked' : null,
                currency || null,
                choice.useOwned && inUse > 0 ? `your ${inUse} cards used first` : 'everything bought',
              ]
                .filter(Boolean)
                .join(' · ')}
        </p>
        {inUse > 0 && (
          <Checkbox
            label="Use my own cards"
            checked={choice.useOwned}
            onChange={(event) => onChoice({ ...choice, useOwned: event.currentTarget.checked })}
          />
        )}
      </div>
      {needs.length === 0 && (
        <div className={css.empty}>
          <p>
            From a price list and what you want to record: the cheapest set, the fewest cards, and the one with the
            fewest minutes on one card. Each says whether every combination was checked.
          </p>
          {missing ? (
            <p>
              A need is a mode of a camera: add a camera with its modes under <a href="/bodies">Cameras</a> first.
            </p>
          ) : (
            <button type="button" className="ink-button" data-strong onClick={onNeed}>
              Say what you need
            </button>
          )}
        </div>
      )}
      {needs.length > 0 && prices.length === 0 && (
        <div className={css.empty}>
          <p>To work out what to buy, paste a price list, one card per line.</p>
          <button type="button" className="ink-button" data-strong onClick={onPaste}>
            Paste a list
          </button>
        </div>
      )}
      {(answer === null || state.phase !== 'running') && <TaskNote state={state} what="the sets" onAgain={again} />}
      {answer?.isOpen && !proving && (
        <p className="tone-warm" role="status">
          No shopping list was found in the time allowed; one may still exist. Turn off “Use my own cards”, leave out
          some modes, or add prices, and try again.
        </p>
      )}
      {proving && (
        <p className="tone-warm" role="status">
          {answer?.isOpen
            ? 'Your own cards can be shared out in many ways: still looking.'
            : 'The lists below meet everything you entered. Still checking whether a better one exists.'}{' '}
          <button type="button" className="plain-button" onClick={proving.stop}>
            Leave it at that
          </button>
        </p>
      )}
      {answer !== null && answer.sets.length === 0 && answer.impossible.length > 0 && (
        <p className="tone-hot" role="alert">
          No set can be made: nothing meets any of the needs that count. Why stands beside each of them.
        </p>
      )}
      {answer !== null && answer.sets.length > 0 && answer.impossible.length > 0 && (
        <p className="tone-hot" role="alert">
          These sets leave out {answer.impossible.map(({ needId: id }) => titleOf(id)).join(', ')}: nothing meets it.
        </p>
      )}
      {answer !== null && answer.sets.length > 0 && (
        <div className={css.sets}>
          {answer.sets.map((set) => (
            <SetColumn key={set.aim} kit={kit} set={set} titleOf={titleOf} />
          ))}
        </div>
      )}
      {around && answer && (
        <div className={css.around}>
          <section aria-labelledby="shop-between">
            <h3 id="shop-between">Between them</h3>
            <TradeOff curve={around.curve} sets={answer.sets} currency={currency} />
          </section>
          <section aria-labelledby="shop-ifs">
            <h3 id="shop-ifs">Price if you leave one mode out or change it</h3>
            <ul className={css.ifs}>
              {around.ifs.map((one) => (
                <IfRow key={JSON.stringify(one.kind)} one={one} titleOf={titleOf} />
              ))}
            </ul>
          </section>
        </div>
      )}
      {answer && chosen && input.offers.length > 0 && (
        <section aria-labelledby="shop-each" className={css.each}>
          <OfferTable kit={kit} input={input} serves={answer.serves} need={chosen} onNeed={setNeedId} />
        </section>
      )}
      {prices.length > 1 && (
        <section aria-labelledby="shop-dear" className={css.each}>
          <CompareOffers kit={kit} offers={prices} policy={policy} onRead={onRead} />
        </section>
      )}
      {answer && (
        <p className={`${css.caution} soft`}>
          A set holds what its <Term of="speed-mark">marks</Term> promise in your slots. Buy where you can give back,
          fill and read back each card once before a job, and follow the list of media of your camera’s maker.
        </p>
      )}
    </div>
  );
}

function IfRow({ one, titleOf }: { readonly one: WhatIf; readonly titleOf: (needId: string) => string }) {
  return (
    <li className={css.if}>
      <span>
        <WithTerms text={whatIfText(one, titleOf)} />
      </span>
      <b>{one.difference === null ? '–' : differenceText(one.difference)}</b>
      <small>{whatIfSays(one)}</small>
    </li>
  );
}

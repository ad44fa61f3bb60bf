import { useEffect, useMemo, useState } from 'react';
import { drafted } from '../../app/kit/draft.ts';
import { policyOf } from '../../app/match/policy.ts';
import { newOffer, offerOfText } from '../../app/shop/newOffer.ts';
import { SHOP_LISTS, type ShopViewKit } from '../../app/shop/shopKit.ts';
import { newNeed, type ShopChoice, shopQuestion } from '../../app/shop/shopViews.ts';
import { useShop } from '../../app/shop/useShop.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { Places } from '../../ui/Places.tsx';
import { part } from '../../ui/part.tsx';
import { Shell } from '../shell/Shell.tsx';
import { BuyPart } from './BuyPart.tsx';
import type { Beside } from './beside.ts';
import { NeedList } from './NeedList.tsx';
import { PriceList } from './PriceList.tsx';
import css from './ShopView.module.css';

const NeedForm = part(() => import('./NeedForm.tsx'));
const OfferForm = part(() => import('./OfferForm.tsx'));
const StandingForm = part(() => import('./StandingForm.tsx'));
const PastePrices = part(() => import('./PastePrices.tsx'));
const WearPart = part(() => import('./WearPart.tsx'));
const FleetPart = part(() => import('./FleetPart.tsx'));

export default function ShopView() {
  return (
    <Shell frame="shop" lists={SHOP_LISTS}>
      {(kit) => <Shop kit={kit} />}
    </Shell>
  );
}

const PLACES = [
  { key: 'buy', name: 'Buy' },
  { key: 'wear', name: 'Continuous recording' },
  { key: 'fleet', name: 'Your cards' },
] as const;
type Place = (typeof PLACES)[number]['key'];

const placeAsked = (): Place => {
  const at = new URLSearchParams(window.location.search).get('at');
  return PLACES.find(({ key }) => key === at)?.key ?? 'buy';
};

const AS_IT_IS: ShopChoice = { currency: null, useOwned: true, countDoubtful: false };

function Shop({ kit }: { readonly kit: ShopViewKit }) {
  const { bodies, cards, tests, reports, needs, prices, standing, settings } = kit;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a policy is these two of the settings; others change nothing
  const policy = useMemo(() => policyOf(settings), [settings.take, settings.headroom]);
  const [place, setPlace] = useState(placeAsked);
  const [beside, setBeside] = useState<Beside>(null);
  const [pasting, setPasting] = useState(false);
  const [choice, setChoice] = useState(AS_IT_IS);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the lists that the question is made of; the kit is another object at every write
  const question = useMemo(
    () => shopQuestion(kit, policy, choice),
    [bodies, cards, tests, reports, needs, prices, standing, policy, choice],
  );
  const shop = useShop(place === 'buy' ? question.input : null);
  useEffect(() => {
    const query = place === 'buy' ? '' : `?at=${place}`;
    window.history.replaceState(null, '', window.location.pathname + query);
  }, [place]);
  const open = (next: Beside): void => leave(() => setBeside(next));
  const done = (): void => setBeside(null);
  const close = (): void => open(null);
  const isOpenNeed = beside?.kind === 'need';
  const isOpenOffer = beside?.kind === 'offer';
  return (
    <div className={css.shop}>
      <LeaveDialog />
      <div className={css.head}>
        <h1 className="unseen">Buy cards</h1>
        <Places
          label="Parts of Shop"
          places={PLACES}
          now={place}
          onGo={(next) =>
            leave(() => {
              setPlace(next);
              setBeside(null);
            })
          }
        />
      </div>
      <div className={css.columns} data-place={place}>
        {place === 'buy' && (
          <aside className={css.side} aria-label={beside ? 'What is being changed' : 'Needs and prices'}>
            {isOpenNeed && (
              <NeedForm
                key={String(beside.need.id)}
                kit={kit}
                need={beside.need}
                isNew={beside.isNew}
                isGone={!beside.isNew && !needs.some(({ id }) => id === beside.need.id)}
                onDone={done}
                onClose={close}
              />
            )}
            {isOpenOffer && (
              <OfferForm
                key={String(beside.offer.id)}
                offer={beside.offer}
                isNew={beside.isNew}
                isGone={!beside.isNew && !prices.some(({ id }) => id === beside.offer.id)}
                onDone={done}
                onClose={close}
              />
            )}
            {!isOpenNeed && !isOpenOffer && (
              <>
                <NeedList
                  kit={kit}
                  answer={shop.answer}
                  onOpen={(need) => open({ kind: 'need', need: drafted(need), isNew: false })}
                  onNew={() => open({ kind: 'need', need: newNeed(bodies), isNew: true })}
                />
                <PriceList
                  kit={kit}
                  question={question}
                  choice={choice}
                  answer={shop.answer}
                  onChoice={setChoice}
                  onOpen={(offer) => open({ kind: 'offer', offer: drafted(offer), isNew: false })}
                  onNew={() => open({ kind: 'offer', offer: newOffer(question.currency), isNew: true })}
                  onPaste={() => setPasting(true)}
                />
              </>
            )}
          </aside>
        )}
        <div className={css.main}>
          {place === 'buy' && (
            <BuyPart
              kit={kit}
              policy={policy}
              question={question}
              choice={choice}
              shop={shop}
              onChoice={setChoice}
              onNeed={() => open({ kind: 'need', need: newNeed(bodies), isNew: true })}
              onPaste={() => setPasting(true)}
              onRead={(text) => open({ kind: 'offer', offer: offerOfText(text, question.currency), isNew: true })}
            />
          )}
          {place === 'wear' && (
            <WearPart
              kit={kit}
              openId={beside?.kind === 'standing' ? String(beside.camera.id) : null}
              onOpen={(camera, isNew) => open({ kind: 'standing', camera, isNew })}
            />
          )}
          {place === 'fleet' && <FleetPart kit={kit} policy={policy} />}
        </div>
        {place === 'wear' && beside?.kind === 'standing' && (
          <aside className={css.right} aria-label="What is being changed">
            <StandingForm
              key={String(beside.camera.id)}
              kit={kit}
              camera={beside.camera}
              isNew={beside.isNew}
              isGone={!beside.isNew && !kit.standing.some(({ id }) => id === beside.camera.id)}
              onDone={done}
              onClose={close}
            />
          </aside>
        )}
      </div>
      {pasting && <PastePrices offers={prices} currency={question.currency} onClose={() => setPasting(false)} />}
    </div>
  );
}

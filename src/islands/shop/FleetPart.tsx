import { useMemo } from 'react';
import { today } from '../../app/kit/today.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { activeNeeds, fleet, RETEST } from '../../app/shop/shopViews.ts';
import type { Policy } from '../../core/match/policy.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { adviceText, slotsText } from '../../text/shop/wear.ts';
import css from './WearPart.module.css';

interface FleetPartProps {
  readonly kit: ShopViewKit;
  readonly policy: Policy;
}

const ageText = (months: number | null): string =>
  months === null ? 'age not noted' : months < 24 ? `${months} months old` : `${Math.floor(months / 12)} years old`;

/** The wallet as a fleet: what to retire, what to test again, and slots that stay empty. */
export default function FleetPart({ kit, policy }: FleetPartProps) {
  const { bodies, cards, tests, reports, needs, settings } = kit;
  const day = today();
  const retest = settings.retest ?? RETEST;
  const found = useMemo(
    () => fleet({ bodies, cards, tests, reports }, activeNeeds(needs), policy, { retest, today: day }),
    [bodies, cards, tests, reports, needs, policy, retest, day],
  );
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  const advised = found.cards.filter(({ advice }) => advice.length > 0);
  return (
    <div className={css.wear}>
      <div className={css.head}>
        <h2>Your cards</h2>
        <p className="soft">by what happened to them, then by age</p>
      </div>
      {cards.length === 0 && (
        <p className={css.empty}>
          No cards yet. Add yours under <a href="/cards">Cards</a>.
        </p>
      )}
      {found.short.length > 0 && (
        <section aria-labelledby="fleet-slots">
          <h3 id="fleet-slots">Slots without a card</h3>
          <ul className={css.rows}>
            {found.short.map((one) => {
              const body = bodies.find(({ id }) => id === one.bodyId);
              const mode = body?.modes.find(({ id }) => id === one.modeId);
              return (
                <li key={`${one.bodyId} ${one.modeId}`}>
                  <b>
                    {body?.name} · {mode && modeTitle(mode)}
                  </b>
                  <span className={one.atOnce || one.cards === 0 ? 'tone-hot' : 'tone-warm'}>{slotsText(one)}</span>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {cards.length > 0 && (
        <section aria-labelledby="fleet-cards">
          <h3 id="fleet-cards">
            {advised.length === 0
              ? 'Nothing to retire or test again'
              : `To do, ${advised.length} of ${found.cards.length}`}
          </h3>
          <ul className={css.rows}>
            {found.cards.map(({ cardId, advice, ageMonths, incidents, tests: count, testedOn }) => {
              const card = cardOf.get(cardId);
              return (
                <li key={cardId}>
                  <a href={`/cards?open=${encodeURIComponent(cardId)}`}>
                    <b>{card?.label}</b>
                  </a>
                  <span className="soft">{card && cardSummary(card)}</span>
                  {advice.map((one) => (
                    <span key={one.code} className={one.code === 'retire' ? 'tone-hot' : 'tone-warm'}>
                      {adviceText(one)}
                    </span>
                  ))}
                  <small>
                    {[
                      ageText(ageMonths),
                      `${incidents === 0 ? 'no' : incidents} ${incidents === 1 ? 'incident' : 'incidents'}`,
                      count === 0
                        ? 'never tested'
                        : `${count} ${count === 1 ? 'test' : 'tests'}${testedOn ? `, newest ${testedOn.slice(0, 10)}` : ''}`,
                    ].join(' · ')}
                  </small>
                </li>
              );
            })}
          </ul>
        </section>
      )}
    </div>
  );
}

import { useState } from 'react';
import { cardLine } from '../../app/cards/cardLine.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { type LiveCard, pressedAt } from '../../app/day/live.ts';
import type { Card, CardState } from '../../core/kit/model.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';
import {
  differsText,
  faultyText,
  LIVE_STATES,
  LIVE_TONES,
  PRESS_WORDS,
  RECORDED_AS_PLANNED,
  verifiedText,
} from '../../text/day/live.ts';
import { whenText } from '../../text/kit/when.ts';
import { capacityText } from '../../text/quantity.ts';
import css from './LivePart.module.css';

interface LiveCardsProps {
  readonly cards: readonly LiveCard[];
  readonly kit: DayViewKit;
  /** Copies that the day asks for. */
  readonly copies: number;
  /** Missing while the day is planned for the first time. */
  readonly day: PlannedDay | null;
  /** The card whose code was read last. */
  readonly scanned: string | null;
  readonly onPress: (live: LiveCard, to: CardState) => void;
  readonly onCompare: (card: Card) => void;
  /** Missing in a rehearsal. */
  readonly onFaulty: ((card: Card) => void) | null;
}

/** Where a card has been, in a line. */
function about({ press, state, card, differs }: LiveCard, kit: DayViewKit, copies: number): string {
  if (differs !== null && press) return differsText(press.to, differs);
  const body = kit.bodies.find(({ id }) => id === press?.bodyId);
  const slot = body?.slots.find(({ id }) => id === press?.slotId);
  if (state === 'in-body' && body) return `in ${body.name}${slot ? `, ${slot.name.toLowerCase()}` : ''}`;
  if (state === 'verified' && press) return verifiedText(press, copies, whenText(pressedAt(press)));
  if (state === 'copied-once') return `1 of ${copies} copies · do not format`;
  if (state === 'full' || state === 'copying') return 'do not format';
  if (press) return `${whenText(pressedAt(press))}${press.who ? `, ${press.who}` : ''}`;
  return capacityText(cardLine(card).capacity);
}

/** Every card of the day with the state it was pressed into: one press for what comes next, and behind … the others. */
export function LiveCards(props: LiveCardsProps) {
  const { cards, kit, copies, day, scanned, onPress, onCompare, onFaulty } = props;
  const [showAll, setShowAll] = useState<string | null>(null);
  return (
    <section aria-label="Cards">
      <h2 className={css.cardsHead}>Cards</h2>
      <ul className={css.cards}>
        {cards.map((live) => (
          <li key={live.card.id} id={`card-${live.card.id}`} data-scanned={scanned === live.card.id || undefined}>
            <div className={css.name}>
              <h3>{live.card.label}</h3>
              {live.isFaulty ? (
                <p className="tone-hot">{faultyText(live.state)}</p>
              ) : day?.recordedAsPlanned.includes(live.card.id) && live.state === 'free' ? (
                <p className="tone-warm">{RECORDED_AS_PLANNED}</p>
              ) : (
                <p className="soft">{about(live, kit, copies)}</p>
              )}
            </div>
            <b className={`tone-${LIVE_TONES[live.state]}`}>{LIVE_STATES[live.state]}</b>
            <div className={css.press}>
              <button
                type="button"
                className="ink-button"
                aria-label={`${live.card.label}: ${PRESS_WORDS[live.next]}`}
                onClick={() => onPress(live, live.next)}
              >
                {PRESS_WORDS[live.next]}
              </button>
              <button
                type="button"
                className={css.others}
                aria-label={`${live.card.label}: another state`}
                aria-expanded={showAll === live.card.id}
                onClick={() => setShowAll(showAll === live.card.id ? null : live.card.id)}
              >
                …
              </button>
            </div>
            {showAll === live.card.id && (
              <div className={css.all}>
                {live.state !== 'free' && live.state !== 'in-body' && (
                  <button
                    type="button"
                    className="plain-button"
                    onClick={() => {
                      setShowAll(null);
                      onCompare(live.card);
                    }}
                  >
                    Compare lists
                  </button>
                )}
                {(Object.keys(PRESS_WORDS) as CardState[])
                  .filter((to) => to !== live.state && to !== live.next)
                  .map((to) => (
                    <button
                      key={to}
                      type="button"
                      className="plain-button"
                      onClick={() => {
                        setShowAll(null);
                        onPress(live, to);
                      }}
                    >
                      {PRESS_WORDS[to]}
                    </button>
                  ))}
                {onFaulty && !live.isFaulty && (
                  <button
                    type="button"
                    className="plain-button"
                    onClick={() => {
                      setShowAll(null);
                      onFaulty(live.card);
                    }}
                  >
                    Faulty: take it out of the day
                  </button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

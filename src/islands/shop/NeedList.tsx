import { Menu } from '@mantine/core';
import { setNeedOut, takeNeeds } from '../../app/shop/shopActions.ts';
import type { ShopViewKit } from '../../app/shop/shopKit.ts';
import { ownMinutes } from '../../app/shop/shopViews.ts';
import type { Need } from '../../core/kit/shop.ts';
import type { ShopAnswer } from '../../core/shop/sets.ts';
import { minutesText } from '../../text/quantity.ts';
import { impossibleText, needText, needTitle } from '../../text/shop/shop.ts';
import { useChange } from '../../ui/useChange.ts';
import { BusToTell } from '../bodies/BusToTell.tsx';
import css from './lists.module.css';

interface NeedListProps {
  readonly kit: ShopViewKit;
  readonly answer: ShopAnswer | null;
  readonly onOpen: (need: Need) => void;
  readonly onNew: () => void;
}

/** What cards are needed for. */
export function NeedList({ kit, answer, onOpen, onNew }: NeedListProps) {
  const { needs, bodies } = kit;
  const change = useChange();
  const plans = kit.plans.filter(({ isTemplate, blocks }) => !isTemplate && blocks.length > 0);
  const cheapest = answer?.sets.find(({ aim }) => aim === 'cheapest');
  const [only] = plans.length === 1 ? plans : [];
  // A slot of which nothing is told may be all that is in the way.
  const impossible = new Set(answer?.impossible.map(({ needId }) => needId));
  const short = new Set(needs.filter(({ id, isOut }) => !isOut && impossible.has(id)).map(({ bodyId }) => bodyId));
  const own = (need: Need): string => {
    const minutes = cheapest ? ownMinutes(cheapest, need.id) : 0;
    const wanted = cheapest?.needs.find(({ needId }) => needId === need.id)?.wanted ?? 0;
    if (minutes === 0) return '';
    return minutes >= wanted ? 'owned' : `${minutesText(minutes)} own`;
  };
  return (
    <section className={css.list} aria-labelledby="shop-needs">
      <h2 id="shop-needs">What you want to record</h2>
      {needs.length === 0 && (
        <p className={css.empty}>
          Nothing entered yet. Add each mode and the hours you want to record in it; the cards for all of them are
          counted together.
        </p>
      )}
      <ul>
        {needs.map((need) => {
          const why = answer?.impossible.find(({ needId }) => needId === need.id)?.why;
          return (
            <li key={need.id} data-out={need.isOut || undefined}>
              <button type="button" className={css.row} onClick={() => onOpen(need)}>
                <span className={css.name}>{needTitle(need, bodies)}</span>
                <b className={css.figure} data-full={own(need) === 'owned' || undefined}>
                  {need.isOut ? 'left out' : own(need)}
                </b>
                <span className={css.more}>{needText(need)}</span>
              </button>
              {why && !need.isOut && <p className="tone-hot">{impossibleText(why)}</p>}
              {(why || need.isOut) && (
                <button
                  type="button"
                  className="plain-button"
                  onClick={() => void change(() => setNeedOut(need, !need.isOut))}
                >
                  {need.isOut ? 'Include again' : 'Leave out'}
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <BusToTell bodies={bodies.filter(({ id }) => short.has(id))} />
      <div className={css.actions}>
        <button type="button" className="plain-button" onClick={onNew}>
          Add a mode and hours
        </button>
        {only && (
          <button type="button" className="plain-button" onClick={() => void change(() => takeNeeds(only, needs))}>
            Take from {only.name}
          </button>
        )}
        {plans.length > 1 && (
          <Menu position="bottom-start" transitionProps={{ duration: 0 }} offset={6}>
            <Menu.Target>
              <button type="button" className="plain-button">
                Take from a day
              </button>
            </Menu.Target>
            <Menu.Dropdown>
              {plans.map((plan) => (
                <Menu.Item key={plan.id} onClick={() => void change(() => takeNeeds(plan, needs))}>
                  {plan.name}, {plan.date}
                </Menu.Item>
              ))}
            </Menu.Dropdown>
          </Menu>
        )}
      </div>
    </section>
  );
}

import type { DayViewKit } from '../../app/day/dayKit.ts';
import type { LoadedCard, PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import type { Seconds } from '../../core/units/brand.ts';
import type { DayNames } from '../../text/day/day.ts';
import { asPlannedText, loadedText } from '../../text/day/live.ts';
import { clockText } from '../../text/quantity.ts';
import css from './LivePart.module.css';

interface NextSwapProps {
  readonly kit: DayViewKit;
  /** Missing while the day is planned for the first time. */
  readonly day: PlannedDay | null;
  readonly names: DayNames;
  readonly swap: PlannedSwap | null;
  /** Now, seconds of the day. */
  readonly seconds: number;
  readonly onSwap: (swap: PlannedSwap) => void;
  /** Which card the plan has where now, and nobody said so. */
  readonly loaded: readonly LoadedCard[];
  readonly onLoaded: () => void;
  /** Whether anything was noted on this day. */
  readonly isNoted: boolean;
}

/** Which card goes where next, and how long that is from now. */
export function NextSwap({ kit, day, names, swap, seconds, onSwap, loaded, onLoaded, isNoted }: NextSwapProps) {
  const left = swap ? Math.max(0, swap.atSeconds - seconds) : null;
  const running =
    day?.blocks.filter(({ fromSeconds, toSeconds }) => fromSeconds <= seconds && seconds < toSeconds) ?? [];
  const slotName = (bodyId: string, slotId: string): string =>
    kit.bodies.find(({ id }) => id === bodyId)?.slots.find(({ id }) => id === slotId)?.name ?? '';
  return (
    <section className={css.next} aria-label="The next card change">
      {swap && left !== null && swap.inCardId ? (
        <>
          <p className="soft">
            {names.body(swap.bodyId)}
            {running
              .filter(({ bodyId }) => bodyId === swap.bodyId)
              .map(({ blockId }) => ` · ${names.block(blockId)}`)
              .join('')}
          </p>
          <div className={css.count}>
            <b role="timer" aria-label={`${clockText(left as Seconds)} until the next card change`}>
              {clockText(Math.floor(left) as Seconds)}
            </b>
            <p>
              <strong>
                {swap.outCardId ? `${names.card(swap.outCardId)} → ` : ''}
                {names.card(swap.inCardId)}
              </strong>
              <span className="soft">
                {swap.outCardId ? 'card change' : 'card in'} at {names.clock(swap.atSeconds)}
                {slotName(swap.bodyId, swap.slotId) && `, ${slotName(swap.bodyId, swap.slotId).toLowerCase()}`}
              </span>
            </p>
          </div>
          <p className="soft">
            until the next card change, planned from{' '}
            {day?.asPlanned.includes(swap.bodyId) || !isNoted ? 'the start of the day' : 'the states you noted'}
          </p>
          <div className={css.buttons}>
            <button type="button" className="ink-button" data-strong onClick={() => onSwap(swap)}>
              {swap.outCardId ? 'Changed now' : 'Card is in, now'}
            </button>
          </div>
        </>
      ) : (
        <p>{day ? 'No more card changes planned today.' : 'Planning the day …'}</p>
      )}
      {day && day.asPlanned.length > 0 && <p className="tone-warm">{asPlannedText(day.asPlanned.map(names.body))}</p>}
      {loaded.length > 0 && (
        <p>
          {loadedText(
            loaded.map(({ cardId, bodyId, slotId }) => ({
              card: names.card(cardId),
              where: [names.body(bodyId), slotName(bodyId, slotId)].filter(Boolean).join(', '),
            })),
          )}{' '}
          <button type="button" className="plain-button" onClick={onLoaded}>
            That is so
          </button>
        </p>
      )}
    </section>
  );
}

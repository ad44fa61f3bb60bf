import { useEffect, useMemo, useRef, useState } from 'react';
import type { CodeRead } from '../../app/day/codes.ts';
import { type NewPress, pressCard, pressSwap } from '../../app/day/dayActions.ts';
import { clockFor, namesFor } from '../../app/day/dayClock.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { lanesOf } from '../../app/day/lanes.ts';
import {
  callOut,
  doubtOf,
  keepWho,
  keptWho,
  type LiveCard,
  liveCards,
  nextChange,
  nextSeat,
  pressTime,
  useAwake,
  useDayTime,
} from '../../app/day/live.ts';
import { useDay } from '../../app/day/useDay.ts';
import type { Card, CardState } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { PlannedSwap } from '../../core/rotation/plannedDay.ts';
import { gigabytes, shortageText } from '../../text/day/day.ts';
import { spokenDate } from '../../text/day/summary.ts';
import { part } from '../../ui/part.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import { type Asked, AskPress } from './AskPress.tsx';
import { Lanes } from './Lanes.tsx';
import { LiveCards } from './LiveCards.tsx';
import css from './LivePart.module.css';
import { NextSwap } from './NextSwap.tsx';
import { ThisDevice } from './ThisDevice.tsx';

const ScanDialog = part(async () => ({ default: (await import('./CodeDialogs.tsx')).ScanDialog }));
const ShowStates = part(async () => ({ default: (await import('./CodeDialogs.tsx')).ShowStates }));
const TakeOver = part(async () => ({ default: (await import('./CodeDialogs.tsx')).TakeOver }));
const CompareDialog = part(async () => ({ default: (await import('./CodeDialogs.tsx')).CompareDialog }));

type Coded =
  | { readonly kind: 'scan' | 'show' }
  | { readonly kind: 'take'; readonly read: Extract<CodeRead, { kind: 'states' }> }
  | { readonly kind: 'compare'; readonly card: Card };

interface LivePartProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly policy: Policy;
  readonly onLeave: () => void;
}

const NO_HEAT = {};

/** Planned again when something is pressed, and else so often, milliseconds: what is late shows by itself. */
const REPLAN = 60_000;
/** A card pressed in is taken to go where the plan has it, if that is so soon, seconds [A]. */
const SOON = 1800;
/** Called out this long before a swap, seconds. */
const CALL = 60;

/** The day as it happens: the next swap, and one press a card; the rest is planned again from what was pressed. */
export default function LivePart({ kit, plan, policy, onLeave }: LivePartProps) {
  const { now, isRehearsed, rehearse } = useDayTime(plan.id);
  const clock = useMemo(() => clockFor(plan), [plan]);
  const names = useMemo(() => (clock ? namesFor(kit, plan, clock) : null), [kit, plan, clock]);
  const at = Math.floor(now / REPLAN) * REPLAN;
  const { state, again, day: fresh } = useDay(kit, plan, policy, at, false);
  // The last answer stays until the next one is there: a countdown does not blink.
  const lastDay = useRef(fresh);
  if (fresh) lastDay.current = fresh;
  const day = fresh ?? lastDay.current;
  const lanes = useMemo(() => (day ? lanesOf(plan, day) : null), [plan, day]);
  const change = useChange();
  const [who, setWho] = useState(keptWho);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [isLoud, setLoud] = useState(true);
  const [scanned, setScanned] = useState<string | null>(null);
  const [coded, setCoded] = useState<Coded | null>(null);
  useAwake();
  const seconds = clock ? clock.ofMoment(now) : 0;
  const swap = day ? nextChange(day, seconds) : null;
  const left = swap ? Math.max(0, swap.atSeconds - seconds) : null;
  const called = useRef<string | null>(null);
  useEffect(() => {
    if (!swap || left === null || left > CALL || !isLoud) return;
    const key = `${swap.bodyId} ${Math.round(swap.atSeconds / CALL)}`;
    if (called.current === key) return;
    called.current = key;
    callOut();
  }, [swap, left, isLoud]);
  if (!clock || !names)
    return (
      <div className={css.live}>
        <p className="tone-hot" role="alert">
          The date or start of this day cannot be read. Correct it in the plan.
        </p>
        <button type="button" className="ink-button" onClick={onLeave}>
          Back to the plan
        </button>
      </div>
    );
  const last = day?.blocks.reduce((latest, { toSeconds }) => Math.max(latest, toSeconds), 0) ?? 0;
  const isOther = seconds < -6 * 3600 || seconds > last + 18 * 3600;
  const cards = liveCards(plan, kit.cards);
  const press = (pressed: Omit<NewPress, 'who'>): Promise<boolean> =>
    change(() => pressCard(plan, { ...pressed, who: who.trim() }, pressTime(now, clock)));
  /** Where the plan puts a card about now; further ahead a press may mean anything, and is asked. */
  const seatFor = (cardId: string): PlannedSwap | null => {
    const seat = day ? nextSeat(day, cardId) : null;
    return seat && seat.atSeconds - seconds <= SOON ? seat : null;
  };
  const go = (live: LiveCard, to: CardState): void => {
    const doubt = doubtOf(live.state, to, plan);
    if (doubt || (to === 'in-body' && !seatFor(live.card.id))) {
      setAsked({ live, to });
      return;
    }
    const seat = to === 'in-body' ? seatFor(live.card.id) : null;
    void press({
      cardId: live.card.id,
      to,
      bodyId: seat?.bodyId ?? null,
      slotId: seat?.slotId ?? null,
      ...(to === 'verified' ? { proof: 'word' as const } : {}),
    });
  };
  /** The planned card goes in, unless what is on it is not safe by what was pressed: the plan is no proof of a copy. */
  const swapNow = ({ inCardId, outCardId, bodyId, slotId }: PlannedSwap): void => {
    const live = cards.find(({ card }) => card.id === inCardId);
    if (!live) return;
    if (doubtOf(live.state, 'in-body', plan)) {
      setAsked({ live, to: 'in-body' });
      return;
    }
    const presses = { out: outCardId, in: live.card.id, bodyId, slotId };
    void change(() => pressSwap(plan, presses, who.trim(), pressTime(now, clock)));
  };
  const short = day?.shortages.find(({ missingMinutes, toSeconds }) => missingMinutes > 0 && toSeconds > seconds);
  return (
    <div className={css.live}>
      <div className={css.head}>
        <h1>{plan.name}</h1>
        <span className={css.clock}>
          <span className="unseen">The clock of the day: </span>
          {names.clock(seconds)}
          {isRehearsed && <small> rehearsed</small>}
        </span>
        <button type="button" className="plain-button" onClick={onLeave}>
          The plan
        </button>
      </div>
      {isOther ? (
        <section className={css.other}>
          <p>
            This day is {spokenDate(plan.date)}, and today is another. You can rehearse it: its clock runs from where
            you say, and what you press is noted in this plan.
          </p>
          <div className={css.buttons}>
            <button
              type="button"
              className="ink-button"
              data-strong
              onClick={() => rehearse(clock.realMoment((day?.blocks[0]?.fromSeconds ?? 0) - 60))}
            >
              Rehearse it
            </button>
          </div>
        </section>
      ) : (
        <>
          <NextSwap kit={kit} day={day} names={names} swap={swap} seconds={seconds} onSwap={swapNow} />
          {short && (
            <p className={`${css.short} tone-hot`} role="status">
              Short at {names.clock(Math.max(short.atSeconds, seconds))}: {shortageText(short, names)}
            </p>
          )}
          <TaskNote
            state={state.phase === 'running' ? { phase: 'idle' } : state}
            what="the rest of the day"
            onAgain={again}
          />
          <div className={css.buttons}>
            <button type="button" className="ink-button" onClick={() => setCoded({ kind: 'scan' })}>
              Scan a card
            </button>
            <button type="button" className="ink-button" onClick={() => setCoded({ kind: 'show' })}>
              Hand over
            </button>
          </div>
          <LiveCards
            cards={cards}
            kit={kit}
            day={day}
            names={names}
            scanned={scanned}
            onPress={go}
            onCompare={(card) => setCoded({ kind: 'compare', card })}
          />
        </>
      )}
      {!isOther && day && lanes && (
        <details>
          <summary>The day in lanes</summary>
          <Lanes
            kit={kit}
            plan={plan}
            day={day}
            lanes={lanes}
            names={names}
            heat={NO_HEAT}
            openId={null}
            onOpen={onLeave}
            now={seconds}
          />
        </details>
      )}
      <ThisDevice
        plan={plan}
        names={names}
        clock={clock}
        who={who}
        onWho={(name) => {
          setWho(name);
          keepWho(name);
        }}
        isLoud={isLoud}
        onLoud={setLoud}
        onRehearse={isRehearsed ? (on) => rehearse(on === null ? null : now + on) : null}
      />
      {coded?.kind === 'scan' && (
        <ScanDialog
          plan={plan}
          cards={kit.cards}
          onCard={(cardId) => {
            setCoded(null);
            setScanned(cardId);
            // Scanned, the card asks for its next press: one press more, and none of them by mistake.
            requestAnimationFrame(() => {
              const row = document.getElementById(`card-${cardId}`);
              row?.scrollIntoView({ block: 'center' });
              row?.querySelector('button')?.focus();
            });
          }}
          onStates={(read) => setCoded({ kind: 'take', read })}
          onClose={() => setCoded(null)}
        />
      )}
      {coded?.kind === 'show' && <ShowStates plan={plan} onClose={() => setCoded(null)} />}
      {coded?.kind === 'take' && (
        <TakeOver plan={plan} cards={kit.cards} read={coded.read} onClose={() => setCoded(null)} />
      )}
      {coded?.kind === 'compare' && (
        <CompareDialog
          card={coded.card}
          copies={plan.copies.count}
          onClose={() => setCoded(null)}
          onVerified={() => {
            const cardId = coded.card.id;
            setCoded(null);
            void press({ cardId, to: 'verified', proof: 'lists' });
          }}
        />
      )}
      {asked && (
        <AskPress
          asked={asked}
          kit={kit}
          plan={plan}
          atStake={atStake(asked.live.card.id)}
          onClose={() => setAsked(null)}
          onPress={(pressed) => {
            setAsked(null);
            void press(pressed);
          }}
        />
      )}
    </div>
  );

  /** What is on a card by what was pressed: what is to be copied of it before it can record again. */
  function atStake(cardId: string): string {
    const next = day?.sittings.find((one) => one.cardId === cardId && one.fromSeconds > seconds);
    const copy = day?.offloads.find((one) => one.cardId === cardId && one.stage === 'copy');
    if (!copy || (next && copy.fromSeconds > next.fromSeconds)) return 'everything on it';
    return `up to ${gigabytes(copy.GB)}, by what was pressed`;
  }
}

import { useState } from 'react';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { type Live, useLive } from '../../app/day/useLive.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { Policy } from '../../core/match/policy.ts';
import { shortageText } from '../../text/day/day.ts';
import { freeText } from '../../text/day/live.ts';
import { spokenDate } from '../../text/day/summary.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import { Lanes } from './Lanes.tsx';
import { LiveCards } from './LiveCards.tsx';
import { type Coded, LiveDialogs } from './LiveDialogs.tsx';
import css from './LivePart.module.css';
import { NextSwap } from './NextSwap.tsx';
import { ThisDevice } from './ThisDevice.tsx';

interface LivePartProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly policy: Policy;
  readonly onLeave: () => void;
}

const NO_HEAT = {};

/** The day as it happens: the next swap, and one press a card; the rest is planned again from what was pressed. */
export default function LivePart({ kit: own, plan: asKept, policy, onLeave }: LivePartProps) {
  const live = useLive({ kit: own, plan: asKept, policy }, useChange());
  const [coded, setCoded] = useState<Coded | null>(null);
  const [scanned, setScanned] = useState<string | null>(null);
  if (!live) return <Unreadable onLeave={onLeave} />;
  const { model, act } = live;
  const { kit, plan, names, day, lanes, seconds, isRehearsed } = model;
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
      {model.isOther ? (
        <OtherDay plan={plan} onRehearse={act.rehearse} />
      ) : (
        <Now live={live} scanned={scanned} onCoded={setCoded} />
      )}
      {!model.isOther && day && lanes && (
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
        clock={model.clock}
        who={model.who}
        onWho={act.setWho}
        isLoud={model.isLoud}
        onLoud={act.setLoud}
        onRehearse={isRehearsed ? act.moveClock : null}
      />
      <LiveDialogs
        kept={asKept}
        live={live}
        coded={coded}
        onCoded={setCoded}
        onScanned={(cardId) => {
          setCoded(null);
          setScanned(cardId);
          focusCard(cardId);
        }}
      />
    </div>
  );
}

/** Scanned, the card asks for its next press: one press more, and none of them by mistake. */
const focusCard = (cardId: string): void =>
  void requestAnimationFrame(() => {
    const row = document.getElementById(`card-${cardId}`);
    row?.scrollIntoView({ block: 'center' });
    row?.querySelector('button')?.focus();
  });

function Unreadable({ onLeave }: Pick<LivePartProps, 'onLeave'>) {
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
}

function OtherDay({ plan, onRehearse }: { readonly plan: Plan; readonly onRehearse: () => void }) {
  return (
    <section className={css.other}>
      <p>
        This plan is for {spokenDate(plan.date)}, not today. You can rehearse it: its clock runs from where you say;
        what you press then is kept apart and never counts.
      </p>
      <div className={css.buttons}>
        <button type="button" className="ink-button" data-strong onClick={onRehearse}>
          Rehearse it
        </button>
      </div>
    </section>
  );
}

interface NowProps {
  readonly live: Live;
  readonly scanned: string | null;
  readonly onCoded: (coded: Coded) => void;
}

function Now({ live, scanned, onCoded }: NowProps) {
  const { model, act } = live;
  const { kit, plan, names, day, short, seconds, planning } = model;
  return (
    <>
      <NextSwap
        kit={kit}
        day={day}
        names={names}
        swap={model.swap}
        seconds={seconds}
        onSwap={act.swap}
        loaded={model.loaded}
        onLoaded={act.confirmLoaded}
        isNoted={(plan.log ?? []).length > 0}
      />
      {short && (
        <p className={`${css.short} tone-hot`} role="status">
          Shortage from {names.clock(Math.max(short.atSeconds, seconds))}: {shortageText(short, names)}
        </p>
      )}
      {day && (
        <p>
          {freeText(
            model.free.now.map(names.card),
            model.free.next && {
              card: names.card(model.free.next.cardId),
              clock: names.clock(model.free.next.atSeconds),
            },
            plan.copies,
          )}
        </p>
      )}
      <TaskNote
        state={planning.phase === 'running' ? { phase: 'idle' } : planning}
        what="the rest of the day"
        onAgain={act.planAgain}
      />
      <div className={css.buttons}>
        <button type="button" className="ink-button" onClick={() => onCoded({ kind: 'scan' })}>
          Scan a card
        </button>
        <button type="button" className="ink-button" onClick={() => onCoded({ kind: 'show' })}>
          Send states to another device
        </button>
      </div>
      <LiveCards
        kit={kit}
        day={day}
        copies={plan.copies.count}
        scanned={scanned}
        cards={model.cards}
        onPress={act.press}
        onCompare={(card) => onCoded({ kind: 'compare', card })}
        onFaulty={act.takeOut}
      />
    </>
  );
}

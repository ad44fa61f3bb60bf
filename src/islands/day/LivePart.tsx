import { Checkbox, TextInput } from '@mantine/core';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { CodeRead } from '../../app/day/codes.ts';
import { clearLog, type NewPress, pressCard, pressSwap } from '../../app/day/dayActions.ts';
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
import type { Seconds } from '../../core/units/brand.ts';
import { gigabytes, shortageText } from '../../text/day/day.ts';
import { doubtText, LIVE_STATES, LIVE_TONES, PRESS_WORDS } from '../../text/day/live.ts';
import { spokenDate } from '../../text/day/summary.ts';
import { whenText } from '../../text/kit/when.ts';
import { clockText } from '../../text/quantity.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { part } from '../../ui/part.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import { Lanes } from './Lanes.tsx';
import css from './LivePart.module.css';

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

interface Asked {
  readonly live: LiveCard;
  readonly to: CardState;
}

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
  const [why, setWhy] = useState('');
  const [isLoud, setLoud] = useState(true);
  const [scanned, setScanned] = useState<string | null>(null);
  const [coded, setCoded] = useState<Coded | null>(null);
  const [showAll, setShowAll] = useState<string | null>(null);
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
      setWhy('');
      setAsked({ live, to });
      return;
    }
    const seat = to === 'in-body' ? seatFor(live.card.id) : null;
    void press({
      ...{ cardId: live.card.id, to, bodyId: seat?.bodyId ?? null, slotId: seat?.slotId ?? null },
      ...(to === 'verified' ? { proof: 'word' as const } : {}),
    });
  };
  /** The planned card goes in, unless what is on it is not safe by what was pressed: the plan is no proof of a copy. */
  const swapNow = ({ inCardId, outCardId, bodyId, slotId }: PlannedSwap): void => {
    const live = cards.find(({ card }) => card.id === inCardId);
    if (!live) return;
    if (doubtOf(live.state, 'in-body', plan)) {
      setWhy('');
      setAsked({ live, to: 'in-body' });
      return;
    }
    const presses = { out: outCardId, in: live.card.id, bodyId, slotId };
    void change(() => pressSwap(plan, presses, who.trim(), pressTime(now, clock)));
  };
  const short = day?.shortages.find(({ missingMinutes, toSeconds }) => missingMinutes > 0 && toSeconds > seconds);
  const running =
    day?.blocks.filter(({ fromSeconds, toSeconds }) => fromSeconds <= seconds && seconds < toSeconds) ?? [];
  const slotName = (bodyId: string, slotId: string): string =>
    kit.bodies.find(({ id }) => id === bodyId)?.slots.find(({ id }) => id === slotId)?.name ?? '';
  const log = [...(plan.log ?? [])].reverse();
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
          <section className={css.next} aria-label="The next swap">
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
                  <b role="timer" aria-label={`${clockText(left as Seconds)} to the next swap`}>
                    {clockText(Math.floor(left) as Seconds)}
                  </b>
                  <p>
                    <strong>
                      {swap.outCardId ? `${names.card(swap.outCardId)} → ` : ''}
                      {names.card(swap.inCardId)}
                    </strong>
                    <span className="soft">
                      {swap.outCardId ? 'swap' : 'in'} at {names.clock(swap.atSeconds)}
                      {slotName(swap.bodyId, swap.slotId) && `, ${slotName(swap.bodyId, swap.slotId).toLowerCase()}`}
                    </span>
                  </p>
                </div>
                <p className="soft">to the next swap, as planned from what was pressed</p>
                <div className={css.buttons}>
                  <button type="button" className="ink-button" data-strong onClick={() => swapNow(swap)}>
                    {swap.outCardId ? 'Swapped now' : 'It is in'}
                  </button>
                </div>
              </>
            ) : (
              <p>{day ? 'No more card has to go in today, as planned.' : 'Planning the day …'}</p>
            )}
          </section>
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
          <section aria-label="Cards">
            <div className={css.cardsHead}>
              <h2>Cards</h2>
              <span className="soft">
                {day?.frees[0]
                  ? `next free: ${names.card(day.frees[0].cardId)} at ${names.clock(day.frees[0].atSeconds)}`
                  : ''}
              </span>
            </div>
            <ul className={css.cards}>
              {cards.map((live) => (
                <li key={live.card.id} id={`card-${live.card.id}`} data-scanned={scanned === live.card.id || undefined}>
                  <div className={css.name}>
                    <h3>{live.card.label}</h3>
                    <p className="soft">{about(live, kit)}</p>
                  </div>
                  <b className={`tone-${LIVE_TONES[live.state]}`}>{LIVE_STATES[live.state]}</b>
                  <div className={css.press}>
                    <button
                      type="button"
                      className="ink-button"
                      aria-label={`${live.card.label}: ${PRESS_WORDS[live.next]}`}
                      onClick={() => go(live, live.next)}
                    >
                      {PRESS_WORDS[live.next]}
                    </button>
                    <button
                      type="button"
                      className={css.other}
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
                            setCoded({ kind: 'compare', card: live.card });
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
                              go(live, to);
                            }}
                          >
                            {PRESS_WORDS[to]}
                          </button>
                        ))}
                    </div>
                  )}
                </li>
              ))}
            </ul>
          </section>
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
      <section className={css.foot} aria-label="This device">
        <TextInput
          label="Who presses here"
          placeholder="your name or letters"
          value={who}
          onChange={({ currentTarget: { value } }) => {
            setWho(value.slice(0, 80));
            keepWho(value);
          }}
        />
        <Checkbox
          label="Sound and buzz a minute before a swap"
          checked={isLoud}
          onChange={(event) => setLoud(event.currentTarget.checked)}
        />
        {isRehearsed && (
          <div className={css.buttons}>
            <button type="button" className="plain-button" onClick={() => rehearse(now + 600_000)}>
              Ten minutes on
            </button>
            <button type="button" className="plain-button" onClick={() => rehearse(null)}>
              End the rehearsal
            </button>
          </div>
        )}
        {log.length > 0 && (
          <details>
            <summary>{log.length === 1 ? '1 press' : `${log.length} presses`}</summary>
            <ul className={css.log}>
              {log.slice(0, 100).map((one, n) => (
                <li key={`${one.at} ${one.cardId} ${one.to} ${log.length - n}`}>
                  <b>{names.clock(clock.ofPress(one) ?? 0)}</b> {names.card(one.cardId)} {LIVE_STATES[one.to]}
                  {one.who && `, ${one.who}`}
                  {one.override && <span className="tone-hot"> overridden: {one.override}</span>}
                </li>
              ))}
            </ul>
            <button type="button" className="plain-button" onClick={() => void change(() => clearLog(plan))}>
              Clear the presses of this day
            </button>
          </details>
        )}
      </section>
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
          why={why}
          onWhy={setWhy}
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

/** Where a card has been, in a line. */
function about({ press, state, card }: LiveCard, kit: DayViewKit): string {
  const body = kit.bodies.find(({ id }) => id === press?.bodyId);
  const slot = body?.slots.find(({ id }) => id === press?.slotId);
  if (state === 'in-body' && body) return `in ${body.name}${slot ? `, ${slot.name.toLowerCase()}` : ''}`;
  if (state === 'verified' && press) return press.proof === 'lists' ? 'lists agree' : 'by word, lists not compared';
  if (state === 'copied-once') return '1 copy · not to be wiped';
  if (state === 'full' || state === 'copying') return 'not to be wiped';
  if (press) return `${whenText(press.at)}${press.who ? `, ${press.who}` : ''}`;
  return `${card.capacityGB} GB`;
}

interface AskPressProps {
  readonly asked: Asked;
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly why: string;
  readonly onWhy: (text: string) => void;
  readonly atStake: string;
  readonly onClose: () => void;
  readonly onPress: (press: Omit<NewPress, 'who'>) => void;
}

/** A press that something stands against, or that does not say where: asked, and kept with its reason. */
function AskPress({ asked, kit, plan, why, onWhy, atStake, onClose, onPress }: AskPressProps) {
  const { live, to } = asked;
  const doubt = doubtOf(live.state, to, plan);
  const planned = new Set(plan.blocks.map(({ bodyId }) => bodyId));
  const bodies = kit.bodies.filter(({ id }) => planned.has(id));
  const [place, setPlace] = useState<{ readonly bodyId: string; readonly slotId: string } | null>(null);
  const said = doubt ? doubtText(doubt, live.card.label, to) : '';
  const isBlocked = (doubt?.code === 'not-safe' && why.trim().length < 3) || (to === 'in-body' && place === null);
  return (
    <Dialog
      opened
      title={
        doubt?.code === 'not-safe'
          ? `${live.card.label} is not safe to wipe`
          : `${live.card.label}: ${PRESS_WORDS[to].toLowerCase()}`
      }
      onClose={onClose}
    >
      <div className={css.ask}>
        {doubt && <p className="tone-hot">{said}</p>}
        {doubt?.code === 'not-safe' && atStake && (
          <p>
            At stake: <b>{atStake}</b>.
          </p>
        )}
        {to === 'in-body' && (
          <fieldset className={css.places}>
            <legend>Into which slot</legend>
            {bodies.flatMap((body) =>
              body.slots.map((slot) => (
                <button
                  key={`${body.id} ${slot.id}`}
                  type="button"
                  className="ink-button"
                  aria-pressed={place?.bodyId === body.id && place.slotId === slot.id}
                  data-strong={(place?.bodyId === body.id && place.slotId === slot.id) || undefined}
                  onClick={() => setPlace({ bodyId: body.id, slotId: slot.id })}
                >
                  {body.name}
                  {body.slots.length > 1 ? `, ${slot.name.toLowerCase()}` : ''}
                </button>
              )),
            )}
          </fieldset>
        )}
        {doubt?.code === 'not-safe' && (
          <TextInput
            label="Why all the same"
            placeholder="it is kept in the log"
            value={why}
            onChange={({ currentTarget: { value } }) => onWhy(value.slice(0, 300))}
          />
        )}
        <div className={css.buttons}>
          <button
            type="button"
            className="ink-button"
            disabled={isBlocked}
            onClick={() =>
              onPress({
                ...{ cardId: live.card.id, to, bodyId: place?.bodyId ?? null, slotId: place?.slotId ?? null },
                override: doubt
                  ? `${said}${atStake ? ` At stake: ${atStake}.` : ''} ${why.trim()}`.trim().slice(0, 500)
                  : null,
              })
            }
          >
            {doubt ? 'Do it all the same' : PRESS_WORDS[to]}
          </button>
          <button type="button" className="ink-button" data-strong onClick={onClose}>
            Leave it as it is
          </button>
        </div>
      </div>
    </Dialog>
  );
}

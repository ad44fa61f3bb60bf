import { useDeferredValue, useMemo } from 'react';
import { cardLine } from '../../app/cards/cardLine.ts';
import { cardCode } from '../../app/day/codes.ts';
import { clockFor, namesFor } from '../../app/day/dayClock.ts';
import { DAY_LISTS, type DayViewKit } from '../../app/day/dayKit.ts';
import { liveCards } from '../../app/day/live.ts';
import { modeOf } from '../../app/day/newPlan.ts';
import { useDay } from '../../app/day/useDay.ts';
import { policyOf } from '../../app/match/policy.ts';
import type { Card } from '../../core/kit/model.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';
import { type DayNames, gigabytes, shortageText, shortMinutes } from '../../text/day/day.ts';
import { LIVE_STATES } from '../../text/day/live.ts';
import { dateText } from '../../text/day/summary.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { CELL_WORDS } from '../../text/match/verdict.ts';
import { capacityText } from '../../text/quantity.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { Shell } from '../shell/Shell.tsx';
import { QrCode } from './QrCode.tsx';
import css from './SheetView.module.css';

const NO_CARDS: readonly Card[] = [];

export default function SheetView() {
  return (
    <Shell frame="day" lists={DAY_LISTS}>
      {(kit) => <Sheet kit={kit} />}
    </Shell>
  );
}

/** The day on paper: a page a body, copies and what may be wiped, and a label for every card. */
function Sheet({ kit }: { readonly kit: DayViewKit }) {
  const asked = new URLSearchParams(window.location.search).get('plan');
  const plan = kit.plans.find(({ id }) => id === asked) ?? kit.plans.find(({ isTemplate }) => !isTemplate) ?? null;
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings]);
  const { state, day, again } = useDay(kit, plan, policy, { now: null, more: false });
  const clock = useMemo(() => (plan ? clockFor(plan) : null), [plan]);
  const names = useMemo(() => (plan && clock ? namesFor(kit, plan, clock) : null), [kit, plan, clock]);
  const cards = useMemo(
    () => (plan ? liveCards(plan, kit.cards).map(({ card }) => card) : NO_CARDS),
    [plan, kit.cards],
  );
  // Drawn after the rest, with room for a press between them: a code takes some milliseconds.
  const labelled = useDeferredValue(day ? cards : NO_CARDS, NO_CARDS);
  if (!plan)
    return (
      <div className={css.sheet}>
        <h1>Crew sheet</h1>
        <p>
          No day is planned yet. Plan one under <a href="/day">Shoot day</a>.
        </p>
      </div>
    );
  return (
    <div className={css.sheet}>
      <div className={css.screenOnly}>
        <h1>Crew sheet of {plan.name}</h1>
        <p>A page a camera, one for copies, and a label for every card. Print it, or save it as a PDF.</p>
        <button
          type="button"
          className="ink-button"
          data-strong
          onClick={() => window.print()}
          disabled={!day || labelled !== cards}
        >
          Print
        </button>
      </div>
      <TaskNote state={state} what="the day" onAgain={again} />
      {day && names && (
        <>
          {[...new Set(plan.blocks.map(({ bodyId }) => bodyId))].map((bodyId) => (
            <BodyPage key={bodyId} kit={kit} plan={plan} day={day} names={names} bodyId={bodyId} />
          ))}
          <CopyPage kit={kit} plan={plan} day={day} names={names} />
          <Labels cards={labelled} />
        </>
      )}
    </div>
  );
}

/** A label for every card of the day. */
function Labels({ cards }: { readonly cards: readonly Card[] }) {
  return (
    <section className={css.page} aria-label="Labels">
      <h2>Labels of the cards</h2>
      <p>Scanned on the day, a label finds its card in the list.</p>
      <ul className={css.labels}>
        {cards.map((card) => (
          <li key={card.id}>
            <QrCode text={cardCode(card.id)} label={`Code of ${card.label}`} size={92} />
            <span>
              <b>{card.label}</b>
              <br />
              {capacityText(cardLine(card).capacity)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface PageProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly day: PlannedDay;
  readonly names: DayNames;
}

function BodyPage({ kit, plan, day, names, bodyId }: PageProps & { readonly bodyId: string }) {
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const slotName = (slotId: string): string => body?.slots.find(({ id }) => id === slotId)?.name ?? '';
  const blocks = day.blocks.filter((one) => one.bodyId === bodyId);
  const changes = day.changes.filter((one) => one.bodyId === bodyId);
  const short = day.shortages.filter((one) => one.bodyId === bodyId && one.missingMinutes > 0);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls sideways on a phone is reached by key
    <section className={css.page} tabIndex={0} aria-label={names.body(bodyId)}>
      <h2>{names.body(bodyId)}</h2>
      <p>
        {plan.name}, {dateText(plan, kit.bodies)}
      </p>
      <table>
        <caption>Blocks</caption>
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col">Block</th>
            <th scope="col">Mode</th>
            <th scope="col">Cards</th>
          </tr>
        </thead>
        <tbody>
          {blocks.map(({ blockId, fromSeconds, toSeconds }) => {
            const block = plan.blocks.find(({ id }) => id === blockId);
            const mode = block && modeOf(kit.bodies, block);
            const rolls = day.rolls.filter((roll) => roll.blockId === blockId);
            return (
              <tr key={blockId}>
                <td>{names.clock(fromSeconds)}</td>
                <td>{names.clock(toSeconds)}</td>
                <td>
                  {names.block(blockId)}
                  {block?.gapFree && ', gap-free'}
                </td>
                <td>{mode ? modeTitle(mode) : ''}</td>
                <td>
                  {rolls
                    .map(
                      (roll) =>
                        `${names.card(roll.cardId)} ${shortMinutes(roll.rolledSeconds / 60)} (${CELL_WORDS[roll.verdict].toLowerCase()})`,
                    )
                    .join(', ') || 'none'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <table>
        <caption>Card changes and freed cards, by time</caption>
        <thead>
          <tr>
            <th scope="col">At</th>
            <th scope="col">Slot</th>
            <th scope="col">Out</th>
            <th scope="col">In</th>
            <th scope="col">Done</th>
          </tr>
        </thead>
        <tbody>
          {changes.map((one) => (
            <tr key={`${one.atSeconds} ${one.slotId} ${one.inCardId} ${one.outCardId}`}>
              <td>{names.clock(one.atSeconds)}</td>
              <td>{slotName(one.slotId)}</td>
              <td>{one.outCardId ? names.card(one.outCardId) : ''}</td>
              <td>{one.inCardId ? names.card(one.inCardId) : ''}</td>
              <td className={css.blank} />
            </tr>
          ))}
        </tbody>
      </table>
      {short.map((one) => (
        <p key={`${one.atSeconds} ${one.blockId}`}>
          <b>Shortage from {names.clock(one.atSeconds)}.</b> {shortageText(one, names)}
        </p>
      ))}
      <p>
        Lock switch off. Format in the camera, never before {plan.copies.count} verified copies. Do not pull a card
        while the lamp is on.
      </p>
    </section>
  );
}

function CopyPage({ kit, plan, day, names }: PageProps) {
  const stages = day.offloads.filter(({ stage }) => stage === 'copy');
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls sideways on a phone is reached by key
    <section className={css.page} tabIndex={0} aria-label="Copies">
      <h2>Copies, and what may be formatted</h2>
      <table>
        <caption>Copies as planned</caption>
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">To</th>
            <th scope="col">Card</th>
            <th scope="col">Reader</th>
            <th scope="col">To disks</th>
            <th scope="col">Size</th>
            <th scope="col">Free again</th>
            <th scope="col">Done</th>
          </tr>
        </thead>
        <tbody>
          {stages.map((one) => {
            const free = day.frees.find(
              ({ cardId, atSeconds }) => cardId === one.cardId && atSeconds >= one.toSeconds - 1,
            );
            return (
              <tr key={`${one.fromSeconds} ${one.cardId}`}>
                <td>{names.clock(one.fromSeconds)}</td>
                <td>{names.clock(one.toSeconds)}</td>
                <td>{names.card(one.cardId)}</td>
                <td>{one.readerId ? names.reader(one.readerId) : 'disk to disk'}</td>
                <td>{one.destinations.join(', ')}</td>
                <td>{gigabytes(one.GB)}</td>
                <td>{free ? names.clock(free.atSeconds) : 'not this day'}</td>
                <td className={css.blank} />
              </tr>
            );
          })}
        </tbody>
      </table>
      <table>
        <caption>As it stands now</caption>
        <thead>
          <tr>
            <th scope="col">Card</th>
            <th scope="col">State</th>
            <th scope="col">May be wiped</th>
          </tr>
        </thead>
        <tbody>
          {liveCards(plan, kit.cards).map(({ card, state }) => (
            <tr key={card.id}>
              <td>{card.label}</td>
              <td>{LIVE_STATES[state]}</td>
              <td>{state === 'free' || state === 'verified' ? 'yes' : 'NO'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        Only what is copied {plan.copies.count} times and verified may be wiped, and the person at the disks says so.
      </p>
    </section>
  );
}

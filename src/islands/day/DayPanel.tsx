import { makeMove } from '../../app/day/dayActions.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { slotsWanting } from '../../app/day/slotsWanting.ts';
import type { TaskState } from '../../app/tasks/useTask.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { BlockHeat } from '../../core/rotation/blockHeat.ts';
import type { DayMove } from '../../core/rotation/dayMoves.ts';
import type { PlannedDay, PlannedSwap } from '../../core/rotation/plannedDay.ts';
import {
  type DayNames,
  dayFaultText,
  dayMoveText,
  fewCopiesText,
  gigabytes,
  ownCardText,
  shortageText,
  shortMinutes,
} from '../../text/day/day.ts';
import { minutesText } from '../../text/quantity.ts';
import { useChange } from '../../ui/useChange.ts';
import { WithTerms } from '../../ui/WithTerms.tsx';
import { BusToTell } from '../bodies/BusToTell.tsx';
import css from './DayPanel.module.css';

interface DayPanelProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly day: PlannedDay;
  readonly moves: TaskState<readonly DayMove[]>;
  readonly heat: BlockHeat;
  readonly names: DayNames;
  readonly onSetup: () => void;
}

/** Shortages told at once; the rest are counted. */
const SHOWN = 3;

/** A change as it is said: `B-01 → C-01`, `A-01 in`, `A-01 out`. */
function changeText({ outCardId, inCardId }: PlannedSwap, names: DayNames): string {
  if (outCardId && inCardId) return `${names.card(outCardId)} → ${names.card(inCardId)}`;
  return inCardId ? `${names.card(inCardId)} in` : `${names.card(outCardId ?? '')} out`;
}

/** What the day comes to: what is short and when, what would help, and its numbers. */
export function DayPanel({ kit, plan, day, moves, heat, names, onSetup }: DayPanelProps) {
  const { totals, faults, shortages } = day;
  const told = shortages.filter(
    ({ missingMinutes, blockId, reason }) => reason.code !== 'not-planned' && (missingMinutes > 0 || blockId === null),
  );
  const [first, ...rest] = told;
  const change = useChange();
  const hottest = plan.blocks
    .filter(({ id }) => heat[id] === 'hot' || heat[id] === 'warm')
    .sort((a, b) => Number(heat[b.id] === 'hot') - Number(heat[a.id] === 'hot'))[0];
  const byHand = [
    ...day.changes.map((one) => ({
      at: one.atSeconds,
      what: changeText(one, names),
      where: names.body(one.bodyId),
      tone: undefined,
    })),
    ...day.frees.map(({ cardId, atSeconds }) => ({
      at: atSeconds,
      what: `${names.card(cardId)} free`,
      where: 'copies planned',
      tone: 'tone-cool',
    })),
  ].sort((a, b) => a.at - b.at);
  const found = moves.phase === 'done' ? moves.answer : [];
  const marked = [...new Set(day.rolls.filter((roll) => roll.marked).map(({ cardId }) => cardId))];
  // What hangs on an assumed speed, or on a card that this kind of take does not call right, is no plain yes.
  const isSure = !plan.speedsAssumed && marked.length === 0;
  const copies = fewCopiesText(plan.copies);
  const isCalm = isSure && copies === null;
  const demands = slotsWanting(kit.bodies, day);
  return (
    <div className={css.panel}>
      {first ? (
        <>
          <h2 className="tone-hot">Shortage from {names.clock(first.atSeconds)}</h2>
          <p className={css.why}>
            <WithTerms text={shortageText(first, names)} />
          </p>
          {rest.length > 0 && (
            <ul className={css.more}>
              {rest.slice(0, SHOWN).map((short) => (
                <li key={`${short.atSeconds} ${short.blockId} ${short.reason.code}`}>
                  <b>{names.clock(short.atSeconds)}</b> {shortageText(short, names)}
                </li>
              ))}
              {rest.length > SHOWN && <li>and {rest.length - SHOWN} more</li>}
            </ul>
          )}
        </>
      ) : plan.blocks.length > 0 && faults.length === 0 ? (
        <>
          <h2 className={isCalm ? 'tone-cool' : 'tone-warm'}>
            {isSure
              ? copies === null
                ? 'Nothing is short'
                : 'Nothing is short but copies'
              : 'Enough cards, if the points below hold true'}
          </h2>
          <p className={css.why}>
            {isSure
              ? 'Every block has its cards, as planned. Readers and disks are taken at the speeds entered.'
              : 'Every block has its cards only if the assumptions below are right.'}
          </p>
        </>
      ) : (
        <h2>{plan.name}</h2>
      )}
      {copies !== null && plan.blocks.length > 0 && <p className="tone-warm">{copies}</p>}
      {demands.length > 0 && (
        <ul className={css.faults} aria-label="Slots that want a card of their own">
          {demands.map(({ bodyId, slots }) => (
            <li key={bodyId} className="tone-warm">
              {ownCardText(names.body(bodyId), slots)}
            </li>
          ))}
        </ul>
      )}
      {faults.length > 0 && (
        <ul className={css.faults} aria-label="What is not planned">
          {faults.map((fault) => (
            <li key={JSON.stringify(fault)} className="tone-warm">
              <WithTerms text={dayFaultText(fault, names)} />
            </li>
          ))}
        </ul>
      )}
      {plan.speedsAssumed && (
        <p className="tone-warm">
          Speeds of readers and disks are assumed.{' '}
          <button type="button" className="plain-button" onClick={onSetup}>
            Enter yours
          </button>
        </p>
      )}
      {marked.length > 0 && (
        <p className="tone-warm">
          Used though this kind of take does not call {marked.length === 1 ? 'it' : 'them'} right, because you allow it:{' '}
          {marked.map(names.card).join(', ')}.
        </p>
      )}
      {first && (
        <section className={css.group} aria-label="What to do">
          <h3>What to do</h3>
          <BusToTell bodies={kit.bodies.filter(({ id }) => shortages.some(({ bodyId }) => bodyId === id))} />
          {moves.phase === 'running' && (
            <p className="soft" role="status">
              Looking for ways to fix the shortage…
            </p>
          )}
          {moves.phase === 'done' && found.length === 0 && (
            <p className="soft">No single change reduces the shortage. Move or shorten a block, or bring more cards.</p>
          )}
          <ul className={css.moves}>
            {found.map((move) => {
              const { title, note } = dayMoveText(move.kind, names);
              return (
                <li key={JSON.stringify(move.kind)}>
                  <div>
                    <button
                      type="button"
                      className="plain-button"
                      onClick={() => void change(() => makeMove(plan, move))}
                    >
                      {title}
                    </button>
                    <p className="soft">
                      {note}
                      {move.freeAtSeconds !== null &&
                        `; the card it waits for comes free at ${names.clock(move.freeAtSeconds)}`}
                    </p>
                  </div>
                  <b className={move.missingMinutes < 0.02 ? 'tone-cool' : 'tone-warm'}>
                    {shortMinutes(move.missingMinutes)}
                    <span className="unseen"> missing then</span>
                  </b>
                </li>
              );
            })}
          </ul>
          {found.length > 0 && (
            <p className="soft">
              On the right: recording minutes still missing after the change. Press one to make the change; Undo takes
              it back.
            </p>
          )}
        </section>
      )}
      {day.changes.length > 0 && (
        <section className={css.group} aria-label="Card changes and freed cards, by time">
          <h3>Card changes and freed cards, by time</h3>
          <ol className={css.times}>
            {byHand.map(({ at, what, where, tone }) => (
              <li key={`${at} ${what} ${where}`}>
                <b>{names.clock(at)}</b>
                <span className={tone}>{what}</span>
                <small className="soft">{where}</small>
              </li>
            ))}
          </ol>
        </section>
      )}
      <section className={css.group} aria-label="The day">
        <h3>The day</h3>
        <dl className={css.totals}>
          <div>
            <dt>Recording covered by cards</dt>
            <dd>
              {minutesText(Math.round(totals.rolledMinutes))} · {gigabytes(totals.GB)}
            </dd>
          </div>
          <div>
            <dt>Missing</dt>
            <dd className={totals.missingMinutes > 0 ? 'tone-hot' : undefined}>
              {shortMinutes(totals.missingMinutes)}
            </dd>
          </div>
          {totals.changeMinutes >= 0.05 && (
            <div>
              <dt>Recording time lost to card changes</dt>
              <dd>{shortMinutes(totals.changeMinutes)}</dd>
            </div>
          )}
          <div>
            <dt>Card changes (one out, one in)</dt>
            <dd>{totals.swaps}</dd>
          </div>
          <div>
            <dt>Most recorded on one card (lost if it fails)</dt>
            <dd>
              {shortMinutes(totals.mostMinutesOnOneCard)}
              {totals.mostOnCardId && `, ${names.card(totals.mostOnCardId)}`}
            </dd>
          </div>
          <div>
            <dt>{plan.copies.verify ? 'Last copy verified' : 'Last copy made'}</dt>
            <dd>{totals.lastOffloadEndsSeconds === null ? 'none' : names.clock(totals.lastOffloadEndsSeconds)}</dd>
          </div>
          <div>
            <dt>Hottest block</dt>
            <dd className={hottest ? `tone-${heat[hottest.id]}` : undefined}>
              {hottest
                ? `${names.block(hottest.id)}, ${heat[hottest.id] === 'hot' ? 'too hot' : 'runs hot'}`
                : 'none runs hot'}
            </dd>
          </div>
        </dl>
        {day.unknownRead.length > 0 && (
          <p className="soft">
            How fast {day.unknownRead.map(names.card).join(', ')} read{day.unknownRead.length === 1 ? 's' : ''} nobody
            has told: taken at the reader’s speed.
          </p>
        )}
        <p className="soft">
          Copies as planned, not as made: a card is free when {plan.copies.count}{' '}
          {plan.copies.verify ? 'verified copies exist' : 'copies exist'}, and only you can see that.
        </p>
      </section>
    </div>
  );
}

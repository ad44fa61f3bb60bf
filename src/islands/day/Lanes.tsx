import { useDrag } from '@use-gesture/react';
import { type CSSProperties, type KeyboardEvent, useState } from 'react';
import { moveBlock } from '../../app/day/dayActions.ts';
import type { DayViewKit } from '../../app/day/dayKit.ts';
import { type BlockSpan, hourMarks, type Lanes as LaneData, type Span } from '../../app/day/lanes.ts';
import { modeOf, shiftedBlock } from '../../app/day/newPlan.ts';
import type { Plan, PlanBlock } from '../../core/kit/plan.ts';
import type { BlockHeat } from '../../core/rotation/blockHeat.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';
import { type DayNames, gigabytes, shortMinutes } from '../../text/day/day.ts';
import { DOING_WORDS } from '../../text/day/doing.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './Lanes.module.css';

interface LanesProps {
  readonly kit: DayViewKit;
  readonly plan: Plan;
  readonly day: PlannedDay;
  readonly lanes: LaneData;
  readonly names: DayNames;
  readonly heat: BlockHeat;
  readonly openId: string | null;
  readonly onOpen: (block: PlanBlock) => void;
  /** Where the day is now, seconds; missing: nowhere. */
  readonly now?: number | null;
}

const HEAT_WORDS = { warm: 'runs hot', hot: 'too hot' } as const;

/** Steps in which a block is moved or made longer, minutes. */
const STEP = 5;

/** Where a stretch lies on the axis. */
function placed({ from, to }: Span, axis: Span): CSSProperties {
  const long = axis.to - axis.from;
  const start = Math.max(0, (from - axis.from) / long);
  const end = Math.min(1, (to - axis.from) / long);
  return { left: `${start * 100}%`, width: `${Math.max(0, end - start) * 100}%` };
}

/** The day on one axis: bodies with their blocks and cards, cards, readers, disks. */
export function Lanes({ kit, plan, day, lanes, names, heat, openId, onOpen, now }: LanesProps) {
  const { axis } = lanes;
  const first = day.shortages.find(({ missingMinutes }) => missingMinutes > 0);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls sideways is reached by key
    <section className={css.scroller} tabIndex={0} aria-label="The day in lanes">
      <p id="day-keys" className="unseen">
        Arrow keys move the selected block by 5 minutes; with Shift they change its length. Enter opens it.
      </p>
      <div className={css.lanes}>
        <div className={css.hours} aria-hidden="true">
          <span />
          <div className={css.track}>
            {hourMarks(axis).map((at) => (
              <span key={at} className={css.hour} style={{ left: placed({ from: at, to: at }, axis).left }}>
                {names.clock(at)}
              </span>
            ))}
          </div>
        </div>
        <div className={css.body}>
          <div className={css.grid} aria-hidden="true">
            {hourMarks(axis).map((at) => (
              <span key={at} style={{ left: placed({ from: at, to: at }, axis).left }} />
            ))}
            {first && first.atSeconds >= axis.from && (
              <span
                className={css.shortLine}
                style={{ left: placed({ from: first.atSeconds, to: first.atSeconds }, axis).left }}
              />
            )}
            {now != null && now >= axis.from && now <= axis.to && (
              <span className={css.nowLine} style={{ left: placed({ from: now, to: now }, axis).left }} />
            )}
          </div>
          <div className={css.group}>
            {lanes.bodies.map(({ bodyId, blocks, rolls }) => {
              const body = kit.bodies.find(({ id }) => id === bodyId);
              return (
                <div key={bodyId} className={css.lane} data-body>
                  <h2>
                    {names.body(bodyId)}
                    {body && body.slots.length > 1 && <small>{body.slots.length} slots</small>}
                  </h2>
                  <div className={css.track}>
                    {blocks.map((span) => (
                      <Block
                        key={span.block.id}
                        plan={plan}
                        span={span}
                        axis={axis}
                        title={names.block(span.block.id)}
                        about={aboutBlock(span.block, kit)}
                        heat={heat[span.block.id] ?? null}
                        isOpen={span.block.id === openId}
                        onOpen={() => onOpen(span.block)}
                      />
                    ))}
                    <ul className={css.rolls} aria-label={`Cards of ${names.body(bodyId)}`}>
                      {rolls.map((roll) => (
                        <li
                          key={`${roll.from} ${roll.cardId} ${roll.slotId}`}
                          data-tone={roll.tone ?? 'missing'}
                          data-marked={roll.marked || undefined}
                          style={placed(roll, axis)}
                          title={`${roll.cardId ? names.card(roll.cardId) : 'no card'}, ${names.clock(roll.from)} to ${names.clock(roll.to)}`}
                        >
                          <span>{roll.cardId ? names.card(roll.cardId) : <b className="unseen">no card</b>}</span>
                          <span className="unseen">
                            {names.clock(roll.from)} to {names.clock(roll.to)}
                          </span>
                        </li>
                      ))}
                    </ul>
                  </div>
                </div>
              );
            })}
          </div>
          {lanes.air.length > 0 && (
            <div className={css.lane}>
              <h2>
                <small>Air</small>
              </h2>
              <ul className={css.track} aria-label="Air of the day">
                {lanes.air.map(({ at, airC }) => (
                  <li key={at} className={css.air} style={{ left: placed({ from: at, to: at }, axis).left }}>
                    {Math.round(airC)} °C<span className="unseen"> at {names.clock(at)}</span>
                  </li>
                ))}
              </ul>
            </div>
          )}
          <div className={css.group}>
            {lanes.cards.map(({ cardId, spans }) => (
              <div key={cardId} className={css.lane}>
                <h2>{names.card(cardId)}</h2>
                <ul className={css.track} aria-label={names.card(cardId)}>
                  {spans.map((span) => (
                    <li
                      key={`${span.from} ${span.doing}`}
                      data-doing={span.doing}
                      data-tone={span.tone ?? undefined}
                      style={placed(span, axis)}
                      title={`${DOING_WORDS[span.doing]}, ${names.clock(span.from)} to ${names.clock(span.to)}`}
                    >
                      <span>{DOING_WORDS[span.doing]}</span>
                      <span className="unseen">
                        {names.clock(span.from)} to {names.clock(span.to)}
                      </span>
                    </li>
                  ))}
                </ul>
              </div>
            ))}
          </div>
          <div className={css.group}>
            {lanes.readers.map(({ readerId, spans }) => {
              const reader = plan.readers.find(({ id }) => id === readerId);
              return (
                <div key={readerId} className={css.lane}>
                  <h2>
                    {names.reader(readerId)}
                    <small>{reader?.MBps} MB/s</small>
                  </h2>
                  <ul className={css.track} aria-label={names.reader(readerId)}>
                    {spans.map((span) => (
                      <li key={`${span.from} ${span.cardId}`} data-doing="copying" style={placed(span, axis)}>
                        <span>{names.card(span.cardId)}</span>
                        <span className="unseen">
                          {names.clock(span.from)} to {names.clock(span.to)}
                        </span>
                      </li>
                    ))}
                  </ul>
                </div>
              );
            })}
          </div>
          <div className={css.group}>
            {plan.copies.destinations.map(({ name, freeGB }, at) => {
              const GB = day.totals.destinationGB[at] ?? 0;
              return (
                <div key={`${at} ${name}`} className={css.lane}>
                  <h2>
                    {name}
                    <small>
                      {gigabytes(GB)} of {gigabytes(freeGB)}
                    </small>
                  </h2>
                  <div className={css.track}>
                    <div className={css.room}>
                      <div
                        data-full={GB > freeGB * 0.9 || undefined}
                        style={{ width: `${freeGB > 0 ? Math.min(100, (GB / freeGB) * 100) : 0}%` }}
                      />
                    </div>
                  </div>
                </div>
              );
            })}
          </div>
        </div>
        <ul className={css.legend} aria-hidden="true">
          {(['in', 'waits', 'copying', 'verifying', 'free'] as const).map((doing) => (
            <li key={doing}>
              <i data-doing={doing} data-tone={doing === 'in' ? 'cool' : undefined} />
              {doing === 'in' ? 'in a camera' : doing === 'waits' ? 'full, waits' : DOING_WORDS[doing]}
            </li>
          ))}
          <li>
            <i data-doing="missing" />
            no card
          </li>
        </ul>
      </div>
    </section>
  );
}

/** A block in a few words: its mode, and what it asks of cards. */
function aboutBlock(block: PlanBlock, kit: DayViewKit): string {
  const mode = modeOf(kit.bodies, block);
  const parts = [mode ? modeTitle(mode) : 'a mode that is gone'];
  if (block.gapFree) parts.push('gap-free');
  if (block.rolling < 1) parts.push(`${Math.round(block.rolling * 100)} % recorded`);
  return parts.join(' · ');
}

interface BlockProps {
  readonly plan: Plan;
  readonly span: BlockSpan;
  readonly axis: Span;
  readonly title: string;
  readonly about: string;
  readonly heat: 'cool' | 'warm' | 'hot' | null;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}

/** A block: pressed it opens, dragged it moves, by its end it grows; the arrow keys do the same. */
function Block({ plan, span, axis, title, about, heat, isOpen, onOpen }: BlockProps) {
  const { block } = span;
  const change = useChange();
  const [moved, setMoved] = useState({ start: 0, longer: 0 });
  const keep = (start: number, longer: number): void => {
    setMoved({ start: 0, longer: 0 });
    const next = shiftedBlock(block, plan, start, longer);
    if (next.from !== block.from || next.minutes !== block.minutes) void change(() => moveBlock(plan, next));
  };
  const bind = useDrag(
    ({ movement: [x], last, tap, event, args: [isEnd] }) => {
      event.stopPropagation();
      if (tap) return;
      const track = (event.currentTarget as HTMLElement | null)?.closest(`.${css.track}`)?.clientWidth ?? 1;
      const minutes = Math.round(((x / track) * (axis.to - axis.from)) / 60 / STEP) * STEP;
      const next = isEnd ? { start: 0, longer: minutes } : { start: minutes, longer: 0 };
      if (last) keep(next.start, next.longer);
      else setMoved(next);
    },
    { filterTaps: true, axis: 'x', pointer: { keys: false } },
  );
  const keys = (event: KeyboardEvent): void => {
    const by = event.key === 'ArrowRight' ? STEP : event.key === 'ArrowLeft' ? -STEP : 0;
    if (by === 0) return;
    event.preventDefault();
    event.stopPropagation();
    keep(event.shiftKey ? 0 : by, event.shiftKey ? by : 0);
  };
  const shown = { from: span.from + moved.start * 60, to: span.to + (moved.start + moved.longer) * 60 };
  const next = shiftedBlock(block, plan, moved.start, moved.longer);
  const isMoving = moved.start !== 0 || moved.longer !== 0;
  return (
    <div className={css.block} data-open={isOpen || undefined} style={placed(shown, axis)}>
      <button
        type="button"
        {...bind(false)}
        onKeyDown={keys}
        // What was dragged is not clicked: the package sees to that.
        onClick={onOpen}
        data-block={block.id}
        aria-describedby="day-keys"
      >
        <b aria-hidden="true">{isMoving ? `${next.from} · ${shortMinutes(next.minutes)}` : title}</b>
        <span className={css.about} aria-hidden="true">
          {about}
        </span>
        {heat !== null && heat !== 'cool' && (
          <em data-heat={heat} aria-hidden="true">
            {HEAT_WORDS[heat]}
          </em>
        )}
        <span className="unseen">
          {`${title}, ${about}, ${block.from} for ${shortMinutes(block.minutes)}${heat === null || heat === 'cool' ? '' : `, ${HEAT_WORDS[heat]}`}`}
        </span>
      </button>
      <span className={css.end} {...bind(true)} aria-hidden="true" />
    </div>
  );
}

import { Checkbox, TextInput } from '@mantine/core';
import { clearLog, clearRehearsal } from '../../app/day/dayActions.ts';
import type { DayClock } from '../../app/day/dayClock.ts';
import type { Plan } from '../../core/kit/plan.ts';
import type { DayNames } from '../../text/day/day.ts';
import { LIVE_STATES } from '../../text/day/live.ts';
import { useChange } from '../../ui/useChange.ts';
import css from './LivePart.module.css';

interface ThisDeviceProps {
  readonly plan: Plan;
  readonly names: DayNames;
  readonly clock: DayClock;
  readonly who: string;
  readonly onWho: (name: string) => void;
  readonly isLoud: boolean;
  readonly onLoud: (isLoud: boolean) => void;
  /** Moves the clock of a rehearsal on by milliseconds, or ends it with null; null where nothing is rehearsed. */
  readonly onRehearse: ((on: number | null) => void) | null;
}

/** Who presses on this device and how it calls, the clock of a rehearsal, and what was pressed so far. */
export function ThisDevice({ plan, names, clock, who, onWho, isLoud, onLoud, onRehearse }: ThisDeviceProps) {
  const change = useChange();
  const log = [...(plan.log ?? [])].reverse();
  return (
    <section className={css.foot} aria-label="This device">
      <TextInput
        label="Your name (saved with each state you note)"
        placeholder="your name or letters"
        value={who}
        onChange={({ currentTarget: { value } }) => onWho(value.slice(0, 80))}
      />
      <Checkbox
        label="Sound and buzz a minute before a card change"
        checked={isLoud}
        onChange={(event) => onLoud(event.currentTarget.checked)}
      />
      {onRehearse && (
        <div className={css.buttons}>
          <button type="button" className="plain-button" onClick={() => onRehearse(600_000)}>
            Skip ten minutes ahead
          </button>
          <button type="button" className="plain-button" onClick={() => onRehearse(null)}>
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
          <button
            type="button"
            className="plain-button"
            onClick={() => void change(() => (onRehearse ? clearRehearsal(plan) : clearLog(plan)))}
          >
            {onRehearse ? 'Clear the rehearsal' : 'Clear the states noted on this day'}
          </button>
        </details>
      )}
    </section>
  );
}

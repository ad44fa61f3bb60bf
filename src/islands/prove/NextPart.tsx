import { Checkbox } from '@mantine/core';
import { useMemo } from 'react';
import { today } from '../../app/kit/today.ts';
import { setRetest } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import { RETEST } from '../../app/prove/proveViews.ts';
import type { Timed } from '../../app/prove/stopwatch.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { NextTest } from '../../core/prove/nextTests.ts';
import { modeTitle } from '../../text/match/cell.ts';
import type { Named } from '../../text/prove/log.ts';
import { METHOD, reasonText } from '../../text/prove/nextTests.ts';
import { minutesText } from '../../text/quantity.ts';
import { Fold } from '../../ui/Fold.tsx';
import { NumberLine } from '../../ui/LineField.tsx';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './NextPart.module.css';

interface NextPartProps {
  readonly kit: ProveKit;
  readonly policy: Policy;
  readonly named: Named;
  readonly isTiming: boolean;
  readonly onTime: (timed: Timed) => void;
  readonly onLog: (next: NextTest) => void;
}

/** On the sheet and on the page at once. */
const SHOWN = 12;

/** The tests worth making next, each with what it decides, as a list to start from and a sheet to print. */
export default function NextPart({ kit, policy, named, isTiming, onTime, onLog }: NextPartProps) {
  const { bodies, cards, tests, clearings, settings } = kit;
  const retest = settings.retest ?? RETEST;
  const change = useChange();
  const request = useMemo(
    () => ({ bodies, cards, tests, clearings, policy, retest, today: today() }),
    [bodies, cards, tests, clearings, policy, retest],
  );
  const [state, again] = useTask(computation, 'next', request);
  const found = state.phase === 'done' ? state.answer : null;
  const titleOf = ({ bodyId, modeId, cardId, reason }: NextTest): string => {
    const body = named.bodies.get(bodyId);
    if (reason.code === 'void-burst') return `A burst on ${named.cards.get(cardId)?.label ?? ''}, ${body?.name ?? ''}`;
    const mode = body?.modes.find(({ id }) => id === modeId);
    return `${mode ? modeTitle(mode) : ''} on ${named.cards.get(cardId)?.label ?? ''}, ${body?.name ?? ''}`;
  };
  return (
    <section className={css.next} aria-label="What to test next">
      <div className={css.head}>
        <h2>What to test next</h2>
        {found && found.length > 0 && (
          <button type="button" className="plain-button" onClick={() => window.print()}>
            Print the sheet
          </button>
        )}
      </div>
      <TaskNote state={state} what="what to test next" onAgain={again} />
      {found?.length === 0 && (
        <p>
          {bodies.length === 0 || cards.length === 0
            ? 'Nothing to test yet: it takes a camera with a mode, and a card.'
            : 'Nothing left to test: every answer is guaranteed, tested often enough, or cannot be changed by a test.'}
        </p>
      )}
      <ol className={css.list}>
        {found?.slice(0, SHOWN).map((next) => (
          <li key={`${next.bodyId} ${next.modeId} ${next.cardId}`}>
            <div className={css.what}>
              <h3>{titleOf(next)}</h3>
              <p className="soft">
                {next.reason.code === 'void-burst'
                  ? ''
                  : `${next.takes === 1 ? 'One take' : `${next.takes} takes`}${next.minutes === null ? '' : ` of ${minutesText(next.minutes)}`}: `}
                {reasonText(next.reason, next.decides)}
              </p>
            </div>
            <div className={css.actions}>
              {next.reason.code !== 'void-burst' && (
                <button
                  type="button"
                  className="ink-button"
                  disabled={isTiming}
                  onClick={() =>
                    onTime({
                      bodyId: next.bodyId,
                      modeId: next.modeId,
                      cardId: next.cardId,
                      slotId: next.slotId,
                      plannedMinutes: next.minutes,
                    })
                  }
                >
                  Start the watch
                </button>
              )}
              <button type="button" className="plain-button" onClick={() => onLog(next)}>
                Log it
              </button>
            </div>
            {next.reason.code !== 'void-burst' && (
              <table className={css.blank} aria-hidden="true">
                <tbody>
                  {Array.from({ length: next.takes }, (_, at) => (
                    <tr key={at}>
                      <td>{at + 1}</td>
                      <td>min : s</td>
                      <td>full · dropped · stopped</td>
                      <td>GB</td>
                      <td>°C</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </li>
        ))}
      </ol>
      {found && found.length > SHOWN && <p className="soft">and {found.length - SHOWN} more, when these are made.</p>}
      <section className={css.method} aria-label="How">
        <h3>How</h3>
        <ol>
          {METHOD.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      </section>
      <div className={css.wishes}>
        <Fold title="When to test again" about={retest.months > 0 ? `after ${retest.months} months` : 'not by age'}>
          <NumberLine
            label="Months after which a test is old; 0: never"
            value={retest.months}
            unit=""
            min={0}
            max={120}
            whole
            onLeave
            onChange={(months) => {
              if (months !== null) void change(() => setRetest({ ...retest, months }), { quiet: true });
            }}
          />
          <Checkbox
            label="After the firmware of the camera changed"
            checked={retest.afterFirmware}
            onChange={(event) => {
              const afterFirmware = event.currentTarget.checked;
              void change(() => setRetest({ ...retest, afterFirmware }), { quiet: true });
            }}
          />
          <Checkbox
            label="After an incident of the card"
            checked={retest.afterIncident}
            onChange={(event) => {
              const afterIncident = event.currentTarget.checked;
              void change(() => setRetest({ ...retest, afterIncident }), { quiet: true });
            }}
          />
        </Fold>
      </div>
    </section>
  );
}

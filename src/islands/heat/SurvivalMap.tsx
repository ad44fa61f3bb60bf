import { averageDemand, hasFailed, recordedSeconds } from '../../app/heat/heatViews.ts';
import type { Run } from '../../app/heat/useRun.ts';
import { readTest } from '../../app/match/tests.ts';
import type { Card, Test, TestEnd } from '../../core/kit/model.ts';
import { timeText } from '../../text/heat/heat.ts';
import { END_WORDS } from '../../text/heat/heatFit.ts';
import { degreesText, paceText } from '../../text/heat/heatWords.ts';
import { misfitText } from '../../text/match/testReading.ts';
import css from './LoggedTakes.module.css';

const END_TONES: Readonly<Record<TestEnd, string>> = {
  full: 'cool',
  stopped: 'mute',
  dropped: 'hot',
  'cut-off': 'hot',
};

interface SurvivalMapProps {
  readonly tests: readonly Test[];
  readonly cards: readonly Card[];
  /** The card of the run; its takes are named strongly. */
  readonly own: string;
  readonly run: Run;
}

/** Each logged take a bar as long as it lasted, fastest first, ending in how it ended; the run beside them. */
export function SurvivalMap({ tests, cards, own, run }: SurvivalMapProps) {
  const whole = (test: Test): number => test.seconds * (test.takes ?? 1);
  const sorted = tests.toSorted((a, b) => (b.writtenMBps ?? 0) - (a.writtenMBps ?? 0));
  const { sim } = run.lane;
  // Kept in the log, where they prove nothing.
  const misfit = (test: Test): string | null => {
    const card = cards.find(({ id }) => id === test.cardId);
    const found = card ? readTest(test, run.setup.body, card).misfit : null;
    return found && misfitText(found);
  };
  const recorded = recordedSeconds(sim, run.result.atSeconds);
  const longest = Math.max(recorded, ...sorted.map(whole));
  const failed = hasFailed(run.result);
  const bar = (seconds: number) => ({ width: `${Math.max(1, (100 * seconds) / longest)}%` });
  return (
    <ul className={css.map}>
      <li className={css.take} data-run>
        <span className={css.rate}>{paceText(averageDemand(sim))}</span>
        <span
          className={css.bar}
          data-tone={run.outlasted || (run.pace === 'unknown' && !failed) ? 'mute' : failed ? 'hot' : 'cool'}
          style={bar(recorded)}
        />
        <span className={css.end}>
          this run, {timeText(recorded)} at {degreesText(sim.heat.ambientC)}
        </span>
      </li>
      {sorted.map((test) => (
        <li key={test.id} className={css.take}>
          <span className={css.rate}>{test.writtenMBps === null ? 'rate unknown' : paceText(test.writtenMBps)}</span>
          <span className={css.bar} data-tone={END_TONES[test.end]} style={bar(whole(test))} />
          <span className={css.end}>
            {test.cardId === own ? (
              <b>{cards.find(({ id }) => id === test.cardId)?.label}</b>
            ) : (
              (cards.find(({ id }) => id === test.cardId)?.label ?? 'a card that is gone')
            )}{' '}
            {END_WORDS[test.end]} at {timeText(test.seconds)}
            {test.ambientWithSunC != null && `, ${degreesText(test.ambientWithSunC)}`}
            {misfit(test) && <span className={css.misfit}>These numbers do not fit. {misfit(test)}</span>}
          </span>
        </li>
      ))}
    </ul>
  );
}

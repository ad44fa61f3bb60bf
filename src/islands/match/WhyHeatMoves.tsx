import { useMemo } from 'react';
import { afterAdvice } from '../../app/heat/afterAdvice.ts';
import { cellPick, pickedIn, setupOf } from '../../app/heat/heatPick.ts';
import { pickQuery } from '../../app/heat/heatQuery.ts';
import { riskTone, usuallyAccepted } from '../../app/heat/heatViews.ts';
import { RISK_SEED, TOLD_EVENTS, TOLD_RUNS } from '../../app/heat/riskRuns.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { AdviceInput } from '../../core/heat/run/advice.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Cell } from '../../core/match/cell.ts';
import type { Policy } from '../../core/match/policy.ts';
import { shareText } from '../../text/heat/heat.ts';
import { adviceText } from '../../text/heat/heatAdvice.ts';
import css from './WhyHeat.module.css';

interface WhyHeatMovesProps {
  readonly cell: Cell;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
}

/** The best of them; the heat run has all. */
const SHOWN = 3;

/** How often the planned take fails on a cell whose heat is thin or too much, and what would help: each opens its run. */
export function WhyHeatMoves({ cell, kit, policy, plan }: WhyHeatMovesProps) {
  const { bodies, cards, tests } = kit;
  const accepted = usuallyAccepted(policy.take);
  const pick = useMemo(() => cellPick({ bodies, cards }, cell, plan), [bodies, cards, cell, plan]);
  const input = useMemo((): AdviceInput | null => {
    const picked = pickedIn({ bodies, cards }, pick);
    if (!picked) return null;
    return {
      setup: setupOf(picked, pick, { tests, policy }),
      cards,
      accepted,
      runs: TOLD_RUNS,
      maxEvents: TOLD_EVENTS,
      seed: RISK_SEED,
    };
  }, [bodies, cards, tests, policy, pick, accepted]);
  const [advised] = useTask(computation, 'advise', input, 'why');
  const body = bodies.find(({ id }) => id === cell.bodyId);
  if (advised.phase === 'running') return <p className={css.more}>Working out what would help…</p>;
  if (advised.phase !== 'done' || !body)
    return (
      <p className={css.more}>The ways to lower the risk could not be worked out here. Open it in Heat to try again.</p>
    );
  const { risk, moves } = advised.answer;
  return (
    <>
      <p className={css.more}>
        <b className={`tone-${riskTone(risk, accepted)}`}>{shareText(risk)}</b> of {TOLD_RUNS.toLocaleString('en')}{' '}
        simulated takes end early
        {moves.length > 0 ? '. With one of these, fewer do:' : '.'}
      </p>
      {moves.length > 0 && (
        <ul className={css.moves}>
          {moves.slice(0, SHOWN).map((advice) => (
            <li key={advice.code}>
              <a href={`/heat${pickQuery({ ...pick, ...afterAdvice(advice, pick) })}`}>
                {adviceText(advice, { body, cards, plan })}
              </a>
              <b className={`tone-${riskTone(advice.risk, accepted)}`}>{shareText(advice.risk)}</b>
            </li>
          ))}
        </ul>
      )}
    </>
  );
}

import { useEffect, useMemo } from 'react';
import { cellHeat } from '../../app/heat/heatViews.ts';
import { cellTone } from '../../app/match/answers.ts';
import { showMoves } from '../../app/match/shownMoves.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import { computation } from '../../app/tasks/clients.ts';
import { useTask } from '../../app/tasks/useTask.ts';
import type { WayOut, WaysOutInput } from '../../core/heat/run/waysOut.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Move } from '../../core/match/move.ts';
import type { Policy } from '../../core/match/policy.ts';
import { HEAT_ASIDE } from '../../text/heat/heatWords.ts';
import { moveLine, noWayText } from '../../text/match/move.ts';
import { TaskNote } from '../../ui/TaskNote.tsx';
import { SlotAsked } from './SlotAsked.tsx';
import css from './WhatToDo.module.css';
import { WhyHeatMoves } from './WhyHeatMoves.tsx';

interface WhatToDoProps {
  readonly subject: WhySubject;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
  readonly trying: boolean;
  readonly onMove: (move: Move) => void;
}

/** The way out, directly under the verdict: what to change where the rate does not hold, else where heat does not. */
export function WhatToDo({ subject, kit, policy, plan, trying, onMove }: WhatToDoProps) {
  const { cell, body, card } = subject;
  const isCool = cellTone(cell, policy.take) === 'cool';
  const heat = useMemo(
    () => (isCool ? cellHeat({ body, cell, card, tests: kit.tests, plan, cards: kit.cards }) : null),
    [isCool, body, cell, card, kit, plan],
  );
  if (!isCool) return <Ways subject={subject} kit={kit} policy={policy} plan={plan} trying={trying} onMove={onMove} />;
  if (!heat || heat.mark.level === 'cool' || heat.mark.outlasted || trying) return null;
  return (
    <section className={css.ways} aria-labelledby="ways-heading">
      <h3 id="ways-heading">What to do about the heat</h3>
      <WhyHeatMoves cell={cell} kit={kit} policy={policy} plan={plan} />
    </section>
  );
}

function Ways({ subject, kit, policy, plan, trying, onMove }: WhatToDoProps) {
  const { cell, body, mode, card } = subject;
  const { bodies, cards, tests } = kit;
  const input = useMemo(
    (): WaysOutInput => ({ kit: { bodies, cards, tests }, body, mode, card, cell, policy, plan }),
    [bodies, cards, tests, body, mode, card, cell, policy, plan],
  );
  const [state, again] = useTask(computation, 'ways', input);
  return (
    <section className={css.ways} aria-labelledby="ways-heading">
      <h3 id="ways-heading">What to do</h3>
      {state.phase === 'done' ? (
        <List ways={state.answer} kit={kit} subject={subject} trying={trying} onMove={onMove} />
      ) : (
        <TaskNote state={state} what="the way out" onAgain={again} />
      )}
    </section>
  );
}

interface ListProps extends Pick<WhatToDoProps, 'kit' | 'subject' | 'trying' | 'onMove'> {
  readonly ways: readonly WayOut[];
}

function List({ ways, kit, subject, trying, onMove }: ListProps) {
  const { body, mode } = subject;
  useEffect(
    () =>
      showMoves(
        ways.map(({ move }) => ({
          text: moveLine(move, { cards: kit.cards, body, mode }).text,
          run: () => onMove(move),
        })),
      ),
    [ways, kit.cards, body, mode, onMove],
  );
  if (ways.length === 0) return <p className="soft">{noWayText(subject.cell)}</p>;
  return (
    <ul className={css.list}>
      {ways.map(({ move, heat }) => {
        if (move.code === 'tell-bus' && !trying)
          return (
            <li key={move.code}>
              <SlotAsked body={body} move={move} />
            </li>
          );
        const { text, cost } = moveLine(move, { cards: kit.cards, body, mode });
        const aside = heat ? HEAT_ASIDE[heat] : '';
        return (
          <li key={`${move.code} ${text}`}>
            <button type="button" className={css.way} onClick={() => onMove(move)}>
              <span className={css.text}>{text}</span>
              <span className={css.cost}>
                {cost}
                {aside && <b className="tone-warm">, {aside}</b>}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

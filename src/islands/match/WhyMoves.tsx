import { useMemo } from 'react';
import { cellTone, movesOf } from '../../app/match/answers.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Move } from '../../core/match/move.ts';
import type { Policy } from '../../core/match/policy.ts';
import { moveLine } from '../../text/match/move.ts';
import css from './WhyMoves.module.css';

interface WhyMovesProps {
  readonly subject: WhySubject;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
  readonly onMove: (move: Move) => void;
}

/** Every other move: what would make it hold, or hold for less. Each is one press from being tried on the board. */
export function WhyMoves({ subject, kit, policy, plan, onMove }: WhyMovesProps) {
  const { body, mode } = subject;
  const moves = useMemo(() => movesOf(subject, kit, policy, plan), [subject, kit, policy, plan]);
  if (moves.length === 0) return null;
  return (
    <section className={css.moves} aria-labelledby="moves-heading">
      <h3 id="moves-heading">
        {cellTone(subject.cell, policy.take) === 'cool'
          ? 'Other moves'
          : 'All ways to make this mode fit (heat not counted)'}
      </h3>
      <ul className={css.list}>
        {moves.map((move) => {
          const { text, cost } = moveLine(move, { cards: kit.cards, body, mode });
          return (
            <li key={`${move.code} ${text}`} className={css.move}>
              <button type="button" className="plain-button" onClick={() => onMove(move)}>
                {text}
              </button>
              <span className={css.cost}>{cost}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

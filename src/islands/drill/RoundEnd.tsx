import { useEffect, useRef } from 'react';
import type { DrillViewKit } from '../../app/drill/drillKit.ts';
import { standingOf } from '../../app/drill/planRound.ts';
import type { Played } from '../../app/drill/rounds.ts';
import { dueDay } from '../../app/drill/schedule.ts';
import { today } from '../../app/kit/today.ts';
import type { DrillKind } from '../../core/drill/topics.ts';
import { slipSentence } from '../../text/drill/explain.ts';
import { KIND_WORDS } from '../../text/drill/kinds.ts';
import { promptOf } from '../../text/drill/question.ts';
import { againText, dueText, roundText } from '../../text/drill/round.ts';
import css from './DrillView.module.css';

interface RoundEndProps {
  readonly kit: DrillViewKit;
  readonly played: readonly Played[];
  readonly kind: DrillKind | null;
  readonly onAgain: () => void;
  readonly onLeave: () => void;
}

/** What a round came to: each question with its slip, and when it comes again. */
export function RoundEnd({ kit, played, kind, onAgain, onLeave }: RoundEndProps) {
  const day = today();
  const { due } = standingOf(kit.drills, day);
  const head = useRef<HTMLHeadingElement>(null);
  useEffect(() => head.current?.focus(), []);
  const rights = played.filter(({ judged }) => judged.isRight).length;
  return (
    <section className={css.round} aria-label="The round is over">
      <h1 ref={head} tabIndex={-1} className={css.prompt}>
        {played.length === 0
          ? kind === 'own'
            ? 'Nothing to ask of your kit'
            : 'The round is over'
          : roundText(rights, played.length)}
      </h1>
      {played.length === 0 && kind === 'own' && (
        <p>
          This question needs a mode that one of your cards covers and two do not. Add cards or cameras, or change
          between once-only and repeatable.
        </p>
      )}
      <ol className={css.review}>
        {played.map(({ one, judged, given }, at) => {
          const { topic } = one.question;
          const progress = kit.drills.find(({ id }) => id === topic.id);
          return (
            <li key={`${at} ${topic.id}`} data-is={judged.isRight ? 'right' : 'wrong'}>
              <span>
                <b>{KIND_WORDS[topic.kind].title}</b>{' '}
                <span className="soft">
                  {promptOf(one.question)
                    .map(({ text }) => text)
                    .join('')}
                </span>
              </span>
              <span className={judged.isRight ? 'tone-cool' : 'tone-hot'}>
                {judged.isRight
                  ? 'Right.'
                  : judged.slip
                    ? slipSentence(judged.slip)
                    : given.kind === 'unknown'
                      ? 'Not known.'
                      : 'Not right.'}
              </span>
              <span className="soft">{progress && `again ${againText(dueDay(progress), day)}`}</span>
            </li>
          );
        })}
      </ol>
      <p className={css.nextRow}>
        <button type="button" className="ink-button" data-strong onClick={onAgain}>
          Another round
        </button>
        <button type="button" className="ink-button" onClick={onLeave}>
          Back to Practice
        </button>
        {due > 0 && <span className="soft">{dueText(due)}</span>}
      </p>
    </section>
  );
}

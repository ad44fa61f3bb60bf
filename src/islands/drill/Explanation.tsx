import { useEffect, useRef } from 'react';
import type { DrillViewKit } from '../../app/drill/drillKit.ts';
import type { Played } from '../../app/drill/rounds.ts';
import { dueDay } from '../../app/drill/schedule.ts';
import { today } from '../../app/kit/today.ts';
import { explain, slipSentence } from '../../text/drill/explain.ts';
import { againText } from '../../text/drill/round.ts';
import { SLIP_TEXTS } from '../../text/drill/slips.ts';
import { Term } from '../../ui/Term.tsx';
import { WithTerms } from '../../ui/WithTerms.tsx';
import css from './DrillView.module.css';

interface ExplanationProps {
  readonly played: Played;
  readonly kit: DrillViewKit;
  readonly isLast: boolean;
  readonly onNext: () => void;
}

/** Why, by the app's own arithmetic; of a wrong answer first the slip by its name. */
export function Explanation({ played, kit, isLast, onNext }: ExplanationProps) {
  const { one, judged, given } = played;
  const { head, sums, guide } = explain(one.question);
  const progress = kit.drills.find(({ id }) => id === one.question.topic.id);
  const next = useRef<HTMLButtonElement>(null);
  useEffect(() => next.current?.focus(), []);
  const { slip, isRight } = judged;
  return (
    <div className={css.explained}>
      <div role="status">
        {isRight ? (
          <p className={`${css.verdict} tone-cool`}>Right.</p>
        ) : slip ? (
          <p className={`${css.verdict} tone-hot`}>{slipSentence(slip)}</p>
        ) : (
          <p className={css.verdict}>{given.kind === 'unknown' ? 'Now you know.' : 'Not right.'}</p>
        )}
        <p>
          {!isRight && slip && `${SLIP_TEXTS[slip].why} `}
          <b>{head}</b>{' '}
          <Term of={!isRight && slip && slip !== 'off' ? SLIP_TEXTS[slip].guide : guide}>In the guide</Term>
        </p>
      </div>
      <dl className={css.sums}>
        {sums.map(({ working, result, assumed }, at) => (
          <div key={`${at} ${working}`}>
            <dt>
              <WithTerms text={working} />
              {assumed && <span className="soft"> assumed</span>}
            </dt>
            <dd>{result}</dd>
          </div>
        ))}
      </dl>
      <p className={css.nextRow}>
        <button ref={next} type="button" className="ink-button" data-strong onClick={onNext}>
          {isLast ? 'See how it went' : 'Next'}
        </button>
        <span className="soft">{progress && `Comes again ${againText(dueDay(progress), today())}.`}</span>
      </p>
    </div>
  );
}

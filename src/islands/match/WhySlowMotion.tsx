import { useState } from 'react';
import { slowMotion } from '../../app/match/answers.ts';
import type { WhySubject } from '../../app/match/subject.ts';
import type { Policy } from '../../core/match/policy.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { durationText, plain, takeText } from '../../text/quantity.ts';
import { TakeLength, takeSeconds } from '../../ui/TakeLength.tsx';
import css from './WhySums.module.css';

/** Slow motion both ways: how fast this card lets the codec capture, and how long a take, or a full card, plays. */
export function WhySlowMotion({ subject, policy }: { readonly subject: WhySubject; readonly policy: Policy }) {
  const { cell, mode } = subject;
  const { planned } = cell;
  const [length, setLength] = useState('');
  const take = takeSeconds(length);
  const { fastest, slowed, plays } = slowMotion(subject, cell, policy);
  if (fastest === null && !slowed) return null;
  return (
    <section aria-label="Slow motion">
      <dl className={css.kinds}>
        {fastest !== null && (
          <div className={css.line}>
            <dt>fastest frame rate the written promise covers in this codec</dt>
            <dd className={css.result}>{fastest}&nbsp;fps</dd>
          </div>
        )}
        {slowed && planned !== null && planned > 0 && (
          <div className={css.line}>
            <dt>a full card plays, at {plain(mode.fps, 2)} fps</dt>
            <dd className={css.result}>{durationText(plays(planned * 60))}</dd>
          </div>
        )}
        {slowed && take !== null && (
          <div className={css.line}>
            <dt>
              a take of {takeText(take as Seconds)} plays, at {plain(mode.fps, 2)} fps
            </dt>
            <dd className={css.result}>{takeText(plays(take))}</dd>
          </div>
        )}
      </dl>
      {slowed && <TakeLength label="Any take plays:" text={length} onText={setLength} />}
    </section>
  );
}

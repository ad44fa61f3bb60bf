import type { Policy } from '../../core/match/policy.ts';
import { highestCapture } from '../../core/rate/highestCapture.ts';
import { playbackLength } from '../../core/rate/playback.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { durationText, plain } from '../../text/quantity.ts';
import type { WhySubject } from './subject.ts';
import css from './WhySums.module.css';

/** Slow motion both ways: how fast this card lets the codec capture, and how long a full card plays. */
export function WhySlowMotion({ subject, policy }: { readonly subject: WhySubject; readonly policy: Policy }) {
  const { cell, mode } = subject;
  const { floor, planned } = cell;
  const fastest = floor === null ? null : highestCapture(mode, floor, policy.headroom);
  const slowed = mode.captureFps !== null && mode.captureFps !== mode.fps;
  if (fastest === null && !slowed) return null;
  return (
    <dl className={css.kinds}>
      {fastest !== null && (
        <div className={css.line}>
          <dt>fastest capture the promise covers, this codec</dt>
          <dd className={css.result}>{fastest}&nbsp;fps</dd>
        </div>
      )}
      {slowed && planned !== null && planned > 0 && (
        <div className={css.line}>
          <dt>a full card plays, at {plain(mode.fps, 2)} fps</dt>
          <dd className={css.result}>
            {durationText(playbackLength((planned * 60) as Seconds, mode.captureFps ?? mode.fps, mode.fps))}
          </dd>
        </div>
      )}
    </dl>
  );
}

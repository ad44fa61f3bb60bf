import type { Playback } from '../../core/match/ask/askLine.ts';
import { clockText, plain, takeText } from '../../text/quantity.ts';
import { Amount } from '../../ui/Amount.tsx';
import css from './QuickAnswer.module.css';

/** How long a slow-motion take plays: the answer to a line without rate and card. */
export function QuickPlayback({ playback }: { readonly playback: Playback }) {
  const { take, captured, playback: shown, plays } = playback;
  return (
    <div className={css.answer}>
      <div className={css.head}>
        <span className={css.word}>Plays</span>
        <span className={css.figure}>
          <Amount figure={plays < 6000 ? clockText(plays) : takeText(plays)} unit="" />
        </span>
      </div>
      <div className={css.reason}>
        <p>
          {takeText(take)} captured at {plain(captured, 3)}&nbsp;fps, played at {plain(shown, 3)}&nbsp;fps. Add a rate
          and a card to see whether they hold it.
        </p>
      </div>
    </div>
  );
}

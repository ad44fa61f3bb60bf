import { type ClipItem, joinClips, keepApart, offeredChapters } from '../../../app/prove/measure/clips.ts';
import { chaptersText } from '../../../text/prove/clip.ts';
import css from './measure.module.css';

/** Clips that may be chapters of one take: a guess from their names and sizes, so it is asked. */
export function ClipChapters({ clips }: { readonly clips: readonly ClipItem[] }) {
  return offeredChapters(clips).map((run) => (
    <div key={run.map(({ id }) => id).join(' ')} className={css.ask} role="status">
      <p>
        {chaptersText(
          run.flatMap(({ name, state }) => (state.phase === 'read' ? [{ name, clip: state.read.clip }] : [])),
        )}
      </p>
      <p className={css.actions}>
        <button type="button" className="ink-button" onClick={() => joinClips(run)}>
          One take
        </button>
        <button type="button" className="plain-button" onClick={() => keepApart(run)}>
          Takes of their own
        </button>
      </p>
    </div>
  ));
}

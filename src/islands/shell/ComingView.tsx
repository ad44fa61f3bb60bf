import css from './ComingView.module.css';
import { FRAMES, type FrameKey } from './frames.ts';
import { Shell } from './Shell.tsx';

const NO_LISTS = [] as const;

/** A frame that is not built yet says what it will do, and nothing more. */
export default function ComingView({ frame }: { readonly frame: FrameKey }) {
  const found = FRAMES.find(({ key }) => key === frame);
  return (
    <Shell frame={frame} lists={NO_LISTS}>
      {() => (
        <div className={css.coming}>
          <h1>{found?.name}</h1>
          <p>{found?.about}</p>
          <p className="soft">This view is coming and does nothing yet.</p>
          <p>
            <a href="/">Back to Match</a>
          </p>
        </div>
      )}
    </Shell>
  );
}

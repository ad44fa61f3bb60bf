import { useEffect, useRef } from 'react';
import { startEmpty, startWithDemo } from '../../app/kit/kitFile.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './Welcome.module.css';

/**
 * A first visit. Where the server was started for the demo, its kit is loaded without asking; it never touches a kit
 * that is there.
 */
export function Welcome({ demo }: { readonly demo: boolean }) {
  const stored = useStored();
  const asked = useRef(false);
  useEffect(() => {
    if (!demo || asked.current) return;
    asked.current = true;
    void stored(startWithDemo);
  }, [demo, stored]);
  if (demo) {
    return (
      <p className={css.welcome} role="status">
        Laying out the demo kit…
      </p>
    );
  }
  return (
    <div className={css.welcome}>
      <h1>Will this card hold this mode, for how many minutes, and will heat stop it first?</h1>
      <p>
        Cool Reel keeps your bodies and cards in this browser and works without a network. Begin with a made-up crew
        filming old boats for three days, or with nothing.
      </p>
      <div className={css.choices}>
        <button type="button" className="ink-button" data-strong onClick={() => void stored(startWithDemo)}>
          Load the demo kit
        </button>
        <button type="button" className="ink-button" onClick={() => void stored(startEmpty)}>
          Start empty
        </button>
      </div>
    </div>
  );
}

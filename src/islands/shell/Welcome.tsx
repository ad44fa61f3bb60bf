import { useEffect, useRef, useState } from 'react';
import { startsWithDemo } from '../../app/kit/firstKit.ts';
import { lastKept } from '../../app/kit/keptMarker.ts';
import { startEmpty, startWithDemo } from '../../app/kit/kitFile.ts';
import { kitGoneText } from '../../text/kit/storeMessage.ts';
import { part } from '../../ui/part.tsx';
import { useStored } from '../../ui/useStored.ts';
import css from './Welcome.module.css';

const ImportDialog = part(() => import('../kit/ImportDialog.tsx'));

/**
 * A first visit. Where the server was started for the demo, its kit is loaded without asking; it never touches a kit
 * that is there.
 */
export function Welcome() {
  const stored = useStored();
  const asked = useRef(false);
  const [importing, setImporting] = useState(false);
  const [kept] = useState(lastKept);
  // Where a kit was kept and is gone, that is said first: the demo would hide it.
  const [begins, setBegins] = useState<'asking' | 'demo' | 'choice'>(kept === null ? 'asking' : 'choice');
  useEffect(() => {
    if (kept !== null || asked.current) return;
    asked.current = true;
    void startsWithDemo().then((demo) => {
      setBegins(demo ? 'demo' : 'choice');
      if (demo) void stored(startWithDemo).then((made) => made || setBegins('choice'));
    });
  }, [kept, stored]);
  if (begins !== 'choice') {
    return (
      <p className={css.welcome} role="status">
        {begins === 'demo' ? 'Laying out the demo kit…' : 'Opening your kit…'}
      </p>
    );
  }
  return (
    <div className={css.welcome}>
      {kept && (
        <p className="tone-hot" role="alert">
          {kitGoneText(kept)}
        </p>
      )}
      <h1>Will this card hold this mode, for how many minutes, and will heat stop it first?</h1>
      <p>
        Cool Reel keeps your cameras and cards in this browser and works without a network. Start with an example crew’s
        cameras and cards, or with an empty kit.
      </p>
      <div className={css.choices}>
        <button
          type="button"
          className="ink-button"
          data-strong={kept === null || undefined}
          onClick={() => void stored(startWithDemo)}
        >
          Load the demo kit
        </button>
        <button type="button" className="ink-button" onClick={() => void stored(startEmpty)}>
          Start empty
        </button>
        <button
          type="button"
          className="ink-button"
          data-strong={kept !== null || undefined}
          onClick={() => setImporting(true)}
        >
          Import a kit file
        </button>
      </div>
      <p>
        Or try <a href="/?first=1">one question without entering anything</a> (three minutes). What the words mean
        stands in the <a href="/guide">guide</a>.
      </p>
      {importing && <ImportDialog onClose={() => setImporting(false)} />}
    </div>
  );
}

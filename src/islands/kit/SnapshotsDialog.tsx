import { useState } from 'react';
import { restoreState } from '../../app/kit/kitFile.ts';
import { useSnapshots } from '../../app/kit/useSnapshots.ts';
import { kitRefusalText } from '../../text/kit/kitRefusal.ts';
import { whenText } from '../../text/kit/when.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { undoNotice } from '../../ui/undoNotice.tsx';
import { useStored } from '../../ui/useStored.ts';
import css from './rows.module.css';

/** The kit as it was before each import, demo, restart, or change of many things at once. */
export default function SnapshotsDialog({ onClose }: { readonly onClose: () => void }) {
  const all = useSnapshots();
  const stored = useStored();
  const [problem, setProblem] = useState<string | null>(null);
  const restore = (id: number): void =>
    void stored(async () => {
      const restored = await restoreState(id);
      if (!restored.ok) {
        setProblem(kitRefusalText(restored.error));
        return;
      }
      undoNotice(restored.value);
      onClose();
    });
  return (
    <Dialog opened onClose={onClose} title="Earlier states" size="lg">
      {all?.length === 0 && (
        <p>
          No earlier states yet. Your kit is saved here before every import, before loading the demo kit and before
          starting empty.
        </p>
      )}
      {problem && (
        <p className="tone-hot" role="alert">
          It was not put back. {problem} Nothing was changed.
        </p>
      )}
      <ul className={css.list}>
        {all?.map(({ id, at, reason }) => (
          <li key={id} className={css.row}>
            <span className={css.when}>{whenText(at)}</span>
            <span>{reason}</span>
            <button type="button" className="plain-button" onClick={() => restore(id)}>
              Put back
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}

import { takeBack } from '../../app/kit/settings.ts';
import type { Settings } from '../../kit/kit.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './StorageDialog.module.css';

interface AsideDialogProps {
  readonly settings: Settings;
  readonly onClose: () => void;
}

/** The words that were said not to matter in a quick check, each asked about again with one press. */
export default function AsideDialog({ settings, onClose }: AsideDialogProps) {
  const change = useChange();
  const words = settings.asideWords ?? [];
  return (
    <Dialog opened onClose={onClose} title="Words that do not matter">
      <div className={css.storage}>
        <p>The quick check passes over them, in this kit.</p>
        {words.length === 0 && <p>There are none any more.</p>}
        <ul className={css.words} aria-label="Words that do not matter">
          {words.map((word) => (
            <li key={word}>
              <b>{word}</b>{' '}
              <button
                type="button"
                className="plain-button"
                aria-label={`Ask about ${word} again`}
                onClick={() => void change(() => takeBack(word, settings))}
              >
                ask again
              </button>
            </li>
          ))}
        </ul>
      </div>
    </Dialog>
  );
}

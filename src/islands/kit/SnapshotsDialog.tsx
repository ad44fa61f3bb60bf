import { Modal } from '@mantine/core';
import { restoreSnapshot } from '../../app/kit/kitActions.ts';
import { useSnapshots } from '../../app/kit/useSnapshots.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './SnapshotsDialog.module.css';

const when = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** The kit as it was before each import, demo or restart. */
export default function SnapshotsDialog({ onClose }: { readonly onClose: () => void }) {
  const all = useSnapshots();
  const stored = useStored();
  const restore = async (text: string): Promise<void> => {
    if (await stored(() => restoreSnapshot(text))) onClose();
  };
  return (
    <Modal opened onClose={onClose} title="Earlier states" size="lg" closeButtonProps={{ 'aria-label': 'Close' }}>
      {all?.length === 0 && <p>None yet. One is kept before every import, demo kit or new start.</p>}
      <ul className={css.list}>
        {all?.map(({ id, at, reason, text }) => (
          <li key={id} className={css.row}>
            <span>{when(at)}</span>
            <span className="soft">{reason}</span>
            <button type="button" className="plain-button" onClick={() => void restore(text)}>
              Put back
            </button>
          </li>
        ))}
      </ul>
    </Modal>
  );
}

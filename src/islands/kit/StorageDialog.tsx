import { Modal } from '@mantine/core';
import { useEffect, useState } from 'react';
import { keepStorage, type StorageState } from '../../app/kit/storage.ts';
import type { Bytes } from '../../core/units/brand.ts';
import { capacityText } from '../../text/quantity.ts';

const size = (bytes: number | null): string => (bytes === null ? 'not told' : capacityText(bytes as Bytes));

/** Where the kit is kept, and whether the browser may drop it. */
export default function StorageDialog({ onClose }: { readonly onClose: () => void }) {
  const [state, setState] = useState<StorageState | null>(null);
  useEffect(() => {
    void keepStorage().then(setState);
  }, []);
  return (
    <Modal opened onClose={onClose} title="Storage on this device" closeButtonProps={{ 'aria-label': 'Close' }}>
      {state ? (
        <div style={{ display: 'grid', gap: 10 }}>
          <p>
            {state.persistent
              ? 'The browser keeps the kit until you remove it.'
              : 'The browser may drop the kit when space runs short. Install the app or add it to the bookmarks, and export the kit before a job.'}
          </p>
          <p>
            Used <b>{size(state.used)}</b> of <b>{size(state.quota)}</b> that the browser grants.
          </p>
        </div>
      ) : (
        <p role="status">Asking the browser…</p>
      )}
    </Modal>
  );
}

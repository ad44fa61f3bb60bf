import { Modal, type ModalProps } from '@mantine/core';
import { useEffect, useState } from 'react';

/** What has the focus; of a menu's entry, which goes with its menu, the button the menu hangs on. */
function opener(): Element | null {
  const { activeElement } = document;
  const by = activeElement?.closest('[role=menu]')?.getAttribute('aria-labelledby');
  return (by && document.getElementById(by)) || activeElement;
}

/**
 * A dialog that gives the focus back to what it was opened from.
 * The library does so only for dialogs that stay mounted; those here come and go with their part.
 */
export function Dialog(props: ModalProps) {
  const [from] = useState(opener);
  useEffect(
    () => () => {
      const isLost = document.activeElement === null || document.activeElement === document.body;
      if (isLost && from instanceof HTMLElement && from.isConnected) from.focus({ preventScroll: true });
    },
    [from],
  );
  return <Modal {...props} />;
}

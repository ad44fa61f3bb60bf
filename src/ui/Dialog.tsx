import { Modal, type ModalProps } from '@mantine/core';
import { useEffect, useState } from 'react';
import { opener } from './pressed.ts';

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

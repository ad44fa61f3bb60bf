import { Modal, type ModalProps } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';
import { opener } from './pressed.ts';

const isFocusLost = (): boolean => document.activeElement === null || document.activeElement === document.body;

/**
 * A dialog that gives the focus back to what it was opened from, and keeps it while it is open: what was pressed may go with
 * the step it stood in, and Tab would go on behind the dialog then.
 * The library gives it back only for dialogs that stay mounted; those here come and go with their part.
 */
export function Dialog({ children, ...props }: ModalProps) {
  const [from] = useState(opener);
  useEffect(
    () => () => {
      if (isFocusLost() && from instanceof HTMLElement && from.isConnected) from.focus({ preventScroll: true });
    },
    [from],
  );
  const keepsFocus = useCallback((mark: HTMLSpanElement | null) => {
    const content = mark?.closest<HTMLElement>('[role=dialog]');
    if (!content) return;
    const watch = new MutationObserver(() => {
      if (isFocusLost()) content.focus({ preventScroll: true });
    });
    watch.observe(content, { childList: true, subtree: true });
    return () => watch.disconnect();
  }, []);
  return (
    <Modal {...props}>
      {children}
      <span ref={keepsFocus} hidden />
    </Modal>
  );
}

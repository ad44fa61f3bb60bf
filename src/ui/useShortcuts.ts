import { useEffect, useRef } from 'react';
import { singleKeysOn } from '../app/kit/singleKeys.ts';

export interface Shortcut {
  readonly key: string;
  readonly run: () => void;
  /** Does nothing while a button has the focus: what a key beside the space bar does must not surprise. */
  readonly notOnButtons?: boolean;
}

const FIELDS = 'input, textarea, select, [contenteditable=""], [contenteditable="true"]';
const DIALOGS = '[role="dialog"], [role="alertdialog"], [role="menu"], [role="listbox"], dialog';
const BUTTONS = 'button, a[href], summary, [role="button"], [role="tab"], [role="option"], [role="menuitem"]';

/**
 * Keys that do something by themselves, anywhere on the page: never while somebody types, chooses or answers a dialogue,
 * never with a modifier, and not at all where they are switched off (WCAG 2.2, success criterion 2.1.4).
 */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const latest = useRef(shortcuts);
  latest.current = shortcuts;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return;
      const found = latest.current.find(({ key }) => key === event.key);
      const focus = event.target instanceof Element ? event.target : null;
      if (!found || focus?.closest(`${FIELDS}, ${DIALOGS}`) || document.querySelector(DIALOGS_OPEN)) return;
      if ((found.notOnButtons && focus?.closest(BUTTONS)) || !singleKeysOn()) return;
      event.preventDefault();
      found.run();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** A dialogue that is open keeps the page behind it still, wherever the focus went. */
const DIALOGS_OPEN = '[role="dialog"][aria-modal="true"]';

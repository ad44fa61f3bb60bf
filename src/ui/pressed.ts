/** What can hold the focus. */
const CONTROL = 'button, a[href], summary, input, select, textarea, [tabindex]';

/** Of a menu's entry, which goes with its menu, the button the menu hangs on. */
function lasting(control: Element | null): Element | null {
  const by = control?.closest('[role=menu]')?.getAttribute('aria-labelledby');
  return (by && document.getElementById(by)) || control;
}

let last: Element | null = null;

// Noted from the first press on: a dialog is loaded only after the press that asks for it.
globalThis.document?.addEventListener(
  'click',
  ({ target }) => {
    last = target instanceof Element ? lasting(target.closest(CONTROL)) : null;
  },
  true,
);

/**
 * What the focus goes back to when something that opens now is shut again: what has it, or, where nothing has, what was
 * pressed last. A menu that shuts leaves the focus nowhere for a moment, and some browsers give a pressed button none.
 */
export function opener(): Element | null {
  const { activeElement } = document;
  return activeElement === null || activeElement === document.body ? last : lasting(activeElement);
}

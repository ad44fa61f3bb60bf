import { useEffect, useRef, useSyncExternalStore } from 'react';

/** A form with something typed in it that is not saved. */
interface OpenForm {
  readonly isDirty: boolean;
  /** What the person calls the entry. */
  readonly what: string;
  readonly save: () => void;
  readonly discard: () => void;
}

/** What would be left, and where to. */
export interface Leaving {
  readonly what: string;
  /** Saves, and goes on once it is saved; where a field stands in the way, the form stays. */
  readonly save: () => void;
  /** Drops what was typed and goes on. */
  readonly discard: () => void;
  /** Goes on; what was typed is kept and taken up again when the entry is next opened. */
  readonly later: () => void;
  readonly stay: () => void;
}

let open: OpenForm | null = null;
let asked: Leaving | null = null;
let afterSave: (() => void) | null = null;
const listeners = new Set<() => void>();

function ask(next: Leaving | null): void {
  asked = next;
  for (const tell of listeners) tell();
}

/** Does what leaves the open form, at once where nothing is typed in it, else after asking. */
export function leave(go: () => void): void {
  const form = open;
  if (!form?.isDirty) {
    go();
    return;
  }
  const then = (work: () => void) => () => {
    ask(null);
    work();
  };
  ask({
    what: form.what,
    save: then(() => {
      afterSave = go;
      form.save();
    }),
    discard: then(() => {
      form.discard();
      go();
    }),
    later: then(go),
    stay: then(() => {}),
  });
}

/** Where a field stands in the way of saving, the form stays, and a later save is a save alone. */
export function stayAfterAll(): void {
  afterSave = null;
}

/** What is being asked on leaving; null while nothing is. */
export const useLeaving = (): Leaving | null =>
  useSyncExternalStore(
    (tell) => {
      listeners.add(tell);
      return () => void listeners.delete(tell);
    },
    () => asked,
    () => null,
  );

/** Tells of a form that is open, so that leaving it, or the page, asks first. */
export function useFormOpen(form: OpenForm): { readonly saved: () => void } {
  const latest = useRef(form);
  latest.current = form;
  const { isDirty } = form;
  useEffect(() => {
    const own: OpenForm = {
      get isDirty() {
        return latest.current.isDirty;
      },
      get what() {
        return latest.current.what;
      },
      save: () => latest.current.save(),
      discard: () => latest.current.discard(),
    };
    open = own;
    return () => {
      if (open === own) open = null;
    };
  }, []);
  useEffect(() => {
    if (!isDirty) return;
    const hold = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', hold);
    return () => window.removeEventListener('beforeunload', hold);
  }, [isDirty]);
  return {
    saved: () => {
      const go = afterSave;
      afterSave = null;
      go?.();
    },
  };
}

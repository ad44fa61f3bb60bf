import { useCallback, useEffect, useRef, useState } from 'react';
import { part } from '../../ui/part.tsx';
import type { OpenTerm } from './TermEntry.tsx';

// The words of the guide come with the first one that is opened.
const TermEntry = part(() => import('./TermEntry.tsx'));

/** A pointer that only passes over a word does not open it; one on its way to the entry does not shut it. */
const OPEN_AFTER_MS = 350;
const SHUT_AFTER_MS = 250;

const termOf = (target: EventTarget | null): HTMLElement | null =>
  target instanceof Element ? target.closest<HTMLElement>('[data-term]') : null;

/** Opens the entry of any word on the page that is pressed or pointed at, wherever it is drawn. */
export function TermHost() {
  const [open, setOpen] = useState<OpenTerm | null>(null);
  const shown = useRef<OpenTerm | null>(null);
  useEffect(() => {
    shown.current = open;
  }, [open]);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  useEffect(() => {
    const later = (ms: number, run: () => void): void => {
      clearTimeout(timer.current);
      timer.current = setTimeout(run, ms);
    };
    const press = (event: MouseEvent): void => {
      const anchor = termOf(event.target);
      // With a modifier it is the link that is wanted, in a tab of its own.
      if (!anchor || event.ctrlKey || event.metaKey || event.shiftKey) return;
      event.preventDefault();
      clearTimeout(timer.current);
      setOpen({ anchor, id: anchor.dataset.term ?? '', pressed: true });
    };
    const point = (event: PointerEvent): void => {
      if (event.pointerType !== 'mouse') return;
      const anchor = termOf(event.target);
      const over = event.target instanceof Element && event.target.closest('[data-term-entry]') !== null;
      if (anchor) {
        later(OPEN_AFTER_MS, () =>
          setOpen((now) => (now?.anchor === anchor ? now : { anchor, id: anchor.dataset.term ?? '', pressed: false })),
        );
      } else if (over) clearTimeout(timer.current);
      else later(SHUT_AFTER_MS, () => setOpen((now) => (now?.pressed ? now : null)));
    };
    // Heard from the first on, before any panel that comes later: Esc shuts the entry alone, not what it lies over.
    const key = (event: KeyboardEvent): void => {
      const { current } = shown;
      if (event.key !== 'Escape' || !current) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      clearTimeout(timer.current);
      if (current.pressed) current.anchor.focus();
      setOpen(null);
    };
    window.addEventListener('keydown', key, true);
    document.addEventListener('click', press);
    document.addEventListener('pointerover', point);
    return () => {
      clearTimeout(timer.current);
      window.removeEventListener('keydown', key, true);
      document.removeEventListener('click', press);
      document.removeEventListener('pointerover', point);
    };
  }, []);
  const shut = useCallback((): void => {
    clearTimeout(timer.current);
    setOpen(null);
  }, []);
  return open && <TermEntry key={open.id} open={open} onShut={shut} />;
}

import { type RefObject, useEffect, useRef } from 'react';

/** A form that was opened comes into view and takes the focus, wherever on the page it stands. */
export function useArrival<T extends HTMLElement>(): RefObject<T | null> {
  const form = useRef<T>(null);
  useEffect(() => {
    const { current } = form;
    if (!current) return;
    current.scrollIntoView({ block: 'nearest' });
    const field = current.querySelector<HTMLElement>('input:not([type="checkbox"]), select, textarea');
    (field ?? current).focus({ preventScroll: true });
  }, []);
  return form;
}

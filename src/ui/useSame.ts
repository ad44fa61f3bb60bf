import { useRef } from 'react';
import { stableText } from '../kit/stableText.ts';

/** The value of last time where nothing in it changed, so that what hangs on it is not worked out again. */
export function useSame<T>(value: T): T {
  const kept = useRef(value);
  // An object that was compared once is not compared again at every render.
  const compared = useRef(value);
  if (compared.current !== value) {
    compared.current = value;
    if (stableText(kept.current) !== stableText(value)) kept.current = value;
  }
  return kept.current;
}

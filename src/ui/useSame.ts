import { useRef } from 'react';
import { stableText } from '../kit/stableText.ts';

/** The value of last time where nothing in it changed, so that what hangs on it is not worked out again. */
export function useSame<T>(value: T): T {
  const kept = useRef(value);
  if (kept.current !== value && stableText(kept.current) !== stableText(value)) kept.current = value;
  return kept.current;
}

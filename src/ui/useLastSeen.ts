import { useRef } from 'react';

/** An entry as it was last seen, and whether it has been deleted since: a form over it keeps what was typed. */
export function useLastSeen<T extends { readonly id: string }>(
  item: T | undefined,
  id: string | null,
): { readonly item: T | undefined; readonly isGone: boolean } {
  const last = useRef<T | undefined>(undefined);
  if (item) last.current = item;
  const seen = item ?? (last.current?.id === id ? last.current : undefined);
  return { item: seen, isGone: item === undefined && seen !== undefined };
}

import { useCallback, useEffect, useState } from 'react';

/** The quick check's text, kept in the address so that a reload or a bookmark keeps it. */
export function useQueryText(): readonly [string, (text: string) => void] {
  const [text, setText] = useState('');
  useEffect(() => {
    setText(new URLSearchParams(window.location.search).get('q') ?? '');
  }, []);
  const change = useCallback((next: string) => {
    setText(next);
    const query = next.trim() === '' ? '' : `?q=${encodeURIComponent(next)}`;
    window.history.replaceState(null, '', `${window.location.pathname}${query}`);
  }, []);
  return [text, change];
}

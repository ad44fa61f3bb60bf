import { useSyncExternalStore } from 'react';
import { DEFAULT_SETTINGS, type Settings } from '../../kit/kit.ts';
import type { Unexported } from '../../store/follow.ts';

/** What the strip above every view shows of the kit. It stands before the store is loaded, and follows it afterwards. */
export interface Shown {
  readonly settings: Settings;
  /** Null before the kit is open. */
  readonly unexported: Unexported | null;
}

const KEY = 'cool-reel-strict';
const FIRST: Shown = { settings: DEFAULT_SETTINGS, unexported: null };

let shown: Shown | null = null;
const listeners = new Set<() => void>();

const wordsOf = (kept: unknown): readonly string[] =>
  Array.isArray(kept) ? kept.filter((one): one is string => typeof one === 'string') : [];

/** How strictly answers read when the kit was last open here: until it is open again, they read so. */
function remembered(): Shown {
  try {
    const { take, headroom, asideWords } = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>;
    const isWhole = (take === 'once' || take === 'repeatable') && typeof headroom === 'number';
    return isWhole
      ? { ...FIRST, settings: { ...DEFAULT_SETTINGS, take, headroom, asideWords: wordsOf(asideWords) } }
      : FIRST;
  } catch {
    return FIRST;
  }
}

const get = (): Shown => {
  shown ??= remembered();
  return shown;
};

/** Takes over what the kit says. */
export function show(next: Shown): void {
  shown = next;
  const { take, headroom, asideWords } = next.settings;
  try {
    localStorage.setItem(KEY, JSON.stringify({ take, headroom, asideWords }));
  } catch {
    // Without it the next visit begins with what is usual.
  }
  for (const tell of listeners) tell();
}

const subscribe = (tell: () => void): (() => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

/** The settings that answers follow, and how far the kit is from its last export. */
export const useShown = (): Shown => useSyncExternalStore(subscribe, get, () => FIRST);

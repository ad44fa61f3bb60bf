import { useSyncExternalStore } from 'react';

export type Theme = 'light' | 'dark';

const ATTRIBUTE = 'data-mantine-color-scheme';
/** Where the library looks for it, and the script in the page's head. */
const KEY = 'mantine-color-scheme-value';

const pageTheme = (): Theme => (document.documentElement.getAttribute(ATTRIBUTE) === 'dark' ? 'dark' : 'light');

function subscribe(tell: () => void): () => void {
  const observer = new MutationObserver(tell);
  observer.observe(document.documentElement, { attributeFilter: [ATTRIBUTE] });
  return () => observer.disconnect();
}

/** The paper the page is shown on. */
export const usePageTheme = (): Theme => useSyncExternalStore(subscribe, pageTheme, () => 'light');

/** Changes it, here and at the next visit. */
function setTheme(theme: Theme): void {
  document.documentElement.setAttribute(ATTRIBUTE, theme);
  try {
    localStorage.setItem(KEY, theme);
  } catch {
    // It then lasts as long as the page.
  }
}

/** Day to night and back. */
export const toggleTheme = (): void => setTheme(pageTheme() === 'dark' ? 'light' : 'dark');

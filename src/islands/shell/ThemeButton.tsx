import { toggleTheme, usePageTheme } from '../../ui/pageTheme.ts';
import css from './ThemeButton.module.css';

/** Day or night paper. The browser's wish is followed until this is pressed. */
export function ThemeButton() {
  const theme = usePageTheme();
  return (
    <button
      type="button"
      className={css.button}
      aria-label={`Switch to the ${theme === 'dark' ? 'day' : 'night'} theme`}
      onClick={toggleTheme}
    >
      <svg width="17" height="17" viewBox="0 0 16 16" aria-hidden="true">
        <circle cx="8" cy="8" r="6.2" fill="none" stroke="currentColor" strokeWidth="1.6" />
        <path d="M8 1.8A6.2 6.2 0 0 1 8 14.2Z" fill="currentColor" />
      </svg>
    </button>
  );
}

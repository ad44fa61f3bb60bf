import { useEffect, useRef } from 'react';
import { toggleTheme, usePageTheme } from '../../ui/pageTheme.ts';
import { type FrameKey, PLACES } from './frames.ts';
import css from './PlacesMenu.module.css';

interface PlacesMenuProps {
  readonly frame: FrameKey | null;
  readonly onHelp: () => void;
}

/** On a phone the strip is one press: where one is, and every other view behind it. */
export function PlacesMenu({ frame, onHelp }: PlacesMenuProps) {
  const menu = useRef<HTMLDetailsElement>(null);
  const theme = usePageTheme();
  const here = PLACES.find(({ key }) => key === frame)?.name ?? 'Views';
  useEffect(() => {
    const shut = (event: Event): void => {
      if (menu.current && !menu.current.contains(event.target as Node)) menu.current.open = false;
    };
    document.addEventListener('pointerdown', shut);
    return () => document.removeEventListener('pointerdown', shut);
  }, []);
  return (
    <details
      ref={menu}
      className={css.menu}
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || !menu.current?.open) return;
        menu.current.open = false;
        menu.current.querySelector('summary')?.focus();
      }}
    >
      <summary className={css.here}>{here}</summary>
      <nav className={css.places} aria-label="Views">
        {PLACES.map(({ key, path, name }) => (
          <a key={key} href={path} className={css.place} aria-current={key === frame ? 'page' : undefined}>
            {name}
          </a>
        ))}
        <a href="/crew" className={css.place}>
          Crew cards
        </a>
        <button
          type="button"
          className={css.place}
          onClick={() => {
            if (menu.current) menu.current.open = false;
            onHelp();
          }}
        >
          Help: words and keys
        </button>
        <button type="button" className={css.place} onClick={toggleTheme}>
          {theme === 'dark' ? 'Day theme' : 'Night theme'}
        </button>
      </nav>
    </details>
  );
}

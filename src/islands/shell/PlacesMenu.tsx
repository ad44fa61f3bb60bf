import { Fragment, useEffect, useRef } from 'react';
import { toggleTheme, usePageTheme } from '../../ui/pageTheme.ts';
import { beginsGroup, type FrameKey, PLACES } from './frames.ts';
import css from './PlacesMenu.module.css';

interface PlacesMenuProps {
  readonly frame: FrameKey | null;
  readonly onHelp: () => void;
}

/** On a phone the strip is one press: where one is, and every other view behind it. */
export function PlacesMenu({ frame, onHelp }: PlacesMenuProps) {
  const menu = useRef<HTMLDetailsElement>(null);
  const theme = usePageTheme();
  const here = PLACES.find(({ key }) => key === frame)?.name ?? 'Places';
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
        {PLACES.map(({ key, path, name, group, about }, at) => (
          <Fragment key={key}>
            {/* A group of one is named by its place. */}
            {beginsGroup(at) && group !== name && <span className={css.group}>{group}</span>}
            <a href={path} className={css.place} aria-current={key === frame ? 'page' : undefined}>
              <span>{name}</span> <span className={css.about}>{about}</span>
            </a>
          </Fragment>
        ))}
        <span className={css.group}>Also</span>
        <a href="/crew" className={css.place}>
          Print crew cards
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

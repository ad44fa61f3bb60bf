import { useMantineColorScheme } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { setTake } from '../../app/kit/settings.ts';
import { watchUpdates } from '../../app/kit/updates.ts';
import type { Unexported } from '../../app/kit/useKit.ts';
import { watchStore } from '../../app/kit/watchStore.ts';
import type { Settings } from '../../kit/kit.ts';
import { tellMoved } from '../../ui/undoNotice.tsx';
import { useChange } from '../../ui/useChange.ts';
import { KitMenu } from '../kit/KitMenu.tsx';
import { FRAMES, type FrameKey } from './frames.ts';
import css from './Header.module.css';
import { HeadroomField } from './HeadroomField.tsx';
import { PolicySwitch } from './PolicySwitch.tsx';
import { Shortcuts } from './Shortcuts.tsx';
import { ThemeButton } from './ThemeButton.tsx';
import { storeNotices, updateNotice } from './updateNotice.tsx';

// Loaded when it is first called for.
const Palette = lazy(() => import('./Palette.tsx'));

interface HeaderProps {
  readonly frame: FrameKey;
  readonly settings: Settings;
  /** Null before the kit is known. */
  readonly unexported: Unexported | null;
}

// The history comes with its first use.
const undo = (): void => void tellMoved(async () => (await import('../../app/kit/history.ts')).undoLast(), 'back');
const redo = (): void => void tellMoved(async () => (await import('../../app/kit/history.ts')).redoLast(), 'again');

const go = (path: string) => (): void => window.location.assign(path);

/** The strip of frames, the policy that every answer follows, and what concerns the kit as a whole. */
export function Header({ frame, settings, unexported }: HeaderProps) {
  const [help, setHelp] = useState(false);
  const [palette, setPalette] = useState(0);
  const { toggleColorScheme } = useMantineColorScheme();
  const change = useChange();
  useEffect(() => {
    watchUpdates(updateNotice);
    watchStore(storeNotices);
  }, []);
  const take = (next: Settings['take']): void => void change(() => setTake(next), { quiet: true });
  useHotkeys([
    ...FRAMES.map(({ path }, at) => [String(at + 1), go(path)] as [string, () => void]),
    ['p', () => take(settings.take === 'once' ? 'repeatable' : 'once')],
    ['mod+Z', undo],
    ['mod+shift+Z', redo],
    ['mod+Y', redo],
    ['shift+?', () => setHelp(true)],
    ['?', () => setHelp(true)],
    ['mod+K', () => setPalette((times) => times + 1)],
  ]);
  return (
    <header className={css.header}>
      <a className={css.brand} href="/">
        Cool Reel <span className={css.scale} aria-hidden="true" />
      </a>
      <nav className={css.strip} aria-label="Views">
        {FRAMES.map(({ key, path, name, coming }, at) => (
          <a
            key={key}
            href={path}
            className={css.frame}
            aria-current={key === frame ? 'page' : undefined}
            data-coming={coming || undefined}
          >
            <span className={css.number} aria-hidden="true">
              {at + 1}
              {coming && <span className={css.coming}> later</span>}
            </span>
            {name}
            {coming && <span className="unseen"> (coming)</span>}
          </a>
        ))}
      </nav>
      <div className={css.tools}>
        <PolicySwitch take={settings.take} onChange={take} />
        <HeadroomField headroom={settings.headroom} />
        <KitMenu settings={settings} unexported={unexported} />
        <ThemeButton />
        <button type="button" className={css.help} aria-label="Keyboard shortcuts" onClick={() => setHelp(true)}>
          ?
        </button>
      </div>
      <Suspense fallback={null}>{palette > 0 && <Palette key={palette} onTheme={toggleColorScheme} />}</Suspense>
      <Shortcuts opened={help} onClose={() => setHelp(false)} />
    </header>
  );
}

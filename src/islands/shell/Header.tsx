import { useMantineColorScheme } from '@mantine/core';
import { useHotkeys } from '@mantine/hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { changeSettings } from '../../app/kit/kitActions.ts';
import { watchUpdates } from '../../app/kit/updates.ts';
import { watchStore } from '../../app/kit/watchStore.ts';
import type { Kit, Settings } from '../../kit/kit.ts';
import { useStored } from '../../ui/useStored.ts';
import { KitMenu } from '../kit/KitMenu.tsx';
import { FRAMES, type FrameKey } from './frames.ts';
import css from './Header.module.css';
import { HeadroomField } from './HeadroomField.tsx';
import { PolicySwitch } from './PolicySwitch.tsx';
import { Shortcuts } from './Shortcuts.tsx';
import { ThemeButton } from './ThemeButton.tsx';
import { updateNotice, versionNotices } from './updateNotice.tsx';

// Loaded when it is first called for.
const Palette = lazy(() => import('./Palette.tsx'));

const go = (path: string) => (): void => window.location.assign(path);

/** The strip of frames, the policy that every answer follows, and what concerns the kit as a whole. */
export function Header({ frame, kit }: { readonly frame: FrameKey; readonly kit: Kit }) {
  const { settings } = kit;
  const [help, setHelp] = useState(false);
  const [palette, setPalette] = useState(0);
  const { toggleColorScheme } = useMantineColorScheme();
  const stored = useStored();
  useEffect(() => {
    watchUpdates(updateNotice);
    watchStore(versionNotices);
  }, []);
  const setTake = (take: Settings['take']) => void stored(() => changeSettings({ take }));
  useHotkeys([
    ...FRAMES.map(({ path }, at) => [String(at + 1), go(path)] as [string, () => void]),
    ['p', () => setTake(settings.take === 'once' ? 'repeatable' : 'once')],
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
        <PolicySwitch take={settings.take} onChange={setTake} />
        <HeadroomField headroom={settings.headroom} />
        <KitMenu />
        <ThemeButton />
        <button type="button" className={css.help} aria-label="Keyboard shortcuts" onClick={() => setHelp(true)}>
          ?
        </button>
      </div>
      <Suspense fallback={null}>
        {palette > 0 && <Palette key={palette} kit={kit} onTheme={toggleColorScheme} />}
      </Suspense>
      <Shortcuts opened={help} onClose={() => setHelp(false)} />
    </header>
  );
}

import { useHotkeys } from '@mantine/hooks';
import { useState } from 'react';
import { useShown } from '../../app/kit/shown.ts';
import type { Settings } from '../../kit/kit.ts';
import { changeLater } from '../../ui/changeLater.ts';
import { part } from '../../ui/part.tsx';
import { useMounted } from '../../ui/useMounted.ts';
import { useShortcuts } from '../../ui/useShortcuts.ts';
import { beginsGroup, type FrameKey, PLACES } from './frames.ts';
import css from './Header.module.css';
import { HeadroomField } from './HeadroomField.tsx';
import { KitButton } from './KitButton.tsx';
import { PlacesMenu } from './PlacesMenu.tsx';
import { PolicySwitch } from './PolicySwitch.tsx';
import { ThemeButton } from './ThemeButton.tsx';

// Loaded when they are first called for.
const Palette = part(() => import('./Palette.tsx'));
const Shortcuts = part(() => import('./Shortcuts.tsx'));

/** The history comes with its first use. */
const move = async (way: 'back' | 'again'): Promise<void> => {
  const { tellMoved } = await import('../../ui/undoNotice.tsx');
  await tellMoved(async () => {
    const { undoLast, redoLast } = await import('../../app/kit/history.ts');
    return way === 'back' ? undoLast() : redoLast();
  }, way);
};
const undo = (): void => void move('back');
const redo = (): void => void move('again');

const setTake = (take: Settings['take']): void =>
  void changeLater(async () => {
    const settings = await import('../../app/kit/settings.ts');
    return () => settings.setTake(take);
  });

const setHeadroom = (headroom: number): void =>
  void changeLater(async () => {
    const settings = await import('../../app/kit/settings.ts');
    return () => settings.setHeadroom(headroom);
  });

const go = (path: string) => (): void => window.location.assign(path);

/** The strip of frames, the policy that every answer follows, and what concerns the kit as a whole. */
export function Header({ frame }: { readonly frame: FrameKey | null }) {
  const { settings } = useShown();
  const [help, setHelp] = useState(false);
  const [palette, setPalette] = useState(0);
  const openHelp = (): void => setHelp(true);
  useShortcuts([
    ...PLACES.map(({ path }, at) => ({ key: String(at + 1), run: go(path), notOnButtons: true })),
    { key: 'p', run: () => setTake(settings.take === 'once' ? 'repeatable' : 'once'), notOnButtons: true },
    { key: '?', run: openHelp },
  ]);
  useHotkeys([
    ['mod+Z', undo],
    ['mod+shift+Z', redo],
    ['mod+Y', redo],
    ['mod+K', () => setPalette((times) => times + 1)],
  ]);
  return (
    <header className={css.header} data-ready={useMounted() || undefined}>
      <a className={css.brand} href="/">
        Cool Reel <span className={css.scale} aria-hidden="true" />
      </a>
      <nav className={css.strip} aria-label="Views">
        {PLACES.map(({ key, path, name }, at) => (
          <a
            key={key}
            href={path}
            className={css.frame}
            data-first={(at > 0 && beginsGroup(at)) || undefined}
            aria-current={key === frame ? 'page' : undefined}
          >
            <span className={css.number} aria-hidden="true">
              {at + 1}
            </span>
            {name}
          </a>
        ))}
      </nav>
      <PlacesMenu frame={frame} onHelp={openHelp} />
      <div className={css.tools}>
        <PolicySwitch take={settings.take} onChange={setTake} />
        <HeadroomField headroom={settings.headroom} onKeep={setHeadroom} />
        <KitButton />
        <span className={css.wide}>
          <ThemeButton />
        </span>
        <button type="button" className={css.help} aria-label="Help: words and keys" onClick={openHelp}>
          ?
        </button>
      </div>
      {palette > 0 && <Palette key={palette} />}
      {help && <Shortcuts onClose={() => setHelp(false)} />}
    </header>
  );
}

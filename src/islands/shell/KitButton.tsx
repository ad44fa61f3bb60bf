import { useEffect, useRef, useState } from 'react';
import { useShown } from '../../app/kit/shown.ts';
import { part } from '../../ui/part.tsx';
import { whenIdle } from '../../ui/whenIdle.ts';
import css from '../kit/KitMenu.module.css';
import type { MenuWish } from '../kit/KitMenu.tsx';
import { KitName } from '../kit/KitName.tsx';

/** A button alone, that remembers what was wished of it until the menu is there. */
function Waiting({ wish, onPress }: { readonly wish: MenuWish; readonly onPress?: () => void }) {
  const [pressed, setPressed] = useState(wish.open);
  return (
    <button
      type="button"
      className={css.button}
      aria-busy={pressed || undefined}
      onClick={() => {
        wish.open = true;
        setPressed(true);
        onPress?.();
      }}
      onFocus={() => {
        wish.focus = true;
      }}
      onBlur={() => {
        wish.focus = false;
      }}
    >
      <KitName />
    </button>
  );
}

const KitMenu = part<{ readonly wish: MenuWish }>(
  () => import('../kit/KitMenu.tsx'),
  ({ wish }) => <Waiting wish={wish} />,
);

/** Longest wait for the kit before the menu is loaded all the same, milliseconds. */
const PATIENCE = 5000;

/** The menu of the kit as a whole: a button alone until there is a quiet moment to load it, or until it is pressed. */
export function KitButton() {
  const wish = useRef<MenuWish>({ open: false, focus: false }).current;
  const [load, setLoad] = useState(false);
  const isOpen = useShown().unexported !== null;
  useEffect(() => {
    const quietly = (): void => setLoad(true);
    // The view comes first; where the kit cannot be opened, the menu is how to get out of that.
    if (isOpen) whenIdle(quietly);
    const late = setTimeout(quietly, PATIENCE);
    return () => clearTimeout(late);
  }, [isOpen]);
  return load ? <KitMenu wish={wish} /> : <Waiting wish={wish} onPress={() => setLoad(true)} />;
}

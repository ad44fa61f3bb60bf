import { useState } from 'react';
import { part } from '../../ui/part.tsx';
import { useMounted } from '../../ui/useMounted.ts';
import css from '../kit/KitMenu.module.css';

/** Set by a press that comes before the menu does: it then opens at once. */
let wanted = false;

function Waiting() {
  const [pressed, setPressed] = useState(false);
  return (
    <button
      type="button"
      className={css.button}
      aria-busy={pressed || undefined}
      onClick={() => {
        wanted = true;
        setPressed(true);
      }}
    >
      Kit
    </button>
  );
}

const KitMenu = part(
  async () => {
    const { KitMenu: Menu } = await import('../kit/KitMenu.tsx');
    return { default: () => <Menu openAtOnce={wanted} /> };
  },
  <Waiting />,
);

/** The menu of the kit as a whole; a button alone until it is loaded. */
export const KitButton = () => (useMounted() ? <KitMenu /> : <Waiting />);

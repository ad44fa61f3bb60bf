import { Modal } from '@mantine/core';
import css from './Shortcuts.module.css';

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'quick check'],
  ['1 – 9', 'views'],
  ['p', 'once-only or repeatable take'],
  ['← ↑ → ↓', 'move on the board'],
  ['Home, End', 'first and last card of a row'],
  ['Enter', 'read why'],
  ['Esc', 'back to the board'],
  ['Ctrl + K', 'command palette'],
  ['Ctrl + Z', 'take the last change back'],
  ['Ctrl + Shift + Z', 'make it again'],
  ['?', 'this list'],
];

export function Shortcuts({ opened, onClose }: { readonly opened: boolean; readonly onClose: () => void }) {
  return (
    <Modal opened={opened} onClose={onClose} title="Keys">
      <dl className={css.list}>
        {KEYS.map(([key, what]) => (
          <div key={key} className={css.row}>
            <dt>
              <kbd className={css.key}>{key}</kbd>
            </dt>
            <dd className={css.what}>{what}</dd>
          </div>
        ))}
      </dl>
    </Modal>
  );
}

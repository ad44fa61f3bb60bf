import { Checkbox } from '@mantine/core';
import { useState } from 'react';
import { singleKeysOn, switchSingleKeys } from '../../app/kit/singleKeys.ts';
import { HELP_WORDS } from '../../text/words.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { Themed } from '../../ui/Themed.tsx';
import css from './Shortcuts.module.css';

interface Key {
  readonly keys: string;
  readonly what: string;
  /** Does something by itself, anywhere on the page. */
  readonly single?: boolean;
}

const KEYS: readonly Key[] = [
  { keys: '/', what: 'quick check', single: true },
  { keys: '1 – 9', what: 'the nine places', single: true },
  { keys: 'p', what: 'once-only or repeatable take', single: true },
  { keys: 'a – d', what: 'answers in Practice', single: true },
  { keys: '?', what: 'this list', single: true },
  { keys: '← ↑ → ↓', what: 'move on the table' },
  { keys: 'Home, End', what: 'first and last card of a row' },
  { keys: 'Enter', what: 'read why' },
  { keys: 'Esc', what: 'back to the table' },
  { keys: 'Ctrl + K', what: 'search and commands' },
  { keys: 'Ctrl + Z', what: 'undo the last change' },
  { keys: 'Ctrl + Shift + Z', what: 'redo it' },
];

/** What the words mean, what the keyboard does, and whether single keys do anything. */
export default function Shortcuts({ onClose }: { readonly onClose: () => void }) {
  const [on, setOn] = useState(singleKeysOn);
  const [kept, setKept] = useState(true);
  return (
    <Themed>
      <Dialog opened onClose={onClose} title="Words and keys" size="lg">
        <p className={css.ways}>
          <a href="/guide">The whole guide</a>
          <a href="/guide#rules">The rules</a>
          <a href="/guide#cautions">Cautions</a>
          <a href="/?first=1">Your first question, in three minutes</a>
        </p>
        <h3 className={css.part}>Words</h3>
        <dl className={css.list}>
          {HELP_WORDS.map(({ id, title, text }) => (
            <div key={id} className={css.row}>
              <dt>
                <b>{title}</b>
              </dt>
              <dd className={css.what}>
                {text[0]}{' '}
                <a href={`/guide#${id}`} aria-label={`${title} in the guide`}>
                  In the guide
                </a>
              </dd>
            </div>
          ))}
        </dl>
        <h3 className={css.part}>Keys</h3>
        <dl className={css.list}>
          {KEYS.map(({ keys, what, single = false }) => (
            <div key={keys} className={css.row} data-off={(single && !on) || undefined}>
              <dt>
                <kbd className={css.key}>{keys}</kbd>
              </dt>
              <dd className={css.what}>{what}</dd>
            </div>
          ))}
        </dl>
        <Checkbox
          className={css.switch}
          label="Single keys do something by themselves"
          description="Switch them off where you speak to this device, or press keys by accident. Keys with Ctrl or ⌘, and those of the table, stay."
          checked={on}
          onChange={(event) => {
            const wish = event.currentTarget.checked;
            setKept(switchSingleKeys(wish));
            setOn(singleKeysOn());
          }}
        />
        {!kept && <p role="alert">This browser does not let the app remember that.</p>}
      </Dialog>
    </Themed>
  );
}

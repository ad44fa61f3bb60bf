import { Popover } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';
import { termAt } from '../../text/guide/terms.ts';
import { Themed } from '../../ui/Themed.tsx';
import css from './TermEntry.module.css';

/** The word whose entry is open. */
export interface OpenTerm {
  readonly anchor: HTMLElement;
  readonly id: string;
  /** Pressed, and not only pointed at: the entry takes the focus, and gives it back. */
  readonly pressed: boolean;
}

interface TermEntryProps {
  readonly open: OpenTerm;
  readonly onShut: () => void;
}

/** The entry of a word, beside the word. */
export default function TermEntry({ open, onShut }: TermEntryProps) {
  const { anchor, id, pressed } = open;
  const entry = termAt(id);
  const [{ left, top, width, height }] = useState(() => anchor.getBoundingClientRect());
  const [home] = useState(() => anchor.closest<HTMLElement>('[aria-modal="true"]') ?? document.body);
  // As soon as it is drawn, which the library may do later than the rest.
  const focus = useCallback((head: HTMLHeadingElement | null) => void (pressed && head?.focus()), [pressed]);
  useEffect(() => {
    anchor.setAttribute('aria-expanded', 'true');
    // What the entry is about has moved away from under it.
    const away = (event: Event): void => {
      if (event.target instanceof Element && event.target.closest('[data-term-entry]')) return;
      onShut();
    };
    window.addEventListener('scroll', away, true);
    window.addEventListener('resize', away);
    return () => {
      anchor.removeAttribute('aria-expanded');
      window.removeEventListener('scroll', away, true);
      window.removeEventListener('resize', away);
    };
  }, [anchor, onShut]);
  if (!entry) return null;
  return (
    <Themed>
      <Popover
        opened
        position="bottom-start"
        width={320}
        // Within the panel that the word stands in: what is outside of an open one is not read aloud.
        portalProps={{ target: home }}
        floatingStrategy="fixed"
        transitionProps={{ duration: 0 }}
        onChange={(isOpen) => !isOpen && onShut()}
        closeOnEscape={false}
        trapFocus={false}
        withRoles={false}
        zIndex={400}
      >
        <Popover.Target>
          <span aria-hidden="true" style={{ position: 'fixed', left, top, width, height, pointerEvents: 'none' }} />
        </Popover.Target>
        <Popover.Dropdown className={css.entry} data-term-entry role="dialog" aria-labelledby="term-title">
          <h2 ref={focus} id="term-title" tabIndex={-1} className={css.title}>
            {entry.title}
          </h2>
          {entry.text.map((text) => (
            <p key={text}>{text}</p>
          ))}
          <p className={css.ways}>
            <a href={`/guide#${id}`}>In the guide</a>
            <button
              type="button"
              className="plain-button"
              onClick={() => {
                onShut();
                if (pressed) anchor.focus();
              }}
            >
              Close
            </button>
          </p>
        </Popover.Dropdown>
      </Popover>
    </Themed>
  );
}

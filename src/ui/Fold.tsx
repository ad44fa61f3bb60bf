import { type ReactNode, useState } from 'react';
import css from './Fold.module.css';
import { Alone } from './part.tsx';

interface FoldProps {
  readonly title: string;
  /** What stands in it, in a line, for as long as it is closed. */
  readonly about: string;
  /** A field in it needs another look: it stays open. */
  readonly failed?: boolean;
  readonly children: ReactNode;
}

/** A part of a form that most people pass over: closed it says in a line what stands in it. It fails alone. */
export function Fold({ title, about, failed = false, children }: FoldProps) {
  const [isOpen, setOpen] = useState(false);
  const open = isOpen || failed;
  return (
    <section className={css.fold}>
      <button type="button" className={css.head} aria-expanded={open} onClick={() => setOpen(!open)}>
        <span className={css.title}>{title}</span>
        <span className={css.about}>{about}</span>
        <span className={css.sign} aria-hidden="true">
          {open ? '−' : '+'}
        </span>
      </button>
      {open && (
        <Alone name={title}>
          <div className={css.inside}>{children}</div>
        </Alone>
      )}
    </section>
  );
}

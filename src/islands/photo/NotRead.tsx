import type { ReactNode } from 'react';
import css from './picture.module.css';

interface NotReadProps {
  readonly text: string;
  readonly onAgain: () => void;
  readonly onClose: () => void;
  /** The picture, where one was opened. */
  readonly children?: ReactNode;
}

/** What came of a picture that said nothing, and the two ways on. */
export const NotRead = ({ text, onAgain, onClose, children }: NotReadProps) => (
  <div className={css.waiting}>
    {children}
    <p role="alert" className="tone-warm">
      {text}
    </p>
    <div className={css.buttons}>
      <button type="button" className="ink-button" data-strong onClick={onAgain}>
        Another picture
      </button>
      <button type="button" className="ink-button" onClick={onClose}>
        Type it instead
      </button>
    </div>
  </div>
);

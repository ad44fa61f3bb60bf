import type { ReactNode } from 'react';

interface TermProps {
  /** The address of its entry in the guide. */
  readonly of: string;
  /** Stands by itself and not in a sentence: it is pressed as a button is. */
  readonly alone?: boolean;
  readonly children: ReactNode;
}

/**
 * A word that the guide explains: pressed or pointed at, its entry opens in place (`TermHost` sees to it); without scripts
 * it is a link like any other.
 */
export const Term = ({ of, alone = false, children }: TermProps) => (
  <a className={alone ? 'term reached' : 'term'} href={`/guide#${of}`} data-term={of} aria-haspopup="dialog">
    {children}
  </a>
);

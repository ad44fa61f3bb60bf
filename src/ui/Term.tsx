import type { ReactNode } from 'react';

interface TermProps {
  /** The address of its entry in the guide. */
  readonly of: string;
  readonly children: ReactNode;
}

/**
 * A word that the guide explains: pressed or pointed at, its entry opens in place (`TermHost` sees to it); without scripts
 * it is a link like any other.
 */
export const Term = ({ of, children }: TermProps) => (
  <a className="term" href={`/guide#${of}`} data-term={of} aria-haspopup="dialog">
    {children}
  </a>
);

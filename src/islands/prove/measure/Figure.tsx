import type { ReactNode } from 'react';
import css from './measure.module.css';

interface FigureProps {
  readonly name: string;
  readonly isBig?: boolean;
  readonly children: ReactNode;
}

/** A figure with its name under it. */
export const Figure = ({ name, isBig = false, children }: FigureProps) => (
  <div className={isBig ? css.big : undefined}>
    <dt>{name}</dt>
    <dd>{children}</dd>
  </div>
);

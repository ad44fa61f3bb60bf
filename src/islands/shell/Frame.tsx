import type { ReactNode } from 'react';
import type { FrameKey } from './frames.ts';
import { Header } from './Header.tsx';
import css from './Shell.module.css';
import { TermHost } from './TermHost.tsx';

/** The strip above every view and the place of the view. Light: it works before anything of the kit is loaded. */
export function Frame({ frame, children }: { readonly frame: FrameKey | null; readonly children: ReactNode }) {
  return (
    <div className={css.shell}>
      <a className={css.skip} href="#view">
        Skip to content
      </a>
      <Header frame={frame} />
      <main id="view" className={css.view} tabIndex={-1}>
        {children}
      </main>
      <div id="notices" className={css.notices} />
      <TermHost />
    </div>
  );
}

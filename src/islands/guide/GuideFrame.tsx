import type { ReactNode } from 'react';
import { part } from '../../ui/part.tsx';
import { useMounted } from '../../ui/useMounted.ts';
import { Frame } from '../shell/Frame.tsx';
import { GuideSearch } from './GuideSearch.tsx';
import css from './GuideView.module.css';

// The kit is not needed to read; it comes afterwards.
const GuideKit = part(() => import('./GuideKit.tsx'));

/**
 * What stands around the guide. The text itself comes as it was written at build time: it is there without scripts, and
 * costs none.
 */
export default function GuideFrame({ children }: { readonly children?: ReactNode }) {
  const isMounted = useMounted();
  return (
    <Frame frame="guide">
      <div className={css.guide}>
        <header className={css.head}>
          <h1>Guide</h1>
          {isMounted && <GuideSearch />}
        </header>
        {children}
      </div>
      {isMounted && <GuideKit />}
    </Frame>
  );
}

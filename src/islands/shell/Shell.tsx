import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import type { ReactNode } from 'react';
import { type KitState, useKit } from '../../app/kit/useKit.ts';
import { theme } from '../../ui/theme.ts';
import type { FrameKey } from './frames.ts';
import { Header } from './Header.tsx';
import css from './Shell.module.css';
import { Welcome } from './Welcome.tsx';

interface ShellProps {
  readonly frame: FrameKey;
  /** True where the server was started with the demo kit for first visits. */
  readonly demo: boolean;
  /** Draws the view once the kit is there. */
  readonly children: (kit: KitState['kit']) => ReactNode;
}

/** What stands around every view: the strip of frames, the policy, and the kit's loading, first visit and failure. */
export function Shell({ frame, demo, children }: ShellProps) {
  const state = useKit();
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto" withCssVariables={false} withGlobalClasses={false}>
      <Notifications position="top-center" transitionDuration={0} />
      <div className={css.shell}>
        <a className={css.skip} href="#view">
          To the view
        </a>
        <Header frame={frame} kit={state.kit} />
        <main id="view" className={css.view} tabIndex={-1}>
          <Phase state={state} demo={demo}>
            {children}
          </Phase>
        </main>
      </div>
    </MantineProvider>
  );
}

function Phase({ state, demo, children }: Pick<ShellProps, 'demo' | 'children'> & { readonly state: KitState }) {
  switch (state.phase) {
    case 'loading':
      return (
        <p className={css.note} role="status">
          Opening your kit…
        </p>
      );
    case 'failed':
      return (
        <div className={css.note} role="alert">
          <h1>The kit could not be opened</h1>
          <p>
            This browser did not give access to its storage ({state.reason}). Private windows often refuse it. Allow
            storage for this address and reload. Nothing was changed.
          </p>
        </div>
      );
    case 'unstarted':
      return <Welcome demo={demo} />;
    case 'ready':
      return children(state.kit);
  }
}

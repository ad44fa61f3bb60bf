import { MantineProvider } from '@mantine/core';
import { Notifications } from '@mantine/notifications';
import { type ReactNode, useEffect, useState } from 'react';
import { noteKept } from '../../app/kit/keptMarker.ts';
import { today } from '../../app/kit/today.ts';
import { type KitState, useKit, type ViewKit } from '../../app/kit/useKit.ts';
import type { ListKey } from '../../kit/collections.ts';
import { DEFAULT_SETTINGS } from '../../kit/kit.ts';
import { STORE_SILENT, storeFailureText } from '../../text/kit/storeMessage.ts';
import { theme } from '../../ui/theme.ts';
import type { FrameKey } from './frames.ts';
import { Header } from './Header.tsx';
import css from './Shell.module.css';
import { Welcome } from './Welcome.tsx';

interface ShellProps<L extends ListKey> {
  readonly frame: FrameKey;
  /** True where the server was started with the demo kit for first visits. */
  readonly demo: boolean;
  /** The lists of the kit that the view reads; the same array at every render. */
  readonly lists: readonly L[];
  /** Draws the view once the kit is there. */
  readonly children: (kit: ViewKit<L>) => ReactNode;
}

/** What stands around every view: the strip of frames, the policy, and the kit's loading, first visit and failure. */
export function Shell<L extends ListKey>({ frame, demo, lists, children }: ShellProps<L>) {
  const state = useKit(lists);
  const isReady = state.phase === 'ready';
  useEffect(() => {
    if (isReady) noteKept(today());
  }, [isReady]);
  const settings = 'kit' in state ? state.kit.settings : DEFAULT_SETTINGS;
  const unexported = 'kit' in state ? state.kit.unexported : null;
  return (
    <MantineProvider theme={theme} defaultColorScheme="auto" withCssVariables={false} withGlobalClasses={false}>
      <Notifications position="top-center" transitionDuration={0} />
      <div className={css.shell}>
        <a className={css.skip} href="#view">
          To the view
        </a>
        <Header frame={frame} settings={settings} unexported={unexported} />
        <main id="view" className={css.view} tabIndex={-1}>
          <Phase state={state} demo={demo} lists={lists}>
            {children}
          </Phase>
        </main>
      </div>
    </MantineProvider>
  );
}

type PhaseProps<L extends ListKey> = Pick<ShellProps<L>, 'demo' | 'lists' | 'children'> & {
  readonly state: KitState<L>;
};

function Phase<L extends ListKey>({ state, demo, lists, children }: PhaseProps<L>) {
  switch (state.phase) {
    case 'loading':
      return (
        <p className={css.note} role="status">
          Opening your kit…
        </p>
      );
    case 'silent':
      return (
        <WithoutStore lists={lists} reason={STORE_SILENT}>
          {children}
        </WithoutStore>
      );
    case 'failed':
      return (
        <WithoutStore lists={lists} reason={storeFailureText(state.reason)}>
          {children}
        </WithoutStore>
      );
    case 'unstarted':
      return <Welcome demo={demo} />;
    case 'ready':
      return children(state.kit);
  }
}

/** Without the store nothing is kept, but the quick check and the label reader need none. */
function WithoutStore<L extends ListKey>({
  lists,
  reason,
  children,
}: Pick<ShellProps<L>, 'lists' | 'children'> & { readonly reason: string }) {
  const [goOn, setGoOn] = useState(false);
  if (goOn) {
    const nothing = Object.fromEntries(lists.map((list) => [list, []]));
    const settings = DEFAULT_SETTINGS;
    return children({ ...nothing, settings, unexported: { writes: 0, since: null } } as unknown as ViewKit<L>);
  }
  return (
    <div className={css.note} role="alert">
      <h1>The kit could not be opened</h1>
      <p>{reason}</p>
      <p>Nothing was changed. The quick check and the label reader work without it; nothing you enter is kept.</p>
      <p className={css.ways}>
        <button type="button" className="ink-button" data-strong onClick={() => window.location.reload()}>
          Try again
        </button>
        <button type="button" className="ink-button" onClick={() => setGoOn(true)}>
          Go on without the kit
        </button>
      </p>
    </div>
  );
}

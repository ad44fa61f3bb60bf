import { type ReactNode, useState } from 'react';
import type { KitState, ViewKit } from '../../app/kit/useKit.ts';
import type { ListKey } from '../../kit/collections.ts';
import { DEFAULT_SETTINGS } from '../../kit/kit.ts';
import { STORE_SILENT, storeFailureText } from '../../text/kit/storeMessage.ts';
import { Alone } from '../../ui/part.tsx';
import { Themed } from '../../ui/Themed.tsx';
import { Notices } from './Notices.tsx';
import { Opening } from './Opening.tsx';
import css from './Shell.module.css';
import { useRoom } from './useRoom.ts';
import { Welcome } from './Welcome.tsx';

interface KitRoomProps<L extends ListKey> {
  /** The lists of the kit that the view reads; the same array at every render. */
  readonly lists: readonly L[];
  /** Whether the view has something to show before a kit was begun. */
  readonly early?: boolean;
  /** Draws the view once the kit is there. */
  readonly children: (kit: ViewKit<L>) => ReactNode;
}

/** What of a view needs the kit: its loading, first visit and failure, the notices, and then the view itself. */
export function KitRoom<L extends ListKey>({ lists, early = false, children }: KitRoomProps<L>) {
  const state = useRoom(lists);
  return (
    <Themed>
      <Notices />
      <Alone>
        <Phase state={state} lists={lists} early={early}>
          {children}
        </Phase>
      </Alone>
    </Themed>
  );
}

function Phase<L extends ListKey>({
  state,
  lists,
  early,
  children,
}: KitRoomProps<L> & { readonly state: KitState<L> }) {
  switch (state.phase) {
    case 'loading':
      return <Opening />;
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
      return early ? children(state.kit) : <Welcome />;
    case 'ready':
      return children(state.kit);
  }
}

/** Without the store nothing is kept, but the quick check and the label reader need none. */
function WithoutStore<L extends ListKey>({ lists, reason, children }: KitRoomProps<L> & { readonly reason: string }) {
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

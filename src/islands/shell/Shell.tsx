import type { ReactNode } from 'react';
import type { ViewKit } from '../../app/kit/useKit.ts';
import type { ListKey } from '../../kit/collections.ts';
import { Frame } from './Frame.tsx';
import type { FrameKey } from './frames.ts';
import { KitRoom } from './KitRoom.tsx';

interface ShellProps<L extends ListKey> {
  readonly frame: FrameKey;
  /** The lists of the kit that the view reads; the same array at every render. */
  readonly lists: readonly L[];
  /** Draws the view once the kit is there. */
  readonly children: (kit: ViewKit<L>) => ReactNode;
}

/** What stands around a view that shows nothing without the kit. */
export const Shell = <L extends ListKey>({ frame, lists, children }: ShellProps<L>) => (
  <Frame frame={frame}>
    <KitRoom lists={lists}>{children}</KitRoom>
  </Frame>
);

import { Drawer } from '@mantine/core';
import { useEffect } from 'react';
import type { WhySubject } from '../../app/match/subject.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import type { Move } from '../../core/match/move.ts';
import type { Policy } from '../../core/match/policy.ts';
import { part } from '../../ui/part.tsx';
import { whenIdle } from '../../ui/whenIdle.ts';
import { Legend } from './Legend.tsx';
import css from './SidePanel.module.css';

const loadWhy = () => import('./Why.tsx');
// With the first selection; its code is there by then.
const Why = part(loadWhy);

interface SidePanelProps {
  readonly subject: WhySubject | null;
  readonly kit: BoardKit;
  readonly policy: Policy;
  readonly plan: PlannedTake;
  readonly trying: boolean;
  /** Whether it lies over the board, where there is no room beside. */
  readonly over: boolean;
  /** Closed though a cell is selected: the board shows a trial. */
  readonly shut: boolean;
  /** Whether the legend was asked for. */
  readonly legend: boolean;
  readonly onMove: (move: Move) => void;
  readonly onClose: () => void;
}

/** Why, beside the board; over it where there is no room beside. The legend while nothing is selected. */
export function SidePanel(props: SidePanelProps) {
  const { subject, kit, policy, plan, trying, over, shut, legend, onMove, onClose } = props;
  const why = subject && (
    <Why subject={subject} kit={kit} policy={policy} plan={plan} trying={trying} onMove={onMove} />
  );
  useEffect(() => whenIdle(() => void loadWhy().catch(() => {})), []);
  if (over) {
    return (
      <Drawer
        opened={(subject !== null && !shut) || legend}
        onClose={onClose}
        position="bottom"
        size="92%"
        title={legend ? 'What the answers mean' : 'Why'}
      >
        {legend ? <Legend take={policy.take} /> : why}
      </Drawer>
    );
  }
  return (
    <aside
      id="why"
      className={css.panel}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      aria-label="Why"
      onKeyDown={(event) => {
        // Back to where it was opened from: a cell of the board, or the line of the quick check.
        if (event.key === 'Escape')
          document.querySelector<HTMLElement>(subject?.quick ? '#quick-check' : '[role="grid"]')?.focus();
      }}
    >
      {why ?? <Legend take={policy.take} />}
    </aside>
  );
}

import { Drawer } from '@mantine/core';
import { useMediaQuery } from '@mantine/hooks';
import type { Take } from '../../core/model/kit.ts';
import { Legend } from './Legend.tsx';
import css from './SidePanel.module.css';
import type { WhySubject } from './subject.ts';
import { Why } from './Why.tsx';

interface SidePanelProps {
  readonly subject: WhySubject | null;
  readonly take: Take;
  readonly onClose: () => void;
}

/** Why, beside the board; over it where there is no room beside. The legend while nothing is selected. */
export function SidePanel({ subject, take, onClose }: SidePanelProps) {
  const over = useMediaQuery('(max-width: 980px)', false);
  if (over) {
    return (
      <Drawer
        opened={subject !== null}
        onClose={onClose}
        position="bottom"
        size="92%"
        title="Why"
        closeButtonProps={{ 'aria-label': 'Close' }}
      >
        {subject && <Why subject={subject} take={take} />}
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
        if (event.key === 'Escape') document.querySelector<HTMLElement>('[role="grid"]')?.focus();
      }}
    >
      {subject ? <Why subject={subject} take={take} /> : <Legend take={take} />}
    </aside>
  );
}

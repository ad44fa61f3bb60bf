import { Spotlight, spotlight } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useEffect } from 'react';
import { setTake } from '../../app/kit/settings.ts';
import { useKit } from '../../app/kit/useKit.ts';
import { cardSummary } from '../../text/match/cell.ts';
import { toggleTheme } from '../../ui/pageTheme.ts';
import { Themed } from '../../ui/Themed.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useExport } from '../kit/useExport.ts';
import { FRAMES } from './frames.ts';

const go = (path: string) => (): void => window.location.assign(path);

const LISTS = ['bodies', 'cards'] as const;

/** Everything the app can do and everything in the kit, by typing a part of its name. */
export default function Palette() {
  const change = useChange();
  const state = useKit(LISTS);
  const kit = 'kit' in state ? state.kit : { bodies: [], cards: [] };
  useEffect(() => spotlight.open(), []);
  const take = (kind: 'once' | 'repeatable') => () => void change(() => setTake(kind));
  const save = useExport();
  const actions = [
    {
      group: 'Views',
      actions: [
        ...FRAMES.filter(({ coming }) => !coming).map(({ key, name, path }) => ({
          id: key,
          label: name,
          onClick: go(path),
        })),
        { id: 'crew', label: 'Crew cards to print', onClick: go('/crew') },
      ],
    },
    {
      group: 'Do',
      actions: [
        { id: 'once', label: 'Once-only take', onClick: take('once') },
        { id: 'repeatable', label: 'Repeatable take', onClick: take('repeatable') },
        { id: 'export', label: 'Export the kit file', onClick: save },
        { id: 'theme', label: 'Day or night theme', onClick: toggleTheme },
      ],
    },
    {
      group: 'Cards',
      actions: kit.cards.map((card) => ({
        id: `card ${card.id}`,
        label: card.label,
        description: cardSummary(card),
        onClick: go(`/cards?open=${encodeURIComponent(card.id)}`),
      })),
    },
    {
      group: 'Bodies',
      actions: kit.bodies.map((body) => ({
        id: `body ${body.id}`,
        label: body.name,
        description: body.note ?? '',
        onClick: go(`/bodies?open=${encodeURIComponent(body.id)}`),
      })),
    },
  ];
  return (
    <Themed>
      <Spotlight
        actions={actions}
        shortcut={null}
        lockScroll={false}
        transitionProps={{ duration: 0 }}
        scrollable
        maxHeight={420}
        limit={30}
        nothingFound="Nothing by that name"
        searchProps={{ placeholder: 'A view, a card, a body, something to do', 'aria-label': 'Command palette' }}
      />
    </Themed>
  );
}

import { Spotlight, spotlight } from '@mantine/spotlight';
import '@mantine/spotlight/styles.css';
import { useEffect } from 'react';
import { setTake } from '../../app/kit/settings.ts';
import { useKit } from '../../app/kit/useKit.ts';
import { wishDialog } from '../../app/kit/wishes.ts';
import { shownMoves } from '../../app/match/shownMoves.ts';
import { cardSummary, modeTitle } from '../../text/match/cell.ts';
import { toggleTheme } from '../../ui/pageTheme.ts';
import { Themed } from '../../ui/Themed.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useExport } from '../kit/useExport.ts';
import { PLACES } from './frames.ts';

const go = (path: string) => (): void => window.location.assign(path);

const LISTS = ['bodies', 'cards'] as const;

const DIALOGS = [
  { dialog: 'import', label: 'Import a kit file' },
  { dialog: 'history', label: 'Last changes' },
  { dialog: 'snapshots', label: 'Earlier states' },
  { dialog: 'storage', label: 'Storage' },
] as const;

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
      group: 'Pages',
      actions: [
        ...PLACES.map(({ key, name, path }) => ({
          id: key,
          label: name,
          onClick: go(path),
        })),
        { id: 'crew', label: 'Print crew cards', onClick: go('/crew') },
      ],
    },
    {
      group: 'Commands',
      actions: [
        { id: 'once', label: 'Once-only take', onClick: take('once') },
        { id: 'repeatable', label: 'Repeatable take', onClick: take('repeatable') },
        { id: 'export', label: 'Export the kit file', onClick: save },
        ...DIALOGS.map(({ dialog, label }) => ({ id: dialog, label, onClick: () => wishDialog(dialog) })),
        { id: 'theme', label: 'Day or night theme', onClick: toggleTheme },
      ],
    },
    {
      group: 'What to do',
      actions: shownMoves().map(({ text, run }, at) => ({ id: `move ${at}`, label: text, onClick: run })),
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
      group: 'Cameras',
      actions: kit.bodies.map((body) => ({
        id: `camera ${body.id}`,
        label: body.name,
        description: body.note ?? '',
        onClick: go(`/bodies?open=${encodeURIComponent(body.id)}`),
      })),
    },
    {
      group: 'Modes',
      actions: kit.bodies.flatMap((body) =>
        body.modes.map((mode) => ({
          id: `mode ${body.id} ${mode.id}`,
          label: `${body.name} ${modeTitle(mode)}`,
          description: 'in Heat',
          onClick: go(`/heat?body=${encodeURIComponent(body.id)}&mode=${encodeURIComponent(mode.id)}`),
        })),
      ),
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
        nothingFound="Nothing found. Try another word, or open the Guide."
        searchProps={{ placeholder: 'A page, a card, a camera, something to do', 'aria-label': 'Search and commands' }}
      />
    </Themed>
  );
}

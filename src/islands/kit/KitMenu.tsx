import { Menu } from '@mantine/core';
import { useEffect, useRef, useState } from 'react';
import { exportDue } from '../../app/kit/exportReminder.ts';
import { emptyKit, loadDemo } from '../../app/kit/kitFile.ts';
import { useShown } from '../../app/kit/shown.ts';
import { isStorageKept, keepOwn } from '../../app/kit/storage.ts';
import type { TableKey } from '../../app/kit/tables.ts';
import { type KitDialog, onWish } from '../../app/kit/wishes.ts';
import { exportDueText } from '../../text/kit/exportDue.ts';
import { download } from '../../ui/download.ts';
import { part } from '../../ui/part.tsx';
import { Themed } from '../../ui/Themed.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './KitMenu.module.css';
import { KitName } from './KitName.tsx';
import { useExport } from './useExport.ts';

// The file dialogues bring the schema with them; no view needs it before they are opened.
const ImportDialog = part(() => import('./ImportDialog.tsx'));
const HistoryDialog = part(() => import('./HistoryDialog.tsx'));
const StorageDialog = part(() => import('./StorageDialog.tsx'));
const AsideDialog = part(() => import('./AsideDialog.tsx'));
const SnapshotsDialog = part(() => import('./SnapshotsDialog.tsx'));

const TABLES: readonly (readonly [TableKey, string])[] = [
  ['board', 'The table as CSV'],
  ['cards', 'Cards as CSV'],
  ['modes', 'Modes as CSV'],
  ['tests', 'Tests as CSV'],
];

/** The CSV writer comes with its first use. */
async function saveTable(key: TableKey): Promise<void> {
  const { tableFile } = await import('../../app/kit/tables.ts');
  const { name, text } = await tableFile(key);
  download(name, text, 'text/csv;charset=utf-8');
}

/** The cards alone, to be given away. */
async function saveWallet(): Promise<void> {
  const { storedWallet } = await import('../../app/kit/giveAway.ts');
  const { name, text } = await storedWallet();
  download(name, text, 'application/json');
}

/** What was wished of the button before its menu was there. */
export interface MenuWish {
  open: boolean;
  focus: boolean;
}

/** What concerns the kit as a whole: out, in, begin again, earlier states. */
export default function KitMenu({ wish }: { readonly wish: MenuWish }) {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (wish.focus) button.current?.focus();
  }, [wish]);
  const { settings, unexported } = useShown();
  const [open, setOpen] = useState<KitDialog | null>(null);
  useEffect(() => onWish(setOpen), []);
  const stored = useStored();
  const change = useChange();
  const save = useExport();
  const [isKept, setKept] = useState(true);
  useEffect(() => {
    if (window.matchMedia('(display-mode: standalone)').matches) keepOwn();
    void isStorageKept().then(setKept);
  }, []);
  const due = unexported && exportDue(unexported, settings, { now: Date.now(), isKept });
  const close = (): void => setOpen(null);
  return (
    <Themed>
      <Menu defaultOpened={wish.open} position="bottom-end" transitionProps={{ duration: 0 }} offset={6}>
        <Menu.Target>
          <button ref={button} type="button" className={css.button}>
            <KitName />
            {due?.isDue && <span className={css.due} aria-hidden="true" />}
            {due?.isDue && <span className="unseen">, {exportDueText(due)}</span>}
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          {due?.isDue && <Menu.Label className={css.reminder}>{exportDueText(due)}</Menu.Label>}
          <Menu.Item onClick={save}>Export the kit file</Menu.Item>
          <Menu.Item onClick={() => void stored(saveWallet)}>Export your cards only</Menu.Item>
          <Menu.Item onClick={() => setOpen('import')}>Import a kit file…</Menu.Item>
          <Menu.Item onClick={() => setOpen('history')}>Last changes…</Menu.Item>
          <Menu.Item onClick={() => setOpen('snapshots')}>Earlier states…</Menu.Item>
          <Menu.Item onClick={() => setOpen('storage')}>Storage…</Menu.Item>
          {(settings.asideWords ?? []).length > 0 && (
            <Menu.Item onClick={() => setOpen('aside')}>Words that do not matter…</Menu.Item>
          )}
          <Menu.Divider />
          {TABLES.map(([key, name]) => (
            <Menu.Item key={key} onClick={() => void stored(() => saveTable(key))}>
              {name}
            </Menu.Item>
          ))}
          <Menu.Item component="a" href="/crew">
            Crew cards to print
          </Menu.Item>
          <Menu.Divider />
          <Menu.Item onClick={() => void change(loadDemo)}>Load the demo kit</Menu.Item>
          <Menu.Item onClick={() => void change(emptyKit)}>Start empty</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      {open === 'import' && <ImportDialog onClose={close} />}
      {open === 'history' && <HistoryDialog onClose={close} />}
      {open === 'storage' && <StorageDialog settings={settings} unexported={unexported} onClose={close} />}
      {open === 'aside' && <AsideDialog settings={settings} onClose={close} />}
      {open === 'snapshots' && <SnapshotsDialog onClose={close} />}
    </Themed>
  );
}

import { Menu } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { lazy, Suspense, useState } from 'react';
import { emptyKit, exportKit, loadDemo } from '../../app/kit/kitActions.ts';
import type { TableKey } from '../../app/kit/tables.ts';
import { download } from '../../ui/download.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './KitMenu.module.css';

// The file dialogues bring the schema with them; no view needs it before they are opened.
const ImportDialog = lazy(() => import('./ImportDialog.tsx'));
const StorageDialog = lazy(() => import('./StorageDialog.tsx'));
const SnapshotsDialog = lazy(() => import('./SnapshotsDialog.tsx'));

const TABLES: readonly (readonly [TableKey, string])[] = [
  ['board', 'The board as CSV'],
  ['cards', 'Cards as CSV'],
  ['modes', 'Modes as CSV'],
];

/** The CSV writer comes with its first use. */
async function saveTable(key: TableKey): Promise<void> {
  const { tableFile } = await import('../../app/kit/tables.ts');
  const { name, text } = await tableFile(key);
  download(name, text, 'text/csv;charset=utf-8');
}

/** What concerns the kit as a whole: out, in, begin again, earlier states. */
export function KitMenu() {
  const [open, setOpen] = useState<'import' | 'snapshots' | 'storage' | null>(null);
  const stored = useStored();
  const save = async (): Promise<void> => {
    const { name, text } = await exportKit();
    download(name, text, 'application/json');
  };
  const replace = async (change: () => Promise<void>, done: string): Promise<void> => {
    if (!(await stored(change))) return;
    notifications.show({ message: `${done} What was there is kept under Kit, Earlier states.` });
  };
  const close = (): void => setOpen(null);
  return (
    <>
      <Menu position="bottom-end" transitionProps={{ duration: 0 }} offset={6}>
        <Menu.Target>
          <button type="button" className={css.button}>
            Kit
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item onClick={() => void stored(save)}>Export the kit file</Menu.Item>
          <Menu.Item onClick={() => setOpen('import')}>Import a kit file…</Menu.Item>
          <Menu.Item onClick={() => setOpen('snapshots')}>Earlier states…</Menu.Item>
          <Menu.Item onClick={() => setOpen('storage')}>Storage…</Menu.Item>
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
          <Menu.Item onClick={() => void replace(loadDemo, 'The demo kit is loaded.')}>Load the demo kit</Menu.Item>
          <Menu.Item onClick={() => void replace(emptyKit, 'The kit is empty.')}>Start empty</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <Suspense fallback={null}>
        {open === 'import' && <ImportDialog onClose={close} />}
        {open === 'storage' && <StorageDialog onClose={close} />}
        {open === 'snapshots' && <SnapshotsDialog onClose={close} />}
      </Suspense>
    </>
  );
}

import { Menu } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { emptyKit, exportKit, loadDemo } from '../app/kitActions.ts';
import { download } from './download.ts';
import css from './KitMenu.module.css';
import { useStored } from './useStored.ts';

// The file dialogues bring the schema with them; no view needs it before they are opened.
const ImportDialog = lazy(() => import('./ImportDialog.tsx'));
const SnapshotsDialog = lazy(() => import('./SnapshotsDialog.tsx'));

/** What concerns the kit as a whole: out, in, begin again, earlier states. */
export function KitMenu() {
  const [open, setOpen] = useState<'import' | 'snapshots' | null>(null);
  const stored = useStored();
  const save = async (): Promise<void> => {
    const { name, text } = await exportKit();
    download(name, text, 'application/json');
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
          <Menu.Divider />
          <Menu.Item onClick={() => void stored(loadDemo)}>Load the demo kit</Menu.Item>
          <Menu.Item onClick={() => void stored(emptyKit)}>Start empty</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <Suspense fallback={null}>
        {open === 'import' && <ImportDialog onClose={close} />}
        {open === 'snapshots' && <SnapshotsDialog onClose={close} />}
      </Suspense>
    </>
  );
}

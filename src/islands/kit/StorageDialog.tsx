import { NativeSelect } from '@mantine/core';
import { useEffect, useState } from 'react';
import { exportDue, exportEvery } from '../../app/kit/exportReminder.ts';
import { setExportReminder } from '../../app/kit/settings.ts';
import { keepStorage, type StorageState } from '../../app/kit/storage.ts';
import type { Unexported } from '../../app/kit/useKit.ts';
import type { Bytes } from '../../core/units/brand.ts';
import type { Settings } from '../../kit/kit.ts';
import { exportDueText } from '../../text/kit/exportDue.ts';
import { capacityText } from '../../text/quantity.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { useChange } from '../../ui/useChange.ts';
import css from './StorageDialog.module.css';

interface StorageDialogProps {
  readonly settings: Settings;
  readonly unexported: Unexported | null;
  readonly onClose: () => void;
}

const size = (bytes: number | null): string => (bytes === null ? 'not told' : capacityText(bytes as Bytes));

/** Room left, bytes; null where the browser does not say. */
const left = ({ used, quota }: StorageState): number | null =>
  used === null || quota === null ? null : Math.max(0, quota - used);

const DAYS = [1, 3, 7, 14, 30, 90] as const;

/** Where the kit is kept, whether the browser may drop it, and when to be reminded of an export. */
export default function StorageDialog({ settings, unexported, onClose }: StorageDialogProps) {
  const [state, setState] = useState<StorageState | null>(null);
  const change = useChange();
  useEffect(() => {
    void keepStorage().then(setState);
  }, []);
  const every = exportEvery(settings);
  const choices = [...new Set<number>([...DAYS, every])].filter((days) => days > 0).sort((a, b) => a - b);
  return (
    <Dialog opened onClose={onClose} title="Storage on this device">
      {state ? (
        <div className={css.storage}>
          <p>
            {state.persistent
              ? 'The browser keeps the kit until you remove it.'
              : 'The browser may drop the kit when space runs short. Install the app or add it to the bookmarks, and export the kit before a job.'}
            {!state.persistent &&
              every > 0 &&
              ' Until then the reminder comes after three days of changes at the latest.'}
          </p>
          <p>
            Used <b>{size(state.used)}</b> of <b>{size(state.quota)}</b> that the browser grants
            {left(state) !== null && (
              <>
                ; <b>{size(left(state))}</b> left
              </>
            )}
            .
          </p>
          {unexported && <p>{exportDueText(exportDue(unexported, settings, { now: Date.now(), isKept: true }))}</p>}
          <NativeSelect
            label="Remind me to export"
            className={css.days}
            value={String(every)}
            data={[
              ...choices.map((days) => ({
                value: String(days),
                label: days === 1 ? 'after a day of changes' : `after ${days} days of changes`,
              })),
              { value: '0', label: 'never' },
            ]}
            onChange={(event) => void change(() => setExportReminder(Number(event.currentTarget.value)))}
          />
        </div>
      ) : (
        <p role="status">Asking the browser…</p>
      )}
    </Dialog>
  );
}

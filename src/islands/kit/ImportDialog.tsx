import { Modal } from '@mantine/core';
import { notifications } from '@mantine/notifications';
import { type ChangeEvent, useState } from 'react';
import { type ImportPreview, kitRefusalText, previewImport } from '../../app/kit/importPreview.ts';
import { importKit } from '../../app/kit/kitActions.ts';
import type { Result } from '../../core/result.ts';
import type { ListDiff } from '../../kit/diffKit.ts';
import type { KitRefusal } from '../../kit/importKit.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './ImportDialog.module.css';

/** Names shown of a long list; the rest are counted. */
const SHOWN = 8;

const names = (all: readonly string[]): string =>
  all.length <= SHOWN ? all.join(', ') : `${all.slice(0, SHOWN).join(', ')} and ${all.length - SHOWN} more`;

/** Chooses a kit file, shows what it would change, and only then puts it in place: all of it or nothing. */
export default function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const [preview, setPreview] = useState<Result<ImportPreview, KitRefusal> | null>(null);
  const stored = useStored();
  const choose = async (event: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const file = event.currentTarget.files?.[0];
    if (file) await stored(async () => setPreview(await previewImport(file)));
  };
  const apply = async ({ kit }: ImportPreview): Promise<void> => {
    if (!(await stored(() => importKit(kit)))) return;
    notifications.show({ message: 'Imported. What was there is kept under Kit, Earlier states.' });
    onClose();
  };
  return (
    <Modal opened onClose={onClose} title="Import a kit file" size="lg" closeButtonProps={{ 'aria-label': 'Close' }}>
      <div className={css.dialog}>
        <label className={css.file}>
          <span>A .coolreel.json file. It takes the place of the kit you have, which is kept as an earlier state.</span>
          <input type="file" accept=".json,application/json" onChange={(event) => void choose(event)} />
        </label>
        {preview && !preview.ok && <Refusal refusal={preview.error} />}
        {preview?.ok && <Preview preview={preview.value} onApply={() => void apply(preview.value)} />}
      </div>
    </Modal>
  );
}

function Refusal({ refusal }: { readonly refusal: KitRefusal }) {
  return (
    <div role="alert" className={css.refusal}>
      <p>{kitRefusalText(refusal)}</p>
      {refusal.code === 'invalid' && (
        <ul className={css.problems}>
          {refusal.problems.map(({ path, message }) => (
            <li key={`${path}${message}`}>
              <code className={css.path}>{path}</code> {message}
            </li>
          ))}
          {refusal.more > 0 && <li>and {refusal.more} more</li>}
        </ul>
      )}
      <p>Nothing was changed.</p>
    </div>
  );
}

function Preview({ preview, onApply }: { readonly preview: ImportPreview; readonly onApply: () => void }) {
  const { diff, same } = preview;
  return (
    <>
      <dl className={css.lists}>
        {diff.lists.filter(worthShowing).map((list) => (
          <ListPreview key={list.list} list={list} />
        ))}
        {diff.settingsChanged && (
          <div className={css.list}>
            <dt>settings</dt>
            <dd>changed</dd>
          </div>
        )}
      </dl>
      {same && <p>The file holds exactly what you have.</p>}
      <div>
        <button type="button" className="ink-button" data-strong onClick={onApply} disabled={same}>
          Import
        </button>
      </div>
    </>
  );
}

const worthShowing = ({ added, changed, removed, unchanged }: ListDiff): boolean =>
  added.length + changed.length + removed.length + unchanged > 0;

function ListPreview({ list }: { readonly list: ListDiff }) {
  const { added, changed, removed, unchanged } = list;
  return (
    <div className={css.list}>
      <dt>{list.list}</dt>
      <dd>
        {added.length > 0 && (
          <p>
            <b className="tone-cool">{added.length} new</b> {names(added)}
          </p>
        )}
        {changed.length > 0 && (
          <p>
            <b className="tone-warm">{changed.length} changed</b> {names(changed)}
          </p>
        )}
        {removed.length > 0 && (
          <p>
            <b className="tone-hot">{removed.length} removed</b> {names(removed)}
          </p>
        )}
        {unchanged > 0 && <p className="soft">{unchanged} unchanged</p>}
      </dd>
    </div>
  );
}

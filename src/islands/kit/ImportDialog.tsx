import { type ChangeEvent, useState } from 'react';
import { type ImportPreview, previewImport } from '../../app/kit/importPreview.ts';
import { importKit, mergeInto } from '../../app/kit/kitFile.ts';
import type { Result } from '../../core/result.ts';
import type { ListDiff } from '../../kit/diffKit.ts';
import type { KitRefusal } from '../../kit/importKit.ts';
import { VERSION } from '../../kit/kit.ts';
import type { Incoming, MergeChoice } from '../../kit/mergeKit.ts';
import { listWord } from '../../text/kit/editRefusal.ts';
import { kitRefusalText, NOT_WHOLE } from '../../text/kit/kitRefusal.ts';
import { problemText } from '../../text/kit/problem.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useStored } from '../../ui/useStored.ts';
import css from './ImportDialog.module.css';
import { MergePreview } from './MergePreview.tsx';

const WAYS = [
  { key: 'merge', text: 'Add it to what I have' },
  { key: 'replace', text: 'Put it in the place of what I have' },
] as const;

/** Names shown of a long list; the rest are counted. */
const SHOWN = 8;

/** Names of entries, those that have one; alike ones once. */
function names(all: readonly string[]): string {
  const told = [...new Set(all.filter(Boolean))];
  return told.length <= SHOWN ? told.join(', ') : `${told.slice(0, SHOWN).join(', ')} and ${told.length - SHOWN} more`;
}

/** Chooses a kit file, shows what it would change, and only then puts it in place: all of it or nothing. */
export default function ImportDialog({ onClose }: { readonly onClose: () => void }) {
  const [preview, setPreview] = useState<Result<ImportPreview, KitRefusal> | null>(null);
  const [way, setWay] = useState<'merge' | 'replace'>('merge');
  const stored = useStored();
  const change = useChange();
  const choose = async (event: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const file = event.currentTarget.files?.[0];
    if (file) await stored(async () => setPreview(await previewImport(file)));
  };
  const replace = async ({ kit }: ImportPreview): Promise<void> => {
    if (await change(() => importKit(kit))) onClose();
  };
  const merge = async (all: readonly Incoming[], choices: readonly MergeChoice[]): Promise<void> => {
    if (await change(() => mergeInto(all, choices))) onClose();
  };
  return (
    <Dialog opened onClose={onClose} title="Import a kit file" size="lg">
      <div className={css.dialog}>
        <label className={css.file}>
          <span>A .coolreel.json file: a whole kit, cards alone, or one camera that a colleague gave you.</span>
          <input type="file" accept=".json,application/json" onChange={(event) => void choose(event)} />
        </label>
        {preview && !preview.ok && <Refusal refusal={preview.error} />}
        {preview?.ok && (
          <>
            {preview.value.isWhole === false && (
              <p className="tone-hot" role="alert">
                {NOT_WHOLE}
              </p>
            )}
            {!preview.value.nothingYet && (
              <fieldset className={css.ways}>
                <legend className="unseen">How it comes in</legend>
                {WAYS.map(({ key, text }) => (
                  <label key={key} className={css.way}>
                    <input type="radio" name="way" checked={way === key} onChange={() => setWay(key)} /> {text}
                  </label>
                ))}
              </fieldset>
            )}
            {way === 'merge' && !preview.value.nothingYet ? (
              <MergePreview
                key={preview.value.incoming.length}
                all={preview.value.incoming}
                onApply={(choices) => void merge(preview.value.incoming, choices)}
              />
            ) : (
              <Preview preview={preview.value} onApply={() => void replace(preview.value)} />
            )}
          </>
        )}
      </div>
    </Dialog>
  );
}

function Refusal({ refusal }: { readonly refusal: KitRefusal }) {
  return (
    <div role="alert" className={css.refusal}>
      <p>{kitRefusalText(refusal)}</p>
      {refusal.code === 'invalid' && (
        <ul className={css.problems}>
          {refusal.problems.map((problem) => (
            <li key={problem.path}>
              <code className={css.path}>{problem.path}</code> {problemText(problem)}
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
  const { diff, same, version } = preview;
  return (
    <>
      {!preview.nothingYet && <p className="soft">What you have now is kept as an earlier state.</p>}
      {version < VERSION && (
        <p>
          A file of version {version}. Shown as it will be once it is brought to version {VERSION}.
        </p>
      )}
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
        {diff.extraChanged.length > 0 && (
          <div className={css.list}>
            <dt>kept unread</dt>
            <dd>{names(diff.extraChanged)}</dd>
          </div>
        )}
      </dl>
      {same && <p>The file holds exactly what you have.</p>}
      <div>
        <button type="button" className="ink-button" data-strong onClick={onApply} disabled={same}>
          {preview.nothingYet ? 'Import' : 'Replace the kit'}
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
      <dt>{listWord(list.list)}</dt>
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

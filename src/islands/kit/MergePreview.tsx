import { useState } from 'react';
import { disagreements } from '../../app/kit/conflict.ts';
import type { Incoming, MergeChoice } from '../../kit/mergeKit.ts';
import { entryWord } from '../../text/kit/editRefusal.ts';
import { fieldPathText, valueText } from '../../text/kit/fields.ts';
import { mergeText } from '../../text/kit/merge.ts';
import css from './ImportDialog.module.css';

/** Entries to choose from one by one; of the rest new ones come in and one’s own stay. */
const MOST = 200;
/** Fields named of one entry; the rest are counted. */
const SHOWN = 4;

interface MergePreviewProps {
  readonly all: readonly Incoming[];
  readonly onApply: (choices: readonly MergeChoice[]) => void;
}

/** What a file would add to the kit, entry by entry: new ones come in unless unticked, one's own stay unless chosen. */
export function MergePreview({ all, onApply }: MergePreviewProps) {
  const [choices, setChoices] = useState<readonly MergeChoice[]>(() =>
    // What a colleague has learned is nobody else’s: it comes in only where it is chosen.
    all.map(({ mine, list }) => (mine === null && list !== 'drills' ? 'theirs' : 'mine')),
  );
  const set = (at: number, choice: MergeChoice): void => setChoices(choices.with(at, choice));
  const taken = all.filter(({ isSame }, at) => !isSame && choices[at] !== 'mine').length;
  const same = all.filter(({ isSame }) => isSame).length;
  const shown = all.map((one, at) => ({ one, at })).filter(({ one }) => !one.isSame);
  return (
    <>
      <ul className={css.merge} aria-label="What comes in">
        {shown.slice(0, MOST).map(({ one, at }) => (
          <li key={`${one.list} ${one.theirs.id} ${at}`} className={css.entry}>
            <span>
              <b>{one.name}</b> <span className="soft">{entryWord(one.list)}</span>
            </span>
            {one.mine === null ? (
              <label className={css.way}>
                <input
                  type="checkbox"
                  checked={choices[at] !== 'mine'}
                  onChange={(event) => set(at, event.currentTarget.checked ? 'theirs' : 'mine')}
                />{' '}
                new
              </label>
            ) : (
              <select
                className={css.choice}
                aria-label={`${one.name}: which to keep`}
                value={choices[at] ?? 'mine'}
                onChange={(event) => set(at, event.currentTarget.value as MergeChoice)}
              >
                <option value="mine">keep mine</option>
                <option value="theirs">take theirs</option>
                {(one.list === 'bodies' || one.list === 'cards') && <option value="both">keep both</option>}
              </select>
            )}
            {one.mine !== null && <Differences one={one} />}
          </li>
        ))}
      </ul>
      {shown.length > MOST && <p className="soft">{mergeText.more(shown.length - MOST)}</p>}
      {shown.length === 0 && <p>You already have everything in this file.</p>}
      {same > 0 && shown.length > 0 && <p className="soft">{mergeText.same(same)}</p>}
      <div>
        <button
          type="button"
          className="ink-button"
          data-strong
          disabled={taken === 0}
          onClick={() => onApply(choices)}
        >
          {taken === 0 ? 'Add' : mergeText.add(taken)}
        </button>
      </div>
    </>
  );
}

/** Where an entry of the file differs from one's own, field by field. */
function Differences({ one }: { readonly one: Incoming }) {
  const fields = disagreements(one.mine, one.mine, one.theirs);
  return (
    <ul className={css.differences}>
      {one.byLabel && <li className="soft">the same by its label</li>}
      {fields.slice(0, SHOWN).map(({ path, mine, theirs }) => (
        <li key={JSON.stringify(path)}>
          {fieldPathText(path, one.theirs)}: {valueText(mine, path)} → {valueText(theirs, path)}
        </li>
      ))}
      {fields.length > SHOWN && <li className="soft">and {fields.length - SHOWN} more</li>}
    </ul>
  );
}

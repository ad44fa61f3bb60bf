import { useState } from 'react';
import { bodyNamed, givenGroups, readGivenFile, reportsOf } from '../../app/prove/files.ts';
import { addReports } from '../../app/prove/proveActions.ts';
import type { ProveKit } from '../../app/prove/proveKit.ts';
import type { Result } from '../../core/result.ts';
import type { GivenTests } from '../../kit/givenTests.ts';
import type { KitRefusal } from '../../kit/importKit.ts';
import { modeTitle } from '../../text/match/cell.ts';
import { givenRefusalText } from '../../text/prove/files.ts';
import { plain } from '../../text/quantity.ts';
import { Chips } from '../../ui/Chips.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import css from '../../ui/paste.module.css';
import { useChange } from '../../ui/useChange.ts';

interface TakeReportsProps {
  readonly kit: ProveKit;
  readonly onClose: () => void;
}

/** A colleague's tests: of which own body and modes they are is seen and settled first; they come in as reported. */
export default function TakeReports({ kit, onClose }: TakeReportsProps) {
  const [read, setRead] = useState<Result<GivenTests, KitRefusal> | null>(null);
  const [bodyId, setBodyId] = useState('');
  const [modes, setModes] = useState<ReadonlyMap<string, string>>(new Map());
  const change = useChange();
  const given = read?.ok ? read.value : null;
  const body = kit.bodies.find(({ id }) => id === bodyId);
  const groups = given && body ? givenGroups(given, body) : [];
  const chosen = new Map(groups.map(({ key, own }) => [key, modes.get(key) ?? own?.id ?? '']));
  const reports = given && body ? reportsOf(given, body, chosen, kit.reports) : [];
  return (
    <Dialog opened onClose={onClose} size="lg" title="A colleague’s tests">
      <div className={css.paste}>
        <label className={css.label}>
          The file a colleague gave you.{' '}
          <input
            type="file"
            accept=".json,application/json"
            onChange={(event) => {
              const file = event.currentTarget.files?.[0];
              if (!file) return;
              void readGivenFile(file).then((now) => {
                setRead(now);
                setModes(new Map());
                setBodyId(now.ok ? (bodyNamed(now.value, kit.bodies)?.id ?? '') : '');
              });
            }}
          />
        </label>
        {read && !read.ok && (
          <p role="alert" className="tone-hot">
            {givenRefusalText(read.error)} Nothing was added.
          </p>
        )}
        {given && (
          <>
            <p>
              {given.tests.length} {given.tests.length === 1 ? 'test' : 'tests'} of “{given.body.name}”
              {given.from ? ` by ${given.from}` : ', nobody named'}.
            </p>
            <Chips
              legend="Which of your cameras is it?"
              value={bodyId}
              choices={kit.bodies.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setBodyId}
            />
          </>
        )}
        {body && (
          <ul className={css.preview} aria-label="Modes of the file">
            {groups.map(({ key, name, fps, takes }) => (
              <li key={key} className={css.row}>
                <b>
                  {name} {plain(fps, 2)}p, {takes.length} {takes.length === 1 ? 'take' : 'takes'}
                </b>
                <select
                  className={css.menu}
                  aria-label={`Your mode for ${name}`}
                  value={chosen.get(key)}
                  onChange={(event) => setModes(new Map([...modes, [key, event.currentTarget.value]]))}
                >
                  <option value="">leave out</option>
                  {body.modes.map((mode) => (
                    <option key={mode.id} value={mode.id}>
                      {modeTitle(mode)}
                    </option>
                  ))}
                </select>
              </li>
            ))}
          </ul>
        )}
        <p className="soft">
          They come in as reported: shown beside your answers, never as a test of yours, and they change no answer.
        </p>
        <div className={css.foot}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={reports.length === 0}
            onClick={() => void change(() => addReports(reports)).then((made) => made && onClose())}
          >
            {reports.length === 0 ? 'Add' : `Add ${reports.length} as reported`}
          </button>
          {given && body && reports.length === 0 && [...chosen.values()].some(Boolean) && (
            <span role="status">They are all here already.</span>
          )}
        </div>
      </div>
    </Dialog>
  );
}

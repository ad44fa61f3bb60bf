import { Menu } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import type { Draft } from '../../app/kit/draft.ts';
import { unsavedNew } from '../../app/kit/unsaved.ts';
import { policyOf } from '../../app/match/policy.ts';
import { newBench, newBurst, type Open } from '../../app/prove/opened.ts';
import { deleteEntry, forgetReports } from '../../app/prove/proveActions.ts';
import { PROVE_LISTS, type ProveKit } from '../../app/prove/proveKit.ts';
import { entriesOf, newTest, puzzles } from '../../app/prove/proveViews.ts';
import { useStopwatch } from '../../app/prove/stopwatch.ts';
import type { Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import { whenText } from '../../text/kit/when.ts';
import { entryName, type Named } from '../../text/prove/log.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { Places } from '../../ui/Places.tsx';
import { part } from '../../ui/part.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useLastSeen } from '../../ui/useLastSeen.ts';
import { Shell } from '../shell/Shell.tsx';
import { LogList } from './LogList.tsx';
import { OddResults } from './OddResults.tsx';
import { Opened } from './Opened.tsx';
import css from './ProveView.module.css';
import { Watch } from './Watch.tsx';

const RunsPart = part(() => import('./RunsPart.tsx'));
const MapPart = part(() => import('./MapPart.tsx'));
const NextPart = part(() => import('./NextPart.tsx'));
const BurstPart = part(() => import('./BurstPart.tsx'));
const MeasurePart = part(() => import('./measure/MeasurePart.tsx'));
const WrongPart = part(() => import('./WrongPart.tsx'));
const TestsTable = part(() => import('./TestsTable.tsx'));
const GiveTests = part(() => import('./GiveTests.tsx'));
const TakeReports = part(() => import('./TakeReports.tsx'));

export default function ProveView() {
  return (
    <Shell frame="prove" lists={PROVE_LISTS}>
      {(kit) => <Prove kit={kit} />}
    </Shell>
  );
}

const PLACES = [
  { key: 'log', name: 'Log' },
  { key: 'runs', name: 'Runs' },
  { key: 'map', name: 'Results by card' },
  { key: 'next', name: 'What to test next' },
  { key: 'measure', name: 'Measure a file or card' },
  { key: 'bursts', name: 'Stills bursts' },
  { key: 'wrong', name: 'What went wrong?' },
] as const;
type Place = (typeof PLACES)[number]['key'];

type Asking = 'table' | 'give' | 'reports';

/** What the address asks for: `?at=` a place, `?open=` a test, `?body=&mode=&card=` a take to log, `?new` an empty one. */
function asked(): { readonly place: Place; readonly open: Open | null } {
  const query = new URLSearchParams(window.location.search);
  const place = PLACES.find(({ key }) => key === query.get('at'))?.key ?? 'log';
  const key = query.get('open');
  const [bodyId, modeId, cardId] = [query.get('body'), query.get('mode'), query.get('card')];
  if (key) return { place, open: { kind: 'entry', key } };
  if (bodyId && cardId) return { place, open: { kind: 'take', test: newTest({ bodyId, modeId, cardId }) } };
  return { place, open: query.has('new') ? { kind: 'take', test: newTest() } : null };
}

function Prove({ kit }: { readonly kit: ProveKit }) {
  // biome-ignore lint/correctness/useExhaustiveDependencies: a policy is these two of the settings; others change nothing
  const policy = useMemo(() => policyOf(kit.settings), [kit.settings.take, kit.settings.headroom]);
  const [first] = useState(asked);
  const [place, setPlace] = useState<Place>(first.place);
  const [open, setOpen] = useState<Open | null>(first.open);
  const [asking, setAsking] = useState<Asking | null>(null);
  const watch = useStopwatch();
  const change = useChange();
  const entries = useMemo(() => entriesOf(kit), [kit]);
  const odd = useMemo(() => puzzles(kit), [kit]);
  const named = useMemo<Named>(
    () => ({
      bodies: new Map(kit.bodies.map((body) => [body.id, body])),
      cards: new Map(kit.cards.map((card) => [card.id, card])),
    }),
    [kit.bodies, kit.cards],
  );
  const key = open?.kind === 'entry' ? open.key : null;
  const { item: entry, isGone } = useLastSeen(
    useMemo(() => {
      const found = entries.find((one) => one.key === key);
      return found && { ...found, id: found.key };
    }, [entries, key]),
    key,
  );
  useEffect(() => {
    const query = new URLSearchParams();
    if (place !== 'log') query.set('at', place);
    const what = new URLSearchParams(window.location.search).get('what');
    if (place === 'measure' && what) query.set('what', what);
    if (key) query.set('open', key);
    const text = query.toString();
    window.history.replaceState(null, '', window.location.pathname + (text ? `?${text}` : ''));
  }, [place, key]);
  const go = (next: Open | null): void => leave(() => setOpen(next));
  const openTest = (id: string): void => go({ kind: 'entry', key: id });
  const remove = (one: Entry): void =>
    void change(() => deleteEntry(one, entryName(one, named))).then((made) => (made ? setOpen(null) : undefined));
  const close = (): void => go(null);
  const saved = (id: string): void => setOpen({ kind: 'entry', key: id });
  const unsaved = unsavedNew('tests').filter(
    ({ values: { id } }) => !(open?.kind === 'take' && open.test.id === id) && !kit.tests.some((one) => one.id === id),
  );
  const cannotLog = kit.bodies.length === 0 || kit.cards.length === 0;
  const isEmpty = entries.length === 0;
  return (
    <div className={css.prove}>
      <LeaveDialog />
      {watch.running && (
        <Watch kit={kit} named={named} watch={watch} running={watch.running} onLogged={(test) => saved(test.id)} />
      )}
      <div className={css.head}>
        <h1>Tests</h1>
        <div className={css.actions}>
          <button
            type="button"
            className="ink-button"
            data-strong
            disabled={cannotLog}
            onClick={() => go({ kind: 'take', test: newTest() })}
          >
            Log a take
          </button>
          <Menu position="bottom-end" transitionProps={{ duration: 0 }} offset={6}>
            <Menu.Target>
              <button type="button" className="ink-button">
                More
              </button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item disabled={cannotLog} onClick={() => go({ kind: 'burst', item: newBurst() })}>
                Log a burst
              </Menu.Item>
              <Menu.Item disabled={kit.bodies.length === 0} onClick={() => go({ kind: 'counter' })}>
                Note a counter
              </Menu.Item>
              <Menu.Item disabled={kit.cards.length === 0} onClick={() => go({ kind: 'bench', item: newBench() })}>
                Log a bench result
              </Menu.Item>
              <Menu.Item disabled={kit.cards.length === 0} onClick={() => go({ kind: 'incident' })}>
                Note an incident
              </Menu.Item>
              <Menu.Divider />
              <Menu.Item onClick={() => setAsking('table')}>Tests from a table…</Menu.Item>
              <Menu.Item onClick={() => void saveTable()}>Tests as CSV</Menu.Item>
              <Menu.Divider />
              <Menu.Item onClick={() => setAsking('give')}>Give tests away…</Menu.Item>
              <Menu.Item onClick={() => setAsking('reports')}>A colleague’s tests…</Menu.Item>
              {kit.reports.length > 0 && (
                <Menu.Item onClick={() => void change(() => forgetReports(kit.reports))}>
                  Forget colleagues’ tests
                </Menu.Item>
              )}
            </Menu.Dropdown>
          </Menu>
        </div>
        <Places label="Parts of Tests" places={PLACES} now={place} onGo={setPlace} />
      </div>
      {unsaved.map(({ values, at }) => (
        <p key={values.id} className={`${css.left} tone-warm`}>
          A take, typed {whenText(at)}, is not saved.{' '}
          <button
            type="button"
            className="plain-button"
            onClick={() => go({ kind: 'take', test: values as Draft<Test> })}
          >
            Go on with it
          </button>
        </p>
      ))}
      <div className={css.columns}>
        <div className={css.main}>
          {place === 'log' && (
            <div className={css.logged}>
              {isEmpty ? (
                <div className={css.empty}>
                  <p>
                    Nothing is logged yet. Log takes that filled an empty card and takes that dropped frames: both
                    change the answers for that card in that camera. Begin with the highest rate, from cold.
                  </p>
                  {cannotLog && (
                    <p>
                      A take needs a camera with a mode and a card: add{' '}
                      {kit.bodies.length === 0 ? 'a camera' : 'a card'} under{' '}
                      <a href={kit.bodies.length === 0 ? '/bodies' : '/cards'}>
                        {kit.bodies.length === 0 ? 'Cameras' : 'Cards'}
                      </a>
                      .
                    </p>
                  )}
                </div>
              ) : (
                <LogList kit={kit} entries={entries} named={named} openKey={key} onOpen={(one) => openTest(one.key)} />
              )}
              {odd.length > 0 && <OddResults odd={odd} named={named} onOpen={openTest} />}
            </div>
          )}
          {place === 'runs' && <RunsPart kit={kit} openId={key} onOpen={openTest} />}
          {place === 'map' && <MapPart kit={kit} policy={policy} openId={key} onOpen={openTest} />}
          {place === 'next' && (
            <NextPart
              kit={kit}
              policy={policy}
              named={named}
              isTiming={watch.running !== null}
              onTime={watch.start}
              onLog={(next) =>
                next.reason.code === 'void-burst'
                  ? go({ kind: 'burst', item: { ...newBurst(), bodyId: next.bodyId, cardId: next.cardId } })
                  : go({
                      kind: 'take',
                      test: newTest({
                        bodyId: next.bodyId,
                        modeId: next.modeId,
                        cardId: next.cardId,
                        slotId: next.slotId,
                      }),
                    })
              }
            />
          )}
          {place === 'bursts' && (
            <BurstPart kit={kit} onLog={() => go({ kind: 'burst', item: newBurst() })} onOpen={openTest} />
          )}
          {place === 'measure' && <MeasurePart kit={kit} onLog={(test) => go({ kind: 'take', test: newTest(test) })} />}
          {place === 'wrong' && <WrongPart kit={kit} policy={policy} />}
        </div>
        {place === 'log' && !open && !isEmpty && (
          <div className={css.beside}>
            <MapPart kit={kit} policy={policy} openId={key} onOpen={openTest} />
          </div>
        )}
        {open && (open.kind !== 'entry' || entry) && (
          <Opened
            kit={kit}
            open={open}
            entry={open.kind === 'entry' ? entry : undefined}
            isGone={isGone}
            named={named}
            watch={watch}
            why={odd.find(({ test }) => test.id === key)?.why ?? null}
            onSaved={saved}
            onDone={() => setOpen(null)}
            onClose={close}
            onDelete={remove}
            onAgain={(test) => go({ kind: 'take', test })}
          />
        )}
      </div>
      {asking === 'table' && <TestsTable kit={kit} onClose={() => setAsking(null)} />}
      {asking === 'give' && <GiveTests kit={kit} onClose={() => setAsking(null)} />}
      {asking === 'reports' && <TakeReports kit={kit} onClose={() => setAsking(null)} />}
    </div>
  );
}

/** The CSV writer comes with its first use. */
async function saveTable(): Promise<void> {
  const [{ tableFile }, { download }] = await Promise.all([
    import('../../app/kit/tables.ts'),
    import('../../ui/download.ts'),
  ]);
  const { name, text } = await tableFile('tests');
  download(name, text, 'text/csv;charset=utf-8');
}

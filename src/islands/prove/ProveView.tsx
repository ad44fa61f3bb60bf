import { Menu } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import type { Draft } from '../../app/kit/draft.ts';
import { today } from '../../app/kit/today.ts';
import { unsavedNew } from '../../app/kit/unsaved.ts';
import { policyOf } from '../../app/match/policy.ts';
import { deleteEntry, forgetReports } from '../../app/prove/proveActions.ts';
import { PROVE_LISTS, type ProveKit } from '../../app/prove/proveKit.ts';
import { entriesOf, newTest, puzzles } from '../../app/prove/proveViews.ts';
import { useStopwatch } from '../../app/prove/stopwatch.ts';
import type { BenchResult, Clearing, Test } from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import { newId } from '../../kit/newId.ts';
import { whenText } from '../../text/kit/when.ts';
import { entryName, type Named } from '../../text/prove/log.ts';
import { PUZZLE_WORDS } from '../../text/prove/reconcile.ts';
import { LeaveDialog } from '../../ui/LeaveDialog.tsx';
import { leave } from '../../ui/leaving.ts';
import { part } from '../../ui/part.tsx';
import { useChange } from '../../ui/useChange.ts';
import { useLastSeen } from '../../ui/useLastSeen.ts';
import { Shell } from '../shell/Shell.tsx';
import { LogList } from './LogList.tsx';
import { BenchForm, BurstForm, CounterForm, IncidentForm } from './OtherForms.tsx';
import css from './ProveView.module.css';
import { TestForm } from './TestForm.tsx';
import { TestPanel } from './TestPanel.tsx';
import { Watch } from './Watch.tsx';

const MapPart = part(() => import('./MapPart.tsx'));
const NextPart = part(() => import('./NextPart.tsx'));
const BurstPart = part(() => import('./BurstPart.tsx'));
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
  { key: 'map', name: 'Map' },
  { key: 'next', name: 'Worth testing' },
  { key: 'bursts', name: 'Bursts' },
  { key: 'wrong', name: 'What went wrong?' },
] as const;
type Place = (typeof PLACES)[number]['key'];

type Open =
  | { readonly kind: 'entry'; readonly key: string }
  | { readonly kind: 'take'; readonly test: Draft<Test> }
  | { readonly kind: 'burst'; readonly item: Draft<Clearing> }
  | { readonly kind: 'bench'; readonly item: Draft<BenchResult> }
  | { readonly kind: 'counter' }
  | { readonly kind: 'incident' };

type Asking = 'table' | 'give' | 'reports';

/** Results told of under the log; the rest are in the log. */
const TOLD = 5;

const newBurst = (): Draft<Clearing> => ({
  id: newId(),
  bodyId: '',
  cardId: '',
  slotId: null,
  date: today(),
  fileMB: '',
  framesUntilSlow: null,
  frames: '',
  burstFps: null,
  shutterSeconds: null,
  clearSeconds: '',
});

const newBench = (): Draft<BenchResult> => ({
  id: newId(),
  cardId: '',
  date: today(),
  reader: null,
  port: null,
  program: 'sequential',
  readMBps: null,
  writeMBps: null,
  lowestWriteMBps: null,
});

/** What the address asks for: `?at=` a place, `?open=` a test, `?body=&mode=&card=` a take to log. */
function asked(): { readonly place: Place; readonly open: Open | null } {
  const query = new URLSearchParams(window.location.search);
  const place = PLACES.find(({ key }) => key === query.get('at'))?.key ?? 'log';
  const key = query.get('open');
  const [bodyId, modeId, cardId] = [query.get('body'), query.get('mode'), query.get('card')];
  if (key) return { place, open: { kind: 'entry', key } };
  if (bodyId && cardId) return { place, open: { kind: 'take', test: newTest({ bodyId, modeId, cardId }) } };
  return { place, open: null };
}

function Prove({ kit }: { readonly kit: ProveKit }) {
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
        <h1>Prove</h1>
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
        <nav className={css.places} aria-label="Parts of Prove">
          {PLACES.map((one) => (
            <button
              key={one.key}
              type="button"
              aria-current={one.key === place ? 'page' : undefined}
              onClick={() => setPlace(one.key)}
            >
              {one.name}
            </button>
          ))}
        </nav>
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
                    Nothing is logged yet. A take that fills a card from empty proves the pair; one that drops is
                    remembered. Worst mode first, from cold.
                  </p>
                  {cannotLog && (
                    <p>
                      A take needs a body with a mode and a card: add {kit.bodies.length === 0 ? 'a body' : 'a card'}{' '}
                      under{' '}
                      <a href={kit.bodies.length === 0 ? '/bodies' : '/cards'}>
                        {kit.bodies.length === 0 ? 'Bodies' : 'Cards'}
                      </a>
                      .
                    </p>
                  )}
                </div>
              ) : (
                <LogList kit={kit} entries={entries} named={named} openKey={key} onOpen={(one) => openTest(one.key)} />
              )}
              {odd.length > 0 && (
                <section className={css.odd} aria-label="Results that look impossible">
                  <h2>Results that look impossible</h2>
                  <ul>
                    {odd.slice(-TOLD).map(({ test, why, ...one }) => (
                      <li key={test.id}>
                        <button type="button" className="plain-button" onClick={() => openTest(test.id)}>
                          {entryName(
                            {
                              ...{ kind: 'take' as const, key: test.id, date: '', onTop: false, test },
                              ...{ bodyId: one.body.id, cardId: one.card.id },
                            },
                            named,
                          )}
                        </button>{' '}
                        <span className="soft">{PUZZLE_WORDS[why]}</span>
                      </li>
                    ))}
                  </ul>
                  {odd.length > TOLD && <p className="soft">and {odd.length - TOLD} more in the log.</p>}
                </section>
              )}
            </div>
          )}
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
          {place === 'wrong' && <WrongPart kit={kit} policy={policy} />}
        </div>
        {place === 'log' && !open && !isEmpty && (
          <div className={css.beside}>
            <MapPart kit={kit} policy={policy} openId={key} onOpen={openTest} />
          </div>
        )}
        {open && (open.kind !== 'entry' || entry) && (
          <aside className={css.side} aria-label="What is open">
            {open.kind === 'take' && (
              <>
                <PanelHead title="Log a take" onClose={close} />
                <TestForm
                  key={open.test.id}
                  kit={kit}
                  test={open.test}
                  isNew
                  isGone={false}
                  onSaved={(test) => saved(test.id)}
                  onTime={
                    watch.running
                      ? null
                      : (timed) => {
                          setOpen(null);
                          watch.start(timed);
                        }
                  }
                  onClose={() => setOpen(null)}
                />
              </>
            )}
            {open.kind === 'burst' && (
              <>
                <PanelHead title="Log a burst" onClose={close} />
                <BurstForm
                  key={open.item.id}
                  kit={kit}
                  item={open.item}
                  isNew
                  isGone={false}
                  onSaved={({ id }) => saved(id)}
                  onClose={() => setOpen(null)}
                />
              </>
            )}
            {open.kind === 'bench' && (
              <>
                <PanelHead title="Log a bench result" onClose={close} />
                <BenchForm
                  key={open.item.id}
                  kit={kit}
                  item={open.item}
                  isNew
                  isGone={false}
                  onSaved={({ id }) => saved(id)}
                  onClose={() => setOpen(null)}
                />
              </>
            )}
            {open.kind === 'counter' && (
              <>
                <PanelHead title="Note a counter" onClose={close} />
                <CounterForm kit={kit} onDone={() => setOpen(null)} />
              </>
            )}
            {open.kind === 'incident' && (
              <>
                <PanelHead title="Note an incident" onClose={close} />
                <IncidentForm kit={kit} onDone={() => setOpen(null)} />
              </>
            )}
            {open.kind === 'entry' && entry?.kind === 'take' && (
              <TestPanel
                key={entry.key}
                kit={kit}
                entry={entry}
                isGone={isGone}
                named={named}
                why={odd.find(({ test }) => test.id === entry.key)?.why ?? null}
                onDelete={() => remove(entry)}
                onAgain={(test) => go({ kind: 'take', test })}
                onClose={close}
              />
            )}
            {open.kind === 'entry' && entry && entry.kind !== 'take' && (
              <>
                <PanelHead
                  title={entryName(entry, named)}
                  onClose={close}
                  onDelete={isGone ? undefined : () => remove(entry)}
                />
                {entry.kind === 'burst' && (
                  <BurstForm
                    key={entry.key}
                    kit={kit}
                    item={entry.clearing}
                    isNew={false}
                    isGone={isGone}
                    onSaved={() => {}}
                    onClose={() => setOpen(null)}
                  />
                )}
                {entry.kind === 'bench' && (
                  <BenchForm
                    key={entry.key}
                    kit={kit}
                    item={entry.bench}
                    isNew={false}
                    isGone={isGone}
                    onSaved={() => {}}
                    onClose={() => setOpen(null)}
                  />
                )}
                {entry.kind === 'counter' && (
                  <p>
                    It stands with its body:{' '}
                    <a href={`/bodies?open=${encodeURIComponent(entry.bodyId ?? '')}`}>change it there</a>.
                  </p>
                )}
                {entry.kind === 'report' && (
                  <p>
                    {entry.report.from ?? 'Nobody named'} gave it, read in on {entry.report.received}. It stands beside
                    your answers and changes none of them.
                  </p>
                )}
                {entry.kind === 'incident' && (
                  <p>
                    {entry.date}. It stands with its card:{' '}
                    <a href={`/cards?open=${encodeURIComponent(entry.cardId ?? '')}`}>change it there</a>.
                  </p>
                )}
              </>
            )}
          </aside>
        )}
      </div>
      {asking === 'table' && <TestsTable kit={kit} onClose={() => setAsking(null)} />}
      {asking === 'give' && <GiveTests kit={kit} onClose={() => setAsking(null)} />}
      {asking === 'reports' && <TakeReports kit={kit} onClose={() => setAsking(null)} />}
    </div>
  );
}

interface PanelHeadProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly onDelete?: (() => void) | undefined;
}

function PanelHead({ title, onClose, onDelete }: PanelHeadProps) {
  return (
    <header className={css.panelHead}>
      <h2>{title}</h2>
      {onDelete && (
        <button type="button" className="plain-button" onClick={onDelete}>
          Delete
        </button>
      )}
      <button type="button" className="plain-button" onClick={onClose}>
        Close
      </button>
    </header>
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

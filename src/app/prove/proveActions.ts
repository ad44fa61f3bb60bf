import type {
  BenchResult,
  Body,
  Card,
  Clearing,
  CounterReading,
  Incident,
  Mode,
  Report,
  Retest,
  Test,
} from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import { newId } from '../../kit/newId.ts';
import { change, type ListEdit, put, remove, settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { type Draft, drafted } from '../kit/draft.ts';
import { today } from '../kit/today.ts';
import { type Written, write } from '../kit/write.ts';
import { writtenMBps } from './proveViews.ts';

/** Stores a take as its form has it. */
export const saveTest = (test: Test, base: Test | null): Promise<Written> =>
  write(CHANGE_TEXT.takeLogged, [put('tests', test, { base })]);

export const saveClearing = (clearing: Clearing, base: Clearing | null): Promise<Written> =>
  write(CHANGE_TEXT.burstLogged, [put('clearings', clearing, { base })]);

export const saveBench = (bench: BenchResult, base: BenchResult | null): Promise<Written> =>
  write(CHANGE_TEXT.benchLogged, [put('benches', bench, { base })]);

/** The same take once more, today: what belongs to that one take alone is not taken along, its length least of all. */
export const againAs = (test: Test): Draft<Test> => ({
  ...drafted(test),
  id: newId(),
  date: today(),
  seconds: '',
  clipGB: null,
  warning: null,
  note: null,
  looked: null,
  order: test.order == null ? null : test.order + 1,
});

export const noteIncident = (card: Card, incident: Incident): Promise<Written> =>
  write(CHANGE_TEXT.incidentNoted(card.label), [
    change('cards', card.id, (one) => ({ ...one, incidents: [...(one.incidents ?? []), incident] })),
  ]);

/** A reading of a mode and size that was noted before is replaced. */
export const noteCounter = (body: Body, reading: CounterReading): Promise<Written> =>
  write(CHANGE_TEXT.counterNoted(body.name), [
    change('bodies', body.id, (one) => ({
      ...one,
      counters: [
        ...(one.counters ?? []).filter(
          ({ modeId, capacityGB }) => modeId !== reading.modeId || capacityGB !== reading.capacityGB,
        ),
        reading,
      ],
    })),
  ]);

/** Without the entries of one list of an owner that are the ones named. */
const without = <T>(all: readonly T[] | undefined, gone: readonly T[]): readonly T[] =>
  (all ?? []).filter((one) => !gone.some((other) => JSON.stringify(other) === JSON.stringify(one)));

function deletion(entry: Entry): readonly ListEdit[] {
  switch (entry.kind) {
    case 'take':
      return [remove('tests', entry.test.id)];
    case 'burst':
      return [remove('clearings', entry.clearing.id)];
    case 'bench':
      return [
        remove('benches', entry.bench.id),
        ...(entry.bench.seriesId ? [remove('series', entry.bench.seriesId)] : []),
      ];
    case 'report':
      return [remove('reports', entry.report.id)];
    case 'counter':
      return [
        change('bodies', entry.bodyId as string, (one) => ({
          ...one,
          counters: without(one.counters, [entry.reading]),
        })),
      ];
    case 'incident':
      return [
        change('cards', entry.cardId as string, (one) => ({
          ...one,
          incidents: without(one.incidents, [entry.incident]),
        })),
      ];
  }
}

export const deleteEntry = (entry: Entry, what: string): Promise<Written> =>
  write(CHANGE_TEXT.entryDeleted(what), deletion(entry));

/** That a failed take was looked at: it stands in its place again. */
export const markLooked = ({ id }: Test): Promise<Written> =>
  write(CHANGE_TEXT.lookedAt, [change('tests', id, (one) => ({ ...one, looked: today() }))]);

/** All tests of a table, or none. */
export const addTests = (tests: readonly Omit<Test, 'id'>[]): Promise<Written> =>
  write(
    CHANGE_TEXT.takesLogged(tests.length),
    tests.map((test) => put('tests', { ...test, id: newId() })),
  );

export const addReports = (reports: readonly Omit<Report, 'id'>[]): Promise<Written> =>
  write(
    CHANGE_TEXT.reportsAdded(reports.length),
    reports.map((report) => put('reports', { ...report, id: newId() })),
  );

export const forgetReports = (reports: readonly Report[]): Promise<Written> =>
  write(
    CHANGE_TEXT.reportsForgotten,
    reports.map(({ id }) => remove('reports', id)),
  );

export const setRetest = (retest: Retest): Promise<Written> => write(CHANGE_TEXT.retest, [settle({ retest })]);

/** Sets a raw mode to the compression that its tests bear out. */
export const setRatio = (body: Body, mode: Mode, ratio: number): Promise<Written> =>
  write(CHANGE_TEXT.ratioSet(mode.name, String(ratio)), [
    change('bodies', body.id, (one) => ({
      ...one,
      modes: one.modes.map((other) =>
        other.id === mode.id && other.rate.kind === 'raw' ? { ...other, rate: { ...other.rate, ratio } } : other,
      ),
    })),
  ]);

/** That a take was of another mode than noted. */
export function moveTest({ id }: Test, modeId: string, body: Body): Promise<Written> {
  const mode = body.modes.find((one) => one.id === modeId);
  const rate = mode ? writtenMBps(body, mode) : null;
  return write(CHANGE_TEXT.takeMoved(mode?.name ?? ''), [
    change('tests', id, (one) => ({ ...one, modeId, writtenMBps: rate ?? one.writtenMBps })),
  ]);
}

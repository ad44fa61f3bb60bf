import type {
  BenchResult,
  Body,
  Card,
  Clearing,
  CounterReading,
  Incident,
  Mode,
  ModeRate,
  Report,
  Retest,
  StatedHolds,
  Test,
} from '../../core/kit/model.ts';
import type { Entry } from '../../core/prove/entries.ts';
import { namedRatio } from '../../core/prove/takeRate.ts';
import { newId } from '../../kit/newId.ts';
import { change, type ListEdit, put, remove, settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { type Draft, drafted } from '../kit/draft.ts';
import { today } from '../kit/today.ts';
import { type Written, write } from '../kit/write.ts';
import { withMeasured } from './measure/withMeasured.ts';
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

/** A mode with another rate; the one it had is kept beside it, once. */
function beside(mode: Mode, rate: ModeRate): Mode {
  const text = JSON.stringify(mode.rate);
  const others = (mode.otherRates ?? []).filter((one) => JSON.stringify(one) !== text);
  return { ...mode, rate, otherRates: [...others, mode.rate] };
}

/** Sets raw modes to the compression that a take bears out, and their names with it where they carry the old one. */
export const setRatio = (body: Body, modes: readonly Mode[], ratio: number, names: boolean): Promise<Written> =>
  write(
    modes.length === 1
      ? CHANGE_TEXT.ratioSet(modes[0]?.name ?? '', String(ratio))
      : CHANGE_TEXT.ratiosSet(modes.length, String(ratio)),
    [
      change('bodies', body.id, (one) => ({
        ...one,
        modes: one.modes.map((mode) => {
          if (mode.rate.kind !== 'raw' || !modes.some(({ id }) => id === mode.id)) return mode;
          const renamed = names ? namedRatio(mode.name, mode.rate.ratio, ratio) : null;
          // A name that another mode of this speed has already would name two.
          const isTaken = one.modes.some(
            ({ name, fps, captureFps }) => name === renamed && fps === mode.fps && captureFps === mode.captureFps,
          );
          const name = renamed === null || isTaken ? mode.name : renamed;
          return { ...beside(mode, { ...mode.rate, ratio }), name };
        }),
      })),
    ],
  );

/** Sets a mode to the rate that a take of it wrote at. */
export const setTakeRate = (body: Body, mode: Mode, rate: ModeRate): Promise<Written> =>
  write(CHANGE_TEXT.rateTaken(mode.name), [
    change('bodies', body.id, (one) => ({
      ...one,
      modes: one.modes.map((other) => (other.id === mode.id ? withMeasured(other, rate) : other)),
    })),
  ]);

/** What the stated rates of a body hold, as its files tell it. */
export const setHolds = (body: Body, holds: StatedHolds): Promise<Written> =>
  write(CHANGE_TEXT.holdsSet(body.name), [change('bodies', body.id, (one) => ({ ...one, statedHolds: holds }))]);

/** That a take was of another mode than noted. */
export function moveTest({ id }: Test, modeId: string, body: Body): Promise<Written> {
  const mode = body.modes.find((one) => one.id === modeId);
  const rate = mode ? writtenMBps(body, mode) : null;
  return write(CHANGE_TEXT.takeMoved(mode?.name ?? ''), [
    change('tests', id, (one) => ({ ...one, modeId, writtenMBps: rate ?? one.writtenMBps })),
  ]);
}

import { ownCeilingMBps } from '../../../core/cards/ownCeiling.ts';
import { cardFigures } from '../../../core/heat/run/cardFigures.ts';
import type { Known } from '../../../core/heat/run/known.ts';
import type { BenchResult, Body, Card, CardFigure, Mode, ModeRate, TraceFigures } from '../../../core/kit/model.ts';
import type { Cell } from '../../../core/match/cell.ts';
import {
  type ClipReading,
  type ClipTracks,
  compareRuns,
  measuredRate,
  packetsOf,
  peakWindow,
  type RunDifference,
} from '../../../core/prove/clip.ts';
import { figuresOf, type OfferedFigure, offeredFigures } from '../../../core/prove/trace/offered.ts';
import { supportedBy } from '../../../core/prove/trace/supports.ts';
import type { TraceReading } from '../../../core/prove/trace/trace.ts';
import type { Mark } from '../../../core/standards/marks.ts';
import { newId } from '../../../kit/newId.ts';
import { change, type ListEdit, put } from '../../../store/edit.ts';
import { readItem } from '../../../store/read.ts';
import { CHANGE_TEXT } from '../../../text/kit/changes.ts';
import { clipModeName } from '../../../text/prove/clip.ts';
import { database } from '../../kit/database.ts';
import { today } from '../../kit/today.ts';
import { type Written, write } from '../../kit/write.ts';
import type { ClipItem } from './clips.ts';
import { withMeasured } from './withMeasured.ts';

/** What reading back found, in words. */
interface Fault {
  readonly text: string;
  readonly retires: boolean;
}

/** What is kept of a trace, beside the trace. */
export interface TraceKept {
  readonly reading: TraceReading;
  /** Rate of every second; null where there are too many to keep. */
  readonly bySecond: readonly number[] | null;
  readonly program: BenchResult['program'];
  readonly note: string | null;
  readonly readMBps?: number | null;
  readonly verifiedGB?: number | null;
  /** What reading back found, and whether no take should go onto the card again. */
  readonly fault?: Fault | null;
}

const round = (value: number): number => Number(value.toPrecision(6));

/** What is noted on the card itself: that it is verified, or what was found to be wrong. */
const cardEdits = (card: Card, verifies: string | null, fault: Fault | null): readonly ListEdit[] => [
  ...(verifies === null
    ? []
    : [change('cards', card.id, (one) => ({ ...one, verified: { date: today(), how: verifies } }))]),
  ...(fault === null
    ? []
    : [
        change('cards', card.id, (one) => ({
          ...one,
          ...(fault.retires ? { verified: null, retired: true } : {}),
          incidents: [
            ...(one.incidents ?? []),
            {
              date: today(),
              kind: fault.retires ? ('corruption' as const) : ('warning' as const),
              text: fault.text.slice(0, 500),
            },
          ],
        })),
      ]),
];

/** Notes what was found where there is no trace: written in an earlier visit, and read back now. */
export const noteBench = (
  card: Card,
  found: { readonly writtenGB: number; readonly verifiedGB: number; readonly fault: Fault | null },
  verifies: string | null,
): Promise<Written> =>
  write(CHANGE_TEXT.benchLogged, [
    put('benches', {
      id: newId(),
      cardId: card.id,
      date: today(),
      reader: null,
      port: null,
      program: 'fill-and-verify',
      readMBps: null,
      writeMBps: null,
      lowestWriteMBps: null,
      note: null,
      writtenGB: round(found.writtenGB),
      verifiedGB: round(found.verifiedGB),
      fault: found.fault?.text.slice(0, 300) ?? null,
    }),
    ...cardEdits(card, verifies, found.fault),
  ]);

/** Keeps a trace as evidence of a card; what was read back and found right, until it was full, verifies it. */
export function keepTrace(card: Card, kept: TraceKept, verifies: string | null): Promise<Written> {
  const { reading, bySecond, program, note, readMBps = null, verifiedGB = null, fault = null } = kept;
  const seriesId = bySecond && bySecond.length > 0 ? newId() : null;
  return write(CHANGE_TEXT.traceKept(card.label), [
    ...(seriesId && bySecond ? [put('series', { id: seriesId, kind: 'write' as const, MBps: bySecond })] : []),
    put('benches', {
      id: newId(),
      cardId: card.id,
      date: today(),
      reader: null,
      port: null,
      program,
      readMBps: readMBps && round(readMBps),
      writeMBps: round((reading.GB * 1000) / reading.seconds) || null,
      lowestWriteMBps: round(reading.floorMBps) || null,
      note,
      writtenGB: round(reading.GB),
      writeSeconds: round(reading.seconds),
      trace: figuresOf(reading),
      seriesId,
      verifiedGB: verifiedGB && round(verifiedGB),
      fault: fault?.text.slice(0, 300) ?? null,
    }),
    ...cardEdits(card, verifies, fault),
  ]);
}

/** Takes figures of a trace into use for a card’s heat runs; the rest stays as it is. */
export const takeFigures = (card: Card, offered: readonly OfferedFigure[]): Promise<Written> =>
  write(CHANGE_TEXT.figuresTraced(card.label), [
    change('cards', card.id, (one) => ({
      ...one,
      heat: {
        ...one.heat,
        figures: {
          ...one.heat?.figures,
          ...Object.fromEntries(offered.map(({ figure, value }) => [figure, { value, basis: 'measured' as const }])),
        },
      },
    })),
  ]);

export const setMeasured = (body: Body, mode: Mode, rate: ModeRate): Promise<Written> =>
  write(CHANGE_TEXT.rateMeasured(mode.name), [
    change('bodies', body.id, (one) => ({
      ...one,
      modes: one.modes.map((other) => (other.id === mode.id ? withMeasured(other, rate) : other)),
    })),
  ]);

/** The mode that a clip was recorded in, as far as its file tells; raw looks like intra, so a person says which. */
export function modeOfClip(clip: ClipReading, sourceNote: string): Mode {
  return {
    id: newId(),
    name: clipModeName(clip),
    codec: clip.family ?? 'long-gop',
    width: clip.width || null,
    height: clip.height || null,
    fps: clip.fps,
    captureFps: clip.captureFps,
    rate: measuredRate(clip, sourceNote),
    overhead: null,
    requires: [],
  };
}

export const addMode = (body: Body, mode: Mode): Promise<Written> =>
  write(CHANGE_TEXT.modeMade(mode.name, body.name), [
    change('bodies', body.id, (one) => ({ ...one, modes: [...one.modes, mode] })),
  ]);

/** A body of which only this mode is known yet; its slots are for the person to say. */
export async function makeBody(name: string, mode: Mode): Promise<{ readonly written: Written; readonly id: string }> {
  const id = newId();
  const body: Body = { id, name, arrangement: 'single', bufferMB: null, ceilingMBps: null, slots: [], modes: [mode] };
  return { written: await write(CHANGE_TEXT.bodyMade(name), [put('bodies', body)]), id };
}

/** What may be given to a mode from a clip. */
export const clipRate = (clip: ClipReading, sourceNote: string): ModeRate => measuredRate(clip, sourceNote);

/** The densest stretch of a length, everything together, Mb/s. */
export const peakMbps = (tracks: ClipTracks, seconds: number): number =>
  peakWindow(packetsOf(tracks), seconds) / 125_000;

/** The rate of a file by its size and length; null while they are none. Everything in it counts as picture. */
export function handRate(gigabytes: unknown, seconds: unknown): ModeRate | null {
  const isNumber = (value: unknown): value is number => typeof value === 'number' && value > 0 && value < 1e7;
  if (!isNumber(gigabytes) || !isNumber(seconds)) return null;
  const Mbps = Math.ceil(((gigabytes * 8000) / seconds) * 100) / 100;
  // Faster than any bus, or a still: a slip of units.
  if (!(Mbps > 0.01 && Mbps < 500_000)) return null;
  return {
    kind: 'stated',
    is: 'average',
    Mbps,
    source: 'measured',
    sourceNote: `${gigabytes} GB in ${seconds} s`,
    at: 'recorded',
  };
}

interface ComparedRun {
  readonly item: ClipItem;
  readonly clip: ClipReading;
  /** Null of the first. */
  readonly difference: RunDifference | null;
}

/** Clips beside the first of them. */
export function comparedRuns(items: readonly ClipItem[]): readonly ComparedRun[] {
  // One that was cut off proves nothing beside others.
  const read = items.flatMap((item) =>
    item.state.phase === 'read' && item.state.read.clip.cutBytes === null ? [{ item, clip: item.state.read.clip }] : [],
  );
  const [first] = read;
  return read.map(({ item, clip }, at) => ({
    item,
    clip,
    difference: at === 0 || !first ? null : compareRuns(first.clip, clip),
  }));
}

/** Figures of a heat run that a trace offers. */
export const offeredOf = (reading: TraceReading): readonly OfferedFigure[] => offeredFigures(figuresOf(reading));

/** The highest class that a trace’s floor reaches, among the marks of its card where that is known. */
export const supported = (reading: TraceReading, card: Card | undefined): Mark | null =>
  supportedBy(reading, card ?? null);

/** A cell without anything found: what a card’s figures are before a mode is asked about. */
const NO_CELL = { findings: [], need: null } as unknown as Cell;

/** What a heat run takes for a figure of a card now; null where that hangs on the mode. */
export function figureNow(card: Card, figure: CardFigure): Known | null {
  const now = cardFigures(card, NO_CELL)[figure];
  return now === null || now.source.code === 'keeps-up' || now.source.code === 'as-sustained' ? null : now;
}

/** What a card of this bus can carry at most, MB/s; null where the bus has no known ceiling. */
export const busCeilingMBps = (card: Card | undefined): number | null => (card ? ownCeilingMBps(card) : null);

/** The same of a trace that was kept. */
export const offeredOfKept = (trace: TraceFigures): readonly OfferedFigure[] => offeredFigures(trace);

/** The rates of a kept trace by the second; null where they are gone. */
export const keptRates = async (seriesId: string): Promise<readonly number[] | null> =>
  (await readItem(database, 'series', seriesId))?.MBps ?? null;

export { withPair } from '../../../core/prove/trace/offered.ts';

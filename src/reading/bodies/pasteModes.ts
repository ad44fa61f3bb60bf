import { ASSUMED_ROUNDING } from '../../core/bodies/counter/rounding.ts';
import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import { entryAt } from '../../core/entryAt.ts';
import type { Codec, CounterReading, CounterRounding, Mode, WhenMissing } from '../../core/kit/model.ts';
import { newId } from '../../kit/newId.ts';
import { namesMark, readAsks } from './paste/asks.ts';
import {
  hasTwoSizes,
  type RateUnit,
  readCodec,
  readPicture,
  readRatesMbps,
  readSpeeds,
  type Speeds,
  speedInName,
  unitIn,
  type Wide,
} from './paste/cells.ts';
import { guessColumns, type ModeColumn } from './paste/columns.ts';
import type { PastedTable } from './paste/cut.ts';
import {
  type Between,
  rateByMinutes,
  readMinutes,
  type Shown,
  sizeIn,
  withCaps,
  withoutBuckets,
} from './paste/minutes.ts';
import { type Decimal, decimalOf, readNumber } from './paste/numbers.ts';
import { type PlacedRow, placeRows, type RowAs } from './paste/rows.ts';

/** How a table is read: what each column is, and what the table itself leaves open until a person says. */
export interface TableReading {
  readonly columns: readonly ModeColumn[];
  /** Unit of bare numbers in the rate column; null while nobody knows. */
  readonly unit: RateUnit | null;
  /** Decimal sign of the rate column; null while `1,200` may be either. */
  readonly decimal: Decimal | null;
  /** Of which speed the rates of slow-motion rows are; null while nobody has said. */
  readonly at: 'recorded' | 'captured' | null;
  /** What two speeds in one cell are: captured and recorded, or a mode each. */
  readonly two: 'slow' | 'each' | null;
  /** What a bare `4K` is. */
  readonly wide: Wide | null;
  /** Size of the card that minutes are of, GB, where no heading names it. */
  readonly sizeGB: number | null;
  /** What the body does where a mark that a column asks for is missing; null while nobody has said. */
  readonly lock: WhenMissing | null;
  /** How the minutes were rounded. */
  readonly rounds: CounterRounding;
}

/** What a person chose in place of what the table shows. */
export type Chosen = Partial<{ readonly [key in keyof TableReading]: TableReading[key] | null }> & {
  /** What was typed into cells, by `row column`. */
  readonly edits?: Readonly<Record<string, string>>;
  /** What rows are taken for, by their place. */
  readonly as?: Readonly<Record<number, RowAs>>;
};

export const cellKey = (row: number, column: number): string => `${row} ${column}`;

/** A table with what was typed into its cells. */
export function edited(table: PastedTable, { edits }: Chosen): PastedTable {
  if (!edits) return table;
  const rows = table.rows.map((row, at) => row.map((cell, column) => edits[cellKey(at, column)] ?? cell));
  return { ...table, rows };
}

const cellsOf = ({ rows }: PastedTable, columns: readonly ModeColumn[], column: ModeColumn): readonly string[] => {
  const at = columns.indexOf(column);
  return at < 0 ? [] : rows.map((row) => row[at] ?? '').filter(Boolean);
};

/** The one size of a card that the headings of a table name; null where they name none or several. */
function sizeOf({ head }: PastedTable): number | null {
  const sizes = new Set(head.flatMap((title) => sizeIn(title) ?? []));
  const [only] = sizes;
  return sizes.size === 1 && only !== undefined ? only : null;
}

/** What the heading of a column of marks says of cards without them. */
const lockIn = (title: string): WhenMissing | null =>
  /recommend|advis|suggest/i.test(title) ? 'advises' : /requir|must|only/i.test(title) ? 'refuses' : null;

/** The reading of a table: what it shows by itself, and what was chosen. Nothing is taken that it does not show. */
export function readingOf(table: PastedTable, chosen: Chosen): TableReading {
  const columns = chosen.columns ?? table.known ?? guessColumns(table);
  const title = table.head[columns.indexOf('rate')] ?? '';
  const seen = decimalOf(cellsOf(table, columns, 'rate'));
  const shown = seen === 'none' ? 'point' : seen === 'point' || seen === 'comma' ? seen : null;
  const speedTitle = table.head[columns.indexOf('fps')] ?? '';
  return {
    columns,
    unit: chosen.unit ?? unitIn(title),
    decimal: chosen.decimal ?? shown,
    at: chosen.at ?? null,
    two: chosen.two ?? (/capt|slow|s&q|sensor/i.test(speedTitle) ? 'slow' : null),
    wide: chosen.wide ?? null,
    sizeGB: chosen.sizeGB ?? sizeOf(table),
    lock: chosen.lock ?? lockIn(table.head[columns.indexOf('asks')] ?? ''),
    rounds: chosen.rounds ?? ASSUMED_ROUNDING,
  };
}

/** What a table leaves open. */
export interface Questions {
  /** A bare number of the rate column, whose unit nobody has said; null where all have one. */
  readonly unit: string | null;
  /** A number that may be a thousand or one and a bit; null where the column shows which. */
  readonly decimal: string | null;
  /** A cell of two speeds that may be slow motion or two modes. */
  readonly two: string | null;
  /** Whether rates of slow-motion rows may be those of either speed. */
  readonly at: boolean;
  /** A picture name of two sizes. */
  readonly wide: string | null;
  /** Minutes on a card whose size no heading names. */
  readonly size: string | null;
  /** A mark that cards are asked for, without a word of what happens where it is missing. */
  readonly lock: string | null;
}

export const isOpen = (questions: Questions): boolean =>
  questions.unit !== null ||
  questions.decimal !== null ||
  questions.two !== null ||
  questions.at ||
  questions.wide !== null ||
  questions.size !== null ||
  questions.lock !== null;

export function questionsOf(rows: readonly ReadRow[], table: PastedTable, reading: TableReading): Questions {
  const placed = rows.filter((row) => row.as === 'mode');
  const at = reading.columns.indexOf('rate');
  const rates = placed.map((row) => row.cells[at]?.text ?? '').filter(Boolean);
  const bare = rates.find((text) => /\d/.test(text) && unitIn(text) === null);
  const open = rates.find((text) => /\d[.,]\d{3}(?!\d)/.test(text));
  const speeds = placed.map((row) => ({ row, speeds: speedsIn(row, reading) }));
  const slow = speeds.some(({ speeds: one }) => one?.kind === 'slow');
  const either = speeds.find(({ speeds: one }) => one?.kind === 'either');
  const sized = cellsOf(table, reading.columns, 'size');
  return {
    unit: reading.unit === null ? (bare ?? null) : null,
    decimal: reading.decimal === null ? (open ?? rates[0] ?? null) : null,
    two: reading.two === null && either ? (either.row.cells[reading.columns.indexOf('fps')]?.text ?? '') : null,
    at: slow && reading.at === null,
    wide: reading.wide === null ? (sized.find(hasTwoSizes) ?? null) : null,
    size: unsizedMinutes(placed, table, reading),
    lock: reading.lock === null ? (cellsOf(table, reading.columns, 'asks').find(namesMark) ?? null) : null,
  };
}

/** The first minutes of a column without a size of its own, where no other heading names one. */
function unsizedMinutes(rows: readonly PlacedRow[], { head }: PastedTable, reading: TableReading): string | null {
  if (reading.sizeGB !== null) return null;
  const open = reading.columns.flatMap((column, at) =>
    column === 'minutes' && sizeIn(head[at] ?? '') === null ? [at] : [],
  );
  return rows.flatMap((row) => open.flatMap((at) => row.cells[at]?.text || [])).at(0) ?? null;
}

/** `cap`: the counter shows no more than that; `bucket`: it shows the same for several modes; `odd`: its sizes exclude each other. */
export type RowProblem = 'fps' | 'rate' | 'size' | 'asked' | 'long' | 'minutes' | 'cap' | 'bucket' | 'odd' | 'asks';

/** A row as it is shown: its cells, what it is taken for, and what comes of it. */
export interface ReadRow extends PlacedRow {
  readonly read: RowRead | null;
}

/** What a counter shows of a row, and the readings that it shows for several modes alike. */
interface Counted {
  readonly shown: readonly Shown[];
  readonly aside: readonly Shown[];
}

export type RowRead =
  | ({ readonly ok: true; readonly modes: readonly Mode[] } & Counted)
  | {
      readonly ok: false;
      readonly problem: RowProblem;
      readonly text: string;
      /** The column of the cell that stops it; -1 where the table has none. */
      readonly column: number;
    };

/** Every row of a table by its reading, in order; rows that are no mode have nothing read. */
export function readRows(table: PastedTable, reading: TableReading, chosen: Chosen = {}): readonly ReadRow[] {
  const placed = placeRows(table, reading.columns, chosen.as ?? {});
  const seen = new Set<string>();
  const counted = withoutBuckets(
    withCaps(
      placed.map((row) => ({
        shown: row.as === 'mode' ? shownIn(row, table, reading) : [],
        pace: paceOf(row, reading),
        follows: codecOf(row, reading) !== 'long-gop',
      })),
    ),
    reading.rounds,
  );
  return placed.map((row, at) => ({
    ...row,
    read: row.as === 'mode' ? distinct(readRow(row, reading, entryAt(counted, at)), seen) : null,
  }));
}

/** What the counter of the body shows in a row, size by size. */
function shownIn(row: PlacedRow, { head }: PastedTable, { columns, sizeGB }: TableReading): readonly Shown[] {
  return columns.flatMap((column, at): Shown[] => {
    const read = column === 'minutes' ? readMinutes(row.cells[at]?.text ?? '') : null;
    const capacityGB = sizeIn(head[at] ?? '') ?? sizeGB;
    return read && capacityGB !== null ? [{ ...read, capacityGB, column: at }] : [];
  });
}

/** The codec family that a row names. */
const codecOf = (row: PlacedRow, { columns }: TableReading): Codec =>
  readCodec(
    [
      cellIn(row, columns, 'codec'),
      row.title,
      ...row.cells.flatMap(({ text }, at) => (columns[at] === 'name' ? [text] : [])),
    ].join(' '),
  );

/** How much picture a row writes a second, to tell modes apart that cannot write alike. */
function paceOf(row: PlacedRow, reading: TableReading): number {
  const speeds = speedsIn(row, reading);
  const fps =
    speeds === null
      ? 1
      : 'all' in speeds
        ? Math.max(...speeds.all)
        : speeds.kind === 'slow'
          ? speeds.captureFps
          : speeds.fps;
  const named = row.cells.map(({ text }) => text).join(' ');
  const picture = readPicture(named, reading.wide === 'none' ? null : reading.wide);
  return fps * (picture ? picture.width * picture.height : 1);
}

/** Modes of one made-up name and speed are told apart by their rate. */
function distinct(read: RowRead, seen: Set<string>): RowRead {
  if (!read.ok) return read;
  const modes = read.modes.map((mode) => {
    const key = `${mode.name} ${mode.fps} ${mode.captureFps}`;
    const isTwice = seen.has(key);
    seen.add(key);
    return isTwice && mode.rate.kind === 'stated' ? { ...mode, name: `${mode.name} ${mode.rate.Mbps} Mb/s` } : mode;
  });
  return { ...read, modes };
}

const cellIn = (row: PlacedRow, columns: readonly ModeColumn[], column: ModeColumn): string =>
  row.cells[columns.indexOf(column)]?.text ?? '';

/** Speeds of a row, from one column or two; a comma in them is a decimal sign. */
function speedsIn(row: PlacedRow, { columns, two }: TableReading): Speeds | null {
  const decimalIn = (text: string): Decimal => (/\d,\d{1,3}(?!\d)/.test(text) ? 'comma' : 'point');
  const [written, other] = [cellIn(row, columns, 'fps'), cellIn(row, columns, 'capture')];
  const inName = columns.includes('fps') ? null : speedInName(cellIn(row, columns, 'name'));
  const own = inName === null ? written : String(inName);
  const settled = settledBy(readSpeeds(own, decimalIn(own)), two);
  const captured = readSpeeds(other, decimalIn(other));
  if (!captured) return settled;
  if (!settled) return captured.kind === 'slow' ? captured : null;
  if (settled.kind !== 'one' || 'all' in captured) return settled;
  const captureFps = captured.kind === 'slow' ? captured.captureFps : captured.fps;
  return captureFps === settled.fps ? settled : { kind: 'slow', fps: settled.fps, captureFps };
}

/** Two speeds in one cell, by what was said of them. */
function settledBy(speeds: Speeds | null, two: TableReading['two']): Speeds | null {
  if (speeds?.kind !== 'either' || two === null) return speeds;
  const { all } = speeds;
  return two === 'each' ? { kind: 'each', all } : { kind: 'slow', fps: Math.min(...all), captureFps: Math.max(...all) };
}

/** Most letters of a mode's name, as the kit has it. */
const LONGEST = 80;

/** Turns one row into a mode, or one for each of its speeds; nothing is guessed for a figure that cannot be read. */
function readRow(row: PlacedRow, reading: TableReading, { shown, aside }: Counted): RowRead {
  const { columns, unit, decimal, at } = reading;
  const cell = (column: ModeColumn): string => cellIn(row, columns, column);
  const stop = (problem: RowProblem, column: ModeColumn): RowRead => ({
    ok: false,
    problem,
    text: cell(column),
    column: columns.indexOf(column),
  });
  const own = row.cells.flatMap(({ text }, place) => (columns[place] === 'name' && text !== '' ? [text] : []));
  const named = [row.title, ...own].filter(Boolean).join(' ');
  const speeds = speedsIn(row, reading);
  if (!speeds) return stop('fps', 'fps');
  if (speeds.kind === 'either') return stop('asked', 'fps');
  const isUnsure = decimal === null && /\d[.,]\d/.test(cell('rate'));
  const isBare = unit === null && unitIn(cell('rate')) === null && /\d/.test(cell('rate'));
  if (isUnsure || isBare) return stop('asked', 'rate');
  const counted = cell('rate') === '' ? rateByMinutes(shown, reading.rounds) : null;
  const minutes = columns.flatMap((column, place) => (column === 'minutes' ? (row.cells[place]?.text ?? '') : []));
  const rates = readRatesMbps(cell('rate'), unit, decimal ?? 'point');
  const made = speedsOf(speeds);
  // Several rates are one for each speed, first to first; else nobody knows whose they are.
  if (rates !== null && rates.length > 1 && rates.length !== made.length) return stop('rate', 'rate');
  const Mbps = rates === null ? null : Math.max(...rates);
  if (Mbps === null && counted === 'odd') return stop('odd', 'minutes');
  if (Mbps === null && counted === null) {
    if (cell('rate') !== '' || minutes.every((text) => text === '')) return stop('rate', 'rate');
    if (shown.length > 0) return stop('cap', 'minutes');
    if (aside.length > 0) return stop('bucket', 'minutes');
    return stop(minutes.some((text) => readMinutes(text) !== null) ? 'asked' : 'minutes', 'minutes');
  }
  const requires = readAsks(cell('asks'), reading.lock ?? 'refuses');
  if (requires === null) return stop('asks', 'asks');
  if (requires.length > 0 && reading.lock === null) return stop('asked', 'asks');
  if (Mbps !== null && speeds.kind === 'slow' && at === null) return stop('asked', 'fps');
  if (reading.wide === null && hasTwoSizes(cell('size'))) return stop('asked', 'size');
  const picture = readPicture(cell('size'), reading.wide) ?? readPicture(named, reading.wide);
  const isLeftOut = reading.wide === 'none' && hasTwoSizes(cell('size'));
  if (cell('size') !== '' && !picture && !isLeftOut) return stop('size', 'size');
  const side = (column: 'width' | 'height'): number => readNumber(cell(column), 'point');
  const width = picture?.width ?? side('width');
  const height = picture?.height ?? side('height');
  const codec = codecOf(row, reading);
  const name = nameOf(row, reading, own) || 'Mode';
  if (name.length > LONGEST) return { ok: false, problem: 'long', text: name, column: columns.indexOf('name') };
  const modes = made.map(
    ({ fps, captureFps }, place): Mode => ({
      id: newId(),
      name,
      codec,
      width: width >= 16 && Number.isInteger(width) ? width : null,
      height: height >= 16 && Number.isInteger(height) ? height : null,
      fps,
      captureFps,
      rate:
        Mbps === null
          ? { kind: 'counter', ...widened(counted as Between) }
          : {
              kind: 'stated',
              Mbps: rates?.[place] ?? Mbps,
              is: 'maximum',
              ...(captureFps !== null && at !== null ? { at } : {}),
            },
      overhead: null,
      requires,
    }),
  );
  return modes.every((mode) => streamRate(mode, null).ok) ? { ok: true, modes, shown, aside } : stop('rate', 'rate');
}

/** Rounded outwards, so that no rate is left out. */
const widened = ({ low, high }: Between) => ({
  lowMbps: Math.floor(low * 100) / 100,
  highMbps: Math.ceil(high * 100) / 100,
});

/** A mode's name: its own words, and where they are missing or tell too little, its size and codec. */
function nameOf(row: PlacedRow, { columns }: TableReading, own: readonly string[]): string {
  const [size, codec] = [cellIn(row, columns, 'size'), cellIn(row, columns, 'codec')];
  const told = [row.title, ...own].join(' ');
  const hasSize = row.title !== '' || /\d\s*k\b|hd\b|\d{3,5}\s*(?:[x×*]|[pi]\b)/i.test(told);
  // A name that its maker gave a column of its own is told enough by itself.
  if (row.isRuled && own.length > 0) return told.trim();
  return [row.title, hasSize ? '' : size, ...own, codec].filter(Boolean).join(' ');
}

function speedsOf(speeds: Speeds): readonly { readonly fps: number; readonly captureFps: number | null }[] {
  switch (speeds.kind) {
    case 'one':
      return [{ fps: speeds.fps, captureFps: null }];
    case 'slow':
      return [speeds];
    default:
      return speeds.all.map((fps) => ({ fps, captureFps: null }));
  }
}

/** What the counter shows of the modes that were read, for the body: caps are no measurement. */
export const countersOf = (rows: readonly ReadRow[]): readonly CounterReading[] =>
  rows.flatMap(({ read }) =>
    read?.ok
      ? read.modes.flatMap(({ id }) =>
          read.shown
            .filter(({ atLeast }) => !atLeast)
            .map(({ capacityGB, minutes }) => ({ modeId: id, capacityGB, minutes })),
        )
      : [],
  );

/** A column that is ignored, and what stands in it. */
export interface Ignored {
  readonly title: string;
  readonly cells: readonly string[];
}

/** Every column that is left out, with a few of its cells, so that nothing is lost unseen. */
export const ignoredColumns = ({ head, rows }: PastedTable, columns: readonly ModeColumn[]): readonly Ignored[] =>
  columns.flatMap((column, at): Ignored[] => {
    const cells = [...new Set(rows.map((row) => row[at] ?? '').filter(Boolean))];
    return column === 'skip' && cells.length > 0 ? [{ title: head[at] ?? '', cells: cells.slice(0, 4) }] : [];
  });

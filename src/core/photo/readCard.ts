import { findingsOf, type MarkFound, type RowReading } from './findings.ts';
import { glyphsIn } from './glyphs/glyphs.ts';
import { type Sign, signsOf, toldBy } from './glyphs/marksTold.ts';
import { stacksIn } from './glyphs/stacks.ts';
import { fitted, type Gray } from './gray.ts';
import { inked } from './ink.ts';
import { lettersIn, type PrintFound, printAt } from './lines.ts';
import { type Recogniser, wordsByRow } from './recogniser.ts';
import { counted, framedSays, rowSays } from './rowSays.ts';
import { bandOf, type Piece, pieceOf, type Row, rowsOf, type Sheet, sheetOf, strokesIn, TALL } from './rows.ts';

/** What a picture of a card came to. */
export interface CardReading {
  readonly findings: readonly MarkFound[];
  /** Where two cards lie in one picture: the part of each, to be read by itself. Empty otherwise. */
  readonly parts: readonly CardPart[];
  /** Radians by which the print is turned. */
  readonly angle: number;
  /** Whether what was seen is a page or a receipt: as much text as no card has. Nothing is read of it then. */
  readonly isPage: boolean;
}

export interface CardPart {
  /** What the part says its capacity is. */
  readonly word: string;
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** Longest side of the picture in which print is looked for, pixels; it is read from the whole one. */
export const LOOKED_AT = 1000;
/** Half the square that counts as the surroundings of ink, as a share of the longest side. */
const AROUND = 1 / 18;

/** Half the side of the square that is around ink in a picture, pixels. */
export const around = ({ width, height }: Gray): number => Math.round(Math.max(width, height) * AROUND);

/** Height of capitals in the second reading, pixels: another size is another picture. */
const SECOND_TALL = 26;

/** How much a reading makes sense as a label: well-read words of the vocabulary. */
const sense = (rows: readonly RowReading[]): number =>
  rows
    .flatMap(({ says }) => says)
    .reduce((sum, { guesses: [first], confidence }) => {
      if (!first || first.cost > 0.4 || confidence < 0.3) return sum;
      return sum + (first.told === 'capacity' || first.told === 'family' || first.told === 'form' ? 2 : 1);
    }, 0);

/** Sense at which no other turn is tried. */
const ENOUGH = 3;

/** Where a place of another row lies along this one, in its pixels. */
function alongOf({ frame }: Row, { frame: other }: Row): (x: number) => number {
  const [ax, ay] = frame.across;
  const step = ax * ax + ay * ay;
  return (x) =>
    ((other.x + other.across[0] * x - frame.x) * ax + (other.y + other.across[1] * x - frame.y) * ay) / step;
}

/** Rows of one line of print together: a large number and its small unit. */
function linesSay(
  rows: readonly Row[],
  sheet: Sheet,
  words: ReturnType<typeof wordsByRow>,
): readonly Omit<RowReading, 'told'>[] {
  const readings: Omit<RowReading, 'told'>[] = [];
  for (const [at, row] of rows.entries()) {
    const own = words[at] ?? [];
    if (row.kind !== 'line') {
      readings.push({ row, says: framedSays(row.kind, own) });
      continue;
    }
    const next = rows[at + 1];
    if (rows[at - 1]?.line === row.line) continue;
    if (next?.line !== row.line) {
      readings.push({ row, says: rowSays(own).map((say) => counted(say, strokesIn(sheet, at, say.from, say.to))) });
      continue;
    }
    // The unit is placed along the number's row: the two are cut apart, each at its own size.
    const along = alongOf(row, next);
    const unit = (words[at + 1] ?? []).map((word) => ({ ...word, from: along(word.from), to: along(word.to) }));
    const frame = { ...row.frame, width: Math.max(row.frame.width, Math.round(along(next.frame.width))) };
    readings.push({ row: { ...row, frame }, says: rowSays([...own, ...unit]) });
  }
  return readings;
}

/** What a recogniser of text makes of each row, and what its signs by themselves tell. */
function saysOf(rows: readonly Row[], sheet: Sheet, words: ReturnType<typeof wordsByRow>): readonly RowReading[] {
  const signs = rows.map((row, at): readonly Sign[] => signsOf(glyphsIn(bandOf(sheet, at), row.tall)));
  const bySigns = rows.map(
    (row, at): RowReading => ({ row, says: [], told: toldBy(row.kind, signs[at] ?? [], row.tall) }),
  );
  return [
    ...linesSay(rows, sheet, words).map((one) => ({ ...one, told: [] })),
    ...bySigns,
    ...stacksIn(rows, signs, words),
  ];
}

interface Reading {
  readonly rows: readonly RowReading[];
  /** Lines that plainly say something that is not of a label: a maker's name. */
  readonly beside: ReadonlySet<number>;
}

/** Confidence above which words that are none of a label's are taken for what they are. */
const PLAIN = 0.85;

async function reading(whole: Gray, rows: readonly Row[], recognise: Recogniser, second: boolean): Promise<Reading> {
  if (rows.length === 0) return { rows: [], beside: new Set() };
  const sheet = sheetOf(whole, rows, second);
  const words = wordsByRow(rows, sheet, await recognise(sheet.gray));
  const says = saysOf(rows, sheet, words);
  const beside = rows.flatMap(({ line, kind }, at) => {
    const own = words[at] ?? [];
    const isPlain = own.length > 0 && own.every(({ confidence, text }) => confidence > PLAIN && !/\d/.test(text));
    const saysNothing = says.every((one) => one.row.line !== line || one.says.length === 0);
    return kind === 'line' && isPlain && saysNothing ? [line] : [];
  });
  return { rows: says, beside: new Set(beside) };
}

/** What a card has once; where two of these stand twice in a picture, or a capacity does, two cards lie in it. */
const ONCE = ['capacity', 'family', 'bus', 'video'] as const;

interface Placed {
  readonly word: string;
  readonly at: readonly [x: number, y: number];
}

/** Where a kind of print stands in a picture, once a line. */
const placesOf = (rows: readonly RowReading[], told: string): readonly Placed[] =>
  rows.flatMap(({ row, says }) =>
    says
      .filter(({ guesses: [first] }) => first?.told === told)
      .slice(0, 1)
      .map((say) => ({ word: say.guesses[0]?.word ?? '', at: centre(pieceOf(row, say.from, say.to)) })),
  );

/** Two cards in one picture: where each of them lies. */
function partsOf({ width, height }: Gray, rows: readonly RowReading[]): readonly CardPart[] {
  const kinds = ONCE.map((told) => placesOf(rows, told));
  const twice = kinds.filter((places) => places.length > 1);
  const [capacities = []] = kinds;
  if (capacities.length < 2 && twice.length < 2) return [];
  const [one, other] = twice[0] ?? [];
  if (!one || !other) return [];
  const [dx, dy] = [other.at[0] - one.at[0], other.at[1] - one.at[1]];
  const axis = Math.abs(dx) > Math.abs(dy) ? 0 : 1;
  const cut = (one.at[axis] + other.at[axis]) / 2;
  /** What the part is called: by its capacity where that was read, else by what it has twice. */
  const nameOf = (isFirst: boolean): string => {
    const own = (place: Placed): boolean => place.at[axis] < cut === isFirst;
    return (capacities.find(own) ?? [one, other].find(own))?.word ?? '';
  };
  const whole = { left: 0, top: 0, right: width, bottom: height };
  return [
    { word: nameOf(true), ...whole, ...(axis === 0 ? { right: cut } : { bottom: cut }) },
    { word: nameOf(false), ...whole, ...(axis === 0 ? { left: cut } : { top: cut }) },
  ];
}

function centre(piece: Piece): readonly [number, number] {
  const [xs, ys] = [piece.map(([x]) => x), piece.map(([, y]) => y)];
  return [xs.reduce((a, b) => a + b, 0) / piece.length, ys.reduce((a, b) => a + b, 0) / piece.length];
}

/** Letters of a line that is text, and of one as long as no card has room for. */
const TEXT_LINE = 4;
const LONG_LINE = 27;
/** Lines of text, and long ones, above which a picture shows a page: a card has nine at most, and two may lie in a picture. */
const MOST_LINES = 18;
const MOST_LONG = 3;

/** Whether a picture shows a page of text. */
function isPageOf({ lines }: PrintFound): boolean {
  const longer = (letters: number): number => lines.filter((line) => line.letters.length >= letters).length;
  return longer(TEXT_LINE) > MOST_LINES || longer(LONG_LINE) > MOST_LONG;
}

/** How a card is read. */
export interface CardReadingOptions {
  /** Told what was found so far, before the second reading. */
  readonly onFound?: (findings: readonly MarkFound[]) => void;
  /** Whether it has taken so long that no other turn is tried; asked between two turns. */
  readonly isLate?: () => boolean;
}

/** Quarter turns tried, the likeliest first: a picture is held upright more often than upside down, and that than lying. */
const TURNS = [0, 2, 1, 3];

/**
 * Reads what is printed on a card in a picture, at any turn. Twice, at two sizes: what only one reading says is asked about.
 *
 * @param whole - the picture as it was taken
 * @param recognise - a recogniser of characters; it is given lines of print under each other, dark on white
 * @throws what the recogniser throws
 */
export async function readCard(
  whole: Gray,
  recognise: Recogniser,
  { onFound, isLate }: CardReadingOptions = {},
): Promise<CardReading> {
  const { gray, scale } = fitted(whole, LOOKED_AT);
  const letters = lettersIn(inked(gray, around(gray)));
  const nothing = { findings: [], parts: [], angle: letters.angle };
  const asItLies = printAt(letters, letters.angle);
  if (isPageOf(asItLies)) return { ...nothing, isPage: true };
  let best: (Reading & { readonly print: PrintFound; readonly sense: number }) | null = null;
  for (const turn of TURNS) {
    const print = turn === 0 ? asItLies : printAt(letters, letters.angle + (turn * Math.PI) / 2);
    const read = await reading(whole, rowsOf(print, scale, TALL), recognise, false);
    const found = { print, ...read, sense: sense(read.rows) };
    if (best === null || found.sense > best.sense) best = found;
    if (best.sense >= ENOUGH || isLate?.()) break;
  }
  if (best === null || best.rows.every(({ says }) => says.length === 0)) {
    return { ...nothing, isPage: false };
  }
  // One reading is no reading: until the second, all of it is doubtful.
  onFound?.(findingsOf([best.rows, []]));
  const { beside } = best;
  const rows = rowsOf(best.print, scale, SECOND_TALL).filter(({ line }) => !beside.has(line));
  const again = await reading(whole, rows, recognise, true);
  return {
    findings: findingsOf([best.rows, again.rows]),
    parts: [best.rows, again.rows].map((read) => partsOf(whole, read)).find((parts) => parts.length > 0) ?? [],
    angle: best.print.angle,
    isPage: false,
  };
}

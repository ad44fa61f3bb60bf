import type { TextCell, TextReading } from '../../core/photo/readText.ts';

/** What a person said of each cell: the text as it stands in the picture. By row and column. */
export type CellAnswers = Readonly<Record<string, string>>;

export const cellAt = (row: number, column: number): string => `${row} ${column}`;

/** Cells that are still asked about: a figure that two readings do not settle. */
export function openCells({ rows }: TextReading, answers: CellAnswers): number {
  let open = 0;
  for (const [row, cells] of rows.entries()) {
    for (const [column, { isDoubtful }] of cells.entries()) {
      if (isDoubtful && !(cellAt(row, column) in answers)) open += 1;
    }
  }
  return open;
}

/** The confirmed rows as a table is pasted: cells by tabs. */
export const pastedText = ({ rows }: TextReading, answers: CellAnswers): string =>
  rows.map((cells, row) => cells.map(({ text }, at) => answers[cellAt(row, at)] ?? text).join('\t')).join('\n');

/** A time on a counter, with the cell it was read from. */
export interface CounterTime {
  readonly minutes: number;
  /** As it is shown for one press. */
  readonly text: string;
  readonly cell: TextCell;
}

const MOST_MINUTES = 100_000;

/** Minutes that a text could say: `57 min`, `1h 23m`, `1:23` (hours or minutes: both), `83`. */
function minutesIn(text: string): readonly number[] {
  const tidy = text.replace(/[oO]/g, '0');
  const words = /(\d{1,3})\s*h(?:ours?)?\s*(?:(\d{1,2})\s*m)?/i.exec(tidy);
  if (words) return [Number(words[1]) * 60 + Number(words[2] ?? 0)];
  const long = /(\d{1,3}):(\d{2}):(\d{2})/.exec(tidy);
  if (long) return [Number(long[1]) * 60 + Number(long[2])];
  const clock = /(\d{1,3}):(\d{2})/.exec(tidy);
  if (clock) return [Number(clock[1]) * 60 + Number(clock[2]), Number(clock[1])];
  const plain = [...tidy.matchAll(/(\d{1,5})\s*(?:min|m)\b/gi)].map(([, figure]) => Number(figure));
  if (plain.length > 0) return plain;
  return [...tidy.matchAll(/(?<![\d.,x×pk])(\d{1,4})(?![\d.,x×pk])/gi)].map(([, figure]) => Number(figure));
}

/** Every time that a photographed counter could show; cells with the word for minutes first. Each is one press, none is taken. */
export function counterTimes({ rows }: TextReading): readonly CounterTime[] {
  const found = rows.flat().flatMap((cell): CounterTime[] => {
    const texts = [cell.text, ...(cell.other === null ? [] : [cell.other])];
    const minutes = [...new Set(texts.flatMap(minutesIn))].filter((one) => one > 0 && one < MOST_MINUTES);
    return minutes.map((one) => ({ minutes: one, text: `${one} min`, cell }));
  });
  const isNamed = ({ cell }: CounterTime): boolean => /\bmin|\dm\b|:/i.test(cell.text);
  return [...found.filter(isNamed), ...found.filter((one) => !isNamed(one))].slice(0, 8);
}

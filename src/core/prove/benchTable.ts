import { ownCeilingMBps } from '../cards/ownCeiling.ts';
import { busOf } from '../cards/printedBus.ts';
import type { BenchProgram, BenchResult, Card } from '../kit/model.ts';
import { OWN_READER_MBPS } from '../standards/marks.ts';

/** Least and most of several figures, MB/s. */
export interface Span {
  readonly least: number;
  readonly most: number;
}

/** What one program found of a card in one reader. */
export interface BenchRow {
  readonly program: BenchProgram;
  /** Null where none was noted. */
  readonly reader: string | null;
  /** Null where nothing was noted; so are the others. */
  readonly write: Span | null;
  readonly read: Span | null;
  readonly lowestWrite: number | null;
  readonly runs: number;
  /** Above what the card's own bus carries: it was the memory of the computer, or another volume. */
  readonly isAboveBus: boolean;
  readonly ids: readonly string[];
}

/** The bench results of one card: program by reader, beside what is printed on it. */
export interface BenchOfCard {
  readonly card: Card;
  /** What the card can pass at most, MB/s; null where its bus is not known. */
  readonly busMBps: number | null;
  readonly rows: readonly BenchRow[];
}

const spanOf = (values: readonly number[]): Span | null =>
  values.length === 0 ? null : { least: Math.min(...values), most: Math.max(...values) };

function rowOf(runs: readonly [BenchResult, ...BenchResult[]], busMBps: number | null): BenchRow {
  const [{ program, reader }] = runs;
  const write = spanOf(runs.flatMap(({ writeMBps }) => writeMBps ?? []));
  const read = spanOf(runs.flatMap(({ readMBps }) => readMBps ?? []));
  const lowest = runs.flatMap(({ trace, lowestWriteMBps }) => trace?.floorMBps ?? lowestWriteMBps ?? []);
  const most = Math.max(write?.most ?? 0, read?.most ?? 0);
  return {
    program,
    reader,
    write,
    read,
    lowestWrite: lowest.length === 0 ? null : Math.min(...lowest),
    runs: runs.length,
    isAboveBus: busMBps !== null && most > busMBps,
    ids: runs.map(({ id }) => id),
  };
}

/** What a card can pass at most, MB/s, in a reader of its maker's own, too; null where its bus is not known. */
function mostCarried(card: Card): number | null {
  const own = ownCeilingMBps(card);
  return own !== null && busOf(card).bus === 'uhs-i' ? Math.max(own, OWN_READER_MBPS) : own;
}

/** Every card that was measured at a computer, in the order of the wallet, program by reader. */
export function benchTable(cards: readonly Card[], benches: readonly BenchResult[]): readonly BenchOfCard[] {
  return cards.flatMap((card): readonly BenchOfCard[] => {
    const groups = new Map<string, [BenchResult, ...BenchResult[]]>();
    for (const one of benches) {
      if (one.cardId !== card.id) continue;
      const key = JSON.stringify([one.program, (one.reader ?? '').trim().toLowerCase()]);
      const known = groups.get(key);
      if (known) known.push(one);
      else groups.set(key, [one]);
    }
    if (groups.size === 0) return [];
    const busMBps = mostCarried(card);
    return [{ card, busMBps, rows: [...groups.values()].map((runs) => rowOf(runs, busMBps)) }];
  });
}

import type { Body, Card, Mode, TestEnd } from '../kit/model.ts';
import { type EvidenceKit, type Placed, placed } from './puzzles.ts';

/** One take of a mode on a card, beside the others. */
export interface Run {
  readonly testId: string;
  readonly seconds: number;
  readonly end: TestEnd;
  /** As its clip says; null: not noted. */
  readonly GB: number | null;
  /** Whether another run of this mode, of the same length, wrote the same bytes: then nothing was lost in either. */
  readonly isEqual: boolean;
  /** Share of bytes that it wrote less than the most of its length in this mode; null where it is no less. */
  readonly lessBy: number | null;
}

/** The runs of one body: modes down, cards across. */
export interface RunsOfBody {
  readonly body: Body;
  readonly modes: readonly Mode[];
  readonly cards: readonly Card[];
  /** The runs of a mode on a card, in the order of the log. */
  readonly runsOf: (modeId: string, cardId: string) => readonly Run[];
}

/** Lengths this near are one length: a counter shows whole seconds [A]. */
const SAME_SECONDS = 1;
/** Bytes within this share are the same: sound and tables differ by a little [A]. */
const SAME_BYTES = 0.01;

const bytesOf = ({ test }: Placed): number | null => (test.clipGB != null && test.clipGB > 0 ? test.clipGB : null);

/** Whether two runs may be compared by their bytes: one mode and length, both noted, neither known to follow the picture. */
const areAlike = (one: Placed, other: Placed): boolean =>
  one !== other &&
  one.test.modeId === other.test.modeId &&
  Math.abs(one.test.seconds - other.test.seconds) <= SAME_SECONDS &&
  one.test.rateIs !== 'quality' &&
  other.test.rateIs !== 'quality';

/** Takes by mode and whole second, so that a run is held against few. */
type ByLength = ReadonlyMap<string, readonly Placed[]>;

const lengthKey = (modeId: string | null, second: number): string => `${modeId} ${second}`;

function byLength(all: readonly Placed[]): ByLength {
  const found = new Map<string, Placed[]>();
  for (const one of all) {
    const key = lengthKey(one.test.modeId, Math.floor(one.test.seconds));
    const known = found.get(key);
    if (known) known.push(one);
    else found.set(key, [one]);
  }
  return found;
}

function runOf(one: Placed, lengths: ByLength): Run {
  const { test } = one;
  const GB = bytesOf(one);
  const second = Math.floor(test.seconds);
  const near = [second - 1, second, second + 1].flatMap((at) => lengths.get(lengthKey(test.modeId, at)) ?? []);
  const others =
    GB === null ? [] : near.filter((other) => areAlike(one, other)).flatMap((other) => bytesOf(other) ?? []);
  const most = Math.max(GB ?? 0, ...others);
  const less = GB === null ? 0 : 1 - GB / most;
  return {
    testId: test.id,
    seconds: test.seconds,
    end: test.end,
    GB,
    isEqual: GB !== null && less <= SAME_BYTES && others.some((other) => Math.abs(other / GB - 1) <= SAME_BYTES),
    lessBy: less > SAME_BYTES ? less : null,
  };
}

/**
 * Every take as a table, a body at a time: its modes down, the cards that were tested in it across, and each run with its
 * length, bytes and end. Runs of one mode and length that wrote the same bytes are marked: a constant rate that lost nothing
 * writes the same again. Takes whose mode is gone are left out.
 */
export function runsTable(kit: EvidenceKit): readonly RunsOfBody[] {
  const known = placed(kit).filter(({ mode }) => mode !== null);
  return kit.bodies.flatMap((body): readonly RunsOfBody[] => {
    const own = known.filter((one) => one.body === body);
    if (own.length === 0) return [];
    const groups = new Map<string, Run[]>();
    const lengths = byLength(own);
    for (const one of own) {
      const key = `${one.test.modeId} ${one.card.id}`;
      const known = groups.get(key);
      if (known) known.push(runOf(one, lengths));
      else groups.set(key, [runOf(one, lengths)]);
    }
    const tested = new Set(own.map(({ mode }) => mode));
    const carried = new Set(own.map(({ card }) => card));
    return [
      {
        body,
        modes: body.modes.filter((mode) => tested.has(mode)),
        cards: kit.cards.filter((card) => carried.has(card)),
        runsOf: (modeId, cardId) => groups.get(`${modeId} ${cardId}`) ?? [],
      },
    ];
  });
}

import type { TakeKind } from '../kit/model.ts';
import type { BytesPerSecond, Seconds } from '../units/brand.ts';
import type { Finding } from './finding.ts';
import { type Tone, toneOf, type Verdict } from './verdict.ts';

/** One mode of one body on one card: the verdict, its numbers, and the finding of every rule in order. */
export interface Cell {
  readonly bodyId: string;
  readonly modeId: string;
  readonly cardId: string;
  /** The seat that decides: the best of a single recording, the worst where several are written. */
  readonly slotId: string | null;
  readonly verdict: Verdict;
  /** True where the card's label contradicts itself and the card was not verified: never cool. */
  readonly doubted: boolean;
  /** Peak of everything one card of the arrangement is written. */
  readonly need: BytesPerSecond | null;
  /** The best promise in writing that counts here: a mark, or a minimum its maker states. */
  readonly floor: BytesPerSecond | null;
  /** Lowest known ceiling between the sensor and the card: bus in force, or one inside the body. */
  readonly ceiling: BytesPerSecond | null;
  /** Minutes by label arithmetic, unrounded. */
  readonly labelMinutes: number | null;
  /** Whole planned minutes. */
  readonly planned: number | null;
  /** How long a take is proven for, where that is shorter than the card lasts; null otherwise. */
  readonly provenSeconds: Seconds | null;
  /** How long takes of this mode held without filling the card; null where none did, or where more is known. */
  readonly heldSeconds: Seconds | null;
  readonly dropSeconds: Seconds | null;
  readonly findings: readonly Finding[];
  /** One answer a seat, where the seats that are written are unlike; null where they are all alike. */
  readonly seats: readonly SeatAnswer[] | null;
}

/** The answer for one seat of a cell. */
export interface SeatAnswer {
  readonly slotId: string;
  readonly slotName: string;
  /** Null where no card of the wallet enters it. */
  readonly cardId: string | null;
  readonly cardLabel: string | null;
  readonly answer: Cell | null;
}

/** How a cell reads for a kind of take. A doubted label is never cool. */
export function cellTone({ verdict, doubted }: Pick<Cell, 'verdict' | 'doubted'>, take: TakeKind): Tone {
  const tone = toneOf(verdict, take);
  return doubted && tone === 'cool' ? 'warm' : tone;
}

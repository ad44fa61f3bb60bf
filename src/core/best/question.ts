import type { PlannedTake } from '../kit/model.ts';
import type { Offer } from '../kit/shop.ts';
import type { BoardKit } from '../match/board.ts';
import type { Policy } from '../match/policy.ts';

/** What is to be recorded, on which cards, in which air: the same for every body of the kit that is asked about. */
export interface BestQuestion {
  /** The bodies in the order in which they choose, and the cards that they may choose from. */
  readonly kit: BoardKit;
  /** Prices that are known; empty where nothing may be bought. */
  readonly offers: readonly Offer[];
  readonly policy: Policy;
  /** Recorded minutes of each body, above 0. */
  readonly minutes: number;
  /** Every card in use rolls at least so long without a change, minutes; null: any. */
  readonly stretchMinutes: number | null;
  /** Air and sun; its minutes, takes and rests are those of `rhythm`. */
  readonly air: Pick<PlannedTake, 'ambientC' | 'sunC' | 'sun' | 'air' | 'dayLowC'>;
  /** Takes and the rests between them; null: recorded in one go. */
  readonly rhythm: Rhythm | null;
  /** Share of the runs of heat that may fail, 0 to 1. */
  readonly accepted: number;
  /** Runs of heat for each print of card, and the seed of their draws. */
  readonly runs: number;
  readonly seed: number;
}

/** How a person records over a time: so long, then so long a rest. */
export interface Rhythm {
  readonly takeMinutes: number;
  readonly restMinutes: number;
}

/** What is recorded as takes, for the heat of it. */
export function heatTake({ minutes, rhythm, air }: BestQuestion): PlannedTake {
  if (rhythm === null || rhythm.takeMinutes >= minutes) return { ...air, minutes, takes: 1, restMinutes: 0 };
  const takes = Math.ceil(minutes / rhythm.takeMinutes - 1e-9);
  return { ...air, minutes: rhythm.takeMinutes, takes, restMinutes: rhythm.restMinutes };
}

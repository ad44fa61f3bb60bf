import type { Tone } from '../match/verdict.ts';
import type { DayBlock, DayRules, SeatFit } from './problem.ts';

/** Which free card is taken: the smallest that holds, the one that lay longest, the largest. */
export type PickBy = 'fit' | 'longest-free' | 'largest';

/** A card in a slot. */
export interface Seated {
  readonly card: number;
  readonly slot: number;
}

/** A free card in its best slot. */
export interface Candidate extends Seated {
  readonly fit: SeatFit;
  /** Recorded seconds it takes from empty, by the rules of the day. */
  readonly seconds: number;
}

/** What is looked for. */
export interface Wish {
  readonly block: DayBlock;
  /** Recorded seconds wanted. */
  readonly need: number;
  readonly by: PickBy;
  /** By card; null where it is not free. */
  readonly freeSince: readonly (number | null)[];
  /** Slots without a card. */
  readonly open: readonly boolean[];
  readonly rules: DayRules;
}

const TONES: Readonly<Record<Tone, number>> = { cool: 0, warm: 1, hot: 2, mute: 3, none: 4 };

/** What a card takes from empty before it is changed. */
const secondsOf = ({ seconds }: SeatFit, { changeAt, most }: DayRules): number =>
  Math.min(seconds * changeAt, most ?? Number.POSITIVE_INFINITY);

function bestSlot(block: DayBlock, card: number, open: readonly boolean[]): { slot: number; fit: SeatFit } | null {
  let best: { slot: number; fit: SeatFit } | null = null;
  for (const [slot, fit] of (block.fits[card] ?? []).entries()) {
    if (!fit || !open[slot]) continue;
    if (
      !best ||
      TONES[fit.tone] < TONES[best.fit.tone] ||
      (fit.tone === best.fit.tone && fit.seconds > best.fit.seconds)
    )
      best = { slot, fit };
  }
  return best;
}

/**
 * Free cards for a block, best first: those that hold better before others, then as wished; of equal ones the one that lay
 * longest.
 */
export function candidatesFor({ block, need, by, freeSince, open, rules }: Wish): readonly Candidate[] {
  const found: (Candidate & { readonly since: number })[] = [];
  for (const [card, since] of freeSince.entries()) {
    if (since === null) continue;
    const best = bestSlot(block, card, open);
    if (best) found.push({ card, slot: best.slot, fit: best.fit, seconds: secondsOf(best.fit, rules), since });
  }
  const fits = by === 'fit' || (by === 'longest-free' && block.gapFree);
  const holds = (one: Candidate): boolean => one.seconds >= need - 1e-6;
  return found.sort((a, b) => {
    const tone = TONES[a.fit.tone] - TONES[b.fit.tone];
    if (tone !== 0) return tone;
    if (fits) {
      if (holds(a) !== holds(b)) return holds(a) ? -1 : 1;
      if (a.seconds !== b.seconds) return holds(a) ? a.seconds - b.seconds : b.seconds - a.seconds;
    } else if (by === 'largest' && a.seconds !== b.seconds) return b.seconds - a.seconds;
    return a.since - b.since || a.card - b.card;
  });
}

/** Cards for a body that records on several at once: every slot its own; null where they cannot all be had. */
export function seatedSet({
  found,
  open,
  width,
  block,
}: {
  readonly found: readonly Candidate[];
  readonly open: readonly boolean[];
  readonly width: number;
  readonly block: DayBlock;
}): readonly Seated[] | null {
  const slots = open.flatMap((isOpen, slot) => (isOpen ? [slot] : []));
  const takes = (card: number, slot: number): boolean => block.fits[card]?.[slot] != null;
  // Slots that few cards enter choose first.
  const order = slots
    .map((slot) => ({ slot, count: found.filter(({ card }) => takes(card, slot)).length }))
    .sort((a, b) => a.count - b.count || a.slot - b.slot);
  const taken = new Set<number>();
  const set: Seated[] = [];
  for (const { slot } of order) {
    if (set.length === width) break;
    const one = found.find(({ card }) => !taken.has(card) && takes(card, slot));
    if (!one) continue;
    taken.add(one.card);
    set.push({ card: one.card, slot });
  }
  return set.length === width ? set.sort((a, b) => a.slot - b.slot) : null;
}

import { entryAt } from '../entryAt.ts';
import type { Body, Card, Clearing } from '../kit/model.ts';
import { usable } from '../match/minutes/minutes.ts';
import { ownPromise } from '../match/ownPromise.ts';
import { toMegabytes } from '../units/convert.ts';

/** Why a burst says nothing of the card: the buffer was never full. */
export type Void =
  /** The camera never slowed. */
  | { readonly code: 'never-slowed' }
  /** The shutter was longer than a picture of the burst lasts: it could not keep the rate that was set. */
  | { readonly code: 'shutter'; readonly fps: number; readonly possibleFps: number }
  /** It is said to have slowed after more pictures than were taken. */
  | { readonly code: 'count'; readonly slowed: number; readonly frames: number }
  /** What was taken is less than the buffer holds. */
  | { readonly code: 'too-few'; readonly MB: number; readonly bufferMB: number }
  /** The buffer of the body is not known, and nothing says how many pictures it held. */
  | { readonly code: 'no-buffer' };

/** What a burst comes to. */
export interface Cleared {
  /** What was in the buffer when the last picture was taken, MB; null where it is not known. */
  readonly bufferedMB: number | null;
  /** What was written a second while it cleared; null where the test is void, or its size was not noted. */
  readonly drainMBps: number | null;
  readonly void: Void | null;
}

/**
 * What a burst says of the pair: what the buffer held over the time it took to clear. It counts only if the buffer really
 * filled. A body whose buffer is not known is measured by the pictures until it slowed; that is a floor, since some were
 * written meanwhile.
 *
 * @param burst - amounts in their ranges, see RANGES
 */
export function cleared(burst: Clearing, { bufferMB }: Pick<Body, 'bufferMB'>): Cleared {
  const { frames, fileMB } = burst;
  const none = (why: Void): Cleared => ({ bufferedMB: null, drainMBps: null, void: why });
  if (burst.burstFps !== null && burst.shutterSeconds !== null && burst.shutterSeconds * burst.burstFps > 1)
    return none({ code: 'shutter', fps: burst.burstFps, possibleFps: 1 / burst.shutterSeconds });
  const { framesUntilSlow: slowed } = burst;
  if (slowed !== null && frames !== null && slowed > frames) return none({ code: 'count', slowed, frames });
  // Without its size it tells no rate, and stands beside others of its kind all the same.
  if (fileMB === null || frames === null) return { bufferedMB: null, drainMBps: null, void: null };
  const taken = frames * fileMB;
  if (bufferMB !== null && taken < bufferMB) return none({ code: 'too-few', MB: taken, bufferMB });
  if (burst.framesUntilSlow === null) return none({ code: 'never-slowed' });
  const bufferedMB = bufferMB ?? burst.framesUntilSlow * fileMB;
  if (!(bufferedMB > 0)) return none({ code: 'no-buffer' });
  return { bufferedMB, drainMBps: bufferedMB / burst.clearSeconds, void: null };
}

/** Pictures of a burst before the camera slows: the buffer fills by what the card does not take. Infinity where it takes all. */
export function burstFrames(bufferMB: number, fileMB: number, fps: number, drainMBps: number): number {
  const filling = fps * fileMB - drainMBps;
  return filling <= 0 ? Number.POSITIVE_INFINITY : Math.floor((bufferMB / filling) * fps);
}

/** Whole pictures of an average size on a card. */
export const shotsOn = (card: Card, fileMB: number): number => Math.floor(usable(card).bytes / (fileMB * 1_000_000));

/** What a card drains in a body, by its valid bursts. */
export interface DrainRate {
  readonly card: Card;
  /** The middle of its bursts, MB/s. */
  readonly MBps: number;
  readonly bursts: number;
  readonly ids: readonly string[];
}

function middle(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const at = sorted.length >> 1;
  return sorted.length % 2 ? entryAt(sorted, at) : (entryAt(sorted, at - 1) + entryAt(sorted, at)) / 2;
}

/** What the best mark on a card promises, MB/s; null where it carries none. */
function markedMBps(card: Card): number | null {
  const promise = ownPromise(card);
  return promise.by === 'mark' || promise.by === 'minimum' ? toMegabytes(promise.floor) : null;
}

/**
 * How fast each card is said to be, MB/s, for ordering alone: what is printed, else what its maker claims, else its mark: V30
 * and V90 differ threefold.
 */
const claimedMBps = (card: Card): number | null =>
  card.writeMBps ?? card.sustainedMBps ?? card.readMBps ?? markedMBps(card);

/** The cards of one body by what they drain, slowest claim first. */
export function drainRates(body: Body, cards: readonly Card[], bursts: readonly Clearing[]): readonly DrainRate[] {
  return cards
    .flatMap((card): readonly DrainRate[] => {
      const own = bursts.filter(({ bodyId, cardId }) => bodyId === body.id && cardId === card.id);
      const valid = own.flatMap((burst) => {
        const { drainMBps } = cleared(burst, body);
        return drainMBps === null ? [] : [{ drainMBps, id: burst.id }];
      });
      if (valid.length === 0) return [];
      const ids = valid.map(({ id }) => id);
      return [{ card, MBps: middle(valid.map(({ drainMBps }) => drainMBps)), bursts: valid.length, ids }];
    })
    .sort((a, b) => (claimedMBps(a.card) ?? 0) - (claimedMBps(b.card) ?? 0));
}

/** How long a card takes to clear one burst of a body of which only times were noted. */
export interface ClearTime {
  readonly card: Card;
  /** The middle of its times, seconds. */
  readonly seconds: number;
  /** How many times faster than the slowest of them. */
  readonly times: number;
  readonly bursts: number;
  readonly ids: readonly string[];
}

/**
 * Cards of one body by how long each took to clear the same burst, slowest claim first: times alone, without size or number of
 * pictures, are enough to tell body from card. Whether it was the same burst is the person's word.
 */
export function clearTimes(body: Body, cards: readonly Card[], bursts: readonly Clearing[]): readonly ClearTime[] {
  const known = cards.flatMap((card) => {
    const own = bursts.filter(
      (burst) =>
        burst.bodyId === body.id &&
        burst.cardId === card.id &&
        (burst.fileMB === null || burst.frames === null) &&
        cleared(burst, body).void === null,
    );
    if (own.length === 0) return [];
    return [{ card, seconds: middle(own.map(({ clearSeconds }) => clearSeconds)), ids: own.map(({ id }) => id) }];
  });
  const slowest = Math.max(...known.map(({ seconds }) => seconds));
  return known
    .map(({ card, seconds, ids }) => ({ card, seconds, times: slowest / seconds, bursts: ids.length, ids }))
    .sort((a, b) => (claimedMBps(a.card) ?? 0) - (claimedMBps(b.card) ?? 0));
}

/** Whether body or card sets the pace; mixed where it goes by neither; unknown where too little was compared. */
export type Limiting = 'body' | 'card' | 'mixed' | 'unknown';

/** Share by which rates may differ and still be one [A], and times that claims must differ to be compared [A]. */
const ALIKE = 1.25;
const UNLIKE = 1.5;

/**
 * Body or card, where claims differ by half and more: rates that are all alike are the body's; rates that rise with every
 * claim are the cards'. A fastest claim that is not the fastest in the camera is neither: the pair has to be tested.
 *
 * @param rates - of one body, by claim, as drainRates gives them, or how many times faster than the slowest each is
 */
export function limiting(rates: readonly Pick<DrainRate, 'card' | 'MBps'>[]): Limiting {
  const known = rates.flatMap(({ card, MBps }) => {
    const claim = claimedMBps(card);
    return claim === null ? [] : [{ claim, MBps }];
  });
  const [slowest, fastest] = [known[0], known.at(-1)];
  if (!slowest || !fastest || fastest.claim < slowest.claim * UNLIKE) return 'unknown';
  const paces = known.map(({ MBps }) => MBps);
  if (Math.max(...paces) <= Math.min(...paces) * ALIKE) return 'body';
  return paces.every((MBps, at) => MBps >= (paces[at - 1] ?? 0)) ? 'card' : 'mixed';
}

/** A card that is said to be faster than another and does no better in a body. */
export interface NoBetter {
  readonly body: Body;
  readonly faster: DrainRate;
  readonly slower: DrainRate;
}

/** For each pair of cards of one body: the faster claim that drained no faster. */
export function noBetter(body: Body, cards: readonly Card[], bursts: readonly Clearing[]): readonly NoBetter[] {
  const rates = drainRates(body, cards, bursts);
  return rates.flatMap((faster, at) =>
    rates
      .slice(0, at)
      .filter((slower) => {
        const [more, less] = [claimedMBps(faster.card), claimedMBps(slower.card)];
        return more !== null && less !== null && more >= less * UNLIKE && faster.MBps <= slower.MBps * 1.1;
      })
      .map((slower) => ({ body, faster, slower })),
  );
}

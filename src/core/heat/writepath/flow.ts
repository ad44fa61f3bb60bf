/** Paces in bytes per second while nothing changes. */
export interface Paces {
  readonly demand: number;
  /** What the card takes now: the drain of the camera buffer. */
  readonly drain: number;
  readonly bufferSlope: number;
  readonly cacheSlope: number;
}

/** What a card does at one moment: paces in MB/s, its fast cache in MB, and whether it stalls. */
export interface CardNow {
  /** Fast pace, already throttled: the slower of bus and burst. */
  readonly fast: number;
  readonly flash: number;
  readonly cacheSize: number;
  readonly stalled: boolean;
}

/**
 * The tandem of two buckets: demand fills the camera buffer, the card drains it at its fast pace while its cache has room
 * and at the flash's pace once it is full; the flash drains the cache. Equalities are stable: a full cache that is fed as
 * fast as it drains stays full and asks for no event.
 */
export function paces(buffer: number, cache: number, demand: number, card: CardNow): Paces {
  const { fast, flash, cacheSize, stalled } = card;
  const hasRoom = cacheSize > 0 && cache < cacheSize;
  const accepts = stalled ? 0 : hasRoom ? fast : Math.min(fast, flash);
  const drain = buffer > 0 ? accepts : Math.min(demand, accepts);
  const out = cache > 0 ? flash : Math.min(flash, drain);
  const cacheSlope = cacheSize === 0 ? 0 : drain - out;
  return { demand, drain, bufferSlope: demand - drain, cacheSlope };
}

/** Seconds until a level moving at a slope reaches an end; Infinity where it moves the other way or not at all. */
export const secondsTo = (level: number, end: number, slope: number): number => {
  const ahead = end - level;
  if (slope === 0 || ahead > 0 !== slope > 0) return Number.POSITIVE_INFINITY;
  return ahead === 0 ? Number.POSITIVE_INFINITY : ahead / slope;
};

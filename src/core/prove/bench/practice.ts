import { simulate } from '../../heat/writepath/simulate.ts';
import type { Simulation } from '../../heat/writepath/simulation.ts';

export const PRACTICE_CARDS = ['healthy', 'cache-cliff', 'throttling', 'stalling', 'false-capacity'] as const;
/** A card that is not there, to try the bench on: sound, or with one fault. */
export type PracticeCard = (typeof PRACTICE_CARDS)[number];

/** A practice card: what is printed on it, and what it really holds. */
export interface Practice {
  readonly labelGB: number;
  readonly realBytes: number;
  readonly readMBps: number;
  readonly sim: Simulation;
}

const GB = 1e9;
/** Small, so that all of each fault is seen in a minute of its time. */
const LABEL_GB = 2;
/** More than any card takes: a bench waits for the card, never the card for it. */
const ENDLESS_MB = 1e12;

/** Figures of the practice cards. */
export function practiceCard(kind: PracticeCard): Practice {
  const card = { busMBps: 104, burstMBps: 46, cacheGB: 0, sustainedMBps: 46, usableGB: LABEL_GB };
  const heat = {
    ambientC: 24,
    bodyHeatCapacityJPerK: 400,
    bodyResistanceKPerW: 4,
    recordingW: 1,
    bodyLimitC: 200,
    cardHeatCapacityJPerK: 1.2,
    cardResistanceKPerW: 11,
    idleW: 0.1,
    energyNJPerByte: 5,
    throttleAtC: 120,
    resumeAtC: 110,
    throttleFactor: 0.5,
  };
  const sim: Simulation = { demandMBps: 104, takeSeconds: 36_000, bufferMB: ENDLESS_MB, card, heat };
  const made = (part: Partial<Simulation['card']>, warm: Partial<Simulation['heat']> = {}): Practice => ({
    labelGB: LABEL_GB,
    realBytes: LABEL_GB * GB,
    readMBps: 95,
    sim: { ...sim, card: { ...card, ...part }, heat: { ...heat, ...warm } },
  });
  switch (kind) {
    case 'healthy':
      return made({});
    case 'cache-cliff':
      return made({ burstMBps: 92, cacheGB: 0.7, sustainedMBps: 21 });
    case 'throttling':
      return made({}, { energyNJPerByte: 120, throttleAtC: 68, resumeAtC: 60, throttleFactor: 0.42 });
    case 'stalling':
      return made({ stallEveryGB: 0.25, stallSeconds: 2.4 });
    case 'false-capacity':
      // An odd size, as such cards have.
      return { ...made({}), realBytes: 784_334_699 };
  }
}

/** How long such a card takes: seconds from its first byte until so many bytes are written. */
export type Pace = (bytes: number) => number;

/** The card’s own time, from the run of its write path against a writer that never waits. */
export function paceOf({ sim }: Practice): Pace {
  const { timeline } = simulate(sim);
  const moments = timeline.map(({ seconds, writtenGB, acceptedMBps }) => ({
    seconds,
    bytes: writtenGB * GB,
    acceptedMBps,
  }));
  return (bytes) => {
    let [low, high] = [0, moments.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((moments[middle]?.bytes ?? 0) <= bytes) low = middle + 1;
      else high = middle;
    }
    // Of several moments without a byte between them, as of a stall, the last: then the next byte is taken.
    const from = moments[Math.max(0, low - 1)];
    if (!from) return 0;
    const rest = bytes - from.bytes;
    return from.seconds + (rest > 0 && from.acceptedMBps > 0 ? rest / (from.acceptedMBps * 1e6) : 0);
  };
}

/**
 * What stands at a place of a card that holds less than it says and begins anew: the offset last written there.
 *
 * @param written - bytes written, from 0 on
 */
export function lastWrittenAt(offset: number, written: number, realBytes: number): number {
  const place = offset % realBytes;
  return place + realBytes * Math.floor((written - 1 - place) / realBytes);
}

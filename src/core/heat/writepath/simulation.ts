/** What a run is made of. Field names carry their units and are those of the server's call [domain.md §7]. */
export interface CardPath {
  readonly busMBps: number;
  /** Fast cache accepts at this pace while it has room. */
  readonly burstMBps: number;
  readonly cacheGB: number;
  /** Flash drains the cache at this pace; once the cache is full the card accepts no more than this. */
  readonly sustainedMBps: number;
  readonly usableGB: number;
  /** Housekeeping: every so many GB the card accepts nothing for `stallSeconds`. Both or neither. */
  readonly stallEveryGB?: number | null;
  readonly stallSeconds?: number | null;
}

/** What heats and cools one card. */
export interface CardHeat {
  readonly cardHeatCapacityJPerK: number;
  /** Infinity: insulated. */
  readonly cardResistanceKPerW: number;
  readonly idleW: number;
  readonly energyNJPerByte: number;
  readonly throttleAtC: number;
  readonly resumeAtC: number;
  /** Both paces of the card are multiplied by this while it is throttled; 0 to 1. */
  readonly throttleFactor: number;
}

/**
 * The heat of body and card as two nodes: capacities in J/K, resistances in K/W, powers in W, temperatures in °C;
 * `ambientC` has the sun in it.
 */
export interface HeatPath extends CardHeat {
  /** Air around the body; sun adds a stated equivalent to it. */
  readonly ambientC: number;
  readonly bodyHeatCapacityJPerK: number;
  /** Infinity: insulated. */
  readonly bodyResistanceKPerW: number;
  readonly recordingW: number;
  readonly bodyLimitC: number;
  /** Default: the ambient. */
  readonly startCardC?: number | null;
  readonly startBodyC?: number | null;
}

/** A card that takes over when the one before it is full. It has been idling in its slot until then. */
interface RelayCard {
  readonly card: CardPath;
  readonly heat: CardHeat;
}

/** Everything one run is made from; ranges stand in checkSimulation.ts. */
export interface Simulation {
  readonly demandMBps: number;
  /** Demand second by second, repeated to the end of the take; in place of the constant one. */
  readonly demandTraceMBps?: readonly number[] | null;
  readonly takeSeconds: number;
  readonly restSeconds?: number | null;
  readonly takes?: number | null;
  /** Length of the last take where it is another than the rest. */
  readonly lastTakeSeconds?: number | null;
  readonly bufferMB: number;
  readonly card: CardPath;
  readonly heat: HeatPath;
  /** Cards after the first, in the order in which they take over. */
  readonly relay?: readonly RelayCard[] | null;
  /** Most events followed, up to `MAX_EVENTS`; fewer where a person waits for the answer. */
  readonly maxEvents?: number | null;
}

/** How a run ended. */
export type SimOutcome = 'filled' | 'dropped' | 'body-cutoff' | 'complete';

/** What would have to change for the take to survive. */
export type Cause = 'bus' | 'flash' | 'cache' | 'heat' | 'stall';

/** What happened at a moment of a run. */
export type EventName =
  | 'start'
  | 'take-end'
  | 'take-start'
  | 'demand'
  | 'buffer-empty'
  | 'cache-full'
  | 'cache-empty'
  | 'stall'
  | 'stall-end'
  | 'throttle-on'
  | 'throttle-off'
  | 'card-full'
  | 'card-change'
  | 'body-limit'
  | 'dropped'
  | 'filled'
  | 'complete';

/** The run at one of the moments that matter. */
export interface Moment {
  readonly event: EventName;
  readonly seconds: number;
  readonly bufferMB: number;
  readonly cacheGB: number;
  /** On all cards of a relay together. */
  readonly writtenGB: number;
  readonly cardC: number;
  readonly bodyC: number;
  /** From this moment on. */
  readonly acceptedMBps: number;
  readonly demandMBps: number;
  readonly throttled: boolean;
  readonly recording: boolean;
  /** The card written to, counting from 0. */
  readonly cardAt: number;
}

/** A run from first frame to last: how it ended, when, and every event on the way. */
export interface SimResult {
  readonly outcome: SimOutcome;
  readonly atSeconds: number;
  readonly writtenGB: number;
  readonly peakCardC: number;
  readonly peakBodyC: number;
  readonly firstThrottleAtSeconds: number | null;
  readonly timeline: readonly Moment[];
  /** How many events were followed: what a run costs. */
  readonly events: number;
  /** True where the run met more events than are followed; the outcome is then what stood at that moment. */
  readonly cutShort: boolean;
}

/** Why a run was not made: the field, and the range it must lie in. */
export interface SimRefusal {
  readonly code: 'not-finite' | 'out-of-range' | 'contradiction';
  readonly field: string;
  readonly min: number | null;
  readonly max: number | null;
}

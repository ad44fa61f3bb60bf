import type { Bus } from './buses.ts';
import type { Form } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** Thermal character of a card form: all assumed, good for ranking only until calibrated [domain.md §7]. */
export interface CardHeatRow {
  readonly heatCapacityJPerK: number;
  readonly resistanceKPerW: number;
  readonly idleW: number;
  /** What writing a byte makes of heat, and the ends between which nine tenths of such cards lie. */
  readonly energyNJPerByte: number;
  readonly energyRange: readonly [number, number];
  readonly throttleAtC: number;
  readonly resumeAtC: number;
  readonly throttleFactor: number;
  readonly source: SourceKey;
}

/**
 * By form. Resistance falls as the outside grows: CFexpress B has twice the area of A. A card on PCIe that throttles falls well
 * below half of its pace, one of SD to about half [A].
 */
// biome-ignore format: one row a line
export const CARD_HEAT = {
  microsd: { heatCapacityJPerK: 0.7, resistanceKPerW: 30, idleW: 0.1, energyNJPerByte: 5, energyRange: [3.2, 8], throttleAtC: 80, resumeAtC: 72, throttleFactor: 0.5, source: 'assumed' },
  sd: { heatCapacityJPerK: 2.2, resistanceKPerW: 18, idleW: 0.15, energyNJPerByte: 4, energyRange: [2.5, 6.4], throttleAtC: 80, resumeAtC: 72, throttleFactor: 0.5, source: 'assumed' },
  'cfexpress-a': { heatCapacityJPerK: 3, resistanceKPerW: 16, idleW: 0.4, energyNJPerByte: 3, energyRange: [1.9, 4.8], throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.35, source: 'assumed' },
  'cfexpress-b': { heatCapacityJPerK: 9, resistanceKPerW: 9, idleW: 0.6, energyNJPerByte: 2.5, energyRange: [1.5, 4.2], throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.25, source: 'assumed' },
  xqd: { heatCapacityJPerK: 9, resistanceKPerW: 9, idleW: 0.6, energyNJPerByte: 2.5, energyRange: [1.6, 4], throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.35, source: 'assumed' },
  cfast: { heatCapacityJPerK: 9, resistanceKPerW: 10, idleW: 0.4, energyNJPerByte: 4, energyRange: [2.5, 6.4], throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.5, source: 'assumed' },
} as const satisfies Partial<Record<Form, CardHeatRow>>;

/** The assumed heat of a kind of body: J/K, K/W, W and °C. */
export interface BodyHeatRow {
  readonly heatCapacityJPerK: number;
  /** Width × height × depth: what sheds the heat of a closed body. Null where a fan does. */
  readonly outsideMm: readonly [number, number, number] | null;
  /** Of a body with a fan, whatever the air around it does; null where it comes from the surface. */
  readonly fanResistanceKPerW: number | null;
  readonly recordingW: number;
  /** What its sensor or processor stands. */
  readonly limitC: number;
  /** From there to the shell: how much hotter it is for each watt of recording. A fan takes the heat from where it arises. */
  readonly hotKPerW: number;
  /** Still air enclosed around it, which no wind reaches, K/W. */
  readonly enclosedKPerW: number;
  /** The largest face that the sun meets, m². */
  readonly faceM2: number;
  readonly source: SourceKey;
}

/** By size of body [A]. Outdoor: a dashboard or surveillance camera, made to sit in the sun. */
// biome-ignore format: one row a line
export const BODY_HEAT = {
  action: { heatCapacityJPerK: 120, outsideMm: [62, 45, 34], fanResistanceKPerW: null, recordingW: 5, limitC: 62, hotKPerW: 2, enclosedKPerW: 0, faceM2: 0.0028, source: 'assumed' },
  housed: { heatCapacityJPerK: 170, outsideMm: [76, 66, 50], fanResistanceKPerW: null, recordingW: 5, limitC: 62, hotKPerW: 2, enclosedKPerW: 4, faceM2: 0.005, source: 'assumed' },
  hybrid: { heatCapacityJPerK: 500, outsideMm: [135, 98, 85], fanResistanceKPerW: null, recordingW: 9, limitC: 62, hotKPerW: 1.7, enclosedKPerW: 0, faceM2: 0.0132, source: 'assumed' },
  cine: { heatCapacityJPerK: 1500, outsideMm: null, fanResistanceKPerW: 0.6, recordingW: 30, limitC: 62, hotKPerW: 0, enclosedKPerW: 0, faceM2: 0.02, source: 'assumed' },
  outdoor: { heatCapacityJPerK: 200, outsideMm: [90, 60, 60], fanResistanceKPerW: null, recordingW: 4, limitC: 85, hotKPerW: 2, enclosedKPerW: 0, faceM2: 0.0054, source: 'assumed' },
} as const satisfies Record<string, BodyHeatRow>;

/**
 * Of the resistance that a maker's limit comes to, the share of the film of air outside, which wind thins; the rest lies
 * between sensor and shell. One limit tells their sum alone: the least share that is met is taken, so that wind is not counted on
 * more than it helps [A].
 */
export const FILM_SHARE = { low: 0.25, high: 0.7 } as const;

/** Light of the sun on a face turned half towards it, W/m² [P], and how much of it a finish keeps [P, from memory]. */
export const SUN_WPER_M2 = 870;
export const FINISHES = { light: 0.4, grey: 0.65, black: 0.9 } as const;

/**
 * Most that a card of SD draws, W, by its bus: what a host must give, and a bound on the heat [S: SD Physical Layer and UHS-II
 * Addendum, from memory].
 */
export const SD_MOST_W = { oneRow: 1.44, twoRows: 2.88 } as const;

const ROWS: Readonly<Partial<Record<Bus, keyof typeof SD_MOST_W>>> = {
  default: 'oneRow',
  'high-speed': 'oneRow',
  'uhs-i-50': 'oneRow',
  'uhs-i': 'oneRow',
  'uhs-ii': 'twoRows',
  'uhs-ii-312': 'twoRows',
  'uhs-iii': 'twoRows',
};

/** Most that a card draws while it writes over a bus, W; null where no standard that we remember says. */
export function mostWatts(bus: Bus): number | null {
  const rows = ROWS[bus];
  return rows === undefined ? null : SD_MOST_W[rows];
}

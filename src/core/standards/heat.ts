import type { Form } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** Thermal character of a card form: all assumed, good for ranking only until calibrated [domain.md §7]. */
export interface CardHeatRow {
  readonly heatCapacityJPerK: number;
  readonly resistanceKPerW: number;
  readonly idleW: number;
  readonly energyNJPerByte: number;
  readonly throttleAtC: number;
  readonly resumeAtC: number;
  readonly throttleFactor: number;
  readonly source: SourceKey;
}

/** By form. Resistance falls as the outside grows: CFexpress B has twice the area of A. */
// biome-ignore format: one row a line
export const CARD_HEAT = {
  microsd: { heatCapacityJPerK: 0.7, resistanceKPerW: 30, idleW: 0.1, energyNJPerByte: 5, throttleAtC: 80, resumeAtC: 72, throttleFactor: 0.5, source: 'assumed' },
  sd: { heatCapacityJPerK: 2.2, resistanceKPerW: 18, idleW: 0.15, energyNJPerByte: 4, throttleAtC: 80, resumeAtC: 72, throttleFactor: 0.5, source: 'assumed' },
  'cfexpress-a': { heatCapacityJPerK: 3, resistanceKPerW: 16, idleW: 0.4, energyNJPerByte: 3, throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.5, source: 'assumed' },
  'cfexpress-b': { heatCapacityJPerK: 9, resistanceKPerW: 9, idleW: 0.6, energyNJPerByte: 2.5, throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.5, source: 'assumed' },
  xqd: { heatCapacityJPerK: 9, resistanceKPerW: 9, idleW: 0.6, energyNJPerByte: 2.5, throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.5, source: 'assumed' },
  cfast: { heatCapacityJPerK: 9, resistanceKPerW: 10, idleW: 0.4, energyNJPerByte: 4, throttleAtC: 75, resumeAtC: 68, throttleFactor: 0.5, source: 'assumed' },
} as const satisfies Partial<Record<Form, CardHeatRow>>;

/** The assumed heat of a kind of body: J/K, K/W, W and °C. */
export interface BodyHeatRow {
  readonly heatCapacityJPerK: number;
  /** Width × height × depth: what sheds the heat of a closed body. Null where a fan does. */
  readonly outsideMm: readonly [number, number, number] | null;
  /** Of a body with a fan, whatever the air around it does; null where it comes from the surface. */
  readonly fanResistanceKPerW: number | null;
  readonly recordingW: number;
  readonly limitC: number;
  readonly source: SourceKey;
}

/** By size of body [A]. Outdoor: a dashboard or surveillance camera, made to sit in the sun. */
// biome-ignore format: one row a line
export const BODY_HEAT = {
  action: { heatCapacityJPerK: 120, outsideMm: [62, 45, 34], fanResistanceKPerW: null, recordingW: 5, limitC: 62, source: 'assumed' },
  hybrid: { heatCapacityJPerK: 500, outsideMm: [135, 98, 85], fanResistanceKPerW: null, recordingW: 9, limitC: 62, source: 'assumed' },
  cine: { heatCapacityJPerK: 1500, outsideMm: null, fanResistanceKPerW: 0.6, recordingW: 30, limitC: 62, source: 'assumed' },
  outdoor: { heatCapacityJPerK: 200, outsideMm: [90, 60, 60], fanResistanceKPerW: null, recordingW: 4, limitC: 85, source: 'assumed' },
} as const satisfies Record<string, BodyHeatRow>;

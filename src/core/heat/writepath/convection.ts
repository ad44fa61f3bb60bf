import type { AirMovement } from '../../kit/model.ts';

/** Wind along the body, m/s [A]: a room, a breeze or a walk, a drone in flight or a car window. */
const AIR_SPEED: Readonly<Record<AirMovement, number>> = { still: 0, moving: 1.5, strong: 5 };

/** Air at 27 °C and one bar [S: heat-transfer textbooks, property tables, from memory]. */
// biome-ignore lint/suspicious/noApproximativeNumericConstant: a Prandtl number, which only looks like √½
const AIR = { conductivityWPerMK: 0.0263, viscosityM2PerS: 1.59e-5, prandtl: 0.707 } as const;
const STEFAN_BOLTZMANN = 5.670374e-8;
const EMISSIVITY = 0.9;
const RADIATING_K = 300;
const PLATE_FACTOR = 1.42;
/** Degrees above the air at which resistance is taken once, so that a run stays linear [A]. */
const ABOVE_AIR_K = 20;

/**
 * Natural convection from a vertical plate in air, laminar: h = 1.42 (ΔT ÷ L)^¼ W/m²K.
 *
 * @see heat-transfer textbooks, simplified equations for air at one bar, vertical plane, from memory
 */
export const naturalConvection = (heightM: number, aboveAirK: number): number =>
  PLATE_FACTOR * (aboveAirK / heightM) ** 0.25;

/**
 * Forced convection along a plate, laminar: Nu = 0.664 Re^½ Pr^⅓, averaged over its length, W/m²K.
 *
 * @see heat-transfer textbooks, flat plate in parallel flow, Re < 5 × 10⁵, from memory
 */
export function forcedConvection(lengthM: number, speedMPerS: number): number {
  const reynolds = (speedMPerS * lengthM) / AIR.viscosityM2PerS;
  return (0.664 * Math.sqrt(reynolds) * Math.cbrt(AIR.prandtl) * AIR.conductivityWPerMK) / lengthM;
}

/** Radiation to surroundings as warm as the air, made linear: h = 4 ε σ T³ W/m²K. */
export const radiation = (): number => 4 * EMISSIVITY * STEFAN_BOLTZMANN * RADIATING_K ** 3;

/**
 * Resistance from a closed box to the air around it, K/W: R = 1 ÷ ((h_conv + h_rad) × A), the stronger of natural and
 * forced convection.
 *
 * @param outsideMm - width, height, depth; > 0
 * @example Math.round(boxResistance([62, 45, 34], 'still')) // => 6
 */
export function boxResistance(outsideMm: readonly [number, number, number], air: AirMovement): number {
  const [width, height, depth] = outsideMm.map((one) => one / 1000) as [number, number, number];
  const area = 2 * (width * height + width * depth + height * depth);
  const natural = naturalConvection(height, ABOVE_AIR_K);
  const forced = AIR_SPEED[air] > 0 ? forcedConvection(width, AIR_SPEED[air]) : 0;
  return 1 / ((Math.max(natural, forced) + radiation()) * area);
}

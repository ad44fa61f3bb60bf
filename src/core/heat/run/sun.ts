import type { Body, Finish, PlannedTake } from '../../kit/model.ts';
import { AMBIENT_SPREAD } from '../../standards/assumptions.ts';
import { BODY_HEAT, type BodyHeatRow, FINISHES, SUN_WPER_M2 } from '../../standards/heat.ts';
import { AMBIENT_DEGREES } from '../writepath/draws.ts';
import { sizeOf, sizeResistance } from './bodyFigures.ts';

/**
 * Degrees that sun adds to a body of a finish: what its largest face keeps of the light, over the film of air outside it. A
 * black box in still air 13 to 15, a light one 6 to 7, a black one in strong wind about 5 [P].
 */
function sunAdds(body: Body, finish: Finish, air: PlannedTake['air']): number {
  const { size } = sizeOf(body);
  const { faceM2, enclosedKPerW }: BodyHeatRow = BODY_HEAT[size];
  return FINISHES[finish] * SUN_WPER_M2 * faceM2 * (sizeResistance(size, air ?? 'still') - enclosedKPerW);
}

/** Degrees that the sun of a plan adds to a body: as entered, or by its finish and the air around it; 0 in shade. */
export const sunDegrees = (body: Body, { sunC, sun, air }: Pick<PlannedTake, 'sunC' | 'sun' | 'air'>): number =>
  sunC > 0 && sun ? sunAdds(body, sun, air) : sunC;

/** How far sun may be off: face, haze and finish, as a share of what it adds [A]. */
const SUN_SPREAD = 0.3;

/** Spread of the air of a plan, its sun included, as runs draw it. */
export const airSpread = (body: Body, plan: PlannedTake): number =>
  Math.hypot(AMBIENT_SPREAD, (SUN_SPREAD * sunDegrees(body, plan)) / AMBIENT_DEGREES);

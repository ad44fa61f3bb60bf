import type { PlannedTake } from '../../kit/model.ts';
import { ASSUMED } from '../../standards/assumptions.ts';

/** The take that heat marks are worked out for until a person plans another [A]. */
export const DEFAULT_PLAN: PlannedTake = {
  minutes: ASSUMED.plannedMinutes.value,
  takes: 1,
  restMinutes: 0,
  ambientC: ASSUMED.plannedAmbientC.value,
  sunC: 0,
};

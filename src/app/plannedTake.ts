import { DEFAULT_PLAN } from '../core/heatrun/plan.ts';
import type { PlannedTake } from '../core/model/kit.ts';
import type { Settings } from '../kit/kit.ts';
import { changeSettings } from './kitActions.ts';

/** The take that heat is asked about: as planned in the settings, else the assumed one. */
export const plannedTake = ({ plannedTake: plan }: Settings): PlannedTake => plan ?? DEFAULT_PLAN;

export const planBoard = (plan: PlannedTake): Promise<void> => changeSettings({ plannedTake: plan });

import { DEFAULT_PLAN } from '../../core/heat/run/plan.ts';
import type { PlannedTake } from '../../core/kit/model.ts';
import type { Settings } from '../../kit/kit.ts';
import { settle } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { type Written, write } from '../kit/write.ts';

/** The take that heat is asked about: as planned in the settings, else the assumed one. */
export const plannedTake = ({ plannedTake: plan }: Settings): PlannedTake => plan ?? DEFAULT_PLAN;

export const planBoard = (plan: PlannedTake): Promise<Written> =>
  write(CHANGE_TEXT.planned, [settle({ plannedTake: plan })]);

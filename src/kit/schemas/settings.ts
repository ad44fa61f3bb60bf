import Joi from 'joi';
import type { PlannedTake, Retest } from '../../core/kit/model.ts';
import { MAX_ASIDE, RANGES } from '../../core/kit/ranges.ts';
import { ASSUMED } from '../../core/standards/assumptions.ts';
import { plannedTakeSchema } from './keptTake.ts';
import { within } from './parts.ts';
import { objectOf, oneOf } from './shape.ts';

/** How a person wants answers read, and what they plan. */
export interface Settings {
  /** Once-only or repeatable. */
  readonly take: 'once' | 'repeatable';
  /** 0 to 1; 0.15 is 15 %. */
  readonly headroom: number;
  /** What the heat marks of the board are worked out for; missing: the assumed take. */
  readonly plannedTake?: PlannedTake | null;
  /** Days without an export after which the kit asks for one; missing: as assumed. 0: never. */
  readonly exportEveryDays?: number | null;
  /** When evidence is to be made anew; missing: as assumed. */
  readonly retest?: Retest | null;
  /** Whether a round of the drill is timed; missing: it is. */
  readonly drillTimer?: boolean | null;
  /** Words that do not matter in a quick check, in small letters: whoever typed them said so. */
  readonly asideWords?: readonly string[] | null;
}

/** Most words kept as ones that do not matter. */
export const MOST_ASIDE = 300;

export const settingsSchema = objectOf<Settings>({
  take: oneOf(['once', 'repeatable']).default('once'),
  headroom: Joi.number().min(0).max(1).default(ASSUMED.headroom.value),
  plannedTake: plannedTakeSchema.allow(null),
  drillTimer: Joi.boolean().allow(null),
  asideWords: Joi.array().items(Joi.string().max(MAX_ASIDE)).max(MOST_ASIDE).unique().allow(null),
  exportEveryDays: Joi.number().integer().min(0).max(3650).allow(null),
  retest: objectOf<Retest>({
    months: within(RANGES.retestMonths).integer().required(),
    afterFirmware: Joi.boolean().required(),
    afterIncident: Joi.boolean().required(),
  }).allow(null),
});

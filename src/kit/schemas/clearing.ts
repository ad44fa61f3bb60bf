import type Joi from 'joi';
import type { Clearing } from '../../core/kit/model.ts';
import { RANGES } from '../../core/kit/ranges.ts';
import { id, isoDate, note, otherId, within } from './parts.ts';
import { objectOf, orNull } from './shape.ts';

const count = (): Joi.NumberSchema => within(RANGES.burstFrames).integer();

export const clearingSchema = objectOf<Clearing>({
  id,
  bodyId: id,
  cardId: id,
  slotId: orNull(otherId),
  date: orNull(isoDate),
  fileMB: orNull(within(RANGES.fileMB)),
  framesUntilSlow: orNull(count()),
  frames: orNull(count()),
  burstFps: orNull(within(RANGES.burstFps)),
  shutterSeconds: orNull(within(RANGES.shutterSeconds)),
  clearSeconds: within(RANGES.clearSeconds).required(),
  note,
});

export { clearingSchema as schema };

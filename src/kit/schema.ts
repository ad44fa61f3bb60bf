import Joi from 'joi';
import { COLLECTIONS, LISTS } from './collections.ts';
import { FORMAT, type Kit, VERSION } from './kit.ts';
import { settingsSchema } from './schemas/settings.ts';

async function makeSchema(): Promise<Joi.ObjectSchema<Kit>> {
  const lists = await Promise.all(
    LISTS.map(async (list) => {
      const { schema, most, required } = COLLECTIONS[list];
      const items = Joi.array()
        .items((await schema()).schema)
        .unique('id')
        .max(most);
      return [list, required ? items.required() : items.default([])] as const;
    }),
  );
  return Joi.object<Kit>({
    format: Joi.string().valid(FORMAT).required(),
    version: Joi.number().valid(VERSION).required(),
    ...Object.fromEntries(lists),
    settings: settingsSchema.default(),
  }).unknown(true);
}

let made: Promise<Joi.ObjectSchema<Kit>> | null = null;

/**
 * The kit file in the version that is written, put together from the schemas of its lists. The types of the core, the
 * JSON Schema, the forms of the interface and the server all follow it. Unknown keys are kept.
 */
export function kitSchema(): Promise<Joi.ObjectSchema<Kit>> {
  made ??= makeSchema();
  return made;
}

// Writes the kit's JSON Schema into docs, from the Joi schema.
import { writeFileSync } from 'node:fs';
import { kitJsonSchema } from '../src/kit/jsonSchema.ts';

writeFileSync(
  new URL('../docs/kit.schema.json', import.meta.url),
  `${JSON.stringify(await kitJsonSchema(), null, 2)}\n`,
);

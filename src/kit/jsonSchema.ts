import { kitSchema } from './schema.ts';

interface JsonSchemaSource {
  readonly jsonSchema: { readonly input: (options: { readonly target: string }) => Record<string, unknown> };
}

/** The kit file as JSON Schema, draft 2020-12, made from the Joi schema. */
export function kitJsonSchema(): Record<string, unknown> {
  const standard = kitSchema['~standard'] as unknown as JsonSchemaSource;
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Cool Reel kit, version 1',
    description: 'Units are in the key names. Null means unknown, never zero. Unknown keys are kept.',
    ...standard.jsonSchema.input({ target: 'draft-2020-12' }),
  };
}

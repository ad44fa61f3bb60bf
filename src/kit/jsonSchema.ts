import type Joi from 'joi';
import { VERSION } from './kit.ts';
import { kitSchema } from './schema.ts';

interface JsonSchemaSource {
  readonly jsonSchema: { readonly input: (options: { readonly target: string }) => Record<string, unknown> };
}

/** A nullable list of values must list null too: the converter names it in the type only. */
function nullInEnums(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(nullInEnums);
  if (value === null || typeof value !== 'object') return value;
  const node = Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, nullInEnums(inner)]));
  const nullable = Array.isArray(node.type) && node.type.includes('null');
  return nullable && Array.isArray(node.enum) && !node.enum.includes(null)
    ? { ...node, enum: [...node.enum, null] }
    : node;
}

/** What a Joi schema accepts, as JSON Schema, draft 2020-12: one definition for validating and for describing. */
export function jsonSchemaOf(schema: Joi.Schema): Record<string, unknown> {
  const standard = schema['~standard'] as unknown as JsonSchemaSource;
  // What JSON cannot hold (the marker of a computed default) is not part of the schema.
  const plain: unknown = JSON.parse(JSON.stringify(standard.jsonSchema.input({ target: 'draft-2020-12' })));
  return nullInEnums(plain) as Record<string, unknown>;
}

/** The kit file as JSON Schema, made from the Joi schema. */
export const kitJsonSchema = async (): Promise<Record<string, unknown>> => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: `Cool Reel kit, version ${VERSION}`,
  description: 'Units are in the key names. Null means unknown, never zero. Unknown keys are kept.',
  ...jsonSchemaOf(await kitSchema()),
});

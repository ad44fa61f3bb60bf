import type Joi from 'joi';
import { problemOf } from '../../kit/problems.ts';
import { problemText } from '../../text/kit/problem.ts';

/** Field errors by path, as the form library names them: `modes.0.rate.Mbps`. */
export type FieldErrors = Record<string, string>;

const TEXTS = [
  'note',
  'name',
  'label',
  'text',
  'warranty',
  'boughtFrom',
  'firmware',
  'sourceNote',
  'group',
  'seller',
  'currency',
];

/** An emptied number field is unknown, which the kit writes as null; `note` and other texts stay as they are. */
export function withoutBlanks(value: unknown, texts: readonly string[] = TEXTS): unknown {
  if (Array.isArray(value)) return value.map((item) => withoutBlanks(item, texts));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [
      key,
      inner === '' && !texts.includes(key) ? null : withoutBlanks(inner, texts),
    ]),
  );
}

/** Validates form values by the kit's own schema; messages come back beside their fields. */
export function fieldErrors(schema: Joi.Schema, values: unknown): FieldErrors {
  const { error } = schema.validate(withoutBlanks(values), { abortEarly: false, convert: false });
  const errors: FieldErrors = {};
  for (const detail of error?.details ?? []) errors[detail.path.join('.')] ??= problemText(problemOf(detail));
  return errors;
}

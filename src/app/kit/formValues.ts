import type Joi from 'joi';
import { problemOf } from '../../kit/problems.ts';
import { problemText } from '../../text/kit/problem.ts';

/** Field errors by path, as the form library names them: `modes.0.rate.Mbps`. */
export type FieldErrors = Record<string, string>;

type Path = readonly (string | number)[];

const CHECK = { abortEarly: false, convert: false } as const;

/** Whether a place is another one or lies in it; the whole is no place. */
const isWithin = (inner: Path, outer: Path): boolean =>
  outer.length > 0 && outer.every((step, at) => step === inner[at]);

const hasBlank = (value: unknown): boolean =>
  value === '' || (value !== null && typeof value === 'object' && Object.values(value).some(hasBlank));

function unblanked(value: unknown, path: Path, isRefused: (path: Path) => boolean): unknown {
  if (value === '') return isRefused(path) ? null : '';
  if (Array.isArray(value)) return value.map((item, at) => unblanked(item, [...path, at], isRefused));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, unblanked(inner, [...path, key], isRefused)]),
  );
}

/**
 * An emptied field is unknown, which the kit writes as null; a text that may be empty stays as it is. Which is which the
 * schema says: it is asked, so that no list of field names has to agree with it.
 */
export function withoutBlanks(value: unknown, schema: Joi.Schema): unknown {
  if (!hasBlank(value)) return value;
  const refused = schema.validate(value, CHECK).error?.details.map(({ path }) => path) ?? [];
  return unblanked(value, [], (path) => refused.some((place) => isWithin(path, place)));
}

/** Validates form values by the kit's own schema; messages come back beside their fields. */
export function fieldErrors(schema: Joi.Schema, values: unknown): FieldErrors {
  const { error } = schema.validate(withoutBlanks(values, schema), CHECK);
  const errors: FieldErrors = {};
  // A high end is compared with the low one; where that is no number, that is what is wrong, and it is said there.
  const details = error?.details.filter(({ type }) => type !== 'any.ref') ?? [];
  for (const detail of details) errors[detail.path.join('.')] ??= problemText(problemOf(detail));
  return errors;
}

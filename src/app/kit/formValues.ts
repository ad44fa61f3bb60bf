import type Joi from 'joi';
import { problemOf } from '../../kit/problems.ts';
import { problemText } from '../../text/kit/problem.ts';

/** Field errors by path, as the form library names them: `modes.0.rate.Mbps`. */
export type FieldErrors = Record<string, string>;

/** What a schema says of itself, as far as it is asked here. */
interface Described {
  readonly type?: string;
  readonly allow?: readonly unknown[];
  readonly keys?: Readonly<Record<string, Described>>;
  readonly items?: readonly Described[];
  readonly matches?: readonly { readonly schema?: Described }[];
}

const described = new WeakMap<Joi.Schema, Described>();

function describe(schema: Joi.Schema): Described {
  const known = described.get(schema) ?? (schema.describe() as Described);
  described.set(schema, known);
  return known;
}

/** The schemas that may hold at a place: several where there is a choice. */
const choices = (at: Described): readonly Described[] => [
  at,
  ...(at.matches ?? []).flatMap(({ schema }) => (schema ? choices(schema) : [])),
];

const under = (at: readonly Described[], step: string | number): readonly Described[] =>
  at
    .flatMap((one) => (typeof step === 'number' ? (one.items ?? []) : (one.keys?.[step] ?? [])))
    .flatMap((one) => choices(one));

const mayStayEmpty = (at: readonly Described[]): boolean => at.some(({ allow }) => allow?.includes('') === true);

function unblanked(value: unknown, at: readonly Described[]): unknown {
  if (value === '') return mayStayEmpty(at) ? '' : null;
  if (Array.isArray(value)) return value.map((item, place) => unblanked(item, under(at, place)));
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, unblanked(inner, under(at, key))]));
}

/** An emptied field is unknown, which the kit writes as null; a text that may be empty by its schema stays as it is. */
export const withoutBlanks = (value: unknown, schema: Joi.Schema): unknown =>
  unblanked(value, choices(describe(schema)));

/** Validates form values by the kit's own schema; messages come back beside their fields. */
export function fieldErrors(schema: Joi.Schema, values: unknown): FieldErrors {
  const { error } = schema.validate(withoutBlanks(values, schema), { abortEarly: false, convert: false });
  const errors: FieldErrors = {};
  for (const detail of error?.details ?? []) errors[detail.path.join('.')] ??= problemText(problemOf(detail));
  return errors;
}

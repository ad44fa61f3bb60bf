import Joi from 'joi';

type Known<T> = Exclude<T, null | undefined>;
type KeysOf<T> = T extends unknown ? keyof T : never;
type At<T, K> = T extends unknown ? (K extends keyof T ? T[K] : never) : never;

/** The schema that a value of a type must have; what may be null or missing is for the schema to say. */
export type SchemaOf<T> = [Known<T>] extends [string]
  ? Joi.StringSchema<Known<T>>
  : [Known<T>] extends [number]
    ? Joi.NumberSchema<Known<T>>
    : [Known<T>] extends [boolean]
      ? Joi.BooleanSchema<Known<T>>
      : [Known<T>] extends [readonly unknown[]]
        ? Joi.ArraySchema<Known<T>>
        : Joi.ObjectSchema<Known<T>>;

/** A schema for every key that any member of a type has: one too many or too few does not compile. */
type ShapeOf<T> = { readonly [K in KeysOf<T>]-?: SchemaOf<At<T, K>> };

/** An object of a type of the core; unknown keys are kept. */
export const objectOf = <T extends object>(shape: ShapeOf<T>): Joi.ObjectSchema<T> =>
  (Joi.object(shape) as Joi.ObjectSchema<T>).unknown(true);

/** A list of one kind of thing. */
export const listOf = <T>(item: SchemaOf<T>): Joi.ArraySchema<readonly T[]> =>
  Joi.array().items(item) as Joi.ArraySchema<readonly T[]>;

/** One word of a closed list of them. */
export const oneOf = <T extends string>(words: readonly T[]): Joi.StringSchema<T> =>
  Joi.string().valid(...words) as Joi.StringSchema<T>;

/** What a text is, so that a refusal of it is put into words that fit: whatever the field is called. */
const TEXT_KINDS = ['date', 'clock', 'key', 'text'] as const;
export type TextKind = (typeof TEXT_KINDS)[number];

/** Labels are what a refusal carries of its schema; no key begins so. */
const KIND = '#';

/** A text of one kind. */
export const ofKind = <S extends Joi.StringSchema>(kind: TextKind, schema: S): S => schema.label(`${KIND}${kind}`) as S;

/** The kind that a schema was given, by the label that its refusals carry; null where it has none. */
export const kindOf = (label: unknown): TextKind | null =>
  TEXT_KINDS.find((kind) => label === `${KIND}${kind}`) ?? null;

/** Null where it is not known, and where it is missing. */
export const orNull = <S extends Joi.AnySchema>(schema: S): S => schema.allow(null).default(null) as S;

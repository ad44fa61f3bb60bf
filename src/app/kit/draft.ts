import type Joi from 'joi';
import { withoutBlanks } from './formValues.ts';

/** An entry while it is typed: where it has a number, the field may be empty or hold no number yet. */
export type Draft<T> = T extends number
  ? number | string
  : T extends readonly (infer U)[]
    ? readonly Draft<U>[]
    : T extends object
      ? { readonly [K in keyof T]: Draft<T[K]> }
      : T;

/** An entry as a draft of itself: whatever is stored can be typed on. */
export const drafted = <T>(item: T): Draft<T> => item as Draft<T>;

/**
 * A draft as the core reads it: an emptied number is unknown. What is no number yet stays as it was typed; the schema tells
 * of it before anything is stored, and the core takes it for none.
 *
 * @param schema - of the entry: it says which texts may stay empty
 */
export const settled = <T>(draft: Draft<T>, schema: Joi.Schema): T => withoutBlanks(draft, schema) as T;

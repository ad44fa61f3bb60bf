import Joi from 'joi';
import { id } from './parts.ts';

/** Anything a later version or another program put into the file; kept as it came. */
export type Extra = Readonly<Record<string, unknown>>;

/** An entry of a list that this version keeps and does not read yet. */
export type Loose = Extra & { readonly id: string };

export const schema: Joi.ObjectSchema<Loose> = Joi.object<Loose>({ id }).unknown(true);

import Joi from 'joi';

/** Parts of answers: every key is there, unknown numbers are null, nothing else is added. */
export const number = Joi.number().unsafe().required();
export const numberOrNull = Joi.number().unsafe().allow(null).required();
export const text = Joi.string().required();
export const textOrNull = Joi.string().allow(null).required();
export const oneOf = (words: readonly string[]) => Joi.valid(...words).required();
export const oneOrNull = (words: readonly string[]) =>
  Joi.string()
    .valid(...words)
    .allow(null)
    .required();
export const list = (items: Joi.Schema) => Joi.array().items(items.optional()).required();
export const object = (keys: Record<string, Joi.Schema>) => Joi.object(keys).required();
export const objectOrNull = (keys: Record<string, Joi.Schema>) => Joi.object(keys).allow(null).required();

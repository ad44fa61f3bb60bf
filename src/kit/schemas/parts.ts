import Joi from 'joi';
import { figureLimit } from '../../core/heat/writepath/figureLimit.ts';
import { type BodyFigure, type CardFigure, FIGURE_BASES, MAX_NAME, type OwnFigure } from '../../core/kit/model.ts';
import { RANGES, type Range } from '../../core/kit/ranges.ts';
import { objectOf, oneOf } from './shape.ts';

/** Pieces that the schemas of the lists share, with the ranges that hold wherever such a thing stands. */
export const MAX_MBPS = 8_000_000;
/** Fastest card or body believed, MB/s. */
export const MAX_RATE_MBPS = 1_000_000;
/** Largest card believed, GB. */
export const MAX_GB = 1_000_000;

export const id = Joi.string().min(1).max(64).required();
/** The id of a thing elsewhere in the kit. */
export const otherId = Joi.string().min(1).max(64);
/** Something to read; blanks alone are no name. */
export const name = Joi.string().pattern(/\S/).max(MAX_NAME).required();
export const text = (max: number): Joi.StringSchema => Joi.string().allow('', null).max(max);
export const note = text(2000);
export const isoDate = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}/)
  .max(40);
export const amount = (max: number): Joi.NumberSchema => Joi.number().greater(0).max(max);
/** A number in a range, both ends allowed. */
export const within = ({ min, max }: Range): Joi.NumberSchema => Joi.number().min(min).max(max);
/** Degrees Celsius. */
export const temperature = within(RANGES.temperatureC);

type FigureKey = BodyFigure | CardFigure;

const figure = (key: FigureKey): Joi.ObjectSchema<OwnFigure> => {
  const allowed = within(figureLimit(key));
  return objectOf<OwnFigure>({
    value: allowed.required(),
    basis: oneOf(FIGURE_BASES).required(),
    low: allowed.allow(null),
    high: allowed.allow(null),
  }).allow(null);
};

type Figures<K extends string> = { readonly [key in K]?: OwnFigure | null };

export const figures = <K extends FigureKey>(keys: readonly K[]): Joi.ObjectSchema<Figures<K>> =>
  // Built key by key, which the compiler cannot follow: every figure has the one schema.
  (Joi.object(Object.fromEntries(keys.map((key) => [key, figure(key)]))) as Joi.ObjectSchema<Figures<K>>).unknown(true);

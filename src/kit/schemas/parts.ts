import Joi from 'joi';
import { figureLimit } from '../../core/heat/writepath/figureLimit.ts';
import { type BodyFigure, type CardFigure, FIGURE_BASES, MAX_NAME, type OwnFigure } from '../../core/kit/model.ts';
import { PRESS_KEY } from '../../core/kit/plan.ts';
import { RANGES, type Range } from '../../core/kit/ranges.ts';
import { ISO_DATE, isIsoDate } from '../../core/units/date.ts';
import { objectOf, ofKind, oneOf } from './shape.ts';

/** Pieces that the schemas of the lists share, with the ranges that hold wherever such a thing stands. */
export const MAX_MBPS = 8_000_000;
/** Fastest card or body believed, MB/s. */
export const MAX_RATE_MBPS = 1_000_000;
/** Largest card believed, GB. */
export const MAX_GB = 1_000_000;

export const id = Joi.string().min(1).max(64).required();
/** The id of a thing elsewhere in the kit. */
export const otherId = Joi.string().min(1).max(64);
/** What a press is called: letters or digits, so few that codes stay short. */
export const pressKey = ofKind('key', Joi.string().pattern(new RegExp(`^[0-9a-z]{${PRESS_KEY}}$`)));
/** Something to read: blanks alone are none. */
const said = ofKind('text', Joi.string().pattern(/\S/));
/** A name: something to read. */
export const name = said.max(MAX_NAME).required();
export const saidText = (max: number): Joi.StringSchema => said.max(max);
export const text = (max: number): Joi.StringSchema => Joi.string().allow('', null).max(max);
export const note = text(2000);
/** A day that exists, or a moment of one: 2027-05-10, 2027-05-10T09:41:00+02:00. */
export const isoDate = ofKind(
  'date',
  Joi.string()
    .pattern(ISO_DATE)
    .max(40)
    .custom((value: string, { error }) => (isIsoDate(value) ? value : error('string.pattern.base'))),
);
/** A day alone, in its own form; whether it exists is asked where it is planned. */
export const dayAlone = ofKind('date', Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/));
/** A time of day: 00:00 to 23:59. */
export const clockTime = ofKind('clock', Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/));
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

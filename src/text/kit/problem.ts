import type { Problem } from '../../kit/problems.ts';
import { fieldName } from './fields.ts';

/** Said of a field that is not known. */
export const unknownFieldText = (what: string): string => `${what} is no field of this. Check its spelling and case.`;

/** A refusal of the schema in plain words: what, and what to do. */
export function problemText({ field, rule, limit, allowed }: Problem): string {
  const what = field === null ? 'What was given' : fieldName(field);
  switch (rule) {
    case 'any.required':
    case 'any.invalid':
      return `${what} is missing.`;
    case 'string.pattern.base':
      if (/date|On$|since/.test(field ?? '')) return `${what} must be a date: 2026-05-04.`;
      return `${what} is empty. Enter at least one character.`;
    case 'string.empty':
      return `${what} is empty. Enter at least one character.`;
    case 'number.base':
      return `${what} must be a number.`;
    case 'number.infinity':
    case 'number.unsafe':
      return `${what} is larger than can be worked with. Check the unit.`;
    case 'number.greater':
      return `${what} must be above ${limit}.`;
    case 'number.min':
      return limit === null ? `${what}: the high end lies below the low one.` : `${what} must be at least ${limit}.`;
    case 'number.max':
      return `${what} must be at most ${limit?.toLocaleString('en')}. Check the unit.`;
    case 'number.integer':
      return `${what} must be a whole number.`;
    case 'string.max':
      return `${what} is longer than ${limit} characters.`;
    case 'string.base':
      return `${what} must be text.`;
    case 'any.only':
      return `${what} must be one of: ${allowed.join(', ')}.`;
    case 'array.base':
      return `${what} must be a list.`;
    case 'array.min':
      return `${what} needs at least ${limit}.`;
    case 'array.max':
      return `${what} holds more than ${limit}.`;
    case 'array.length':
    case 'array.orderedLength':
      return `${what} needs a low and a high end.`;
    case 'array.unique':
      return `This id stands twice. Give one of the two another id.`;
    case 'object.unknown':
      return unknownFieldText(what);
    case 'object.base':
      return `${what} must be an object.`;
    default:
      return `${what} is not as it should be (${rule}).`;
  }
}

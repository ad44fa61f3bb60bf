import type { Problem } from '../../kit/problems.ts';
import type { TextKind } from '../../kit/schemas/shape.ts';
import { fieldName } from './fields.ts';

/** Said of a field that is not known. */
export const unknownFieldText = (what: string): string => `${what} is no field of this. Check its spelling and case.`;

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What a text of each kind is called, and how it is written. */
const KINDS: Readonly<Record<TextKind, { readonly is: string; readonly write: string }>> = {
  date: { is: 'no day that exists', write: 'write it as 2026-05-04' },
  clock: { is: 'no time of day', write: 'write 00:00 to 23:59' },
  key: { is: 'no name of a press', write: 'write six letters or digits' },
  text: { is: 'empty', write: 'enter at least one character' },
};

/** A refusal of a text whose schema says what it should be; null where it is refused for another reason. */
function kindText(what: string, { kind, rule, given }: Problem): string | null {
  if (kind === null || rule === 'string.max' || rule === 'any.required') return null;
  const { is, write } = KINDS[kind];
  const isBlank = given === null || given.trim() === '';
  if (kind === 'text') return `${what} is ${is}. ${capital(write)}.`;
  return isBlank ? `${what} is missing: ${write}.` : `${what}: “${given}” is ${is}; ${write}.`;
}

/** Whether a limit is one of an amount with a unit: only there can the unit be what is wrong. */
const hasUnit = (field: string | null): boolean => /(?:[kKMGT]?[Bb](?:ps)?|fps|Hz|C|W|PerK|KPerW)$/.test(field ?? '');

/** A refusal of the schema in plain words: what, and what to do. */
export function problemText(problem: Problem): string {
  const { field, rule, limit, allowed, given } = problem;
  const what = field === null ? 'What was given' : fieldName(field);
  const checkUnit = hasUnit(field) ? ' Check the unit.' : '';
  const byKind = kindText(what, problem);
  if (byKind !== null) return byKind;
  switch (rule) {
    case 'any.required':
    case 'any.invalid':
      return `${what} is missing.`;
    case 'string.empty':
      return `${what} is empty. Enter at least one character.`;
    case 'number.base':
      if (given === null || given.trim() === '') return `${what} is missing: enter a number.`;
      return `${what} must be a number, as 12.5, not “${given}”.`;
    // Its low end is what it is compared with, and has a message of its own.
    case 'any.ref':
      return `${what}: its low end is no number, so the high one has nothing to be above.`;
    case 'number.infinity':
    case 'number.unsafe':
      return `${what} is larger than can be worked with.${checkUnit}`;
    case 'number.greater':
      return `${what} must be above ${limit}.`;
    case 'number.min':
      return limit === null ? `${what}: the high end lies below the low one.` : `${what} must be at least ${limit}.`;
    case 'number.max':
      return `${what} must be at most ${limit?.toLocaleString('en')}.${checkUnit}`;
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
      return `${what} has too many entries. Keep at most ${limit}.`;
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
      return given === null
        ? `${what} is not what it should be (${rule}).`
        : `${what}: “${given}” is not what it should be (${rule}).`;
  }
}

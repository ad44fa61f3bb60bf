import type Joi from 'joi';

/** One thing wrong with a kit, with its place as a path (`cards[3].capacityGB`) and what to do. */
export interface Problem {
  readonly path: string;
  readonly message: string;
}

const FIELDS: Readonly<Record<string, string>> = {
  label: 'Label',
  name: 'Name',
  capacityGB: 'Capacity',
  usableGB: 'Usable capacity',
  marks: 'Marks',
  form: 'Form',
  bus: 'Bus',
  readMBps: 'Read speed',
  writeMBps: 'Write speed',
  sustainedMBps: 'Sustained write',
  cacheGB: 'Fast cache',
  arrangement: 'Arrangement',
  bufferMB: 'Buffer',
  ceilingMBps: 'Ceiling inside the body',
  accepts: 'Card forms',
  promisedMaxGB: 'Promised maximum',
  fps: 'Frame rate',
  captureFps: 'Capture speed',
  width: 'Width',
  height: 'Height',
  Mbps: 'Rate',
  ratio: 'Ratio',
  bitsPerPixel: 'Bits per pixel',
  bytesPerFrame: 'Bytes per frame',
  fixedMbps: 'Fixed rate beside the picture',
  perFrameKB: 'Data with every frame',
  headroom: 'Headroom',
  price: 'Price',
  boughtOn: 'Bought on',
  date: 'Date',
  writtenGB: 'Written so far',
  minutes: 'Minutes',
  seconds: 'Seconds',
  anyOf: 'The list of marks',
};

export const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : String(part)),
    '',
  );

const fieldName = (path: readonly (string | number)[]): string => {
  const last = [...path].reverse().find((part) => typeof part === 'string');
  return last === undefined ? 'What was given' : (FIELDS[last] ?? `“${last}”`);
};

/** A refusal of the schema in plain words: what, and what to do. */
export function problemMessage({ type, path, context }: Joi.ValidationErrorItem): string {
  const what = fieldName(path);
  const limit = context?.limit as number | undefined;
  switch (type) {
    case 'any.required':
    case 'any.invalid':
      return `${what} is missing.`;
    case 'string.pattern.base':
      if (/date|On$/.test(String(path.at(-1)))) return `${what} must be a date: 2026-05-04.`;
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
      return `${what} must be at least ${limit}.`;
    case 'number.max':
      return `${what} must be at most ${limit?.toLocaleString('en')}. Check the unit.`;
    case 'number.integer':
      return `${what} must be a whole number.`;
    case 'string.max':
      return `${what} is longer than ${limit} characters.`;
    case 'string.base':
      return `${what} must be text.`;
    case 'any.only':
      return `${what} must be one of: ${(context?.valids as readonly unknown[] | undefined)?.filter((value) => value !== null).join(', ')}.`;
    case 'array.base':
      return `${what} must be a list.`;
    case 'array.min':
      return `${what} needs at least ${limit}.`;
    case 'array.max':
      return `${what} holds more than ${limit}.`;
    case 'array.unique':
      return `This id stands twice. Give one of the two another id.`;
    case 'object.unknown':
      return `${what} is no field of this. Check its spelling and case.`;
    case 'object.base':
      return `${what} must be an object.`;
    default:
      return `${what} is not as it should be (${type}).`;
  }
}

/** One problem a place: the first says enough. */
export function problemsOf(error: Joi.ValidationError): readonly Problem[] {
  const byPath = new Map<string, Problem>();
  for (const detail of error.details) {
    const path = pathText(detail.path);
    if (!byPath.has(path)) byPath.set(path, { path, message: problemMessage(detail) });
  }
  return [...byPath.values()];
}

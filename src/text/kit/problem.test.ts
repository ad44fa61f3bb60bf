import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { COLLECTIONS, LISTS } from '../../kit/collections.ts';
import { problemOf } from '../../kit/problems.ts';
import { clockTime, isoDate, name } from '../../kit/schemas/parts.ts';
import { kindOf } from '../../kit/schemas/shape.ts';
import { placeName } from './fields.ts';
import { problemText } from './problem.ts';

/** What is said of a value at a key of some name. */
function said(key: string, schema: Joi.Schema, value: unknown): string {
  const [detail] = Joi.object({ [key]: schema }).validate({ [key]: value }, { convert: false }).error?.details ?? [];
  return detail ? problemText(problemOf(detail)) : 'taken';
}

describe('a text that is refused is told by what it should be, whatever its field is called', () => {
  it.each([
    ['start', clockTime, '25:00', 'Start: “25:00” is no time of day; write 00:00 to 23:59.'],
    ['from', clockTime, '9', 'From: “9” is no time of day; write 00:00 to 23:59.'],
    ['from', clockTime, '', 'From is missing: write 00:00 to 23:59.'],
    ['start', clockTime, null, 'Start is missing: write 00:00 to 23:59.'],
    ['looked', isoDate, '24.6.', 'Looked at: “24.6.” is no day that exists; write it as 2026-05-04.'],
    ['since', isoDate, '2026-02-30', 'In use since: “2026-02-30” is no day that exists; write it as 2026-05-04.'],
    ['name', name, '   ', 'Name is empty. Enter at least one character.'],
    ['dateline', name, '', '“dateline” is empty. Enter at least one character.'],
  ] as const)('%s %s', (key, schema, value, text) => {
    expect(said(key, schema, value)).toBe(text);
  });

  it('the unit is only doubted where there is one', () => {
    expect(said('readMBps', Joi.number().max(10), 11)).toBe('Read speed must be at most 10. Check the unit.');
    expect(said('count', Joi.number().max(10), 11)).toBe('Number of copies must be at most 10.');
  });
});

describe('the name of a place', () => {
  const body = {
    name: 'Wherry',
    modes: [{ name: '4K intra', rate: { Mbps: -1 } }, { name: ' ' }],
    slots: [{ label: 'Left' }],
  };

  it.each([
    ['capacityGB', 'Capacity'],
    ['modes.0.rate.Mbps', '4K intra: Rate'],
    ['modes.1.fps', 'Mode 2: Frame rate'],
    ['modes.7.fps', 'Mode 8: Frame rate'],
    ['slots.0.bus', 'Left: Bus'],
    ['marks.3', 'Marks'],
    ['0', '“0”'],
  ])('%s is %s', (path, name) => {
    expect(placeName(path, body)).toBe(name);
  });

  it('of an entry that is none is its field', () => {
    expect(placeName('modes.0.fps', null)).toBe('Mode 1: Frame rate');
  });
});

interface Described {
  readonly type?: string;
  readonly flags?: { readonly label?: string };
  readonly rules?: readonly { readonly name: string }[];
  readonly keys?: Readonly<Record<string, Described>>;
  readonly items?: readonly Described[];
  readonly matches?: readonly { readonly schema: Described }[];
  readonly patterns?: readonly { readonly rule: Described }[];
}

/** Texts with a pattern and no kind, by their way through a schema. */
function kindless(at: Described, path: string): readonly string[] {
  const hasPattern = at.type === 'string' && at.rules?.some((rule) => rule.name === 'pattern') === true;
  return [
    ...(hasPattern && kindOf(at.flags?.label) === null ? [path] : []),
    ...Object.entries(at.keys ?? {}).flatMap(([key, inner]) => kindless(inner, `${path}.${key}`)),
    ...(at.items ?? []).flatMap((inner) => kindless(inner, `${path}[]`)),
    ...(at.matches ?? []).flatMap((one) => (one.schema ? kindless(one.schema, path) : [])),
    ...(at.patterns ?? []).flatMap(({ rule }) => kindless(rule, `${path}.*`)),
  ];
}

it('every text of the kit that must look some way says what it is', async () => {
  const all = await Promise.all(
    LISTS.map(async (list) => kindless((await COLLECTIONS[list].schema()).schema.describe() as Described, list)),
  );
  expect(all.flat()).toEqual([]);
});

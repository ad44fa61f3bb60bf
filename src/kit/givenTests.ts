import Joi from 'joi';
import type { Body, Card, Mode, Print, Test } from '../core/kit/model.ts';
import { MAX_NAME } from '../core/kit/model.ts';
import { err, ok, type Result } from '../core/result.ts';
import { forbiddenKey, jsonRefusal, type KitRefusal, nesting } from './importKit.ts';
import { problemsOf } from './problems.ts';
import { amount, MAX_MBPS, name, text } from './schemas/parts.ts';
import { printSchema, takeGiven } from './schemas/report.ts';
import { listOf, objectOf, orNull } from './schemas/shape.ts';

/** What a file of given tests begins with. */
const TESTS_FORMAT = 'cool-reel-tests';
const TESTS_VERSION = 1;
/** Most tests in one file, and most characters. */
const MAX_GIVEN = 2000;
const MAX_TEXT = 4_000_000;
const MAX_DEPTH = 12;

/** A mode as it is named to somebody else. */
export interface GivenMode {
  readonly name: string;
  /** Recorded frames a second, or those captured where they differ. */
  readonly fps: number;
}

/** One take as it is given away. */
export interface GivenTake extends Pick<Test, 'end' | 'seconds' | 'clipGB' | 'ambientWithSunC' | 'firmware' | 'start'> {
  readonly mode: GivenMode;
  readonly print: Print;
  readonly writtenMBps: number;
  /** Null where the giver keeps it. */
  readonly date: string | null;
  readonly label: string | null;
}

/** Tests of one body, as a file. */
export interface GivenTests {
  readonly format: typeof TESTS_FORMAT;
  readonly version: typeof TESTS_VERSION;
  /** Who gives them; null where they do not say. */
  readonly from: string | null;
  readonly body: { readonly name: string };
  readonly tests: readonly GivenTake[];
}

const schema = objectOf<GivenTests>({
  format: Joi.string().valid(TESTS_FORMAT).required() as Joi.StringSchema<typeof TESTS_FORMAT>,
  version: Joi.number().valid(TESTS_VERSION).required() as Joi.NumberSchema<typeof TESTS_VERSION>,
  from: orNull(text(120)),
  body: objectOf<GivenTests['body']>({ name }).required(),
  tests: listOf<GivenTake>(
    objectOf<GivenTake>({
      mode: objectOf<GivenMode>({ name, fps: amount(MAX_MBPS).required() }).required(),
      print: printSchema.required(),
      label: orNull(text(MAX_NAME)),
      ...takeGiven,
    }),
  )
    .min(1)
    .max(MAX_GIVEN)
    .required(),
});

/** What the giver wants said beside the takes themselves. */
export interface GiveWishes {
  readonly from: string;
  readonly dates: boolean;
  readonly labels: boolean;
}

const printOf = ({ form, capacityGB, marks, bus, readMBps, writeMBps }: Card): Print => ({
  form,
  capacityGB,
  marks,
  bus,
  readMBps,
  writeMBps,
});

const givenMode = ({ name, fps, captureFps }: Mode): GivenMode => ({ name, fps: captureFps ?? fps });

/**
 * Tests of one body as somebody else may have them: without labels, dates and names unless they are wanted, and never with
 * a note. A take whose mode, card or rate is gone cannot be told and stays.
 */
export function givenTests(body: Body, cards: readonly Card[], tests: readonly Test[], wishes: GiveWishes): GivenTests {
  const takes = tests.flatMap((test): readonly GivenTake[] => {
    const mode = body.modes.find(({ id }) => id === test.modeId);
    const card = cards.find(({ id }) => id === test.cardId);
    if (test.bodyId !== body.id || !mode || !card || test.writtenMBps === null || !(test.seconds > 0)) return [];
    const { end, seconds, clipGB = null, ambientWithSunC = null, firmware = null, start = null, writtenMBps } = test;
    return [
      {
        mode: givenMode(mode),
        print: printOf(card),
        label: wishes.labels ? card.label : null,
        end,
        seconds,
        writtenMBps,
        clipGB,
        ambientWithSunC,
        firmware,
        start,
        date: wishes.dates ? test.date : null,
      },
    ];
  });
  return {
    format: TESTS_FORMAT,
    version: TESTS_VERSION,
    from: wishes.from.trim() || null,
    body: { name: body.name },
    tests: takes,
  };
}

/** Reads a file of given tests; nothing is repaired silently. */
export function readGivenTests(given: string): Result<GivenTests, KitRefusal> {
  if (given.length > MAX_TEXT) return err({ code: 'too-large', length: given.length, max: MAX_TEXT });
  if (nesting(given) > MAX_DEPTH) return err({ code: 'too-deep', max: MAX_DEPTH });
  const withoutMark = given.charCodeAt(0) === 0xfeff ? given.slice(1) : given;
  let value: unknown;
  try {
    value = JSON.parse(withoutMark);
  } catch {
    return err(jsonRefusal(withoutMark));
  }
  const forbidden = forbiddenKey(value, '');
  if (forbidden) return err(forbidden);
  const { format } = (value ?? {}) as { readonly format?: unknown };
  if (format !== TESTS_FORMAT) return err({ code: 'not-a-kit' });
  const checked = schema.validate(value, { abortEarly: false, convert: false });
  if (!checked.error) return ok(checked.value);
  const problems = problemsOf(checked.error);
  return err({ code: 'invalid', problems: problems.slice(0, 20), more: Math.max(0, problems.length - 20) });
}

/** The mode of one's own body that a given one is: by name and speed; null: the person is asked. */
export function modeFor({ name: wanted, fps }: GivenMode, body: Body): Mode | null {
  const key = wanted.trim().toLowerCase();
  return body.modes.find((mode) => mode.name.trim().toLowerCase() === key && givenMode(mode).fps === fps) ?? null;
}

import type Joi from 'joi';
import { kindOf, type TextKind } from './schemas/shape.ts';

/** Most characters of what was given that are told again. */
const SHOWN = 40;

/** One thing wrong with an entry, as codes: its place as a path (`cards[3].capacityGB`) and the rule that it breaks. */
export interface Problem {
  readonly path: string;
  /** The key it stands at; null at the root. */
  readonly field: string | null;
  /** Joi’s own name of the rule: `number.greater`, `any.required` … */
  readonly rule: string;
  readonly limit: number | null;
  /** The words that are allowed, where there is a closed list of them. */
  readonly allowed: readonly string[];
  /** What the text should be, as its schema says; null where it says nothing. */
  readonly kind: TextKind | null;
  /** What stands there, cut to what can be shown; null where nothing does. */
  readonly given: string | null;
}

const pathText = (path: readonly (string | number)[]): string =>
  path.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : String(part)),
    '',
  );

/** A refusal of the schema without words. */
export function problemOf({ type, path, context }: Joi.ValidationErrorItem): Problem {
  const allowed = (context?.valids as readonly unknown[] | undefined) ?? [];
  return {
    path: pathText(path),
    field: fieldOf(path),
    rule: type,
    limit: typeof context?.limit === 'number' ? context.limit : null,
    allowed: allowed.filter((value) => value !== null).map(String),
    kind: kindOf(context?.label),
    given: givenText(context?.value),
  };
}

function givenText(value: unknown): string | null {
  if (value === null || value === undefined) return null;
  return (typeof value === 'string' ? value : (JSON.stringify(value) ?? String(value))).slice(0, SHOWN);
}

const fieldOf = (path: readonly (string | number)[]): string | null =>
  [...path].reverse().find((part): part is string => typeof part === 'string') ?? null;

/** One problem a place: the first says enough. */
export function problemsOf(error: Joi.ValidationError): readonly Problem[] {
  const byPath = new Map<string, Problem>();
  for (const detail of error.details) {
    const problem = problemOf(detail);
    if (!byPath.has(problem.path)) byPath.set(problem.path, problem);
  }
  return [...byPath.values()];
}

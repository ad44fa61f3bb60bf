import { stableText } from './stableText.ts';

/** One step into a value: a key of an object, or the entry of a list by its id. */
export type Step = string | { readonly id: string };

/** One place that changed. `undefined` stands for missing. */
export interface FieldChange {
  readonly path: readonly Step[];
  readonly from: unknown;
  readonly to: unknown;
  /** For an entry that comes into a list: the id it stands behind; null: at the front. */
  readonly behind?: string | null;
}

type Plain = Readonly<Record<string, unknown>>;
type Entry = Plain & { readonly id: string };

const isPlain = (value: unknown): value is Plain =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

/** A list whose entries are known by their ids, each id once. */
function entriesOf(value: unknown): readonly Entry[] | null {
  if (!Array.isArray(value)) return null;
  const ids = new Set<string>();
  for (const entry of value) {
    if (!isPlain(entry) || typeof entry.id !== 'string' || ids.has(entry.id)) return null;
    ids.add(entry.id);
  }
  return value as readonly Entry[];
}

export const isSameValue = (a: unknown, b: unknown): boolean => a === b || stableText(a) === stableText(b);

/** Whether the entries that both lists hold stand in one order: a moved entry is a change of the list as a whole. */
function sameOrder(from: readonly Entry[], to: readonly Entry[]): boolean {
  const [left, right] = [new Set(from.map(({ id }) => id)), new Set(to.map(({ id }) => id))];
  const kept = from.filter(({ id }) => right.has(id));
  const common = to.filter(({ id }) => left.has(id));
  return kept.every(({ id }, at) => common[at]?.id === id);
}

function entryChanges(from: readonly Entry[], to: readonly Entry[], path: readonly Step[]): readonly FieldChange[] {
  const old = new Map(from.map((entry) => [entry.id, entry]));
  const now = new Map(to.map((entry) => [entry.id, entry]));
  const here = (id: string): readonly Step[] => [...path, { id }];
  const gone = from.flatMap((entry, at) =>
    now.has(entry.id) ? [] : [{ path: here(entry.id), from: entry, to: undefined, behind: from[at - 1]?.id ?? null }],
  );
  const rest = to.flatMap((entry, at): readonly FieldChange[] => {
    const before = old.get(entry.id);
    return before
      ? changesBetween(before, entry, here(entry.id))
      : [{ path: here(entry.id), from: undefined, to: entry, behind: to[at - 1]?.id ?? null }];
  });
  return [...gone, ...rest];
}

/**
 * What changed between two values, place by place: into objects by key, into lists of entries with ids by id; any other
 * list is one value. A key that is missing and one that is null are two things; one that is undefined is missing.
 */
export function changesBetween(from: unknown, to: unknown, path: readonly Step[] = []): readonly FieldChange[] {
  if (isSameValue(from, to)) return [];
  const [left, right] = [entriesOf(from), entriesOf(to)];
  if (left && right && sameOrder(left, right)) return entryChanges(left, right, path);
  if (!isPlain(from) || !isPlain(to)) return [{ path, from, to }];
  const keys = [...new Set([...Object.keys(from), ...Object.keys(to)])];
  return keys.flatMap((key) => changesBetween(from[key], to[key], [...path, key]));
}

/** The same changes, the other way. */
export const reversed = (changes: readonly FieldChange[]): readonly FieldChange[] =>
  changes.map(({ path, from, to, ...rest }) => ({ path, from: to, to: from, ...rest }));

const stepInto = (value: unknown, step: Step): unknown =>
  typeof step === 'string'
    ? isPlain(value)
      ? value[step]
      : undefined
    : entriesOf(value)?.find(({ id }) => id === step.id);

/** A value with one place of it replaced; null where the way there is gone. */
function placed(value: unknown, [step, ...rest]: readonly Step[], to: unknown, behind?: string | null): unknown {
  if (step === undefined) return to;
  if (typeof step === 'string') {
    if (!isPlain(value)) return null;
    const { [step]: before, ...others } = value;
    const inner = rest.length === 0 ? to : placed(before, rest, to, behind);
    if (inner === undefined) return others;
    // In its place where it had one: the order of keys is the order of the file.
    return step in value ? { ...value, [step]: inner } : { ...others, [step]: inner };
  }
  const entries = entriesOf(value);
  if (!entries) return null;
  const at = entries.findIndex(({ id }) => id === step.id);
  if (at < 0) {
    const after = entries.findIndex(({ id }) => id === behind);
    return entries.toSpliced(behind === null ? 0 : after < 0 ? entries.length : after + 1, 0, to as Entry);
  }
  const inner = rest.length === 0 ? to : placed(entries[at], rest, to, behind);
  return inner === undefined ? entries.toSpliced(at, 1) : entries.with(at, inner as Entry);
}

/** A value with changes made, and those that something newer stood in the way of. */
export interface Patched<T> {
  readonly value: T;
  readonly blocked: readonly FieldChange[];
}

/** Makes each change only where the place still holds what the change began from. */
export function withChanges<T>(value: T, changes: readonly FieldChange[]): Patched<T> {
  let now: unknown = value;
  const blocked: FieldChange[] = [];
  for (const change of changes) {
    const { path, from, to, behind } = change;
    const owner = path.slice(0, -1).reduce(stepInto, now);
    const last = path.at(-1);
    const found = last === undefined ? now : stepInto(owner, last);
    const hasOwner = last === undefined || (typeof last === 'string' ? isPlain(owner) : entriesOf(owner) !== null);
    if (hasOwner && isSameValue(found, from)) now = placed(now, path, to, behind);
    else if (!(hasOwner && isSameValue(found, to))) blocked.push(change);
  }
  return { value: now as T, blocked };
}

import { changesBetween, type FieldChange, type Step, withChanges } from '../../kit/patch.ts';

/** One field that two people changed apart, or one of them alone. */
export interface Disagreement {
  readonly path: readonly Step[];
  /** As both began. */
  readonly before: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
  /** Who changed it. */
  readonly by: 'me' | 'them' | 'both';
}

const keyOf = (path: readonly Step[]): string => JSON.stringify(path);
const startsWith = (path: readonly Step[], other: readonly Step[]): boolean =>
  keyOf(path.slice(0, other.length)) === keyOf(other);

/** Changes of both sides that touch one place, met at the shorter of their two ways. */
const meeting = (own: readonly FieldChange[], others: readonly FieldChange[]): readonly (readonly Step[])[] =>
  own.map(({ path }) => others.find((other) => startsWith(path, other.path))?.path ?? path);

function valueAt(value: unknown, path: readonly Step[]): unknown {
  return path.reduce<unknown>((inner, step) => {
    if (inner === null || typeof inner !== 'object') return undefined;
    if (typeof step === 'string') return (inner as Readonly<Record<string, unknown>>)[step];
    return Array.isArray(inner) ? inner.find((entry: { readonly id?: unknown }) => entry?.id === step.id) : undefined;
  }, value);
}

/** Where two changes of one entry differ, field by field. Fields that both changed alike are no disagreement. */
export function disagreements(before: unknown, mine: unknown, theirs: unknown): readonly Disagreement[] {
  const [own, other] = [changesBetween(before, mine), changesBetween(before, theirs)];
  const paths = new Map([...meeting(own, other), ...meeting(other, own)].map((path) => [keyOf(path), path]));
  const changed = (side: readonly FieldChange[], path: readonly Step[]): boolean =>
    side.some((change) => startsWith(change.path, path));
  return [...paths.values()].flatMap((path): readonly Disagreement[] => {
    const values = { before: valueAt(before, path), mine: valueAt(mine, path), theirs: valueAt(theirs, path) };
    if (changesBetween(values.mine, values.theirs).length === 0) return [];
    const [byMe, byThem] = [changed(own, path), changed(other, path)];
    return [{ path, ...values, by: byMe && byThem ? 'both' : byMe ? 'me' : 'them' }];
  });
}

/**
 * The entry as it was chosen, field by field.
 *
 * @param theirs - the entry as it stands now
 * @param mine - for each disagreement, whether mine is taken
 */
export function chosen<T>(theirs: T, all: readonly Disagreement[], mine: readonly boolean[]): T {
  const changes = all.flatMap((one, at): readonly FieldChange[] =>
    mine[at] ? [{ path: one.path, from: one.theirs, to: one.mine }] : [],
  );
  return withChanges(theirs, changes).value;
}

/** A value, or the reason there is none. Refusals are values so that they survive a worker boundary whole. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E };

/** A value that is there. */
export const ok = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** The reason why there is none. */
export const err = <E>(error: E): { readonly ok: false; readonly error: E } => ({
  ok: false,
  error,
});

/** Ends a switch over a closed union; reached only through a bug, so it throws. */
export function assertNever(value: never): never {
  throw new Error(`Unhandled case: ${JSON.stringify(value)}`);
}

/** Work in small steps, so that a worker hears a wish to stop between two of them. Each step tells the share done, 0 to 1. */
export type Steps<T> = Generator<number, T, void>;

/** A part of a longer work: its shares told as shares of the whole, between two of them. */
export function* within<T>(from: number, to: number, steps: Steps<T>): Steps<T> {
  for (let next = steps.next(); ; next = steps.next()) {
    if (next.done) return next.value;
    yield from + (to - from) * next.value;
  }
}

/** All steps at once, where nobody waits in between. */
export function finish<T>(steps: Steps<T>): T {
  for (let next = steps.next(); ; next = steps.next()) if (next.done) return next.value;
}

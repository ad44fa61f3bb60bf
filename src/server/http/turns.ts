/** How long others are kept waiting by what came before them, milliseconds. */
const TURN = 5;

/**
 * Works through what came in at once in short turns: between two of them the sockets are read again, so that who asks something
 * small meanwhile is heard. Without it a thousand requests that lie ready are one long turn.
 *
 * @returns takes one piece of work, which is done after all that were given before it
 */
export function inTurns(most = TURN): (work: () => void) => void {
  let waiting: (() => void)[] = [];
  let next = 0;
  const turn = (): void => {
    const until = performance.now() + most;
    try {
      do {
        const work = waiting[next];
        next += 1;
        work?.();
      } while (next < waiting.length && performance.now() < until);
    } finally {
      if (next < waiting.length) setImmediate(turn);
      else [waiting, next] = [[], 0];
    }
  };
  return (work) => {
    waiting.push(work);
    if (waiting.length === 1) setImmediate(turn);
  };
}

/** How long others are kept waiting by what came before them, milliseconds. */
const TURN = 5;

/**
 * Works through what came in at once in short turns: between two of them the sockets are read again, so that who asks something
 * small meanwhile is heard. Without it a thousand requests that lie ready are one long turn.
 *
 * @returns takes one piece of work, which is done after all that were given before it
 */
export function inTurns(most = TURN): (work: () => void) => void {
  const waiting: (() => void)[] = [];
  let isDue = false;
  const later = (): void => {
    if (isDue) return;
    isDue = true;
    setImmediate(turn);
  };
  const turn = (): void => {
    const until = performance.now() + most;
    isDue = false;
    try {
      for (let work = waiting.shift(); work; work = performance.now() < until ? waiting.shift() : undefined) work();
    } finally {
      if (waiting.length > 0) later();
    }
  };
  return (work) => {
    waiting.push(work);
    later();
  };
}

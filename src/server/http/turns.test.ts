import { describe, expect, it } from 'vitest';
import { inTurns } from './turns.ts';

/** Keeps the event loop from turning. */
function hold(milliseconds: number): void {
  const until = performance.now() + milliseconds;
  while (performance.now() < until);
}
const turned = (): Promise<void> => new Promise((done) => setImmediate(done));

describe('work in turns', () => {
  it('is done in the order it was given, all of it, and what is given meanwhile after it', async () => {
    const give = inTurns(2);
    const done: number[] = [];
    for (let at = 0; at < 50; at += 1)
      give(() => {
        done.push(at);
        if (at === 10) give(() => done.push(50));
        hold(0.2);
      });
    expect(done).toEqual([]);
    while (done.length < 51) await turned();
    expect(done).toEqual(Array.from({ length: 51 }, (_, at) => at));
    give(() => done.push(51));
    await turned();
    expect(done.at(-1)).toBe(51);
  });

  it('leaves off after its time, so that others are heard between', async () => {
    const give = inTurns(2);
    let done = 0;
    for (let at = 0; at < 100; at += 1)
      give(() => {
        hold(1);
        done += 1;
      });
    await turned();
    await turned();
    expect(done).toBeGreaterThan(0);
    expect(done).toBeLessThan(50);
    while (done < 100) await turned();
  });

  it('goes on after a piece that throws', async () => {
    const give = inTurns();
    const done: string[] = [];
    const thrown: unknown[] = [];
    const hear = (error: unknown): void => void thrown.push(error);
    const before = process.listeners('uncaughtException');
    process.removeAllListeners('uncaughtException');
    process.on('uncaughtException', hear);
    give(() => {
      throw new Error('no');
    });
    give(() => done.push('after'));
    for (let tries = 0; tries < 5; tries += 1) await turned();
    process.off('uncaughtException', hear);
    for (const one of before) process.on('uncaughtException', one);
    expect([thrown.length, done]).toEqual([1, ['after']]);
  });
});

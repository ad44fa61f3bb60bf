import { mkdtempSync, readlinkSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startServer } from '../../scripts/lib.mjs';
import { App, WAIT } from './app.ts';
import { keptNow, saveOn } from './savingOn.ts';

/** As many as an attack made: for `npm run deep`. */
const KILLS = process.env.DEEP === '1' ? 200 : 3;
/** Longest time of saving before a kill, ms. */
const SAVING = 900;

const profile = mkdtempSync(join(tmpdir(), 'cool-reel-kills-'));
let server: Awaited<ReturnType<typeof startServer>>;
beforeAll(async () => {
  server = await startServer({ demo: true });
});
afterAll(async () => {
  await server.stop();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
});

const open = (): Promise<App> =>
  App.open({ profile, serve: async () => ({ address: server.address, stop: async () => {} }) });

interface Stored {
  readonly tables: Readonly<Record<string, readonly Record<string, unknown>[]>>;
}
/** The note of the card that is saved over and over, and everything of the kit beside it. */
function looked({ tables }: Stored): { readonly at: number; readonly rest: string } {
  const note = tables.cards?.find(({ id }) => id === 'c-05')?.value as Record<string, unknown> | undefined;
  const isCard = ({ id }: Record<string, unknown>): boolean => id === 'c-05';
  const rest = Object.entries(tables)
    // What is noted of changes grows with each.
    .filter(([name]) => !['changes', 'drafts', 'meta'].includes(name))
    .map(([name, rows]) => [name, name === 'cards' ? rows.filter((row) => !isCard(row)) : rows]);
  return { at: Number(/^note (\d+)$/.exec(String(note?.note))?.[1] ?? 0), rest: JSON.stringify(rest) };
}

describe('a browser that is killed while it saves', () => {
  it(`${KILLS} times keeps all that was said to be kept, and nothing else is touched`, {
    timeout: KILLS * 60_000,
  }, async () => {
    let rest = '';
    let at = 0;
    for (let kill = 0; kill < KILLS; kill += 1) {
      const app = await open();
      await app.visit('/cards?open=c-05');
      await app.find('aside form');
      const before = looked((await app.stored()) as Stored);
      if (rest === '') rest = before.rest;
      expect([kill, before.rest === rest]).toEqual([kill, true]);
      // More may have gone in than were seen to be said kept; never fewer.
      expect(before.at).toBeGreaterThanOrEqual(at);
      await saveOn(app, before.at + 1);
      const until = Date.now() + 200 + ((kill * 379) % SAVING);
      while (Date.now() < until || at <= before.at) {
        at = await keptNow(app);
        expect(Date.now() - until).toBeLessThan(WAIT);
      }
      process.kill(Number(readlinkSync(join(profile, 'SingletonLock')).split('-').at(-1)), 'SIGKILL');
      await app.close();
      rmSync(join(profile, 'SingletonLock'), { force: true });
    }
    expect(at).toBeGreaterThan(KILLS);
  });
});

import { spawnSync } from 'node:child_process';
import { appendFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { App, WAIT } from './app.ts';
import { keptNow, saveOn } from './savingOn.ts';

/** Room for a browser that begins with nothing, bytes. */
const DISK = 256 * 2 ** 20;
const disk = mkdtempSync(join(tmpdir(), 'cool-reel-disk-'));
/** Only where this machine lets a file system be mounted: nothing else makes a disk that is really full. */
const isMounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK}`, 'tmpfs', disk]).status === 0;
const ballast = join(disk, 'ballast');

/** Every byte of it, to the last one that fits. */
function fillUp(): void {
  for (let size = 2 ** 24; size >= 1; size /= 16) {
    try {
      for (;;) appendFileSync(ballast, Buffer.alloc(size));
    } catch {
      // No room for as much; for less there may be some.
    }
  }
}
const makeRoom = (): void => rmSync(ballast);

interface Stored {
  readonly tables: Readonly<
    Record<string, readonly { readonly id: string; readonly value: { readonly note?: string } }[]>
  >;
}
const notes = ({ tables }: Stored): string => tables.cards?.find(({ id }) => id === 'c-05')?.value.note ?? '';

/** What is stored; a store that was just refused a write may have to be opened anew first. */
async function stored(): Promise<Stored> {
  let read: Stored | null = null;
  await app.driver.wait(async () => {
    const seen = (await app.stored()) as Partial<Stored>;
    read = seen.tables ? (seen as Stored) : null;
    return read !== null;
  }, WAIT);
  return read ?? { tables: {} };
}

/** In the words of the app: full, or what the browser called it. */
const REFUSED = /storage is full|Not saved: the browser refused/;

let app: App;
beforeAll(async () => {
  if (!isMounted) return;
  // What a site may keep is a share of the disk; here it is the disk itself that ends.
  app = await App.open({ own: true, profile: join(disk, 'profile'), flags: ['--unlimited-storage'] });
});
afterAll(async () => {
  if (isMounted) {
    await app.close();
    spawnSync('umount', ['-l', disk]);
  }
  rmSync(disk, { recursive: true, force: true });
});

describe.skipIf(!isMounted)('a disk that is full to the last byte', () => {
  it('is said where something is saved, and what was typed stays and is kept once there is room', async () => {
    await app.visit('/cards?open=c-05');
    await app.find('aside form');
    const before = await stored();
    fillUp();
    await saveOn(app, 1, ' typed on a full disk'.repeat(20));
    // A few go still into what the browser had set aside; then it says so, before whatever else it has to say.
    expect(await app.seesText('#notices', REFUSED), 'its storage is still there').not.toContain('was deleted');
    const kept = await keptNow(app);
    makeRoom();
    expect(notes(await stored())).toMatch(kept === 0 ? /^$/ : new RegExp(`^note ${kept} typed`));
    // Pressed by hand; what goes on to be typed and saved from there is the page's own loop.
    await app.clickText('button', 'Save');
    await app.driver.wait(async () => (await keptNow(app)) > kept, WAIT, 'kept, once there is room');
    const after = await stored();
    expect(after.tables.cards?.length).toBe(before.tables.cards?.length);
    expect(Number(/^note (\d+)/.exec(notes(after))?.[1])).toBeGreaterThan(kept);
  });
});

import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, afterEach, beforeAll, beforeEach, expect } from 'vitest';
import { App, WAIT } from './app.ts';

/** A folder for what goes into the app and comes out of it. */
export interface Files {
  readonly folder: string;
  /** Waits for a file the browser was handed, and reads it. */
  readonly downloaded: (ending: string) => Promise<string>;
}

/**
 * One app for a file of tests, on a laptop, with the demo kit as it was made before each of them; none may leave a complaint
 * of the browser behind. No view is open yet: each test begins with the one it is about.
 *
 * @param name - of the folder
 * @param opened - is given the app once it is open
 * @param network - whether requests to anywhere else are complained of
 */
export function demoApp(name: string, opened: (app: App) => unknown, network = false): Files {
  const folder = mkdtempSync(join(tmpdir(), `cool-reel-${name}-`));
  let app: App;
  let demo: unknown;
  beforeAll(async () => {
    app = await App.open({ downloads: folder, network });
    await opened(app);
    await app.visit('/');
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Load the demo kit');
    await app.seesText('body', 'The demo kit is loaded.');
    demo = await app.stored();
  });
  afterAll(async () => {
    await app.close();
    rmSync(folder, { recursive: true, force: true });
  });
  beforeEach(async () => {
    await app.size(1280, 800);
    await app.putBack(demo);
  });
  afterEach(async () => {
    expect(await app.complaints()).toEqual([]);
  });
  return {
    folder,
    async downloaded(ending) {
      const found = () => readdirSync(folder).find((file) => file.endsWith(ending));
      await app.driver.wait(() => found() !== undefined, WAIT, ending);
      const path = join(folder, found() ?? '');
      await app.driver.wait(() => existsSync(path) && readFileSync(path, 'utf8').length > 0, WAIT, path);
      const text = readFileSync(path, 'utf8');
      rmSync(path);
      return text;
    },
  };
}

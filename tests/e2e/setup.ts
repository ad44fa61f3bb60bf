import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import type { TestProject } from 'vitest/node';
import { openBrowser } from '../../scripts/browser.mjs';
import { startServer } from '../../scripts/lib.mjs';

/** A server that runs for all files, and the profile of a browser that has been there before. */
export interface Been {
  readonly address: string;
  /** Null where the browser did not get ready in time: then each begins with nothing. */
  readonly profile: string | null;
}

declare module 'vitest' {
  interface ProvidedContext {
    /** One that shows the demo kit, and one that begins with none. */
    been: Readonly<Record<'demo' | 'empty', Been>>;
  }
}

/** Far above what any of this takes, ms. */
const WAIT = 60_000;
/** What a person leaves behind in a browser, by its folders: the kit is none of what is kept. */
const OWN = ['IndexedDB', 'Local Storage', 'Session Storage', 'Sessions'];
const VIEWS = ['/', '/bodies', '/cards', '/heat', '/prove', '/day', '/shop', '/drill', '/guide'];

/** What the browser compiles at a first visit it keeps with the second, and the service worker takes in the whole app once. */
async function beenThere(address: string, profile: string, begins: boolean): Promise<Been> {
  const { driver, close } = await openBrowser({ profile });
  try {
    await driver.get(address);
    // It keeps nothing for later before there is a kit.
    if (begins)
      await driver.wait(until.elementLocated(By.xpath('//button[normalize-space(.)="Start empty"]')), WAIT).click();
    await driver.manage().setTimeouts({ script: WAIT });
    await driver.executeAsyncScript(
      'const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then(() => done(true));',
    );
    for (const view of VIEWS) await driver.get(address + view);
  } catch (thrown) {
    console.warn(`No browser that has been there: ${thrown}`);
    return { address, profile: null };
  } finally {
    await close();
  }
  for (const own of OWN) rmSync(join(profile, 'Default', own), { recursive: true, force: true });
  return { address, profile };
}

/** Files that do not say otherwise share both: a browser that begins with nothing takes ten seconds of a core to be ready. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), 'cool-reel-been-'));
  const [withDemo, without] = await Promise.all([startServer({ demo: true }), startServer({ demo: false })]);
  const end = async (): Promise<void> => {
    await Promise.all([withDemo.stop(), without.stop()]);
    rmSync(folder, { recursive: true, force: true });
  };
  try {
    const [demo, empty] = await Promise.all([
      beenThere(withDemo.address, join(folder, 'demo'), false),
      beenThere(without.address, join(folder, 'empty'), true),
    ]);
    project.provide('been', { demo, empty });
  } catch (thrown) {
    await end();
    throw thrown;
  }
  return end;
}

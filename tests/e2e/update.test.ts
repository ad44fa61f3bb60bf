import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freePort, startServer } from '../../scripts/lib.mjs';
import { App, WAIT } from './app.ts';
import { makeNextBuild } from './nextBuild.ts';

let app: App;
let next: ReturnType<typeof makeNextBuild>;
let stopNext: () => Promise<unknown>;
const tabs: string[] = [];
const tab = (at: number): Promise<void> => app.driver.switchTo().window(tabs[at] ?? '');
/** The script a tab was started with: another name in another build. */
const build = (): Promise<string> =>
  app.run<string>('return document.querySelector("astro-island").getAttribute("component-url")');

beforeAll(async () => {
  next = makeNextBuild();
  const port = await freePort();
  app = await App.open({ serve: () => startServer({ demo: true, port }) });
  await app.visit('/cards');
  await app.seesText('table', 'C-01');
  await app.keptForLater();
  tabs.push(await app.driver.getWindowHandle());
  await app.driver.switchTo().newWindow('tab');
  tabs.push(await app.driver.getWindowHandle());
  await app.visit('/cards?open=c-05');
  await app.fill('Firmware', 'not yet saved');
  await app.stopServer();
  stopNext = (await startServer({ demo: true, port, dist: next.dist })).stop;
});
afterAll(async () => {
  await app.close();
  await stopNext?.();
  next.remove();
});

describe('a newer build on the server, two tabs of the older one open', () => {
  let older = '';

  it('waits and says so; nothing reloads by itself', async () => {
    await tab(0);
    older = await build();
    await app.driver.navigate().refresh();
    // Asked for seldom: a browser that is asked all the time puts off looking for a newer version.
    const said = 'return document.body.innerText.includes("A newer version is ready.")';
    await app.driver.wait(() => app.run<boolean>(said), WAIT, 'the notice', 1500);
    expect(await build()).toBe(older);
  });

  it('is gone on to where it was pressed, and in no other tab', async () => {
    await app.clickText('button', 'Reload into it');
    await app.driver.wait(async () => (await build().catch(() => older)) !== older, WAIT, 'the newer build');
    await app.seesText('table', 'C-01');
    await tab(1);
    await app.seesText('body', 'Another tab went on to a newer version.');
    expect(await build()).toBe(older);
    expect(
      await app.run('return [...document.querySelectorAll("input")].some((one) => one.value === "not yet saved")'),
    ).toBe(true);
  });

  it('leaves the older tab whole: parts it had not loaded yet come, and what was typed is saved', async () => {
    await app.clickText('button', 'Paste several');
    await app.seesText('[role=dialog]', 'Several cards at once');
    await app.keys(Key.ESCAPE);
    await app.clickText('button', 'Save');
    await app.seesText('body', 'C-05 saved.');
  });

  it('a page whose own scripts are nowhere says so, and is not blank', async () => {
    const html = await (await fetch(`${app.address}/bodies`)).text();
    // The page of another build, as a cache on the way may keep it, in a window of its own.
    const stale = html.replaceAll(/\/_astro\/([\w.-]+)\.js/g, '/_astro/$1x.js');
    expect(stale).not.toBe(html);
    await app.driver.switchTo().newWindow('tab');
    await app.visit('/nothing');
    await app.run('document.open(); document.write(arguments[0]); document.close()', stale);
    expect(await app.seesText('#unloaded', 'could not be loaded')).toContain('Reload');
    await app.driver.close();
    await tab(1);
  });

  it('where a part of the older build is nowhere any more, it says so in its place and offers a reload', async () => {
    await app.run(
      'return caches.keys().then((keys) => Promise.all(keys.map((key) => caches.delete(key)))).then(() => true)',
    );
    await app.devTools('Network.clearBrowserCache');
    await app.run('document.activeElement.blur()');
    await app.driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).perform();
    const said = await app.seesText('.part-failed', 'A part of the app could not be loaded');
    expect(said).toContain('Reload');
    expect(await app.text('table'), 'the rest of the page stays').toContain('C-01');
    await app.click('.part-failed button:last-child');
    await app.driver.wait(async () => (await build().catch(() => older)) !== older, WAIT, 'the newer build');
    await app.seesText('table', 'C-01');
  });
});

import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { App } from './app.ts';

let app: App;
beforeAll(async () => {
  app = await App.open();
});
afterAll(() => app.close());

describe('without a network', () => {
  it('after one visit every view opens and works, the server gone', async () => {
    await app.visit('/');
    await app.seesCell('Wherry 8K raw 3:1');
    await app.driver.wait(() => app.run<boolean>('return navigator.serviceWorker.ready.then(() => true)'), 20_000);
    // Installed means that every file and page of the build is kept.
    await app.driver.wait(
      () =>
        app.run<boolean>(
          'return caches.keys().then(async (keys) => (await Promise.all(keys.map(async (key) => (await (await caches.open(key)).keys()).length))).some((count) => count > 20))',
        ),
      20_000,
    );
    await app.driver.navigate().refresh();
    await app.driver.wait(() => app.run<boolean>('return navigator.serviceWorker.controller !== null'), 20_000);
    app.stopServer();
    await app.driver.sleep(500);
    await app.visit('/?q=600%20Mb%2Fs%20on%20256GB%20V90%20II');
    await app.seesText('#quick-answer', 'Guaranteed');
    await app.seesCell('Dory 4K intra 50p on C-01');
    for (const [path, part] of [
      ['/bodies', 'Wherry'],
      ['/cards?open=c-01', 'C-01'],
      ['/crew', 'Bollard'],
      ['/heat', 'of 10,000 runs fail'],
      ['/prove', 'coming'],
    ] as const) {
      await app.visit(path);
      await app.seesText('main', part);
    }
    await app.visit('/cards?open=c-01');
    await app.fill('Your own label', 'C-OFF');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'C-OFF');
    const refused = (await app.complaints()).filter((text) => /Content Security Policy/i.test(text));
    expect(refused, 'the policy is kept with the pages').toEqual([]);
  });
});

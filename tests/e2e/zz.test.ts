import { readFileSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, it } from 'vitest';
import { App } from './app.ts';
let app: App;
beforeAll(async () => { app = await App.open({ demo: false, width: 390, height: 844 }); });
afterAll(() => app.close());
const eye = readFileSync('../shared/look/eye.js', 'utf8');
const shot = async (name: string) => { await app.still(); writeFileSync(`/tmp/z-${name}.png`, await app.driver.takeScreenshot(), 'base64'); console.log(name, JSON.stringify(await app.run('return ' + eye.slice(eye.indexOf('(() =>')))).slice(0, 800)); };
it('keeps', async () => {
  await app.visit('/?q=' + encodeURIComponent('400 Mb/s on 2x256GB V60 for 2h'));
  await app.seesText('main', 'Keep this camera');
  await shot('a390');
  await app.clickText('button', 'Keep this camera');
  await app.seesText('main', 'What do its slots speak');
  await shot('b390');
  await app.clickText('button', 'UHS-II');
  await app.seesText('main', 'Keep this camera');
  await app.clickText('button', 'Keep these 2 cards');
  await app.seesText('main', 'What this card is called');
  await shot('c390');
  await app.clickText('button', 'Keep');
  await app.seesText('main', 'Minutes planned');
  await shot('d390');
  for (const [w, h] of [[820, 1180], [1280, 800]] as const) {
    await app.size(w, h);
    await app.visit('/?q=' + encodeURIComponent('400 Mb/s on 256GB'));
    await app.seesText('main', 'Keep this camera');
    await app.clickText('button', 'Keep this camera');
    await app.seesText('main', 'Cards that it takes');
    await shot('e' + w);
    await app.visit('/?q=' + encodeURIComponent('400 Mb/s on 256GB V60 at 35 degrees'));
    await app.seesText('main', 'Heat run');
    await shot('f' + w);
  }
}, 120000);

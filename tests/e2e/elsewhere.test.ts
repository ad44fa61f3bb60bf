import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import Fastify from 'fastify';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROOT } from '../../scripts/lib.mjs';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { App } from './app.ts';

describe('on a static host, without the server', () => {
  let app: App;
  beforeAll(async () => {
    app = await App.open({
      // Files of one folder and nothing else: no headers of ours, no calls, folders answered with a redirect.
      async serve() {
        const plain = Fastify();
        await plain.register(fastifyStatic, { root: join(ROOT, 'dist', 'client'), redirect: true });
        const address = await plain.listen({ host: '127.0.0.1', port: 0 });
        return { address, stop: () => plain.close() };
      },
    });
  });
  afterAll(() => app?.close());

  it('begins with a choice, imports a kit, and answers', async () => {
    await app.visit('/');
    await app.clickText('button', 'Start empty');
    await app.seesText('main', 'body');
    const file = join(tmpdir(), `cool-reel-static-${process.pid}.coolreel.json`);
    writeFileSync(file, JSON.stringify(demo));
    await app.clickText('button', 'Kit');
    await app.clickText('*[@role="menuitem"]', 'Import a kit file');
    await (await app.find('input[type=file]')).sendKeys(file);
    await app.clickText('button', 'Import');
    expect(await app.seesCell('Dory 4K intra 50p on C-01')).toContain('Guaranteed');
  });

  it('opens the other views and runs a take in its worker', async () => {
    await app.visit('/heat');
    await app.seesText('main', 'of 2,000 simulated takes end early');
    await app.visit('/bodies');
    await app.seesText('main', 'Wherry');
    await app.visit('/cards');
    await app.seesText('table', 'C-01');
  });

  it('holds its policy without anybody’s headers, and works offline afterwards', async () => {
    await app.keptForLater();
    const policy = await app.run<string>(
      'return document.querySelector("meta[http-equiv=content-security-policy]").content',
    );
    expect(policy).toContain("default-src 'none'");
    const refused = (await app.complaints()).filter((text) => /Content Security Policy/i.test(text));
    expect(refused).toEqual([]);
    await app.stopServer();
    await app.visit('/heat?body=dory');
    await app.seesText('main', 'of 2,000 simulated takes end early');
  });
});

describe('on a phone that opens the laptop by its name, over plain HTTP', () => {
  let app: App;
  beforeAll(async () => {
    app = await App.open({ host: 'laptop.test', width: 390, height: 844, demo: false });
    await app.visit('/cards');
  });
  afterAll(() => app?.close());

  it('is no secure context, which is said once, with what is missing', async () => {
    expect(await app.run('return [window.isSecureContext, typeof crypto.randomUUID]')).toEqual([false, 'undefined']);
    await app.seesText('body', 'This address is plain HTTP');
    await app.clickText('button', 'Start empty');
    await app.seesText('main', 'No card yet');
    await app.driver.navigate().refresh();
    await app.seesText('main', 'No card yet');
    await app.driver.sleep(1500);
    expect(await app.text('body')).not.toContain('This address is plain HTTP');
  });

  it('adds a card, pastes several, and keeps them', async () => {
    await app.clickText('button', 'Add a card');
    await app.fill('Card name (as you wrote it on the card)', 'P-01');
    await app.fill('Capacity', '128');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'P-01 saved.');
    await app.visit('/cards');
    await app.clickText('button', 'Paste several');
    await (await app.find('[role=dialog] textarea')).sendKeys('P-02 256GB V90 II\nP-03 64GB U3 I\n');
    await app.clickText('button', 'Add 2');
    await app.seesText('main', 'P-03');
    await app.driver.navigate().refresh();
    for (const label of ['P-01', 'P-02', 'P-03']) await app.seesText('main', label);
  });

  it('adds a camera with a mode, and the table answers', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.fill('Name', 'Phone camera');
    await app.clickText('button', 'Add a mode');
    await app.fill('Name', '4K intra', '//fieldset[legend[.="Modes"]]');
    await app.fill('Recorded, fps', '25');
    await app.fill('Stated rate', '400 Mb/s');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Phone camera saved.');
    await app.visit('/?q=400%20Mb%2Fs%20on%20128GB%20V60%20II');
    await app.seesText('#quick-answer', 'Guaranteed');
    const wrong = (await app.complaints()).filter((text) => /Uncaught|TypeError|Content Security Policy/i.test(text));
    expect(wrong).toEqual([]);
  });
});

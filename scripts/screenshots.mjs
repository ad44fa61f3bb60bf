// Fresh pictures of each main view from the demo kit, into docs/screenshots.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import { ensureBuild, ensureDebian, ensurePackages, ROOT, startServer } from './lib.mjs';

ensurePackages();
ensureDebian({ chromium: 'chromium', chromedriver: 'chromium-driver' });
await ensureBuild();
const { openBrowser, resize } = await import('./browser.mjs');

const pick = (start) =>
  `[...document.querySelectorAll('[role=gridcell]')].find((cell) => cell.ariaLabel.replaceAll('\\u00a0', ' ').startsWith('${start}')).click()`;
const press = (tag, text) =>
  `[...document.querySelectorAll('${tag}')].find((one) => one.textContent.startsWith('${text}')).click()`;
const CHECK = '/?q=500%20Mb/s%20on%20256GB%20V90%20II%20for%202h';

const SHOTS = [
  { name: 'match-day', path: CHECK, script: pick('Dory 4K intra 50p on C-01') },
  { name: 'match-night', path: CHECK, theme: 'dark', script: pick('Dory 4K intra slow 100p on C-01') },
  { name: 'guide', path: '/guide#rules', wait: 500 },
  { name: 'bodies', path: '/bodies' },
  { name: 'cards', path: '/cards', script: press('tbody button', 'M-03') },
  { name: 'label-reader', path: '/cards', script: press('button', 'Read a label') },
  { name: 'heat-day', path: '/heat', wait: 2500 },
  {
    name: 'picture-night',
    path: '/cards',
    theme: 'dark',
    script: press('button', 'Read a label'),
    wait: 400,
    act: async (page) => {
      const seen = async (selector) => page.wait(until.elementLocated(By.css(selector)), 15_000);
      await page.executeScript(press('button', 'Read it off a picture'));
      await seen('[role=dialog] [data-strong]');
      await page.executeScript(press('button', 'Get it'));
      const field = await seen('input[type=file][aria-label="Choose a picture"]');
      await field.sendKeys(join(ROOT, 'tests', 'fixtures', 'card-label.jpg'));
      await page.sleep(6000);
    },
  },
  { name: 'heat-phone', path: '/heat', width: 390, height: 844, wait: 2500 },
  { name: 'crew', path: '/crew' },
  { name: 'prove', path: '/prove?open=t5', wait: 800 },
  { name: 'measure', path: '/prove?at=measure&what=trace', script: press('button', 'a card in the sun'), wait: 800 },
  { name: 'shop-phone', path: '/shop', width: 390, height: 844, wait: 2500 },
  {
    name: 'drill-phone',
    path: '/drill?kind=label&seed=1',
    width: 390,
    height: 844,
    script: "document.querySelectorAll('ol[aria-label=Answers] button')[1].click()",
    wait: 500,
  },
  { name: 'day', path: '/day', wait: 2000 },
  {
    name: 'day-phone',
    path: '/day?plan=race-day&at=live',
    width: 390,
    height: 844,
    script: press('button', 'Rehearse it'),
    wait: 1500,
  },
  { name: 'match-phone', path: CHECK, width: 390, height: 844 },
  { name: 'shop', path: '/shop', wait: 2500 },
  { name: 'why-phone', path: '/', width: 390, height: 844, script: pick('Wherry 8K raw 3:1 50p on A-01') },
];

const folder = join(ROOT, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const { address, stop } = await startServer({ demo: true });
const { driver, close } = await openBrowser();
try {
  await driver.get(address);
  await driver.sleep(2000);
  for (const { name, path, theme = 'light', width = 1280, height = 800, script, wait = 0, act } of SHOTS) {
    await resize(driver, width, height);
    await driver.executeScript(`localStorage.setItem('mantine-color-scheme-value', '${theme}')`);
    await driver.get(address + path);
    await driver.sleep(1500 + wait);
    if (script) {
      await driver.executeScript(script);
      await driver.sleep(2000);
    }
    await act?.(driver);
    writeFileSync(join(folder, `${name}.png`), Buffer.from(await driver.takeScreenshot(), 'base64'));
    console.log(`docs/screenshots/${name}.png`);
  }
} finally {
  await close();
  stop();
}

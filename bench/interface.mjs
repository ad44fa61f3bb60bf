// What a person waits for, in the real interface: one card saved with a large log stored, a large wallet opened, a body of
// many modes opened. With the folder of another build (`node bench/interface.mjs FOLDER`) both are measured in turn.

import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { By } from 'selenium-webdriver';
import { openBrowser } from '../scripts/browser.mjs';
import { few } from './few.mjs';

const here = process.cwd();
const other = process.argv[2];
const builds = [['this build', here], ...(other ? [['the other', other]] : [])];
const ROUNDS = few(5, 1);

/** Writes rows into the store of the page, past the app, as it would have them after weeks of use. */
const seed = `
  const [lists, done] = [arguments[0], arguments[arguments.length - 1]];
  const open = indexedDB.open('cool-reel');
  open.onsuccess = () => {
    const db = open.result;
    const names = Object.keys(lists);
    const tx = db.transaction(names, 'readwrite');
    for (const name of names) {
      const store = tx.objectStore(name);
      lists[name].forEach((value, order) => store.put({ id: value.id, order, value }));
    }
    tx.oncomplete = () => { db.close(); done(true); };
  };`;

const card = (at) => ({
  ...{
    id: `c${at}`,
    label: `C-${at}`,
    form: at % 3 ? 'sd' : 'cfexpress-b',
    capacityGB: 64 + (at % 400),
    usableGB: null,
  },
  ...{ marks: at % 3 ? ['SDXC', 'II', 'U3', 'V60'] : ['VPG400'], bus: null, readMBps: null, writeMBps: null },
  ...{ sustainedMBps: null, cacheGB: null, price: at },
});
const mode = (at) => ({
  ...{ id: `m${at}`, name: `Mode ${at}`, codec: 'intra', width: 3840, height: 2160, fps: 25, captureFps: null },
  ...{ rate: { kind: 'stated', Mbps: 100 + (at % 500), is: 'maximum' }, overhead: null, requires: [] },
});
const body = (at, modes) => ({
  ...{ id: `b${at}`, name: `Body ${at}`, arrangement: 'single', bufferMB: null, ceilingMBps: null },
  slots: [
    {
      id: 's',
      name: 'Slot',
      accepts: [{ form: at % 2 ? 'sd' : 'cfexpress-b', bus: null }],
      family: null,
      promisedMaxGB: null,
    },
  ],
  modes: Array.from({ length: modes }, (_, m) => mode(m)),
});
const test = (at) => ({
  ...{ id: `t${at}`, bodyId: 'b0', modeId: 'm1', cardId: `c${at % 2000}`, slotId: 's', end: 'full', seconds: 900 },
  ...{ writtenMBps: 60, date: '2026-05-04' },
});
const times = (count, make) => Array.from({ length: count }, (_, at) => make(at));

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

async function page(folder) {
  const { startServer } = await import(pathToFileURL(resolve(folder, 'scripts/lib.mjs')).href);
  const server = await startServer({ demo: false });
  const { driver, close } = await openBrowser({});
  await driver.manage().setTimeouts({ script: 300_000, pageLoad: 300_000 });
  await driver.get(`${server.address}/cards`);
  const start = By.xpath('//button[normalize-space(.)="Start empty"]');
  await driver.wait(async () => (await driver.findElements(start)).length > 0, 20_000);
  await (await driver.findElement(start)).click();
  await driver.sleep(500);
  return {
    driver,
    address: server.address,
    end: async () => {
      await close();
      server.stop();
    },
  };
}

/** Milliseconds from a press to the next frame in which something holds. */
const until = `
  const [press, holds, done] = [arguments[0], arguments[1], arguments[arguments.length - 1]];
  const met = new Function('return (' + holds + ')');
  const from = performance.now();
  new Function(press)();
  const look = () => (met() ? requestAnimationFrame(() => done(performance.now() - from)) : requestAnimationFrame(look));
  requestAnimationFrame(look);`;

/** One card saved with 2,000 cards and 5,000 tests stored, to the wallet that shows it. */
async function saving({ driver, address }) {
  await driver.executeAsyncScript(seed, { bodies: [body(0, 5)], cards: times(2000, card), tests: times(5000, test) });
  await driver.get(`${address}/cards?open=c1`);
  await driver.wait(async () => (await driver.findElements(By.css('aside form'))).length > 0, 60_000);
  await driver.sleep(1000);
  const found = [];
  for (let round = 0; round < ROUNDS * 2; round += 1) {
    const label = `C-1 round ${round}`;
    const field = await driver.findElement(
      By.xpath('(//aside//label[starts-with(., "Your own label")]/following::input)[1]'),
    );
    await field.sendKeys('\uE009a\uE000', label);
    found.push(
      await driver.executeAsyncScript(
        until,
        'document.querySelector("aside form").requestSubmit()',
        `document.querySelector("table").textContent.includes(${JSON.stringify(label)})`,
      ),
    );
    await driver.sleep(150);
  }
  return median(found.slice(2));
}

/** A wallet of so many cards and modes, from the address to the first cells on screen. */
async function opening({ driver, address }, cards, modes) {
  await driver.executeAsyncScript(seed, {
    bodies: times(modes / 20, (at) => body(at, 20)),
    cards: times(cards, card),
    tests: [],
  });
  const from = performance.now();
  await driver.get(address);
  await driver.wait(async () => (await driver.findElements(By.css('[role=gridcell]'))).length > 0, 240_000);
  return performance.now() - from;
}

/** A body of 500 modes, from the press on its name to its form on screen. */
async function longBody({ driver, address }) {
  await driver.executeAsyncScript(seed, { bodies: [body(0, 1), body(1, 500)], cards: times(20, card) });
  const found = [];
  for (let round = 0; round < ROUNDS; round += 1) {
    await driver.get(`${address}/bodies`);
    await driver.wait(async () => (await driver.findElements(By.css('main form'))).length > 0, 60_000);
    await driver.sleep(500);
    found.push(
      await driver.executeAsyncScript(
        until,
        `[...document.querySelectorAll("main button")].find((one) => one.textContent.startsWith("Body 1")).click()`,
        'document.querySelector("main form").getAttribute("aria-label") === "Body 1"',
      ),
    );
  }
  return median(found);
}

const take = (at) => ({
  ...test(at),
  cardId: `c${1 + 3 * (at % 20)}`,
  modeId: `m${at % 5}`,
  bodyId: 'b1',
  end: ['full', 'dropped', 'stopped'][at % 3],
  seconds: 60 + ((at * 37) % 5000),
  date: `2026-0${1 + (at % 9)}-1${at % 9}`,
});

/** The log of 10,000 takes: from the address to its first lines, and one letter of a search. */
async function longLog({ driver, address }, what) {
  await driver.executeAsyncScript(seed, { bodies: [body(1, 5)], cards: times(60, card), tests: times(10_000, take) });
  const from = performance.now();
  await driver.get(`${address}/prove`);
  const lines = By.css('section[aria-label="Log"] li');
  await driver.wait(async () => (await driver.findElements(lines)).length > 10, 60_000);
  if (what === 'opened') return performance.now() - from;
  await driver.sleep(2000);
  return driver.executeAsyncScript(
    until,
    `const field = document.querySelector('input[type=search]');
     Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, 'C-7');
     field.dispatchEvent(new Event('input', { bubbles: true }));`,
    'document.querySelector("section[aria-label=Log]").textContent.includes(" of ")',
  );
}

/** The survival map of 2,000 takes, from the press on its name to its last bar; its code is there already. */
async function longMap({ driver, address }) {
  await driver.executeAsyncScript(seed, { bodies: [body(1, 5)], cards: times(60, card), tests: times(2000, take) });
  const found = [];
  const press = (name) =>
    `[...document.querySelectorAll('nav button')].find((one) => one.textContent === '${name}').click()`;
  for (let round = 0; round < ROUNDS; round += 1) {
    await driver.get(`${address}/prove?at=map`);
    await driver.wait(async () => (await driver.findElements(By.css('main svg'))).length > 0, 60_000);
    await driver.executeScript(press('Bursts'));
    await driver.sleep(1500);
    found.push(
      await driver.executeAsyncScript(
        until,
        press('Map'),
        'document.querySelectorAll("main svg [data-end]").length >= 2000',
      ),
    );
  }
  return median(found);
}

/** The board of 200 cards and 200 modes from its address to its cells, with and without 10,000 tests of them, in turn. */
async function testedBoard({ driver, address }) {
  const bodies = times(10, (at) => body(at, 20));
  const cards = times(200, card);
  const tests = times(10_000, (at) => ({
    ...take(at),
    bodyId: `b${at % 10}`,
    modeId: `m${at % 20}`,
    cardId: `c${(at >> 2) % 200}`,
  }));
  const clear = `
    const [done] = [arguments[arguments.length - 1]];
    const open = indexedDB.open('cool-reel');
    open.onsuccess = () => {
      const db = open.result;
      const tx = db.transaction('tests', 'readwrite');
      tx.objectStore('tests').clear();
      tx.oncomplete = () => { db.close(); done(true); };
    };`;
  const found = { with: [], without: [] };
  await driver.executeAsyncScript(seed, { bodies, cards });
  for (let round = 0; round < ROUNDS; round += 1)
    for (const key of ['without', 'with']) {
      await driver.executeAsyncScript(clear);
      if (key === 'with') await driver.executeAsyncScript(seed, { tests });
      const from = performance.now();
      await driver.get(address);
      await driver.wait(async () => (await driver.findElements(By.css('[role=gridcell]'))).length > 20, 60_000);
      found[key].push(performance.now() - from);
    }
  const [without, tested] = [median(found.without), median(found.with)];
  console.log(
    `board without tests ${without.toFixed(0)} ms, with 10,000 ${tested.toFixed(0)} ms → ${(tested / without).toFixed(2)} times (aim 1.5)`,
  );
  return tested;
}

const rows = [];
for (const [name, folder] of builds) {
  const one = async (what, run) => {
    const at = await page(folder);
    try {
      rows.push([name, what, await run(at)]);
    } catch (thrown) {
      rows.push([name, what, Number.NaN, String(thrown).slice(0, 80)]);
    }
    await at.end();
  };
  await one('a card saved, 2,000 cards and 5,000 tests stored (aim 50 ms)', saving);
  await one('a body of 500 modes opened (aim 100 ms)', longBody);
  await one('a board of 200 × 200 with 10,000 tests opened', testedBoard);
  await one('the log of 10,000 takes opened', (at) => longLog(at, 'opened'));
  await one('the log of 10,000 takes searched (aim 100 ms)', (at) => longLog(at, 'searched'));
  await one('the map of 2,000 takes drawn (aim 500 ms)', longMap);
  await one('20,000 cards × 1,000 modes opened (aim 3,000 ms)', (at) => opening(at, 20_000, 1000));
}
for (const [name, what, ms, why] of rows) console.log(`${name.padEnd(11)} ${what}: ${ms.toFixed(0)} ms ${why ?? ''}`);

// The longest single task of each view, opened and used, with the largest kit that is promised to stay usable: 5,000 cards,
// 200 bodies, 10,000 tests and 20 plans. A task is what a press has to wait for; 300 ms is the aim. Beside each stands the
// demo kit in the same run, as the measure of the machine.

import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openBrowser } from '../scripts/browser.mjs';
import { runBin, startServer } from '../scripts/lib.mjs';
import { few } from './few.mjs';

const LISTS = ['bodies', 'cards', 'tests', 'plans'];
/** A view is done when nothing has held it up for so long, ms. */
const QUIET = few(2500, 300);

const OBSERVE = `
  window.tasks = [];
  window.lastTask = 0;
  new PerformanceObserver((list) => {
    for (const one of list.getEntries()) {
      window.tasks.push(Math.round(one.duration));
      window.lastTask = performance.now();
    }
  }).observe({ type: 'longtask', buffered: true });`;

const SEED = `
  const [lists, done] = [arguments[0], arguments[arguments.length - 1]];
  const open = indexedDB.open('cool-reel');
  open.onsuccess = () => {
    const db = open.result;
    const tx = db.transaction(Object.keys(lists), 'readwrite');
    for (const [name, list] of Object.entries(lists)) {
      const store = tx.objectStore(name);
      store.clear();
      list.forEach((value, order) => store.put({ id: value.id, order, value }));
    }
    tx.oncomplete = () => { db.close(); done(true); };
  };`;

const typed = (selector, text) => `
  const field = document.querySelector(${JSON.stringify(selector)});
  if (!field) return false;
  const proto = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement;
  field.focus();
  Object.getOwnPropertyDescriptor(proto.prototype, 'value').set.call(field, ${JSON.stringify(text)});
  field.dispatchEvent(new Event('input', { bubbles: true }));
  return true;`;
const pressed = (selector, at = 0) => `
  const found = [...document.querySelectorAll(${JSON.stringify(selector)})].at(${at});
  found?.click();
  return Boolean(found);`;

/** Each view with what is done in it after it stands. */
const VIEWS = [
  ['/', 'the line typed', typed('#quick-check', '600 Mb/s on 256GB V90 II')],
  ['/', 'a cell opened', pressed('[role=gridcell]', 3)],
  [
    '/',
    'the board scrolled',
    `const grid = document.querySelector('[role=grid]');
     if (!grid) return false;
     grid.scrollTop = grid.scrollHeight / 2;
     grid.scrollLeft = grid.scrollWidth / 2;
     return true;`,
  ],
  ['/bodies', 'a body opened', pressed('nav[aria-label=Cameras] button', 3)],
  ['/cards', 'the wallet searched', typed('input[placeholder^="Find name"]', 'C-77')],
  ['/heat', null, null],
  ['/shop', null, null],
  ['/prove', 'the log searched', typed('input[type=search]', 'C-7')],
  ['/prove?at=map', null, null],
  ['/prove?at=bursts', null, null],
  ['/prove?at=label', null, null],
  ['/day', null, null],
  ['/drill', null, null],
  ['/sheet', null, null],
  ['/crew', null, null],
  ['/guide', null, null],
];

async function settled(driver) {
  await driver.wait(
    () => driver.executeScript('return Boolean(document.querySelector("header[data-ready]"))'),
    240_000,
  );
  await driver.wait(
    () => driver.executeScript(`return performance.now() - window.lastTask > ${QUIET}`),
    240_000,
    'a view that comes to rest',
  );
  const tasks = await driver.executeScript('const all = window.tasks; window.tasks = []; return all');
  return Math.max(0, ...tasks);
}

async function walk(kit) {
  const { address, stop } = await startServer({ demo: kit === null });
  const { driver, close } = await openBrowser();
  const found = new Map();
  try {
    await driver.manage().setTimeouts({ script: 300_000, pageLoad: 300_000 });
    await driver.sendDevToolsCommand('Page.enable', {});
    await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: OBSERVE });
    await driver.get(`${address}/guide`);
    await settled(driver);
    if (kit) {
      await driver.get(`${address}/cards`);
      await settled(driver);
      const begin = `return [...document.querySelectorAll('button')].find((one) => one.textContent === 'Start empty')?.click()`;
      await driver.executeScript(begin);
      await driver.sleep(800);
      await driver.executeAsyncScript(SEED, Object.fromEntries(LISTS.map((name) => [name, kit[name]])));
    }
    for (const [path, what, done] of VIEWS) {
      await driver.get(address + path);
      const opened = await settled(driver);
      found.set(path, Math.max(opened, found.get(path) ?? 0));
      if (!done) continue;
      const isDone = await driver.executeScript(done);
      await driver.sleep(QUIET);
      found.set(`${path}, ${what}`, isDone ? await settled(driver) : null);
    }
  } finally {
    await close();
    await stop();
  }
  return found;
}

const folder = mkdtempSync(join(tmpdir(), 'cool-reel-huge-'));
const file = join(folder, 'huge.json');
try {
  if (runBin('tsx', ['bench/writeHugeKit.ts', file]).status !== 0) throw new Error('no kit was written');
  const kit = JSON.parse(readFileSync(file, 'utf8'));
  const small = await walk(null);
  const large = await walk(kit);
  console.log(LISTS.map((name) => `${kit[name].length} ${name}`).join(', '));
  for (const [name, ms] of large) {
    const demo = small.get(name);
    console.log(
      `${name.padEnd(28)} longest task ${ms === null ? 'nothing to press' : `${ms} ms`}, of the demo ${demo ?? '—'}${ms === null || !demo ? '' : ` (${(ms / demo).toFixed(1)} ×)`}`,
    );
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}

// The card bench writing to the browser's own store, beside dd with fsync on the same disk and as many bytes, in one run.

import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import { openBrowser } from '../scripts/browser.mjs';
import { startServer } from '../scripts/lib.mjs';
import { few } from './few.mjs';

const GB = few(1, 0.04);
const BLOCKS = (GB * 1e9) / 4_000_000;
const folder = mkdtempSync(join(tmpdir(), 'cool-reel-dd-'));
const server = await startServer({ demo: true });
const { driver, close } = await openBrowser();

/** Watches the heading of the bench: when it began to write, and when to read. */
const WATCH = `window.benchTimes = {};
  new MutationObserver(() => {
    const text = document.querySelector('h2')?.textContent ?? '';
    const now = performance.now();
    if (text.startsWith('Being written')) window.benchTimes.write ??= now;
    if (text.startsWith('Read back')) window.benchTimes.read ??= now;
    if (document.body.textContent.includes('Every byte came back')) window.benchTimes.done ??= now;
  }).observe(document.body, { subtree: true, childList: true, characterData: true });`;
const press = async (text) => {
  const button = By.xpath(`//button[starts-with(normalize-space(.), "${text}")]`);
  await (await driver.wait(until.elementLocated(button), 20_000)).click();
};

async function bench() {
  await driver.get(`${server.address}/prove?at=measure&what=bench`);
  await press('This computer’s own disk');
  const field = await driver.wait(
    until.elementLocated(By.xpath('//label[starts-with(normalize-space(.), "Write")]/following::input[1]')),
    20_000,
  );
  await field.sendKeys(String(GB));
  await driver.executeScript(WATCH);
  await press(`Write ${GB} GB`);
  await driver.wait(async () => (await driver.executeScript('return window.benchTimes.done')) !== null, 120_000);
  const { write, read, done } = await driver.executeScript('return window.benchTimes');
  await press('Remove what was written');
  await driver.sleep(500);
  return { write: (read - write) / 1000, read: (done - read) / 1000 };
}

function dd() {
  const file = join(folder, 'dd.bin');
  const start = performance.now();
  execFileSync('dd', ['if=/dev/zero', `of=${file}`, 'bs=4000000', `count=${BLOCKS}`, 'conv=fsync'], {
    stdio: 'ignore',
  });
  const seconds = (performance.now() - start) / 1000;
  rmSync(file);
  return seconds;
}

try {
  const [own, peer] = [[], []];
  for (let run = 0; run < 3; run += 1) {
    own.push(await bench());
    peer.push(dd());
  }
  const middle = (values) => [...values].sort((a, b) => a - b)[1];
  const [written, read, ddSeconds] = [
    middle(own.map((one) => one.write)),
    middle(own.map((one) => one.read)),
    middle(peer),
  ];
  const rate = (seconds) => `${((GB * 1000) / seconds).toFixed(0)} MB/s`;
  console.log(`card bench, ${GB} GB to the browser's own store`);
  console.log(`  dd with fsync  ${rate(ddSeconds)}`);
  console.log(
    `  written        ${rate(written)} → ${(ddSeconds / written).toFixed(2)} of dd (aim 0.7), pattern made and synced in it`,
  );
  console.log(`  read back      ${rate(read)}, compared`);
} finally {
  await close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
}

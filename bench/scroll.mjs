// A 200 × 200 board in the real browser: how long a change of headroom takes to show, and how smoothly it scrolls, by
// the browser's own clock. Headless and without a graphics card, so read it as a floor.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import { openBrowser } from '../scripts/browser.mjs';
import { run, startServer } from '../scripts/lib.mjs';

const folder = mkdtempSync(join(tmpdir(), 'cool-reel-bench-'));
const file = join(folder, 'large.coolreel.json');
const made = run('npx', ['tsx', 'bench/writeLargeKit.ts', file], { capture: true });
if (made.status !== 0) throw new Error(made.stderr);

const { address, stop } = await startServer({ demo: true });
const { driver, close } = await openBrowser();
const click = async (xpath) => (await driver.wait(until.elementLocated(By.xpath(xpath)), 20_000)).click();
try {
  await driver.get(address);
  await click('//button[.="Kit"]');
  await click('//button[starts-with(., "Import a kit file")]');
  await (await driver.wait(until.elementLocated(By.css('input[type=file]')), 20_000)).sendKeys(file);
  await click('//label[starts-with(normalize-space(.), "Put it in the place")]');
  await click('//button[.="Replace the kit"]');
  // The demo's board is far narrower.
  await driver.wait(until.elementLocated(By.xpath('//*[@role="grid"][@aria-colcount > 60]')), 20_000);
  await driver.sleep(1500);
  const scroll = (axis) =>
    driver.executeAsyncScript(
      `const [axis, done] = arguments;
       const grid = document.querySelector('[role=grid]');
       const frames = [];
       let last = performance.now();
       let step = 0;
       const tick = (now) => {
         frames.push(now - last);
         last = now;
         grid[axis] += 24;
         step += 1;
         if (step < 240) requestAnimationFrame(tick);
         else done(frames.slice(2));
       };
       requestAnimationFrame(tick);`,
      axis,
    );
  for (const [axis, name] of [
    ['scrollTop', 'down'],
    ['scrollLeft', 'across'],
  ]) {
    const frames = await scroll(axis);
    const late = frames.filter((ms) => ms > 17).length;
    const sorted = [...frames].sort((a, b) => a - b);
    const median = sorted[Math.floor(sorted.length / 2)];
    console.log(
      `scroll ${name}: ${frames.length} frames, median ${median.toFixed(1)} ms, ${((100 * late) / frames.length).toFixed(1)} % over 17 ms, worst ${sorted.at(-1).toFixed(0)} ms`,
    );
  }
  const heads = await driver.executeScript(
    `const grid = document.querySelector('[role=grid]').getBoundingClientRect();
     // Each body has headings of its own; those of the body in view stand at the corner.
     return [...document.querySelectorAll('[role=columnheader]')].some((one) => {
       const head = one.getBoundingClientRect();
       const down = head.top - grid.top;
       // At the top, or on its way there while the body before it leaves.
       return down >= -0.5 && down < head.height && Math.round(head.left - grid.left) === 0;
     });`,
  );
  console.log(`both headings stayed: ${heads ? 'yes' : 'NO'}`);
  const repaint = await driver.executeAsyncScript(
    `const done = arguments[arguments.length - 1];
     const times = [];
     const grid = document.querySelector('[role=grid]');
     const once = (left) => {
       const start = performance.now();
       const seen = new MutationObserver(() => {
         seen.disconnect();
         requestAnimationFrame(() => {
           times.push(performance.now() - start);
           if (left > 1) setTimeout(() => once(left - 1), 250);
           else done(times);
         });
       });
       seen.observe(grid, { subtree: true, attributes: true, attributeFilter: ['data-tone'] });
       document.querySelector('input[name=take]:not(:checked)').click();
     };
     once(7);
     setTimeout(() => done(times), 20000);`,
  );
  const sorted = [...repaint].sort((a, b) => a - b);
  console.log(
    `kind of take changed, stored and repainted: median ${sorted[Math.floor(sorted.length / 2)]?.toFixed(0)} ms of ${sorted.length} (aim 50)`,
  );
} finally {
  await close();
  stop();
  rmSync(folder, { recursive: true, force: true });
}

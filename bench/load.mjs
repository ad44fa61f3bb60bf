// First and second load of Match with the processor slowed four times, the second one from the service worker with the
// server gone; largest contentful paint and blocking time by the browser's own observers.
import { openBrowser } from '../scripts/browser.mjs';
import { startServer } from '../scripts/lib.mjs';

const OBSERVE = `
  window.seen = { lcp: 0, blocking: 0 };
  new PerformanceObserver((list) => { for (const one of list.getEntries()) window.seen.lcp = one.startTime; })
    .observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((list) => { for (const one of list.getEntries()) window.seen.blocking += Math.max(0, one.duration - 50); })
    .observe({ type: 'longtask', buffered: true });`;

const { address, stop } = await startServer({ demo: true });
const { driver, close } = await openBrowser();
const load = async () => {
  const start = Date.now();
  await driver.get(address);
  await driver.wait(
    () => driver.executeScript('return document.querySelectorAll("[role=gridcell]").length > 20'),
    60_000,
  );
  const board = Date.now() - start;
  await driver.sleep(1500);
  return { board, ...(await driver.executeScript('return window.seen')) };
};
const show = (name, { board, lcp, blocking }) =>
  console.log(
    `${name}: board shown after ${board} ms, largest contentful paint ${Math.round(lcp)} ms, blocking ${Math.round(blocking)} ms`,
  );
try {
  await driver.sendDevToolsCommand('Page.enable', {});
  await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: OBSERVE });
  await driver.sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate: 4 });
  const first = await load();
  show('first load, 4× slower', first);
  await driver.executeScript('return navigator.serviceWorker.ready.then(() => true)');
  await driver.sleep(4000);
  await driver.get(address);
  await driver.sleep(3000);
  stop();
  const second = await load();
  show('second load, server gone', second);
  console.log(`the second takes ${((100 * second.board) / first.board).toFixed(0)} % of the first (aim under 50)`);
} finally {
  await close();
  stop();
}

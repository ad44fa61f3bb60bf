import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, error, Key, logging, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import { inject } from 'vitest';
import { openBrowser, resize } from '../../scripts/browser.mjs';
import { startServer } from '../../scripts/lib.mjs';

/** Far above what any of this takes: a machine that is shared can stand still for seconds, and a wait costs only where it fails. */
export const WAIT = Number(process.env.E2E_WAIT ?? 40_000);
/**
 * How late each look comes, ms: what shows only in passing is gone by then, so that a test which counts on it fails here instead of
 * on the slow machine of somebody else. As `E2E_LATE=2500 npx vitest run --config vitest.e2e.config.ts`.
 */
const LATE = Number(process.env.E2E_LATE ?? 0);
/** How often the driver looks, ms. */
const LOOK_EVERY = 100;
/** Between two looks at a page that changes all the time: reading it is work for the page too, ms. */
const BREATH = 40;
const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Options {
  readonly demo?: boolean;
  readonly downloads?: string;
  readonly width?: number;
  readonly height?: number;
  /** A name under which this machine is reached, as from elsewhere: over plain HTTP that is no secure context. */
  readonly host?: string;
  /** Whether its requests are logged, so that `complaints` tells of foreign ones. */
  readonly network?: boolean;
  /** More flags of the browser, as for a camera of its own. */
  readonly flags?: readonly string[];
  /** A browser that was never there and a server of its own, which may be stopped; else both are shared. */
  readonly own?: boolean;
  /** A folder for the browser's profile that stays, in place of one of its own; only with a server of its own. */
  readonly profile?: string;
  /** Another server than the app's own. */
  readonly serve?: () => Promise<{ readonly address: string; readonly stop: () => Promise<unknown> }>;
}

/** A shared server is not stopped by one of those who use it. */
const sharedStays = async (): Promise<void> => {};

/** Moves the board on by most of what is in view: across, then down, then from the beginning. */
const SCROLL_ON = `
  const grid = document.querySelector('[role=grid]');
  if (!grid) return;
  const right = grid.scrollLeft + grid.clientWidth + 2 < grid.scrollWidth;
  const down = grid.scrollTop + grid.clientHeight + 2 < grid.scrollHeight;
  if (right) grid.scrollLeft += grid.clientWidth * 0.6;
  else {
    grid.scrollLeft = 0;
    grid.scrollTop = down ? grid.scrollTop + grid.clientHeight * 0.6 : 0;
  }`;

/**
 * Waits inside the page until the first element of a selector reads so, and answers what it reads by then. What is drawn is asked only
 * where all of its letters stand there: it makes the page lay itself out, which a board that is being built does often enough.
 */
const SEE = `
  const [selector, part, flags, most, done] = arguments;
  const pattern = flags === null ? null : new RegExp(part, flags);
  const letters = (text) => text.replace(/\\s+/g, '').toLowerCase();
  const wanted = pattern ? '' : letters(part);
  const look = () => {
    const place = document.querySelector(selector);
    if (!place || (!pattern && !letters(place.textContent).includes(wanted))) return null;
    const seen = place.innerText.replace(/\\s+/g, ' ');
    return (pattern ? pattern.test(seen) : seen.includes(part)) ? seen : null;
  };
  let soon = 0;
  const end = (seen) => {
    watch.disconnect();
    clearTimeout(soon);
    clearInterval(often);
    clearTimeout(late);
    done({ seen, isThere: seen !== null });
  };
  const again = () => {
    soon = 0;
    const seen = look();
    if (seen !== null) end(seen);
  };
  const watch = new MutationObserver(() => { soon ||= setTimeout(again, ${BREATH}); });
  const often = setInterval(again, 250);
  const late = setTimeout(() => end(null), most);
  watch.observe(document, { subtree: true, childList: true, characterData: true, attributes: true });
  again();`;
/** One such wait, ms: less than the driver lets a script take. */
const SEE_MOST = 10_000;
const READ = `return document.querySelector(arguments[0])?.innerText ?? null`;
const asRead = (text: string): string => text.replaceAll('\u00a0', ' ').replace(/\s+/g, ' ');

const OPEN_STORE = `
  const done = arguments[arguments.length - 1];
  const asked = (request) => new Promise((ok, no) => { request.onsuccess = () => ok(request.result); request.onerror = () => no(request.error); });
  const open = () => asked(indexedDB.open('cool-reel'));`;
const READ_STORE = `${OPEN_STORE}
  (async () => {
    const db = await open();
    const tables = {};
    const tx = db.transaction([...db.objectStoreNames]);
    for (const name of db.objectStoreNames) tables[name] = await asked(tx.objectStore(name).getAll());
    db.close();
    return { tables, local: { ...localStorage } };
  })().then(done, (thrown) => done({ failed: String(thrown) }));`;
const PUT_BACK = `${OPEN_STORE}
  const { tables, local } = arguments[0];
  (async () => {
    const db = await open();
    const tx = db.transaction([...db.objectStoreNames], 'readwrite');
    for (const name of db.objectStoreNames) {
      const table = tx.objectStore(name);
      table.clear();
      for (const row of tables[name] ?? []) table.put(row);
    }
    await new Promise((ok, no) => { tx.oncomplete = ok; tx.onerror = () => no(tx.error); tx.onabort = () => no(tx.error); });
    db.close();
    localStorage.clear();
    sessionStorage.clear();
    for (const [key, value] of Object.entries(local)) localStorage.setItem(key, value);
    return null;
  })().then(done, (thrown) => done(String(thrown)));`;

/** The real app in a real browser, with the hands of a person: click, type, read. */
export class App {
  private constructor(
    readonly driver: WebDriver,
    public address: string,
    /** Takes the server away, as a place without a network does. */
    public stopServer: () => Promise<unknown>,
    private readonly closeBrowser: () => Promise<void>,
    private readonly network: boolean,
  ) {
    // By itself the driver looks five times a second: what comes in between waits for nothing.
    const wait = driver.wait.bind(driver) as (...given: unknown[]) => Promise<unknown>;
    Object.assign(driver, {
      wait: (condition: unknown, most: unknown, message: unknown, every = LOOK_EVERY) =>
        wait(condition, most, message, every),
    });
  }

  static async open(options: Options = {}): Promise<App> {
    const { demo = true, host, flags: more = [], own = false, serve, ...browserOptions } = options;
    const been = own || host || serve ? null : inject('been')[demo ? 'demo' : 'empty'];
    const server = been ? { ...been, stop: sharedStays } : await (serve ?? (() => startServer({ demo })))();
    // What fades or slides is waited for by hands, not by these tests; those that are about it say so.
    const flags = [
      '--force-prefers-reduced-motion',
      ...more,
      ...(host ? [`--host-resolver-rules=MAP ${host} 127.0.0.1`] : []),
    ];
    const browser = await openBrowser({ ...browserOptions, flags, been: been?.profile ?? undefined });
    const address = host ? server.address.replace('127.0.0.1', host) : server.address;
    return new App(browser.driver, address, server.stop, browser.close, options.network === true);
  }

  async close(): Promise<void> {
    await this.closeBrowser();
    await this.stopServer();
  }

  async visit(path: string): Promise<void> {
    await this.driver.get(this.address + path);
  }

  /** Waits until the browser has kept the whole app for use without its server, and the page is answered from there. */
  async keptForLater(): Promise<void> {
    const kept = `return Promise.race([
      navigator.serviceWorker.ready.then(() => true),
      new Promise((late) => setTimeout(() => late(false), 1000)),
    ])`;
    await this.driver.wait(() => this.run<boolean>(kept), WAIT, 'a service worker');
    await this.driver.navigate().refresh();
    await this.driver.wait(() => this.run<boolean>('return navigator.serviceWorker.controller !== null'), WAIT);
  }

  size = (width: number, height: number): Promise<void> => resize(this.driver, width, height);

  find = (selector: string): Promise<WebElement> =>
    this.driver.wait(until.elementLocated(By.css(selector)), WAIT, selector);

  /** An element by tag and the text a person sees on it. */
  withText = (tag: string, text: string): Promise<WebElement> =>
    this.driver.wait(
      until.elementLocated(
        By.xpath(`//${tag}[normalize-space(.)="${text}" or starts-with(normalize-space(.), "${text}")]`),
      ),
      WAIT,
      `${tag} “${text}”`,
    );

  async click(selector: string): Promise<void> {
    await this.pressed(() => this.find(selector));
  }

  async clickText(tag: string, text: string): Promise<void> {
    await this.pressed(() => this.withText(tag, text));
  }

  /** Opens a folded part of a form. */
  async unfold(title: string): Promise<void> {
    const head = await this.driver.wait(
      until.elementLocated(By.xpath(`//button[@aria-expanded][span[normalize-space(.)="${title}"]]`)),
      WAIT,
      `folded part “${title}”`,
    );
    if ((await head.getAttribute('aria-expanded')) === 'false') await this.press(head);
  }

  /** Takes back what a notice tells of. */
  async undo(said: string): Promise<void> {
    const button = By.xpath(`//span[contains(., "${said}")]/button[normalize-space(.)="Undo"]`);
    await this.press(await this.driver.wait(until.elementLocated(button), WAIT, `Undo of “${said}”`));
  }

  /** Takes back the last change by its keys, outside any field: there the browser's own undo is meant. */
  async undoByKeys(): Promise<void> {
    await this.run('document.activeElement.blur()');
    await this.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform();
  }

  /** What is drawn anew in the moment of the press is looked for and pressed again, as a hand would. */
  private async pressed(locate: () => Promise<WebElement>): Promise<void> {
    for (let tries = 3; ; tries -= 1) {
      try {
        return await this.press(await locate());
      } catch (thrown) {
        if (tries === 0 || !(thrown instanceof error.StaleElementReferenceError)) throw thrown;
      }
    }
  }

  private async press(element: WebElement): Promise<void> {
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', element);
    await this.driver.wait(until.elementIsVisible(element), WAIT);
    await element.click();
  }

  /** Replaces what stands in the field of a label. */
  async fill(label: string, text: string, within = ''): Promise<void> {
    const its = `${within}//label[starts-with(normalize-space(.), "${label}")]`;
    const field = await this.driver.wait(
      until.elementLocated(By.xpath(`(${its}//input | ${its}/following::input)[1]`)),
      WAIT,
      `field “${label}”`,
    );
    await this.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', field);
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE, text);
  }

  /** Chooses an option of a list by the list's label. */
  async pick(label: string, option: string): Promise<void> {
    const field = await this.driver.wait(
      until.elementLocated(By.xpath(`//label[starts-with(normalize-space(.), "${label}")]/following::input[1]`)),
      WAIT,
      `list “${label}”`,
    );
    await this.press(field);
    await this.option(option);
  }

  /** Chooses from one of the browser's own lists by its label. */
  async choose(label: string, option: string): Promise<void> {
    const its = `//label[starts-with(normalize-space(.), "${label}")]`;
    const list = await this.driver.wait(
      until.elementLocated(By.xpath(`(${its}//select | ${its}/following::select)[1]`)),
      WAIT,
      `list “${label}”`,
    );
    const choice = await list.findElement(By.xpath(`.//option[starts-with(normalize-space(.), "${option}")]`));
    await choice.click();
  }

  /** Presses an option of the list that is open; closed lists keep theirs in the page, unseen. */
  async option(text: string): Promise<void> {
    const choice = By.xpath(`//*[@role="option"][normalize-space(.)="${text}"]`);
    await this.driver.wait(
      async () => {
        for (const one of await this.driver.findElements(choice)) {
          if (await one.isDisplayed()) {
            await one.click();
            return true;
          }
        }
        return false;
      },
      WAIT,
      `option “${text}”`,
    );
  }

  async keys(...keys: string[]): Promise<void> {
    await this.driver
      .switchTo()
      .activeElement()
      .sendKeys(...keys);
  }

  /** What a person reads there. Asked of the page itself: the driver's own way asks each element for its style, half a second a view. */
  text = async (selector: string): Promise<string> =>
    asRead(await this.driver.executeScript<string>('return arguments[0].innerText', await this.find(selector)));

  async seesText(selector: string, part: string | RegExp): Promise<string> {
    if (LATE > 0) await this.driver.sleep(LATE);
    const [pattern, flags] = typeof part === 'string' ? [part, null] : [part.source, part.flags];
    const until = Date.now() + WAIT;
    while (Date.now() < until) {
      // A page that is left meanwhile takes the wait with it.
      const { seen, isThere } = await this.driver
        .executeAsyncScript<{ seen: string; isThere: boolean }>(SEE, selector, pattern, flags, SEE_MOST)
        .catch(() => ({ seen: '', isThere: false }));
      if (isThere) return seen;
      await this.driver.sleep(LOOK_EVERY);
    }
    const seen = asRead((await this.run<string | null>(READ, selector).catch(() => null)) ?? '');
    throw new Error(`“${part}” in ${selector} is not there: ${seen.slice(0, 500)}`);
  }

  /** Every cell of the board as it is read aloud. */
  cells = async (): Promise<readonly string[]> =>
    (
      await this.driver.executeScript<string[]>(
        'return [...document.querySelectorAll("[role=gridcell]")].map((cell) => cell.ariaLabel)',
      )
    ).map((text) => text.replaceAll('\u00a0', ' '));

  /** Clicks the cell whose spoken sentence begins so, and answers one of its data attributes. */
  cell = (start: string, attribute = ''): Promise<string> =>
    this.driver.executeScript<string>(
      `const cell = [...document.querySelectorAll('[role=gridcell]')].find((one) => one.ariaLabel.replaceAll('\u00a0', ' ').startsWith(arguments[0]));
       if (!arguments[1]) cell.click();
       return cell.dataset[arguments[1]] ?? '';`,
      start,
      attribute,
    );

  /** A cell of the board, scrolled to as a hand would: only what is in view is drawn. */
  async seesCell(start: string): Promise<string> {
    let found: string | undefined;
    await this.driver.wait(
      async () => {
        found = (await this.cells()).find((text) => text.startsWith(start));
        if (found === undefined) await this.driver.executeScript(SCROLL_ON);
        return found !== undefined;
      },
      WAIT,
      `a cell “${start}”`,
    );
    return found ?? '';
  }

  /** A command of the browser's own, for what no hand can do. */
  devTools = (command: string): Promise<void> =>
    (
      this.driver as unknown as { sendDevToolsCommand: (name: string, of: object) => Promise<void> }
    ).sendDevToolsCommand(command, {});

  /** All that the app has stored in the browser, as it stands, for `putBack`. */
  stored = (): Promise<unknown> => this.driver.executeAsyncScript<unknown>(READ_STORE);

  /** The store and what the page remembers as they were; the app is left for it, so that nothing of it writes meanwhile. */
  async putBack(stored: unknown): Promise<void> {
    await this.visit('/icon.svg');
    const failed = await this.driver.executeAsyncScript<string | null>(PUT_BACK, stored);
    if (failed !== null) throw new Error(`The store was not put back: ${failed}`);
  }

  /** Begins with a kit of one's own as a person does, from nothing, and answers what is stored then. */
  async begin(kit: object | null): Promise<unknown> {
    await this.visit('/');
    await this.clickText('button', 'Start empty');
    await this.seesText('main', 'No cameras or cards yet');
    if (kit !== null) {
      const folder = mkdtempSync(join(tmpdir(), 'cool-reel-begin-'));
      const file = join(folder, 'own.coolreel.json');
      writeFileSync(file, JSON.stringify(kit));
      await this.clickText('button', 'Kit');
      await this.clickText('button', 'Import a kit file');
      await (await this.find('input[type=file]')).sendKeys(file);
      await this.clickText('button', 'Import');
      await this.seesText('body', 'A kit file imported');
      rmSync(folder, { recursive: true, force: true });
    }
    return this.stored();
  }

  run = <T>(script: string, ...args: unknown[]): Promise<T> => this.driver.executeScript<T>(script, ...args);

  /**
   * Rules that axe-core finds broken, with serious or critical impact; `minor`: with any.
   *
   * @param contrast - false where the same page was looked at in another size: colours are the same in each, and half the time
   * @param within - a part of the page, where the rest of it was looked at
   */
  async axe(least: 'minor' | 'serious' = 'serious', contrast = true, within = 'html'): Promise<readonly string[]> {
    await this.withAxe();
    return this.driver.executeAsyncScript<string[]>(
      `
      const done = arguments[arguments.length - 1];
      axe.run(arguments[2], { preload: false, resultTypes: ['violations'], rules: { 'color-contrast': { enabled: arguments[1] } } }).then(({ violations }) => done(violations
        .filter(({ impact }) => arguments[0] === 'minor' || impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => id + ': ' + nodes.slice(0, 3).map(({ target, failureSummary }) => target.join(' ') + ' ' + failureSummary).join(' | '))));
    `,
      least,
      contrast,
      within,
    );
  }

  /** Through the driver, past the page's own policy: the page itself may not run foreign code. */
  private async withAxe(): Promise<void> {
    if (!(await this.run<boolean>('return window.axe !== undefined'))) await this.driver.executeScript(axeSource);
  }

  /** The night theme over the page as it stands, or back: only colours change. */
  night = (isNight: boolean): Promise<void> =>
    this.run(`document.documentElement.setAttribute('data-mantine-color-scheme', '${isNight ? 'dark' : 'light'}')`);

  /** Waits until nothing on the page moves any more: a panel that fades in has other colours until then. */
  still = (): Promise<unknown> =>
    this.driver.executeAsyncScript(
      `const done = arguments[arguments.length - 1];
       requestAnimationFrame(() => requestAnimationFrame(() =>
         Promise.allSettled(document.getAnimations().filter((one) => one.effect?.getTiming().iterations !== Infinity).map((one) => one.finished)).then(() => done())));`,
    );

  /** Where axe-core finds too little contrast in the colours that stand now. */
  async contrast(within = 'html'): Promise<readonly string[]> {
    await this.withAxe();
    return this.driver.executeAsyncScript<string[]>(
      `const done = arguments[arguments.length - 1];
      axe.run(arguments[0], { preload: false, runOnly: ['color-contrast'], resultTypes: ['violations'] }).then(({ violations }) =>
        done(violations.flatMap(({ nodes }) => nodes.slice(0, 3).map(({ target, failureSummary }) => target.join(' ') + ' ' + failureSummary))));`,
      within,
    );
  }

  /** What the browser complained of, and what was asked of any other origin, since the last call. */
  async complaints(): Promise<readonly string[]> {
    const console = await this.driver.manage().logs().get(logging.Type.BROWSER);
    const network = this.network ? await this.driver.manage().logs().get(logging.Type.PERFORMANCE) : [];
    const complaints = console
      .filter(({ level }) => level.value >= logging.Level.WARNING.value)
      .map(({ message }) => message);
    const foreign = network.flatMap(({ message }) => {
      const { method, params } = (
        JSON.parse(message) as { message: { method: string; params: { request?: { url: string } } } }
      ).message;
      const url = method === 'Network.requestWillBeSent' ? params.request?.url : undefined;
      return url && !url.startsWith(this.address) && !/^(data|blob|about|chrome|devtools):/.test(url)
        ? [`asked for ${url}`]
        : [];
    });
    return [...complaints, ...foreign];
  }
}

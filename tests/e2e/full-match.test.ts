import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { aCard } from '../../src/core/testing.ts';
import { EMPTY_KIT } from '../../src/kit/kit.ts';
import { largeKit } from '../support/largeKit.ts';
import { App, WAIT } from './app.ts';

const downloads = mkdtempSync(join(tmpdir(), 'cool-reel-full-'));
let app: App;
beforeAll(async () => {
  app = await App.open({ downloads });
  await app.visit('/');
  await app.seesCell('Wherry 8K raw 3:1');
});
afterAll(async () => {
  await app.close();
  rmSync(downloads, { recursive: true, force: true });
});
afterEach(async () => {
  expect(await app.complaints()).toEqual([]);
});

const reset = async (): Promise<void> => {
  await app.visit('/');
  await app.clickText('button', 'Kit');
  await app.clickText('button', 'Load the demo kit');
  await app.seesCell('Wherry 8K raw 3:1 50p on A-01');
};

const downloaded = async (pattern: RegExp): Promise<string> => {
  const find = () => readdirSync(downloads).find((file) => pattern.test(file));
  await app.driver.wait(() => find() !== undefined, WAIT, String(pattern));
  return readFileSync(join(downloads, find() ?? ''), 'utf8');
};

describe('Why, to the end', () => {
  it('tries a move on the table, drops it, tries it again and keeps it, with an undo', async () => {
    await app.cell('Wherry 8K raw 3:1 50p on A-01');
    await app.clickText('button', '8:1 instead of 3:1');
    await app.seesText('[role=status]', 'Trial');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01: 49 min Guaranteed');
    await app.clickText('button', 'Drop it');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01: 18 min Maker’s claim');
    await app.clickText('button', '8:1 instead of 3:1');
    await app.clickText('button', 'Keep it');
    await app.seesText('body', 'Kept:');
    await app.driver.navigate().refresh();
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01: 49 min Guaranteed');
    await reset();
  });

  it('keeps trials made one upon another, all of them, and takes them back together', async () => {
    await app.cell('Wherry 8K raw 3:1 50p on A-01');
    await app.clickText('button', 'CFexpress B 1\u00a0TB, VPG1600');
    await app.seesCell('Wherry 8K raw 3:1 50p on CFexpress B 1 TB, VPG1600: 18 min Guaranteed');
    // The board shows the row as it is tried.
    await app.seesText('[role=status]', 'CFexpress B 1 TB, VPG1600');
    await app.cell('Wherry 8K raw 3:1 50p on A-01');
    await app.clickText('button', '8:1 instead of 3:1');
    await app.seesText('[role=status]', '8:1 instead of 3:1');
    await app.seesText('[role=grid]', 'tried at 8:1');
    await app.clickText('button', 'Keep it');
    await app.seesText('body', 'Kept:');
    await app.driver.navigate().refresh();
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01: 49 min Guaranteed');
    await app.visit('/cards');
    await app.seesText('table', 'CFexpress B 1 TB, VPG1600');
    await reset();
  });

  it('looks at the card a move names', async () => {
    await app.cell('Dory 4K intra 50p on C-02');
    const why = await app.seesText('#why', 'Use C-01');
    expect(why).toContain('Camera refuses');
    await app.clickText('button', 'Use C-01');
    await app.seesText('#why', '4K intra 50p on C-01');
  });

  it('notes a test, which moves the verdict, and takes it back', async () => {
    await app.cell('Wherry 8K raw 3:1 50p on A-02');
    await app.clickText('button', 'Log a test of this card in this camera');
    const time = await app.find('#why form input[placeholder="9:22"]');
    await time.sendKeys('37 m');
    await app.seesText('#why form', 'Unit not known');
    await time.sendKeys('in');
    await app.seesText('#why form', '= 37 min');
    await app.clickText('button', 'Note it');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-02: 37 min Test passed');
    await app.seesText('#why', 'your own full take 37 min');
    await app.undo('noted.');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-02: 37 min Maker’s claim');
  });

  it('tries an arrangement on the spot', async () => {
    await app.cell('Wherry 8K raw 5:1 25p on A-01');
    await app.seesText('#why', 'How two cards are used');
    await app.pick('Record', 'Split: a share to each');
    await app.pick('Second card', 'A-02');
    const arranged = await app.seesText('#why', '133 MB/s to each');
    expect(arranged).toContain('Uses 2 cards');
    expect(arranged).toContain('of the larger card stay unused');
    // What was tried on one cell does not follow to the next.
    await app.cell('Dory 4K intra 50p on C-01');
    await app.seesText('#why', '4K intra 50p on C-01');
    expect(await app.text('#why')).toContain('Uses 1 card');
  });
});

describe('the label reader and the wallet', () => {
  it('reads what is typed and tapped, names what contradicts, and makes a card', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'Read a label');
    await app.fill('What is printed', '512GB SDHC I U1 V90');
    const read = await app.seesText('aside', 'V90 needs UHS-II; printed is UHS-I.');
    expect(read).toContain('512 GB is SDXC, not SDHC.');
    await app.fill('What is printed', '256GB SDXC II U3');
    await app.clickText('button', 'V90');
    await app.seesText('aside', /UHS-II\s*V90\s*90 MB\/s/);
    expect(await app.axe()).toEqual([]);
    await app.clickText('button', 'Make a card of this');
    await app.fill('Card name (as you wrote it on the card)', 'R-01');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'R-01');
  });

  it('searches, sorts, and says when nothing matches', async () => {
    const search = await app.find('input[aria-label="Search cards"]');
    await search.sendKeys('v60');
    await app.seesText('main', '1 of 15 cards');
    await search.sendKeys(' nothing');
    await app.seesText('main', 'No card matches');
    await search.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
    await app.clickText('button', 'Capacity');
    await app.clickText('button', 'Capacity');
    await app.seesText('tbody tr', 'A-02');
  });

  it('changes several at once, counts labels on, and undoes it', async () => {
    await app.click('input[aria-label="Choose R-01"]');
    const copies = await app.find('input[aria-label="Copies of each"]');
    await copies.sendKeys(Key.chord(Key.CONTROL, 'a'), '7');
    await app.clickText('button', 'Duplicate');
    await app.seesText('table', 'R-08');
    await app.clickText('button', 'Retire');
    await app.seesText('table', 'retired');
    // Wide enough that no column is left undrawn.
    await app.size(3200, 800);
    await app.visit('/');
    await app.seesCell('Dory 4K intra 50p on R-02');
    expect((await app.cells()).some((text) => text.includes('on R-01:'))).toBe(false);
    await app.size(1280, 800);
    await reset();
  });

  it('keeps incidents and the rest of a card’s history', async () => {
    await app.visit('/cards?open=c-05');
    expect(await app.text('table')).not.toContain('2 incidents');
    await app.clickText('button', 'Note an incident');
    await app.fill('In words', 'slow-card warning');
    await app.fill('Bought on', 'yesterday');
    await app.clickText('button', 'Save');
    await app.seesText('aside', '“yesterday” is no day that exists; write it as 2026-05-04');
    await app.fill('Bought on', '2026-05-04');
    await app.clickText('button', 'Save');
    await app.seesText('table', /C-05.*1 incident.*C-06/);
  });
});

describe('bodies', () => {
  it('takes modes from a pasted table, with a preview', async () => {
    await app.visit('/bodies?open=dory');
    await app.clickText('button', 'Paste modes from a table');
    const area = await app.find('#paste-modes');
    await app.run(
      `const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
       set.call(arguments[0], arguments[1]);
       arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
      area,
      'Mode;Size;fps;Mb/s\nPasted one;3840x2160;30;120\nBroken;3840x2160;30;100 m',
    );
    const preview = await app.seesText('[role=dialog]', 'Pasted one');
    expect(preview).toContain('120 Mb/s = 15 MB/s');
    expect(preview).toContain('no rate that can be read: type it in');
    expect(preview).toContain('One row is not read yet');
    await app.clickText('button', 'Add 1');
    await app.clickText('button', 'Save');
    await app.visit('/');
    await app.seesCell('Dory Pasted one 30p on C-01: ');
  });

  it('decodes a counter from a few readings', async () => {
    await app.visit('/bodies?open=gull');
    // One as the display frames it, one as people write it.
    for (const [at, minutes] of ['[ 105 ]', '2h38'].entries()) {
      await app.unfold('What its counter shows');
      await app.clickText('button', 'Note a reading');
      const fields = await app.driver.findElements(
        By.xpath('//label[starts-with(., "Shown, min")]/following::input[1]'),
      );
      await fields[at]?.sendKeys(minutes);
    }
    await app.driver.findElement(By.xpath('//h1 | //h2')).click();
    const typed = await app.driver.findElements(By.xpath('//label[starts-with(., "Shown, min")]/following::input[1]'));
    expect(await Promise.all(typed.map((field) => field.getAttribute('value')))).toEqual(['105', '158']);
    const modes = await app.driver.findElements(
      By.xpath('//fieldset[contains(., "What its counter shows")]//label[.="Mode"]/following::select[1]'),
    );
    await modes[1]?.findElement(By.xpath('./option[.="4K long-GOP 25p"]')).click();
    await app.seesText('form', /Usable 9\d/);
    await app.seesText('form', 'The counter should then show, on an empty 128 GB card');
  });
});

describe('out of the app', () => {
  it('writes the table as CSV', async () => {
    await reset();
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'The table as CSV');
    const csv = await downloaded(/^board-.*\.csv$/);
    expect(csv).toContain('body,mode,fps,card,verdict');
    expect(csv).toMatch(/Dory,4K intra,50,C-01,Guaranteed,cool,Slot 1,66/);
  });

  it('prints a crew card a camera, each whole on one page', async () => {
    await app.visit('/crew');
    await app.seesText('main', 'Bollard');
    expect(await app.axe()).toEqual([]);
    const devtools = app.driver as unknown as {
      sendAndGetDevToolsCommand(command: string, parameters: object): Promise<{ data: string }>;
    };
    const { data } = await devtools.sendAndGetDevToolsCommand('Page.printToPDF', {
      printBackground: true,
      preferCSSPageSize: true,
    });
    const pdf = Buffer.from(data, 'base64').toString('latin1');
    expect(pdf.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(7);
    // Under print styles no row is taller than a page, and none may be cut by one.
    const cut = await app.run<string[]>(
      'return [...document.querySelectorAll("tr")].filter((row) => row.getBoundingClientRect().height > 120).map((row) => row.textContent)',
    );
    expect(cut).toEqual([]);
  });

  it('builds the crew cards of a large kit as they are looked at, and all of them before they are printed', async () => {
    const before = await app.stored();
    const { bodies, cards } = largeKit(500, 400);
    expect(bodies).toHaveLength(100);
    await app.visit('/');
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Import a kit file');
    const file = join(downloads, 'large.coolreel.json');
    writeFileSync(file, JSON.stringify({ ...EMPTY_KIT, bodies, cards }));
    await (await app.find('input[type=file]')).sendKeys(file);
    await app.clickText('label', 'Put it in the place');
    await app.clickText('button', 'Replace the kit');
    await app.seesText('body', 'A kit file imported');
    await app.visit('/crew');
    await app.seesText('main', 'Mode 4');
    const elements = () => app.run<number>('return document.querySelectorAll("main *").length');
    const pages = () => app.run<number>('return document.querySelectorAll("main table").length');
    expect(await elements()).toBeLessThan(6000);
    expect(await pages()).toBeLessThan(20);
    await app.run('window.print = () => { window.printed = document.querySelectorAll("main table").length; }');
    await app.clickText('button', 'Print');
    await app.seesText('[role=status]', /Page \d+ of 100/);
    await app.driver.wait(() => app.run<boolean>('return window.printed > 0'), WAIT, 'printed');
    expect(await app.run<number>('return window.printed')).toBeGreaterThanOrEqual(75);
    expect(await elements()).toBeLessThan(40_000);
    await app.putBack(before);
  });

  it('finds anything by its name in the palette', async () => {
    await app.visit('/');
    await app.seesCell('Wherry 8K raw 3:1');
    await app.keys(Key.chord(Key.CONTROL, 'k'));
    const search = await app.find('input[aria-label="Search and commands"]');
    await search.sendKeys('C-02');
    await app.seesText('[role=dialog]', 'SD 256 GB, V60');
    await search.sendKeys(Key.ENTER);
    await app.seesText('aside', 'C-02');
  });
});

describe('when the browser refuses', () => {
  it('full storage: says so, keeps what was typed, changes nothing', async () => {
    await app.visit('/cards?open=c-01');
    await app.fill('Card name (as you wrote it on the card)', 'C-77');
    await app.run(`
      window.realPut = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = () => { throw new DOMException('full', 'QuotaExceededError'); };`);
    await app.clickText('button', 'Save');
    await app.seesText('body', 'storage is full');
    expect(
      await app.run('return [...document.querySelectorAll("aside input")].some((one) => one.value === "C-77")'),
    ).toBe(true);
    expect(await app.text('table')).toContain('C-01');
    await app.run('IDBObjectStore.prototype.put = window.realPut');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'C-77');
  });

  it('a tab closed in the middle of an import leaves the old kit or the new one, whole', async () => {
    const cards = Array.from({ length: 10_000 }, (_, at) => aCard({ id: `n${at}`, label: `N-${at}` }));
    const file = join(downloads, 'ten-thousand.json');
    writeFileSync(file, JSON.stringify({ ...EMPTY_KIT, cards }));
    const first = await app.driver.getWindowHandle();
    await app.driver.switchTo().newWindow('tab');
    await app.visit('/cards');
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Import a kit file');
    await (await app.find('input[type=file]')).sendKeys(file);
    await app.seesText('[role=dialog]', 'N-0');
    await app.clickText('label', 'Put it in the place');
    await app.seesText('[role=dialog]', '10000 new');
    await app.run(
      '[...document.querySelectorAll("[role=dialog] button")].find((one) => one.textContent === "Replace the kit").click()',
    );
    await app.driver.close();
    await app.driver.switchTo().window(first);
    await app.visit('/cards');
    expect(await app.seesText('main', / (14|10000) cards/)).toMatch(/^(.* )?(14|10000) cards/);
  });

  it('shows a wallet of 10,000 cards, searched and not scrolled', async () => {
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Import a kit file');
    await (await app.find('input[type=file]')).sendKeys(join(downloads, 'ten-thousand.json'));
    await app.clickText('label', 'Put it in the place');
    await app.seesText('[role=dialog]', /10000 (new|unchanged)/);
    await app.run(
      '[...document.querySelectorAll("[role=dialog] button")].find((one) => one.textContent === "Replace the kit").click()',
    );
    await app.seesText('main', '10000 cards');
    await app.seesText('main', '200 of 10000 shown');
  });

  it('a newer version in another tab: says so, and saves nothing behind its back', async () => {
    await app.run('indexedDB.open("cool-reel", 9990)');
    await app.seesText('body', 'Another tab has a newer version of Cool Reel open');
    await app.run('document.querySelector("tbody th button").click()');
    await app.fill('Card name (as you wrote it on the card)', 'late');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'reload this tab.');
    // The library itself tells the console that it let go.
    expect((await app.complaints()).filter((text) => !text.includes('Another connection wants to upgrade'))).toEqual(
      [],
    );
  });
});

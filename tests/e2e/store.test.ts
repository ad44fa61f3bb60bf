import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { App, WAIT } from './app.ts';

let app: App;
const tabs: string[] = [];

beforeAll(async () => {
  app = await App.open();
  await app.visit('/');
  await app.seesCell('Dory 4K intra 50p on C-01');
  tabs.push(await app.driver.getWindowHandle());
  await app.driver.switchTo().newWindow('tab');
  tabs.push(await app.driver.getWindowHandle());
});
afterAll(() => app?.close());

const tab = (at: number): Promise<void> => app.driver.switchTo().window(tabs[at] ?? '');
const value = (label: string): Promise<string> =>
  app.run<string>(
    'return [...document.querySelectorAll("label")].find((one) => one.textContent.startsWith(arguments[0])).parentElement.querySelector("input").value',
    label,
  );
/** Leaves whatever field has the focus: there the browser's own undo is meant. */
const leaveField = (): Promise<void> => app.run('document.activeElement.blur()');

/** Saves, and waits until it is stored: then there is nothing left to save. */
async function save(): Promise<void> {
  await app.clickText('button', 'Save');
  await app.driver.wait(
    async () => app.run<boolean>('return document.querySelector("form [type=submit]")?.disabled ?? false'),
    WAIT,
    'saved',
  );
}

describe('two tabs on one form', () => {
  it('keep both changes: the later save shows them and lets the person choose by field', async () => {
    for (const at of [0, 1]) {
      await tab(at);
      await app.visit('/cards?open=c-01');
      await app.find('aside form');
    }
    await tab(1);
    await app.fill('Firmware', '2.1');
    await app.fill('Bought from', 'the quay');
    await tab(0);
    await app.fill('Capacity', '512');
    await app.fill('Bought from', 'the harbour shop');
    await save();
    await tab(1);
    await app.seesText('aside form', 'Changed elsewhere meanwhile');
    expect(await value('Firmware'), 'what is typed stays').toBe('2.1');
    await app.clickText('button', 'Save');
    const dialog = await app.seesText('[role=dialog]', 'changed elsewhere');
    for (const part of ['Capacity', '512', '256', 'Firmware', '2.1', 'the quay', 'the harbour shop', 'both changed it'])
      expect(dialog).toContain(part);
    expect(await app.axe()).toEqual([]);
    await app.driver.findElement(By.xpath('//label[contains(., "the harbour shop")]')).click();
    await app.clickText('button', 'Save what is chosen');
    await app.seesText('body', 'C-01 saved.');
    await tab(0);
    await app.driver.wait(async () => (await value('Firmware')) === '2.1', WAIT);
    expect(await value('Capacity')).toBe('512');
    expect(await value('Bought from')).toBe('the harbour shop');
  });

  it('a form whose card was deleted elsewhere keeps what was typed and saves it anew', async () => {
    await tab(1);
    await app.visit('/cards?open=c-02');
    await app.fill('Note', 'typed before it went');
    await tab(0);
    await app.visit('/cards?open=c-02');
    await app.clickText('button', 'Delete');
    await app.seesText('body', 'C-02 deleted.');
    await tab(1);
    await app.seesText('aside form', 'Deleted elsewhere meanwhile');
    expect(await value('Note')).toBe('typed before it went');
    await app.clickText('button', 'Save it anew');
    await app.seesText('body', 'C-02 saved.');
    await tab(0);
    await app.seesText('table', 'C-02');
  });
});

describe('the last changes', () => {
  it('are taken back and made again by keys, over views, each and nothing else', async () => {
    await tab(0);
    await app.visit('/cards?open=c-05');
    await app.fill('Firmware', '7');
    await save();
    await app.fill('Price paid', '33');
    await save();
    await app.visit('/bodies');
    await app.find('main form');
    await app.undoByKeys();
    await app.seesText('body', 'Taken back: C-05 saved.');
    await app.visit('/cards?open=c-05');
    await app.find('aside form');
    expect(await value('Price paid')).not.toBe('33');
    expect(await value('Firmware')).toBe('7');
    await leaveField();
    await app.driver
      .actions()
      .keyDown(Key.CONTROL)
      .keyDown(Key.SHIFT)
      .sendKeys('z')
      .keyUp(Key.SHIFT)
      .keyUp(Key.CONTROL)
      .perform();
    await app.seesText('body', 'Made again: C-05 saved.');
    await app.driver.wait(async () => (await value('Price paid')) === '33', WAIT);
  });

  it('stand in a list; an earlier one is taken back and the later stays', async () => {
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Last changes');
    const dialog = await app.seesText('[role=dialog]', 'C-05 saved.');
    expect(dialog).toContain('C-02 saved.');
    expect(await app.axe()).toEqual([]);
    const rows = await app.driver.findElements(By.xpath('//*[@role="dialog"]//button[normalize-space(.)="Take back"]'));
    await rows[1]?.click();
    await app.seesText('body', 'Taken back: C-05 saved.');
    await app.keys(Key.ESCAPE);
    await app.driver.wait(async () => (await value('Firmware')) !== '7', WAIT);
    expect(await value('Price paid'), 'the later change stays').toBe('33');
  });

  it('say so where something newer stands in the way', async () => {
    await app.fill('Price paid', '44');
    await save();
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Last changes');
    await app.seesText('[role=dialog]', 'C-05 saved.');
    const buttons = await app.driver.findElements(
      By.xpath('//*[@role="dialog"]//button[normalize-space(.)="Take back"]'),
    );
    await buttons[1]?.click();
    await app.seesText('body', 'Nothing was taken back: C-05 (price)');
    await app.keys(Key.ESCAPE);
    expect(await value('Price paid')).toBe('44');
  });

  it('take a whole kit back that was put in place of another', async () => {
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Start empty');
    await app.seesText('main', 'No card yet');
    await app.undo('The kit is empty.');
    await app.seesText('table', 'C-05');
  });
});

describe('a wallet as people make it', () => {
  it('copies a card whose number is past what a number holds, and keeps its history out of the copy', async () => {
    await app.visit('/cards?open=c-01');
    await app.fill('Card name (as you wrote it on the card)', 'SN-99999999999999999999');
    await app.clickText('button', 'Note an incident');
    await app.fill('In words', 'slow-card warning');
    await save();
    const incidents = async (): Promise<number> => ((await app.text('table')).match(/1 incident/g) ?? []).length;
    await app.seesText('table', /SN-9{20}.*?1 incident/);
    const before = await incidents();
    await app.clickText('button', 'Duplicate');
    await app.seesText('table', 'SN-100000000000000000000');
    expect(await incidents()).toBe(before);
  });

  it('is asked of the browser with the first entry of one’s own, once, and says how much room is left', async () => {
    await app.visit('/cards?open=c-02');
    await app.find('aside form');
    await app.run(
      'window.asked = 0; navigator.storage.persisted = async () => false; navigator.storage.persist = async () => { window.asked += 1; return false; }',
    );
    expect(await app.run('return window.asked')).toBe(0);
    await app.fill('Bought from', 'the pier');
    await save();
    await app.fill('Bought from', 'the pier, again');
    await save();
    expect(await app.run('return window.asked')).toBe(1);
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Storage');
    const told = await app.seesText('[role=dialog]', 'The browser may drop the kit');
    expect(told).toMatch(/Used \S+ .+ of \S+ .+ that the browser grants; \S+ .+ left\./);
    await app.keys(Key.ESCAPE);
  });

  it('opens where the installed app’s shortcuts lead', async () => {
    await app.visit('/prove?new');
    await app.find('form[aria-label="Log a take"]');
    await app.visit('/day?at=live');
    await app.seesText('main', 'Rehearse it');
  });

  it('reminds of an export that is due, and no longer once it was made', async () => {
    await app.run(
      'indexedDB.open("cool-reel").onsuccess = (e) => { const db = e.target.result; const t = db.transaction("meta", "readwrite"); t.objectStore("meta").put({ key: "exported", value: { at: "2026-01-01T00:00:00Z", seq: 0 } }); t.oncomplete = () => db.close(); }',
    );
    await app.visit('/cards');
    await app.clickText('button', 'Kit');
    await app.seesText('[role=menu]', 'Last exported');
    await app.clickText('button', 'Export the kit file');
    await app.driver.wait(async () => !(await app.text('header')).includes('Last exported'), WAIT);
    expect(await app.complaints()).toEqual([]);
  });

  it('says that its storage was deleted', async () => {
    await app.visit('/cards');
    await app.seesText('table', 'C-05');
    await tab(1);
    await app.visit('/api/health');
    await app.run('indexedDB.deleteDatabase("cool-reel")');
    await tab(0);
    await app.seesText('body', 'The storage of Cool Reel was deleted');
  });
});

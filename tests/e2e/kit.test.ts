import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aBody, aCard, aMode, aSlot } from '../../src/core/testing.ts';
import { EMPTY_KIT, VERSION } from '../../src/kit/kit.ts';
import { App, WAIT } from './app.ts';

const downloads = mkdtempSync(join(tmpdir(), 'cool-reel-e2e-'));
let app: App;
/** What is stored at the first visit, once somebody began empty, and with one body and one card. */
let stored: { readonly first: unknown; readonly empty: unknown; readonly skiff: unknown };
const SKIFF = {
  ...EMPTY_KIT,
  bodies: [
    aBody({
      id: 'skiff',
      name: 'Skiff',
      slots: [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-ii' }] }), aSlot({ id: 's2', name: 'Slot 2' })],
      modes: [
        aMode({
          id: 'i25',
          name: '4K intra',
          codec: 'long-gop',
          fps: 25,
          rate: { kind: 'stated', Mbps: 400, is: 'maximum' },
          overhead: null,
        }),
      ],
    }),
  ],
  cards: [aCard({ id: 's1', label: 'S-01', capacityGB: 128, marks: ['II', 'V60'] })],
};
beforeAll(async () => {
  app = await App.open({ demo: false, downloads });
  await app.visit('/');
  await app.withText('button', 'Load the demo kit');
  const first = await app.stored();
  const empty = await app.begin(null);
  await app.putBack(first);
  stored = { first, empty, skiff: await app.begin(SKIFF) };
});
afterAll(async () => {
  await app.close();
  rmSync(downloads, { recursive: true, force: true });
});
const from = (which: keyof typeof stored): void => {
  beforeEach(() => app.putBack(stored[which]));
};
afterEach(async () => {
  expect(await app.complaints()).toEqual([]);
});

/** The modes of a body’s sheet. */
const MODES = '//fieldset[legend[normalize-space(.)="Modes"]]';

/** What the board answers; heat marks come beside it, a moment earlier or later. */
const answers = async () => (await app.cells()).map((cell) => cell.replace(/ Heat: .*$/, ''));

const kitMenu = async (item: string): Promise<void> => {
  await app.clickText('button', 'Kit');
  await app.clickText('button', item);
};

const choose = async (name: string, text: string): Promise<void> => {
  const file = join(downloads, name);
  writeFileSync(file, text);
  await kitMenu('Import a kit file');
  await (await app.find('input[type=file]')).sendKeys(file);
};

const exported = async (): Promise<string> => {
  await kitMenu('Export the kit file');
  const name = () => readdirSync(downloads).find((file) => /^kit-.*\.coolreel\.json$/.test(file));
  await app.driver.wait(() => name() !== undefined, WAIT, 'the exported file');
  return readFileSync(join(downloads, name() ?? ''), 'utf8');
};

describe('a kit that nobody began', () => {
  from('first');
  it('answers the quick check, with its Why, before anything is begun', async () => {
    await app.visit('/?q=600%20Mb%2Fs%20on%20256GB%20V90%20II');
    await app.withText('button', 'Load the demo kit');
    await app.seesText('#quick-answer', 'Guaranteed');
    await app.clickText('button', 'Why');
    await app.seesText('#why', 'The quick check');
  });

  it('keeps the camera and the cards of a question in four presses, on a phone; the table has its answer', async () => {
    await app.size(390, 844);
    await app.visit('/?q=400%20Mb%2Fs%20on%202x256GB%20V60');
    await app.clickText('button', 'Keep this camera');
    await app.seesText('#quick-answer', 'Which bus do its slots have?');
    await app.clickText('button', 'UHS-II');
    await app.seesText('#notices', 'Camera 1 saved.');
    await app.clickText('button', 'Keep these 2 cards');
    await app.clickText('button', 'Keep');
    for (const card of ['Card 1', 'Card 2'])
      expect(await app.seesCell(`Camera 1 400 Mb/s 50p on ${card}`)).toContain('82 min Guaranteed');
    expect(await app.axe('minor')).toEqual([]);
    await app.size(1280, 800);
  });

  it('asks for a name and for what the line leaves open, and keeps nothing before both are told', async () => {
    await app.visit('/?q=400%20Mb%2Fs%20on%20256GB');
    await app.clickText('button', 'Keep this camera');
    await app.fill('What this camera is called', ' ');
    await app.seesText('#quick-answer', 'The name is empty. Enter at least one character.');
    await app.fill('What this camera is called', 'Harbour');
    await app.choose('Cards that it takes', 'CFexpress B');
    await app.seesText('#quick-answer', 'Which bus do its slots have?');
    await app.clickText('button', 'Not sure');
    await app.seesText('#notices', 'Harbour saved.');
    await app.visit('/bodies');
    await app.seesText('main', /Harbour/);
  });

  it('offers the demo or an empty start, and begins empty', async () => {
    await app.visit('/');
    await app.withText('button', 'Load the demo kit');
    await app.clickText('button', 'Start empty');
    await app.seesText('main', 'No cameras or cards yet');
  });
});

describe('an empty kit', () => {
  from('empty');
  it('adds a camera with a mode, with messages beside the fields', async () => {
    await app.visit('/');
    await app.clickText('a', 'Add a camera with a mode');
    await app.seesText('main', 'No camera yet');
    await app.clickText('button', 'Add a camera');
    await app.clickText('button', 'Save');
    await app.seesText('form', 'Name is empty');
    await app.seesText('form', 'Not saved. Correct one field: Name.');
    await app.fill('Name', 'Skiff');
    await app.seesText('form', 'the slowest common one is assumed');
    await app.pick('Bus of the slot', 'UHS-II');
    await app.clickText('button', 'Add a mode');
    await app.fill('Name', '4K intra', MODES);
    await app.fill('Recorded, fps', '25');
    await app.fill('Width, px', '3840');
    await app.fill('Height, px', '2160');
    await app.fill('Stated rate', '100 m');
    await app.seesText('form', 'Bits or bytes? 100 Mb/s or 100 MB/s');
    await app.clickText('button', 'Save');
    await app.seesText('form', 'Not saved. Correct one field');
    await app.fill('Stated rate', '400 Mb/s');
    await app.seesText('form', '= 50 MB/s');
    await app.clickText('button', 'Save');
    await app.seesText('nav[aria-label=Cameras]', 'Skiff');
  });
});

describe('a kit of one’s own', () => {
  from('skiff');
  it('asks bits or bytes about a rate eight times off its neighbour', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Add a mode');
    await app.fill('Name', '4K again', `${MODES}/div[1]/div[2]`);
    await app.fill('Recorded, fps', '25', `${MODES}/div[1]/div[2]`);
    await app.fill('Width, px', '3840', `${MODES}/div[1]/div[2]`);
    await app.fill('Height, px', '2160', `${MODES}/div[1]/div[2]`);
    await app.fill('Stated rate', '3200 Mb/s', `${MODES}/div[1]/div[2]`);
    await app.seesText('form', 'Bits or bytes? This is about eight times off the other modes');
    await app.clickText('button', 'Discard');
  });

  it('adds a card and shows the new cell on the table', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'Add a card');
    await app.clickText('button', 'Save');
    await app.seesText('aside', 'Capacity is missing: enter a number.');
    await app.fill('Card name (as you wrote it on the card)', 'S-07');
    await app.fill('Capacity', '128');
    await app.fill('Marks and words', 'v60 ii ');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'S-07');
    await app.visit('/');
    expect(await app.seesCell('Skiff 4K intra 25p on S-07')).toContain('41 min Guaranteed');
  });

  it('refuses a card of impossible capacity and keeps what was typed', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'S-01');
    await app.fill('Capacity', '-5');
    await app.clickText('button', 'Save');
    await app.seesText('aside', 'Capacity must be above 0');
    await app.clickText('button', 'Discard');
  });

  it('reads numbers with a comma, and asks where one may be a thousand times the other', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'S-01');
    await app.fill('Fast cache', '12,5');
    await app.fill('Read, peak', '1,234');
    await app.seesText('aside', '“1,234” may be 1234 or 1.234. Which?');
    await app.clickText('button', '1234');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'S-01 saved.');
    await app.driver.navigate().refresh();
    await app.clickText('button', 'S-01');
    const value = (label: string): Promise<string> =>
      app.run<string>(
        'return [...document.querySelectorAll("aside label")].find((one) => one.textContent.startsWith(arguments[0])).parentElement.querySelector("input").value',
        label,
      );
    expect(await value('Fast cache')).toBe('12.5');
    expect(await value('Read, peak')).toBe('1234');
  });

  it('duplicates with the next label, deletes, and takes a deletion back', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'S-01');
    await app.clickText('button', 'Duplicate');
    await app.seesText('table', 'S-02');
    await app.clickText('button', 'S-02');
    await app.clickText('button', 'Delete');
    await app.seesText('body', 'S-02 deleted');
    await app.driver.wait(async () => !(await app.text('table')).includes('S-02'), WAIT);
    await app.driver.findElement(By.xpath('//*[contains(text(), "S-02 deleted")]/button')).click();
    await app.seesText('table', 'S-02');
  });

  it('keeps everything over a reload', async () => {
    await app.visit('/cards');
    await app.driver.navigate().refresh();
    await app.seesText('table', 'S-01');
    await app.visit('/bodies');
    await app.seesText('nav[aria-label=Cameras]', 'Skiff');
    await app.pick('How two cards', 'Mirrored: the same to each');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Skiff saved');
  });

  it('a second tab follows', async () => {
    await app.visit('/');
    await app.seesCell('Skiff 4K intra 25p on S-01');
    const first = await app.driver.getWindowHandle();
    await app.driver.switchTo().newWindow('tab');
    await app.visit('/cards');
    await app.clickText('button', 'S-01');
    await app.fill('Card name (as you wrote it on the card)', 'S-99');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'S-99');
    await app.driver.close();
    await app.driver.switchTo().window(first);
    await app.seesCell('Skiff 4K intra 25p on S-99');
  });

  it('exports, begins empty, imports: the same table', async () => {
    await app.visit('/');
    await app.seesCell('Skiff 4K intra 25p on S-01');
    const before = await answers();
    const text = await exported();
    expect(JSON.parse(text)).toMatchObject({ format: 'cool-reel-kit', version: VERSION });
    await kitMenu('Start empty');
    await app.seesText('main', 'No cameras or cards yet');
    await choose('back.coolreel.json', text);
    await app.seesText('[role=dialog]', '1 new S-01');
    await app.clickText('button', 'Import');
    await app.seesCell('Skiff 4K intra 25p on S-01');
    expect(await answers()).toEqual(before);
  });

  it('a broken import changes nothing, and says what is wrong and where', async () => {
    await app.visit('/');
    await app.seesCell('Skiff 4K intra 25p on S-01');
    const before = await answers();
    for (const [name, text, message] of [
      ['broken.json', '{"format": "cool-reel-kit",\n"version": 1, oops', 'line 2'],
      ['other.json', '{"hello": 1}', 'not a kit file'],
      ['later.json', `{"format": "cool-reel-kit", "version": ${VERSION + 1}}`, `version ${VERSION + 1}`],
      ['proto.json', '{"format":"cool-reel-kit","version":1,"__proto__":{},"bodies":[],"cards":[]}', '__proto__'],
      ['deep.json', '['.repeat(5000), 'deeper than'],
      [
        'bad.json',
        '{"format":"cool-reel-kit","version":1,"bodies":[],"cards":[{"id":"x","label":"x","form":"sd","capacityGB":-1,"marks":[]}]}',
        'cards[0].capacityGB',
      ],
    ] as const) {
      await choose(name, text);
      const alert = await app.seesText('[role=dialog] [role=alert]', message);
      expect(alert, name).toContain('Nothing was changed');
      await app.keys(Key.ESCAPE);
      await app.driver.wait(async () => (await app.driver.findElements(By.css('[role=dialog]'))).length === 0, WAIT);
      expect(await answers(), name).toEqual(before);
    }
  });

  it('shows HTML in a name as text', async () => {
    const name = '<img src=x onerror=document.title=1>';
    const kit = { ...SKIFF, bodies: SKIFF.bodies.map((body) => ({ ...body, name })) };
    await app.visit('/');
    await choose('html.json', JSON.stringify(kit));
    await app.clickText('label', 'Put it in the place');
    await app.clickText('button', 'Replace the kit');
    await app.seesText('[role=grid]', name);
    expect(await app.driver.getTitle()).toBe('Check · Cool Reel');
  });

  it('puts an earlier state back', async () => {
    await app.visit('/');
    await kitMenu('Start empty');
    await app.seesText('main', 'No cameras or cards yet');
    await kitMenu('Earlier states');
    await app.clickText('button', 'Put back');
    await app.seesText('[role=grid]', 'Skiff');
  });

  it('loads the demo on demand and never over a kit at a later visit', async () => {
    await app.visit('/');
    await kitMenu('Load the demo kit');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01');
    await kitMenu('Start empty');
    await app.seesText('main', 'No cameras or cards yet');
    await app.driver.navigate().refresh();
    await app.seesText('main', 'No cameras or cards yet');
  });
});

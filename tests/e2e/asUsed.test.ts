import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aBody, aCard, aMode } from '../../src/core/testing.ts';
import { EMPTY_KIT, VERSION } from '../../src/kit/kit.ts';
import heron from '../fixtures/heron.coolreel.json' with { type: 'json' };
import { App, WAIT } from './app.ts';

let app: App;
let files: string;
/** What is stored once somebody began empty, and with the body and cards of the first two trials. */
let empty: unknown;
let heronKit: unknown;

beforeAll(async () => {
  files = mkdtempSync(join(tmpdir(), 'cool-reel-used-'));
  app = await App.open({ demo: false, downloads: files });
  await app.visit('/');
  await app.withText('button', 'Start empty');
  const first = await app.stored();
  empty = await app.begin(null);
  await app.putBack(first);
  heronKit = await app.begin(heron);
});
/** Each test begins with it, and leans on no other. */
const withHeron = (): void => {
  beforeEach(() => app.putBack(heronKit));
};
afterAll(async () => {
  await app.close();
  rmSync(files, { recursive: true, force: true });
});

/** Counts what a person does: a press, a choice, something typed or pasted. Looking is free. */
class Hands {
  private count = 0;
  private readonly wanted: string;

  constructor(wanted: string) {
    this.wanted = wanted;
  }

  press = (text: string, tag = 'button'): Promise<void> => this.done(() => app.clickText(tag, text));
  click = (selector: string): Promise<void> => this.done(() => app.click(selector));
  type = (label: string, text: string): Promise<void> => this.done(() => app.fill(label, text));
  pick = (label: string, option: string): Promise<void> => this.done(() => app.pick(label, option));
  choose = (label: string, option: string): Promise<void> => this.done(() => app.choose(label, option));
  option = (list: string, text: string): Promise<void> =>
    this.done(async () => {
      const found = await app.find(list);
      await (await found.findElement(By.xpath(`.//option[normalize-space(.)="${text}"]`))).click();
    });
  paste = (selector: string, text: string): Promise<void> => this.done(() => paste(selector, text));
  cell = (start: string): Promise<unknown> => this.done(() => app.cell(start));

  private async done(work: () => Promise<unknown>): Promise<void> {
    this.count += 1;
    await work();
  }

  /** Prints what it took, and holds it under what is wanted. */
  atMost(most: number): void {
    console.info(`${this.wanted}: ${this.count} of at most ${most}`);
    expect(this.count, this.wanted).toBeLessThanOrEqual(most);
  }
}

const paste = async (selector: string, text: string): Promise<void> => {
  const area = await app.find(selector);
  await app.run(
    `const kind = arguments[0].tagName === 'TEXTAREA' ? HTMLTextAreaElement : HTMLInputElement;
     Object.getOwnPropertyDescriptor(kind.prototype, 'value').set.call(arguments[0], arguments[1]);
     arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
    area,
    text,
  );
};

/** A manual's table as it comes out of a document: ragged, two sizes, several speeds in a cell, a footnote. */
const MANUAL = `Recording modes
4K 16:9 3840x2160 59.94p/50p 10-bit 4:2:2 Long GOP 200 Mbps
4K 16:9 3840x2160 29.97p/25p/23.98p 10-bit 4:2:2 ALL-Intra 300 Mbps
C4K 4096×2160 23.976p/24p 8-bit 4:2:0 IPB 150 Mbps
FHD 1920 x 1080 59.94p/50p/29.97p/25p 4:2:2 ALL-I 222 Mbps
FHD 1920 x 1080 100p → 25p 4:2:0 Long GOP 120 Mbps
* Needs a V60 card above 240 Mbps.`;

describe('trials, as a new user makes them', () => {
  withHeron();
  it('a camera with twelve modes from a pasted table', async () => {
    await app.putBack(empty);
    await app.visit('/bodies');
    const hands = new Hands('a camera with twelve modes from a table');
    await hands.press('Add a camera');
    await hands.type('Name', 'Heron');
    await hands.press('SD hybrid');
    await hands.pick('Bus of the slot', 'UHS-II');
    await hands.press('Paste modes from a table');
    await hands.paste('#paste-modes', MANUAL);
    await app.seesText('[role=dialog]', 'of which speed are they?');
    await hands.press('the captured speed');
    await app.seesText('[role=dialog]', '300 Mb/s = 37.5 MB/s');
    await hands.press('Add 12 modes');
    await hands.press('Save');
    await app.seesText('nav[aria-label=Cameras]', '12 modes');
    hands.atMost(10);
  });

  it('six cards', async () => {
    await app.putBack(empty);
    await app.visit('/cards');
    const hands = new Hands('six cards');
    await hands.press('Paste several');
    await hands.paste(
      '#paste-cards',
      'H-1 128GB SDXC II U3 V 60 270MB/s\nH-2 128G SDXC II V60\nH-3 256GB V90 II R300 W260\nH-4 64GB V30 UHS-I\nH-5 512GB SDXC-I U3 v-30 good one\nH-6 1TB CFexpress B VPG400',
    );
    await app.seesText('[role=dialog]', 'H-6');
    await hands.press('Add 6');
    await app.seesText('main', '6 cards');
    hands.atMost(5);
  });

  it('which cards for a mode, printed', async () => {
    const hands = new Hands('which cards for a mode, and print');
    await app.visit('/');
    expect(await app.seesCell('Heron 4K 16:9 10-bit 4:2:2 ALL-Intra 29.97p on H-1')).toContain('Guaranteed');
    await hands.press('Kit');
    await hands.press('Crew cards to print', 'a');
    expect(await app.seesText('main', 'Heron')).toContain('ALL-Intra');
    await app.withText('button', 'Print');
    hands.atMost(4);
  });

  it('from a red cell to a move that is kept', async () => {
    await app.visit('/');
    const red = 'Heron 4K 16:9 10-bit 4:2:2 ALL-Intra 29.97p on H-4';
    expect(await app.seesCell(red)).toContain('Not covered');
    const hands = new Hands('from a red cell to a kept move');
    await hands.cell(red);
    const todo = await app.seesText('section[aria-labelledby=ways-heading]', /SD \d+ GB, V\d+/);
    expect(todo, 'no more than three').not.toMatch(/(Guaranteed.*){4}/);
    await hands.press('SD ');
    await app.seesText('[role=status]', 'Trial');
    await hands.press('Keep it');
    await app.seesText('body', 'Kept:');
    hands.atMost(3);
  });

  it('a heat question to a kept take', async () => {
    await app.visit('/');
    const hands = new Hands('a heat question to a kept take');
    await hands.click('nav a[href="/heat"]');
    await hands.choose('Mode', 'FHD 4:2:2 ALL-I 50p');
    await hands.choose('Card', 'H-3');
    await hands.type('Take', '40');
    await hands.type('Air', '31');
    await app.seesText('main', /simulated takes end early/);
    await hands.press('Keep this take to compare');
    await app.seesText('table', '40 min at 31 °C');
    hands.atMost(9);
  });

  it('the state of a card', async () => {
    await app.visit('/cards');
    await app.seesText('table', 'H-2');
    const hands = new Hands('the state of a card');
    await hands.option('select[aria-label="State of H-2"]', 'full');
    await app.seesText('body', '1 card set to full.');
    hands.atMost(1);
    await app.visit('/');
    expect(await app.seesCell('Heron FHD 4:2:2 ALL-I 25p on H-2')).toContain('Guaranteed full');
  });

  it('three labels compared', async () => {
    await app.visit('/cards');
    const hands = new Hands('three labels compared');
    await hands.press('Read a label');
    await hands.paste('#label-text', '128GB SDXC II U3 V60 270MB/s; 128GB SDXC I U3 V30 170MB/s; 512GB SDHC I U1 V90');
    const beside = await app.seesText('ul[aria-label="Labels side by side"]', 'promises 60 MB/s');
    expect(beside).toContain('promises 30 MB/s');
    expect(beside).toContain('contradicts itself');
    hands.atMost(4);
  });
});

describe('what is typed is never lost', () => {
  withHeron();
  it('leaving asks, and what was left for later is taken up again', async () => {
    await app.visit('/bodies');
    await app.seesText('h2', 'Heron');
    await app.fill('What it is', 'a hybrid, borrowed');
    await app.clickText('button', 'Add a camera');
    await app.seesText('[role=dialog]', 'Heron is not saved');
    await app.clickText('button', 'Leave it for later');
    await app.seesText('h2', 'New camera');
    await app.clickText('button', 'Heron');
    await app.seesText('form', 'Taken up again');
    await app.driver.navigate().refresh();
    await app.seesText('form', 'Taken up again');
    const value = 'return document.querySelectorAll("form input")[1].value';
    expect(await app.run(value)).toBe('a hybrid, borrowed');
    await app.clickText('button', 'Discard');
    expect(await app.run(value)).not.toBe('a hybrid, borrowed');
  });

  it('saving on the way out goes on once it is saved', async () => {
    await app.visit('/bodies');
    await app.seesText('h2', 'Heron');
    await app.fill('What it is', 'hybrid of the first boat');
    await app.clickText('button', 'Add a camera');
    await app.clickText('button', 'Save it');
    await app.seesText('h2', 'New camera');
    await app.seesText('nav[aria-label=Cameras]', 'hybrid of the first boat');
  });

  it('where a field stands in the way, the form stays, and a later save leads nowhere', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Heron');
    await app.fill('Name', '');
    await app.clickText('button', 'Add a camera');
    await app.clickText('button', 'Save it');
    await app.seesText('form', 'Not saved. Correct one field');
    await app.fill('Name', 'Heron');
    await app.fill('What it is', 'hybrid of the second boat');
    await app.clickText('button', 'Save');
    await app.seesText('nav[aria-label=Cameras]', 'hybrid of the second boat');
    expect(await app.text('h2')).toContain('Heron');
  });

  it('a new camera that was typed outlives a crash of the page', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.fill('Name', 'Half a camera');
    await app.driver.wait(
      () => app.run<boolean>('return Object.keys(localStorage).some((key) => key.includes("unsaved bodies"))'),
      WAIT,
    );
    await app.visit('/heat');
    await app.visit('/bodies');
    await app.seesText('nav[aria-label=Cameras]', 'not saved');
    await app.clickText('button', 'Half a camera');
    await app.seesText('h2', 'Half a camera');
    await app.clickText('button', 'Discard');
    await app.driver.wait(async () => !(await app.text('nav[aria-label=Cameras]')).includes('Half a camera'), WAIT);
  });
});

describe('a part that stops', () => {
  withHeron();
  it('leaves the rest standing, keeps what was typed, and offers the report as text', async () => {
    await app.visit('/bodies');
    await app.seesText('h2', 'Heron');
    // An entry that no version of the app would write: its slots are no list.
    await app.run(`
      const key = Object.keys(localStorage).find((one) => one.includes('unsaved')) ?? null;
      return new Promise((done) => {
        const open = indexedDB.open('cool-reel');
        open.onsuccess = () => {
          const rows = open.result.transaction('bodies').objectStore('bodies').getAll();
          rows.onsuccess = () => {
            const [body] = rows.result;
            const item = body.value;
            const values = { ...item, counters: 'odd' };
            localStorage.setItem('cool-reel unsaved bodies ' + item.id,
              JSON.stringify({ base: item, values, at: new Date().toISOString(), version: ${VERSION} }));
            open.result.close();
            done(key);
          };
        };
      });
    `);
    await app.visit('/bodies');
    await app.unfold('What its counter shows');
    const stopped = await app.seesText('.part-failed', 'came to a stop');
    expect(stopped).toContain('What its counter shows');
    expect(await app.text('h2'), 'the rest stands').toContain('Heron');
    await app.clickText('summary', 'What happened');
    const report = await app.run<string>('return document.querySelector(".part-failed textarea").value');
    expect(report).toContain('Page: /bodies');
    expect(report, 'nothing of the kit is in it').not.toContain('Heron');
    await app.clickText('button', 'Discard');
  });
});

describe('number fields', () => {
  withHeron();
  /** Empties every number of the page, one after the other, and types what is none; answers what broke. */
  const walk = async (): Promise<readonly string[]> => {
    const count = await app.run<number>('return document.querySelectorAll("main input[inputmode=decimal]").length');
    const broken: string[] = [];
    for (let at = 0; at < count; at += 1) {
      const said = await app.run<readonly string[]>(
        `const field = document.querySelectorAll('main input[inputmode=decimal]')[arguments[0]];
         const drawn = () => new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
         const set = (text) => {
           Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(field, text);
           field.dispatchEvent(new Event('input', { bubbles: true }));
         };
         return (async () => {
           const broken = [];
           if (!field) return broken;
           const before = field.value;
           const name = field.labels?.[0]?.textContent ?? field.getAttribute('aria-label') ?? '?';
           for (const typed of arguments[1]) {
             set(typed);
             await drawn();
             const failed = document.querySelector('.part-failed:not([hidden])')?.textContent ?? '';
             const blank = document.querySelector('main').textContent.trim().length < 40;
             if (failed || blank) return [...broken, '“' + typed + '” in ' + name + ': ' + (failed || 'blank')];
           }
           set(before);
           await drawn();
           return broken;
         })();`,
        at,
        ['', '-3', 'abc', '1e400', '1,200'],
      );
      broken.push(...said);
    }
    expect(count, 'fields there are').toBeGreaterThan(0);
    return broken;
  };

  it('of a camera with everything unfolded may be emptied at any time', { timeout: 300_000 }, async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Change');
    await app.unfold('More about this mode');
    await app.clickText('button', 'Enter your own');
    await app.clickText('button', 'Enter the sound');
    for (const part of [
      'Buffer and own write limit',
      'What its counter shows',
      'Cards and drives the camera’s maker approves',
      'Heat',
    ])
      await app.unfold(part);
    await app.clickText('button', 'Note a reading');
    await app.clickText('button', 'Add an approved card or drive');
    await app.clickText('button', 'Add a recording limit');
    // What is not seen of a control makes no page of its own below the view.
    expect(await app.run<number>('return document.scrollingElement.scrollHeight - window.innerHeight')).toBe(0);
    expect(await walk()).toEqual([]);
    await app.clickText('button', 'Discard');
  });

  it.each(['/cards?open=first', '/heat', '/'])(
    'of %s may be emptied at any time',
    { timeout: 300_000 },
    async (path) => {
      await app.visit(path === '/cards?open=first' ? '/cards' : path);
      if (path.startsWith('/cards')) {
        await app.clickText('button', 'H-1');
        await app.seesText('aside', 'What is printed');
        expect(await walk()).toEqual([]);
        await app.clickText('button', 'Discard');
      } else if (path === '/heat') {
        await app.seesText('main', /simulated takes end early/);
        expect(await walk()).toEqual([]);
      } else {
        await app.clickText('button', 'Heat checked for: ');
        await app.seesText('[role=dialog]', 'Take');
        const dialog = await app.driver.findElements(By.css('[role=dialog] input[inputmode=decimal]'));
        expect(dialog.length).toBeGreaterThan(2);
        for (const field of dialog) {
          await field.sendKeys(Key.chord(Key.CONTROL, 'a'), Key.BACK_SPACE);
          expect(await app.driver.findElements(By.css('.part-failed:not([hidden])'))).toHaveLength(0);
        }
        await app.keys(Key.ESCAPE);
      }
    },
  );
});

describe('doubts are asked where they are typed', () => {
  withHeron();
  it('usable room above the printed capacity, and a take longer than the card', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'H-1');
    await app.fill('Usable, formatted', '300');
    await app.seesText('aside', 'more than the 128 GB printed');
    await app.clickText('button', 'Discard');
    await app.visit('/heat');
    await app.choose('Card', 'H-4');
    await app.fill('Take', '600');
    await app.seesText('main', /The card is full after/);
  });
});

describe('what is no text', () => {
  withHeron();
  it('is told of where text belongs, and does not take the place of the page', async () => {
    await app.visit('/');
    await app.seesText('main', 'Planned minutes on one card');
    const said = (kind: string) =>
      app.run(
        `const data = new DataTransfer();
         data.items.add(new File(['x'], 'card.png', { type: 'image/png' }));
         const field = document.querySelector('#quick-check');
         const event = arguments[0] === 'paste'
           ? new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
           : new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true });
         field.dispatchEvent(event);
         return event.defaultPrevented;`,
        kind,
      );
    await said('paste');
    await app.seesText('#notices', 'That is a picture or a file');
    expect(await said('drop'), 'the page stays').toBe(true);
  });

  it('five thousand letters are refused with their number, and half a sentence is asked about', async () => {
    await app.visit('/');
    await app.seesText('main', 'Planned minutes on one card');
    await paste('#quick-check', 'V60 '.repeat(1250));
    await app.seesText('#quick-answer', 'Too long: 5000 characters. Shorten it to 500.');
    await paste('#quick-check', '600 Mb/s on 256GB V60 V90');
    await app.seesText('#quick-answer', 'is the second mark');
    await paste('#quick-check', '６００ Mb/s on 256GB V90 II');
    await app.seesText('#quick-answer', 'Guaranteed');
  });
});

describe('a kit that comes in', () => {
  withHeron();
  it('is added to one’s own, entry by entry, and a camera goes out alone', async () => {
    const file = join(files, 'colleague.coolreel.json');
    const theirs = aBody({ id: 'other', name: 'Borrowed', modes: [aMode({ id: 'm', name: 'UHD' })] });
    const cards = [aCard({ id: 'x1', label: 'h-1', capacityGB: 256 }), aCard({ id: 'x2', label: 'Z-9' })];
    writeFileSync(file, JSON.stringify({ ...EMPTY_KIT, bodies: [theirs], cards }));
    await app.visit('/cards');
    await app.clickText('button', 'Kit');
    await app.clickText('button', 'Import a kit file');
    await (await app.find('input[type=file]')).sendKeys(file);
    const shown = await app.seesText('ul[aria-label="What comes in"]', 'Borrowed');
    expect(shown).toContain('the same by its label');
    expect(shown).toContain('Capacity: 128 GB → 256 GB');
    await app.run(
      `const list = document.querySelector('[role=dialog] select');
       Object.getOwnPropertyDescriptor(HTMLSelectElement.prototype, 'value').set.call(list, 'both');
       list.dispatchEvent(new Event('change', { bubbles: true }));`,
    );
    await app.clickText('button', 'Add 3 entries');
    const table = await app.seesText('table', 'Z-9');
    expect(table).toContain('h-1 2');
    expect(table).toContain('H-6');
    await app.visit('/bodies');
    await app.clickText('button', 'Borrowed');
    await app.clickText('button', 'Export');
    const name = () => readdirSync(files).find((one) => one === 'borrowed.coolreel.json');
    await app.driver.wait(() => name() !== undefined, WAIT, 'the camera as a file');
    expect(JSON.parse(readFileSync(join(files, 'borrowed.coolreel.json'), 'utf8'))).toMatchObject({
      bodies: [{ name: 'Borrowed' }],
      cards: [],
    });
  });
});

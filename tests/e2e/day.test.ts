import { execFileSync } from 'node:child_process';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { App, WAIT } from './app.ts';
import { demoApp } from './demoApp.ts';

let app: App;
const { folder: files, downloaded } = demoApp('day', (opened) => {
  app = opened;
});

const SIDE = 'main aside';
const block = (name: string) => app.find(`button[data-block="${name.toLowerCase()}"]`);
const labelOf = (name: string): Promise<string> =>
  app.run<string>(
    `return document.querySelector('button[data-block="${name.toLowerCase()}"] .unseen')?.textContent ?? ''`,
  );

describe('planning', () => {
  it('the demo day is short in the afternoon; a move makes it whole, and is taken back', async () => {
    await app.visit('/day');
    await app.seesText(SIDE, 'Shortage from 14:38');
    await app.seesText(SIDE, 'One more disk like Disk 1');
    await app.clickText('button', 'One more disk like Disk 1');
    await app.seesText(SIDE, 'Nothing is short');
    await app.undo('planned another way');
    await app.seesText(SIDE, 'Shortage from 14:38');
  });

  it('a block is moved and made longer by key, dragged, opened, changed and deleted', async () => {
    await app.visit('/day');
    await app.seesText(SIDE, 'Shortage from');
    await (await block('Crews')).sendKeys(Key.ARROW_RIGHT);
    await app.driver.wait(async () => (await labelOf('Crews')).includes('10:05'), WAIT);
    await (await block('Crews')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_RIGHT));
    await app.driver.wait(async () => (await labelOf('Crews')).includes('65'), WAIT);
    const handle = await block('Crews');
    await app.driver.actions().dragAndDrop(handle, { x: 60, y: 0 }).perform();
    await app.driver.wait(async () => !(await labelOf('Crews')).includes('10:05'), WAIT);
    await (await block('Crews')).click();
    await app.seesText(SIDE, 'Delete this block');
    await app.fill('From', '9.30', '//aside');
    await app.clickText('button', 'Save');
    await app.driver.wait(async () => (await labelOf('Crews')).includes('09:30'), WAIT);
    await (await block('Crews')).sendKeys(Key.ENTER);
    await app.seesText(SIDE, 'Delete this block');
    await app.clickText('button', 'Delete this block');
    await app.driver.wait(
      async () => (await app.driver.findElements(By.css('button[data-block="crews"]'))).length === 0,
      WAIT,
    );
  });

  it('a day is begun from nothing: the words people type, and what is assumed is said', async () => {
    await app.visit('/day');
    await app.clickText('button', 'More');
    await app.clickText('button', 'Another day');
    await app.seesText('main', 'No blocks yet');
    await app.seesText(SIDE, 'Speeds of readers and disks are assumed');
    await app.clickText('button', 'Add a block');
    await app.run(
      `[...document.querySelectorAll('${SIDE} label')].find((one) => one.textContent.startsWith('Dory')).querySelector('input').click()`,
    );
    await app.run(
      `[...document.querySelectorAll('${SIDE} label')].find((one) => one.textContent.startsWith('4K intra 50p')).querySelector('input').click()`,
    );
    await app.fill('From', '2 pm', '//aside');
    await app.clickText('button', 'Save');
    await app.seesText('main', 'Dory 14:00');
    // Readers and disks are assumed: that is no plain yes.
    await app.seesText(SIDE, 'Enough cards, if the points below hold true');
  });

  it('is kept as a pattern, and another day begins from it; a form asks before what is typed in it goes', async () => {
    await app.visit('/day');
    await app.clickText('button', 'More');
    await app.clickText('button', 'Keep as a pattern');
    await app.seesText('body', 'Race day added');
    await app.clickText('button', 'More');
    await app.clickText('button', 'Another day like Race day');
    await app.driver.wait(
      async () => (await app.driver.findElements(By.css('select[aria-label="Which day"]'))).length === 1,
      WAIT,
    );
    await app.seesText(SIDE, 'Shortage from 14:38');
    await app.clickText('button', 'Cards and disks');
    await app.fill('Name of the day', 'Second day', '//aside');
    await app.clickText('button', 'Close');
    await app.seesText('[role=dialog]', /not saved|Save/);
    await app.clickText('*[@role="dialog"]//button', 'Save');
    await app.driver.wait(
      async () =>
        (
          await app.run<string>('return document.querySelector(\'select[aria-label="Which day"]\').textContent')
        ).includes('Second day'),
      WAIT,
    );
  });

  it('is saved as a calendar and a table, and printed as a sheet with a label for every card', async () => {
    await app.visit('/day');
    await app.seesText(SIDE, 'Shortage from');
    await app.clickText('button', 'More');
    await app.clickText('button', 'Alarms for a calendar (.ics)');
    const calendar = await downloaded('.ics');
    expect(calendar).toContain('BEGIN:VALARM');
    expect(calendar.match(/BEGIN:VEVENT/g)?.length).toBeGreaterThan(5);
    await app.clickText('button', 'More');
    await app.clickText('button', 'The day as CSV');
    expect(await downloaded('.csv')).toContain('short');
    await app.visit('/sheet?plan=race-day');
    await app.seesText('main', 'Labels of the cards');
    await app.find('button[data-strong]:enabled');
    expect((await app.driver.findElements(By.css('svg[role=img]'))).length).toBe(10);
    await app.seesText('main', 'Shortage from 14:38.');
  });
});

const press = async (name: string): Promise<void> => {
  const button = await app.find(`button[aria-label="${name}"]`);
  await app.run('arguments[0].scrollIntoView({ block: "center" })', button);
  await button.click();
};

/** Opens the live day of the demo, rehearsed, on a phone. */
async function rehearse(): Promise<void> {
  await app.size(390, 844);
  await app.run('sessionStorage.clear()');
  await app.visit('/day?plan=race-day&at=live');
  await app.clickText('button', 'Rehearse it');
  await app.seesText('main', 'until the next card change');
}

describe('on the day', () => {
  it('goes through a swap and an offload, and plans the rest from what was pressed', async () => {
    await rehearse();
    await app.seesText('main', 'A-01');
    await app.clickText('button', 'Card is in, now');
    await app.seesText('main', 'in Wherry, slot 1');
    await press('A-01: Full');
    await press('A-01: Copying');
    await press('A-01: Copied once');
    await app.seesText('main', '1 of 2 copies · do not format');
    await press('A-01: Verified');
    await app.seesText('main', 'noted by hand; checksum lists not compared');
    await press('A-01: Mark as free');
    await app.driver.wait(
      async () => (await app.driver.findElements(By.css('button[aria-label="A-01: In a camera"]'))).length === 1,
      WAIT,
    );
    await app.clickText('summary', '6 presses');
  });

  it('frees no card without its copies: it says what is at stake, wants a reason, and keeps both', async () => {
    await rehearse();
    await press('A-03: another state');
    await app.clickText('button', 'Mark as free');
    await app.seesText('body', 'A-03 is not safe to wipe');
    await app.seesText('body', 'No verified copy of A-03 is noted here');
    const go = await app.driver.findElement(By.xpath("//button[contains(., 'Mark it anyway')]"));
    expect(await go.isEnabled()).toBe(false);
    await app.clickText('button', 'Leave it as it is');
    await app.driver.wait(
      async () => (await app.driver.findElements(By.css('button[aria-label="A-03: Copying"]'))).length === 1,
      WAIT,
    );
    await press('A-03: another state');
    await app.clickText('button', 'Mark as free');
    await app.fill('Reason (kept in the log of the day)', 'test footage only');
    await app.clickText('button', 'Mark it anyway');
    await app.driver.wait(
      async () => (await app.driver.findElements(By.css('button[aria-label="A-03: In a camera"]'))).length === 1,
      WAIT,
    );
    await app.clickText('summary', '1 press');
    await app.seesText('main', 'test footage only');
    await app.seesText('main', 'No verified copy');
  });

  it('verifies a card by the lists of two equal copies, and by no others', async () => {
    const [a, b] = ['0123456789abcdef'.repeat(2), 'fedcba9876543210'.repeat(2)];
    const list = (name: string, text: string): string => {
      writeFileSync(join(files, name), text);
      return join(files, name);
    };
    const one = list('one.md5', `${a}  A-03/CLIP/1.mov\n${b}  A-03/CLIP/2.mov\n`);
    const two = list('two.md5', `${a} *D:\\two\\CLIP\\1.mov\r\n${b} *D:\\two\\CLIP\\2.mov\r\n`);
    const bad = list('bad.md5', `${a}  A-03/CLIP/1.mov\n${a}  A-03/CLIP/2.mov\n`);
    await rehearse();
    const compare = async (first: string, second: string): Promise<void> => {
      await press('A-03: another state');
      await app.clickText('button', 'Compare lists');
      const input = await app.find('input[type=file][aria-label="Choose the lists"]');
      await input.sendKeys(`${first}\n${second}`);
    };
    await compare(one, bad);
    await app.seesText('body', 'The copies are not equal: 1 file differs');
    const verified = await app.driver.findElement(By.xpath("//button[contains(., 'A-03 is verified')]"));
    expect(await verified.isEnabled()).toBe(false);
    await app.clickText('button', 'Close');
    await compare(one, one);
    await app.seesText('body', 'is here twice');
    await app.clickText('button', 'Close');
    await compare(one, two);
    await app.seesText('body', 'The copies are equal: 2 files');
    await app.clickText('button', 'A-03 is verified');
    await app.seesText('main', 'checksum lists match');
    for (const name of [one, two, bad]) rmSync(name);
  });
});

describe('the plan is no proof', () => {
  it('of a copy: a card that should be free by now, and is not, is asked about when it is to go in', async () => {
    await rehearse();
    // The next card by the plan is A-01; by what is pressed it is full.
    await press('A-01: another state');
    await app.clickText('button', 'Full');
    await app.clickText('button', 'Mark it anyway');
    await app.seesText('main', 'do not format');
    await press('A-01: another state');
    await app.clickText('button', 'In a camera');
    await app.seesText('body', 'A-01 is not safe to wipe');
    await app.seesText('[role=dialog]', 'It is wiped when it is formatted in the camera');
    await app.clickText('button', 'Leave it as it is');
  });
});

describe('hand-over without a network', () => {
  it('one device shows its states as a code, the camera of another reads it and merges it after a preview', async () => {
    await rehearse();
    await app.clickText('button', 'Card is in, now');
    await app.seesText('main', 'in Wherry, slot 1');
    await press('A-03: Copying');
    await app.clickText('button', 'Send states to another device');
    const code = await app.find('[role=dialog] svg[role=img]');
    await app.run(
      'document.querySelector("[role=dialog] svg[role=img]").setAttribute("style", "width:320px;height:320px")',
    );
    const png = join(files, 'code.png');
    writeFileSync(png, Buffer.from(await code.takeScreenshot(true), 'base64'));
    const video = join(files, 'code.mjpeg');
    execFileSync('ffmpeg', [
      '-y',
      '-loglevel',
      'error',
      '-loop',
      '1',
      '-i',
      png,
      '-t',
      '2',
      '-r',
      '5',
      '-vf',
      'scale=480:480:flags=neighbor,pad=640:480:80:0:white',
      '-pix_fmt',
      'yuvj420p',
      '-c:v',
      'mjpeg',
      '-q:v',
      '2',
      video,
    ]);
    const other = await App.open({
      flags: [
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
        `--use-file-for-fake-video-capture=${video}`,
      ],
    });
    try {
      await other.size(390, 844);
      await other.visit('/');
      await other.clickText('button', 'Kit');
      await other.clickText('button', 'Load the demo kit');
      await other.seesText('body', 'The demo kit is loaded.');
      await other.visit('/day?plan=race-day&at=live');
      await other.clickText('button', 'Rehearse it');
      await other.seesText('main', 'until the next card change');
      // Pressed here too, and neither device knows of the other.
      await other.click('button[aria-label="A-03: Copying"]');
      await other.click('button[aria-label="A-03: Copied once"]');
      await other.seesText('main', '1 of 2 copies');
      await other.clickText('button', 'Scan a card');
      await other.seesText('body', 'From the other device');
      await other.seesText('[role=dialog]', 'A-01 free → in a camera');
      await other.seesText('[role=dialog]', 'Nobody can tell which came later');
      await other.seesText('[role=dialog]', 'A-03 copied once here, copying there: copying stays, the less safe');
      await other.clickText('button', 'Take over 2 cards');
      await other.seesText('main', 'in Wherry, slot 1');
      await other.find('button[aria-label="A-03: Copied once"]');
      expect(await other.complaints()).toEqual([]);
    } finally {
      await other.close();
    }
  });
});

describe('by eye and without one', () => {
  it('nothing hangs over at any width; names, roles and contrast by day and night', async () => {
    await app.visit('/day');
    await app.seesText(SIDE, 'Shortage from 14:38');
    await app.seesText(SIDE, 'One more disk');
    expect(await app.axe('minor')).toEqual([]);
    await app.night(true);
    expect(await app.contrast()).toEqual([]);
    for (const [width, height] of [
      [1280, 800],
      [820, 1180],
      [390, 844],
    ] as const) {
      await app.size(width, height);
      await app.seesText(SIDE, 'One more disk');
      expect(await app.run<boolean>('return document.documentElement.scrollWidth <= window.innerWidth + 1')).toBe(true);
    }
  });
});

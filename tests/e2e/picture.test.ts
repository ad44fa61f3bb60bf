import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { labelOf, pageOf, pngOf, sideBySide } from '../support/labels/drawn.ts';
import type { Shot } from '../support/labels/photographed.ts';
import type { LabelTruth } from '../support/labels/truth.ts';
import { App, WAIT } from './app.ts';

const DIALOG = '[role=dialog]';
const STEADY: Shot = { turn: 8, perspective: 0.01, blur: 0, noise: 4, glare: false };

const CARD: LabelTruth = {
  form: 'sd',
  capacityGB: 128,
  family: 'SDXC',
  bus: 'II',
  video: 'V60',
  grade: 'U3',
  speedClass: null,
  vpg: null,
  app: null,
  version: null,
  readMBps: 280,
  writeMBps: null,
  times: null,
};

const files = mkdtempSync(join(tmpdir(), 'cool-reel-pictures-'));
afterAll(() => rmSync(files, { recursive: true, force: true }));

const file = (name: string, content: Buffer | string): string => {
  const path = join(files, name);
  writeFileSync(path, content);
  return path;
};

/** A camera that sees one picture. */
function cameraOf(name: string, png: Buffer): readonly string[] {
  const video = join(files, `${name}.mjpeg`);
  const scale = 'scale=1280:960:force_original_aspect_ratio=decrease,pad=1280:960:(ow-iw)/2:(oh-ih)/2:gray';
  const made = ['-t', '2', '-r', '5', '-vf', scale, '-pix_fmt', 'yuvj420p', '-c:v', 'mjpeg', '-q:v', '2', video];
  execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-loop', '1', '-i', file(`${name}.png`, png), ...made]);
  return [
    '--use-fake-device-for-media-stream',
    '--use-fake-ui-for-media-stream',
    `--use-file-for-fake-video-capture=${video}`,
  ];
}

/** Answers what stands open with what is printed; the picture of each is what a person would look at. */
async function answer(app: App, words: Readonly<Record<string, string>>): Promise<void> {
  for (let rounds = 0; rounds < 12; rounds += 1) {
    const open = await app.run<string | null>(
      `const row = document.querySelector('${DIALOG} li[data-state=asked] [role=group]');
       return row ? row.getAttribute('aria-label').split(':')[0] : null`,
    );
    if (open === null) return;
    const word = words[open] ?? 'Not printed';
    const pressed = await app.run<boolean>(
      `const row = document.querySelector('${DIALOG} li[data-state=asked] [role=group]');
       const say = (text) => text.replace(/\\s/g, '');
       const button = [...row.querySelectorAll('button')].find((one) => say(one.textContent) === say(arguments[0]));
       button?.click();
       return Boolean(button)`,
      word,
    );
    expect(pressed, `${open}: ${word} is offered`).toBe(true);
  }
}

const WORDS = {
  Capacity: '128GB',
  Family: 'SDXC',
  Bus: 'II',
  'UHS grade': 'U3',
  Peak: '280MB/s',
  'Video class': 'V60',
};

async function toLabelReader(app: App): Promise<void> {
  await app.visit('/cards');
  await app.clickText('button', 'Read a label');
}

const choose = async (app: App, path: string): Promise<void> => {
  await (await app.find('input[type=file][aria-label="Choose a picture"]')).sendKeys(path);
};

describe('with a camera', () => {
  let app: App;
  beforeAll(async () => {
    app = await App.open({ flags: cameraOf('card', pngOf(labelOf(CARD, STEADY))), width: 390, height: 844 });
  });
  afterAll(() => app.close());

  it('a card is read: one doubtful mark is asked, corrected, and the card is saved', async () => {
    await toLabelReader(app);
    // An earlier try of this test may have kept it.
    await app.run('return caches.delete("cool-reel-recogniser")');
    // Typed with cold hands: the picture says another class.
    await app.fill('What is printed, in any order', 'V90');
    await app.clickText('button', 'Read it off a picture');
    await app.seesText(DIALOG, '6 MB');
    expect(await app.run('return document.querySelector("video")')).toBeNull();
    await app.clickText('button', 'Get it');
    await app.clickText('button', 'Take it');
    await app.seesText(DIALOG, 'to answer');
    await app.seesText(DIALOG, 'You typed something else.');
    // What was pressed is gone with its step; the next Tab goes on within the dialog.
    expect(await app.run<boolean>(`return document.querySelector('${DIALOG}').contains(document.activeElement)`)).toBe(
      true,
    );
    // Nothing doubtful can be taken over.
    expect(await app.run<boolean>(`return document.querySelector('${DIALOG} [data-strong]').disabled`)).toBe(true);
    expect(await app.axe('minor')).toEqual([]);
    expect(await app.run<boolean>('return document.documentElement.scrollWidth <= window.innerWidth + 1')).toBe(true);
    await answer(app, WORDS);
    await app.clickText('button', 'That is right');
    const field = await app.find('#label-text');
    const text = await field.getAttribute('value');
    for (const word of ['128GB', 'SDXC', 'II', 'V60', 'U3']) expect(text).toContain(word);
    expect(text).not.toContain('V90');
    await app.clickText('button', 'Make a card of this');
    await app.fill('Card name (as you wrote it on the card)', 'Q-07', '//aside');
    await app.clickText('button', 'Save');
    await app.visit('/cards');
    await app.seesText('main', 'Q-07');
    expect(await app.complaints()).toEqual([]);
  });

  it('the recogniser is asked for once, and can be removed', async () => {
    await toLabelReader(app);
    await app.clickText('button', 'Read it off a picture');
    await app.seesText(DIALOG, 'is kept on this device');
    // The guide's word on it opens over the dialog, and Esc shuts it alone.
    await app.clickText('a', 'What misleads it');
    await app.seesText('[data-term-entry]', 'looks like a 6 or an 8');
    await app.keys(Key.ESCAPE);
    await app.driver.wait(
      async () => (await app.run<number>('return document.querySelectorAll("[data-term-entry]").length')) === 0,
      WAIT,
      'the entry shut',
    );
    await app.clickText('button', 'Remove it');
    await app.seesText(DIALOG, 'Get it');
    await app.clickText('button', 'Type it instead');
  });

  it('says what to do where the camera is refused, taken or not there', async () => {
    await toLabelReader(app);
    for (const [name, said] of [
      ['NotAllowedError', 'The camera was refused'],
      ['NotReadableError', 'Another program has the camera'],
      ['NotFoundError', 'No camera that the browser can use'],
    ] as const) {
      await app.run(
        `navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', arguments[0]))`,
        name,
      );
      await app.clickText('button', 'Read it off a picture');
      if (name === 'NotAllowedError') await app.clickText('button', 'Get it');
      await app.seesText(DIALOG, said);
      await app.find('input[type=file][aria-label="Choose a picture"]');
      await app.click(`${DIALOG} button[class*=close]`);
    }
  });
});

describe('with pictures', () => {
  let app: App;
  beforeAll(async () => {
    app = await App.open();
    await app.visit('/cards');
    await app.seesText('main', 'C-01');
    await app.clickText('button', 'Add a card');
    await app.clickText('button', 'Read it off a picture');
    await app.clickText('button', 'Get it');
    await app.find('input[type=file][aria-label="Choose a picture"]');
  });
  afterAll(() => app.close());

  const another = async (): Promise<void> => {
    await app.clickText('button', 'Another picture');
  };

  const readTwice = async (): Promise<void> => {
    await app.seesText(DIALOG, 'read twice alike');
    await app.driver.wait(
      () => app.run<boolean>(`return !document.querySelector('${DIALOG}').innerText.includes('a second time')`),
      WAIT,
      'the second reading',
    );
  };

  it.each([
    ['no-picture.png', Buffer.from('128GB SDXC II'), 'no picture that the browser can open'],
    [
      'photo.heic',
      Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(80)]),
      'HEIC photo',
    ],
    ['broken.jpg', Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(200, 7)]), 'or it is broken'],
  ])('%s is refused with what to do', async (name, content, said) => {
    await choose(app, file(name, content));
    await app.seesText(DIALOG, said);
    await app.seesText(DIALOG, 'Type it instead');
    await another();
  });

  it('that memory does not reach for say so, and the next is read', async () => {
    // Workers that are ended as a phone ends them: the page hears of an error, and nothing more.
    await app.run(`
      window.Unbound = window.Worker;
      window.Worker = class extends window.Unbound {
        constructor(...all) {
          super(...all);
          setTimeout(() => { this.terminate(); this.dispatchEvent(new ErrorEvent('error')); }, 50);
        }
      };`);
    await choose(app, file('dies.png', pngOf(labelOf(CARD, STEADY))));
    await app.seesText(DIALOG, 'ran out of memory');
    await app.run('window.Worker = window.Unbound');
    await another();
    await choose(app, file('lives.png', pngOf(labelOf(CARD, STEADY))));
    await app.seesText(DIALOG, 'read twice alike');
    await another();
    // The same worker goes on with the next.
    await choose(
      app,
      file('next.png', pngOf(labelOf({ ...CARD, capacityGB: 512, video: 'V30' }, STEADY, { seed: 4 }))),
    );
    await app.seesText(DIALOG, /512.GB/);
    await another();
  });

  it('of something else says that nothing was read', async () => {
    const page = pageOf(
      [
        ['Wind southwest', 'calm'],
        ['Tide out', 'late'],
      ],
      STEADY,
    );
    await choose(app, file('else.png', pngOf(page)));
    await app.seesText(DIALOG, 'Nothing of a card label was read');
    await another();
  });

  it('are taken from the clipboard and where they are let fall', async () => {
    const bytes = pngOf(labelOf(CARD, STEADY)).toString('base64');
    const hand = `const bytes = Uint8Array.from(atob(arguments[0]), (one) => one.charCodeAt(0));
      const transfer = new DataTransfer();
      transfer.items.add(new File([bytes], 'card.png', { type: 'image/png' }));`;
    await app.find('input[type=file][aria-label="Choose a picture"]');
    await app.run(
      `${hand} document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: transfer, bubbles: true, cancelable: true }));`,
      bytes,
    );
    await app.seesText(DIALOG, 'read twice alike');
    await another();
    await app.find('section[aria-label^="or let one fall"]');
    await app.run(
      `${hand} document.querySelector('section[aria-label^="or let one fall"]').dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }));`,
      bytes,
    );
    await app.seesText(DIALOG, 'read twice alike');
    await another();
  });

  it('of two cards are read one at a time', async () => {
    const other = labelOf({ ...CARD, capacityGB: 512, video: 'V90' }, { ...STEADY, turn: 5 }, { seed: 4 });
    await choose(app, file('two.png', pngOf(sideBySide([labelOf(CARD, STEADY), other]))));
    await app.seesText(DIALOG, 'More than one card seems to lie in this picture');
    await app.clickText('button', 'Read the one with 512GB');
    await app.seesText(DIALOG, 'read twice alike');
    await app.seesText(DIALOG, /512.GB/);
    await another();
  });

  it('upside down are read all the same, and fill the form', async () => {
    await choose(app, file('down.png', pngOf(labelOf(CARD, { ...STEADY, turn: 187 }))));
    await readTwice();
    await answer(app, WORDS);
    await app.clickText('button', 'That is right');
    await app.seesText('aside', 'V60');
    const value = await app.run<string>(
      `return [...document.querySelectorAll('aside input')].map((one) => one.value).join(' | ')`,
    );
    expect(value).toContain('128');
    expect(value).toContain('280');
  });

  it('ask beside a typed figure that may be two', async () => {
    await app.fill('Capacity', '1,200', '//aside');
    await app.clickText('button', 'Read it off a picture');
    await choose(app, file('small.png', pngOf(labelOf(CARD, STEADY))));
    await readTwice();
    const asked = await app.seesText(DIALOG, 'You typed something else.');
    expect(asked).toContain('1200 GB');
    expect(asked).toContain('1.2 GB');
    await answer(app, WORDS);
    await app.clickText('button', 'That is right');
    expect(await (await app.find('aside input[placeholder="256"]')).getAttribute('value')).toBe('128');
  });

  it('of fifty megapixels are read', async () => {
    const small = file('plain.png', pngOf(labelOf(CARD, STEADY)));
    const large = join(files, 'large.jpg');
    execFileSync('ffmpeg', ['-y', '-loglevel', 'error', '-i', small, '-vf', 'scale=8200:-1', '-q:v', '6', large]);
    await app.clickText('button', 'Read it off a picture');
    await choose(app, large);
    await app.seesText(DIALOG, 'read twice alike');
    await app.seesText(DIALOG, 'SDXC');
    await app.click(`${DIALOG} button[class*=close]`);
  });

  it('become offers in the shop, by hand and beside another', async () => {
    await app.visit('/shop');
    await app.clickText('button', 'Read one in your hand off a picture');
    await choose(app, file('plain.png', pngOf(labelOf(CARD, STEADY))));
    await app.seesText(DIALOG, 'read twice alike');
    await app.driver.wait(
      () => app.run<boolean>(`return !document.querySelector('${DIALOG}').innerText.includes('a second time')`),
      WAIT,
    );
    await answer(app, WORDS);
    await app.clickText('button', 'That is right');
    await app.seesText('aside', 'A new price');
    await app.seesText('aside', 'V60');
    await app.clickText('button', 'Read it off a picture');
    await app.seesText(DIALOG, 'is kept on this device');
  });

  it('of a rate table go through the preview of pasted ones', async () => {
    const table = pageOf(
      [
        ['Mode', 'Size', 'Frames', 'Rate'],
        ['Intra', '3840x2160', '25p', '250 Mb/s'],
        ['Long', '3840x2160', '25p', '100 Mb/s'],
        ['HD', '1920x1080', '50p', '50 Mb/s'],
      ],
      { ...STEADY, turn: -9 },
    );
    await app.visit('/bodies?open=dory');
    await app.clickText('button', 'Paste modes');
    await app.clickText('button', 'Read a table off a picture');
    await app.find('input[type=file][aria-label="Choose a picture"]');
    // Escape shuts the picture alone; the table under it stays.
    await app.keys(Key.ESCAPE);
    await app.clickText('button', 'Read a table off a picture');
    await choose(app, file('table.png', pngOf(table)));
    await app.seesText('body', '4 rows');
    for (let rounds = 0; rounds < 20; rounds += 1) {
      const pressed = await app.run<boolean>(
        `const cell = document.querySelector('[data-state=asked]'); const button = cell?.querySelector('button'); button?.click(); return Boolean(button)`,
      );
      if (!pressed) break;
    }
    await app.clickText('button', 'These figures stand there');
    await app.seesText('body', 'Add 3 modes');
  });

  it('of a counter give its minutes on one press', async () => {
    const screen = pageOf(
      [
        ['STBY', '4K 25p'],
        ['CARD A', '57 min'],
      ],
      { ...STEADY, turn: 4 },
      { dark: true },
    );
    await app.visit('/bodies?open=dory');
    await app.unfold('What its counter shows');
    await app.clickText('button', 'Read it off a picture');
    await choose(app, file('counter.png', pngOf(screen)));
    await app.seesText(DIALOG, 'Which of these are the minutes left?');
    await app.clickText('button', '57 min');
    const values = await app.run<string[]>(
      `return [...document.querySelectorAll('main input')].map((one) => one.value)`,
    );
    expect(values).toContain('57');
  });

  it('leave nothing behind, and nothing goes elsewhere', async () => {
    expect(await app.complaints()).toEqual([]);
  });
});

describe('without a network', () => {
  it('a card is read with the recogniser that was kept', async () => {
    const app = await App.open({ own: true });
    try {
      await app.visit('/cards');
      await app.seesText('main', 'C-01');
      await app.keptForLater();
      await toLabelReader(app);
      await app.clickText('button', 'Read it off a picture');
      await app.clickText('button', 'Get it');
      await app.find('input[type=file][aria-label="Choose a picture"]');
      await app.stopServer();
      await toLabelReader(app);
      await app.clickText('button', 'Read it off a picture');
      await choose(app, file('offline.png', pngOf(labelOf(CARD, STEADY))));
      await app.seesText(DIALOG, 'read twice alike');
      await app.seesText(DIALOG, 'SDXC');
    } finally {
      await app.close();
    }
  });

  it('says that it cannot be loaded, and keeps nothing by half', async () => {
    const app = await App.open({ own: true });
    try {
      await app.visit('/cards');
      await app.seesText('main', 'C-01');
      await app.keptForLater();
      await app.stopServer();
      await toLabelReader(app);
      await app.clickText('button', 'Read it off a picture');
      await app.clickText('button', 'Get it');
      await app.seesText(DIALOG, 'there is no connection');
      await app.seesText(DIALOG, 'Try again');
      expect(await app.run<boolean>(`return caches.has('cool-reel-recogniser')`)).toBe(false);
    } finally {
      await app.close();
    }
  });
});

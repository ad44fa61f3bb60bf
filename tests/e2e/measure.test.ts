import { copyFileSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PDFDocument, StandardFonts } from 'pdf-lib';
import { By, type WebElement } from 'selenium-webdriver';
import { afterAll, describe, expect, it } from 'vitest';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { clipFolder } from '../support/ffmpeg.ts';
import { type App, WAIT } from './app.ts';
import { demoApp } from './demoApp.ts';

const clips = clipFolder();
let app: App;
const { folder: files } = demoApp('measure', (opened) => {
  app = opened;
});
afterAll(() => clips.remove());

/** Chooses a chip by its legend. */
async function chip(legend: string, label: string): Promise<void> {
  const path = `//*[@role="radiogroup"][span[starts-with(normalize-space(.), "${legend}")]]//label[span[starts-with(normalize-space(.), "${label}")]]/input | //select[starts-with(@aria-label, "${legend}")]/option[starts-with(normalize-space(.), "${label}")]`;
  const radio = await app.driver.wait(async () => (await app.driver.findElements(By.xpath(path)))[0], WAIT, label);
  await app.run('arguments[0].scrollIntoView({ block: "center" })', radio);
  await radio?.click();
}

const give = async (label: string, paths: readonly string[]): Promise<void> => {
  const input = await app.find(`input[type=file][aria-label="${label}"]`);
  await input.sendKeys(paths.join('\n'));
};

/** Reads one list of the kit out of the browser's store. */
const stored = <T>(list: string): Promise<readonly T[]> =>
  app.driver.executeAsyncScript<readonly T[]>(
    `const [list, done] = arguments;
     indexedDB.databases().then((all) => {
       const name = all.map((one) => one.name).find((one) => one.startsWith('cool-reel') && !one.includes('folders'));
       const open = indexedDB.open(name);
       open.onsuccess = () => {
         const get = open.result.transaction(list).objectStore(list).getAll();
         get.onsuccess = () => { open.result.close(); done(get.result.map((one) => one.value)); };
       };
     });`,
    list,
  );

interface StoredBody {
  readonly name: string;
  readonly modes: readonly {
    readonly name: string;
    readonly codec: string;
    readonly width: number;
    readonly fps: number;
    readonly rate: { readonly Mbps: number; readonly source: string };
    readonly otherRates?: readonly object[];
  }[];
}

/** Names in the browser's own store of files, nested ones with their folder. */
const ownFiles = (): Promise<readonly string[]> =>
  app.driver.executeAsyncScript<readonly string[]>(
    `const done = arguments[0];
     (async () => {
       const names = [];
       const walk = async (folder, path) => {
         for await (const [name, entry] of folder.entries()) {
           if (entry.kind === 'directory') await walk(entry, path + name + '/');
           else names.push(path + name);
         }
       };
       await walk(await navigator.storage.getDirectory(), '');
       done(names.sort());
     })();`,
  );

const button = (name: string): Promise<WebElement> => app.withText('button', name);

describe('the clip inspector', () => {
  const intra = () => clips.make('A-cam 50p.mov', ['-i', 'testsrc2=s=1280x720:r=50:d=8', '-c:v', 'mjpeg', '-q:v', '4']);

  it('a clip sets the rate of a mode, and then makes a camera', async () => {
    await app.visit('/prove?at=measure&what=clip');
    await give('Choose clips', [intra()]);
    const seen = await app.seesText('main', 'densest second');
    expect(seen).toContain('motion JPEG · 1280×720 · 50 fps · 0:08');
    expect(seen).toContain('every frame whole');
    expect(seen).toContain('frames 400');
    await chip('Whose clip is it?', 'Yawl');
    const mode = (await stored<StoredBody>('bodies')).find(({ name }) => name === 'Yawl')?.modes[0];
    await chip('In which mode?', mode?.name ?? '');
    await app.seesText('main', 'Its picture or frame rate is another than the clip’s.');
    await app.clickText('button', `Set ${mode?.name}`);
    await app.seesText('#notices', 'has the rate of the clip now.');
    const changed = (await stored<StoredBody>('bodies')).find(({ name }) => name === 'Yawl')?.modes[0];
    expect(changed?.rate).toMatchObject({ source: 'measured', sourceNote: expect.stringContaining('A-cam 50p.mov') });
    expect(changed?.otherRates?.length).toBe((mode?.otherRates?.length ?? 0) + 1);
    await app.undo('has the rate of the clip now.');

    await chip('Whose clip is it?', 'a new camera');
    await app.seesText('main', 'intra, or raw?');
    await chip('Every frame is whole', 'Intra');
    await app.clickText('button', 'Make a camera with 1280×720');
    await app.seesText('#notices', 'with the mode of the clip');
    const made = (await stored<StoredBody>('bodies')).find(({ name }) => name.startsWith('Camera of A-cam'));
    expect(made?.modes).toMatchObject([{ codec: 'intra', width: 1280, fps: 50, rate: { source: 'measured' } }]);
  });

  it('starts the record of a take with its bytes, and a heat run with its rates', async () => {
    await app.visit('/prove?at=measure&what=clip');
    await app.clickText('button', 'Try a sample clip');
    await app.seesText('main', 'densest second');
    await app.clickText('button', 'Log the take');
    const length = await app.find('form[aria-label="Log a take"] input[placeholder="9:22"]');
    expect(await length.getAttribute('value')).toBe('0:12');
    await app.clickText('a', 'Run its rates in Heat');
    expect(await app.seesText('main', 's of a clip, repeated, instead of')).toContain('12 s of a clip');
    // It outlives a reload, which an address could not.
    await app.driver.navigate().refresh();
    await app.seesText('main', '12 s of a clip, repeated');
  });

  it('runs on several cards side by side, and files that are no clips', async () => {
    await app.visit('/prove?at=measure&what=clip');
    const broken = join(files, 'cut off.mp4');
    writeFileSync(broken, Buffer.from('0000001866747970', 'hex'));
    const text = join(files, 'letter.mov');
    writeFileSync(text, 'not a clip');
    const empty = join(files, 'empty.mp4');
    writeFileSync(empty, '');
    await give('Choose clips', [intra(), intra(), text, empty, broken]);
    await app.seesText('main', 'Beside the first');
    await app.seesText('main', 'This is no MP4, MOV, WebM, MKV or transport stream, whatever its name says.');
    await app.seesText('main', 'This file is empty.');
    expect(await app.seesText('table', 'no sign of lost data')).toContain('the first');
    await app.clickText('button', 'Take all away');
    await app.seesText('main', 'None at hand?');
  });

  it('files that one take went on through are offered as one, and are apart again', async () => {
    await app.visit('/prove?at=measure&what=clip');
    const whole = clips.make('G_1.mov', ['-i', 'testsrc2=s=640x360:r=25:d=8', '-c:v', 'mjpeg', '-q:v', '3']);
    const second = whole.replace('G_1', 'G_2');
    copyFileSync(whole, second);
    const last = clips.make('G_3.mov', ['-i', 'testsrc2=s=640x360:r=25:d=3', '-c:v', 'mjpeg', '-q:v', '3']);
    await give('Choose clips', [second, last, whole]);
    await app.seesText('main', /G_1\.mov to G_3\.mov may be one take: .* Together 0:19/);
    expect(await app.axe('minor')).toEqual([]);
    await app.clickText('button', 'One take');
    await app.seesText('ul[aria-label=Clips]', /G_1\.mov to G_3\.mov .* 0:19 · in 3 files .* frames 475/);
    await app.clickText('button', 'Apart');
    await app.seesText('ul[aria-label=Clips]', 'G_2.mov');
    // Said once to be takes of their own, they are not offered again.
    expect(await app.text('main')).not.toContain('may be one take');
    await app.clickText('button', 'Take all away');
    await app.seesText('main', 'None at hand?');
  });

  it('a hundred clips at once, one of them under another container’s name', async () => {
    await app.visit('/prove?at=measure&what=clip');
    const small = clips.make('small.mkv', ['-i', 'testsrc2=s=160x90:r=25:d=1', '-c:v', 'mjpeg']);
    const many = Array.from({ length: 100 }, (_, at) => join(files, `clip ${at}.mp4`));
    for (const path of many) copyFileSync(small, path);
    await give('Choose clips', many);
    const read = 'return document.querySelectorAll("ul[aria-label=Clips] button[aria-expanded]").length';
    await app.driver.wait(async () => (await app.run<number>(read)) === 100, WAIT * 2, 'a hundred clips read');
    await app.clickText('button', 'clip 99.mp4');
    await app.seesText('main', 'Matroska');
    await app.clickText('button', 'Take all away');
    await app.seesText('main', 'None at hand?');
  });

  it('a camera’s other format is named, with its size filled in; one that was cut off proves nothing', async () => {
    await app.visit('/prove?at=measure&what=clip');
    const mxf = clips.make('A002.mxf', ['-i', 'testsrc2=s=640x360:r=25:d=8', '-c:v', 'mpeg2video', '-b:v', '8M']);
    await give('Choose clips', [mxf]);
    await app.seesText('main', 'This is MXF: its frames are not read here.');
    await app.clickText('button', 'Say its length');
    await app.fill('Length', '8');
    await app.seesText('main', /\d+(\.\d+)? Mb\/s with all that is in the file/);
    const cut = clips.make('cut.mp4', [
      '-i',
      'testsrc2=s=640x360:r=25:d=8',
      '-c:v',
      'mjpeg',
      '-movflags',
      '+faststart',
    ]);
    truncateSync(cut, Math.round(statSync(cut).size * 0.6));
    await give('Choose clips', [cut]);
    await app.clickText('button', 'cut.mp4');
    await app.seesText('main', 'It proves nothing; copy it again.');
    expect(await (await button('Log the take')).isEnabled()).toBe(false);
    expect(await app.text('ul[aria-label=Clips]')).not.toContain('Whose clip is it?');
  });

  it('another format by hand', async () => {
    await app.visit('/prove?at=measure&what=clip');
    await app.unfold('Another format');
    await app.fill('Size of the file', '12.8');
    await app.fill('Length', '600');
    await app.seesText('main', '171 Mb/s with all that is in the file');
    await app.fill('Length', '1,200');
    await app.seesText('main', /1[.,]?200/);
  });
});

describe('write traces', () => {
  it('a trace becomes evidence and changes a heat run', async () => {
    await app.visit('/prove?at=measure&what=trace');
    await app.clickText('button', 'a card in the sun');
    const seen = await app.seesText('main', 'lowest ten seconds');
    expect(seen).toContain('420 rows, times in milliseconds, rates in MB/s.');
    expect(seen).toContain('left while throttled 34 %');
    expect(seen).toContain('throttles at 74 °C');
    expect(seen).toContain('A bench is no certification');
    await chip('Of which card is it?', 'A-01');
    expect(await app.seesText('main', 'For the simulated takes of A-01')).toContain(
      'Throttles at 73.9 °C 75 °C, assumed for CFexpress B',
    );
    await app.clickText('button', 'Keep it as evidence of A-01');
    await app.seesText('#notices', 'Kept as evidence of A-01.');
    expect(await stored('benches')).toEqual(
      expect.arrayContaining([
        expect.objectContaining({
          note: 'card-in-the-sun.csv',
          trace: expect.objectContaining({ throttleOnC: expect.closeTo(73.9, 1) }),
        }),
      ]),
    );
    await app.clickText('button', 'Use these 4 figures');
    await app.seesText('#notices', 'The figures of the trace are in use for A-01.');
    await app.visit('/heat?card=a-01');
    await app.seesText('main', 'read off a write trace');
  });

  it('pasted lines that leave something open are asked about', async () => {
    await app.visit('/prove?at=measure&what=trace');
    const area = await app.find('#trace-text');
    await area.sendKeys(Array.from({ length: 30 }, (_, at) => `${at * 500} ${at < 10 ? 180 : 60}`).join('\n'));
    await app.clickText('button', 'Analyse it');
    await app.seesText('main', 'seconds or milliseconds? Say which.');
    await chip('Its times are', 'milliseconds');
    const seen = await app.seesText('main', 'The file does not name its unit.');
    expect(seen).toContain('times in milliseconds');
    await app.seesText('main', /burst 0:00 0:05 180/);
    await chip('The file does not name its unit', 'MiB/s');
    await app.seesText('main', /burst 0:00 0:05 188\.7/);
  });
});

describe('logs as programs print them', () => {
  const paste = async (text: string): Promise<void> => {
    await app.visit('/prove?at=measure&what=trace');
    const area = await app.find('#trace-text');
    await area.sendKeys(text);
    await app.clickText('button', 'Analyse it');
  };

  it('a log without times of two drives asks for its step, then for its drive', async () => {
    const report = (at: number): string =>
      `Device tps MB_read/s MB_wrtn/s MB_read MB_wrtn\nsda 200 0.00 ${200 + (at % 3)}.00 1 2\nsdb 1 0.00 9.00 1 2\n`;
    await paste(Array.from({ length: 16 }, (_, at) => report(at)).join(''));
    await app.seesText('main', 'Its lines carry no time. How far apart are they?');
    await chip('From one to the next', '2 s');
    await app.seesText('main', 'Its lines are of more than one kind: sda, sdb. Which ones count?');
    await chip('Those that count are', 'sda');
    const seen = await app.seesText('main', 'As iostat prints it');
    expect(seen).toContain('rates in MiB/s');
  });

  it('figures that only rise are asked about, and a short run says nothing of a class', async () => {
    await paste(`time (s),write\n${Array.from({ length: 8 }, (_, at) => `${at},${at * 100}`).join('\n')}`);
    await chip('Its figures are', 'all that was written until then');
    await chip('The file does not name its unit', 'MB/s');
    const seen = await app.seesText('main', 'too short to say');
    expect(seen).toContain('running totals in MB, the pace is what lies between');
  });
});

describe('the card bench', () => {
  it('one that runs in another tab is told as that, and neither continued nor cleared from here', async () => {
    await app.visit('/prove?at=measure&what=bench');
    const own = await app.driver.getWindowHandle();
    await app.clickText('button', 'This computer’s own disk');
    await app.fill('Write', '4');
    await app.clickText('button', 'Write 4 GB');
    await app.seesText('main', 'Being written');
    await app.driver.switchTo().newWindow('tab');
    await app.visit('/prove?at=measure&what=bench');
    await app.seesText('main', 'A bench is running in another tab.');
    expect(await app.text('main')).not.toContain('Look what is left');
    await app.driver.close();
    await app.driver.switchTo().window(own);
    await app.clickText('button', 'Stop');
    await app.seesText('main', 'Stopped by you.');
    await app.clickText('button', 'Remove what was written');
    await app.seesText('main', 'Everything the bench wrote is gone.');
  });

  it('a bench on this disk runs, is stopped, goes on, and cleans up after itself', async () => {
    await app.visit('/prove?at=measure&what=bench');
    await app.clickText('button', 'This computer’s own disk');
    await app.fill('Write', '0.9');
    await app.clickText('button', 'Write 0.9 GB');
    await app.seesText('main', 'Being written');
    await app.clickText('button', 'Stop');
    await app.seesText('main', 'Stopped by you.');
    // Closed in the middle: what is left is found at the next visit.
    await app.visit('/prove?at=measure&what=bench');
    await app.clickText('button', 'Look what is left');
    await app.seesText('main', 'An earlier bench left');
    expect(await ownFiles()).toContain('cool-reel-bench/bench.json');
    await app.clickText('button', 'Go on with it');
    const seen = await app.seesText('main', 'Every byte read back matched what was written');
    expect(seen).toContain('Written as far as asked. 0.9 GB written, 0.9 GB read back and right');
    expect(seen).toContain('This is the disk of this computer, not a card');
    await app.clickText('button', 'Remove what was written');
    await app.seesText('main', 'Everything the bench wrote is gone.');
    expect(await ownFiles()).toEqual([]);
  });

  it('a practice card with false capacity is caught, while another tab is in front', async () => {
    await app.visit('/prove?at=measure&what=bench');
    await chip('Or a practice card', 'holds less than it says');
    await app.clickText('button', 'Write and read it back');
    const own = await app.driver.getWindowHandle();
    await app.driver.switchTo().newWindow('tab');
    await app.driver.get('about:blank');
    await app.driver.sleep(5000);
    await app.driver.close();
    await app.driver.switchTo().window(own);
    await app.seesText('main', 'False capacity: it holds 784.3 MB and then writes over its beginning.');
    expect(await app.text('main')).not.toContain('highest speed mark this lowest');
  });

  /** A folder of the browser's own store in place of the one a person would choose: it has the same interface. */
  const folderAsCard = (name: string, footage: readonly string[]): Promise<unknown> =>
    app.driver.executeAsyncScript(
      `const [folder, names, done] = arguments;
       (async () => {
         const root = await navigator.storage.getDirectory();
         const card = await root.getDirectoryHandle(folder, { create: true });
         for (const name of names) {
           const file = await (await card.getFileHandle(name, { create: true })).createWritable();
           await file.write('precious');
           await file.close();
         }
         window.showDirectoryPicker = async () => card;
         done();
       })();`,
      name,
      footage,
    );

  it('a folder with footage is not filled, not even by consent, and nothing in it is touched', async () => {
    await app.visit('/prove?at=measure&what=bench');
    await button('Choose the card’s folder');
    await folderAsCard('card', ['A001_C001.MOV']);
    await app.clickText('button', 'Choose the card’s folder');
    await app.seesText('main', 'There is footage in it: a file such as A001_C001.MOV');
    const start = await button('Write until it is full');
    expect(await start.isEnabled()).toBe(false);
    await app.clickText('label', 'It is copied, and I want to measure here');
    expect(await (await button('Write until it is full')).isEnabled()).toBe(false);
    await app.fill('Write', '0.3');
    await app.fill('Room on the card', '1');
    await app.seesText('main', 'There is room for 0 GB.');
    await app.fill('Room on the card', '4');
    await chip('Which card is it?', 'C-01');
    await app.clickText('button', 'Write 0.3 GB');
    await app.seesText('main', 'Now take the card out of the reader');
    await app.clickText('button', 'It was out: read it back');
    // As far as asked is not to its end: it verifies nothing.
    // Faster than the bus of such a card, too: it was not the card that answered.
    const seen = await app.seesText('main', 'Every byte read back matched what was written, though the memory');
    expect(seen).not.toContain('is verified');
    await app.clickText('button', 'Remove what was written');
    await app.seesText('main', 'Everything the bench wrote is gone.');
    expect(await ownFiles()).toEqual(['card/A001_C001.MOV']);
  });

  it('a place that fills up ends the writing, and what fitted is read back', async () => {
    await app.visit('/prove?at=measure&what=bench');
    const origin = new URL(app.address).origin;
    const chrome = app.driver as unknown as { sendDevToolsCommand(name: string, options: object): Promise<void> };
    await chrome.sendDevToolsCommand('Storage.overrideQuotaForOrigin', { origin, quotaSize: 120_000_000 });
    try {
      await button('Choose the card’s folder');
      await folderAsCard('empty card', []);
      await app.clickText('button', 'Choose the card’s folder');
      await chip('Which card is it?', 'C-01');
      await app.clickText('button', 'Write until it is full');
      await app.seesText('main', /Written until it was full\. 0\.\d+ GB written/);
      await app.clickText('button', 'Read it back without');
      await app.seesText('main', 'though the memory of this computer may have answered for the card');
      await app.clickText('button', 'Remove what was written');
      await app.seesText('main', 'Everything the bench wrote is gone.');
    } finally {
      await chrome.sendDevToolsCommand('Storage.overrideQuotaForOrigin', { origin });
    }
  });

  it('a card that was filled, taken out and read back whole is verified, and no other', async () => {
    const card = {
      form: 'cfexpress-b',
      marks: [],
      bus: null,
      usableGB: null,
      readMBps: null,
      writeMBps: null,
      sustainedMBps: null,
      cacheGB: null,
    };
    const small = join(files, 'small.coolreel.json');
    const cards = [
      { ...card, id: 'small', label: 'Small', capacityGB: 0.12 },
      { ...card, id: 'large', label: 'Large', capacityGB: 256 },
    ];
    writeFileSync(small, JSON.stringify({ ...demo, cards: [...cards, ...demo.cards] }));
    await app.visit('/');
    await app.clickText('button', 'Kit');
    await app.clickText('*[@role="menuitem"]', 'Import a kit file');
    await (await app.find('input[type=file]')).sendKeys(small);
    await app.clickText('button', 'Add 2 entries');
    await app.seesText('body', '2 entries of a kit file added.');
    await app.visit('/prove?at=measure&what=bench');
    const origin = new URL(app.address).origin;
    const chrome = app.driver as unknown as { sendDevToolsCommand(name: string, options: object): Promise<void> };
    // What the app keeps of itself for later counts, too: the rest must be nearly the whole small card.
    const kept = await app.run<number>('return navigator.storage.estimate().then(({ usage }) => usage)');
    await chrome.sendDevToolsCommand('Storage.overrideQuotaForOrigin', { origin, quotaSize: kept + 117_000_000 });
    try {
      await button('Choose the card’s folder');
      await folderAsCard('small card', []);
      await app.clickText('button', 'Choose the card’s folder');
      expect(await (await button('Write until it is full')).isEnabled()).toBe(false);
      await chip('Which card is it?', 'Large');
      await app.clickText('button', 'Write until it is full');
      await app.clickText('button', 'It was out: read it back');
      await app.seesText('main', 'Every byte read back matched what was written.');
      // A card of 256 GB that took a tenth of one was filled by something else.
      expect(await app.text('main')).not.toContain('is verified');
      await app.clickText('button', 'Remove what was written');
      await app.seesText('main', 'Everything the bench wrote is gone.');
      await app.clickText('button', 'Choose the card’s folder');
      await chip('Which card is it?', 'Small');
      await app.clickText('button', 'Write until it is full');
      await app.clickText('button', 'It was out: read it back');
      await app.clickText('button', 'Note that Small is verified');
      await app.withText('button', 'Noted');
      expect(await stored('cards')).toEqual(
        expect.arrayContaining([
          expect.objectContaining({
            id: 'small',
            verified: { date: expect.any(String), how: expect.stringContaining('filled and read back') },
          }),
        ]),
      );
      await app.clickText('button', 'Remove what was written');
      await app.seesText('main', 'Everything the bench wrote is gone.');
    } finally {
      await chrome.sendDevToolsCommand('Storage.overrideQuotaForOrigin', { origin });
    }
  });

  it('a browser without folders says so and offers what it can', async () => {
    await app.visit('/prove?at=measure&what=clip');
    await app.run('delete window.showDirectoryPicker; delete Window.prototype.showDirectoryPicker');
    await app.clickText('button', 'A card, now');
    await app.seesText('main', 'This browser cannot write to a folder that you choose');
    await app.withText('label', 'throttles');
  });
});

describe('manuals', () => {
  it('a page of a manual becomes twelve modes, each beside its place', async () => {
    const document = await PDFDocument.create();
    const font = await document.embedFont(StandardFonts.Helvetica);
    document.addPage().drawText('Keep this manual with the camera.', { x: 60, y: 700, size: 11, font });
    const page = document.addPage();
    const rows = [
      ['Picture size', 'Frame rate', 'Compression', 'Bit rate (Mbps)'],
      ...['3840x2160', '1920x1080'].flatMap((size) =>
        ['59.94p', '50p', '29.97p', '25p', '24p', '23.98p'].map((speed, at) => [
          size,
          speed,
          at < 2 ? 'Long GOP' : 'ALL-I',
          String(at < 2 ? 150 : 240),
        ]),
      ),
    ];
    rows.forEach((row, at) => {
      for (const [column, text] of row.entries())
        page.drawText(text, { x: 50 + 130 * column, y: 740 - 20 * at, size: 10, font });
    });
    const manual = join(files, 'manual.pdf');
    writeFileSync(manual, await document.save());
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.fill('Name', 'Heron');
    await app.clickText('button', 'Paste modes from a table');
    await give('Choose a manual', [manual]);
    const seen = await app.seesText('[role=dialog]', 'page 2, line 13');
    expect(seen).toContain('Page 2, lines 1–13: 12 lines like a mode');
    await app.clickText('button', 'Add 12 modes');
    await app.seesText('main', 'ALL-I');
  });

  it('a locked document, a picture of one, and a letter say what to do', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.clickText('button', 'Paste modes from a table');
    const letter = join(files, 'letter.txt');
    writeFileSync(letter, 'Dear harbour master, the boats are late.');
    await give('Choose a manual', [letter]);
    await app.seesText('[role=dialog]', 'Nothing in it looks like a mode');
    const blank = await PDFDocument.create();
    blank.addPage();
    const scan = join(files, 'scan.pdf');
    writeFileSync(scan, await blank.save());
    await give('Choose a manual', [scan]);
    await app.seesText('[role=dialog]', 'Its page is a picture');
  });
});

import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { EMPTY_KIT } from '../../src/kit/kit.ts';
import { App, WAIT } from './app.ts';

let app: App;
let nothing: unknown;
beforeAll(async () => {
  app = await App.open({ demo: false });
  await app.visit('/');
  await app.seesText('main', 'Start empty');
  nothing = await app.stored();
});
beforeEach(() => app.putBack(nothing));
afterEach(async () => expect(await app.complaints()).toEqual([]));
afterAll(() => app.close());

const slot = (id: string, name: string, accepts: readonly { form: string; bus: string | null }[]) => ({
  id,
  name,
  accepts,
  family: accepts.some(({ form }) => form === 'sd') ? 'sdxc' : null,
  promisedMaxGB: null,
});
const card = (id: string, form: string, capacityGB: number, marks: readonly string[], more: object = {}) => ({
  id,
  label: id,
  form,
  capacityGB,
  usableGB: null,
  marks,
  bus: null,
  readMBps: null,
  writeMBps: null,
  sustainedMBps: null,
  cacheGB: null,
  ...more,
});
const mode = (id: string, name: string, Mbps: number, more: object = {}) => ({
  id,
  name,
  codec: 'long-gop',
  width: 3840,
  height: 2160,
  fps: 25,
  captureFps: null,
  rate: { kind: 'stated', Mbps, is: 'maximum' },
  overhead: null,
  requires: [],
  ...more,
});
const body = (slots: readonly object[], modes: readonly object[]) => ({
  id: 'pike',
  name: 'Pike',
  arrangement: 'single',
  bufferMB: null,
  ceilingMBps: null,
  slots,
  modes,
});

/** A kit of one body and its cards. */
async function withKit(one: object, cards: readonly object[]): Promise<void> {
  await app.begin({ ...EMPTY_KIT, bodies: [one], cards });
}

async function paste(selector: string, text: string): Promise<void> {
  await app.find(selector);
  await app.driver.executeScript(
    `const field = document.querySelector(arguments[0]);
     Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set.call(field, arguments[1]);
     field.dispatchEvent(new Event('input', { bubbles: true }));`,
    selector,
    text,
  );
}

describe('locks as manuals state them', () => {
  it('a lock pasted from a manual shuts out the cards of one form and leaves those of the other', async () => {
    const slots = [
      slot('s', 'Slot 1', [
        { form: 'sd', bus: 'uhs-ii' },
        { form: 'cfexpress-a', bus: 'cfexpress-4' },
      ]),
    ];
    await withKit(body(slots, []), [
      card('S-1', 'sd', 128, ['SDXC', 'II', 'V60']),
      card('X-1', 'cfexpress-a', 160, ['VPG200']),
    ]);
    await app.visit('/bodies?open=pike');
    await app.clickText('button', 'Paste modes');
    await paste(
      '#paste-modes',
      'Mode\tSize\tfps\tMb/s\tCard\nUHD intra\t3840x2160\t50\t400\tV90\nUHD long\t3840x2160\t25\t100\t—',
    );
    await app.seesText('[role=dialog]', '“V90” is asked of cards');
    await app.clickText('button', 'refuses the mode');
    await app.clickText('button', 'Add 2 modes');
    await app.clickText('button', 'Save');
    await app.visit('/');
    await app.seesCell('Pike UHD intra 50p on S-1: Refused');
    expect(await app.seesCell('Pike UHD intra 50p on X-1')).toContain('Guaranteed');
    expect(await app.seesCell('Pike UHD long 25p on S-1')).toContain('Guaranteed');
    await app.cell('Pike UHD intra 50p on X-1');
    await app.seesText('#why', 'Pike asks for V90. What does it do with CFexpress A?');
    await app.clickText('button', 'Refuses them too');
    await app.seesCell('Pike UHD intra 50p on X-1: Refused');
  });
});

describe('a bus that nobody told', () => {
  it('is asked where it bites, with what each answer would read, and told in one press', async () => {
    await withKit(body([slot('s', 'Slot 1', [{ form: 'sd', bus: null }])], [mode('m', 'UHD', 400)]), [
      card('S-1', 'sd', 128, ['SDXC', 'II', 'V90']),
    ]);
    await app.visit('/');
    await app.seesCell('Pike UHD 25p on S-1: Not covered');
    await app.cell('Pike UHD 25p on S-1');
    const why = await app.seesText('#why', 'Which bus does Slot 1 have?');
    expect(why).toMatch(/UHS-II\s+Guaranteed/);
    expect(why).toMatch(/UHS-I\s+Not covered/);
    expect(await app.axe()).toEqual([]);
    await app.clickText('button', 'UHS-II');
    await app.seesText('#why', 'UHD 25p on S-1 Pike · Slot 1 · SD UHS-II 128 GB, V90 Guaranteed');
    expect(await app.seesCell('Pike UHD 25p on S-1')).toContain('Guaranteed');
    await app.undo('Pike, Slot 1: UHS-II entered.');
    await app.seesCell('Pike UHD 25p on S-1: Not covered');
  });

  it('is asked over the rows of its camera, of slots alike at once or one by one', async () => {
    await withKit(
      body(
        [slot('s', 'Slot 1', [{ form: 'sd', bus: null }]), slot('t', 'Slot 2', [{ form: 'sd', bus: null }])],
        [mode('m', 'UHD', 400)],
      ),
      [card('S-1', 'sd', 128, ['SDXC', 'II', 'V90'])],
    );
    await app.visit('/');
    await app.seesCell('Pike UHD 25p on S-1: Not covered');
    await app.clickText('button', 'bus not entered');
    await app.seesText('[role=dialog]', 'SD in Slot 1 and Slot 2: which bus?');
    expect(await app.axe()).toEqual([]);
    await app.clickText('button', 'They differ');
    await app.seesText('[role=dialog]', 'SD in Slot 2: which bus?');
    await app.clickText('button', 'UHS-II');
    await app.seesText('body', 'Pike, Slot 1: UHS-II entered.');
    // The second of its answers, UHS-I.
    await app.click('[role=dialog] fieldset button:nth-of-type(2)');
    await app.seesText('body', 'Pike, Slot 2: UHS-I entered.');
    expect(await app.seesCell('Pike UHD 25p on S-1')).toContain('Guaranteed');
    expect(await app.text('main'), 'nothing is open any more').not.toContain('bus not entered');
  });

  it('is asked first of a new camera, and fills both of its slots in one press', async () => {
    await withKit(body([slot('s', 'Slot 1', [{ form: 'sd', bus: 'uhs-ii' }])], [mode('m', 'UHD', 400)]), []);
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.clickText('button', 'SD hybrid');
    await app.seesText('form', 'SD in Slot 1 and Slot 2: which bus?');
    await app.clickText('button', 'UHS-II');
    await app.driver.wait(async () => !(await app.text('form')).includes('which bus?'), WAIT, 'nothing open');
    expect(
      await app.run<string[]>(
        'return [...document.querySelectorAll("input[aria-label^=\'Bus of the slot\']")].map((one) => one.value)',
      ),
    ).toEqual(['UHS-II', 'UHS-II']);
    await app.clickText('button', 'Discard');
  });
});

describe('a table of minutes', () => {
  it('of forty modes is pasted in under ten presses', async () => {
    await withKit(body([slot('s', 'Slot 1', [{ form: 'sd', bus: 'uhs-ii' }])], []), [
      card('S-1', 'sd', 256, ['SDXC', 'II', 'V90']),
    ]);
    await app.visit('/bodies?open=pike');
    let presses = 0;
    const press = async (tag: string, text: string): Promise<void> => {
      presses += 1;
      await app.clickText(tag, text);
    };
    await press('button', 'Paste modes');
    const lines = Array.from({ length: 40 }, (_, at) => {
      const minutes = Math.floor((0.985 * 128 * 8000) / (50 + 10 * at) / 60);
      return `M${at + 1}\t3840x2160\t25\t${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`;
    });
    presses += 1;
    await paste('#paste-modes', `Mode\tSize\tfps\tRecordable time on 128 GB\n${lines.join('\n')}`);
    await press('button', 'Add 40 modes');
    await press('button', 'Save');
    expect(presses).toBeLessThan(10);
    await app.visit('/');
    // 50 Mb/s on 128 GB: 336 minutes at 98.5 %, read back as 40.5 to 50.8 Mb/s.
    expect(await app.seesCell('Pike M1 25p on S-1')).toContain('Guaranteed');
    expect(await app.seesCell('Pike M40 25p on S-1')).toContain('Guaranteed');
  });
});

describe('a way out that keeps the take', () => {
  it('offers the same speed before another codec', async () => {
    const modes = [
      mode('a', 'UHD intra', 1600, { codec: 'intra', fps: 120 }),
      mode('b', 'UHD long', 500, { fps: 120 }),
      mode('c', 'UHD intra', 600, { codec: 'intra', fps: 60 }),
    ];
    await withKit(body([slot('s', 'Slot 1', [{ form: 'sd', bus: 'uhs-ii' }])], modes), [
      card('S-1', 'sd', 128, ['SDXC', 'II', 'V90']),
    ]);
    await app.visit('/');
    await app.seesCell('Pike UHD intra 120p on S-1');
    await app.cell('Pike UHD intra 120p on S-1');
    const first = await app.driver.wait(
      async () =>
        app.driver.executeScript(
          'return document.querySelector("#why section[aria-labelledby=ways-heading] li")?.innerText',
        ),
      20_000,
    );
    expect(first).toContain('Record UHD long 120p');
    expect(first).not.toContain('instead of');
  });
});

describe('a label that contradicts itself', () => {
  it('is cool nowhere, and says what is wrong', async () => {
    await withKit(body([slot('s', 'Slot 1', [{ form: 'sd', bus: 'uhs-ii' }])], [mode('m', 'UHD', 100)]), [
      card('S-1', 'sd', 128, ['SDXC', 'II', 'V90'], { readMBps: 80 }),
      card('S-2', 'sd', 128, ['SDXC', 'II', 'V60', 'U2']),
      card('S-3', 'sd', 128, ['SDXC', 'II', 'V60'], { readMBps: 560 }),
      card('S-4', 'sd', 128, ['SDXC', 'II', 'V60'], { readMBps: 280 }),
    ]);
    await app.visit('/');
    for (const id of ['S-1', 'S-2', 'S-3']) await app.seesCell(`Pike UHD 25p on ${id}: Not covered`);
    expect(await app.seesCell('Pike UHD 25p on S-4')).toContain('Guaranteed');
    await app.cell('Pike UHD 25p on S-1');
    await app.seesText('#why', 'nothing writes slower at its best than it always does');
  });
});

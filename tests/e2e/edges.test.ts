import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { App, WAIT } from './app.ts';

let app: App;
let empty: unknown;
const folder = mkdtempSync(join(tmpdir(), 'cool-reel-edges-'));

beforeAll(async () => {
  app = await App.open({ demo: false });
  empty = await app.begin(null);
});
afterAll(async () => {
  await app.close();
  rmSync(folder, { recursive: true, force: true });
});
afterEach(async () => {
  expect(await app.complaints()).toEqual([]);
});

/** Puts a kit file in the place of what there is. */
async function replaceBy(name: string, text: string): Promise<void> {
  await app.putBack(empty);
  await app.visit('/');
  await app.seesText('main', 'No cameras or cards yet');
  const file = join(folder, `${name}.coolreel.json`);
  writeFileSync(file, text);
  await app.clickText('button', 'Kit');
  await app.clickText('button', 'Import a kit file');
  await (await app.find('input[type=file]')).sendKeys(file);
  await app.clickText('button', 'Import');
  await app.seesText('body', 'A kit file imported');
}

const FOCUSED = `
  const one = document.activeElement;
  const label = one?.labels?.[0]?.textContent ?? one?.getAttribute('aria-label') ?? one?.textContent ?? '';
  return label.replace(/\\s+/g, ' ').trim();`;

/** Goes on by Tab until what has the focus is called so; in as many steps as a person would put up with. */
async function tabTo(name: string | RegExp, most = 60): Promise<number> {
  const passed: string[] = [];
  for (let steps = 1; steps <= most; steps += 1) {
    await app.keys(Key.TAB);
    const focused = await app.run<string>(FOCUSED);
    passed.push(focused.slice(0, 20));
    if (typeof name === 'string' ? focused.startsWith(name) : name.test(focused)) return steps;
  }
  throw new Error(`${name} is not reached by Tab: ${passed.join(' | ')}`);
}

describe('the main job by keyboard alone', () => {
  it('from nothing: asked, kept as a camera and a card, found on the table, and read in Why', async () => {
    await app.size(1280, 800);
    await app.putBack(empty);
    await app.visit('/');
    await app.seesText('main', 'No cameras or cards yet');
    await app.keys('/');
    await app.keys('400 Mb/s 25p on 128GB V60 II in UHS-II slot');
    await app.seesText('#quick-answer', 'Guaranteed');
    for (const [what, field] of [
      ['Keep this camera', 'What this camera is called'],
      ['Keep this card', 'What this card is called'],
    ] as const) {
      // From the line on, and later from the button that was pressed before.
      await tabTo(what, 8);
      await app.keys(Key.ENTER);
      const isIn = async () => (await app.run<string>(FOCUSED)).startsWith(field);
      await app.driver.wait(isIn, WAIT, `the focus in “${field}”`);
      await app.keys(Key.ENTER);
      await app.driver.wait(async () => !(await isIn()), WAIT, 'kept');
      await app.driver.wait(
        async () => (await app.run<string>(FOCUSED)).startsWith('Keep this'),
        WAIT,
        'the focus back',
      );
    }
    await app.seesText('[role=grid]', 'Guaranteed');
    await tabTo('Modes against cards', 40);
    await app.keys(Key.ENTER);
    await app.seesText('#why', 'Guaranteed');
    await app.keys(Key.ESCAPE);
  });
});

describe('a kit of an earlier version', () => {
  it.each([1, 7])('%i goes through every view', async (version) => {
    const file = new URL(`../fixtures/demo-by-version/${version}.coolreel.json`, import.meta.url);
    await replaceBy(`version-${version}`, readFileSync(file, 'utf8'));
    for (const [path, part] of [
      ['/', 'Wherry'],
      ['/bodies', 'Wherry'],
      ['/cards', /\d+ cards/],
      ['/heat', /min/],
      ['/crew', 'One page a camera'],
      ['/prove', 'entries'],
      ['/day', /Cards and disks|No block|Plan/],
      ['/shop', /hours|need/],
      ['/drill', 'One kind at a time'],
    ] as const) {
      await app.visit(path);
      const said = await app.seesText('main', part);
      expect(said, path).not.toMatch(/NaN|undefined|\[object/);
      expect(await app.run('return document.querySelector(".part-failed:not([hidden])") === null'), path).toBe(true);
    }
  });
});

describe('a day past midnight', () => {
  /** The clock of the page from its next visit on, by the wall. */
  let moved: string | null = null;
  const clockAt = async (time: string): Promise<void> => {
    const driver = app.driver as unknown as {
      sendAndGetDevToolsCommand: (name: string, of: object) => Promise<{ readonly identifier: string }>;
    };
    if (moved !== null)
      await driver.sendAndGetDevToolsCommand('Page.removeScriptToEvaluateOnNewDocument', { identifier: moved });
    const source = `{
      const Real = Date;
      const shift = new Real('${time}').getTime() - Real.now();
      globalThis.Date = class extends Real {
        constructor(...given) { if (given.length > 0) super(...given); else super(Real.now() + shift); }
        static now() { return Real.now() + shift; }
      };
    }`;
    ({ identifier: moved } = await driver.sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
      source,
    }));
  };

  it('counts down to the change behind it, as planned where nobody pressed and as pressed where somebody did', async () => {
    const [day] = demo.plans;
    const night = { ...day?.blocks[2], id: 'night', name: 'Night', from: '23:00', minutes: 150, rolling: 1 };
    const plan = { ...day, date: '2026-05-04', start: '22:00', blocks: [night], airProfile: [] };
    await replaceBy('night', JSON.stringify({ ...demo, plans: [plan] }));
    await app.size(390, 844);
    await app.driver.executeScript('window.scrollTo(0, 0)');
    const at = async (time: string): Promise<string> => {
      await clockAt(time);
      await app.visit('/day?plan=race-day&at=live');
      return app.seesText(
        'section[aria-label="The next card change"]',
        /\d+:\d\d.* (?:card change|card in) at \d\d|No more card/,
      );
    };
    await at('2026-05-04T22:50:00');
    const planned = /(\S+) → (\S+) card change at (\d\d:\d\d)/.exec(await at('2026-05-04T23:30:00'));
    const [, out = '', put = '', when = ''] = planned ?? [];
    expect(when > '00:00' && when < '01:30', `a change in the night: ${when}`).toBe(true);
    // Nobody pressed anything: later in the night it is the same change, nearer.
    const later = await at('2026-05-05T00:05:00');
    expect(later).toContain(`${out} → ${put} card change at ${when} +1 d`);
    expect(later).toContain('Nothing was noted for Dory');
    // Confirmed in one press, it is the same change still.
    expect(later).toContain(`By the plan ${out} is in Dory`);
    await app.clickText('button', 'That is so');
    const confirmed = await app.seesText('section[aria-label="The next card change"]', 'from the states you noted');
    expect(confirmed).toContain(`${out} → ${put} card change at ${when} +1 d`);
    await app.clickText('button', 'Changed now');
    await app.seesText('main', `${put}`);
    const after = await at('2026-05-05T00:40:00');
    expect(after).not.toContain('Nothing was noted');
    expect(after).not.toContain(`${out} → ${put}`);
    expect(await app.text('main')).toMatch(new RegExp(`${out} [^.]*do not format`));
    expect(await app.text('main')).toContain('00:40 +1 d');
  });
});

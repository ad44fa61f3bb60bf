import { By, Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Body, Card } from '../../src/core/kit/model.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { App, WAIT } from './app.ts';

let app: App;

/** The demo with sixty cards, some of long names and one without a break in it. */
const LONG = 'Second-unit-spare-card-for-the-finish-line-camera-on-the-committee-boat-no-';
function crowded(): object {
  const cards = demo.cards as unknown as readonly Card[];
  const more = Array.from({ length: 60 - cards.length }, (_, at) => ({
    ...(cards[at % cards.length] as Card),
    id: `more-${at}`,
    label: at === 0 ? 'x'.repeat(80) : at % 3 === 0 ? `${LONG}${at}` : `D-${at}`,
  }));
  const bodies = (demo.bodies as unknown as readonly Body[]).map((body, at) =>
    at === 1
      ? { ...body, name: 'y'.repeat(60), modes: body.modes.map((mode) => ({ ...mode, name: 'z'.repeat(70) })) }
      : body,
  );
  return { ...demo, bodies, cards: [...cards, ...more] };
}

beforeAll(async () => {
  app = await App.open({ demo: false, network: true });
  await app.begin(crowded());
});
afterAll(() => app.close());

const VIEWS: readonly (readonly [string, string | RegExp])[] = [
  ['/', 'Planned minutes on one card'],
  ['/?q=600%20Mb%2Fs%20on%20256GB%20V90%20II%20for%202h', 'Guaranteed'],
  ['/bodies', 'The camera'],
  ['/cards', '60 cards'],
  ['/cards?open=c-01', 'What is printed'],
  ['/heat', /simulated takes end early/],
  ['/crew', 'One page a camera'],
  ['/prove', 'entries'],
  ['/prove?open=t5', 'This looks impossible'],
  ['/prove?open=t9', 'This looks impossible'],
  ['/prove?at=map', 'takes show'],
  ['/prove?at=next', 'Start the watch'],
  ['/prove?at=bursts', 'writes a burst away'],
  ['/prove?at=wrong', 'What you saw'],
  ['/prove?at=measure&what=clip', 'What a clip was written with'],
  ['/prove?at=measure&what=trace', 'How a card was written'],
  ['/prove?at=measure&what=bench', 'A card, written and read back'],
  ['/prove?open=bench-sun', 'For the simulated takes of A-01'],
  ['/day', 'recording minutes still missing'],
  ['/sheet?plan=race-day', 'Labels of the cards'],
  ['/shop', 'Price if you leave one mode out or change it'],
  ['/shop?at=wear', 'Pier camera'],
  ['/shop?at=fleet', 'by what happened to them'],
  ['/drill', 'One kind at a time'],
  ['/drill?kind=label&seed=5', 'What does this card promise'],
  ['/drill?kind=cheapest&seed=5', 'cheapest that holds'],
  ['/drill?kind=stopped&seed=5', 'Frames were dropped'],
  ['/drill?kind=own&seed=5', 'Which of your cards'],
  ['/guide', 'How this app decides'],
  ['/?first=1', 'Type what your camera writes'],
  ['/nowhere', 'There is no such page'],
];

/** What hangs over the right edge of the page itself; boxes that scroll by themselves may be as wide as they like. */
const OVER = `
  const wide = document.documentElement.scrollWidth - window.innerWidth;
  const over = [...document.querySelectorAll('body *')].filter((one) => one.getBoundingClientRect().right > window.innerWidth + 1);
  return wide > 0 ? wide + ' px over: ' + over.slice(0, 8).map((one) => one.tagName + '.' + one.className).join(' ') : '';`;

/** Everything that is pressed, with what it measures; a control in a row that is pressed whole counts as its row. */
const SMALL = `
  const controls = [...document.querySelectorAll('button, a[href], select, input, summary, [role=tab]')];
  const shown = controls.filter((one) => {
    const box = one.getBoundingClientRect();
    const style = getComputedStyle(one);
    return one.type !== 'file' && box.width > 0 && box.height > 0 && style.visibility !== 'hidden' && style.opacity !== '0' && !one.closest('[aria-hidden=true]');
  });
  return shown.flatMap((one) => {
    const row = one.closest('label, tr, [class*=line], .mantine-Checkbox-body, .mantine-PillsInput-input, .mantine-TagsInput-input') ?? one;
    // What reaches over its own box is as high as it reaches.
    const reach = one.classList.contains('reached') ? parseFloat(getComputedStyle(one, '::after').height) || 0 : 0;
    const heights = [...[one, row].map((each) => each.getBoundingClientRect().height), reach];
    // A link in the middle of a sentence is as high as the sentence.
    const beside = [...one.parentElement.childNodes].some((node) => node.nodeType === 3 && node.textContent.trim() !== '');
    const inSentence = one.tagName === 'A' && (one.parentElement.tagName === 'P' || (one.classList.contains('term') && beside));
    const height = Math.max(...heights);
    return height >= 39.5 || inSentence ? [] : [one.tagName + ' ' + (one.textContent.trim() || one.getAttribute('aria-label') || one.type).slice(0, 30) + ' ' + Math.round(height)];
  }).slice(0, 12);`;

/** Figures that are broken over several lines: each reads as another. */
const BROKEN = `
  const walker = document.createTreeWalker(document.querySelector('main'), NodeFilter.SHOW_TEXT);
  const broken = [];
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    if (!node.parentElement.checkVisibility({ visibilityProperty: true })) continue;
    for (const { 0: figure, index } of node.data.matchAll(/[\\d.,:]*\\d[\\d.,:]*/g)) {
      const range = document.createRange();
      range.setStart(node, index);
      range.setEnd(node, index + figure.length);
      const lines = new Set([...range.getClientRects()].filter(({ width }) => width > 0.5).map(({ top }) => Math.round(top / 4)));
      if (lines.size > 1 && figure.length < 12) broken.push(figure + ' in ' + node.parentElement.textContent.slice(0, 40));
    }
  }
  return broken.slice(0, 5);`;

/** Everything within the page's width, at each of some sizes; the first was there when the page was opened. */
async function standsWithin(sizes: readonly (readonly [number, number])[], part: string | RegExp): Promise<void> {
  for (const [width, height] of sizes) {
    await app.size(width, height);
    await app.seesText('main', part);
    const isWithin = async () => (await app.run<string>(OVER)) === '';
    await app.driver.wait(isWithin, WAIT / 4).catch(() => {});
    expect(await app.run<string>(OVER), `within ${width} px`).toBe('');
    expect(await app.run<readonly string[]>(BROKEN), `broken at ${width} px`).toEqual([]);
  }
}

describe('sixty cards with long names', () => {
  it.each(VIEWS)(
    '%s stands within the page, from a laptop to a small phone; axe finds nothing by day nor by night',
    async (path, part) => {
      await app.size(1280, 800);
      await app.visit(path);
      await app.seesText('main', part);
      expect(await app.axe('minor'), 'by day').toEqual([]);
      await app.night(true);
      expect(await app.contrast(), 'by night').toEqual([]);
      await app.night(false);
      // Zoomed to 200 % a window of 1280 shows what one of 640 shows.
      await standsWithin(
        [
          [1280, 800],
          [820, 1180],
          [640, 400],
          [390, 844],
        ],
        part,
      );
      expect(await app.run<readonly string[]>(SMALL), 'targets under 40 px on a phone').toEqual([]);
      await standsWithin([[320, 640]], part);
    },
  );

  it('none of them asked anybody else for anything', async () => {
    const foreign = (await app.complaints()).filter((one) => one.startsWith('asked for'));
    expect(foreign).toEqual([]);
  });
});

describe('dialogs and panels', () => {
  const onGrid = async (act: () => Promise<unknown>): Promise<unknown> => {
    await app.run("document.querySelector('[role=grid]').focus()");
    return act();
  };
  const SAYS: Readonly<Record<string, string>> = {
    '/': 'Planned minutes on one card',
    '/bodies': 'The camera',
    '/cards': '60 cards',
    '/prove': 'entries',
  };
  const open: readonly (readonly [string, string, () => Promise<unknown>])[] = [
    ['Why', '/', () => onGrid(() => app.cell('Wherry 8K raw 3:1 50p on A-01'))],
    ['the legend', '/', () => app.clickText('button', 'What the answers mean')],
    ['the plan', '/', () => app.clickText('button', 'Heat checked for: ')],
    ['cards that do not enter', '/', () => app.click('[aria-label$="show which and why"]')],
    ['help', '/', () => onGrid(() => app.keys('?'))],
    ['a pasted table', '/bodies', () => app.clickText('button', 'Paste modes')],
    ['several cards', '/cards', () => app.clickText('button', 'Paste several')],
    ['the label reader', '/cards', () => app.clickText('button', 'Read a label')],
    ...['Tests from a table', 'Give tests away', 'A colleague’s tests'].map(
      (name) =>
        [
          name,
          '/prove',
          async () => {
            await app.clickText('button', 'More');
            await app.clickText('button', name);
          },
        ] as const,
    ),
  ];
  it.each(open)(
    '%s: axe finds nothing by day nor by night, and Escape gives the focus back',
    async (name, path, act) => {
      await app.size(1280, 800);
      await app.visit(path);
      await app.seesText('main', SAYS[path] ?? '');
      if (path === '/') await app.seesCell('Wherry 8K raw 3:1 50p on A-01');
      await act();
      await app.still();
      // The page behind it was looked at as a view; what lies beside is looked at whole.
      const [dialog] = await app.driver.findElements(By.css('[role=dialog]'));
      const within = dialog && (await dialog.isDisplayed()) ? '[role=dialog]' : 'main';
      expect(await app.axe('minor', true, within)).toEqual([]);
      await app.night(true);
      expect(await app.contrast(within), 'by night').toEqual([]);
      await app.night(false);
      const from = "return document.activeElement === document.body ? '' : document.activeElement.tagName";
      await app.keys(Key.ESCAPE);
      if (name !== 'the legend')
        await app.driver.wait(() => app.run<string>(from), WAIT, 'the focus where it came from');
    },
  );

  it.each([
    ['/cards', ['Paste several']],
    ['/prove', ['More', 'Tests from a table']],
  ] as const)('in %s a press that gives no focus gets it all the same: %s', async (path, presses) => {
    await app.size(1280, 800);
    await app.visit(path);
    await app.seesText('main', SAYS[path] ?? '');
    for (const name of presses)
      await app.driver.wait(
        () =>
          app.run<boolean>(
            `const one = [...document.querySelectorAll('button')].find((each) => each.textContent.startsWith('${name}'));
             document.activeElement.blur();
             one?.click();
             return one !== undefined;`,
          ),
        WAIT,
        name,
      );
    await app.find('[role=dialog] .mantine-Modal-close');
    await app.keys(Key.ESCAPE);
    await app.driver.wait(
      async () => (await app.run<string>('return document.activeElement.textContent')).startsWith(presses[0]),
      WAIT,
      'the focus on what was pressed first',
    );
  });
});

describe('hands', () => {
  it('read verdict words of at least 14 px, and minutes larger', async () => {
    await app.size(390, 844);
    await app.visit('/');
    await app.seesCell('Wherry 8K raw 5:1 25p on A-01');
    const sizes = await app.run<readonly number[]>(
      `const cell = [...document.querySelectorAll('[role=gridcell]')].find((one) => one.dataset.verdict === 'guaranteed');
       return [...cell.children].slice(0, 2).map((one) => parseFloat(getComputedStyle(one).fontSize));`,
    );
    expect(sizes[0]).toBeGreaterThanOrEqual(18);
    expect(sizes[1]).toBeGreaterThanOrEqual(14);
  });

  it('have the header in one line on a phone, with every view behind one press', async () => {
    await app.size(390, 844);
    await app.visit('/cards');
    await app.seesText('main', '60 cards');
    expect(
      await app.run<number>('return document.querySelector("header").getBoundingClientRect().height'),
    ).toBeLessThan(60);
    await app.click('summary');
    await app.seesText('details nav', 'Heat');
    await app.run(
      '[...document.querySelectorAll("details nav a")].find((one) => one.textContent.startsWith("Cameras")).click()',
    );
    await app.seesText('main', 'The camera');
  });

  it('see one camera at a time on a phone, and go to the next with one press', async () => {
    await app.size(390, 844);
    await app.visit('/');
    await app.seesText('[role=grid]', 'Wherry');
    expect(await app.run<number>('return document.querySelectorAll("[role=rowgroup]").length')).toBe(1);
    await app.click('[aria-label="The next camera"]');
    await app.driver.wait(async () => !(await app.text('[role=grid]')).includes('Wherry'), WAIT, 'the next camera');
    await app.click('[aria-label="The camera before"]');
    await app.seesText('[role=grid]', 'Wherry');
  });

  it('try a move on a phone: the panel closes, the trial’s bar is in view and ends it', async () => {
    await app.size(390, 844);
    await app.visit('/');
    await app.seesCell('Wherry 8K raw 3:1 50p on A-01');
    await app.cell('Wherry 8K raw 3:1 50p on A-01');
    await app.seesText('[role=dialog]', 'What to do');
    await app.clickText('button', '8:1 instead of 3:1');
    await app.seesText('[role=status]', 'Trial');
    await app.driver.wait(
      async () => (await app.run<number>('return document.querySelectorAll("[role=dialog]").length')) === 0,
      WAIT,
    );
    const bar = await app.run<number>(
      `const bar = [...document.querySelectorAll('[role=status]')].find((one) => one.textContent.startsWith('Trial'));
       const { top, bottom } = bar.getBoundingClientRect();
       return top >= 0 && bottom <= window.innerHeight ? 1 : 0;`,
    );
    expect(bar, 'in view').toBe(1);
    await app.clickText('button', 'Drop it');
    expect(await app.seesCell('Wherry 8K raw 3:1 50p on A-01')).toContain('18 min Maker’s claim');
  });

  it('reach the last of a form in a panel, over its Save, while a notice stands', async () => {
    await app.size(1280, 800);
    await app.visit('/day');
    await app.click('button[data-block="crews"]');
    await app.fill('From', '9.30', '//aside');
    await app.clickText('button', 'Save');
    await app.seesText('#notices', 'Undo');
    await app.click('button[data-block="crews"]');
    await app.withText('button', 'Delete this block');
    const over = await app.run<string>(
      `const last = [...document.querySelectorAll('aside button')].find((one) => one.textContent === 'Delete this block');
       last.scrollIntoView({ block: 'center' });
       const { left, top, width, height } = last.getBoundingClientRect();
       const seen = document.elementFromPoint(left + width / 2, top + height / 2);
       return document.querySelector('#notices').textContent + ' · ' + seen.textContent;`,
    );
    expect(over).toMatch(/Undo.* · Delete this block$/);
    // Nothing but the notice takes room at the foot.
    const empty = `const [place, notice] = ['#notices', '.mantine-Notification-root'].map((one) => document.querySelector(one));
      return place.offsetHeight - notice.offsetHeight;`;
    expect(await app.run<number>(empty)).toBe(0);
    await app.undoByKeys();
  });

  it('find no notice over a control, and none that stays by itself', async () => {
    await app.size(1280, 800);
    await app.visit('/bodies');
    await app.seesText('main', 'The camera');
    await app.fill('What it is', 'cine, fan on');
    await app.clickText('button', 'Save');
    await app.seesText('#notices', 'saved.');
    const covered = await app.run<readonly string[]>(
      `const notice = document.querySelector('#notices').getBoundingClientRect();
       return [...document.querySelectorAll('main button, main input')].filter((one) => {
         const box = one.getBoundingClientRect();
         const x = box.left + box.width / 2, y = box.top + box.height / 2;
         return y > notice.top && y < notice.bottom && x > notice.left && x < notice.right && document.elementFromPoint(x, y)?.closest('#notices');
       }).map((one) => one.textContent || one.name).filter((_, at, all) => all.length > 0 && getComputedStyle(document.querySelector('main')).overflow !== 'auto');`,
    );
    expect(covered).toEqual([]);
    // A mouse that rests on a notice holds it; elsewhere it goes by itself.
    await app.driver.actions().move({ x: 600, y: 20 }).perform();
    await app.driver.wait(
      () => app.run<boolean>('return document.querySelector("#notices").textContent === ""'),
      WAIT,
      'gone by itself',
    );
  });
});

describe('eyes', () => {
  it('follow the device into the night, and the button agrees', async () => {
    await app.visit('/');
    await app.run("localStorage.removeItem('mantine-color-scheme-value')");
    const night = (value: string) =>
      (
        app.driver as unknown as { sendDevToolsCommand: (name: string, of: object) => Promise<void> }
      ).sendDevToolsCommand('Emulation.setEmulatedMedia', { features: [{ name: 'prefers-color-scheme', value }] });
    await night('light');
    await app.visit('/cards');
    await app.seesText('main', '60 cards');
    await app.find('[aria-label="Switch to the night theme"]');
    await night('dark');
    await app.find('[aria-label="Switch to the day theme"]');
    expect(await app.run('return document.documentElement.dataset.mantineColorScheme')).toBe('dark');
    await app.click('[aria-label="Switch to the day theme"]');
    await app.find('[aria-label="Switch to the night theme"]');
    await night('light');
    await night('dark');
    expect(await app.run('return document.documentElement.dataset.mantineColorScheme'), 'a wish of one’s own').toBe(
      'light',
    );
    await night('light');
  });

  it('tell heat marks apart where colours are forced', async () => {
    await (
      app.driver as unknown as { sendDevToolsCommand: (name: string, of: object) => Promise<void> }
    ).sendDevToolsCommand('Emulation.setEmulatedMedia', { features: [{ name: 'forced-colors', value: 'active' }] });
    await app.size(1280, 800);
    await app.visit('/');
    const start = 'Wherry 8K raw 3:1 50p on A-02';
    await app.driver.wait(async () => (await app.seesCell(start)).includes('Heat: stops early (est.)'), WAIT, 'a mark');
    // What a colour would say is said in a word too.
    const said = await app.run<string>(
      `return [...document.querySelectorAll('[role=gridcell]')].find((one) => one.dataset.heat === 'hot').textContent`,
    );
    expect(said).toContain('heat stop, est.');
    const fills = await app.run<readonly string[]>(
      `return ['cool', 'hot'].map((heat) => {
         const cell = document.querySelector('[role=gridcell][data-heat=' + heat + ']');
         return cell ? getComputedStyle(cell, '::after').backgroundImage + getComputedStyle(cell, '::after').borderTopColor : heat;
       })`,
    );
    expect(new Set(fills).size, 'a full tube is not an empty one').toBe(2);
    await (
      app.driver as unknown as { sendDevToolsCommand: (name: string, of: object) => Promise<void> }
    ).sendDevToolsCommand('Emulation.setEmulatedMedia', { features: [] });
  });
});

import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { startRound } from '../../src/app/drill/rounds.ts';
import { afterAnswer } from '../../src/app/drill/schedule.ts';
import type { Question } from '../../src/core/drill/question.ts';
import type { DrillKind } from '../../src/core/drill/topics.ts';
import type { DrillProgress } from '../../src/core/kit/drill.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { App, WAIT } from './app.ts';
import { demoApp } from './demoApp.ts';

let app: App;
const { folder: files } = demoApp('learn', (opened) => {
  app = opened;
});

const devTools = (name: string, params: object): Promise<unknown> =>
  (
    app.driver as unknown as { sendDevToolsCommand(name: string, params: object): Promise<unknown> }
  ).sendDevToolsCommand(name, params);
const NO_KIT = { bodies: [], cards: [], tests: [], reports: [], policy: DEFAULT_POLICY };
/** The questions of a round that is addressed by its seed, for somebody who has these behind them. */
const round = (kind: DrillKind, seed: number, drills: readonly DrillProgress[] = []): readonly Question[] =>
  startRound({ drills, kit: NO_KIT, kind, day: '2026-01-01', seed }).map(({ question }) => question);
const rightAt = ({ choices }: Question): number => choices.findIndex(({ slip }) => slip === null);
const focused = (): Promise<string> => app.run<string>("return document.activeElement.textContent ?? ''");
const sees = (what: () => Promise<boolean>, told: string) => app.driver.wait(what, WAIT, told);

/** Puts a kit with this progress in place of the stored one. */
async function withDrills(drills: readonly DrillProgress[]): Promise<void> {
  const file = join(files, 'drilled.coolreel.json');
  writeFileSync(file, JSON.stringify({ ...demo, drills }));
  await app.clickText('button', 'Kit');
  await app.clickText('button', 'Import a kit file');
  await (await app.find('input[type=file]')).sendKeys(file);
  await app.seesText('[role=dialog]', 'label/peak');
  await app.clickText('label', 'Put it in the place of what I have');
  await app.seesText('[role=dialog]', 'drilled topics');
  await app.run(
    "[...document.querySelectorAll('button')].find((one) => one.textContent === 'Replace the kit').click()",
  );
  await app.seesText('body', 'A kit file imported');
}

describe('a round', () => {
  it('is played by keyboard alone, from the start to the end', async () => {
    await app.visit('/drill');
    await app.seesText('h1', 'Practice');
    await app.run('document.body.focus()');
    for (let at = 0; at < 40 && (await focused()) !== 'Start a round'; at += 1) await app.keys(Key.TAB);
    expect(await focused()).toBe('Start a round');
    await app.keys(Key.ENTER);
    await app.seesText('main', '1 of 8');
    // One of a known seed, for the rest.
    await app.visit('/drill?kind=label&seed=11');
    const questions = round('label', 11);
    for (const [at, question] of questions.entries()) {
      await app.seesText('main', `${at + 1} of 8`);
      const right = rightAt(question);
      await app.keys('abcd'[at === 3 ? (right + 1) % question.choices.length : right] as string);
      await app.seesText('main', at === 3 ? 'That is' : 'Right.');
      await sees(async () => /^(Next|See how)/.test(await focused()), 'the next button has the focus');
      await app.keys(Key.ENTER);
    }
    await app.seesText('h1', '7 of 8 right');
    expect(await app.text('main')).toMatch(/again (tomorrow|in \d+ days)/);
    expect(await app.axe('minor')).toEqual([]);
  });

  it('is played on a phone, with answers that are typed as people type them', async () => {
    await app.visit('/');
    await withDrills(
      ['minutes/factor-eight', 'minutes/variable', 'label/peak'].map((id) => ({
        ...afterAnswer(id, null, { isRight: true, slip: null, isUnknown: false, seconds: null }, new Date()),
        stability: 6,
      })),
    );
    await app.visit('/');
    await app.size(390, 844);
    await app.visit('/drill?kind=minutes&seed=4');
    await app.seesText('h1', 'How many minutes');
    await app.clickText('button', 'Answer');
    await app.seesText('[role=alert]', 'Type a number');
    for (const text of ['fifty', 'a lot of them', '85 m']) {
      await app.fill('Your answer', text);
      await app.clickText('button', 'Answer');
      await app.seesText('[role=alert]', 'is no number that can be read here');
    }
    // Nothing was judged so far.
    await app.seesText('main', '1 of 8');
    await app.seesText('main', '0 right');
    await app.fill('Your answer', '1,200');
    await app.clickText('button', 'Answer');
    await app.seesText('[role=alert]', 'Is it 1200 or 1.2?');
    const asked = await app.text('h1');
    const [, GB = '0', unit = ''] = /does ([\d.]+) (GB|TB)/.exec(asked) ?? [];
    const [, Mbps = '1'] = /at ([\d.]+) Mb\/s/.exec(asked) ?? [];
    const minutes = (Number(GB) * (unit === 'TB' ? 1000 : 1) * 8000) / Number(Mbps) / 60;
    // By head, as an estimate, in hours and minutes.
    await app.fill(
      'Your answer',
      `about ${Math.floor(minutes / 60)}h${String(Math.round(minutes % 60)).padStart(2, '0')}`,
    );
    await app.clickText('button', 'Answer');
    await app.seesText('main', 'Right.');
    await app.seesText('main', 'planned minutes');
    expect(await app.axe('minor')).toEqual([]);
  });

  it('names the slip, explains it by the rules, and leads to the guide', async () => {
    const seed =
      Array.from({ length: 50 }, (_, at) => at).find((at) => round('label', at)[0]?.topic.slip === 'not-in-force') ?? 0;
    const [question] = round('label', seed);
    if (!question) throw new Error('no question');
    await app.visit(`/drill?kind=label&seed=${seed}`);
    await app.seesText('h1', 'What does this card promise');
    const at = question.choices.findIndex(({ slip }) => slip === 'not-in-force');
    await app.keys('abcd'[at] as string);
    await app.seesText('main', 'That is a mark that does not count here.');
    await app.seesText('main', /V(60|90) does not count here; (U3 does:|such a card falls back to) 30 MB\/s/);
    await app.clickText('a', 'In the guide');
    await app.seesText('[role=dialog]', 'Guarantee in force');
    expect(await app.axe('minor')).toEqual([]);
    await app.keys(Key.ESCAPE);
    await app.visit('/drill');
    await app.seesText('main', 'A mark that does not count here once');
    await app.clickText('button', 'Progress as CSV');
    await sees(async () => readdirSync(files).some((name) => /^drill-.*\.csv$/.test(name)), 'the file');
    const name = readdirSync(files).find((one) => /^drill-.*\.csv$/.test(one)) as string;
    expect(readFileSync(join(files, name), 'utf8')).toContain('label/not-in-force');
  });

  it('takes the first of two presses that come at once', async () => {
    const [question] = round('bits', 3);
    if (!question) throw new Error('no question');
    const right = rightAt(question);
    await app.visit('/drill?kind=bits&seed=3');
    await app.seesText('main', '1 of 8');
    await app.run(
      'const all = document.querySelectorAll("ol[aria-label=Answers] button"); all[arguments[0]].click(); all[(arguments[0] + 1) % all.length].click();',
      right,
    );
    await app.seesText('main', 'Right.');
    await app.visit('/drill');
    await app.seesText('main', '1 of 1 answers right');
  });

  it('says that one does not know without a slip, ends when it is ended, and begins from nothing and back', async () => {
    await app.visit('/drill?kind=bits&seed=2');
    await app.clickText('button', 'I do not know');
    await app.seesText('main', 'Now you know.');
    await app.clickText('button', 'Next');
    await app.clickText('button', 'End the round');
    await app.seesText('h1', '0 of 1 right');
    await app.clickText('button', 'Back to Practice');
    await app.seesText('main', '0 of 1 answers right');
    expect(await app.text('main')).not.toContain('commonest');
    await app.clickText('button', 'Begin from nothing');
    await app.seesText('main', 'No questions answered yet');
    await app.undo('Everything drilled is forgotten');
    await app.seesText('main', '0 of 1 answers right');
  });

  it('is timed for those who want it, and not for those who do not', async () => {
    await app.visit('/drill?kind=bits&seed=2');
    await app.seesText('main', /0 right · 1[12]\d s/);
    await app.visit('/drill');
    await app.clickText('label', 'Time the rounds');
    await app.seesText('body', 'Rounds are not timed');
    await app.clickText('button', 'Start a round');
    await app.seesText('main', '0 right');
    expect(await app.text('main')).not.toMatch(/\d+ s$|· \d+ s/);
  });
});

describe('what is due', () => {
  it('comes again after its days, by the clock of the device', async () => {
    await app.visit('/drill?kind=counter&seed=1');
    await app.seesText('main', '1 of 8');
    for (let at = 0; at < 2; at += 1) {
      await app.clickText('button', 'I do not know');
      await app.clickText('button', 'Next');
    }
    await app.clickText('button', 'End the round');
    await app.clickText('button', 'Back to Practice');
    await app.seesText('main', 'Nothing is due today. The next comes tomorrow.');
    const source = `{ const Real = Date; const ahead = 3 * 86400000;
      window.Date = class extends Real { constructor(...all) { all.length === 0 ? super(Real.now() + ahead) : super(...all); }
        static now() { return Real.now() + ahead; } }; }`;
    const added = (await (
      app.driver as unknown as {
        sendAndGetDevToolsCommand(name: string, params: object): Promise<{ identifier: string }>;
      }
    ).sendAndGetDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source })) ?? { identifier: '' };
    try {
      await app.visit('/drill');
      await app.seesText('main', /[12] due today/);
      await app.clickText('button', 'Start a round');
      await app.seesText('main', '1 of 8');
      await app.seesText('main', 'due today');
    } finally {
      await devTools('Page.removeScriptToEvaluateOnNewDocument', { identifier: added.identifier });
    }
  });

  it('of one’s own cards is asked anew where one was deleted in between', async () => {
    await app.visit('/drill?kind=own&seed=5');
    await app.seesText('h1', 'Which of your cards');
    const first = await app.driver.getWindowHandle();
    const labels = await app.run<string[]>(
      "return [...document.querySelectorAll('ol button')].map((one) => /(\\w-\\d\\d) ·/.exec(one.textContent)[1])",
    );
    await app.driver.switchTo().newWindow('tab');
    await app.visit(`/cards?open=${(labels[0] as string).toLowerCase()}`);
    await app.clickText('button', 'Delete');
    await app.seesText('body', `${labels[0]} deleted`);
    await app.driver.close();
    await app.driver.switchTo().window(first);
    await app.seesText('main', 'Your kit changed meanwhile');
    const now = await app.text('main');
    expect(now).not.toContain(`${labels[0]} ·`);
  });
});

describe('the guide', () => {
  it('opens an entry in place from Why, by keyboard and by pointing, and gives the focus back', async () => {
    await app.visit('/');
    await app.seesCell('Dory 4K intra 50p on C-02');
    await app.cell('Dory 4K intra 50p on C-02');
    await app.seesText('aside', 'Camera refuses');
    const rung = await app.find('aside [data-term="rule-requirement"]');
    await app.run(
      "document.querySelector('aside [data-term=\"rule-requirement\"]').scrollIntoView({ block: 'center' })",
    );
    await app.run('document.querySelector(\'aside [data-term="rule-requirement"]\').focus()');
    await app.keys(Key.ENTER);
    await app.seesText('[role=dialog]', 'A refusal locks the mode out');
    expect(await focused()).toBe('What the maker asks for');
    expect(await rung.getAttribute('aria-expanded')).toBe('true');
    expect(await app.axe('minor')).toEqual([]);
    await app.keys(Key.ESCAPE);
    await sees(
      async () => (await app.run<number>("return document.querySelectorAll('[data-term-entry]').length")) === 0,
      'shut',
    );
    // Esc shut the entry alone: Why is still there, and the word has the focus again.
    await app.seesText('aside', 'Camera refuses');
    expect(await app.run<string>('return document.activeElement.dataset.term')).toBe('rule-requirement');
    await app.driver
      .actions({ async: true })
      .move({ origin: await app.find('aside [data-term="verdict-locked"]') })
      .perform();
    await app.seesText('[role=dialog]', 'The camera refuses this mode unless the card carries a certain mark');
    await app.driver.actions({ async: true }).move({ x: 5, y: 300 }).perform();
    await sees(
      async () => (await app.run<number>("return document.querySelectorAll('[data-term-entry]').length")) === 0,
      'left',
    );
    // As a link it leads to its rule.
    expect(await rung.getAttribute('href')).toContain('/guide#rule-requirement');
    await app.visit('/guide#rule-requirement');
    await app.seesText('#rule-requirement', 'What the maker asks for');
  });

  it('is there without scripts: headings, tables, sources, on its first paint', async () => {
    const { address } = app;
    await devTools('Emulation.setScriptExecutionDisabled', { value: true });
    try {
      await app.driver.get(`${address}/guide`);
      await app.seesText('#v90', '90 MB/s on UHS-II or UHS-III only SD, microSD SD Association, from memory');
      await app.seesText('main', 'Where people disagree');
      await app.seesText('#rule-guarantee', 'What is the highest mark that counts');
      expect(await (await app.find('header a[href="/guide"]')).isDisplayed()).toBe(true);
    } finally {
      await devTools('Emulation.setScriptExecutionDisabled', { value: false });
    }
  });

  it('says which values are one’s own, and prints without what is only for the screen', async () => {
    await app.visit('/guide#assumptions');
    await app.seesText('main', 'take that heat marks are worked out for: 36 min');
    await devTools('Emulation.setEmulatedMedia', { media: 'print' });
    const hidden = await app.run<boolean>(
      'return [...document.querySelectorAll(\'header nav, search, nav[aria-label="Parts of the guide"]\')].every((one) => one.getClientRects().length === 0)',
    );
    await devTools('Emulation.setEmulatedMedia', { media: '' });
    expect(hidden).toBe(true);
  });

  it('says so where its index does not come, and is whole without it', async () => {
    await app.visit('/guide');
    await app.run("window.fetch = () => Promise.reject(new TypeError('offline'))");
    await app.fill('Search the guide', 'v90');
    await app.seesText('search', 'The index could not be loaded; the guide below is whole.');
    await app.seesText('main', 'How this app decides');
    await app.visit('/guide');
    await app.fill('Search the guide', 'xqzzy');
    await app.seesText('search', 'Nothing found for “xqzzy”');
  });

  it('is led to from the help, word by word', async () => {
    await app.visit('/');
    await app.seesCell('Wherry 8K raw 3:1');
    await app.click('[aria-label="Help: words and keys"]');
    await app.seesText('[role=dialog]', 'The whole guide');
    const links = await app.run<string[]>(
      "return [...document.querySelectorAll('[role=dialog] dd a')].map((one) => one.getAttribute('href'))",
    );
    expect(links.length).toBeGreaterThan(20);
    expect(links).toContain('/guide#headroom');
  });
});

describe('every state', () => {
  const sound = async (): Promise<void> => {
    expect(await app.axe('minor'), 'by day').toEqual([]);
    await app.night(true);
    expect(await app.contrast(), 'by night').toEqual([]);
    await app.night(false);
  };

  it('of the drill is found sound by axe', async () => {
    for (const kind of [
      'label',
      'contradict',
      'cheapest',
      'stopped',
      'afternoon',
      'own',
      'counter',
      'slow-motion',
    ] as const) {
      await app.visit(`/drill?kind=${kind}&seed=3`);
      await app.seesText('main', '1 of 8');
      await app.run("document.querySelectorAll('ol[aria-label=Answers] button')[1].click()");
      await app.seesText('main', 'Comes again');
      await sound();
    }
    await app.clickText('button', 'Next');
    await app.clickText('button', 'I do not know');
    await app.clickText('button', 'Next');
    await app.clickText('button', 'End the round');
    await app.seesText('h1', 'right');
    await sound();
    await app.clickText('button', 'Back to Practice');
    await app.seesText('main', 'One kind at a time');
    await sound();
  });

  it('of the guide and of the first question is found sound by axe', async () => {
    await app.visit('/guide');
    await app.fill('Search the guide', 'headroom');
    await app.seesText('ol[aria-label="Found in the guide"]', 'Headroom');
    await sound();
    await app.visit('/?first=1&q=400%20Mb%2Fs%20on%20128GB%20V60%20II');
    await app.seesText('main', 'Type what your camera writes');
    await app.clickText('button', 'Next');
    await app.seesText('section[aria-label="Your first question"]', 'The minutes are planned ones');
    await sound();
  });
});

describe('the first question', () => {
  it('is guided on the line that answers it, with nothing entered, left at any moment and found again', async () => {
    const empty = await App.open({ demo: false, width: 390, height: 844 });
    try {
      await empty.visit('/');
      await empty.clickText('a', 'one question without entering anything');
      await empty.seesText('section[aria-label="Your first question"]', 'Type what your camera writes');
      expect(await empty.run<string>('return document.activeElement.id')).toBe('quick-check');
      // Not before something was asked.
      expect(
        await empty.run<boolean>(
          "return [...document.querySelectorAll('button')].find((one) => one.textContent === 'Next').disabled",
        ),
      ).toBe(true);
      await empty.keys('my camera writes 100 mbps on a 64gb v30 card');
      await empty.clickText('button', 'Next');
      await empty.seesText('section[aria-label="Your first question"]', 'Guaranteed: A written promise that counts');
      await empty.clickText('button', 'Why');
      await empty.seesText('[role=dialog]', 'V30 counts');
      await empty.keys(Key.ESCAPE);
      await empty.seesText('section[aria-label="Your first question"]', 'The rules stand in the order they are asked');
      await empty.clickText('button', 'Leave');
      await empty.seesText('main', 'Will this card hold this mode');
      await empty.visit('/guide#first-question');
      await empty.clickText('a', 'Your first question');
      await empty.seesText('section[aria-label="Your first question"]', 'Type what your camera writes');
      expect(await empty.axe('minor')).toEqual([]);
      expect(await empty.complaints()).toEqual([]);
    } finally {
      await empty.close();
    }
  });
});

import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { App } from './app.ts';

let app: App;

beforeAll(async () => {
  // Tall enough that no row of the demo kit is left undrawn.
  app = await App.open({ width: 1400, height: 1500 });
  await app.visit('/');
  await app.seesCell('Yawl 4K intra 25p on C-01');
});
afterAll(() => app.close());

/** Types into an area whose text holds tabs, which a keyboard would take for leaving it. */
/** The modes of a body’s sheet. */
const MODES = '//fieldset[legend[normalize-space(.)="Modes"]]';

const paste = async (text: string): Promise<void> => {
  const area = await app.find('#paste-modes');
  await app.run(
    `const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
     set.call(arguments[0], arguments[1]);
     arguments[0].dispatchEvent(new Event('input', { bubbles: true }));`,
    area,
    text,
  );
};

describe('a mirrored camera with unlike slots', () => {
  const cell = 'Yawl 4K intra 25p on C-01';

  it('reads the same on the table, in Why, in the arrangement tried, on the crew card and in the heat run', async () => {
    expect(await app.seesCell(cell)).toContain('Not covered');
    expect(await app.cell(cell, 'tone')).toBe('hot');
    await app.cell(cell);
    const why = await app.seesText('#why', /What to do (?!Working)/);
    expect(why).toMatch(
      /^4K intra 25p on C-01 Yawl · Slot 2 · .* Not covered What to do .* Slot 1: C-01 Guaranteed Slot 2: C-01 Not covered/,
    );
    expect(why).toContain('Mirrored over different slots: the weakest answer counts');
    expect(why).toContain('Slot 1: C-01, guaranteed · Slot 2: C-01, not covered');
    await app.visit('/crew');
    const crew = await app.seesText('main', 'Yawl');
    const page = crew.slice(crew.indexOf('Yawl'));
    const row = page.slice(page.indexOf('4K intra 25p'), page.indexOf('4K long-GOP 25p'));
    expect(row).toMatch(/— Not covered/);
    expect(row).not.toContain('Guaranteed');
    await app.visit('/heat?body=yawl&mode=i25&card=c-01');
    await app.seesText('h1', 'only its guaranteed minimum');
    await app.seesText('main', 'It lasts if the card sustains');
  });

  it('a mode that both slots hold is guaranteed in every place', async () => {
    await app.visit('/');
    expect(await app.seesCell('Yawl 4K long-GOP 25p on C-01')).toContain('Guaranteed');
    await app.visit('/crew');
    const crew = await app.seesText('main', 'Yawl');
    const page = crew.slice(crew.indexOf('Yawl'));
    expect(page.slice(page.indexOf('4K long-GOP 25p'), page.indexOf('HD slow'))).toContain('Guaranteed');
  });
});

describe('a slow-motion table', () => {
  it('with MB/s in its heading, thousands in its numbers and a heading that misleads gives the right verdicts', async () => {
    await app.visit('/bodies?open=wherry');
    await app.clickText('button', 'Paste modes from a table');
    await paste('Mode\tFrame\tSpeed\tMB/s\nRaw A\t4096x2160\t100/25\t1,020\nRaw B\t4096x2160\t25\t160.5');
    // The heading “Frame” stands over picture sizes: they are known by their look.
    await app.seesText('[role=dialog]', '“100/25”: slow motion, or two modes?');
    await app.clickText('button', 'slow motion: the higher is captured');
    const asked = await app.seesText('[role=dialog]', 'of which speed are they?');
    expect(asked).toContain('waits for an answer above');
    expect(asked).toContain('Raw B 25p 1284 Mb/s = 161 MB/s');
    const add = await app.withText('button', 'Add 1 mode');
    expect(await add.isEnabled(), 'nothing is added while something is open').toBe(false);
    await app.clickText('button', 'the captured speed');
    await app.seesText('[role=dialog]', '8160 Mb/s = 1020 MB/s');
    await app.clickText('button', 'Add 2');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Wherry saved');
    await app.visit('/');
    expect(await app.seesCell('Wherry Raw A 100p on A-01')).toContain('16 min Maker’s claim');
    expect(await app.seesCell('Wherry Raw A 100p on A-03')).toContain('Not covered');
    expect(await app.seesCell('Wherry Raw B 25p on A-03')).toContain('52 min Guaranteed');
  });

  it('asks where 1,200 stays open and where the unit is not told', async () => {
    await app.visit('/bodies?open=wherry');
    await app.clickText('button', 'Paste modes from a table');
    await paste('Mode\tfps\tBitrate\nA\t25\t1,200\nB\t25\t800');
    await app.seesText('[role=dialog]', 'has no unit');
    await app.clickText('button', 'Mb/s');
    await app.seesText('[role=dialog]', '“1,200”: is the sign in it between thousands');
    await app.clickText('button', '1200 in whole');
    await app.seesText('[role=dialog]', '1200 Mb/s = 150 MB/s');
    await app.withText('button', 'Add 2');
  });
});

describe('a test', () => {
  it('typed as 9:22 is echoed, and asked about where its numbers cannot be true', async () => {
    await app.visit('/');
    await app.seesCell('Dory 4K intra 50p on C-01');
    await app.cell('Dory 4K intra 50p on C-01');
    await app.clickText('button', 'Log a test of this card in this camera');
    const time = await app.find('#why form input[placeholder="9:22"]');
    await time.sendKeys('9:22');
    await app.seesText('#why form', '= 9 min 22 s');
    await app.clickText('button', 'Note it');
    const asked = await app.seesText('#why form', 'These numbers do not fit');
    expect(asked).toContain('450 MB/s');
    expect(asked).toContain('Was the card empty');
    await app.clickText('button', 'Keep it all the same');
    await app.seesText('body', 'noted.');
    const why = await app.seesText('#why', 'the numbers do not add up');
    expect(why, 'it proves nothing').toContain('Guaranteed');
    await app.undo('noted.');
  });

  it('of a faster mode proves a slower one for as long as it lasted', async () => {
    await app.visit('/');
    expect(await app.seesCell('Wherry 8K raw 5:1 25p on A-02')).toContain('61 min Test passed');
    await app.cell('Wherry 8K raw 5:1 25p on A-02');
    await app.seesText('#why', 'tested for 61 min; a full card lasts 2h03');
  });
});

describe('a card whose label contradicts itself', () => {
  it('promises nothing until it is verified, and then what it prints', async () => {
    await app.visit('/');
    expect(await app.seesCell('Gull 4K long-GOP 50p on M-03')).toContain('Not covered');
    await app.visit('/cards');
    await app.clickText('button', 'M-03');
    await app.seesText('aside', 'Until you verify this card');
    await app.clickText('button', 'I verified it');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'M-03 saved');
    await app.visit('/');
    const cell = await app.seesCell('Gull 4K long-GOP 50p on M-03');
    expect(cell, 'U1 is all that counts on the bus it prints').toContain('Not covered');
    expect(cell).toContain('U1 counts in this slot (UHS-I) and guarantees: 10 MB/s');
  });

  it('is verified for what it said then: another label is in doubt again', async () => {
    await app.visit('/cards');
    await app.clickText('button', 'M-03');
    await app.seesText('aside', 'Not verified after all');
    await app.fill('Capacity', '64');
    await app.seesText('aside', 'Until you verify this card');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'M-03 saved');
    await app.visit('/');
    expect(await app.seesCell('Gull 4K long-GOP 50p on M-03')).not.toContain('Guaranteed');
  });
});

describe('promises in writing', () => {
  it('a stated minimum makes an XQD card count, with its source', async () => {
    await app.visit('/bodies');
    await app.clickText('button', 'Add a camera');
    await app.fill('Name', 'Ketch');
    await app.pick('Takes', 'XQD');
    await app.pick('Bus of the slot', 'XQD 2.0');
    await app.clickText('button', 'Add a mode');
    await app.fill('Name', '4K', MODES);
    await app.fill('Recorded, fps', '25');
    await app.fill('Stated rate', '400 Mb/s');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Ketch saved');
    await app.visit('/');
    expect(await app.seesCell('Ketch 4K 25p on X-01')).toContain('Not covered');
    await app.visit('/cards');
    await app.clickText('button', 'X-01');
    await app.fill('Minimum write, in writing', '150');
    await app.fill('Where that minimum is stated', 'spec page 2');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'X-01 saved');
    await app.visit('/');
    expect(await app.seesCell('Ketch 4K 25p on X-01')).toContain('Guaranteed');
    await app.cell('Ketch 4K 25p on X-01');
    await app.seesText('#why', 'From: spec page 2.');
  });

  it('a camera’s approval of a drive for a mode', async () => {
    await app.visit('/bodies?open=wherry');
    await app.unfold('Cards and drives the camera’s maker approves');
    await app.clickText('button', 'Add an approved card or drive');
    await app.pick('Cards of yours that are this one', 'A-03 · CFexpress B 512\u00a0GB, VPG200');
    await app.pick('For the modes', '8K raw 5:1 50p');
    await app.fill('Where it says so', 'manual, page 34');
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Wherry saved');
    await app.visit('/');
    expect(await app.seesCell('Wherry 8K raw 5:1 50p on A-03')).toContain('Guaranteed');
    expect(await app.seesCell('Wherry 8K raw 3:1 50p on A-03')).toContain('Not covered');
    await app.cell('Wherry 8K raw 5:1 50p on A-03');
    await app.seesText('#why', 'From: manual, page 34.');
  });
});

describe('the quick check', () => {
  it('shows what it assumed, and takes the other reading with one press', async () => {
    await app.visit('/?q=240%20Mb%2Fs%2025p%20100p%20on%20256GB%20V90');
    await app.seesText('#quick-answer', 'Not covered');
    await app.seesText('#quick-answer', 'captured at 100, recorded at 25 fps');
    await app.clickText('button', 'as captured');
    await app.seesText('#quick-answer', 'Guaranteed');
    expect(await (await app.find('#quick-check')).getAttribute('value')).toBe(
      '240 Mb/s as captured 25p 100p on 256GB V90',
    );
    await app.clickText('button', 'use a slower slot');
    await app.seesText('#quick-answer', 'Not covered');
  });

  it('says how long a take plays', async () => {
    await app.visit('/?q=3%3A50%20at%20100p%20plays%20at%2025p');
    await app.seesText('#quick-answer', 'Plays 15:20');
  });
});

describe('a heat run of a card of which nothing is known', () => {
  it('answers for heat alone, gives the pace it would need, and calls nothing good', async () => {
    await app.visit('/heat?body=dory&mode=g50&card=c-07');
    await app.seesText('h1', 'No heat stop expected within');
    expect(await app.run("return document.querySelector('h1').className.includes('tone-cool')")).toBe(false);
    await app.seesText('[data-testid=break-even]', /1\d(\.\d)? MB\/s/);
    const main = await app.text('main');
    expect(main).toContain('Nothing is known of how fast C-07 writes.');
    expect(main).not.toContain('The risk is already below');
  });
});

describe('a take of one’s own that held longer than assumed figures say', () => {
  it('puts the figures in doubt, in the heat run and beside the cell', async () => {
    await app.visit('/heat?body=crow&mode=g60&card=m-01');
    await app.seesText('h1', 'the camera shuts down at about');
    await app.clickText('button', 'Log a take of this card in this camera');
    await app.choose('The take', 'was stopped');
    await app.fill('After', '60 min');
    await app.seesText('form[aria-label="Log a take"]', '= 1 h');
    await app.clickText('button', 'Log it');
    await app.seesText('h1', 'In doubt: your own take held longer');
    await app.seesText('main', 'No risk is shown');
    await app.visit('/');
    const cell = 'Crow’s nest 5K long-GOP 29.97p on M-01';
    await app.driver.wait(async () => (await app.seesCell(cell)).includes('Heat: risky'), 20_000, 'its mark');
    await app.cell(cell);
    const why = await app.seesText('#why', 'ran longer than the assumed figures allow');
    expect(why, 'beside it no time at which it would end').not.toMatch(/shuts down at|frames drop/);
    expect(why).toContain('Fit the figures in Heat');
  });
});

describe('a mode of which only the counter tells', () => {
  it('is kept by its interval, and the faster end decides', async () => {
    await app.visit('/bodies?open=punt');
    await app.clickText('button', 'Add a mode');
    await app.fill('Name', 'Counted', `${MODES}/div[1]/div[4]`);
    await app.fill('Recorded, fps', '25');
    await app.pick('Rate from', 'The camera’s counter');
    await app.seesText('form', 'one reading is enough');
    await app.unfold('What its counter shows');
    await app.clickText('button', 'Note a reading');
    await app.choose('Mode', 'Counted 25p');
    await app.fill('Card, GB', '128');
    await app.fill('Shown, min', '170');
    await app.clickText('button', 'Use this rate');
    await app.seesText('form', /Everything written: \d+ to 100 Mb\/s/);
    await app.clickText('button', 'Save');
    await app.seesText('body', 'Punt saved');
    await app.visit('/');
    expect(await app.seesCell('Punt Counted 25p on C-05')).toMatch(/2h\d\d Guaranteed/);
    await app.cell('Punt Counted 25p on C-05');
    const why = await app.seesText('#why', 'from the camera’s counter');
    expect(why).toContain('planned, if the lower rate read from the counter is right');
  });
});

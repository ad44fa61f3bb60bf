import { Key } from 'selenium-webdriver';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { App, WAIT } from './app.ts';

let app: App;
beforeAll(async () => {
  app = await App.open({ own: true });
  await app.visit('/');
  await app.seesCell('Wherry 8K raw 3:1');
  await app.keptForLater();
  await app.stopServer();
});
afterAll(() => app.close());

describe('without a network, after one visit', () => {
  // Ways in which an address is written, kept, sent and mistyped.
  it.each([
    ['/', 'Planned minutes on one card'],
    ['/?q=600%20Mb%2Fs%20on%20256GB%20V90%20II', 'Guaranteed'],
    ['/?utm_source=x', 'Planned minutes on one card'],
    ['/index.html', 'Planned minutes on one card'],
    ['/index.html?q=V90', 'Planned minutes on one card'],
    ['/#why', 'Planned minutes on one card'],
    ['//', 'Planned minutes on one card'],
    ['/bodies', 'Wherry'],
    ['/bodies/', 'Wherry'],
    ['/bodies?open=dory', 'Dory'],
    ['/bodies/?open=dory&x=1', 'Dory'],
    ['/bodies/index.html', 'Wherry'],
    ['/bodies.html', 'Wherry'],
    ['/cards', 'C-01'],
    ['/cards/', 'C-01'],
    ['/cards?open=c-01', 'C-01'],
    ['/cards?open=nothing', 'C-01'],
    ['/heat', 'of 2,000 simulated takes end early'],
    ['/heat?body=wherry', 'of 2,000 simulated takes end early'],
    ['/heat/?body=dory&mode=g50&card=c-07', 'Dory'],
    ['/crew', 'Bollard'],
    ['/crew/?utm_medium=mail', 'Bollard'],
    ['/prove', 'Log a take'],
    ['/day', 'Shortage from 14:38'],
    ['/day/?plan=race-day&at=live', 'Rehearse it'],
    ['/sheet?plan=race-day', 'Labels of the cards'],
    ['/shop?x', 'all combinations checked'],
    ['/shop?at=wear', 'Pier camera'],
    ['/drill', 'One kind at a time'],
    ['/drill?kind=label&seed=3', 'What does this card promise'],
    ['/guide#v90', 'on UHS-II or UHS-III only'],
    ['/?first=1', 'Type what your camera writes'],
    ['/nothing', 'There is no such page'],
    ['/bodies/dory/modes', 'There is no such page'],
    ['/%F0%9F%8E%9E?', 'There is no such page'],
    ['/%ff', 'There is no such page'],
    ['/api/health', 'There is no such page'],
  ])('opens at %s', async (path, part) => {
    await app.visit(path);
    await app.seesText('main', part);
  });

  it('searches the guide, and opens a word where it is met', async () => {
    await app.visit('/guide');
    await app.fill('Search the guide', 'factor eight');
    await app.seesText('ol[aria-label="Found in the guide"]', 'Mb/s and MB/s');
    await app.keys(Key.ENTER);
    await app.driver.wait(
      async () => (await app.driver.getCurrentUrl()).endsWith('#mbps'),
      WAIT,
      'the place that was found',
    );
    await app.visit('/');
    await app.seesCell('Dory 4K intra 50p on C-01');
    await app.cell('Dory 4K intra 50p on C-01');
    await app.clickText('a', 'V90 counts in this slot (UHS-II)');
    await app.seesText('[role=dialog]', 'What is the highest mark that counts');
  });

  it('keeps what is drilled', async () => {
    await app.visit('/drill?kind=bits&seed=5');
    await app.clickText('button', 'I do not know');
    await app.seesText('main', 'Comes again tomorrow');
    await app.visit('/drill');
    await app.seesText('main', '0 of 1 answers right');
  });

  it('keeps what is entered', async () => {
    await app.visit('/cards?open=c-01');
    await app.fill('Card name (as you wrote it on the card)', 'C-OFF');
    await app.clickText('button', 'Save');
    await app.seesText('table', 'C-OFF');
    await app.visit('/');
    await app.seesCell('Dory 4K intra 50p on C-OFF');
  });

  it('keeps to the policy of its pages', async () => {
    const refused = (await app.complaints()).filter((text) => /Content Security Policy/i.test(text));
    expect(refused).toEqual([]);
  });
});

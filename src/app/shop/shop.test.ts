import { describe, expect, it } from 'vitest';
import { DEFAULT_POLICY } from '../../core/match/policy.ts';
import { aCard, aNeed, anOffer } from '../../core/testing.ts';
import demo from '../../kit/demo.coolreel.json' with { type: 'json' };
import { readKit } from '../../kit/importKit.ts';
import { offerSchema } from '../../kit/schemas/price.ts';
import { offloadText } from '../../text/shop/compare.ts';
import { impossibleText, moneyText, needText, warningText } from '../../text/shop/shop.ts';
import { newOffer, printedOffer } from './newOffer.ts';
import { cardsOfSet, knownOffers } from './shopActions.ts';
import type { ShopViewKit } from './shopKit.ts';
import { compareOffers, newNeed, shopQuestion } from './shopViews.ts';
import { spanOfMode, standingView } from './wearViews.ts';

const read = await readKit(demo);
if (!read.ok) throw new Error('the demo kit is refused');
const kit = read.value.kit as unknown as ShopViewKit;
const AS_IT_IS = { currency: null, useOwned: true, countDoubtful: false };

describe('the question of the shop', () => {
  it('leaves out what is far under its print, needs that are out, and every other currency, and says so', () => {
    const prices = [...kit.prices, { ...anOffer({ id: 'us', currency: 'USD' }) }];
    const needs = kit.needs.map((need, at) => ({ ...need, isOut: at === 1 }));
    const asked = shopQuestion({ ...kit, prices, needs }, DEFAULT_POLICY, AS_IT_IS);
    expect(asked).toMatchObject({ currency: 'EUR', otherCurrencies: ['USD'], outOfCurrency: 1 });
    expect([...asked.doubtful]).toEqual(['sd-256-90x']);
    expect(asked.input.offers).toHaveLength(kit.prices.length - 1);
    expect(asked.input.needs).toHaveLength(2);
    const other = shopQuestion({ ...kit, prices }, DEFAULT_POLICY, {
      ...AS_IT_IS,
      currency: 'USD',
      countDoubtful: true,
    });
    expect(other.input.offers.map(({ id }) => id)).toEqual(['us']);
    expect(shopQuestion(kit, DEFAULT_POLICY, { ...AS_IT_IS, currency: 'gone' }).currency).toBe('EUR');
  });
});

it('a card that sits in a camera which never stops is not there for a need', () => {
  const away = (cardId: string | null) => {
    const standing = kit.standing.map((camera) => ({ ...camera, cardId }));
    const { cards } = shopQuestion({ ...kit, standing }, DEFAULT_POLICY, AS_IT_IS).input.kit;
    return cards.filter(({ retired }) => retired).map(({ id }) => id);
  };
  expect(away('m-01')).toEqual(['m-01']);
  expect(away(null)).toEqual([]);
});

describe('cards of a set', () => {
  it('are labelled apart from those there are, and never count a mark on', () => {
    const items = [{ offerId: 'o', needId: 'n', count: 3, minutes: 60, verdict: 'guaranteed' as const }];
    const cards = cardsOfSet({ items }, [anOffer()], [aCard({ label: 'SD 256 V90 · 1' })]);
    expect(cards.map(({ card }) => card.label)).toEqual(['SD 256 V90 · 2', 'SD 256 V90 · 3', 'SD 256 V90 · 4']);
    expect(new Set(cards.map(({ card }) => card.id)).size).toBe(3);
    expect(cards[0]?.card).toMatchObject({ form: 'sd', capacityGB: 256, marks: ['II', 'U3', 'V90'], price: 190 });
    expect(cardsOfSet({ items }, [], [])).toEqual([]);
  });
});

describe('an offer by hand', () => {
  it('takes form, size and marks from what is printed, and is not stored before it has a price', () => {
    expect(printedOffer('SD 256GB v90 ii 300MB/s')).toEqual({
      form: 'sd',
      capacityGB: 256,
      marks: ['V90', 'II'],
      readMBps: 300,
      writeMBps: null,
      sustainedMBps: null,
    });
    expect(printedOffer('SD 256GB II 300/260MB/s min 90MB/s')).toMatchObject({
      readMBps: 300,
      writeMBps: 260,
      minimumMBps: 90,
    });
    expect(printedOffer('SD')).toBeNull();
    const typed = { ...newOffer('EUR'), name: 'x', capacityGB: 256 };
    expect(offerSchema.validate({ ...typed, price: 190 }).error).toBeUndefined();
    for (const price of ['', 0, -1, Number.NaN, Number.POSITIVE_INFINITY, 1e9])
      expect(offerSchema.validate({ ...typed, price }, { convert: false }).error, String(price)).toBeDefined();
  });

  it('knows an offer again by its card and its seller', () => {
    const { id, ...same } = anOffer();
    expect(knownOffers([same, { ...same, seller: 'other' }, { ...same, currency: 'USD' }], [anOffer()])).toBe(1);
  });
});

it('a new need chooses only what leaves no choice', () => {
  expect(newNeed(kit.bodies)).toMatchObject({ bodyId: '', modeId: '', hours: '' });
  const [bollard] = kit.bodies.filter(({ id }) => id === 'bollard');
  expect(newNeed(bollard ? [bollard] : [])).toMatchObject({ bodyId: 'bollard', modeId: 'day' });
});

it('compares the cheaper with the dearer, whichever was named first', () => {
  const [plain, dear] = [anOffer({ id: 'a', price: 85, marks: ['II', 'V60'] }), anOffer({ id: 'b' })];
  const [one, other] = [
    compareOffers(plain, dear, kit, DEFAULT_POLICY),
    compareOffers(dear, plain, kit, DEFAULT_POLICY),
  ];
  expect(one.dear.id).toBe('b');
  expect(other).toEqual(one);
  // 256 GB at the pace of the fastest reader, to the minute.
  const fast = compareOffers(
    { ...plain, readMBps: 270 },
    { ...dear, readMBps: 300 },
    { ...kit, plans: [] },
    DEFAULT_POLICY,
  );
  expect(offloadText(fast.comparison)).toContain('16\u00a0min against 14\u00a0min: 2\u00a0min sooner');
});

describe('a camera that never stops', () => {
  const [pier] = kit.standing;
  if (!pier) throw new Error('no pier camera');
  it('is counted from when its card went in, or from what was noted of the card later', () => {
    const view = standingView(pier, kit.cards, kit);
    // 250 fills of 32 GB at 10 Mb/s are 74 days.
    expect(view.replaceBy?.[0]).toBe('2027-06-14');
    expect(view.fromToday).toBe(false);
    const noted = kit.cards.map((card) =>
      card.id === 'm-05' ? { ...card, writtenGB: 4000, writtenOn: '2027-05-01' } : card,
    );
    const later = standingView(pier, noted, kit);
    // Half of the 8 TB is written: 37 days from the first of May.
    expect(later.from).toBe('2027-05-01');
    expect(later.replaceBy?.[0]).toBe('2027-06-07');
    expect(standingView({ ...pier, since: null }, kit.cards, kit).fromToday).toBe(true);
    expect(standingView({ ...pier, cycles: null }, kit.cards, kit).replaceBy).toBeNull();
  });
  it('takes its rate from its mode, average to peak', () => {
    const body = kit.bodies.find(({ id }) => id === 'bollard');
    const mode = body?.modes[0];
    const span = mode && spanOfMode(mode, body);
    expect(span?.[0]).toBeGreaterThanOrEqual(8);
    expect(span?.[1]).toBeGreaterThan(span?.[0] ?? 0);
  });
});

describe('words of the shop', () => {
  it('say what is asked, what it costs and why not', () => {
    expect(needText(aNeed({ hours: 1.5, gapFreeMinutes: 45, sparePercent: 15 }))).toBe(
      '1.5\u00a0h, 45\u00a0min without a card change, spare 15\u00a0%',
    );
    expect(moneyText(1310.5)).toBe('1,310.50');
    expect(moneyText(190)).toBe('190');
    expect(warningText({ code: 'cheap', share: 59 / 194.5, usual: 194.5, others: 2 })).toContain(
      'about a third of what 2 others',
    );
    expect(impossibleText({ code: 'none-holds', best: 'tight', name: 'SD' })).toContain('repeatable take');
    expect(impossibleText({ code: 'none-holds', best: 'drops', name: 'SD' })).not.toContain('repeatable take');
  });
});

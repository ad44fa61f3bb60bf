import { describe, expect, it } from 'vitest';
import { solveWhole } from '../../../tests/support/highs.ts';
import { DEFAULT_POLICY, type Policy } from '../match/policy.ts';
import { finish } from '../steps.ts';
import { aBody, aCard, aMode, aNeed, anOffer, aSlot, aTest } from '../testing.ts';
import { minutesWanted, type ShopInput } from './options.ts';
import { shopSteps } from './sets.ts';

const REPEATABLE: Policy = { ...DEFAULT_POLICY, take: 'repeatable' };
const input = (change: Partial<ShopInput> = {}): ShopInput => ({
  kit: { bodies: [aBody()], cards: [], tests: [] },
  needs: [aNeed()],
  offers: [anOffer()],
  useOwned: true,
  policy: DEFAULT_POLICY,
  ...change,
});
const ask = (asked: ShopInput) => finish(shopSteps(asked, solveWhole, 10));
const set = (asked: ShopInput, aim = 'cheapest') => ask(asked).sets.find((one) => one.aim === aim);

// 256 GB, 98.7 % of it, at 62.5 MB/s: 67 whole minutes.
const A_CARD = 67;

describe('a set for a need', () => {
  it('holds what is asked for, to spare included, and says what is left over', () => {
    expect(minutesWanted({ hours: 2, sparePercent: 0 })).toBe(120);
    expect(minutesWanted({ hours: 2, sparePercent: 15 })).toBe(138);
    // 0.1 h is six minutes, whatever a computer makes of a tenth.
    expect(minutesWanted({ hours: 0.1, sparePercent: 0 })).toBe(6);
    expect(set(input())).toMatchObject({
      price: 380,
      bought: 2,
      cards: 2,
      mostMinutesOnOneCard: A_CARD,
      swaps: 1,
      needs: [{ needId: 'n', minutes: 2 * A_CARD, wanted: 120, verdict: 'guaranteed', swapsPerHour: 0.5 }],
      optimal: true,
      bound: 380,
    });
    expect(set(input({ needs: [aNeed({ sparePercent: 15 })] }))?.bought).toBe(3);
  });

  it('uses own cards first, each for one need only', () => {
    const cards = [aCard({ id: 'c1' }), aCard({ id: 'c2', label: 'C-02' })];
    const kit = { bodies: [aBody()], cards, tests: [] };
    expect(set(input({ kit }))).toMatchObject({ price: 0, bought: 0, cards: 2 });
    const twice = set(input({ kit, needs: [aNeed(), aNeed({ id: 'n2', hours: 1 })] }));
    expect(twice).toMatchObject({ price: 190, bought: 1, cards: 3 });
    expect(new Set(twice?.owned.map(({ cardId }) => cardId)).size).toBe(2);
    expect(set(input({ kit, useOwned: false }))).toMatchObject({ price: 380, owned: [] });
    const retired = { ...kit, cards: cards.map((card) => ({ ...card, retired: true })) };
    expect(set(input({ kit: retired }))?.owned).toEqual([]);
  });

  it('takes nothing on a claim for a take that is made once, and nothing on an old peak for any', () => {
    const claimed = anOffer({ marks: ['II'], sustainedMBps: 300 });
    expect(ask(input({ offers: [claimed] }))).toMatchObject({
      sets: [],
      impossible: [{ needId: 'n', why: { code: 'none-holds', best: 'claimed', name: 'SD 256 V90' } }],
    });
    expect(set(input({ offers: [claimed], policy: REPEATABLE }))?.needs[0]?.verdict).toBe('claimed');
    const peak = anOffer({ marks: ['II'], readMBps: 300, writeMBps: 299 });
    expect(ask(input({ offers: [peak], policy: REPEATABLE })).sets).toEqual([]);
    const contradicts = anOffer({ marks: ['SDHC', 'II', 'U1', 'V90'] });
    expect(ask(input({ offers: [contradicts] })).sets).toEqual([]);
    expect(ask(input({ offers: [anOffer({ marks: [] })] })).impossible[0]?.why.code).toBe('none-holds');
  });

  it('counts a card that is only proven for as long as it was proven', () => {
    const card = aCard({ marks: ['II'] });
    const tests = [aTest({ end: 'stopped', seconds: 1800, writtenMBps: 62.5 })];
    const found = set(input({ kit: { bodies: [aBody()], cards: [card], tests }, policy: REPEATABLE }));
    expect(found?.owned.every(({ verdict, minutes }) => verdict !== 'proven' || minutes <= 30)).toBe(true);
  });

  it('asks every card for the longest stretch; over the slots of a relay together', () => {
    const long = aNeed({ gapFreeMinutes: 100 });
    expect(ask(input({ needs: [long] }))).toMatchObject({
      sets: [],
      impossible: [{ why: { code: 'too-short', longest: A_CARD, gapFree: 100 } }],
    });
    const relay = aBody({ arrangement: 'relay', slots: [aSlot(), aSlot({ id: 's2' })] });
    const over = set(input({ kit: { bodies: [relay], cards: [], tests: [] }, needs: [long] }));
    // Two cards, one after the other by itself: nobody changes anything.
    expect(over).toMatchObject({ bought: 2, swaps: 0 });
  });

  it('buys equal sets for bodies that write to all slots at once, own cards among them where they are equal', () => {
    const mirrored = aBody({ arrangement: 'mirrored', slots: [aSlot(), aSlot({ id: 's2' })] });
    const kit = { bodies: [mirrored], cards: [], tests: [] };
    expect(set(input({ kit }))).toMatchObject({ bought: 4, price: 760, mostMinutesOnOneCard: A_CARD, swaps: 1 });
    const one = { ...kit, cards: [aCard({ usableGB: 250 })] };
    expect(set(input({ kit: one }))).toMatchObject({ bought: 3, cards: 4 });
    const unlike = { ...kit, cards: [aCard({ capacityGB: 512 })] };
    // A card that has no equal is in no set.
    expect(set(input({ kit: unlike }))).toMatchObject({ bought: 4, owned: [] });
  });

  it('records as the need has it, where that is not how the body is set', () => {
    const two = aBody({ slots: [aSlot(), aSlot({ id: 's2' })] });
    const kit = { bodies: [two], cards: [], tests: [] };
    expect(set(input({ kit }))).toMatchObject({ bought: 2, swaps: 1 });
    expect(set(input({ kit, needs: [aNeed({ arrangement: 'mirrored' })] }))).toMatchObject({ bought: 4, swaps: 1 });
    expect(set(input({ kit, needs: [aNeed({ arrangement: 'relay' })] }))).toMatchObject({ bought: 2, swaps: 0 });
  });

  it('makes no set of cards that enter one slot only, whatever the wallet holds for the other', () => {
    const both = { form: 'cfexpress-a', bus: 'cfexpress-2' } as const;
    const sd = { form: 'sd', bus: 'uhs-ii' } as const;
    const slots = [aSlot({ accepts: [both, sd], family: null }), aSlot({ id: 's2', accepts: [sd], family: null })];
    const cf = anOffer({ id: 'cf', form: 'cfexpress-a', marks: ['VPG200'], price: 20 });
    const kit = { bodies: [aBody({ arrangement: 'mirrored', slots })], cards: [aCard()], tests: [] };
    const asked = input({ kit, offers: [cf, anOffer()], useOwned: false });
    expect(ask(asked).serves[0]?.[0]).toMatchObject({ serves: false, why: { code: 'few-slots', enters: 1, width: 2 } });
    expect(set(asked)?.items).toMatchObject([{ offerId: 'o', count: 4 }]);
    expect(ask({ ...asked, offers: [cf] })).toMatchObject({ sets: [], impossible: [{ why: { code: 'none-enters' } }] });
  });

  it('goes on in a relay over the slots that a card enters, and no others', () => {
    const cf = aSlot({ id: 's2', accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null });
    const body = aBody({ arrangement: 'relay', slots: [aSlot(), cf] });
    const asked = input({ kit: { bodies: [body], cards: [], tests: [] }, needs: [aNeed({ gapFreeMinutes: 100 })] });
    expect(ask(asked).impossible[0]?.why).toMatchObject({ code: 'too-short', longest: A_CARD });
  });

  it('halves the stream of a split body, over as many slots as it runs', () => {
    const split = aBody({ arrangement: 'split', slots: [aSlot(), aSlot({ id: 's2' })] });
    const offer = anOffer({ marks: ['II', 'U3', 'V60'] });
    expect(ask(input({ offers: [offer] })).sets).toEqual([]);
    expect(set(input({ kit: { bodies: [split], cards: [], tests: [] }, offers: [offer] }))).toMatchObject({
      bought: 2,
    });
  });

  it('fills unlike slots that are written at once with a card each, the worst of them counts', () => {
    const body = aBody({
      arrangement: 'mirrored',
      slots: [
        aSlot({ id: 'a', accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null }),
        aSlot({ id: 'b' }),
      ],
    });
    const kit = { bodies: [body], cards: [], tests: [] };
    const cf = anOffer({ id: 'cf', form: 'cfexpress-b', marks: ['VPG200'], capacityGB: 128, price: 90 });
    const found = set(input({ kit, offers: [anOffer(), cf], needs: [aNeed({ hours: 0.5 })] }));
    expect(found?.items.map(({ offerId, count, minutes }) => [offerId, count, minutes])).toEqual([
      ['cf', 1, 33],
      ['o', 1, 33],
    ]);
    expect(ask(input({ kit, offers: [anOffer()] })).impossible[0]?.why).toMatchObject({ code: 'slot-empty' });
  });
});

describe('needs that nothing meets', () => {
  const why = (change: Partial<ShopInput>) => ask(input(change)).impossible.map((one) => one.why.code);

  it('say which rule stands in the way', () => {
    expect(why({ needs: [aNeed({ bodyId: 'sold' })] })).toEqual(['no-body']);
    expect(why({ needs: [aNeed({ modeId: 'gone' })] })).toEqual(['no-mode']);
    expect(why({ offers: [] })).toEqual(['no-cards']);
    const blind = aMode({ width: null, rate: { kind: 'raw', bitsPerPixel: 12, ratio: 5 } });
    expect(why({ kit: { bodies: [aBody({ modes: [blind] })], cards: [], tests: [] } })).toEqual(['no-rate']);
    expect(why({ offers: [anOffer({ form: 'cfexpress-b', marks: ['VPG400'] })] })).toEqual(['none-enters']);
    const own = { bodies: [aBody()], cards: [aCard()], tests: [] };
    expect(why({ kit: own, offers: [] })).toEqual(['too-few-own']);
  });

  it('are left out of the sets, and said; those that share too few own cards, too', () => {
    const found = ask(input({ needs: [aNeed(), aNeed({ id: 'n2', modeId: 'gone' })] }));
    expect(found.sets[0]).toMatchObject({ price: 380 });
    expect(found.impossible.map(({ needId }) => needId)).toEqual(['n2']);
    const shared = ask(
      input({
        kit: { bodies: [aBody()], cards: [aCard()], tests: [] },
        offers: [],
        needs: [aNeed({ hours: 1 }), aNeed({ id: 'n2', hours: 1 })],
      }),
    );
    expect(shared.impossible.map((one) => one.why.code)).toEqual(['too-few-own', 'too-few-own']);
    expect(shared.sets).toEqual([]);
  });

  it('take 10,000 hours as they are', () => {
    const found = set(input({ needs: [aNeed({ hours: 10_000 })] }));
    expect(found).toMatchObject({ bought: Math.ceil(600_000 / A_CARD), optimal: true });
  });
});

import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { integerSolver } from '../../solving/integerSolver.ts';
import type { Body, Card, Test } from '../kit/model.ts';
import type { Offer } from '../kit/shop.ts';
import { DEFAULT_POLICY, type Policy } from '../match/policy.ts';
import { finish } from '../steps.ts';
import { aBody, aCard, aMode, anOffer, aSlot, aTest } from '../testing.ts';
import { type BodyBest, bestSteps } from './best.ts';
import { type Fix, fixes } from './fixes.ts';
import { bestFirst } from './order.ts';
import type { BestQuestion } from './question.ts';

const solving = { solve: integerSolver(await loadHighs()), seconds: 5, heat: new Map() };

const mode = (id: string, Mbps: number, change = {}) =>
  aMode({
    id,
    name: id,
    rate: { kind: 'stated', Mbps, is: 'maximum' },
    overhead: { fixedMbps: 0, perFrameKB: 0 },
    ...change,
  });
/** Modes of 400, 200 and 100 Mb/s, the pictures from large to small. */
const MODES = [
  mode('4k', 400, { width: 3840, height: 2160 }),
  mode('2k', 200, { width: 2048, height: 1152 }),
  mode('hd', 100, { width: 1920, height: 1080 }),
];
const body = (change: Partial<Body> = {}): Body => aBody({ slots: [aSlot()], modes: MODES, ...change });
const v60 = (id: string, change: Partial<Card> = {}): Card =>
  aCard({ id, label: id, marks: ['II', 'U3', 'V60'], capacityGB: 128, ...change });
const v30 = (id: string, change: Partial<Card> = {}): Card =>
  aCard({ id, label: id, marks: ['I', 'U3', 'V30'], capacityGB: 128, ...change });

interface Asked {
  readonly bodies?: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests?: readonly Test[];
  readonly offers?: readonly Offer[];
  readonly policy?: Policy;
  readonly change?: Partial<BestQuestion>;
}

function questionOf({
  bodies = [body()],
  cards,
  tests = [],
  offers = [],
  policy = DEFAULT_POLICY,
  change,
}: Asked): BestQuestion {
  return {
    kit: { bodies, cards, tests },
    offers,
    policy,
    minutes: 30,
    stretchMinutes: null,
    air: { ambientC: 15, sunC: 0 },
    rhythm: null,
    accepted: 0.05,
    runs: 300,
    seed: 1,
    ...change,
  };
}
const ask = (asked: Asked) => finish(bestSteps(questionOf(asked), solving));
const one = (asked: Asked): BodyBest => {
  const [found] = ask(asked).bodies;
  if (!found) throw new Error('no body');
  return found;
};
const told = ({ best, better }: BodyBest) => [
  best?.id ?? null,
  ...better.map(({ mode: { id }, why }) => `${id}: ${why.code}`),
];
/** What would make a mode of the first body hold. */
function fixed(asked: Asked, id: string): readonly (readonly Fix[])[] {
  const question = questionOf(asked);
  const [first] = question.kit.bodies;
  const wanted = first?.modes.find((each) => each.id === id);
  if (!first || !wanted) throw new Error(`no mode ${id}`);
  return fixes(question, first, wanted, solving);
}

describe('the order to begin with', () => {
  it('is by picture, then codec, then frames a second, then rate', () => {
    const modes = [
      mode('hd slow', 50, { width: 1920, height: 1080 }),
      mode('hd fast', 50, { width: 1920, height: 1080, fps: 100 }),
      mode('hd raw', 50, { width: 1920, height: 1080, codec: 'raw' }),
      mode('4k thin', 100, { width: 3840, height: 2160 }),
      mode('4k thick', 400, { width: 3840, height: 2160 }),
    ];
    expect(bestFirst(body({ modes })).map(({ id }) => id)).toEqual([
      '4k thick',
      '4k thin',
      'hd raw',
      'hd fast',
      'hd slow',
    ]);
  });
});

describe('the best mode of a body', () => {
  it('is the first that its cards hold by promise and for the time', () => {
    expect(told(one({ cards: [v60('a')] }))).toEqual(['4k']);
    expect(told(one({ cards: [v30('a')] }))).toEqual(['2k', '4k: none-holds']);
    expect(one({ cards: [v30('a')] }).after.map(({ id }) => id)).toEqual(['hd']);
    expect(told(one({ cards: [] }))).toEqual([null, '4k: none-enters', '2k: none-enters', 'hd: none-enters']);
  });

  it('takes as many cards as the time needs, and no more', () => {
    // 128 GB less what formatting takes hold some 41 minutes of 400 Mb/s.
    const cards = ['a', 'b', 'c'].map((id) => v60(id));
    expect(one({ cards, change: { minutes: 80 } }).cards).toHaveLength(2);
    expect(told(one({ cards, change: { minutes: 200 } }))).toEqual(['2k', '4k: too-few']);
  });

  it('keeps no card that rolls shorter than the longest stretch', () => {
    const cards = [v60('a'), v60('b', { capacityGB: 64 })];
    expect(told(one({ cards, change: { minutes: 50, stretchMinutes: 30 } }))).toEqual(['2k', '4k: too-few']);
    expect(told(one({ cards: [v60('a', { capacityGB: 64 })], change: { minutes: 30, stretchMinutes: 30 } }))).toEqual([
      '2k',
      '4k: too-short',
    ]);
  });

  it('records on both slots at once where the body does', () => {
    const mirrored = body({ arrangement: 'mirrored', slots: [aSlot({ id: 's' }), aSlot({ id: 's2' })] });
    expect(told(one({ bodies: [mirrored], cards: [v60('a')] }))[0]).toBeNull();
    const both = one({ bodies: [mirrored], cards: [v60('a'), v60('b')] });
    expect(told(both)).toEqual(['4k']);
    expect(both.cards.map(({ id }) => id).sort()).toEqual(['a', 'b']);
  });

  it('is none without a rate', () => {
    const unknown = body({
      modes: [mode('m', 100, { rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null })],
    });
    expect(told(one({ bodies: [unknown], cards: [v60('a')] }))).toEqual([null, 'm: no-rate']);
  });

  it.each(['full', 'copying', 'copied-once'] as const)('records over no card that is %s', (state) => {
    expect(told(one({ cards: [v60('a', { state })] }))).toEqual([null, '4k: waiting', '2k: waiting', 'hd: waiting']);
    expect(told(one({ cards: [v60('a', { state }), v30('b')] }))[0]).toBe('2k');
    expect(fixed({ cards: [v60('a', { state })] }, '4k')[0]).toMatchObject([{ code: 'copy', cards: [{ id: 'a' }] }]);
  });

  it('asks the heat of a card by its own figures, whatever another of its print does', () => {
    // One of two alike throttles at once, as somebody measured; eighty minutes of the large picture need both.
    const own = (value: number) => ({ value, basis: 'measured' as const, low: value, high: value });
    const heat = { figures: { throttleAtC: own(16), resumeAtC: own(15.5), throttleFactor: own(0.05) } };
    const hot = v60('b', { heat } as unknown as Partial<Card>);
    const change = { minutes: 80 };
    expect(told(one({ cards: [v60('a'), v60('b')], change }))[0]).toBe('4k');
    expect(told(one({ cards: [v60('a'), hot], change })).slice(0, 2)).toEqual(['2k', '4k: heat']);
  });

  it('counts no card with a fault that nobody settled, and says so', () => {
    const faulty = v60('a', { incidents: [{ kind: 'corruption', date: '2026-05-01', text: '' }] });
    expect(told(one({ cards: [faulty] }))).toEqual([null, '4k: faulty', '2k: faulty', 'hd: faulty']);
    expect(fixed({ cards: [faulty] }, '4k')[0]).toMatchObject([{ code: 'settle', cards: [{ id: 'a' }] }]);
  });
});

describe('what is in the way of a better mode', () => {
  it('is a bus that nobody told', () => {
    const untold = body({ slots: [aSlot({ accepts: [{ form: 'sd', bus: null }] })] });
    expect(fixed({ bodies: [untold], cards: [v60('a')] }, '4k')).toContainEqual([
      { code: 'tell-bus', slots: [expect.any(String)], bus: 'uhs-ii' },
    ]);
  });

  it('is one more card, with its price where one is known', () => {
    const change = { minutes: 80 };
    expect(fixed({ cards: [v60('a')], change }, '4k')).toMatchObject([
      [{ code: 'buy', count: 1, cents: null, like: { id: 'a' } }],
    ]);
    const offers = [
      anOffer({ id: 'x', capacityGB: 128, marks: ['II', 'U3', 'V60'], price: 90 }),
      anOffer({ id: 'y', capacityGB: 256, marks: ['II', 'U3', 'V60'], price: 80.5 }),
      anOffer({ id: 'z', capacityGB: 512, marks: ['I', 'U3', 'V30'], price: 10 }),
    ];
    expect(fixed({ cards: [v60('a')], offers, change }, '4k')).toMatchObject([
      [{ code: 'buy', count: 1, cents: 8050, card: { capacityGB: 256 } }],
    ]);
  });

  it('is a test of one’s own where only a claim stands', () => {
    const claimed = v30('a', { sustainedMBps: 90, marks: ['II', 'U3', 'V30'] });
    const policy: Policy = { ...DEFAULT_POLICY, take: 'repeatable' };
    const big = body({ modes: [mode('6k', 640, { width: 6144, height: 3456 }), ...MODES] });
    const asked: Asked = { bodies: [big], cards: [claimed], policy, change: { minutes: 20 } };
    expect(told(one(asked))).toEqual(['4k', '6k: none-holds']);
    expect(fixed(asked, '6k')).toContainEqual([
      expect.objectContaining({ code: 'test', cards: [expect.objectContaining({ id: 'a' })] }),
    ]);
    expect(
      fixed({ bodies: [big], cards: [claimed], change: { minutes: 20 } }, '6k'),
      'a once-only take rests on no test',
    ).not.toContainEqual([expect.objectContaining({ code: 'test' })]);
    const tests = [aTest({ cardId: 'a', modeId: '6k', end: 'full', seconds: 1600, writtenMBps: null })];
    const tested = one({ bodies: [big], cards: [claimed], policy, tests, change: { minutes: 20 } });
    expect(told(tested)[0], 'the test itself makes it hold').toBe('6k');
  });

  it('is the sun, moved air or a rest, where heat ends it', () => {
    const small = body({ heat: { size: 'action' } });
    const cards = [v60('a', { capacityGB: 1000 })];
    const asked: Asked = {
      bodies: [small],
      cards,
      change: { minutes: 120, air: { ambientC: 30, sunC: 12 }, runs: 200 },
    };
    expect(one(asked).better[0]).toMatchObject({ mode: { id: '4k' }, why: { code: 'heat' } });
    const codes = fixed(asked, '4k').map((things) => things.map(({ code }) => code).join('+'));
    expect(codes).toEqual(expect.arrayContaining([expect.stringMatching(/shade|moving-air|rests/)]));
  });
});

describe('several bodies', () => {
  const bodies = [body({ id: 'b', name: 'first' }), body({ id: 'b2', name: 'second' })];

  it('share the cards, the first choosing first', () => {
    const { bodies: found, proven } = ask({ bodies, cards: [v60('a'), v30('c')] });
    expect(proven).toBe(true);
    expect(found.map(({ best, cards }) => [best?.id, cards.map(({ id }) => id)])).toEqual([
      ['4k', ['a']],
      ['2k', ['c']],
    ]);
  });

  it('leave each other what only one of them needs', () => {
    // The first could take either card for half an hour of the small picture; the second holds nothing without V60.
    const first = body({ id: 'b', modes: [mode('hd', 100)] });
    const second = body({ id: 'b2', modes: [mode('4k', 400)] });
    const { bodies: found } = ask({ bodies: [first, second], cards: [v60('a'), v30('c')] });
    expect(found.map(({ cards }) => cards.map(({ id }) => id))).toEqual([['c'], ['a']]);
  });

  it('are told what the other has', () => {
    const { bodies: found } = ask({ bodies, cards: [v60('a')] });
    expect(found.map(told)).toEqual([['4k'], [null, '4k: none-enters', '2k: none-enters', 'hd: none-enters']]);
  });
});

import { describe, expect, it } from 'vitest';
import type { Body, Card, Mode } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot } from '../testing.ts';
import { arrange } from './arrange.ts';
import { board } from './board.ts';
import type { Move } from './move.ts';
import { movesFor, ratioLadder } from './moves.ts';
import { DEFAULT_POLICY, type Policy } from './policy.ts';
import { tryMove } from './trial.ts';
import { toneOf } from './verdict.ts';

const stated = (Mbps: number) => ({ kind: 'stated', Mbps, is: 'maximum' }) as const;
const raw = aMode({
  id: 'raw',
  codec: 'raw',
  width: 8192,
  height: 4320,
  fps: 25,
  rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 },
});
const cfx: Partial<Body> = {
  slots: [
    aSlot({ id: 's1', family: null, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }] }),
    aSlot({ id: 's2', family: null, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }] }),
  ],
};

interface Setting {
  readonly modes: readonly Mode[];
  readonly cards: readonly Card[];
  readonly body?: Partial<Body>;
  readonly policy?: Policy;
}

function setUp({ modes, cards, body = {}, policy = DEFAULT_POLICY }: Setting) {
  const made = aBody({ ...body, modes });
  const kit = { bodies: [made], cards, tests: [] };
  const [mode] = modes;
  const [card] = cards;
  const cell = board(kit, policy).columns[0]?.[0];
  if (!mode || !card || !cell) throw new Error('nothing to move');
  return { input: { kit, body: made, mode, card, cell, policy }, policy };
}

const movesOf = (setting: Setting): readonly Move[] => movesFor(setUp(setting).input);
const codes = (setting: Setting): readonly string[] => movesOf(setting).map(({ code }) => code);

const v30 = aCard({ id: 'v30', marks: ['I', 'V30'] });
const v60 = aCard({ id: 'v60', marks: ['II', 'V60'], price: 60 });
const v90 = aCard({ id: 'v90', marks: ['II', 'V90'], price: 140 });

describe('moves', () => {
  it('name the cheapest owned card that holds', () => {
    const modes = [aMode({ rate: stated(400) })];
    expect(movesOf({ modes, cards: [v30, v90, v60] })[0]).toMatchObject({
      code: 'owned-card',
      cardId: 'v60',
      price: 60,
      verdict: 'guaranteed',
    });
  });

  it('leave a retired card out', () => {
    const modes = [aMode({ rate: stated(400) })];
    expect(movesOf({ modes, cards: [v30, v90, { ...v60, retired: true }] })[0]).toMatchObject({ cardId: 'v90' });
  });

  it('name the card to buy with the smallest mark that would do', () => {
    expect(movesOf({ modes: [aMode({ rate: stated(400) })], cards: [v30] })).toContainEqual(
      expect.objectContaining({ code: 'buy', form: 'sd', mark: 'V60', capacityGB: 256, tone: 'cool' }),
    );
    expect(codes({ modes: [aMode({ rate: stated(2400) })], cards: [v30] }), 'none is fast enough').not.toContain('buy');
  });

  it('look for a card to buy in every form the body takes, the least promise first, in the size that lasts', () => {
    const modes = [aMode({ rate: stated(400) })];
    const slots = [
      aSlot({
        accepts: [
          { form: 'cfexpress-a', bus: 'cfexpress-2' },
          { form: 'sd', bus: 'uhs-ii' },
        ],
      }),
    ];
    const { input } = setUp({ modes, cards: [v30], body: { slots } });
    const bought = movesFor({ ...input, minutes: 34 }).filter(({ code }) => code === 'buy');
    // 400 Mb/s and what goes beside it: about 51 MB/s. 128 GB lasts 41 min, 64 GB 20; a CFexpress A of 160 GB lasts 51.
    expect(bought).toMatchObject([
      { form: 'sd', mark: 'V60', capacityGB: 128 },
      { form: 'cfexpress-a', mark: 'VPG200', capacityGB: 160 },
    ]);
  });

  it('offer nothing to buy that promises no more than the card at hand', () => {
    const modes = [aMode({ rate: stated(400) })];
    const doubted = aCard({ id: 'd', marks: ['II', 'V60', 'V30', 'SDHC'], capacityGB: 256 });
    const bought = movesOf({ modes, cards: [aCard({ ...v60, id: 'thin', capacityGB: 32, marks: ['II', 'V60'] })] });
    expect(bought.filter((move) => move.code === 'buy' && move.mark === 'V60')).toEqual([]);
    // One that contradicts itself promises nothing: the same mark without the contradiction is more.
    expect(movesOf({ modes, cards: [doubted] })).toContainEqual(expect.objectContaining({ code: 'buy', mark: 'V60' }));
  });

  it('put a card that waits for its copies behind those at hand, and say why', () => {
    const modes = [aMode({ rate: stated(400) })];
    const full = { ...v60, state: 'full' as const };
    expect(movesOf({ modes, cards: [v30, full, v90] })[0]).toMatchObject({ cardId: 'v90', state: null });
    expect(movesOf({ modes, cards: [v30, full] })[0]).toMatchObject({ cardId: 'v60', state: 'full' });
  });

  it('keep to the ratios a body has, where it names several', () => {
    const cards = [aCard({ form: 'cfexpress-b', marks: ['VPG400'], capacityGB: 1000 })];
    const other = { ...raw, id: 'r8', rate: { ...raw.rate, ratio: 8 } } as Mode;
    expect(movesOf({ modes: [raw, other], cards, body: cfx })).toContainEqual(
      expect.objectContaining({ code: 'ratio', ratio: 8 }),
    );
  });

  it('name a frame rate that changes', () => {
    const modes = [aMode({ rate: stated(400), fps: 50 }), aMode({ id: 'slow', rate: stated(200), fps: 25 })];
    const slower = movesOf({ modes, cards: [v30] }).find(({ code }) => code === 'nearest-mode');
    expect(slower).toMatchObject({ sameSpeed: false });
  });

  it('name the nearest mode: same picture first, then the highest rate that holds', () => {
    const modes = [
      aMode({ id: 'm', rate: stated(400) }),
      aMode({ id: 'hd', rate: stated(200), width: 1920, height: 1080 }),
      aMode({ id: 'low', rate: stated(100) }),
      aMode({ id: 'mid', rate: stated(150) }),
    ];
    expect(movesOf({ modes, cards: [v30] })).toContainEqual(
      expect.objectContaining({ code: 'nearest-mode', modeId: 'mid', samePicture: true }),
    );
  });

  it('name the next ratio that holds: 8192 × 4320 at 25 on VPG400 wants 5:1', () => {
    const cards = [aCard({ form: 'cfexpress-b', marks: ['VPG400'], capacityGB: 1000 })];
    expect(movesOf({ modes: [raw], cards, body: cfx })).toContainEqual(
      expect.objectContaining({ code: 'ratio', ratio: 5, from: 3, verdict: 'guaranteed' }),
    );
    // By hand: 8192 × 4320 × 1.5 B × 25 = 1327 MB/s; ÷ 3 = 442, ÷ 5 = 265, ÷ 8 = 166, ÷ 12 = 111, ÷ 18 = 74.
    expect(ratioLadder(raw).map(({ ratio, need }) => [ratio, Math.round(need / 1e6)])).toEqual([
      [3, 442],
      [5, 265],
      [8, 166],
      [12, 111],
      [18, 74],
    ]);
  });

  it('offer a split over the slots of a body that has two', () => {
    const cards = [aCard({ form: 'cfexpress-b', marks: ['VPG400'], capacityGB: 1000 })];
    expect(codes({ modes: [raw], cards, body: { ...cfx, splitOver: 2 } })).toContain('split');
    // Nobody said that it can.
    expect(codes({ modes: [raw], cards, body: cfx })).not.toContain('split');
    expect(codes({ modes: [raw], cards, body: { slots: cfx.slots?.slice(0, 1) ?? [] } })).not.toContain('split');
  });

  it('offer to drop a proxy only where that is enough', () => {
    const withProxy = (Mbps: number) => [aMode({ rate: stated(Mbps), proxyMbps: 20 })];
    expect(codes({ modes: withProxy(200), cards: [v30] })).toContain('drop-proxy');
    expect(codes({ modes: withProxy(400), cards: [v30] })).not.toContain('drop-proxy');
  });

  it('say what the other school would', () => {
    expect(movesOf({ modes: [aMode({ rate: stated(240) })], cards: [v30] })).toContainEqual(
      expect.objectContaining({ code: 'other-school', take: 'repeatable', tone: 'cool' }),
    );
  });

  it('tell a cool cell that overpays which lesser card holds too', () => {
    const modes = [aMode({ rate: stated(200) })];
    expect(movesOf({ modes, cards: [v90, v60] })).toContainEqual(
      expect.objectContaining({ code: 'cheaper-card', cardId: 'v60' }),
    );
    expect(codes({ modes, cards: [v60, v90] })).not.toContain('cheaper-card');
  });

  it('keep their word: tried on the board, each gives what it promised', () => {
    const settings: Setting[] = [
      { modes: [aMode({ rate: stated(400) }), aMode({ id: 'low', rate: stated(100) })], cards: [v30, v60] },
      { modes: [raw], cards: [aCard({ form: 'cfexpress-b', marks: ['VPG400'], capacityGB: 1000 })], body: cfx },
      { modes: [aMode({ rate: stated(200), proxyMbps: 20 })], cards: [v30] },
    ];
    for (const setting of settings) {
      const { input, policy } = setUp(setting);
      for (const move of movesFor(input)) {
        const trial = tryMove(move, input, () => ({ id: 'to buy', label: 'to buy' }));
        if (!trial) continue;
        const tried = board(trial.kit, policy);
        const column = tried.columns[tried.cards.findIndex(({ id }) => id === trial.cardId)];
        const cell = column?.[tried.rows.findIndex(({ mode }) => mode.id === trial.modeId)];
        expect(cell?.verdict, move.code).toBe(move.verdict);
        expect(cell?.planned, move.code).toBe(move.planned);
        expect(toneOf(cell?.verdict ?? 'unfit', policy.take), move.code).toBe(move.tone);
      }
    }
  });
});

// Worked by hand: 640 Mb/s = 80 MB/s, nothing beside the picture; 256 GB × 0.987 = 252.672 GB.
describe('arrangements of two cards', () => {
  const mode = aMode({ rate: stated(640) });
  const body = aBody({ slots: [aSlot({ id: 's1' }), aSlot({ id: 's2' })], modes: [mode] });
  const big = aCard({ id: 'big', marks: ['II', 'V90'], capacityGB: 256 });
  const small = aCard({ id: 'small', marks: ['II', 'V60'], capacityGB: 128 });
  const as = (arrangement: Body['arrangement'], cards: readonly Card[]) =>
    arrange({ body, mode, arrangement, cards, tests: [], policy: DEFAULT_POLICY });

  it('single: the first card alone, 252.672 ÷ 0.08 ÷ 60 = 52.6 → 52 min', () => {
    expect(as('single', [big, small])).toMatchObject({ verdict: 'tight', minutes: 52, cardsPerFill: 1 });
  });

  it('relay: minutes add, 52 + 26, and the weaker card’s verdict stands for its part', () => {
    expect(as('relay', [big, small])).toMatchObject({ verdict: 'uncovered', minutes: 78, cardsPerFill: 2 });
  });

  it('mirrored: both must hold, minutes of the smaller', () => {
    expect(as('mirrored', [big, small])).toMatchObject({ verdict: 'uncovered', minutes: 26, unusedMinutes: 26 });
    expect(as('mirrored', [big, big])).toMatchObject({
      verdict: 'tight',
      minutes: 52,
      cardsPerFill: 2,
      unusedMinutes: 0,
    });
  });

  it('split: 40 MB/s each, so V60 holds with headroom; two equal cards last twice as long', () => {
    expect(as('split', [big, big])).toMatchObject({ verdict: 'guaranteed', minutes: 105 });
    expect(as('split', [big, small])).toMatchObject({ verdict: 'guaranteed', minutes: 52, unusedMinutes: 53 });
    expect(as('split', [big, small])?.cells.map(({ need }) => need)).toEqual([40_000_000, 40_000_000]);
  });

  it('none without a card', () => {
    expect(as('relay', [])).toBeNull();
  });
});

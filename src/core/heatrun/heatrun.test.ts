import { describe, expect, it } from 'vitest';
import { board } from '../match/board.ts';
import { DEFAULT_POLICY } from '../match/policy.ts';
import type { Body, Card } from '../model/kit.ts';
import { finish, type Steps } from '../steps.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { riskRuns } from '../writepath/risk.ts';
import { type Advice, type AdviceInput, adviceSteps } from './advice.ts';
import { bodyFigures, sizeOf } from './bodyFigures.ts';
import { cardFigures } from './cardFigures.ts';
import { shareSteps } from './failures.ts';
import { isCalibrated, known, spreadOf } from './known.ts';
import { deciding, type HeatSetup, hasFailed, lanesOf } from './lane.ts';
import { createMarkReader, rowKey } from './level.ts';
import { heatMark, holdsByRate } from './mark.ts';
import { marksSteps } from './marks.ts';
import { DEFAULT_PLAN } from './plan.ts';
import { heatReasons } from './reasons.ts';

const slot = (id: string) => aSlot({ id, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null });
/** Writes 800 MB/s. */
const cine: Body = aBody({
  bufferMB: 4000,
  slots: [slot('s1'), slot('s2')],
  modes: [
    aMode({ id: 'fast', rate: { kind: 'stated', Mbps: 6400, is: 'maximum' } }),
    aMode({ id: 'slow', rate: { kind: 'stated', Mbps: 3200, is: 'maximum' } }),
  ],
  heat: { size: 'cine' },
});
const big: Card = aCard({
  id: 'big',
  form: 'cfexpress-b',
  capacityGB: 4000,
  marks: [],
  sustainedMBps: 1500,
  writeMBps: 1600,
});

const aSetup = (change: Partial<HeatSetup> = {}): HeatSetup => ({
  body: cine,
  mode: cine.modes[0] as HeatSetup['mode'],
  arrangement: 'single',
  cards: [big],
  tests: [],
  policy: DEFAULT_POLICY,
  plan: { ...DEFAULT_PLAN, minutes: 40 },
  startBodyC: null,
  startCardC: null,
  demandTraceMBps: null,
  ...change,
});

const lanes = (setup: HeatSetup) => {
  const made = lanesOf(setup);
  if (!made.ok) throw new Error(made.error.code);
  return made.value;
};
const hot = { ...DEFAULT_PLAN, minutes: 40, ambientC: 35, sunC: 5 };
const sharesOf = (steps: Steps<unknown>): number[] => {
  const shares: number[] = [];
  for (let next = steps.next(); !next.done; next = steps.next()) shares.push(next.value);
  return shares;
};

describe('figures of a body', () => {
  it('are its own first, then its maker’s limits, then those of its size', () => {
    expect(bodyFigures(cine).bodyResistanceKPerW).toMatchObject({ value: 0.6, basis: 'assumed' });
    const limits = [
      { minutes: 30, ambientC: 25 },
      { minutes: 18, ambientC: 35 },
    ];
    const stated = bodyFigures({ ...cine, heat: { size: 'cine', limits } });
    expect(stated.bodyResistanceKPerW).toMatchObject({ basis: 'stated', source: { code: 'limits', statements: 2 } });
    expect(stated.bodyHeatCapacityJPerK.basis).toBe('stated');
    const one = bodyFigures({ ...cine, heat: { size: 'cine', limits: limits.slice(0, 1) } });
    expect(one.bodyHeatCapacityJPerK.basis, 'one limit gives the rise alone').toBe('assumed');
    const own = { bodyResistanceKPerW: { value: 0.4, basis: 'stated' } } as const;
    expect(bodyFigures({ ...cine, heat: { size: 'cine', limits, figures: own } }).bodyResistanceKPerW).toMatchObject({
      value: 0.4,
      source: { code: 'own' },
    });
  });

  it('from two limits shut the simulated body down at both of them', () => {
    const limits = [
      { minutes: 30, ambientC: 25 },
      { minutes: 18, ambientC: 35 },
    ];
    // A slow stream, so that the card adds next to nothing.
    const quiet = { ...cine, modes: [aMode({ rate: { kind: 'stated', Mbps: 8, is: 'maximum' } })] };
    for (const { minutes, ambientC } of limits) {
      const setup = aSetup({
        body: { ...quiet, heat: { size: 'cine', limits } },
        mode: quiet.modes[0] as HeatSetup['mode'],
        plan: { ...DEFAULT_PLAN, minutes: 60, ambientC },
      });
      const { result } = deciding(lanes(setup));
      expect(result.outcome).toBe('body-cutoff');
      expect(Math.abs(result.atSeconds / 60 / minutes - 1)).toBeLessThan(0.06);
    }
  });

  it('guess a small body where it takes microSD alone', () => {
    const small = aBody({ slots: [aSlot({ accepts: [{ form: 'microsd', bus: 'uhs-i' }] })] });
    expect(sizeOf(small)).toEqual({ size: 'action', guessed: true });
    expect(sizeOf(aBody())).toEqual({ size: 'hybrid', guessed: true });
  });

  it('take no buffer for granted', () => {
    expect(bodyFigures({ ...cine, bufferMB: null }).bufferMB).toMatchObject({
      value: 0,
      source: { code: 'none-known' },
    });
  });
});

describe('figures of a card', () => {
  const cellOf = (card: Card, tests = [aTest()].slice(1)) => {
    const cell = board({ bodies: [cine], cards: [card], tests }, DEFAULT_POLICY).columns[0]?.[0];
    if (!cell) throw new Error('no cell');
    return cell;
  };

  it('take 20 % off what the maker claims', () => {
    expect(cardFigures(big, cellOf(big), []).sustainedMBps).toMatchObject({ value: 1200, basis: 'claimed' });
  });

  it('take the best of claim, mark and test', () => {
    const marked = { ...big, sustainedMBps: null, marks: ['VPG400'] };
    expect(cardFigures(marked, cellOf(marked), []).sustainedMBps).toMatchObject({
      value: 400,
      basis: 'guaranteed',
      source: { code: 'mark', mark: 'VPG400' },
    });
    const tests = [aTest({ cardId: 'big', writtenMBps: 1400 })];
    expect(cardFigures(big, cellOf(big, tests), tests).sustainedMBps).toMatchObject({
      basis: 'tested',
      source: { code: 'own-test', MBps: 1400 },
    });
    const dropped = [aTest({ cardId: 'big', writtenMBps: 1400, end: 'dropped' })];
    expect(cardFigures(big, cellOf(big, dropped), dropped).sustainedMBps.basis, 'a drop proves no pace').toBe(
      'claimed',
    );
  });

  it('take a card of which nothing is known to keep up, so that only heat is asked', () => {
    const blank = { ...big, sustainedMBps: null, writeMBps: null };
    const pace = cardFigures(blank, cellOf(blank), []).sustainedMBps;
    expect(pace.source.code).toBe('keeps-up');
    expect(pace.value).toBeGreaterThan(800);
  });

  it('borrow where a form has no row of its own, and say so', () => {
    const module: Card = { ...big, form: 'module' };
    expect(cardFigures(module, cellOf(module), []).cardResistanceKPerW.source).toEqual({
      code: 'form',
      form: 'module',
      borrowedFrom: 'cfexpress-b',
    });
  });

  it('spread less where more is known, and a fitted one as it says', () => {
    const source = { code: 'own' } as const;
    const spreads = (['assumed', 'claimed', 'stated', 'tested', 'guaranteed'] as const).map((basis) =>
      spreadOf(known(1, basis, source)),
    );
    expect(spreads).toEqual(spreads.toSorted((a, b) => b - a));
    // Nine tenths of a normal logarithm lie within ±1.645 deviations.
    const fitted = {
      value: 10,
      basis: 'fitted',
      source,
      low: 10 * Math.exp(-0.1645),
      high: 10 * Math.exp(0.1645),
    } as const;
    expect(spreadOf(fitted)).toBeCloseTo(0.1, 3);
  });

  it('are calibrated only where both heat paths are more than assumed', () => {
    const [assumed, stated] = [known(1, 'assumed', { code: 'own' }), known(1, 'stated', { code: 'own' })];
    expect(isCalibrated({ cardResistanceKPerW: stated, bodyResistanceKPerW: stated })).toBe(true);
    expect(isCalibrated({ cardResistanceKPerW: assumed, bodyResistanceKPerW: stated })).toBe(false);
    expect(isCalibrated({})).toBe(false);
  });
});

describe('the paths of a setup', () => {
  it('one for single, however many cards are named', () => {
    expect(lanes(aSetup({ cards: [big, { ...big, id: 'other' }] }))).toHaveLength(1);
  });

  it('one over all cards for relay', () => {
    const [lane] = lanes(aSetup({ arrangement: 'relay', cards: [big, { ...big, id: 'other' }] }));
    expect(lane?.cards).toHaveLength(2);
    expect(lane?.sim.relay).toHaveLength(1);
    const slow = { ...big, id: 'slow', writeMBps: null, sustainedMBps: 900 };
    const [mixed] = lanes(aSetup({ arrangement: 'relay', cards: [big, slow] }));
    expect(mixed?.cardFigures.map(({ sustainedMBps }) => sustainedMBps?.value)).toEqual([1200, 720]);
    expect(mixed?.figures.sustainedMBps?.value, 'of the first').toBe(1200);
  });

  it('one a card for mirrored, each heated by the other', () => {
    const both = lanes(aSetup({ arrangement: 'mirrored', cards: [big, { ...big, id: 'other' }] }));
    expect(both).toHaveLength(2);
    // 30 W, and 0.6 W + 800 MB/s × 2.5 nJ/B = 2.6 W of the other card.
    expect(both[0]?.sim.heat.recordingW).toBeCloseTo(32.6, 1);
  });

  it('half the rate each for split', () => {
    const both = lanes(aSetup({ arrangement: 'split', cards: [big, { ...big, id: 'other' }] }));
    expect(both.map(({ sim }) => Math.round(sim.demandMBps))).toEqual([400, 400]);
  });

  it('add sun to the air, and start warm where told', () => {
    const [lane] = lanes(aSetup({ plan: hot, startBodyC: 50 }));
    expect(lane?.sim.heat).toMatchObject({ ambientC: 40, startBodyC: 50, startCardC: 50 });
  });

  it('are refused with the card or the figure that cannot be', () => {
    expect(lanesOf(aSetup({ cards: [] }))).toMatchObject({ ok: false, error: { code: 'no-card' } });
    expect(lanesOf(aSetup({ cards: [aCard()] }))).toMatchObject({ ok: false, error: { code: 'cannot-meet' } });
    const upside = { throttleAtC: { value: 60, basis: 'stated' } } as const;
    expect(lanesOf(aSetup({ cards: [{ ...big, heat: { figures: upside } }] }))).toMatchObject({
      ok: false,
      error: { code: 'figure', refusal: { field: 'heat.resumeAtC' } },
    });
    expect(lanesOf(aSetup({ plan: { ...hot, ambientC: Number.NaN } }))).toMatchObject({
      error: { code: 'figure', refusal: { code: 'not-finite' } },
    });
  });

  it('the first to fail decides', () => {
    const weak = {
      ...big,
      id: 'weak',
      heat: { figures: { cardResistanceKPerW: { value: 30, basis: 'stated' } } },
    } as const;
    const { lane, result } = deciding(lanes(aSetup({ arrangement: 'mirrored', cards: [big, weak], plan: hot })));
    expect(lane.cards[0]?.id).toBe('weak');
    expect(hasFailed(result)).toBe(true);
  });
});

describe('heat marks', () => {
  const markIn = (plan: HeatSetup['plan'], card: Card = big) => {
    const cell = board({ bodies: [cine], cards: [card], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
    return cell ? heatMark(cine, cell, card, [], plan) : null;
  };

  it('cool, warm and hot as the air and the take grow', () => {
    expect(markIn({ ...DEFAULT_PLAN, minutes: 5, ambientC: 5 })?.level).toBe('cool');
    expect(markIn({ ...DEFAULT_PLAN, minutes: 40, ambientC: 28 })?.level).toBe('warm');
    expect(markIn({ ...hot, minutes: 60 })?.level).toBe('hot');
  });

  it('only where the rate holds', () => {
    const uncovered = { ...big, sustainedMBps: 300 };
    expect(markIn(hot, uncovered)).toBeNull();
    expect(markIn(hot, aCard())).toBeNull();
  });

  it('are hotter in a body that writes to two cards at once', () => {
    const level = (arrangement: Body['arrangement']) => {
      const body = { ...cine, arrangement };
      const cell = board({ bodies: [body], cards: [big], tests: [] }, DEFAULT_POLICY).columns[0]?.[0];
      return cell && heatMark(body, cell, big, [], { ...DEFAULT_PLAN, minutes: 40 })?.result.peakBodyC;
    };
    expect(level('mirrored')).toBeGreaterThan(level('relay') ?? 99);
  });

  it('do not ask for a policy: headroom moves no cell in or out of those that hold', () => {
    const cards = [big, aCard(), aCard({ id: 'v30', marks: ['V30'] }), { ...big, id: 'vpg', marks: ['VPG400'] }];
    const bodies = [cine, aBody({ id: 'sd', modes: [aMode({ rate: { kind: 'stated', Mbps: 700, is: 'maximum' } })] })];
    const holding = [0, 0.15, 1].map((headroom) =>
      board({ bodies, cards, tests: [] }, { take: 'once', headroom: (headroom * 1000) as never }).columns.map((cells) =>
        cells.map(holdsByRate),
      ),
    );
    expect(holding[0]).toEqual(holding[1]);
    expect(holding[2]).toEqual(holding[1]);
    expect(holding[0]?.flat()).toContain(true);
  });

  it('of a whole board are those of its cells', () => {
    const kit = { bodies: [cine], cards: [big, aCard()], tests: [] };
    const marks = finish(marksSteps({ kit, plan: hot }));
    const read = createMarkReader(marks);
    expect(read('big', rowKey('b', 'fast'))).toBe(markIn(hot)?.level);
    expect(read('c', rowKey('b', 'fast'))).toBeNull();
    expect(read('gone', rowKey('b', 'fast'))).toBeNull();
    expect(createMarkReader(null)('big', rowKey('b', 'fast'))).toBeNull();
  });
});

describe('ranked reasons', () => {
  const reasons = (setup: HeatSetup) => heatReasons(lanes(setup)[0] as ReturnType<typeof lanes>[0], setup);

  it('stand in the order of what easing each alone would win', () => {
    const ranked = reasons(aSetup({ plan: { ...hot, ambientC: 45 } }));
    expect(ranked[0]?.code, 'very hot air comes first').toBe('ambient');
    const weights = ranked.map(({ weight }) => weight);
    expect(weights).toEqual(weights.toSorted((a, b) => b - a));
  });

  it('name sun, a warm start, a small card and a missing test where they are there', () => {
    const codes = reasons(aSetup({ plan: hot, startBodyC: 55 })).map(({ code }) => code);
    expect(codes).toContain('sun');
    expect(codes).toContain('warm-start');
    expect(codes).toContain('untested');
    expect(codes, 'a large card sheds heat as well as any').not.toContain('form');
    expect(reasons(aSetup({ tests: [aTest({ cardId: 'big' })] })).map(({ code }) => code)).not.toContain('untested');
  });
});

describe('reasons of a clip', () => {
  it('speak of its average rate, not of its peak', () => {
    const [lane] = lanes(aSetup({ plan: hot, demandTraceMBps: [100, 300, 500] }));
    const rate = lane && heatReasons(lane, aSetup({ plan: hot })).find(({ code }) => code === 'rate');
    expect(rate).toMatchObject({ MBps: 300, share: 300 / (lane?.sim.card.sustainedMBps ?? 1) });
  });
});

describe('takes side by side', () => {
  const path = (minutes: number) => lanes(aSetup({ plan: { ...hot, minutes } }))[0] ?? null;

  it('fail as often as each of them alone, by the draws of the risk runs', () => {
    const paths = [path(40), null, path(10)];
    const shares = finish(shareSteps({ paths, runs: 400, seed: 3 }));
    const alone = paths.map((one) => {
      if (!one) return null;
      const { dropProbability, cutoffProbability } = riskRuns(one.sim, { runs: 400, seed: 3, spread: one.spreads });
      return dropProbability + cutoffProbability;
    });
    expect(shares).toEqual(alone);
    expect(shares[0]).toBeGreaterThan(shares[2] ?? 1);
  });

  it('tell how far they are over all of them', () => {
    const shares = sharesOf(shareSteps({ paths: [path(40), null, path(10)], runs: 400, seed: 3 }));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(shares.at(-1)).toBeGreaterThan(0.9);
  });
});

describe('advice', () => {
  const input = (change: Partial<AdviceInput> = {}): AdviceInput => ({
    setup: aSetup({ plan: hot }),
    cards: [big],
    accepted: 0.05,
    runs: 300,
    seed: 1,
    ...change,
  });
  const advise = (change: Partial<AdviceInput> = {}) => finish(adviceSteps(input(change)));
  const of = <K extends Advice['code']>(moves: readonly Advice[], code: K) =>
    moves.find((move): move is Extract<Advice, { code: K }> => move.code === code);
  const riskWith = (plan: HeatSetup['plan']) => {
    const { lane } = deciding(lanes(aSetup({ plan })));
    const risk = riskRuns(lane.sim, { runs: 300, seed: 1, spread: lane.spreads });
    return risk.dropProbability + risk.cutoffProbability;
  };

  it('has nothing to say where the plan holds', () => {
    const { moves, risk } = advise({ setup: aSetup({ plan: { ...DEFAULT_PLAN, minutes: 5, ambientC: 0 } }) });
    expect(moves).toEqual([]);
    expect(risk).toBeLessThanOrEqual(0.05);
  });

  it('gives the longest take: it stays under the risk accepted, and two minutes more do not', () => {
    const longest = of(advise().moves, 'longest-take');
    const minutes = longest?.minutes ?? 0;
    expect(minutes).toBeGreaterThan(0);
    expect(riskWith({ ...hot, minutes })).toBeLessThanOrEqual(0.05);
    expect(riskWith({ ...hot, minutes })).toBeCloseTo(longest?.risk ?? 1, 9);
    expect(riskWith({ ...hot, minutes: minutes + 2 })).toBeGreaterThan(0.05);
  });

  it('gives a rhythm that records as long, with the risk it says', () => {
    const rests = of(advise().moves, 'rests');
    expect((rests?.takes ?? 0) * (rests?.minutes ?? 0)).toBeCloseTo(40, 0);
    const { takes = 1, minutes = 1, restMinutes = 0 } = rests ?? {};
    expect(riskWith({ ...hot, takes, minutes, restMinutes })).toBeCloseTo(rests?.risk ?? 1, 9);
    expect(rests?.risk).toBeLessThan(riskWith(hot));
  });

  it('gives the air at which it stops holding', () => {
    const { holdsUpToC } = advise();
    expect(holdsUpToC).not.toBeNull();
    expect(riskWith({ ...hot, ambientC: holdsUpToC ?? 0 })).toBeLessThanOrEqual(0.05);
    expect(riskWith({ ...hot, ambientC: (holdsUpToC ?? 0) + 1 })).toBeGreaterThan(0.05);
  });

  it('names shade, a slower mode, and another card where they help', () => {
    const cool = {
      ...big,
      id: 'cool',
      heat: { figures: { energyNJPerByte: { value: 0.3, basis: 'stated' }, idleW: { value: 0.1, basis: 'stated' } } },
    } as const;
    const { moves, risk } = advise({ cards: [big, cool] });
    expect(of(moves, 'shade')?.risk).toBeLessThan(risk);
    expect(of(moves, 'mode')).toMatchObject({ modeId: 'slow' });
    expect(of(moves, 'card')).toMatchObject({ cardId: 'cool' });
    expect(moves.map((move) => move.risk)).toEqual(moves.map((move) => move.risk).toSorted((a, b) => a - b));
  });

  it('is the same for the same seed', () => {
    expect(advise()).toEqual(advise());
  });

  it('goes in small steps that never tell less than before, so that a wish to stop is heard', () => {
    const shares = sharesOf(adviceSteps(input()));
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(Math.max(...shares)).toBeLessThan(1);
    // 300 runs a question, four a step, and at least seven questions of the air alone.
    expect(shares.length).toBeGreaterThan((300 / 4) * 7);
  });
});

import { describe, expect, it } from 'vitest';
import { aRun } from '../../../tests/support/aRun.ts';
import { riskTone } from '../../core/heat/run/acceptedRisk.ts';
import type { Advice } from '../../core/heat/run/advice.ts';
import type { FigureSource } from '../../core/heat/run/known.ts';
import { DEFAULT_PLAN } from '../../core/heat/run/plan.ts';
import type { RankedReason } from '../../core/heat/run/reasons.ts';
import { causeOf } from '../../core/heat/writepath/cause.ts';
import { simulate } from '../../core/heat/writepath/simulate.ts';
import type { Simulation } from '../../core/heat/writepath/simulation.ts';
import { aBody, aCard, aMode, aTest } from '../../core/testing.ts';
import {
  axisText,
  causeText,
  cautionTexts,
  keptText,
  momentLines,
  oddsText,
  outcomeText,
  ownEndText,
  riskyCauseText,
  riskyText,
  setupRefusalText,
  shareText,
  timeText,
} from './heat.ts';
import { adviceText, hangsOnText, reasonText, weightWord } from './heatAdvice.ts';
import { figureSourceText } from './heatFigures.ts';
import { explainedText, fitRefusalText, fitText, fittedText, limitRefusalText } from './heatFit.ts';
import { plannedText, planText } from './heatWords.ts';

const spaced = (text: string): string => text.replaceAll('\u00a0', ' ');
const told = (sim: Simulation): string => {
  const result = simulate(sim);
  return spaced(`${outcomeText(result)}. ${causeText(sim, result, causeOf(sim, result))}`);
};

describe('how a run ended, and why', () => {
  it.each([
    [
      'cache',
      aRun(),
      'Estimate: frames drop at about 3:42. Cause: the fast cache is full and the flash behind it is too slow. The fast cache is full at 3:25. The card then takes only 400 MB/s of the 886 MB/s the camera writes.',
    ],
    [
      'bus',
      aRun({ card: { busMBps: 500 } }),
      'Estimate: frames drop at about 0:20. Cause: the slot is slower than the rate. The card then takes only 500 MB/s of the 886 MB/s the camera writes.',
    ],
    [
      'fill',
      aRun({ demandMBps: 200, takeSeconds: 1e5 }),
      'Estimate: it runs until the card is full at about 83:20. No frames drop; the card reaches 38 °C, the camera 38 °C.',
    ],
    [
      'complete',
      aRun({ demandMBps: 200, takeSeconds: 60 }),
      'Estimate: it runs to the end, 1:00. No frames drop; the card reaches 20 °C, the camera 21 °C.',
    ],
    [
      'body',
      aRun({ demandMBps: 1, heat: { bodyResistanceKPerW: 9 } }),
      'Estimate: the camera shuts down at about 38:15. Cause: heat. The camera reaches 62 °C and shuts itself down.',
    ],
  ])('%s', (_, sim, text) => {
    expect(told(sim)).toBe(text);
  });

  it('a throttled card that keeps up is said to', () => {
    const sim = aRun({ demandMBps: 300, card: { sustainedMBps: 1500 }, heat: { startCardC: 80 } });
    expect(told(sim)).toContain('The card slows down from heat (throttles) at 0:00 and still keeps up.');
  });

  it('a heat drop says what hid it', () => {
    const sim = aRun({ card: { sustainedMBps: 1500, cacheGB: 0 }, heat: { energyNJPerByte: 6, ambientC: 40 } });
    expect(told(sim)).toMatch(
      /Cause: heat\. The card slows down from heat \(throttles\) at \d+:\d\d; the camera buffer takes up the difference until it is full\./,
    );
    expect(told({ ...sim, bufferMB: 0 })).toContain('nothing takes up the difference');
  });

  it('one moment is told in lines', () => {
    const { timeline } = simulate(aRun());
    const full = timeline[1];
    if (!full) throw new Error('no moment');
    expect(momentLines(full, aRun()).map(spaced)).toEqual([
      'camera writes 886 MB/s',
      'card takes 400 MB/s',
      'card 22 °C, camera 24 °C',
      'the camera holds 16 more seconds',
    ]);
  });
});

describe('a run that holds and fails too often', () => {
  it('is called risky with its odds, and never said to hold', () => {
    expect([0.004, 0.04, 0.1, 0.21, 0.43, 0.97].map(oddsText)).toEqual([
      'very few',
      '1 in 25',
      '1 in 10',
      '2 in 10',
      '4 in 10',
      'nearly all',
    ]);
    expect(riskyText(0.43)).toBe('Risky: about 4 in 10 simulated takes end early');
    const [whole, full] = [600, 1e5].map((takeSeconds) => simulate(aRun({ demandMBps: 100, takeSeconds })));
    if (!whole || !full) throw new Error('no run');
    expect(riskyCauseText(0.214, whole)).toBe(
      'When the assumed figures are varied a little, 21\u00a0% of the simulated takes end early.',
    );
    expect(riskyCauseText(0.214, full)).toBe(
      'When the assumed figures are varied a little, 21\u00a0% of the simulated takes end early. Without a stop the card is full at 2h46.',
    );
  });

  it('an own take that stopped early is the headline, and a kept take says how it ran', () => {
    expect(ownEndText(aTest({ end: 'dropped', seconds: 1320 }))).toBe(
      'Your own take dropped frames at 22:00 under these conditions',
    );
    expect(spaced(keptText({ date: '', outcome: 'body-cutoff', atSeconds: 600, failing: 0.5, figures: {} }))).toBe(
      'camera shut down at 10:00, 50 % failed',
    );
  });

  it('is coloured by what is accepted', () => {
    expect([0, 0.05, 0.051, 0.15, 0.16].map((risk) => riskTone(risk, 0.05))).toEqual([
      ...['cool', 'cool', 'warm', 'warm', 'hot'],
    ]);
    expect(riskTone(0.5, 0.25)).toBe('warm');
  });
});

describe('shares and times', () => {
  it.each([
    [0, '0 %'],
    [0.0004, 'under 0.1 %'],
    [0.043, '4.3 %'],
    [0.58, '58 %'],
    [0.9999, 'over 99 %'],
    [1, '100 %'],
  ])('%d reads %s', (share, text) => {
    expect(spaced(shareText(share))).toBe(text);
  });

  it.each([
    [65, '1:05'],
    [5999, '99:59'],
    [6000, '1h40'],
  ])('%d seconds read %s', (seconds, text) => {
    expect(spaced(timeText(seconds))).toBe(text);
  });

  it.each([
    [0.5, 0.25, '0:30'],
    [20, 10, '20 min'],
    [60, 30, '1h'],
    [90, 30, '1h30'],
  ])('%d minutes in steps of %d stand as %s', (minutes, step, text) => {
    expect(spaced(axisText(minutes, step))).toBe(text);
  });

  it('plans', () => {
    expect(spaced(planText({ minutes: 12, takes: 3, restMinutes: 6 }))).toBe('3 takes of 12 min, 6 min rests');
    expect(spaced(planText({ minutes: 12, takes: 3, restMinutes: 0 }))).toBe('3 takes of 12 min, no rest');
    expect(spaced(plannedText({ ...DEFAULT_PLAN, sunC: 5 }))).toBe('30 min at 25 °C in sun');
  });
});

describe('a take that is longer than is run', () => {
  it('says how many takes are, in words and not by its field', () => {
    const refusal = { code: 'contradiction', field: 'takes', min: 1, max: 3 } as const;
    expect(setupRefusalText({ code: 'figure', refusal, lane: null as never })).toBe(
      'These takes and rests together last longer than 14 days. At most 3 of them are run.',
    );
    const air = { code: 'out-of-range', field: 'heat.ambientC', min: -60, max: 150 } as const;
    expect(setupRefusalText({ code: 'figure', refusal: air, lane: null as never })).toBe('Air: it must be -60 to 150.');
  });
});

describe('reasons, moves, sources and refusals', () => {
  it.each([
    [
      { code: 'rate', share: 0.74, MBps: 886, weight: 0.2 },
      'The camera writes 74 % of the card’s sustained speed',
      'main',
    ],
    [{ code: 'rate', share: null, MBps: 64, weight: 0.2 }, 'Writes 64 MB/s', 'main'],
    [
      { code: 'rate', share: 1.5, MBps: 886, weight: 0.1 },
      'The camera writes 1.5 times the card’s sustained speed',
      'large',
    ],
    [{ code: 'minutes', minutes: 36, rests: false, weight: 0.02 }, '36 min without a rest', 'small'],
    [{ code: 'minutes', minutes: 12, rests: true, weight: 0.02 }, '12 min a take', 'small'],
    [{ code: 'ambient', ambientC: 35, weight: 0.2 }, 'Air at 35 °C', 'main'],
    [{ code: 'fast-cache', cacheGB: 200, weight: 0 }, 'Depends on the card’s fast cache of 200 GB', ''],
    [{ code: 'untested', weight: 0 }, 'You have not tested this card in this camera', ''],
  ] as [RankedReason, string, string][])('%j', (reason, text, weight) => {
    expect(spaced(reasonText(reason))).toBe(text);
    expect(weightWord(reason.weight)).toBe(weight);
  });

  const names = { body: aBody({ modes: [aMode({ id: 'm', name: '4K' })] }), cards: [aCard()], plan: DEFAULT_PLAN };
  it.each([
    [{ code: 'longest-take', minutes: 6, risk: 0 }, 'Stop after 6 min'],
    [{ code: 'rests', takes: 3, minutes: 12, restMinutes: 6, risk: 0 }, '3 takes of 12 min, 6 min rests'],
    [{ code: 'shade', sunC: 5, risk: 0 }, 'Shade the camera (−5 °C)'],
    [{ code: 'cooler-air', ambientC: 9, risk: 0 }, 'Wait for 9 °C'],
    [{ code: 'cool-start', risk: 0 }, 'Let camera and card cool first'],
    [{ code: 'ratio', ratio: 5, from: 3, risk: 0 }, '5:1 instead of 3:1'],
    [{ code: 'mode', modeId: 'm', risk: 0 }, 'Record 4K 50p'],
    [{ code: 'card', cardId: 'c', risk: 0 }, 'Use C-01'],
  ] as [Advice, string][])('%j', (advice, text) => {
    expect(spaced(adviceText(advice, names))).toBe(text);
  });

  it.each([
    [{ code: 'size', size: 'action', guessed: true }, 'assumed, taken for an action camera'],
    [{ code: 'size', size: 'cine', guessed: false }, 'assumed for a cine camera'],
    [{ code: 'form', form: 'module', borrowedFrom: 'cfexpress-b' }, 'assumed, borrowed from CFexpress B'],
    [{ code: 'derated', stated: 1500 }, 'claims 1500, less 20 %'],
    [{ code: 'own-test', MBps: 532 }, 'filled at 532, and 15 % over'],
    [{ code: 'limits', statements: 2 }, 'from the maker’s two limits'],
  ] as [FigureSource, string][])('%j', (source, text) => {
    expect(spaced(figureSourceText(source))).toBe(text);
  });

  it('what a risk hangs on is ranked in words, luck left out', () => {
    const ranking = [
      { what: 'card-heat-path', difference: 0.3 },
      { what: 'burst', difference: 0.1 },
      { what: 'cache', difference: 0.01 },
    ] as const;
    expect(hangsOnText(ranking)).toBe(
      'Depends most on how fast the card cools, then on the real write speed of its fast cache.',
    );
    expect(hangsOnText(ranking.slice(1, 2))).toBe('Depends on the real write speed of its fast cache.');
    expect(hangsOnText(ranking.slice(2))).toBe('');
  });

  it('say what cannot be run, and what to do', () => {
    expect(setupRefusalText({ code: 'no-card' })).toBe('Choose a card to run this mode on.');
    expect(setupRefusalText({ code: 'cannot-meet', card: aCard(), cell: null })).toBe(
      'C-01 cannot be used for this mode in this slot. Choose another card.',
    );
    expect(spaced(limitRefusalText({ code: 'above-limit', ambientC: 65 }, 62))).toContain('65 °C');
    expect(limitRefusalText({ code: 'contradictory' }, 62)).toContain('Check the figure against the manual');
    expect(fitRefusalText({ code: 'nothing-logged' })).toContain('Log one');
  });

  it('a fit is told with its range, or that it says nothing new', () => {
    const after = { value: 13.2, basis: 'fitted', low: 11, high: 15.5 } as const;
    const figure = { figure: 'cardResistanceKPerW', before: 9, after } as const;
    expect(fittedText({ ...figure, informed: true })).toBe('Card heat path: 9 → 13.2 K/W, likely 11–15.5');
    expect(fittedText({ ...figure, informed: false })).toBe('Card heat path: the takes say nothing new');
    const take = {
      testId: 't',
      cardId: 'c',
      end: 'dropped',
      seconds: 600,
      fittedSeconds: 630,
      unexplained: false,
      reproduced: true,
    } as const;
    expect(explainedText(take)).toBe('dropped frames at 10:00: with the fitted figures it would end at 10:30');
    expect(explainedText({ ...take, unexplained: true })).toContain('no figure explains it');
    expect(explainedText({ ...take, end: 'cut-off' }, 'A-02')).toBe(
      'A-02 camera shut down at 10:00: with the fitted figures the camera would shut down at 10:30',
    );
    expect(explainedText({ ...take, fittedSeconds: null }, 'A-02')).toContain(
      'with the fitted figures the camera would go on past that',
    );
    expect([fitText(1, 0), fitText(2, 1), fitText(0, 3)]).toEqual([
      'Fit the figures to its logged take',
      'Fit the figures to its 2 logged takes and 1 on other cards',
      'Fit the camera to its 3 logged takes on other cards',
    ]);
  });
});

describe('cautions', () => {
  it('warn of burns where something gets hot, and always defer to the manual', () => {
    expect(cautionTexts({ peakCardC: 30, peakBodyC: 30 }, 20).join(' ')).not.toContain('burn');
    expect(spaced(cautionTexts({ peakCardC: 75, peakBodyC: 40 }, 20).join(' '))).toContain('Hot card: let it cool');
    expect(cautionTexts({ peakCardC: 75, peakBodyC: 50 }, 20).join(' ')).toContain('Hot card and camera');
    expect(cautionTexts({ peakCardC: 0, peakBodyC: 0 }, 20).join(' ')).toContain('Follow the camera maker’s manual');
  });

  it('name the cold below freezing, without a number', () => {
    const cold = { peakCardC: 0, peakBodyC: 0 };
    expect(cautionTexts(cold, -1).join(' ')).toMatch(/batteries .* gathers water/);
    expect(cautionTexts(cold, 0).join(' ')).not.toContain('batteries');
  });
});

import { describe, expect, it } from 'vitest';
import { streamRate } from '../core/bodies/rate/streamRate.ts';
import { labelProblems } from '../core/cards/labelProblems.ts';
import { readLabel } from '../core/cards/readLabel.ts';
import type { HeatLevel } from '../core/heat/run/level.ts';
import type { Body, Card } from '../core/kit/model.ts';
import { board, cellFor } from '../core/match/board.ts';
import { DEFAULT_POLICY } from '../core/match/policy.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../core/testing.ts';
import type { Bytes, BytesPerSecond, Seconds } from '../core/units/brand.ts';
import { parseRate } from '../core/units/parse.ts';
import { cellSums } from './bodies/rateLines.ts';
import { labelProblemText } from './cards/label.ts';
import {
  besideText,
  beyondText,
  byTheBoxText,
  cellAside,
  cellFigure,
  provenOnlyText,
  seatTexts,
  spokenCell,
} from './match/cell.ts';
import { findingLine, findingText } from './match/finding.ts';
import { threeLines } from './match/threeLines.ts';
import { capacityText, clockText, durationText, either, MBpsText, MbpsText, minutesText } from './quantity.ts';

const spaced = (text: string): string => text.replaceAll('\u00a0', ' ');

const cellOf = (card: Partial<Card>, body: Partial<Body> = {}) => {
  const kit = { bodies: [aBody(body)], cards: [aCard(card)], tests: [aTest({ cardId: 'tested', end: 'full' })] };
  const cell = board(kit, DEFAULT_POLICY).columns[0]?.[0];
  if (!cell) throw new Error('no cell');
  return cell;
};

describe('quantities', () => {
  it.each([
    [0, '0 min'],
    [66, '66 min'],
    [99, '99 min'],
    [100, '1h40'],
    [132, '2h12'],
    [5999, '99h59'],
    [14_400, '10 days'],
  ])('%s minutes read %s', (minutes, text) => {
    expect(spaced(minutesText(minutes))).toBe(text);
  });

  it('write seconds as a clock, rates with one decimal under 100, capacities as printed', () => {
    expect(clockText(48.9 as Seconds)).toBe('0:48');
    expect(clockText(750 as Seconds)).toBe('12:30');
    expect(spaced(durationText(7200 as Seconds))).toBe('2 h');
    expect(spaced(MBpsText(63_750_000 as BytesPerSecond))).toBe('63.8 MB/s');
    expect(spaced(MBpsText(312_000_000 as BytesPerSecond))).toBe('312 MB/s');
    expect(spaced(capacityText(256e9 as Bytes))).toBe('256 GB');
    expect(spaced(capacityText(2e12 as Bytes))).toBe('2 TB');
    expect(either(['a', 'b', 'c'])).toBe('a, b or c');
  });

  it('read back as what was written: parse after format is the identity on whole Mb/s', () => {
    for (let n = 1; n < 3000; n += 7) {
      const rate = (n * 125_000) as BytesPerSecond;
      const read = parseRate(spaced(MbpsText(rate)));
      expect(read.ok && read.value.value).toBe(rate);
    }
  });
});

describe('a cell in words', () => {
  it('reads camera, mode, card and reason around its number and word', () => {
    const spoken = (card: Partial<Card>, heat: HeatLevel | null = null) =>
      spaced(spokenCell({ cell: cellOf(card), body: aBody({ name: 'Dory' }), mode: aMode(), card: aCard() }, heat));
    expect(spoken({})).toBe(
      'Dory mode 50p on C-01: 67 min Guaranteed. Needed with 15 % headroom, and covered: 71.9 MB/s.',
    );
    expect(spoken({ marks: [] })).toBe(
      'Dory mode 50p on C-01: Not covered. No speed mark on this card guarantees a write speed in this slot: unknown.',
    );
    expect(spoken({}, 'hot')).toMatch(/71\.9 MB\/s\. [A-Z].+\.$/);
  });

  it('shows no number where nothing stands behind one', () => {
    expect(cellFigure(cellOf({ marks: [] })).figure).toBe('—');
    expect(cellFigure(cellOf({})).figure).toBe('67');
    const slow = aSlot({ accepts: [{ form: 'sd', bus: 'high-speed' }] });
    expect(cellFigure(cellOf({}, { slots: [slow], bufferMB: 1800 })).figure).toBe('0:48');
  });

  it('always gives the three lines, and lets them disagree', () => {
    const requires = [{ anyOf: ['VPG400'], whenMissing: 'refuses' as const }];
    const lines = threeLines(cellOf({}, { modes: [aMode({ requires })] }), 'once');
    expect(lines.map(({ title, word }) => `${title}: ${word}`)).toEqual([
      'Arithmetic: Covered',
      'Camera asks for: VPG400',
      'Camera refuses?: Yes',
    ]);
    expect(spaced(lines[0]?.detail ?? '')).toBe('guaranteed 90, needed 71.9 MB/s with headroom');
  });

  it('words every finding of every kind of pair, without a hole', () => {
    const cards: Partial<Card>[] = [
      {},
      { marks: [] },
      { marks: ['SDHC', 'I', 'U1', 'V90'] },
      { form: 'microsd' },
      { form: 'xqd', marks: ['2.0'] },
      { form: 'cfexpress-a', marks: ['VPG200'], sustainedMBps: 300 },
      { capacityGB: 4000 },
      { marks: [], sustainedMBps: 10 },
      { marks: ['UHS-3', 'V30'] },
      { marks: ['I', 'U1', 'V30'], verified: { date: '2026-05-01', how: 'filled' } },
      { marks: ['II'], minimumMBps: 70, minimumSource: 'spec page' },
      { marks: ['I'], minimumMBps: 70 },
      { form: 'microsd', marks: ['II', 'V60'] },
    ];
    const slots = [
      aSlot(),
      aSlot({ accepts: [], family: null }),
      aSlot({
        family: null,
        promisedMaxGB: 32,
        accepts: [
          { form: 'cfexpress-a', bus: null },
          { form: 'cfexpress-b', bus: 'cfexpress-2' },
          { form: 'sd', bus: 'default' },
        ],
      }),
    ];
    for (const card of cards) {
      for (const slot of slots) {
        for (const { findings } of [
          cellOf(card, { slots: [slot], ceilingMBps: 35 }),
          cellOf(card, { slots: [slot], ceilingMBps: 65 }),
          cellOf(card, { slots: [slot, aSlot({ id: 's2', name: 'Slot 2' })], arrangement: 'mirrored' }),
          cellOf(card, { slots: [slot, aSlot({ id: 's2', name: 'Slot 2' }), slot], arrangement: 'split' }),
          cellOf(card, { slots: [slot], approved: [{ cardIds: ['c'], modeIds: null, upToMbps: 600, source: null }] }),
          cellOf(card, { slots: [slot] }),
        ]) {
          for (const finding of findings) expect(findingText(finding)).not.toMatch(/undefined|NaN|null|\[object/);
        }
      }
    }
  });

  it('names each seat with its card, and what is missing in a seat of another form', () => {
    const slots = [
      aSlot({ id: '1', name: 'Slot 1', family: null, accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }] }),
      aSlot({ id: '2', name: 'Slot 2' }),
    ];
    const seats = (verdict: 'uncovered' | 'guaranteed' | null) =>
      findingText({
        rule: 'seats',
        outcome: 'short',
        arrangement: 'mirrored',
        width: null,
        seats: [
          { slot: 'Slot 1', takes: ['cfexpress-b'], card: 'A-01', verdict: 'guaranteed', own: true },
          { slot: 'Slot 2', takes: ['sd'], card: verdict && 'C-05', verdict, own: false },
        ],
      });
    expect(seats(null)).toContain(
      'Slot 1, A-01: guaranteed. Slot 2 accepts SD. None of your cards for it covers this mode.',
    );
    expect(seats('uncovered')).toContain(
      'None of your cards for it covers this mode; the nearest is C-05 (not covered).',
    );
    expect(seats('guaranteed')).toContain('Slot 2, C-05: guaranteed.');
    const cell = cellOf({ form: 'cfexpress-b', marks: ['VPG400'] }, { slots, arrangement: 'mirrored' });
    expect(besideText(cell)).toBe('none of your cards fits Slot 2');
    expect(seatTexts(cell).map(({ text }) => text)).toEqual(['Slot 1: C-01', 'Slot 2: none of your cards fits']);
    expect(besideText(cellOf({}, {}))).toBeNull();
  });

  it('says of a mark on a bus before UHS that nothing is known of it there', () => {
    const slots = [aSlot({ accepts: [{ form: 'sd', bus: 'high-speed' }] })];
    const cell = cellFor({
      body: aBody({ slots }),
      mode: aMode(),
      card: aCard(),
      cards: [],
      tests: [],
      policy: DEFAULT_POLICY,
    });
    const found = cell.findings.find(({ rule }) => rule === 'guarantee');
    expect(found && findingLine(found).more).toBe(
      'U3 or V90 does not count on High speed. What a card of that mark must hold there is not known here.',
    );
  });

  it('says of a bus that is not told, a doubt, a minimum and an approval what stands behind them', () => {
    const of = (card: Partial<Card>, body: Partial<Body>) =>
      cellOf(card, body).findings.map(findingText).join(' ').replaceAll('\u00a0', ' ');
    expect(of({}, { slots: [aSlot({ accepts: [{ form: 'sd', bus: null }] })] })).toContain(
      'The slot’s bus is not entered: counted as Default speed, the slowest of its type',
    );
    expect(of({ marks: ['I', 'V90'] }, {})).toContain('A sign of a counterfeit');
    expect(of({ marks: ['V90'] }, {}), 'a mark merely not typed').not.toContain('counterfeit');
    expect(of({ marks: ['II'], minimumMBps: 90, minimumSource: 'page 2' }, {})).toContain('From: page 2.');
    const approved = [{ cardIds: ['c'], modeIds: ['m'], upToMbps: null, source: 'page 9' }];
    expect(of({ marks: ['II'] }, { approved })).toContain('approves this card for this mode. From: page 9.');
    expect(of({ form: 'microsd', marks: ['II', 'V60'] }, {})).toContain('The adapter holds the bus at UHS-I');
  });

  it('shows its arithmetic: 500 Mb/s is 62.5 MB/s, 252.7 GB lasts 67.4 → 67 min', () => {
    const rate = streamRate(aMode(), null);
    if (!rate.ok) throw new Error('no rate');
    const sums = cellSums(rate.value, aBody(), aCard(), cellOf({})).map(({ working, result }) =>
      spaced(`${working}: ${result}`),
    );
    expect(sums).toEqual([
      'stated rate, maximum: 500 Mb/s',
      'everything written: 500 Mb/s = 62.5 MB/s',
      '256 GB × 0.987 usable: 252.7 GB',
      '252.7 GB × 8000 ÷ 500 Mb/s ÷ 60: 67.4 → 67 min',
    ]);
  });
});

describe('label problems in words', () => {
  it.each([
    ['512GB microSDHC I', '512 GB is SDXC, not SDHC.'],
    ['256GB SDXC U2', 'There is no U2. Marks near it: U1 or U3.'],
    ['256GB SDXC I V90', 'V90 needs UHS-II; printed is UHS-I.'],
    ['32GB SDHC C10 U1', 'C10 and U1 guarantee the same minimum. Harmless.'],
  ])('%s: %s', (label, text) => {
    expect(labelProblems(readLabel(label)).map((problem) => spaced(labelProblemText(problem)))).toContain(text);
  });
});

describe('minutes by the box', () => {
  it('stand beside the planned ones, and beside nothing else', () => {
    const covered = cellOf({ marks: ['II', 'V90'] });
    expect(byTheBoxText(covered)).toMatch(/^\d.* by the box$/);
    expect(byTheBoxText({ ...covered, verdict: 'drops' })).toBeNull();
    expect(byTheBoxText({ ...covered, planned: null })).toBeNull();
  });
});

describe('what own takes held', () => {
  const kitOf = (...tests: Parameters<typeof aTest>[0][]) => {
    const kit = { bodies: [aBody()], cards: [aCard({ marks: ['II'] })], tests: tests.map((one) => aTest(one)) };
    const cell = board(kit, DEFAULT_POLICY).columns[0]?.[0];
    if (!cell) throw new Error('no cell');
    return cell;
  };

  it('stands in the figure and under the word', () => {
    const held = kitOf({ end: 'stopped', seconds: 600 });
    expect(cellFigure(held)).toEqual({ figure: '10', unit: 'min' });
    expect(spaced(provenOnlyText(held) ?? '')).toBe('part-tested, to 10 min; a full card lasts 67 min');
    expect(cellFigure(kitOf({ end: 'stopped', seconds: 45 }))).toEqual({ figure: '0:45', unit: '' });
    expect(spaced(beyondText(held, 1200 as Seconds) ?? '')).toBe('Asked for 20 min: beyond 10:00 nothing is known.');
    expect(beyondText(held, 600 as Seconds)).toBeNull();
    expect(beyondText(held, null)).toBeNull();
  });

  it('is told with its days and number', () => {
    const more = (...tests: Parameters<typeof kitOf>) => {
      const found = kitOf(...tests).findings.find(({ rule }) => rule === 'own-tests');
      return found ? spaced(findingText(found)) : '';
    };
    const stop = { end: 'stopped', seconds: 600, date: '2026-05-30' } as const;
    expect(more({ ...stop })).toContain('One test of 30 May 2026 was stopped by hand after 10:00; no frames were lost');
    expect(more({ ...stop }, { ...stop, id: 'b' }, { ...stop, id: 'c' })).toContain(
      '3 tests of 30 May 2026 were stopped by hand after 10:00',
    );
    expect(more({ ...stop }, { ...stop, id: 'b', seconds: 540, date: '2026-06-02' })).toContain(
      '2 tests of 30 May 2026 to 2 June 2026 were stopped by hand, the longest after 10:00',
    );
    expect(more({ ...stop, date: null })).toContain('One test was stopped by hand');
  });

  it('of a card filled at another rate says that the rate is what is wrong', () => {
    // 252.7 GB in 120 min are 35 MB/s of 62.5.
    const filled = kitOf({ seconds: 7200 });
    expect(provenOnlyText(filled)).toBe('your own take filled the card in 120:00: the rate believed cannot be');
    expect(cellAside(filled, aCard(), null)).toBe('filled in 120:00');
    expect(cellAside(filled, aCard(), 'warm')).toBe('filled in 120:00');
    expect(cellAside(filled, aCard(), 'hot')).toBe('heat stop, est.');
    // A cell has room for one line.
    expect(cellAside(filled, aCard({ state: 'full' }), 'hot', true)).toBe('full, heat stop');
    expect(cellAside(filled, aCard({ state: 'full' }), 'hot')).toBe('full, heat stop, est.');
    expect(cellAside(filled, aCard(), 'hot', true)).toBe('heat stop, est.');
  });
});

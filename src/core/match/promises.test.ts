import { describe, expect, it } from 'vitest';
import type { Body, Card, Mode } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import { board } from './board.ts';
import { type Cell, cellTone } from './cell.ts';
import type { Finding } from './finding.ts';
import { movesFor } from './moves.ts';
import { ownPromise } from './ownPromise.ts';
import { DEFAULT_POLICY, type Policy } from './policy.ts';

interface Setting {
  readonly body?: Partial<Body>;
  readonly Mbps?: number;
  readonly mode?: Partial<Mode>;
  readonly card?: Partial<Card>;
  readonly policy?: Policy;
}

function setOf({ body, Mbps = 100, mode, card }: Setting) {
  const made = aMode({ rate: { kind: 'stated', Mbps, is: 'maximum' }, ...mode });
  return { body: aBody({ modes: [made], ...body }), mode: made, card: aCard(card) };
}

function cellOf(setting: Setting): Cell {
  const { body, card } = setOf(setting);
  const cell = board({ bodies: [body], cards: [card], tests: [] }, setting.policy ?? DEFAULT_POLICY).columns[0]?.[0];
  if (!cell) throw new Error('no cell');
  return cell;
}

const find = <R extends Finding['rule']>(cell: Cell, rule: R) =>
  cell.findings.find((finding): finding is Extract<Finding, { rule: R }> => finding.rule === rule);

const movesOf = (setting: Setting) => {
  const { body, mode, card } = setOf(setting);
  const kit = { bodies: [body], cards: [card], tests: [] };
  return movesFor({ kit, body, mode, card, cell: cellOf(setting), policy: DEFAULT_POLICY });
};

describe('a slot of SD Express', () => {
  const express = { slots: [aSlot({ accepts: [{ form: 'sd', bus: 'sd-express-1' }] })] };

  it('is spoken to over UHS-I by a card that prints no bus and no EX: its classes count there', () => {
    for (const [marks, floor] of [
      [['C4'], 4_000_000],
      [['C10', 'A1'], 10_000_000],
      [['V30'], 30_000_000],
    ] as const)
      expect(cellOf({ body: express, card: { marks, bus: null }, Mbps: 20 })).toMatchObject({
        verdict: 'guaranteed',
        floor,
      });
  });

  it('is written to over PCIe by a card that prints EX: of the SD interface nothing counts', () => {
    expect(cellOf({ body: express, card: { marks: ['EX', 'V30'] }, Mbps: 20 })).toMatchObject({
      verdict: 'uncovered',
      floor: null,
    });
    expect(cellOf({ body: express, card: { marks: ['C4'], bus: 'sd-express-1' }, Mbps: 20 })).toMatchObject({
      floor: null,
    });
  });

  it('is not said to be too slow for a card whose bus nobody told', () => {
    expect(cellOf({ body: express, card: { marks: ['C10'], bus: null }, Mbps: 1000 })).toMatchObject({
      verdict: 'uncovered',
    });
  });
});

describe('a slot whose bus is not told', () => {
  const untold = { slots: [aSlot({ accepts: [{ form: 'sd', bus: null }] })] };
  const v90 = { marks: ['II', 'U3', 'V90'] };

  it('counts as what every SD slot can do: default speed, where only C2 to C6 count', () => {
    for (const Mbps of [400, 200, 80])
      expect(cellOf({ body: untold, card: v90, Mbps })).toMatchObject({ verdict: 'uncovered', floor: null });
    expect(cellOf({ body: untold, card: { marks: ['I', 'C6'] }, Mbps: 24 })).toMatchObject({ floor: 6_000_000 });
    expect(find(cellOf({ body: untold, card: v90, Mbps: 200 }), 'bus')).toMatchObject({
      slotTold: false,
      slot: null,
      inForce: 'default',
      outcome: 'unknown',
    });
  });

  it('is never called too slow: then nothing is known', () => {
    const cell = cellOf({ body: { ...untold, bufferMB: 1000 }, card: v90, Mbps: 900 });
    expect(cell).toMatchObject({ verdict: 'uncovered', dropSeconds: null });
    expect(find(cell, 'bus')?.outcome).toBe('unknown');
  });

  it('holds back a promise the bus may not carry, and a claim too', () => {
    const slots = [aSlot({ accepts: [{ form: 'cfexpress-a', bus: null }], family: null })];
    const card = { form: 'cfexpress-a', marks: ['VPG1600', '4.0'] } as const;
    expect(cellOf({ body: { slots }, card, Mbps: 8800 }).verdict, '1100 MB/s on at least 985').toBe('uncovered');
    // 800 and 1600 are promised over the 4.0 link alone; on the link before it the card is one of 400.
    expect(cellOf({ body: { slots }, card, Mbps: 6400 }).verdict).toBe('uncovered');
    expect(cellOf({ body: { slots }, card, Mbps: 2700 }).verdict).toBe('guaranteed');
    const faster = [aSlot({ accepts: [{ form: 'cfexpress-a', bus: 'cfexpress-4' }], family: null })];
    expect(cellOf({ body: { slots: faster }, card, Mbps: 8800 }).verdict).toBe('guaranteed');
    const claim = { form: 'cfexpress-a', marks: [] as string[], sustainedMBps: 1900 } as const;
    expect(cellOf({ body: { slots }, card: claim, Mbps: 8800 }).verdict).toBe('uncovered');
  });

  it('is asked of each of two slots that are written at once, though one alone would turn nothing', () => {
    const accepts = [{ form: 'sd', bus: null }] as const;
    const two = { arrangement: 'mirrored' as const, slots: [aSlot({ id: 'a', accepts }), aSlot({ id: 'b', accepts })] };
    const [first] = movesOf({ body: two, card: v90, Mbps: 400 });
    expect(first).toMatchObject({ code: 'tell-bus', verdict: 'guaranteed' });
    const told = [{ form: 'sd', bus: 'uhs-ii' }] as const;
    const half = { ...two, slots: [aSlot({ id: 'a', accepts: told }), aSlot({ id: 'b', accepts })] };
    expect(movesOf({ body: half, card: v90, Mbps: 400 })[0]).toMatchObject({ code: 'tell-bus', slotId: 'b' });
  });

  it('names telling it as a move, with where that would lead', () => {
    expect(movesOf({ body: untold, card: v90, Mbps: 400 })).toContainEqual(
      expect.objectContaining({ code: 'tell-bus', slotId: 's', verdict: 'guaranteed' }),
    );
    expect(movesOf({ card: { marks: ['I', 'V30'] }, Mbps: 400 }).map(({ code }) => code)).not.toContain('tell-bus');
  });
});

describe('a microSD card in an SD slot', () => {
  const micro = { form: 'microsd', marks: ['II', 'V60'] } as const;

  it('enters through an adapter of one row: UHS-I at most', () => {
    const cell = cellOf({ card: micro, Mbps: 400 });
    expect(cell).toMatchObject({ verdict: 'uncovered', floor: 30_000_000, ceiling: 104_000_000 });
    expect(find(cell, 'bus')).toMatchObject({ adapter: true, inForce: 'uhs-i' });
  });

  it('unless the person says that theirs carries two', () => {
    const cell = cellOf({ card: { ...micro, adapterTwoRows: true }, Mbps: 400 });
    expect(cell).toMatchObject({ verdict: 'guaranteed', floor: 60_000_000 });
    expect(find(cell, 'bus')?.adapter).toBe(false);
  });

  it('needs none in a slot of its own, and a slow slot stays as slow', () => {
    const own = { slots: [aSlot({ accepts: [{ form: 'microsd', bus: 'uhs-ii' }] })] };
    expect(cellOf({ body: own, card: micro, Mbps: 400 }).verdict).toBe('guaranteed');
    const old = { slots: [aSlot({ accepts: [{ form: 'sd', bus: 'high-speed' }] })] };
    expect(cellOf({ body: old, card: micro, Mbps: 8 })).toMatchObject({ ceiling: 25_000_000 });
  });
});

describe('a label that contradicts itself', () => {
  const labels: readonly (readonly [string, readonly string[], number])[] = [
    ['family against capacity', ['SDHC', 'I', 'U3', 'V30'], 256],
    ['V90 beside I', ['I', 'U3', 'V90'], 256],
    ['V60 beside I', ['I', 'V60'], 256],
    ['U1 beside V30', ['I', 'U1', 'V30'], 256],
    ['U1 beside U3', ['I', 'U1', 'U3'], 256],
    ['two buses', ['I', 'II', 'U3', 'V30'], 256],
  ];

  it.each(labels)('%s: promises nothing and is never cool', (_, marks, capacityGB) => {
    for (const take of ['once', 'repeatable'] as const) {
      const cell = cellOf({ card: { marks, capacityGB, sustainedMBps: 90 }, Mbps: 40 });
      expect(cell).toMatchObject({ verdict: 'claimed', floor: null, doubted: true });
      expect(cellTone(cell, take)).not.toBe('cool');
    }
    expect(ownPromise(aCard({ marks, capacityGB })).by).toBe('doubt');
  });

  it.each(labels)('%s: counts again once verified', (_, marks, capacityGB) => {
    const verified = { date: '2026-05-04', how: 'filled and read back' };
    const cell = cellOf({ card: { marks, capacityGB, verified }, Mbps: 40 });
    expect(cell.doubted).toBe(false);
    expect(find(cell, 'label')).toMatchObject({ outcome: 'note', verified });
    const floor = cell.floor ?? 0;
    expect(floor === 0 || floor >= 10_000_000).toBe(true);
  });

  it('is not cool where its own tests passed either, until it was verified', () => {
    const { body, card } = setOf({ card: { marks: ['I', 'U3', 'V90'] }, Mbps: 500 });
    const cell = board({ bodies: [body], cards: [card], tests: [aTest({ seconds: 4043 })] }, DEFAULT_POLICY)
      .columns[0]?.[0];
    expect(cell).toMatchObject({ verdict: 'proven', doubted: true });
    expect(cell && cellTone(cell, 'repeatable')).toBe('warm');
    expect(cell && cellTone({ ...cell, doubted: false }, 'repeatable')).toBe('cool');
  });

  it('names verifying as a move', () => {
    expect(movesOf({ card: { marks: ['I', 'U1', 'V30'] }, Mbps: 100 })).toContainEqual(
      expect.objectContaining({ code: 'verify', verdict: 'guaranteed' }),
    );
  });

  it('a bus entered beside a printed one counts as printed too', () => {
    expect(cellOf({ card: { marks: ['I', 'V30'], bus: 'uhs-ii' } }).doubted).toBe(true);
    expect(cellOf({ card: { marks: ['II', 'V30'], bus: 'uhs-ii' } }).doubted).toBe(false);
  });

  it('V90 alone is none: it means UHS-II', () => {
    expect(cellOf({ card: { marks: ['V90'] }, Mbps: 600 })).toMatchObject({ verdict: 'guaranteed', doubted: false });
    expect(find(cellOf({ card: { marks: ['V90'] } }), 'label')).toBeUndefined();
  });
});

describe('application classes', () => {
  it('A1 and A2 are a floor of 10 MB/s on UHS-I', () => {
    for (const marks of [['A1'], ['A2', 'I']]) {
      expect(cellOf({ card: { marks }, Mbps: 60 }), marks.join()).toMatchObject({
        verdict: 'guaranteed',
        floor: 10_000_000,
      });
      expect(cellOf({ card: { marks }, Mbps: 81 }).verdict).toBe('uncovered');
    }
    expect(ownPromise(aCard({ marks: ['I', 'A2'] }))).toMatchObject({ by: 'mark', mark: 'A2' });
    // Class 10 alone tells no bus, but is printed on no card that is slower than it needs: heading and cell agree.
    expect(ownPromise(aCard({ marks: ['C10'], capacityGB: 8 }))).toMatchObject({ by: 'mark', mark: 'C10' });
    expect(ownPromise(aCard({ marks: ['C4'], capacityGB: 2 }))).toMatchObject({ by: 'mark', mark: 'C4' });
    expect(ownPromise(aCard({ form: 'cfast', marks: ['C10'] })).by).not.toBe('mark');
  });

  it('not below it, and not above a speed mark', () => {
    const old = { slots: [aSlot({ accepts: [{ form: 'sd', bus: 'high-speed' }] })] };
    expect(cellOf({ body: old, card: { marks: ['A1'] }, Mbps: 8 }).floor).toBeNull();
    expect(cellOf({ card: { marks: ['A1', 'V30', 'I'] } }).floor).toBe(30_000_000);
  });
});

describe('a maker’s stated minimum', () => {
  const slots = [aSlot({ accepts: [{ form: 'xqd', bus: 'xqd-2' }], family: null })];
  const xqd = { form: 'xqd', marks: ['2.0'], minimumMBps: 100, minimumSource: 'spec page, line 4' } as const;

  it('counts like a mark, with its source', () => {
    const cell = cellOf({ body: { slots }, card: xqd, Mbps: 600 });
    expect(cell).toMatchObject({ verdict: 'guaranteed', floor: 100_000_000 });
    expect(find(cell, 'makers-minimum')).toMatchObject({ outcome: 'pass', source: 'spec page, line 4' });
    expect(cellOf({ body: { slots }, card: xqd, Mbps: 800 }).verdict, 'equal, without headroom').toBe('tight');
    expect(cellOf({ body: { slots }, card: xqd, Mbps: 801 }).verdict).toBe('uncovered');
  });

  it('counts beside a mark where it is higher', () => {
    const sd = { marks: ['II', 'V30'], minimumMBps: 120 };
    expect(cellOf({ card: sd, Mbps: 700 })).toMatchObject({ verdict: 'guaranteed', floor: 120_000_000 });
    expect(cellOf({ card: { ...sd, minimumMBps: 20 }, Mbps: 200 }).floor).toBe(30_000_000);
    expect(ownPromise(aCard(sd))).toMatchObject({ by: 'minimum', floor: 120_000_000 });
    expect(ownPromise(aCard({ ...sd, minimumMBps: 20 }))).toMatchObject({ by: 'mark' });
  });

  it('counts up to what every bus of its form carries on a slower bus or in a slot not told, and not on a label in doubt', () => {
    const uhs1 = { slots: [aSlot({ accepts: [{ form: 'sd', bus: 'uhs-i' }] })] };
    const sd = { marks: ['II'], minimumMBps: 100 };
    expect(cellOf({ body: uhs1, card: sd, Mbps: 400 })).toMatchObject({ verdict: 'uncovered', floor: 12_500_000 });
    const untold = { slots: [aSlot({ accepts: [{ form: 'sd', bus: null }] })] };
    expect(cellOf({ body: untold, card: { ...sd, marks: ['I'] }, Mbps: 400 })).toMatchObject({
      verdict: 'uncovered',
    });
    expect(cellOf({ card: { marks: ['I', 'II'], minimumMBps: 100 }, Mbps: 400 }).floor).toBeNull();
  });
});

describe('media that the body’s maker approves', () => {
  const ssd = { id: 'ssd', form: 'usb-ssd', capacityGB: 1000, marks: [] as string[] } as const;
  const slots = [aSlot({ accepts: [{ form: 'usb-ssd', bus: 'usb-10' }], family: null })];
  const approval = { cardIds: ['ssd'], modeIds: ['m'], upToMbps: null, source: 'manual, page 34' };

  it('is guaranteed for a named mode, with its source', () => {
    const cell = cellOf({ body: { slots, approved: [approval] }, card: ssd, Mbps: 2000 });
    expect(cell.verdict).toBe('guaranteed');
    expect(find(cell, 'approved')).toMatchObject({ outcome: 'pass', source: 'manual, page 34' });
  });

  it('up to a rate: with headroom guaranteed, without it tight, above it nothing', () => {
    const upTo = (Mbps: number) => ({ slots, approved: [{ ...approval, modeIds: null, upToMbps: Mbps }] });
    expect(cellOf({ body: upTo(2300), card: ssd, Mbps: 2000 }).verdict).toBe('guaranteed');
    expect(cellOf({ body: upTo(2000), card: ssd, Mbps: 2000 }).verdict).toBe('tight');
    expect(cellOf({ body: upTo(1999), card: ssd, Mbps: 2000 })).toMatchObject({ verdict: 'uncovered' });
    expect(find(cellOf({ body: upTo(1999), card: ssd, Mbps: 2000 }), 'approved')?.outcome).toBe('short');
  });

  it('says nothing of another card or another mode', () => {
    const other = { slots, approved: [{ ...approval, modeIds: ['another'] }] };
    expect(cellOf({ body: other, card: ssd, Mbps: 200 })).toMatchObject({ verdict: 'uncovered' });
    expect(find(cellOf({ body: other, card: ssd, Mbps: 200 }), 'approved')?.outcome).toBe('unknown');
    const another = { slots, approved: [{ ...approval, cardIds: ['not this'] }] };
    expect(find(cellOf({ body: another, card: ssd }), 'approved')).toBeUndefined();
    const empty = { slots, approved: [{ ...approval, modeIds: null, upToMbps: null }] };
    expect(cellOf({ body: empty, card: ssd }).verdict, 'for nothing named, nothing').toBe('uncovered');
  });

  it('takes the best of several', () => {
    const two = [{ ...approval, modeIds: ['another'] }, approval];
    expect(cellOf({ body: { slots, approved: two }, card: ssd, Mbps: 200 }).verdict).toBe('guaranteed');
  });

  it('does not outrank a bus that is too slow, nor count in the slower of two slots', () => {
    const slow = [aSlot({ accepts: [{ form: 'usb-ssd', bus: 'usb-5' }], family: null })];
    expect(cellOf({ body: { slots: slow, approved: [approval] }, card: ssd, Mbps: 4400 }).verdict).toBe('drops');
    const unlike = [
      aSlot({ id: 'a', accepts: [{ form: 'sd', bus: 'uhs-i' }] }),
      aSlot({ id: 'b', accepts: [{ form: 'sd', bus: 'uhs-ii' }] }),
    ];
    const sd = { id: 'ssd', marks: ['II'] };
    const body = { slots: unlike, arrangement: 'mirrored', approved: [approval] } as const;
    expect(cellOf({ body, card: sd, Mbps: 400 }).verdict).toBe('uncovered');
    expect(cellOf({ body: { ...body, arrangement: 'single' }, card: sd, Mbps: 400 })).toMatchObject({
      verdict: 'guaranteed',
      slotId: 'b',
    });
  });

  it('is held back by a label in doubt', () => {
    const sd = { id: 'ssd', marks: ['I', 'II'] };
    expect(cellOf({ body: { approved: [approval] }, card: sd, Mbps: 100 })).toMatchObject({ verdict: 'uncovered' });
  });
});

describe('headroom of every ceiling', () => {
  it('a body that carries 35 MB/s with 34.5 needed is tight', () => {
    const body = { ceilingMBps: 35 };
    expect(cellOf({ body, Mbps: 276 })).toMatchObject({ verdict: 'tight' });
    expect(find(cellOf({ body, Mbps: 276 }), 'body-ceiling')?.outcome).toBe('note');
    expect(cellOf({ body, Mbps: 240 }).verdict).toBe('guaranteed');
    expect(cellOf({ body, Mbps: 281 }).verdict).toBe('drops');
  });

  it('a ceiling is the stream’s: cards that share the one share the other, and the buffer', () => {
    const slots = [aSlot({ id: 'a' }), aSlot({ id: 'b' })];
    const split = (Mbps: number) =>
      cellOf({ body: { slots, arrangement: 'split', ceilingMBps: 35, bufferMB: 350 }, Mbps });
    expect(split(240).verdict, '30 of 35 MB/s').toBe('guaranteed');
    // 45 MB/s into 35: ten a second fill 350 MB in 35 s, over one card or two.
    expect(split(360)).toMatchObject({ verdict: 'drops', dropSeconds: 35 });
    const single = cellOf({ body: { ceilingMBps: 35, bufferMB: 350 }, Mbps: 360 });
    expect(single).toMatchObject({ verdict: 'drops', dropSeconds: 35 });
  });

  it('a bus without headroom is tight too', () => {
    const slots = [aSlot({ accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null })];
    const card = { form: 'cfexpress-b', marks: [] as string[], minimumMBps: 1900, bus: 'cfexpress-2' } as const;
    // Two lanes of 985 MB/s, of which protocol surely leaves 85 in 100: 1674.5.
    expect(cellOf({ body: { slots }, card, Mbps: 11_600 }).verdict, '1450 × 1.15 < 1674').toBe('guaranteed');
    const thin = cellOf({ body: { slots }, card, Mbps: 12_000 });
    expect(thin.verdict, '1500 × 1.15 > 1674').toBe('tight');
    expect(cellOf({ body: { slots }, card, Mbps: 13_500 }).verdict, '1687 > 1674').toBe('uncovered');
    expect(cellOf({ body: { slots }, card, Mbps: 15_800 }).verdict, '1975 > 1970').toBe('drops');
    expect(find(thin, 'bus')).toMatchObject({ thin: true, outcome: 'note' });
  });
});

describe('requirements are read as labels are', () => {
  const asking = (word: string) => ({
    requires: [{ anyOf: [word], whenMissing: 'refuses' as const }],
    rate: { kind: 'stated' as const, Mbps: 100, is: 'maximum' as const },
  });
  const met = (word: string, marks: readonly string[], more: Partial<Card> = {}) =>
    cellOf({ mode: asking(word), card: { marks, ...more } }).verdict !== 'locked';

  it.each(['V60', 'v60', 'V 60', 'v-60'])('%s', (word) => {
    expect(met(word, ['II', 'V60'])).toBe(true);
    expect(met(word, ['II', 'V90'])).toBe(true);
    expect(met(word, ['II', 'V30'])).toBe(false);
  });

  it.each(['UHS-II', 'uhs 2', 'II', 'ii', 'UHS2'])('%s means the bus', (word) => {
    expect(met(word, ['II', 'V30'])).toBe(true);
    expect(met(word, ['V90']), 'V90 alone is a UHS-II card').toBe(true);
    expect(met(word, ['III'])).toBe(true);
    expect(met(word, ['I', 'V30'])).toBe(false);
    expect(met(word, [])).toBe(false);
    expect(met(word, [], { bus: 'uhs-ii' })).toBe(true);
  });

  it('VPG-400, a family, an application class, a word nobody knows', () => {
    const slots = [aSlot({ accepts: [{ form: 'cfexpress-b', bus: 'cfexpress-2' }], family: null })];
    const vpg = { form: 'cfexpress-b', marks: ['vpg 400'] } as const;
    expect(cellOf({ body: { slots }, mode: asking('VPG-400'), card: vpg }).verdict).not.toBe('locked');
    expect(met('SDXC', ['SDXC', 'I', 'V30'])).toBe(true);
    expect(met('sdhc', ['SDXC', 'I', 'V30'])).toBe(false);
    expect(met('SDXC', ['I', 'V30']), 'its size is in the family').toBe(true);
    expect(met('A1', ['A2', 'I', 'V30'])).toBe(true);
    expect(met('A2', ['A1', 'I', 'V30'])).toBe(false);
    expect(met('approved', ['I', 'Approved '])).toBe(true);
    expect(met('2.0', ['I', '4.0'])).toBe(false);
  });

  it('is shown in one spelling', () => {
    const finding = find(cellOf({ mode: asking('uhs 2'), card: { marks: ['II', 'v 30'] } }), 'requirement');
    expect(finding).toMatchObject({ anyOf: ['UHS-II'], metBy: 'UHS-II' });
    expect(find(cellOf({ mode: asking('class 10'), card: { marks: ['v 30'] } }), 'requirement')).toMatchObject({
      anyOf: ['C10'],
      metBy: 'V30',
    });
  });
});

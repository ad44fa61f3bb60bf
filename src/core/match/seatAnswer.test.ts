import { describe, expect, it } from 'vitest';
import type { Body, Card, Mode, Slot, Test } from '../kit/model.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../testing.ts';
import type { PerMille } from '../units/brand.ts';
import { board } from './board.ts';
import { byBody, evaluate, toColumn, toRow } from './evaluate.ts';
import type { Finding } from './finding.ts';
import { type FitMemo, pairFit, rememberedFit } from './pairFit.ts';
import { DEFAULT_POLICY } from './policy.ts';

interface Asked {
  readonly body?: Partial<Body>;
  readonly mode?: Partial<Mode>;
  readonly slot?: Partial<Slot>;
  readonly card?: Partial<Card>;
  readonly tests?: readonly Test[];
}

function answer({ body = {}, mode = {}, slot = {}, card = {}, tests = [] }: Asked) {
  const seat = aSlot(slot);
  const row = toRow(aBody({ slots: [seat], ...body }), aMode(mode));
  return evaluate(
    row,
    { slot: seat, fit: pairFit(seat, aCard(card)) },
    toColumn(aCard(card), byBody(tests)),
    DEFAULT_POLICY,
  );
}

const rules = ({ findings }: { findings: readonly Finding[] }) => findings.map(({ rule }) => rule);

const rate = (Mbps: number): Partial<Mode> => ({ rate: { kind: 'stated', Mbps, is: 'maximum' } });

describe('one card in one seat', () => {
  it('a plain answer, number by number, and every rule in its order', () => {
    const cell = answer({});
    expect({ ...cell, findings: rules(cell) }).toEqual({
      bodyId: 'b',
      modeId: 'm',
      cardId: 'c',
      slotId: 's',
      verdict: 'guaranteed',
      doubted: false,
      need: 62_500_000,
      floor: 90_000_000,
      ceiling: 312_000_000,
      labelMinutes: 256_000 / 62.5 / 60,
      // 256 GB × 0.987 = 252.672 GB ÷ 62.5 MB/s = 4042 s
      planned: 67,
      provenSeconds: null,
      heldSeconds: null,
      dropSeconds: null,
      findings: [
        'shape',
        'protocol',
        'family',
        'bus',
        'requirement',
        'guarantee',
        'headroom',
        'own-tests',
        'makers-figure',
      ],
      seats: null,
    });
  });

  it('a card without a promise is asked for no headroom', () => {
    const cell = answer({ card: { marks: [], bus: 'uhs-ii' } });
    expect(cell).toMatchObject({ verdict: 'uncovered', floor: null });
    expect(rules(cell)).not.toContain('headroom');
  });

  it('what does not fit, and a mode without a rate, carry no number', () => {
    const bare = {
      bodyId: 'b',
      modeId: 'm',
      cardId: 'c',
      slotId: 's',
      doubted: false,
      need: null,
      floor: null,
      ceiling: null,
      labelMinutes: null,
      planned: null,
      provenSeconds: null,
      heldSeconds: null,
      dropSeconds: null,
      seats: null,
    };
    const unfit = answer({ card: { form: 'cfexpress-b', marks: [] } });
    expect(unfit).toEqual({ ...bare, verdict: 'unfit', findings: unfit.findings });
    expect(rules(unfit)).toEqual(['shape']);
    const unknown = answer({ mode: { rate: { kind: 'raw', bitsPerPixel: 12, ratio: 3 }, width: null } });
    expect(unknown).toEqual({ ...bare, verdict: 'uncovered', findings: unknown.findings });
    expect(unknown.findings.at(-1)).toMatchObject({ rule: 'rate', outcome: 'unknown' });
  });

  it('the lower of the slot’s bus and what is inside the body is the ceiling', () => {
    expect(answer({}).ceiling).toBe(312_000_000);
    expect(answer({ body: { ceilingMBps: 100 } }).ceiling).toBe(100_000_000);
    expect(answer({ body: { ceilingMBps: 400 } }).ceiling).toBe(312_000_000);
    const noBus = { accepts: [{ form: 'sd', bus: null }] } as const;
    expect(answer({ slot: noBus, card: { marks: [], bus: null } }).ceiling, 'the least there is').toBe(12_500_000);
  });

  it('a drop is timed by the buffer that hides it; a bus that carries exactly the need drops nothing', () => {
    const slow: Asked = { slot: { accepts: [{ form: 'sd', bus: 'uhs-i' }] }, body: { bufferMB: 1040 } };
    // 130 MB/s into 104 MB/s: 26 MB/s pile up in 1040 MB for 40 s.
    expect(answer({ ...slow, mode: rate(1040) })).toMatchObject({ verdict: 'drops', dropSeconds: 40 });
    const exact = answer({ ...slow, mode: rate(832) });
    expect(exact.verdict).not.toBe('drops');
    expect(exact.dropSeconds).toBeNull();
    expect(answer({ ...slow, body: { bufferMB: null }, mode: rate(1040) })).toMatchObject({
      verdict: 'drops',
      dropSeconds: null,
    });
  });

  it('a mode that is locked does not drop: it has no time to do so', () => {
    const asks = [{ anyOf: ['VPG400'], whenMissing: 'refuses' as const }];
    const slow: Asked = { slot: { accepts: [{ form: 'sd', bus: 'uhs-i' }] }, body: { bufferMB: 1040 } };
    const cell = answer({ ...slow, mode: { ...rate(1040), requires: asks } });
    expect(cell.verdict).not.toBe('drops');
    expect(cell.dropSeconds).toBeNull();
  });

  it('a drop of an own test on a bus that carries the need is timed by the test alone', () => {
    const tests = [aTest({ end: 'dropped', seconds: 98 })];
    expect(answer({ tests, body: { bufferMB: 500 } })).toMatchObject({ verdict: 'drops', dropSeconds: 98 });
    const stopped = [aTest({ end: 'dropped', seconds: 98, modeId: 'faster', writtenMBps: 80 })];
    expect(answer({ tests: stopped, body: { bufferMB: 500 } }).dropSeconds).toBeNull();
  });

  it('a bus far too slow and a test that dropped: the test’s own seconds', () => {
    const slow = {
      slot: { accepts: [{ form: 'sd', bus: 'uhs-i' }] },
      body: { bufferMB: 1040 },
      mode: rate(1040),
    } as const;
    const tests = [aTest({ end: 'dropped', seconds: 31, writtenMBps: 130 })];
    expect(answer({ ...slow, tests }).dropSeconds).toBe(31);
  });

  it('tests of other cards and other bodies are not this card’s', () => {
    const others = [aTest({ cardId: 'other' }), aTest({ bodyId: 'other' })];
    const bare = { marks: [], bus: 'uhs-ii' } as const;
    expect(answer({ card: bare, tests: others }).verdict).toBe('uncovered');
    expect(answer({ card: bare, tests: [...others, aTest()] }).verdict).toBe('proven');
  });

  it('how long a take is proven is said of a proven cell only', () => {
    // 252.672 GB in 3158 s: 80 MB/s, a faster mode's fill, shorter than this mode's.
    const faster = [aTest({ modeId: 'faster', writtenMBps: 80, seconds: 3158 })];
    expect(answer({ tests: faster })).toMatchObject({ verdict: 'guaranteed', provenSeconds: null });
    expect(answer({ tests: faster, card: { marks: [], bus: 'uhs-ii' } })).toMatchObject({
      verdict: 'proven',
      provenSeconds: 3158,
      heldSeconds: null,
    });
  });

  it('approvals are looked at where the maker of the body lists any', () => {
    const approved = [{ cardIds: ['c'], modeIds: ['m'], upToMbps: null, source: 'media list' }];
    const plain = { card: { marks: [], bus: 'uhs-ii' } } as const;
    expect(answer({ ...plain, body: { approved } })).toMatchObject({ verdict: 'guaranteed' });
    expect(rules(answer({ ...plain, body: { approved: [] } }))).not.toContain('approved');
    const other = approved.map((one) => ({ ...one, cardIds: ['d'] }));
    expect(rules(answer({ ...plain, body: { approved: other } }))).not.toContain('approved');
  });

  it('an approval does not count in a slot slower than another that the card enters', () => {
    const approved = [{ cardIds: ['c'], modeIds: ['m'], upToMbps: null, source: 'media list' }];
    const slots = [aSlot(), aSlot({ id: 's2', accepts: [{ form: 'sd', bus: 'uhs-i' }] })];
    const card = aCard({ marks: [], bus: 'uhs-ii' });
    const row = toRow(aBody({ slots, approved }), aMode());
    const verdicts = slots.map(
      (slot) => evaluate(row, { slot, fit: pairFit(slot, card) }, toColumn(card, new Map()), DEFAULT_POLICY).verdict,
    );
    expect(verdicts).toEqual(['guaranteed', 'uncovered']);
  });

  it('cards of one split share its buffer, its ceiling and its minutes', () => {
    const slots = [
      aSlot({ accepts: [{ form: 'sd', bus: 'uhs-i' }] }),
      aSlot({ id: 's2', accepts: [{ form: 'sd', bus: 'uhs-i' }] }),
    ];
    const body: Partial<Body> = { arrangement: 'split', bufferMB: 1040, slots };
    // 260 MB/s over two: 130 into 104 each, and half of the buffer for each.
    const [slot] = slots;
    if (!slot) throw new Error('no slot');
    const row = toRow(aBody(body), aMode(rate(2080)));
    const cell = evaluate(row, { slot, fit: pairFit(slot, aCard()) }, toColumn(aCard(), new Map()), DEFAULT_POLICY);
    expect(cell).toMatchObject({ need: 130_000_000, dropSeconds: 20, labelMinutes: 256_000 / 130 / 60 });
    const inside = toRow(aBody({ ...body, ceilingMBps: 150 }), aMode(rate(2080)));
    expect(
      evaluate(inside, { slot, fit: pairFit(slot, aCard()) }, toColumn(aCard(), new Map()), DEFAULT_POLICY).ceiling,
    ).toBe(75_000_000);
  });

  it('a contradictory label adds its finding; one answer does not leak into the next of the same print', () => {
    const odd = aCard({ id: 'odd', marks: ['I', 'V90'] });
    const slot = aSlot();
    const row = toRow(aBody(), aMode());
    const fit = pairFit(slot, odd);
    const ask = () => evaluate(row, { slot, fit }, toColumn(odd, new Map()), DEFAULT_POLICY);
    const first = rules(ask());
    expect(first.filter((rule) => rule === 'label')).toEqual(['label']);
    expect(rules(ask())).toEqual(first);
  });

  it('what was worked out for a fit is worked out once, and again for another headroom', () => {
    const slot = aSlot();
    const card = aCard();
    const row = toRow(aBody(), aMode(rate(640)));
    const fit = pairFit(slot, card);
    const ask = (headroom: number) =>
      evaluate(row, { slot, fit }, toColumn(card, new Map()), { ...DEFAULT_POLICY, headroom: headroom as PerMille });
    expect(ask(125).verdict).toBe('guaranteed');
    expect(ask(130).verdict).toBe('tight');
    expect(ask(125).verdict).toBe('guaranteed');
    expect(ask(125).findings[0]).toBe(ask(125).findings[0]);
    const [one, two] = [ask(125), ask(125)].map(({ findings }) => findings.find(({ rule }) => rule === 'headroom'));
    expect(one).toBe(two);
  });

  it('cards alike but for the page of their maker keep their own source', () => {
    const cards = ['page 3', 'page 9'].map((minimumSource, at) =>
      aCard({ id: `c${at}`, marks: ['II'], minimumMBps: 80, minimumSource }),
    );
    const made = board({ bodies: [aBody()], cards, tests: [] }, DEFAULT_POLICY);
    const sources = made.columns.map(([cell]) => cell?.findings.find(({ rule }) => rule === 'makers-minimum'));
    expect(sources).toMatchObject([{ source: 'page 3' }, { source: 'page 9' }]);
  });
});

describe('a fit without a mode', () => {
  it('the better of a mark and a stated minimum is the promise; either alone will do', () => {
    const floor = (card: Partial<Card>) => {
      const fit = pairFit(aSlot(), aCard(card));
      return fit.fits ? fit.floor : 'no fit';
    };
    expect(floor({ marks: ['II', 'V60'], minimumMBps: 80 })).toBe(80_000_000);
    expect(floor({ marks: ['II', 'V90'], minimumMBps: 80 })).toBe(90_000_000);
    expect(floor({ marks: ['II'], minimumMBps: 80 })).toBe(80_000_000);
    expect(floor({ marks: ['II', 'V60'] })).toBe(60_000_000);
    expect(floor({ marks: ['II'] })).toBeNull();
  });

  it('of two forms a slot names the faster one answers, the first of equals', () => {
    const card = aCard({ form: 'microsd', marks: ['II', 'V60'], adapterTwoRows: true });
    const busOfSlot = (accepts: Slot['accepts']) => {
      const fit = pairFit(aSlot({ accepts }), card);
      return fit.fits ? fit.bus : null;
    };
    const slow = { form: 'sd', bus: 'uhs-i' } as const;
    const fast = { form: 'microsd', bus: 'uhs-ii' } as const;
    expect(busOfSlot([slow, fast])?.ceiling).toBe(312_000_000);
    expect(busOfSlot([fast, slow])?.ceiling).toBe(312_000_000);
    const equal = [
      { form: 'microsd', bus: null },
      { form: 'microsd', bus: 'default' },
    ] as const;
    expect(busOfSlot(equal)?.slotTold).toBe(false);
    expect(busOfSlot([...equal].reverse())?.slotTold).toBe(true);
  });

  it('a family above the slot’s does not fit; one that is only noted does', () => {
    const sdhc = pairFit(aSlot({ family: 'sdhc' }), aCard());
    expect(sdhc.fits).toBe(false);
    const noted = pairFit(aSlot({ promisedMaxGB: 64 }), aCard());
    expect(noted.fits).toBe(true);
    expect(noted.findings.some(({ outcome }) => outcome === 'note')).toBe(true);
  });

  it('is remembered by slot and print, and by everything of a print it depends on', () => {
    const memo: FitMemo = new Map();
    const ask = (card: Partial<Card>) => rememberedFit(memo, { slot: aSlot(), key: 's' }, aCard(card));
    expect(ask({ id: 'one' })).toBe(ask({ id: 'two' }));
    const alike: Partial<Card>[] = [
      {},
      { capacityGB: 64 },
      { marks: ['II'] },
      { bus: 'uhs-i' },
      { form: 'microsd' },
      { minimumMBps: 60 },
      { minimumMBps: 60, minimumSource: 'page 2' },
      { verified: { date: '2026-05-01', how: 'filled and read back' } },
      { adapterTwoRows: true },
    ];
    expect(new Set(alike.map(ask)).size).toBe(alike.length);
    expect(memo.size).toBe(alike.length);
  });
});

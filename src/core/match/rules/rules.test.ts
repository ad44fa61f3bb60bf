import { describe, expect, it } from 'vitest';
import type { Body, Card, Mode } from '../../kit/model.ts';
import { type Bus, busesOf } from '../../standards/buses.ts';
import { FORM_KEYS, form } from '../../standards/forms.ts';
import { marksOf } from '../../standards/marks.ts';
import { aBody, aCard, aMode, aSlot } from '../../testing.ts';
import { board } from '../board.ts';
import type { Finding } from '../finding.ts';
import { DEFAULT_POLICY } from '../policy.ts';

function cellOf(body: Partial<Body>, mode: Partial<Mode> = {}, card: Partial<Card> = {}) {
  const kit = { bodies: [aBody({ modes: [aMode(mode)], ...body })], cards: [aCard(card)], tests: [] };
  const cell = board(kit, DEFAULT_POLICY).columns[0]?.[0];
  if (!cell) throw new Error('no cell');
  return cell;
}
const find = <R extends Finding['rule']>(cell: { findings: readonly Finding[] }, rule: R) =>
  cell.findings.find((finding): finding is Extract<Finding, { rule: R }> => finding.rule === rule);
const slow = { rate: { kind: 'stated', Mbps: 1, is: 'maximum' } } as const;

describe('every form in every slot', () => {
  it('fits its own slot on each of its buses, and no slot of another shape but through an adapter', () => {
    for (const own of FORM_KEYS) {
      for (const slotForm of FORM_KEYS) {
        const buses: readonly (Bus | null)[] = busesOf(slotForm).length > 0 ? busesOf(slotForm) : [null];
        for (const bus of buses) {
          const slots = [aSlot({ accepts: [{ form: slotForm, bus }], family: null })];
          const fits = cellOf({ slots }, slow, { form: own, marks: [], capacityGB: 64 }).verdict !== 'unfit';
          const adapter =
            (own === 'microsd' && slotForm === 'sd') || (own === 'cfexpress-a' && slotForm === 'cfexpress-b');
          expect(fits, `${own} in ${slotForm} ${bus}`).toBe(own === slotForm || adapter);
        }
      }
    }
  });

  it('counts every mark of its form on its fastest bus', () => {
    for (const own of FORM_KEYS.filter((key) => key !== 'module')) {
      for (const mark of marksOf(own)) {
        const bus = mark.startsWith('E')
          ? 'sd-express-1'
          : form(own).protocol === 'SD'
            ? 'uhs-iii'
            : (busesOf(own).at(-1) ?? null);
        const slots = [aSlot({ accepts: [{ form: own, bus }], family: null })];
        const words = mark === 'V60' || mark === 'V90' ? ['II'] : mark.startsWith('E') ? ['EX'] : [];
        const cell = cellOf({ slots }, slow, { form: own, marks: [...words, mark], capacityGB: 64 });
        expect(cell.verdict, `${own} ${mark}`).toBe('guaranteed');
      }
    }
  });

  it('in a slot that takes two forms, each is judged by its own bus', () => {
    const slots = [
      aSlot({
        accepts: [
          { form: 'cfexpress-a', bus: 'cfexpress-2' },
          { form: 'sd', bus: 'uhs-i' },
        ],
      }),
    ];
    expect(find(cellOf({ slots }, slow, { form: 'cfexpress-a', marks: ['VPG200'] }), 'bus')?.ceiling).toBe(985e6);
    expect(find(cellOf({ slots }, slow, {}), 'bus')?.ceiling).toBe(104e6);
  });

  it('a module’s bus is only its maker’s to say: unknown, not slow', () => {
    const slots = [aSlot({ accepts: [{ form: 'module', bus: null }], family: null })];
    const cell = cellOf({ slots }, {}, { form: 'module', marks: [], sustainedMBps: 500 });
    expect(find(cell, 'bus')).toMatchObject({ outcome: 'unknown', ceiling: null });
    expect(cell.verdict).toBe('claimed');
  });
});

describe('requirements of bodies', () => {
  const requires = (anyOf: string[], group: string | null) => ({
    groupRequires: [{ group, anyOf, whenMissing: 'refuses' as const }],
  });

  it('hold for a group of modes, or for every mode', () => {
    expect(cellOf(requires(['VPG400'], 'intra'), { group: 'intra' }).verdict).toBe('locked');
    expect(cellOf(requires(['VPG400'], 'intra'), { group: 'long-gop' }).verdict).not.toBe('locked');
    expect(cellOf(requires(['VPG400'], 'intra'), {}).verdict).not.toBe('locked');
    expect(cellOf(requires(['VPG400'], null), {}).verdict).toBe('locked');
  });

  it('are named as more than the rate needs where they are', () => {
    const asks = { requires: [{ anyOf: ['V90', 'VPG200'], whenMissing: 'refuses' as const }] };
    const at = (Mbps: number) =>
      find(cellOf({}, { ...asks, rate: { kind: 'stated', Mbps, is: 'maximum' } }), 'requirement');
    // 100 Mb/s is 12.5 MB/s, 14.4 with headroom: V90 asks for six times that.
    expect(at(100)).toMatchObject({ beyond: 14_375_000 });
    expect(at(600)).toMatchObject({ beyond: null });
  });
});

describe('notes of bodies', () => {
  const two = [aSlot({ id: 's1' }), aSlot({ id: 's2', name: 'Slot 2', demandsCard: true })];

  it('name a slot that wants a card of its own', () => {
    expect(find(cellOf({ slots: two }), 'demands-card')).toMatchObject({ slots: ['Slot 2'] });
    expect(find(cellOf({}), 'demands-card')).toBeUndefined();
  });

  it('name what an arrangement does with its cards', () => {
    for (const arrangement of ['relay', 'mirrored', 'split'] as const) {
      expect(find(cellOf({ arrangement, slots: two }), 'arrangement')).toMatchObject({ arrangement, cards: 2 });
    }
    expect(find(cellOf({ arrangement: 'mirrored' }), 'arrangement'), 'one slot mirrors nothing').toBeUndefined();
  });
});

describe('sources of a rate', () => {
  it('own clips stand before the maker’s table before arithmetic before a sister body', () => {
    const stated = (Mbps: number, source: 'measured' | 'maker' | 'borrowed') =>
      ({ kind: 'stated', Mbps, is: 'maximum', source }) as const;
    const need = (mode: Partial<Mode>) => cellOf({}, mode).need;
    expect(need({ rate: stated(100, 'borrowed'), otherRates: [stated(200, 'maker')] })).toBe(25_000_000);
    expect(need({ rate: stated(200, 'maker'), otherRates: [stated(160, 'measured'), stated(100, 'borrowed')] })).toBe(
      20_000_000,
    );
    expect(need({ rate: stated(200, 'maker'), otherRates: [{ kind: 'frame', bytesPerFrame: 1 }] })).toBe(25_000_000);
  });
});

it('a retired card leaves the board', () => {
  const kit = { bodies: [aBody()], cards: [aCard({ id: 'a', retired: true }), aCard({ id: 'b' })], tests: [] };
  expect(board(kit, DEFAULT_POLICY).cards.map(({ id }) => id)).toEqual(['b']);
});

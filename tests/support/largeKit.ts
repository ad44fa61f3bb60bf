import type { Body, Card, Mode, Test } from '../../src/core/kit/model.ts';
import { aBody, aCard, aMode, aSlot } from '../../src/core/testing.ts';
import { EMPTY_KIT, type Kit } from '../../src/kit/kit.ts';

const BODY_KINDS = [
  { form: 'sd', bus: 'uhs-ii', rates: [100, 150, 240, 400, 500, 600] },
  { form: 'cfexpress-b', bus: 'cfexpress-2', rates: [600, 1000, 2100, 4200, 7000] },
  { form: 'microsd', bus: 'uhs-i', rates: [60, 100, 150, 200] },
  { form: 'cfexpress-a', bus: 'cfexpress-2', rates: [240, 500, 960, 1200] },
] as const;

const CARD_KINDS = [
  { form: 'sd', marks: ['SDXC', 'II', 'U3', 'V90'], capacityGB: 256 },
  { form: 'sd', marks: ['SDXC', 'I', 'U3', 'V30'], capacityGB: 128 },
  { form: 'cfexpress-b', marks: ['VPG400'], capacityGB: 1000 },
  { form: 'microsd', marks: ['SDXC', 'I', 'U3', 'V30', 'A2'], capacityGB: 256 },
  { form: 'cfexpress-a', marks: ['VPG200'], capacityGB: 320 },
] as const;

const at = <T>(list: readonly T[], index: number): T => list[index % list.length] as T;

/** A kit of the size asked for: every kind of body and card in turn, two slots each, a tenth of the cards tested. */
export function largeKit(modes: number, cards: number): Kit {
  const perBody = 5;
  const bodies: Body[] = Array.from({ length: Math.ceil(modes / perBody) }, (_, b) => {
    const kind = at(BODY_KINDS, b);
    const accepts = [{ form: kind.form, bus: kind.bus }];
    return aBody({
      id: `b${b}`,
      name: `Body ${b}`,
      slots: [aSlot({ id: 's1', accepts }), aSlot({ id: 's2', accepts })],
      modes: Array.from({ length: Math.min(perBody, modes - b * perBody) }, (__, m): Mode => {
        const requires = m === 0 ? [{ anyOf: ['V90', 'VPG200'], whenMissing: 'refuses' as const }] : [];
        return aMode({
          id: `m${m}`,
          name: `Mode ${m}`,
          rate: { kind: 'stated', Mbps: at(kind.rates, m), is: 'maximum' },
          overhead: null,
          requires,
        });
      }),
    });
  });
  const wallet: Card[] = Array.from({ length: cards }, (_, c) => {
    const { form, marks, capacityGB } = at(CARD_KINDS, c);
    return aCard({ id: `c${c}`, label: `C-${c}`, form, marks: [...marks], capacityGB, sustainedMBps: 100 });
  });
  const tests: Test[] = wallet
    .filter((_, c) => c % 10 === 0)
    .map((card, t) => ({
      id: `t${t}`,
      bodyId: `b${t}`,
      modeId: 'm1',
      cardId: card.id,
      slotId: 's1',
      end: t % 3 === 0 ? 'dropped' : 'full',
      seconds: 1200,
      writtenMBps: 60,
      date: '2026-04-01',
    }));
  return { ...EMPTY_KIT, bodies, cards: wallet, tests };
}

const ENDS = ['full', 'dropped', 'stopped', 'full', 'cut-off'] as const;

/** So many tests of a kit, of pairs that can meet, in turn: every end, with and without slot, date and clip. */
export function testsFor({ bodies, cards }: Pick<Kit, 'bodies' | 'cards'>, count: number): readonly Test[] {
  const pairs = cards.flatMap((card) =>
    bodies.flatMap((body) =>
      body.slots.some(({ accepts }) => accepts.some(({ form }) => form === card.form)) ? [{ body, card }] : [],
    ),
  );
  return Array.from({ length: count }, (_, t): Test => {
    const { body, card } = at(pairs, t);
    const mode = at(body.modes, t >> 3);
    const rate = mode.rate.kind === 'stated' ? (mode.rate.Mbps ?? 100) / 8 : 100;
    const end = at(ENDS, t >> 2);
    const whole = (card.capacityGB * 987) / rate;
    return {
      id: `t${t}`,
      bodyId: body.id,
      modeId: mode.id,
      cardId: card.id,
      slotId: t % 7 === 0 ? null : 's1',
      end,
      seconds: Math.round(end === 'full' ? whole * (1 + (t % 5) / 100) : (whole * ((t % 89) + 1)) / 100),
      clipGB: t % 11 === 0 ? Math.round(card.capacityGB * 0.9) : null,
      writtenMBps: Math.round(rate * 10) / 10,
      date:
        t % 13 === 0 ? null : `2026-${String((t % 12) + 1).padStart(2, '0')}-${String((t % 28) + 1).padStart(2, '0')}`,
    };
  });
}

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Body, Card, Test } from '../../src/core/kit/model.ts';
import { cellFor } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { rankOf } from '../../src/core/match/verdict.ts';
import { type Bus, busCeiling, busesOf } from '../../src/core/standards/buses.ts';
import { familyOf } from '../../src/core/standards/families.ts';
import { type Form, isSd } from '../../src/core/standards/forms.ts';
import { aBody, aCard, aMode, aSlot, aTest } from '../../src/core/testing.ts';
import { fromGigabytes, fromMegabytes, toMegabytes } from '../../src/core/units/convert.ts';
import { runs } from '../support/runs.ts';

// Knowing more is never worse: a true fact turns no answer worse, unless the fact itself says so.

/** Prints that say nothing wrong, with the bus such a card truly has. */
const PRINTS: readonly (readonly [form: Form, marks: readonly string[], bus: Bus])[] = [
  ['sd', [], 'uhs-i'],
  ['sd', ['C10'], 'uhs-i'],
  ['sd', ['C4'], 'high-speed'],
  ['sd', ['C10', 'A1'], 'uhs-i'],
  ['sd', ['C6'], 'high-speed'],
  ['microsd', ['C2'], 'default'],
  ['sd', ['V30'], 'uhs-i'],
  ['sd', ['U3', 'V30'], 'uhs-ii'],
  ['sd', ['V60'], 'uhs-ii'],
  ['sd', ['V90'], 'uhs-ii'],
  ['sd', ['EX'], 'sd-express-1'],
  ['sd', ['EX', 'I', 'V30', 'E300'], 'sd-express-1'],
  ['microsd', ['V30', 'A2'], 'uhs-i'],
  ['cfexpress-a', ['VPG400'], 'cfexpress-4'],
  ['cfexpress-a', [], 'cfexpress-2'],
  ['cfexpress-b', ['VPG400'], 'cfexpress-2'],
  ['cfexpress-b', ['VPG1600'], 'cfexpress-4'],
  ['cfexpress-c', [], 'cfexpress-4'],
  ['xqd', [], 'xqd-2'],
  ['xqd', [], 'xqd-1'],
  ['cfast', ['VPG130'], 'sata-6'],
  ['cfast', [], 'sata-3'],
  ['cf', ['VPG65'], 'udma-7'],
  ['cf', [], 'udma-6'],
  ['usb-ssd', [], 'usb-10'],
  ['usb-ssd', [], 'usb-20'],
];

const aPlace = fc.record({
  print: fc.constantFrom(...PRINTS),
  slotAt: fc.nat(20),
  slotTold: fc.boolean(),
  capacityGB: fc.constantFrom(32, 64, 256, 1000),
  Mbps: fc.constantFrom(5, 20, 60, 100, 200, 400, 600, 1000, 1600, 3000, 8000, 12000),
  family: fc.boolean(),
  /** Share of what its own bus carries that its maker states, at least and sustained. */
  minimum: fc.double({ min: 0.3, max: 1, noNaN: true }),
  sustained: fc.double({ min: 0.3, max: 1, noNaN: true }),
  /** Which of the facts are known already. */
  known: fc.array(fc.boolean(), { minLength: 5, maxLength: 5 }),
  added: fc.nat(4),
});

describe('knowing more is never worse', () => {
  it('over the bus of the card, a minimum, a sustained figure, a filled card, and what the slot is', () => {
    fc.assert(
      fc.property(aPlace, ({ print, slotAt, slotTold, capacityGB, Mbps, family, minimum, sustained, known, added }) => {
        const [form, marks, bus] = print;
        const buses = busesOf(form).filter((one) => isSd(form) || one !== 'pio-4');
        const slotBus = buses[slotAt % buses.length] ?? null;
        const own = toMegabytes(busCeiling(bus, form) ?? fromMegabytes(1000));
        const facts: readonly ((at: { card: Card; body: Body; tests: readonly Test[] }) => typeof at)[] = [
          (at) => ({ ...at, card: { ...at.card, bus } }),
          // What is stated for a whole take is no less than what is printed on it.
          (at) => ({ ...at, card: { ...at.card, minimumMBps: Math.max(own * minimum, 1) } }),
          (at) => ({ ...at, card: { ...at.card, sustainedMBps: own * sustained } }),
          (at) => ({
            ...at,
            tests: [
              aTest({
                cardId: 'c',
                bodyId: 'b',
                modeId: 'm',
                slotId: 's',
                end: 'full',
                clipGB: null,
                seconds: (capacityGB * 8000) / Mbps,
              }),
            ],
          }),
          (at) => ({
            ...at,
            body: {
              ...at.body,
              slots: at.body.slots.map((slot) => ({
                ...slot,
                accepts: [{ form, bus: slotBus }],
                family: isSd(form) ? familyOf(fromGigabytes(capacityGB)) : null,
              })),
            },
          }),
        ];
        const slot = aSlot({
          accepts: [{ form, bus: slotTold ? slotBus : null }],
          family: family && isSd(form) ? familyOf(fromGigabytes(capacityGB)) : null,
        });
        const mode = aMode({
          rate: { kind: 'stated', Mbps, is: 'constant' },
          overhead: { fixedMbps: 0, perFrameKB: 0 },
        });
        let start = {
          card: aCard({ form, marks, capacityGB }),
          body: aBody({ slots: [slot], modes: [mode] }),
          tests: [] as readonly Test[],
        };
        facts.forEach((add, at) => {
          if (known[at] && at !== added) start = add(start);
        });
        const ask = ({ card, body, tests }: typeof start) =>
          cellFor({ body, mode, card, cards: [card], tests, policy: DEFAULT_POLICY });
        const before = ask(start);
        const after = ask((facts[added] as (typeof facts)[number])(start));
        // A bus that is slower than the stream, with headroom, says so itself.
        const told = after.findings.find((finding) => finding.rule === 'bus');
        const sure = (told?.rule === 'bus' && told.sure) || fromMegabytes(1e6);
        const carries = (toMegabytes(sure) * 8) / Mbps >= 1.16;
        fc.pre(carries || added === 1 || added === 2 || added === 3);
        expect(
          rankOf(after.verdict),
          `${form} ${marks} in ${slot.accepts[0]?.bus} at ${Mbps} Mb/s: ${before.verdict} → ${after.verdict} by ${added}; ${JSON.stringify(start.card)}`,
        ).toBeLessThanOrEqual(rankOf(before.verdict));
      }),
      { numRuns: runs(4000, 40_000) },
    );
  });
});

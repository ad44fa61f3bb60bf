import { describe, expect, it } from 'vitest';
import type { Card } from '../../kit/model.ts';
import type { Form } from '../../standards/forms.ts';
import { cellFor } from '../board.ts';
import { DEFAULT_POLICY } from '../policy.ts';
import { rankOf } from '../verdict.ts';
import type { Answer } from './answerAsk.ts';
import { askLine } from './askLine.ts';
import { type KeptBodyAs, keepable, keptBody, keptCard } from './kept.ts';

function answered(line: string): Answer {
  const found = askLine(line, DEFAULT_POLICY);
  if (!found.ok || found.value.kind !== 'card') throw new Error(line);
  return found.value.answer;
}

const ids = Array.from({ length: 999 }, (_, at) => `id-${at}`);
const as = (form: Form, bus: KeptBodyAs['bus']): KeptBodyAs => ({
  name: 'Camera 1',
  modeName: 'as asked',
  form,
  bus,
  fps: null,
  newId: () => ids.pop() ?? '',
});

/** What was kept of a line, judged as the board judges it. */
function onBoard(answer: Answer, bus: KeptBodyAs['bus']) {
  const { ask } = answer;
  // What the line tells; what it does not is told as its answer took it.
  const { slotForm, cardForm } = keepable(ask);
  const form = cardForm ?? answer.card?.form ?? 'sd';
  const body = keptBody(ask, as(slotForm ?? form, bus));
  const card = keptCard(ask, { id: 'kept', label: 'Card 1', form }) as Card;
  const [mode] = body.modes;
  if (!mode) throw new Error('a mode');
  return cellFor({ body, mode, card, cards: [card], tests: [], policy: DEFAULT_POLICY });
}

const LINES = [
  '400 Mb/s on 256GB V60',
  '400 Mb/s on 256GB V60 II in a UHS-I slot',
  '600 Mb/s on 256GB V90 II for 2h',
  '1600 Mb/s on 512GB CFexpress B VPG200',
  '3000 Mb/s on 1TB CFexpress B VPG400',
  '8192x4320 12bit 3:1 50p on 512GB CFexpress B VPG400',
  '100 Mb/s on 128GB microSD V30',
  '200 Mb/s on 64GB U3 mirrored',
  '900 Mb/s split on 2x256GB V60',
  'avg 400 Mb/s on 256GB V60',
  '240 Mb/s 24p captured at 120 on 256GB V90 II',
  '1000 Mb/s on 240GB CFast, minimum 200 MB/s',
  '400 Mb/s on 128GB SD',
  '100 Mb/s on 128GB microSD V30 via adapter',
  '400 Mb/s on 128GB microSD V90 in SD slot',
  '400 Mb/s on 128GB microSD V90 in UHS-II slot',
  '1000 Mb/s on 128GB XQD in CFexpress B slot',
  '100 Mb/s on 128GB SD V30 in CFexpress B slot',
  '100 Mb/s on 128GB V30 in SDHC slot',
  '400 Mb/s on 256GB CFexpress A VPG200 in UHS-II slot',
  '400 Mb/s on 256GB in UHS-II slot',
  'camera writes at most 40 MB/s, 400 Mb/s on 128GB V60',
];

describe('what is kept of a line', () => {
  it.each(LINES)('has the same answer on the board, with the slot that was taken: %s', (line) => {
    const answer = answered(line);
    const cell = onBoard(answer, answer.body.slots[0]?.accepts[0]?.bus ?? null);
    expect(cell).toMatchObject({
      verdict: answer.cell?.verdict,
      planned: answer.cell?.planned,
      labelMinutes: answer.cell?.labelMinutes,
      need: answer.cell?.need,
    });
  });

  it.each(LINES)('is never better than that with a bus that nobody told: %s', (line) => {
    const answer = answered(line);
    const { slotBus } = keepable(answer.ask);
    expect(rankOf(onBoard(answer, slotBus).verdict)).toBeGreaterThanOrEqual(rankOf(answer.cell?.verdict ?? 'unfit'));
  });

  it.each([
    ['400 Mb/s on 256GB V60', { slotForm: 'sd', cardForm: 'sd', slotBus: null, hasCard: true, cards: 1 }],
    [
      '400 Mb/s on 256GB V60 II in a UHS-I slot',
      { slotForm: 'sd', cardForm: 'sd', slotBus: 'uhs-i', hasCard: true, cards: 1 },
    ],
    ['400 Mb/s on V60', { slotForm: 'sd', cardForm: 'sd', slotBus: null, hasCard: false, cards: 1 }],
    [
      '400 Mb/s on 2x256GB microSD V30',
      { slotForm: 'microsd', cardForm: 'microsd', slotBus: null, hasCard: true, cards: 2 },
    ],
    ['400 Mb/s on 256GB', { slotForm: null, cardForm: null, slotBus: null, hasCard: true, cards: 1 }],
    [
      '100 Mb/s on 128GB microSD V30 via adapter',
      { slotForm: 'sd', cardForm: 'microsd', slotBus: null, hasCard: true, cards: 1 },
    ],
    [
      '1000 Mb/s on 128GB XQD in CFexpress B slot',
      { slotForm: 'cfexpress-b', cardForm: 'xqd', slotBus: null, hasCard: true, cards: 1 },
    ],
    [
      '400 Mb/s on 256GB in UHS-II slot',
      { slotForm: 'sd', cardForm: null, slotBus: 'uhs-ii', hasCard: true, cards: 1 },
    ],
    ['400 Mb/s', { slotForm: null, cardForm: null, slotBus: null, hasCard: false, cards: 1 }],
  ] as const)('is what it says, and nothing that was taken so: %s', (line, expected) =>
    expect(keepable(answered(line).ask)).toEqual({ ...expected, assumedFps: 50 }),
  );

  it('has as many slots as its cards are in at once, each with what was told', () => {
    const { ask } = answered('400 Mb/s on 2x256GB V60 mirrored in UHS-II slots');
    const body = keptBody(ask, as('sd', 'uhs-ii'));
    expect(body.arrangement).toBe('mirrored');
    expect(body.slots.map(({ name, accepts }) => [name, accepts])).toEqual([
      ['Slot 1', [{ form: 'sd', bus: 'uhs-ii' }]],
      ['Slot 2', [{ form: 'sd', bus: 'uhs-ii' }]],
    ]);
    expect(new Set([body.id, ...body.slots.map(({ id }) => id), ...body.modes.map(({ id }) => id)]).size).toBe(4);
  });

  it('has the frame rate of the line, else the one that a person tells', () => {
    const { ask } = answered('400 Mb/s on 256GB V60');
    expect(keepable(ask).assumedFps).toBe(50);
    expect(keptBody(ask, as('sd', null)).modes[0]?.fps).toBe(50);
    expect(keptBody(ask, { ...as('sd', null), fps: 25 }).modes[0]?.fps).toBe(25);
    const told = answered('400 Mb/s 24p on 256GB V60').ask;
    expect(keepable(told).assumedFps).toBeNull();
    expect(keptBody(told, as('sd', null)).modes[0]?.fps).toBe(24);
  });

  it('of a card is its print, and no bus but a printed one', () => {
    const { ask } = answered('400 Mb/s on 256GB V60 R300 W260');
    expect(keptCard(ask, { id: 'a', label: 'A-01', form: 'sd' })).toMatchObject({
      label: 'A-01',
      capacityGB: 256,
      marks: ['V60'],
      bus: null,
      readMBps: 300,
      writeMBps: 260,
    });
    expect(keptCard(answered('400 Mb/s on V60').ask, { id: 'a', label: 'A-01', form: 'sd' })).toBeNull();
  });
});

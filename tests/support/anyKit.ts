import fc from 'fast-check';
import type { Accepts, Body, Card, Mode, Report, Slot, Test } from '../../src/core/kit/model.ts';
import { busesOf } from '../../src/core/standards/buses.ts';
import type { Form } from '../../src/core/standards/forms.ts';
import { EMPTY_KIT, type Kit } from '../../src/kit/kit.ts';

/** Kits as unlike as they come: slots of several forms and buses, labels that contradict, tests that cannot be true. */
const FAVOURED: readonly Form[] = [
  'sd',
  'sd',
  'sd',
  'cfexpress-b',
  'cfexpress-b',
  'xqd',
  'microsd',
  'usb-ssd',
  'cfexpress-a',
  'cfexpress-c',
  'cfast',
  'cf',
  'module',
];

const accepts: fc.Arbitrary<Accepts> = fc.constantFrom(...FAVOURED).chain((form) =>
  fc.record({
    form: fc.constant(form),
    bus: fc.oneof(
      { weight: 4, arbitrary: fc.constantFrom(null, ...busesOf(form)) },
      // The fastest of a form as often as all others: most of what is asked has to be able to hold.
      { weight: 4, arbitrary: fc.constant(busesOf(form).at(-1) ?? null) },
      { weight: 1, arbitrary: fc.constant(null) },
    ),
  }),
);

const slot = (id: string): fc.Arbitrary<Slot> =>
  fc.record({
    id: fc.constant(id),
    name: fc.constant(`Slot ${id}`),
    accepts: fc.array(accepts, { minLength: 1, maxLength: 2 }),
    family: fc.constantFrom('sdxc', 'sdhc', 'sduc', null),
    promisedMaxGB: fc.constantFrom(null, 64, 512),
    demandsCard: fc.constantFrom(null, null, true),
  });

const mode = (id: string): fc.Arbitrary<Mode> =>
  fc.record({
    id: fc.constant(id),
    name: fc.constant(`mode ${id}`),
    codec: fc.constantFrom('intra', 'long-gop'),
    width: fc.constant(3840),
    height: fc.constant(2160),
    fps: fc.constantFrom(25, 50),
    captureFps: fc.constantFrom(null, null, 100),
    rate: fc.oneof(
      {
        weight: 6,
        arbitrary: fc.record({
          kind: fc.constant('stated' as const),
          Mbps: fc.constantFrom(4, 40, 80, 100, 200, 240, 400, 600, 890, 1600),
          is: fc.constantFrom('maximum', 'average', 'constant'),
          at: fc.constantFrom('recorded', 'captured'),
        }),
      },
      fc.record({
        kind: fc.constant('raw' as const),
        bitsPerPixel: fc.constantFrom(10, 12),
        ratio: fc.constantFrom(3, 8, 18),
      }),
      fc.record({ kind: fc.constant('frame' as const), bytesPerFrame: fc.constantFrom(200_000, 917_504) }),
      fc.constantFrom({ kind: 'counter' as const, lowMbps: 80, highMbps: 101.5 }),
    ),
    overhead: fc.constantFrom(null, { fixedMbps: 0, perFrameKB: 0 }),
    slotIds: fc.constantFrom(null, null, null, null, ['s0'], ['s1'], ['s0', 's1']),
    requires: fc.constantFrom(
      [],
      [],
      [{ anyOf: ['V60', 'vpg-400'], whenMissing: 'refuses' as const }],
      [{ anyOf: ['uhs 2'], whenMissing: 'warns' as const }],
    ),
  });

const WORDS = [
  'I',
  'II',
  'III',
  'U1',
  'U3',
  'V30',
  'V60',
  'V90',
  'A1',
  'C10',
  'SDHC',
  'SDXC',
  'VPG200',
  'VPG400',
  'VPG65',
  'VPG130',
  'VPG1600',
  'E150',
];

const card = (id: string): fc.Arbitrary<Card> => fc.constantFrom(...FAVOURED).chain((form) => cardOf(id, form));

const cardOf = (id: string, form: Form): fc.Arbitrary<Card> =>
  fc.record({
    id: fc.constant(id),
    label: fc.constant(`C ${id}`),
    form: fc.constant(form),
    capacityGB: fc.constantFrom(32, 64, 128, 256, 512, 1000),
    usableGB: fc.constantFrom(null, null, 60),
    marks: fc.uniqueArray(fc.constantFrom(...WORDS), { maxLength: 4 }),
    bus: fc.constantFrom(null, null, null, ...busesOf(form).slice(-2)),
    readMBps: fc.constantFrom(null, null, 95, 300),
    writeMBps: fc.constantFrom(null, null, 90, 260),
    sustainedMBps: fc.constantFrom(null, null, 90, 700),
    minimumMBps: fc.constantFrom(null, null, null, 100),
    verified: fc.constantFrom(null, null, { date: '2026-05-01', how: 'filled' }),
    adapterTwoRows: fc.constantFrom(null, true),
    cacheGB: fc.constant(null),
  });

const body = (id: string, cards: readonly string[]): fc.Arbitrary<Body> =>
  fc.integer({ min: 1, max: 4 }).chain((count) =>
    fc.record({
      id: fc.constant(id),
      name: fc.constant(`Body ${id}`),
      note: fc.constant(''),
      arrangement: fc.constantFrom('single', 'relay', 'mirrored', 'split'),
      splitOver: fc.constantFrom(null, null, 2),
      statedHolds: fc.constantFrom(null, null, 'everything' as const, 'picture' as const),
      otherForms: fc.constantFrom(null, null, 'allowed' as const, 'refused' as const),
      advisesAgainst: fc.constantFrom([], [], [{ anyOf: ['I', 'V30'], overGB: 256, source: null }]),
      bufferMB: fc.constantFrom(null, 1000),
      ceilingMBps: fc.constantFrom(null, null, 35),
      slots: fc.tuple(...Array.from({ length: count }, (_, at) => slot(`s${at}`))),
      modes: fc.tuple(mode('m1'), mode('m2')),
      approved: fc.constantFrom(
        [],
        [],
        [{ cardIds: cards.slice(0, 1), modeIds: ['m1'], upToMbps: null, source: 'manual' }],
        [{ cardIds: cards.slice(0, 2), modeIds: null, upToMbps: 400, source: 'manual' }],
      ),
    }),
  );

const CARDS = ['c1', 'c2', 'c3', 'c4'];

const test = (id: string): fc.Arbitrary<Test> =>
  fc.record({
    id: fc.constant(id),
    bodyId: fc.constantFrom('b1', 'b2'),
    modeId: fc.constantFrom('m1', 'm2', null),
    cardId: fc.constantFrom(...CARDS),
    slotId: fc.constantFrom('s0', 's1', null, 'gone'),
    end: fc.constantFrom('full', 'full', 'dropped', 'stopped', 'cut-off'),
    seconds: fc.oneof(fc.constantFrom(0, 10, 562), fc.integer({ min: 60, max: 60_000 })),
    clipGB: fc.constantFrom(null, null, 40),
    writtenMBps: fc.constantFrom(null, 12, 50, 75),
    date: fc.constantFrom(null, '2026-05-01', '2026-05-02'),
  });

const REPORTED: readonly Card['form'][] = ['sd', 'sd', 'cfexpress-b'];

const report = (id: string): fc.Arbitrary<Report> =>
  fc.record({
    id: fc.constant(id),
    from: fc.constantFrom('Ada', null),
    received: fc.constant('2026-06-01'),
    date: fc.constantFrom(null, '2026-05-01'),
    bodyId: fc.constantFrom('b1', 'b2'),
    modeId: fc.constantFrom('m1', 'm2'),
    print: fc.record({
      form: fc.constantFrom(...REPORTED),
      capacityGB: fc.constantFrom(64, 128, 256),
      marks: fc.constantFrom([], ['II', 'V60'], ['VPG400']),
      bus: fc.constant(null),
      readMBps: fc.constantFrom(null, 95),
      writeMBps: fc.constant(null),
    }),
    end: fc.constantFrom('full', 'dropped', 'stopped'),
    seconds: fc.integer({ min: 60, max: 6000 }),
    writtenMBps: fc.constantFrom(12, 50, 75),
  });

export const anyKit: fc.Arbitrary<Kit> = fc
  .record({
    bodies: fc.tuple(body('b1', CARDS), body('b2', CARDS)),
    cards: fc.tuple(card('c1'), card('c2'), card('c3'), card('c4')),
    tests: fc.array(
      fc.integer({ min: 0, max: 999 }).chain((n) => test(`t${n}`)),
      { maxLength: 4 },
    ),
    reports: fc.array(
      fc.integer({ min: 0, max: 999 }).chain((n) => report(`r${n}`)),
      { maxLength: 2 },
    ),
  })
  .map((lists) => ({ ...EMPTY_KIT, ...lists }));

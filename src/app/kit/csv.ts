import Papa from 'papaparse';
import { streamRate } from '../../core/bodies/rate/streamRate.ts';
import type { DrillProgress } from '../../core/kit/drill.ts';
import type { Body, Card, TakeKind, Test } from '../../core/kit/model.ts';
import type { Offer } from '../../core/kit/shop.ts';
import type { Board } from '../../core/match/board.ts';
import { cellTone } from '../../core/match/cell.ts';
import { toMegabytes } from '../../core/units/convert.ts';
import { TEST_COLUMNS } from '../../reading/prove/testsCsv.ts';
import { PRICE_COLUMNS } from '../../reading/shop/pricesCsv.ts';
import { findingText } from '../../text/match/finding.ts';
import { VERDICT_WORDS } from '../../text/match/verdict.ts';
import { travelling } from '../../text/travel.ts';

type Cell = string | number | null | undefined;

/**
 * Cells that a spreadsheet would take for a formula: by their first sign, wide forms of it and white space before it
 * included. Nothing is asked of what follows: the library's own rule stops at the first line break and lets such a cell pass.
 */
const FORMULA = /^[\s\p{Cf}]*[=+\-@＝＋－＠]|^[\t\r\n]/u;

const cellText = (cell: Cell): string | number => (typeof cell === 'string' ? travelling(cell) : (cell ?? ''));

/** Comma-separated, quoted where needed, with a byte-order mark; cells that a spreadsheet would run are neutralised. */
export const csvText = (head: readonly string[], rows: readonly (readonly Cell[])[]): string =>
  `\ufeff${Papa.unparse([[...head], ...rows.map((row) => row.map(cellText))], { escapeFormulae: FORMULA })}\r\n`;

const BOARD_HEAD = [
  'body',
  'mode',
  'fps',
  'card',
  'verdict',
  'tone',
  'slot',
  'planned minutes',
  'proven seconds',
  'label minutes',
  'held seconds',
  'drop seconds',
  'need MB/s',
  'floor MB/s',
  'bus MB/s',
  'reasons',
];

/** The board, a line a cell that can meet. */
export function boardCsv(board: Board, take: TakeKind): string {
  const rows = board.rows.flatMap(({ body, mode }, at) =>
    board.cards.flatMap((card, column) => {
      const cell = board.columns[column]?.[at];
      if (!cell || cell.verdict === 'unfit') return [];
      const MBps = (value: typeof cell.need) => (value === null ? null : toMegabytes(value));
      return [
        [
          body.name,
          mode.name,
          mode.captureFps ?? mode.fps,
          card.label,
          VERDICT_WORDS[cell.verdict],
          cellTone(cell, take),
          body.slots.find(({ id }) => id === cell.slotId)?.name ?? null,
          cell.planned,
          cell.provenSeconds,
          cell.labelMinutes,
          cell.heldSeconds,
          cell.dropSeconds,
          MBps(cell.need),
          MBps(cell.floor),
          MBps(cell.ceiling),
          cell.findings.map(findingText).join(' '),
        ],
      ];
    }),
  );
  return csvText(BOARD_HEAD, rows);
}

const CARD_KEYS = [
  'label',
  'form',
  'capacityGB',
  'usableGB',
  'bus',
  'readMBps',
  'writeMBps',
  'sustainedMBps',
  'minimumMBps',
  'minimumSource',
  'cacheGB',
  'state',
  'writtenGB',
  'writtenOn',
  'price',
  'boughtFrom',
  'boughtOn',
  'firmware',
  'warranty',
  'note',
] as const satisfies readonly (keyof Card)[];

/** The wallet; columns carry the kit's own names, units in them. */
export const cardsCsv = (cards: readonly Card[]): string =>
  csvText(
    [...CARD_KEYS, 'marks', 'incidents', 'verified on', 'retired'],
    cards.map((card) => [
      ...CARD_KEYS.map((key) => card[key]),
      card.marks.join(' '),
      card.incidents?.length ?? 0,
      card.verified?.date ?? null,
      card.retired ? 'yes' : 'no',
    ]),
  );

/** Every mode of every body with what it writes. */
export const modesCsv = (bodies: readonly Body[]): string =>
  csvText(
    ['body', 'mode', 'codec', 'width', 'height', 'fps', 'captureFps', 'peak MB/s', 'average MB/s', 'asks for'],
    bodies.flatMap((body) =>
      body.modes.map((mode) => {
        const rate = streamRate(mode, body);
        const { name, codec, width, height, fps, captureFps, requires } = mode;
        const asks = requires.map(({ anyOf, whenMissing }) => `${whenMissing}: ${anyOf.join(' or ')}`).join('; ');
        const rates = rate.ok ? [toMegabytes(rate.value.peak), toMegabytes(rate.value.average)] : [null, null];
        return [body.name, name, codec, width, height, fps, captureFps, ...rates, asks];
      }),
    ),
  );

interface LogOf {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** The test log, a line a take, in the columns that are read again. What was deleted since stands by no name. */
export function testsCsv({ bodies, cards, tests }: LogOf): string {
  const bodyOf = new Map(bodies.map((body) => [body.id, body]));
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  return csvText(
    TEST_COLUMNS,
    tests.map((test) => {
      const body = bodyOf.get(test.bodyId);
      const mode = body?.modes.find(({ id }) => id === test.modeId);
      const named: Readonly<Record<string, Cell>> = {
        body: body?.name,
        mode: mode?.name,
        fps: mode && (mode.captureFps ?? mode.fps),
        card: cardOf.get(test.cardId)?.label,
        slot: body?.slots.find(({ id }) => id === test.slotId)?.name,
        formatted: test.formatted == null ? null : test.formatted ? 'yes' : 'no',
      };
      return TEST_COLUMNS.map((column) => (column in named ? named[column] : (test[column as keyof Test] as Cell)));
    }),
  );
}

/** A price list, in the columns that are read again. */
export const pricesCsv = (offers: readonly Offer[]): string =>
  csvText(
    PRICE_COLUMNS,
    offers.map((offer) => PRICE_COLUMNS.map((column) => (column === 'marks' ? offer.marks.join(' ') : offer[column]))),
  );

const DRILL_KEYS = [
  'id',
  'due',
  'lastReview',
  'stability',
  'difficulty',
  'reps',
  'lapses',
  'right',
  'wrong',
  'unknown',
] as const;

/** What was drilled, a line a topic; slips with how often each was made. */
export const drillCsv = (drills: readonly DrillProgress[]): string =>
  csvText(
    [...DRILL_KEYS, 'slips'],
    drills.map((drill) => [
      ...DRILL_KEYS.map((key) => drill[key]),
      Object.entries(drill.slips)
        .map(([slip, times]) => `${slip} ${times}`)
        .join('; '),
    ]),
  );

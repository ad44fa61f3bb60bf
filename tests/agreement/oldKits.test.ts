import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { clockFor } from '../../src/app/day/dayClock.ts';
import { lanesOf } from '../../src/app/day/lanes.ts';
import { boardCsv, cardsCsv, modesCsv, pricesCsv, testsCsv } from '../../src/app/kit/csv.ts';
import { evidenceOf } from '../../src/app/prove/evidenceOf.ts';
import type { ShopViewKit } from '../../src/app/shop/shopKit.ts';
import { shopQuestion } from '../../src/app/shop/shopViews.ts';
import { heatMark } from '../../src/core/heat/run/mark.ts';
import { DEFAULT_PLAN } from '../../src/core/heat/run/plan.ts';
import { board } from '../../src/core/match/board.ts';
import { DEFAULT_POLICY } from '../../src/core/match/policy.ts';
import { logEntries } from '../../src/core/prove/entries.ts';
import { plannedDay } from '../../src/core/rotation/plannedDay.ts';
import { shopOptions } from '../../src/core/shop/options.ts';
import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { kitText } from '../../src/kit/exportKit.ts';
import { parseKit } from '../../src/kit/importKit.ts';
import { type Kit, VERSION } from '../../src/kit/kit.ts';

const FOLDER = new URL('../fixtures/demo-by-version/', import.meta.url);
const textOf = (version: number): string => readFileSync(new URL(`${version}.coolreel.json`, FOLDER), 'utf8');
/** The demo as each version of the kit file had it last. */
const VERSIONS = readdirSync(FOLDER)
  .map((name) => Number.parseInt(name, 10))
  .toSorted((a, b) => a - b);

async function kitOf(text: string): Promise<Kit> {
  const read = await parseKit(text);
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value.kit;
}

/** Every cell of a board with its three things. */
function cellsOf(kit: Kit) {
  const made = board(kit, DEFAULT_POLICY);
  return made.cards.flatMap((card, column) =>
    made.rows.flatMap(({ body, mode }, row) => {
      const cell = made.columns[column]?.[row];
      return cell ? [{ body, mode, card, cell }] : [];
    }),
  );
}

const ofToday = await kitOf(JSON.stringify(demo));
const today = new Map(
  cellsOf(ofToday).map((one) => [`${one.body.id} ${one.mode.id} ${one.card.id}`, one.cell.verdict] as const),
);

it('every earlier version of the kit file has its demo here', () => {
  expect(VERSIONS).toEqual(Array.from({ length: VERSION - 1 }, (_, at) => at + 1));
});

describe.each(VERSIONS)('a kit of version %i', (version) => {
  it('is read, and written again as one of today', async () => {
    const kit = await kitOf(textOf(version));
    expect(kit.version).toBe(VERSION);
    expect(await kitOf(kitText(kit))).toEqual(kit);
  });

  it('has a board, its heat, its log and its tables; what it holds as today’s does has today’s verdict', async () => {
    const kit = await kitOf(textOf(version));
    const cells = cellsOf(kit);
    expect(cells.length).toBeGreaterThan(100);
    const isSame = (list: 'bodies' | 'cards', id: string): boolean => {
      const find = (one: Kit) => one[list].find((item) => item.id === id);
      return JSON.stringify(find(kit)) === JSON.stringify(find(ofToday));
    };
    const isTestedAlike = JSON.stringify(kit.tests) === JSON.stringify(ofToday.tests);
    let alike = 0;
    for (const { body, mode, card, cell } of cells) {
      const evidence = evidenceOf(cell, { body, card }, kit, kit.settings);
      expect(evidence.own.every((test) => test.cardId === card.id)).toBe(true);
      heatMark({ body, cell, card, tests: kit.tests, plan: DEFAULT_PLAN, cards: kit.cards });
      if (!isTestedAlike || !isSame('bodies', body.id) || !isSame('cards', card.id)) continue;
      alike += 1;
      expect(cell.verdict, `${body.name}, ${mode.name} on ${card.label}`).toBe(
        today.get(`${body.id} ${mode.id} ${card.id}`),
      );
    }
    // Those of the last versions are the demo of today, but for a body or two.
    if (version >= 10) expect(alike).toBeGreaterThan(today.size / 2);
    for (const table of [
      boardCsv(board(kit, DEFAULT_POLICY), DEFAULT_POLICY.take),
      cardsCsv(kit.cards),
      modesCsv(kit.bodies),
      pricesCsv(kit.prices),
      testsCsv(kit),
    ])
      expect(table).not.toMatch(/NaN|undefined|\[object/);
    expect(logEntries(kit).length).toBeGreaterThanOrEqual(kit.tests.length);
  });

  it('has its days and what could be bought for it', async () => {
    const kit = await kitOf(textOf(version));
    for (const plan of kit.plans) {
      const clock = clockFor(plan);
      if (!clock) throw new Error(`${plan.name} has no clock`);
      const day = plannedDay({ kit, plan, policy: DEFAULT_POLICY, times: clock, now: null });
      expect(lanesOf(plan, day).cards.length).toBe(new Set(plan.cardIds).size);
    }
    const { input } = shopQuestion(kit as unknown as ShopViewKit, DEFAULT_POLICY, {
      currency: null,
      useOwned: true,
      countDoubtful: false,
    });
    expect(shopOptions(input).problem.needs.length + shopOptions(input).impossible.length).toBe(input.needs.length);
  });
});

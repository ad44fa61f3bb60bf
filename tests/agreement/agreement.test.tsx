import fc from 'fast-check';
import Papa from 'papaparse';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { cellPick, pickedIn, setupOf } from '../../src/app/heat/heatPick.ts';
import { boardCsv } from '../../src/app/kit/csv.ts';
import { arrangedCards } from '../../src/app/match/arrangedCards.ts';
import { crewPage } from '../../src/app/match/crewPage.ts';
import { lanesOf } from '../../src/core/heat/run/lane.ts';
import { DEFAULT_PLAN } from '../../src/core/heat/run/plan.ts';
import type { Body, Card, TakeKind } from '../../src/core/kit/model.ts';
import { arrange } from '../../src/core/match/arrange.ts';
import { board, cellFor, createBoardKeeper, seatFor } from '../../src/core/match/board.ts';
import { bodyInMode } from '../../src/core/match/bodyInMode.ts';
import { type Cell, cellTone } from '../../src/core/match/cell.ts';
import { DEFAULT_POLICY, type Policy } from '../../src/core/match/policy.ts';
import { leastBus } from '../../src/core/match/rules/bus.ts';
import { labelRule } from '../../src/core/match/rules/label.ts';
import { readTest } from '../../src/core/match/testReading.ts';
import { rankOf, type Verdict } from '../../src/core/match/verdict.ts';
import { aBody, aCard } from '../../src/core/testing.ts';
import { CrewPage } from '../../src/islands/match/crew/CrewPage.tsx';
import type { Kit } from '../../src/kit/kit.ts';
import { boardView } from '../../src/server/views.ts';
import { VERDICT_WORDS } from '../../src/text/match/verdict.ts';
import { anyKit } from '../support/anyKit.ts';
import { runs } from '../support/runs.ts';

const KITS = runs(250, 2000);
const TAKES: readonly TakeKind[] = ['once', 'repeatable'];
const policyFor = (take: TakeKind): Policy => ({ ...DEFAULT_POLICY, take });

interface Placed {
  readonly cell: Cell;
  readonly body: Body;
  readonly mode: Body['modes'][number];
  readonly card: Card;
}

function placedIn(kit: Kit, policy: Policy): readonly Placed[] {
  const made = board(kit, policy);
  return made.cards.flatMap((card, column) =>
    made.rows.flatMap(({ body, mode }, row) => {
      const cell = made.columns[column]?.[row];
      return cell ? [{ cell, body, mode, card }] : [];
    }),
  );
}

const worst = (verdicts: readonly Verdict[]): Verdict =>
  verdicts.reduce<Verdict>((found, one) => (rankOf(one) > rankOf(found) ? one : found), 'guaranteed');

/** Seats whose cards are all named: only these can be arranged or run. */
const isSeated = ({ cell }: Placed): boolean =>
  cell.need !== null && (cell.seats?.every(({ answer }) => answer) ?? true);

const NO_HEAT = { of: () => null, want: () => {} };
const ON_PAPER = { headroom: '15 %', plan: DEFAULT_PLAN, heat: NO_HEAT, onBuilt: () => {} };

describe('one question has one answer', () => {
  it(`on the board, in Why, on crew cards, in the CSV, by the server and in a heat run, for every cell of ${KITS} kits`, {
    timeout: 240_000,
  }, () => {
    let asked = 0;
    let unlike = 0;
    let run = 0;
    fc.assert(
      fc.property(anyKit, fc.constantFrom(...TAKES), (kit, take) => {
        const policy = policyFor(take);
        const made = board(kit, policy);
        const all = placedIn(kit, policy);
        asked += all.length;
        const views = boardView(made, { ...kit, cards: [] }, policy, 30).cells;
        const rows = Papa.parse<Record<string, string>>(boardCsv(made, take).replace(/^\ufeff/, ''), {
          header: true,
          skipEmptyLines: true,
        }).data;
        const kept = createBoardKeeper();
        kept({ ...kit, cards: kit.cards.slice(0, 2) }, policy);
        const grown = kept(kit, policy);
        for (const placed of all) {
          const { cell, body, mode, card } = placed;
          const where = JSON.stringify({ body: body.id, mode: mode.id, card: card.id });
          const alone = cellFor({ body, mode, card, cards: kit.cards, tests: kit.tests, policy });
          expect(alone, `Why ${where}`).toEqual(cell);
          const view = views.find((one) => one.bodyId === body.id && one.modeId === mode.id && one.cardId === card.id);
          expect(view, `server ${where}`).toMatchObject({ verdict: cell.verdict, tone: cellTone(cell, take) });
          const line = rows.find((one) => one.body === body.name && one.mode === mode.name && one.card === card.label);
          expect(line?.verdict, `CSV ${where}`).toBe(
            cell.verdict === 'unfit' ? undefined : VERDICT_WORDS[cell.verdict],
          );
          if (line) expect(line.tone).toBe(cellTone(cell, take));
          const column = grown.cards.indexOf(card);
          const row = grown.rows.findIndex((one) => one.body === body && one.mode === mode);
          expect(grown.columns[column]?.[row], `kept board ${where}`).toEqual(cell);
          if (!isSeated(placed)) continue;
          if (cell.seats) unlike += 1;
          const cards = arrangedCards({
            body,
            way: body.arrangement,
            card,
            second: partnerOf(placed, kit),
            cell,
            wallet: kit.cards,
          });
          const arranged = arrange({ body, mode, arrangement: body.arrangement, cards, tests: kit.tests, policy });
          if (body.slots.length > 1) expect(arranged?.verdict, `arranged ${where}`).toBe(cell.verdict);
          const pick = cellPick(kit, cell, DEFAULT_PLAN);
          const picked = pickedIn(kit, pick);
          if (!picked) throw new Error(`no pick ${where}`);
          const lanes = lanesOf(setupOf(picked, pick, { tests: kit.tests, policy }));
          if (!lanes.ok || !ownCards(pick.cardIds, cell)) continue;
          run += 1;
          const verdicts = lanes.value.flatMap(({ cells }) => cells.map(({ verdict }) => verdict));
          expect(worst(verdicts), `heat run ${where}`).toBe(cell.verdict);
        }
      }),
      { seed: 404, numRuns: KITS },
    );
    expect(asked).toBeGreaterThan(KITS * 10);
    expect(unlike, 'cells over unlike seats').toBeGreaterThan(KITS / 4);
    expect(run, 'cells that could be run').toBeGreaterThan(KITS);
  });

  it('on crew cards: every word of the page is the board’s', { timeout: 120_000 }, () => {
    fc.assert(
      fc.property(anyKit, fc.constantFrom(...TAKES), (kit, take) => {
        const policy = policyFor(take);
        const made = board(kit, policy);
        for (const body of kit.bodies) {
          const page = renderToStaticMarkup(<CrewPage body={body} kit={kit} policy={policy} {...ON_PAPER} />);
          const shown = [...page.matchAll(/<td data-tone="(\w+)">.*?<\/svg>\s*([^<]+)</gs)].map((one) => [
            one[1],
            one[2],
          ]);
          const rowsAt = made.rows.flatMap((row, at) => (row.body.id === body.id ? [at] : []));
          const wordsOf = (card: Card) =>
            rowsAt.map((at) => {
              const cell = made.columnAt(made.cards.indexOf(card))[at];
              return cell ? [cellTone(cell, take), VERDICT_WORDS[cell.verdict]] : [];
            });
          const { columns } = crewPage(kit, body, policy);
          const wanted = columns.map(({ cards }) => {
            const [own, ...others] = cards.map(wordsOf);
            for (const other of others) expect(other, 'cards of one column').toEqual(own);
            return own ?? [];
          });
          expect(shown).toEqual(rowsAt.flatMap((_, at) => wanted.map((column) => column[at])));
        }
      }),
      { seed: 405, numRuns: runs(40, 200) },
    );
  });

  it('on crew cards: a wallet wider than the sheet goes on in a further table, each card once', () => {
    const body = aBody();
    const cards = Array.from({ length: 23 }, (_, at) =>
      aCard({ id: `c${at}`, label: `Second unit spare ${at}`, usableGB: 200 + at }),
    );
    const kit = { bodies: [body], cards, tests: [] };
    const page = renderToStaticMarkup(<CrewPage body={body} kit={kit} policy={DEFAULT_POLICY} {...ON_PAPER} />);
    const tables = page.split('<table').slice(1);
    const labels = tables.map((one) => [...one.matchAll(/<th scope="col">([^<]+)/g)].map(([, label]) => label));
    expect(
      labels.map(({ length }) => length),
      'the mode, and ten cards at most',
    ).toEqual([11, 11, 4]);
    expect(labels.flatMap(([, ...own]) => own)).toEqual(cards.map(({ label }) => label));
    expect(tables.map((one) => one.match(/<td /g)?.length)).toEqual([10, 10, 3]);
  });
});

/** The card that fills the seats this one does not enter; itself where there is none. */
function partnerOf({ cell, card }: Placed, kit: Kit): Card {
  const id = cell.seats?.find(({ cardId }) => cardId !== null && cardId !== card.id)?.cardId;
  return kit.cards.find((one) => one.id === id) ?? card;
}

/** A cell speaks of its own card and others like it; a twin may have tests of its own, which are another question. */
const ownCards = (ids: readonly string[], cell: Cell): boolean =>
  cell.seats !== null || ids.every((id) => id === cell.cardId);

const HELD = rankOf('held');

/** Whether own takes filled the card in the very mode, in any of its seats. */
const isFilled = (cell: Cell): boolean =>
  [cell, ...(cell.seats ?? []).flatMap(({ answer }) => answer ?? [])].some(({ findings }) =>
    findings.some((finding) => finding.rule === 'own-tests' && finding.filled !== null),
  );

describe('never a yes on a guess', () => {
  const each = (check: (placed: Placed, kit: Kit, take: TakeKind) => void): void =>
    fc.assert(
      fc.property(anyKit, fc.constantFrom(...TAKES), (kit, take) => {
        for (const placed of placedIn(kit, policyFor(take))) check(placed, kit, take);
      }),
      { seed: 406, numRuns: KITS / 2 },
    );

  it('no label with a contradiction is ever cool, nor guaranteed', { timeout: 120_000 }, () => {
    let doubted = 0;
    each(({ cell, card }, _, take) => {
      if (labelRule(card)?.outcome !== 'short' || cell.need === null) return;
      doubted += 1;
      expect(cellTone(cell, take)).not.toBe('cool');
      expect(['guaranteed', 'tight']).not.toContain(cell.verdict);
    });
    expect(doubted).toBeGreaterThan(KITS / 2);
  });

  it('no unknown bus gives more than the least its form can do', { timeout: 120_000 }, () => {
    let untold = 0;
    each(({ cell, body, mode, card }, kit, take) => {
      const told: Body = {
        ...body,
        slots: body.slots.map((slot) => ({
          ...slot,
          accepts: slot.accepts.map((one) => ({ ...one, bus: one.bus ?? leastBus(one.form) })),
        })),
      };
      if (JSON.stringify(told) === JSON.stringify(body)) return;
      const least = cellFor({ body: told, mode, card, cards: kit.cards, tests: [], policy: policyFor(take) });
      const asked = cellFor({ body, mode, card, cards: kit.cards, tests: [], policy: policyFor(take) });
      untold += 1;
      // An approval in writing and a drop that only the least bus would have are the two that differ, both ways safe.
      if (asked.findings.some(({ rule }) => rule === 'approved') || least.verdict === 'drops') return;
      // A bus that is told to be an old one tells of the slot's age, too.
      const isOld = [least, ...(least.seats ?? []).flatMap(({ answer }) => answer ?? [])].some(({ findings }) =>
        findings.some((finding) => finding.rule === 'family' && finding.isAsked),
      );
      if (isOld) return;
      if (cell.seats?.some(({ answer }) => answer?.findings.some(({ rule }) => rule === 'approved'))) return;
      expect(rankOf(asked.verdict)).toBeGreaterThanOrEqual(rankOf(least.verdict));
    });
    expect(untold).toBeGreaterThan(KITS / 2);
  });

  it('no inconsistent test makes a cell better', { timeout: 120_000 }, () => {
    let inconsistent = 0;
    each(({ cell, body, mode, card }, kit, take) => {
      const sane = kit.tests.filter((test) => {
        const [of, on] = [
          kit.bodies.find(({ id }) => id === test.bodyId),
          kit.cards.find(({ id }) => id === test.cardId),
        ];
        return test.end === 'dropped' || !of || !on || readTest(test, of, on).misfit === null;
      });
      if (sane.length === kit.tests.length) return;
      inconsistent += 1;
      const without = cellFor({ body, mode, card, cards: kit.cards, tests: sane, policy: policyFor(take) });
      // A fill of the very mode is told, and speaks against a drop of another; it never earns more than its own length.
      if (isFilled(cell)) expect(rankOf(cell.verdict)).toBeGreaterThanOrEqual(Math.min(rankOf(without.verdict), HELD));
      else expect(without.verdict).toBe(cell.verdict);
    });
    expect(inconsistent).toBeGreaterThan(KITS / 4);
  });

  it('no arrangement over several seats is cool where one of them, asked alone, is not', { timeout: 120_000 }, () => {
    let cool = 0;
    each(({ cell, body: whole, mode, card }, kit, take) => {
      const body = bodyInMode(whole, mode);
      if (body.arrangement !== 'mirrored' && body.arrangement !== 'relay') return;
      if (cellTone(cell, take) !== 'cool' || body.slots.length < 2) return;
      cool += 1;
      const asked = {
        body: { ...body, arrangement: 'single' as const },
        mode,
        tests: kit.tests,
        policy: policyFor(take),
      };
      for (const [at, slot] of body.slots.entries()) {
        const alone = seatFor({ ...asked, card }, at);
        const holds = (one: Card): boolean => cellTone(seatFor({ ...asked, card: one }, at), take) === 'cool';
        if (alone.verdict !== 'unfit') expect(cellTone(alone, take), slot.name).toBe('cool');
        else if (body.arrangement === 'mirrored') expect(kit.cards.some(holds), slot.name).toBe(true);
      }
    });
    expect(cool).toBeGreaterThan(KITS / 40);
  });
});

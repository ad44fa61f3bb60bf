import { entryAt } from '../../core/entryAt.ts';
import type { Body, Card, Mode, Report, Test } from '../../core/kit/model.ts';
import { printed } from '../../core/match/rules/twinTests.ts';
import { err, ok, type Result } from '../../core/result.ts';
import {
  type GivenTake,
  type GivenTests,
  type GiveWishes,
  givenTests,
  modeFor,
  readGivenTests,
} from '../../kit/givenTests.ts';
import type { KitRefusal } from '../../kit/importKit.ts';
import { readTestsTable, type TestsTable } from '../../reading/prove/testsCsv.ts';
import type { ExportedFile } from '../kit/kitFile.ts';
import { today } from '../kit/today.ts';
import type { ProveKit } from './proveKit.ts';

/** The tests of one body as a file for somebody else; null where none of them can be told. */
export function givenFile(
  body: Body,
  cards: readonly Card[],
  tests: readonly Test[],
  wishes: GiveWishes,
): (ExportedFile & { readonly count: number }) | null {
  const given = givenTests(body, cards, tests, wishes);
  if (given.tests.length === 0) return null;
  const name = body.name.replace(/[^\p{L}\p{N}-]+/gu, '-').toLowerCase() || 'body';
  const text = `${JSON.stringify(given, null, 1)}\n`;
  return { name: `tests-${name}.json`, text, count: given.tests.length };
}

/** A card with the others of its print. */
export function ofPrint(card: Card, cards: readonly Card[]): readonly Card[] {
  const print = printed(card);
  return print === null ? [card] : cards.filter((one) => printed(one) === print);
}

/** A file of a colleague's tests as it was chosen. */
export async function readGivenFile(file: Blob): Promise<Result<GivenTests, KitRefusal>> {
  try {
    return readGivenTests(await file.text());
  } catch {
    return err({ code: 'unread' });
  }
}

/** Given takes by their mode, each with the mode of one's own body that it may be. */
export interface GivenGroup {
  readonly key: string;
  readonly name: string;
  readonly fps: number;
  readonly takes: readonly GivenTake[];
  readonly own: Mode | null;
}

export function givenGroups({ tests }: GivenTests, body: Body): readonly GivenGroup[] {
  const groups = new Map<string, GivenTake[]>();
  for (const take of tests) {
    const key = JSON.stringify([take.mode.name, take.mode.fps]);
    groups.set(key, [...(groups.get(key) ?? []), take]);
  }
  return [...groups].map(([key, takes]) => {
    const { mode } = entryAt(takes, 0);
    return { key, name: mode.name, fps: mode.fps, takes, own: modeFor(mode, body) };
  });
}

/** The body of one's own that a file speaks of by its name; null: ask. */
export const bodyNamed = ({ body }: GivenTests, bodies: readonly Body[]): Body | null =>
  bodies.find(({ name }) => name.trim().toLowerCase() === body.name.trim().toLowerCase()) ?? null;

/** Given takes as they are kept: by whom and when, under one's own body and the modes that were chosen. */
export function reportsOf(
  given: GivenTests,
  body: Body,
  chosen: ReadonlyMap<string, string>,
  known: readonly Report[],
): readonly Omit<Report, 'id'>[] {
  const before = new Set(known.map(keyOf));
  return givenGroups(given, body).flatMap(({ key, takes }) => {
    const modeId = chosen.get(key);
    if (!modeId) return [];
    return takes
      .map(({ mode: _, label: __, ...take }) => ({
        ...take,
        from: given.from,
        received: today(),
        bodyId: body.id,
        modeId,
      }))
      .filter((report) => !before.has(keyOf(report)));
  });
}

/** The same take read in twice is one. */
const keyOf = ({ from, date, bodyId, modeId, print, end, seconds, writtenMBps }: Omit<Report, 'id'>): string =>
  JSON.stringify([from, date, bodyId, modeId, print, end, seconds, writtenMBps]);

/** A table of tests read beside what is in the log. */
export const readTable = (text: string, kit: ProveKit): TestsTable => readTestsTable(text, kit);

/** The text of a chosen file; a refusal where it cannot be read. */
export async function fileText(file: Blob): Promise<Result<string, 'unread'>> {
  try {
    return ok(await file.text());
  } catch {
    return err('unread');
  }
}

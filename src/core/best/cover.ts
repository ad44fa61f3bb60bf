import { entryAt } from '../entryAt.ts';
import type { Card } from '../kit/model.ts';
import type { IntegerSolver, ProgrammeRow } from '../shop/programme.ts';
import type { Candidates, Group, Usable } from './candidates.ts';

/** What one body is to be covered with. */
export interface Claim {
  readonly of: Pick<Candidates, 'places' | 'usable'>;
  readonly seconds: number;
}

/** Whether cards suffice, and which: by claim, in the order of the claims. */
export type Covered =
  | { readonly end: 'covered'; readonly cards: readonly (readonly Card[])[] }
  | { readonly end: 'impossible' }
  /** The solver was not done in its time: neither is known. */
  | { readonly end: 'open' };

/** Seconds of a group in a place; where cards follow one another, in whichever slot it lasts longest. */
function secondsIn({ seconds }: Usable, { places }: Claim['of'], place: number): number {
  if (places === 1) return Math.max(0, ...seconds.map((one) => one ?? 0));
  return seconds[place] ?? 0;
}

/** The slots that are written at once, of those a body has: every choice of so many. */
function placesOf({ places, usable }: Claim['of']): readonly (readonly number[])[] {
  if (places === 1) return [[0]];
  const slots = usable[0]?.seconds.length ?? 0;
  const chosen = (from: number, left: number): readonly (readonly number[])[] =>
    left === 0
      ? [[]]
      : Array.from({ length: Math.max(0, slots - from - left + 1) }, (_, step) => from + step).flatMap((first) =>
          chosen(first + 1, left - 1).map((rest) => [first, ...rest]),
        );
  return chosen(0, places);
}

/** All that the cards of a claim could roll in its places, seconds: no assignment gives more. */
function mostSeconds({ of }: Claim): number {
  const each = of.usable.map((one) => {
    const best = Math.max(0, ...one.seconds.map((seconds) => seconds ?? 0));
    return best * one.group.length;
  });
  return each.reduce((sum, seconds) => sum + seconds, 0) / of.places;
}

/** Minutes that the cards of a mode cover at the most. */
export const mostMinutes = (of: Claim['of']): number => mostSeconds({ of, seconds: 0 }) / 60;

/** Cards that follow one another, the longest first: the fewest that do. */
function inTurn({ of, seconds }: Claim): readonly Card[] | null {
  const all = of.usable
    .flatMap((one) => one.group.map((card) => ({ card, lasts: secondsIn(one, of, 0) })))
    .sort((a, b) => b.lasts - a.lasts);
  const taken: Card[] = [];
  let left = seconds;
  for (const { card, lasts } of all) {
    if (left <= 0) break;
    taken.push(card);
    left -= lasts;
  }
  return left <= 0 ? taken : null;
}

interface Column {
  readonly claim: number;
  readonly group: Group;
  readonly place: number;
  readonly seconds: number;
}

const NO_LIMIT = Number.POSITIVE_INFINITY;

/** One choice of slots for each claim, as a programme of the fewest cards. */
function solved(
  claims: readonly Claim[],
  places: readonly (readonly number[])[],
  solve: IntegerSolver,
  seconds: number,
): Covered {
  const columns: Column[] = claims.flatMap(({ of }, claim) =>
    of.usable.flatMap((one) =>
      entryAt(places, claim).flatMap((place): readonly Column[] => {
        const lasts = secondsIn(one, of, place);
        return lasts > 0 ? [{ claim, group: one.group, place, seconds: lasts }] : [];
      }),
    ),
  );
  const rowOf = (isIn: (column: Column) => boolean, value: (column: Column) => number): ProgrammeRow['entries'] =>
    columns.flatMap((column, at) => (isIn(column) ? [[at, value(column)] as const] : []));
  const groups = [...new Set(columns.map(({ group }) => group[0]))];
  const rows: ProgrammeRow[] = [
    ...groups.map((first) => ({
      entries: rowOf(
        ({ group }) => group[0] === first,
        () => 1,
      ),
      atLeast: 0,
      atMost: columns.find(({ group }) => group[0] === first)?.group.length ?? 0,
    })),
    ...claims.flatMap((wanted, claim) =>
      entryAt(places, claim).map((place) => ({
        entries: rowOf(
          (column) => column.claim === claim && column.place === place,
          (column) => column.seconds,
        ),
        atLeast: wanted.seconds,
        atMost: NO_LIMIT,
      })),
    ),
  ];
  // A row without a column cannot be met, and no solver need be asked.
  if (rows.some(({ entries, atLeast }) => entries.length === 0 && atLeast > 0)) return { end: 'impossible' };
  const { end, point } = solve(
    { most: columns.map(({ group }) => group.length), cost: columns.map(() => 1), rows },
    seconds,
  );
  if (end === 'impossible') return { end };
  if (point === null) return { end: 'open' };
  const used = new Map<Card, number>();
  const cards = claims.map((_, claim) =>
    columns.flatMap((column, at) => {
      if (column.claim !== claim) return [];
      const [first] = column.group;
      const from = used.get(first) ?? 0;
      const count = Math.round(point[at] ?? 0);
      used.set(first, from + count);
      return column.group.slice(from, from + count);
    }),
  );
  return { end: 'covered', cards };
}

/** Ways to choose slots for every claim together. */
const together = (claims: readonly Claim[]): readonly (readonly (readonly number[])[])[] =>
  claims.reduce<readonly (readonly (readonly number[])[])[]>(
    (all, { of }) => all.flatMap((before) => placesOf(of).map((places) => [...before, places])),
    [[]],
  );

/** Choices of slots that are asked of the solver at the most: bodies with more slots than they write at once are few. */
const MOST_CHOICES = 64;

/**
 * Whether cards suffice for all claims at once, each card used by one of them: exactly, with as few cards as there can be.
 *
 * @param seconds - time for each question to the solver
 */
export function cover(claims: readonly Claim[], solve: IntegerSolver, seconds: number): Covered {
  // What no assignment can give need not be asked.
  if (claims.some((claim) => mostSeconds(claim) < claim.seconds)) return { end: 'impossible' };
  const [only, ...others] = claims;
  if (!only) return { end: 'covered', cards: [] };
  if (others.length === 0 && only.of.places === 1) {
    const cards = inTurn(only);
    return cards ? { end: 'covered', cards: [cards] } : { end: 'impossible' };
  }
  const choices = together(claims);
  let isOpen = choices.length > MOST_CHOICES;
  for (const places of choices.slice(0, MOST_CHOICES)) {
    const found = solved(claims, places, solve, seconds);
    if (found.end === 'covered') return found;
    if (found.end === 'open') isOpen = true;
  }
  return { end: isOpen ? 'open' : 'impossible' };
}

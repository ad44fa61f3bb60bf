import type { Highs } from 'highs';
import { type SmallDay, UNIT } from './dayDraws.ts';

/**
 * The least that can be missing on a small day, exactly: an integer programme over every stretch that a card can record
 * without a change, and every time at which such a card can be copied. Each unit of a block is recorded once at most; no card is
 * copied before it came out; cards of one kind, and readers, are never more in use than there are. As on a real day, a stretch
 * ends where its card is full or a block ends, and begins with its block, where another ended, or when a card of its kind comes free:
 * nobody leaves a running block unrecorded to have less to copy.
 *
 * Derived: flow of cards over time, solved by HiGHS.
 */
export function leastMissing({ problem, rooms, slowness, readers, units }: SmallDay, highs: Highs): number {
  const { blocks, cards } = problem;
  const kinds = [...new Set(cards.map(({ kind }) => kind))];
  const gains: string[] = [];
  const names: string[] = [];
  const rows = new Map<string, string[]>();
  const limits = new Map<string, number>();
  const add = (row: string, limit: number, term: string): void => {
    limits.set(row, limit);
    rows.set(row, [...(rows.get(row) ?? []), term]);
  };
  const addWhere = (row: string, term: string): void => {
    if (rows.has(row)) add(row, 0, term);
  };
  /** What lets a stretch begin within a block: another that ends there, or a copy that is done. */
  const ends: [body: number, unit: number, name: string][] = [];
  const freed: [kind: number, unit: number, name: string][] = [];
  for (const [at, kind] of kinds.entries()) {
    const card = cards.findIndex((one) => one.kind === kind);
    const count = cards.filter((one) => one.kind === kind).length;
    const room = rooms[card] as number;
    for (const [body] of problem.bodies.entries()) {
      const own = blocks.filter((block) => block.body === body);
      if (!own[0]?.fits[card]?.[0]) continue;
      const blockAt = (unit: number): number =>
        own.findIndex(({ from, to }) => unit * UNIT >= from && unit * UNIT < to);
      for (let from = 0; from < units; from += 1) {
        if (blockAt(from) < 0) continue;
        const covered: number[] = [];
        for (let to = from + 1; to <= units && covered.length < room; to += 1) {
          const inside = blockAt(to - 1);
          if (inside < 0) continue;
          covered.push(to - 1);
          if (covered.length < room && blockAt(to) === inside) continue;
          const stretch = `s${names.length}`;
          names.push(stretch);
          gains.push(`${covered.length} ${stretch}`);
          if (blockAt(from - 1) === blockAt(from)) add(`begin${body}n${at}t${from}`, 0, `+ ${stretch}`);
          ends.push([body, to, stretch]);
          for (const unit of covered) add(`body${body}t${unit}`, 1, `+ ${stretch}`);
          for (const block of new Set(covered.map(blockAt)))
            if (own[block]?.gapFree) add(`whole${body}b${block}`, 1, `+ ${stretch}`);
          // From its start on the card is away, until a copy of it is done.
          for (let unit = from; unit < units; unit += 1) add(`card${at}t${unit}`, count, `+ ${stretch}`);
          for (let unit = to; unit < units; unit += 1) add(`out${at}n${covered.length}t${unit}`, 0, `- ${stretch}`);
        }
      }
    }
    for (let amount = 1; amount <= room; amount += 1) {
      for (let copyFrom = 1; copyFrom < units; copyFrom += 1) {
        if (!rows.has(`out${at}n${amount}t${copyFrom}`)) continue;
        const copy = `c${names.length}`;
        names.push(copy);
        const done = copyFrom + amount * slowness;
        freed.push([at, done, copy]);
        for (let unit = copyFrom; unit < units; unit += 1) {
          add(`out${at}n${amount}t${unit}`, 0, `+ ${copy}`);
          if (unit < done) add(`reader${unit}`, readers, `+ ${copy}`);
          else add(`card${at}t${unit}`, count, `- ${copy}`);
        }
      }
    }
  }
  for (const [body, unit, name] of ends)
    for (const [at] of kinds.entries()) addWhere(`begin${body}n${at}t${unit}`, `- ${name}`);
  for (const [kind, unit, name] of freed)
    for (const [body] of problem.bodies.entries()) addWhere(`begin${body}n${kind}t${unit}`, `- ${name}`);
  const wanted = blocks.reduce((sum, { from, to }) => sum + (to - from) / UNIT, 0);
  if (gains.length === 0) return wanted;
  const text = [
    'Maximize',
    ` gain: ${gains.join('\n + ')}`,
    'Subject To',
    ...[...rows].map(([row, terms]) => ` ${row}: ${terms.join('\n ')} <= ${limits.get(row)}`),
    'General',
    ...names.map((name) => ` ${name}`),
    'End',
  ].join('\n');
  const solved = highs.solve(text);
  return wanted - Math.round(solved.ObjectiveValue);
}

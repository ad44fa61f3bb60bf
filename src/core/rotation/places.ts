import { entryAt } from '../entryAt.ts';
import type { Arrival } from './copyJob.ts';
import type { Change, Roll, Sitting } from './outcome.ts';
import type { Seated } from './pick.ts';
import type { CardStart, DayBlock, DayProblem } from './problem.ts';

/** Two moments are one where they lie closer than this, seconds. */
export const INSTANT = 1e-6;

/** Where the cards of a day are, and what is on each; what is done by hand is noted on the way. */
export interface Places {
  /** By card: since when it is free; null where it is not. */
  readonly freeSince: (number | null)[];
  /** How many cards came free so far: whoever left one to another looks again when it has grown. */
  readonly freed: () => number;
  /** Cards in bodies. */
  readonly seated: ReadonlySet<number>;
  /** Slots of a body without a card. */
  readonly open: (body: number) => readonly boolean[];
  readonly putIn: (body: number, unit: readonly Seated[], time: number) => void;
  /** What comes out waits for its copies; a card that recorded nothing is free as it was. */
  readonly takeOut: (body: number, unit: readonly Seated[], time: number) => void;
  /** A card that was in a body before the day's planning begins. */
  readonly sit: (card: number, start: Extract<CardStart, { kind: 'in' }>) => void;
  /** Its copies are made. */
  readonly free: (card: number, time: number) => void;
  /** Recorded seconds that a unit still takes in a block: those of the card that is full first. */
  readonly left: (unit: readonly Seated[], block: DayBlock) => number;
  /** Notes what a unit recorded of a block from one moment to another. */
  readonly record: (
    unit: readonly Seated[],
    rolled: { readonly block: number; readonly from: number; readonly to: number; readonly seconds: number },
  ) => void;
  /** Cards that nobody took out. */
  readonly stillIn: () => readonly Sitting[];
  readonly changes: Change[];
  readonly sittings: Sitting[];
  readonly rolls: Roll[];
}

/**
 * Begins with every card free that is free by then, and every slot empty.
 *
 * @param arrive - takes a card that waits for its copies
 */
export function createPlaces(
  { now, bodies, blocks, cards, rules }: DayProblem,
  arrive: (arrival: Arrival) => void,
): Places {
  const changes: Change[] = [];
  const sittings: Sitting[] = [];
  const rolls: Roll[] = [];
  const seated = new Set<number>();
  const freeSince = cards.map(({ start }) => (start.kind === 'free' && start.at <= now ? start.at : null));
  const share = cards.map(() => 0);
  const rolledOn = cards.map(() => 0);
  const bytesOn = cards.map(() => 0);
  const since = cards.map(() => 0);
  const slotsOf = (): (number | null)[][] => bodies.map(({ slots }) => Array.from({ length: slots }, () => null));
  /** The card in each slot, and the one it had last: a card that goes in after another is a swap. */
  const inSlot = slotsOf();
  const lastIn = slotsOf();
  let freed = 0;
  /** By body: recorded seconds that wait for the card they are on. */
  const behind = bodies.map((one) => one.behind ?? 0);
  /** What is on a card that goes in while its block runs already: at least a second of it is left, so that its change is due. */
  const behindOn = (body: number, { card, slot }: Seated, time: number) => {
    const block = blocks.find((one) => one.body === body && one.from <= now && one.to > now);
    const fit = block?.fits[card]?.[slot];
    if (!fit || time > now + INSTANT) return { share: 0, seconds: 0, bytes: 0 };
    const most = Math.min(rules.changeAt * fit.seconds, rules.most ?? Number.POSITIVE_INFINITY);
    const seconds = Math.max(0, Math.min(entryAt(behind, body), most - 1));
    return { share: seconds / fit.seconds, seconds, bytes: seconds * block.rate };
  };

  const seat = (body: number, { card, slot }: Seated, time: number): void => {
    entryAt(inSlot, body)[slot] = card;
    entryAt(lastIn, body)[slot] = card;
    seated.add(card);
    since[card] = time;
  };
  const sitting = (body: number, { card, slot }: Seated, to: number): Sitting => ({
    card,
    body,
    slot,
    from: entryAt(since, card),
    to,
    rolled: entryAt(rolledOn, card),
    bytes: entryAt(bytesOn, card),
  });
  const free = (card: number, time: number): void => {
    freeSince[card] = time;
    freed += 1;
  };
  /** Recorded seconds that one card still takes in a block. */
  function leftOn({ card, slot }: Seated, block: DayBlock): number {
    const fit = block.fits[card]?.[slot];
    if (!fit) return 0;
    const room = (rules.changeAt - entryAt(share, card)) * fit.seconds;
    const most = rules.most === null ? Number.POSITIVE_INFINITY : rules.most - entryAt(rolledOn, card);
    return Math.max(0, Math.min(room, most));
  }

  return {
    freeSince,
    seated,
    changes,
    sittings,
    rolls,
    free,
    freed: () => freed,
    open: (body) => (inSlot[body] ?? []).map((card) => card === null),
    putIn(body, unit, time) {
      for (const one of unit) {
        const { card, slot } = one;
        const last = changes.findLastIndex((change) => change.body === body && change.slot === slot);
        const before = changes[last];
        // Out and in at one moment is one change.
        const together = before && before.in === null && time - before.at < INSTANT ? before.out : null;
        if (together !== null) changes.splice(last, 1);
        changes.push({ at: time, body, slot, out: together, in: card, after: lastIn[body]?.[slot] ?? null });
        seat(body, one, time);
        freeSince[card] = null;
        const on = behindOn(body, one, time);
        share[card] = on.share;
        rolledOn[card] = on.seconds;
        bytesOn[card] = on.bytes;
      }
      behind[body] = 0;
    },
    takeOut(body, unit, time) {
      for (const one of unit) {
        const { card, slot } = one;
        entryAt(inSlot, body)[slot] = null;
        seated.delete(card);
        changes.push({ at: time, body, slot, out: card, in: null, after: null });
        const sat = sitting(body, one, time);
        sittings.push(sat);
        if (sat.bytes <= 0) free(card, time);
        else arrive({ card, bytes: sat.bytes, copies: 0, left: null, at: time });
      }
    },
    sit(card, start) {
      seat(start.body, { card, slot: start.slot }, start.at);
      share[card] = start.share;
      rolledOn[card] = start.seconds;
      bytesOn[card] = start.bytes;
    },
    stillIn: () =>
      inSlot.flatMap((slots, body) =>
        slots.flatMap((card, slot) => (card === null ? [] : [sitting(body, { card, slot }, Number.POSITIVE_INFINITY)])),
      ),
    left: (unit, block) => unit.reduce((least, one) => Math.min(least, leftOn(one, block)), Number.POSITIVE_INFINITY),
    record(unit, { block: place, from, to, seconds: rolled }) {
      const block = entryAt(blocks, place);
      for (const { card, slot } of unit) {
        const fit = block.fits[card]?.[slot];
        if (!fit) continue;
        const bytes = rolled * block.rate;
        share[card] = entryAt(share, card) + rolled / fit.seconds;
        rolledOn[card] = entryAt(rolledOn, card) + rolled;
        bytesOn[card] = entryAt(bytesOn, card) + bytes;
        const { verdict, tone } = fit;
        rolls.push({ block: place, body: block.body, slot, card, from, to, rolled, bytes, verdict, tone });
      }
    },
  };
}

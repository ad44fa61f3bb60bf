import type { Body, Card, Mode, Slot, Test } from '../../kit/model.ts';
import type { BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromMegabytes } from '../../units/convert.ts';
import type { Filled, Finding, Held } from '../finding.ts';
import { STILL_OF_MODE } from '../misfit.ts';
import { cardKey, pairFit } from '../pairFit.ts';
import { cameAfter } from '../takeOrder.ts';
import { readTest, type TestReading } from '../testReading.ts';

/** The pair and seat that own tests are asked about, with its need in bytes a second. */
export interface TestQuestion {
  readonly body: Body;
  readonly mode: Pick<Mode, 'id'>;
  readonly card: Card;
  /** The seat asked about. */
  readonly slot: Slot;
  readonly need: BytesPerSecond;
}

/** What own tests say of a pair in one seat. */
export type TestsFinding = Extract<Finding, { rule: 'own-tests' }>;

const NOTHING: TestsFinding = {
  rule: 'own-tests',
  outcome: 'unknown',
  passes: 0,
  untilSeconds: null,
  dropSeconds: null,
  contradicts: false,
  setAside: 0,
  provenUpTo: null,
  testIds: [],
  held: null,
  filled: null,
};

/** Where a card may sit in a body: for each slot its bus in force, null where the card does not fit. */
interface Places {
  readonly kinds: ReadonlyMap<string, { readonly key: string; readonly ceiling: number } | null>;
  /** Ceiling of the fastest seat it enters. */
  readonly fastest: number;
}

/** One test of the pair with what its numbers say, before any mode or seat is asked about. */
interface Read {
  readonly test: Test;
  readonly at: number;
  readonly reading: TestReading;
}

/** The tests of one pair, read once: every mode of the body asks about the same ones. */
interface Digest {
  readonly body: Body;
  readonly card: Card;
  readonly read: readonly Read[];
  /** How many of them say what cannot be true. */
  readonly setAside: number;
  /** Worked out when a test names another seat than the one asked about. */
  places: Places | null;
}

const digests = new WeakMap<readonly Test[], Digest>();

const places = new WeakMap<Body, Map<string, Places>>();

/** Worked out once a body and print. */
function placesOf(body: Body, card: Card): Places {
  const known = places.get(body) ?? new Map<string, Places>();
  places.set(body, known);
  const key = cardKey(card);
  const before = known.get(key);
  if (before) return before;
  const made = newPlaces(body, card);
  known.set(key, made);
  return made;
}

function newPlaces(body: Body, card: Card): Places {
  const kinds = new Map(
    body.slots.map((slot) => {
      const fit = pairFit(slot, card);
      // Seats of one bus share what was tested.
      const kind = fit.fits
        ? { key: `${fit.bus.slot} ${fit.bus.inForce}`, ceiling: (fit.bus.ceiling ?? 0) as number }
        : null;
      return [slot.id, kind] as const;
    }),
  );
  return { kinds, fastest: Math.max(...[...kinds.values()].map((kind) => kind?.ceiling ?? 0)) };
}

function digest(tests: readonly Test[], body: Body, card: Card): Digest {
  const known = digests.get(tests);
  if (known && known.body === body && known.card === card) return known;
  const read = tests
    .filter((test) => test.bodyId === body.id && test.cardId === card.id)
    .map((test, at): Read => ({ test, at, reading: readTest(test, body, card) }));
  const setAside = read.filter(({ reading }) => reading.misfit !== null).length;
  const made: Digest = { body, card, read, setAside, places: null };
  digests.set(tests, made);
  return made;
}

interface Speaks {
  readonly pass: boolean;
  readonly drop: boolean;
}

const BOTH: Speaks = { pass: true, drop: true };
const NEITHER: Speaks = { pass: false, drop: false };
const DROP_ALONE: Speaks = { pass: false, drop: true };

/**
 * For which seat a test speaks. One that names its slot speaks for slots of the same bus. One that names none proves only
 * the fastest seat the card enters, and its drop counts for all; so does the drop of a slot that is gone.
 */
function speaksFor({ slotId }: Test, slot: Slot, pair: Digest): Speaks {
  if (slotId === slot.id) return BOTH;
  pair.places ??= placesOf(pair.body, pair.card);
  const { kinds, fastest } = pair.places;
  const own = kinds.get(slot.id);
  if (!own) return NEITHER;
  if (slotId === null) return own.ceiling >= fastest ? BOTH : DROP_ALONE;
  const named = kinds.get(slotId);
  if (named === undefined) return DROP_ALONE;
  return named?.key === own.key ? BOTH : NEITHER;
}

/** The least that a take may have written: what is only assumed beside a stated rate lifts no mode over another. */
const written = ({ test, reading }: Read): number | null =>
  reading.least ?? (test.writtenMBps === null ? null : fromMegabytes(test.writtenMBps));

/** Whether a dropped take speaks against the mode: it was this one, or one writing no faster. */
function against(told: Read, { mode, need }: TestQuestion): boolean {
  if (told.test.modeId === mode.id) return true;
  const rate = written(told);
  return rate !== null && rate <= need;
}

const idsOf = (read: readonly Read[]): readonly string[] => read.map(({ test }) => test.id);

/** The newest of several; of two whose order nobody knows the one that ended sooner. */
const newest = (found: readonly Read[]): Read | null =>
  found.reduce<Read | null>((last, one) => {
    if (last === null || cameAfter(one, last)) return one;
    return cameAfter(last, one) || last.test.seconds <= one.test.seconds ? last : one;
  }, null);

/** The fastest rate that full takes prove; null where none does. */
function bestOf(full: readonly Read[]): BytesPerSecond | null {
  const best = full.reduce<number>((most, { reading }) => Math.max(most, reading.proves ?? 0), 0);
  return best > 0 ? (best as BytesPerSecond) : null;
}

/** Whether a drop is over: a later full take of its very mode, or of the one asked about. */
const isOver = (drop: Read, full: readonly Read[], modeId: string): boolean =>
  full.some(
    (one) =>
      one.reading.provesMode &&
      (one.test.modeId === drop.test.modeId || one.test.modeId === modeId) &&
      cameAfter(one, drop),
  );

/** Whether a full take filled the card in the mode it names. */
const isFill = ({ reading: { misfit } }: Read): boolean => misfit === null || STILL_OF_MODE.has(misfit.code);

/**
 * Whether a take that was stopped by hand, or that filled the card, is known to have held as long as it lasted: its numbers
 * are true, or are those of a fill in another compression to the letter. Any other slip may be one in the time.
 */
const isHeld = ({ test: { end }, reading: { misfit } }: Read): boolean =>
  misfit === null || (end === 'full' && misfit.code === 'ratio');

/** What takes of the very mode held, that prove no whole card; null where there is none. */
function heldBy(own: readonly Read[]): Held | null {
  if (own.length === 0) return null;
  const dates = own.flatMap(({ test }) => test.date ?? []).toSorted();
  const lengths = own.map(({ test }) => test.seconds);
  return {
    seconds: Math.max(...lengths) as Seconds,
    least: Math.min(...lengths) as Seconds,
    takes: own.length,
    from: dates[0] ?? null,
    to: dates.at(-1) ?? null,
  };
}

/** The longest of the fills, and why its numbers are not those believed; null where there is none. */
function longestFill(fills: readonly Read[]): Filled | null {
  const [first, ...rest] = fills;
  if (!first) return null;
  const longest = rest.reduce((most, one) => (one.test.seconds > most.test.seconds ? one : most), first);
  return { testId: longest.test.id, seconds: longest.test.seconds as Seconds, misfit: longest.reading.misfit };
}

/** Whether a take of another mode is known, by its own bytes, to have written at least as fast. */
const wroteAsFast = ({ reading: { implied } }: Read, need: BytesPerSecond): boolean =>
  implied !== null && implied >= need;

/**
 * What own tests of this body and card say for one seat. A drop stands until a pass of its very mode, or of the one
 * asked about, that is known to have come later; but a card that was filled in the very mode cannot be said to drop because
 * another mode did: that is told, and counted as held alone. A full take in another mode that wrote at least as fast proves
 * this one for as long as it lasted. A take that was stopped by hand, or whose numbers are not those of the rate believed,
 * is known for as long as it lasted. Objects are written out in full: a board of thousands of tests asks it for each cell.
 */
export function ownTestsRule(tests: readonly Test[], asked: TestQuestion): TestsFinding {
  if (tests.length === 0) return NOTHING;
  const { body, card, mode, slot, need } = asked;
  const pair = digest(tests, body, card);
  const { setAside } = pair;
  const full: Read[] = [];
  const stopped: Read[] = [];
  const drops: Read[] = [];
  for (const one of pair.read) {
    const { end } = one.test;
    if (end === 'full' || end === 'stopped') {
      if (speaksFor(one.test, slot, pair).pass) (end === 'full' ? full : stopped).push(one);
    } else if (end === 'dropped' && against(one, asked) && speaksFor(one.test, slot, pair).drop) drops.push(one);
  }
  const isOwn = ({ test }: Read): boolean => test.modeId === mode.id;
  const isPass = (one: Read): boolean =>
    (isOwn(one) && one.reading.provesMode) || (one.reading.proves !== null && one.reading.proves >= need);
  const standing = drops.filter((drop) => !isOver(drop, full, mode.id));
  // A card that was filled in this very mode since it last dropped in it.
  const ownFills = full.filter(
    (one) => isOwn(one) && isFill(one) && drops.every((drop) => !isOwn(drop) || cameAfter(one, drop)),
  );
  const newestDrop = newest(standing);
  if (newestDrop && (standing.some(isOwn) || ownFills.length === 0))
    return {
      rule: 'own-tests',
      outcome: 'short',
      passes: 0,
      untilSeconds: null,
      dropSeconds: newestDrop.test.seconds as Seconds,
      contradicts: full.some(isPass),
      setAside,
      provenUpTo: bestOf(full),
      testIds: idsOf(standing),
      held: null,
      filled: null,
    };
  // What was passed before the pair dropped is no proof of what it does since.
  const isSince = (one: Read): boolean => drops.every((drop) => cameAfter(one, drop));
  const since = full.filter(isSince);
  const provenUpTo = bestOf(since);
  const valid = newestDrop ? [] : since.filter(isPass);
  if (valid.length === 0) {
    const own = [
      ...ownFills.filter((one) => newestDrop !== null || isSince(one)),
      ...stopped.filter((one) => isSince(one) && (isOwn(one) || wroteAsFast(one, need))),
    ].filter(isHeld);
    const held = heldBy(own);
    const filled = longestFill(ownFills.filter((one) => newestDrop !== null || isSince(one)));
    if (held === null && filled === null && setAside === 0 && provenUpTo === null) return NOTHING;
    return {
      rule: 'own-tests',
      outcome: held === null ? 'unknown' : 'note',
      passes: 0,
      untilSeconds: null,
      dropSeconds: null,
      contradicts: newestDrop !== null,
      setAside,
      provenUpTo,
      testIds: idsOf(own),
      held,
      filled,
    };
  }
  const own = valid.filter(isOwn);
  const counted = own.length > 0 ? own : valid;
  const longest = Math.max(...counted.map(({ test }) => test.seconds));
  return {
    rule: 'own-tests',
    outcome: 'pass',
    passes: counted.length,
    untilSeconds: own.length > 0 ? null : (longest as Seconds),
    dropSeconds: null,
    contradicts: drops.length > 0,
    setAside,
    provenUpTo,
    testIds: idsOf(counted),
    held: null,
    filled: null,
  };
}

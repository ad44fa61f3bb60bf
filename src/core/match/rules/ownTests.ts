import type { Body, Card, Mode, Slot, Test } from '../../kit/model.ts';
import type { BytesPerSecond, Seconds } from '../../units/brand.ts';
import { fromMBps } from '../../units/convert.ts';
import type { Finding } from '../finding.ts';
import { pairFit } from '../pairFit.ts';
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
};

/** Bus in force of a card in a slot, as text; null where it does not fit. Seats of one bus share what was tested. */
function seatKind(slot: Slot, card: Card): { readonly key: string; readonly ceiling: number } | null {
  const fit = pairFit(slot, card);
  return fit.fits ? { key: `${fit.bus.slot} ${fit.bus.inForce}`, ceiling: fit.bus.ceiling ?? 0 } : null;
}

/**
 * For which seat a test speaks. One that names its slot speaks for slots of the same bus. One that names none proves only
 * the fastest seat the card enters, and its drop counts for all; so does the drop of a slot that is gone.
 */
function speaksFor(
  { slotId }: Test,
  { body, card, slot }: TestQuestion,
): { readonly pass: boolean; readonly drop: boolean } {
  if (slotId === slot.id) return { pass: true, drop: true };
  const own = seatKind(slot, card);
  if (!own) return { pass: false, drop: false };
  const named = slotId === null ? undefined : body.slots.find(({ id }) => id === slotId);
  if (named) {
    const same = seatKind(named, card)?.key === own.key;
    return { pass: same, drop: same };
  }
  if (slotId !== null) return { pass: false, drop: true };
  const fastest = Math.max(...body.slots.map((one) => seatKind(one, card)?.ceiling ?? 0));
  return { pass: own.ceiling >= fastest, drop: true };
}

interface Told {
  readonly test: Test;
  readonly at: number;
  readonly reading: TestReading;
  readonly pass: boolean;
  readonly drop: boolean;
}

/** Whether one test came after another: by their dates, and by their place in the log where a date is missing or equal. */
const isLater = (a: Told, b: Told): boolean =>
  a.test.date !== null && b.test.date !== null && a.test.date !== b.test.date ? a.test.date > b.test.date : a.at > b.at;

const written = ({ test, reading }: Told): number | null =>
  reading.average ?? (test.writtenMBps === null ? null : fromMBps(test.writtenMBps));

/** Whether a dropped take speaks against the mode: it was this one, or one writing no faster. */
function against(told: Told, { mode, need }: TestQuestion): boolean {
  if (told.test.modeId === mode.id) return true;
  const rate = written(told);
  return rate !== null && rate <= need;
}

const idsOf = (told: readonly Told[]): readonly string[] => told.map(({ test }) => test.id);

const newest = (found: readonly Told[]): Told | null =>
  found.reduce<Told | null>((last, one) => (last && isLater(last, one) ? last : one), null);

/** The fastest rate that full takes prove; null where none does. */
function bestOf(full: readonly Told[]): BytesPerSecond | null {
  const best = full.reduce<number>((most, { reading }) => Math.max(most, reading.proves ?? 0), 0);
  return best > 0 ? (best as BytesPerSecond) : null;
}

/**
 * What own tests of this body and card say for one seat. A drop stands until a later pass of its very mode, or of the one
 * asked about. A full take in another mode that wrote at least as fast proves this one for as long as it lasted. A
 * stopped take says nothing either way.
 */
export function ownTestsRule(tests: readonly Test[], asked: TestQuestion): TestsFinding {
  if (tests.length === 0) return NOTHING;
  const { body, card, mode, need } = asked;
  const told: readonly Told[] = tests
    .filter((test) => test.bodyId === body.id && test.cardId === card.id)
    .map((test, at) => ({ test, at, reading: readTest(test, body, card), ...speaksFor(test, asked) }));
  if (told.length === 0) return NOTHING;
  const full = told.filter((one) => one.pass && one.test.end === 'full');
  const passes = full.filter(({ reading }) => reading.proves !== null && reading.proves >= need);
  const drops = told.filter((one) => one.drop && one.test.end === 'dropped' && against(one, asked));
  const standing = drops.filter(
    (drop) =>
      !full.some(
        (one) =>
          one.reading.provesMode &&
          isLater(one, drop) &&
          (one.test.modeId === drop.test.modeId || one.test.modeId === mode.id),
      ),
  );
  const setAside = told.filter(({ reading }) => reading.misfit !== null).length;
  const newestDrop = newest(standing);
  if (newestDrop)
    return {
      ...NOTHING,
      outcome: 'short',
      dropSeconds: newestDrop.test.seconds as Seconds,
      contradicts: passes.length > 0,
      setAside,
      provenUpTo: bestOf(full),
      testIds: idsOf(standing),
    };
  // What was passed before the pair dropped is no proof of what it does since.
  const lastDrop = newest(drops);
  const since = (one: Told): boolean => lastDrop === null || isLater(one, lastDrop);
  const provenUpTo = bestOf(full.filter(since));
  const valid = passes.filter(since);
  if (valid.length === 0) return setAside > 0 || provenUpTo !== null ? { ...NOTHING, setAside, provenUpTo } : NOTHING;
  const own = valid.filter(({ test }) => test.modeId === mode.id);
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
  };
}

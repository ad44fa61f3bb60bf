import type { Body, Card, Mode, Test } from '../kit/model.ts';
import { RANGES } from '../kit/ranges.ts';
import { bodyInMode } from '../match/bodyInMode.ts';
import { sharesOf } from '../match/seats.ts';
import { readTest } from '../match/testReading.ts';
import { toMegabytes } from '../units/convert.ts';
import { type Bracket, bracket, type Drop, type InCommon, inCommon, type PaceTake } from './bracket.ts';
import { type OddTake, type Reconciled, reconcile, type TakeOutcome } from './reconcile.ts';

/** What tests are looked at with. */
export interface EvidenceKit {
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
}

/** A test with what it names; a body or card that was deleted since is not here. */
export interface Placed {
  readonly test: Test;
  readonly body: Body;
  readonly mode: Mode | null;
  readonly card: Card;
}

/** Tests whose body and card are still in the kit, each with them. */
export function placed({ bodies, cards, tests }: EvidenceKit): readonly Placed[] {
  const bodyOf = new Map(bodies.map((body) => [body.id, body]));
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  return tests.flatMap((test) => {
    const [body, card] = [bodyOf.get(test.bodyId), cardOf.get(test.cardId)];
    return body && card ? [{ test, body, card, mode: body.modes.find(({ id }) => id === test.modeId) ?? null }] : [];
  });
}

const OUTCOMES = {
  full: 'filled',
  dropped: 'dropped',
  stopped: 'stopped',
  'cut-off': 'stopped',
} as const satisfies Record<Test['end'], TakeOutcome>;

const inRange = (value: number, { min, max }: { readonly min: number; readonly max: number }): boolean =>
  value >= min && value <= max;

/** What a card was written in a test, MB/s: as its mode writes on average, else as noted; null where neither is known. */
export function demandedMBps({ test, body, card }: Placed): number | null {
  const { average } = readTest(test, body, card);
  return average === null ? test.writtenMBps : toMegabytes(average);
}

/** A test as a take to be reconciled; null where its rate is not known, or its numbers are none. */
export function oddTake(one: Placed): OddTake | null {
  const { test, body, mode, card } = one;
  const nominalMBps = demandedMBps(one);
  const { least } = readTest(test, body, card);
  const seconds = test.clipGB == null ? test.seconds * (test.takes ?? 1) : test.seconds;
  if (nominalMBps === null || !inRange(nominalMBps, RANGES.takeAmount) || !inRange(seconds, RANGES.takeSeconds))
    return null;
  return {
    capacityGB: card.capacityGB,
    usableFraction: card.usableGB === null ? null : Math.min(1, card.usableGB / card.capacityGB),
    nominalMBps,
    leastMBps: least === null ? null : toMegabytes(least),
    setRatio: mode?.rate.kind === 'raw' ? mode.rate.ratio : null,
    ratedMBps: card.sustainedMBps,
    outcome: OUTCOMES[test.end],
    seconds,
    fileGB: test.clipGB != null && test.clipGB >= RANGES.takeAmount.min ? test.clipGB : null,
    varies: test.rateIs == null ? null : test.rateIs === 'quality',
    cards: sharesOf(mode ? bodyInMode(body, mode) : body),
  };
}

/** Why a result is worth a look. */
export type PuzzleWhy =
  /** Its own numbers do not fit its mode. */
  | 'numbers'
  /** It filled the card at a rate above what its maker claims. */
  | 'beyond-claim'
  /** It dropped below a rate at which this card, in this body, was filled. */
  | 'below-a-pass';

/** A result that looks impossible, and what its numbers come to. */
export interface Puzzle extends Placed {
  readonly why: PuzzleWhy;
  readonly take: OddTake;
  readonly reconciled: Reconciled;
}

/** How far a rate may lie from the one believed before it is worth a look [A]. */
const WORTH_A_LOOK = 0.1;

/**
 * The results that look impossible, in the order of the log: numbers that do not fit, a card that bore more than its maker
 * claims, and a drop below a rate that was passed.
 */
export function puzzles(kit: EvidenceKit): readonly Puzzle[] {
  const all = placed(kit).map((one) => ({ one, reading: readTest(one.test, one.body, one.card) }));
  const best = new Map<string, number>();
  for (const { one, reading } of all) {
    const key = `${one.body.id} ${one.card.id}`;
    if (reading.proves !== null) best.set(key, Math.max(best.get(key) ?? 0, toMegabytes(reading.proves)));
  }
  return all.flatMap(({ one, reading: { implied } }): readonly Puzzle[] => {
    const take = oddTake(one);
    if (!take) return [];
    const passed = best.get(`${one.body.id} ${one.card.id}`) ?? 0;
    // Between what the stated rate is alone and with all that may stand beside it, nothing is odd.
    const { nominalMBps, leastMBps } = take;
    const wrote = implied === null ? null : toMegabytes(implied);
    const isOdd =
      wrote !== null &&
      Math.abs(Math.log(wrote / Math.min(nominalMBps, Math.max(leastMBps ?? nominalMBps, wrote)))) > WORTH_A_LOOK;
    const why: PuzzleWhy | null = isOdd
      ? 'numbers'
      : take.outcome === 'filled' && take.ratedMBps !== null && take.nominalMBps > take.ratedMBps
        ? 'beyond-claim'
        : take.outcome === 'dropped' && passed >= take.nominalMBps
          ? 'below-a-pass'
          : null;
    return why ? [{ ...one, why, take, reconciled: reconcile(take) }] : [];
  });
}

/** Between what the pace of one card in one body lies, with the takes that say so. */
export interface CardBracket {
  readonly body: Body;
  readonly card: Card;
  readonly bracket: Bracket;
  /** The fastest take it was filled with, and the slowest that dropped. */
  readonly passed: Placed | null;
  readonly dropped: Placed | null;
  /** What its drops have in common. */
  readonly common: InCommon;
  readonly drops: number;
}

/** What explains a rate and leaves its bytes and seconds as they are: the card really took so much. */
export const REAL: ReadonlySet<string> = new Set([
  'agrees',
  'counter-rounding',
  'compression-ratio',
  'variable-rate',
  'beside-the-picture',
  'crop',
]);

/**
 * A take as evidence of pace: by its mode's rate where its numbers fit, so that passes and drops of one mode are one rate. A
 * fill whose numbers do not fit is taken by the rate they imply where what explains them leaves them true; otherwise it
 * bounds nothing.
 */
function paceOf(one: Placed): PaceTake | null {
  const take = oddTake(one);
  if (!take) return null;
  const { outcome, seconds, nominalMBps } = take;
  if (outcome !== 'filled') return { outcome, MBps: nominalMBps, seconds };
  const { implied, misfit, provesMode } = readTest(one.test, one.body, one.card);
  const [first] = reconcile(take).explanations;
  if (misfit !== null && !REAL.has(first?.code ?? '')) return null;
  return { outcome, MBps: provesMode || implied === null ? nominalMBps : toMegabytes(implied), seconds };
}

const groupBy = <T>(all: readonly T[], key: (one: T) => string): ReadonlyMap<string, readonly T[]> => {
  const found = new Map<string, T[]>();
  for (const one of all) {
    const own = found.get(key(one));
    if (own) own.push(one);
    else found.set(key(one), [one]);
  }
  return found;
};

/** Bytes written until a drop, GB: its clip, else what the mode writes over its seconds. */
function droppedAt(one: Placed): Drop | null {
  const rate = demandedMBps(one);
  const GB = one.test.clipGB ?? (rate === null ? null : (rate * one.test.seconds) / 1000);
  if (GB === null || !(GB > 0) || !(one.test.seconds > 0)) return null;
  return { GB, seconds: one.test.seconds, demandMBps: rate, isMeasured: one.test.clipGB != null };
}

/** The bracket of every card that was tested, a body and a card at a time, in the order of the log. */
export function cardBrackets(kit: EvidenceKit): readonly CardBracket[] {
  const groups = groupBy(placed(kit), ({ body, card }) => `${body.id} ${card.id}`);
  return [...groups.values()].map((own): CardBracket => {
    const paced = own.flatMap((one) => {
      const pace = paceOf(one);
      return pace ? [{ one, pace }] : [];
    });
    const pick = (outcome: TakeOutcome, better: (a: number, b: number) => boolean): Placed | null =>
      paced
        .filter(({ pace }) => pace.outcome === outcome)
        .reduce<(typeof paced)[number] | null>(
          (best, next) => (best && !better(next.pace.MBps ?? 0, best.pace.MBps ?? 0) ? best : next),
          null,
        )?.one ?? null;
    const drops = own.filter(({ test }) => test.end === 'dropped').flatMap((one) => droppedAt(one) ?? []);
    const [{ body, card }] = own as [Placed];
    return {
      body,
      card,
      bracket: bracket(paced.map(({ pace }) => pace)),
      passed: pick('filled', (a, b) => a > b),
      dropped: pick('dropped', (a, b) => a < b),
      common: inCommon(drops),
      drops: drops.length,
    };
  });
}

/** What the drops of one body have in common across its cards, where several cards dropped in it. */
export interface AcrossCards {
  readonly body: Body;
  readonly cards: readonly Card[];
  readonly common: InCommon;
}

/** The same time on several cards of one body is heat, whatever the cards are. */
export function acrossCards(kit: EvidenceKit): readonly AcrossCards[] {
  const dropped = placed(kit).filter(({ test }) => test.end === 'dropped' || test.end === 'cut-off');
  return [...groupBy(dropped, ({ body }) => body.id).values()].flatMap((own): readonly AcrossCards[] => {
    const cards = [...new Set(own.map(({ card }) => card))];
    const [first] = own;
    if (!first || cards.length < 2) return [];
    return [{ body: first.body, cards, common: inCommon(own.flatMap((one) => droppedAt(one) ?? [])) }];
  });
}

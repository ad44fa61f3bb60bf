import Joi from 'joi';
import { entryAt } from '../../core/entryAt.ts';
import { CARD_STATES, type Card, type CardState } from '../../core/kit/model.ts';
import { PRESS_KEY as KEY, type Plan, type PlanPress } from '../../core/kit/plan.ts';
import { err, ok, type Result } from '../../core/result.ts';
import { mergedLog, shownAfter, type ToldPress, walletAfter } from '../../core/rotation/merge.ts';
import { lastPresses, stateOf } from '../../core/rotation/states.ts';
import { travellingLine } from '../../text/travel.ts';

/** What another device knows of a day. */
export interface StatesRead {
  readonly kind: 'states';
  readonly planId: string;
  readonly presses: readonly ToldPress[];
  /** What the clock of that device showed when it made the code, milliseconds since 1970; null where the code does not say. */
  readonly clock: number | null;
  /** Whether it was pressed in a rehearsal: then it goes into another rehearsal, and nowhere else. */
  readonly isRehearsed: boolean;
}

/** What a code says: a card, or where the cards of a day stand. */
export type CodeRead = { readonly kind: 'card'; readonly cardId: string } | StatesRead;

/** Why a code is none of ours. */
export type CodeRefusal = 'not-ours' | 'damaged';

const CARD = 'coolreel-card:';
const STATES = 'coolreel-day:';

export const cardCode = (cardId: string): string => CARD + cardId;

/** Seconds since 2020 in the code: shorter than a date. */
const EPOCH = Date.UTC(2020, 0, 1);

/** A number of 30 bits out of a text (FNV-1a), for presses that were noted before they had names. */
function hashOf(text: string): string {
  let hash = 0x811c9dc5;
  for (const letter of text) hash = Math.imul(hash ^ (letter.codePointAt(0) ?? 0), 0x01000193);
  return (hash >>> 2).toString(36).padStart(KEY, '0').slice(-KEY);
}

/** What names a press on every device that knows it. */
const keyOf = (press: PlanPress): string =>
  press.id ?? hashOf(`${Math.round(Date.parse(press.at) / 1000)} ${press.cardId} ${press.to}`);

/** A press in a code; what ends an entry and says nothing is left out. */
type Packed = readonly [
  cardId: string,
  state: number,
  /** Seconds before the newest press of the code. */
  before: number,
  who: string,
  /** The key of the press, then those of the card before it, the newest first. */
  keys: string,
  bodyId?: string,
  slotId?: string,
  ahead?: number,
];

/** An entry of a code from before presses had names. */
type OldPacked = readonly [cardId: string, state: number, at: number, who: string, bodyId?: string, slotId?: string];

/** Letters of a code that a camera still reads off a screen without trouble, and that one code holds. */
const MOST_LETTERS = 1800;
/** How many earlier presses of a card go into a code, the most that fit. */
const CHAINS = [24, 12, 8, 5, 3, 2, 1, 0] as const;

const secondsOf = (at: number): number => Math.round((at - EPOCH) / 1000);

/** An entry without what ends it and says nothing. */
function trimmed(entry: Packed): readonly unknown[] {
  const last = entry.findLastIndex((part, at) => at < 5 || (part !== '' && part !== 0));
  return entry.slice(0, last + 1);
}

/**
 * The last press of every card of a day, as one text for a code: with the presses before it, so that another device can tell
 * what this one knew.
 *
 * @param now - this device's clock, milliseconds since 1970; of no meaning in a rehearsal
 */
export function statesCode(
  plan: Pick<Plan, 'id' | 'log'>,
  { now, isRehearsed }: { readonly now: number; readonly isRehearsed: boolean },
): string {
  const log = plan.log ?? [];
  const last = [...lastPresses(log).values()];
  const newest = Math.max(0, ...last.map(({ at }) => secondsOf(Date.parse(at))));
  const text = (most: number): string => {
    const packed = last.map((press) => {
      const before = log.filter(({ cardId }) => cardId === press.cardId).slice(0, -1);
      return trimmed([
        press.cardId,
        CARD_STATES.indexOf(press.to),
        newest - secondsOf(Date.parse(press.at)),
        travellingLine(press.who).slice(0, 12),
        [press, ...before.toReversed().slice(0, most)].map(keyOf).join(''),
        press.bodyId ?? '',
        press.bodyId ? (press.slotId ?? '') : '',
        press.aheadSeconds ?? 0,
      ]);
    });
    return STATES + JSON.stringify([plan.id, packed, newest, isRehearsed ? 0 : secondsOf(now)]);
  };
  return CHAINS.map(text).find(({ length }) => length <= MOST_LETTERS) ?? text(0);
}

const seconds = Joi.number().integer().min(0).max(4e9);
const cardId = Joi.string().max(64).required();
const state = Joi.number()
  .integer()
  .min(0)
  .max(CARD_STATES.length - 1)
  .required();
const who = Joi.string().allow('').max(80).required();
const place = Joi.string().allow('').max(64);

/** Entries of a code: of each card one. */
const entriesOf = (entry: Joi.ArraySchema): Joi.ArraySchema =>
  Joi.array()
    .max(1000)
    .items(entry)
    .unique((a: OldPacked, b: OldPacked) => a[0] === b[0])
    .required();

const oldSchema = Joi.array().ordered(
  cardId,
  entriesOf(Joi.array().ordered(cardId, state, seconds.required(), who, place, place)),
);
const keys = Joi.string()
  .pattern(new RegExp(`^(?:[0-9a-z]{${KEY}})+$`))
  .max(KEY * 30)
  .required();
const ahead = Joi.number().integer().min(-4e9).max(4e9);
const newSchema = Joi.array().ordered(
  cardId,
  entriesOf(Joi.array().ordered(cardId, state, seconds.required(), who, keys, place, place, ahead)),
  seconds.required(),
  seconds.required(),
);
const KEYS = new RegExp(`.{${KEY}}`, 'g');

const toldOf = (
  [cardId, state, , who]: readonly [string, number, number, string, ...unknown[]],
  at: number,
  more: Partial<PlanPress>,
): PlanPress => ({
  at: new Date(EPOCH + at * 1000).toISOString(),
  cardId,
  to: entryAt(CARD_STATES, state),
  who: travellingLine(who),
  ...more,
});

/** Where a card went in, where a code says so. */
const placeOf = (bodyId?: string, slotId?: string): Partial<PlanPress> =>
  bodyId ? { bodyId, slotId: slotId || null } : {};

/** Reads what a code says. */
export function readCode(text: string): Result<CodeRead, CodeRefusal> {
  if (text.startsWith(CARD)) {
    const cardId = text.slice(CARD.length);
    return cardId.length > 0 && cardId.length <= 64 ? ok({ kind: 'card', cardId }) : err('damaged');
  }
  if (!text.startsWith(STATES)) return err('not-ours');
  let raw: unknown;
  try {
    raw = JSON.parse(text.slice(STATES.length));
  } catch {
    return err('damaged');
  }
  if (!oldSchema.validate(raw, { convert: false }).error) {
    // As the schema has just checked it.
    const [planId, entries] = raw as [string, readonly OldPacked[]];
    const presses = entries.map((entry) => ({
      press: toldOf(entry, entry[2], placeOf(entry[4], entry[5])),
      after: [],
    }));
    return ok({ kind: 'states', planId, presses, clock: null, isRehearsed: false });
  }
  if (newSchema.validate(raw, { convert: false }).error) return err('damaged');
  const [planId, entries, newest, clock] = raw as [string, readonly Packed[], number, number];
  const presses = entries.map((entry): ToldPress => {
    const [, , before, , keys, bodyId, slotId, ahead] = entry;
    const [id = '', ...after] = keys.match(KEYS) ?? [];
    const more = { id, ...placeOf(bodyId, slotId), ...(ahead ? { aheadSeconds: ahead } : {}) };
    return { press: toldOf(entry, Math.max(0, newest - before), more), after };
  });
  return ok({
    kind: 'states',
    planId,
    presses,
    clock: clock === 0 ? null : EPOCH + clock * 1000,
    isRehearsed: clock === 0,
  });
}

/** A card of which nobody can tell whether their press came after what is known here, in log or wallet. */
interface Contested {
  readonly cardId: string;
  readonly here: CardState;
  readonly there: CardState;
  readonly who: string;
  /** The less safe of the two. */
  readonly stays: CardState;
}

/** What taking over another device's presses would change. */
export interface HandOver {
  readonly log: readonly PlanPress[];
  /** Cards that show another state then. */
  readonly changes: readonly {
    readonly cardId: string;
    /** Null where nothing was known of it here. */
    readonly from: CardState | null;
    readonly to: CardState;
    readonly who: string;
  }[];
  readonly contested: readonly Contested[];
  /** What the wallet says of a card then. */
  readonly walletOf: (card: Pick<Card, 'id' | 'state'>) => CardState | null;
  /** How far their clock is ahead of the one here, seconds; negative: behind; null where their code does not say. */
  readonly aheadSeconds: number | null;
}

/** What a person decides before presses of another device are taken over. */
export interface HandOverChoice {
  /** This device's clock when the code was read, milliseconds since 1970. */
  readonly now: number;
  /** Whether a person says that theirs came later where nobody can tell. */
  readonly vouched: boolean;
}

export function handOver(
  plan: Pick<Plan, 'log' | 'cardIds'>,
  cards: readonly Pick<Card, 'id' | 'state'>[],
  { presses, clock }: Pick<StatesRead, 'presses' | 'clock'>,
  { now, vouched }: HandOverChoice,
): HandOver {
  const aheadSeconds = clock === null ? null : Math.round((clock - now) / 1000);
  const own = plan.log ?? [];
  const inPlan = presses.filter(({ press }) => plan.cardIds.includes(press.cardId));
  const theirs = inPlan.map(
    ({ press, after }): ToldPress => ({
      press: isOff(aheadSeconds) ? { ...press, aheadSeconds: (press.aheadSeconds ?? 0) + aheadSeconds } : press,
      after,
    }),
  );
  const { log, taken } = mergedLog(own, theirs, { keyOf, vouched });
  const cardOf = new Map(cards.map((card) => [card.id, card]));
  const before = lastPresses(own);
  const found = taken
    .filter(({ order }) => order !== 'known')
    .map((one) => {
      const { cardId, to: there, who } = one.told.press;
      const card = cardOf.get(cardId) ?? { id: cardId };
      const from = before.has(cardId) || card.state ? stateOf(card, before) : null;
      const stays = shownAfter(card, one, false);
      const isOpen = from !== null && from !== there && (one.order === 'unknown' || stays !== there);
      return { cardId, who, from, there, stays, isOpen, to: vouched && isOpen ? there : stays, one };
    });
  const takenOf = new Map(found.map(({ cardId, isOpen, one }) => [cardId, { one, isVouched: vouched && isOpen }]));
  return {
    log,
    changes: found.flatMap(({ cardId, from, to, who }) => (to === from ? [] : [{ cardId, from, to, who }])),
    contested: found.flatMap(({ cardId, who, from, there, stays, isOpen }) =>
      isOpen && from !== null ? [{ cardId, who, here: from, there, stays }] : [],
    ),
    walletOf(card) {
      const of = takenOf.get(card.id);
      return of ? walletAfter(card.state ?? null, of.one, of.isVouched) : (card.state ?? null);
    },
    aheadSeconds,
  };
}

/** Clocks this far apart, seconds, are told of; less is what it takes to hold a phone over another. */
const APART = 60;

/** Whether two clocks are so far apart that it is told of. */
export const isOff = (aheadSeconds: number | null): aheadSeconds is number =>
  aheadSeconds !== null && Math.abs(aheadSeconds) > APART;

import { askedBuses } from '../cards/slotKinds.ts';
import { entryAt } from '../entryAt.ts';
import type { AirMovement, Body, Card, Mode, Test } from '../kit/model.ts';
import { answersFor } from '../match/board.ts';
import { cardOfPrint, cardsToBuy } from '../match/buyCard.ts';
import { type Cell, cellTone } from '../match/cell.ts';
import { printOf } from '../match/print.ts';
import { rollTime } from '../match/rollTime.ts';
import type { Verdict } from '../match/verdict.ts';
import { cardOfOffer } from '../shop/offerCard.ts';
import type { Bus } from '../standards/buses.ts';
import { toMegabytes } from '../units/convert.ts';
import type { BestQuestion, Rhythm } from './question.ts';
import { type Solving, type Stands, stands, type Why } from './stands.ts';

/** Something that a person can do so that a mode holds. */
export type Fix =
  /** What nobody told: with this bus it holds. */
  | { readonly code: 'tell-bus'; readonly slots: readonly string[]; readonly bus: Bus }
  /** What is on them is copied and verified. */
  | { readonly code: 'copy'; readonly cards: readonly Card[] }
  /** A fault that was noted is looked at, and comes to nothing. */
  | { readonly code: 'settle'; readonly cards: readonly Card[] }
  /** A label in doubt: filled and read back once. */
  | { readonly code: 'verify'; readonly cards: readonly Card[] }
  | { readonly code: 'shade' }
  | { readonly code: 'moving-air'; readonly air: AirMovement }
  /** A take of this mode until each of these cards is full. */
  | { readonly code: 'test'; readonly cards: readonly Card[]; readonly minutes: number }
  | ({ readonly code: 'rests' } & Rhythm)
  | {
      readonly code: 'buy';
      /** As printed. */
      readonly card: Card;
      readonly count: number;
      /** For all of them, in hundredths; null where no price is known. */
      readonly cents: number | null;
      readonly currency: string;
      /** The card of the wallet that it is one more of; null where it is another print. */
      readonly like: Card | null;
    };

/** A question with something changed, and the body as it is then. */
interface Changed {
  readonly question: BestQuestion;
  readonly body: Body;
}

/** A fix with what it leads to. */
interface Tried {
  readonly fix: Fix;
  readonly changed: Changed;
}

/** Where a fix is looked for. */
interface Place extends Changed {
  readonly mode: Mode;
  readonly solving: Solving;
}

const withBody = ({ question, body }: Changed, changed: Body): Changed => ({
  body: changed,
  question: {
    ...question,
    kit: { ...question.kit, bodies: question.kit.bodies.map((one) => (one.id === body.id ? changed : one)) },
  },
});

const withCards = ({ question, body }: Changed, change: (card: Card) => Card): Changed => ({
  body,
  question: { ...question, kit: { ...question.kit, cards: question.kit.cards.map(change) } },
});

const withAir = ({ question, body }: Changed, change: Partial<BestQuestion['air']>): Changed => ({
  body,
  question: { ...question, air: { ...question.air, ...change } },
});

/** Slots of which no bus was told, each taken as one bus: the slowest that does is what has to be looked for. */
function tellBus(place: Place): readonly Tried[] {
  const { body } = place;
  const untold = body.slots.filter(({ accepts }) => accepts.some(({ bus, form }) => bus === null && form !== 'module'));
  const forms = new Set(untold.flatMap(({ accepts }) => accepts.map(({ form }) => form)));
  return [...forms].flatMap((form) =>
    askedBuses(form)
      .toReversed()
      .map((bus): Tried => {
        const slots = body.slots.map((slot) => ({
          ...slot,
          accepts: slot.accepts.map((one) => (one.form === form && one.bus === null ? { ...one, bus } : one)),
        }));
        const names = untold.filter(({ accepts }) => accepts.some((one) => one.form === form)).map(({ name }) => name);
        return { fix: { code: 'tell-bus', slots: names, bus }, changed: withBody(place, { ...body, slots }) };
      }),
  );
}

function copy(place: Place, { of }: Stands): readonly Tried[] {
  const cards = of?.waiting ?? [];
  if (cards.length === 0) return [];
  const changed = withCards(place, (card) => (cards.includes(card) ? { ...card, state: 'free' } : card));
  return [{ fix: { code: 'copy', cards }, changed }];
}

function settle(place: Place, { of }: Stands): readonly Tried[] {
  const cards = of?.faulty ?? [];
  if (cards.length === 0) return [];
  const changed = withCards(place, (card) =>
    cards.some(({ id }) => id === card.id) ? { ...card, incidents: [] } : card,
  );
  return [{ fix: { code: 'settle', cards }, changed }];
}

/** Any day: what matters is that it was done. */
const SOME_DAY = '1970-01-01';

function verify(place: Place, { of }: Stands): readonly Tried[] {
  const doubted = new Set(of?.cells.filter(({ doubted: is }) => is).map(({ cardId }) => cardId));
  const cards = place.question.kit.cards.filter(({ id, verified }) => doubted.has(id) && !verified);
  if (cards.length === 0) return [];
  const changed = withCards(place, (card) =>
    cards.includes(card) ? { ...card, verified: { date: SOME_DAY, how: '' } } : card,
  );
  return [{ fix: { code: 'verify', cards }, changed }];
}

const hasSun = ({ sun, sunC }: BestQuestion['air']): boolean => Boolean(sun) || sunC > 0;

function shade(place: Place): readonly Tried[] {
  if (!hasSun(place.question.air)) return [];
  return [{ fix: { code: 'shade' }, changed: withAir(place, { sun: null, sunC: 0 }) }];
}

/** Air that is moved, gently first. */
const MOVED: readonly AirMovement[] = ['moving', 'strong'];

const movingAir = (place: Place): readonly Tried[] =>
  (place.question.air.air ?? 'still') === 'still'
    ? MOVED.map((air) => ({ fix: { code: 'moving-air', air }, changed: withAir(place, { air }) }))
    : [];

/** Rests as people keep them, those that take least of the day first. */
const RHYTHMS: readonly Rhythm[] = [30, 20, 15, 10]
  .flatMap((takeMinutes) => [5, 8, 10, 15, 20, 30].map((restMinutes) => ({ takeMinutes, restMinutes })))
  .sort((a, b) => a.restMinutes / a.takeMinutes - b.restMinutes / b.takeMinutes || b.takeMinutes - a.takeMinutes);

/** A rest is no answer where so long a stretch is wanted without one. */
function rests(place: Place): readonly Tried[] {
  const { stretchMinutes, minutes, rhythm } = place.question;
  const least = Math.min(stretchMinutes ?? 0, minutes);
  return RHYTHMS.filter(
    ({ takeMinutes }) =>
      takeMinutes < minutes && takeMinutes >= least && takeMinutes < (rhythm?.takeMinutes ?? minutes),
  ).map((one) => ({
    fix: { code: 'rests', ...one },
    changed: { body: place.body, question: { ...place.question, rhythm: one } },
  }));
}

/** Most cards that somebody fills for a test before a day. */
const MOST_TESTED = 2;

/** What a take of one's own would show: a claim, a take that was stopped, or a card of which nothing is known. */
const UNTESTED: ReadonlySet<Verdict> = new Set(['claimed', 'held', 'uncovered']);

/** A take until the card is full, of those that would last longest. */
function test(place: Place, { of }: Stands): readonly Tried[] {
  const { question, body, mode } = place;
  const { kit } = question;
  const likely = [...(of?.partly ?? []), ...(of?.cells ?? [])]
    .filter(({ verdict, doubted, planned }) => !doubted && planned !== null && UNTESTED.has(verdict))
    .sort((a, b) => (b.planned ?? 0) - (a.planned ?? 0))
    .slice(0, MOST_TESTED);
  return likely.map((_, at) => {
    const cells = likely.slice(0, at + 1);
    const tests = cells.map((cell): Test => passed(cell, body, mode));
    return {
      fix: {
        code: 'test',
        cards: cells.flatMap(({ cardId }) => kit.cards.filter(({ id }) => id === cardId)),
        minutes: Math.max(...cells.map(({ planned }) => planned ?? 0)),
      },
      changed: { body, question: { ...question, kit: { ...kit, tests: [...kit.tests, ...tests] } } },
    };
  });
}

/** A take of a mode until the card was full, as it would be logged. */
const passed = ({ cardId, slotId, planned, need }: Cell, body: Body, mode: Mode): Test => ({
  id: `best ${cardId}`,
  bodyId: body.id,
  modeId: mode.id,
  cardId,
  slotId,
  end: 'full',
  seconds: (planned ?? 0) * 60,
  writtenMBps: need === null ? null : toMegabytes(need),
  date: null,
});

/** More of one card than this is no small thing. */
const MOST_BOUGHT = 8;
/** Prints that are tried, the cheapest first. */
const MOST_PRINTS = 12;

interface Print {
  readonly card: Card;
  readonly price: number | null;
  readonly currency: string;
  readonly like: Card | null;
}

/** What may be bought: what has a price, more of what is there, and where neither does it the smallest mark that would. */
function prints({ question, body, mode }: Place): readonly Print[] {
  const { kit, offers, policy } = question;
  const offered = offers.map(
    (offer): Print => ({
      card: cardOfOffer(offer),
      price: offer.price,
      currency: offer.currency,
      like: kit.cards.find((card) => isLike(card, cardOfOffer(offer))) ?? null,
    }),
  );
  // What was measured of the heat of one card is no figure of the next.
  const owned = kit.cards
    .filter(({ retired, heat }) => !retired && !heat?.figures)
    .map((card): Print => ({ card: another(card), price: card.price ?? null, currency: '', like: card }));
  const first = kit.cards.find(({ retired }) => !retired);
  const answer = answersFor({ body, mode, ...kit, policy });
  const cell = first && answer(first);
  const anew = cardsToBuy({
    body,
    card: first ?? { form: body.slots[0]?.accepts[0]?.form ?? 'sd', capacityGB: 256 },
    floor: null,
    need: cell?.need ?? 0,
    minutes: question.minutes,
    answer,
    holds: (one) => cellTone(one, policy.take) === 'cool',
  }).map(({ print }): Print => ({ card: cardOfPrint(print), price: null, currency: '', like: null }));
  const seen = new Set<string>();
  return [...offered.sort((a, b) => (a.price ?? 0) - (b.price ?? 0)), ...owned, ...anew].filter(({ card }) => {
    const key = printOf(card);
    if (seen.has(key)) return false;
    seen.add(key);
    const found = answer(card);
    return cellTone(found, policy.take) === 'cool' && rollTime(found) > 0;
  });
}

/** A new card of the same print: what happened to the other is its own. */
const another = (card: Card): Card => ({
  ...card,
  usableGB: null,
  state: null,
  incidents: [],
  verified: null,
});

const isLike = (a: Card, b: Card): boolean =>
  a.form === b.form && a.capacityGB === b.capacityGB && a.marks.join(' ') === b.marks.join(' ');

const added = ({ question, body }: Changed, { card }: Print, count: number): Changed => ({
  body,
  question: {
    ...question,
    kit: {
      ...question.kit,
      cards: [...question.kit.cards, ...Array.from({ length: count }, (_, at) => ({ ...card, id: `bought ${at}` }))],
    },
  },
});

/** The fewest of one print that do, of the prints that cost least; what has no price comes after what has. */
function buy(place: Place): Tried | null {
  let best: { readonly tried: Tried; readonly cents: number } | null = null;
  for (const print of prints(place).slice(0, MOST_PRINTS)) {
    for (let count = 1; count <= MOST_BOUGHT; count += 1) {
      const cents = print.price === null ? null : Math.round(print.price * 100) * count;
      if (best && (cents ?? Number.POSITIVE_INFINITY) >= best.cents) break;
      const changed = added(place, print, count);
      if (!stands(changed.question, changed.body, place.mode, place.solving).holds) continue;
      const { card, currency, like } = print;
      best = {
        tried: { fix: { code: 'buy', card, count, cents, currency, like }, changed },
        cents: cents ?? Number.MAX_SAFE_INTEGER,
      };
      break;
    }
  }
  return best?.tried ?? null;
}

/** What may be in the way of each reason: nothing else is tried alone. */
const MAY_HELP: Readonly<Record<Why['code'], readonly Fix['code'][]>> = {
  'no-rate': [],
  'none-enters': ['buy'],
  'none-holds': ['tell-bus', 'verify', 'test', 'buy'],
  waiting: ['copy', 'buy'],
  faulty: ['settle', 'buy'],
  'too-short': ['copy', 'tell-bus', 'test', 'buy'],
  'too-few': ['copy', 'tell-bus', 'settle', 'verify', 'test', 'buy'],
  heat: ['shade', 'moving-air', 'rests', 'buy'],
  open: [],
};

/** Changes of one kind, the least of them first. */
function changes(code: Fix['code'], place: Place, now: Stands): readonly Tried[] {
  switch (code) {
    case 'tell-bus':
      return tellBus(place);
    case 'copy':
      return copy(place, now);
    case 'settle':
      return settle(place, now);
    case 'verify':
      return verify(place, now);
    case 'shade':
      return shade(place);
    case 'moving-air':
      return movingAir(place);
    case 'rests':
      return rests(place);
    case 'test':
      return test(place, now);
    case 'buy': {
      const found = buy(place);
      return found ? [found] : [];
    }
  }
}

/** Of many changes of one kind some, from the least to the most: two things at once are tried many times. */
const spread = <T>(all: readonly T[]): readonly T[] =>
  all.length <= 3 ? all : [0, Math.floor(all.length / 2), all.length - 1].map((at) => entryAt(all, at));

/** What costs nothing comes before what costs time, and that before what costs money. */
const ORDER: readonly Fix['code'][] = [
  'tell-bus',
  'copy',
  'settle',
  'verify',
  'shade',
  'moving-air',
  'rests',
  'test',
  'buy',
];

/**
 * What would make a mode hold: each thing that does alone, what costs least first; where none does, the first two that do
 * together. Each was tried: with it the mode holds by the same answers.
 */
export function fixes(question: BestQuestion, body: Body, mode: Mode, solving: Solving): readonly (readonly Fix[])[] {
  const place: Place = { question, body, mode, solving };
  const now = stands(question, body, mode, solving);
  if (now.holds) return [];
  const codes = ORDER.filter((code) => MAY_HELP[now.why.code].includes(code));
  const holdsThen = ({ changed }: Tried): boolean => stands(changed.question, changed.body, mode, solving).holds;
  const alone = codes.flatMap((code) => {
    const found = code === 'buy' ? changes(code, place, now)[0] : changes(code, place, now).find(holdsThen);
    return found ? [[found.fix]] : [];
  });
  if (alone.length > 0) return alone;
  for (const code of codes)
    for (const first of code === 'buy' ? [] : spread(changes(code, place, now))) {
      const then: Place = { ...place, ...first.changed };
      const after = stands(then.question, then.body, mode, solving);
      if (after.holds) continue;
      for (const other of ORDER) {
        if (other === code || !MAY_HELP[after.why.code].includes(other)) continue;
        const second = changes(other, then, after).find((one) => other === 'buy' || holdsThen(one));
        if (second) return [[first.fix, second.fix]];
      }
    }
  return [];
}

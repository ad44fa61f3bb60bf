import { cardLabel } from '../cards/cardLabel.ts';
import { isContradiction, labelProblems } from '../cards/labelProblems.ts';
import { FAULTS, recordedFault } from '../cards/recordedFault.ts';
import type { Body, Card, Incident, Mode, Retest, Test } from '../kit/model.ts';
import type { Need } from '../kit/shop.ts';
import { answersFor } from '../match/board.ts';
import { bodyInMode } from '../match/bodyInMode.ts';
import { cellTone } from '../match/cell.ts';
import { byCard } from '../match/columns.ts';
import type { Policy } from '../match/policy.ts';
import { cardsAtOnce, recordsAtOnce } from '../match/seats.ts';
import { TONES_USED } from '../match/verdict.ts';
import { type Due, due, monthsBetween } from '../prove/age.ts';
import type { ShopKit } from './options.ts';

/** What is to be done about a card, and why. */
export type FleetAdvice =
  | { readonly code: 'retire'; readonly incident: Incident }
  | { readonly code: 'look'; readonly incident: Incident }
  | { readonly code: 'verify' }
  | { readonly code: 'retest'; readonly due: Due };

/** A card of the wallet by its age and its evidence. */
interface FleetCard {
  readonly cardId: string;
  /** Months since it was bought; null where that was not noted. */
  readonly ageMonths: number | null;
  readonly incidents: number;
  readonly tests: number;
  /** Date of the newest test; null where there is none, or its date was not noted. */
  readonly testedOn: string | null;
  readonly advice: readonly FleetAdvice[];
}

/** A body whose slots want more cards at once than one has for a mode. */
export interface SlotsShort {
  readonly bodyId: string;
  readonly modeId: string;
  readonly slots: number;
  /** Whether it writes to all of them at once: with fewer cards it does not record so at all. */
  readonly atOnce: boolean;
  /** Own cards that may be used for it. */
  readonly cards: number;
}

/** The wallet as a fleet. */
export interface Fleet {
  /** Those with advice first, then the oldest. */
  readonly cards: readonly FleetCard[];
  readonly short: readonly SlotsShort[];
}

function adviceOf(card: Card, tests: readonly Test[], bodies: readonly Body[], { retest, today }: FleetRules) {
  const incidents = card.incidents ?? [];
  const byBody = bodies.map((body) => ({ body, own: tests.filter(({ bodyId }) => bodyId === body.id) }));
  const dues = byBody.flatMap(({ body, own }) => (own.length > 0 ? due(own, { body, card }, retest, today) : []));
  const [first] = dues;
  const bad = recordedFault(card);
  const other = incidents.filter(({ kind }) => !FAULTS.has(kind)).at(-1);
  const doubted = !card.verified && labelProblems(cardLabel(card)).some(isContradiction);
  const seen =
    (tests
      .flatMap(({ date }) => date ?? [])
      .sort()
      .at(-1) ?? '') > (other?.date ?? '');
  return [
    ...(bad ? [{ code: 'retire' as const, incident: bad }] : []),
    ...(doubted ? [{ code: 'verify' as const }] : []),
    ...(other && !seen ? [{ code: 'look' as const, incident: other }] : []),
    ...(first ? [{ code: 'retest' as const, due: first }] : []),
  ];
}

/** The modes that a body is needed for; without any needs, all of its modes. */
function modesWanted(body: Body, needs: readonly Need[]): readonly Mode[] {
  if (needs.length === 0) return body.modes;
  const wanted = new Set(needs.filter(({ bodyId }) => bodyId === body.id).map(({ modeId }) => modeId));
  return body.modes.filter(({ id }) => wanted.has(id));
}

/** When a test counts as old. */
export interface FleetRules {
  readonly retest: Retest;
  /** ISO date. */
  readonly today: string;
}

/** Cards by age, incidents and evidence, and slots that stay empty. */
export function fleet(kit: ShopKit, needs: readonly Need[], policy: Policy, rules: FleetRules): Fleet {
  const { today } = rules;
  const inUse = kit.cards.filter(({ retired }) => !retired);
  const testsOf = byCard(kit.tests);
  const cards = inUse
    .map((card): FleetCard => {
      const tests = testsOf(card.id);
      return {
        cardId: card.id,
        ageMonths: card.boughtOn ? monthsBetween(card.boughtOn, today) : null,
        incidents: card.incidents?.length ?? 0,
        tests: tests.length,
        testedOn:
          tests
            .flatMap(({ date }) => date ?? [])
            .sort()
            .at(-1) ?? null,
        advice: adviceOf(card, tests, kit.bodies, rules),
      };
    })
    .sort(
      (a, b) => Number(b.advice.length > 0) - Number(a.advice.length > 0) || (b.ageMonths ?? -1) - (a.ageMonths ?? -1),
    );
  const short = kit.bodies.flatMap((body) => {
    return modesWanted(body, needs).flatMap((mode): SlotsShort[] => {
      const housing = bodyInMode(body, mode);
      const atOnce = recordsAtOnce(housing.arrangement);
      const slots = atOnce ? cardsAtOnce(housing) : housing.slots.length;
      const answer = answersFor({ body, mode, ...kit, policy });
      const count = inUse.filter((card) => TONES_USED[policy.take].has(cellTone(answer(card), policy.take))).length;
      return count < slots ? [{ bodyId: body.id, modeId: mode.id, slots, atOnce, cards: count }] : [];
    });
  });
  return { cards, short };
}

import { entryAt } from '../entryAt.ts';
import type { Need } from '../kit/shop.ts';
import { bodyInModeOf } from '../match/bodyInMode.ts';
import { recordsAtOnce } from '../match/seats.ts';
import { rankOf, type Verdict } from '../match/verdict.ts';
import type { Steps } from '../steps.ts';
import { type ChosenSet, chooseSteps } from './choose.ts';
import {
  bodyOf,
  type ImpossibleNeed,
  minutesWanted,
  type Serves,
  type ShopInput,
  type ShopOptions,
  shopOptions,
} from './options.ts';
import type { Aim, Option, Taken } from './problem.ts';
import type { IntegerSolver } from './programme.ts';

/** So many cards of an offer for one need. */
interface BoughtItem {
  readonly offerId: string;
  readonly needId: string;
  readonly count: number;
  /** Planned minutes of one, and how it holds there. */
  readonly minutes: number;
  readonly verdict: Verdict;
}

/** An own card that serves a need. */
interface OwnItem {
  readonly cardId: string;
  readonly needId: string;
  readonly minutes: number;
  readonly verdict: Verdict;
}

/** What a set is to one need. */
interface NeedHeld {
  readonly needId: string;
  /** Minutes that its cards hold, and that it asked for. */
  readonly minutes: number;
  readonly wanted: number;
  /** Changes by hand over all of it, and in an hour of recording. */
  readonly swaps: number;
  readonly swapsPerHour: number;
  /** The weakest of its cards. */
  readonly verdict: Verdict;
}

/** One of the three answers. */
export interface ShopSet {
  readonly aim: Aim;
  readonly items: readonly BoughtItem[];
  readonly owned: readonly OwnItem[];
  readonly price: number;
  /** Own ones included. */
  readonly cards: number;
  readonly bought: number;
  readonly mostMinutesOnOneCard: number;
  readonly swaps: number;
  readonly needs: readonly NeedHeld[];
  readonly optimal: boolean;
  /** No set is better than this: price, cards or minutes, as the aim has it. */
  readonly bound: number;
}

/** The answers, and what keeps a need out of them. */
export interface ShopAnswer {
  readonly sets: readonly ShopSet[];
  readonly impossible: readonly ImpossibleNeed[];
  /** By need, then by offer. */
  readonly serves: readonly (readonly Serves[])[];
  /** True where the time was too short to find any set, or to know that there is none. */
  readonly isOpen: boolean;
}

/** The set of a choice, in names. */
function setOf(chosen: ChosenSet, input: ShopInput, { problem, isCut }: ShopOptions): ShopSet {
  const left = problem.owned.map(({ cardIds }) => [...cardIds]);
  const items = new Map<string, BoughtItem>();
  const owned: OwnItem[] = [];
  const optionAt = (at: number): Option => entryAt(problem.options, at);
  for (const { option: at, times } of chosen.taken) {
    const option = optionAt(at);
    const { id: needId } = entryAt(input.needs, option.need);
    const { minutes, verdict } = option;
    for (const { source, count } of option.parts) {
      const total = count * times;
      if (source.kind === 'owned') {
        const cardIds = left[source.group]?.splice(0, total) ?? [];
        owned.push(...cardIds.map((cardId) => ({ cardId, needId, minutes, verdict })));
        continue;
      }
      const { id: offerId } = entryAt(input.offers, source.offer);
      const key = JSON.stringify([offerId, needId, minutes]);
      const known = items.get(key);
      items.set(key, { offerId, needId, count: (known?.count ?? 0) + total, minutes, verdict });
    }
  }
  const needs = input.needs.flatMap((need, at): NeedHeld[] => {
    const taken = chosen.taken.filter(({ option }) => optionAt(option).need === at);
    return taken.length === 0 ? [] : [heldBy(need, taken, optionAt, input)];
  });
  const bought = [...items.values()];
  return {
    aim: chosen.aim,
    items: bought,
    owned,
    price: chosen.cents / 100,
    cards: chosen.cards,
    bought: bought.reduce((sum, { count }) => sum + count, 0),
    mostMinutesOnOneCard: chosen.most,
    swaps: needs.reduce((sum, { swaps }) => sum + swaps, 0),
    needs,
    optimal: chosen.optimal && !isCut,
    bound: chosen.aim === 'cheapest' ? chosen.bound / 100 : chosen.bound,
  };
}

function heldBy(need: Need, taken: readonly Taken[], optionAt: (at: number) => Option, input: ShopInput): NeedHeld {
  const whole = bodyOf(need, input.kit);
  const body = whole && bodyInModeOf(whole, need.modeId);
  const fillings = taken.reduce((sum, { times }) => sum + times, 0);
  // A relay goes on by itself over its slots; only then is a card changed by hand.
  const first = body && !recordsAtOnce(body.arrangement) && body.arrangement === 'relay' ? body.slots.length : 1;
  const swaps = Math.max(0, fillings - first);
  return {
    needId: need.id,
    minutes: taken.reduce((sum, { option, times }) => sum + optionAt(option).minutes * times, 0),
    wanted: minutesWanted(need),
    swaps,
    swapsPerHour: swaps / need.hours,
    verdict: taken
      .map(({ option }) => optionAt(option).verdict)
      .reduce((worst, one) => (rankOf(one) > rankOf(worst) ? one : worst)),
  };
}

/** Needs that only own cards can meet: where no set was found though each could be met alone, they are too few together. */
function onlyOwn({ problem }: ShopOptions, needs: readonly Need[]): readonly ImpossibleNeed[] {
  return needs.flatMap((need, at): ImpossibleNeed[] => {
    const mine = problem.options.filter((option) => option.need === at);
    const canBuy = mine.some(({ parts }) => parts.every(({ source }) => source.kind === 'offer'));
    return (problem.needs[at] ?? 0) > 0 && !canBuy ? [{ needId: need.id, why: { code: 'too-few-own' } }] : [];
  });
}

/** The options without the needs that cannot be met together. */
function without(
  { problem, ...rest }: ShopOptions,
  needs: readonly Need[],
  out: readonly ImpossibleNeed[],
): ShopOptions {
  const gone = new Set(out.map(({ needId }) => needId));
  return {
    ...rest,
    problem: { ...problem, needs: problem.needs.map((least, at) => (gone.has(needs[at]?.id ?? '') ? 0 : least)) },
  };
}

/**
 * The three sets for the needs, beside what keeps a need out: those that nothing meets are left out of the sets and told.
 *
 * @param input - offers of one currency
 * @param seconds - time for one question to the solver
 */
export function* shopSteps(input: ShopInput, solve: IntegerSolver, seconds: number): Steps<ShopAnswer> {
  yield 0;
  const options = shopOptions(input);
  yield 0.1;
  const { impossible, serves } = options;
  const found = yield* chooseSteps(options.problem, solve, seconds);
  const told = (
    sets: readonly ChosenSet[] | null,
    from: ShopOptions,
    also: readonly ImpossibleNeed[] = [],
  ): ShopAnswer => ({
    sets: (sets ?? []).map((one) => setOf(one, input, from)),
    impossible: [...impossible, ...also],
    serves,
    isOpen: sets === null,
  });
  if (found === null || found.length > 0 || options.problem.needs.every((least) => least === 0))
    return told(found, options);
  const out = onlyOwn(options, input.needs);
  const fewer = without(options, input.needs, out);
  return told(yield* chooseSteps(fewer.problem, solve, seconds), fewer, out);
}

import { entryAt } from '../entryAt.ts';
import type { Tone, Verdict } from '../match/verdict.ts';

/**
 * What is bought, as numbers: whole minutes, whole cards, hundredths of the currency; needs, offers and own cards by their
 * place. What may go where was asked of Match before (options.ts); here nothing of marks or slots is left.
 */

/** Where the cards of an option come from: an offer, of which there is no end, or a group of own cards alike. */
export type Source =
  | { readonly kind: 'offer'; readonly offer: number }
  | { readonly kind: 'owned'; readonly group: number };

/** So many cards of one source. */
export interface Part {
  readonly source: Source;
  readonly count: number;
}

/** One filling of a body for one need: a card, or a set that is written at once. It can be taken any number of times. */
export interface Option {
  readonly need: number;
  /** Planned minutes of one of its cards. */
  readonly minutes: number;
  readonly cents: number;
  /** Cards in it. */
  readonly cards: number;
  readonly parts: readonly Part[];
  readonly verdict: Verdict;
  readonly tone: Tone;
}

/** Cards of the wallet that may stand in for one another. */
export interface OwnedGroup {
  readonly cardIds: readonly string[];
}

/** Everything that a set is chosen from. */
export interface ShopProblem {
  /** Minutes that each need asks for at the least, whole ones; 0 where nothing can meet it. */
  readonly needs: readonly number[];
  readonly options: readonly Option[];
  /** By group. */
  readonly owned: readonly OwnedGroup[];
}

/** So many times an option, by its place. */
export interface Taken {
  readonly option: number;
  readonly times: number;
}

/** A set that meets every need: what is taken, and what it comes to. */
export interface Choice {
  readonly taken: readonly Taken[];
  readonly cents: number;
  /** Own ones included. */
  readonly cards: number;
  /** Most planned minutes on one card. */
  readonly most: number;
}

/** What a set is chosen by. */
export const AIMS = ['cheapest', 'fewest-cards', 'least-at-risk'] as const;
/** What a set is chosen by. */
export type Aim = (typeof AIMS)[number];

/** What taken options come to. */
export function choiceOf({ options }: ShopProblem, taken: readonly Taken[]): Choice {
  const of = (each: (option: Option) => number): number =>
    taken.reduce((sum, { option, times }) => sum + times * each(entryAt(options, option)), 0);
  return {
    taken,
    cents: of(({ cents }) => cents),
    cards: of(({ cards }) => cards),
    most: Math.max(0, ...taken.map(({ option }) => entryAt(options, option).minutes)),
  };
}

/** Whether what is taken meets every need and takes no own card twice, counted in whole numbers. */
export function meets({ needs, options, owned }: ShopProblem, taken: readonly Taken[]): boolean {
  const minutes = needs.map(() => 0);
  const used = owned.map(() => 0);
  for (const { option, times } of taken) {
    const one = options[option];
    if (!one || !Number.isInteger(times) || times < 0) return false;
    minutes[one.need] = (minutes[one.need] ?? 0) + times * one.minutes;
    for (const { source, count } of one.parts)
      if (source.kind === 'owned') used[source.group] = (used[source.group] ?? 0) + times * count;
  }
  return (
    needs.every((least, at) => (minutes[at] ?? 0) >= least) &&
    owned.every(({ cardIds }, at) => (used[at] ?? 0) <= cardIds.length)
  );
}

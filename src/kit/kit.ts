import type { Body, Card, KeptTake, PlannedTake, Take, Test } from '../core/kit/model.ts';

/** Anything a later version or another program put into the file; kept as it came. */
export type Extra = Readonly<Record<string, unknown>>;

export interface Settings {
  readonly take: Take;
  /** 0 to 1; 0.15 is 15 %. */
  readonly headroom: number;
  /** What the heat marks of the board are worked out for; missing: the assumed take. */
  readonly plannedTake?: PlannedTake | null;
  /** Takes of the heat run kept for comparing. */
  readonly keptTakes?: readonly KeptTake[];
}

/** A kit file, version 1, after validation. */
export interface Kit {
  readonly format: 'cool-reel-kit';
  readonly version: 1;
  readonly bodies: readonly Body[];
  readonly cards: readonly Card[];
  readonly tests: readonly Test[];
  readonly plans: readonly (Extra & { readonly id: string })[];
  readonly prices: readonly (Extra & { readonly id: string })[];
  readonly settings: Settings;
}

export const DEFAULT_SETTINGS: Settings = { take: 'once', headroom: 0.15 };

export const EMPTY_KIT: Kit = {
  format: 'cool-reel-kit',
  version: 1,
  bodies: [],
  cards: [],
  tests: [],
  plans: [],
  prices: [],
  settings: DEFAULT_SETTINGS,
};

/** The lists of a kit, in the order of the file. */
export const LISTS = ['bodies', 'cards', 'tests', 'plans', 'prices'] as const;
export type ListKey = (typeof LISTS)[number];

import { ASSUMED } from '../core/standards/assumptions.ts';
import type { Items, ListKey } from './collections.ts';
import { LISTS } from './collections.ts';
import type { Settings } from './schemas/settings.ts';

export type { Settings } from './schemas/settings.ts';

/** What a kit file begins with. */
export const FORMAT = 'cool-reel-kit';
/** The version written; older ones are brought up to it, see migrations.ts. */
export const VERSION = 13;

/** The lists of a kit by name. */
export type Lists = { readonly [K in ListKey]: readonly Items[K][] };

/** A kit file after migration and validation. */
export interface Kit extends Lists {
  readonly format: typeof FORMAT;
  readonly version: typeof VERSION;
  readonly settings: Settings;
}

export const DEFAULT_SETTINGS: Settings = { take: 'once', headroom: ASSUMED.headroom.value };

const NO_LISTS = Object.fromEntries(LISTS.map((list) => [list, []])) as unknown as Lists;

export const EMPTY_KIT: Kit = { format: FORMAT, version: VERSION, ...NO_LISTS, settings: DEFAULT_SETTINGS };

const NAMED = new Set<string>(['format', 'version', 'settings', ...LISTS]);

/** What a kit holds beside what this version knows. */
export const extraOf = (kit: object): Readonly<Record<string, unknown>> =>
  Object.fromEntries(Object.entries(kit).filter(([key]) => !NAMED.has(key)));

/** What a person knows an entry by: its own label or name; a test by its day; else empty. */
export function nameOf(item: {
  readonly id: string;
  readonly label?: unknown;
  readonly name?: unknown;
  readonly end?: unknown;
  readonly date?: unknown;
  readonly lapses?: unknown;
}): string {
  // A drilled topic is known by what it is about.
  if (item.lapses !== undefined) return item.id;
  if (item.label !== undefined || item.name !== undefined) return String(item.label ?? item.name);
  return item.end === undefined ? '' : `a test of ${item.date ? String(item.date) : 'no date'}`;
}

import type Joi from 'joi';

/**
 * The lists of a kit, in the order of the file. Everything that goes over lists (store, export, import, differences,
 * JSON Schema, live queries, tests) goes over this table: a new list is one entry.
 */
export const COLLECTIONS = {
  bodies: { since: 1, most: 1000, required: true, live: true, schema: () => import('./schemas/body.ts') },
  cards: { since: 1, most: 20_000, required: true, live: true, schema: () => import('./schemas/card.ts') },
  tests: { since: 1, most: 50_000, required: false, live: true, schema: () => import('./schemas/test.ts') },
  plans: { since: 1, most: 5000, required: false, live: true, schema: () => import('./schemas/plan.ts') },
  prices: { since: 1, most: 20_000, required: false, live: true, schema: () => import('./schemas/price.ts') },
  keptTakes: { since: 2, most: 100, required: false, live: true, schema: () => import('./schemas/keptTake.ts') },
  // Long: read one by one by id, never with the rest.
  series: { since: 2, most: 2000, required: false, live: false, schema: () => import('./schemas/series.ts') },
  clearings: { since: 3, most: 20_000, required: false, live: true, schema: () => import('./schemas/clearing.ts') },
  benches: { since: 3, most: 20_000, required: false, live: true, schema: () => import('./schemas/bench.ts') },
  reports: { since: 3, most: 20_000, required: false, live: true, schema: () => import('./schemas/report.ts') },
  needs: { since: 6, most: 500, required: false, live: true, schema: () => import('./schemas/need.ts') },
  standing: { since: 6, most: 500, required: false, live: true, schema: () => import('./schemas/standing.ts') },
  drills: { since: 7, most: 1000, required: false, live: true, schema: () => import('./schemas/drill.ts') },
} as const satisfies Record<string, Collection>;

interface Collection {
  /** The version of the kit file that brought the list, and with it its table. */
  readonly since: number;
  /** Most entries. */
  readonly most: number;
  /** A file without it is refused; missing others are empty. */
  readonly required: boolean;
  /** Whether views follow the whole list. */
  readonly live: boolean;
  /** Loaded where something is validated: no view needs it before. */
  readonly schema: () => Promise<{ readonly schema: Joi.ObjectSchema }>;
}

export type ListKey = keyof typeof COLLECTIONS;

type SchemaIn<L> = L extends () => Promise<{ readonly schema: Joi.ObjectSchema<infer T> }> ? T : never;

/** What each list holds, as its schema says. */
export type Items = { readonly [K in ListKey]: SchemaIn<(typeof COLLECTIONS)[K]['schema']> };
export type Item = Items[ListKey];

/** The names of the lists, in the order of the file. */
export const LISTS = Object.keys(COLLECTIONS) as readonly ListKey[];

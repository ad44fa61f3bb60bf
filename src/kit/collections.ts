import type Joi from 'joi';

/**
 * The lists of a kit, in the order of the file. Everything that goes over lists (store, migration, export, import,
 * differences, history, words, JSON Schema, live queries, what is typed and not saved) goes over this table: a new list is
 * one entry, and the version of the kit that brings it.
 */
export const COLLECTIONS = {
  bodies: {
    since: 1,
    most: 1000,
    required: true,
    live: true,
    words: ['camera', 'cameras'],
    schema: () => import('./schemas/body.ts'),
  },
  cards: {
    since: 1,
    most: 20_000,
    required: true,
    live: true,
    words: ['card', 'cards'],
    schema: () => import('./schemas/card.ts'),
  },
  tests: {
    since: 1,
    most: 50_000,
    required: false,
    live: true,
    words: ['test', 'tests'],
    schema: () => import('./schemas/test.ts'),
    about: ({ bodyId, cardId }: { bodyId: string; cardId: string }) => [`bodies ${bodyId}`, `cards ${cardId}`],
    heldAs: 'its tests',
  },
  plans: {
    since: 1,
    most: 5000,
    required: false,
    live: true,
    words: ['plan', 'plans'],
    schema: () => import('./schemas/plan.ts'),
  },
  prices: {
    since: 1,
    most: 20_000,
    required: false,
    live: true,
    words: ['price', 'prices'],
    schema: () => import('./schemas/price.ts'),
  },
  keptTakes: {
    since: 2,
    most: 100,
    required: false,
    live: true,
    words: ['kept take', 'kept takes'],
    schema: () => import('./schemas/keptTake.ts'),
    about: ({ bodyId, cardIds }: { bodyId: string; cardIds: readonly string[] }) => [
      `bodies ${bodyId}`,
      ...cardIds.map((id) => `cards ${id}`),
    ],
    heldAs: 'its kept takes',
  },
  // Long: read one by one by id, never with the rest.
  series: {
    since: 2,
    most: 2000,
    required: false,
    live: false,
    words: ['clip’s rate', 'clips’ rates'],
    schema: () => import('./schemas/series.ts'),
  },
  clearings: {
    since: 3,
    most: 20_000,
    required: false,
    live: true,
    words: ['burst', 'bursts'],
    schema: () => import('./schemas/clearing.ts'),
  },
  benches: {
    since: 3,
    most: 20_000,
    required: false,
    live: true,
    words: ['bench result', 'bench results'],
    schema: () => import('./schemas/bench.ts'),
  },
  reports: {
    since: 3,
    most: 20_000,
    required: false,
    live: true,
    words: ['colleague’s test', 'colleagues’ tests'],
    schema: () => import('./schemas/report.ts'),
  },
  needs: {
    since: 6,
    most: 500,
    required: false,
    live: true,
    words: ['need', 'needs'],
    schema: () => import('./schemas/need.ts'),
  },
  standing: {
    since: 6,
    most: 500,
    required: false,
    live: true,
    words: ['continuous recording', 'continuous recordings'],
    schema: () => import('./schemas/standing.ts'),
  },
  drills: {
    since: 7,
    most: 1000,
    required: false,
    live: true,
    words: ['drilled topic', 'drilled topics'],
    schema: () => import('./schemas/drill.ts'),
  },
} as const satisfies Record<string, Collection>;

/** What the program knows of a list. */
export interface Collection {
  /** The version of the kit file that brought the list, and with it its table. */
  readonly since: number;
  /** Most entries. */
  readonly most: number;
  /** A file without it is refused; missing others are empty. */
  readonly required: boolean;
  /** Whether views follow the whole list. */
  readonly live: boolean;
  /** What one entry is called on screen, and several. */
  readonly words: readonly [one: string, many: string];
  /**
   * The entries that one of these is about, each as `list id`: taking back the change that brought them would leave it a
   * record of nothing. With what it is called beside them.
   */
  readonly about?: (item: never) => readonly string[];
  readonly heldAs?: string;
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

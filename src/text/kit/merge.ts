import type { ListKey } from '../../kit/collections.ts';

const entries = (count: number): string => (count === 1 ? '1 entry' : `${count} entries`);

/** What is said of entries that come in from a file. */
export const mergeText = {
  /** What an entry of each list is. */
  one: {
    bodies: 'body',
    cards: 'card',
    tests: 'test',
    plans: 'plan',
    prices: 'price',
    keptTakes: 'kept take',
    series: 'clip’s rate',
    clearings: 'burst',
    benches: 'bench result',
    reports: 'colleague’s test',
    needs: 'need',
    standing: 'camera that never stops',
    drills: 'drilled topic',
  } satisfies Record<ListKey, string>,
  add: (count: number): string => `Add ${entries(count)}`,
  more: (count: number): string =>
    `and ${entries(count)} more: new ones come in, and where you have your own, yours stay.`,
  same: (count: number): string =>
    `${entries(count)} more ${count === 1 ? 'is' : 'are'} as you have ${count === 1 ? 'it' : 'them'}.`,
} as const;

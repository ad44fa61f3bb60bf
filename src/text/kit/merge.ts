const entries = (count: number): string => (count === 1 ? '1 entry' : `${count} entries`);

/** What is said of entries that come in from a file. */
export const mergeText = {
  add: (count: number): string => `Add ${entries(count)}`,
  more: (count: number): string =>
    `and ${entries(count)} more: new ones come in, and where you have your own, yours stay.`,
  same: (count: number): string =>
    `${entries(count)} more ${count === 1 ? 'is' : 'are'} as you have ${count === 1 ? 'it' : 'them'}.`,
} as const;

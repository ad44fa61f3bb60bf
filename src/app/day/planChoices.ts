/** Where copies are read from, as choices. */
export const COPY_SOURCES = [
  { value: 'card', label: 'The card', note: 'all copies at once' },
  { value: 'first-copy', label: 'The first copy', note: 'the card leaves the reader sooner' },
] as const;

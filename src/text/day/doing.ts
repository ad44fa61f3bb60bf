/** What a card is doing on a day. */
export const DOING_WORDS = {
  in: 'in',
  waits: 'full',
  copying: 'copying',
  verifying: 'verifying',
  free: 'free',
} as const;

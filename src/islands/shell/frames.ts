/** The nine frames of the strip, in the order people work. */
export const PLACES = [
  { key: 'match', path: '/', name: 'Match' },
  { key: 'bodies', path: '/bodies', name: 'Bodies' },
  { key: 'cards', path: '/cards', name: 'Cards' },
  { key: 'heat', path: '/heat', name: 'Heat run' },
  { key: 'prove', path: '/prove', name: 'Prove' },
  { key: 'day', path: '/day', name: 'Shoot day' },
  { key: 'shop', path: '/shop', name: 'Shop' },
  { key: 'drill', path: '/drill', name: 'Drill' },
  { key: 'guide', path: '/guide', name: 'Guide' },
] as const;

export type FrameKey = (typeof PLACES)[number]['key'];

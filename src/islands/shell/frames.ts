/** The nine frames of the strip, in the order people work. `coming` ones say so and do nothing else. */
export const FRAMES = [
  { key: 'match', path: '/', name: 'Match', coming: false, about: '' },
  { key: 'bodies', path: '/bodies', name: 'Bodies', coming: false, about: '' },
  { key: 'cards', path: '/cards', name: 'Cards', coming: false, about: '' },
  {
    key: 'heat',
    path: '/heat',
    name: 'Heat run',
    coming: false,
    about: '',
  },
  {
    key: 'prove',
    path: '/prove',
    name: 'Prove',
    coming: false,
    about: '',
  },
  {
    key: 'day',
    path: '/day',
    name: 'Shoot day',
    coming: false,
    about: '',
  },
  {
    key: 'shop',
    path: '/shop',
    name: 'Shop',
    coming: false,
    about: '',
  },
  {
    key: 'drill',
    path: '/drill',
    name: 'Drill',
    coming: true,
    about: 'Short rounds on bits and bytes, reading labels and estimating minutes.',
  },
  {
    key: 'guide',
    path: '/guide',
    name: 'Guide',
    coming: true,
    about: 'The standards tables, the rules, the assumptions and the cautions, readable without a network.',
  },
] as const;

/** Those that exist: the strip names no other. */
export const PLACES = FRAMES.filter(({ coming }) => !coming);

type Frame = (typeof FRAMES)[number];
export type FrameKey = Frame['key'];

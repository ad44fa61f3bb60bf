/** The nine places in the order people work, by what they are for; what each answers stands under it where there is room. */
export const PLACES = [
  { key: 'match', path: '/', name: 'Check', group: 'Check', about: 'which card for which mode, how many minutes' },
  { key: 'bodies', path: '/bodies', name: 'Cameras', group: 'My kit', about: 'slots, modes and rates' },
  { key: 'cards', path: '/cards', name: 'Cards', group: 'My kit', about: 'what is printed, where each card is' },
  { key: 'heat', path: '/heat', name: 'Heat', group: 'Find out', about: 'how long until heat stops a take (estimate)' },
  {
    key: 'prove',
    path: '/prove',
    name: 'Tests',
    group: 'Find out',
    about: 'log, measure, what to test next, what went wrong',
  },
  {
    key: 'day',
    path: '/day',
    name: 'Shoot day',
    group: 'The job',
    about: 'card changes, copies, what may be formatted',
  },
  {
    key: 'shop',
    path: '/shop',
    name: 'Buy cards',
    group: 'The job',
    about: 'shopping lists, and when a card wears out',
  },
  { key: 'drill', path: '/drill', name: 'Practice', group: 'Learn', about: 'eight short questions' },
  { key: 'guide', path: '/guide', name: 'Guide', group: 'Learn', about: 'words, rules, standards' },
] as const;

export type FrameKey = (typeof PLACES)[number]['key'];

/** Whether a place is the first of its group: there the strip leaves a gap, and the menu names the group. */
export const beginsGroup = (at: number): boolean => PLACES[at]?.group !== PLACES[at - 1]?.group;

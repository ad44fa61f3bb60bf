import type { Body, Card } from '../../core/kit/model.ts';

const BY_ARRANGEMENT: Readonly<Record<Body['arrangement'], string>> = {
  single: 'One card at a time: change before the planned minutes are over, never after the warning.',
  relay: 'Relay: when the first card is full the second takes over; change the full one while it records.',
  mirrored: 'Mirrored: both cards hold the same; change both, and keep the pair apart.',
  split: 'Split: neither card is worth anything without the other; label and carry them as a pair.',
};

/** What to mind at a change of cards. */
export const swapAdvice = (body: Body): readonly string[] => [
  BY_ARRANGEMENT[body.arrangement],
  ...body.slots.filter(({ demandsCard }) => demandsCard).map(({ name }) => `${name} wants a card of its own.`),
  'Do not pull a card while the lamp is on. Check the lock switch of an SD card.',
  'A full card is not free before two verified copies. Then format it in this camera.',
  'A card or camera can be too hot to hold after a long take: let it cool, and keep its vents clear.',
  'One pass of a test is not a guarantee. The maker’s manual stands above this sheet.',
];

/** Cards of one print by their labels, as many as there is room for. */
export const labelsText = (cards: readonly Pick<Card, 'label'>[], most: number): string => {
  const said = cards.slice(0, most).map(({ label }) => label);
  return cards.length > most ? `${said.join(', ')} and ${cards.length - most} more` : said.join(', ');
};

/** Cards that fit and have no column. */
export const leftText = (left: number): string =>
  `${left === 1 ? '1 more card fits' : `${left} more cards fit`}: the table has all of them.`;

/** Said on paper where not every page was built. */
export const notBuiltText = (bodies: number): string =>
  `Not all of ${bodies} pages are here: press Print on the page itself, which builds them first.`;

import type { Form } from './forms.ts';

/** A capacity as it is printed, and where it is met. */
interface SizeRow {
  /** As printed, GB. */
  readonly GB: number;
  /** Forms that it is commonly sold on now; `plain`: all that have no sizes of their own. */
  readonly soldOn: readonly (Form | 'plain')[];
}

const row = (GB: number, ...soldOn: SizeRow['soldOn']): SizeRow => ({ GB, soldOn });

/**
 * Capacities of cards, ascending: the one list of what is sold, and of what may stand on a card [P]. Those sold on no form
 * are met on older cards and on drives.
 */
const SIZES: readonly SizeRow[] = [
  ...[1, 2, 4, 8].map((GB) => row(GB)),
  row(16, 'plain'),
  row(32, 'plain'),
  row(64, 'plain'),
  row(80, 'cfexpress-a'),
  row(120, 'xqd'),
  row(128, 'plain', 'cfexpress-b'),
  row(160, 'cfexpress-a'),
  ...[165, 200, 240].map((GB) => row(GB)),
  row(256, 'plain', 'cfexpress-b'),
  row(320, 'cfexpress-a'),
  row(325, 'cfexpress-b'),
  ...[330, 400, 480, 500].map((GB) => row(GB)),
  row(512, 'plain', 'cfexpress-b'),
  row(600),
  row(640, 'cfexpress-a'),
  row(650, 'cfexpress-b'),
  ...[660, 700, 750, 800, 960].map((GB) => row(GB)),
  row(1000, 'plain', 'cfexpress-b'),
  ...[1300, 1500].map((GB) => row(GB)),
  row(2000, 'plain', 'cfexpress-b'),
  row(4000, 'plain', 'cfexpress-b'),
  row(8000, 'plain'),
];

/** Card sizes sold, GB, ascending. */
export const SIZES_SOLD_GB: readonly number[] = SIZES.filter(({ soldOn }) => soldOn.length > 0).map(({ GB }) => GB);

/** Every capacity that may stand on a card, GB, ascending. */
export const SIZES_PRINTED_GB: readonly number[] = SIZES.map(({ GB }) => GB);

/** Forms that come in sizes of their own. */
const OWN: readonly Form[] = ['cfexpress-a', 'cfexpress-b'];

/** Sizes, GB ascending, in which a form is commonly sold. */
export const sizesOf = (form: Form): readonly number[] => {
  const key = OWN.includes(form) ? form : 'plain';
  return SIZES.filter(({ soldOn }) => soldOn.includes(key)).map(({ GB }) => GB);
};

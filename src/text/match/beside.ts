/** What stands beside a verdict of tests that are not this card's own. */
export const LIKELY = 'same label passed';
export const LIKE_DROPPED = 'same label dropped';

/** What they mean; as the legend and the help say it. */
export const BESIDE_MEANINGS: readonly {
  readonly id: string;
  readonly word: string;
  readonly meaning: string;
}[] = [
  {
    id: 'likely',
    word: LIKELY,
    meaning: 'another card with the same printed label passed your test here; this card was not tested',
  },
  {
    id: 'its-like-dropped',
    word: LIKE_DROPPED,
    meaning: 'another card with the same printed label dropped frames here; test this card before you use it',
  },
];

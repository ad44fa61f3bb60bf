/** What stands beside a verdict of tests that are not this card's own. */
export const LIKELY = 'likely';
export const LIKE_DROPPED = 'its like dropped';

/** What they mean; as the legend and the help say it. */
export const BESIDE_MEANINGS: readonly { readonly word: string; readonly meaning: string }[] = [
  { word: LIKELY, meaning: 'a card of the same print passed your test here; this one was not tested' },
  { word: LIKE_DROPPED, meaning: 'a card of the same print dropped here: test this one first' },
];

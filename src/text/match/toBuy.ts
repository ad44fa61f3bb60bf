import { MAX_NAME } from '../../core/kit/model.ts';

/** Label and note of a card that is not owned yet, no longer than a label may be. */
export function toBuyWords(label: string, mark: string): { readonly label: string; readonly note: string } {
  const ending = ` with ${mark}`;
  const own = label.slice(0, MAX_NAME - ending.length).replace(/[\ud800-\udbff]$/, '');
  return { label: own + ending, note: 'A card to buy: not owned yet.' };
}

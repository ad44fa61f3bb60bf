import { assertNever } from '../../core/result.ts';
import { COLLECTIONS, type Collection, type ListKey } from '../../kit/collections.ts';
import type { EditRefusal } from '../../store/edit.ts';
import type { HistoryRefusal, InTheWay, TakenBack } from '../../store/history.ts';

const collectionOf = (list: ListKey): Collection => COLLECTIONS[list];

/** What one entry of a list is called. */
export const entryWord = (list: ListKey): string => collectionOf(list).words[0];

/** A list by the word it has in the interface. */
export const listWord = (list: ListKey): string => collectionOf(list).words[1];

/** Why a change was not made, and what to do. Nothing was changed when this is shown. */
export function editRefusalText(refusal: EditRefusal): string {
  switch (refusal.code) {
    case 'changed':
      return `Not saved: this ${entryWord(refusal.list)} was changed in another tab or device after you opened it. Open it again and repeat your change.`;
    case 'gone':
      return `This ${entryWord(refusal.list)} was deleted elsewhere meanwhile. Nothing was changed.`;
    case 'too-many':
      return `A kit holds at most ${refusal.most.toLocaleString('en')} ${listWord(refusal.list)}. Nothing was added; delete some first, or add fewer.`;
    default:
      return assertNever(refusal);
  }
}

/** Most names said in a notice; the rest are counted. */
const SHOWN = 3;

const inTheWayText = ({ name, fields }: InTheWay): string =>
  fields.length === 0 ? name : `${name} (${fields.slice(0, SHOWN).join(', ')}${fields.length > SHOWN ? ', …' : ''})`;

/** Said behind what was done last, where other changes were told of just before. */
export const othersBeforeText = (count: number): string => ` · ${count} more before it, under Kit, Last changes`;

/** What taking back, or making again, came to. */
export function takenBackText({ what, inTheWay, done }: TakenBack, way: 'back' | 'again'): string {
  const names = inTheWay.slice(0, SHOWN).map(inTheWayText).join(', ');
  const more = inTheWay.length > SHOWN ? ` and ${inTheWay.length - SHOWN} more` : '';
  const begin = way === 'back' ? 'Taken back' : 'Made again';
  if (!done)
    return `Nothing was ${way === 'back' ? 'taken back' : 'made again'}: ${names}${more} changed since. “${what}”`;
  return inTheWay.length === 0
    ? `${begin}: ${what}`
    : `${begin} in part: ${what} Newer, and left as it is: ${names}${more}.`;
}

export function historyRefusalText(refusal: HistoryRefusal, way: 'back' | 'again'): string {
  switch (refusal.code) {
    case 'nothing-there':
      return way === 'back' ? 'There is nothing to take back.' : 'There is nothing to make again.';
    case 'state-gone':
      return 'The earlier state that this needs is no longer kept. Nothing was changed.';
    case 'refused':
      return editRefusalText(refusal.refusal);
    default:
      return assertNever(refusal);
  }
}

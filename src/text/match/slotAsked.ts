import type { Body, Slot } from '../../core/kit/model.ts';
import type { Cell } from '../../core/match/cell.ts';
import { type Bus, bus } from '../../core/standards/buses.ts';
import { form, isSd } from '../../core/standards/forms.ts';
import { either } from '../quantity.ts';

export const busName = (key: Bus): string => bus(key).name;

/** Where the bus of a slot is found. */
export const HOW_TO_TELL = ({ accepts }: Pick<Slot, 'accepts'>): string =>
  accepts.some(({ form }) => isSd(form))
    ? 'The maker’s page on cards names it. A second row of contacts deep in the slot is UHS\u2011II; one row alone is UHS\u2011I or older.'
    : 'The maker’s page on cards names it. Until it is told, only what the slowest of its kind carries counts.';

/** What is asked of a body whose marks do not exist on a card of this form; null where nothing is. */
export function otherFormQuestion({ name }: Pick<Body, 'name'>, { findings }: Pick<Cell, 'findings'>): string | null {
  for (const finding of findings) {
    if (finding.rule !== 'requirement' || finding.anyOf === null || finding.elsewhere?.does !== null) continue;
    return `${name} asks for ${either(finding.anyOf)}. What does it do with ${form(finding.elsewhere.form).name}?`;
  }
  return null;
}

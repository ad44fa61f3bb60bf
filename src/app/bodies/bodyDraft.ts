import type { Slot } from '../../core/kit/model.ts';
import { ratioLadder } from '../../core/match/moves.ts';
import { splitWidth } from '../../core/match/seats.ts';
import { form as formRow } from '../../core/standards/forms.ts';

export { AIR_MOVEMENTS, BODY_SIZES } from '../../core/kit/model.ts';
export { form } from '../../core/standards/forms.ts';
export { MARK_KEYS } from '../../core/standards/marks.ts';
export { ratioLadder, splitWidth };

/** Whether a body takes cards of forms that do not share their marks, so that one lock may not hold for all of them. */
export const isDual = ({ slots }: { readonly slots: readonly Pick<Slot, 'accepts'>[] }): boolean =>
  new Set(slots.flatMap(({ accepts }) => accepts.map(({ form }) => formRow(form).protocol))).size > 1;

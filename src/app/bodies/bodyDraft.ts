import { ratioLadder } from '../../core/match/moves.ts';
import { splitWidth } from '../../core/match/seats.ts';

export { BODY_SIZES } from '../../core/kit/model.ts';
export { form } from '../../core/standards/forms.ts';
export { MARK_KEYS } from '../../core/standards/marks.ts';
export { ratioLadder, splitWidth };

import type { Question, Typed } from './question.ts';
import type { Slip } from './slips.ts';

/** An answer as it was given: the place of a choice, a number in the unit that is asked for, or that it is not known. */
export type Given =
  | { readonly kind: 'choice'; readonly at: number }
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'unknown' };

/** What came of an answer. Without a slip a wrong one was only off, or not known. */
export interface Judged {
  readonly isRight: boolean;
  readonly slip: Slip | null;
}

/** How near a typed answer must lie to what a slip comes to, as a share, to be taken for it [A]. */
const NEAR = 0.06;

function slipNear(value: number, { slips }: Typed): Slip | null {
  const near = slips
    .map((one) => ({ ...one, off: Math.abs(value - one.value) / Math.abs(one.value) }))
    .filter(({ off }) => off <= NEAR)
    .sort((a, b) => a.off - b.off);
  return near[0]?.slip ?? null;
}

/** Judges an answer: a typed one within its tolerance, inclusive. */
export function judge(question: Question, given: Given): Judged {
  const { typed, choices } = question;
  switch (given.kind) {
    case 'unknown':
      return { isRight: false, slip: null };
    case 'choice': {
      const choice = choices[given.at];
      return choice ? { isRight: choice.slip === null, slip: choice.slip } : { isRight: false, slip: null };
    }
    case 'number': {
      if (!typed || !Number.isFinite(given.value)) return { isRight: false, slip: null };
      const isRight = Math.abs(given.value - typed.right) <= typed.tolerance * typed.right + 1e-9;
      return { isRight, slip: isRight ? null : (slipNear(given.value, typed) ?? 'off') };
    }
  }
}

import type { Cause, SimRefusal } from '../../core/heat/writepath/simulation.ts';

const range = ({ min, max }: SimRefusal): string =>
  min === null ? `below ${max}` : max === null ? `above ${min}` : `${min} to ${max}`;

/** Why a run was refused: the field, and what it may be. */
export function simRefusalText(refusal: SimRefusal): string {
  const { code, field } = refusal;
  switch (code) {
    case 'not-finite':
      return `${field} must be a number, ${range(refusal)}.`;
    case 'out-of-range':
      return `${field} must be ${range(refusal)}.`;
    case 'contradiction':
      return `${field} must be ${range(refusal)} with the other figures as they are.`;
  }
}

export const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  bus: 'the slot is slower than the rate',
  flash: 'the flash is slower than the stream',
  cache: 'the fast cache is full and the flash behind it is too slow',
  heat: 'heat',
  stall: 'the card’s housekeeping stalls longer than the camera buffer hides',
};

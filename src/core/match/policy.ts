import type { Take } from '../kit/model.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import type { PerMille } from '../units/brand.ts';

/** How strict the person wants the answer: which take this is, and how much room above the need. */
export interface Policy {
  readonly take: Take;
  readonly headroom: PerMille;
}

export const DEFAULT_POLICY: Policy = {
  take: 'once',
  headroom: (ASSUMED.headroom.value * 1000) as PerMille,
};

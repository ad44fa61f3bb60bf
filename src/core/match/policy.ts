import type { TakeKind } from '../kit/model.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import type { PerMille } from '../units/brand.ts';

/** How strict the person wants the answer: which take this is, and how much room above the need. */
export interface Policy {
  readonly take: TakeKind;
  readonly headroom: PerMille;
}

/** Once-only, with the assumed headroom: how answers read where nobody has chosen. */
export const DEFAULT_POLICY: Policy = {
  take: 'once',
  headroom: (ASSUMED.headroom.value * 1000) as PerMille,
};

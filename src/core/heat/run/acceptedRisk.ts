import type { TakeKind } from '../../kit/model.ts';
import { ASSUMED } from '../../standards/assumptions.ts';

/** Share of failing runs that still counts as holding, until a person says otherwise. */
export const usuallyAccepted = (take: TakeKind): number =>
  (take === 'once' ? ASSUMED.acceptedRisk : ASSUMED.acceptedRiskRepeatable).value;

/** Above this a risk is hot, whatever is accepted three times over [A]. */
const HOT = 0.15;

/** A risk within what is accepted is cool, up to three times that warm, the rest hot. */
export const riskTone = (risk: number, accepted: number): 'cool' | 'warm' | 'hot' =>
  risk <= accepted ? 'cool' : risk <= Math.max(HOT, accepted * 3) ? 'warm' : 'hot';

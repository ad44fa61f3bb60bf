/** Above this a risk is hot, whatever is accepted three times over [A]. */
const HOT = 0.15;

/** A risk within what is accepted is cool, up to three times that warm, the rest hot. */
export const riskTone = (risk: number, accepted: number): 'cool' | 'warm' | 'hot' =>
  risk <= accepted ? 'cool' : risk <= Math.max(HOT, accepted * 3) ? 'warm' : 'hot';

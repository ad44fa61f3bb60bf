import type { BodyFigure, CardFigure } from '../../kit/model.ts';
import { LIMITS, type Limit } from './checkSimulation.ts';

/** The range a figure of a body or card must lie in. */
export function figureLimit(key: BodyFigure | CardFigure): Limit {
  const limits: Readonly<Record<string, Limit>> = LIMITS;
  return (limits[key] ?? limits[`card.${key}`] ?? limits[`heat.${key}`]) as Limit;
}

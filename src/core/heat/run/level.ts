/**
 * Heat of a planned take, ranked and not timed [A]. cool: holds though every heat figure were one spread worse ·
 * warm: throttles, or fails with figures that much worse · hot: fails with the figures as they are.
 */
export const HEAT_LEVELS = ['cool', 'warm', 'hot'] as const;
/** How much heat is in the way of a planned take. */
export type HeatLevel = (typeof HEAT_LEVELS)[number];

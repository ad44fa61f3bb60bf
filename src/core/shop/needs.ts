import type { Plan } from '../kit/plan.ts';
import type { Need } from '../kit/shop.ts';

/** What a day needs of one mode of one body, for the shop: an id is given where it is kept. */
export type PlanNeed = Omit<Need, 'id'>;

/** Longest stretch of a body's card in one go that is recorded, minutes; a block that is not gap-free asks for none. */
const gapOf = ({ gapFree, minutes, rolling }: Plan['blocks'][number]): number =>
  gapFree ? Math.ceil(minutes * rolling) : 0;

/** The needs of a day: recorded hours of each mode of each body, and its longest stretch without a change. */
export function needsOfPlan({ id, blocks }: Plan): readonly PlanNeed[] {
  const found = new Map<string, PlanNeed>();
  for (const block of blocks) {
    const { bodyId, modeId, minutes, rolling } = block;
    const key = JSON.stringify([bodyId, modeId]);
    const known = found.get(key);
    const gap = Math.max(known?.gapFreeMinutes ?? 0, gapOf(block));
    found.set(key, {
      bodyId,
      modeId,
      planId: id,
      sparePercent: 0,
      hours: (known?.hours ?? 0) + (minutes * rolling) / 60,
      gapFreeMinutes: gap > 0 ? gap : null,
    });
  }
  return [...found.values()].map((need) => ({ ...need, hours: Math.round(need.hours * 100) / 100 || 0.01 }));
}

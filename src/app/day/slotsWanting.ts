import type { Body } from '../../core/kit/model.ts';
import type { PlannedDay } from '../../core/rotation/plannedDay.ts';

/** A body of the day whose slots want a card of their own beside the one that is recorded to. */
interface Wanting {
  readonly bodyId: string;
  /** Their names. */
  readonly slots: readonly string[];
}

/** Slots that want a card of their own and get none by this day, body by body, as Match says it beside each answer. */
export const slotsWanting = (
  bodies: readonly Body[],
  { blocks, sittings }: Pick<PlannedDay, 'blocks' | 'sittings'>,
): readonly Wanting[] =>
  bodies.flatMap(({ id, slots }): Wanting[] => {
    if (!blocks.some(({ bodyId }) => bodyId === id)) return [];
    const taken = new Set(sittings.flatMap(({ bodyId, slotId }) => (bodyId === id ? [slotId] : [])));
    const wanting = slots.filter((slot) => slot.demandsCard && !taken.has(slot.id)).map(({ name }) => name);
    return wanting.length > 0 ? [{ bodyId: id, slots: wanting }] : [];
  });

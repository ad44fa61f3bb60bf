import type { HeatLevel } from '../heat/run/level.ts';
import { heatMark } from '../heat/run/mark.ts';
import type { PlannedTake } from '../kit/model.ts';
import type { Plan, PlanAir, PlanBlock } from '../kit/plan.ts';
import { RANGES } from '../kit/ranges.ts';
import { answersFor } from '../match/board.ts';
import { byCard } from '../match/columns.ts';
import { ASSUMED } from '../standards/assumptions.ts';
import type { Steps } from '../steps.ts';
import type { DayInput } from './day.ts';
import type { PlannedDay } from './plannedDay.ts';

const MINUTES = 60;

/** Clock minutes of HH:MM. */
const clockMinutes = (time: string): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  return hours * MINUTES + minutes;
};

/**
 * Air at a clock time: on the line between two entries of the profile, and level before the first and after the last.
 *
 * @param at - minutes since midnight
 * @returns °C without sun; null without a profile
 */
export function airAt(profile: readonly PlanAir[], at: number): number | null {
  const points = profile.map(({ at: time, airC }) => ({ at: clockMinutes(time), airC })).sort((a, b) => a.at - b.at);
  const after = points.find((one) => one.at >= at);
  const before = points.findLast((one) => one.at <= at);
  if (!after || !before) return (after ?? before)?.airC ?? null;
  if (after.at === before.at) return after.airC;
  return before.airC + ((after.airC - before.airC) * (at - before.at)) / (after.at - before.at);
}

/** Hottest air of a block, °C without sun: its own, else the profile's at its start, middle or end, else the assumed one. */
function blockAir({ ambientC, from, minutes }: PlanBlock, { airProfile }: Plan): number {
  if (ambientC != null) return ambientC;
  const start = clockMinutes(from);
  const samples = [0, 0.25, 0.5, 0.75, 1].map((share) => airAt(airProfile ?? [], (start + minutes * share) % 1440));
  const known = samples.filter((value): value is number => value !== null);
  return known.length > 0 ? Math.max(...known) : ASSUMED.plannedAmbientC.value;
}

/**
 * A block as takes: one where it rolls through or without a gap, else takes of ten minutes with the rest that its share
 * leaves between them [A].
 */
export function blockTake(block: PlanBlock, plan: Plan): PlannedTake {
  const { minutes, rolling, gapFree, sun } = block;
  // A finish tells that it stands in the sun; how much that adds is worked out.
  const sunC = sun ? ASSUMED.sunC.value : (block.sunC ?? 0);
  const place = { ambientC: blockAir(block, plan), sunC, sun: sun ?? null };
  if (gapFree || rolling >= 1) return { minutes, takes: 1, restMinutes: 0, ...place };
  const rolled = minutes * rolling;
  const each = Math.min(ASSUMED.takeOfBlock.value, rolled);
  const takes = Math.min(RANGES.takes.max, Math.max(1, Math.round(rolled / each)));
  return { minutes: each, takes, restMinutes: takes > 1 ? (minutes - rolled) / takes : 0, ...place };
}

/** What heat does to a block, on the hottest of its cards; null where the rate does not hold, or no card is in it. */
export type BlockHeat = Readonly<Record<string, HeatLevel | null>>;

const LEVELS: readonly (HeatLevel | null)[] = [null, 'cool', 'warm', 'hot'];

/** The heat mark of every block for its own air, with the cards that the day puts in it. */
export function* dayHeatSteps(
  { kit, plan, policy }: Pick<DayInput, 'kit' | 'plan' | 'policy'>,
  day: PlannedDay,
): Steps<BlockHeat> {
  const testsOf = byCard(kit.tests);
  const cardOf = new Map(kit.cards.map((card) => [card.id, card]));
  const found: Record<string, HeatLevel | null> = {};
  const known = new Map<string, HeatLevel | null>();
  for (const [at, block] of plan.blocks.entries()) {
    yield at / plan.blocks.length;
    const body = kit.bodies.find(({ id }) => id === block.bodyId);
    const mode = body?.modes.find(({ id }) => id === block.modeId);
    found[block.id] = null;
    if (!body || !mode) continue;
    const take = blockTake(block, plan);
    const answer = answersFor({ body, mode, ...kit, policy });
    for (const cardId of new Set(day.rolls.filter(({ blockId }) => blockId === block.id).map((roll) => roll.cardId))) {
      const card = cardOf.get(cardId);
      if (!card) continue;
      const key = JSON.stringify([body.id, mode.id, cardId, take]);
      const level = known.has(key)
        ? known.get(key)
        : heatMark({ body, cell: answer(card), card, tests: testsOf(cardId), plan: take, cards: kit.cards })?.level;
      known.set(key, level ?? null);
      if (LEVELS.indexOf(level ?? null) > LEVELS.indexOf(found[block.id] ?? null)) found[block.id] = level ?? null;
    }
  }
  return found;
}

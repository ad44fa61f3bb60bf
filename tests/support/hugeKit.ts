import demo from '../../src/kit/demo.coolreel.json' with { type: 'json' };
import { readKit } from '../../src/kit/importKit.ts';
import type { Kit } from '../../src/kit/kit.ts';
import { largeKit, testsFor } from './largeKit.ts';

/**
 * What must stay usable: 5,000 cards, 200 bodies of five modes, 10,000 tests and 20 plans of a shooting day, each divided by `part`.
 * Of one print are few of the cards: they differ in what they promise and hold, as a wallet bought over years does.
 */
export async function hugeKit(part = 1): Promise<Kit> {
  const kit = largeKit(1000 / part, 5000 / part);
  const cards = kit.cards.map((card, c) => ({
    ...card,
    sustainedMBps: 60 + (c % 400),
    capacityGB: 64 * (1 + (c % 8)),
  }));
  const tests = testsFor({ bodies: kit.bodies, cards }, 10_000 / part);
  const shown = await readKit(demo);
  const day = shown.ok ? shown.value.kit.plans[0] : undefined;
  if (!day) throw new Error('the demo has a plan');
  const plans = Array.from({ length: Math.max(1, 20 / part) }, (_, p) => ({
    ...day,
    id: `p${p}`,
    name: `Day ${p}`,
    date: `2026-05-${String(p + 1).padStart(2, '0')}`,
    cardIds: cards.slice(p * 200, p * 200 + 200).map(({ id }) => id),
    blocks: day.blocks.map((block, b) => ({ ...block, bodyId: `b${b % kit.bodies.length}`, modeId: 'm1' })),
  }));
  return { ...kit, cards, tests, plans };
}

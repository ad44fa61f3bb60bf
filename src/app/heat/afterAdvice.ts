import type { Advice } from '../../core/heat/run/advice.ts';
import type { HeatPick, PlannedTake } from '../../core/kit/model.ts';
import { assertNever } from '../../core/result.ts';

/** What a move changes in a pick. */
export function afterAdvice(advice: Advice, { plan, cardIds }: HeatPick): Partial<HeatPick> {
  const planned = (change: Partial<PlannedTake>): Partial<HeatPick> => ({ plan: { ...plan, ...change } });
  switch (advice.code) {
    case 'longest-take':
      return planned({ minutes: advice.minutes, takes: 1, restMinutes: 0 });
    case 'rests':
      return planned({ minutes: advice.minutes, takes: advice.takes, restMinutes: advice.restMinutes });
    case 'shade':
      return planned({ sunC: 0 });
    case 'cooler-air':
      return planned({ ambientC: advice.ambientC });
    case 'moving-air':
      return planned({ air: advice.air });
    case 'cool-start':
      return { startBodyC: null, startCardC: null };
    case 'ratio':
      return { ratio: advice.ratio };
    case 'mode':
      return { modeId: advice.modeId, ratio: null };
    case 'card':
      return { cardIds: [advice.cardId, ...cardIds.slice(1)] };
    default:
      return assertNever(advice);
  }
}

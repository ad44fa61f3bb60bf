import {
  AIR_MOVEMENTS,
  type AirMovement,
  ARRANGEMENTS,
  type Arrangement,
  FINISH_KEYS,
  type Finish,
  type HeatPick,
} from '../../core/kit/model.ts';
import { RANGES, type Range } from '../../core/kit/ranges.ts';

/** A pick as the query of an address, so that a reload, a bookmark or a message to a colleague keeps it. */
export function pickQuery({
  bodyId,
  modeId,
  cardIds,
  arrangement,
  ratio,
  plan,
  startBodyC,
  startCardC,
  demandTraceMBps,
}: HeatPick): string {
  const query = new URLSearchParams({ body: bodyId, mode: modeId });
  for (const id of cardIds) query.append('card', id);
  const put = (key: string, value: number | string | null): void => {
    if (value !== null) query.set(key, String(value));
  };
  put('over', arrangement === 'single' ? null : arrangement);
  put('ratio', ratio);
  put('min', plan.minutes);
  put('takes', plan.takes);
  put('rest', plan.restMinutes);
  put('air', plan.ambientC);
  put('sun', plan.sunC);
  put('finish', plan.sunC > 0 ? (plan.sun ?? null) : null);
  put('wind', plan.air && plan.air !== 'still' ? plan.air : null);
  put('low', plan.dayLowC ?? null);
  put('bodyC', startBodyC);
  put('cardC', startCardC);
  // The rates themselves are too many for an address; that there were some must not be lost in silence.
  put('clip', demandTraceMBps?.length ?? null);
  return `?${query}`;
}

/** What an address asks for: the body, mode and cards by id, and what of the rest it names. Nonsense in it is left out. */
export interface Asked {
  readonly body: string | null;
  readonly mode: string | null;
  readonly card: string | null;
  /** True where a clip's rates were in use, which no address carries. */
  readonly hasClip: boolean;
  /** The take as it was; null where the address names a cell alone. */
  readonly rest: Omit<HeatPick, 'bodyId' | 'modeId'> | null;
}

export function queryPick(search: string): Asked {
  const query = new URLSearchParams(search);
  const number = (key: string, { min, max }: Range): number | null => {
    const text = query.get(key);
    const value = text === null || text.trim() === '' ? Number.NaN : Number(text);
    return value >= min && value <= max ? value : null;
  };
  const cardIds = query.getAll('card');
  const [minutes, takes] = [number('min', RANGES.takeMinutes), number('takes', RANGES.takes)];
  const [restMinutes, ambientC] = [number('rest', RANGES.restMinutes), number('air', RANGES.airC)];
  const sunC = number('sun', RANGES.sunC);
  const whole = minutes !== null && takes !== null && restMinutes !== null && ambientC !== null && sunC !== null;
  const over = query.get('over') as Arrangement | null;
  const wind = query.get('wind') as AirMovement | null;
  const finish = query.get('finish') as Finish | null;
  const dayLowC = number('low', RANGES.airC);
  return {
    body: query.get('body'),
    mode: query.get('mode'),
    card: cardIds[0] ?? null,
    hasClip: query.has('clip'),
    rest:
      whole && Number.isInteger(takes)
        ? {
            cardIds,
            arrangement: over && ARRANGEMENTS.includes(over) ? over : 'single',
            ratio: number('ratio', RANGES.ratio),
            plan: {
              minutes,
              takes,
              restMinutes,
              ambientC,
              sunC: Math.max(0, sunC),
              ...(finish && FINISH_KEYS.includes(finish) ? { sun: finish } : {}),
              ...(wind && wind !== 'still' && AIR_MOVEMENTS.includes(wind) ? { air: wind } : {}),
              ...(dayLowC === null ? {} : { dayLowC }),
            },
            startBodyC: number('bodyC', RANGES.startC),
            startCardC: number('cardC', RANGES.startC),
          }
        : null,
  };
}

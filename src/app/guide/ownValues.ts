import { ASSUMED } from '../../core/standards/assumptions.ts';
import { DEFAULT_SETTINGS, type Settings } from '../../kit/kit.ts';

/** An assumption in whose place the person has put a value. */
export interface OwnValue {
  readonly key: keyof typeof ASSUMED;
  readonly value: number;
}

/** Which assumptions the settings of a kit replace, and by what. */
export function ownValues(settings: Settings): readonly OwnValue[] {
  const { headroom, plannedTake, exportEveryDays, retest } = { ...DEFAULT_SETTINGS, ...settings };
  const all: readonly (readonly [keyof typeof ASSUMED, number | null | undefined])[] = [
    ['headroom', headroom],
    ['plannedMinutes', plannedTake?.minutes],
    ['plannedAmbientC', plannedTake?.ambientC],
    ['sunC', plannedTake && plannedTake.sunC > 0 ? plannedTake.sunC : null],
    ['exportEveryDays', exportEveryDays],
    ['retestMonths', retest?.months],
  ];
  return all.flatMap(([key, value]) =>
    value === null || value === undefined || value === ASSUMED[key].value ? [] : [{ key, value }],
  );
}

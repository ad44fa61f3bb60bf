import { useMemo, useState } from 'react';
import { deciding, type HeatSetup, hasFailed, lanesOf } from '../../core/heatrun/lane.ts';
import type { SimResult } from '../../core/writepath/simulation.ts';
import { outcomeText } from '../../text/heat.ts';
import { NumberLine } from '../../ui/LineField.tsx';
import css from './DayRuns.module.css';
import type { Run } from './useRun.ts';

const PARTS = ['Morning', 'Noon', 'Evening'] as const;

/** Degrees below the air of the plan at which morning and evening begin [A]. */
const BELOW = [12, 0, 6] as const;

function resultOf(setup: HeatSetup): SimResult | null {
  const lanes = lanesOf(setup);
  return lanes.ok ? deciding(lanes.value).result : null;
}

/** The same take at three airs of one shoot day; sun only at noon. */
export function DayRuns({ run }: { readonly run: Run }) {
  const { setup } = run;
  const { plan } = setup;
  const [airs, setAirs] = useState<readonly (number | null)[]>([null, null, null]);
  const day = PARTS.map((part, at) => {
    const ambientC = airs[at] ?? plan.ambientC - (BELOW[at] as number);
    return { part, at, ambientC, sunC: at === 1 ? plan.sunC : 0, own: airs[at] != null };
  });
  const results = useMemo(
    () => day.map(({ ambientC, sunC }) => resultOf({ ...setup, plan: { ...plan, ambientC, sunC } })),
    [setup, plan, airs],
  );
  const set = (at: number, value: number | null): void =>
    setAirs(airs.map((one, place) => (place === at ? value : one)));
  return (
    <section aria-labelledby="day-heading">
      <h2 id="day-heading">The same take through the day</h2>
      <div className={css.day}>
        {day.map(({ part, at, ambientC, sunC, own }) => {
          const ran = results[at] ?? null;
          const failed = ran !== null && hasFailed(ran);
          return (
            <div key={part}>
              <NumberLine
                label={part}
                value={ambientC}
                unit="°C"
                min={-60}
                max={60}
                note={sunC > 0 ? `sun +${sunC} °C` : 'shade'}
                reset={own ? () => set(at, null) : undefined}
                onChange={(value) => set(at, value)}
              />
              <p className={failed ? 'tone-hot' : 'tone-cool'}>
                <b>{ran ? outcomeText(ran) : 'Cannot be run in this air'}</b>
              </p>
              {ran?.firstThrottleAtSeconds != null && !failed && <p className="soft">throttles on the way</p>}
            </div>
          );
        })}
      </div>
    </section>
  );
}

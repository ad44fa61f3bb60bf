import { useEffect, useMemo, useState } from 'react';
import { keptRates, offeredOfKept } from '../../../app/prove/measure/measureActions.ts';
import type { BenchResult, Card } from '../../../core/kit/model.ts';
import { part } from '../../../ui/part.tsx';
import css from './measure.module.css';
import { OfferedFigures } from './OfferedFigures.tsx';

const RateChart = part(() => import('./RateChart.tsx'));

interface KeptTraceProps {
  readonly bench: BenchResult;
  readonly card: Card | undefined;
}

/** A trace that was kept with a card: its picture, and its figures for heat runs. */
export default function KeptTrace({ bench, card }: KeptTraceProps) {
  const [rates, setRates] = useState<readonly number[] | null>(null);
  const { seriesId = null, trace } = bench;
  useEffect(() => {
    let isHere = true;
    setRates(null);
    if (seriesId !== null) void keptRates(seriesId).then((found) => isHere && setRates(found));
    return () => {
      isHere = false;
    };
  }, [seriesId]);
  const points = useMemo(() => (rates ?? []).map((MBps, second) => [second, MBps] as const), [rates]);
  return (
    <section className={css.kept} aria-label="Its trace">
      {bench.fault && <p className={css.bad}>{bench.fault}</p>}
      {points.length > 0 && <RateChart name="MB/s, second by second" points={points} isStepped height={200} />}
      {card && trace && !bench.fault && <OfferedFigures card={card} offered={offeredOfKept(trace)} />}
    </section>
  );
}

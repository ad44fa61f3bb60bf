import { PRACTICE_BYTES, timeLeft } from '../../../app/prove/measure/benchPlaces.ts';
import { type BenchState, cancelBench, pauseBench } from '../../../app/prove/measure/benchRun.ts';
import type { ProveKit } from '../../../app/prove/proveKit.ts';
import type { Seconds } from '../../../core/units/brand.ts';
import { paceText } from '../../../text/heat/heatWords.ts';
import { practiceClockText } from '../../../text/prove/bench.ts';
import { durationText, plain } from '../../../text/quantity.ts';
import { part } from '../../../ui/part.tsx';
import css from './measure.module.css';

const RateChart = part(() => import('./RateChart.tsx'));

interface BenchRunningProps {
  readonly kit: ProveKit;
  readonly bench: Extract<BenchState, { phase: 'running' }>;
}

const GB = (bytes: number): string => plain(bytes / 1e9, bytes < 1e10 ? 2 : 1);

/** A bench at work: its rate now, how far it is, and how long it still takes. */
export function BenchRunning({ kit, bench }: BenchRunningProps) {
  const { tick, written, read, isPaused, request, cardId } = bench;
  const isReading = tick?.phase === 'read';
  const rates = isReading ? read : written;
  const now = rates.at(-1);
  // Until it is full is about as much as is printed on it.
  const card = kit.cards.find(({ id }) => id === cardId);
  const printed = request.place.kind === 'practice' ? PRACTICE_BYTES : card ? card.capacityGB * 1e9 : null;
  const of = tick?.ofBytes ?? printed;
  const about = tick?.ofBytes == null ? 'about ' : '';
  const left = tick && of !== null ? timeLeft(tick.bytes, of, rates) : null;
  return (
    <section className={css.part} aria-label="The bench is at work">
      <h2>
        {isPaused ? 'Paused' : isReading ? 'Read back and compared' : 'Being written'}
        {request.place.kind === 'practice' ? ', a practice card' : card ? `, ${card.label}` : ''}
      </h2>
      <p className={css.now}>
        <strong>{now === undefined ? '…' : paceText(now)}</strong>
        {tick && (
          <span>
            {GB(tick.bytes)} GB{of !== null && ` of ${about}${GB(of)} GB`}
            {left !== null && !isPaused && ` · ${about}${durationText(left as Seconds)} left`}
          </span>
        )}
      </p>
      {request.place.kind === 'practice' && <p className="soft">{practiceClockText(request.place.faster)}</p>}
      {tick && of ? (
        <progress className={css.bar} max={1} value={Math.min(1, tick.bytes / of)} aria-label="How far it is" />
      ) : (
        <progress className={css.bar} aria-label="Until it is full" />
      )}
      {written.length > 1 && (
        <RateChart
          name="MB/s while it is written"
          points={written.slice(-600).map((MBps, at) => [at + Math.max(0, written.length - 600), MBps] as const)}
          isStepped
          height={200}
        />
      )}
      <p className={css.actions}>
        <button type="button" className="ink-button" onClick={() => void pauseBench(!isPaused)}>
          {isPaused ? 'Go on' : 'Pause'}
        </button>
        <button type="button" className="ink-button" onClick={() => void cancelBench()}>
          Stop
        </button>
        <span className="soft">It goes on while another tab is in front. Do not pull the card.</span>
      </p>
    </section>
  );
}

import type { Moment, Simulation } from '../../core/heat/writepath/simulation.ts';
import { momentLines, timeText } from '../../text/heat/heat.ts';
import { plain } from '../../text/quantity.ts';
import css from './Buckets.module.css';

interface BucketsProps {
  readonly moment: Moment;
  readonly sim: Simulation;
}

interface VesselProps {
  readonly name: string;
  readonly level: number;
  readonly size: number;
  readonly text: string;
  readonly x: number;
  readonly width: number;
}

const TOP = 8;
const DEEP = 96;

/** Cool while there is room, hot when it is about to spill. */
const toneAt = (share: number): string =>
  share > 0.85
    ? 'var(--t5)'
    : share > 0.6
      ? 'var(--t4)'
      : share > 0.35
        ? 'var(--t3)'
        : share > 0.15
          ? 'var(--t2)'
          : 'var(--t1)';

function Vessel({ level, size, x, width }: VesselProps) {
  const share = size > 0 ? Math.min(1, level / size) : 0;
  const height = DEEP * share;
  return (
    <g>
      {size > 0 && (
        <rect x={x + 2.5} y={TOP + DEEP - height} width={width - 5} height={height} style={{ fill: toneAt(share) }} />
      )}
      <path
        d={`M${x} ${TOP}V${TOP + DEEP + 2}H${x + width}V${TOP}`}
        fill="none"
        stroke="currentColor"
        strokeWidth="2.2"
        strokeDasharray={size > 0 ? undefined : '3 4'}
      />
    </g>
  );
}

const gigabytes = (value: number): string => plain(value, value < 10 ? 1 : 0);

/** Camera buffer and fast cache as two vessels joined by a pipe, at one moment of the run: the picture of why. */
export function Buckets({ moment, sim }: BucketsProps) {
  const buffer: VesselProps = {
    name: 'camera buffer',
    level: moment.bufferMB,
    size: sim.bufferMB,
    text:
      sim.bufferMB > 0 ? `${gigabytes(moment.bufferMB / 1000)} of ${gigabytes(sim.bufferMB / 1000)} GB` : 'none known',
    x: 4,
    width: 84,
  };
  const card = moment.cardAt === 0 ? sim.card : (sim.relay?.[moment.cardAt - 1]?.card ?? sim.card);
  const cache: VesselProps = {
    name: 'card fast cache',
    level: moment.cacheGB,
    size: card.cacheGB,
    text: card.cacheGB > 0 ? `${gigabytes(moment.cacheGB)} of ${gigabytes(card.cacheGB)} GB` : 'none known',
    x: 136,
    width: 108,
  };
  return (
    <div className={css.buckets}>
      <figure className={css.figure}>
        <div className={css.heads} aria-hidden="true">
          <span>{buffer.name}</span>
          <span>{cache.name}</span>
        </div>
        <svg
          viewBox="0 0 284 112"
          className={css.vessels}
          role="img"
          aria-label={`${buffer.name} ${buffer.text}, ${cache.name} ${cache.text}`}
        >
          <Vessel {...buffer} />
          <Vessel {...cache} />
          <path d="M89 97H135M245 97H282" stroke="currentColor" strokeWidth="2.2" />
        </svg>
        <figcaption className={css.levels} aria-hidden="true">
          <span>{buffer.text}</span>
          <span>{cache.text}</span>
        </figcaption>
      </figure>
      <div className={css.now} aria-live="off">
        <h2>At {timeText(moment.seconds)}</h2>
        {momentLines(moment, sim).map((line) => (
          <p key={line}>{line}</p>
        ))}
        <p>
          {gigabytes(moment.writtenGB)} GB written{sim.relay?.length ? `, on card ${moment.cardAt + 1}` : ''}
        </p>
      </div>
    </div>
  );
}

import { Slider } from '@mantine/core';
import { timeText } from '../../text/heat/heat.ts';
import type { PlotPlace } from './RunChart.tsx';
import css from './Scrubber.module.css';

interface ScrubberProps {
  readonly seconds: number;
  readonly last: number;
  /** Where the plot above stands, so that both share one scale; null before it is drawn. */
  readonly place: PlotPlace | null;
  readonly onSeconds: (seconds: number) => void;
}

/** Moves the buckets through the run; arrow keys step, page keys stride. */
export function Scrubber({ seconds, last, place, onSeconds }: ScrubberProps) {
  const style = place ? { marginLeft: place.left, width: place.width } : undefined;
  return (
    <div className={css.scrubber} style={style}>
      <Slider
        classNames={{ track: css.track ?? '', bar: css.bar ?? '', thumb: css.thumb ?? '' }}
        size={2}
        thumbSize={14}
        min={0}
        max={last}
        step={Math.max(0.01, last / 500)}
        value={seconds}
        onChange={onSeconds}
        label={null}
        thumbLabel="Moment of the run"
        thumbProps={{ 'aria-valuetext': timeText(seconds) }}
      />
    </div>
  );
}

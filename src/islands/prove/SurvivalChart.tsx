import { useEffect, useRef, useState } from 'react';
import type { MapLimit } from '../../app/prove/proveViews.ts';
import type { Corner, MapBar } from '../../core/prove/survival.ts';
import { paceText } from '../../text/heat/heatWords.ts';
import { END_WORD } from '../../text/prove/log.ts';
import { minutesText, plain } from '../../text/quantity.ts';
import { stepFor } from '../../ui/axisStep.ts';
import css from './SurvivalChart.module.css';

interface SurvivalChartProps {
  readonly bars: readonly MapBar[];
  readonly ground: readonly Corner[];
  readonly limits: readonly MapLimit[];
  readonly openId: string | null;
  readonly onOpen: (testId: string) => void;
}

const HEIGHT = 320;
const LEFT = 52;
const FOOT = 30;
const TOP = 14;

/** Names beside the bars, where they do not cover each other. */
const MOST_NAMED = 40;

const upTo = (most: number, step: number): readonly number[] =>
  Array.from({ length: Math.floor(most / step + 1e-9) + 1 }, (_, at) => at * step);

/**
 * Rate against minutes: each take a bar as long as it ran, ending in how it ended. Drawn by hand, since thousands of bars as
 * separate series stand a chart library still; names are left out where they would lie on each other.
 */
export function SurvivalChart({ bars, ground, limits, openId, onOpen }: SurvivalChartProps) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(640);
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(240, entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const mostMinutes = Math.max(1, ...bars.map(({ minutes }) => minutes)) * 1.12;
  const mostRate = Math.max(1, ...bars.map(({ MBps }) => MBps), ...limits.map(({ MBps }) => MBps)) * 1.1;
  const x = (minutes: number): number => LEFT + ((width - LEFT - 12) * Math.min(minutes, mostMinutes)) / mostMinutes;
  const y = (MBps: number): number => TOP + (HEIGHT - TOP - FOOT) * (1 - MBps / mostRate);
  const [stepX, stepY] = [stepFor(mostMinutes, width < 480 ? 4 : 7), stepFor(mostRate, 4)];
  const taken: { readonly x: number; readonly y: number }[] = [];
  const isFree = (at: { readonly x: number; readonly y: number }): boolean => {
    const free =
      taken.length < MOST_NAMED && !taken.some((one) => Math.abs(one.y - at.y) < 14 && Math.abs(one.x - at.x) < 60);
    if (free) taken.push(at);
    return free;
  };
  const base = y(0);
  const outline = ground.flatMap(({ minutes, MBps }, at) => {
    const before = ground[at - 1];
    return [`${x(before?.minutes ?? 0)},${y(MBps)}`, `${x(minutes)},${y(MBps)}`];
  });
  const last = ground.at(-1);
  return (
    <div ref={frame} className={css.frame}>
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset cannot hold a drawing */}
      <svg width={width} height={HEIGHT} role="group" aria-label={`Survival map of ${bars.length} takes`}>
        {last && (
          <polygon
            className={css.ground}
            points={[`${x(0)},${base}`, ...outline, `${x(last.minutes)},${base}`].join(' ')}
          />
        )}
        {upTo(mostRate, stepY).map((rate) => (
          <g key={rate}>
            <line className={css.grid} x1={LEFT} x2={width} y1={y(rate)} y2={y(rate)} />
            <text className={css.axis} x={LEFT - 8} y={y(rate) + 4} textAnchor="end">
              {plain(rate)}
            </text>
          </g>
        ))}
        {upTo(mostMinutes, stepX).map((minute) => (
          <text key={minute} className={css.axis} x={x(minute)} y={HEIGHT - 8} textAnchor="middle">
            {plain(minute)}
          </text>
        ))}
        {limits.map(({ name, MBps, minutes }) =>
          minutes !== null && minutes < mostMinutes ? (
            <g key={`${name} ${MBps}`} className={css.limit}>
              <line x1={x(minutes)} x2={x(minutes)} y1={y(MBps) - 9} y2={y(MBps) + 9} />
              <title>{`${name}: the heat estimate ends it after ${minutesText(Math.floor(minutes))}`}</title>
            </g>
          ) : null,
        )}
        {bars.map((bar) => {
          const [endX, barY] = [x(bar.minutes), y(bar.MBps)];
          const isOpen = bar.testId === openId;
          const name = `${bar.label}, ${paceText(bar.MBps)}, ${plain(bar.minutes)} min, ${bar.misfit ? 'numbers do not fit' : END_WORD[bar.end]}`;
          return (
            // biome-ignore lint/a11y/useSemanticElements: a button element cannot stand in a drawing
            <g
              key={bar.testId}
              className={css.bar}
              data-end={bar.misfit ? 'misfit' : bar.end}
              data-open={isOpen || undefined}
              role="button"
              tabIndex={bars.length <= MOST_NAMED ? 0 : -1}
              aria-label={name}
              onClick={() => onOpen(bar.testId)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                onOpen(bar.testId);
              }}
            >
              <line className={css.hit} x1={LEFT} x2={endX + 8} y1={barY} y2={barY} />
              <line x1={LEFT} x2={endX} y1={barY} y2={barY} />
              {bar.end === 'full' && <line className={css.stop} x1={endX} x2={endX} y1={barY - 6} y2={barY + 6} />}
              {(bar.end === 'dropped' || bar.end === 'cut-off') && (
                <polygon points={`${endX - 6},${barY - 5} ${endX + 6},${barY - 5} ${endX},${barY + 6}`} />
              )}
              {bar.end === 'stopped' && <circle cx={endX} cy={barY} r={5} />}
              {isFree({ x: endX, y: barY }) && (
                <text
                  className={css.name}
                  x={endX > width - 70 ? endX - 12 : endX + 11}
                  y={endX > width - 70 ? barY - 8 : barY + 4}
                  textAnchor={endX > width - 70 ? 'end' : 'start'}
                >
                  {bar.label.length > 12 ? `${bar.label.slice(0, 11)}…` : bar.label}
                </text>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}

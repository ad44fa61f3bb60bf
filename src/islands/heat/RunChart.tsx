import type { ApexOptions } from 'apexcharts';
import { type CSSProperties, useMemo, useState } from 'react';
import ReactApexChart from 'react-apexcharts';
import { usePageTheme } from '../../ui/pageTheme.ts';
import 'apexcharts/dist/apexcharts.css';
import { chartData, type NamedEvent, namedEvents } from '../../app/heat/chartData.ts';
import type { Run } from '../../app/heat/useRun.ts';
import type { Band } from '../../core/heat/writepath/band.ts';
import { axisText, EVENT_WORDS } from '../../text/heat/heat.ts';
import { degreesText } from '../../text/heat/heatWords.ts';
import css from './RunChart.module.css';

interface RunChartProps {
  readonly run: Run;
  /** Range of the risk runs; null until they are done. */
  readonly band: Band | null;
  readonly seconds: number;
  /** Where the plot stands inside the chart, so that the scrubber can be laid under it. */
  readonly onPlace: (place: PlotPlace) => void;
}

interface TimeScale {
  readonly max: number;
  readonly step: number;
}

export interface PlotPlace {
  readonly left: number;
  readonly width: number;
}

const TOKENS = ['t1', 't2', 't3', 't4', 't5', 'ink', 'soft', 'line', 'hot', 'cool'] as const;
type Tokens = Readonly<Record<(typeof TOKENS)[number], string>>;

function readTokens(): Tokens {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(TOKENS.map((key) => [key, style.getPropertyValue(`--${key}`).trim()])) as Tokens;
}

const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';

interface ApexContext {
  readonly w: { readonly globals: { readonly translateX: number; readonly gridWidth: number } };
}

function baseOptions(tokens: Tokens, onPlace: (place: PlotPlace) => void, scale: TimeScale): ApexOptions {
  const place = (chart: unknown): void => {
    const { translateX, gridWidth } = (chart as ApexContext).w.globals;
    onPlace({ left: translateX, width: gridWidth });
  };
  return {
    chart: {
      background: 'transparent',
      fontFamily: FONT,
      foreColor: tokens.soft,
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      selection: { enabled: false },
      parentHeightOffset: 0,
      events: { mounted: place, updated: place },
    },
    legend: { show: false },
    tooltip: { enabled: false },
    dataLabels: { enabled: false },
    grid: { borderColor: tokens.line, padding: { left: 8, right: 14, top: -14, bottom: -6 } },
    states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
    markers: { size: 0, hover: { size: 0 } },
    xaxis: {
      type: 'numeric',
      min: 0,
      max: scale.max,
      tickAmount: Math.round(scale.max / scale.step),
      axisBorder: { show: false },
      axisTicks: { show: false },
      tooltip: { enabled: false },
      crosshairs: { show: false },
      labels: { style: { fontSize: '12px' }, formatter: (value) => axisText(Number(value), scale.step) },
    },
  };
}

/** Names nearer than this share of the width would run into each other. */
const ROOM = 0.24;

/** A name stands a row lower than the one after it where both would touch: the last one keeps the top. */
function rowOf(all: readonly NamedEvent[], at: number, max: number): number {
  const near = all.slice(at + 1).filter(({ minutes }) => (minutes - (all[at]?.minutes ?? 0)) / max < ROOM);
  return Math.min(2, near.length);
}

const level = (y: number, color: string, text: string, soft: string) => ({
  y,
  borderColor: color,
  strokeDashArray: 5,
  label: {
    text,
    // At the left most runs are still far from it, and the scrubber begins at the other end.
    position: 'left',
    textAnchor: 'start',
    offsetX: 4,
    offsetY: -3,
    borderWidth: 0,
    style: {
      background: 'transparent',
      color: soft,
      fontSize: '12px',
      padding: { left: 0, right: 0, top: 0, bottom: 0 },
    },
  },
});

/** Both temperatures against their thresholds, and under them what is accepted against what is demanded. */
export default function RunChart({ run, band, seconds, onPlace }: RunChartProps) {
  const scheme = usePageTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another theme has other colours, which are read off the page
  const tokens = useMemo(readTokens, [scheme]);
  const [place, setPlace] = useState<PlotPlace | null>(null);
  const { lane, result } = run;
  const data = useMemo(() => chartData(run, band), [run, band]);
  const { heat } = lane.sim;
  const { scale } = data;
  const base = useMemo(
    () =>
      baseOptions(
        tokens,
        (next) => {
          setPlace(next);
          // The scrubber ends where the run does.
          onPlace({ left: next.left, width: (next.width * result.atSeconds) / 60 / scale.max });
        },
        scale,
      ),
    [tokens, scale, result.atSeconds, onPlace],
  );
  const temperature: ApexOptions = useMemo(
    () => ({
      ...base,
      chart: { ...base.chart, id: 'heat-temperatures' },
      colors: [tokens.t5, tokens.t5, tokens.t2],
      stroke: { width: [0, 3, 3], curve: 'straight' },
      fill: { opacity: [0.13, 1, 1], type: 'solid' },
      yaxis: {
        min: data.lowC,
        max: data.highC,
        tickAmount: Math.round((data.highC - data.lowC) / 10),
        labels: { minWidth: 52, maxWidth: 52, style: { fontSize: '12px' }, formatter: (value) => degreesText(value) },
      },
      annotations: {
        yaxis: [
          level(heat.throttleAtC, tokens.t4, 'card throttles', tokens.soft),
          level(heat.bodyLimitC, tokens.t3, 'camera shuts down', tokens.soft),
        ],
        xaxis: [
          ...data.throttled.map(({ from, to }) => ({
            x: from,
            x2: to,
            fillColor: tokens.t5,
            opacity: 0.1,
            borderColor: 'transparent',
          })),
          ...namedEvents(result).map(({ event, minutes }) => ({
            x: minutes,
            borderColor: tokens.ink,
            strokeDashArray: event === 'dropped' || event === 'body-limit' ? 0 : 3,
          })),
        ],
        points: [
          { text: 'card', ...data.cardLabel, color: tokens.hot },
          { text: 'camera', ...data.bodyLabel, color: tokens.cool },
        ].map(({ text, x, y, color }) => ({
          x,
          y,
          marker: { size: 0 },
          label: {
            text,
            offsetY: text === 'card' ? -4 : 26,
            borderWidth: 0,
            style: { background: 'transparent', color, fontSize: '12.5px', fontWeight: 700 },
          },
        })),
      },
    }),
    [base, data, heat, result, tokens],
  );
  const rate: ApexOptions = useMemo(
    () => ({
      ...base,
      chart: { ...base.chart, id: 'heat-rates', events: {} },
      colors: [tokens.t1, tokens.ink],
      stroke: { width: [2.5, 1.5], dashArray: [0, 4], curve: 'stepline' },
      yaxis: {
        min: 0,
        max: data.highMBps,
        tickAmount: 2,
        labels: {
          minWidth: 52,
          maxWidth: 52,
          style: { fontSize: '12px' },
          formatter: (value) => String(Math.round(value)),
        },
      },
      // The same labels unseen: they decide how wide the plot is, and both must share one scale.
      xaxis: { ...base.xaxis, labels: { ...base.xaxis?.labels, style: { fontSize: '12px', colors: 'transparent' } } },
      annotations: {
        xaxis: data.throttled.map(({ from, to }) => ({
          x: from,
          x2: to,
          fillColor: tokens.t5,
          opacity: 0.1,
          borderColor: 'transparent',
        })),
      },
    }),
    [base, data, tokens],
  );
  const named = namedEvents(result);
  const rows = named.map((_, at) => rowOf(named, at, scale.max));
  const leftOf = (minutes: number): number => (place ? place.left + (place.width * minutes) / scale.max : 0);
  return (
    <div
      className={css.charts}
      style={{ '--names': `${named.length > 0 ? (Math.max(...rows) + 1) * 16 + 4 : 0}px` } as CSSProperties}
    >
      {/* The chart library puts its style sheet into the page unless it finds this; ours came with the bundle. */}
      <span id="apexcharts-css" hidden />
      <div className={css.names} aria-hidden="true">
        {place &&
          named.map(({ event, minutes }, at) => (
            <span
              key={event}
              className={css.name}
              data-late={minutes / scale.max > 0.6 || undefined}
              style={{ left: leftOf(minutes), top: (rows[at] ?? 0) * 16 }}
            >
              {EVENT_WORDS[event]}
            </span>
          ))}
      </div>
      <div aria-hidden="true">
        <ReactApexChart options={temperature} series={data.temperatures} type="rangeArea" height={264} />
        <p className={css.caption}>
          MB/s: <b className={css.accepted}>accepted</b>, <b>demanded</b>
        </p>
        <ReactApexChart options={rate} series={data.rates} type="line" height={96} />
      </div>
      {place && <span className={css.now} aria-hidden="true" style={{ left: leftOf(seconds / 60) }} />}
    </div>
  );
}

import type { ApexOptions } from 'apexcharts';
import { useMemo } from 'react';
import ReactApexChart from 'react-apexcharts';
import 'apexcharts/dist/apexcharts.css';
import type { Segment } from '../../../core/prove/trace/trace.ts';
import type { Seconds } from '../../../core/units/brand.ts';
import { SEGMENT_WORDS } from '../../../text/prove/trace.ts';
import { clockText } from '../../../text/quantity.ts';
import { usePageTheme } from '../../../ui/pageTheme.ts';
import css from './measure.module.css';

type Points = readonly (readonly [number, number])[];

interface RateChartProps {
  readonly name: string;
  readonly points: Points;
  /** Temperatures on a scale of their own. */
  readonly celsius?: Points | null;
  readonly segments?: readonly Segment[];
  /** Rates of whole seconds stand level. */
  readonly isStepped?: boolean;
  readonly height?: number;
}

const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';
const TOKENS = ['t1', 't4', 't5', 'ink', 'soft', 'line', 'cool', 'hot', 'faint'] as const;
/** Width of a name over its segment, beside the chart's own edges, pixels. */
const NAME = 86;
/** Room over the highest rate for the names. */
const HEADROOM = 1.12;
const EDGES = 110;

/** A mark of the scale that gives four or five of them. */
function scaleOf(highest: number): { readonly max: number; readonly ticks: number; readonly digits: number } {
  const rough = Math.max(highest, 1e-3) / 5;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 2.5, 5, 10].map((one) => one * power).find((one) => one >= rough) ?? rough;
  const ticks = Math.max(1, Math.ceil(highest / step - 1e-9));
  return {
    max: ticks * step,
    ticks,
    digits: Math.max(0, Math.ceil(-Math.log10(step) - 1e-9) + (step / power === 2.5 ? 1 : 0)),
  };
}

/** A step that gives four to eight marks of whole seconds, minutes or hours. */
function tickStep(seconds: number): number {
  const steps = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 14_400, 43_200, 86_400, 604_800];
  return steps.find((step) => seconds / step <= 6) ?? 2_592_000;
}

/** A rate over time with its segments named; a table beside it says the same in words. */
export default function RateChart({ name, points, celsius, segments = [], isStepped, height = 240 }: RateChartProps) {
  const scheme = usePageTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another theme has other colours, which are read off the page
  const options = useMemo((): ApexOptions => {
    const style = getComputedStyle(document.documentElement);
    const token = Object.fromEntries(TOKENS.map((key) => [key, style.getPropertyValue(`--${key}`).trim()])) as Record<
      (typeof TOKENS)[number],
      string
    >;
    const last = Math.max(points.at(-1)?.[0] ?? 1, segments.at(-1)?.toSeconds ?? 0);
    const step = tickStep(last);
    const max = Math.ceil(last / step) * step;
    const fill: Readonly<Record<Segment['kind'], string>> = {
      burst: token.t1,
      sustained: 'transparent',
      throttled: token.t5,
      decline: token.t4,
      stall: token.ink,
    };
    const named = new Set<string>();
    const scale = scaleOf(
      points.reduce((most, [, rate]) => Math.max(most, rate), 0) * (segments.length > 0 ? HEADROOM : 1),
    );
    const width = Math.max(200, Math.min(860, window.innerWidth) - EDGES);
    return {
      chart: {
        id: name.replace(/\W+/g, '-'),
        background: 'transparent',
        fontFamily: FONT,
        foreColor: token.soft,
        animations: { enabled: false },
        toolbar: { show: false },
        zoom: { enabled: false },
        selection: { enabled: false },
        parentHeightOffset: 0,
      },
      legend: { show: false },
      tooltip: { enabled: false },
      dataLabels: { enabled: false },
      grid: { borderColor: token.line, padding: { left: 8, right: 14, top: -6, bottom: -6 } },
      states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
      markers: { size: 0, hover: { size: 0 } },
      colors: [token.cool, token.hot],
      stroke: {
        width: [2, 1.5],
        curve: isStepped ? ['stepline', 'straight'] : ['straight', 'straight'],
        dashArray: [0, 5],
      },
      xaxis: {
        type: 'numeric',
        min: 0,
        max,
        tickAmount: max / step,
        axisBorder: { show: false },
        axisTicks: { show: false },
        tooltip: { enabled: false },
        crosshairs: { show: false },
        labels: { style: { fontSize: '12px' }, formatter: (value) => clockText(Math.round(Number(value)) as Seconds) },
      },
      yaxis: [
        {
          min: 0,
          max: scale.max,
          tickAmount: scale.ticks,
          labels: { minWidth: 36, style: { fontSize: '12px' }, formatter: (value) => value.toFixed(scale.digits) },
        },
        ...(celsius
          ? [
              {
                opposite: true,
                forceNiceScale: true,
                tickAmount: 4,
                labels: {
                  style: { fontSize: '12px', colors: token.hot },
                  formatter: (value: number) => `${Math.round(value)}°`,
                },
              },
            ]
          : []),
      ],
      annotations: {
        xaxis: segments.map(({ kind, fromSeconds, toSeconds }, at) => {
          const fits = ((toSeconds - fromSeconds) / max) * width > NAME && !named.has(kind);
          if (fits) named.add(kind);
          return {
            x: fromSeconds,
            x2: toSeconds,
            fillColor: fill[kind],
            opacity: kind === 'sustained' ? 0 : 0.14,
            borderColor: token.faint,
            strokeDashArray: 3,
            ...(fits
              ? {
                  label: {
                    text: segments[at - 1]?.kind === 'burst' ? `cliff, ${SEGMENT_WORDS[kind]}` : SEGMENT_WORDS[kind],
                    orientation: 'horizontal',
                    textAnchor: 'start',
                    position: 'top',
                    offsetX: 4,
                    offsetY: 10,
                    borderWidth: 0,
                    style: { background: 'transparent', color: token.ink, fontSize: '12.5px', fontWeight: 700 },
                  },
                }
              : {}),
          };
        }),
      },
    };
  }, [name, points, celsius, segments, isStepped, scheme]);
  const series = useMemo(
    () => [
      { name: 'MB/s', data: points.map(([x, y]) => ({ x, y })) },
      ...(celsius ? [{ name: '°C', data: celsius.map(([x, y]) => ({ x, y })) }] : []),
    ],
    [points, celsius],
  );
  return (
    <figure className={css.chart} aria-label={name}>
      {/* With this in place the library adds no styles of its own: the page allows none. */}
      <span id="apexcharts-css" hidden />
      <ReactApexChart type="line" height={height} options={options} series={series} />
    </figure>
  );
}

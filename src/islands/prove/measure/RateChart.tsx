import type { ApexOptions } from 'apexcharts';
import { useMemo } from 'react';
import ReactApexChart from 'react-apexcharts';
import 'apexcharts/dist/apexcharts.css';
import type { Segment } from '../../../core/prove/trace/trace.ts';
import type { Seconds } from '../../../core/units/brand.ts';
import { SEGMENT_WORDS } from '../../../text/prove/trace.ts';
import { clockText } from '../../../text/quantity.ts';
import { usePageTheme } from '../../../ui/pageTheme.ts';

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
/** Share of the width below which a name does not fit over its segment. */
const ROOM = 0.11;

/** A step that gives four to eight marks of whole seconds, minutes or hours. */
function tickStep(seconds: number): number {
  const steps = [1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200, 14_400, 43_200, 86_400, 604_800];
  return steps.find((step) => seconds / step <= 6) ?? 2_592_000;
}

/** A rate over time with its segments named; a table beside it says the same in words. */
export default function RateChart({ name, points, celsius, segments = [], isStepped, height = 240 }: RateChartProps) {
  const scheme = usePageTheme();
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
      colors: [token.t1, token.hot],
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
          forceNiceScale: true,
          tickAmount: 4,
          labels: { minWidth: 44, style: { fontSize: '12px' }, formatter: (value) => String(Math.round(value)) },
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
        xaxis: segments.map(({ kind, fromSeconds, toSeconds }) => {
          const fits = (toSeconds - fromSeconds) / max > ROOM && !named.has(kind);
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
                    text: SEGMENT_WORDS[kind],
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
    <figure aria-label={name} style={{ margin: 0, minWidth: 0 }}>
      <ReactApexChart type="line" height={height} options={options} series={series} />
    </figure>
  );
}

import type { ApexOptions } from 'apexcharts';
import { useMemo } from 'react';
import ReactApexChart from 'react-apexcharts';
import { stepFor } from '../../ui/axisStep.ts';
import { usePageTheme } from '../../ui/pageTheme.ts';
import 'apexcharts/dist/apexcharts.css';
import type { Curve } from '../../core/shop/curve.ts';
import type { ShopSet } from '../../core/shop/sets.ts';
import { minutesText } from '../../text/quantity.ts';
import { AIM_WORDS, moneyText } from '../../text/shop/shop.ts';
import css from './BuyPart.module.css';

interface TradeOffProps {
  readonly curve: Curve;
  readonly sets: readonly ShopSet[];
  readonly currency: string;
}

/** Steps of the minutes, as people count them. */
const RISES = [5, 10, 15, 30, 60, 120, 240] as const;

const TOKENS = ['t2', 'ink', 'soft', 'line', 'cool', 'paper'] as const;

function readTokens(): Readonly<Record<(typeof TOKENS)[number], string>> {
  const style = getComputedStyle(document.documentElement);
  return Object.fromEntries(TOKENS.map((key) => [key, style.getPropertyValue(`--${key}`).trim()])) as never;
}

/** What fewer minutes on one card cost: each step the cheapest set under it. */
export default function TradeOff({ curve, sets, currency }: TradeOffProps) {
  const scheme = usePageTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another theme has other colours, which are read off the page
  const tokens = useMemo(readTokens, [scheme]);
  const points = curve.points.map(({ cents, most }) => ({ x: cents / 100, y: most }));
  const all = [...points, ...sets.map(({ price, mostMinutesOnOneCard }) => ({ x: price, y: mostMinutesOnOneCard }))];
  const [low, high] = [Math.min(...all.map(({ x }) => x)), Math.max(...all.map(({ x }) => x))];
  const step = stepFor(Math.max(10, (high - low) * 1.3), 4);
  const [first, last] = [Math.max(0, Math.floor(low / step - 0.2) * step), Math.ceil(high / step + 0.2) * step];
  const most = Math.max(...all.map(({ y }) => y));
  const rise = RISES.find((one) => most / one <= 5) ?? 60 * stepFor(most / 60, 4);
  const top = Math.ceil(most / rise + 0.2) * rise;
  const options: ApexOptions = useMemo(
    () => ({
      chart: {
        id: 'shop-between',
        background: 'transparent',
        fontFamily: '"Atkinson Hyperlegible Next Variable", sans-serif',
        foreColor: tokens.soft,
        animations: { enabled: false },
        toolbar: { show: false },
        zoom: { enabled: false },
        parentHeightOffset: 0,
      },
      colors: [tokens.t2],
      stroke: { width: 3, curve: 'stepline' },
      markers: { size: 5, colors: [tokens.paper], strokeColors: tokens.cool, strokeWidth: 2, hover: { sizeOffset: 1 } },
      legend: { show: false },
      tooltip: { enabled: false },
      dataLabels: { enabled: false },
      grid: { borderColor: tokens.line, padding: { left: 12, right: 20, top: 0, bottom: 0 } },
      annotations: {
        points: sets.map(({ aim, price, mostMinutesOnOneCard }) => ({
          x: price,
          y: mostMinutesOnOneCard,
          marker: { size: 6, fillColor: tokens.cool, strokeColor: tokens.cool },
          label: {
            text: AIM_WORDS[aim].toLowerCase(),
            offsetY: aim === 'least-at-risk' ? 34 : 0,
            textAnchor:
              price > low + (high - low) * 0.75 ? 'end' : price < low + (high - low) * 0.25 ? 'start' : 'middle',
            borderWidth: 0,
            style: { background: 'transparent', color: tokens.ink, fontSize: '13px', fontWeight: 700 },
          },
        })),
      },
      xaxis: {
        type: 'numeric',
        min: first,
        max: last,
        tickAmount: Math.round((last - first) / step),
        axisBorder: { color: tokens.ink },
        axisTicks: { show: false },
        title: { text: `price${currency ? `, ${currency}` : ''} →`, style: { fontSize: '12px', fontWeight: 400 } },
        labels: { style: { fontSize: '12px' }, formatter: (value) => moneyText(Math.round(Number(value))) },
        crosshairs: { show: false },
        tooltip: { enabled: false },
      },
      yaxis: {
        min: 0,
        max: top,
        tickAmount: Math.round(top / rise),
        labels: { style: { fontSize: '12px' }, formatter: (value) => minutesText(Math.round(value)) },
      },
    }),
    [tokens, sets, low, high, first, last, step, top, rise, currency],
  );
  return (
    <figure className={css.curve}>
      <span id="apexcharts-css" hidden />
      <div aria-hidden="true">
        <ReactApexChart
          type="line"
          height={260}
          options={{ ...options, chart: { ...options.chart } }}
          series={[{ name: 'most minutes on one card', data: points }]}
        />
      </div>
      <figcaption className="soft">
        Most minutes on one card against price{curve.proven ? '' : '; not every step was checked to the end'}.{' '}
        {points.length > 1 ? 'Each step is the cheapest set that risks no more.' : 'There is nothing between them.'}
      </figcaption>
      <table className="unseen">
        <caption>Price against most minutes on one card</caption>
        <thead>
          <tr>
            <th>Price</th>
            <th>Most minutes on one card</th>
          </tr>
        </thead>
        <tbody>
          {points.map(({ x, y }) => (
            <tr key={x}>
              <td>{moneyText(x)}</td>
              <td>{minutesText(y)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </figure>
  );
}

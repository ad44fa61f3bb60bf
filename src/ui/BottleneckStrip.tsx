import type { BytesPerSecond } from '../core/units/brand.ts';
import { MB, toMegabytes } from '../core/units/convert.ts';
import type { Section } from '../text/match/stripSections.ts';
import { MBpsText, plain } from '../text/quantity.ts';
import css from './BottleneckStrip.module.css';

const WIDTH = 336;
const HEIGHT = 92;
const MIDDLE = HEIGHT / 2;
const GAP = 5;
/** Sections past this many streams are drawn to the edge and torn open; otherwise a fast bus would hide the stream. */
const TALLEST = 5;

interface StripProps {
  readonly need: BytesPerSecond;
  readonly sections: readonly Section[];
}

const known = (section: Section): section is Section & { readonly rate: BytesPerSecond } => section.rate !== null;

/**
 * The write path from stream to flash on one MB/s scale. Where a section is lower than the stream, the part that does
 * not pass is cut off in the hot end and labelled with the shortfall.
 */
export function BottleneckStrip({ need, sections }: StripProps) {
  const rates = sections.filter(known).map(({ rate }) => rate);
  const top = Math.min(need * TALLEST, Math.max(need * 1.15, ...rates));
  const tall = (rate: number): number => Math.min(HEIGHT, Math.max(3, (rate / top) * HEIGHT));
  const lead = 52;
  const width = (WIDTH - lead) / sections.length;
  const narrow = sections.filter(known).filter(({ counts }) => counts);
  const lowest = narrow.reduce<Section | null>(
    (low, one) => (low === null || one.rate < (low.rate ?? Number.POSITIVE_INFINITY) ? one : low),
    null,
  );
  let passing: number = need;
  const pieces = sections.map((section, at) => {
    const x = lead + at * width + GAP / 2;
    const entering = passing;
    if (section.counts && section.rate !== null) passing = Math.min(passing, section.rate);
    return { section, x, entering, leaving: passing };
  });
  return (
    <figure className={css.strip}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 36}`} role="img" aria-label={stripText(need, sections)}>
        <defs>
          <linearGradient id="strip-stream" x1="0" x2="1">
            <stop offset="0" stopColor="var(--t1)" />
            <stop offset="1" stopColor="var(--t2)" />
          </linearGradient>
        </defs>
        <text x="0" y="12" className={css.name}>
          stream
        </text>
        <g transform="translate(0 18)">
          {pieces.map(({ section, x }) => (
            <Block key={section.name} section={section} x={x} width={width - GAP} tall={tall} top={top} />
          ))}
          <rect x="0" y={MIDDLE - tall(need) / 2} width={lead} height={tall(need)} className={css.stream} />
          {pieces.map(({ section, x, entering, leaving }) => (
            <Flow key={section.name} x={x - GAP / 2} width={width} entering={entering} leaving={leaving} tall={tall} />
          ))}
          <text x="5" y={MIDDLE + 4.5} className={css.streamFigure} data-outside={tall(need) < 16 || undefined}>
            {plain(toMegabytes(need))}
          </text>
        </g>
        {pieces.map(({ section, x }) => (
          <g key={section.name}>
            <text x={x} y="12" className={css.name}>
              {section.name}
            </text>
            <text x={x} y={HEIGHT + 33} className={css.figure} data-counts={section.counts || undefined}>
              {section.holds ??
                (section.rate === null ? '?' : plain(toMegabytes(section.rate), section.rate < 1e8 ? 1 : 0))}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className={css.caption}>{caption(need, lowest, sections)}</figcaption>
    </figure>
  );
}

interface BlockProps {
  readonly section: Section;
  readonly x: number;
  readonly width: number;
  readonly tall: (rate: number) => number;
  readonly top: number;
}

function Block({ section, x, width, tall, top }: BlockProps) {
  if (section.rate === null && section.holds) {
    // A vessel, open above: the stream passes through it at whatever pace it has.
    return <path d={`M${x} 14 V${HEIGHT - 8} H${x + width} V14`} className={css.vessel} />;
  }
  if (section.rate === null) {
    return <rect x={x} y="6" width={width} height={HEIGHT - 12} className={css.unknown} />;
  }
  const height = tall(section.rate);
  const torn = section.rate > top * 1.001;
  return (
    <>
      <rect
        x={x}
        y={MIDDLE - height / 2}
        width={width}
        height={height}
        className={section.counts ? css.block : css.peak}
      />
      {torn && (
        <path d={`M${x} 1.5 l${width / 4} 4 l${width / 4} -4 l${width / 4} 4 l${width / 4} -4`} className={css.torn} />
      )}
    </>
  );
}

interface FlowProps {
  readonly x: number;
  readonly width: number;
  readonly entering: number;
  readonly leaving: number;
  readonly tall: (rate: number) => number;
}

function Flow({ x, width, entering, leaving, tall }: FlowProps) {
  const before = tall(entering);
  const after = tall(leaving);
  const spill = (before - after) / 2;
  return (
    <>
      <rect x={x} y={MIDDLE - after / 2} width={width + 0.5} height={after} className={css.stream} />
      {spill > 0.5 && (
        <>
          <path d={cutOff(x, MIDDLE - before / 2, spill)} className={css.spill} />
          <path d={cutOff(x, MIDDLE + before / 2, -spill)} className={css.spill} />
          <text x={x + width - GAP} y={MIDDLE - before / 2 + 1} className={css.shortfall}>
            −{plain((entering - leaving) / MB, entering - leaving < 1e8 ? 1 : 0)}
          </text>
        </>
      )}
    </>
  );
}

/** The part of the stream that does not pass: it breaks off in ragged steps behind the edge of the section. */
const cutOff = (x: number, edge: number, spill: number): string =>
  `M${x} ${edge} h34 l-9 ${spill * 0.34} h7 l-12 ${spill * 0.36} h5 l-9 ${spill * 0.3} h-16 Z`;

function caption(need: BytesPerSecond, lowest: Section | null, sections: readonly Section[]): string {
  const unknown = sections.some(({ rate, counts }) => rate === null && counts);
  const scale = 'All in MB/s. Outlined figures are peaks and do not count.';
  if (lowest?.rate == null) return scale;
  const spare = toMegabytes((lowest.rate - need) as BytesPerSecond);
  if (spare < 0)
    return lowest.name === 'guarantee'
      ? `${scale} The guaranteed minimum is ${plain(-spare)} MB/s too low.`
      : `${scale} The ${lowest.name} is ${plain(-spare)} MB/s too slow.`;
  return unknown ? `${scale} No guaranteed minimum is known.` : `${scale} ${plain(spare)} MB/s to spare.`;
}

function stripText(need: BytesPerSecond, sections: readonly Section[]): string {
  const places = sections.map(
    ({ name, rate, holds }) => `${name} ${holds ?? (rate === null ? 'not known' : MBpsText(rate))}`,
  );
  return `Write path: stream ${MBpsText(need)}, ${places.join(', ')}.`;
}

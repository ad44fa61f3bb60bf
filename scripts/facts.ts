// Every row of the core's tables as one list: value, unit, range, kind, source, how sure it is, and what hangs on it.
import {
  AMBIENT_SPREAD,
  ASSUMED,
  BITS_PER_PIXEL,
  COUNTER_USABLE,
  MOST_ASSUMED_BESIDE,
  PAYLOAD_SHARE,
  PEAK_OVER_AVERAGE,
  RAW_RATIOS,
  SPREAD_OF,
  TEST_FIT,
  WRITE_AMPLIFICATION,
} from '../src/core/standards/assumptions.ts';
import { BUS_KEYS, bus, busCeiling, busSure } from '../src/core/standards/buses.ts';
import { FAMILIES } from '../src/core/standards/families.ts';
import { FORM_KEYS, form } from '../src/core/standards/forms.ts';
import { FIXED_FRAMES } from '../src/core/standards/frames.ts';
import { BODY_HEAT, CARD_HEAT, FILM_SHARE, FINISHES, SD_MOST_W, SUN_WPER_M2 } from '../src/core/standards/heat.ts';
import { H264_LEVELS, H264_PROFILE_FACTORS, H265_LEVELS, H265_PROFILE_FACTORS } from '../src/core/standards/levels.ts';
import { APP_CLASSES, KB_PER_TIMES, MARK_KEYS, mark, OWN_READER_MBPS } from '../src/core/standards/marks.ts';
import { SIZES_SOLD_GB } from '../src/core/standards/sizes.ts';
import { SOURCES, type SourceKey } from '../src/core/standards/sources.ts';

/** How sure a row is: read off its own name or worked out, remembered, or ours. */
export type Sure = 'certain' | 'from memory' | 'assumed';

/** One row of a table, for an expert to read. */
export interface Fact {
  readonly what: string;
  readonly value: string;
  readonly unit: string;
  readonly range: string;
  readonly source: SourceKey;
  readonly sure: Sure;
}

interface Part {
  readonly title: string;
  /** Which answers hang on it. */
  readonly decides: string;
  readonly facts: readonly Fact[];
}

/** A document that nobody has compared yet is remembered; practice is, too; only arithmetic over a stated figure is certain. */
function sureOf(source: SourceKey): Sure {
  const { basis, fromMemory } = SOURCES[source];
  if (basis === 'assumed') return 'assumed';
  return basis === 'derived' || !fromMemory ? 'certain' : 'from memory';
}

const fact = (
  what: string,
  value: string | number,
  unit: string,
  source: SourceKey,
  more: Partial<Fact> = {},
): Fact => ({
  ...{ what, value: String(value), unit, range: '', source, sure: sureOf(source) },
  ...more,
});

const MB = (value: number | null): string => (value === null ? '' : String(Math.round(value / 1e4) / 100));

export const PARTS: readonly Part[] = [
  {
    title: 'Marks',
    decides: 'guaranteed and tight: the floor of a card in a slot',
    facts: MARK_KEYS.flatMap((key) => {
      const { promisesMBps, countsFrom, source, placeFromMemory } = mark(key);
      return [
        // The number of a mark is the promise that is printed.
        fact(`${key} promises`, promisesMBps, 'MB/s', source, { sure: 'certain' }),
        fact(`${key} counts from`, countsFrom === null ? 'any bus of its form' : bus(countsFrom).name, '', source, {
          sure: placeFromMemory ? 'from memory' : 'certain',
        }),
      ];
    }),
  },
  {
    title: 'Application classes',
    decides: 'guaranteed and tight at low rates',
    facts: Object.entries(APP_CLASSES).map(([key, row]) =>
      fact(`${key} sustains`, row.sustainedMBps, 'MB/s', row.source, {
        range: `${row.readIops} reads, ${row.writeIops} writes a second`,
      }),
    ),
  },
  {
    title: 'Buses',
    decides: 'drops above the line; guaranteed only below what data is sure of',
    facts: BUS_KEYS.flatMap((key) =>
      bus(key).forms.map((one) =>
        fact(`${bus(key).name}, ${form(one).name}`, MB(busCeiling(key, one)), 'MB/s of line', bus(key).source, {
          range: `data surely ${MB(busSure(key, one))}`,
        }),
      ),
    ),
  },
  {
    title: 'Capacity families',
    decides: 'does not fit; asked where a slot may not read the card',
    facts: Object.values(FAMILIES).map((row) =>
      fact(row.name, row.upTo / 1e9, 'GB at most', row.source, { range: `over ${row.above / 1e9}, ${row.fileSystem}` }),
    ),
  },
  {
    title: 'Forms',
    decides: 'does not fit',
    facts: FORM_KEYS.map((key) =>
      fact(form(key).name, form(key).protocol, 'protocol', form(key).source, {
        range: form(key).outsideMm?.join(' × ') ?? '',
      }),
    ),
  },
  {
    title: 'Frames of fixed size',
    decides: 'the need of such modes',
    facts: Object.values(FIXED_FRAMES).map((row) => fact(row.name, row.bytesPerFrame, 'bytes a frame', row.source)),
  },
  {
    title: 'Levels',
    decides: 'a question about a rate, and no verdict',
    facts: [
      ...Object.entries(H264_LEVELS).map(([level, row]) =>
        fact(`H.264 level ${level}`, row.maxKbps / 1000, 'Mb/s, Main', row.source, {
          range: `${row.maxBlocks} blocks, ${row.maxBlockRate} a second`,
        }),
      ),
      ...Object.entries(H264_PROFILE_FACTORS).map(([key, value]) =>
        fact(`H.264 ${key}`, value, '× of the level', 'itu-h264'),
      ),
      ...Object.entries(H265_LEVELS).map(([level, row]) =>
        fact(`H.265 level ${level}`, row.highKbps / 1000, 'Mb/s, high tier', row.source, {
          range: `main tier ${row.mainKbps / 1000}; ${row.maxSamples} samples`,
        }),
      ),
      ...Object.entries(H265_PROFILE_FACTORS).map(([key, value]) =>
        fact(`H.265 ${key}`, Math.round(value * 1000) / 1000, '× of the level', 'itu-h265'),
      ),
    ],
  },
  {
    title: 'Taken where nothing better is entered',
    decides: 'needs, minutes, headroom and heat marks until somebody enters his own',
    facts: [
      ...Object.values(ASSUMED).map(({ what, value, unit, source }) => fact(what, value, unit, source)),
      ...Object.entries(PEAK_OVER_AVERAGE).map(([codec, { low, high }]) =>
        fact(`peak over average, ${codec}`, high, '×', 'assumed', { range: `${low} to ${high}` }),
      ),
      ...Object.entries(BITS_PER_PIXEL).map(([codec, { min, max }]) =>
        fact(`bits a pixel, ${codec}`, '', 'bits', 'assumed', { range: `${min} to ${max}` }),
      ),
      fact('data of a coded line', PAYLOAD_SHARE, 'of it', 'practice', { range: '0.85 to 0.95' }),
      fact('assumed beside the picture at most', MOST_ASSUMED_BESIDE, 'of the picture', 'assumed'),
      fact('usable by a counter', '', 'of the label', 'assumed', {
        range: `${COUNTER_USABLE.low} to ${COUNTER_USABLE.high}`,
      }),
      fact('numbers of a test that can be true', '', 'of its rate', 'assumed', {
        range: `${Math.round(TEST_FIT.least * 100) / 100} to ${TEST_FIT.most}`,
      }),
      fact('write amplification', '', 'bytes inside a byte', 'practice', { range: WRITE_AMPLIFICATION.join(' to ') }),
      fact('1×', KB_PER_TIMES, 'kB/s, a data disc', 'practice'),
      fact('printed on UHS-I for a reader of its own', OWN_READER_MBPS, 'MB/s at most', 'practice'),
      fact('ratios of raw', RAW_RATIOS.join(', '), 'to 1', 'practice'),
      fact('sizes sold', SIZES_SOLD_GB.join(', '), 'GB', 'practice'),
      ...Object.entries(SPREAD_OF).map(([behind, spread]) =>
        fact(`spread of a figure that is ${behind}`, spread, 'of its logarithm', 'assumed'),
      ),
      fact('spread of the air', AMBIENT_SPREAD, 'of 20 °C', 'assumed'),
    ],
  },
  {
    title: 'Heat of cards',
    decides: 'heat marks and runs, until calibrated; no verdict',
    facts: [
      ...Object.entries(CARD_HEAT).map(([key, row]) =>
        fact(key, row.energyNJPerByte, 'nJ a byte', row.source, {
          range: `${row.energyRange.join(' to ')}; ${row.heatCapacityJPerK} J/K, ${row.resistanceKPerW} K/W, idle ${row.idleW} W, throttles at ${row.throttleAtC} °C to ${row.throttleFactor} of its pace, back at ${row.resumeAtC} °C`,
        }),
      ),
      fact('a host gives a card of SD on one row', SD_MOST_W.oneRow, 'W at most', 'sd-physical'),
      fact('the same on two rows', SD_MOST_W.twoRows, 'W at most', 'sd-uhs-ii'),
    ],
  },
  {
    title: 'Heat of bodies',
    decides: 'heat marks and runs, until a maker’s limit or a take is entered; no verdict',
    facts: [
      ...Object.entries(BODY_HEAT).map(([key, row]) =>
        fact(key, row.recordingW, 'W of recording', row.source, {
          range: `${row.heatCapacityJPerK} J/K, ${row.outsideMm?.join(' × ') ?? `fan ${row.fanResistanceKPerW} K/W`}, limit ${row.limitC} °C inside, ${row.hotKPerW} K/W to the shell, ${row.enclosedKPerW} K/W of enclosed air, ${row.faceM2} m² in the sun`,
        }),
      ),
      fact('share of a stated resistance that wind thins', FILM_SHARE.low, 'counted', 'assumed', {
        range: `${FILM_SHARE.low} to ${FILM_SHARE.high}`,
      }),
      fact('sun on a face turned half towards it', SUN_WPER_M2, 'W/m²', 'practice'),
      ...Object.entries(FINISHES).map(([key, value]) =>
        fact(`sun that a ${key} finish keeps`, value, 'of it', 'practice'),
      ),
    ],
  },
];

const cell = (text: string): string => text.replaceAll('|', '\\|');

const KIND = {
  stated: 'stated',
  derived: 'worked out',
  'common-practice': 'common practice',
  assumed: 'assumed',
} as const;

const rowText = ({ what, value, unit, range, source, sure }: Fact): string => {
  const { title, locator, basis } = SOURCES[source];
  const from = basis === 'assumed' ? '' : locator ? `${title}: ${locator}` : title;
  return `| ${[what, value, unit, range, KIND[basis], from, sure].map(cell).join(' | ')} |`;
};

/** The whole list as a text with tables. */
export const factsText = (): string =>
  [
    '# What the answers lean on',
    '',
    'Written by `npm run facts` from the tables of the core; a test says when it is stale. *Certain*: it is printed as such or worked out. *From memory*: not yet compared with its document. *Assumed*: ours, or the trade’s. Where you know better, change the row in `src/core/standards`: every view, the guide and this list follow.',
    ...PARTS.flatMap(({ title, decides, facts }) => [
      '',
      `## ${title}`,
      '',
      `Decides: ${decides}.`,
      '',
      '| What | Value | Unit | Range and what belongs to it | Kind | Source | How sure |',
      '| --- | --- | --- | --- | --- | --- | --- |',
      ...facts.map(rowText),
    ]),
    '',
  ].join('\n');

import { RAW_RATIOS } from '../../core/standards/assumptions.ts';
import { BUS_KEYS, type Bus, type BusRow, bus, busSure } from '../../core/standards/buses.ts';
import { FAMILIES, FAMILY_KEYS } from '../../core/standards/families.ts';
import { FORM_KEYS, type Form, form, isSd } from '../../core/standards/forms.ts';
import { FIXED_FRAMES } from '../../core/standards/frames.ts';
import { H264_LEVELS, H264_PROFILE_FACTORS, H265_LEVELS, H265_PROFILE_FACTORS } from '../../core/standards/levels.ts';
import { APP_CLASSES, APP_KEYS, KB_PER_TIMES, MARK_KEYS, mark, OWN_READER_MBPS } from '../../core/standards/marks.ts';
import { SIZES_SOLD_GB } from '../../core/standards/sizes.ts';
import type { Bytes } from '../../core/units/brand.ts';
import { CLASS_HOLDS, DECLARED } from '../cards/classes.ts';
import { markMeaning } from '../cards/label.ts';
import { capacityText, NBSP, plain } from '../quantity.ts';
import type { GuideTable } from './entry.ts';

const forms = (keys: readonly Form[]): string => keys.map((key) => form(key).name).join(', ');

const MARKS: GuideTable = {
  id: 'marks',
  title: 'Marks',
  lead: `${CLASS_HOLDS} ${DECLARED} C2 to C6 are of default speed, C10 of High speed. The list is closed: there is no U2, no V2 or V4, no U30. 1× is ${KB_PER_TIMES}${NBSP}kB/s, the rate of a data disc, and a peak, as is every big number on the front; makers print up to ${OWN_READER_MBPS}${NBSP}MB/s on UHS-I cards, which only their own readers reach.`,
  columns: ['Mark', 'Promises', 'Where it counts', 'On'],
  rows: MARK_KEYS.map((key) => {
    const { promisesMBps, forms: on, source } = mark(key);
    const where = markMeaning(key).replace(/^.*sequential write /, '');
    return { id: key.toLowerCase(), cells: [key, `${promisesMBps}${NBSP}MB/s`, where, forms(on)], source };
  }),
};

const APPS: GuideTable = {
  id: 'app-classes',
  title: 'Application classes',
  lead: 'For apps, not for video. Both also carry a sustained write, which counts as a floor on UHS-I. What A2 has over A1 it needs a host for that queues commands and uses its cache: few cameras do.',
  columns: ['Mark', 'Random reads a second', 'Random writes a second', 'Sustained'],
  rows: APP_KEYS.map((key) => {
    const { readIops, writeIops, sustainedMBps, source } = APP_CLASSES[key];
    return {
      id: key.toLowerCase(),
      cells: [key, String(readIops), String(writeIops), `${sustainedMBps}${NBSP}MB/s`],
      source,
    };
  }),
};

const ceiling = ({ ceilingMBps }: BusRow): string =>
  typeof ceilingMBps === 'number'
    ? `${plain(ceilingMBps)}${NBSP}MB/s`
    : Object.entries(ceilingMBps)
        .map(([key, value]) => `${form(key as Form).name.replace('CFexpress ', '')}: ${value}`)
        .join(', ')
        .concat(`${NBSP}MB/s`);

/** What every pair on a bus carries of data, by form where lanes differ. */
function surely(key: Bus): string {
  const each = bus(key).forms.map((one) => [one, busSure(key, one) ?? 0] as const);
  const [first] = each;
  if (first && each.every(([, value]) => value === first[1])) return `${plain(first[1] / 1e6, 0)}${NBSP}MB/s`;
  return each
    .map(([one, value]) => `${form(one).name.replace('CFexpress ', '')}: ${plain(value / 1e6, 0)}`)
    .join(', ')
    .concat(`${NBSP}MB/s`);
}

const BUSES: GuideTable = {
  id: 'buses',
  title: 'Buses',
  lead: 'How much may pass, one way: the rate of the line after its coding, and of data what protocol surely leaves of it. In force is the fastest that slot and card both know. UHS-II must carry 156 MB/s full duplex; 312 MB/s half duplex is an option that both sides must have. UHS-III is full duplex at 312 and 624.',
  columns: ['Bus', 'Line', 'Data, surely', 'Falls back to', 'On'],
  rows: BUS_KEYS.map((key) => {
    const row = bus(key);
    const [next] = row.alsoSpeaks;
    const falls = next === undefined ? 'nothing' : bus(next as typeof key).name;
    return { id: key, cells: [row.name, ceiling(row), surely(key), falls, forms(row.forms)], source: row.source };
  }),
};

/** Where a form enters by an adapter, and what that leaves. */
const adapted = (key: Form): string =>
  isSd(key)
    ? 'an SD slot by an adapter, with one row of contacts'
    : 'a slot of CFexpress B by a passive adapter, where the camera’s maker says that it takes one';

const FORMS: GuideTable = {
  id: 'forms',
  title: 'Forms',
  lead: 'Cards of one shape enter each other’s slots, whether or not they are understood there.',
  columns: ['Form', 'Speaks', 'Outside, mm', 'Enters'],
  rows: FORM_KEYS.map((key) => {
    const { name, protocol, outsideMm, adaptsTo, shape, source } = form(key);
    const alike = FORM_KEYS.filter((other) => other !== key && form(other).shape === shape);
    const enters = adaptsTo
      ? adapted(key)
      : alike.length > 0
        ? `the shape of ${forms(alike)}, which speaks otherwise`
        : 'its own slot';
    return { id: `form-${key}`, cells: [name, protocol, outsideMm?.join(' × ') ?? 'none fixed', enters], source };
  }),
};

const FAMILY_TABLE: GuideTable = {
  id: 'families',
  title: 'Capacity families',
  lead: 'Of SD and microSD. A slot reads its own family and those below it. A card printed 2048 GB is one of 2 TB.',
  columns: ['Family', 'Over', 'Up to', 'File system'],
  rows: FAMILY_KEYS.map((key) => {
    const { name, above, upTo, fileSystem, source } = FAMILIES[key];
    const over = above === 0 ? '0' : capacityText(above as Bytes);
    return { id: `family-${key}`, cells: [name, over, capacityText(upTo as Bytes), fileSystem], source };
  }),
};

const FRAMES: GuideTable = {
  id: 'frames',
  title: 'Frames of fixed size',
  lead: 'Where a codec fixes the bytes of a frame, the rate is bytes × frames a second.',
  columns: ['Codec', 'Bytes a frame', 'At 25 frames a second'],
  rows: Object.values(FIXED_FRAMES).map(({ name, bytesPerFrame, source }) => ({
    id: null,
    cells: [name, String(bytesPerFrame), `${plain((bytesPerFrame * 25 * 8) / 1e6)}${NBSP}Mb/s`],
    source,
  })),
};

const H265_FACTORS = Object.entries(H265_PROFILE_FACTORS)
  .map(([profile, factor]) => `${profile} ${plain(factor, 2)}`)
  .join(', ');

const H265: GuideTable = {
  id: 'h265-levels',
  title: 'H.265 levels',
  lead: `The most a stream of a level may carry in Main and Main 10; other profiles multiply it: ${H265_FACTORS}. The level is the one the encoder chose, which may be higher than the picture needs: only a rate above the highest is asked about.`,
  columns: ['Level', 'Main tier', 'High tier', 'Samples a picture'],
  rows: Object.entries(H265_LEVELS).map(([level, { mainKbps, highKbps, maxSamples, source }]) => ({
    id: null,
    cells: [level, `${mainKbps / 1000}${NBSP}Mb/s`, `${highKbps / 1000}${NBSP}Mb/s`, String(maxSamples)],
    source,
  })),
};

const FACTORS = Object.entries(H264_PROFILE_FACTORS)
  .map(([profile, factor]) => `${profile} ${factor}`)
  .join(', ');

const H264: GuideTable = {
  id: 'h264-levels',
  title: 'H.264 levels',
  lead: `The most of the Main profile. Other profiles multiply it: ${FACTORS}.`,
  columns: ['Level', 'Main profile', 'Macroblocks a picture'],
  rows: Object.entries(H264_LEVELS).map(([level, { maxKbps, maxBlocks, source }]) => ({
    id: null,
    cells: [level, `${maxKbps / 1000}${NBSP}Mb/s`, String(maxBlocks)],
    source,
  })),
};

const SOLD: GuideTable = {
  id: 'sold',
  title: 'Sizes and ratios sold',
  lead: 'What is meant by “the next size” and by “the next ratio”.',
  columns: ['What', 'Values'],
  rows: [
    {
      id: null,
      cells: ['Capacities', SIZES_SOLD_GB.map((size) => (size < 1000 ? `${size} GB` : `${size / 1000} TB`)).join(', ')],
      source: 'practice',
    },
    { id: null, cells: ['Ratios of raw', RAW_RATIOS.map((ratio) => `${ratio}:1`).join(', ')], source: 'practice' },
  ],
};

/** The standards tables, made from those that the core answers by. */
export const STANDARD_TABLES: readonly GuideTable[] = [
  MARKS,
  APPS,
  BUSES,
  FORMS,
  FAMILY_TABLE,
  FRAMES,
  H265,
  H264,
  SOLD,
];

import type { Step } from '../../kit/patch.ts';

const FIELDS: Readonly<Record<string, string>> = {
  label: 'Label',
  blocks: 'Blocks',
  cardIds: 'Cards of the day',
  readers: 'Readers',
  copies: 'Copies',
  destinations: 'Disks',
  rules: 'Rules of the day',
  airProfile: 'Air of the day',
  log: 'Noted states of the day',
  from: 'From',
  rolling: 'Share of the time that is recorded',
  gapFree: 'Gap-free',
  swapSeconds: 'Time for a change',
  changeAtPercent: 'Change at',
  mostMinutesOnOneCard: 'Most minutes on one card',
  freeGB: 'Room',
  count: 'Number of copies',
  MBps: 'Speed',
  name: 'Name',
  capacityGB: 'Capacity',
  usableGB: 'Usable capacity',
  marks: 'Marks',
  form: 'Form',
  bus: 'Bus',
  readMBps: 'Read speed',
  writeMBps: 'Write speed',
  sustainedMBps: 'Sustained write',
  cacheGB: 'Fast cache',
  arrangement: 'Arrangement',
  bufferMB: 'Buffer',
  ceilingMBps: 'Camera’s own write limit',
  accepts: 'Card forms',
  promisedMaxGB: 'Promised maximum',
  fps: 'Frame rate',
  captureFps: 'Capture speed',
  width: 'Width',
  height: 'Height',
  Mbps: 'Rate',
  ratio: 'Ratio',
  bitsPerPixel: 'Bits per pixel',
  bytesPerFrame: 'Bytes per frame',
  fixedMbps: 'Fixed rate beside the picture',
  perFrameKB: 'Data with every frame',
  headroom: 'Headroom',
  price: 'Price',
  currency: 'Currency',
  seller: 'Seller',
  hours: 'Hours',
  gapFreeMinutes: 'Longest stretch without a change',
  sparePercent: 'To spare',
  rateMbps: 'What it writes',
  hoursPerDay: 'Hours a day',
  rated: 'Rated hours',
  atMbps: 'The rate they are stated at',
  cycles: 'Cycles',
  writeAmplification: 'Write amplification: bytes written inside per byte sent',
  since: 'In use since',
  writtenMBps: 'Written at',
  speedsAssumed: 'Speeds only assumed',
  writtenOn: 'Written so far, as of',
  boughtOn: 'Bought on',
  date: 'Date',
  ratedHours: 'Rated for, hours',
  enduranceTB: 'Rated to be written, TB',
  writtenGB: 'Written so far',
  minutes: 'Minutes',
  seconds: 'Seconds',
  anyOf: 'The list of marks',
  firmware: 'Firmware',
  warranty: 'Warranty',
  note: 'Note',
  boughtFrom: 'Bought from',
  state: 'State',
  verified: 'Verified',
  retired: 'Retired',
  incidents: 'Incidents',
  minimumMBps: 'Minimum write, in writing',
  minimumSource: 'Where that minimum is stated',
  slots: 'Slots',
  modes: 'Modes',
  family: 'Largest family',
  codec: 'Codec family',
  rate: 'Rate',
  requires: 'What it asks for',
  slotIds: 'Goes to',
  advisesAgainst: 'What its maker advises against',
  overGB: 'Cards above',
  counters: 'Counter readings',
  approved: 'Approved cards and drives',
  groupRequires: 'What groups ask for',
  splitOver: 'Split over',
  statedHolds: 'What stated rates hold',
  otherForms: 'Cards of another form',
  counterRounds: 'How its counter rounds',
  heat: 'Heat',
  limits: 'Maker’s recording limits',
  figures: 'Figures',
  size: 'Is like',
  sound: 'Sound',
  end: 'How it ended',
  clipGB: 'Bytes of the clip',
  rateIs: 'Rate of the mode',
  sunC: 'Sun on the camera adds',
  sun: 'In the sun, a camera that is',
  ambientWithSunC: 'Air, sun included',
  air: 'How the air moves',
  start: 'Start',
  order: 'Place in a series',
  takes: 'Takes of this length',
  restSeconds: 'Rest between them',
  formatted: 'Formatted before',
  warning: 'Warning',
  looked: 'Looked at',
  fileMB: 'One picture',
  frames: 'Pictures taken',
  framesUntilSlow: 'Pictures until it slowed',
  clearSeconds: 'Until the lamp was dark',
  burstFps: 'Burst as set',
  shutterSeconds: 'Shutter',
  reader: 'Reader',
  port: 'Port',
  program: 'The program',
  lowestWriteMBps: 'Written at its lowest',
  proxyMbps: 'Viewing proxy',
  overhead: 'Added to the picture: sound and data',
  otherRates: 'Other sources of the rate',
  group: 'Group',
  adapterTwoRows: 'Adapter with two rows',
};

/** What a key of the kit file is called in the interface. */
export const fieldName = (field: string): string => FIELDS[field] ?? `“${field}”`;

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  value !== null && typeof value === 'object';

/** The way to a field in the words of the interface; entries of lists by their own names: `Modes, 4K intra, Rate`. */
export function fieldPathText(path: readonly Step[], root: unknown): string {
  let value: unknown = root;
  const words = path.map((step) => {
    if (typeof step === 'string') {
      value = isObject(value) ? value[step] : undefined;
      return fieldName(step);
    }
    value = Array.isArray(value) ? value.find((entry) => isObject(entry) && entry.id === step.id) : undefined;
    return isObject(value) && typeof value.name === 'string' ? value.name : step.id;
  });
  return words.join(', ');
}

/**
 * The field at a place of a form, in short: `Capacity`; of an entry in a list with that in front, by its own name where it has one:
 * `4K intra: Rate`, else by its number: `Mode 2: Name`.
 *
 * @param path as the form names it, `modes.0.rate.Mbps`
 */
export function placeName(path: string, values: unknown): string {
  const steps = path.split('.');
  const isPlace = (step: string): boolean => /^\d+$/.test(step);
  const field = fieldName(steps.findLast((step) => !isPlace(step)) ?? path);
  const place = steps.findLastIndex(isPlace);
  // A place at the end is a value of a list, not an entry with fields.
  if (place < 1 || place === steps.length - 1) return field;
  const entry = steps
    .slice(0, place + 1)
    .reduce<unknown>((of, step) => (of as Record<string, unknown> | null | undefined)?.[step], values);
  const { name, label } = isObject(entry) ? entry : {};
  const own = [name, label].find((one): one is string => typeof one === 'string' && one.trim() !== '');
  const counted = `${fieldName(steps[place - 1] ?? '').replace(/s$/, '')} ${Number(steps[place]) + 1}`;
  return `${own ?? counted}: ${field}`;
}

/** Most characters of a value that are shown. */
const LONG = 120;

/** The unit that stands in the name of a key; empty where none does. */
function unitOf(path: readonly Step[]): string {
  const key = String(path.at(-1) ?? '');
  const [, unit] = UNITS.find(([ending]) => key.endsWith(ending)) ?? ['', ''];
  return unit;
}

const UNITS: readonly (readonly [string, string])[] = [
  ['MBps', '\u00a0MB/s'],
  ['Mbps', '\u00a0Mb/s'],
  ['GB', '\u00a0GB'],
  ['MB', '\u00a0MB'],
  ['KB', '\u00a0kB'],
  ['fps', '\u00a0fps'],
];

/** A value of the kit file as it is read at a glance, with the unit of its place. */
export function valueText(value: unknown, path: readonly Step[] = []): string {
  if (value === undefined || value === null || value === '') return 'not known';
  if (value === true) return 'yes';
  if (value === false) return 'no';
  if (typeof value === 'number') return `${value}${unitOf(path)}`;
  if (typeof value === 'string') return value;
  if (Array.isArray(value))
    return value.length === 0
      ? 'none'
      : value
          .map((one) => valueText(one))
          .join(', ')
          .slice(0, LONG);
  if (isObject(value) && typeof value.name === 'string') return value.name;
  return JSON.stringify(value).slice(0, LONG);
}

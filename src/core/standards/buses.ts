import type { BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import { PAYLOAD_SHARE } from './assumptions.ts';
import type { Form } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** A bus: its ceiling one way, the slower ones it also speaks, and the forms it exists on. */
export interface BusRow {
  readonly name: string;
  /** What the coding of the line leaves, MB/s one way, in the fastest mode there is; per form where lanes differ. */
  readonly ceilingMBps: number | Readonly<Partial<Record<Form, number>>>;
  /** What every such pair carries of data, MB/s; missing: the usual share of the ceiling. */
  readonly sureMBps?: number;
  /** The bus whose promises count here: its like, in a mode that not every pair has. */
  readonly likeOf?: string;
  /** Slower buses that either side also speaks, fastest first. */
  readonly alsoSpeaks: readonly string[];
  readonly forms: readonly Form[];
  readonly source: SourceKey;
}

const SD: readonly Form[] = ['sd', 'microsd'];
const CFX: readonly Form[] = ['cfexpress-a', 'cfexpress-b', 'cfexpress-c'];

/**
 * Buses by kit key [domain.md §2]. Ceilings are rates of the line after its coding, one kind for all; data is what protocol
 * leaves of them, and that is what a promise may lean on. Of UHS-II only 156 MB/s full duplex is mandatory; 312 half duplex is
 * an option that both sides must have, and UHS-III, full duplex at 312 and 624, is sure of the first. SD Express contacts share the
 * second row with UHS-II, so each falls back to UHS-I before the other; microSD Express has one lane.
 */
// biome-ignore format: one row a line
const BUSES = {
  default: { name: 'Default speed', ceilingMBps: 12.5, alsoSpeaks: [], forms: SD, source: 'sd-physical' },
  'high-speed': { name: 'High speed', ceilingMBps: 25, alsoSpeaks: ['default'], forms: SD, source: 'sd-physical' },
  'uhs-i-50': { name: 'UHS-I SDR50', ceilingMBps: 50, alsoSpeaks: ['high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'uhs-i': { name: 'UHS-I', ceilingMBps: 104, alsoSpeaks: ['uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'uhs-ii': { name: 'UHS-II', ceilingMBps: 312, sureMBps: 130, alsoSpeaks: ['uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-uhs-ii' },
  'uhs-ii-312': { name: 'UHS-II half duplex', ceilingMBps: 312, likeOf: 'uhs-ii', alsoSpeaks: ['uhs-ii', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-uhs-ii' },
  'uhs-iii': { name: 'UHS-III', ceilingMBps: 624, sureMBps: 265, alsoSpeaks: ['uhs-ii', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-uhs-ii' },
  'sd-express-1': { name: 'SD Express ×1', ceilingMBps: 985, alsoSpeaks: ['uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'pcie' },
  'sd-express-4-1': { name: 'SD Express 4.0 ×1', ceilingMBps: 1970, alsoSpeaks: ['sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'pcie' },
  'sd-express-2': { name: 'SD Express ×2', ceilingMBps: 1970, alsoSpeaks: ['sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: ['sd'], source: 'pcie' },
  'sd-express-4': { name: 'SD Express 4.0 ×2', ceilingMBps: 3940, alsoSpeaks: ['sd-express-2', 'sd-express-4-1', 'sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: ['sd'], source: 'pcie' },
  'cfexpress-2': { name: 'CFexpress 2.0', ceilingMBps: { 'cfexpress-a': 985, 'cfexpress-b': 1970, 'cfexpress-c': 3940 }, alsoSpeaks: [], forms: CFX, source: 'pcie' },
  'cfexpress-4': { name: 'CFexpress 4.0', ceilingMBps: { 'cfexpress-a': 1970, 'cfexpress-b': 3940, 'cfexpress-c': 7880 }, alsoSpeaks: ['cfexpress-2'], forms: CFX, source: 'pcie' },
  'xqd-1': { name: 'XQD 1.0', ceilingMBps: 500, alsoSpeaks: [], forms: ['xqd'], source: 'compactflash' },
  'xqd-2': { name: 'XQD 2.0', ceilingMBps: 1000, alsoSpeaks: ['xqd-1'], forms: ['xqd'], source: 'compactflash' },
  'sata-3': { name: 'SATA 3 Gb/s', ceilingMBps: 300, alsoSpeaks: [], forms: ['cfast'], source: 'compactflash' },
  'sata-6': { name: 'SATA 6 Gb/s', ceilingMBps: 600, alsoSpeaks: ['sata-3'], forms: ['cfast'], source: 'compactflash' },
  'pio-4': { name: 'PIO 4', ceilingMBps: 16.7, alsoSpeaks: [], forms: ['cf'], source: 'compactflash' },
  'udma-4': { name: 'UDMA 4', ceilingMBps: 66.7, alsoSpeaks: ['pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-5': { name: 'UDMA 5', ceilingMBps: 100, alsoSpeaks: ['udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-6': { name: 'UDMA 6', ceilingMBps: 133, alsoSpeaks: ['udma-5', 'udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-7': { name: 'UDMA 7', ceilingMBps: 167, alsoSpeaks: ['udma-6', 'udma-5', 'udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'usb-2': { name: 'USB 2.0', ceilingMBps: 60, sureMBps: 35, alsoSpeaks: [], forms: ['usb-ssd'], source: 'usb' },
  'usb-5': { name: 'USB 5 Gb/s', ceilingMBps: 500, alsoSpeaks: ['usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-10': { name: 'USB 10 Gb/s', ceilingMBps: 1212, sureMBps: 1000, alsoSpeaks: ['usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-20': { name: 'USB 20 Gb/s', ceilingMBps: 2424, sureMBps: 2000, alsoSpeaks: ['usb-10', 'usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-40': { name: 'USB 40 Gb/s', ceilingMBps: 4848, sureMBps: 2700, alsoSpeaks: ['usb-20', 'usb-10', 'usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
} as const satisfies Record<string, BusRow>;

/** A bus by its key in the kit file. */
export type Bus = keyof typeof BUSES;
/** Every bus, in the order of the table. */
export const BUS_KEYS = Object.keys(BUSES) as readonly Bus[];
/** The row of a bus. */
export const bus = (key: Bus): BusRow => BUSES[key];

/** Buses a form can have, slowest first; empty for a module, whose maker says. */
export function busesOf(form: Form): readonly Bus[] {
  const known = BY_FORM.get(form);
  if (known) return known;
  const found = BUS_KEYS.filter((key) => bus(key).forms.includes(form));
  BY_FORM.set(form, found);
  return found;
}

/** Buses by form, as asked for: the table never changes. */
const BY_FORM = new Map<Form, readonly Bus[]>();

/** Ceiling of a bus in a form; null where the bus does not exist in that form. */
export function busCeiling(key: Bus, form: Form): BytesPerSecond | null {
  const { ceilingMBps, forms } = bus(key);
  if (!forms.includes(form)) return null;
  const value = typeof ceilingMBps === 'number' ? ceilingMBps : ceilingMBps[form];
  return value === undefined ? null : fromMegabytes(value);
}

/** What every pair on a bus carries of data in a form; null where the bus does not exist in that form. */
export function busSure(key: Bus, form: Form): BytesPerSecond | null {
  const ceiling = busCeiling(key, form);
  if (ceiling === null) return null;
  const { sureMBps } = bus(key);
  return sureMBps === undefined ? (Math.floor(ceiling * PAYLOAD_SHARE) as BytesPerSecond) : fromMegabytes(sureMBps);
}

/** Whether a bus is PCI Express: marks of the SD interface say nothing of what is written over it. */
export const isExpress = (key: Bus | null): boolean => key?.startsWith('sd-express') ?? false;

/** The bus whose promises count on one: itself, or the one it is a faster mode of. */
export const promisesLike = (key: Bus): Bus => (bus(key).likeOf as Bus | undefined) ?? key;

/** The fastest bus both sides know; null when they share none. */
export function busInForce(slot: Bus, card: Bus): Bus | null {
  if (slot === card) return slot;
  const cardSpeaks: readonly string[] = [card, ...bus(card).alsoSpeaks];
  const slotSpeaks: readonly string[] = [slot, ...bus(slot).alsoSpeaks];
  return (slotSpeaks.find((key) => cardSpeaks.includes(key)) as Bus | undefined) ?? null;
}

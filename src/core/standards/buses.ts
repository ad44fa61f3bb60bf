import type { BytesPerSecond } from '../units/brand.ts';
import { fromMegabytes } from '../units/convert.ts';
import type { Form } from './forms.ts';
import type { SourceKey } from './sources.ts';

/** A bus: its ceiling one way, the slower ones it also speaks, and the forms it exists on. */
export interface BusRow {
  readonly name: string;
  /** Ceiling in MB/s for one direction, in the fastest mode both sides usually reach; per form where lanes differ. */
  readonly ceilingMBps: number | Readonly<Partial<Record<Form, number>>>;
  /** Slower buses that either side also speaks, fastest first. */
  readonly alsoSpeaks: readonly string[];
  readonly forms: readonly Form[];
  readonly source: SourceKey;
}

const SD: readonly Form[] = ['sd', 'microsd'];
const CFX: readonly Form[] = ['cfexpress-a', 'cfexpress-b', 'cfexpress-c'];

/**
 * Buses by kit key [domain.md §2]. UHS-II and UHS-III ceilings are half duplex (312, 624): a camera writes one way. In
 * full duplex they are 156 and 312. SD Express contacts share the second row with UHS-II, so each falls back to UHS-I
 * before the other; microSD Express has one lane. Ceilings are what the coding of the line leaves; payload is a tenth or so less. That of USB 2.0 is what
 * is reached in practice.
 */
// biome-ignore format: one row a line
const BUSES = {
  default: { name: 'Default speed', ceilingMBps: 12.5, alsoSpeaks: [], forms: SD, source: 'sd-physical' },
  'high-speed': { name: 'High speed', ceilingMBps: 25, alsoSpeaks: ['default'], forms: SD, source: 'sd-physical' },
  'uhs-i-50': { name: 'UHS-I SDR50', ceilingMBps: 50, alsoSpeaks: ['high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'uhs-i': { name: 'UHS-I', ceilingMBps: 104, alsoSpeaks: ['uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'uhs-ii': { name: 'UHS-II', ceilingMBps: 312, alsoSpeaks: ['uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'uhs-iii': { name: 'UHS-III', ceilingMBps: 624, alsoSpeaks: ['uhs-ii', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'sd-express-1': { name: 'SD Express ×1', ceilingMBps: 985, alsoSpeaks: ['uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'sd-express-4-1': { name: 'SD Express 4.0 ×1', ceilingMBps: 1970, alsoSpeaks: ['sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: SD, source: 'sd-physical' },
  'sd-express-2': { name: 'SD Express ×2', ceilingMBps: 1970, alsoSpeaks: ['sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: ['sd'], source: 'sd-physical' },
  'sd-express-4': { name: 'SD Express 4.0 ×2', ceilingMBps: 3940, alsoSpeaks: ['sd-express-2', 'sd-express-4-1', 'sd-express-1', 'uhs-i', 'uhs-i-50', 'high-speed', 'default'], forms: ['sd'], source: 'sd-physical' },
  'cfexpress-2': { name: 'CFexpress 2.0', ceilingMBps: { 'cfexpress-a': 1000, 'cfexpress-b': 2000, 'cfexpress-c': 4000 }, alsoSpeaks: [], forms: CFX, source: 'cfexpress' },
  'cfexpress-4': { name: 'CFexpress 4.0', ceilingMBps: { 'cfexpress-a': 2000, 'cfexpress-b': 4000, 'cfexpress-c': 8000 }, alsoSpeaks: ['cfexpress-2'], forms: CFX, source: 'cfexpress' },
  'xqd-1': { name: 'XQD 1.0', ceilingMBps: 500, alsoSpeaks: [], forms: ['xqd'], source: 'compactflash' },
  'xqd-2': { name: 'XQD 2.0', ceilingMBps: 1000, alsoSpeaks: ['xqd-1'], forms: ['xqd'], source: 'compactflash' },
  'sata-3': { name: 'SATA 3 Gb/s', ceilingMBps: 300, alsoSpeaks: [], forms: ['cfast'], source: 'compactflash' },
  'sata-6': { name: 'SATA 6 Gb/s', ceilingMBps: 600, alsoSpeaks: ['sata-3'], forms: ['cfast'], source: 'compactflash' },
  'pio-4': { name: 'PIO 4', ceilingMBps: 16.7, alsoSpeaks: [], forms: ['cf'], source: 'compactflash' },
  'udma-4': { name: 'UDMA 4', ceilingMBps: 66.7, alsoSpeaks: ['pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-5': { name: 'UDMA 5', ceilingMBps: 100, alsoSpeaks: ['udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-6': { name: 'UDMA 6', ceilingMBps: 133, alsoSpeaks: ['udma-5', 'udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'udma-7': { name: 'UDMA 7', ceilingMBps: 167, alsoSpeaks: ['udma-6', 'udma-5', 'udma-4', 'pio-4'], forms: ['cf'], source: 'compactflash' },
  'usb-2': { name: 'USB 2.0', ceilingMBps: 35, alsoSpeaks: [], forms: ['usb-ssd'], source: 'practice' },
  'usb-5': { name: 'USB 5 Gb/s', ceilingMBps: 500, alsoSpeaks: ['usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-10': { name: 'USB 10 Gb/s', ceilingMBps: 1200, alsoSpeaks: ['usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-20': { name: 'USB 20 Gb/s', ceilingMBps: 2400, alsoSpeaks: ['usb-10', 'usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
  'usb-40': { name: 'USB 40 Gb/s', ceilingMBps: 4800, alsoSpeaks: ['usb-20', 'usb-10', 'usb-5', 'usb-2'], forms: ['usb-ssd'], source: 'usb' },
} as const satisfies Record<string, BusRow>;

/** A bus by its key in the kit file. */
export type Bus = keyof typeof BUSES;
/** Every bus, in the order of the table. */
export const BUS_KEYS = Object.keys(BUSES) as readonly Bus[];
/** The row of a bus. */
export const bus = (key: Bus): BusRow => BUSES[key];

/** Buses a form can have, slowest first; empty for a module, whose maker says. */
export const busesOf = (form: Form): readonly Bus[] => BUS_KEYS.filter((key) => bus(key).forms.includes(form));

/** Ceiling of a bus in a form; null where the bus does not exist in that form. */
export function busCeiling(key: Bus, form: Form): BytesPerSecond | null {
  const { ceilingMBps, forms } = bus(key);
  if (!forms.includes(form)) return null;
  const value = typeof ceilingMBps === 'number' ? ceilingMBps : ceilingMBps[form];
  return value === undefined ? null : fromMegabytes(value);
}

/** The fastest bus both sides know; null when they share none. */
export function busInForce(slot: Bus, card: Bus): Bus | null {
  if (slot === card) return slot;
  const cardSpeaks: readonly string[] = [card, ...bus(card).alsoSpeaks];
  const slotSpeaks: readonly string[] = [slot, ...bus(slot).alsoSpeaks];
  return (slotSpeaks.find((key) => cardSpeaks.includes(key)) as Bus | undefined) ?? null;
}

import type { SourceKey } from './sources.ts';

/** What a card of a form speaks over its contacts. */
type Protocol = 'SD' | 'PCIe + NVMe' | 'PCIe' | 'SATA' | 'ATA' | 'USB' | 'own';

/** A form of card: its name, and what it speaks. */
export interface FormRow {
  readonly name: string;
  readonly protocol: Protocol;
  /** Cards of one shape enter each other's slots, whether or not they are understood there. */
  readonly shape: string;
  /** A shape this one reaches through a passive adapter. */
  readonly adaptsTo: string | null;
  /** Width × height × thickness in mm; null where the form fixes none. */
  readonly outsideMm: readonly [number, number, number] | null;
  readonly source: SourceKey;
}

/** Media forms by kit key [domain.md §2]. XQD and CFexpress B share a shape and not a protocol. */
// biome-ignore format: one row a line
const FORMS = {
  sd: { name: 'SD', protocol: 'SD', shape: 'sd', adaptsTo: null, outsideMm: [32, 24, 2.1], source: 'sd-physical' },
  microsd: { name: 'microSD', protocol: 'SD', shape: 'microsd', adaptsTo: 'sd', outsideMm: [15, 11, 1], source: 'sd-physical' },
  'cfexpress-a': { name: 'CFexpress A', protocol: 'PCIe + NVMe', shape: 'cfx-a', adaptsTo: 'xqd', outsideMm: [20, 28, 2.8], source: 'cfexpress' },
  'cfexpress-b': { name: 'CFexpress B', protocol: 'PCIe + NVMe', shape: 'xqd', adaptsTo: null, outsideMm: [38.5, 29.6, 3.8], source: 'cfexpress' },
  'cfexpress-c': { name: 'CFexpress C', protocol: 'PCIe + NVMe', shape: 'cfx-c', adaptsTo: null, outsideMm: [54, 74, 4.8], source: 'cfexpress' },
  xqd: { name: 'XQD', protocol: 'PCIe', shape: 'xqd', adaptsTo: null, outsideMm: [38.5, 29.8, 3.8], source: 'compactflash' },
  cfast: { name: 'CFast 2.0', protocol: 'SATA', shape: 'cfast', adaptsTo: null, outsideMm: [42.8, 36.4, 3.6], source: 'compactflash' },
  cf: { name: 'CompactFlash', protocol: 'ATA', shape: 'cf', adaptsTo: null, outsideMm: [42.8, 36.4, 3.3], source: 'compactflash' },
  'usb-ssd': { name: 'USB SSD', protocol: 'USB', shape: 'usb', adaptsTo: null, outsideMm: null, source: 'usb' },
  module: { name: 'Module', protocol: 'own', shape: 'module', adaptsTo: null, outsideMm: null, source: 'practice' },
} as const satisfies Record<string, FormRow>;

/** A form of card by its key in the kit file. */
export type Form = keyof typeof FORMS;
/** Every form of card, in the order of the table. */
export const FORM_KEYS = Object.keys(FORMS) as readonly Form[];
/** The row of a form. */
export const form = (key: Form): FormRow => FORMS[key];
/** Whether a form carries the marks of the SD series: SD and microSD. */
export const isSd = (key: Form): boolean => FORMS[key].protocol === 'SD';

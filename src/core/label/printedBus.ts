import type { Bus } from '../standards/buses.ts';
import { type Form, isSd } from '../standards/forms.ts';
import { mark } from '../standards/marks.ts';
import { printedMarks, speedMarks } from './printedMarks.ts';

export interface PrintedBus {
  readonly bus: Bus;
  /** True where the bus itself is printed; false where a mark implies it. */
  readonly printed: boolean;
}

const NUMERALS: Readonly<Record<string, Bus>> = {
  I: 'uhs-i',
  UHSI: 'uhs-i',
  UHS1: 'uhs-i',
  II: 'uhs-ii',
  UHSII: 'uhs-ii',
  UHS2: 'uhs-ii',
  III: 'uhs-iii',
  UHSIII: 'uhs-iii',
  UHS3: 'uhs-iii',
  EX: 'sd-express-1',
  SDEXPRESS: 'sd-express-1',
  EXPRESS: 'sd-express-1',
};

const VERSIONS: Readonly<Partial<Record<Form, Readonly<Record<string, Bus>>>>> = {
  'cfexpress-a': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  'cfexpress-b': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  'cfexpress-c': { '2.0': 'cfexpress-2', '4.0': 'cfexpress-4' },
  xqd: { '1.0': 'xqd-1', '2.0': 'xqd-2' },
};

const ONLY_BUS: Readonly<Partial<Record<Form, Bus>>> = { cfast: 'sata-6', cf: 'udma-7' };

/**
 * The bus a card's print tells: the roman numeral or version first, else the slowest bus its highest mark needs (a V90
 * card must be UHS-II). Null where nothing tells.
 */
export function printedBus(form: Form, marks: readonly string[]): PrintedBus | null {
  const printed = printedMarks(marks);
  if (isSd(form)) {
    for (const text of printed) {
      const numeral = NUMERALS[text];
      if (numeral) return { bus: numeral, printed: true };
    }
    return impliedBus(marks);
  }
  const versions = VERSIONS[form];
  for (const text of printed) {
    const version = versions?.[text];
    if (version) return { bus: version, printed: true };
  }
  const only = ONLY_BUS[form];
  return only ? { bus: only, printed: false } : null;
}

function impliedBus(marks: readonly string[]): PrintedBus | null {
  const needed = speedMarks(marks).map((key) => mark(key).countsFrom);
  for (const candidate of ['sd-express-1', 'uhs-ii', 'uhs-i-50', 'high-speed'] as const) {
    if (needed.includes(candidate)) {
      return { bus: candidate === 'uhs-i-50' ? 'uhs-i' : candidate, printed: false };
    }
  }
  return null;
}

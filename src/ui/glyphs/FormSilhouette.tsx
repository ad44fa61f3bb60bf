import type { Bus } from '../../core/standards/buses.ts';
import type { Form } from '../../core/standards/forms.ts';

const OUTLINES: Readonly<Record<Form, string>> = {
  sd: 'M4 2H15L20 7V22H4Z',
  microsd: 'M7 3H15V8L17 10V21H7Z',
  'cfexpress-a': 'M5 4H19V20H5Z',
  'cfexpress-b': 'M3 2H21V22H3Z',
  'cfexpress-c': 'M3 1H21V23H3Z',
  xqd: 'M3 2H21V22H3Z',
  cfast: 'M2 4H22V21H2Z',
  cf: 'M2 4H22V21H2Z',
  'usb-ssd': 'M5 2H19V19H5Z',
  module: 'M4 3H20V21H4Z',
};

const CONTACTS: Readonly<Partial<Record<Form, string>>> = {
  'cfexpress-a': 'M8 18H16',
  'cfexpress-b': 'M6 18.5H18',
  'cfexpress-c': 'M6 19H18',
  xqd: 'M6 18.5H18M6 5H10',
  cfast: 'M5 18H12M14 18H19',
  cf: 'M5 18H19',
  'usb-ssd': 'M9 19V22H15V19',
  module: 'M8 8H16M8 12H16',
};

const FIRST_ROW: Readonly<Partial<Record<Form, string>>> = { sd: 'M7 6H14', microsd: 'M9 6.5H13' };
const SECOND_ROW: Readonly<Partial<Record<Form, string>>> = { sd: 'M7 10H17', microsd: 'M9 10H14' };
const TWO_ROWS: readonly (Bus | null)[] = [
  'uhs-ii',
  'uhs-ii-312',
  'uhs-iii',
  'sd-express-1',
  'sd-express-2',
  'sd-express-4',
];

/** The shape of a card, with one or two rows of contacts; beside its name, so silent to screen readers. */
export function FormSilhouette({
  form,
  bus,
  size = 21,
}: {
  readonly form: Form;
  readonly bus: Bus | null;
  readonly size?: number;
}) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden="true" focusable="false">
      <g fill="none" stroke="currentColor" strokeWidth="1.5" strokeLinejoin="round">
        <path d={OUTLINES[form]} />
        {CONTACTS[form] && <path d={CONTACTS[form]} />}
        {FIRST_ROW[form] && <path d={FIRST_ROW[form]} />}
        {SECOND_ROW[form] && TWO_ROWS.includes(bus) && <path d={SECOND_ROW[form]} />}
      </g>
    </svg>
  );
}

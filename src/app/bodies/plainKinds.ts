import type { Body, BodySize, Slot } from '../../core/kit/model.ts';
import type { Form } from '../../core/standards/forms.ts';
import { newId } from '../../kit/newId.ts';
import type { Draft } from '../kit/draft.ts';

/** A plain kind of body to begin from: what its slots take and how it sheds heat. Never a bus, a mode or a rate. */
interface PlainKind {
  readonly key: string;
  readonly name: string;
  readonly about: string;
  readonly size: BodySize;
  /** Forms that each slot takes. */
  readonly slots: readonly (readonly Form[])[];
}

export const PLAIN_KINDS: readonly PlainKind[] = [
  { key: 'sd', name: 'SD hybrid', about: 'two SD slots', size: 'hybrid', slots: [['sd'], ['sd']] },
  {
    key: 'sd-cfx-a',
    name: 'SD + CFexpress A',
    about: 'two slots that take either',
    size: 'hybrid',
    slots: [
      ['cfexpress-a', 'sd'],
      ['cfexpress-a', 'sd'],
    ],
  },
  {
    key: 'cfx-b',
    name: 'CFexpress B cine',
    about: 'two CFexpress B slots',
    size: 'cine',
    slots: [['cfexpress-b'], ['cfexpress-b']],
  },
  { key: 'action', name: 'Action camera', about: 'one microSD slot', size: 'action', slots: [['microsd']] },
  { key: 'aerial', name: 'Aerial camera', about: 'one microSD slot, in the air', size: 'action', slots: [['microsd']] },
  {
    key: 'endless',
    name: 'Continuous recording',
    about: 'one microSD slot, records in a loop',
    size: 'outdoor',
    slots: [['microsd']],
  },
];

const slotOf = (accepts: readonly Form[], at: number): Slot => ({
  id: newId(),
  name: `Slot ${at + 1}`,
  // No bus: which one the slot has stands in the manual, and a guessed one would be a promise.
  accepts: accepts.map((form) => ({ form, bus: null })),
  family: null,
  promisedMaxGB: null,
});

/** A body begun from a plain kind: what was typed of its name stays. */
export function asKind(body: Draft<Body>, { name, size, slots }: PlainKind): Draft<Body> {
  return { ...body, note: name, slots: slots.map(slotOf), heat: { ...body.heat, size } };
}

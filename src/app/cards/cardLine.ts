import { busOf } from '../../core/cards/printedBus.ts';
import { FAULTS } from '../../core/cards/recordedFault.ts';
import { shownSpelling } from '../../core/cards/vocabulary.ts';
import type { Card, Incident } from '../../core/kit/model.ts';
import { ownPromise } from '../../core/match/ownPromise.ts';
import { labelRule } from '../../core/match/rules/label.ts';
import { remembered } from '../../core/remembered.ts';
import { type Bus, bus } from '../../core/standards/buses.ts';
import { form } from '../../core/standards/forms.ts';
import type { Bytes, BytesPerSecond } from '../../core/units/brand.ts';
import { fromGigabytes } from '../../core/units/convert.ts';

/** A card as a line of the wallet and a heading of the board show it. */
export interface CardLine {
  readonly formName: string;
  readonly bus: Bus | null;
  /** Without the name of its form: `UHS-II`. */
  readonly busName: string | null;
  readonly capacity: Bytes;
  /** What its print promises on its own bus; null where nothing does. */
  readonly floor: BytesPerSecond | null;
  /** `contradicts`: it promises nothing before the card is verified; `unread`: not every word was understood. */
  readonly doubt: 'contradicts' | 'unread' | null;
  readonly marks: readonly string[];
  readonly incidents: number;
}

/** The line of a card, worked out once for each state of it. */
export const cardLine = remembered((card: Card): CardLine => {
  const own = busOf(card).bus;
  const label = labelRule(card);
  return {
    formName: form(card.form).name,
    bus: own,
    busName: own && bus(own).name.replace(/^\S+ (?=\d)/, ''),
    capacity: fromGigabytes(card.capacityGB),
    floor: ownPromise(card).floor,
    doubt: label === null ? null : label.outcome === 'short' ? 'contradicts' : 'unread',
    marks: card.marks.map(shownSpelling),
    incidents: card.incidents?.length ?? 0,
  };
});

/** Whether an incident takes away what its card promises until somebody settles it. */
export const isFault = ({ kind }: Incident): boolean => FAULTS.has(kind);

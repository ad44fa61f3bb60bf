import type { Body, Card, Slot } from '../../kit/model.ts';
import type { Bus } from '../../standards/buses.ts';
import type { Form } from '../../standards/forms.ts';
import { toGigabytes, toMegabytes } from '../../units/convert.ts';
import { slotForm } from './answerAsk.ts';
import type { Ask } from './ask.ts';

/** What of an asked line may be kept: what it says, and nothing that its answer only took so. */
export interface Keepable {
  /** What the slot takes, and what the card is: an adapter, or a question whether one enters the other, parts them. Null: no word tells. */
  readonly slotForm: Form | null;
  readonly cardForm: Form | null;
  /** Bus of the slot, where the line says so; null otherwise, whatever the answer took it to be. */
  readonly slotBus: Bus | null;
  /** Whether a card was named with its size: without one there is none to keep. */
  readonly hasCard: boolean;
  /** Cards that were counted. */
  readonly cards: number;
  /** Frames a second, where the answer only assumed them; null where the line tells them. */
  readonly assumedFps: number | null;
}

/** What a line tells of the things it names. */
export function keepable({ slot, card, count, mode, readings }: Ask): Keepable {
  const cardForm = card?.form ?? null;
  return {
    cardForm,
    slotForm: slotForm(cardForm, slot),
    slotBus: slot?.bus ?? null,
    hasCard: card !== null && card.capacity !== null,
    cards: count,
    assumedFps: readings.some(({ code }) => code === 'fps-assumed') ? mode.fps : null,
  };
}

/** What a person adds to a line to make a body of it. */
export interface KeptBodyAs {
  readonly name: string;
  readonly modeName: string;
  /** What its slots take. */
  readonly form: Form;
  /** What its slots speak; null: not told. */
  readonly bus: Bus | null;
  /** Frames a second, where the line does not tell them; null: those of the line. */
  readonly fps: number | null;
  /** A new identifier at each call. */
  readonly newId: () => string;
}

/** A body that records as an asked line says: one mode, and slots of one form. */
export function keptBody(
  { mode, arrangement, ceiling, slot: said }: Ask,
  { name, modeName, form, bus, fps, newId }: KeptBodyAs,
): Body {
  const slotOf = (at: number): Slot => ({
    id: newId(),
    name: `Slot ${at + 1}`,
    accepts: [{ form, bus }],
    family: said?.family ?? null,
    promisedMaxGB: null,
  });
  return {
    id: newId(),
    name,
    arrangement,
    bufferMB: null,
    ceilingMBps: ceiling === null ? null : toMegabytes(ceiling),
    slots: (arrangement === 'single' ? [0] : [0, 1]).map(slotOf),
    modes: [{ ...mode, id: newId(), name: modeName, fps: fps ?? mode.fps }],
  };
}

/** A card with the print that an asked line gives it; null where its size was not named. */
export function keptCard({ card, sustained, minimum }: Ask, as: Pick<Card, 'id' | 'label' | 'form'>): Card | null {
  if (card === null || card.capacity === null) return null;
  return {
    ...as,
    capacityGB: toGigabytes(card.capacity),
    usableGB: null,
    marks: card.words,
    // What is printed tells its bus; what the answer took it to be is nobody's word.
    bus: null,
    readMBps: card.reads === null ? null : toMegabytes(card.reads),
    writeMBps: card.writes === null ? null : toMegabytes(card.writes),
    sustainedMBps: sustained === null ? null : toMegabytes(sustained),
    minimumMBps: minimum === null ? null : toMegabytes(minimum),
    cacheGB: null,
  };
}

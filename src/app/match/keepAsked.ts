import { askedBuses } from '../../core/cards/slotKinds.ts';
import { type Body, type Card, MAX_NAME } from '../../core/kit/model.ts';
import type { Ask } from '../../core/match/ask/ask.ts';
import { type Keepable, keepable, keptBody, keptCard } from '../../core/match/ask/kept.ts';
import type { Bus } from '../../core/standards/buses.ts';
import type { Form } from '../../core/standards/forms.ts';
import { createNamer } from '../../kit/names.ts';
import { newId } from '../../kit/newId.ts';
import { put } from '../../store/edit.ts';
import { CHANGE_TEXT } from '../../text/kit/changes.ts';
import { keptModeName } from '../../text/match/keep.ts';
import { startEmpty } from '../kit/kitFile.ts';
import { type Written, write } from '../kit/write.ts';

/** What of a line is being kept. */
export type KeptThing = 'camera' | 'card';

/** What a person says of it. */
export interface KeepAs {
  readonly name: string;
  readonly form: Form;
  /** What the camera's slots speak; null: not told. A card tells its own. */
  readonly bus: Bus | null;
  /** Frames a second, where the line does not tell them; null: as it does. */
  readonly fps: number | null;
}

/** Frames a second that are chosen from, where the line tells none. */
export const KEPT_SPEEDS = [24, 25, 30, 50, 60] as const;

/** What the form asks beside a name. */
export interface KeepAsked extends Keepable {
  /** Form of the slots of a camera, or of a card; null where the line does not tell it. */
  readonly form: Form | null;
  /** A free name to begin from. */
  readonly name: string;
  /** Letters that a name may have at the most. */
  readonly longest: number;
}

const FIRST_NAMES = { camera: 'Camera 0', card: 'Card 0' } as const satisfies Record<KeptThing, string>;

/** What to begin the form with: a name that is free, and what the line tells. */
export function keepAsked(
  thing: KeptThing,
  ask: Ask,
  { bodies, cards }: { readonly bodies: readonly Body[]; readonly cards: readonly Card[] },
): KeepAsked {
  const taken = thing === 'camera' ? bodies.map(({ name }) => name) : cards.map(({ label }) => label);
  const told = keepable(ask);
  return {
    ...told,
    form: thing === 'camera' ? told.slotForm : told.cardForm,
    name: createNamer(taken)(FIRST_NAMES[thing]),
    longest: MAX_NAME,
  };
}

/** What the slots of a camera may speak, the fastest first; empty where the line tells it, or where nothing is to be told apart. */
export function busesToAsk(thing: KeptThing, { slotBus }: Keepable, form: Form | null): readonly Bus[] {
  if (thing === 'card' || slotBus !== null || form === null) return [];
  const all = askedBuses(form);
  return all.length > 1 ? all : [];
}

/** Keeps the camera of an asked line as a body of the kit; where no kit was begun, an empty one is. */
export async function keepCamera(ask: Ask, { name, form, bus, fps }: KeepAs): Promise<Written> {
  await startEmpty();
  const body = keptBody(ask, { name, modeName: keptModeName(ask.mode), form, bus, fps, newId });
  return write(CHANGE_TEXT.saved(name), [put('bodies', body)]);
}

/** Keeps the cards of an asked line, as many as it counts, names counting on. */
export async function keepCards(ask: Ask, { name, form }: KeepAs, wallet: readonly Card[]): Promise<Written> {
  await startEmpty();
  const next = createNamer([...wallet.map(({ label }) => label), name]);
  const labels = Array.from({ length: ask.count }, (_, at) => (at === 0 ? name : next(name)));
  const made = labels.flatMap((label) => keptCard(ask, { id: newId(), label, form }) ?? []);
  const what = made.length === 1 ? CHANGE_TEXT.saved(name) : CHANGE_TEXT.added(made.length);
  return write(
    what,
    made.map((card) => put('cards', card)),
  );
}

import { type RateContext, streamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Card, Mode } from '../../core/kit/model.ts';
import type { Span, StandingCamera } from '../../core/kit/shop.ts';
import { type Odometer, type OdometerKit, odometer } from '../../core/shop/wear/odometer.ts';
import { type StandingWear, standingWear } from '../../core/shop/wear/replaceBy.ts';
import type { Between } from '../../core/shop/wear/wear.ts';
import { WRITE_AMPLIFICATION } from '../../core/standards/assumptions.ts';
import { toMegabits } from '../../core/units/convert.ts';
import { newId } from '../../kit/newId.ts';
import { dateAfter } from '../../reading/day/dayClock.ts';
import { calendarText } from '../kit/calendar.ts';
import type { Draft } from '../kit/draft.ts';
import { today } from '../kit/today.ts';

/** Everything shown of a camera that never stops. */
export interface StandingView extends StandingWear {
  readonly camera: StandingCamera;
  readonly card: Card | null;
  readonly odometer: Odometer | null;
  /** From which day is counted, and whether that is only today because nobody noted when the card went in. */
  readonly from: string;
  readonly fromToday: boolean;
  /** The days by which the card is to be replaced, sooner and later; null where its endurance is not known. */
  readonly replaceBy: readonly [sooner: string, later: string] | null;
  readonly isOver: boolean;
}

const NOTHING: Between = { low: 0, high: 0 };
/** Days that a calendar of this app counts ahead: a century. */
const MOST_DAYS = 36_525;

/**
 * From when wear is counted: what was noted of the card later than it went in is the newer truth; what was written before
 * is taken off.
 */
function start(camera: StandingCamera, card: Card | null, known: Odometer | null) {
  const { since } = camera;
  const notedOn = card?.writtenGB != null && card.writtenOn ? card.writtenOn.slice(0, 10) : null;
  if (notedOn && (!since || notedOn > since.slice(0, 10)))
    return { from: notedOn, before: { low: card?.writtenGB ?? 0, high: card?.writtenGB ?? 0 } };
  return { from: since ? since.slice(0, 10) : null, before: known?.total ?? NOTHING };
}

/** A camera that never stops, with the days its card lasts. */
export function standingView(camera: StandingCamera, cards: readonly Card[], kit: OdometerKit): StandingView {
  const card = cards.find(({ id }) => id === camera.cardId) ?? null;
  const known = card ? odometer(card, kit) : null;
  const { from, before } = start(camera, card, known);
  const worn = standingWear(camera, before);
  const first = from ?? today();
  const at = (days: number): string => dateAfter(first, Math.min(MOST_DAYS, Math.floor(days)));
  const replaceBy = worn.days && ([at(worn.days.low), at(worn.days.high)] as const);
  return {
    ...worn,
    camera,
    card,
    replaceBy,
    from: first,
    fromToday: from === null,
    odometer: known,
    isOver: replaceBy !== null && replaceBy[0] <= today(),
  };
}

/** What a mode writes, from its average to its peak, Mb/s; null where that is not known. */
export function spanOfMode(mode: Mode, body: RateContext): Span | null {
  const rate = streamRate(mode, body);
  if (!rate.ok) return null;
  const two = (value: number): number => Math.round(value * 100) / 100;
  return [two(toMegabits(rate.value.average)), two(toMegabits(rate.value.peak))];
}

/** A camera to be typed: around the clock, with nothing known of its card. */
export const newStanding = (): Draft<StandingCamera> => ({
  id: newId(),
  name: '',
  bodyId: null,
  modeId: null,
  cardId: null,
  capacityGB: '',
  rateMbps: ['', ''],
  hoursPerDay: 24,
  rated: null,
  cycles: null,
  writeAmplification: [...WRITE_AMPLIFICATION],
  price: null,
  since: null,
  note: null,
});

/** The day a card is to be replaced by, as a calendar entry that calls two weeks beforehand. */
export async function replaceCalendar({ camera, card, replaceBy }: StandingView): Promise<string | null> {
  if (!replaceBy) return null;
  const [year, month, day] = replaceBy[0].split('-').map(Number) as [number, number, number];
  return calendarText('Cards to replace', [
    {
      id: `${camera.id}-replace`,
      title: `Replace the card of ${camera.name}${card ? ` (${card.label})` : ''}`,
      description: `By the sooner end of what is known of it; it may last until ${replaceBy[1]}. Copy what is on it first.`,
      start: [year, month, day],
      lasts: { days: 1 },
      calls: { weeks: 2 },
    },
  ]);
}

/** What is known of the wear of one card: what was written to it, and the cameras that never stop writing to it. */
export function cardWear(
  card: Card,
  kit: OdometerKit & { readonly cards: readonly Card[]; readonly standing: readonly StandingCamera[] },
): { readonly odometer: Odometer; readonly standing: readonly StandingView[] } {
  return {
    odometer: odometer(card, kit),
    standing: kit.standing
      .filter(({ cardId }) => cardId === card.id)
      .map((camera) => standingView(camera, kit.cards, kit)),
  };
}

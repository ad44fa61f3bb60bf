import type { RatedHours, Span } from '../../kit/shop.ts';

/**
 * How long a card lasts in a camera that never stops [domain.md §9]. Every figure is a range over the rate and over what is
 * known of the card: low is the sooner end.
 */

/** What wear is worked out from. */
export interface WearInput {
  readonly capacityGB: number;
  /** What the camera writes, Mb/s. */
  readonly rateMbps: Span;
  readonly hoursPerDay: number;
  /** Hours of recording that its maker states, at a rate; null: not stated. */
  readonly rated: RatedHours | null;
  /** Times each cell may be written; null: not known. */
  readonly cycles: Span | null;
  /** Bytes written inside the card for each that is sent, 1 or more. */
  readonly writeAmplification: Span;
  /** For one card; null: not known. */
  readonly price: number | null;
}

/** Low and high end of an answer. */
export interface Between {
  readonly low: number;
  readonly high: number;
}

/** One way to know how long a card lasts. */
interface WearBasis {
  readonly code: 'rated' | 'cycles';
  readonly hours: Between;
  /** Times the whole card is written until then. */
  readonly fills: Between;
}

/** How long a card lasts, and what that costs; null where nothing is known. */
export interface Wear {
  /** Hours of recording until it is worn out. */
  readonly hours: Between | null;
  readonly days: Between | null;
  readonly fills: Between | null;
  /** Written by the camera until then, TB. */
  readonly writtenTB: Between | null;
  /** Hours kept before the oldest are overwritten. */
  readonly loopHours: Between;
  readonly pricePerHour: Between | null;
  /** Each way by itself, where both are known they may disagree. */
  readonly bases: readonly WearBasis[];
}

/** Hours in which so many megabits fill a card, at the label's capacity. */
const fillHours = (capacityGB: number, rateMbps: number): number => (capacityGB * 8000) / rateMbps / 3600;

function byRating(input: WearInput, { hours, atMbps }: RatedHours): WearBasis {
  const { capacityGB, rateMbps } = input;
  return {
    code: 'rated',
    // hours × (rated rate ÷ own rate): the sooner end is the lower statement at the higher rate.
    hours: { low: (hours * atMbps[0]) / rateMbps[1], high: (hours * atMbps[1]) / rateMbps[0] },
    fills: { low: hours / fillHours(capacityGB, atMbps[0]), high: hours / fillHours(capacityGB, atMbps[1]) },
  };
}

function byCycles({ capacityGB, rateMbps, writeAmplification }: WearInput, cycles: Span): WearBasis {
  const fills = { low: cycles[0] / writeAmplification[1], high: cycles[1] / writeAmplification[0] };
  return {
    code: 'cycles',
    hours: {
      low: fills.low * fillHours(capacityGB, rateMbps[1]),
      high: fills.high * fillHours(capacityGB, rateMbps[0]),
    },
    fills,
  };
}

/** From the lowest of several ways to the highest: where they disagree nobody knows which is right. */
function over(ranges: readonly Between[]): Between | null {
  if (ranges.length === 0) return null;
  return { low: Math.min(...ranges.map(({ low }) => low)), high: Math.max(...ranges.map(({ high }) => high)) };
}

const scaled = (range: Between | null, by: number): Between | null =>
  range && { low: range.low * by, high: range.high * by };

/**
 * Wear of a card that is written around the clock, or for some hours a day.
 *
 * @param input - rates above 0, the low end first; write amplification 1 or more; hours a day above 0 to 24
 * @example wear({ capacityGB: 32, rateMbps: [8, 8], hoursPerDay: 24, rated: { hours: 6000, atMbps: [4, 4] }, cycles: null, writeAmplification: [1, 1], price: null }).hours // => { low: 3000, high: 3000 }
 */
export function wear(input: WearInput): Wear {
  const { capacityGB, rateMbps, hoursPerDay, rated, cycles, price } = input;
  const bases = [...(rated ? [byRating(input, rated)] : []), ...(cycles ? [byCycles(input, cycles)] : [])];
  const hours = over(bases.map((one) => one.hours));
  const fills = over(bases.map((one) => one.fills));
  return {
    hours,
    fills,
    bases,
    days: scaled(hours, 1 / hoursPerDay),
    writtenTB: scaled(fills, capacityGB / 1000),
    loopHours: { low: fillHours(capacityGB, rateMbps[1]), high: fillHours(capacityGB, rateMbps[0]) },
    pricePerHour: price !== null && hours ? { low: price / hours.high, high: price / hours.low } : null,
  };
}

/** Days of recording that are left after so much was written before, and the share that is used. */
export interface WearLeft {
  readonly days: Between;
  /** Share of what it can take that is written. */
  readonly used: Between;
}

/**
 * What is left of a card that was written to before.
 *
 * @param writtenTB - before the days are counted
 */
export function wearLeft(input: WearInput, writtenTB: Between): WearLeft | null {
  const { writtenTB: most } = wear(input);
  if (!most) return null;
  const perDay = (rateMbps: number): number => (rateMbps * 3600 * input.hoursPerDay) / 8e6;
  return {
    days: {
      low: Math.max(0, most.low - writtenTB.high) / perDay(input.rateMbps[1]),
      high: Math.max(0, most.high - writtenTB.low) / perDay(input.rateMbps[0]),
    },
    used: { low: writtenTB.low / most.high, high: writtenTB.high / most.low },
  };
}

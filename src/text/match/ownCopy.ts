import type { OwnCopying } from '../../core/match/ask/ownNames.ts';
import type { Seconds } from '../../core/units/brand.ts';
import { capacityText, clockText, MBpsText, takeText } from '../quantity.ts';

/** Below this many seconds a time is shown as minutes and seconds. */
const CLOCK_BELOW = 6000;

/** A length of time from arm's length. */
export const timeFigure = (seconds: Seconds): string =>
  seconds < CLOCK_BELOW ? clockText(seconds) : takeText(seconds);

/** How long copying takes, in whole seconds that are enough. */
export const copySeconds = (seconds: Seconds): Seconds => Math.ceil(seconds) as Seconds;

/** How long an own card takes through an own reader, and which of the two sets the pace. */
export const ownCopyText = (card: string, reader: string, { bytes, rate, seconds, slower }: OwnCopying): string =>
  `${card}, full: ${capacityText(bytes)} at ${MBpsText(rate)} take ${takeText(copySeconds(seconds))}; ${slower === 'card' ? 'the card’s printed speed' : reader} sets the pace. A slower disk takes longer, and reading back to check about as long again.`;

import type { Due } from '../../core/prove/age.ts';
import { assertNever } from '../../core/result.ts';
import type { FleetAdvice, SlotsShort } from '../../core/shop/fleet.ts';
import type { Odometer } from '../../core/shop/wear/odometer.ts';
import type { Between, Wear } from '../../core/shop/wear/wear.ts';
import { NBSP, plain } from '../quantity.ts';

/** A range in one unit; one figure where both ends read the same. */
function betweenText({ low, high }: Between, figure: (value: number) => string): string {
  const [a, b] = [figure(low), figure(high)];
  return a === b ? a : `${a} to ${b}`;
}

const grouped = (value: number): string => Math.round(value).toLocaleString('en');

export const hoursBetween = (hours: Between): string => `${betweenText(hours, grouped)}${NBSP}h`;
export const fillsBetween = (fills: Between): string => `${betweenText(fills, grouped)} fills`;
export const terabytesBetween = (TB: Between): string => `${betweenText(TB, (one) => plain(one, 1))}${NBSP}TB`;
const gigabytesBetween = (GB: Between): string => `${betweenText(GB, grouped)}${NBSP}GB`;
export const loopBetween = (hours: Between): string => `${betweenText(hours, (one) => plain(one, 1))}${NBSP}h`;

/** Days as people say them: days, months, years. */
function daysText(days: number): string {
  if (days < 1) return 'less than a day';
  if (days < 60) return `${Math.floor(days)}${NBSP}days`;
  if (days < 730) return `${plain(days / 30.44, 0)}${NBSP}months`;
  return `${plain(days / 365.25, 1)}${NBSP}years`;
}

export const daysBetween = (days: Between): string => betweenText(days, daysText);

/** What each hour of recording costs in cards. */
export const perHourText = (price: Between): string =>
  betweenText(price, (one) => (one >= 1 ? plain(one, 2) : one.toPrecision(2)));

/** What is assumed, and what a maker has the last word on. */
export const WEAR_CAUTIONS = [
  'Plan by the earlier date: it uses the higher rate, the lower endurance and the larger write amplification.',
  'Cycles and write amplification are seldom printed; where nobody states them they are a guess of the trade, not of the maker.',
  'Consumer cards that record around the clock have worn out within months. A warranty often excludes this use: read it.',
  'A card may fail before it is worn out. Look at what it recorded now and then, and keep another ready.',
] as const;

/** Where both ways are known and disagree. */
export const basesText = ({ bases }: Wear): string | null =>
  bases.length < 2
    ? null
    : bases
        .map(({ code, hours }) => `${code === 'rated' ? 'By rated hours' : 'By cycles'} ${hoursBetween(hours)}`)
        .join('; ');

/** What was written so far, and where that is known from. */
export function odometerText({ noted, tests, benches, days, total, unsure }: Odometer): string {
  const parts = [
    ...(noted !== null ? [`${grouped(noted)}${NBSP}GB noted`] : []),
    ...(tests.high > 0 ? [`${gigabytesBetween(tests)} by tests`] : []),
    ...(benches.high > 0 ? [`${gigabytesBetween(benches)} by measuring`] : []),
    ...(days.high > 0 ? [`${gigabytesBetween(days)} on shoot days`] : []),
  ];
  if (parts.length === 0) return 'Nothing noted or logged: what was written to it is not known.';
  const doubt = unsure
    ? ' Since nobody noted until when that counts, some of it may be counted twice at the high end.'
    : '';
  return `At least ${gigabytesBetween(total)}: ${parts.join(', ')}.${doubt}`;
}

const DUE_WORDS = (due: Due): string => {
  switch (due.code) {
    case 'old':
      return `its newest test is ${due.months} months old`;
    case 'firmware':
      return `tested with firmware ${due.was}, the camera has ${due.is} now`;
    case 'incident':
      return `something happened to it on ${due.date.slice(0, 10)}, after its newest test`;
    default:
      return assertNever(due);
  }
};

/** What is to be done about a card. */
export function adviceText(advice: FleetAdvice): string {
  switch (advice.code) {
    case 'retire':
      return `Retire it: ${advice.incident.kind === 'damage' ? 'damaged' : 'files were corrupt'} on ${advice.incident.date.slice(0, 10)}`;
    case 'look':
      return `Test it before the next job: ${advice.incident.kind === 'dropped' ? 'it dropped frames' : 'a warning'} on ${advice.incident.date.slice(0, 10)}`;
    case 'verify':
      return 'Verify it in full: its label contradicts itself and promises nothing until then';
    case 'retest':
      return `Test it again: ${DUE_WORDS(advice.due)}`;
    default:
      return assertNever(advice);
  }
}

/** Slots that stay empty. */
export const slotsText = ({ slots, atOnce, cards }: SlotsShort): string =>
  atOnce
    ? `writes to ${slots} slots at once; ${cards === 0 ? 'none' : `only ${cards}`} of your cards ${cards === 1 ? 'is' : 'are'} usable here`
    : slots === 1
      ? 'none of your cards is usable here'
      : `has ${slots} slots; ${cards === 0 ? 'none' : `only ${cards}`} of your cards ${cards === 1 ? 'is' : 'are'} usable here`;

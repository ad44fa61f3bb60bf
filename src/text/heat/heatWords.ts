import type { HeatLevel } from '../../core/heat/run/level.ts';
import type { AirMovement, BodySize, Card, Finish, PlannedTake } from '../../core/kit/model.ts';
import { fromGigabytes } from '../../core/units/convert.ts';
import { capacityText, plain } from '../quantity.ts';

/** What a heat mark says, in words. */
export const HEAT_WORDS: Readonly<Record<HeatLevel, string>> = {
  cool: 'Heat: cool',
  warm: 'Heat: risky (est.)',
  hot: 'Heat: stops early (est.)',
};

/** The same behind other words of a cell, which has room for one line: the mark over it is that of an estimate. */
export const HEAT_BESIDE: Readonly<Record<HeatLevel, string>> = { cool: '', warm: 'heat risk', hot: 'heat stop' };

/** The same behind the minutes of a cell, where the rate holds and heat does not; empty where it does. */
export const HEAT_ASIDE: Readonly<Record<HeatLevel, string>> = {
  cool: '',
  warm: `${HEAT_BESIDE.warm}, est.`,
  hot: `${HEAT_BESIDE.hot}, est.`,
};

export const HEAT_MEANINGS: Readonly<Record<HeatLevel, string>> = {
  cool: 'no slowing or stop from heat expected, even if every heat figure is a little worse (estimate)',
  warm: 'slows down from heat, or stops if the figures are a little worse (estimate)',
  hot: 'expected to stop from heat before the take ends (estimate)',
};

const NBSP = '\u00a0';

export const degreesText = (celsius: number): string => `${plain(celsius, 0)}${NBSP}°C`;

export const paceText = (MBps: number): string => `${plain(MBps, MBps < 100 ? 1 : 0)}${NBSP}MB/s`;

/** A plan as it is spoken of: `12 min`, `3 takes of 12 min, 6 min rests`. */
export function planText({
  minutes,
  takes,
  restMinutes,
}: Pick<PlannedTake, 'minutes' | 'takes' | 'restMinutes'>): string {
  const each = `${plain(minutes)}${NBSP}min`;
  if (takes === 1) return each;
  const rest = restMinutes > 0 ? `, ${plain(restMinutes)}${NBSP}min rests` : ', no rest';
  return `${takes} takes of ${each}${rest}`;
}

/** The planned take with its air: `36 min at 30 °C in sun`. */
export const plannedText = ({ ambientC, sunC, air, ...take }: PlannedTake): string =>
  `${planText(take)} at ${degreesText(ambientC)}${sunC > 0 ? ' in sun' : ''}${air && air !== 'still' ? `, ${AIR_WORDS[air]}` : ''}`;

/** How a body that stands in the sun is finished. */
export const FINISH_WORDS: Readonly<Record<Finish, string>> = {
  light: 'light or white',
  grey: 'grey',
  black: 'black',
};

/** How the air around the body moves. */
export const AIR_WORDS: Readonly<Record<AirMovement, string>> = {
  still: 'still air',
  moving: 'moving air',
  strong: 'strong wind',
};

/** The same with where one meets it. */
export const AIR_MEANINGS: Readonly<Record<AirMovement, string>> = {
  still: 'none, still air',
  moving: 'breeze or walk',
  strong: 'flight, car window',
};

/** What an assumed body is called. */
export const SIZE_WORDS: Readonly<Record<BodySize, string>> = {
  housed: 'action camera in a housing',
  action: 'action camera',
  hybrid: 'hybrid camera',
  cine: 'cine camera',
  outdoor: 'dashboard or surveillance camera',
};

/** A card in a list to choose from. */
export const cardChoiceText = ({ label, capacityGB }: Pick<Card, 'label' | 'capacityGB'>): string =>
  `${label} · ${capacityText(fromGigabytes(capacityGB))}`;

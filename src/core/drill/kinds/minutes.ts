import { streamRate } from '../../bodies/rate/streamRate.ts';
import type { Mode } from '../../kit/model.ts';
import { labelMinutes, plannedMinutes, usableOf } from '../../match/minutes/minutes.ts';
import { fromGigabytes } from '../../units/convert.ts';
import { choicesOf, type Wrong } from '../choose.ts';
import { pick } from '../draw.ts';
import type { Level } from '../question.ts';
import type { Slip } from '../slips.ts';
import type { Draft, Making } from './making.ts';
import { aMode } from './subjects.ts';

const SIZES: Readonly<Record<Level, readonly number[]>> = {
  1: [128, 256, 512],
  2: [64, 128, 256, 320, 512, 1000],
  3: [80, 120, 160, 325, 650, 1000, 2000],
};
/** From 200 Mb/s on, what is beside the picture leaves an estimate by head within its ten per cent. */
const MBPS: Readonly<Record<Level, readonly number[]>> = {
  1: [200, 400, 800],
  2: [200, 240, 280, 400, 500, 600],
  3: [218, 263, 311, 356, 437, 553, 681, 890],
};

/** Minutes that a card of this size lasts, planned as the board plans them; null without a rate. */
export function plannedOf(mode: Mode, capacityGB: number): number | null {
  const rate = streamRate(mode, null);
  if (!rate.ok) return null;
  const label = fromGigabytes(capacityGB);
  return plannedMinutes(usableOf(label), rate.value.average, labelMinutes(label, rate.value.pictureAverage));
}

/** How many minutes a card lasts, within ten per cent by head. */
export function makeMinutes({ random, level, slip }: Making): Draft | null {
  const variable = slip === 'variable';
  const Mbps = pick(random, MBPS[level]);
  const mode = aMode(Mbps, variable ? { rate: { kind: 'stated', Mbps, is: 'average' } } : {});
  const capacityGB = pick(random, SIZES[level]);
  const right = plannedOf(mode, capacityGB);
  const rate = streamRate(mode, null);
  if (right === null || !rate.ok || right < 10 || right > 600) return null;
  const off: readonly (readonly [Slip, number])[] = [
    ['factor-eight', Math.floor(right / 8)],
    ['factor-eight', right * 8],
    ...(variable ? [['variable', Math.floor((right * rate.value.average) / rate.value.peak)] as const] : []),
    ['factor-ten', Math.floor((right * 8) / 10 / 2)],
    ['minute', right * 60],
    ['off', Math.round(right * 1.5)],
  ];
  const facts = { kind: 'minutes', mode, capacityGB } as const;
  if (level > 1)
    return {
      facts,
      choices: [],
      typed: { unit: 'min', right, tolerance: 0.1, slips: off.map(([code, value]) => ({ slip: code, value })) },
    };
  const wrongs = off.map(([code, minutes]): Wrong => ({ slip: code, value: { kind: 'minutes', minutes } }));
  const choices = choicesOf(random, { kind: 'minutes', minutes: right }, wrongs, { slip, level });
  return choices && { facts, choices, typed: null };
}

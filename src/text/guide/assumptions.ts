import {
  AMBIENT_SPREAD,
  ASSUMED,
  BITS_PER_PIXEL,
  MOST_ASSUMED_BESIDE,
  PAYLOAD_SHARE,
  PEAK_OVER_AVERAGE,
  SPREAD_OF,
  TEST_FIT,
  WRITE_AMPLIFICATION,
} from '../../core/standards/assumptions.ts';
import { type Form, form } from '../../core/standards/forms.ts';
import { BODY_HEAT, CARD_HEAT, FILM_SHARE, FINISHES, SD_MOST_W, SUN_WPER_M2 } from '../../core/standards/heat.ts';
import { SIZE_WORDS } from '../heat/heatWords.ts';
import { capital, NBSP, plain } from '../quantity.ts';
import type { GuideRow, GuideTable } from './entry.ts';

/** Shares are read as percentages, other values with their unit. */
const SHARES: ReadonlySet<string> = new Set([
  'of the label',
  'off',
  'over the need',
  'apart',
  'over the tested rate',
  'of the usual price',
  'of runs',
]);

/** An assumption as it is read: `98.7 % of the label`. */
const assumedText = (value: number, unit: string): string =>
  SHARES.has(unit) ? `${plain(value * 100, 1)}${NBSP}% ${unit}` : `${plain(value, 2)}${NBSP}${unit}`;

/** The address of an assumption in the guide. */
export const assumptionId = (key: keyof typeof ASSUMED): string => `assumed-${key}`;

/** A value of one's own in its place: `headroom over everything written: 20 % over the need`. */
export const ownValueText = (key: keyof typeof ASSUMED, value: number): string =>
  `${ASSUMED[key].what}: ${assumedText(value, ASSUMED[key].unit)}`;

const percent = (share: number): string => `${plain(share * 100, 1)}${NBSP}%`;
const assumed = (what: string, value: string): GuideRow => ({
  id: null,
  cells: [capital(what), value],
  source: 'assumed',
});

const VALUES: GuideTable = {
  id: 'assumed-values',
  title: 'Values',
  lead: 'What is taken where nothing better is entered. An entered value always stands before it.',
  columns: ['What', 'Value'],
  rows: [
    ...(Object.keys(ASSUMED) as readonly (keyof typeof ASSUMED)[]).map((key): GuideRow => {
      const { what, value, unit, source } = ASSUMED[key];
      return { id: assumptionId(key), cells: [capital(what), assumedText(value, unit)], source };
    }),
    assumed('most that is assumed beside the picture', `${percent(MOST_ASSUMED_BESIDE)} of the picture`),
    assumed(
      'between which shares of its mode’s rate the numbers of a test can be true',
      `${percent(TEST_FIT.least)} to ${percent(TEST_FIT.most)}`,
    ),
    ...Object.entries(PEAK_OVER_AVERAGE).map(([codec, { low, high }]) =>
      assumed(
        `peak over average of ${codec} where its average alone is known; the need takes the upper end`,
        `${low} to ${high}`,
      ),
    ),
    assumed(
      'what protocol surely leaves of the coded line of a bus, where its row says nothing else',
      percent(PAYLOAD_SHARE),
    ),
    assumed(
      'bytes written inside a card for each that is sent, where nobody states it',
      `${WRITE_AMPLIFICATION[0]} to ${WRITE_AMPLIFICATION[1]}`,
    ),
    assumed('what a test proves beyond the rate it implies', percent(TEST_FIT.tolerance)),
    ...Object.entries(BITS_PER_PIXEL).map(([codec, { min, max }]) =>
      assumed(`bits a pixel and frame of ${codec}, beyond which a rate is asked about`, `${min} to ${max}`),
    ),
  ],
};

const SPREADS: GuideTable = {
  id: 'assumed-spreads',
  title: 'How far a figure may be off',
  lead: 'By what stands behind it: the standard deviation of its logarithm. Risk runs draw every figure within it.',
  columns: ['Behind the figure', 'Spread'],
  rows: [
    ...Object.entries(SPREAD_OF).map(([behind, spread]) => assumed(behind, percent(spread))),
    assumed('the air', percent(AMBIENT_SPREAD)),
  ],
};

const CARDS: GuideTable = {
  id: 'card-heat',
  title: 'Heat of cards',
  lead: `Good for ranking until calibrated. Resistance falls as the outside grows. What a host must give a card of SD bounds its heat: ${SD_MOST_W.oneRow} W on one row of contacts, ${SD_MOST_W.twoRows} W on two.`,
  columns: ['Form', 'J/K', 'K/W', 'Idle, W', 'nJ/B', 'Throttles at / resumes at', 'Factor'],
  rows: Object.entries(CARD_HEAT).map(([key, heat]) => ({
    id: null,
    cells: [
      form(key as Form).name,
      String(heat.heatCapacityJPerK),
      String(heat.resistanceKPerW),
      String(heat.idleW),
      `${heat.energyNJPerByte} (${heat.energyRange.join('–')})`,
      `${heat.throttleAtC} / ${heat.resumeAtC}${NBSP}°C`,
      String(heat.throttleFactor),
    ],
    source: heat.source,
  })),
};

const SUN_KEPT = Object.entries(FINISHES)
  .map(([finish, share]) => `${finish} ${percent(share)}`)
  .join(', ');

const BODIES: GuideTable = {
  id: 'body-heat',
  title: 'Heat of cameras',
  lead: `By size. A camera without a fan sheds heat by its surface, and by how the air around it moves; inside, it is hotter than its shell by so much for each watt. Of a resistance that a maker’s limit comes to, wind thins the film outside alone: ${percent(FILM_SHARE.low)} to ${percent(FILM_SHARE.high)} of it, the least counted. Sun adds what the finish keeps of ${SUN_WPER_M2} W/m² on the largest face: ${SUN_KEPT}.`,
  columns: ['Camera', 'J/K', 'Recording, W', 'Outside, mm', 'Limit inside', 'Inside above shell'],
  rows: Object.entries(BODY_HEAT).map(([size, heat]) => ({
    id: null,
    cells: [
      SIZE_WORDS[size as keyof typeof BODY_HEAT],
      String(heat.heatCapacityJPerK),
      String(heat.recordingW),
      heat.outsideMm?.join(' × ') ?? `fan, ${heat.fanResistanceKPerW}${NBSP}K/W`,
      `${heat.limitC}${NBSP}°C`,
      `${heat.hotKPerW}${NBSP}K/W`,
    ],
    source: heat.source,
  })),
};

/** Everything that is assumed, with its value as the core has it. */
export const ASSUMPTION_TABLES: readonly GuideTable[] = [VALUES, SPREADS, CARDS, BODIES];

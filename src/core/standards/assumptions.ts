import type { SourceKey } from './sources.ts';

interface Assumption {
  readonly value: number;
  readonly unit: string;
  readonly what: string;
  readonly source: SourceKey;
}

/** Values of ours [A] and of the trade [P], shown as such in the interface [domain.md §4–6]. */
// biome-ignore format: one row a line
export const ASSUMED = {
  usableFraction: { value: 0.987, unit: 'of the label', what: 'usable after formatting, until the formatted size is entered', source: 'assumed' },
  fixedMbps: { value: 2, unit: 'Mb/s', what: 'sound and housekeeping beside the picture', source: 'assumed' },
  perFrameKB: { value: 20, unit: 'kB a frame', what: 'metadata with every frame', source: 'assumed' },
  makerDerating: { value: 0.2, unit: 'off', what: "taken off a maker's sustained figure", source: 'assumed' },
  headroom: { value: 0.15, unit: 'over the need', what: 'headroom over everything written', source: 'practice' },
  quickFps: { value: 50, unit: 'fps', what: 'frames a second where a quick check names none', source: 'assumed' },
  printedDisagreement: { value: 0.1, unit: 'apart', what: 'how far a × rating and MB/s may differ', source: 'assumed' },
  sunC: { value: 14, unit: '°C', what: 'what sun adds to a black body in still air', source: 'assumed' },
  plannedMinutes: { value: 30, unit: 'min', what: 'take that heat marks are worked out for', source: 'assumed' },
  plannedAmbientC: { value: 25, unit: '°C', what: 'air that heat marks are worked out for', source: 'assumed' },
  dayRangeC: { value: 8, unit: '°C', what: 'how far the air of a day falls below what was planned for, until its coldest is entered', source: 'assumed' },
  testedMargin: { value: 0.15, unit: 'over the tested rate', what: 'pace of a card whose passed test is all that is known of it', source: 'assumed' },
  exportEveryDays: { value: 14, unit: 'days', what: 'without an export, after which the kit asks for one', source: 'assumed' },
  retestMonths: { value: 12, unit: 'months', what: 'after which a test is worth making again', source: 'assumed' },
  suspiciousShare: { value: 0.5, unit: 'of the usual price', what: 'below which a price is far under the rest of its print', source: 'assumed' },
  oldPriceMonths: { value: 6, unit: 'months', what: 'after which a price is old', source: 'assumed' },
  takeOfBlock: { value: 10, unit: 'min', what: 'a take of a block that does not roll through', source: 'assumed' },
  repeats: { value: 3, unit: 'takes', what: 'of one test before it is left at that', source: 'practice' },
  acceptedRisk: { value: 0.05, unit: 'of runs', what: 'failing runs that still count as holding for a once-only take', source: 'assumed' },
  acceptedRiskRepeatable: { value: 0.25, unit: 'of runs', what: 'failing runs that still count as holding for a repeatable take', source: 'assumed' },
} as const satisfies Record<string, Assumption>;

/**
 * How far a figure may be off by what stands behind it: the standard deviation of its logarithm [A]. A maker's sustained
 * figure is claimed and has 20 % taken off already.
 */
export const SPREAD_OF = {
  assumed: 0.25,
  claimed: 0.15,
  stated: 0.12,
  tested: 0.05,
  guaranteed: 0.02,
  // Off a bench in a computer, which writes in other pieces than a camera.
  measured: 0.1,
  fitted: 0.05,
} as const;

/** The same for the air: 2 °C of the 20 that a spread of 1 stands for [A]. */
export const AMBIENT_SPREAD = 0.1;

/**
 * Between which shares of its mode's rate the numbers of a test can be true [A]; what they prove beyond the rate they
 * imply: rounding of the clock and of the card's room.
 */
export const TEST_FIT = { least: 2 / 3, most: 1.25, tolerance: 0.03 } as const;

/**
 * Peak over average of a stream whose average alone is known, by family: what is met [A]. The need takes the upper end; what
 * a take proves beyond its average takes the lower.
 */
export const PEAK_OVER_AVERAGE = {
  'long-gop': { low: 1.2, high: 2 },
  intra: { low: 1.1, high: 1.5 },
  raw: { low: 1.1, high: 2 },
} as const;

/** Bytes written inside a card for each that is sent, where nobody states it [P]; 1 is the least there can be. */
export const WRITE_AMPLIFICATION = [1.1, 4] as const;

/** What protocol surely leaves of a coded line, as a share of it; 0.85 to 0.95 is met [P, from memory]. */
export const PAYLOAD_SHARE = 0.85;

/** Share of a card’s label that a body’s counter may count on, whatever it assumes itself [A]. */
export const COUNTER_USABLE = { low: 0.8, high: 1 } as const;

/** Most that what is assumed beside the picture may add, as a share of the picture [A]. */
export const MOST_ASSUMED_BESIDE = 0.15;

/** Bits per pixel per frame a family of codecs usually needs [A]; outside it a rate is asked about, not refused. */
export const BITS_PER_PIXEL = {
  'long-gop': { min: 0.02, max: 2 },
  intra: { min: 0.5, max: 10 },
  raw: { min: 0.5, max: 16 },
} as const;

/** Compression ratios cameras commonly offer for raw, to 1 [P]. */
export const RAW_RATIOS = [3, 5, 8, 12, 18] as const;

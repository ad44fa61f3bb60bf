import type { ExplainedTake, FitRefusal, FittedValue } from '../../core/heat/run/fit.ts';
import type { CalibrationRefusal } from '../../core/heat/writepath/calibration.ts';
import type { TestEnd } from '../../core/kit/model.ts';
import { plain } from '../quantity.ts';
import { timeText } from './heat.ts';
import { FIGURE_WORDS } from './heatFigures.ts';
import { degreesText } from './heatWords.ts';

/** Why a maker's statements give no constants. */
export function limitRefusalText(refusal: CalibrationRefusal, limitC: number): string {
  switch (refusal.code) {
    case 'none':
      return 'No limit is entered.';
    case 'above-limit':
      return `At ${degreesText(refusal.ambientC)} the air is as hot as the camera’s limit of ${degreesText(limitC)}. Check both.`;
    case 'contradictory':
      return 'No camera of this kind ends its takes there. Check the figure against the manual.';
  }
}

/** Two statements that no body fits. */
export const LIMITS_APART =
  'No camera records so long in the one air and so long in the other: both are kept, and the shorter one rules. Check them against the manual.';

export const END_WORDS: Readonly<Record<TestEnd, string>> = {
  full: 'ended full',
  stopped: 'was stopped',
  dropped: 'dropped frames',
  'cut-off': 'camera shut down',
};

export function fitRefusalText(refusal: FitRefusal): string {
  switch (refusal.code) {
    case 'nothing-logged':
      return 'No take of this camera has its air noted. Log one with how it ended, its minutes and the air.';
    case 'cannot-run':
      return 'A logged take was made on a card or mode that this camera can no longer run. Correct it, or take it out.';
  }
}

/** What a fit would use: takes of the pair tell of both, takes of the body on other cards of the body alone. */
export function fitText(ofPair: number, onOthers: number): string {
  const takes = (count: number): string => `${count === 1 ? 'logged take' : `${count} logged takes`}`;
  if (ofPair === 0) return `Fit the camera to its ${takes(onOthers)} on other cards`;
  return `Fit the figures to its ${takes(ofPair)}${onOthers > 0 ? ` and ${onOthers} on other cards` : ''}`;
}

/** A fitted figure: before, after, and its middle nine tenths. */
export function fittedText({ figure, before, after, informed }: FittedValue): string {
  const { name, unit, digits } = FIGURE_WORDS[figure];
  const of = (value: number | null | undefined): string => plain(value ?? 0, digits);
  return informed
    ? `${name}: ${of(before)} → ${of(after.value)} ${unit}, likely ${of(after.low)}–${of(after.high)}`
    : `${name}: the takes say nothing new`;
}

/** Said where fitted figures would not end the takes where they really ended: nothing is changed then. */
export const NOT_REPRODUCED =
  'No figures were found that end these takes where they really ended, so nothing is changed. The takes in red do not fit with the rest: look at their minutes, air and cards, or take one out.';

/**
 * How a logged take reads with the fitted figures.
 *
 * @param card - its label where it is another than the one that is fitted
 */
export function explainedText({ end, seconds, fittedSeconds, unexplained }: ExplainedTake, card?: string): string {
  const logged = `${card ? `${card} ` : ''}${END_WORDS[end]} at ${timeText(seconds)}`;
  if (unexplained) return `${logged}: no figure explains it. Another cause, or a typing error?`;
  return fittedSeconds === null
    ? `${logged}: with the fitted figures ${card ? 'the camera' : 'it'} would go on past that`
    : `${logged}: with the fitted figures ${card ? 'the camera would shut down' : 'it would end'} at ${timeText(fittedSeconds)}`;
}

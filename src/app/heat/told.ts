import type { PaceKnown } from '../../core/heat/run/pace.ts';
import type { Cause, SimResult } from '../../core/heat/writepath/simulation.ts';
import type { Test } from '../../core/kit/model.ts';
import { heatAloneText, outcomeText, ownEndText, promiseAloneText, riskyText } from '../../text/heat/heat.ts';
import { hasFailed, riskTone } from './heatViews.ts';

/** A run as far as a headline needs it. */
export interface Headlined {
  readonly result: SimResult;
  readonly pace: PaceKnown;
  readonly cause: Cause | null;
  readonly ended: Test | null;
  readonly outlasted: Test | null;
}

/** What is said of a run in a line; one answer wherever it stands. */
export interface Told {
  readonly text: string;
  readonly tone: 'cool' | 'warm' | 'hot' | 'none';
  readonly glyph: 'pass' | 'note' | 'short' | 'unknown';
}

/**
 * @param failing - share of its runs that fail; null until it is known, and until then nothing that holds is called good
 */
export function toldOf(
  { result, pace, cause, ended, outlasted }: Headlined,
  failing: number | null,
  accepted: number,
): Told {
  if (ended) return { text: ownEndText(ended), tone: 'hot', glyph: 'short' };
  if (outlasted) return { text: 'In doubt: your own take held longer', tone: 'warm', glyph: 'unknown' };
  const failed = hasFailed(result);
  if (pace === 'unknown') {
    const isRisky = !failed && failing !== null && failing > accepted;
    const tone = failed ? 'hot' : isRisky ? riskTone(failing, accepted) : 'none';
    return {
      text: isRisky ? `${riskyText(failing)}, for heat alone` : heatAloneText(result),
      tone,
      glyph: failed ? 'short' : 'unknown',
    };
  }
  if (failed) {
    const alone = pace === 'promised' && cause !== 'heat' && cause !== 'bus';
    return { text: alone ? promiseAloneText(result) : outcomeText(result), tone: 'hot', glyph: 'short' };
  }
  if (failing === null) return { text: outcomeText(result), tone: 'none', glyph: 'unknown' };
  const tone = riskTone(failing, accepted);
  return failing > accepted
    ? { text: riskyText(failing), tone, glyph: 'note' }
    : { text: outcomeText(result), tone, glyph: 'pass' };
}

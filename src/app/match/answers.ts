import { highestCapture } from '../../core/bodies/rate/highestCapture.ts';
import { playbackLength } from '../../core/bodies/rate/playback.ts';
import type { StreamRate } from '../../core/bodies/rate/streamRate.ts';
import type { Mode, PlannedTake } from '../../core/kit/model.ts';
import type { BoardKit } from '../../core/match/board.ts';
import { bodyInModeOf } from '../../core/match/bodyInMode.ts';
import type { Cell } from '../../core/match/cell.ts';
import { knownMinutes, slowerEndMinutes } from '../../core/match/knownMinutes.ts';
import type { Move } from '../../core/match/move.ts';
import { movesFor } from '../../core/match/moves.ts';
import type { Policy } from '../../core/match/policy.ts';
import { rankOf, type Verdict } from '../../core/match/verdict.ts';
import type { BytesPerSecond, Seconds } from '../../core/units/brand.ts';
import { fromMegabits } from '../../core/units/convert.ts';
import type { WhySubject } from './subject.ts';

export { HEAT_LEVELS } from '../../core/heat/run/level.ts';
export { cellTone } from '../../core/match/cell.ts';
export { toneOf, VERDICTS } from '../../core/match/verdict.ts';

/** Whether a verdict says that the rate holds at all, a maker's claim and a stopped take included: only then are minutes shown. */
export const showsMinutes = (verdict: Verdict): boolean => rankOf(verdict) <= rankOf('held');

/** What the maker states of a mode; null where its rate comes from elsewhere. */
export const statedRate = ({ rate }: Mode): BytesPerSecond | null =>
  rate.kind === 'stated' ? fromMegabits(rate.Mbps) : null;

/** What would make the selected cell hold, or hold for less. */
export const movesOf = (
  { cell, body, mode, card }: WhySubject,
  kit: BoardKit,
  policy: Policy,
  { minutes }: PlannedTake,
): readonly Move[] => movesFor({ kit, body, mode, card, cell, policy, minutes });

/** The minutes of a cell beside those planned: of the counter, measured, and at the slower end of an unsure rate. */
export const minutesBeside = (
  { cell, body, card }: Pick<WhySubject, 'cell' | 'body' | 'card'>,
  kit: BoardKit,
  rate: StreamRate,
) => ({
  known: knownMinutes(cell, kit),
  slowerEnd: slowerEndMinutes(rate, bodyInModeOf(body, cell.modeId), card),
});

/** Slow motion of a mode on a card: how fast it may capture, and how long takes play. */
export interface SlowMotion {
  /** The fastest capture that the promise covers, frames a second; null where nothing is promised. */
  readonly fastest: number | null;
  /** Whether the mode itself is slow motion. */
  readonly slowed: boolean;
  readonly plays: (seconds: number) => Seconds;
}

export function slowMotion(
  { mode, body }: Pick<WhySubject, 'mode' | 'body'>,
  { floor }: Pick<Cell, 'floor'>,
  { headroom }: Policy,
): SlowMotion {
  const captured = mode.captureFps ?? mode.fps;
  return {
    fastest: floor === null ? null : highestCapture(mode, floor, headroom, body),
    slowed: captured !== mode.fps,
    plays: (seconds) => playbackLength(seconds as Seconds, captured, mode.fps),
  };
}

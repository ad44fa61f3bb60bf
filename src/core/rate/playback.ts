import type { Seconds } from '../units/brand.ts';

/**
 * How long a slow-motion take plays: take × capture ÷ playback frame rate.
 *
 * @param take - seconds; > 0
 * @example playbackLength(230 as Seconds, 100, 25) // => 920
 */
export const playbackLength = (take: Seconds, captureFps: number, playbackFps: number): Seconds =>
  ((take * captureFps) / playbackFps) as Seconds;

import type { Seconds } from '../../units/brand.ts';
import { exactFrameRate } from '../../units/frameRate.ts';

/**
 * How long a slow-motion take plays: take × capture ÷ playback frame rate.
 *
 * @param take - seconds; > 0
 * @param captureFps - as printed; 119.88 and its like are taken exactly
 * @example playbackLength(230, 100, 25) // => 920
 */
export const playbackLength = (take: Seconds, captureFps: number, playbackFps: number): Seconds =>
  ((take * exactFrameRate(captureFps)) / exactFrameRate(playbackFps)) as Seconds;
